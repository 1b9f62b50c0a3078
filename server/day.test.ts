/** The day through the server: all moves or none, what has begun stays, what closes leaves its traces. */
import { stockView } from '../wire/cupboard'
import { lookBackView } from '../wire/lookback'
import { eventsView } from '../wire/run'
import { dayView, type dayVisitView } from '../wire/day'
import { eq } from 'drizzle-orm'
import { Temporal } from 'temporal-polyfill'
import type * as z from 'zod'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringTo } from '../demo/bring'
import * as t from './db/schema'
import { Caller, day, eight, openHouse, type TestHouse } from './test/house'

let house: TestHouse
let orrell: Caller
let juno: Caller
beforeAll(async () => {
  house = await openHouse()
  orrell = await new Caller(house.app).signIn('orrell', '471108')
  juno = await new Caller(house.app).signIn('juno', '3816')
})
afterAll(() => house.close())

type Visit = z.infer<typeof dayVisitView>
const minute = 60_000
const theDay = () => juno.read(dayView, `/days/${day}`)
const visitOf = async (key: string) => (await theDay()).visits.find((v) => v.id === `${day}-${key}`)!

it('that is today’s is the practice’s, wherever the server stands', async () => {
  const today = async () => (await juno.read(dayView, '/days/today')).day
  expect(await today()).toBe(day)
  await orrell.call('PATCH', '/practice', { zone: 'Pacific/Kiritimati', signer: { code: '471108' } })
  house.clock.now = eight + 180 * minute
  expect(await today()).toBe(Temporal.PlainDate.from(day).add({ days: 1 }).toString())
  await orrell.call('PATCH', '/practice', { zone: 'Etc/UTC', signer: { code: '471108' } })
  house.clock.now = eight
})

describe('times', () => {
  it('are moved all or none: one that was moved meanwhile, has begun, or leaves its day moves nothing', async () => {
    const [five, six] = [await visitOf('five'), await visitOf('six')]
    const move = (v: Visit, byMin: number, from = v.startsAt) => ({
      visitId: v.id,
      from,
      to: v.startsAt + byMin * minute,
    })
    expect(
      (await juno.call('PUT', `/days/${day}/times`, { moves: [move(five, 10), move(six, 5, six.startsAt - minute)] }))
        .status,
    ).toBe(409)
    expect((await juno.call('PUT', `/days/${day}/times`, { moves: [move(five, 10), move(six, 24 * 60)] })).status).toBe(
      422,
    )
    expect(
      (
        await juno.call('PUT', `/days/${day}/times`, {
          moves: [move(five, 10), { ...move(six, 5), chairId: 'chair-99' }],
        })
      ).status,
    ).toBe(422)
    expect((await visitOf('five')).startsAt).toBe(five.startsAt)
    expect(
      (
        await juno.call('PUT', `/days/${day}/times`, {
          moves: [move(five, 10), { ...move(six, 5), chairId: 'chair-3' }],
        })
      ).body,
    ).toEqual({ moved: 2 })
    expect((await visitOf('five')).startsAt).toBe(five.startsAt + 10 * minute)
    await juno.call('PUT', `/visits/${day}-five/shift`, { mayMoveMin: 0 })
    expect((await visitOf('five')).mayMoveMin).toBe(0)
  })

  it('of what has begun are facts: the score begins when it began, done steps lie where they lay, the rest after now', async () => {
    const agreed = (await visitOf('two')).startsAt
    house.clock.now = eight + 110 * minute
    await bringTo(house.database.db, `${day}-two`, { until: 'cutting.reduction-check', start: true }, house.clock.now)
    const two = await visitOf('two')
    expect(two).toMatchObject({ stage: 'running', startsAt: agreed })
    expect(two.beganAt).toBeLessThan(house.clock.now)
    const nowS = (house.clock.now - two.beganAt!) / 1000
    const check = two.score.bars.find((b) => b.stepId === 'cutting.reduction-check')!
    expect(check.startS).toBeLessThan(nowS)
    expect(check.endS).toBeGreaterThan(nowS)
    expect(two.score.bars.find((b) => b.stepId === 'arrival.seat')!.endS).toBeLessThan(nowS)
    // Twenty minutes later, nothing done since: everything else has moved on by about as much.
    house.clock.now += 20 * minute
    const later = await visitOf('two')
    expect((later.score.totalS - two.score.totalS) / 60).toBeGreaterThan(15)
    expect(later.score.bars.find((b) => b.stepId === 'arrival.seat')).toEqual(
      two.score.bars.find((b) => b.stepId === 'arrival.seat'),
    )
    expect(
      (
        await juno.call('PUT', `/days/${day}/times`, {
          moves: [{ visitId: two.id, from: two.startsAt, to: two.startsAt + 5 * minute }],
        })
      ).status,
    ).toBe(409)
  })

  it('that were begun and never closed are drawn to the last touch, and asked for until somebody closes them', async () => {
    const left = await openHouse()
    try {
      await bringTo(left.database.db, `${day}-two`, { until: 'cutting.reduction-check', start: true }, eight)
      const reader = await new Caller(left.app).signIn('juno', '3816')
      const [then, soon] = [
        { visitId: `${day}-two`, day, lastAt: eight - 20_000 },
        await reader.read(dayView, '/days/today'),
      ]
      expect(soon.leftOpen).toEqual([])
      const lengthOf = (view: typeof soon) => view.visits.find((v) => v.id === then.visitId)!.score.totalS
      left.clock.now = eight + 3 * 24 * 60 * minute
      await reader.signIn('juno', '3816')
      const [thatDay, today] = [await reader.read(dayView, `/days/${day}`), await reader.read(dayView, '/days/today')]
      expect(thatDay.leftOpen).toMatchObject([then])
      expect(today).toMatchObject({ visits: [], leftOpen: [then] })
      expect(lengthOf(thatDay)).toBeLessThan(lengthOf(soon) + 60)
      // A note is a touch as well: somebody is at it. What lies between is nobody's all the same.
      const { events } = await reader.read(eventsView, `/visits/${then.visitId}/events?after=0`)
      const command = { kind: 'note', text: 'Finished on Tuesday, written up today.' }
      const note = { commandId: 'left-open-1', basedOn: events.length, device: 'test', command }
      expect((await reader.call('POST', `/visits/${then.visitId}/commands`, note)).status).toBe(200)
      const written = await reader.read(dayView, `/days/${day}`)
      expect(written.leftOpen).toEqual([])
      expect(lengthOf(written)).toBe(lengthOf(thatDay))
      left.clock.now = eight + 20 * 24 * 60 * minute
      await reader.signIn('juno', '3816')
      expect((await reader.read(dayView, '/days/today')).leftOpen).toEqual([])
    } finally {
      await left.close()
    }
  })

  it('are whole milliseconds, also of the instruments’ way after visits that run', async () => {
    const busy = await openHouse()
    try {
      for (const key of ['one', 'two', 'three', 'four'])
        await bringTo(busy.database.db, `${day}-${key}`, { until: 'cutting.reduction-check', start: true }, eight)
      const { turnover } = await (await new Caller(busy.app).signIn('juno', '3816')).read(dayView, `/days/${day}`)
      expect(turnover?.loads.length).toBeGreaterThan(0)
    } finally {
      await busy.close()
    }
  })
})

describe('a throat pack', () => {
  it('is told with its visit, to every screen of it, from the moment it is in until it is out', async () => {
    const team = { dentist: 'varen', assistants: ['bram'] }
    const made = await juno.call('POST', '/visits', {
      patientName: 'A child',
      kind: 'primary.incisors',
      chairId: 'chair-4',
      day,
      time: '16:00',
      team,
      teeth: ['51', '61'],
      weightKg: 15,
    })
    expect(made.status, JSON.stringify(made.body)).toBe(201)
    const id = String(made.body['id'])
    const isIn = async (): Promise<unknown> => (await juno.call('GET', `/visits/${id}`)).body['throatPackIn']
    expect(await isIn()).toBe(false)
    const plan = await bringTo(house.database.db, id, { until: 'asleep.pack-out' }, house.clock.now)
    expect(plan.counts.some((c) => c.id === 'throat-pack')).toBe(true)
    expect(await isIn()).toBe(true)
    const { events } = await juno.read(eventsView, `/visits/${id}/events`)
    const bram = await new Caller(house.app).signIn('bram', '8193')
    const out = await bram.call('POST', `/visits/${id}/commands`, {
      commandId: 'pack-is-out',
      basedOn: events.length,
      device: 'a-device',
      command: { kind: 'count', countId: 'throat-pack', direction: 'out', n: 1 },
    })
    expect(out.status, JSON.stringify(out.body)).toBe(200)
    expect(await isIn()).toBe(false)
  })
})

describe('a visit that closes', () => {
  it('takes what was used off its lots, wears its burs, soils its cassettes, and puts its minutes on record, once', async () => {
    const { db } = house.database
    const lots = async (): Promise<Map<string, number>> =>
      new Map((await db.select().from(t.lots)).map((l) => [l.id, l.left]))
    const before = await lots()
    const burs = new Map((await db.select().from(t.burs)).map((b) => [b.id, b.body.uses]))
    const visitId = `${day}-one`
    const plan = await bringTo(db, visitId, {}, house.clock.now)
    const uses = await db.select().from(t.lotUses).where(eq(t.lotUses.visitId, visitId))
    expect(uses.length).toBeGreaterThan(3)
    const after = await lots()
    for (const u of uses) expect(after.get(u.lotId)).toBeCloseTo(before.get(u.lotId)! - u.amount, 3)
    expect(
      [...after]
        .filter(([id, left]) => left !== before.get(id))
        .map(([id]) => id)
        .toSorted(),
    ).toEqual(uses.map((u) => u.lotId).toSorted())
    const worn = new Set(plan.burs.flatMap((b) => (b.bur ? [b.bur.id] : [])))
    for (const b of await db.select().from(t.burs)) expect(b.body.uses - burs.get(b.id)!).toBe(worn.has(b.id) ? 1 : 0)
    expect(
      (await db.select().from(t.cassetteUses).where(eq(t.cassetteUses.visitId, visitId))).every(
        (u) => u.usedAt !== null,
      ),
    ).toBe(true)
    expect((await db.select().from(t.stepTimes).where(eq(t.stepTimes.visitId, visitId))).length).toBeGreaterThan(20)
    const { visits } = await juno.read(lookBackView, '/lookback')
    expect(visits.find((v) => v.id === visitId)!.chairS).toBeGreaterThan(30 * 60)
  })

  it('has worn a bur of which a new one is put in once: a second touch means one that is no longer there', async () => {
    const { db } = house.database
    const worn = (await db.select().from(t.burs)).find((b) => b.body.uses > 0)!
    const is = eq(t.burs.id, worn.id)
    await db
      .update(t.burs)
      .set({ body: { ...worn.body, stock: 3 } })
      .where(is)
    const renew = () => juno.call('POST', `/burs/${worn.id}/renew`, { uses: worn.body.uses })
    expect([(await renew()).status, (await renew()).status]).toEqual([200, 409])
    expect((await db.select().from(t.burs).where(is))[0]!.body).toMatchObject({ uses: 0, stock: 2 })
  })

  it('what was learned stands beside the starting value, and is in the next plan only when a dentist says so', async () => {
    const learned = (await juno.read(lookBackView, '/lookback')).learned.find(
      (l) => l.key === 'crown.prepare|closing.turnover|juno',
    )!
    expect(learned.n).toBeGreaterThanOrEqual(5)
    expect(learned.meanS).not.toBe(learned.startS)
    const turnover = async (): Promise<number> => {
      // Of a crown visit that is still to come, in which Juno turns the chair over.
      const bars = (await theDay()).visits
        .filter((v) => v.request.kind === 'crown.prepare' && ['planned', 'laid up'].includes(v.stage))
        .flatMap((v) => v.score.bars)
      const bar = bars.find((b) => b.stepId === 'closing.turnover' && b.people.includes('juno'))!
      return bar.endS - bar.startS
    }
    const starting = await turnover()
    expect((await juno.call('PATCH', '/practice', { useLearned: true })).status).toBe(403)
    await orrell.call('PATCH', '/practice', { useLearned: true })
    expect(await turnover()).toBeCloseTo((starting * learned.meanS) / learned.startS, -1)
    await orrell.call('PATCH', '/practice', { useLearned: false })
  })

  it('the coming plans are run over the lots, and the order comes as CSV', async () => {
    const { lines } = await juno.read(stockView, '/stock?days=7')
    const line = lines.find((l) => l.itemId === 'bis-acryl')!
    expect(line.short?.date).toBe(day)
    expect(line.order).toBeGreaterThan(0)
    const csv = await house.app.inject({ url: '/api/stock/order.csv?days=7', headers: { cookie: juno.cookie } })
    expect(csv.body).toContain('bis-acryl')
  })
})
