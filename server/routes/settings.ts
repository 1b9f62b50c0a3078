/** What a practice sets for itself: name, notation, zone, chairs, people and codes, who may do what. The dentist's to change. */
import { sure } from '../../core/sure'
import { amendmentView, amendmentsTakenView, auditView, lockedView } from '../../wire/settings'
import { done, made } from '../../wire/noun'
import { randomUUID } from 'node:crypto'
import { desc, eq, isNotNull, isNull, lt } from 'drizzle-orm'
import type { FastifyRequest } from 'fastify'
import { id, text, whole, wholeFrom } from '../../core/bounded'
import * as z from 'zod'
import { functionName, permission, role, type FunctionTable } from '../../core/practice/functions'
import { amendment, amendmentFile } from '../../core/practice/amendment'
import { dayRules } from '../../core/practice/day-rules'
import { instruments } from '../../core/practice/instruments'
import { amountIn, ruleId, ruleRow } from '../../core/rules'
import { card, practice as practiceSchema } from '../../core/practice/practice'
import { plainDate } from '../../core/clock'
import type { App, House } from '../house'
import { hashCode } from '../codes'
import * as t from '../db/schema'
import { Problem } from '../problem'
import { codeField, signedIn, type SignedIn } from './session'

const zone = id(80).refine((name) => {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: name }))
  } catch {
    return false
  }
}, 'an IANA time zone as Europe/Vienna')

const practicePatch = z.strictObject({
  name: text(120).optional(),
  notation: z.enum(['iso', 'universal', 'quadrant']).optional(),
  zone: zone.optional(),
  light: practiceSchema.shape.light.unwrap().optional(),
  laboratoryDays: whole(1, 60).optional(),
  day: dayRules.optional(),
  instruments: instruments.optional(),
  useLearned: z.boolean().optional(),
  chairs: z
    .array(z.strictObject({ id: id(40), name: text(40) }))
    .min(1)
    .max(40)
    .optional(),
})
const line = z.strictObject({
  table: z.enum(['cautious', 'expanded']),
  function: functionName,
  who: z.enum(['assistant', 'expanded']),
  permission,
})
const personBody = z.strictObject({
  name: text(80),
  roles: z.array(role).min(1).max(role.options.length),
  code: codeField.optional(),
})

export const settingsRoutes =
  (house: House) =>
  async (app: App): Promise<void> => {
    const { db } = house.database
    const theDentist = async (request: FastifyRequest): Promise<SignedIn> => {
      const person = await signedIn(house, request)
      if (!person.roles.includes('dentist'))
        throw new Problem('dentist-only', 'A dentist of the practice changes the settings.')
      return person
    }
    const changed = (): void => house.hub.broadcast({ event: 'practice', data: {} })

    app.patch(
      '/practice',
      { schema: { response: { 200: done }, summary: 'Change name, notation, zone or chairs', body: practicePatch } },
      async (request) => {
        await theDentist(request)
        const { chairs } = request.body
        if (chairs) {
          const kept = new Set(chairs.map((c) => c.id))
          const used = await db.selectDistinct({ chairId: t.visits.chairId }).from(t.visits)
          const lost = used.find((v) => !kept.has(v.chairId))
          if (lost)
            throw new Problem(
              'in-use',
              `Visits are planned or recorded on chair "${lost.chairId}"; it can be renamed, not taken away.`,
            )
        }
        if (Object.keys(request.body).length > 0) await db.update(t.practices).set(request.body)
        changed()
        return { ok: true as const }
      },
    )

    app.put(
      '/practice/functions',
      {
        schema: {
          response: { 200: done },
          summary: 'Set one line of who may do what; it is signed with the name and the day',
          body: line,
        },
      },
      async (request) => {
        const person = await theDentist(request)
        const { table, function: fn, who, permission: granted } = request.body
        await db.transaction(async (tx) => {
          const [row] = await tx
            .select({ functions: t.practices.functions, zone: t.practices.zone })
            .from(t.practices)
            .limit(1)
            .for('update')
          const lines: FunctionTable = sure(row).functions[table].map((l) =>
            l.function === fn
              ? { ...l, [who]: granted, setBy: person.name, setOn: plainDate(house.now(), sure(row).zone) }
              : l,
          )
          await tx.update(t.practices).set({ functions: { ...sure(row).functions, [table]: lines } })
        })
        changed()
        return { ok: true as const }
      },
    )

    app.put(
      '/practice/cards',
      {
        schema: {
          response: { 200: done },
          summary: 'Set a dentist’s card: the schools picked, the holds added',
          body: card,
        },
      },
      async (request) => {
        const person = await theDentist(request)
        if (request.body.dentistId !== person.id)
          throw new Problem('own-card', 'A card is set by the dentist whose card it is.')
        await db.transaction(async (tx) => {
          const [row] = await tx.select({ cards: t.practices.cards }).from(t.practices).limit(1).for('update')
          await tx
            .update(t.practices)
            .set({ cards: [...sure(row).cards.filter((c) => c.dentistId !== person.id), request.body] })
        })
        changed()
        return { ok: true as const }
      },
    )

    app.put(
      '/practice/rules',
      {
        schema: {
          response: { 200: done },
          summary: 'Set one of the library’s times or amounts as this practice has it; null takes the library’s back',
          body: z.strictObject({ rule: ruleId, value: z.number().min(-1_000_000).max(1_000_000).nullable() }),
        },
      },
      async (request) => {
        const person = await theDentist(request)
        const { rule, value } = request.body
        const { title, from, to, unit } = ruleRow(rule)
        if (value !== null && (value < from || value > to))
          throw new Problem(
            'invalid',
            `${title}: from ${amountIn(from, unit)} to ${amountIn(to, unit)}; beyond that it is asked of the dentist visit by visit.`,
            { errors: [{ path: 'value', message: `from ${from} to ${to}` }] },
          )
        await db.transaction(async (tx) => {
          const [row] = await tx
            .select({ rules: t.practices.rules, zone: t.practices.zone })
            .from(t.practices)
            .limit(1)
            .for('update')
          const { [rule]: _, ...others } = sure(row).rules
          const own =
            value === null ? {} : { [rule]: { value, by: person.name, on: plainDate(house.now(), sure(row).zone) } }
          await tx.update(t.practices).set({ rules: { ...others, ...own } })
        })
        changed()
        return { ok: true as const }
      },
    )

    app.get(
      '/practice/amendments',
      { schema: { response: { 200: amendmentFile }, summary: 'The practice’s amendments as a file' } },
      async (request, reply) => {
        await signedIn(house, request)
        const [row] = await db.select({ amendments: t.practices.amendments }).from(t.practices).limit(1)
        return reply
          .header('content-disposition', 'attachment; filename="amendments.json"')
          .send({ format: 'jade-tray amendments', version: 1, amendments: sure(row).amendments })
      },
    )

    app.post(
      '/practice/amendments',
      {
        schema: {
          response: { 201: amendmentView },
          summary: 'Amend a kind of visit; signed with the name and the day',
          body: amendment.omit({ id: true, by: true, on: true }),
        },
      },
      async (request, reply) => {
        const person = await theDentist(request)
        const made = await db.transaction(async (tx) => {
          const [row] = await tx
            .select({ amendments: t.practices.amendments, zone: t.practices.zone })
            .from(t.practices)
            .limit(1)
            .for('update')
          const one = {
            ...request.body,
            id: `am-${randomUUID().slice(0, 8)}`,
            by: person.name,
            on: plainDate(house.now(), sure(row).zone),
          }
          await tx.update(t.practices).set({ amendments: [...sure(row).amendments, one] })
          return one
        })
        changed()
        return reply.status(201).send(made)
      },
    )

    app.put(
      '/practice/amendments',
      {
        schema: {
          response: { 200: amendmentsTakenView },
          summary: 'Take amendments in from a file: new ones are added, known ones replaced, none is lost',
          body: amendmentFile,
        },
      },
      async (request) => {
        await theDentist(request)
        const incoming = new Map(request.body.amendments.map((a) => [a.id, a]))
        const total = await db.transaction(async (tx) => {
          const [row] = await tx.select({ amendments: t.practices.amendments }).from(t.practices).limit(1).for('update')
          const kept = sure(row).amendments.map((a) => incoming.get(a.id) ?? a)
          const fresh = [...incoming.values()].filter((a) => !kept.some((k) => k.id === a.id))
          await tx.update(t.practices).set({ amendments: [...kept, ...fresh] })
          return { added: fresh.length, replaced: incoming.size - fresh.length }
        })
        changed()
        return total
      },
    )

    app.delete(
      '/practice/amendments/:id',
      {
        schema: {
          response: { 200: done },
          summary: 'Take an amendment back',
          params: z.object({ id: id(80) }),
        },
      },
      async (request) => {
        await theDentist(request)
        await db.transaction(async (tx) => {
          const [row] = await tx.select({ amendments: t.practices.amendments }).from(t.practices).limit(1).for('update')
          if (!sure(row).amendments.some((a) => a.id === request.params.id))
            throw new Problem('not-found', 'There is no such amendment.')
          await tx
            .update(t.practices)
            .set({ amendments: sure(row).amendments.filter((a) => a.id !== request.params.id) })
        })
        changed()
        return { ok: true as const }
      },
    )

    app.post(
      '/people',
      {
        schema: {
          response: { 201: made },
          summary: 'Add a person with a first code',
          body: personBody.required({ code: true }),
        },
      },
      async (request, reply) => {
        await theDentist(request)
        const id = `person-${randomUUID().slice(0, 8)}`
        await db.insert(t.people).values({
          id,
          name: request.body.name,
          roles: request.body.roles,
          codeHash: await hashCode(request.body.code),
        })
        changed()
        return reply.status(201).send({ id })
      },
    )

    app.put(
      '/people/:personId',
      {
        schema: {
          response: { 200: done },
          summary: 'Change a person’s name or roles, or give a new code',
          params: z.object({ personId: id(80) }),
          body: personBody,
        },
      },
      async (request) => {
        await theDentist(request)
        const { personId } = request.params
        const { code, ...rest } = request.body
        const hash = code === undefined ? {} : { codeHash: await hashCode(code), wrongCodes: 0, lockedAt: null }
        await db.transaction(async (tx) => {
          const everybody = await tx.select({ id: t.people.id, roles: t.people.roles }).from(t.people)
          if (!everybody.some((p) => p.id === personId)) throw new Problem('not-found', 'There is no such person.')
          const dentists = everybody.filter((p) => (p.id === personId ? rest.roles : p.roles).includes('dentist'))
          if (dentists.length === 0)
            throw new Problem(
              'last-dentist',
              'Somebody has to remain a dentist, or nobody could sign or change this again.',
            )
          const planned = rest.roles.includes('dentist')
            ? []
            : await tx
                .select({ day: t.visits.day, team: t.visits.team })
                .from(t.visits)
                .leftJoin(t.records, eq(t.records.visitId, t.visits.id))
                .where(isNull(t.records.visitId))
          const own = planned.filter((v) => v.team.dentist === personId)
          if (own.length > 0)
            throw new Problem(
              'in-use',
              `Visits are planned with ${rest.name} as the dentist, the first on ${own.map((v) => v.day).toSorted()[0]}; give them to another dentist first.`,
            )
          await tx
            .update(t.people)
            .set({ ...rest, ...hash })
            .where(eq(t.people.id, personId))
          // A new code ends what was opened with the old one.
          if (code !== undefined) await tx.delete(t.sessions).where(eq(t.sessions.personId, personId))
        })
        changed()
        return { ok: true as const }
      },
    )

    app.get(
      '/people/locked',
      { schema: { response: { 200: lockedView }, summary: 'Who is locked out by wrong codes, for a dentist' } },
      async (request) => {
        await theDentist(request)
        return {
          locked: (await db.select({ id: t.people.id }).from(t.people).where(isNotNull(t.people.lockedAt))).map(
            (p) => p.id,
          ),
        }
      },
    )
    app.post(
      '/people/:personId/unlock',
      {
        schema: {
          response: { 200: done },
          summary: 'Let a person in again after too many wrong codes',
          params: z.object({ personId: id(80) }),
        },
      },
      async (request) => {
        await theDentist(request)
        const rows = await db
          .update(t.people)
          .set({ wrongCodes: 0, lockedAt: null })
          .where(eq(t.people.id, request.params.personId))
          .returning({ id: t.people.id })
        if (rows.length === 0) throw new Problem('not-found', 'There is no such person.')
        house.attempts.succeeded(request.params.personId)
        return { ok: true as const }
      },
    )

    app.get(
      '/audit',
      {
        schema: {
          response: { 200: auditView },
          summary: 'The trail of changes, newest first, for a dentist',
          querystring: z.object({
            before: wholeFrom(1).optional(),
            limit: wholeFrom(1, 200).default(50),
          }),
        },
      },
      async (request) => {
        await theDentist(request)
        const { before, limit } = request.query
        const rows = await db
          .select()
          .from(t.audit)
          .where(before === undefined ? undefined : lt(t.audit.id, before))
          .orderBy(desc(t.audit.id))
          .limit(limit)
        return { rows }
      },
    )
  }
