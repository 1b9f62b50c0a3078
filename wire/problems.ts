/** What can be wrong, in one table: the slug a program acts on, the status, and the words for a person where no better ones are at hand. */
import * as z from 'zod'
import { runEvent } from '../core/run/events'
import type { Refusal } from '../core/run/refusals'
import { noun } from './noun'

export const problems = {
  'bad-request': { status: 400, words: 'The request cannot be read.' },
  'not-signed-in': { status: 401, words: 'Sign in with your code first.' },
  'wrong-code': { status: 401, words: 'That code does not belong to that person.' },
  'dentist-only': { status: 403, words: 'A dentist of the practice changes the settings.' },
  'change-code': { status: 403, words: 'Change your code first.' },
  'foreign-origin': { status: 403, words: 'This request came from another site.' },
  'own-card': { status: 403, words: 'A card is set by the dentist whose card it is.' },
  'dentist-answers': { status: 403, words: 'A dentist answers this, with their own code.' },
  'team-only': { status: 403, words: 'The chairside and sterilising team keeps this.' },
  'not-found': { status: 404, words: 'There is nothing here.' },
  'no-sheet': { status: 404, words: 'No sheet with holes is in the plan of this visit.' },
  begun: { status: 409, words: 'The visit has begun; its plan stands.' },
  done: { status: 409, words: 'That is done already.' },
  ended: { status: 409, words: 'That has ended already.' },
  'in-use': { status: 409, words: 'That is in use.' },
  known: { status: 409, words: 'That is on record already.' },
  'last-dentist': {
    status: 409,
    words: 'Somebody has to remain a dentist, or nobody could sign or change this again.',
  },
  'no-readings': { status: 409, words: 'No readings came.' },
  'no-test': { status: 409, words: 'No spore test ran in this load.' },
  'out-of-service': { status: 409, words: 'That steriliser is out of service.' },
  'none-sterile': { status: 409, words: 'No other cassette of this type is sterile now.' },
  'not-good': { status: 409, words: 'The readings are not good.' },
  'not-here': { status: 409, words: 'That cassette is somewhere else.' },
  'not-ready': { status: 409, words: 'The tray cannot be signed yet.' },
  'not-signed': { status: 409, words: 'The tray of this visit is not signed yet, so its plan is not fixed.' },
  unreadable: { status: 409, words: 'This visit cannot be read by this version of the program.' },
  refused: { status: 409, words: 'This cannot happen now.' },
  running: { status: 409, words: 'That is running already.' },
  signed: {
    status: 409,
    words: 'The tray is signed and its plan is fixed; re-open the tray to change it.',
  },
  stale: { status: 409, words: 'Somebody changed this meanwhile; look at it again.' },
  'too-large': { status: 413, words: 'The request is too large; nothing was stored.' },
  invalid: { status: 422, words: 'Something in the request is not as it has to be.' },
  locked: { status: 423, words: 'Too many wrong codes: locked for now.' },
  'too-many-attempts': { status: 429, words: 'Too many wrong codes; wait a moment.' },
  'foreign-host': { status: 421, words: 'This server does not answer to that name.' },
  away: { status: 503, words: 'The database does not answer. Nothing is lost; it is tried again.' },
  'no-copy': { status: 503, words: 'The copy was not made.' },
  busy: { status: 503, words: 'Too much at once; try again in a moment.' },
  internal: { status: 500, words: 'Something went wrong on the server; nothing was stored.' },
} as const satisfies Record<string, { status: number; words: string }>
export type Slug = keyof typeof problems

const refusal = noun<Refusal>({
  code: z.enum([
    'not-running',
    'closed',
    'unknown',
    'not-now',
    'order',
    'lag',
    'window-missed',
    'hold',
    'not-allowed',
    'mouth-busy',
    'count-open',
    'code',
    'nothing-to-undo',
    'unfinished',
    'measured',
    'matter',
    'cassettes',
  ]),
  message: z.string(),
  missing: z.array(z.string()),
  stepId: z.string().optional(),
  linkId: z.string().optional(),
  holdId: z.string().optional(),
  matterId: z.string().optional(),
  waitS: z.number().optional(),
})
export { refusal as refusalView }

/** What a problem may say beside its words. */
const more = {
  /** The fields, where the request itself is at fault. */
  errors: z.array(z.strictObject({ path: z.string(), message: z.string() })).optional(),
  /** Why a run's rules say no. */
  refusal: refusal.optional(),
  /** What the asking screen had missed. */
  seq: z.number().int().optional(),
  events: z.array(runEvent).optional(),
  version: z.number().int().optional(),
  retryAfterS: z.number().optional(),
  /** What a tray still lacks, has unread, or is stopped by. */
  missing: z.array(z.string()).optional(),
  unread: z.array(z.string()).optional(),
  blocked: z.array(z.string()).optional(),
  /** Where what is stored of it can be had as it lies there. */
  raw: z.string().optional(),
}
const moreOf = z.strictObject(more)
export type ProblemMore = z.infer<typeof moreOf>

/** Sent as application/problem+json (RFC 9457). */
export const problemDocument = z
  .strictObject({
    type: z.string().startsWith('/problems/'),
    title: z.string(),
    status: z.number().int(),
    detail: z.string().meta({ description: 'what a person can do about it' }),
    ...more,
  })
  .meta({ description: 'application/problem+json (RFC 9457)' })
export type ProblemDocument = z.infer<typeof problemDocument>
