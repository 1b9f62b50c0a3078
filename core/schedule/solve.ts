/**
 * The shortest timeline of tasks with lags, windows and things that are in one place at a time: people, the mouth, the
 * only scanner. Branch and bound over who goes first where two tasks want the same thing (the disjunctive graph with
 * generalised precedences; Bartusch, Möhring and Radermacher, Annals of Operations Research 16, 1988), bounded by the
 * longest path and by Jackson's preemptive rule for each thing (Carlier, European Journal of Operational Research 11,
 * 1982). Exact where `proven`; else the best found within the nodes allowed, beside the bound it was measured against.
 */
import { firstOf, sure } from '../sure'
import { Distances, never } from './distances'

export interface Task {
  id: string
  durationS: number
  /** What it takes for itself while it runs. */
  holds: string[]
}
/** From one edge of a task to one edge of another, in seconds; without `atMostS` a lag, without either plain order. */
export interface Rule {
  id: string
  from: string
  fromEdge: 'start' | 'finish'
  to: string
  toEdge: 'start' | 'finish'
  atLeastS?: number
  atMostS?: number
}
export interface Problem {
  tasks: Task[]
  rules: Rule[]
  /** Tasks whose finish is the end to be reached soonest. */
  until: string[]
  /** Seconds from the first start between which a task has to start; both equal where its start is a fact. */
  starts?: Readonly<Record<string, { atLeastS?: number; atMostS?: number }>>
}
export interface Solution {
  /** Seconds from the first start. */
  startS: Record<string, number>
  /** Finish of the last of `until`. */
  lengthS: number
  /** No timeline is shorter than this. */
  boundS: number
  proven: boolean
  nodes: number
  /** Seconds a task could start later without the end moving, with the order found kept. */
  slackS: Record<string, number>
}
export type Solved = Solution | { conflict: string[]; proven: boolean }

/** Nodes searched before the best found is taken: the visits of the library need far fewer. */
const mostNodes = 4_000

interface Search {
  dur: number[]
  /** Indices of the tasks that each thing is wanted by. */
  wanted: number[][]
  pairs: [number, number][]
  nodes: number
  limit: number
  best: { distances: Distances; length: number } | null
  /** Whether to stop at the first that holds at all. */
  any: boolean
}

/** The distances that the rules alone imply; null where they cannot hold. Row 0 is the start of all, the last row the end of what has to end. */
function closed(problem: Problem, rules: readonly Rule[]): Distances | null {
  const n = problem.tasks.length
  const at = new Map(problem.tasks.map((t, i) => [t.id, i + 1]))
  const until = new Set(problem.until)
  const ties: [from: number, to: number, atLeastS: number][] = problem.tasks.map((_, i) => [0, i + 1, 0])
  for (const [i, t] of problem.tasks.entries())
    if (until.size === 0 || until.has(t.id)) ties.push([i + 1, n + 1, t.durationS])
  for (const [id, bound] of Object.entries(problem.starts ?? {})) {
    const i = at.get(id)
    if (i === undefined) continue
    if (bound.atLeastS !== undefined) ties.push([0, i, bound.atLeastS])
    if (bound.atMostS !== undefined) ties.push([i, 0, -bound.atMostS])
  }
  for (const r of rules) {
    const [a, b] = [at.get(r.from), at.get(r.to)]
    if (a === undefined || b === undefined) continue
    const shift =
      (r.fromEdge === 'finish' ? sure(problem.tasks[a - 1]).durationS : 0) -
      (r.toEdge === 'finish' ? sure(problem.tasks[b - 1]).durationS : 0)
    // A tie of a task to itself says how long it may take; a task's own length is not a matter of order.
    if (a !== b) ties.push([a, b, shift + (r.atLeastS ?? 0)])
    if (r.atMostS !== undefined && (a !== b || -shift > r.atMostS))
      ties.push([b, a, a === b ? 1 : -(shift + r.atMostS)])
  }
  return Distances.from(n + 2, ties)
}

/** Seconds from the start of a task to the end, at least. */
const tailOf = (d: Distances, i: number): number => d.at(i, d.n - 1)

/** Jackson's preemptive schedule of one thing's tasks: never longer than the best real one. */
function preemptive(tasks: { head: number; dur: number; tail: number }[]): number {
  const waiting = tasks.toSorted((a, b) => a.head - b.head)
  const open: { left: number; tail: number }[] = []
  let now = 0
  let bound = 0
  while (waiting.length > 0 || open.length > 0) {
    if (open.length === 0) now = Math.max(now, firstOf(waiting).head)
    while (waiting.length > 0 && firstOf(waiting).head <= now) {
      const t = sure(waiting.shift())
      open.push({ left: t.dur, tail: t.tail })
    }
    const most = open.reduce((a, b) => (b.tail > a.tail ? b : a))
    const run = Math.min(most.left, (waiting[0]?.head ?? Infinity) - now)
    now += run
    most.left -= run
    if (most.left <= 0) {
      bound = Math.max(bound, now + most.tail)
      open.splice(open.indexOf(most), 1)
    }
  }
  return bound
}

/** No timeline that keeps these distances is shorter. */
function boundOf(s: Search, d: Distances): number {
  let bound = tailOf(d, 0)
  for (const tasks of s.wanted) {
    const heads = tasks
      .map((i) => ({ head: d.at(0, i), dur: sure(s.dur[i]), tail: tailOf(d, i) - sure(s.dur[i]) }))
      .filter((t) => t.tail >= 0)
    if (heads.length > 1) bound = Math.max(bound, preemptive(heads))
  }
  return bound
}

/** Settles every pair whose order has one answer left; false where one has none. */
function settle(s: Search, d: Distances): boolean {
  for (let again = true; again;) {
    again = false
    const most = s.best?.length ?? Infinity
    for (const [i, j] of s.pairs) {
      const [di, dj] = [sure(s.dur[i]), sure(s.dur[j])]
      if (d.at(i, j) >= di || d.at(j, i) >= dj) continue
      const can = (a: number, b: number, da: number): boolean =>
        d.at(b, a) + da <= 0 && d.at(0, a) + da + tailOf(d, b) < most
      const [first, second] = [can(i, j, di), can(j, i, dj)]
      if (first && second) continue
      if (!first && !second) return false
      if (!(first ? d.tie(i, j, di) : d.tie(j, i, dj))) return false
      again = true
    }
  }
  return true
}

function search(s: Search, d: Distances): void {
  if (s.nodes >= s.limit || (s.any && s.best)) return
  s.nodes++
  if (!settle(s, d) || boundOf(s, d) >= (s.best?.length ?? Infinity)) return
  // The pair that overlaps when everything starts as early as it can, and hurts most whichever goes first.
  let worst: { i: number; j: number; regret: number; first: boolean } | null = null
  for (const [i, j] of s.pairs) {
    const [di, dj] = [sure(s.dur[i]), sure(s.dur[j])]
    // Ordered already, whatever rounding says of the sums: to branch on it again would never end.
    if (d.at(i, j) >= di || d.at(j, i) >= dj) continue
    const [ei, ej] = [d.at(0, i), d.at(0, j)]
    if (ei >= ej + dj || ej >= ei + di) continue
    const one = ei + di + tailOf(d, j)
    const other = ej + dj + tailOf(d, i)
    const regret = Math.min(one, other) * 1e4 + Math.abs(one - other)
    if (!worst || regret > worst.regret) worst = { i, j, regret, first: one <= other }
  }
  if (!worst) {
    // What happens not to overlap is kept in the order it fell in: who goes first is part of the answer.
    for (const [i, j] of s.pairs) {
      if (d.at(i, j) >= sure(s.dur[i]) || d.at(j, i) >= sure(s.dur[j])) continue
      const [first, second] = d.at(0, i) < d.at(0, j) ? [i, j] : [j, i]
      d.tie(first, second, sure(s.dur[first]))
    }
    s.best = { distances: d, length: tailOf(d, 0) }
    return
  }
  const { i, j } = worst
  for (const [a, b] of worst.first
    ? [
        [i, j],
        [j, i],
      ]
    : [
        [j, i],
        [i, j],
      ]) {
    const next = d.copy()
    if (next.tie(sure(a), sure(b), sure(s.dur[sure(a)]))) search(s, next)
  }
}

/** What is left to decide once the rules have said their part. */
function start(problem: Problem, d: Distances, limit: number, any: boolean): Search {
  const dur = [0, ...problem.tasks.map((t) => t.durationS)]
  const things = new Map<string, number[]>()
  problem.tasks.forEach((t, i) => {
    if (t.durationS > 0) for (const h of new Set(t.holds)) things.set(h, [...(things.get(h) ?? []), i + 1])
  })
  const wanted = [...things.values()].filter((t) => t.length > 1)
  const seen = new Set<number>()
  const pairs: [number, number][] = []
  for (const tasks of wanted)
    for (const [x, i] of tasks.entries())
      for (const j of tasks.slice(x + 1)) {
        const key = i * dur.length + j
        if (!seen.has(key) && d.at(i, j) < sure(dur[i]) && d.at(j, i) < sure(dur[j])) pairs.push([i, j])
        seen.add(key)
      }
  return { dur, wanted, pairs, nodes: 0, limit, best: null, any }
}

const holdsTogether = (problem: Problem, rules: readonly Rule[], limit: number): boolean | 'unknown' => {
  const d = closed(problem, rules)
  if (!d) return false
  const s = start(problem, d, limit, true)
  search(s, d)
  return s.best ? true : s.nodes >= limit ? 'unknown' : false
}

/** The fewest windows and lags that cannot hold together: taking any one of them away would do. Order always stays. */
function conflictOf(problem: Problem, limit: number): { conflict: string[]; proven: boolean } {
  let kept = problem.rules
  let proven = true
  const timed = problem.rules.filter((r) => r.atMostS !== undefined || (r.atLeastS ?? 0) > 0)
  for (const r of timed) {
    const less = kept.filter((x) => x !== r)
    const holds = holdsTogether(problem, less, limit)
    if (holds === false) kept = less
    if (holds === 'unknown') proven = false
  }
  return { conflict: kept.filter((r) => timed.includes(r)).map((r) => r.id), proven }
}

/** The tasks from a window's opening to just before its end, by index. */
function insideWindows(problem: Problem, d: Distances): number[] {
  const at = new Map(problem.tasks.map((t, i) => [t.id, i + 1]))
  const inside = new Set<number>()
  for (const r of problem.rules) {
    const [a, b] = [at.get(r.from), at.get(r.to)]
    if (r.atMostS === undefined || a === undefined || b === undefined || a === b) continue
    for (let i = 1; i <= problem.tasks.length; i++) if (i !== b && d.at(a, i) >= 0 && d.at(i, b) >= 0) inside.add(i)
  }
  return [...inside]
}

/**
 * Finds the shortest timeline, or says which rules cannot hold together.
 * @param limit nodes of the search; `proven` says whether they sufficed.
 */
export function solve(problem: Problem, limit = mostNodes): Solved {
  if (problem.tasks.length === 0) return { startS: {}, lengthS: 0, boundS: 0, proven: true, nodes: 0, slackS: {} }
  const root = closed(problem, problem.rules)
  if (!root) return conflictOf(problem, limit)
  const s = start(problem, root, limit, false)
  const rootBound = settle(s, root) ? boundOf(s, root) : Infinity
  if (rootBound < Infinity) search(s, root.copy())
  const proven = s.nodes < limit
  if (!s.best) return proven ? conflictOf(problem, limit) : { conflict: [], proven: false }
  const { distances, length } = s.best
  const ids = problem.tasks.map((t) => t.id)
  const starts = [0, ...ids.map((_, i) => distances.at(0, i + 1))]
  const latest = (i: number): number => (distances.at(i, 0) <= never / 2 ? Infinity : -distances.at(i, 0))
  // What opens a window, and what lies between that and its end, starts as late as nothing else has to move for it.
  const late = insideWindows(problem, distances).toSorted((a, b) => sure(starts[b]) - sure(starts[a]))
  for (const i of late)
    starts[i] = Math.min(
      length - tailOf(distances, i),
      latest(i),
      ...ids.flatMap((_, j) =>
        j + 1 === i || distances.at(i, j + 1) <= never / 2 ? [] : [sure(starts[j + 1]) - distances.at(i, j + 1)],
      ),
    )
  return {
    startS: Object.fromEntries(ids.map((id, i) => [id, sure(starts[i + 1])])),
    lengthS: length,
    boundS: proven ? length : Math.min(length, rootBound),
    proven,
    nodes: s.nodes,
    slackS: Object.fromEntries(
      ids.map((id, i) => [
        id,
        Math.max(
          0,
          Math.min(latest(i + 1), length - Math.max(tailOf(distances, i + 1), sure(s.dur[i + 1]))) -
            distances.at(0, i + 1),
        ),
      ]),
    ),
  }
}
