import * as z from 'zod'

/** Either driver's answer, as rows of plain values. */
export const rowsOf = <T>(schema: z.ZodType<T>, answer: unknown): T[] =>
  z.object({ rows: z.array(schema) }).parse(answer).rows
