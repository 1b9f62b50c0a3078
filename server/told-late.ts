/**
 * What happened beside a visit that runs, and was told to nobody: earlier versions pulled loads back without a word to it.
 * Once, when the server starts; whoever has been told is not told again.
 */
import { and, eq, isNotNull, isNull, or, sql } from 'drizzle-orm'
import type { Db } from './db/open'
import { loadLastEvent, loadPractice } from './db/store'
import * as t from './db/schema'
import type { House } from './house'
import { tellRun } from './routes/touched'
import { closes } from './routes/visit'

/** Cassettes at visits not over, out of loads that were pulled back, which no event speaks of. */
const untold = (q: Db) =>
  q
    .select({
      visitId: t.cassetteUses.visitId,
      cassetteId: t.cassetteUses.cassetteId,
      load: t.loads.number,
      by: t.loads.failedBy,
      why: t.loads.failedWhy,
    })
    .from(t.cassetteUses)
    .innerJoin(t.loads, eq(t.cassetteUses.loadId, t.loads.id))
    .leftJoin(
      t.runEvents,
      and(
        eq(t.runEvents.visitId, t.cassetteUses.visitId),
        or(
          sql`${t.runEvents.what}->>'kind' = 'cassette.doubted'`,
          sql`${t.runEvents.what}->>'kind' = 'cassette.changed'`,
        ),
        sql`${t.runEvents.what}->>'cassetteId' = ${t.cassetteUses.cassetteId}`,
      ),
    )
    .where(and(isNull(t.cassetteUses.usedAt), isNotNull(t.loads.failedAt), isNull(t.runEvents.visitId)))

export async function tellLate(house: House): Promise<void> {
  const { db } = house.database
  if ((await untold(db)).length === 0) return
  await db.transaction(async (tx) => {
    const { instruments } = await loadPractice(tx)
    for (const { visitId, cassetteId, load, by, why } of await untold(tx)) {
      await tx.select({ id: t.visits.id }).from(t.visits).where(eq(t.visits.id, visitId)).for('update')
      const last = await loadLastEvent(tx, visitId)
      if (!last || closes.has(last.what.kind)) continue
      const name = instruments.cassettes.find((c) => c.id === cassetteId)?.name ?? cassetteId
      const told = {
        kind: 'cassette.doubted',
        cassetteId,
        name,
        load,
        why: why ?? 'no reason was written down',
      } as const
      await tellRun(house, tx, visitId, told, by ?? last.by)
    }
  })
}
