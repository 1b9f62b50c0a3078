/**
 * Whether every visit of a day gets its cassettes: each goes out with its visit, comes back by hand-over, washing and
 * packing, runs in a steriliser's load and cools. Loads run when they are full, and at the practice's times with whatever
 * is packed. A plain simulation in order of time; what it says of an extra run or one more cassette is simulated, too.
 */
import { firstOf, sure } from '../sure'
import { cycleMin, type CassetteType, type Instruments, type Steriliser } from '../practice/instruments'

const minute = 60_000

/** A visit with the cassettes it takes, ms since the epoch. */
export interface CassetteVisit {
  id: string
  startsAt: number
  endsAt: number
  types: readonly CassetteType[]
}
/** A cassette as it stands when the day is looked at: sterile from a time, or soiled since a time. */
export interface CassetteStand {
  id: string
  type: CassetteType
  /** Ready from then on; `-Infinity` where it lies sterile in the cupboard. */
  readyAt?: number
  /** Soiled and on its way back since then, where it is not ready. */
  soiledAt?: number
}
export interface TurnoverProblem {
  visits: readonly CassetteVisit[]
  cassettes: readonly CassetteStand[]
  sterilisers: readonly Steriliser[]
  way: Instruments['way']
  layUpMin: number
  /** When whatever is packed is run, ms. */
  runsAt: readonly number[]
}
export interface SimulatedLoad {
  steriliserId: string
  startAt: number
  endAt: number
  /** When its cassettes have cooled. */
  readyAt: number
  cassetteIds: string[]
  /** Why it was started. */
  why: 'full' | 'planned' | 'extra'
}
/** A visit for which no cassette of a type is there in time. */
export interface Dry {
  visitId: string
  type: CassetteType
  /** When it should be there. */
  neededAt: number
  /** When the next one is ready after all; absent where none comes that day. */
  nextReadyAt?: number
}
export interface Turnover {
  loads: SimulatedLoad[]
  dry: Dry[]
  /** Which cassette each visit takes. */
  uses: { visitId: string; cassetteId: string; type: CassetteType; neededAt: number }[]
  /** When each soiled cassette is packed. */
  packed: { cassetteId: string; type: CassetteType; at: number }[]
}

type Event = { at: number; rank: number; act: () => void }

/**
 * Simulates the day. The same problem gives the same answer. Of what happens at one moment, cassettes become ready first,
 * then packed, then loads start, then visits take: nobody is called dry for a tie.
 * @param extra further runs, ms
 */
export function simulateTurnover(problem: TurnoverProblem, extra: readonly number[] = []): Turnover {
  const { visits, sterilisers, way, layUpMin } = problem
  const out: Turnover = { loads: [], dry: [], uses: [], packed: [] }
  const events: Event[] = []
  const on = (at: number, rank: number, act: () => void): void => {
    events.push({ at, rank, act })
  }
  /** Sterile, by the moment from which they have been: what has lain longest goes first. */
  const ready: { id: string; type: CassetteType; since: number }[] = []
  const waiting: Dry[] = []
  const queue: string[] = []
  const typeOf = new Map(problem.cassettes.map((c) => [c.id, c.type]))
  const free = sterilisers.map(() => -Infinity)

  const becomes = (id: string, at: number): void => {
    const type = sure(typeOf.get(id))
    const first = waiting.findIndex((d) => d.type === type)
    if (first >= 0) firstOf(waiting.splice(first, 1)).nextReadyAt = at
    ready.push({ id, type, since: at })
  }
  const start = (at: number, why: SimulatedLoad['why']): void => {
    while (queue.length > 0) {
      const s = free.findIndex(
        (until, i) => until <= at && (why !== 'full' || queue.length >= sure(sterilisers[i]).capacity),
      )
      if (s < 0) {
        // Every steriliser runs: what was to be run at this time is run as soon as one is free.
        const next = Math.min(...free)
        if (why !== 'full' && Number.isFinite(next) && next > at) on(next, 2, () => start(next, why))
        return
      }
      const steriliser = sure(sterilisers[s])
      const cassetteIds = queue.splice(0, steriliser.capacity)
      const endAt = at + cycleMin(steriliser) * minute
      const readyAt = endAt + way.coolMin * minute
      free[s] = endAt
      out.loads.push({ steriliserId: steriliser.id, startAt: at, endAt, readyAt, cassetteIds, why })
      for (const id of cassetteIds) on(readyAt, 0, () => becomes(id, readyAt))
      on(endAt, 2, () => start(endAt, 'full'))
    }
  }
  const soiled = (id: string, at: number): void => {
    const packedAt = at + (way.handOverMin + way.washMin + way.packMin) * minute
    on(packedAt, 1, () => {
      queue.push(id)
      out.packed.push({ cassetteId: id, type: sure(typeOf.get(id)), at: packedAt })
    })
    on(packedAt, 2, () => start(packedAt, 'full'))
  }

  for (const c of problem.cassettes) {
    if (c.soiledAt !== undefined) soiled(c.id, c.soiledAt)
    else if (c.readyAt === undefined || c.readyAt === -Infinity)
      ready.push({ id: c.id, type: c.type, since: -Infinity })
    else on(c.readyAt, 0, () => becomes(c.id, sure(c.readyAt)))
  }
  for (const at of problem.runsAt) on(at, 2, () => start(at, 'planned'))
  for (const at of extra) on(at, 2, () => start(at, 'extra'))
  for (const v of visits) {
    const neededAt = v.startsAt - layUpMin * minute
    for (const type of v.types) {
      on(neededAt, 3, () => {
        const at = ready.findIndex((c) => c.type === type)
        if (at < 0) {
          const dry: Dry = { visitId: v.id, type, neededAt }
          out.dry.push(dry)
          waiting.push(dry)
          return
        }
        const [taken] = ready.splice(at, 1)
        out.uses.push({ visitId: v.id, cassetteId: sure(taken).id, type, neededAt })
        soiled(sure(taken).id, v.endsAt)
      })
    }
  }
  // Few events: the next is looked for among all. Of one moment and rank, the one said first comes first.
  while (events.length > 0) {
    let next = 0
    for (let i = 1; i < events.length; i++)
      if (
        sure(events[i]).at < sure(events[next]).at ||
        (sure(events[i]).at === sure(events[next]).at && sure(events[i]).rank < sure(events[next]).rank)
      )
        next = i
    firstOf(events.splice(next, 1)).act()
  }
  return out
}
