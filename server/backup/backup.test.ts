/** Copies: every row comes back, also when written to meanwhile; a wrong passphrase and a changed row are found. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getTableName, isTable, sql } from 'drizzle-orm'
import * as z from 'zod'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { bringTo } from '../../demo/bring'
import { copiesView, copyMadeView, lastCopyView, verdictView } from '../../wire/backups'
import type { Db } from '../db/open'
import { openDatabase } from '../db/open'
import { rowsOf } from '../db/rows'
import * as t from '../db/schema'
import { Caller, command, day, openHouse, type TestHouse } from '../test/house'
import { copiesIn, isDue, makeCopy, nightlyCopy, tooMany } from './copies'
import { restoreBackup } from './restore'
import { keptTables, leftTables } from './tables'
import { verifyAgainst, verifyBackup, verifyLive } from './verify'
import { writeBackup } from './write'

let house: TestHouse
let folder: string
beforeEach(async () => {
  house = await openHouse()
  folder = mkdtempSync(join(tmpdir(), 'jade-copies-'))
})
afterEach(async () => {
  await house.close()
  rmSync(folder, { recursive: true, force: true })
})

/** Every row of every table that is kept, as the database writes it. */
async function everything(db: Db): Promise<Record<string, string[]>> {
  const all: Record<string, string[]> = {}
  for (const { name } of keptTables)
    all[name] = rowsOf(
      z.object({ row: z.string() }),
      await db.execute(sql`select row_to_json(x)::text as row from ${sql.identifier(name)} x order by 1`),
    ).map((r) => r.row)
  return all
}

it('knows every table there is: kept, or left behind with why', () => {
  const there = Object.values(t)
    .filter((x) => isTable(x))
    .map((x) => getTableName(x))
  expect([...keptTables.map((k) => k.name), ...Object.keys(leftTables)].toSorted()).toEqual(there.toSorted())
})

it('brings every row back into an empty folder, encrypted on the way, and the numbers go on', async () => {
  await bringTo(house.database.db, `${day}-two`, { until: 'cutting.reduction-check', start: true }, house.clock.now)
  const orrell = await new Caller(house.app).signIn('orrell', '471108')
  await orrell.call('PATCH', '/practice', { laboratoryDays: 12 })
  const file = join(folder, 'a.jade')
  const rows = await writeBackup(house.database.db, file, house.clock.now, 'correct horse')
  expect(readFileSync(file).toString('latin1')).not.toContain('Crane')
  const before = await everything(house.database.db)
  expect(rows).toBe(Object.values(before).reduce((n, r) => n + r.length, 0))
  const into = join(folder, 'restored')
  await expect(restoreBackup(file, into, 'wrong horse')).rejects.toThrow('That passphrase does not open')
  await expect(restoreBackup(file, into)).rejects.toThrow('passphrase is needed')
  const verdict = await restoreBackup(file, into, 'correct horse')
  expect(verdict.wrong).toEqual([])
  expect(verdict.sealed).toBeGreaterThan(100)
  await expect(restoreBackup(file, into, 'correct horse')).rejects.toThrow('not empty')
  const again = await openDatabase(into)
  try {
    expect(await everything(again.db)).toEqual(before)
    expect((await verifyLive(again.db)).wrong).toEqual([])
    expect((await verifyAgainst(again.db, file, 'correct horse')).wrong).toEqual([])
    const next = await again.db
      .insert(t.steriliserReturns)
      .values({ steriliserId: 'x', at: 1, by: 'x', why: 'x' })
      .returning()
    expect(next[0]?.id).toBeGreaterThan(0)
  } finally {
    await again.close()
  }
})

it('is of one moment though it is written to meanwhile, and a copy made through the server is on the trail', async () => {
  const { db } = house.database
  const juno = await new Caller(house.app).signIn('juno', '3816')
  const orrell = await new Caller(house.app).signIn('orrell', '471108')
  const two = `${day}-two`
  await juno.signTray(two)
  await juno.call('POST', `/visits/${two}/commands`, command(0, { kind: 'begin' }))
  let seq = 1
  const writer = { goesOn: true }
  const writing = (async (): Promise<void> => {
    while (writer.goesOn) {
      // As a socket would: whatever else waits has its turn.
      await new Promise((resolve) => setImmediate(resolve))
      const { status } = await juno.call('POST', `/visits/${two}/commands`, command(seq, { kind: 'note', text: 'on' }))
      expect(status).toBe(200)
      seq++
    }
  })()
  const files: string[] = []
  for (let i = 0; i < 3; i++) {
    const file = join(folder, `${i}.jade`)
    await writeBackup(db, file, house.clock.now)
    files.push(file)
  }
  writer.goesOn = false
  await writing
  expect(seq).toBeGreaterThan(3)
  for (const file of files) expect((await verifyBackup(file, undefined)).wrong).toEqual([])
  // Every reference of the last holds: it can be put back.
  await restoreBackup(files.at(-1) ?? '', join(folder, 'restored'))
  const made = await orrell.call('POST', '/backups', { signer: { code: '471108' } })
  expect(made.status, JSON.stringify(made.body)).toBe(201)
  const { name } = copyMadeView.parse(made.body)
  expect((await orrell.call('GET', `/backups/${name}`)).status).toBe(200)
  expect((await juno.call('GET', `/backups/${name}`)).status).toBe(403)
  expect((await orrell.call('GET', '/backups/..%2Fdatabase')).status).toBe(422)
  const { copies } = await orrell.read(copiesView, '/backups')
  expect(copies.map((c) => c.name)).toContain(name)
  expect((await juno.read(lastCopyView, '/backups/last')).at).toBe(house.clock.now)
  expect((await orrell.read(verdictView, '/backups/verify')).wrong).toEqual([])
  const { rows } = (await orrell.call('GET', '/audit?q=backups')).body
  expect(rows).toEqual([
    expect.objectContaining({ what: 'GET /backups/:name', target: name }),
    expect.objectContaining({ what: 'POST /backups', target: name }),
  ])
})

it('finds a row changed, taken out or put in behind the program’s back; and against a copy, every seal made anew', async () => {
  const { db } = house.database
  const orrell = await new Caller(house.app).signIn('orrell', '471108')
  for (const laboratoryDays of [11, 12, 13]) await orrell.call('PATCH', '/practice', { laboratoryDays })
  await bringTo(db, `${day}-two`, { until: 'cutting.reduction-check', start: true }, house.clock.now)
  const file = join(folder, 'a.jade')
  await writeBackup(db, file, house.clock.now)
  expect((await verifyLive(db)).wrong).toEqual([])
  await db.execute(sql`alter table run_events disable trigger all`)
  await db.execute(sql`alter table audit disable trigger all`)
  const tries: [by: ReturnType<typeof sql>, found: RegExp][] = [
    [
      sql`update run_events set at = at + 60000 where visit_id = ${`${day}-two`} and seq = 5`,
      /Event 5 of visit .*-two does not fit/,
    ],
    [sql`update run_events set "by" = 'wim' where visit_id = ${`${day}-two`} and seq = 5`, /Event 5/],
    [sql`delete from run_events where visit_id = ${`${day}-two`} and seq = 7`, /Event 8 .* one is missing/],
    [sql`update audit set asked = '{"laboratoryDays": 20}' where id = 2`, /Row 2 of the trail/],
    [sql`delete from audit where id = 2`, /Row 3 of the trail/],
    [sql`update audit set seal = null where id = 3`, /Row 3 of the trail has no seal/],
  ]
  for (const [by, found] of tries)
    await db
      .transaction(async (tx) => {
        await tx.execute(by)
        expect((await verifyLive(tx)).wrong.join(' ')).toMatch(found)
        tx.rollback()
      })
      .catch((error: unknown) => expect(String(error)).toMatch(/Rollback/))
  // Whoever takes all the seals away, or makes them anew, is found by the ends of the chains in the copy.
  await db.execute(sql`update run_events set seal = null where visit_id = ${`${day}-two`}`)
  expect((await verifyLive(db)).wrong).toEqual([])
  expect((await verifyAgainst(db, file)).wrong.join(' ')).toMatch(/visit .*-two is not as it was in the backup/)
})

it('makes the night’s copy once, from two o’clock on, keeps so many, and keeps account of one that failed', async () => {
  const { db } = house.database
  const at = (time: string): number => Date.parse(`${day}T${time}:00Z`)
  expect(isDue(at('01:59'), null, 'Etc/UTC')).toBe(false)
  expect(isDue(at('02:00'), null, 'Etc/UTC')).toBe(true)
  expect(isDue(at('23:00'), at('02:10'), 'Etc/UTC')).toBe(false)
  expect(isDue(at('02:30') + 86_400_000, at('02:10'), 'Etc/UTC')).toBe(true)
  expect(tooMany(['c', 'b', 'a'], 2)).toEqual(['a'])
  expect(tooMany(['c'], 0)).toEqual([])
  expect(await nightlyCopy(db, { folder }, at('03:00'))).toBeUndefined()
  await db.update(t.practices).set({ nightly: { on: true, keep: 2 } })
  expect(await nightlyCopy(db, { folder }, at('03:00'))).toBe(`practice-${day}-0300.jade`)
  expect(await nightlyCopy(db, { folder }, at('04:00'))).toBeUndefined()
  for (const hour of ['05:00', '06:00']) await makeCopy(db, { folder }, at(hour))
  expect(copiesIn(folder).map((c) => c.name)).toEqual([`practice-${day}-0600.jade`, `practice-${day}-0500.jade`])
  writeFileSync(join(folder, 'in-the-way'), '')
  await expect(makeCopy(db, { folder: join(folder, 'in-the-way') }, at('07:00'))).rejects.toThrow()
  const orrell = await new Caller(house.app).signIn('orrell', '471108')
  expect((await orrell.read(copiesView, '/backups')).fault?.why).toMatch(/EEXIST|ENOTDIR|not a directory/)
})
