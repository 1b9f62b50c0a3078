/** Cassettes and loads as they stand. */
import * as z from 'zod'
import { standing, type Reason } from '../core/figure'
import type { LoadJudgement } from '../core/measure/load'
import { cassette, cycleNames, instruments } from '../core/practice/instruments'
import type { CassetteState, Traced } from '../core/schedule/cassettes'
import { date, ms, noun } from './noun'

const ids = z.array(z.string())
const sporeResult = z.enum(['no growth', 'growth'])

const reasonView = noun<Reason>({ text: z.string(), standing, source: z.string().optional() })
const traced = {
  back: ids,
  laidUp: z.array(z.strictObject({ cassetteId: z.string(), visitId: z.string() })),
  visits: ids,
}

const loadView = z.strictObject({
  id: z.string(),
  number: z.number().int(),
  steriliserId: z.string(),
  cycle: z.enum(cycleNames),
  cassetteIds: ids,
  spore: z.boolean(),
  startedAt: ms,
  startedBy: z.string(),
  endedAt: ms.nullable(),
  logFault: z.string().nullable(),
  indicator: z.enum(['changed', 'not changed']).nullable(),
  releasedAt: ms.nullable(),
  releasedBy: z.string().nullable(),
  failedAt: ms.nullable(),
  failedBy: z.string().nullable(),
  failedWhy: z.string().nullable(),
  sporeResult: sporeResult.nullable(),
  sporeReadAt: ms.nullable(),
  sporeReadBy: z.string().nullable(),
  /** What its own readings say; null where none came. */
  judgement: noun<LoadJudgement>({
    good: z.boolean(),
    because: reasonView,
    heldS: z.number(),
    hottestC: z.number(),
  }).nullable(),
  /** What a load that was pulled back has touched. */
  traced: noun<Traced>(traced).nullable(),
})
export type LoadView = z.infer<typeof loadView>

export const instrumentsView = z.strictObject({
  instruments,
  /** Sterilisers whose spore test has grown, and that nobody has let back. */
  outOfService: ids,
  now: ms,
  states: z.array(
    noun<CassetteState>({
      cassette,
      status: z.enum([
        'sterile',
        'laid up',
        'soiled',
        'in the steriliser',
        'to be released',
        'pulled back',
        'not on record',
      ]),
      since: ms.optional(),
      load: z.strictObject({ id: z.string(), number: z.number().int() }).optional(),
      change: z.literal(true).optional(),
      visitId: z.string().optional(),
    }),
  ),
  loads: z.array(loadView),
  sporeDue: z.record(z.string(), ms.nullable()),
  visits: z.array(z.strictObject({ id: z.string(), startsAt: ms, day: date, patient: z.string() })),
  /** Whether a simulated steriliser can be asked for its log. */
  simulated: z.boolean(),
})
export type InstrumentsView = z.infer<typeof instrumentsView>

export const loadMadeView = z.strictObject({ id: z.string(), number: z.number().int() })
/** What a log came to: its fault where it cannot be read, else the judgement. */
export const logTakenView = z.strictObject({
  fault: z.string().optional(),
  good: z.boolean().optional(),
  because: z.string().optional(),
})
export type LogTaken = z.infer<typeof logTakenView>
export const releasedView = z.strictObject({ released: z.boolean() })
export const tracedView = z.strictObject({ loads: ids, ...traced })
export const cassetteChangedView = z.strictObject({ cassetteId: z.string() })
