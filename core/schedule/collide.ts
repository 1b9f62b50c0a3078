/** What a day needs twice at once: a person, a chair, the only one of a thing. */
import { neededTwice, stretchesOf, type Clash, type PlacedVisit } from './day'

const minute = 60_000
/** Overlaps shorter than this are not a collision: one of the two waits a breath, ms. */
const breathMs = 30_000

/** Whole ms: a score that runs counts its seconds in parts. */
export const endOf = (v: Pick<PlacedVisit, 'startsAt'> & { score: { totalS: number } }): number =>
  v.startsAt + Math.round(v.score.totalS * 1000)
/** Who and what a visit holds: people, and what the practice owns one of. */
const heldIn = (v: PlacedVisit): string[] => [
  ...new Set(v.score.bars.flatMap((b) => [...b.people, ...(b.things ?? [])])),
]

/** A person, a chair or a thing that two visits want at once. */
export interface Twice extends Clash {
  /** The person's or the item's id; absent where it is the chair. */
  heldId?: string
}

/** Where two visits share a chair for a time, the room's turnover counted to the first. */
export function chairsTwice(visits: readonly PlacedVisit[], turnoverMs: number): Clash[] {
  const clashes: Clash[] = []
  for (const [i, a] of visits.entries()) {
    for (const b of visits.slice(i + 1)) {
      if (a.chairId !== b.chairId) continue
      const [first, second] = a.startsAt <= b.startsAt ? [a, b] : [b, a]
      const endAt = Math.min(endOf(first) + turnoverMs, endOf(second) + turnoverMs)
      if (endAt > second.startsAt) clashes.push({ startAt: second.startsAt, endAt, visits: [first.id, second.id] })
    }
  }
  return clashes
}

/** Everything a day needs twice, in the order it comes. */
export function neededTwiceInDay(visits: readonly PlacedVisit[], turnoverMs = 0): Twice[] {
  const held = [...new Set(visits.flatMap(heldIn))]
  return [
    ...held.flatMap((heldId) => neededTwice(heldId, visits).map((c) => ({ ...c, heldId }))),
    ...chairsTwice(visits, turnoverMs),
  ].toSorted((a, b) => a.startAt - b.startAt)
}

/** Minutes of a whole day in which a person, a thing or a chair is needed twice. */
export const twiceInDay = (visits: readonly PlacedVisit[], turnoverMs: number): number =>
  neededTwiceInDay(visits, turnoverMs).reduce((sum, c) => sum + (c.endAt - c.startAt) / minute, 0)

/** What a visit wants, and when, read once: a search looks at the same visits thousands of times. */
export interface Wants {
  chairId: string
  startsAt: number
  endsAt: number
  /** Stretches of use by person or thing, ms since the epoch. */
  held: ReadonlyMap<string, readonly { startAt: number; endAt: number }[]>
}
export const wantsOf = (v: PlacedVisit): Wants => ({
  chairId: v.chairId,
  startsAt: v.startsAt,
  endsAt: endOf(v),
  held: new Map(heldIn(v).map((p) => [p, stretchesOf(p, [v])])),
})

/** Minutes two visits want the same at once, the second moved by so many ms. */
export function twiceOf(a: Wants, b: Wants, byMs: number, turnoverMs: number): number {
  let ms = 0
  if (a.chairId === b.chairId) {
    const [first, second] = a.startsAt <= b.startsAt + byMs ? [a, b] : [b, a]
    const shift = second === b ? byMs : -byMs
    ms += Math.max(
      0,
      Math.min(first.endsAt + turnoverMs, second.endsAt + shift + turnoverMs) - (second.startsAt + shift),
    )
  }
  for (const [id, works] of a.held) {
    for (const y of b.held.get(id) ?? []) {
      for (const x of works) {
        const overlap = Math.min(x.endAt, y.endAt + byMs) - Math.max(x.startAt, y.startAt + byMs)
        if (overlap > breathMs) ms += overlap
      }
    }
  }
  return ms / minute
}
