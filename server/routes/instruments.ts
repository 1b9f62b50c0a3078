/** Cassettes and loads: what runs, what came of it, who let it out, and what a failed one touches. Records stay; none is deleted. */
import { sure } from '../../core/sure'
import { done } from '../../wire/noun'
import {
  cassetteChangedView,
  instrumentsView,
  loadMadeView,
  logTakenView,
  releasedView,
  tracedView,
  type LogTaken,
} from '../../wire/instruments'
import { randomUUID } from 'node:crypto'
import { and, eq, inArray, max } from 'drizzle-orm'
import type { FastifyRequest } from 'fastify'
import { id, text } from '../../core/bounded'
import * as z from 'zod'
import { readSteriliserLog } from '../../core/formats/steriliser-log'
import { instruments as instrumentsSchema } from '../../core/practice/instruments'
import { chooseCassettes, doubtedBySpore, sporeDueAt, traceLoads } from '../../core/schedule/cassettes'
import { decideRelease, judgementOf } from '../../core/schedule/release'
import type { App, House } from '../house'
import { loadCassettes, loadLoads, type LoadRow } from '../db/instruments'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { loadLastEvent, loadPractice } from '../db/store'
import { notFound, Problem } from '../problem'
import { faults, simulatedLog } from '../standins/steriliser'
import { signedIn, type SignedIn } from './session'

const loadParams = z.object({ loadId: id(80) })
const words = text(300, 3, 'say it in words')

async function oneLoad(q: Db, id: string): Promise<LoadRow> {
  const [row] = await q.select().from(t.loads).where(eq(t.loads.id, id)).for('update')
  if (!row) throw notFound(`load "${id}"`)
  return row
}

export const instrumentRoutes =
  (house: House) =>
  async (app: App): Promise<void> => {
    const { db } = house.database
    const team = async (request: FastifyRequest): Promise<SignedIn> => {
      const person = await signedIn(house, request)
      if (person.roles.every((r) => r === 'front desk'))
        throw new Problem('team-only', 'The chairside and sterilising team keeps the instruments.')
      return person
    }
    const tell = (): void => {
      house.hub.broadcast({ event: 'instruments', data: {} })
      house.hub.send('day', { event: 'day', data: {} })
    }

    app.get(
      '/instruments',
      {
        schema: {
          response: { 200: instrumentsView },
          summary: 'Cassettes as they stand, sterilisers, loads with what became of them',
        },
      },
      async (request) => {
        await signedIn(house, request)
        const { instruments } = await loadPractice(db)
        const { loads, uses, states } = await loadCassettes(db, instruments)
        const failed = loads.filter((l) => l.failedAt !== null)
        const recent = loads.slice(0, 60)
        const logs = new Map(
          (recent.length === 0
            ? []
            : await db
                .select({ id: t.loads.id, log: t.loads.log })
                .from(t.loads)
                .where(
                  inArray(
                    t.loads.id,
                    recent.map((l) => l.id),
                  ),
                )
          ).map((r) => [r.id, r.log]),
        )
        const touched = new Map(failed.map((l) => [l.id, traceLoads([l.id], instruments.cassettes, loads, uses)]))
        const visitIds = [...new Set(uses.map((u) => u.visitId))]
        const visits =
          visitIds.length === 0
            ? []
            : await db
                .select({ id: t.visits.id, startsAt: t.visits.startsAt, day: t.visits.day, patient: t.patients.name })
                .from(t.visits)
                .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
                .innerJoin(t.patients, eq(t.cases.patientId, t.patients.id))
                .where(inArray(t.visits.id, visitIds))
        return {
          instruments,
          now: house.now(),
          states,
          loads: recent.map((l) => {
            const log = logs.get(l.id)
            return {
              ...l,
              judgement: judgementOf({ cycle: l.cycle, log: log ?? null }),
              traced: touched.get(l.id) ?? null,
            }
          }),
          sporeDue: Object.fromEntries(
            instruments.sterilisers.map((s) => [s.id, sporeDueAt(s.id, loads, instruments.sporeEveryDays) ?? null]),
          ),
          visits,
          simulated: Object.keys(house.shownCodes).length > 0,
        }
      },
    )

    app.put(
      '/instruments',
      {
        schema: {
          response: { 200: done },
          summary: 'Set cassettes, sterilisers and the way back',
          body: instrumentsSchema,
        },
      },
      async (request) => {
        await team(request)
        const doubled = request.body.cassettes.map((c) => c.id).find((id, i, all) => all.indexOf(id) !== i)
        if (doubled) throw new Problem('invalid', `Two cassettes are called "${doubled}".`)
        await db.update(t.practices).set({ instruments: request.body })
        house.hub.broadcast({ event: 'practice', data: {} })
        tell()
        return { ok: true as const }
      },
    )

    app.post(
      '/loads',
      {
        schema: {
          response: { 201: loadMadeView },
          summary: 'Start a load',
          body: z.strictObject({
            steriliserId: id(40),
            cassetteIds: z.array(id(40)).min(1).max(60),
            spore: z.boolean().default(false),
          }),
        },
      },
      async (request, reply) => {
        const person = await team(request)
        const { steriliserId, cassetteIds, spore } = request.body
        const made = await db.transaction(async (tx) => {
          const { instruments } = await loadPractice(tx)
          const steriliser = instruments.sterilisers.find((s) => s.id === steriliserId)
          if (!steriliser) throw notFound(`steriliser "${steriliserId}"`)
          if (cassetteIds.length > steriliser.capacity)
            throw new Problem(
              'invalid',
              `${steriliser.name} takes ${steriliser.capacity} cassettes; these are ${cassetteIds.length}.`,
            )
          const { loads, states } = await loadCassettes(tx, instruments)
          if (loads.some((l) => l.steriliserId === steriliserId && l.endedAt === null))
            throw new Problem('running', `${steriliser.name} is running already.`)
          for (const id of new Set(cassetteIds)) {
            const state = states.find((s) => s.cassette.id === id)
            if (!state) throw notFound(`cassette "${id}"`)
            if (!['soiled', 'pulled back', 'not on record', 'sterile'].includes(state.status))
              throw new Problem('not-here', `${state.cassette.name} is ${state.status}; it cannot be in this load.`)
          }
          const [last] = await tx.select({ number: max(t.loads.number) }).from(t.loads)
          const row = {
            id: randomUUID(),
            number: (last?.number ?? 0) + 1,
            steriliserId,
            cycle: steriliser.cycle,
            cassetteIds: [...new Set(cassetteIds)],
            spore,
            startedAt: house.now(),
            startedBy: person.id,
          }
          await tx.insert(t.loads).values(row)
          return { id: row.id, number: row.number }
        })
        tell()
        return reply.status(201).send(made)
      },
    )

    /** The device's log ends the cycle, whatever it says. */
    const takeLog = async (loadId: string, text: string): Promise<LogTaken> => {
      const read = readSteriliserLog(text)
      const answer = await db.transaction(async (tx) => {
        const load = await oneLoad(tx, loadId)
        if (load.endedAt !== null && load.log) throw new Problem('ended', `Load ${load.number} has its log already.`)
        await tx
          .update(t.loads)
          .set({
            endedAt: load.endedAt ?? house.now(),
            ...('fault' in read ? { logFault: read.fault } : { log: read.readings, logFault: null }),
          })
          .where(eq(t.loads.id, loadId))
        if ('fault' in read) return { fault: read.fault }
        const judged = sure(judgementOf({ cycle: load.cycle, log: read.readings }))
        return { good: judged.good, because: judged.because.text }
      })
      tell()
      return answer
    }
    app.post(
      '/loads/:loadId/log',
      {
        bodyLimit: 1024 * 1024,
        schema: {
          response: { 200: logTakenView },
          summary: 'The log a steriliser sends at its end',
          params: loadParams,
          body: z.strictObject({ text: text(900_000, 0) }),
        },
      },
      async (request) => {
        await team(request)
        return takeLog(request.params.loadId, request.body.text)
      },
    )
    app.post(
      '/standins/steriliser/:loadId',
      {
        schema: {
          response: { 200: logTakenView },
          summary: 'Demo only: the simulated steriliser sends its log, a bad one where asked',
          params: loadParams,
          body: z.strictObject({ fault: z.enum(faults).default('none') }),
        },
      },
      async (request) => {
        await team(request)
        if (Object.keys(house.shownCodes).length === 0)
          throw new Problem('not-found', 'There is no simulated steriliser outside the demo.')
        const [load] = await db
          .select({ cycle: t.loads.cycle })
          .from(t.loads)
          .where(eq(t.loads.id, request.params.loadId))
        if (!load) throw notFound(`load "${request.params.loadId}"`)
        return takeLog(request.params.loadId, simulatedLog(load.cycle, request.body.fault))
      },
    )

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
        const person = await team(request)
        const { indicator, byHand } = request.body
        const result = await db.transaction(async (tx) => {
          const load = await oneLoad(tx, request.params.loadId)
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
        tell()
        return result
      },
    )

    const pullBack = async (ids: readonly string[], by: string, why: string, q: Db): Promise<void> => {
      if (ids.length > 0)
        await q
          .update(t.loads)
          .set({ failedAt: house.now(), failedBy: by, failedWhy: why })
          .where(inArray(t.loads.id, [...ids]))
    }
    const traced = async (ids: string[]) => {
      const { instruments } = await loadPractice(db)
      const { loads, uses } = await loadCassettes(db, instruments)
      return { loads: ids, ...traceLoads(ids, instruments.cassettes, loads, uses) }
    }
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
        const person = await team(request)
        const id = request.params.loadId
        await db.transaction(async (tx) => {
          const load = await oneLoad(tx, id)
          if (load.failedAt !== null) throw new Problem('done', `Load ${load.number} is pulled back already.`)
          if (load.endedAt === null) await tx.update(t.loads).set({ endedAt: house.now() }).where(eq(t.loads.id, id))
          await pullBack([id], person.id, request.body.why, tx)
        })
        tell()
        return traced([id])
      },
    )
    app.post(
      '/visits/:visitId/cassettes/change',
      {
        schema: {
          response: { 200: cassetteChangedView },
          summary:
            'Lay up another cassette instead of one pulled back; where the visit has begun the first stays on its record',
          params: z.object({ visitId: id(80) }),
          body: z.strictObject({ cassetteId: id(40) }),
        },
      },
      async (request) => {
        await team(request)
        const { visitId } = request.params
        const { cassetteId } = request.body
        const changed = await db.transaction(async (tx) => {
          const { instruments } = await loadPractice(tx)
          const { states, uses } = await loadCassettes(tx, instruments)
          const use = uses.find((u) => u.visitId === visitId && u.cassetteId === cassetteId && u.usedAt === null)
          const type = instruments.cassettes.find((c) => c.id === cassetteId)?.type
          if (!use || !type) throw notFound('such cassette laid up for this visit')
          const { chosen } = chooseCassettes([type], states)
          if (!chosen[0]) throw new Problem('none-sterile', `No other ${type} cassette is sterile now.`)
          const own = and(eq(t.cassetteUses.visitId, visitId), eq(t.cassetteUses.cassetteId, cassetteId))
          if (await loadLastEvent(tx, visitId)) await tx.update(t.cassetteUses).set({ usedAt: house.now() }).where(own)
          else await tx.delete(t.cassetteUses).where(own)
          await tx
            .insert(t.cassetteUses)
            .values({ visitId, cassetteId: chosen[0].cassette.id, loadId: chosen[0].load?.id ?? null, at: house.now() })
          return { cassetteId: chosen[0].cassette.id }
        })
        tell()
        return changed
      },
    )
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
        const person = await team(request)
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
          await pullBack(doubted, person.id, `spore test of load ${load.number} has grown`, tx)
          return doubted
        })
        tell()
        return traced(ids)
      },
    )
  }
