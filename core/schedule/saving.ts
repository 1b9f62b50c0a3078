/** What saves a visit that would find no cassette: an extra run, two visits exchanged, one more cassette; each simulated before it is said. */
import { sure } from '../sure'
import type { CassetteType } from '../practice/instruments'
import { simulateTurnover, type CassetteVisit, type Dry, type TurnoverProblem } from './turnover'

export type SavingAct =
  | { kind: 'extra run'; at: number }
  | { kind: 'swap'; visitIds: [string, string] }
  | { kind: 'one more cassette'; type: CassetteType }
export interface Saving {
  act: SavingAct
  /** Visits still dry with it; empty where it saves the whole day. */
  left: Dry[]
  /** What it costs, by {@link actCosts}; only for comparing. */
  cost: number
}

/**
 * What an act costs against another. Estimates, ours: an extra run costs water, power and ten minutes of a person; a swap
 * means two calls and two patients' consent; a cassette has to be bought or borrowed.
 */
export const actCosts = { 'extra run': 1, swap: 3, 'one more cassette': 10 } as const

/** Other visits' sterile cassettes are never touched: two visits exchange their times, each as long as it is. */
function swapped(visits: readonly CassetteVisit[], a: CassetteVisit, b: CassetteVisit): CassetteVisit[] {
  return visits.map((v) => {
    const other = v.id === a.id ? b : v.id === b.id ? a : undefined
    return other ? { ...v, startsAt: other.startsAt, endsAt: other.startsAt + v.endsAt - v.startsAt } : v
  })
}

const actOn = (
  problem: TurnoverProblem,
  extra: readonly number[],
  act: SavingAct,
): { problem: TurnoverProblem; extra: number[] } => {
  if (act.kind === 'extra run') return { problem, extra: [...extra, act.at] }
  if (act.kind === 'one more cassette')
    return {
      problem: {
        ...problem,
        cassettes: [...problem.cassettes, { id: `more ${act.type} ${problem.cassettes.length}`, type: act.type }],
      },
      extra: [...extra],
    }
  const [a, b] = act.visitIds.map((id) => sure(problem.visits.find((v) => v.id === id)))
  return { problem: { ...problem, visits: swapped(problem.visits, sure(a), sure(b)) }, extra: [...extra] }
}

/** Every act worth trying: runs at each moment at which something of a missing type has just been packed, and later ones. */
function candidates(
  problem: TurnoverProblem,
  extra: readonly number[],
  maySwap: (a: string, b: string) => boolean,
  now: number,
): SavingAct[] {
  const before = simulateTurnover(problem, extra)
  const missing = new Set(before.dry.map((d) => d.type))
  const latest = Math.max(...before.dry.map((d) => d.neededAt))
  // The latest such run first: it takes the most along.
  const times = [...new Set(before.packed.filter((p) => p.at < latest && p.at >= now).map((p) => p.at))].toSorted(
    (a, b) => b - a,
  )
  const runs = times.map((at): SavingAct => ({ kind: 'extra run', at }))
  const dry = new Set(before.dry.map((d) => d.visitId))
  const swaps = problem.visits
    .filter((v) => dry.has(v.id))
    .flatMap((v) =>
      problem.visits
        .filter(
          (o) =>
            o.id !== v.id &&
            o.startsAt > v.startsAt &&
            v.startsAt >= now &&
            !o.types.some((t) => missing.has(t)) &&
            maySwap(v.id, o.id),
        )
        .map((o): SavingAct => ({ kind: 'swap', visitIds: [v.id, o.id] })),
    )
  return [...runs, ...swaps, ...[...missing].map((type): SavingAct => ({ kind: 'one more cassette', type }))]
}

/**
 * The acts that help, cheapest first among those that help most. Where no single one saves every visit, the best is taken
 * and the rest looked for from there, at most four.
 * @param maySwap whether two visits could exchange their times: their chairs and people are not this function's to know
 * @param now no run before this moment
 */
export function savingActs(
  problem: TurnoverProblem,
  maySwap: (a: string, b: string) => boolean = () => false,
  now = -Infinity,
): { single: Saving[]; together: SavingAct[]; left: Dry[] } {
  const before = simulateTurnover(problem)
  if (before.dry.length === 0) return { single: [], together: [], left: [] }
  const tried = (p: TurnoverProblem, extra: readonly number[]): Saving[] =>
    candidates(p, extra, maySwap, now)
      .map((act): Saving => {
        const then = actOn(p, extra, act)
        return { act, left: simulateTurnover(then.problem, then.extra).dry, cost: actCosts[act.kind] }
      })
      .toSorted((a, b) => a.left.length - b.left.length || a.cost - b.cost)
  const helps = (s: Saving, n: number): boolean => s.left.length < n
  const single = tried(problem, []).filter((s) => helps(s, before.dry.length))
  const together: SavingAct[] = []
  let state: { problem: TurnoverProblem; extra: number[] } = { problem, extra: [] }
  let left = before.dry
  while (left.length > 0 && together.length < 4) {
    const [best] = tried(state.problem, state.extra)
    if (!best || !helps(best, left.length)) break
    together.push(best.act)
    state = actOn(state.problem, state.extra, best.act)
    left = best.left
  }
  return { single, together, left }
}
