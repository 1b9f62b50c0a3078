/** Brings demo visits to a moment of their day: for pictures, end-to-end tests and rehearsals. */
import { sure } from '../core/sure'
import { toStore } from '../core/model/upgrade'
import { compile } from '../core/plan/compile'
import { checkable, trayReadiness } from '../core/plan/ready'
import type { Plan } from '../core/model/plan'
import type { Who } from '../core/run/decide'
import { give, runThrough, startDrive, type Drive } from '../core/run/drive'
import { assignCassettes } from '../server/db/instruments'
import { leaveBehind } from '../server/db/leave-behind'
import type { Db } from '../server/db/open'
import * as t from '../server/db/schema'
import { sealed } from '../server/db/seal'
import { loadPractice, loadVisit } from '../server/db/store'

export interface Moment {
  /** The run goes on until this step is next; without it, until it is closed. Without either the tray is only signed. */
  until?: string
  /** Start that step, too. */
  start?: boolean
  /** How long ago the last event happened, seconds. */
  agoS?: number
  /** Only sign the tray; nothing has begun. */
  onlySigned?: boolean
}

/**
 * Signs a visit's tray and runs it to a moment through the core's own driver, storing the events with their times.
 * @returns the plan that was frozen.
 */
export async function bringTo(
  db: Db,
  visitId: string,
  { until, start = false, agoS = 20, onlySigned = false }: Moment,
  now = Date.now(),
): Promise<Plan> {
  const file = await loadVisit(db, visitId)
  const practice = await loadPractice(db)
  const plan = compile(file.request, practice)
  const who = (id: string, codeShown: boolean): Who => ({
    personId: id,
    roles: sure(practice.people.find((p) => p.id === id)).roles,
    codeShown,
  })
  const assistant = who(sure(plan.people.find((p) => !p.dentist)).id, false)
  const dentist = who(sure(plan.people.find((p) => p.dentist)).id, true)
  const run = (from: number): Drive => {
    if (onlySigned) return startDrive(plan, from)
    const drive = runThrough(startDrive(plan, from), assistant, dentist, until)
    if (start && until) give(drive, { kind: 'advance', start: until }, assistant)
    return drive
  }
  // Once to learn how long it takes, then again so that it ends just before now.
  const drive = run(now - run(0).now - agoS * 1000)
  const signedAt = (drive.events[0]?.at ?? now) - 60_000
  await db
    .insert(t.trayMarks)
    .values(checkable(plan).map((l) => ({ visitId, lineId: l.id, by: assistant.personId, at: signedAt - 600_000 })))
  await db.insert(t.plans).values({
    visitId,
    plan: toStore(plan),
    signedBy: assistant.personId,
    signedAt,
    acknowledged: trayReadiness(plan, new Set()).toAcknowledge.map((a) => a.id),
  })
  await assignCassettes(db, { id: visitId, at: signedAt }, plan, practice.instruments)
  if (drive.events.length > 0) await db.insert(t.runEvents).values(sealed(drive.events.map((e) => ({ visitId, ...e }))))
  if (drive.state.core.status === 'closed') await leaveBehind(db, visitId, plan, drive.now)
  return plan
}
