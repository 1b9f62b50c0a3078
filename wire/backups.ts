/** Copies of the practice, as Settings and the day see them. */
import * as z from 'zod'
import { ms } from './noun'

export const copiesView = z.strictObject({
  nightly: z.strictObject({ on: z.boolean(), keep: z.number().int() }),
  folder: z.string(),
  /** Whether they are encrypted: whether the server was started with a passphrase. */
  encrypted: z.boolean(),
  copies: z.array(z.strictObject({ name: z.string(), bytes: z.number().int(), at: ms })),
  /** The last that was not made, where none was made since. */
  fault: z.strictObject({ at: ms, why: z.string() }).nullable(),
})
export type CopiesView = z.infer<typeof copiesView>

/** What the day has to know: whether copies are made each night, and when the last was. */
export const lastCopyView = z.strictObject({ nightly: z.boolean(), at: ms.nullable() })
export type LastCopy = z.infer<typeof lastCopyView>

export const copyMadeView = z.strictObject({ name: z.string(), rows: z.number().int() })

/** What holding the live data against its seals found. */
export const verdictView = z.strictObject({
  rows: z.number().int(),
  sealed: z.number().int(),
  unsealed: z.number().int(),
  wrong: z.array(z.string()),
})
export type VerdictView = z.infer<typeof verdictView>
