/** The times of a day’s visits: moved all or none, one by one, and how far each may be shifted. */
import { roomOf, type Door } from '../house'
import { done } from '../../wire/noun'
import { movedView } from '../../wire/day'
import { eq } from 'drizzle-orm'
import { id, instant, plainDate as plainDay, whole } from '../../core/bounded'
import * as z from 'zod'
import { plainDate, timeOfDay } from '../../core/clock'
import { asSeen } from '../saw'
import * as t from '../db/schema'
import { loadPractice, loadHead } from '../db/store'
import { Problem } from '../problem'
import { openNow, startOf, visitParams } from './visit'
import { tellOf } from './tell'
import { newVisit } from './visits'

const dayParams = z.object({ day: plainDay })

const mayMoveMin = whole(0, 240).nullable()

const move = z.strictObject({
  visitId: id(80),
  /** Where it was when this was decided, ms: what somebody else has moved meanwhile is not moved again unseen. */
  from: instant,
  to: instant,
  chairId: id(40).optional(),
  /** The chair it was in then. */
  fromChair: id(40).optional(),
})

const moveVisits: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/days/:day/times',
    {
      schema: {
        response: { 200: movedView },
        summary: 'Move visits that have not begun within their day, all of them or none',
        params: dayParams,
        body: z.strictObject({ moves: z.array(move).min(1).max(200) }),
      },
    },
    async (request) => {
      const { day } = request.params
      const { moves } = request.body
      await db.transaction(async (tx) => {
        const practice = await loadPractice(tx)
        for (const m of moves) {
          const [row] = await tx
            .select({ startsAt: t.visits.startsAt, chairId: t.visits.chairId })
            .from(t.visits)
            .where(eq(t.visits.id, m.visitId))
            .for('update')
          if (!row) throw new Problem('not-found', `There is no visit "${m.visitId}".`)
          await openNow(tx, 'PUT /days/:day/times', m.visitId)
          if (row.startsAt !== m.from || (m.fromChair !== undefined && row.chairId !== m.fromChair))
            throw new Problem('stale', 'Somebody moved one of these visits meanwhile; nothing was moved. Look again.')
          if (plainDate(m.to, practice.zone) !== day)
            throw new Problem('invalid', 'A visit moved by hand or by a proposal stays on its day.')
          const chairId = m.chairId ?? row.chairId
          if (!practice.chairs.some((c) => c.id === chairId))
            throw new Problem('invalid', `There is no chair "${chairId}".`)
          await tx.update(t.visits).set({ startsAt: m.to, chairId }).where(eq(t.visits.id, m.visitId))
        }
      })
      for (const m of moves) tellOf(house, m.visitId)
      return { moved: moves.length }
    },
  )
}

const moveVisit: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/visits/:visitId/time',
    {
      schema: {
        response: { 200: done },
        summary: 'Move a visit that has not begun to another day, time or chair',
        params: visitParams,
        body: newVisit
          .pick({ chairId: true, day: true, time: true })
          .extend({ saw: z.strictObject({ chairId: id(40), startsAt: instant }) }),
      },
    },
    async (request) => {
      const { visitId } = request.params
      const { chairId, day, time, saw } = request.body
      const [head, practice] = [await loadHead(db, visitId), await loadPractice(db)]
      await openNow(db, 'PUT /visits/:visitId/time', visitId)
      if (!practice.chairs.some((c) => c.id === chairId))
        throw new Problem('invalid', `There is no chair "${chairId}".`)
      await db.transaction(async (tx) => {
        const [row] = await tx
          .select({ chairId: t.visits.chairId, startsAt: t.visits.startsAt })
          .from(t.visits)
          .where(eq(t.visits.id, head.visit.id))
          .for('update')
        asSeen(saw, row, (now) => (now ? `${timeOfDay(now.startsAt, practice.zone)}, ${now.chairId}` : 'gone'))
        await tx
          .update(t.visits)
          .set({ chairId, day, startsAt: startOf(day, time, practice.zone) })
          .where(eq(t.visits.id, visitId))
      })
      tellOf(house, visitId)
      return { ok: true as const }
    },
  )
}

const setShift: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/visits/:visitId/shift',
    {
      schema: {
        response: { 200: done },
        summary: 'How far a patient may be moved either way, minutes; null for the practice’s own',
        params: visitParams,
        body: z.strictObject({ mayMoveMin, saw: mayMoveMin.optional() }),
      },
    },
    async (request) => {
      const { visitId } = request.params
      const { mayMoveMin: to, saw } = request.body
      await loadHead(db, visitId)
      await db.transaction(async (tx) => {
        const [row] = await tx
          .select({ now: t.visits.mayMoveMin })
          .from(t.visits)
          .where(eq(t.visits.id, visitId))
          .for('update')
        if (saw !== undefined)
          asSeen(saw, row?.now ?? null, (m) => (m === null ? 'as the practice has it' : `${m} min`))
        await tx.update(t.visits).set({ mayMoveMin: to }).where(eq(t.visits.id, visitId))
      })
      tellOf(house, visitId)
      return { ok: true as const }
    },
  )
}

export const timeRoutes = roomOf(moveVisits, moveVisit, setShift)
