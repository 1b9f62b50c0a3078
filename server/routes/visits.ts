/** A visit: read, put into the day, and what will be done in it. */
import { roomOf, type Door } from '../house'
import { keysOf, sure } from '../../core/sure'
import { made } from '../../wire/noun'
import { versionView, visitView, type Stage } from '../../wire/visit'
import { misfits } from '../../core/model/misfits'
import { planUpToDate, requestUpToDate, toStore } from '../../core/model/upgrade'
import type { Practice } from '../../core/practice/practice'
import { teamMisfits } from '../../core/practice/team'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { randomUUID } from 'node:crypto'
import { and, count, eq } from 'drizzle-orm'
import { anything, id, line, plainDate, timeOfDay, whole } from '../../core/bounded'
import * as z from 'zod'
import { compile, libraryVersion } from '../../core/plan/compile'
import { alert, alsoWork, kindId, restoration, storedRequest, visitRequest, workFacts } from '../../core/model/request'
import { throatPackIn } from '../../core/run/state'
import { kindFacts } from '../../core/kinds'
import { cassettesFor, laidUpFor, type LaidUp } from '../db/instruments'
import { matterWords, openMatters } from '../../core/run/matters'
import {
  loadChain,
  loadEvents,
  loadSignatures,
  loadHead,
  loadMarks,
  loadPractice,
  openVisit,
  type VisitFile,
  type VisitRow,
} from '../db/store'
import { CannotRead, reading, whyUnread } from '../db/unread'
import { rawVisitView, type Unread } from '../../wire/unread'
import { Problem } from '../problem'

import { openNow, head, stagesOf, startOf, visitParams } from './visit'
import { tellOf } from './tell'

/** What a person may change of a visit before its tray is signed. */
/** Of the visit alone; the rest, but for the visit's choices, is of the whole case. The patient's alerts have a door of their own. */
const visitKeys = ['kind', 'also', 'pieceOnHand'] as const
const caseKeys = [
  ...keysOf(workFacts),
  'crossbite',
  'missing',
  'anaesthetic',
  'weightKg',
  'ageYears',
  'choices',
] as const
const editableKeys = [...visitKeys, ...caseKeys, 'visitChoices'] as const
// Only the keys are checked here: the values are parsed with the rest of the request, so that a change left out is not
// mistaken for a default.
const editable = z.strictObject({
  version: whole(1),
  request: z.partialRecord(z.enum(editableKeys), anything),
})
export const newVisit = z.strictObject({
  /** A new patient, or a further visit of a case that is there. */
  patientName: line(120, 1, 'a name or a mark for the patient').optional(),
  caseId: id().optional(),
  kind: kindId.default('crown.prepare'),
  chairId: id(40),
  day: plainDate,
  time: timeOfDay,
  team: z.strictObject({ dentist: id(80), assistants: z.array(id(80)).min(1).max(12) }),
  teeth: z.array(id(4)).min(1).max(32).optional(),
  pontics: z.array(id(4)).max(32).optional(),
  restoration: restoration.optional(),
  weightKg: z.number().min(0).max(1000).optional(),
  also: z.array(alsoWork).max(3).optional(),
  alerts: z.array(alert).max(20).default([]),
})

const invalid = (issues: readonly { path: readonly PropertyKey[]; message: string }[], of = ''): Problem =>
  new Problem('invalid', `${of}${issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; ')}`, {
    errors: issues.map((i) => ({ path: i.path.join('.'), message: i.message })),
  })

/** Every other visit of the case that is not signed yet has to be read and planned with the change, too; refused by its name. */
async function refuseForOthers(
  q: Db,
  caseId: string,
  visitId: string,
  practice: Practice,
  unreadBefore: readonly Unread[],
): Promise<void> {
  const { files, unread } = await loadChain(q, caseId)
  // One that could not be read before is not made worse, and does not forbid that the others are mended.
  const spoilt = unread.find((u) => u.visitId !== visitId && !unreadBefore.some((b) => b.visitId === u.visitId))
  if (spoilt) throw new Problem('invalid', `The visit on ${spoilt.day} cannot be made of this; ${spoilt.why}`)
  const signed = await loadSignatures(
    q,
    files.map((f) => f.visit.id),
  )
  for (const { visit, request } of files) {
    if (visit.id === visitId || signed.has(visit.id)) continue
    const name = `“${kindFacts(request.kind).title}” on ${visit.day} cannot be made of this. `
    const against = misfits(request)
    if (against.length > 0) throw invalid(against, name)
    try {
      compile(request, practice)
    } catch (error) {
      throw new Problem('invalid', name + whyUnread(error))
    }
  }
}

/** A visit not signed, to be changed; of one that cannot be read the parts as they are stored, so that a change may mend it. */
async function toChange(q: Db, visitId: string) {
  const head = await loadHead(q, visitId)
  await openNow(q, 'PUT /visits/:visitId/request', visitId)
  try {
    const { file, practice } = await openVisit(q, visitId)
    return { head, practice, base: file.request }
  } catch (error) {
    if (!(error instanceof CannotRead)) throw error
    const { visit, patient } = head
    const base = {
      ...requestUpToDate(head.case.request, visit.facts),
      alerts: patient.alerts,
      date: visit.day,
      team: visit.team,
      visitChoices: visit.visitChoices,
      swaps: visit.swaps,
    }
    return { head, practice: await loadPractice(q), base }
  }
}

/** The plan that stood before an alert took it back, where it can be read; it is shown, and nothing hangs on it. */
function reopenedOf({ reopened }: VisitRow) {
  if (!reopened) return null
  try {
    return { ...reopened, plan: planUpToDate(reopened.plan) }
  } catch {
    return null
  }
}

const doubtWords = ({ name, load, pulledBack }: LaidUp): string[] =>
  pulledBack === null ? [] : [`${name}${load === null ? '' : ` out of load ${load}`} was pulled back: ${pulledBack}`]

/** Of each kind of cassette the plan lays open those that can be taken; nothing once the tray is signed. */
async function toLay(q: Db, { request, visit }: VisitFile, practice: Practice, stage: Stage) {
  if (stage !== 'planned' || practice.instruments.cassettes.length === 0) return []
  const plan = reading(visit.id, 'plan', () => compile(request, practice))
  const { offered } = await cassettesFor(q, plan, practice.instruments)
  return offered.map((own) =>
    own.map(({ cassette, load }) => ({ id: cassette.id, name: cassette.name, load: load?.number ?? null })),
  )
}

const showVisit: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/visits/:visitId',
    {
      schema: {
        response: { 200: visitView },
        summary: 'A visit: request, tray, and the frozen plan once signed',
        params: visitParams,
      },
    },
    async (request) => {
      const { visitId } = request.params
      const { file, practice } = await openVisit(db, visitId)
      const signature = (await loadSignatures(db, [visitId])).get(visitId)
      const plan = signature && (await house.plans.signed(db, signature))
      const { files, unread } = await loadChain(db, file.case.id)
      const stages = await stagesOf(
        db,
        files.map((f) => f.visit.id),
      )
      const stage = (id: string) => stages.get(id) ?? 'planned'
      const run = plan && (await house.runs.state(visitId)).state
      const cassettes = await laidUpFor(db, visitId, practice.instruments)
      return {
        ...head(file),
        version: file.case.version,
        caseId: file.case.id,
        team: file.visit.team,
        stage: stage(visitId),
        frozen: plan
          ? { plan, signedBy: signature.signedBy, signedAt: signature.signedAt, answeredBy: signature.answeredBy }
          : null,
        reopened: reopenedOf(file.visit),
        chain: files.map((f) => ({
          id: f.visit.id,
          day: f.visit.day,
          startsAt: f.visit.startsAt,
          kind: f.request.kind,
          stage: stage(f.visit.id),
        })),
        unread,
        marks: await loadMarks(db, visitId),
        throatPackIn: run !== undefined && throatPackIn(run.core),
        matters: [
          ...openMatters(run?.matters ?? []).map((m) => matterWords({ ...m, touches: [] })),
          ...(stage(visitId) === 'laid up' ? cassettes.flatMap(doubtWords) : []),
        ],
        cassettes,
        toLay: await toLay(db, file, practice, stage(visitId)),
      }
    },
  )
}

/** More than forty chairs with three visits each: a day is drawn whole. */
const mostVisitsADay = 120

const addVisit: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/visits',
    { schema: { response: { 201: made }, summary: 'Put a visit into the day', body: newVisit } },
    async (request, reply) => {
      const { patientName, caseId, chairId, day, time, team, kind, also, alerts, ...ofCase } = request.body
      const practice = await loadPractice(db)
      const [misfit] = teamMisfits(team, practice.people)
      if (misfit)
        throw new Problem('invalid', `${misfit.path.join('.')}: ${misfit.message}.`, {
          errors: [{ path: misfit.path.join('.'), message: misfit.message }],
        })
      if (!practice.chairs.some((c) => c.id === chairId))
        throw new Problem('invalid', `There is no chair "${chairId}".`, {
          errors: [{ path: 'chairId', message: 'no such chair' }],
        })
      const [beside] = await db.select({ n: count() }).from(t.visits).where(eq(t.visits.day, day))
      if ((beside?.n ?? 0) >= mostVisitsADay)
        throw new Problem('invalid', `${day} has ${mostVisitsADay} visits; that is as many as a day takes.`, {
          errors: [{ path: 'day', message: 'full' }],
        })
      const facts = { kind, ...(also ? { also } : {}) }
      const known = caseId === undefined ? undefined : (await loadChain(db, caseId)).files[0]
      if (caseId !== undefined && !known) throw new Problem('not-found', 'There is no such case.')
      if (caseId === undefined && patientName === undefined)
        throw new Problem('invalid', 'patientName: a name or a mark for the patient', {
          errors: [{ path: 'patientName', message: 'missing' }],
        })
      // A further visit of a case is for its teeth; what another kind does not take (a restoration, say) it does not see.
      const parts = { ...ofCase, ...facts, alerts: known ? known.request.alerts : alerts, date: day, team }
      const asked = known
        ? storedRequest.safeParse({ ...requestUpToDate(known.case.request), ...parts })
        : visitRequest.safeParse(parts)
      if (!asked.success) throw invalid(asked.error.issues)
      const contradictions = misfits(asked.data)
      if (contradictions.length > 0) throw invalid(contradictions)
      compile(asked.data, practice)
      const id = randomUUID()
      await db.transaction(async (tx) => {
        const ownCase = known?.case.id ?? `case-${id}`
        if (!known) {
          await tx.insert(t.patients).values({ id: `patient-${id}`, name: sure(patientName), alerts })
          await tx.insert(t.cases).values({
            id: ownCase,
            patientId: `patient-${id}`,
            request: toStore({ kind, ...ofCase }),
            library: libraryVersion,
          })
        }
        await tx.insert(t.visits).values({
          id,
          caseId: ownCase,
          chairId,
          day,
          startsAt: startOf(day, time, practice.zone),
          team,
          visitChoices: {},
          swaps: {},
          facts: toStore(facts),
        })
      })
      tellOf(house, id)
      reply.status(201)
      return { id }
    },
  )
}

const changeRequest: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/visits/:visitId/request',
    {
      schema: {
        response: { 200: versionView },
        summary: 'Change what will be done, before the tray is signed',
        params: visitParams,
        body: editable,
      },
    },
    async (request) => {
      const { visitId } = request.params
      const { head: file, practice, base } = await toChange(db, visitId)
      const { unread } = await loadChain(db, file.case.id)
      // Parsed whole before anything is stored: a change that makes no plan is refused with the field.
      const merged = visitRequest.safeParse({ ...base, ...request.body.request })
      if (!merged.success) throw invalid(merged.error.issues)
      compile(merged.data, practice)
      const given = editableKeys.filter((k) => k in request.body.request)
      const some = (keys: readonly string[]): Record<string, unknown> =>
        Object.fromEntries(given.filter((k) => keys.includes(k)).map((k) => [k, merged.data[k]]))
      const [ofCase, ofVisit] = [some(caseKeys), some(visitKeys)]
      const nextCase = toStore({ ...requestUpToDate(file.case.request), ...ofCase })
      await db.transaction(async (tx) => {
        const rows = await tx
          .update(t.cases)
          .set({ request: nextCase, version: request.body.version + 1, library: libraryVersion })
          .where(and(eq(t.cases.id, file.case.id), eq(t.cases.version, request.body.version)))
          .returning({ id: t.cases.id })
        if (rows.length === 0)
          throw new Problem('stale', 'Somebody changed this case meanwhile; look at it again.', {
            version: file.case.version,
          })
        await refuseForOthers(tx, file.case.id, visitId, practice, unread)
        if (Object.keys(ofVisit).length > 0)
          await tx
            .update(t.visits)
            .set({ facts: toStore({ ...requestUpToDate(file.visit.facts), ...ofVisit }) })
            .where(eq(t.visits.id, visitId))
        if (given.includes('visitChoices'))
          await tx.update(t.visits).set({ visitChoices: merged.data.visitChoices }).where(eq(t.visits.id, visitId))
      })
      tellOf(house, visitId)
      return { version: request.body.version + 1 }
    },
  )
}

const rawVisit: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/visits/:visitId/raw',
    {
      schema: {
        response: { 200: rawVisitView },
        summary: 'Everything stored of a visit as it lies there, whether or not it can be read',
        params: visitParams,
      },
    },
    async (request, reply) => {
      const { visitId } = request.params
      const { visit, case: of, patient } = await loadHead(db, visitId)
      const [[plan], [record]] = [
        await db.select().from(t.plans).where(eq(t.plans.visitId, visitId)),
        await db.select().from(t.records).where(eq(t.records.visitId, visitId)),
      ]
      reply.header('content-disposition', `attachment; filename="visit-${visitId}.json"`)
      return {
        library: libraryVersion,
        visit,
        case: of,
        patient,
        marks: await loadMarks(db, visitId),
        plan: plan ?? null,
        events: await loadEvents(db, visitId),
        record: record ?? null,
      }
    },
  )
}

export const visitRoutes = roomOf(showVisit, addVisit, changeRequest, rawVisit)
