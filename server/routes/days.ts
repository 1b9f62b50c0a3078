/** A day: its visits with readiness and score, and their times. */
import { file } from '../answers'
import { done } from '../../wire/noun'
import { dayView, movedView } from '../../wire/day'
import { eq } from 'drizzle-orm'
import { id, instant, plainDate as plainDay, whole } from '../../core/bounded'
import * as z from 'zod'
import { dayToIcal, type CalendarVisit } from '../../core/formats/ical'
import { trayReadiness } from '../../core/plan/ready'
import { plainDate, wallTime } from '../../core/clock'
import { layOutFrom } from '../../core/schedule/rest'
import { layOut } from '../../core/schedule/timeline'
import { turnoverOfDay } from '../../core/schedule/turnover-day'
import { cassettesOf } from '../../core/practice/instruments'
import type { Practice } from '../../core/practice/practice'
import type { App, House } from '../house'
import { loadCassettes } from '../db/instruments'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import {
  loadDay,
  loadFrozenPlan,
  loadFrozenPlans,
  loadLastEvent,
  loadMarks,
  loadPractice,
  loadVisit,
  withEarlier,
} from '../db/store'
import { Problem } from '../problem'
import { simulatedFeed } from '../standins/appointments'
import { signedIn } from './session'
import { head, stageOf, tellOf, visitParams } from './visit'
import { newVisit } from './visits'

const dayParams = z.object({ day: plainDay })
const mayMoveMin = whole(0, 240).nullable()
const move = z.strictObject({
  visitId: id(80),
  /** Where it was when this was decided, ms: what somebody else has moved meanwhile is not moved again unseen. */
  from: instant,
  to: instant,
  chairId: id(40).optional(),
})

export const dayRoutes =
  (house: House) =>
  async (app: App): Promise<void> => {
    const { db } = house.database
    /** Refuses where the visit has begun: the past stands. */
    const notBegun = async (q: Db, visitId: string): Promise<void> => {
      if (await loadLastEvent(q, visitId)) throw new Problem('begun', 'The visit has begun; it stays where it is.')
    }

    app.get(
      '/days/:day',
      {
        schema: {
          response: { 200: dayView },
          summary: 'A day: its visits with readiness and score; of what has begun the score as it really goes',
          params: dayParams,
        },
      },
      async (request) => {
        await signedIn(house, request)
        const practice = await loadPractice(db)
        const files = await withEarlier(db, await loadDay(db, request.params.day), practice)
        const planOf = house.plans.with(practice)
        const now = house.now()
        const today = plainDate(now, practice.zone)
        const { loads, uses, states } = await loadCassettes(db, practice.instruments)
        const [typeOf, nameOf] = [
          new Map(practice.instruments.cassettes.map((c) => [c.id, c.type])),
          new Map(practice.instruments.cassettes.map((c) => [c.id, c.name])),
        ]
        const failed = new Set<string | null>(loads.filter((l) => l.failedAt !== null).map((l) => l.id))
        const visits = await Promise.all(
          files.map(async (file) => {
            const frozen = await loadFrozenPlan(db, file.visit.id)
            const plan = frozen
              ? house.plans.keep(file.visit.id, `signed ${frozen.signedAt}`, () => frozen.plan)
              : planOf(file.visit.id, file.request)
            const marks = new Set((await loadMarks(db, file.visit.id)).map((m) => m.lineId))
            const readiness = trayReadiness(plan, marks, new Set(frozen?.acknowledged))
            const stage = await stageOf(db, file.visit.id)
            const core =
              stage === 'running' || stage === 'closed' ? (await house.runs.state(file.visit.id)).state.core : undefined
            return {
              ...head(file),
              stage,
              title: plan.title,
              teeth: plan.teeth,
              alerts: plan.request.alerts,
              people: plan.people,
              mayMoveMin: file.visit.mayMoveMin,
              plannedS: layOut(plan).totalS,
              ...(core?.startedAt === undefined ? {} : { beganAt: core.startedAt }),
              score: core ? layOutFrom(plan, core, core.closedAt ?? now) : layOut(plan),
              cassettes: cassettesOf(plan.setup).map((type) => {
                const use = uses.find((u) => u.visitId === file.visit.id && typeOf.get(u.cassetteId) === type)
                return {
                  type,
                  ...(use
                    ? {
                        name: nameOf.get(use.cassetteId) ?? use.cassetteId,
                        ...(failed.has(use.loadId) && use.usedAt === null ? { pulledBack: true } : {}),
                      }
                    : {}),
                }
              }),
              tray: {
                checked: readiness.checked,
                total: readiness.total,
                warnings: readiness.toAcknowledge.map((a) => a.text),
                blocked: readiness.blocked,
              },
            }
          }),
        )
        const { day } = request.params
        const dentists = practice.people.filter((p) => p.roles.includes('dentist')).map((p) => p.id)
        const facts = {
          day,
          zone: practice.zone,
          rules: practice.day,
          dentists,
          visits,
          ...(day === today ? { now } : {}),
        }
        return {
          day,
          today,
          turnover: day < today ? null : turnoverOfDay(facts, practice.instruments, { loads, states }, now),
          practice: practice.name,
          notation: practice.notation,
          zone: practice.zone,
          chairs: practice.chairs,
          rules: practice.day,
          dentists,
          simulated: Object.keys(house.shownCodes).length > 0,
          visits,
        }
      },
    )

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
        await signedIn(house, request)
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
            await notBegun(tx, m.visitId)
            if (row.startsAt !== m.from)
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

    app.put(
      '/visits/:visitId/time',
      {
        schema: {
          response: { 200: done },
          summary: 'Move a visit that has not begun to another day, time or chair',
          params: visitParams,
          body: newVisit.pick({ chairId: true, day: true, time: true }),
        },
      },
      async (request) => {
        await signedIn(house, request)
        const { visitId } = request.params
        const { chairId, day, time } = request.body
        const [, practice] = [await loadVisit(db, visitId), await loadPractice(db)]
        await notBegun(db, visitId)
        if (!practice.chairs.some((c) => c.id === chairId))
          throw new Problem('invalid', `There is no chair "${chairId}".`)
        await db
          .update(t.visits)
          .set({ chairId, day, startsAt: wallTime(day, time, practice.zone) })
          .where(eq(t.visits.id, visitId))
        tellOf(house, visitId)
        return { ok: true as const }
      },
    )

    app.put(
      '/visits/:visitId/shift',
      {
        schema: {
          response: { 200: done },
          summary: 'How far a patient may be moved either way, minutes; null for the practice’s own',
          params: visitParams,
          body: z.strictObject({ mayMoveMin }),
        },
      },
      async (request) => {
        await signedIn(house, request)
        const { visitId } = request.params
        await loadVisit(db, visitId)
        await db.update(t.visits).set({ mayMoveMin: request.body.mayMoveMin }).where(eq(t.visits.id, visitId))
        tellOf(house, visitId)
        return { ok: true as const }
      },
    )

    /** The day's visits as a calendar shows them. */
    const calendarOf = async (day: string): Promise<{ visits: CalendarVisit[]; practice: Practice }> => {
      const practice = await loadPractice(db)
      const files = await withEarlier(db, await loadDay(db, day), practice)
      const planOf = house.plans.with(practice)
      const frozen = await loadFrozenPlans(
        db,
        files.map((f) => f.visit.id),
      )
      return {
        practice,
        visits: files.map(({ visit, patient, request }) => {
          const plan = frozen.get(visit.id) ?? planOf(visit.id, request)
          return {
            id: visit.id,
            startsAt: visit.startsAt,
            endsAt: visit.startsAt + layOut(plan).totalS * 1000,
            summary: `${patient.name}; ${plan.teeth.map((x) => `${x.tooth} (${x.quadrant})`).join(', ')}; ${plan.title}`,
            chair: practice.chairs.find((c) => c.id === visit.chairId)?.name ?? visit.chairId,
            team: plan.people.map((p) => p.name).join(', '),
          }
        }),
      }
    }
    app.get(
      '/days/:day/calendar.ics',
      {
        schema: {
          response: file('text/calendar', 'the day'),
          summary: 'The day as iCalendar',
          params: dayParams,
        },
      },
      async (request, reply) => {
        await signedIn(house, request)
        const { day } = request.params
        const { visits, practice } = await calendarOf(day)
        return reply
          .type('text/calendar; charset=utf-8')
          .header('content-disposition', `attachment; filename="day-${day}.ics"`)
          .send(dayToIcal(visits, practice.name, house.now()))
      },
    )
    app.get(
      '/standins/appointments/:day',
      {
        schema: {
          response: file('text/calendar', 'the simulated calendar'),
          summary: 'Demo only: what the simulated practice calendar says of a day',
          params: dayParams,
        },
      },
      async (request, reply) => {
        await signedIn(house, request)
        if (Object.keys(house.shownCodes).length === 0)
          throw new Problem('not-found', 'There is no simulated practice calendar outside the demo.')
        const { visits, practice } = await calendarOf(request.params.day)
        return reply
          .type('text/calendar; charset=utf-8')
          .send(simulatedFeed(visits, request.params.day, practice.zone, house.now()))
      },
    )
  }
