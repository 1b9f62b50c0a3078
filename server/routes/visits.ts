import { randomUUID } from 'node:crypto'
import { and, eq, inArray } from 'drizzle-orm'
import * as z from 'zod'
import { compile } from '../../core/plan/compile'
import {
  alert,
  alsoWork,
  kindId,
  restoration,
  visitRequest,
  workFacts,
  type VisitRequest,
} from '../../core/model/request'
import { checkable, trayReadiness } from '../../core/plan/ready'
import { throatPackIn } from '../../core/run/state'
import { timeOfDay, wallTime } from '../../core/clock'
import { forecast } from '../../core/schedule/simulate'
import { kindFacts } from '../../core/kinds'
import type { App, House } from '../house'
import type { Db } from '../db/open'
import { assignCassettes, laidUpFor, releaseCassettes } from '../db/instruments'
import * as t from '../db/schema'
import {
  loadChain,
  loadFrozenPlan,
  loadLastEvent,
  loadMarks,
  loadPractice,
  loadVisit,
  openVisit,
  type VisitFile,
} from '../db/store'
import type { Practice } from '../../core/practice/practice'
import { Problem } from '../problem'
import { signedIn } from './session'

/** Enough for the eighth of ten to stand to a minute, and no wait at the tray. */
const forecastDraws = 2_000

const visitParams = z.object({ visitId: z.string().min(1).max(80) })
/** What a person may change of a visit before its tray is signed. */
/** Of the visit alone; the rest, but for alerts and the visit's choices, is of the whole case. */
const visitKeys = ['kind', 'also', 'pieceOnHand'] as const
const caseKeys = [
  ...(Object.keys(workFacts) as (keyof typeof workFacts)[]),
  'crossbite',
  'missing',
  'anaesthetic',
  'weightKg',
  'choices',
  'measuredPerimeterMm',
] as const
const editableKeys = [...visitKeys, ...caseKeys, 'alerts', 'visitChoices'] as const
// Only the keys are checked here: the values are parsed with the rest of the request, so that a change left out is not
// mistaken for a default.
const editable = z.strictObject({
  version: z.number().int().positive(),
  request: z.partialRecord(z.enum(editableKeys), z.unknown()),
})
export const newVisit = z.strictObject({
  /** A new patient, or a further visit of a case that is there. */
  patientName: z.string().trim().min(1, 'a name or a mark for the patient').max(120).optional(),
  caseId: z.string().max(120).optional(),
  kind: kindId.default('crown.prepare'),
  chairId: z.string(),
  day: z.iso.date(),
  time: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day as 09:00'),
  team: z.strictObject({ dentist: z.string(), assistants: z.array(z.string()).min(1) }),
  teeth: z.array(z.string()).min(1).optional(),
  pontics: z.array(z.string()).optional(),
  restoration: restoration.optional(),
  weightKg: z.number().optional(),
  also: z.array(alsoWork).optional(),
  alerts: z.array(alert).default([]),
})

const invalid = (error: z.ZodError): Problem =>
  new Problem(422, 'invalid', error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; '), {
    errors: error.issues.map((i) => ({ path: i.path.join('.'), message: i.message })),
  })

export type Stage = 'planned' | 'laid up' | 'running' | 'closed'

export async function stageOf(q: Db, visitId: string): Promise<Stage> {
  if (!(await loadFrozenPlan(q, visitId))) return 'planned'
  const last = await loadLastEvent(q, visitId)
  // Nothing follows a closed run, so the last event says it all.
  return last === null ? 'laid up' : last.what.kind === 'run.closed' ? 'closed' : 'running'
}

const alreadySigned = (): Problem =>
  new Problem(409, 'signed', 'The tray is signed and its plan is fixed; re-open the tray to change it.')

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

export const visitRoutes =
  (house: House) =>
  async (app: App): Promise<void> => {
    const { db } = house.database
    const changed = (visitId: string): void => {
      house.hub.send(visitId, { event: 'visit', data: { visitId } })
      house.hub.send('day', { event: 'day', data: { visitId } })
    }
    const unsigned = async (visitId: string): Promise<{ file: VisitFile; practice: Practice }> => {
      const open = await openVisit(db, visitId)
      if (await loadFrozenPlan(db, visitId)) throw alreadySigned()
      return open
    }

    app.get(
      '/visits/:visitId',
      { schema: { summary: 'A visit: request, tray, and the frozen plan once signed', params: visitParams } },
      async (request) => {
        await signedIn(house, request)
        const { visitId } = request.params
        const { file, practice } = await openVisit(db, visitId)
        const frozen = await loadFrozenPlan(db, visitId)
        const chain = await loadChain(db, file.case.id)
        return {
          ...head(file),
          version: file.case.version,
          caseId: file.case.id,
          team: file.visit.team,
          stage: await stageOf(db, visitId),
          frozen: frozen ? { plan: frozen.plan, signedBy: frozen.signedBy, signedAt: frozen.signedAt } : null,
          reopened: file.visit.reopened,
          chain: await Promise.all(
            chain.map(async (f) => ({
              id: f.visit.id,
              day: f.visit.day,
              startsAt: f.visit.startsAt,
              kind: f.request.kind,
              stage: await stageOf(db, f.visit.id),
            })),
          ),
          marks: await loadMarks(db, visitId),
          throatPackIn: frozen !== null && throatPackIn((await house.runs.state(visitId)).state.core),
          cassettes: await laidUpFor(db, visitId, practice.instruments),
        }
      },
    )

    app.post('/visits', { schema: { summary: 'Put a visit into the day', body: newVisit } }, async (request, reply) => {
      await signedIn(house, request)
      const { patientName, caseId, chairId, day, time, team, kind, also, alerts, ...ofCase } = request.body
      const practice = await loadPractice(db)
      if (!practice.chairs.some((c) => c.id === chairId))
        throw new Problem(422, 'invalid', `There is no chair "${chairId}".`, {
          errors: [{ path: 'chairId', message: 'no such chair' }],
        })
      const facts = { kind, ...(also ? { also } : {}) }
      const known = caseId === undefined ? undefined : (await loadChain(db, caseId))[0]
      if (caseId !== undefined && !known) throw new Problem(404, 'not-found', 'There is no such case.')
      if (caseId === undefined && patientName === undefined)
        throw new Problem(422, 'invalid', 'patientName: a name or a mark for the patient', {
          errors: [{ path: 'patientName', message: 'missing' }],
        })
      // A further visit of a case is for its teeth; what another kind does not take (a restoration, say) is left to its own.
      const before = known
        ? {
            ...known.case.request,
            ...(kindFacts(kind).restorations.some((r) => r === known.request.restoration)
              ? {}
              : { restoration: undefined }),
            ...(kindFacts(kind).pontics ? {} : { pontics: [] }),
          }
        : {}
      const asked = visitRequest.safeParse({
        ...before,
        ...ofCase,
        ...facts,
        alerts: known ? known.request.alerts : alerts,
        date: day,
        team,
      })
      if (!asked.success) throw invalid(asked.error)
      compile(asked.data, practice)
      const id = randomUUID()
      await db.transaction(async (tx) => {
        const ownCase = known?.case.id ?? `case-${id}`
        if (!known) {
          await tx.insert(t.patients).values({ id: `patient-${id}`, name: patientName!, alerts })
          await tx
            .insert(t.cases)
            .values({ id: ownCase, patientId: `patient-${id}`, request: { kind, ...(ofCase as object) } })
        }
        await tx.insert(t.visits).values({
          id,
          caseId: ownCase,
          chairId,
          day,
          startsAt: wallTime(day, time, practice.zone),
          team,
          visitChoices: {},
          swaps: {},
          facts,
        })
      })
      changed(id)
      return reply.status(201).send({ id })
    })

    app.get(
      '/visits/:visitId/setup.pdf',
      {
        schema: {
          summary: 'The setup sheet with the bur strip, as PDF',
          params: visitParams,
          querystring: z.object({ paper: z.enum(['A4', 'LETTER']).default('A4') }),
        },
      },
      async (request, reply) => {
        await signedIn(house, request)
        const { visitId } = request.params
        const [{ file, practice }, frozen] = [await openVisit(db, visitId), await loadFrozenPlan(db, visitId)]
        const facts = {
          patient: file.patient.name,
          time: timeOfDay(file.visit.startsAt, practice.zone),
          chair: practice.chairs.find((c) => c.id === file.visit.chairId)?.name ?? file.visit.chairId,
          practice: practice.name,
        }
        // Loaded when first asked for: the renderer is large, and most requests never print.
        const [{ renderPdf }, { setupSheet }] = await Promise.all([
          import('../print/render'),
          import('../print/setup-sheet'),
        ])
        const pdf = await renderPdf(
          setupSheet(frozen?.plan ?? compile(file.request, practice), facts, request.query.paper),
        )
        return reply
          .type('application/pdf')
          .header('content-disposition', `inline; filename="setup-${visitId}.pdf"`)
          .send(pdf)
      },
    )

    app.get(
      '/visits/:visitId/sheet.pdf',
      {
        schema: {
          summary: 'The hole template of the visit’s sheet at true scale, as PDF',
          params: visitParams,
          querystring: z.object({ paper: z.enum(['A4', 'LETTER']).default('A4') }),
        },
      },
      async (request, reply) => {
        await signedIn(house, request)
        const { visitId } = request.params
        const [{ file, practice }, frozen] = [await openVisit(db, visitId), await loadFrozenPlan(db, visitId)]
        const [{ renderPdf }, { damTemplateSheet }] = await Promise.all([
          import('../print/render'),
          import('../print/dam-template'),
        ])
        const sheet = damTemplateSheet(
          frozen?.plan ?? compile(file.request, practice),
          { patient: file.patient.name, practice: practice.name, notation: practice.notation },
          request.query.paper,
        )
        if (!sheet) throw new Problem(404, 'no-sheet', 'No sheet with holes is in the plan of this visit.')
        return reply
          .type('application/pdf')
          .header('content-disposition', `inline; filename="sheet-${visitId}.pdf"`)
          .send(await renderPdf(sheet))
      },
    )

    app.put(
      '/visits/:visitId/request',
      {
        schema: { summary: 'Change what will be done, before the tray is signed', params: visitParams, body: editable },
      },
      async (request) => {
        await signedIn(house, request)
        const { visitId } = request.params
        const { file, practice } = await unsigned(visitId)
        // Parsed whole before anything is stored: a change that makes no plan is refused with the field.
        const merged = visitRequest.safeParse({ ...file.request, ...request.body.request })
        if (!merged.success) throw invalid(merged.error)
        compile(merged.data, practice)
        const given = Object.keys(request.body.request) as (typeof editableKeys)[number][]
        const some = (keys: readonly string[]): Record<string, unknown> =>
          Object.fromEntries(given.filter((k) => keys.includes(k)).map((k) => [k, merged.data[k]]))
        const [ofCase, ofVisit] = [some(caseKeys), some(visitKeys)]
        await db.transaction(async (tx) => {
          const rows = await tx
            .update(t.cases)
            .set({ request: { ...file.case.request, ...ofCase }, version: request.body.version + 1 })
            .where(and(eq(t.cases.id, file.case.id), eq(t.cases.version, request.body.version)))
            .returning({ id: t.cases.id })
          if (rows.length === 0)
            throw new Problem(409, 'stale', 'Somebody changed this case meanwhile; look at it again.', {
              version: file.case.version,
            })
          if (given.includes('alerts'))
            await tx.update(t.patients).set({ alerts: merged.data.alerts }).where(eq(t.patients.id, file.patient.id))
          if (Object.keys(ofVisit).length > 0)
            await tx
              .update(t.visits)
              .set({ facts: { ...file.visit.facts, ...ofVisit } })
              .where(eq(t.visits.id, visitId))
          if (given.includes('visitChoices'))
            await tx.update(t.visits).set({ visitChoices: merged.data.visitChoices }).where(eq(t.visits.id, visitId))
        })
        changed(visitId)
        return { version: request.body.version + 1 }
      },
    )

    app.put(
      '/visits/:visitId/tray',
      {
        schema: {
          summary: 'Check places of the tray off, or take it back',
          params: visitParams,
          body: z.strictObject({ lineIds: z.array(z.string().max(120)).min(1).max(200), done: z.boolean() }),
        },
      },
      async (request) => {
        const person = await signedIn(house, request)
        const { visitId } = request.params
        const { lineIds, done } = request.body
        const { file, practice } = await unsigned(visitId)
        const known = new Set(checkable(compile(file.request, practice)).map((l) => l.id))
        const stranger = lineIds.find((id) => !known.has(id))
        if (stranger !== undefined) throw new Problem(404, 'not-found', `There is no place "${stranger}" on this tray.`)
        if (done)
          await db
            .insert(t.trayMarks)
            .values(lineIds.map((lineId) => ({ visitId, lineId, by: person.id, at: house.now() })))
            .onConflictDoNothing()
        else
          await db
            .delete(t.trayMarks)
            .where(and(eq(t.trayMarks.visitId, visitId), inArray(t.trayMarks.lineId, lineIds)))
        const marks = await loadMarks(db, visitId)
        house.hub.send(visitId, { event: 'tray', data: { visitId, marks } })
        house.hub.send('day', { event: 'day', data: { visitId } })
        return { marks }
      },
    )

    app.put(
      '/visits/:visitId/swaps',
      {
        schema: {
          summary: 'Lay out another item instead of the one planned',
          params: visitParams,
          body: z.strictObject({ from: z.string().max(120), to: z.string().max(120).nullable() }),
        },
      },
      async (request) => {
        await signedIn(house, request)
        const { visitId } = request.params
        const { file } = await unsigned(visitId)
        const swaps: VisitRequest['swaps'] = { ...file.request.swaps }
        if (request.body.to === null) delete swaps[request.body.from]
        else swaps[request.body.from] = request.body.to
        await db.update(t.visits).set({ swaps }).where(eq(t.visits.id, visitId))
        changed(visitId)
        return { swaps }
      },
    )

    app.post(
      '/visits/:visitId/tray/sign',
      {
        schema: {
          summary: 'Sign the tray: the plan is frozen',
          params: visitParams,
          body: z.strictObject({ acknowledged: z.array(z.string().max(160)).max(200) }),
        },
      },
      async (request) => {
        const person = await signedIn(house, request)
        const { visitId } = request.params
        const { file, practice } = await unsigned(visitId)
        const plan = compile(file.request, practice)
        const readiness = trayReadiness(
          plan,
          new Set((await loadMarks(db, visitId)).map((m) => m.lineId)),
          new Set(request.body.acknowledged),
        )
        if (!readiness.ready) {
          const unread = readiness.toAcknowledge
            .filter((a) => !request.body.acknowledged.includes(a.id))
            .map((a) => a.text)
          throw new Problem(409, 'not-ready', 'The tray cannot be signed yet.', {
            missing: readiness.missing.map((l) => l.name),
            unread,
            blocked: readiness.blocked,
          })
        }
        const signedAt = house.now()
        await db.transaction(async (tx) => {
          const rows = await tx
            .insert(t.plans)
            .values({ visitId, plan, signedBy: person.id, signedAt, acknowledged: request.body.acknowledged })
            .onConflictDoNothing()
            .returning({ visitId: t.plans.visitId })
          if (rows.length === 0) throw alreadySigned()
          await assignCassettes(tx, visitId, plan, practice.instruments, signedAt)
          // What is forecast now is held against what comes.
          const { likelyS, eightInTenS } = forecast(plan, forecastDraws)
          await tx.update(t.visits).set({ forecast: { likelyS, eightInTenS } }).where(eq(t.visits.id, visitId))
        })
        if (file.visit.reopened) await db.update(t.visits).set({ reopened: null }).where(eq(t.visits.id, visitId))
        changed(visitId)
        return { signedBy: person.id, signedAt }
      },
    )

    app.post(
      '/visits/:visitId/tray/reopen',
      { schema: { summary: 'Take the signature back, before the visit has begun', params: visitParams } },
      async (request) => {
        await signedIn(house, request)
        const { visitId } = request.params
        await loadVisit(db, visitId)
        await db.transaction(async (tx) => {
          // Whoever begins the visit at this moment waits for this row.
          await tx.select({ id: t.visits.id }).from(t.visits).where(eq(t.visits.id, visitId)).for('update')
          if (await loadLastEvent(tx, visitId)) throw new Problem(409, 'begun', 'The visit has begun; its plan stands.')
          await tx.delete(t.plans).where(eq(t.plans.visitId, visitId))
          await releaseCassettes(tx, visitId)
        })
        house.runs.forget(visitId)
        changed(visitId)
        return { ok: true }
      },
    )

    app.put(
      '/visits/:visitId/alerts',
      {
        schema: {
          summary: 'Set the patient’s alerts; a tray that is signed and not begun is re-opened by it',
          params: visitParams,
          body: z.strictObject({ alerts: z.array(alert).max(20) }),
        },
      },
      async (request) => {
        const person = await signedIn(house, request)
        const { alerts } = request.body
        const file = await loadVisit(db, request.params.visitId)
        const added = alerts.filter((a) => !file.request.alerts.includes(a))
        const removed = file.request.alerts.filter((a) => !alerts.includes(a))
        const why = [...added.map((a) => `alert entered: ${a}`), ...removed.map((a) => `alert taken back: ${a}`)].join(
          '; ',
        )
        const reopened: string[] = []
        await db.transaction(async (tx) => {
          await tx.update(t.patients).set({ alerts }).where(eq(t.patients.id, file.patient.id))
          // Every signed visit of the patient that has not begun: its tray was laid for other alerts.
          const signed = await tx
            .select({ visit: t.visits, plan: t.plans.plan })
            .from(t.visits)
            .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
            .innerJoin(t.plans, eq(t.plans.visitId, t.visits.id))
            .where(eq(t.cases.patientId, file.patient.id))
            .for('update', { of: t.visits })
          for (const { visit, plan } of signed) {
            if (why === '' || (await loadLastEvent(tx, visit.id))) continue
            await tx.delete(t.plans).where(eq(t.plans.visitId, visit.id))
            await releaseCassettes(tx, visit.id)
            await tx
              .update(t.visits)
              .set({ reopened: { plan, at: house.now(), by: person.id, why } })
              .where(eq(t.visits.id, visit.id))
            reopened.push(visit.id)
          }
        })
        for (const id of reopened) house.runs.forget(id)
        const everywhere = await db
          .select({ id: t.visits.id })
          .from(t.visits)
          .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
          .where(eq(t.cases.patientId, file.patient.id))
        for (const { id } of everywhere) changed(id)
        return { alerts, reopened }
      },
    )
  }
