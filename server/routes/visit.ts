/** What the routes of a visit share: its stage, and its head. */
import { id } from '../../core/bounded'
import { isWallTime, wallTime } from '../../core/clock'
import * as z from 'zod'
import type { Db } from '../db/open'
import { loadProgress, openVisit, type VisitFile } from '../db/store'
import type { Practice } from '../../core/practice/practice'
import { doorOf } from '../../wire/doors'
import type { Slug } from '../../wire/problems'
import type { Stage } from '../../wire/visit'
import { Problem } from '../problem'

export const visitParams = z.object({ visitId: id(80) })

/** Last events of a closed run. */
export const closes = new Set<string>(['run.closed', 'addendum.made'])

/** How far these visits are, by visit. */
export async function stagesOf(q: Db, visitIds: readonly string[]): Promise<Map<string, Stage>> {
  const stageAt = ({ signed, last }: { signed: boolean; last: string | null }): Stage => {
    if (!signed) return 'planned'
    // Nothing follows a closed run but addenda, so the last event says it all.
    return last === null ? 'laid up' : closes.has(last) ? 'closed' : 'running'
  }
  return new Map((await loadProgress(q, visitIds)).map((v) => [v.id, stageAt(v)]))
}
/** How far a visit is; one that is not there has not begun. */
export const stageOf = async (q: Db, visitId: string): Promise<Stage> =>
  (await stagesOf(q, [visitId])).get(visitId) ?? 'planned'

/** A start as it was typed. @throws Problem 422 where the clocks skip it that day */
export function startOf(day: string, time: string, zone: string): number {
  if (!isWallTime(day, time, zone))
    throw new Problem('invalid', `time: there is no ${time} on ${day}, the clocks go forward over it.`, {
      errors: [{ path: 'time', message: 'the clocks go forward over it' }],
    })
  return wallTime(day, time, zone)
}

/** Why a door is shut at a stage. */
const shut = {
  planned: ['not-signed', 'The tray of this visit is not signed yet.'],
  'laid up': ['signed', 'The tray is signed and its plan is fixed; re-open the tray to change it.'],
  running: ['begun', 'The visit has begun; its plan and its time stand.'],
  closed: ['ended', 'This visit is closed; its record stands.'],
} as const satisfies Record<Stage, readonly [Slug, string]>
export function shutAt(stage: Stage): Problem {
  const [slug, words] = shut[stage]
  return new Problem(slug, words)
}

/** Holds a visit against the stages at which a door of the table is open. @throws Problem 409 */
export async function openNow(q: Db, way: string, visitId: string): Promise<void> {
  const at = doorOf(way)?.at
  if (!at) throw new Error(`${way} has no stages in the table of doors (wire/doors.ts)`)
  const stage = await stageOf(q, visitId)
  if (!at.includes(stage)) throw shutAt(stage)
}

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

/** A visit at a stage at which a door is open, with the practice it is compiled for. @throws Problem 404, 409 */
export async function visitAt(q: Db, way: string, visitId: string): Promise<{ file: VisitFile; practice: Practice }> {
  const open = await openVisit(q, visitId)
  await openNow(q, way, visitId)
  return open
}
