/** The drill: which round comes next, its score, and what each person has to see again. */
import { roomOf, type Door } from '../house'
import { sure } from '../../core/sure'
import { nextRoundView, progressView, scoreView } from '../../wire/drill'
import { and, count, desc, eq, inArray, lte } from 'drizzle-orm'
import { id, plainDate as plainDay, whole } from '../../core/bounded'
import * as z from 'zod'
import { roundOf } from '../../core/drill/round'
import { drillAnswers, scoreRound } from '../../core/drill/score'
import { answered } from '../../core/drill/spacing'
import { plainDate } from '../../core/clock'
import { kindIds, type KindId } from '../../core/kinds'
import type { House } from '../house'
import * as t from '../db/schema'
import { loadPractice } from '../db/store'
import { signedIn } from './session'

/** Cards that come back in one round at the most; the others wait for the next. */
const mostDue = 40
const mostRounds = 30
const kind = z.enum(kindIds)
const given = z.strictObject({
  kind,
  seed: whole(),
  date: plainDay,
  due: z.array(id(240)).max(mostDue),
  seconds: whole(0, 36_000),
  answers: drillAnswers,
})

const dueOf = (house: House, personId: string, ofKind: KindId) =>
  house.database.db
    .select({ key: t.drillMemories.key })
    .from(t.drillMemories)
    .where(
      and(
        eq(t.drillMemories.personId, personId),
        eq(t.drillMemories.kind, ofKind),
        lte(t.drillMemories.dueAt, house.now()),
      ),
    )
    .orderBy(t.drillMemories.dueAt)
    .limit(mostDue)

const showProgress: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/drill',
    {
      schema: {
        response: { 200: progressView },
        summary: 'A person’s own progress: what is due, by kind of visit, and the last rounds',
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const now = house.now()
      const [memories, rounds] = await Promise.all([
        db
          .select({ kind: t.drillMemories.kind, dueAt: t.drillMemories.dueAt })
          .from(t.drillMemories)
          .where(eq(t.drillMemories.personId, person.id)),
        db
          .select()
          .from(t.drillRounds)
          .where(eq(t.drillRounds.personId, person.id))
          .orderBy(desc(t.drillRounds.at))
          .limit(mostRounds),
      ])
      const kinds = kindIds.map((id) => {
        const own = memories.filter((m) => m.kind === id)
        return { kind: id, asked: own.length, due: own.filter((m) => m.dueAt <= now).length }
      })
      const ahead = memories.map((m) => m.dueAt).filter((at) => at > now)
      return { kinds, rounds, nextDueAt: ahead.length > 0 ? Math.min(...ahead) : null, now }
    },
  )
}

const nextRound: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/drill/next',
    {
      schema: {
        response: { 200: nextRoundView },
        summary:
          'The next round: of the kind asked for, else of the kind with most to come back, else of the one asked least',
        querystring: z.object({ kind: kind.optional() }),
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const practice = await loadPractice(db)
      const now = house.now()
      const [due, done] = await Promise.all([
        db
          .select({ kind: t.drillMemories.kind, n: count() })
          .from(t.drillMemories)
          .where(and(eq(t.drillMemories.personId, person.id), lte(t.drillMemories.dueAt, now)))
          .groupBy(t.drillMemories.kind),
        db
          .select({ kind: t.drillRounds.kind, n: count() })
          .from(t.drillRounds)
          .where(eq(t.drillRounds.personId, person.id))
          .groupBy(t.drillRounds.kind),
      ])
      const rounds = (k: KindId): number => done.find((d) => d.kind === k)?.n ?? 0
      // A seed only has to differ from one round to the next.
      const seed = (now ^ (done.reduce((sum, d) => sum + d.n, 0) * 7919)) & 0x7fffffff
      const fewest = Math.min(...kindIds.map(rounds))
      const least = kindIds.filter((k) => rounds(k) === fewest)
      const chosen =
        request.query.kind ?? due.toSorted((a, b) => b.n - a.n)[0]?.kind ?? sure(least[seed % least.length])
      return {
        kind: chosen,
        seed,
        date: plainDate(now, practice.zone),
        due: (await dueOf(house, person.id, chosen)).map((d) => d.key),
      }
    },
  )
}

const finishRound: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/drill/rounds',
    {
      schema: {
        response: { 201: scoreView },
        summary: 'A finished round: scored here, from the same seed, and remembered',
        body: given,
      },
    },
    async (request, reply) => {
      const person = await signedIn(house, request)
      const { kind: ofKind, seed, date, due, answers, seconds } = request.body
      const score = scoreRound(roundOf(ofKind, seed, await loadPractice(db), date, new Set(due)), answers)
      const now = house.now()
      const keys = score.cards.map((c) => c.key)
      await db.transaction(async (tx) => {
        const before = new Map(
          (
            await tx
              .select({ key: t.drillMemories.key, memory: t.drillMemories.memory })
              .from(t.drillMemories)
              .where(and(eq(t.drillMemories.personId, person.id), inArray(t.drillMemories.key, keys)))
          ).map((m) => [m.key, m.memory]),
        )
        for (const card of score.cards) {
          const memory = answered(before.get(card.key), card.right, now)
          await tx
            .insert(t.drillMemories)
            .values({ personId: person.id, key: card.key, kind: ofKind, memory, dueAt: memory.dueAt })
            .onConflictDoUpdate({
              target: [t.drillMemories.personId, t.drillMemories.key],
              set: { memory, dueAt: memory.dueAt },
            })
        }
        await tx.insert(t.drillRounds).values({
          personId: person.id,
          at: now,
          kind: ofKind,
          right: score.right,
          of: score.of,
          parts: score.parts.map(({ part, right, of }) => ({ part, right, of })),
          seconds,
        })
      })
      reply.status(201)
      return { score }
    },
  )
}

export const drillRoutes = roomOf(showProgress, nextRound, finishRound)
