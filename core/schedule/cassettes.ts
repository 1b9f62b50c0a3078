/** What the records say of each cassette: where it is, out of which load, whether it may be laid up; and what a failed load touches. */
import { sure } from '../sure'
import { cycleMin, type Cassette, type Instruments } from '../practice/instruments'

/** A run of a steriliser as recorded; times ms since the epoch. */
export interface LoadRecord {
  id: string
  number: number
  steriliserId: string
  cassetteIds: readonly string[]
  spore: boolean
  startedAt: number
  endedAt: number | null
  releasedAt: number | null
  failedAt: number | null
  failedWhy: string | null
  sporeResult: 'no growth' | 'growth' | null
}
export interface CassetteUse {
  visitId: string
  cassetteId: string
  loadId: string | null
  at: number
  /** When its visit was over; null while it is laid up or at the chair. */
  usedAt: number | null
}

export type CassetteStatus =
  | 'sterile'
  | 'laid up'
  | 'soiled'
  | 'in the steriliser'
  | 'to be released'
  | 'pulled back'
  | 'not on record'
export interface CassetteState {
  cassette: Cassette
  status: CassetteStatus
  since?: number
  /** The load it last came out of, or is in. */
  load?: { id: string; number: number }
  /** Laid up, and its load has been pulled back since: to be changed. */
  change?: true
  visitId?: string
}

/** Every cassette as the newest record of it says. */
export function cassetteStates(
  cassettes: readonly Cassette[],
  loads: readonly LoadRecord[],
  uses: readonly CassetteUse[],
): CassetteState[] {
  return cassettes.map((cassette): CassetteState => {
    const load = loads
      .filter((l) => l.cassetteIds.includes(cassette.id))
      .toSorted((a, b) => b.startedAt - a.startedAt)[0]
    const use = uses.filter((u) => u.cassetteId === cassette.id).toSorted((a, b) => b.at - a.at)[0]
    const from = load ? { load: { id: load.id, number: load.number } } : {}
    // A use out of a load comes after it; one that was laid up without a load, by its time.
    if (use && (!load || use.loadId === load.id || use.at >= load.startedAt)) {
      return use.usedAt === null
        ? {
            cassette,
            status: 'laid up',
            since: use.at,
            visitId: use.visitId,
            ...from,
            ...(load && use.loadId === load.id && load.failedAt !== null ? { change: true as const } : {}),
          }
        : { cassette, status: 'soiled', since: use.usedAt, visitId: use.visitId, ...from }
    }
    if (!load) return { cassette, status: 'not on record' }
    if (load.failedAt !== null) return { cassette, status: 'pulled back', since: load.failedAt, ...from }
    if (load.releasedAt !== null) return { cassette, status: 'sterile', since: load.releasedAt, ...from }
    return load.endedAt !== null
      ? { cassette, status: 'to be released', since: load.endedAt, ...from }
      : { cassette, status: 'in the steriliser', since: load.startedAt, ...from }
  })
}

export interface Traced {
  /** Cassettes that have not been used since, and are not laid up: taken out of the cupboard. */
  back: string[]
  /** Cassettes laid up for a visit that is not over: changed before it goes on. */
  laidUp: { cassetteId: string; visitId: string }[]
  /** Visits a cassette of these loads has been used in. */
  visits: string[]
}

/**
 * What loads that failed reach: cassettes to pull back, trays to change, visits to name.
 * @example traceLoads([], [], [], []).visits // []
 */
export function traceLoads(
  loadIds: readonly string[],
  cassettes: readonly Cassette[],
  loads: readonly LoadRecord[],
  uses: readonly CassetteUse[],
): Traced {
  const failed = new Set(loadIds)
  const own = uses.filter((u) => u.loadId !== null && failed.has(u.loadId))
  const states = cassetteStates(cassettes, loads, uses)
  return {
    back: states
      .filter((s) => s.load && failed.has(s.load.id) && s.status !== 'laid up' && s.status !== 'soiled')
      .map((s) => s.cassette.id),
    laidUp: own.filter((u) => u.usedAt === null).map(({ cassetteId, visitId }) => ({ cassetteId, visitId })),
    visits: [...new Set(own.filter((u) => u.usedAt !== null).map((u) => u.visitId))],
  }
}

/**
 * The loads a grown spore test puts in doubt: all of that steriliser since the last one without growth, up to and with the
 * tested one and those run since [P: CDC MMWR 2003;52(RR-17): recall, to the extent possible, what was processed since the
 * last negative spore test].
 */
export function doubtedBySpore(tested: LoadRecord, loads: readonly LoadRecord[]): LoadRecord[] {
  const own = loads.filter((l) => l.steriliserId === tested.steriliserId).toSorted((a, b) => a.startedAt - b.startedAt)
  const lastGood = own.filter((l) => l.startedAt < tested.startedAt && l.sporeResult === 'no growth').at(-1)
  return own.filter((l) => l.startedAt > (lastGood?.startedAt ?? -Infinity) && l.failedAt === null)
}

/**
 * What has followed a reading that pulled loads back, in words; nothing where it can still be taken back.
 * @example followedSince(0, [], [], [], []) // undefined
 */
export function followedSince(
  at: number,
  loadIds: readonly string[],
  loads: readonly LoadRecord[],
  uses: readonly CassetteUse[],
  returns: readonly SteriliserReturn[],
): string | undefined {
  const own = loads.filter((l) => loadIds.includes(l.id))
  const cassettes = new Set(own.flatMap((l) => l.cassetteIds))
  if (loads.some((l) => l.startedAt > at && l.cassetteIds.some((id) => cassettes.has(id))))
    return 'a cassette of it is in another load already'
  if (uses.some((u) => loadIds.includes(u.loadId ?? '') && u.usedAt !== null && u.usedAt > at))
    return 'a cassette of it was used or changed since'
  return returns.some((r) => r.at > at) ? 'the steriliser was let back into service' : undefined
}

/** Somebody let a steriliser back into service, ms. */
export interface SteriliserReturn {
  steriliserId: string
  at: number
}

/**
 * Sterilisers out of service: a spore test of theirs has grown, and nobody has let them back since [P: CDC MMWR
 * 2003;52(RR-17): out of service after a positive spore test, back when the cause is found and a test repeated is negative].
 * @example outOfService([], []) // []
 */
export function outOfService(
  loads: readonly (Pick<LoadRecord, 'steriliserId' | 'sporeResult'> & { sporeReadAt: number | null })[],
  returns: readonly SteriliserReturn[],
): string[] {
  const grown = new Map<string, number>()
  for (const l of loads)
    if (l.sporeResult === 'growth')
      grown.set(l.steriliserId, Math.max(grown.get(l.steriliserId) ?? 0, l.sporeReadAt ?? 0))
  return [...grown].flatMap(([id, at]) => (returns.some((r) => r.steriliserId === id && r.at >= at) ? [] : [id]))
}

/**
 * When a steriliser's next spore test is due, ms; `undefined` where none is on record. A test not yet read counts from its run.
 * @example sporeDueAt('a', [], 7) // undefined
 */
export function sporeDueAt(steriliserId: string, loads: readonly LoadRecord[], everyDays: number): number | undefined {
  const last = loads
    .filter((l) => l.steriliserId === steriliserId && l.spore && l.endedAt !== null)
    .toSorted((a, b) => b.startedAt - a.startedAt)[0]
  return last === undefined ? undefined : last.startedAt + everyDays * 86_400_000
}

/**
 * Which cassettes can be laid up for a visit: of each type those that are sterile, the one for longest first. Types for which
 * none is there come back as missing.
 * @example offerCassettes(['crown'], []).missing // []
 */
export function offerCassettes(
  types: readonly string[],
  states: readonly CassetteState[],
): { offered: CassetteState[][]; missing: string[] } {
  const offered: CassetteState[][] = []
  const missing: string[] = []
  for (const type of types) {
    const own = states
      .filter((s) => s.cassette.type === type && s.status === 'sterile')
      .toSorted((a, b) => sure(a.since) - sure(b.since) || a.cassette.id.localeCompare(b.cassette.id))
    if (own.length > 0) offered.push(own)
    // A practice that keeps no record of this type is not asked for one.
    else if (states.some((s) => s.cassette.type === type)) missing.push(type)
  }
  return { offered, missing }
}

/** How the states enter the simulation of a day: ready from when, or soiled since when. */
export function standsFrom(
  states: readonly CassetteState[],
  loads: readonly LoadRecord[],
  instruments: Instruments,
  endOf: (visitId: string) => number | undefined,
  now: number,
) {
  const minute = 60_000
  return states.map(({ cassette: { id, type }, status, since, load, visitId }) => {
    if (status === 'sterile') return { id, type }
    if (status === 'in the steriliser') {
      const own = sure(loads.find((l) => l.id === sure(load).id))
      const steriliser = instruments.sterilisers.find((s) => s.id === own.steriliserId)
      return {
        id,
        type,
        readyAt: Math.max(
          now,
          own.startedAt + ((steriliser ? cycleMin(steriliser) : 60) + instruments.way.coolMin) * minute,
        ),
      }
    }
    if (status === 'to be released')
      return { id, type, readyAt: Math.max(now, sure(since) + instruments.way.coolMin * minute) }
    if (status === 'laid up') return { id, type, soiledAt: Math.max(now, endOf(sure(visitId)) ?? now) }
    // What has lain soiled longer than the way takes is packed by now at the soonest.
    const wayMs = (instruments.way.handOverMin + instruments.way.washMin + instruments.way.packMin) * minute
    return { id, type, soiledAt: status === 'soiled' ? Math.max(sure(since), now - wayMs) : now }
  })
}
