/** A day: its visits with readiness and score. */
import { roomOf, type Door } from '../house'
import { dayView } from '../../wire/day'
import { plainDate as plainDay } from '../../core/bounded'
import * as z from 'zod'
import { trayReadiness } from '../../core/plan/ready'
import { plainDate } from '../../core/clock'
import { drawn } from '../../core/run/left-open'
import { layOutFrom } from '../../core/schedule/remaining'
import { layOut } from '../../core/schedule/timeline'
import { turnoverOfDay } from '../../core/schedule/turnover-day'
import type { Plan } from '../../core/model/plan'
import { cassettesOf } from '../../core/practice/instruments'
import type { Practice } from '../../core/practice/practice'
import { loadCassettes } from '../db/instruments'
import { loadLeftOpen } from '../db/left-open'
import { eachRead } from '../db/unread'
import { sure } from '../../core/sure'
import { loadDay, loadLaid, loadPractice, loadSignatures, withEarlier } from '../db/store'
import { head, stagesOf } from './visit'

/** A date, or the practice's own today: what a device takes for today is another day where its clock or zone is wrong. */
const dayParams = z.object({ day: z.union([plainDay, z.literal('today')]) })

/** The cassettes a visit takes; named where they are laid up for it. */
function cassettesFor({ instruments }: Practice, { loads, uses }: Awaited<ReturnType<typeof loadCassettes>>) {
  const known = new Map(instruments.cassettes.map((c) => [c.id, c]))
  const failed = new Set<string | null>(loads.filter((l) => l.failedAt !== null).map((l) => l.id))
  return (visitId: string, plan: Plan) =>
    cassettesOf(plan.setup).map((type) => {
      const use = uses.find((u) => u.visitId === visitId && known.get(u.cassetteId)?.type === type)
      if (!use) return { type }
      const name = known.get(use.cassetteId)?.name ?? use.cassetteId
      return { type, name, ...(failed.has(use.loadId) && use.usedAt === null ? { pulledBack: true } : {}) }
    })
}

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
      const now = house.now()
      const today = plainDate(now, practice.zone)
      const day = request.params.day === 'today' ? today : request.params.day
      const stored = await loadDay(db, day)
      const files = await withEarlier(db, stored.files, practice)
      const planOf = house.plans.with(practice)
      const onRecord = await loadCassettes(db, practice.instruments)
      const { loads, states } = onRecord
      const cassettes = cassettesFor(practice, onRecord)
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
        const run =
          stage === 'running' || stage === 'closed' ? (await house.runs.state(file.visit.id)).state : undefined
        const went = run && drawn(run, now)
        return {
          ...head(file),
          stage,
          title: plan.title,
          teeth: plan.teeth,
          alerts: plan.request.alerts,
          people: plan.people,
          mayMoveMin: file.visit.mayMoveMin,
          plannedS: layOut(plan).totalS,
          ...(run?.core.startedAt === undefined ? {} : { beganAt: run.core.startedAt }),
          score: went ? layOutFrom(plan, went.core, went.until) : layOut(plan),
          cassettes: cassettes(file.visit.id, plan),
          tray: {
            checked: readiness.checked,
            total: readiness.total,
            warnings: readiness.toAcknowledge.map((a) => a.text),
            blocked: readiness.blocked,
          },
        }
      })
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
        leftOpen: await loadLeftOpen(db, day, today, now),
      }
    },
  )
}

export const dayRoutes = roomOf(showDay)
