/** What a visit leaves behind when it closes: its note, soiled cassettes, emptier lots, worn burs, and how long things took. */
import { sure } from '../../core/sure'
import { desc, eq, inArray } from 'drizzle-orm'
import type { Bur } from '../../core/catalog/bur'
import { plainDate } from '../../core/clock'
import { composeNote } from '../../core/record/note'
import type { Plan } from '../../core/model/plan'
import { replay } from '../../core/run/state'
import { learnedFrom, leastTaken, mostTaken } from '../../core/practice/learned'
import { stepTimesOf } from '../../core/record/step-times'
import { takeOff, usedUp, without } from '../../core/schedule/stock'
import { soilCassettes } from './instruments'
import type { Db } from './open'
import * as t from './schema'
import { loadEvents, loadHead, zoneOf } from './store'

/** Takes what was really used off the lots; what they do not hold is left to whoever counts next. */
async function takeFromLots(
  q: Db,
  visitId: string,
  plan: Plan,
  done: (stepId: string) => boolean,
  date: string,
  at: number,
): Promise<void> {
  const lines = usedUp(plan.setup).filter((l) => l.steps.some(done))
  if (lines.length === 0) return
  const lots = await q
    .select()
    .from(t.lots)
    .where(
      inArray(
        t.lots.itemId,
        lines.map((l) => l.id),
      ),
    )
    .for('update')
  const taken = lines.flatMap((l) => takeOff(lots, l.id, l.quantity, date).taken)
  const after = new Map(without(lots, taken).map((l) => [l.id, l]))
  for (const part of taken) {
    await q
      .update(t.lots)
      .set({ left: sure(after.get(part.lotId)).left, opened: true })
      .where(eq(t.lots.id, part.lotId))
    await q.insert(t.lotUses).values({ visitId, lotId: part.lotId, amount: part.amount, at }).onConflictDoNothing()
  }
}

async function wearBurs(q: Db, plan: Plan, done: (stepId: string) => boolean): Promise<void> {
  const ids = [...new Set(plan.burs.flatMap((b) => (b.bur && b.cuts.some((c) => done(c.stepId)) ? [b.bur.id] : [])))]
  if (ids.length === 0) return
  for (const row of await q.select().from(t.burs).where(inArray(t.burs.id, ids)).for('update')) {
    const body: Bur = { ...row.body, uses: row.body.uses + 1 }
    await q.update(t.burs).set({ body }).where(eq(t.burs.id, row.id))
  }
}

/** Puts the steps' true lengths on record and teaches the practice anew what its keys come to. */
async function learn(q: Db, visitId: string, times: ReturnType<typeof stepTimesOf>, at: number): Promise<void> {
  if (times.length === 0) return
  await q
    .insert(t.stepTimes)
    .values(times.map((x) => ({ visitId, ...x, at })))
    .onConflictDoNothing()
  const keys = [...new Set(times.map((x) => x.key))]
  const rows = await q
    .select({ key: t.stepTimes.key, seconds: t.stepTimes.seconds })
    .from(t.stepTimes)
    .where(inArray(t.stepTimes.key, keys))
    .orderBy(desc(t.stepTimes.at))
    .limit(keys.length * mostTaken * leastTaken)
  const [practice] = await q
    .select({ id: t.practices.id, learned: t.practices.learned })
    .from(t.practices)
    .limit(1)
    .for('update')
  await q
    .update(t.practices)
    .set({ learned: { ...sure(practice).learned, ...learnedFrom(rows) } })
    .where(eq(t.practices.id, sure(practice).id))
}

/** All of it, in the transaction that closes the run. */
export async function leaveBehind(q: Db, visitId: string, plan: Plan, now: number): Promise<void> {
  const { patient } = await loadHead(q, visitId)
  const zone = await zoneOf(q)
  const people = await q.select({ id: t.people.id, name: t.people.name }).from(t.people)
  const events = await loadEvents(q, visitId)
  const [signed] = await q.select().from(t.plans).where(eq(t.plans.visitId, visitId))
  const run = replay(plan, events)
  const done = (id: string): boolean => run.core.steps[id]?.status === 'done'
  await q.insert(t.records).values({
    visitId,
    note: composeNote(plan, events, { name: patient.name }, zone, people, signed),
    closedAt: now,
  })
  await soilCassettes(q, visitId, now)
  await takeFromLots(q, visitId, plan, done, plainDate(now, zone), now)
  await wearBurs(q, plan, done)
  await learn(q, visitId, stepTimesOf(plan, run), now)
}
