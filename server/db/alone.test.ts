/** What meets another at work, what was doubled before it was held apart, and two servers that start at once. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { eq, sql } from 'drizzle-orm'
import { describe, expect, it, vi } from 'vitest'
import { toStore } from '../../core/model/upgrade'
import { codeMatches } from '../codes'
import { seedStarter } from '../first-start'
import { everyHouse, freshDatabase } from '../test/store'
import { triedAgain } from './alone'
import { openDatabase } from './open'
import * as t from './schema'

describe('a transaction that meets another', () => {
  const failing = (code: string, times: number) => {
    let tries = 0
    const task = async (): Promise<number> => {
      if (++tries <= times) throw new Error('Failed query', { cause: Object.assign(new Error('met'), { code }) })
      return tries
    }
    return { task, tries: () => tries }
  }
  it('is done again where it could not be held apart, so often and no oftener; any other fault is none to try again', async () => {
    for (const code of ['40001', '40P01', '23505']) {
      expect(await triedAgain(failing(code, 3).task)).toBe(4)
      const never = failing(code, 99)
      await expect(triedAgain(never.task)).rejects.toThrow('Failed query')
      expect(never.tries()).toBe(4)
    }
    const other = failing('22P02', 1)
    await expect(triedAgain(other.task)).rejects.toThrow('Failed query')
    expect(other.tries()).toBe(1)
  })
})

it('what was there twice before it was held apart is made one: a lot, a running load, a cassette at two trays', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'jade-doubled-'))
  const own = everyHouse ? await freshDatabase(everyHouse) : undefined
  const at = own?.url ?? folder
  const before = await openDatabase(at, 11)
  const log = vi.spyOn(console, 'log').mockReturnValue()
  await seedStarter(before.db)
  log.mockRestore()
  const lot = { itemId: 'cord-000', number: 'R-1', opened: false }
  await before.db.insert(t.lots).values([
    { ...lot, id: 'lot-a', expires: '2031-05-01', left: 2 },
    { ...lot, id: 'lot-b', expires: '2031-03-01', left: 3, opened: true },
    { ...lot, id: 'lot-c', number: 'R-2', expires: '2031-03-01', left: 9 },
  ])
  await before.db.insert(t.patients).values({ id: 'p', name: 'Ilse Brandt', alerts: [] })
  await before.db.insert(t.cases).values({ id: 'c', patientId: 'p', request: toStore({}) })
  for (const id of ['v', 'w'])
    await before.db.insert(t.visits).values({
      id,
      caseId: 'c',
      chairId: 'chair-1',
      day: '2030-01-02',
      startsAt: 1,
      team: { dentist: 'x', assistants: [] },
      visitChoices: {},
      swaps: {},
    })
  await before.db.insert(t.lotUses).values([
    { visitId: 'v', lotId: 'lot-a', amount: 1, at: 1 },
    { visitId: 'v', lotId: 'lot-b', amount: 2, at: 2 },
    { visitId: 'w', lotId: 'lot-b', amount: 4, at: 3 },
  ])
  const load = { steriliserId: 's', cycle: 'gravity 132' as const, cassetteIds: ['k'], startedBy: 'x' }
  await before.db.insert(t.loads).values([
    { ...load, id: 'l1', number: 1, startedAt: 5 },
    { ...load, id: 'l2', number: 1, startedAt: 6 },
  ])
  // As it was written then, before it was known who confirmed it.
  await before.db.execute(
    sql`insert into cassette_uses (visit_id, cassette_id, at) values ('v', 'k', 7), ('w', 'k', 8)`,
  )
  await before.close()
  const { db, close } = await openDatabase(at)
  const lots = await db.select().from(t.lots).orderBy(t.lots.id)
  expect(lots.map((l) => [l.id, l.left, l.expires, l.opened])).toEqual([
    ['lot-a', 5, '2031-03-01', true],
    ['lot-c', 9, '2031-03-01', false],
  ])
  const uses = await db.select().from(t.lotUses).orderBy(t.lotUses.visitId)
  expect(uses.map((u) => [u.visitId, u.lotId, u.amount])).toEqual([
    ['v', 'lot-a', 3],
    ['w', 'lot-a', 4],
  ])
  const loads = await db.select().from(t.loads).orderBy(t.loads.id)
  expect(loads.map((l) => l.endedAt)).toEqual([5, null])
  const laid = await db
    .select()
    .from(t.cassetteUses)
    .where(eq(t.cassetteUses.cassetteId, 'k'))
    .orderBy(t.cassetteUses.at)
  expect(laid.map((u) => [u.visitId, u.usedAt])).toEqual([
    ['v', 7],
    ['w', null],
  ])
  // And from now on the database itself refuses a second.
  await expect(db.insert(t.lots).values({ ...lot, id: 'lot-d', expires: '2031-05-01', left: 1 })).rejects.toThrow()
  await expect(db.insert(t.loads).values({ ...load, id: 'l3', number: 2, startedAt: 9 })).rejects.toThrow()
  await expect(db.insert(t.cassetteUses).values({ visitId: 'v', cassetteId: 'k', at: 9 })).rejects.toThrow()
  await close()
  await own?.drop()
  rmSync(folder, { recursive: true, force: true })
})

describe.runIf(everyHouse)('two servers on one empty database', () => {
  it('start, whichever is first: one says the codes, and they open', async () => {
    for (let round = 0; round < 3; round++) {
      const own = await freshDatabase(everyHouse ?? '')
      const said: string[] = []
      const log = vi.spyOn(console, 'log').mockImplementation((line) => void said.push(String(line)))
      const start = async () => {
        const database = await openDatabase(own.url)
        await seedStarter(database.db)
        return database
      }
      const both = await Promise.all([start(), start()])
      log.mockRestore()
      expect(said).toHaveLength(1)
      const people = await both[0].db.select().from(t.people)
      for (const { name, codeHash } of people) {
        const [, code = ''] = new RegExp(`${name} (\\d{6})`).exec(said[0] ?? '') ?? []
        expect(await codeMatches(code, codeHash)).toBe(true)
      }
      for (const { close } of both) await close()
      await own.drop()
    }
  })
})
