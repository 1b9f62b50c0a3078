/** Some seventeen hundred hostile requests, by night five thousand; `npm run bench -- hostile` sends a hundred thousand. */
import { sql } from 'drizzle-orm'
import { expect, it } from 'vitest'
import * as z from 'zod'
import { often } from '../scripts/often'
import { keptTables } from './backup/tables'
import { verifyLive } from './backup/verify'
import { rowsOf } from './db/rows'
import type { Db } from './db/open'
import { Caller, day, openHouse } from './test/house'
import { hostile } from './test/hostile'

/** What is stored, but for the trail of tries and the count of wrong codes. */
async function stored(db: Db): Promise<Record<string, unknown>> {
  const all: Record<string, unknown> = {}
  for (const { name } of keptTables) {
    if (name === 'audit') continue
    const without = name === 'people' ? sql` - 'wrong_codes' - 'locked_at'` : sql``
    ;[all[name]] = rowsOf(
      z.object({ n: z.number(), sum: z.string().nullable() }),
      await db.execute(
        sql`select count(*)::int as n, md5(string_agg(x.row, ',' order by x.row)) as sum from (select (to_jsonb(y)${without})::text as row from ${sql.identifier(name)} y) x`,
      ),
    )
  }
  return all
}

it('a stranger’s requests are answered in order and change nothing; nor do those of people who may not', async () => {
  const house = await openHouse()
  const { db } = house.database
  const before = await stored(db)
  const reception = await new Caller(house.app).signIn('ada', '2708')
  const ids = [`${day}-one`, `${day}-two`, 'juno', 'orrell', 'steriliser-a', 'crown-1', 'no-such']
  const strangers = await hostile(house.app, ['', 'jade-session=00'], ids, often(2_000), 11)
  expect(strangers.wrong.slice(0, 3)).toEqual([])
  expect(strangers.done).toEqual([])
  expect(await stored(db)).toEqual(before)
  // Everybody in turn: what is refused leaves nothing; what is done is on the trail, once.
  const juno = await new Caller(house.app).signIn('juno', '3816')
  const orrell = await new Caller(house.app).signIn('orrell', '471108')
  const rows = async (): Promise<number> =>
    rowsOf(
      z.object({ n: z.number() }),
      await db.execute(sql`select count(*)::int as n from audit where what like '% /%'`),
    )[0]?.n ?? 0
  const was = await rows()
  const team = await hostile(house.app, [reception.cookie, juno.cookie, orrell.cookie], ids, often(3_000), 12)
  expect(team.wrong.slice(0, 3)).toEqual([])
  const told = team.done.filter((d) => !/session$|commands$|drill\/rounds$/.test(d))
  expect((await rows()) - was).toBe(told.length)
  expect((await verifyLive(db)).wrong).toEqual([])
  expect((await juno.call('GET', `/days/${day}`)).status).toBe(200)
  await house.close()
}, 240_000)
