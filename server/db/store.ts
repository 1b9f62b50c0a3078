/** Queries. Every function takes the database or the transaction it works in; none reaches for another. */
import { firstOf, sure } from '../../core/sure'
import { planUpToDate, requestUpToDate } from '../../core/model/upgrade'
import { and, asc, desc, eq, getTableColumns, gt, gte, inArray, lte, sql } from 'drizzle-orm'
import { compile } from '../../core/plan/compile'
import { shadeWords, traceOf } from '../../core/plan/traces'
import type { Practice } from '../../core/practice/practice'
import { storedRequest, type VisitRequest } from '../../core/model/request'
import type { Plan } from '../../core/model/plan'
import type { RunEvent } from '../../core/run/events'
import type { Unread } from '../../wire/unread'
import { notFound } from '../problem'
import { practiceOf, type PracticeParts } from './practice-parts'
import { asLastRead } from './practice-version'
import { eachRead, reading } from './unread'
import type { Db } from './open'
import * as t from './schema'
import { toTooth, type Notation, type Tooth } from '../../core/teeth/notation'

/** The bodies of one table in their order, as one text: quicker to hand over than row by row. */
const bodiesOf = ({ body, place }: typeof t.items | typeof t.burs) =>
  sql<string>`coalesce(json_agg(${body} order by ${place}), '[]')::text`

/** The practice as the core knows it (no codes), and what of it this program cannot read. */
export const loadPracticeParts = (q: Db): Promise<PracticeParts> =>
  asLastRead(q, async () => {
    const [row] = await q.select().from(t.practices).limit(1)
    const people = await q
      .select({ id: t.people.id, name: t.people.name, roles: t.people.roles, leftAt: t.people.leftAt })
      .from(t.people)
      .orderBy(asc(t.people.id))
    const [items] = await q.select({ bodies: bodiesOf(t.items) }).from(t.items)
    const [burs] = await q.select({ bodies: bodiesOf(t.burs) }).from(t.burs)
    const lots = await q.select().from(t.lots).orderBy(asc(t.lots.id))
    if (!row) throw notFound('practice on record yet')
    return practiceOf({ row, people, items: sure(items).bodies, burs: sure(burs).bodies, lots })
  })

/** The practice as the core knows it: no codes, and only what can be read. */
export const loadPractice = async (q: Db): Promise<Practice> => (await loadPracticeParts(q)).practice

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
      .values(p.people.map(({ id: own, name, roles }) => ({ id: own, name, roles, codeHash: sure(codeHashes[own]) })))
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

type Joined = { visits: VisitRow; cases: VisitFile['case']; patients: VisitFile['patient'] }
/** A visit with its case and patient as they are stored, whether or not what they ask for can be read. */
export type VisitHead = Omit<VisitFile, 'request'>
const headOf = (row: Joined): VisitHead => ({ visit: row.visits, case: row.cases, patient: row.patients })

/** @throws CannotRead where the parts make no request of today */
const fileOf = (head: VisitHead): VisitFile => ({
  ...head,
  request: reading(head.visit.id, 'case', () =>
    storedRequest.parse({
      ...requestUpToDate(head.case.request, head.visit.facts),
      alerts: head.patient.alerts,
      date: head.visit.day,
      team: head.visit.team,
      visitChoices: head.visit.visitChoices,
      swaps: head.visit.swaps,
    }),
  ),
})

/** Visits that can be read, and those that cannot, in the order asked for. */
export interface Files {
  files: VisitFile[]
  unread: Unread[]
}
const filesOf = async (rows: readonly Joined[]): Promise<Files> => {
  const { read, unread } = await eachRead(rows.map(headOf), fileOf)
  return { files: read, unread }
}

const heads = (q: Db) =>
  q
    .select()
    .from(t.visits)
    .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
    .innerJoin(t.patients, eq(t.cases.patientId, t.patients.id))

/** One visit as it is stored. @throws Problem 404 */
export async function loadHead(q: Db, id: string): Promise<VisitHead> {
  const [row] = await heads(q).where(eq(t.visits.id, id)).limit(1)
  if (!row) throw notFound(`visit "${id}"`)
  return headOf(row)
}

/** One visit with its case, patient and the request they make together. @throws Problem 404, CannotRead */
export const loadVisit = async (q: Db, id: string): Promise<VisitFile> => fileOf(await loadHead(q, id))

/** Every visit of a case, by its start. */
export const loadChain = async (q: Db, caseId: string): Promise<Files> =>
  filesOf(await heads(q).where(eq(t.visits.caseId, caseId)).orderBy(asc(t.visits.startsAt)))

/** The shades read at these visits, by visit, in words: the last reading of each tooth. */
async function loadShades(q: Db, visitIds: readonly string[], notation: Notation): Promise<Map<string, string>> {
  const rows = await q
    .select({ visitId: t.runEvents.visitId, commandId: t.runEvents.commandId, what: t.runEvents.what })
    .from(t.runEvents)
    .where(
      and(
        inArray(t.runEvents.visitId, [...visitIds]),
        sql`(${t.runEvents.what} ->> 'measure' = 'shade' or ${t.runEvents.what} ->> 'kind' = 'undone')`,
      ),
    )
    .orderBy(asc(t.runEvents.visitId), asc(t.runEvents.seq))
  const undone = new Set(rows.flatMap(({ what }) => (what.kind === 'undone' ? [what.commandId] : [])))
  const read = new Map<string, Map<Tooth, string>>()
  for (const { visitId, commandId, what } of rows) {
    if (what.kind !== 'measured' || undone.has(commandId)) continue
    const ofVisit = read.get(visitId) ?? new Map<Tooth, string>()
    ofVisit.set(toTooth(what.tooth), what.says[0] ?? '')
    read.set(visitId, ofVisit)
  }
  return new Map([...read].map(([id, of]) => [id, shadeWords(of, notation)]))
}

/**
 * The files with what the earlier visits of their cases left behind, so that a clash is found over the whole case. A
 * signed visit counts as it was signed, a planned one as it is planned; one that cannot be read leaves nothing here, and
 * the screens of its case say so.
 */
export async function withEarlier(q: Db, own: readonly VisitFile[], practice: Practice): Promise<VisitFile[]> {
  const caseIds = [...new Set(own.map((f) => f.case.id))]
  if (caseIds.length === 0) return []
  const { files } = await filesOf(
    await heads(q).where(inArray(t.visits.caseId, caseIds)).orderBy(asc(t.visits.startsAt)),
  )
  const shared = files.filter((f) => files.some((x) => x.case.id === f.case.id && x.visit.id !== f.visit.id))
  if (shared.length === 0) return [...own]
  const ids = shared.map((f) => f.visit.id)
  const [frozen, shades] = [await loadFrozenPlans(q, ids), await loadShades(q, ids, practice.notation)]
  const { read: traces } = await eachRead(shared, (file) => ({
    file,
    trace: traceOf(
      frozen.get(file.visit.id)?.() ?? reading(file.visit.id, 'plan', () => compile(file.request, practice)),
      shades.get(file.visit.id),
    ),
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
export const loadDay = async (q: Db, day: string): Promise<Files> =>
  filesOf(await heads(q).where(eq(t.visits.day, day)).orderBy(asc(t.visits.startsAt)))

/** The visits from one plain date to another, both with. */
export const loadDays = async (q: Db, from: string, to: string): Promise<Files> =>
  filesOf(
    await heads(q)
      .where(and(gte(t.visits.day, from), lte(t.visits.day, to)))
      .orderBy(asc(t.visits.startsAt)),
  )

/** The practice's own zone alone: asked where the rest of it need not be read. */
export async function zoneOf(q: Db): Promise<string> {
  const [row] = await q.select({ zone: t.practices.zone }).from(t.practices).limit(1)
  if (!row) throw notFound('practice on record yet')
  return row.zone
}

/** A plan as it was signed, read as of today. */
export type FrozenPlan = Omit<typeof t.plans.$inferSelect, 'plan'> & { plan: Plan }

/** @throws CannotRead */
export async function loadFrozenPlan(q: Db, visitId: string): Promise<FrozenPlan | null> {
  const [row] = await q.select().from(t.plans).where(eq(t.plans.visitId, visitId)).limit(1)
  return row ? { ...row, plan: reading(visitId, 'signed plan', () => planUpToDate(row.plan)) } : null
}

/** What signing left on record, but for the plan; the version is another with every change of the row. */
export type Signature = Omit<FrozenPlan, 'plan'> & { version: string }

/** The signatures of these visits, by visit. */
export async function loadSignatures(q: Db, visitIds: readonly string[]): Promise<Map<string, Signature>> {
  const { plan: _, ...light } = getTableColumns(t.plans)
  const version = sql<string>`${t.plans}.xmin::text || ${t.plans}.ctid::text`
  const rows = await q
    .select({ ...light, version })
    .from(t.plans)
    .where(inArray(t.plans.visitId, [...visitIds]))
  return new Map(rows.map((r) => [r.visitId, r]))
}

/** Of each of these visits whether its tray is signed, though its plan may not be read, and its last event. */
export const loadProgress = (q: Db, visitIds: readonly string[]) =>
  q
    .select({
      id: t.visits.id,
      signed: sql<boolean>`exists (select from ${t.plans} p where p.visit_id = ${t.visits}.id)`,
      // A run that has begun and whose last event names no kind has begun all the same.
      last: sql<string | null>`(
        select coalesce(e.what ->> 'kind', '') from ${t.runEvents} e where e.visit_id = ${t.visits}.id order by e.seq desc limit 1
      )`,
    })
    .from(t.visits)
    .where(inArray(t.visits.id, [...visitIds]))

/** The signed plans of these visits, by visit, each to be read when it is asked for. */
export async function loadFrozenPlans(q: Db, visitIds: readonly string[]): Promise<Map<string, () => Plan>> {
  if (visitIds.length === 0) return new Map()
  const rows = await q
    .select({ visitId: t.plans.visitId, plan: t.plans.plan })
    .from(t.plans)
    .where(inArray(t.plans.visitId, [...visitIds]))
  return new Map(rows.map((r) => [r.visitId, () => reading(r.visitId, 'signed plan', () => planUpToDate(r.plan))]))
}

/** What is laid out of these visits, by visit. */
export async function loadLaid(q: Db, visitIds: readonly string[]): Promise<Map<string, Set<string>>> {
  const rows = await q
    .select({ visitId: t.trayMarks.visitId, lineId: t.trayMarks.lineId })
    .from(t.trayMarks)
    .where(inArray(t.trayMarks.visitId, [...visitIds]))
  const laid = new Map<string, Set<string>>(visitIds.map((id) => [id, new Set()]))
  for (const { visitId, lineId } of rows) laid.get(visitId)?.add(lineId)
  return laid
}

export const loadMarks = (q: Db, visitId: string) =>
  q
    .select({ lineId: t.trayMarks.lineId, by: t.trayMarks.by, at: t.trayMarks.at })
    .from(t.trayMarks)
    .where(eq(t.trayMarks.visitId, visitId))
    .orderBy(asc(t.trayMarks.at))

function toEvent(row: typeof t.runEvents.$inferSelect): RunEvent {
  const { id, seq, at, by, device, commandId, receivedAt, what } = row
  return { id, seq, at, by, device, commandId, ...(receivedAt === null ? {} : { receivedAt }), what }
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
export async function loadLastEvent(q: Db, visitId: string): Promise<(RunEvent & { seal: string | null }) | null> {
  const [row] = await q
    .select()
    .from(t.runEvents)
    .where(eq(t.runEvents.visitId, visitId))
    .orderBy(desc(t.runEvents.seq))
    .limit(1)
  return row ? { ...toEvent(row), seal: row.seal } : null
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
