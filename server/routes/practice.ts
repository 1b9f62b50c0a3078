/** The practice: its name, its functions, its dentists’ cards, its own times and amounts. A dentist changes them. */
import { confirmed, ownSigner, signedIn } from './session'
import { roomOf, type Door } from '../house'
import { tellPractice } from './tell'
import { sure } from '../../core/sure'
import { done } from '../../wire/noun'
import { anything, id, line as words, whole } from '../../core/bounded'
import { and, eq, isNull } from 'drizzle-orm'
import * as z from 'zod'
import { functionName, permission, type FunctionTable } from '../../core/practice/functions'
import { dayRules } from '../../core/practice/day-rules'
import { instruments } from '../../core/practice/instruments'
import { amountIn, ruleId, ruleMisfit, ruleRow } from '../../core/rules'
import { card, practice as practiceSchema } from '../../core/practice/practice'
import { plainDate, timeOfDay, wallTime } from '../../core/clock'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { zoneOf } from '../db/store'
import { dayTopic } from '../live/topics'
import { Problem } from '../problem'
import { asSeen, fieldsAsSeen } from '../saw'

const zone = id(80).refine((name) => {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: name }))
  } catch {
    return false
  }
}, 'an IANA time zone as Europe/Vienna')

const practicePatch = z.strictObject({
  name: words(120).optional(),
  notation: z.enum(['iso', 'universal', 'quadrant']).optional(),
  zone: zone.optional(),
  light: practiceSchema.shape.light.unwrap().optional(),
  laboratoryDays: whole(1, 60).optional(),
  day: dayRules.optional(),
  instruments: instruments.optional(),
  useLearned: z.boolean().optional(),
  /** What stood on the screen of what is changed; the rules of the day are set whole, and never without it. */
  saw: z.record(z.string().max(40), anything).optional(),
  /** The own code of whoever sets another zone: it is every visit's hour. */
  signer: ownSigner.optional(),
  chairs: z
    .array(z.strictObject({ id: id(40), name: words(40) }))
    .min(1)
    .max(40)
    .optional(),
})

const line = z.strictObject({
  table: z.enum(['cautious', 'expanded']),
  function: functionName,
  who: z.enum(['assistant', 'expanded']),
  permission,
  /** What the line said when it was changed. */
  saw: permission.optional(),
  signer: ownSigner,
})

/** Visits that are not over keep the hour they were given, by the clock on the wall: it is what the patient was told. */
async function keepHours(q: Db, from: string, to: string): Promise<void> {
  const open = await q
    .select({ id: t.visits.id, day: t.visits.day, startsAt: t.visits.startsAt })
    .from(t.visits)
    .leftJoin(t.runEvents, and(eq(t.runEvents.visitId, t.visits.id), eq(t.runEvents.seq, 1)))
    .where(isNull(t.runEvents.visitId))
  for (const { id: visitId, day, startsAt } of open)
    await q
      .update(t.visits)
      .set({ startsAt: wallTime(day, timeOfDay(startsAt, from), to) })
      .where(eq(t.visits.id, visitId))
}

const changePractice: Door = (app, house) => {
  const { db } = house.database
  app.patch(
    '/practice',
    {
      preHandler: async (request) => {
        if (request.body.zone === undefined || request.body.zone === (await zoneOf(db))) return
        if (!request.body.signer)
          throw new Problem('invalid', 'signer: another time zone is set with your own code', {
            errors: [{ path: 'signer.code', message: 'your own code' }],
          })
        await confirmed(house)(request)
      },
      schema: { response: { 200: done }, summary: 'Change name, notation, zone or chairs', body: practicePatch },
    },
    async (request) => {
      const { signer: _, saw, ...patch } = request.body
      for (const whole of ['day', 'instruments'] as const)
        if (patch[whole] && saw?.[whole] === undefined)
          throw new Problem('invalid', `saw.${whole}: these are set whole; say which ones were seen`, {
            errors: [{ path: `saw.${whole}`, message: 'the ones that were seen' }],
          })
      const { chairs, zone: next } = patch
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
      const before = await zoneOf(db)
      if (Object.keys(patch).length > 0)
        await db.transaction(async (tx) => {
          const [row] = await tx.select().from(t.practices).limit(1).for('update')
          fieldsAsSeen(saw, sure(row), Object.keys(patch))
          await tx.update(t.practices).set(patch)
        })
      if (next !== undefined && next !== before) {
        await keepHours(db, before, next)
        house.hub.send(dayTopic, { event: 'day', data: {} })
      }
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

const setFunction: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/practice/functions',
    {
      preHandler: confirmed(house),
      schema: {
        response: { 200: done },
        summary: 'Set one line of who may do what; it is signed with the name and the day',
        body: line,
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const { table, function: fn, who, permission: granted, saw } = request.body
      await db.transaction(async (tx) => {
        const [row] = await tx
          .select({ functions: t.practices.functions, zone: t.practices.zone })
          .from(t.practices)
          .limit(1)
          .for('update')
        const stands = sure(row).functions[table].find((l) => l.function === fn)
        if (saw !== undefined && stands) asSeen(saw, stands[who], (now) => `“${now}”`)
        const lines: FunctionTable = sure(row).functions[table].map((l) =>
          l.function === fn
            ? { ...l, [who]: granted, setBy: person.name, setOn: plainDate(house.now(), sure(row).zone) }
            : l,
        )
        await tx.update(t.practices).set({ functions: { ...sure(row).functions, [table]: lines } })
      })
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

const setCard: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/practice/cards',
    {
      schema: {
        response: { 200: done },
        summary: 'Set a dentist’s card: the schools picked, the holds added',
        body: card.extend({ saw: card.nullable().optional() }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const { saw, ...own } = request.body
      if (own.dentistId !== person.id) throw new Problem('own-card', 'A card is set by the dentist whose card it is.')
      await db.transaction(async (tx) => {
        const [row] = await tx.select({ cards: t.practices.cards }).from(t.practices).limit(1).for('update')
        const { cards } = sure(row)
        const stands = cards.find((c) => c.dentistId === person.id) ?? null
        if (saw !== undefined) asSeen(saw, stands, () => 'set on another screen')
        await tx.update(t.practices).set({ cards: [...cards.filter((c) => c.dentistId !== person.id), own] })
      })
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

const setRule: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/practice/rules',
    {
      schema: {
        response: { 200: done },
        summary: 'Set one of the library’s times or amounts as this practice has it; null takes the library’s back',
        body: z.strictObject({
          rule: ruleId,
          value: z.number().min(-1_000_000).max(1_000_000).nullable(),
          /** The practice's own value that was seen; null where the library's stood. */
          saw: z.number().min(-1_000_000).max(1_000_000).nullable().optional(),
        }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const { rule, value, saw } = request.body
      const { from, to, unit } = ruleRow(rule)
      await db.transaction(async (tx) => {
        const [row] = await tx
          .select({ rules: t.practices.rules, zone: t.practices.zone })
          .from(t.practices)
          .limit(1)
          .for('update')
        const { [rule]: stands, ...others } = sure(row).rules
        const misfit = value === null ? undefined : ruleMisfit(others, rule, value)
        if (misfit !== undefined)
          throw new Problem('invalid', `${misfit}.`, { errors: [{ path: 'value', message: `from ${from} to ${to}` }] })
        if (saw !== undefined)
          asSeen(saw, stands?.value ?? null, (now) => (now === null ? 'as the library has it' : amountIn(now, unit)))
        const own =
          value === null ? {} : { [rule]: { value, by: person.name, on: plainDate(house.now(), sure(row).zone) } }
        await tx.update(t.practices).set({ rules: { ...others, ...own } })
      })
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

export const practiceRoutes = roomOf(changePractice, setFunction, setCard, setRule)
