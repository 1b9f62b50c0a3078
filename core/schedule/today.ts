/** The day as it stands: what the practice's rules make of its visits, and who is to be told when it runs late. */
import { sure } from '../sure'
import type { DayRules } from '../practice/day-rules'
import { wallTime } from '../clock'
import { neededTwiceInDay, twiceInDay, type Twice } from './collide'
import { runForward, type DayRun, type Hours } from './forward'
import type { DayProblem } from './propose'
import type { Timeline } from './timeline'

const minute = 60_000
export const gridMs = 5 * minute

/** What is known of a visit of the day; the score is the real one so far where it has begun. */
export interface DayVisitFacts {
  id: string
  chairId: string
  /** The time agreed with the patient, ms since the epoch. */
  startsAt: number
  /** When it really began. */
  beganAt?: number
  /** Seconds it was planned to take, turnover included. */
  plannedS: number
  /** Minutes its patient may be moved either way. */
  mayMoveMin: number | null
  stage: 'planned' | 'laid up' | 'running' | 'closed'
  score: Timeline
}
export interface DayFacts<V extends DayVisitFacts = DayVisitFacts> {
  day: string
  zone: string
  rules: DayRules
  dentists: readonly string[]
  visits: readonly V[]
  /** ms; left out where the day is not today. */
  now?: number
}
export type Placed = DayProblem['visits'][number]

/** Closing time and midday on a date, ms since the epoch. */
export const hoursOf = ({ day, zone, rules }: Pick<DayFacts, 'day' | 'zone' | 'rules'>): Hours => ({
  closesAt: wallTime(day, rules.closesAt, zone),
  ...(rules.lunch
    ? {
        lunch: {
          fromAt: wallTime(day, rules.lunch.from, zone),
          toAt: wallTime(day, rules.lunch.to, zone),
          restMs: rules.lunch.restMin * minute,
        },
      }
    : {}),
})

/** Where a visit lies: as it began, else as agreed. What is over needs nobody any more. */
export function placed<V extends DayVisitFacts>({ visits, now }: DayFacts<V>): (V & Placed)[] {
  return visits
    .filter((v) => v.stage !== 'closed')
    .map((v) => {
      const begun = v.beganAt !== undefined
      // A visit whose time has come and that has not begun can begin now at the soonest.
      return {
        ...v,
        startsAt: v.beganAt ?? v.startsAt,
        fixed: begun || (now !== undefined && v.startsAt + (v.mayMoveMin ?? Infinity) * minute < now),
        begun,
        ...(v.mayMoveMin === null ? {} : { mostMs: v.mayMoveMin * minute }),
      }
    })
}

/** What is needed twice and still lies ahead. */
export const twiceAhead = (facts: DayFacts): Twice[] =>
  neededTwiceInDay(placed(facts)).filter((c) => c.endAt > (facts.now ?? -Infinity))

/** The day as the search for other times sees it. A plan's own last step is its room's turnover, so none is added. */
export function problemOfDay(facts: DayFacts, mostMin = facts.rules.mostMin): DayProblem {
  const visits = placed(facts).map(({ id, chairId, startsAt, score, fixed, begun, mostMs }) => ({
    id,
    chairId,
    startsAt,
    score,
    fixed,
    ...(begun ? { begun } : {}),
    ...(mostMs === undefined ? {} : { mostMs }),
  }))
  return {
    visits,
    turnoverMs: 0,
    mostMs: mostMin * minute,
    gridMs,
    weights: facts.rules.weights,
    hours: hoursOf(facts),
    dentists: facts.dentists,
    ...(facts.now === undefined ? {} : { now: facts.now }),
  }
}

export interface Late {
  visitId: string
  /** When it is likely to begin, or began; and to be over. */
  startsAt: number
  endsAt: number
  /** ms later than agreed that the patient is seated (to be told before they set out), and ms later than planned it ends. */
  startLateMs: number
  endLateMs: number
}

/** Visits likely to begin or to end later than agreed by so much that somebody should know. */
export function lateOf(facts: DayFacts, run: DayRun): Late[] {
  const most = facts.rules.warnMin * minute
  const own = new Map(facts.visits.map((v) => [v.id, v]))
  return placed(facts).flatMap((p, i) => {
    const v = sure(own.get(p.id))
    const gone = sure(run.visits[i])
    const late: Late = {
      visitId: p.id,
      startsAt: gone.startsAt,
      endsAt: gone.endsAt,
      startLateMs: gone.startsAt - v.startsAt,
      endLateMs: gone.endsAt - v.startsAt - v.plannedS * 1000,
    }
    return (v.beganAt === undefined && late.startLateMs >= most) || late.endLateMs >= most ? [late] : []
  })
}

/** Whether the day runs late, and is not only planned so tight that somebody would wait: something begun, or due by now, is late. */
export function runsLate(facts: DayFacts, late: readonly Late[]): boolean {
  const own = new Map(facts.visits.map((v) => [v.id, v]))
  return late.some(
    (l) =>
      sure(own.get(l.visitId)).beganAt !== undefined || sure(own.get(l.visitId)).startsAt < (facts.now ?? -Infinity),
  )
}

export interface Consequence {
  /** Minutes in which somebody, something or a chair is needed twice. */
  twiceMin: number
  /** Minutes patients are likely to wait, all together. */
  waitMin: number
  /** Minutes after closing time. */
  overtimeMin: number
  lastEndAt: number
}

/** What a day comes to, with one visit elsewhere where one is given. */
export function consequenceOf(
  facts: DayFacts,
  moved?: { visitId: string; startsAt: number; chairId: string },
): Consequence {
  const visits = placed(facts).map((v) =>
    v.id === moved?.visitId ? { ...v, startsAt: moved.startsAt, chairId: moved.chairId } : v,
  )
  const run = runForward(visits, {
    hours: hoursOf(facts),
    dentists: facts.dentists,
    ...(facts.now === undefined ? {} : { now: facts.now }),
  })
  return {
    twiceMin: twiceInDay(visits, 0),
    waitMin: run.waitS / 60,
    overtimeMin: run.overtimeS / 60,
    lastEndAt: Math.max(0, ...run.visits.map((v) => v.endsAt)),
  }
}
