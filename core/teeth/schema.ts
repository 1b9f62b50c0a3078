/** Teeth at the edges: the schemas. Apart from the rules, so that a screen that only writes teeth needs no parser. */
import * as z from 'zod'
import { isTooth, type Tooth } from './notation'

export const notation = z.enum(['iso', 'universal', 'quadrant'])

/** Zod schema of a tooth in ISO 3950; other notations go through `readTooth` first. */
export const tooth = z
  .string()
  .refine(isTooth, {
    error: (issue) =>
      `"${String(issue.input)}" is not an ISO 3950 tooth code; write 11–18, 21–28, 31–38, 41–48, or 51–85 for primary teeth`,
  })
  .transform((text) => text as Tooth)
