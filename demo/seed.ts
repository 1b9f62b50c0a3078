import { sure } from '../core/sure'
import { toStore } from '../core/model/upgrade'
import { eq } from 'drizzle-orm'
import { Temporal } from 'temporal-polyfill'
import { plainDate, wallTime } from '../core/clock'
import { hashCode } from '../server/codes'
import { alone } from '../server/db/alone'
import type { Db } from '../server/db/open'
import * as t from '../server/db/schema'
import { savePractice } from '../server/db/store'
import { seedHistory } from './history'
import { seedLoads } from './instruments'
import { demoCodes, demoPractice, demoVisits, type DemoVisit } from './practice'

export { demoCodes }

/** Puts one invented visit, and its patient and case where it begins one, into the book. */
export async function addVisit(q: Db, v: DemoVisit, day: string, zone: string): Promise<void> {
  const [id, own] = [`${day}-${v.key}`, `${day}-${v.caseOf ?? v.key}`]
  const on = Temporal.PlainDate.from(day)
    .add({ days: v.inDays ?? 0 })
    .toString()
  const { kind = 'crown.prepare', ...ofCase } = v.request
  if (v.caseOf === undefined) {
    await q.insert(t.patients).values({ id: `patient-${id}`, name: v.patient, alerts: v.alerts })
    await q
      .insert(t.cases)
      .values({ id: `case-${id}`, patientId: `patient-${id}`, request: toStore({ kind, ...ofCase }) })
  }
  await q.insert(t.visits).values({
    id,
    caseId: `case-${own}`,
    chairId: v.chairId,
    day: on,
    startsAt: wallTime(on, v.time, zone),
    team: v.team,
    visitChoices: v.visitChoices ?? {},
    swaps: {},
    facts: toStore({ kind }),
  })
}

/** Puts the demo practice and today's visits in, where they are not there yet. */
export async function seedDemo(
  db: Db,
  now: number,
  zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'Etc/UTC',
): Promise<void> {
  const day = plainDate(now, zone)
  const practice = demoPractice(day, zone)
  // Who is there already keeps the code they have; hashing it again would only cost the start.
  const known = new Set((await db.select({ id: t.people.id }).from(t.people)).map((p) => p.id))
  const people = practice.people.filter((p) => !known.has(p.id))
  const hashes = Object.fromEntries(
    await Promise.all(people.map(async (p) => [p.id, await hashCode(sure(demoCodes[p.id]))] as const)),
  )
  await db.transaction(async (tx) => {
    await alone(tx)
    await savePractice(tx, 'practice', { ...practice, people }, hashes)
    // Invented visits are kept nowhere else.
    if (known.size === 0) await tx.update(t.practices).set({ nightly: { on: false, keep: 14 } })
    if ((await tx.select({ id: t.loads.id }).from(t.loads).limit(1)).length === 0) await seedLoads(tx, day, zone)
    if ((await tx.select({ visitId: t.records.visitId }).from(t.records).limit(1)).length === 0)
      await seedHistory(tx, practice, day, zone)
    if ((await tx.select({ id: t.visits.id }).from(t.visits).where(eq(t.visits.day, day)).limit(1)).length > 0) return
    for (const v of demoVisits) await addVisit(tx, v, day, zone)
  })
}
