/** What the routes of a visit share: its stage, and its head. */
import { id } from '../../core/bounded'
import { isWallTime, wallTime } from '../../core/clock'
import * as z from 'zod'
import type { Db } from '../db/open'
import { reading } from '../db/unread'
import { isSigned, loadLastEvent, openVisit, type VisitFile } from '../db/store'
import type { Practice } from '../../core/practice/practice'
import type { Stage } from '../../wire/visit'
import { Problem } from '../problem'

export const visitParams = z.object({ visitId: id(80) })

export async function stageOf(q: Db, visitId: string): Promise<Stage> {
  if (!(await isSigned(q, visitId))) return 'planned'
  const last = await loadLastEvent(q, visitId)
  // Nothing follows a closed run, so the last event says it all.
  return last === null
    ? 'laid up'
    : reading(visitId, 'run', () => (last.what.kind === 'run.closed' ? 'closed' : 'running'))
}

/** A start as it was typed. @throws Problem 422 where the clocks skip it that day */
export function startOf(day: string, time: string, zone: string): number {
  if (!isWallTime(day, time, zone))
    throw new Problem('invalid', `time: there is no ${time} on ${day}, the clocks go forward over it.`, {
      errors: [{ path: 'time', message: 'the clocks go forward over it' }],
    })
  return wallTime(day, time, zone)
}

export const alreadySigned = (): Problem =>
  new Problem('signed', 'The tray is signed and its plan is fixed; re-open the tray to change it.')

export function head(file: VisitFile) {
  const { visit, patient } = file
  return {
    id: visit.id,
    chairId: visit.chairId,
    day: visit.day,
    startsAt: visit.startsAt,
    patient: { id: patient.id, name: patient.name },
    request: file.request,
  }
}

/** A visit whose tray is not signed, with the practice it is compiled for. @throws Problem 404, 409 `signed` */
export async function unsignedVisit(q: Db, visitId: string): Promise<{ file: VisitFile; practice: Practice }> {
  const open = await openVisit(q, visitId)
  if (await isSigned(q, visitId)) throw alreadySigned()
  return open
}
