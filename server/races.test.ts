/**
 * Two at once, at doors that look at the same things: what is then stored and answered is what one order of the two would have
 * stored and answered. On the embedded database and, in the suite's second run, on a PostgreSQL server.
 */
import { eq, getTableName, sql, type SQL } from 'drizzle-orm'
import { afterAll, beforeAll, expect, it } from 'vitest'
import * as z from 'zod'
import { random } from '../core/random'
import { often } from '../scripts/often'
import { bringTo } from '../demo/bring'
import { visitView } from '../wire/visit'
import { verifyLive } from './backup/verify'
import { rowsOf } from './db/rows'
import * as t from './db/schema'
import { Caller, command, day, openHouse, type Method, type TestHouse } from './test/house'

let house: TestHouse
const people: Record<string, Caller> = {}
/** One thing that somebody does. */
type Act = readonly [who: string, method: Method, url: string, body: () => object]
let acts: Record<string, Act>

const [one, two, three, four] = [`${day}-one`, `${day}-two`, `${day}-four`, `${day}-five`]

/** What these doors change, beside events and the trail; whoever leaves is signed out. */
const tables = [
  t.practices,
  t.people,
  t.patients,
  t.cases,
  t.visits,
  t.trayMarks,
  t.plans,
  t.lots,
  t.loads,
  t.cassetteUses,
  t.sessions,
].map((table) => getTableName(table))

beforeAll(async () => {
  house = await openHouse()
  const { db } = house.database
  const codes = { orrell: '471108', varen: '771194', juno: '3816', petra: '5064', wim: '9527' }
  for (const [id, code] of Object.entries(codes)) people[id] = await new Caller(house.app).signIn(id, code)
  const juno = people['juno']!
  // Whoever leaves or gives up a role here leaves nobody's visit behind.
  await db.execute(sql`update visits set team = jsonb_set(team, '{dentist}', '"lindqvist"')`)
  // Two planned, laid out whole; one signed; one running. The last two crown cassettes are between the two planned.
  await bringTo(db, three, { onlySigned: true }, house.clock.now)
  await bringTo(db, four, { until: 'arrival.seat', start: true }, house.clock.now)
  const [signOne, signTwo] = [await juno.layTray(one), await juno.layTray(two)]
  const [{ last } = { last: 0 }] = rowsOf(
    z.object({ last: z.number() }),
    await db.execute(sql`select max(seq)::int as last from run_events where visit_id = ${four}`),
  )
  const { alerts } = (await juno.read(visitView, `/visits/${three}`)).request
  const ofOne = await juno.read(visitView, `/visits/${one}`)
  const [use] = await db.select().from(t.cassetteUses).where(eq(t.cassetteUses.visitId, three))
  const giveUp = (code: string) => () => ({ name: 'A dentist', roles: ['assistant'], signer: { code } })
  acts = {
    'sign one': ['juno', 'POST', `/visits/${one}/tray/sign`, () => signOne],
    'sign two': ['petra', 'POST', `/visits/${two}/tray/sign`, () => signTwo],
    'unlay one': ['petra', 'PUT', `/visits/${one}/tray`, () => ({ lineIds: ['mirror'], done: false })],
    'latex for one': ['wim', 'PUT', `/visits/${one}/alerts`, () => ({ alerts: ['latex'], saw: ofOne.request.alerts })],
    'request of one': ['orrell', 'PUT', `/visits/${one}/request`, () => ({ version: 1, request: { weightKg: 61 } })],
    'move one': [
      'wim',
      'PUT',
      `/visits/${one}/time`,
      () => ({
        chairId: 'chair-4',
        day,
        time: '18:00',
        saw: { chairId: ofOne.chairId, startsAt: ofOne.startsAt },
      }),
    ],
    'begin three': ['juno', 'POST', `/visits/${three}/commands`, () => command(0, { kind: 'begin' })],
    'reopen three': ['petra', 'POST', `/visits/${three}/tray/reopen`, () => ({})],
    'latex for three': ['wim', 'PUT', `/visits/${three}/alerts`, () => ({ alerts: [...alerts, 'latex'], saw: alerts })],
    'change a cassette of three': [
      'wim',
      'POST',
      `/visits/${three}/cassettes/change`,
      () => ({ cassetteId: use?.cassetteId }),
    ],
    'note four': ['juno', 'POST', `/visits/${four}/commands`, () => command(last, { kind: 'note', text: 'a' })],
    'note four, too': ['petra', 'POST', `/visits/${four}/commands`, () => command(last, { kind: 'note', text: 'b' })],
    'start a load': ['wim', 'POST', '/loads', () => ({ steriliserId: 'steriliser-a', cassetteIds: ['dam-6'] })],
    'start a load, too': ['petra', 'POST', '/loads', () => ({ steriliserId: 'steriliser-a', cassetteIds: ['dam-5'] })],
    'a load in the other': ['wim', 'POST', '/loads', () => ({ steriliserId: 'steriliser-b', cassetteIds: ['dam-6'] })],
    'pull a load back': ['wim', 'POST', `/loads/${use?.loadId}/fail`, () => ({ why: 'a wet pack' })],
    'enter a lot': [
      'juno',
      'POST',
      '/lots',
      () => ({ itemId: 'cord-000', number: 'R-1', expires: '2031-01-01', left: 3 }),
    ],
    'orrell is none any more': ['varen', 'PUT', '/people/orrell', giveUp('771194')],
    'varen is none any more': ['orrell', 'PUT', '/people/varen', giveUp('471108')],
    'orrell has left': ['varen', 'PUT', '/people/orrell/left', () => ({ left: true, signer: { code: '771194' } })],
    'a time of the practice’s own': ['orrell', 'PUT', '/practice/rules', () => ({ rule: 'cord.dwell', value: 420 })],
    'another time': ['varen', 'PUT', '/practice/rules', () => ({ rule: 'etch.enamel', value: 20 })],
  }
  for (const name of tables) await db.execute(sql.raw(`create table kept_${name} as select * from ${name}`))
})
afterAll(() => house.close())

/** Everything as it was before anybody did anything; events only ever grow, so that those which were added go again here. */
async function asBefore(prepare = sql`select`): Promise<void> {
  await house.database.db.transaction(async (tx) => {
    await tx.execute(sql`set local session_replication_role = replica`)
    for (const name of tables) {
      await tx.execute(sql.raw(`delete from ${name}`))
      await tx.execute(sql.raw(`insert into ${name} overriding system value select * from kept_${name}`))
    }
    await tx.execute(
      sql`delete from run_events where visit_id in (${three}, ${four}) and (command_id like 'test-command-%' or command_id like 'beside-%')`,
    )
    await tx.execute(prepare)
  })
}

/** What is stored, but for ids made by chance. */
async function stored(): Promise<string> {
  const all: string[] = []
  for (const name of [...tables, 'run_events']) {
    const whose = name === 'run_events' ? sql`visit_id in (${three}, ${four})` : sql`true`
    const rows = rowsOf(
      z.object({ row: z.string() }),
      // Of plans and logs it is enough to know that they are the same.
      await house.database.db.execute(
        sql`select ((to_jsonb(x) - 'plan' - 'log') || jsonb_build_object('long', md5(concat(to_jsonb(x) -> 'plan', to_jsonb(x) -> 'log'))))::text as row from ${sql.identifier(name)} x where ${whose}`,
      ),
    )
    all.push(
      ...rows
        .map((r) => `${name} ${r.row.replace(/[0-9a-f]{8}-[0-9a-f-]{3,27}|test-command-\d+|"seal": "\w+"/g, '*')}`)
        .toSorted(),
    )
  }
  return all.join('\n')
}

/** Does it. Which words refuse it is not told: who was let in before another's change was done is refused in others. */
async function done(name: string): Promise<string> {
  const [who, method, url, body] = acts[name]!
  return `${name}: ${(await people[who]!.call(method, url, body())).status < 300 ? 'done' : 'refused'}`
}

/** What came of some acts, and what is stored after them. */
const after = async (came: string[]): Promise<string> => `${came.toSorted().join('; ')}\n${await stored()}`

/** Both at once, so many times; each time as one order of the two would have it. */
async function held(a: string, b: string, times: number, prepare?: SQL): Promise<void> {
  const inTurn: string[] = []
  for (const [first, second] of [
    [a, b],
    [b, a],
  ] as const) {
    await asBefore(prepare)
    inTurn.push(await after([await done(first), await done(second)]))
  }
  for (let i = 0; i < times; i++) {
    await asBefore(prepare)
    // Now the one, now the other is sent first.
    const atOnce = await after(await Promise.all((i % 2 === 0 ? [a, b] : [b, a]).map((name) => done(name))))
    if (inTurn.includes(atOnce)) continue
    const outcome = (of: string): string => of.split('\n')[0] ?? ''
    const strange = atOnce.split('\n').filter((line) => inTurn.every((o) => !o.split('\n').includes(line)))
    throw new Error(
      `at once ${outcome(atOnce)}; one after the other ${inTurn.map(outcome).join(' or ')}; only at once: ${strange.join('\n')}`,
    )
  }
}

it('each is done where nobody does anything else', async () => {
  for (const name of Object.keys(acts)) {
    await asBefore()
    expect(await done(name)).toBe(`${name}: done`)
  }
})

it('what was seen to be lost is held apart: signatures and alerts, cassettes, loads, lots, the last dentist', async () => {
  const seen = [
    ['sign one', 'latex for one'],
    ['sign one', 'request of one'],
    ['sign one', 'sign two'],
    ['start a load', 'start a load'],
    ['start a load', 'a load in the other'],
    ['enter a lot', 'enter a lot'],
    ['begin three', 'reopen three'],
    ['begin three', 'latex for three'],
    ['a time of the practice’s own', 'another time'],
  ] as const
  for (const [a, b] of seen) await held(a, b, often(6))
  const onlyTwo = sql`update people set roles = '["assistant"]' where id = 'lindqvist'`
  for (const b of ['orrell is none any more', 'orrell has left'])
    await held('varen is none any more', b, often(6), onlyTwo)
}, 240_000)

it('any two, in any order and at once, leave what one order of the two would leave', async () => {
  const names = Object.keys(acts)
  const pairs = names.flatMap((a, i) => names.slice(i).map((b) => [a, b] as const))
  const next = random(Number(process.env['JADE_SEED'] ?? Math.floor(Date.now() / 86_400_000)))
  const some = pairs.toSorted(() => next() - 0.5).slice(0, often(27))
  for (const [a, b] of some) await held(a, b, 2)
  expect((await verifyLive(house.database.db)).wrong).toEqual([])
}, 480_000)
