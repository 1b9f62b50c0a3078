/** What comes over the socket, to every screen that looks at a visit, at the day, or at anything. */
import * as z from 'zod'
import { runEvent } from '../core/run/events'
import { ms } from './noun'
import { presentView } from './people'
import { markView } from './visit'

const visitId = z.string()
const nothing = z.strictObject({})

export const liveMessage = z.discriminatedUnion('event', [
  /** The server's clock, which process it is, and how fast its clock runs (1 but for rehearsal). */
  z.strictObject({ event: z.literal('hello'), data: z.strictObject({ now: ms, boot: z.string(), pace: z.number() }) }),
  /** Still here; `away` where the database does not answer. */
  z.strictObject({ event: z.literal('beat'), data: z.strictObject({ now: ms, away: z.boolean() }) }),
  z.strictObject({ event: z.literal('run'), data: z.strictObject({ visitId, events: z.array(runEvent) }) }),
  z.strictObject({ event: z.literal('tray'), data: z.strictObject({ visitId, marks: z.array(markView) }) }),
  z.strictObject({ event: z.literal('presence'), data: z.strictObject({ visitId, people: z.array(presentView) }) }),
  /** Read it again: the visit, the day, what waits for somebody, the practice, its instruments. */
  z.strictObject({ event: z.literal('visit'), data: z.strictObject({ visitId }) }),
  z.strictObject({ event: z.literal('day'), data: z.strictObject({ visitId: visitId.optional() }) }),
  z.strictObject({ event: z.literal('needed'), data: z.strictObject({ visitId }) }),
  z.strictObject({ event: z.literal('practice'), data: nothing }),
  z.strictObject({ event: z.literal('instruments'), data: nothing }),
  /** Set your clock by the server's again. */
  z.strictObject({ event: z.literal('clock'), data: nothing }),
])
/** Whether the server answers, and its clock, for setting a device's own by it. */
export const healthView = z.strictObject({ ok: z.literal(true), now: ms, boot: z.string() })
export type Health = z.infer<typeof healthView>

export type LiveMessage = z.infer<typeof liveMessage>
