/** A day: its visits with readiness and score. */
import { roomOf, type Door } from '../house'
import { dayView } from '../../wire/day'
import { plainDate as plainDay } from '../../core/bounded'
import * as z from 'zod'
import { trayReadiness } from '../../core/plan/ready'
import { plainDate } from '../../core/clock'
import { layOutFrom } from '../../core/schedule/remaining'
import { layOut } from '../../core/schedule/timeline'
import { turnoverOfDay } from '../../core/schedule/turnover-day'
import { cassettesOf } from '../../core/practice/instruments'
import { loadCassettes } from '../db/instruments'
import { eachRead } from '../db/unread'
import { sure } from '../../core/sure'
import { loadDay, loadLaid, loadPractice, loadSignatures, withEarlier } from '../db/store'
import { head, stagesOf } from './visit'

const dayParams = z.object({ day: plainDay })

const showDay: Door = (app, house) => {
  const { db } = house.database
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
      const practice = await loadPractice(db)
      const stored = await loadDay(db, request.params.day)
      const files = await withEarlier(db, stored.files, practice)
      const planOf = house.plans.with(practice)
      const now = house.now()
      const today = plainDate(now, practice.zone)
      const { loads, uses, states } = await loadCassettes(db, practice.instruments)
      const [typeOf, nameOf] = [
        new Map(practice.instruments.cassettes.map((c) => [c.id, c.type])),
        new Map(practice.instruments.cassettes.map((c) => [c.id, c.name])),
      ]
      const failed = new Set<string | null>(loads.filter((l) => l.failedAt !== null).map((l) => l.id))
      const ids = files.map((f) => f.visit.id)
      const [signatures, laid, stages] = [
        await loadSignatures(db, ids),
        await loadLaid(db, ids),
        await stagesOf(db, ids),
      ]
      const { read: visits, unread } = await eachRead(files, async (file) => {
        const signature = signatures.get(file.visit.id)
        const plan = (signature && (await house.plans.signed(db, signature))) ?? planOf(file.visit.id, file.request)
        const readiness = trayReadiness(plan, sure(laid.get(file.visit.id)), new Set(signature?.acknowledged))
        const stage = stages.get(file.visit.id) ?? 'planned'
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
      })
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
        unread: [...stored.unread, ...unread],
      }
    },
  )
}

export const dayRoutes = roomOf(showDay)
