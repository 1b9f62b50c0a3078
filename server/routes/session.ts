import { roomOf, type Door } from '../house'
import { unreadPartView } from '../../wire/unread'
import { practiceView } from '../../wire/settings'
import { personView, signInView } from '../../wire/people'
import { and, desc, eq, inArray, isNull, lt, lte, or, sql } from 'drizzle-orm'
import type { FastifyRequest } from 'fastify'
import { id, text } from '../../core/bounded'
import * as z from 'zod'
import { whyNotCode } from '../../core/practice/code'
import type { Who } from '../../core/run/decide'
import type { House } from '../house'
import { sure } from '../../core/sure'
import type { Try } from '../attempts'
import { codeMatches, newToken, nobodysHash, tokenId } from '../codes'
import { note } from '../db/audit'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { sessionTopic } from '../live/topics'
import { loadPractice, loadPracticeParts } from '../db/store'
import { Problem } from '../problem'

const cookieName = 'jade'
/** Says which device this is; it opens nothing. */
const deviceCookie = 'jade-device'
const ourToken = /^[\w-]{32}$/
const deviceKnownS = 400 * 24 * 60 * 60
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
  /** Why the own code has to be changed before anything else. */
  changeCode?: string
}
/** What a session may do that was opened with a code that is not taken any more. */
const mayAnyway = new Set(['GET /session', 'DELETE /session', 'PUT /session/code'])
/** The door a request has come to, as the table of doors names it. */
const wayOf = (request: FastifyRequest): string =>
  `${request.method} ${(request.routeOptions.url ?? '').replace(/^\/api/, '')}`
const codeToChange = 'Your code is too short, or one that everybody guesses: choose another before you go on.'

/** The sign-in a request comes with, whether or not it stands. */
export function sessionOf(request: FastifyRequest): string | undefined {
  const token = request.cookies[cookieName]
  return token === undefined ? undefined : tokenId(token)
}

const asked = new WeakMap<FastifyRequest, SignedIn>()

/** The person this request is signed in as; looked up once a request. @throws Problem 401. */
export async function signedIn(house: House, request: FastifyRequest): Promise<SignedIn> {
  const before = asked.get(request)
  if (before) return before
  const session = sessionOf(request)
  const row = session === undefined ? undefined : await standing(house, session)
  if (session === undefined || !row) throw new Problem('not-signed-in', 'Sign in with your code first.')
  const now = house.now()
  house.heard.now(session, now, row.seenAt)
  if (now - row.seenAt > seenEveryMs)
    await house.database.db.update(t.sessions).set({ seenAt: now }).where(eq(t.sessions.id, session))
  if (row.codeToChange && !mayAnyway.has(wayOf(request))) throw new Problem('change-code', codeToChange)
  const person = {
    id: row.id,
    name: row.name,
    roles: row.roles,
    ...(row.codeToChange ? { changeCode: codeToChange } : {}),
  }
  asked.set(request, person)
  house.connections.known(request.raw.socket)
  return person
}

/** Whether a sign-in still stands; asking is no use of it. */
export const stillSignedIn = async (house: House, session: string): Promise<boolean> =>
  (await standing(house, session)) !== undefined

/** The sign-in of this id with its person, where it has not ended by its time or unused. */
async function standing(
  house: House,
  session: string,
): Promise<(SignedIn & { seenAt: number; codeToChange: boolean }) | undefined> {
  const [row] = await house.database.db
    .select({
      id: t.people.id,
      name: t.people.name,
      roles: t.people.roles,
      endsAt: t.sessions.endsAt,
      seenAt: t.sessions.seenAt,
      startedAt: t.sessions.startedAt,
      codeToChange: t.sessions.codeToChange,
    })
    .from(t.sessions)
    .innerJoin(t.people, eq(t.sessions.personId, t.people.id))
    .where(and(eq(t.sessions.id, session), isNull(t.people.leftAt)))
  if (!row) return undefined
  const seenAt = Math.max(row.seenAt, row.startedAt)
  return row.endsAt > house.now() && house.now() - seenAt < idleMs ? { ...row, seenAt } : undefined
}

type PersonRow = typeof t.people.$inferSelect
const isLocked = (p: PersonRow, now: number): boolean =>
  p.lockedAt !== null && (!p.roles.includes('dentist') || now - p.lockedAt < dentistLockMs)

/** Where a code is typed: at the sign-in of a device, or for a signature on the screen of somebody who is signed in. */
export type Typed =
  | { for: 'sign-in'; address: string; device: string | undefined }
  | { for: 'signature'; address: string; by: string; device: string }

/** A person has been signed in on this device before. */
async function isKnown(house: House, personId: string, device: string | undefined): Promise<boolean> {
  if (device === undefined) return false
  const { knownDevices: k } = t
  const rows = await house.database.db
    .select({ id: k.id })
    .from(k)
    .where(and(eq(k.id, tokenId(device)), eq(k.personId, personId)))
  return rows.length > 0
}

/** A wrong code is counted where it is counted, and on the trail in any case. */
async function wrong(house: House, personId: string, typed: Typed, counts: boolean): Promise<void> {
  const { db } = house.database
  const now = house.now()
  const from = { address: typed.address, ...(typed.for === 'signature' ? { device: typed.device } : {}) }
  if (!counts) {
    const by = typed.for === 'signature' ? typed.by : null
    return await note(db, now, by, typed.for === 'signature' ? 'refused signature' : 'wrong code', personId, from)
  }
  await db.transaction(async (tx) => {
    // One statement: of many at once each is counted.
    const [counted] = await tx
      .update(t.people)
      .set({
        wrongCodes: sql`${t.people.wrongCodes} + 1`,
        lockedAt: sql`case when ${t.people.wrongCodes} + 1 >= ${lockAfter} then ${now}::bigint else ${t.people.lockedAt} end`,
      })
      .where(eq(t.people.id, personId))
      .returning({ wrongCodes: t.people.wrongCodes })
    await note(tx, now, null, sure(counted).wrongCodes >= lockAfter ? 'locked' : 'wrong code', personId, from)
  })
}

/** Somebody who has shown who they are, and by which code, as it is stored. */
type Known = Who & { codeHash: string }

/**
 * A person by their own code. Guesses at the sign-in of devices that are new to the person lock these out, no others; a
 * signature has a budget of its own, by whoever is signed in on the screen.
 * @throws Problem 401, 423, 429 or 503.
 */
export async function byCode(house: House, personId: string, code: string, typed: Typed): Promise<Known> {
  const now = house.now()
  const tries: Try[] = []
  const back = (): void => tries.forEach((one) => one.back())
  const ofAddress = (): unknown => tries.push(house.attempts.fromAddress(typed.address, now))
  // Whoever shows no device is new here: before anything is asked for them.
  const isNew = typed.for === 'sign-in' && typed.device === undefined
  if (isNew) ofAddress()
  const [person] = await house.database.db
    .select()
    .from(t.people)
    .where(and(eq(t.people.id, personId), isNull(t.people.leftAt)))
  const known = typed.for === 'signature' || (await isKnown(house, personId, typed.device))
  // Where a person is known, what others of the same address have tried stops nobody.
  if (!known && !isNew) ofAddress()
  const place =
    typed.for === 'signature' ? `signature of ${typed.by}` : known ? `device ${typed.device}` : typed.address
  try {
    // Only for people there are: what is asked for by whoever asks is not kept.
    if (person) tries.push(house.attempts.forPerson(personId, place, now))
    if (person && !known && isLocked(person, now))
      throw new Problem(
        'locked',
        person.roles.includes('dentist')
          ? 'Too many wrong codes: locked for a quarter of an hour, or until another dentist lets this one in again.'
          : 'Too many wrong codes: a dentist of the practice lets this person in again, under Settings.',
      )
    const lane = known ? 'known' : { stranger: typed.address }
    const matches = await codeMatches(code, person?.codeHash ?? nobodysHash, lane)
    if (!person || !matches) {
      if (person) await wrong(house, personId, typed, !known)
      throw new Problem('wrong-code', 'That code does not belong to that person.')
    }
  } catch (error) {
    // What was not looked at, because others were before or the budget of a place was used up, was no try.
    if (error instanceof Problem && (error.slug === 'busy' || error.slug === 'too-many-attempts')) back()
    throw error
  }
  for (const one of tries) one.right()
  if (!known && person.wrongCodes > 0)
    await house.database.db.update(t.people).set({ wrongCodes: 0, lockedAt: null }).where(eq(t.people.id, personId))
  return { personId: person.id, roles: person.roles, codeShown: true, codeHash: person.codeHash }
}

export const codeField = text(64, 4, 'a code has at least four digits')

/** The own code of whoever is signed in, with a change that a screen left open must not make. */
export const ownSigner = z.strictObject({ code: codeField })
/**
 * Whoever is signed in shows by their own code, `signer.code` of the body, that it is them. Before the change's transaction
 * is opened: a wrong code is counted and stays on the trail though nothing is changed. @throws Problem 401, 422, 429 or 503
 */
export const confirmed =
  (house: House) =>
  async (request: FastifyRequest): Promise<void> => {
    const { id: by } = await signedIn(house, request)
    const { signer } = z.object({ signer: ownSigner }).parse(request.body)
    await byCode(house, by, signer.code, { for: 'signature', address: request.ip, by, device: 'settings' })
  }

const showPeople: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/people',
    { schema: { response: { 200: z.array(signInView) }, summary: 'Who works here, for signing in' } },
    async () => {
      const people = await db
        .select({ id: t.people.id, name: t.people.name, roles: t.people.roles })
        .from(t.people)
        .where(isNull(t.people.leftAt))
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

/** A sign-in is over, and every screen that lived by it. */
async function endSession(house: House, id: string): Promise<void> {
  house.codesShown.gone(id)
  await house.database.db.delete(t.sessions).where(eq(t.sessions.id, id))
  house.hub.end(sessionTopic(id))
}

const signIn: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/session',
    {
      // Whoever is not signed in yet has little to say.
      bodyLimit: 4 * 1024,
      schema: {
        response: { 200: personView },
        summary: 'Sign in with a personal code',
        body: z.strictObject({ personId: id(80), code: codeField }),
      },
    },
    async (request, reply) => {
      const { personId, code } = request.body
      const shown = request.cookies[deviceCookie]
      const before = shown !== undefined && ourToken.test(shown) ? shown : undefined
      const who = await byCode(house, personId, code, { for: 'sign-in', address: request.ip, device: before })
      // Whoever was signed in on this device before is not any more.
      const earlier = request.cookies[cookieName]
      if (earlier) await endSession(house, tokenId(earlier))
      const token = newToken()
      const now = house.now()
      const codeToBeChanged = whyNotCode(code, who.roles) !== undefined
      const { device, ended, person } = await db.transaction(async (tx) => {
        // Whoever left, or was given another code, while this one was looked at is not signed in by it.
        const [still] = await tx
          .select({ id: t.people.id, name: t.people.name, roles: t.people.roles })
          .from(t.people)
          .where(and(eq(t.people.id, who.personId), isNull(t.people.leftAt), eq(t.people.codeHash, who.codeHash)))
          .for('share')
        if (!still) throw new Problem('wrong-code')
        await tx.insert(t.sessions).values({
          id: tokenId(token),
          personId: who.personId,
          startedAt: now,
          endsAt: now + sessionMs,
          codeToChange: codeToBeChanged,
        })
        const known = await deviceOf(tx, who.personId, before, now)
        await note(tx, now, who.personId, 'signed in', who.personId, {
          address: request.ip,
          device: known === before ? 'known' : 'new to this person',
        })
        return { device: known, ended: await tidied(tx, who.personId, now), person: still }
      })
      house.codesShown.own(tokenId(token), now)
      for (const id of ended) house.hub.end(sessionTopic(id))
      const changeCode = codeToBeChanged ? { changeCode: codeToChange } : {}
      const cookie = { httpOnly: true, sameSite: 'strict', secure: request.protocol === 'https' } as const
      return reply
        .setCookie(cookieName, token, { ...cookie, path: '/', maxAge: sessionMs / 1000 })
        .setCookie(deviceCookie, device, { ...cookie, path: '/api/session', maxAge: deviceKnownS })
        .send({ ...person, ...changeCode })
    },
  )
}

/**
 * By which word this device is known to a person from now on. At a person's first sign-in on it the word is a new one, for all
 * who are known there: one that somebody else has put there, and knows, opens nothing.
 */
async function deviceOf(q: Db, personId: string, before: string | undefined, now: number): Promise<string> {
  const { knownDevices: k } = t
  if (before !== undefined) {
    const own = and(eq(k.id, tokenId(before)), eq(k.personId, personId))
    if ((await q.update(k).set({ seenAt: now }).where(own).returning({ id: k.id })).length > 0) return before
  }
  const fresh = newToken()
  if (before !== undefined)
    await q
      .update(k)
      .set({ id: tokenId(fresh) })
      .where(eq(k.id, tokenId(before)))
  await q.insert(k).values({ id: tokenId(fresh), personId, seenAt: now })
  return fresh
}

/** Sign-ins of one person that stand at once; the oldest ends where another is opened. */
const mostSessions = 30
/** Takes away what has ended by its time or unused, and what one person has too many of. @returns whose screens end with it */
async function tidied(q: Db, personId: string, now: number): Promise<string[]> {
  const { sessions: s, knownDevices: k } = t
  await q.delete(k).where(lt(k.seenAt, now - deviceKnownS * 1000))
  const over = await q
    .delete(s)
    .where(or(lte(s.endsAt, now), lte(sql`greatest(${s.seenAt}, ${s.startedAt})`, now - idleMs)))
    .returning({ id: s.id })
  const own = await q
    .select({ id: s.id })
    .from(s)
    .where(eq(s.personId, personId))
    .orderBy(desc(s.startedAt))
    .offset(mostSessions)
  const many = own.map((x) => x.id)
  if (many.length > 0) await q.delete(s).where(inArray(s.id, many))
  return [...over.map((x) => x.id), ...many]
}

const signOut: Door = (app, house) => {
  app.delete(
    '/session',
    { schema: { response: { 204: z.null() }, summary: 'Sign out on this device' } },
    async (request, reply) => {
      const token = request.cookies[cookieName]
      if (token) await endSession(house, tokenId(token))
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
    async () => {
      return loadPractice(db)
    },
  )
}

const showUnread: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/practice/unread',
    {
      schema: {
        response: { 200: z.array(unreadPartView) },
        summary: 'Parts of the practice that this version of the program cannot read, as they lie there',
      },
    },
    async () => (await loadPracticeParts(db)).unread,
  )
}

export const sessionRoutes = roomOf(showPeople, whoIsSignedIn, signIn, signOut, showPractice, showUnread)
