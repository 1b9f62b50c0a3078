/**
 * The grammar of a step's id: words joined by dots, the act first. A part that begins with a figure is the tooth, the
 * piece or the ordinal it is done for; without those parts the id names the kind of step. Nothing else is read out of an
 * id: what a step is stands on the step.
 */
/**
 * The kind of a step: its id without the tooth, the piece or the ordinal.
 * @example kindOfStep('cutting.margin.37') // 'cutting.margin'
 */
export const kindOfStep = (stepId: string): string =>
  stepId
    .split('.')
    .filter((part) => !/^\d/.test(part))
    .join('.')

/**
 * The id without the step's own tooth at its end, as an amendment names the step on every tooth.
 * @example onEveryTooth({ id: 'cutting.margin.37', tooth: '37' }) // 'cutting.margin'
 */
export const onEveryTooth = ({ id, tooth }: { id: string; tooth?: string }): string =>
  tooth && id.endsWith(`.${tooth}`) ? id.slice(0, -tooth.length - 1) : id
