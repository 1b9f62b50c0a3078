/** What is let out of the steriliser, what failed, and what a failed load touches. Records stay; none is deleted. */
import { signedIn } from './session'
import { roomOf, type Door } from '../house'
import { tellInstruments, tellOf } from './tell'
import { tellRun } from './touched'
import { closes } from './visit'
import type { Happening } from '../../core/run/events'
import { done } from '../../wire/noun'
import { releasedView, tracedView } from '../../wire/instruments'
import { and, eq, inArray, isNull } from 'drizzle-orm'
import { id, text } from '../../core/bounded'
import * as z from 'zod'
import { doubtedBySpore, followedSince, traceLoads } from '../../core/schedule/cassettes'
import { decideRelease } from '../../core/schedule/release'
import type { House } from '../house'
import { loadCassettes, loadLoads, loadOutOfService, loadUses, type LoadRow } from '../db/instruments'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { loadLastEvent, loadPractice } from '../db/store'
import { notFound, Problem } from '../problem'

const loadParams = z.object({ loadId: id(80) })

const words = text(300, 3, 'say it in words')

async function oneLoad(q: Db, id: string): Promise<LoadRow> {
  const [row] = await q.select().from(t.loads).where(eq(t.loads.id, id)).for('update')
  if (!row) throw notFound(`load "${id}"`)
  return row
}

/** Cassettes out of these loads that lie at a visit that runs, told to it within the transaction of the change. */
async function tellRuns(
  house: House,
  q: Db,
  ids: readonly string[],
  by: string,
  told: (cassette: { cassetteId: string; name: string; load: number }) => Happening,
): Promise<void> {
  const { instruments } = await loadPractice(q)
  const rows = await q
    .select({ visitId: t.cassetteUses.visitId, cassetteId: t.cassetteUses.cassetteId, load: t.loads.number })
    .from(t.cassetteUses)
    .innerJoin(t.loads, eq(t.cassetteUses.loadId, t.loads.id))
    .where(and(inArray(t.cassetteUses.loadId, [...ids]), isNull(t.cassetteUses.usedAt)))
  for (const { visitId, cassetteId, load } of rows) {
    const last = await loadLastEvent(q, visitId)
    if (!last || closes.has(last.what.kind)) continue
    const name = instruments.cassettes.find((c) => c.id === cassetteId)?.name ?? cassetteId
    await tellRun(house, q, visitId, told({ cassetteId, name, load }), by)
  }
}

const pullBack = async (house: House, ids: readonly string[], by: string, why: string, q: Db): Promise<void> => {
  if (ids.length === 0) return
  await q
    .update(t.loads)
    .set({ failedAt: house.now(), failedBy: by, failedWhy: why })
    .where(inArray(t.loads.id, [...ids]))
  await tellRuns(house, q, ids, by, (c) => ({ kind: 'cassette.doubted', ...c, why }))
}

/** Visits that are signed and stand on these loads are told on every screen. */
async function tellTrays(house: House, q: Db, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return
  const rows = await q
    .select({ visitId: t.cassetteUses.visitId })
    .from(t.cassetteUses)
    .where(and(inArray(t.cassetteUses.loadId, [...ids]), isNull(t.cassetteUses.usedAt)))
  for (const { visitId } of rows) tellOf(house, visitId)
}

const traced = async (house: House, ids: string[]) => {
  const { instruments } = await loadPractice(house.database.db)
  const { loads, uses } = await loadCassettes(house.database.db, instruments)
  return { loads: ids, ...traceLoads(ids, instruments.cassettes, loads, uses) }
}

const release: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/loads/:loadId/release',
    {
      schema: {
        response: { 200: releasedView },
        summary: 'Let a load out: its readings are good and the indicator has changed',
        params: loadParams,
        body: z.strictObject({ indicator: z.enum(['changed', 'not changed']), byHand: words.optional() }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const { indicator, byHand } = request.body
      const result = await db.transaction(async (tx) => {
        const load = await oneLoad(tx, request.params.loadId)
        if ((await loadOutOfService(tx, await loadLoads(tx))).includes(load.steriliserId))
          throw new Problem(
            'out-of-service',
            'The spore test of this steriliser has grown: nothing is let out of it until it is back in service, after the cause is found and a test repeated did not grow.',
          )
        const decided = decideRelease(load, indicator, byHand)
        if (decided.kind === 'refused') throw new Problem(decided.slug, decided.message)
        const [at, by] = [house.now(), person.id]
        await tx
          .update(t.loads)
          .set({
            indicator,
            ...(decided.kind === 'released'
              ? { releasedAt: at, releasedBy: by, logFault: decided.logFault }
              : { failedAt: at, failedBy: by, failedWhy: decided.why }),
          })
          .where(eq(t.loads.id, load.id))
        return { released: decided.kind === 'released' }
      })
      tellInstruments(house)
      return result
    },
  )
}

const fail: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/loads/:loadId/fail',
    {
      schema: {
        response: { 200: tracedView },
        summary: 'Pull a load back: its cassettes and the visits touched are named',
        params: loadParams,
        body: z.strictObject({ why: words }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const id = request.params.loadId
      await db.transaction(async (tx) => {
        const load = await oneLoad(tx, id)
        if (load.failedAt !== null) throw new Problem('done', `Load ${load.number} is pulled back already.`)
        if (load.endedAt === null) await tx.update(t.loads).set({ endedAt: house.now() }).where(eq(t.loads.id, id))
        await pullBack(house, [id], person.id, request.body.why, tx)
        await tellTrays(house, tx, [id])
      })
      tellInstruments(house)
      return traced(house, [id])
    },
  )
}

const sporeWords = ({ number }: LoadRow): string => `spore test of load ${number} has grown`

const sporeTest: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/loads/:loadId/spore',
    {
      schema: {
        response: { 200: tracedView },
        summary: 'Read a spore test; growth pulls back every load of that steriliser since the last test without',
        params: loadParams,
        body: z.strictObject({ result: z.enum(['no growth', 'growth']) }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const { result } = request.body
      const ids = await db.transaction(async (tx) => {
        const load = await oneLoad(tx, request.params.loadId)
        if (!load.spore) throw new Problem('no-test', `No spore test ran in load ${load.number}.`)
        if (load.sporeResult !== null)
          throw new Problem('done', `The spore test of load ${load.number} is read already: ${load.sporeResult}.`)
        await tx
          .update(t.loads)
          .set({ sporeResult: result, sporeReadAt: house.now(), sporeReadBy: person.id })
          .where(eq(t.loads.id, load.id))
        const doubted =
          result === 'growth'
            ? doubtedBySpore({ ...load, sporeResult: result }, await loadLoads(tx)).map((l) => l.id)
            : []
        await pullBack(house, doubted, person.id, sporeWords(load), tx)
        await tellTrays(house, tx, doubted)
        return doubted
      })
      tellInstruments(house)
      return traced(house, ids)
    },
  )
}

/**
 * What was read by mistake is taken back as long as nothing has followed: no cassette of it washed or run anew, none laid up in
 * its place, no steriliser let back. Afterwards it stands, and is put right by what is done next.
 */
const sporeBack: Door = (app, house) => {
  const { db } = house.database
  app.delete(
    '/loads/:loadId/spore',
    {
      schema: {
        response: { 200: done },
        summary: 'Take back how a spore test was read, while nothing has followed',
        params: loadParams,
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      await db.transaction(async (tx) => {
        const load = await oneLoad(tx, request.params.loadId)
        if (load.sporeResult === null || load.sporeReadAt === null)
          throw new Problem('done', `The spore test of load ${load.number} is not read yet.`)
        const loads = await loadLoads(tx)
        const back = loads.filter((l) => l.failedWhy === sporeWords(load) && l.failedAt === load.sporeReadAt)
        const followed = followedSince(
          load.sporeReadAt,
          back.map((l) => l.id),
          loads,
          await loadUses(tx, loads),
          await tx.select().from(t.steriliserReturns).where(eq(t.steriliserReturns.steriliserId, load.steriliserId)),
        )
        if (followed !== undefined)
          throw new Problem('done', `It stands: ${followed}. What was read is put right by what is done next.`)
        const ids = back.map((l) => l.id)
        if (ids.length > 0) {
          await tx
            .update(t.loads)
            .set({ failedAt: null, failedBy: null, failedWhy: null })
            .where(inArray(t.loads.id, ids))
          const why = `the spore test of load ${load.number} was read by mistake`
          await tellRuns(house, tx, ids, person.id, ({ cassetteId, name }) => ({
            kind: 'cassette.cleared',
            cassetteId,
            name,
            why,
          }))
        }
        await tx
          .update(t.loads)
          .set({ sporeResult: null, sporeReadAt: null, sporeReadBy: null })
          .where(eq(t.loads.id, load.id))
        await tellTrays(house, tx, ids)
      })
      tellInstruments(house)
      return { ok: true as const }
    },
  )
}

const letBack: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/sterilisers/:steriliserId/return',
    {
      schema: {
        response: { 200: done },
        summary: 'Let a steriliser back into service after its spore test has grown, with a word',
        params: z.object({ steriliserId: id(40) }),
        body: z.strictObject({ why: words }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const { steriliserId } = request.params
      await db.transaction(async (tx) => {
        if (!(await loadOutOfService(tx, await loadLoads(tx))).includes(steriliserId))
          throw new Problem('done', 'This steriliser is in service.')
        await tx
          .insert(t.steriliserReturns)
          .values({ steriliserId, at: house.now(), by: person.id, why: request.body.why })
      })
      tellInstruments(house)
      return { ok: true as const }
    },
  )
}

export const releaseRoutes = roomOf(release, fail, sporeTest, sporeBack, letBack)
