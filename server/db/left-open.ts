/** Visits that were begun and never closed, as the rows say it: nothing of them has to be read for that. */
import { and, asc, eq, gte, isNull, lte, lt, max } from 'drizzle-orm'
import { Temporal } from 'temporal-polyfill'
import { leftAfterMs } from '../../core/run/touches'
import type { Db } from './open'
import * as t from './schema'

/** Whose visit was forgotten is asked for so long; older ones are said on their own day. */
const days = 14

/** Of a day; where it is today, of the two weeks before it too. */
export function loadLeftOpen(q: Db, day: string, today: string, now: number) {
  const from = day === today ? Temporal.PlainDate.from(day).subtract({ days }).toString() : day
  const lastAt = max(t.runEvents.at)
  return q
    .select({ visitId: t.visits.id, day: t.visits.day, patient: t.patients.name, lastAt: lastAt.mapWith(Number) })
    .from(t.visits)
    .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
    .innerJoin(t.patients, eq(t.cases.patientId, t.patients.id))
    .innerJoin(t.runEvents, eq(t.runEvents.visitId, t.visits.id))
    .leftJoin(t.records, eq(t.records.visitId, t.visits.id))
    .where(and(gte(t.visits.day, from), lte(t.visits.day, day), isNull(t.records.visitId)))
    .groupBy(t.visits.id, t.visits.day, t.patients.name)
    .having(lt(lastAt, now - leftAfterMs))
    .orderBy(asc(lastAt))
}
