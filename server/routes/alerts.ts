/** The patient’s alerts: changed at any time. */
import { sure } from '../../core/sure'
import { alertSaid } from '../../core/vocabulary'
import { roomOf, type Door } from '../house'
import { asSeen } from '../saw'
import { alertsView } from '../../wire/visit'
import { eq } from 'drizzle-orm'
import * as z from 'zod'
import { text } from '../../core/bounded'
import { passes } from '../../wire/doors'
import { Problem } from '../problem'
import { alert } from '../../core/model/request'
import type { Happening } from '../../core/run/events'
import * as t from '../db/schema'
import { touchedByAlert } from '../../core/plan/touched'
import { loadHead, loadPractice } from '../db/store'
import { signedIn, type SignedIn } from './session'

import { planIn, touch } from './touched'
import { visitParams } from './visit'
import { tellOf } from './tell'

/** Entered by anybody; taken away by a dentist, or by the chairside team with a reason. @throws Problem */
function mayTakeAway(person: SignedIn, why: string | undefined): void {
  if (person.roles.includes('dentist')) return
  if (!passes('chairside', person.roles))
    throw new Problem('team-only', 'An alert is taken away by a dentist, or by the chairside team with a reason.')
  if (why === undefined)
    throw new Problem('invalid', 'why: an alert is taken away with a reason, or by a dentist', {
      errors: [{ path: 'why', message: 'a reason, or a dentist' }],
    })
}

const setAlerts: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/visits/:visitId/alerts',
    {
      schema: {
        response: { 200: alertsView },
        summary: 'Set the patient’s alerts; a tray that is signed and not begun is re-opened by it',
        params: visitParams,
        body: z.strictObject({
          alerts: z.array(alert).max(20),
          /** Those that stood on the screen when it was changed. */
          saw: z.array(alert).max(20),
          /** Why one is taken away; asked of whoever is no dentist. */
          why: text(200, 3, 'a reason').optional(),
        }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const { alerts, saw, why: reason } = request.body
      const file = await loadHead(db, request.params.visitId)
      const wanted = new Set<string>(alerts)
      const added = alerts.filter((a) => !saw.includes(a))
      const removed = saw.filter((a) => !wanted.has(a))
      if (removed.length > 0) mayTakeAway(person, reason)
      const why = [
        ...added.map((a) => `alert entered: ${a}`),
        ...removed.map((a) => `alert taken back: ${a}${reason === undefined ? '' : ` (${reason})`}`),
      ].join('; ')
      const reopened: string[] = []
      await db.transaction(async (tx) => {
        const [patient] = await tx
          .select({ alerts: t.patients.alerts })
          .from(t.patients)
          .where(eq(t.patients.id, file.patient.id))
          .for('update')
        asSeen(saw.toSorted(), sure(patient).alerts.toSorted(), (now) =>
          now.length === 0 ? 'no alert' : now.map((a) => alertSaid(a)).join('; '),
        )
        await tx.update(t.patients).set({ alerts }).where(eq(t.patients.id, file.patient.id))
        // Every signed visit of the patient: a tray that was laid for other alerts is opened again, a visit that runs is told.
        const signed = await tx
          .select({ visit: t.visits, plan: t.plans.plan })
          .from(t.visits)
          .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
          .innerJoin(t.plans, eq(t.plans.visitId, t.visits.id))
          .where(eq(t.cases.patientId, file.patient.id))
          .for('update', { of: t.visits })
        const told = {
          kind: 'alerts.changed' as const,
          entered: added,
          taken: removed,
          ...(reason === undefined ? {} : { why: reason }),
        }
        const practice = await loadPractice(tx)
        for (const one of signed) {
          const plan = planIn(one)
          const touches = plan && Object.fromEntries(added.map((a) => [a, touchedByAlert(a, plan, practice)]))
          const here: Happening = { ...told, ...(touches && added.length > 0 ? { touches } : {}) }
          if (why !== '' && (await touch(house, tx, one, person.id, why, here))) reopened.push(one.visit.id)
        }
      })
      const everywhere = await db
        .select({ id: t.visits.id })
        .from(t.visits)
        .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
        .where(eq(t.cases.patientId, file.patient.id))
      for (const { id } of everywhere) tellOf(house, id)
      return { alerts, reopened }
    },
  )
}

export const alertRoutes = roomOf(setAlerts)
