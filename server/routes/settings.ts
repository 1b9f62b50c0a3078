/** What a practice sets for itself: name, notation, zone, chairs, people and codes, who may do what. The dentist's to change. */
import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import type { FastifyRequest } from 'fastify'
import * as z from 'zod'
import { functionName, permission, role, type FunctionTable } from '../../core/practice/functions'
import { practice as practiceSchema } from '../../core/practice/practice'
import { plainDate } from '../../core/record/clock-words'
import type { App, House } from '../app'
import { hashCode } from '../codes'
import * as t from '../db/schema'
import { Problem } from '../problem'
import { codeField, signedIn, type SignedIn } from './session'

const zone = z.string().refine((name) => {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: name }))
  } catch {
    return false
  }
}, 'an IANA time zone as Europe/Vienna')

const practicePatch = z.strictObject({
  name: practiceSchema.shape.name.max(120).optional(),
  notation: z.enum(['iso', 'universal', 'quadrant']).optional(),
  zone: zone.optional(),
  chairs: z.array(z.strictObject({ id: z.string().min(1).max(40), name: z.string().trim().min(1).max(40) })).min(1).max(40).optional(),
})
const line = z.strictObject({ table: z.enum(['cautious', 'expanded']), function: functionName, who: z.enum(['assistant', 'expanded']), permission })
const personBody = z.strictObject({ name: z.string().trim().min(1).max(80), roles: z.array(role).min(1), code: codeField.optional() })

export const settingsRoutes = (house: House) => async (app: App): Promise<void> => {
  const { db } = house.database
  const theDentist = async (request: FastifyRequest): Promise<SignedIn> => {
    const person = await signedIn(house, request)
    if (!person.roles.includes('dentist')) throw new Problem(403, 'dentist-only', 'A dentist of the practice changes the settings.')
    return person
  }
  const changed = (): void => house.hub.broadcast({ event: 'practice', data: {} })

  app.patch('/practice', { schema: { summary: 'Change name, notation, zone or chairs', body: practicePatch } }, async (request) => {
    await theDentist(request)
    const { chairs } = request.body
    if (chairs) {
      const kept = new Set(chairs.map((c) => c.id))
      const used = await db.selectDistinct({ chairId: t.visits.chairId }).from(t.visits)
      const lost = used.find((v) => !kept.has(v.chairId))
      if (lost) throw new Problem(409, 'in-use', `Visits are planned or recorded on chair "${lost.chairId}"; it can be renamed, not taken away.`)
    }
    if (Object.keys(request.body).length > 0) await db.update(t.practices).set(request.body)
    changed()
    return { ok: true }
  })

  app.put('/practice/functions', { schema: { summary: 'Set one line of who may do what; it is signed with the name and the day', body: line } }, async (request) => {
    const person = await theDentist(request)
    const { table, function: fn, who, permission: granted } = request.body
    await db.transaction(async (tx) => {
      const [row] = await tx.select({ functions: t.practices.functions, zone: t.practices.zone }).from(t.practices).limit(1).for('update')
      const lines: FunctionTable = row!.functions[table].map((l) => (l.function === fn ? { ...l, [who]: granted, setBy: person.name, setOn: plainDate(house.now(), row!.zone) } : l))
      await tx.update(t.practices).set({ functions: { ...row!.functions, [table]: lines } })
    })
    changed()
    return { ok: true }
  })

  app.post('/people', { schema: { summary: 'Add a person with a first code', body: personBody.required({ code: true }) } }, async (request, reply) => {
    await theDentist(request)
    const id = `person-${randomUUID().slice(0, 8)}`
    await db.insert(t.people).values({ id, name: request.body.name, roles: request.body.roles, codeHash: await hashCode(request.body.code) })
    changed()
    return reply.status(201).send({ id })
  })

  app.put('/people/:personId', { schema: { summary: 'Change a person’s name or roles, or give a new code', params: z.object({ personId: z.string().max(80) }), body: personBody } }, async (request) => {
    await theDentist(request)
    const { personId } = request.params
    const { code, ...rest } = request.body
    const hash = code === undefined ? {} : { codeHash: await hashCode(code) }
    await db.transaction(async (tx) => {
      const everybody = await tx.select({ id: t.people.id, roles: t.people.roles }).from(t.people)
      if (!everybody.some((p) => p.id === personId)) throw new Problem(404, 'not-found', 'There is no such person.')
      const dentists = everybody.filter((p) => (p.id === personId ? rest.roles : p.roles).includes('dentist'))
      if (dentists.length === 0) throw new Problem(409, 'last-dentist', 'Somebody has to remain a dentist, or nobody could sign or change this again.')
      await tx.update(t.people).set({ ...rest, ...hash }).where(eq(t.people.id, personId))
      // A new code ends what was opened with the old one.
      if (code !== undefined) await tx.delete(t.sessions).where(eq(t.sessions.personId, personId))
    })
    changed()
    return { ok: true }
  })
}
