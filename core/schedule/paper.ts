/** A day's wished times as offsets on a grid, and what collides on paper: differences alone decide it, so tables hold it. */
import { sure } from '../sure'
import type { DayRules } from '../practice/day-rules'
import { twiceOf, wantsOf } from './collide'
import type { PlacedVisit } from './day'
import type { Hours } from './forward'

const minute = 60_000

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

/** Where each visit may stand, in steps of the grid from its wished time, and what it costs there. */
export interface Paper {
  /** Of each visit the places it may take, the nearest first. */
  offsets: readonly (readonly number[])[]
  /** The furthest any visit may move, in steps. */
  reach: number
  /** Of each visit those it can collide with. */
  near: readonly (readonly number[])[]
  /** Visits that may move at all. */
  free: readonly number[]
  startsOf: (at: readonly number[]) => number[]
  /** What two visits cost each other at these places, in minutes needed twice. */
  pair: (i: number, j: number, oi: number, oj: number) => number
  /** What one visit costs by standing there, in points: the call, and how far it moved. */
  alone: (o: number) => number
  /** What one visit costs the others, in minutes needed twice. */
  collisions: (i: number, o: number, at: readonly number[], except?: number) => number
  /** All of it, in points. */
  onPaper: (at: readonly number[]) => number
}

/** The places of each visit, the nearest first; what has not begun begins no sooner than now. */
function placesOf({ visits, gridMs, mostMs, now = -Infinity }: DayProblem): { offsets: number[][]; reach: number } {
  // Whose time has come without their having begun has to be moved to now at least, whatever the shift allowed.
  const reaches = visits.map((v) => {
    if (v.fixed) return 0
    const overdue = v.startsAt >= now ? 0 : Math.ceil((now - v.startsAt) / gridMs)
    return Math.max(overdue, Math.floor((v.mostMs ?? mostMs) / gridMs))
  })
  const offsets = visits.map((v, i) =>
    Array.from({ length: 2 * sure(reaches[i]) + 1 }, (_, k) => k - sure(reaches[i]))
      .filter((o) => o === 0 || v.startsAt + o * gridMs >= now)
      .toSorted((a, b) => Math.abs(a) - Math.abs(b)),
  )
  return { offsets, reach: Math.max(0, ...reaches) }
}

/** The day on paper: nothing is run, and nobody waits. */
export function paperOf(problem: DayProblem, weights: DayRules['weights']): Paper {
  const { visits, turnoverMs, gridMs } = problem
  const n = visits.length
  const { offsets, reach } = placesOf(problem)
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
  return {
    offsets,
    reach,
    near,
    free: visits.flatMap((v, i) => (v.fixed ? [] : [i])),
    startsOf: (at) => at.map((o, i) => sure(visits[i]).startsAt + o * gridMs),
    pair,
    alone,
    collisions,
    onPaper: (at) =>
      weights.twice * (at.reduce((sum, o, i) => sum + collisions(i, o, at), 0) / 2) +
      at.reduce((sum, o) => sum + alone(o), 0),
  }
}
