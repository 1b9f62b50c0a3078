/** Queries. Every function takes the database or the transaction it works in; none reaches for another. */
import { firstOf, sure } from '../../core/sure'
import { learnedUpToDate, planUpToDate, requestUpToDate } from '../../core/model/upgrade'
import { and, asc, desc, eq, gt, gte, inArray, lte } from 'drizzle-orm'
import { compile } from '../../core/plan/compile'
import { traceOf } from '../../core/plan/traces'
import { completeTable } from '../../core/practice/functions'
import { practice as practiceSchema, type Practice } from '../../core/practice/practice'
import { storedRequest, type VisitRequest } from '../../core/model/request'
import type { Plan } from '../../core/model/plan'
import type { RunEvent } from '../../core/run/events'
import { notFound } from '../problem'
import type { Db } from './open'
import * as t from './schema'

/** The day the presets of this version were written. */
const presetDay = '2026-11-25'

/** The practice as the core knows it: no codes. */
export async function loadPractice(q: Db): Promise<Practice> {
  const [[row], people, items, burs, lots] = await Promise.all([
    q.select().from(t.practices).limit(1),
    q.select({ id: t.people.id, name: t.people.name, roles: t.people.roles }).from(t.people).orderBy(asc(t.people.id)),
    q.select({ body: t.items.body }).from(t.items).orderBy(asc(t.items.place)),
    q.select({ body: t.burs.body }).from(t.burs).orderBy(asc(t.burs.place)),
    q.select().from(t.lots).orderBy(asc(t.lots.id)),
  ])
  if (!row) throw notFound('practice on record yet')
  const { id: _, ...rest } = row
  // Functions this program has learned since the table was stored come from the presets, marked as such.
  const functions = {
    cautious: completeTable('cautious', rest.functions.cautious, presetDay),
    expanded: completeTable('expanded', rest.functions.expanded, presetDay),
  }
  return practiceSchema.parse({
    ...rest,
    learned: learnedUpToDate(rest.learned),
    functions,
    people,
    items: items.map((i) => i.body),
    burs: burs.map((b) => b.body),
    lots,
  })
}

/** Writes a practice and its people's code hashes; what is there already is kept. */
export async function savePractice(q: Db, id: string, p: Practice, codeHashes: Record<string, string>): Promise<void> {
  await q
    .insert(t.practices)
    .values({
      id,
      name: p.name,
      notation: p.notation,
      zone: p.zone,
      chairs: p.chairs,
      functions: p.functions,
      cards: p.cards,
      amendments: p.amendments,
      light: p.light,
      laboratoryDays: p.laboratoryDays,
      day: p.day,
      instruments: p.instruments,
      rules: p.rules,
      useLearned: p.useLearned,
      learned: p.learned,
    })
    .onConflictDoNothing()
  if (p.people.length > 0)
    await q
      .insert(t.people)
      .values(p.people.map((x) => ({ ...x, codeHash: sure(codeHashes[x.id]) })))
      .onConflictDoNothing()
  await q
    .insert(t.items)
    .values(p.items.map((body, place) => ({ id: body.id, place, body })))
    .onConflictDoNothing()
  await q
    .insert(t.burs)
    .values(p.burs.map((body, place) => ({ id: body.id, place, body })))
    .onConflictDoNothing()
  if (p.lots.length > 0) await q.insert(t.lots).values(p.lots).onConflictDoNothing()
}

export type VisitRow = typeof t.visits.$inferSelect
export interface VisitFile {
  visit: VisitRow
  case: typeof t.cases.$inferSelect
  patient: typeof t.patients.$inferSelect
  request: VisitRequest
}

const joined = (row: { visits: VisitRow; cases: VisitFile['case']; patients: VisitFile['patient'] }): VisitFile => ({
  visit: row.visits,
  case: row.cases,
  patient: row.patients,
  request: storedRequest.parse({
    ...requestUpToDate(row.cases.request, row.visits.facts),
    alerts: row.patients.alerts,
    date: row.visits.day,
    team: row.visits.team,
    visitChoices: row.visits.visitChoices,
    swaps: row.visits.swaps,
  }),
})

const files = (q: Db) =>
  q
    .select()
    .from(t.visits)
    .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
    .innerJoin(t.patients, eq(t.cases.patientId, t.patients.id))

/** One visit with its case, patient and the request they make together. */
export async function loadVisit(q: Db, id: string): Promise<VisitFile> {
  const [row] = await files(q).where(eq(t.visits.id, id)).limit(1)
  if (!row) throw notFound(`visit "${id}"`)
  return joined(row)
}

/** Every visit of a case, by its start. */
export async function loadChain(q: Db, caseId: string): Promise<VisitFile[]> {
  return (await files(q).where(eq(t.visits.caseId, caseId)).orderBy(asc(t.visits.startsAt))).map(joined)
}

/**
 * The files with what the earlier visits of their cases left behind, so that a clash is found over the whole case. A
 * signed visit counts as it was signed, a planned one as it is planned.
 */
export async function withEarlier(q: Db, own: readonly VisitFile[], practice: Practice): Promise<VisitFile[]> {
  const caseIds = [...new Set(own.map((f) => f.case.id))]
  if (caseIds.length === 0) return []
  const all = (await files(q).where(inArray(t.visits.caseId, caseIds)).orderBy(asc(t.visits.startsAt))).map(joined)
  const shared = all.filter((f) => all.some((x) => x.case.id === f.case.id && x.visit.id !== f.visit.id))
  if (shared.length === 0) return [...own]
  const frozen = await loadFrozenPlans(
    q,
    shared.map((f) => f.visit.id),
  )
  const traces = shared.map((f) => ({
    file: f,
    trace: traceOf(frozen.get(f.visit.id) ?? compile(f.request, practice)),
  }))
  return own.map((f) => ({
    ...f,
    request: {
      ...f.request,
      earlier: traces
        .filter((x) => x.file.case.id === f.case.id && x.file.visit.startsAt < f.visit.startsAt)
        .map((x) => x.trace),
    },
  }))
}

/** One visit as {@link loadVisit}, with what the case's earlier visits left behind, and the practice it is compiled for. */
export async function openVisit(q: Db, id: string): Promise<{ file: VisitFile; practice: Practice }> {
  const [file, practice] = [await loadVisit(q, id), await loadPractice(q)]
  return { file: firstOf(await withEarlier(q, [file], practice)), practice }
}

/** The visits of a day by their start. */
export async function loadDay(q: Db, day: string): Promise<VisitFile[]> {
  return (await files(q).where(eq(t.visits.day, day)).orderBy(asc(t.visits.startsAt))).map(joined)
}

/** The visits from one plain date to another, both with. */
export async function loadDays(q: Db, from: string, to: string): Promise<VisitFile[]> {
  return (
    await files(q)
      .where(and(gte(t.visits.day, from), lte(t.visits.day, to)))
      .orderBy(asc(t.visits.startsAt))
  ).map(joined)
}

/** A plan as it was signed, read as of today. */
export type FrozenPlan = Omit<typeof t.plans.$inferSelect, 'plan'> & { plan: Plan }

export async function loadFrozenPlan(q: Db, visitId: string): Promise<FrozenPlan | null> {
  const [row] = await q.select().from(t.plans).where(eq(t.plans.visitId, visitId)).limit(1)
  return row ? { ...row, plan: planUpToDate(row.plan) } : null
}

/** The signed plans of these visits, by visit. */
export async function loadFrozenPlans(q: Db, visitIds: readonly string[]): Promise<Map<string, Plan>> {
  if (visitIds.length === 0) return new Map()
  const rows = await q
    .select({ visitId: t.plans.visitId, plan: t.plans.plan })
    .from(t.plans)
    .where(inArray(t.plans.visitId, [...visitIds]))
  return new Map(rows.map((r) => [r.visitId, planUpToDate(r.plan)]))
}

export const loadMarks = (q: Db, visitId: string) =>
  q
    .select({ lineId: t.trayMarks.lineId, by: t.trayMarks.by, at: t.trayMarks.at })
    .from(t.trayMarks)
    .where(eq(t.trayMarks.visitId, visitId))
    .orderBy(asc(t.trayMarks.at))

function toEvent(row: typeof t.runEvents.$inferSelect): RunEvent {
  const { id, seq, at, by, device, commandId, what } = row
  return { id, seq, at, by, device, commandId, what }
}

/** The events of a run after a sequence number, in order. */
export async function loadEvents(q: Db, visitId: string, after = 0): Promise<RunEvent[]> {
  const rows = await q
    .select()
    .from(t.runEvents)
    .where(and(eq(t.runEvents.visitId, visitId), gt(t.runEvents.seq, after)))
    .orderBy(asc(t.runEvents.seq))
  return rows.map(toEvent)
}

/** The newest event of a run, or `null` where it has not begun. */
export async function loadLastEvent(q: Db, visitId: string): Promise<RunEvent | null> {
  const [row] = await q
    .select()
    .from(t.runEvents)
    .where(eq(t.runEvents.visitId, visitId))
    .orderBy(desc(t.runEvents.seq))
    .limit(1)
  return row ? toEvent(row) : null
}

/** The events a command has already become, for a retry. */
export async function loadCommand(
  q: Db,
  visitId: string,
  commandId: string,
): Promise<{ events: RunEvent[]; hash: string | null }> {
  const rows = await q
    .select()
    .from(t.runEvents)
    .where(and(eq(t.runEvents.visitId, visitId), eq(t.runEvents.commandId, commandId)))
    .orderBy(asc(t.runEvents.seq))
  return { events: rows.map(toEvent), hash: rows[0]?.commandHash ?? null }
}
