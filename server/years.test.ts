/** Years of closed visits: no door reads more rows for them than it did without, but those that are asked for all of it. */
import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, expect, it } from 'vitest'
import * as z from 'zod'
import { doors } from '../wire/doors'
import { rowsOf } from './db/rows'
import { Caller, day, openHouse, type TestHouse } from './test/house'

/** Tables that grow with every visit. */
const growing = [
  'patients',
  'cases',
  'visits',
  'tray_marks',
  'plans',
  'run_events',
  'records',
  'lot_uses',
  'step_times',
]
/** Asked for all there is, by a person, seldom; looking back reads a season's visits, once each. */
const wholeReads = ['GET /backups/verify', 'GET /backups', 'GET /audit.csv', 'GET /lookback']
/** Another answer than a page, or none without a thing that is not there. */
const apart = ['GET /live', 'GET /backups/:name', 'GET /health']
/** So many that the database looks them up: of a few hundred it reads all, which costs nothing. */
const closedVisits = 2_000

let house: TestHouse
let orrell: Caller
beforeAll(async () => {
  // The embedded database alone: its one connection counts the rows it reads. Both plan the same queries.
  house = await openHouse('')
  orrell = await new Caller(house.app).signIn('orrell', '471108')
})
afterAll(() => house.close())

const db = () => house.database.db
const counter = z.object({ name: z.string(), n: z.coerce.number() })
async function rowsRead(): Promise<number> {
  await db().execute(sql`select pg_stat_force_next_flush()`)
  const all = rowsOf(
    counter,
    await db().execute(
      sql`select relname as name, seq_tup_read + coalesce(idx_tup_fetch, 0) as n from pg_stat_user_tables`,
    ),
  )
  return all.filter((r) => growing.includes(r.name)).reduce((sum, r) => sum + r.n, 0)
}

/** Rows of the growing tables that each door reads for one answer. */
async function readByDoor(visitId: string): Promise<Map<string, number>> {
  const gets = doors.flatMap(([, , ways]) => ways.filter((door) => door.startsWith('GET ')))
  const read = new Map<string, number>()
  for (const door of gets) {
    if (wholeReads.includes(door) || apart.includes(door)) continue
    const path = door.slice('GET '.length).replace(':visitId', visitId).replace(':day', day)
    const before = await rowsRead()
    const { status } = await orrell.call('GET', path)
    expect([door, status < 500]).toEqual([door, true])
    read.set(door, (await rowsRead()) - before)
  }
  return read
}

/** Copies of one closed visit of the past, a day apart, with all it left behind. */
async function addYears(): Promise<void> {
  const [old] = rowsOf(
    z.object({ id: z.string() }),
    await db().execute(
      sql`select r.visit_id as id from records r join visits v on v.id = r.visit_id where v.day < ${day} order by v.day limit 1`,
    ),
  )
  const id = old?.id ?? ''
  expect(id).not.toBe('')
  const copies = sql`generate_series(1, ${closedVisits}) g`
  await db().execute(sql`
    insert into patients select 'p-' || g, 'A Patient', '[]'::jsonb from ${copies}`)
  await db().execute(sql`
    insert into cases (id, patient_id, request, version, library)
    select 'c-' || g, 'p-' || g, c.request, 1, c.library from ${copies}, visits v join cases c on c.id = v.case_id where v.id = ${id}`)
  const someSteps = `select step_id from step_times where visit_id = '${id}' order by step_id limit 5`
  const over = { case_id: `'c-' || g`, day: `(v.day - g)`, starts_at: `v.starts_at - g * 86400000::bigint` }
  for (const [table, changed] of [
    ['visits', { id: `'v-' || g`, ...over }],
    ['plans', { visit_id: `'v-' || g`, plan: `'{}'::jsonb` }],
    ['records', { visit_id: `'v-' || g` }],
    ['run_events', { visit_id: `'v-' || g` }],
    ['step_times', { visit_id: `'v-' || g`, at: `v.at - g * 86400000::bigint` }],
  ] as const) {
    const columns = rowsOf(
      z.object({ name: z.string() }),
      await db().execute(
        sql`select column_name as name from information_schema.columns where table_name = ${table} and table_schema = 'public'`,
      ),
    ).map((c) => c.name)
    const values = columns.map((c) => Object.entries(changed).find(([name]) => name === c)?.[1] ?? `v."${c}"`)
    const key = table === 'visits' ? 'id' : 'visit_id'
    const few: Partial<Record<string, string>> = {
      run_events: 'and v.seq <= 10',
      step_times: `and v.step_id in (${someSteps})`,
    }
    await db().execute(
      sql.raw(
        `insert into ${table} (${columns.map((c) => `"${c}"`).join(', ')}) select ${values.join(', ')} from generate_series(1, ${closedVisits}) g, ${table} v where v.${key} = '${id}' ${few[table] ?? ''}`,
      ),
    )
  }
  await db().execute(sql`analyze`)
}

it('every answer reads as many rows after years of visits as before them', async () => {
  await readByDoor(`${day}-one`)
  const before = await readByDoor(`${day}-one`)
  await addYears()
  const after = await readByDoor(`${day}-one`)
  const more = [...after].filter(([door, n]) => n > 2 * (before.get(door) ?? 0) + 100)
  expect(more.map(([door, n]) => `${door}: ${before.get(door)} rows before, ${n} after`)).toEqual([])
}, 120_000)
