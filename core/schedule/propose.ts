/**
 * New times for a day in which something is needed twice or that runs late. Every visit that has not begun may move on a
 * grid of minutes within what its patient allows. Collisions of pairs are searched first, from the wished times and from
 * seeded other beginnings (they depend on differences alone, so a table holds them); then the day is run forward with
 * each move, and waits, overtime, rest and idle time are weighed in. It proposes: nobody is moved until a person says so.
 */
import { sure } from '../sure'
import { defaultDayRules, type DayRules } from '../practice/day-rules'
import { twiceInDay, twiceOf, wantsOf } from './collide'
import type { PlacedVisit } from './day'
import { forwardOf, type DayRun, type Hours } from './forward'
import { random } from '../random'

export interface DayProblem {
  visits: readonly (PlacedVisit & {
    /** Stays where it is: begun, or agreed for good. */
    fixed: boolean
    begun?: boolean
    /** The most it may move either way, ms; the problem's own where it is left out. */
    mostMs?: number
  })[]
  /** ms between two visits in one chair, beyond the turnover that a plan's own last step is. */
  turnoverMs: number
  /** The most a visit may move either way, and the grid it moves on, ms. */
  mostMs: number
  gridMs: number
  weights?: DayRules['weights']
  hours?: Hours
  /** Nothing that has not begun is moved to before this. */
  now?: number
  dentists?: readonly string[]
}
export interface Move {
  visitId: string
  byMs: number
}
export interface Proposal {
  moves: Move[]
  /** Minutes during which someone, something or a chair is needed twice, before and after. */
  twiceBeforeMin: number
  twiceAfterMin: number
  /** The day run forward, before and after. */
  before: DayRun
  after: DayRun
  points: number
}

const minute = 60_000
/** Rounds of one descent; days settle in far fewer. */
const mostRounds = 60
/** Up to so many visits pairs are tried together in the run, too; beyond it single moves have to do. */
const pairsUpTo = 20
/** Up to so many visits any two are tried, and the best is shaken so often. */
const fewVisits = 8
const fewKicks = 60
/** Up to so many ways of moving two, they are tried from every beginning; else only from the best found. */
const fewPairMoves = 3_000
/** Runs of a day after which the best found so far is the answer: counted, not timed, so that the same day gives the same. */
const mostRuns = 60_000

/**
 * What the run of a day costs, in points: what happens to people, whatever collides on paper. Idle time counts where it is
 * more than the day as it stands would have: nobody is called only to fill a dentist's gap.
 */
export const runPoints = (run: DayRun, w: DayRules['weights'], idleAllowedS = 0): number =>
  (w.wait * run.waitS +
    w.overtime * run.overtimeS +
    w.lunch * run.lunchShortS +
    w.idle * Math.max(0, run.idleS - idleAllowedS)) /
  60

/**
 * Proposes times. The same day gives the same proposal; where nothing collides and nobody is expected to wait, nothing
 * moves.
 * @param beginnings how many other starting points are tried beside the wished times
 * @param progress told now and then which share of the work is done, 0 to 1
 */
export function proposeDay(problem: DayProblem, beginnings = 6, progress?: (share: number) => void): Proposal {
  const {
    visits,
    turnoverMs,
    gridMs,
    hours,
    now = -Infinity,
    dentists = [],
    weights = defaultDayRules.weights,
  } = problem
  const n = visits.length
  // Whose time has come without their having begun has to be moved to now at least, whatever the shift allowed.
  const overdue = visits.map((v) => (v.fixed || v.startsAt >= now ? 0 : Math.ceil((now - v.startsAt) / gridMs)))
  const reaches = visits.map((v, i) =>
    v.fixed ? 0 : Math.max(sure(overdue[i]), Math.floor((v.mostMs ?? problem.mostMs) / gridMs)),
  )
  const reach = Math.max(0, ...reaches)
  // In steps of the grid from the wished time, the nearest first; what has not begun begins no sooner than now.
  const offsets = visits.map((v, i) =>
    Array.from({ length: 2 * sure(reaches[i]) + 1 }, (_, k) => k - sure(reaches[i]))
      .filter((o) => o === 0 || v.startsAt + o * gridMs >= now)
      .toSorted((a, b) => Math.abs(a) - Math.abs(b)),
  )
  const wants = visits.map(wantsOf)
  const tables = new Map<number, Float64Array>()
  const near = visits.map((): number[] => [])
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      const table = Float64Array.from({ length: 4 * reach + 1 }, (_, k) =>
        twiceOf(sure(wants[i]), sure(wants[j]), (k - 2 * reach) * gridMs, turnoverMs),
      )
      if (!table.some((x) => x > 0)) continue
      tables.set(i * n + j, table)
      sure(near[i]).push(j)
      sure(near[j]).push(i)
    }
  }
  const pair = (i: number, j: number, oi: number, oj: number): number =>
    i < j ? (tables.get(i * n + j)?.[oj - oi + 2 * reach] ?? 0) : (tables.get(j * n + i)?.[oi - oj + 2 * reach] ?? 0)
  const alone = (o: number): number => (o === 0 ? 0 : weights.call + (weights.shift * Math.abs(o) * gridMs) / minute)
  const collisions = (i: number, o: number, at: readonly number[], except = -1): number =>
    sure(near[i]).reduce((sum, j) => (j === except ? sum : sum + pair(i, j, o, sure(at[j]))), 0)
  const onPaper = (at: readonly number[]): number =>
    weights.twice * (at.reduce((sum, o, i) => sum + collisions(i, o, at), 0) / 2) +
    at.reduce((sum, o) => sum + alone(o), 0)
  const forward = forwardOf(visits, { turnoverMs, now, dentists, ...(hours ? { hours } : {}) })
  const startsOf = (at: readonly number[]): number[] => at.map((o, i) => sure(visits[i]).startsAt + o * gridMs)
  const idleNowS = forward(visits.map((v) => v.startsAt)).idleS
  let runs = 0
  const spent = (): boolean => runs >= mostRuns
  const points = (at: readonly number[]): number => {
    runs++
    return onPaper(at) + runPoints(forward(startsOf(at)), weights, idleNowS)
  }
  const free = visits.flatMap((v, i) => (v.fixed ? [] : [i]))

  /** The best place of one visit with the others where they are, by the cost given; true where that is another. */
  const settleOne = (i: number, at: number[], cost: (o: number) => number): boolean => {
    let best = { o: sure(at[i]), points: cost(sure(at[i])) }
    for (const o of sure(offsets[i])) {
      const found = cost(o)
      if (found < best.points - 1e-9) best = { o, points: found }
    }
    const changed = best.o !== at[i]
    at[i] = best.o
    return changed
  }
  /** The best places of two that can collide, moved together. */
  const settleTwo = (i: number, j: number, at: number[], cost: (oi: number, oj: number) => number): boolean => {
    let best = { oi: sure(at[i]), oj: sure(at[j]), points: cost(sure(at[i]), sure(at[j])) }
    for (const oi of sure(offsets[i]))
      for (const oj of sure(offsets[j])) {
        const found = cost(oi, oj)
        if (found < best.points - 1e-9) best = { oi, oj, points: found }
      }
    const changed = best.oi !== at[i] || best.oj !== at[j]
    at[i] = best.oi
    at[j] = best.oj
    return changed
  }
  // In the run visits that never collide still queue behind one another: where there are few, any two are tried.
  const pairs = free.flatMap((i) =>
    (n <= fewVisits ? free : sure(near[i])).filter((j) => j > i && !sure(visits[j]).fixed).map((j) => [i, j] as const),
  )
  /** Moves one by one until that helps no more, then two at a time; by what collides on paper, or by all that counts. */
  const descend = (
    from: readonly number[],
    one: (i: number, at: number[]) => boolean,
    two: (i: number, j: number, at: number[]) => boolean,
  ): number[] => {
    const at = [...from]
    for (let round = 0; round < mostRounds && !spent(); round++) {
      let changed = false
      for (const i of free) changed = one(i, at) || changed
      if (changed) continue
      for (const [i, j] of pairs) changed = (!spent() && two(i, j, at)) || changed
      if (!changed) break
    }
    return at
  }
  const paper = (from: readonly number[]): number[] =>
    descend(
      from,
      (i, at) => settleOne(i, at, (o) => weights.twice * collisions(i, o, at) + alone(o)),
      (i, j, at) => {
        const [one, two] = [
          new Map(sure(offsets[i]).map((o) => [o, weights.twice * collisions(i, o, at, j) + alone(o)])),
          new Map(sure(offsets[j]).map((o) => [o, weights.twice * collisions(j, o, at, i) + alone(o)])),
        ]
        return settleTwo(
          i,
          j,
          at,
          (oi, oj) => (one.get(oi) ?? 0) + (two.get(oj) ?? 0) + weights.twice * pair(i, j, oi, oj),
        )
      },
    )
  const full = (from: readonly number[], together: boolean): number[] => {
    const trial = [...from]
    const tried = (at: readonly number[], change: (x: number[]) => void): number => {
      for (let k = 0; k < n; k++) trial[k] = sure(at[k])
      change(trial)
      return points(trial)
    }
    return descend(
      from,
      (i, at) => settleOne(i, at, (o) => tried(at, (x) => (x[i] = o))),
      (i, j, at) => together && settleTwo(i, j, at, (oi, oj) => tried(at, (x) => ([x[i], x[j]] = [oi, oj]))),
    )
  }

  const still = visits.map(() => 0)
  const before = forward(startsOf(still))
  const twiceBeforeMin = twiceInDay(visits, turnoverMs)
  let best = { at: still, points: points(still) }
  if (twiceBeforeMin > 0 || before.waitS > 60 || before.overtimeS > 60 || before.lunchShortS > 60) {
    const next = random(n)
    const somewhere = (): number[] =>
      still.map((_, i) =>
        !sure(visits[i]).fixed && next() < 0.5
          ? sure(sure(offsets[i])[Math.floor(next() * sure(offsets[i]).length)])
          : 0,
      )
    const beginning = [still, ...Array.from({ length: beginnings }, somewhere)]
    const onTable = beginning.map(paper).toSorted((a, b) => onPaper(a) - onPaper(b))
    // The better half by paper, and where things stand, are bettered in the run; of few visits every beginning is.
    const promising =
      n <= fewVisits ? [...beginning, ...onTable] : [still, ...onTable.slice(0, Math.ceil(onTable.length / 2))]
    const better = (at: number[]): void => {
      const found = points(at)
      if (found < best.points - 1e-9) best = { at, points: found }
    }
    const kicks = n <= fewVisits ? fewKicks : beginnings
    const together = n <= fewVisits && pairs.length * (2 * reach + 1) ** 2 <= fewPairMoves
    let done = 0
    const tell = (): void => progress?.(++done / (promising.length + kicks + 1))
    for (const from of promising) {
      better(full(from, together))
      tell()
    }
    // From the best, three are put somewhere else and the rest settled again: what two moves at a time do not reach.
    for (let kick = 0; kick < kicks && !spent(); kick++) {
      const at = [...best.at]
      for (let k = 0; k < 3 && free.length > 0; k++) {
        const i = sure(free[Math.floor(next() * free.length)])
        at[i] = sure(sure(offsets[i])[Math.floor(next() * sure(offsets[i]).length)])
      }
      better(full(at, together))
      tell()
    }
    if (n <= pairsUpTo) better(full(best.at, true))
  }
  return {
    moves: visits.flatMap((v, i) => (best.at[i] === 0 ? [] : [{ visitId: v.id, byMs: sure(best.at[i]) * gridMs }])),
    twiceBeforeMin,
    twiceAfterMin: twiceInDay(
      visits.map((v, i) => ({ ...v, startsAt: v.startsAt + sure(best.at[i]) * gridMs })),
      turnoverMs,
    ),
    before,
    after: forward(startsOf(best.at)),
    points: best.points,
  }
}
