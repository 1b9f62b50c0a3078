/** The people of the practice, and who is locked out. */
import { roomOf, type Door } from '../house'
import { tellPractice } from './tell'
import { lockedView } from '../../wire/settings'
import { done, made } from '../../wire/noun'
import { randomUUID } from 'node:crypto'
import { and, eq, isNotNull, isNull, ne } from 'drizzle-orm'
import { id, line } from '../../core/bounded'
import * as z from 'zod'
import { whyNotCode } from '../../core/practice/code'
import { role, type Role } from '../../core/practice/functions'
import { hashCode } from '../codes'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { Problem } from '../problem'
import { asSeen } from '../saw'
import { codeField, confirmed, ownSigner, sessionOf, signedIn } from './session'
import { sure } from '../../core/sure'
import { sessionTopic } from '../live/topics'

const personBody = z.strictObject({
  name: line(80),
  roles: z.array(role).min(1).max(role.options.length),
  code: codeField.optional(),
  /** What stood on the screen. */
  saw: z.strictObject({ name: line(80), roles: z.array(role).max(role.options.length) }).optional(),
  /** The dentist's own code who changes this: a screen that was left open changes nobody. */
  signer: ownSigner,
})

/** Held against the rules for new codes. @throws Problem 422 */
export function takenAsNew(code: string, roles: readonly Role[]): void {
  const why = whyNotCode(code, roles)
  if (why !== undefined) throw new Problem('invalid', `code: ${why}`, { errors: [{ path: 'code', message: why }] })
}

const addPerson: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/people',
    {
      preHandler: confirmed(house),
      schema: {
        response: { 201: made },
        summary: 'Add a person with a first code',
        body: personBody.required({ code: true }),
      },
    },
    async (request, reply) => {
      takenAsNew(request.body.code, request.body.roles)
      const id = `person-${randomUUID().slice(0, 8)}`
      await db.insert(t.people).values({
        id,
        name: request.body.name,
        roles: request.body.roles,
        codeHash: await hashCode(request.body.code),
      })
      tellPractice(house)
      reply.status(201)
      return { id }
    },
  )
}

const setPerson: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/people/:personId',
    {
      preHandler: confirmed(house),
      schema: {
        response: { 200: done },
        summary: 'Change a person’s name or roles, or give a new code',
        params: z.object({ personId: id(80) }),
        body: personBody,
      },
    },
    async (request) => {
      const { personId } = request.params
      const { code, signer: _, saw, ...rest } = request.body
      if (code !== undefined) takenAsNew(code, rest.roles)
      const hash = code === undefined ? {} : { codeHash: await hashCode(code), wrongCodes: 0, lockedAt: null }
      await db.transaction(async (tx) => {
        const everybody = await tx
          .select({ id: t.people.id, name: t.people.name, roles: t.people.roles, leftAt: t.people.leftAt })
          .from(t.people)
          .for('update')
        const now = everybody.find((p) => p.id === personId)
        if (!now) throw new Problem('not-found', 'There is no such person.')
        if (saw) asSeen(saw, { name: now.name, roles: now.roles }, (x) => `${x.name}, ${x.roles.join(', ')}`)
        const dentists = everybody.filter(
          (p) => p.leftAt === null && (p.id === personId ? rest.roles : p.roles).includes('dentist'),
        )
        if (dentists.length === 0)
          throw new Problem(
            'last-dentist',
            'Somebody has to remain a dentist, or nobody could sign or change this again.',
          )
        const [first] = rest.roles.includes('dentist') ? [] : (await plannedWith(tx, personId)).toSorted()
        if (first !== undefined)
          throw new Problem(
            'in-use',
            `Visits are planned with ${rest.name} as the dentist, the first on ${first}; give them to another dentist first.`,
          )
        await tx
          .update(t.people)
          .set({ ...rest, ...hash })
          .where(eq(t.people.id, personId))
        // A new code ends what was opened with the old one.
        if (code !== undefined) await tx.delete(t.sessions).where(eq(t.sessions.personId, personId))
      })
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

const showLocked: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/people/locked',
    { schema: { response: { 200: lockedView }, summary: 'Who is locked out by wrong codes, for a dentist' } },
    async () => {
      return {
        locked: (await db.select({ id: t.people.id }).from(t.people).where(isNotNull(t.people.lockedAt))).map(
          (p) => p.id,
        ),
      }
    },
  )
}

const unlock: Door = (app, house) => {
  const { db } = house.database
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
      const rows = await db
        .update(t.people)
        .set({ wrongCodes: 0, lockedAt: null })
        .where(eq(t.people.id, request.params.personId))
        .returning({ id: t.people.id })
      if (rows.length === 0) throw new Problem('not-found', 'There is no such person.')
      house.attempts.forget(request.params.personId)
      return { ok: true as const }
    },
  )
}

const setOwnCode: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/session/code',
    {
      preHandler: confirmed(house),
      schema: {
        response: { 200: done },
        summary: 'Change one’s own code; every other device is signed out',
        body: z.strictObject({ code: codeField, signer: ownSigner }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      takenAsNew(request.body.code, person.roles)
      const codeHash = await hashCode(request.body.code)
      const here = sure(sessionOf(request))
      const others = await db.transaction(async (tx) => {
        await tx.update(t.people).set({ codeHash, wrongCodes: 0, lockedAt: null }).where(eq(t.people.id, person.id))
        await tx.update(t.sessions).set({ codeToChange: false }).where(eq(t.sessions.id, here))
        return tx
          .delete(t.sessions)
          .where(and(eq(t.sessions.personId, person.id), ne(t.sessions.id, here)))
          .returning({ id: t.sessions.id })
      })
      for (const { id: other } of others) house.hub.end(sessionTopic(other))
      return { ok: true as const }
    },
  )
}

/** The days of visits not over yet that are planned with a person as their dentist. */
async function plannedWith(q: Db, personId: string): Promise<string[]> {
  const planned = await q
    .select({ day: t.visits.day, team: t.visits.team })
    .from(t.visits)
    .leftJoin(t.records, eq(t.records.visitId, t.visits.id))
    .where(isNull(t.records.visitId))
  return planned.filter((v) => v.team.dentist === personId).map((v) => v.day)
}

const leave: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/people/:personId/left',
    {
      preHandler: confirmed(house),
      schema: {
        response: { 200: done },
        summary: 'A person works here no more, or does again: off the sign-in list, and what they did stays theirs',
        params: z.object({ personId: id(80) }),
        body: z.strictObject({ left: z.boolean(), signer: ownSigner }),
      },
    },
    async (request) => {
      const { personId } = request.params
      const { left } = request.body
      const ended = await db.transaction(async (tx) => {
        const everybody = await tx
          .select({ id: t.people.id, roles: t.people.roles, leftAt: t.people.leftAt })
          .from(t.people)
        if (!everybody.some((p) => p.id === personId)) throw new Problem('not-found', 'There is no such person.')
        if (left && !everybody.some((p) => p.id !== personId && p.leftAt === null && p.roles.includes('dentist')))
          throw new Problem('last-dentist')
        const [first] = left ? (await plannedWith(tx, personId)).toSorted() : []
        if (first !== undefined)
          throw new Problem(
            'in-use',
            `Visits are planned with this dentist, the first on ${first}; give them to another dentist first.`,
          )
        await tx
          .update(t.people)
          .set({ leftAt: left ? house.now() : null, wrongCodes: 0, lockedAt: null })
          .where(eq(t.people.id, personId))
        if (!left) return []
        await tx.delete(t.knownDevices).where(eq(t.knownDevices.personId, personId))
        return tx.delete(t.sessions).where(eq(t.sessions.personId, personId)).returning({ id: t.sessions.id })
      })
      for (const { id: session } of ended) house.hub.end(sessionTopic(session))
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

export const peopleRoutes = roomOf(addPerson, setPerson, leave, showLocked, unlock, setOwnCode)
