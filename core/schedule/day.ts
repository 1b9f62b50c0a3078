/** The day as planned: when each person is at work in which chair, and where somebody is needed twice. */
import type { Timeline } from './timeline'

export interface PlacedVisit {
  id: string
  chairId: string
  /** ms since the epoch. */
  startsAt: number
  score: Timeline
}
export interface Stretch {
  visitId: string
  chairId: string
  startAt: number
  endAt: number
}
export interface Clash {
  startAt: number
  endAt: number
  visits: [string, string]
}

/** Gaps shorter than this are still the same stretch of work, seconds. */
const joinS = 60

/** A person's stretches of work over the visits of a day, joined where they all but touch. */
export function stretchesOf(personId: string, visits: readonly PlacedVisit[]): Stretch[] {
  const stretches: Stretch[] = []
  for (const v of visits) {
    let open: Stretch | undefined
    for (const bar of v.score.bars.filter((b) => b.people.includes(personId)).toSorted((a, b) => a.startS - b.startS)) {
      const startAt = v.startsAt + bar.startS * 1000
      const endAt = v.startsAt + bar.endS * 1000
      if (open && startAt - open.endAt <= joinS * 1000) open.endAt = Math.max(open.endAt, endAt)
      else stretches.push((open = { visitId: v.id, chairId: v.chairId, startAt, endAt }))
    }
  }
  return stretches.toSorted((a, b) => a.startAt - b.startAt)
}

/** Where a person is needed in two chairs at once for longer than the tolerance, by the likely durations. */
export function neededTwice(personId: string, visits: readonly PlacedVisit[], toleranceS = 30): Clash[] {
  const stretches = stretchesOf(personId, visits)
  const clashes: Clash[] = []
  for (const [i, a] of stretches.entries()) {
    for (const b of stretches.slice(i + 1)) {
      if (b.visitId === a.visitId) continue
      const startAt = Math.max(a.startAt, b.startAt)
      const endAt = Math.min(a.endAt, b.endAt)
      if (endAt - startAt > toleranceS * 1000) clashes.push({ startAt, endAt, visits: [a.visitId, b.visitId] })
    }
  }
  return clashes
}

/** The hours a day's drawing spans: whole hours round the visits, at least from the first to the last. */
export function daySpan(visits: readonly PlacedVisit[], fallbackStartAt: number): { startAt: number; endAt: number } {
  const hour = 3_600_000
  if (visits.length === 0) return { startAt: fallbackStartAt, endAt: fallbackStartAt + 9 * hour }
  const first = Math.min(...visits.map((v) => v.startsAt))
  const last = Math.max(...visits.map((v) => v.startsAt + v.score.totalS * 1000))
  return { startAt: Math.floor(first / hour) * hour, endAt: Math.ceil(last / hour) * hour }
}

export interface DayRun {
  /** Seconds in the chair in which a patient waits because a person of theirs is in another one. */
  waitS: number
  /** Seconds a dentist stands idle between the first and the last work of the day. */
  idleS: number
}

/**
 * The day as it goes when nobody arranges anything: everyone begins at their time, whoever is needed in two chairs goes
 * to the one that asked first, and a visit that had to wait is late from there on. Likely durations, seconds.
 */
export function runPlainly(visits: readonly PlacedVisit[], dentists: readonly string[]): DayRun {
  const work = visits.map((v) => dentists.flatMap((personId) => stretchesOf(personId, [v]).map((s) => ({ personId, ...s }))).toSorted((a, b) => a.startAt - b.startAt))
  const late = visits.map(() => 0)
  const next = visits.map(() => 0)
  const free = new Map<string, number>()
  const first = new Map<string, number>()
  let [waitMs, busyMs] = [0, 0]
  for (;;) {
    // The one that asks first; of two that ask at once the one that stands first in the day.
    const asking = work.flatMap((w, i) => (next[i]! < w.length ? [{ i, s: w[next[i]!]!, readyAt: w[next[i]!]!.startAt + late[i]! }] : []))
    if (asking.length === 0) break
    const { i, s, readyAt } = asking.reduce((a, b) => (b.readyAt < a.readyAt ? b : a))
    const beginAt = Math.max(readyAt, free.get(s.personId) ?? -Infinity)
    waitMs += beginAt - readyAt
    late[i]! += beginAt - readyAt
    busyMs += s.endAt - s.startAt
    first.set(s.personId, first.get(s.personId) ?? beginAt)
    free.set(s.personId, beginAt + s.endAt - s.startAt)
    next[i]!++
  }
  const spanMs = [...first].reduce((sum, [id, at]) => sum + free.get(id)! - at, 0)
  return { waitS: waitMs / 1000, idleS: (spanMs - busyMs) / 1000 }
}
