/** Queries about cassettes and loads. */
import { and, desc, eq, getTableColumns, inArray, isNull, or } from 'drizzle-orm'
import { cassetteStates, offerCassettes, outOfService, type CassetteState } from '../../core/schedule/cassettes'
import { cassettesOf, type Instruments } from '../../core/practice/instruments'
import type { Plan } from '../../core/model/plan'
import type { Db } from './open'
import * as t from './schema'

export type LoadRow = typeof t.loads.$inferSelect
/** As far back as any cassette of a practice has lain in its cupboard. */
const mostLoads = 300

const { log: _readings, ...withoutLog } = getTableColumns(t.loads)
/** The newest loads, newest first, without their readings. */
export const loadLoads = (q: Db) => q.select(withoutLog).from(t.loads).orderBy(desc(t.loads.number)).limit(mostLoads)

/** Uses that still say something: of cassettes out of those loads, and laid up without one. */
export async function loadUses(
  q: Db,
  loads: readonly { id: string }[],
): Promise<(typeof t.cassetteUses.$inferSelect)[]> {
  return q
    .select()
    .from(t.cassetteUses)
    .where(
      loads.length === 0
        ? isNull(t.cassetteUses.loadId)
        : or(
            inArray(
              t.cassetteUses.loadId,
              loads.map((l) => l.id),
            ),
            isNull(t.cassetteUses.loadId),
          ),
    )
}

export async function loadCassettes(q: Db, instruments: Instruments) {
  const loads = await loadLoads(q)
  const uses = await loadUses(q, loads)
  return { loads, uses, states: cassetteStates(instruments.cassettes, loads, uses) }
}

/** Which sterilisers are out of service by a grown spore test. */
export const loadOutOfService = async (q: Db, loads: Parameters<typeof outOfService>[0]): Promise<string[]> =>
  outOfService(
    loads,
    await q
      .select({ steriliserId: t.steriliserReturns.steriliserId, at: t.steriliserReturns.at })
      .from(t.steriliserReturns),
  )

/** The cassettes a plan lays open: of each type those that are sterile, the one for longest first, and types of which none is. */
export async function cassettesFor(
  q: Db,
  plan: Pick<Plan, 'setup'>,
  instruments: Instruments,
): Promise<{ offered: CassetteState[][]; missing: string[] }> {
  if (instruments.cassettes.length === 0) return { offered: [], missing: [] }
  return offerCassettes(cassettesOf(plan.setup), (await loadCassettes(q, instruments)).states)
}

/**
 * Puts on record which cassettes go to a visit: those that were taken, as whoever signs has held them against the shelf. Without
 * a word of it, of each type the one sterile for longest.
 * @returns types of which none is sterile, and those of which none was confirmed
 */
export async function assignCassettes(
  q: Db,
  { id: visitId, at, confirmed }: { id: string; at: number; confirmed?: { by: string; ids: readonly string[] } },
  plan: Pick<Plan, 'setup'>,
  instruments: Instruments,
): Promise<{ missing: string[]; unconfirmed: string[] }> {
  const { offered, missing } = await cassettesFor(q, plan, instruments)
  const taken = offered.map((own) => (confirmed ? own.find((c) => confirmed.ids.includes(c.cassette.id)) : own[0]))
  const chosen = taken.flatMap((c) => c ?? [])
  if (chosen.length > 0)
    await q.insert(t.cassetteUses).values(
      chosen.map((c) => ({
        visitId,
        cassetteId: c.cassette.id,
        loadId: c.load?.id ?? null,
        at,
        confirmedBy: confirmed?.by ?? null,
      })),
    )
  return { missing, unconfirmed: offered.flatMap((own, i) => (taken[i] ? [] : (own[0]?.cassette.type ?? []))) }
}

/** A tray taken back before its visit: its cassettes go back into the cupboard. */
export const releaseCassettes = (q: Db, visitId: string) =>
  q.delete(t.cassetteUses).where(and(eq(t.cassetteUses.visitId, visitId), isNull(t.cassetteUses.usedAt)))
/** A visit that is over has soiled its cassettes. */
export const soilCassettes = (q: Db, visitId: string, at: number) =>
  q
    .update(t.cassetteUses)
    .set({ usedAt: at })
    .where(and(eq(t.cassetteUses.visitId, visitId), isNull(t.cassetteUses.usedAt)))

/** A cassette of a visit: out of which load, who held it against the shelf, and why it was pulled back where it was. */
export interface LaidUp {
  id: string
  name: string
  load: number | null
  confirmedBy: string | null
  pulledBack: string | null
}

/** The cassettes of a visit by name, out of which load, and whether that was pulled back since. */
export async function laidUpFor(q: Db, visitId: string, instruments: Instruments): Promise<LaidUp[]> {
  const rows = await q
    .select({
      id: t.cassetteUses.cassetteId,
      load: t.loads.number,
      failedAt: t.loads.failedAt,
      failedWhy: t.loads.failedWhy,
      confirmedBy: t.cassetteUses.confirmedBy,
    })
    .from(t.cassetteUses)
    .leftJoin(t.loads, eq(t.cassetteUses.loadId, t.loads.id))
    .where(eq(t.cassetteUses.visitId, visitId))
  const name = new Map(instruments.cassettes.map((c) => [c.id, c.name]))
  return rows
    .map(({ failedAt, failedWhy, ...r }) => ({
      ...r,
      name: name.get(r.id) ?? r.id,
      pulledBack: failedAt === null ? null : (failedWhy ?? 'pulled back'),
    }))
    .toSorted((a, b) => a.name.localeCompare(b.name))
}
