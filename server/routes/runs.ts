import { roomOf, type Door, type House } from '../house'
import { sure } from '../../core/sure'
import { recordView } from '../../wire/visit'
import { commandView, eventsView, neededView } from '../../wire/run'
import { and, eq, gte, isNull, lte } from 'drizzle-orm'
import { id, text, whole, wholeFrom } from '../../core/bounded'
import * as z from 'zod'
import { plainDate } from '../../core/clock'
import { composeNote, withAddenda } from '../../core/record/note'
import { command, type Command } from '../../core/run/events'
import { rulesOf } from '../../core/rules'
import { signsByTouch } from '../../core/run/one-touch'
import { wantedOf } from '../../core/run/wanted'
import { longestWaitS } from '../../core/run/queue'
import type { Who } from '../../core/run/decide'
import * as t from '../db/schema'
import { loadEvents, loadFrozenPlan, loadPractice, loadHead, zoneOf } from '../db/store'
import { eachRead, reading } from '../db/unread'
import { Problem } from '../problem'
import { byCode, codeField, sessionOf, signedIn, type SignedIn } from './session'
import { visitParams } from './visit'

const envelope = z.strictObject({
  commandId: text(80, 8),
  basedOn: whole(),
  device: id(80),
  /** How long the touch waited on its device while the server was not heard, seconds. */
  waitedS: z.number().min(0).max(longestWaitS).optional(),
  command,
  /** Who signs with their own code, on whichever screen is at hand. */
  signer: z.strictObject({ personId: id(80), code: codeField }).optional(),
})

const showNeeded: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/needed',
    {
      schema: {
        response: { 200: neededView },
        summary: 'What waits for the person signed in, over all visits that run: words not seen, signatures asked for',
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const [practice] = await db
        .select({ zone: t.practices.zone, chairs: t.practices.chairs })
        .from(t.practices)
        .limit(1)
      const today = plainDate(house.now(), sure(practice).zone)
      const yesterday = plainDate(house.now() - 86_400_000, sure(practice).zone)
      const rows = await db
        .select({ visit: t.visits, patient: t.patients })
        .from(t.visits)
        .innerJoin(t.plans, eq(t.plans.visitId, t.visits.id))
        .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
        .innerJoin(t.patients, eq(t.cases.patientId, t.patients.id))
        // A visit that began before midnight is of yesterday, and goes on.
        .leftJoin(t.records, eq(t.records.visitId, t.visits.id))
        .where(and(gte(t.visits.day, yesterday), lte(t.visits.day, today), isNull(t.records.visitId)))
      // One that cannot be read asks for nothing here; the day says that it is there.
      const { read: wanted } = await eachRead(rows, async ({ visit, patient }) => {
        const { plan, state } = await house.runs.state(visit.id)
        return wantedOf(plan, state, person.id).map((w) => ({
          visitId: visit.id,
          chair: sure(practice).chairs.find((c) => c.id === visit.chairId)?.name ?? visit.chairId,
          patient: patient.name,
          ...w,
        }))
      })
      return { wanted: wanted.flat().toSorted((a, b) => a.since - b.since) }
    },
  )
}

const showEvents: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/visits/:visitId/events',
    {
      schema: {
        response: { 200: eventsView },
        summary: 'The run’s events after a sequence number',
        params: visitParams,
        querystring: z.object({ after: wholeFrom().default(0) }),
      },
    },
    async (request) => {
      await loadHead(db, request.params.visitId)
      return { events: await loadEvents(db, request.params.visitId, request.query.after), now: house.now() }
    },
  )
}

/** Whoever is signed in, with a touch; it stands for the code where the own one was given on this device a while ago. */
async function byTouch(
  house: House,
  visitId: string,
  { kind, ...c }: Command,
  person: SignedIn,
  session: string,
): Promise<Who> {
  const who = { personId: person.id, roles: person.roles, codeShown: false }
  if (kind !== 'sign' || !person.roles.includes('dentist')) return who
  const { plan } = await house.runs.state(visitId)
  const hold = plan.holds.find((h) => 'holdId' in c && h.id === c.holdId)
  const rules = rulesOf((await loadPractice(house.database.db)).rules)
  const codeAgoS = house.codesShown.agoS(session, house.now())
  return hold && signsByTouch(hold, codeAgoS, rules) ? { ...who, codeShown: true, codeAgoS } : who
}

const takeCommand: Door = (app, house) => {
  app.post(
    '/visits/:visitId/commands',
    {
      schema: {
        response: { 200: commandView },
        summary: 'Ask for something in a run; answered once it is stored',
        params: visitParams,
        body: envelope,
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const { signer, ...rest } = request.body
      const session = sure(sessionOf(request))
      const who: Who = signer
        ? await byCode(house, signer.personId, signer.code, {
            for: 'signature',
            address: request.ip,
            by: person.id,
            device: rest.device,
          })
        : await byTouch(house, request.params.visitId, rest.command, person, session)
      if (signer && signer.personId === person.id) house.codesShown.own(session, house.now())
      else if (signer) house.codesShown.gone(session)
      // That it waited is believed for as long as nothing was heard of its device.
      const silentS = house.heard.waitedAtMost(session, house.now()) / 1000
      const waitedS = Math.min(rest.waitedS ?? 0, silentS)
      return house.runs.command(
        request.params.visitId,
        { ...rest, waitedS, ...(who.personId === person.id ? {} : { via: person.id }) },
        who,
      )
    },
  )
}

const showRecord: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/visits/:visitId/record',
    {
      schema: {
        response: { 200: recordView },
        summary: 'The chart note: as kept at closing, or as it reads now',
        params: visitParams,
      },
    },
    async (request) => {
      const { visitId } = request.params
      const file = await loadHead(db, visitId)
      const [kept] = await db.select().from(t.records).where(eq(t.records.visitId, visitId))
      if (kept) {
        const events = await loadEvents(db, visitId)
        const people = await db.select({ id: t.people.id, name: t.people.name }).from(t.people)
        return { note: withAddenda(kept.note, events, await zoneOf(db), people), closedAt: kept.closedAt }
      }
      const frozen = await loadFrozenPlan(db, visitId)
      if (!frozen)
        throw new Problem('not-signed', 'The tray of this visit is not signed yet; there is nothing to record.')
      const practice = await loadPractice(db)
      const events = await loadEvents(db, visitId)
      return {
        note: reading(visitId, 'run', () =>
          composeNote(frozen.plan, events, { name: file.patient.name }, practice.zone, practice.people, frozen),
        ),
        closedAt: null,
      }
    },
  )
}

export const runRoutes = roomOf(showNeeded, showEvents, takeCommand, showRecord)
