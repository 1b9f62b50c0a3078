import { roomOf, type Door } from '../house'
import { practiceView } from '../../wire/settings'
import { personView, signInView } from '../../wire/people'
import { eq } from 'drizzle-orm'
import type { FastifyRequest } from 'fastify'
import { id, text } from '../../core/bounded'
import * as z from 'zod'
import type { Who } from '../../core/run/decide'
import type { House } from '../house'
import { codeMatches, newToken, tokenId } from '../codes'
import { note } from '../db/audit'
import * as t from '../db/schema'
import { loadPractice } from '../db/store'
import { Problem } from '../problem'

const cookieName = 'jade'
const sessionMs = 12 * 60 * 60 * 1000
/** A session nobody has used for so long is over: a long visit is shorter. */
const idleMs = 4 * 60 * 60 * 1000
/** How exactly the last use is kept. */
const seenEveryMs = 60_000
/** Wrong codes in a row after which a dentist has to let the person in again. */
const lockAfter = 12
/** A dentist is let in again by time alone, or the practice could be locked out of itself. */
const dentistLockMs = 15 * 60 * 1000

export interface SignedIn {
  id: string
  name: string
  roles: (typeof t.people.$inferSelect)['roles']
}

/** The person this request is signed in as. @throws Problem 401. */
export async function signedIn(house: House, request: FastifyRequest): Promise<SignedIn> {
  const token = request.cookies[cookieName]
  if (token) {
    const [row] = await house.database.db
      .select({
        id: t.people.id,
        name: t.people.name,
        roles: t.people.roles,
        endsAt: t.sessions.endsAt,
        seenAt: t.sessions.seenAt,
        startedAt: t.sessions.startedAt,
      })
      .from(t.sessions)
      .innerJoin(t.people, eq(t.sessions.personId, t.people.id))
      .where(eq(t.sessions.id, tokenId(token)))
    const now = house.now()
    const seenAt = row ? Math.max(row.seenAt, row.startedAt) : 0
    if (row && row.endsAt > now && now - seenAt < idleMs) {
      if (now - seenAt > seenEveryMs)
        await house.database.db
          .update(t.sessions)
          .set({ seenAt: now })
          .where(eq(t.sessions.id, tokenId(token)))
      return { id: row.id, name: row.name, roles: row.roles }
    }
  }
  throw new Problem('not-signed-in', 'Sign in with your code first.')
}

type PersonRow = typeof t.people.$inferSelect
const isLocked = (p: PersonRow, now: number): boolean =>
  p.lockedAt !== null && (!p.roles.includes('dentist') || now - p.lockedAt < dentistLockMs)

/** A person by their own code, for a signature on somebody else's screen. @throws Problem 401, 423 or 429. */
export async function byCode(house: House, personId: string, code: string): Promise<Who> {
  house.attempts.check(personId, house.now())
  const [person] = await house.database.db.select().from(t.people).where(eq(t.people.id, personId))
  if (person && isLocked(person, house.now()))
    throw new Problem(
      'locked',
      person.roles.includes('dentist')
        ? 'Too many wrong codes: locked for a quarter of an hour, or until another dentist lets this one in again.'
        : 'Too many wrong codes: a dentist of the practice lets this person in again, under Settings.',
    )
  if (!person || !(await codeMatches(code, person.codeHash))) {
    house.attempts.failed(personId, house.now())
    if (person) {
      const wrongCodes = person.wrongCodes + 1
      await house.database.db
        .update(t.people)
        .set({ wrongCodes, ...(wrongCodes >= lockAfter ? { lockedAt: house.now() } : {}) })
        .where(eq(t.people.id, personId))
      await note(house.database.db, house.now(), null, wrongCodes >= lockAfter ? 'locked' : 'wrong code', personId)
    }
    throw new Problem('wrong-code', 'That code does not belong to that person.')
  }
  house.attempts.succeeded(personId)
  if (person.wrongCodes > 0)
    await house.database.db.update(t.people).set({ wrongCodes: 0, lockedAt: null }).where(eq(t.people.id, personId))
  return { personId: person.id, roles: person.roles, codeShown: true }
}

export const codeField = text(64, 4, 'a code has at least four digits')

const showPeople: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/people',
    { schema: { response: { 200: z.array(signInView) }, summary: 'Who works here, for signing in' } },
    async () => {
      const people = await db
        .select({ id: t.people.id, name: t.people.name, roles: t.people.roles })
        .from(t.people)
        .orderBy(t.people.name)
      return people.map((p) => (house.shownCodes[p.id] ? { ...p, shownCode: house.shownCodes[p.id] } : p))
    },
  )
}

const whoIsSignedIn: Door = (app, house) => {
  app.get(
    '/session',
    { schema: { response: { 200: personView }, summary: 'Who is signed in on this device' } },
    async (request) => signedIn(house, request),
  )
}

const signIn: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/session',
    {
      schema: {
        response: { 200: personView },
        summary: 'Sign in with a personal code',
        body: z.strictObject({ personId: id(80), code: codeField }),
      },
    },
    async (request, reply) => {
      const who = await byCode(house, request.body.personId, request.body.code)
      // Whoever was signed in on this device before is not any more.
      const before = request.cookies[cookieName]
      if (before) await db.delete(t.sessions).where(eq(t.sessions.id, tokenId(before)))
      const token = newToken()
      const now = house.now()
      await db
        .insert(t.sessions)
        .values({ id: tokenId(token), personId: who.personId, startedAt: now, endsAt: now + sessionMs })
      const [person] = await db
        .select({ id: t.people.id, name: t.people.name, roles: t.people.roles })
        .from(t.people)
        .where(eq(t.people.id, who.personId))
      return reply
        .setCookie(cookieName, token, {
          path: '/',
          httpOnly: true,
          sameSite: 'strict',
          secure: request.protocol === 'https',
          maxAge: sessionMs / 1000,
        })
        .send(person)
    },
  )
}

const signOut: Door = (app, house) => {
  const { db } = house.database
  app.delete(
    '/session',
    { schema: { response: { 204: z.null() }, summary: 'Sign out on this device' } },
    async (request, reply) => {
      const token = request.cookies[cookieName]
      if (token) await db.delete(t.sessions).where(eq(t.sessions.id, tokenId(token)))
      return reply.clearCookie(cookieName, { path: '/' }).status(204).send(null)
    },
  )
}

const showPractice: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/practice',
    {
      schema: {
        response: { 200: practiceView },
        summary: 'The practice: people, chairs, items, burs, lots, cards, functions',
      },
    },
    async (request) => {
      await signedIn(house, request)
      return loadPractice(db)
    },
  )
}

export const sessionRoutes = roomOf(showPeople, whoIsSignedIn, signIn, signOut, showPractice)
