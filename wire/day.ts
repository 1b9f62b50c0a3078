/** A day as its screen sees it. */
import { keysOf } from '../core/sure'
import * as z from 'zod'
import { cassettes } from '../core/catalog/item'
import { alert } from '../core/model/request'
import { allPlaces, phaseNames } from '../core/model/step'
import { dayRules } from '../core/practice/day-rules'
import { notation } from '../core/teeth/schema'
import type { Saving } from '../core/schedule/saving'
import type { Bar, Bracket, Timeline } from '../core/schedule/timeline'
import type { Dry, SimulatedLoad } from '../core/schedule/turnover'
import type { TurnoverView } from '../core/schedule/turnover-day'
import { date, ms, noun, seconds } from './noun'
import { peopleView, teethView } from './plan'
import { unreadView } from './unread'
import { headFields } from './visit'

const cassetteType = z.enum(cassettes)
const ids = z.array(z.string())

export const timelineView = noun<Timeline>({
  bars: z.array(
    noun<Bar>({
      stepId: z.string(),
      phase: z.enum(keysOf(phaseNames)),
      title: z.string(),
      people: ids,
      things: ids.optional(),
      place: z.enum(allPlaces),
      startS: seconds,
      endS: seconds,
      hold: z.boolean(),
      alone: z.literal(true).optional(),
      slackS: seconds,
    }),
  ),
  rests: z.array(z.strictObject({ personId: z.string(), startS: seconds, endS: seconds })),
  brackets: z.array(
    noun<Bracket>({
      title: z.string(),
      from: z.string(),
      to: z.string(),
      startS: seconds,
      endS: seconds,
      kind: z.enum(['lag', 'window']),
      missed: z.boolean(),
      longestS: seconds.optional(),
    }),
  ),
  totalS: seconds,
  chairS: seconds,
  busyS: z.record(z.string(), seconds),
  conflict: ids,
})

const dry = noun<Dry>({
  visitId: z.string(),
  type: cassetteType,
  neededAt: ms,
  nextReadyAt: ms.optional(),
})
const act = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('extra run'), at: ms }),
  z.strictObject({ kind: z.literal('swap'), visitIds: z.tuple([z.string(), z.string()]) }),
  z.strictObject({ kind: z.literal('one more cassette'), type: cassetteType }),
])
const turnoverView = noun<TurnoverView>({
  dry: z.array(dry),
  loads: z.array(
    noun<SimulatedLoad>({
      steriliserId: z.string(),
      startAt: ms,
      endAt: ms,
      readyAt: ms,
      cassetteIds: ids,
      why: z.enum(['full', 'planned', 'extra']),
    }),
  ),
  single: z.array(noun<Saving>({ act, left: z.array(dry), cost: z.number() })),
  together: z.array(act),
  left: z.array(dry),
})

export const dayVisitView = z.strictObject({
  ...headFields,
  title: z.string(),
  teeth: teethView,
  alerts: z.array(alert),
  people: peopleView,
  /** Of what has begun the score as it really goes, from when it began. */
  score: timelineView,
  beganAt: ms.optional(),
  plannedS: seconds,
  mayMoveMin: z.number().int().nullable(),
  /** The cassettes it takes; named where they are laid up for it. */
  cassettes: z.array(
    z.strictObject({ type: cassetteType, name: z.string().optional(), pulledBack: z.boolean().optional() }),
  ),
  tray: z.strictObject({ checked: z.number().int(), total: z.number().int(), warnings: ids, blocked: ids }),
})
export type DayVisit = z.infer<typeof dayVisitView>

export const dayView = z.strictObject({
  day: date,
  /** The day it is where the practice is. */
  today: date,
  rules: dayRules,
  dentists: ids,
  /** Whether a simulated practice calendar can be asked. */
  simulated: z.boolean(),
  /** What the day's cassettes come to; null where none are kept on record, or the day is past. */
  turnover: turnoverView.nullable(),
  practice: z.string(),
  notation,
  zone: z.string(),
  chairs: z.array(z.strictObject({ id: z.string(), name: z.string() })),
  visits: z.array(dayVisitView),
  unread: z.array(unreadView),
  /** Begun, never closed, and nothing done for hours: of this day, and where it is today's of the two weeks before. */
  leftOpen: z.array(z.strictObject({ visitId: z.string(), day: date, patient: z.string(), lastAt: ms })),
})
export type DayView = z.infer<typeof dayView>

export const movedView = z.strictObject({ moved: z.number().int() })
