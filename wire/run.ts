/** What a run answers. */
import * as z from 'zod'
import { runEvent } from '../core/run/events'
import { handoffNames } from '../core/run/handoffs'
import { ms } from './noun'
import { refusalView } from './problems'

export const eventsView = z.strictObject({ events: z.array(runEvent), now: ms })
export type EventsView = z.infer<typeof eventsView>

export const commandView = z.strictObject({
  seq: z.number().int(),
  events: z.array(runEvent),
  /** What was not done of what was asked, and why. */
  held: refusalView.optional(),
})
export type CommandAnswer = z.infer<typeof commandView>

/** What waits for the person signed in, over all chairs. */
const needed = z.strictObject({
  visitId: z.string(),
  chair: z.string(),
  patient: z.string(),
  kind: z.enum(['call', 'hold']),
  words: z.string(),
  since: ms,
  handoff: z.enum(handoffNames).optional(),
  holdId: z.string().optional(),
})
export const neededView = z.strictObject({ wanted: z.array(needed) })
export type NeededView = z.infer<typeof neededView>
