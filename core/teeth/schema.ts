/** Teeth at the edges: the schemas. Apart from the rules, so that a screen that only writes teeth needs no parser. */
import * as z from 'zod'
import { toTooth } from './notation'

export const notation = z.enum(['iso', 'universal', 'quadrant'])

/** ISO 3950: the quadrant, then the place in it from the midline; primary quadrants have five places. The same as `isTooth`, as a test holds. */
const iso3950 = /^([1-4][1-8]|[5-8][1-5])$/

/** Zod schema of a tooth in ISO 3950; other notations go through `readTooth` first. */
export const tooth = z
  .string()
  .regex(iso3950, {
    error: (issue) =>
      `"${String(issue.input)}" is not an ISO 3950 tooth code; write 11–18, 21–28, 31–38, 41–48, or 51–85 for primary teeth`,
  })
  .transform(toTooth)
