/** Whatever of what is stored cannot be read, the rest is shown: each kind of stored thing is spoilt in turn, and every reading door tried. */
import { nightly } from '../scripts/often'
import { eq, sql } from 'drizzle-orm'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { sure } from '../core/sure'
import { stockView } from '../wire/cupboard'
import { dayView } from '../wire/day'
import { lookBackView } from '../wire/lookback'
import { neededView } from '../wire/run'
import { visitView } from '../wire/visit'
import { unreadPartView } from '../wire/unread'
import * as z from 'zod'
import { buildApp } from './app'
import { bringTo } from '../demo/bring'
import * as t from './db/schema'
import { Caller, day, openHouse, type TestHouse } from './test/house'

const [one, other] = [`${day}-one`, `${day}-two`]
let house: TestHouse
let juno: Caller
beforeEach(async () => {
  house = await openHouse()
  juno = await new Caller(house.app).signIn('juno', '3816')
})
afterEach(() => house.close())

/** The same data under a server that remembers nothing. */
async function restart(): Promise<void> {
  const app = await buildApp({ database: house.database, now: () => house.clock.now, checkAnswers: true })
  await house.app.close()
  house.app = app
  const { cookie } = juno
  juno = Object.assign(new Caller(app), { cookie })
}

/** As a later version, or a hand in the database, may have left it: not what this program writes. */
const spoilt = (value: unknown) => sql`${JSON.stringify(value)}::jsonb`

/** Every door that lists visits answers, names the one that cannot be read, and shows the rest. */
async function theRestIsShown(why: RegExp): Promise<void> {
  const view = await juno.read(dayView, `/days/${day}`)
  expect(view.unread).toEqual([expect.objectContaining({ visitId: one, why: expect.stringMatching(why) })])
  expect(view.visits.map((v) => v.id)).toContain(other)
  expect(view.visits.map((v) => v.id)).not.toContain(one)
  const stock = await juno.read(stockView, '/stock?days=7')
  expect(stock.lines.length).toBeGreaterThan(10)
  await juno.read(neededView, '/needed')
  await juno.read(lookBackView, '/lookback')
  expect((await juno.call('GET', `/days/${day}/calendar.ics`)).status).toBe(200)
  expect((await juno.call('GET', `/visits/${other}`)).status).toBe(200)
  // The visit itself: refused in words, with its data to take away; its events come all the same.
  const alone = await juno.call('GET', `/visits/${one}`)
  expect([alone.status, alone.body['raw']]).toEqual([409, `/api/visits/${one}/raw`])
  expect(alone.body['detail']).toMatch(why)
  const raw = await juno.call('GET', `/visits/${one}/raw`)
  expect(raw.status).toBe(200)
  expect(raw.body).toMatchObject({ visit: { id: one } })
}

it('facts of a case that make no request: named, the rest shown, and mended by a change of the fact', async () => {
  const { db } = house.database
  const { caseId, version } = await juno.read(visitView, `/visits/${one}`)
  const [row] = await db.select().from(t.cases).where(eq(t.cases.id, caseId))
  await db
    .update(t.cases)
    .set({ request: spoilt({ ...Object(sure(row).request), restoration: 'of a later version' }) })
    .where(eq(t.cases.id, caseId))
  await theRestIsShown(/restoration/)
  expect((await juno.call('GET', `/visits/${one}/events`)).status).toBe(200)
  const mended = await juno.call('PUT', `/visits/${one}/request`, {
    version,
    request: { restoration: Object(sure(row).request)['restoration'] },
  })
  expect(mended.status, JSON.stringify(mended.body)).toBe(200)
  expect((await juno.read(dayView, `/days/${day}`)).unread).toEqual([])
})

it('a signed plan, and the events of a run, that say nothing to this version', async () => {
  const { db } = house.database
  await bringTo(db, one, { until: 'anaesthesia.test', start: true }, house.clock.now)
  const [row] = await db.select().from(t.plans).where(eq(t.plans.visitId, one))
  const plan = Object(sure(row).plan)
  await db
    .update(t.plans)
    .set({ plan: spoilt({ ...plan, steps: 'none', request: 7 }) })
    .where(eq(t.plans.visitId, one))
  await theRestIsShown(/signed plan/)
  expect((await juno.call('GET', `/visits/${one}/events`)).status).toBe(200)
  await db.update(t.plans).set({ plan }).where(eq(t.plans.visitId, one))
  await restart()
  expect((await juno.read(dayView, `/days/${day}`)).unread).toEqual([])
  // Events are only added to; a hand in the database would have to take that guard away first.
  await db.execute(sql`alter table run_events disable trigger all`)
  await db
    .update(t.runEvents)
    .set({ what: spoilt(null) })
    .where(eq(t.runEvents.visitId, one))
  await restart()
  await theRestIsShown(/run/)
})

it('an alert of a later version on a patient', async () => {
  const { db } = house.database
  const { patient } = await juno.read(visitView, `/visits/${one}`)
  await db
    .update(t.patients)
    .set({ alerts: spoilt(['something newer']) })
    .where(eq(t.patients.id, patient.id))
  await theRestIsShown(/alerts/)
})

it('each setting of the practice, spoilt in one of two ways, by night in both: what the program begins with stands for it, and it is named', async () => {
  const { db } = house.database
  const [before] = await db.select().from(t.practices)
  const { chairs, functions, light, day: ofDay, instruments, rules, learned } = sure(before)
  const settings = { chairs, functions, light, day_rules: ofDay, instruments, rules, learned }
  const ways = [7, { later: [{ than: 'this' }] }]
  for (const [n, [key, value]] of Object.entries(settings).entries()) {
    const name = sql.identifier(key)
    for (const worse of ways.filter((_, way) => nightly || way === n % ways.length)) {
      await db.execute(sql`update practices set ${name} = ${spoilt(worse)}`)
      await restart()
      const unread = await juno.read(z.array(unreadPartView), '/practice/unread')
      expect([key, unread.map((u) => u.what)]).toEqual([key, ['setting']])
      expect([key, (await juno.read(dayView, `/days/${day}`)).visits.length > 5]).toEqual([key, true])
      expect((await juno.call('GET', '/practice')).status).toBe(200)
      await db.execute(sql`update practices set ${name} = ${spoilt(value)}`)
    }
  }
})

it('a material, a bur, a lot, a card, an amendment: plans are made without it, and Settings has it with its raw data', async () => {
  const { db } = house.database
  const [bur] = await db.select().from(t.burs).limit(1)
  await db
    .update(t.burs)
    .set({ body: spoilt({ ...sure(bur).body, shape: 'of a later version' }) })
    .where(eq(t.burs.id, sure(bur).id))
  const [item] = await db.select().from(t.items).limit(1)
  await db
    .update(t.items)
    .set({ body: spoilt({ ...sure(item).body, unit: 'furlong' }) })
    .where(eq(t.items.id, sure(item).id))
  await db.update(t.practices).set({ cards: spoilt([{ dentistId: 7 }]), amendments: spoilt([{ id: 'x' }]) })
  const unread = await juno.read(z.array(unreadPartView), '/practice/unread')
  expect(unread.map((u) => u.what).toSorted()).toEqual(['amendment', 'bur', 'card', 'item'])
  const view = await juno.read(dayView, `/days/${day}`)
  expect(view.unread).toEqual([])
  expect(view.visits.length).toBeGreaterThan(5)
})
