/** The cassettes of a day as it stands: which visit would find none, and what saves it. */
import { sure } from '../sure'
import type { CassetteType, Instruments } from '../practice/instruments'
import { wallTime } from '../clock'
import { standsFrom, type CassetteState, type LoadRecord } from './cassettes'
import { endOf, twiceInDay } from './collide'
import { savingActs, type Saving, type SavingAct } from './saving'
import { placed, type DayFacts, type DayVisitFacts } from './today'
import { simulateTurnover, type Dry, type SimulatedLoad, type TurnoverProblem } from './turnover'

export interface TurnoverView {
  dry: Dry[]
  /** The day's runs as they are to be expected. */
  loads: SimulatedLoad[]
  single: Saving[]
  together: SavingAct[]
  /** Dry even with all of them. */
  left: Dry[]
}
type Visit = DayVisitFacts & { cassettes: { type: CassetteType; name?: string }[] }

/** More are not shown: the first helps as much as any. */
const mostActs = 6

/**
 * Simulates the day's cassettes from where they are now. On a day to come, every cassette is sterile in the morning.
 * @returns null where the practice keeps no cassettes on record
 */
export function turnoverOfDay(
  facts: DayFacts<Visit>,
  instruments: Instruments,
  { loads, states }: { loads: readonly LoadRecord[]; states: readonly CassetteState[] },
  now: number,
): TurnoverView | null {
  if (instruments.cassettes.length === 0 || instruments.sterilisers.length === 0) return null
  const visits = placed(facts)
  const isToday = facts.now !== undefined
  const own = new Map(visits.map((v) => [v.id, v]))
  // Types of which the practice keeps none on record are not its cassettes.
  const known = new Set(instruments.cassettes.map((c) => c.type))
  const problem: TurnoverProblem = {
    // What is laid up already has its cassettes.
    visits: visits.map((v) => ({
      id: v.id,
      startsAt: v.startsAt,
      endsAt: endOf(v),
      types: v.cassettes.filter((c) => c.name === undefined && known.has(c.type)).map((c) => c.type),
    })),
    cassettes: isToday
      ? standsFrom(
          states,
          loads,
          instruments,
          (id) => {
            const v = own.get(id)
            return v && endOf(v)
          },
          now,
        )
      : instruments.cassettes.map(({ id, type }) => ({ id, type })),
    sterilisers: instruments.sterilisers,
    way: instruments.way,
    layUpMin: instruments.layUpMin,
    runsAt: instruments.runsAt.map((t) => wallTime(facts.day, t, facts.zone)).filter((at) => !isToday || at >= now),
  }
  const { dry, loads: runs } = simulateTurnover(problem)
  const before = twiceInDay(visits, 0)
  const maySwap = (a: string, b: string): boolean => {
    const [x, y] = [sure(own.get(a)), sure(own.get(b))]
    if (
      x.fixed ||
      y.fixed ||
      x.cassettes.some((c) => c.name !== undefined) ||
      y.cassettes.some((c) => c.name !== undefined)
    )
      return false
    const swapped = visits.map((v) =>
      v.id === a ? { ...v, startsAt: y.startsAt } : v.id === b ? { ...v, startsAt: x.startsAt } : v,
    )
    return twiceInDay(swapped, 0) <= before
  }
  const acts = savingActs(problem, maySwap, isToday ? now : -Infinity)
  return { dry, loads: runs, ...acts, single: acts.single.slice(0, mostActs) }
}
