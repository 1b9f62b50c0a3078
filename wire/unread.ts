/** What is stored but cannot be read by this version of the program: named, with its reason, beside everything that can. */
import * as z from 'zod'
import { date, ms } from './noun'

export const unreadView = z.strictObject({
  visitId: z.string(),
  day: date,
  startsAt: ms,
  chairId: z.string(),
  patient: z.string(),
  why: z.string(),
})
export type Unread = z.infer<typeof unreadView>

/** A part of the practice that cannot be read, as it lies there. */
export const unreadPartView = z.strictObject({
  what: z.enum(['setting', 'item', 'bur', 'lot', 'card', 'amendment']),
  name: z.string(),
  why: z.string(),
  raw: z.unknown(),
})
export type UnreadPart = z.infer<typeof unreadPartView>

/** Everything stored of one visit, as it lies there. */
export const rawVisitView = z.strictObject({
  library: z.string(),
  visit: z.unknown(),
  case: z.unknown(),
  patient: z.unknown(),
  marks: z.array(z.unknown()),
  plan: z.unknown(),
  events: z.array(z.unknown()),
  record: z.unknown(),
})
