/**
 * The day as it goes when nobody arranges anything more: everyone begins at their time or when the chair is free,
 * whoever is needed in two chairs goes to the one that asked first, and a visit that had to wait is late from there on.
 * Likely durations. What has happened stands: a visit that has begun is as it was until now.
 */
import { sure } from '../sure'
import { stretchesOf, type PlacedVisit } from './day'

/** The practice's day on one date, ms since the epoch. */
export interface Hours {
  closesAt: number
  /** Everyone rests for so long somewhere between these two. */
  lunch?: { fromAt: number; toAt: number; restMs: number }
}
export interface ForwardOptions {
  turnoverMs?: number
  hours?: Hours
  /** Nothing that has not begun starts before this. */
  now?: number
  /** Whose being elsewhere makes a patient wait; everybody where it is left out. */
  people?: readonly string[]
  /** Whose idle time is counted. */
  dentists?: readonly string[]
}
export interface GoneVisit {
  startsAt: number
  endsAt: number
  /** What the patient waits, before being seated and in the chair, ms. */
  waitMs: number
}
export interface DayRun {
  /** In the order the visits were given. */
  visits: GoneVisit[]
  waitS: number
  /** Seconds the dentists stand idle between their first and their last work. */
  idleS: number
  /** Seconds of visits after closing time. */
  overtimeS: number
  /** Seconds of rest that people are short of at midday. */
  lunchShortS: number
}

interface Work {
  person: number
  /** ms from the start of the visit. */
  fromMs: number
  lengthMs: number
}

/** What a visit asks of the people named, in the order it asks for it. */
const worksOf = (v: PlacedVisit, names: readonly string[]): Work[] =>
  names
    .flatMap((id, person) =>
      stretchesOf(id, [v]).map((s): Work => ({
        person,
        fromMs: s.startAt - v.startsAt,
        lengthMs: s.endAt - s.startAt,
      })),
    )
    .toSorted((a, b) => a.fromMs - b.fromMs)

/** Reads the visits once; the function it answers runs the day with any starts, in the order of the visits, ms. */
export function forwardOf(
  visits: readonly (PlacedVisit & { begun?: boolean })[],
  { turnoverMs = 0, hours, now = -Infinity, people, dentists = [] }: ForwardOptions = {},
): (startsAt: ArrayLike<number>) => DayRun {
  const names = [...new Set(people ?? visits.flatMap((v) => v.score.bars.flatMap((b) => b.people)))]
  const works = visits.map((v) => worksOf(v, names))
  const lengths = visits.map((v) => v.score.totalS * 1000)
  const chairs = [...new Set(visits.map((v) => v.chairId))].map((id) =>
    visits.flatMap((v, i) => (v.chairId === id ? [i] : [])),
  )
  const counted = names.flatMap((id, i) => (dentists.includes(id) ? [i] : []))
  const lunch = hours?.lunch

  return (startsAt) => {
    const queues = chairs.map((own) => own.toSorted((a, b) => sure(startsAt[a]) - sure(startsAt[b]) || a - b))
    const at = queues.map(() => 0)
    const next = queues.map(() => 0)
    const began = new Float64Array(visits.length)
    const late = new Float64Array(visits.length)
    const free = names.map(() => -Infinity)
    const first = names.map(() => Infinity)
    const busy = names.map(() => 0)
    const rest = names.map(() => 0)
    const chairFree = queues.map(() => -Infinity)
    const waits = new Float64Array(visits.length)
    const ends = new Float64Array(visits.length)
    const seat = (q: number): void => {
      const i = sure(queues[q])[sure(at[q])]
      if (i === undefined) return
      began[i] = sure(visits[i]).begun ? sure(startsAt[i]) : Math.max(sure(startsAt[i]), sure(chairFree[q]), now)
      waits[i] = Math.max(0, sure(began[i]) - sure(startsAt[i]))
    }
    queues.forEach((_, q) => seat(q))
    for (;;) {
      let q = -1
      let soonest = Infinity
      for (let c = 0; c < queues.length; c++) {
        const i = sure(queues[c])[sure(at[c])]
        if (i === undefined) continue
        const w = sure(works[i])[sure(next[c])]
        // A visit whose work is all given out ends; the chair's next one is asked for in its stead.
        const ready = w ? sure(began[i]) + sure(late[i]) + w.fromMs : -Infinity
        if (ready < soonest) [q, soonest] = [c, ready]
      }
      if (q < 0) break
      const i = sure(sure(queues[q])[sure(at[q])])
      const w = sure(works[i])[sure(next[q])]
      if (!w) {
        ends[i] = sure(began[i]) + sure(late[i]) + sure(lengths[i])
        chairFree[q] = sure(ends[i]) + turnoverMs
        at[q]!++
        next[q] = 0
        seat(q)
        continue
      }
      const p = w.person
      const past = sure(visits[i]).begun === true && soonest < now
      const beginAt = past ? soonest : Math.max(soonest, sure(free[p]))
      waits[i]! += beginAt - soonest
      late[i]! += beginAt - soonest
      busy[p]! += w.lengthMs
      first[p] = Math.min(sure(first[p]), beginAt)
      if (lunch)
        rest[p] = Math.max(sure(rest[p]), Math.min(beginAt, lunch.toAt) - Math.max(sure(free[p]), lunch.fromAt))
      free[p] = Math.max(sure(free[p]), beginAt + w.lengthMs)
      next[q]!++
    }
    let [wait, idle, overtime, short] = [0, 0, 0, 0]
    for (let i = 0; i < visits.length; i++) {
      wait += sure(waits[i])
      if (hours) overtime += Math.max(0, sure(ends[i]) - Math.max(hours.closesAt, sure(began[i])))
    }
    for (const p of counted) if (sure(first[p]) < Infinity) idle += sure(free[p]) - sure(first[p]) - sure(busy[p])
    if (lunch) {
      for (let p = 0; p < names.length; p++) {
        if (!Number.isFinite(sure(first[p]))) continue
        const longest = Math.max(sure(rest[p]), lunch.toAt - Math.max(sure(free[p]), lunch.fromAt))
        short += Math.max(0, lunch.restMs - longest)
      }
    }
    return {
      visits: visits.map((_, i) => ({ startsAt: sure(began[i]), endsAt: sure(ends[i]), waitMs: sure(waits[i]) })),
      waitS: wait / 1000,
      idleS: idle / 1000,
      overtimeS: overtime / 1000,
      lunchShortS: short / 1000,
    }
  }
}

/** {@link forwardOf} at the visits' own starts. */
export const runForward = (
  visits: readonly (PlacedVisit & { begun?: boolean })[],
  options: ForwardOptions = {},
): DayRun => forwardOf(visits, options)(visits.map((v) => v.startsAt))
