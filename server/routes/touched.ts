/** Trays and runs that something changed beside them touches: a signed tray is opened again, a running visit is told. */
import { eq } from 'drizzle-orm'
import { planUpToDate } from '../../core/model/upgrade'
import type { Plan } from '../../core/model/plan'
import type { Happening } from '../../core/run/events'
import { releaseCassettes } from '../db/instruments'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { loadLastEvent } from '../db/store'
import type { House } from '../house'
import { visitTopic } from '../live/topics'
import { closes } from './visit'

interface Signed {
  visit: typeof t.visits.$inferSelect
  plan: (typeof t.plans.$inferSelect)['plan']
}

/** A plan as it was signed; one that cannot be read is nobody's to look into. */
export function planIn({ plan }: Signed): Plan | undefined {
  try {
    return planUpToDate(plan)
  } catch {
    return undefined
  }
}

/** Tells a visit that runs, within the transaction of the change. */
export async function tellRun(house: House, q: Db, visitId: string, told: Happening, by: string): Promise<void> {
  const events = await house.runs.tell(q, visitId, told, by)
  house.hub.send(visitTopic(visitId), { event: 'run', data: { visitId, events } })
  house.hub.send(visitTopic(visitId), { event: 'visit', data: { visitId } })
}

/**
 * Within the transaction of the change: a tray that is signed and not begun is opened again, with why; a visit that runs is told.
 * @returns whether the tray was opened again
 */
export async function touch(
  house: House,
  q: Db,
  { visit, plan }: Signed,
  by: string,
  why: string,
  told: Happening,
): Promise<boolean> {
  const last = await loadLastEvent(q, visit.id)
  if (last) {
    if (!closes.has(last.what.kind)) await tellRun(house, q, visit.id, told, by)
    return false
  }
  await q.delete(t.plans).where(eq(t.plans.visitId, visit.id))
  await releaseCassettes(q, visit.id)
  await q
    .update(t.visits)
    .set({ reopened: { plan, at: house.now(), by, why } })
    .where(eq(t.visits.id, visit.id))
  return true
}
