/** How often a property is tried: a third by day, all of it by night (JADE_NIGHTLY=1). */
export const nightly = process.env['JADE_NIGHTLY'] === '1'

export const often = (times: number): number => (nightly ? times : Math.ceil(times / 3))
