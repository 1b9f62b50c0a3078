/** The practice is never older than what is stored, whoever changed it, and no other house's. */
import { sql } from 'drizzle-orm'
import { expect, it } from 'vitest'
import { loadPractice } from './db/store'
import { openHouse } from './test/house'

it('is the same object until a row of it changes, by whatever way, and then what is stored', async () => {
  const house = await openHouse()
  const { db } = house.database
  try {
    const changes = [
      sql`update practices set laboratory_days = laboratory_days + 1`,
      sql`update people set name = name || ', junior' where id = 'juno'`,
      sql`update items set body = jsonb_set(body, '{stock}', '0') where id = 'mirror'`,
      sql`delete from items where id = 'mirror'`,
      sql`update burs set body = jsonb_set(body, '{name}', '"another"') where place = 0`,
      sql`update lots set "left" = 0`,
      sql`delete from lots`,
    ]
    for (const change of changes) {
      const before = await loadPractice(db)
      expect(await loadPractice(db)).toBe(before)
      await db.execute(change)
      expect(await loadPractice(db)).not.toEqual(before)
    }
    // Twice in one transaction, part of it taken back; and what was seen in one that came to nothing is not seen after it.
    const before = await loadPractice(db)
    const days = async (q: Parameters<typeof loadPractice>[0]): Promise<number> =>
      (await loadPractice(q)).laboratoryDays - before.laboratoryDays
    const more = sql`update practices set laboratory_days = laboratory_days + 1`
    await expect(
      db.transaction(async (tx) => {
        await tx.execute(more)
        expect(await days(tx)).toBe(1)
        await tx
          .transaction(async (inner) => {
            await inner.execute(more)
            expect(await days(inner)).toBe(2)
            inner.rollback()
          })
          .catch(() => undefined)
        expect(await days(tx)).toBe(1)
        await tx.execute(sql`update practices set laboratory_days = laboratory_days + 5`)
        expect(await days(tx)).toBe(6)
        tx.rollback()
      }),
    ).rejects.toThrow(/Rollback/)
    expect(await loadPractice(db)).toEqual(before)
  } finally {
    await house.close()
  }
})

it('is each house’s own, though both began as the same and were changed by as many strokes', async () => {
  const houses = [await openHouse(), await openHouse()]
  try {
    for (const [n, { database }] of houses.entries())
      await database.db.execute(sql`update practices set laboratory_days = ${20 + n}`)
    for (const [n, { database }] of houses.entries())
      expect((await loadPractice(database.db)).laboratoryDays).toBe(20 + n)
  } finally {
    for (const house of houses) await house.close()
  }
})
