/**
 * New times for a day in which something is needed twice or that runs late. Every visit that has not begun may move on a
 * grid of minutes within what its patient allows. Collisions of pairs are searched first, from the wished times and from
 * seeded other beginnings (they depend on differences alone, so a table holds them); then the day is run forward with
 * each move, and waits, overtime, rest and idle time are weighed in. It proposes: nobody is moved until a person says so.
 */
import { sure } from '../sure'
import { defaultDayRules, type DayRules } from '../practice/day-rules'
import { twiceInDay } from './collide'
import { paperOf, type DayProblem, type Paper } from './paper'
import { forwardOf, type DayRun } from './forward'
import { random } from '../random'

export type { DayProblem } from './paper'
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

/** The best place of one visit with the others where they are, by the cost given; true where that is another. */
function settleOne({ offsets }: Paper, i: number, at: number[], cost: (o: number) => number): boolean {
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
function settleTwo(
  { offsets }: Paper,
  i: number,
  j: number,
  at: number[],
  cost: (oi: number, oj: number) => number,
): boolean {
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

/** How one descent moves: which visits, which two of them together, and until when. */
interface Moving {
  free: readonly number[]
  pairs: readonly (readonly [number, number])[]
  spent: () => boolean
}
/** Moves one by one until that helps no more, then two at a time. */
function descend(
  { free, pairs, spent }: Moving,
  from: readonly number[],
  one: (i: number, at: number[]) => boolean,
  two: (i: number, j: number, at: number[]) => boolean,
): number[] {
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

/** Descends by what collides on paper. */
function descendOnPaper(paper: Paper, moving: Moving, weights: DayRules['weights'], from: readonly number[]): number[] {
  const { offsets, collisions, alone, pair } = paper
  const without = (i: number, j: number, at: readonly number[]): Map<number, number> =>
    new Map(sure(offsets[i]).map((o) => [o, weights.twice * collisions(i, o, at, j) + alone(o)]))
  return descend(
    moving,
    from,
    (i, at) => settleOne(paper, i, at, (o) => weights.twice * collisions(i, o, at) + alone(o)),
    (i, j, at) => {
      const [one, two] = [without(i, j, at), without(j, i, at)]
      return settleTwo(
        paper,
        i,
        j,
        at,
        (oi, oj) => (one.get(oi) ?? 0) + (two.get(oj) ?? 0) + weights.twice * pair(i, j, oi, oj),
      )
    },
  )
}

/** Descends by all that counts: the day is run forward with each move. */
function descendInRun(
  paper: Paper,
  moving: Moving,
  points: (at: readonly number[]) => number,
  from: readonly number[],
  together: boolean,
): number[] {
  const trial = [...from]
  const tried = (at: readonly number[], change: (x: number[]) => void): number => {
    for (let k = 0; k < trial.length; k++) trial[k] = sure(at[k])
    change(trial)
    return points(trial)
  }
  return descend(
    moving,
    from,
    (i, at) => settleOne(paper, i, at, (o) => tried(at, (x) => (x[i] = o))),
    (i, j, at) => together && settleTwo(paper, i, j, at, (oi, oj) => tried(at, (x) => ([x[i], x[j]] = [oi, oj]))),
  )
}

/** Beginnings, descents, and shakes of the best: the best places found. */
function search(
  paper: Paper,
  moving: Moving,
  weights: DayRules['weights'],
  points: (at: readonly number[]) => number,
  beginnings: number,
  progress?: (share: number) => void,
): number[] {
  const { offsets, reach, near, free, onPaper } = paper
  const n = near.length
  const still = near.map(() => 0)
  const next = random(n)
  const anyPlace = (i: number): number => sure(sure(offsets[i])[Math.floor(next() * sure(offsets[i]).length)])
  const mayMove = new Set(free)
  const somewhere = (): number[] => still.map((_, i) => (mayMove.has(i) && next() < 0.5 ? anyPlace(i) : 0))
  const beginning = [still, ...Array.from({ length: beginnings }, somewhere)]
  const onTable = beginning
    .map((from) => descendOnPaper(paper, moving, weights, from))
    .toSorted((a, b) => onPaper(a) - onPaper(b))
  // The better half by paper, and where things stand, are bettered in the run; of few visits every beginning is.
  const promising =
    n <= fewVisits ? [...beginning, ...onTable] : [still, ...onTable.slice(0, Math.ceil(onTable.length / 2))]
  let best = { at: still, points: points(still) }
  const better = (at: number[]): void => {
    const found = points(at)
    if (found < best.points - 1e-9) best = { at, points: found }
  }
  const kicks = n <= fewVisits ? fewKicks : beginnings
  const together = n <= fewVisits && moving.pairs.length * (2 * reach + 1) ** 2 <= fewPairMoves
  let done = 0
  const tell = (): void => progress?.(++done / (promising.length + kicks + 1))
  for (const from of promising) {
    better(descendInRun(paper, moving, points, from, together))
    tell()
  }
  // From the best, three are put somewhere else and the rest settled again: what two moves at a time do not reach.
  for (let kick = 0; kick < kicks && !moving.spent(); kick++) {
    const at = [...best.at]
    for (let k = 0; k < 3 && free.length > 0; k++) {
      const i = sure(free[Math.floor(next() * free.length)])
      at[i] = anyPlace(i)
    }
    better(descendInRun(paper, moving, points, at, together))
    tell()
  }
  if (n <= pairsUpTo) better(descendInRun(paper, moving, points, best.at, true))
  return best.at
}

/**
 * Proposes times. The same day gives the same proposal; where nothing collides and nobody is expected to wait, nothing
 * moves.
 * @param beginnings how many other starting points are tried beside the wished times
 * @param progress told now and then which share of the work is done, 0 to 1
 */
export function proposeDay(problem: DayProblem, beginnings = 6, progress?: (share: number) => void): Proposal {
  const { visits, turnoverMs, gridMs, hours, now = -Infinity, dentists = [] } = problem
  const weights = problem.weights ?? defaultDayRules.weights
  const paper = paperOf(problem, weights)
  const { free, near, startsOf, onPaper } = paper
  const forward = forwardOf(visits, { turnoverMs, now, dentists, ...(hours ? { hours } : {}) })
  const idleNowS = forward(visits.map((v) => v.startsAt)).idleS
  let runs = 0
  const points = (at: readonly number[]): number => {
    runs++
    return onPaper(at) + runPoints(forward(startsOf(at)), weights, idleNowS)
  }
  // In the run visits that never collide still queue behind one another: where there are few, any two are tried.
  const pairs = free.flatMap((i) =>
    (visits.length <= fewVisits ? free : sure(near[i]))
      .filter((j) => j > i && !sure(visits[j]).fixed)
      .map((j) => [i, j] as const),
  )
  const still = visits.map(() => 0)
  const before = forward(startsOf(still))
  const twiceBeforeMin = twiceInDay(visits, turnoverMs)
  const troubled = twiceBeforeMin > 0 || before.waitS > 60 || before.overtimeS > 60 || before.lunchShortS > 60
  const at = troubled
    ? search(paper, { free, pairs, spent: () => runs >= mostRuns }, weights, points, beginnings, progress)
    : still
  return {
    moves: visits.flatMap((v, i) => (at[i] === 0 ? [] : [{ visitId: v.id, byMs: sure(at[i]) * gridMs }])),
    twiceBeforeMin,
    twiceAfterMin: twiceInDay(
      visits.map((v, i) => ({ ...v, startsAt: v.startsAt + sure(at[i]) * gridMs })),
      turnoverMs,
    ),
    before,
    after: forward(startsOf(at)),
    points: points(at),
  }
}
