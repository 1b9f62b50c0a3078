/** The tray of a visit: checked off, exchanged, signed, taken back. */
import type { FastifyRequest } from 'fastify'
import type { Who } from '../../core/run/decide'
import { dayTopic, visitTopic } from '../live/topics'
import { roomOf, type Door } from '../house'
import { done } from '../../wire/noun'
import { marksView, signedView, swapsView } from '../../wire/visit'
import { toStore } from '../../core/model/upgrade'
import { forecast } from '../../core/schedule/simulate'
import { Problem } from '../problem'
import { asSeen } from '../saw'
import { and, eq, inArray } from 'drizzle-orm'
import { id } from '../../core/bounded'
import * as z from 'zod'
import { compile } from '../../core/plan/compile'
import { type VisitRequest } from '../../core/model/request'
import { checkable, trayReadiness } from '../../core/plan/ready'
import { assignCassettes, releaseCassettes } from '../db/instruments'
import * as t from '../db/schema'
import { loadMarks, loadHead } from '../db/store'
import { byCode, codeField, signedIn } from './session'

import { openNow, shutAt, visitAt, visitParams } from './visit'
import { tellOf } from './tell'

/** Enough for the eighth of ten to stand to a minute, and no wait at the tray. */
const forecastDraws = 2_000

const markTray: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/visits/:visitId/tray',
    {
      schema: {
        response: { 200: marksView },
        summary: 'Check places of the tray off, or take it back',
        params: visitParams,
        body: z.strictObject({ lineIds: z.array(id()).min(1).max(200), done: z.boolean() }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const { visitId } = request.params
      const { lineIds, done } = request.body
      const { file, practice } = await visitAt(db, 'PUT /visits/:visitId/tray', visitId)
      const known = new Set(checkable(compile(file.request, practice)).map((l) => l.id))
      const stranger = lineIds.find((id) => !known.has(id))
      if (stranger !== undefined) throw new Problem('not-found', `There is no place "${stranger}" on this tray.`)
      if (done)
        await db
          .insert(t.trayMarks)
          .values(lineIds.map((lineId) => ({ visitId, lineId, by: person.id, at: house.now() })))
          .onConflictDoNothing()
      else
        await db.delete(t.trayMarks).where(and(eq(t.trayMarks.visitId, visitId), inArray(t.trayMarks.lineId, lineIds)))
      const marks = await loadMarks(db, visitId)
      house.hub.send(visitTopic(visitId), { event: 'tray', data: { visitId, marks } })
      house.hub.send(dayTopic, { event: 'day', data: { visitId } })
      return { marks }
    },
  )
}

const swapItem: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/visits/:visitId/swaps',
    {
      schema: {
        response: { 200: swapsView },
        summary: 'Lay out another item instead of the one planned',
        params: visitParams,
        body: z.strictObject({
          from: id(),
          to: id().nullable(),
          /** What lay there instead; null for what is planned. */ saw: id().nullable().optional(),
        }),
      },
    },
    async (request) => {
      const { visitId } = request.params
      const { file, practice } = await visitAt(db, 'PUT /visits/:visitId/swaps', visitId)
      const { from, to, saw } = request.body
      const stands = file.request.swaps[from] ?? null
      const nameOf = (one: string): string => practice.items.find((i) => i.id === one)?.name ?? one
      if (saw !== undefined) asSeen(saw, stands, (now) => nameOf(now ?? from))
      const items = new Set(practice.items.map((i) => i.id))
      // What is not in the cupboard any more is let go of by the way.
      const swaps: VisitRequest['swaps'] = Object.fromEntries(
        Object.entries(file.request.swaps).filter(([of, by]) => of !== from && items.has(of) && items.has(by)),
      )
      if (to !== null) {
        const stranger = [from, to].find((one) => !items.has(one))
        if (stranger !== undefined) throw new Problem('not-found', `There is no item "${stranger}" in the cupboard.`)
        swaps[from] = to
      }
      await db.update(t.visits).set({ swaps }).where(eq(t.visits.id, visitId))
      tellOf(house, visitId)
      return { swaps }
    },
  )
}

/** Who showed by their own code, with a request, that it is them. */
const answering = new WeakMap<FastifyRequest, Who>()

const signTray: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/visits/:visitId/tray/sign',
    {
      // Before the transaction is opened: a wrong code is counted though nothing is signed.
      preHandler: async (request) => {
        const { signer } = request.body
        if (!signer) return
        const { id: by } = await signedIn(house, request)
        const typed = { for: 'signature', address: request.ip, by, device: 'tray' } as const
        answering.set(request, await byCode(house, signer.personId, signer.code, typed))
      },
      schema: {
        response: { 200: signedView },
        summary: 'Sign the tray: the plan is frozen',
        params: visitParams,
        body: z.strictObject({
          acknowledged: z.array(id(400)).max(200),
          /** The cassettes that were taken, each held against the shelf. */
          cassettes: z.array(id(40)).max(20).default([]),
          /** The dentist who answers what a clash leaves to them. */
          signer: z.strictObject({ personId: id(80), code: codeField }).optional(),
        }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const { visitId } = request.params
      const { file, practice } = await visitAt(db, 'POST /visits/:visitId/tray/sign', visitId)
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
        throw new Problem('not-ready', 'The tray cannot be signed yet.', {
          missing: readiness.missing.map((l) => l.name),
          unread,
          blocked: readiness.blocked,
        })
      }
      const dentist = answering.get(request)
      if (readiness.forDentist.length > 0 && !dentist?.roles.includes('dentist'))
        throw new Problem(
          'dentist-answers',
          `A dentist answers this, with their own code: ${readiness.forDentist.map((a) => a.text).join(' ')}`,
          { unread: readiness.forDentist.map((a) => a.text) },
        )
      const signedAt = house.now()
      await db.transaction(async (tx) => {
        const rows = await tx
          .insert(t.plans)
          .values({
            visitId,
            plan: toStore(plan),
            signedBy: person.id,
            signedAt,
            acknowledged: request.body.acknowledged,
            answeredBy: readiness.forDentist.length > 0 ? (dentist?.personId ?? null) : null,
          })
          .onConflictDoNothing()
          .returning({ visitId: t.plans.visitId })
        if (rows.length === 0) throw shutAt('laid up')
        const confirmed = { by: person.id, ids: request.body.cassettes }
        const of = { id: visitId, at: signedAt, confirmed }
        const { missing, unconfirmed } = await assignCassettes(tx, of, plan, practice.instruments)
        if (missing.length > 0)
          throw new Problem(
            'none-sterile',
            'The tray cannot be signed on cassettes that are not released as sterile.',
            {
              missing: missing.map((type) => `No sterile ${type} cassette is in the cupboard.`),
            },
          )
        if (unconfirmed.length > 0)
          throw new Problem('not-ready', 'The tray cannot be signed yet.', {
            unread: unconfirmed.map((type) => `Which ${type} cassette is it? Hold it against the shelf.`),
          })
        // What is forecast now is held against what comes.
        const { likelyS, eightInTenS } = forecast(plan, forecastDraws)
        await tx.update(t.visits).set({ forecast: { likelyS, eightInTenS } }).where(eq(t.visits.id, visitId))
      })
      if (file.visit.reopened) await db.update(t.visits).set({ reopened: null }).where(eq(t.visits.id, visitId))
      tellOf(house, visitId)
      return { signedBy: person.id, signedAt }
    },
  )
}

const reopenTray: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/visits/:visitId/tray/reopen',
    {
      schema: {
        response: { 200: done },
        summary: 'Take the signature back, before the visit has begun',
        params: visitParams,
      },
    },
    async (request) => {
      const { visitId } = request.params
      await loadHead(db, visitId)
      await db.transaction(async (tx) => {
        await openNow(tx, 'POST /visits/:visitId/tray/reopen', visitId)
        await tx.delete(t.plans).where(eq(t.plans.visitId, visitId))
        await releaseCassettes(tx, visitId)
      })
      tellOf(house, visitId)
      return { ok: true as const }
    },
  )
}

export const trayRoutes = roomOf(markTray, swapItem, signTray, reopenTray)
