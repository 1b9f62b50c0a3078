/** Copies: every row comes back, also when written to meanwhile; a wrong passphrase and a changed row are found. */
import {
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getTableName, isTable, sql } from 'drizzle-orm'
import * as z from 'zod'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { starterItems } from '../../core/catalog/starter'
import { toStore } from '../../core/model/upgrade'
import { sure } from '../../core/sure'
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
import { readBackup, verifyAgainst, verifyBackup, verifyLive } from './verify'
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
  const rows = await writeBackup(house.database, file, house.clock.now, 'correct horse')
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
    await writeBackup(house.database, file, house.clock.now)
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

it('is of one moment in every table, whatever changes while it is read', async () => {
  const { db } = house.database
  const visits = ['one', 'two', 'three'].map((name) => `${day}-${name}`)
  const goesOn = { yes: true }
  let round = 0
  const writer = { stored: 0 }
  // Each round changes rows of several tables in one transaction, puts some in, takes some out, and says in each which round it was.
  const writing = (async (): Promise<void> => {
    while (goesOn.yes) {
      await new Promise((resolve) => setImmediate(resolve))
      round++
      const at = round
      await db.transaction(async (tx) => {
        await tx.update(t.practices).set({ name: `round ${at}` })
        await tx.update(t.patients).set({ name: `round ${at}` })
        await tx.update(t.visits).set({ mayMoveMin: at })
        await tx.insert(t.patients).values({ id: `new-${at}`, name: `round ${at}`, alerts: [] })
        await tx.insert(t.cases).values({ id: `new-${at}`, patientId: `new-${at}`, request: toStore({}) })
        await tx.insert(t.steriliserReturns).values({ steriliserId: 'x', at, by: 'x', why: 'x' })
        await tx.delete(t.trayMarks)
        await tx.insert(t.trayMarks).values(visits.map((visitId) => ({ visitId, lineId: 'x', by: 'x', at })))
        await tx.delete(t.items).where(sql`id like 'gone-%'`)
        await tx
          .insert(t.items)
          .values({ id: `gone-${at}`, place: at, body: { ...sure(starterItems[0]), id: `gone-${at}` } })
      })
      writer.stored = at
    }
  })()
  while (writer.stored === 0) await new Promise((resolve) => setImmediate(resolve))
  for (let i = 0; i < 3; i++) {
    const file = join(folder, `moment-${i}.jade`)
    await writeBackup(house.database, file, house.clock.now)
    const said = new Map<string, Set<string>>()
    const counts = new Map<string, number>()
    await readBackup(file, undefined, {
      row: (table, row) => {
        const { name, may_move_min: moved, at, id } = Object(row)
        counts.set(table, (counts.get(table) ?? 0) + 1)
        const tells: Partial<Record<string, string>> = {
          practices: String(name),
          patients: String(name),
          visits: `round ${moved}`,
          tray_marks: `round ${at}`,
          items: String(id).startsWith('gone-') ? String(id).replace('gone-', 'round ') : undefined,
        }
        if (tells[table] !== undefined) said.set(table, (said.get(table) ?? new Set()).add(tells[table]))
      },
    })
    const [of] = sure(said.get('practices'))
    expect(Object.fromEntries([...said].map(([table, rounds]) => [table, [...rounds]]))).toEqual(
      Object.fromEntries(['practices', 'patients', 'visits', 'tray_marks', 'items'].map((table) => [table, [of]])),
    )
    const n = Number(of?.replace('round ', ''))
    expect([counts.get('steriliser_returns'), counts.get('tray_marks')]).toEqual([n, visits.length])
  }
  goesOn.yes = false
  await writing
  expect(round).toBeGreaterThan(6)
}, 120_000)

it('is one at a time, each under a name of its own; what a killed one left is taken away, and a link is none', async () => {
  const orrell = await new Caller(house.app).signIn('orrell', '471108')
  const make = () => orrell.call('POST', '/backups', { signer: { code: '471108' } })
  const made = await Promise.all([make(), make(), make()])
  expect(made.map((m) => m.status).toSorted((a, b) => a - b)).toEqual([201, 409, 409])
  const again = await make()
  const names = [...made, again].flatMap((m) => (m.status === 201 ? [String(m.body['name'])] : []))
  expect(new Set(names).size).toBe(2)
  const own = (await orrell.read(copiesView, '/backups')).folder
  for (const name of names) expect((await verifyBackup(join(own, name), undefined)).wrong).toEqual([])
  // Two programs that choose the same name: one has it.
  const file = join(folder, 'same.jade')
  const two = await Promise.allSettled([1, 2].map(() => writeBackup(house.database, file, house.clock.now)))
  expect(two.map((x) => x.status).toSorted()).toEqual(['fulfilled', 'rejected'])
  expect((await verifyBackup(file, undefined)).wrong).toEqual([])
  await expect(writeBackup(house.database, file, house.clock.now)).rejects.toThrow(/EEXIST/)
  // Left by one that was killed an hour ago, and by one that is at work.
  const copies = join(folder, 'copies')
  mkdirSync(copies)
  for (const [name, agoS] of [
    ['practice-2026-11-01-020000.jade.part', 7_200],
    ['practice-2026-11-02-020000.jade.part', 5],
  ] as const) {
    writeFileSync(join(copies, name), '')
    utimesSync(join(copies, name), Date.now() / 1000 - agoS, Date.now() / 1000 - agoS)
  }
  symlinkSync(file, join(copies, 'practice-2026-11-03-020000.jade'))
  await makeCopy(house.database, { folder: copies }, house.clock.now)
  expect(readdirSync(copies).filter((name) => name.endsWith('.part'))).toEqual(['practice-2026-11-02-020000.jade.part'])
  expect(copiesIn(copies)).toHaveLength(1)
})

it('keeps what stands in a text as it is: what parts lines elsewhere parts none here', async () => {
  const name = 'Ida\u2028Fenn\u0085\u2029\r\nvon “Ü”'
  await house.database.db.update(t.patients).set({ name })
  const file = join(folder, 'lines.jade')
  await writeBackup(house.database, file, house.clock.now)
  expect((await verifyBackup(file, undefined)).wrong).toEqual([])
  const into = join(folder, 'restored')
  await restoreBackup(file, into)
  const again = await openDatabase(into)
  expect((await again.db.select().from(t.patients))[0]?.name).toBe(name)
  await again.close()
})

it('finds a row changed, taken out or put in behind the program’s back; and against a copy, every seal made anew', async () => {
  const { db } = house.database
  const orrell = await new Caller(house.app).signIn('orrell', '471108')
  for (const laboratoryDays of [11, 12, 13]) await orrell.call('PATCH', '/practice', { laboratoryDays })
  await bringTo(db, `${day}-two`, { until: 'cutting.reduction-check', start: true }, house.clock.now)
  const file = join(folder, 'a.jade')
  await writeBackup(house.database, file, house.clock.now)
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
  const [c, b, a] = ['0500-2', '0500', '045959'].map((time) => `practice-${day}-${time}.jade`)
  expect([tooMany([b!, c!, a!], 2), tooMany([b!, c!], 1), tooMany([c!], 0)]).toEqual([[a], [b], []])
  expect(await nightlyCopy(house.database, { folder }, at('03:00'))).toBeUndefined()
  await db.update(t.practices).set({ nightly: { on: true, keep: 2 } })
  expect(await nightlyCopy(house.database, { folder }, at('03:00'))).toBe(`practice-${day}-030000.jade`)
  expect(await nightlyCopy(house.database, { folder }, at('04:00'))).toBeUndefined()
  for (const hour of ['05:00', '06:00']) await makeCopy(house.database, { folder }, at(hour))
  expect(copiesIn(folder).map((c) => c.name)).toEqual([`practice-${day}-060000.jade`, `practice-${day}-050000.jade`])
  writeFileSync(join(folder, 'in-the-way'), '')
  await expect(makeCopy(house.database, { folder: join(folder, 'in-the-way') }, at('07:00'))).rejects.toThrow()
  const orrell = await new Caller(house.app).signIn('orrell', '471108')
  expect((await orrell.read(copiesView, '/backups')).fault?.why).toMatch(
    /not a folder|part of its path is a file|cannot be a folder/,
  )
})
