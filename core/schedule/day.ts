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

/** When a person, or a thing there is one of, is at work over the visits of a day; stretches that all but touch are one. */
export function stretchesOf(heldId: string, visits: readonly PlacedVisit[]): Stretch[] {
  const stretches: Stretch[] = []
  for (const v of visits) {
    let open: Stretch | undefined
    for (const bar of v.score.bars
      .filter((b) => b.people.includes(heldId) || b.things?.includes(heldId))
      .toSorted((a, b) => a.startS - b.startS)) {
      const startAt = v.startsAt + bar.startS * 1000
      const endAt = v.startsAt + bar.endS * 1000
      if (open && startAt - open.endAt <= joinS * 1000) open.endAt = Math.max(open.endAt, endAt)
      else stretches.push((open = { visitId: v.id, chairId: v.chairId, startAt, endAt }))
    }
  }
  return stretches.toSorted((a, b) => a.startAt - b.startAt)
}

/** Where a person or a thing is needed in two chairs at once for longer than the tolerance, by the likely durations. */
export function neededTwice(heldId: string, visits: readonly PlacedVisit[], toleranceS = 30): Clash[] {
  const stretches = stretchesOf(heldId, visits)
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
