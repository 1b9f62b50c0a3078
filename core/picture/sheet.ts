/** The sheet of a step, with its holes and the clamps that hold it. */
import { damTemplate, type DamTemplate } from '../measure/dam-template'
import type { Step } from '../model/step'

/** The template of the sheet a step puts on; nothing where it puts none. */
export function sheetOf(step: Pick<Step, 'holes' | 'asks'>): DamTemplate | undefined {
  const clamped = step.asks.find((a) => a.reading === 'sheet')?.teeth
  return step.holes && damTemplate(step.holes, clamped ? { clamped } : {})
}
