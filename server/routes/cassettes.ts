/** Cassettes as they stand, sterilisers, and a cassette changed at the tray. */
import { roomOf, type Door } from '../house'
import { openNow } from './visit'
import { signedIn } from './session'
import { tellInstruments } from './tell'
import { tellRun } from './touched'
import { done } from '../../wire/noun'
import { cassetteChangedView, instrumentsView } from '../../wire/instruments'
import { and, eq, inArray } from 'drizzle-orm'
import { id } from '../../core/bounded'
import * as z from 'zod'
import { instruments as instrumentsSchema } from '../../core/practice/instruments'
import { offerCassettes, sporeDueAt, traceLoads } from '../../core/schedule/cassettes'
import { judgementOf } from '../../core/schedule/release'
import { loadCassettes, loadOutOfService } from '../db/instruments'
import * as t from '../db/schema'
import { loadLastEvent, loadPractice } from '../db/store'
import { notFound, Problem } from '../problem'
import { asSeen } from '../saw'
import { sure } from '../../core/sure'

const showInstruments: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/instruments',
    {
      schema: {
        response: { 200: instrumentsView },
        summary: 'Cassettes as they stand, sterilisers, loads with what became of them',
      },
    },
    async () => {
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
        outOfService: await loadOutOfService(db, loads),
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
}

const setInstruments: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/instruments',
    {
      schema: {
        response: { 200: done },
        summary: 'Set cassettes, sterilisers and the way back',
        // It is set whole: never without what was seen.
        body: instrumentsSchema.extend({ saw: instrumentsSchema }),
      },
    },
    async (request) => {
      const doubled = request.body.cassettes.map((c) => c.id).find((id, i, all) => all.indexOf(id) !== i)
      if (doubled) throw new Problem('invalid', `Two cassettes are called "${doubled}".`)
      const { saw, ...instruments } = request.body
      await db.transaction(async (tx) => {
        const [row] = await tx.select({ instruments: t.practices.instruments }).from(t.practices).limit(1).for('update')
        asSeen(
          saw,
          sure(row).instruments,
          (now) => `${now?.cassettes?.length ?? 0} cassettes, ${now?.sterilisers?.length ?? 0} sterilisers`,
        )
        await tx.update(t.practices).set({ instruments })
      })
      house.hub.broadcast({ event: 'practice', data: {} })
      tellInstruments(house)
      return { ok: true as const }
    },
  )
}

const changeCassette: Door = (app, house) => {
  const { db } = house.database
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
      const person = await signedIn(house, request)
      const { visitId } = request.params
      const { cassetteId } = request.body
      const changed = await db.transaction(async (tx) => {
        await openNow(tx, 'POST /visits/:visitId/cassettes/change', visitId)
        const { instruments } = await loadPractice(tx)
        const { states, uses } = await loadCassettes(tx, instruments)
        const use = uses.find((u) => u.visitId === visitId && u.cassetteId === cassetteId && u.usedAt === null)
        const type = instruments.cassettes.find((c) => c.id === cassetteId)?.type
        if (!use || !type) throw notFound('such cassette laid up for this visit')
        const [next] = offerCassettes([type], states).offered[0] ?? []
        if (!next) throw new Problem('none-sterile', `No other ${type} cassette is sterile now.`)
        const own = and(eq(t.cassetteUses.visitId, visitId), eq(t.cassetteUses.cassetteId, cassetteId))
        const { id, name } = next.cassette
        if (await loadLastEvent(tx, visitId)) {
          await tx.update(t.cassetteUses).set({ usedAt: house.now() }).where(own)
          const load = next.load?.number ?? null
          const was = instruments.cassettes.find((c) => c.id === cassetteId)?.name ?? cassetteId
          await tellRun(
            house,
            tx,
            visitId,
            { kind: 'cassette.changed', cassetteId, name: was, to: name, load },
            person.id,
          )
        } else await tx.delete(t.cassetteUses).where(own)
        await tx
          .insert(t.cassetteUses)
          .values({ visitId, cassetteId: id, loadId: next.load?.id ?? null, at: house.now(), confirmedBy: person.id })
        return { cassetteId: id }
      })
      tellInstruments(house)
      return changed
    },
  )
}

export const cassetteRoutes = roomOf(showInstruments, setInstruments, changeCassette)
