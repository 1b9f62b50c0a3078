/** What Settings reads beside the practice itself, which is core's own schema. */
import * as z from 'zod'
import { amendment } from '../core/practice/amendment'
import { ms } from './noun'

export { practice as practiceView } from '../core/practice/practice'
export const amendmentView = amendment
export const amendmentsTakenView = z.strictObject({ added: z.number().int(), replaced: z.number().int() })
export const lockedView = z.strictObject({ locked: z.array(z.string()) })
export type Locked = z.infer<typeof lockedView>

const auditRow = z.strictObject({
  id: z.number().int(),
  at: ms,
  /** Nobody where a stranger tried. */
  by: z.string().nullable(),
  what: z.string(),
  target: z.string(),
  /** What was asked for, codes left out. */
  asked: z.unknown(),
})
export const auditView = z.strictObject({ rows: z.array(auditRow) })
export type AuditView = z.infer<typeof auditView>
