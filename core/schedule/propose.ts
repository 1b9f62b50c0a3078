/**
 * New times for a day in which people or chairs are needed twice. Every visit that has not begun may move on a grid of
 * minutes within the shift allowed; found by coordinate descent over single visits and over pairs that collide, from the
 * wished times and from seeded other beginnings. It proposes: nobody is moved until a person says so.
 */
import { neededTwice, stretchesOf, type Clash, type PlacedVisit } from './day'
import { random } from './random'

/**
 * What is weighed against what, in points. Common practice puts what cannot happen first and the patients' time next;
 * the numbers are ours.
 */
export const dayWeights = {
  /** For each minute a person or a chair is needed twice: nothing else outweighs it. */
  twice: 100,
  /** For each minute a patient comes at another time than agreed. */
  shift: 1,
  /** For each patient who has to be called. */
  call: 5,
  /** For each minute the last visit ends later than before. */
  later: 2,
}

export interface DayProblem {
  visits: readonly (PlacedVisit & { fixed: boolean })[]
  /** ms between two visits in one chair, beyond the turnover that a plan's own last step is. */
  turnoverMs: number
  /** The most a visit may move either way, and the grid it moves on, ms. */
  mostMs: number
  gridMs: number
}
export interface Move {
  visitId: string
  byMs: number
}
export interface Proposal {
  moves: Move[]
  /** Minutes during which someone or a chair is needed twice, before and after. */
  twiceBeforeMin: number
  twiceAfterMin: number
  points: number
}

const minute = 60_000
/** Rounds of one descent; days settle in far fewer. */
const mostRounds = 60
const endOf = (v: PlacedVisit): number => v.startsAt + v.score.totalS * 1000

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

const moved = <V extends PlacedVisit>(v: V, byMs: number): V => ({ ...v, startsAt: v.startsAt + byMs })
const peopleOf = (v: PlacedVisit): string[] => [...new Set(v.score.bars.flatMap((b) => b.people))]

/** What a visit wants, and when, read once: the search looks at the same visits thousands of times. */
interface Wants {
  chairId: string
  startsAt: number
  endsAt: number
  /** Stretches of work by person, ms since the epoch. */
  people: ReadonlyMap<string, readonly { startAt: number; endAt: number }[]>
}

const wantsOf = (v: PlacedVisit): Wants => ({ chairId: v.chairId, startsAt: v.startsAt, endsAt: endOf(v), people: new Map(peopleOf(v).map((p) => [p, stretchesOf(p, [v])])) })

/** Overlaps shorter than this are not a collision: one of the two waits a breath, ms. */
const breathMs = 30_000

/** Minutes two visits want the same person or chair at once, the second moved by so many ms. */
function twiceOf(a: Wants, b: Wants, byMs: number, turnoverMs: number): number {
  let ms = 0
  if (a.chairId === b.chairId) {
    const [first, second] = a.startsAt <= b.startsAt + byMs ? [a, b] : [b, a]
    const shift = second === b ? byMs : -byMs
    ms += Math.max(0, Math.min(first.endsAt + turnoverMs, second.endsAt + shift + turnoverMs) - (second.startsAt + shift))
  }
  for (const [person, works] of a.people) {
    for (const y of b.people.get(person) ?? []) {
      for (const x of works) {
        const overlap = Math.min(x.endAt, y.endAt + byMs) - Math.max(x.startAt, y.startAt + byMs)
        if (overlap > breathMs) ms += overlap
      }
    }
  }
  return ms / minute
}

/** A person or a chair that two visits want at once. */
export interface Twice extends Clash {
  /** The person's id; absent where it is the chair. */
  personId?: string
}

/** Everything a day needs twice, in the order it comes. */
export function neededTwiceInDay(visits: readonly PlacedVisit[], turnoverMs = 0): Twice[] {
  const people = [...new Set(visits.flatMap(peopleOf))]
  return [...people.flatMap((personId) => neededTwice(personId, visits).map((c) => ({ ...c, personId }))), ...chairsTwice(visits, turnoverMs)].toSorted((a, b) => a.startAt - b.startAt)
}

/** Minutes of a whole day in which a person or a chair is needed twice. */
export const twiceInDay = (visits: readonly PlacedVisit[], turnoverMs: number): number => neededTwiceInDay(visits, turnoverMs).reduce((sum, c) => sum + (c.endAt - c.startAt) / minute, 0)

/**
 * Proposes times. The same day gives the same proposal; without a collision nothing moves.
 * @param beginnings how many other starting points are tried beside the wished times
 */
export function proposeDay(problem: DayProblem, beginnings = 6): Proposal {
  const { visits, turnoverMs, mostMs, gridMs } = problem
  const n = visits.length
  const reach = Math.floor(mostMs / gridMs)
  // In steps of the grid from the wished time, the nearest first.
  const offsets = Array.from({ length: 2 * reach + 1 }, (_, i) => i - reach).toSorted((a, b) => Math.abs(a) - Math.abs(b))
  const wants = visits.map(wantsOf)
  const last = Math.max(0, ...wants.map((w) => w.endsAt))
  // Two visits collide by the difference of their moves alone: a table by that difference for each pair that can collide.
  const tables = new Map<number, Float64Array>()
  const near = visits.map((): number[] => [])
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      const table = Float64Array.from({ length: 4 * reach + 1 }, (_, k) => twiceOf(wants[i]!, wants[j]!, (k - 2 * reach) * gridMs, turnoverMs))
      if (!table.some((x) => x > 0)) continue
      tables.set(i * n + j, table)
      near[i]!.push(j)
      near[j]!.push(i)
    }
  }
  const pair = (i: number, j: number, oi: number, oj: number): number => (i < j ? (tables.get(i * n + j)?.[oj - oi + 2 * reach] ?? 0) : (tables.get(j * n + i)?.[oi - oj + 2 * reach] ?? 0))
  const alone = (o: number): number => (o === 0 ? 0 : dayWeights.call + (dayWeights.shift * Math.abs(o) * gridMs) / minute)
  const latest = (at: readonly number[], i = -1, j = -1): number => wants.reduce((most, w, k) => (k === i || k === j ? most : Math.max(most, w.endsAt + at[k]! * gridMs)), last)
  const lateness = (end: number): number => (dayWeights.later * (end - last)) / minute
  const collisions = (i: number, o: number, at: readonly number[], except = -1): number => near[i]!.reduce((sum, j) => (j === except ? sum : sum + pair(i, j, o, at[j]!)), 0)
  const points = (at: readonly number[]): number => dayWeights.twice * (at.reduce((sum, o, i) => sum + collisions(i, o, at), 0) / 2) + at.reduce((sum, o) => sum + alone(o), 0) + lateness(latest(at))
  const free = visits.flatMap((v, i) => (v.fixed ? [] : [i]))
  const mayMove = new Set(free)

  /** The best place of one visit with the others where they are; true where that is another. */
  const settleOne = (i: number, at: number[]): boolean => {
    const others = latest(at, i)
    const cost = (o: number): number => dayWeights.twice * collisions(i, o, at) + alone(o) + lateness(Math.max(others, wants[i]!.endsAt + o * gridMs))
    let best = { o: at[i]!, points: cost(at[i]!) }
    for (const o of offsets) {
      const found = cost(o)
      if (found < best.points - 1e-9) best = { o, points: found }
    }
    const changed = best.o !== at[i]
    at[i] = best.o
    return changed
  }
  /** The best places of two that can collide, moved together. */
  const settleTwo = (i: number, j: number, at: number[]): boolean => {
    const others = latest(at, i, j)
    const [one, two] = [new Map(offsets.map((o) => [o, dayWeights.twice * collisions(i, o, at, j) + alone(o)])), new Map(offsets.map((o) => [o, dayWeights.twice * collisions(j, o, at, i) + alone(o)]))]
    const cost = (oi: number, oj: number): number => one.get(oi)! + two.get(oj)! + dayWeights.twice * pair(i, j, oi, oj) + lateness(Math.max(others, wants[i]!.endsAt + oi * gridMs, wants[j]!.endsAt + oj * gridMs))
    let best = { oi: at[i]!, oj: at[j]!, points: cost(at[i]!, at[j]!) }
    for (const oi of offsets)
      for (const oj of offsets) {
        const found = cost(oi, oj)
        if (found < best.points - 1e-9) best = { oi, oj, points: found }
      }
    const changed = best.oi !== at[i] || best.oj !== at[j]
    at[i] = best.oi
    at[j] = best.oj
    return changed
  }
  const descend = (from: readonly number[]): number[] => {
    const at = [...from]
    for (let round = 0; round < mostRounds; round++) {
      let changed = false
      for (const i of free) changed = settleOne(i, at) || changed
      if (changed) continue
      // Where single moves help no more, two that can collide are moved together.
      for (const i of free) for (const j of near[i]!) if (j > i && mayMove.has(j)) changed = settleTwo(i, j, at) || changed
      if (!changed) break
    }
    return at
  }
  const still = visits.map(() => 0)
  let best = { at: still, points: points(still) }
  const before = twiceInDay(visits, turnoverMs)
  const next = random(n)
  for (let k = 0; k <= (before > 0 ? beginnings : -1); k++) {
    const at = descend(k === 0 ? still : still.map((_, i) => (mayMove.has(i) && next() < 0.5 ? offsets[Math.floor(next() * offsets.length)]! : 0)))
    const found = points(at)
    if (found < best.points - 1e-9) best = { at, points: found }
  }
  const moves = visits.flatMap((v, i) => (best.at[i] === 0 ? [] : [{ visitId: v.id, byMs: best.at[i]! * gridMs }]))
  return { moves, twiceBeforeMin: before, twiceAfterMin: twiceInDay(visits.map((v, i) => moved(v, best.at[i]! * gridMs)), turnoverMs), points: best.points }
}
