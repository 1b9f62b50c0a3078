/** At the chair and beside it: waits that were none, alerts and marks changed while visits stand on them, and who writes a line of a record. */
import { eq } from 'drizzle-orm'
import fc from 'fast-check'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { starterItems } from '../core/catalog/starter'
import { isClock } from '../core/model/link'
import type { Plan } from '../core/model/plan'
import { sure } from '../core/sure'
import { oneLine } from '../core/bounded'
import { bringTo } from '../demo/bring'
import { eventsView } from '../wire/run'
import { recordView, visitView } from '../wire/visit'
import * as t from './db/schema'
import { Caller, command, day, eventsIn, openHouse, type TestHouse } from './test/house'

let house: TestHouse
let juno: Caller
let orrell: Caller
let wim: Caller
beforeEach(async () => {
  house = await openHouse()
  juno = await new Caller(house.app).signIn('juno', '3816')
  orrell = await new Caller(house.app).signIn('orrell', '471108')
  wim = await new Caller(house.app).signIn('wim', '9527')
})
afterEach(() => house.close())

const lastSeq = async (id: string): Promise<number> =>
  (await juno.read(eventsView, `/visits/${id}/events`)).events.at(-1)!.seq
const sentences = async (id: string): Promise<string[]> =>
  (await juno.read(recordView, `/visits/${id}/record`)).note.sections.flatMap((s) => s.sentences)

describe('a least wait', () => {
  const id = `${day}-one`
  /** A step that something has to wait for after it is done, running. */
  async function running(): Promise<{ plan: Plan; from: string; to: string; leastS: number }> {
    const first = await orrell.read(visitView, `/visits/${id}`)
    expect(first.frozen).toBeNull()
    const probe = await bringTo(house.database.db, id, { onlySigned: true }, house.clock.now)
    await orrell.call('POST', `/visits/${id}/tray/reopen`)
    await house.database.db.delete(t.trayMarks).where(eq(t.trayMarks.visitId, id))
    const link = sure(
      probe.links.filter(isClock).find((l) => l.kind === 'lag' && l.fromEdge === 'finish' && l.atLeastS >= 60),
    )
    const plan = await bringTo(house.database.db, id, { until: link.from, start: true }, house.clock.now)
    return { plan, from: link.from, to: link.to, leastS: 'atLeastS' in link ? (link.atLeastS ?? 0) : 0 }
  }
  const touch = (seq: number, what: object, waitedS: number) =>
    juno.call('POST', `/visits/${id}/commands`, command(seq, { kind: 'advance', ...what }, { waitedS }))

  it('is not shortened by a touch that says it waited: nothing waits on a device that is heard', async () => {
    const { from, to, leastS } = await running()
    const seq = await lastSeq(id)
    house.clock.now += (leastS + 20) * 1000
    // The device is there all the time.
    for (let s = 0; s < leastS + 20; s += 10) {
      house.clock.now += 10_000
      expect((await juno.call('GET', '/session')).status).toBe(200)
    }
    const ended = await touch(seq, { finish: from }, leastS + 20)
    expect(ended.status, JSON.stringify(ended.body)).toBe(200)
    expect(eventsIn(ended.body)[0]).toMatchObject({ at: house.clock.now })
    const next = await touch(seq + 1, { start: to }, 0)
    expect([next.status, Object(next.body['refusal'])['code']]).toEqual([409, 'lag'])
    house.clock.now += leastS * 1000
    expect((await touch(seq + 1, { start: to }, 0)).status).toBe(200)
  })
  it('counts from its own time where the device was away, and no further back than that', async () => {
    const { from, to, leastS } = await running()
    const seq = await lastSeq(id)
    const heardLast = house.clock.now
    house.clock.now += (leastS + 120) * 1000
    const ended = await touch(seq, { finish: from }, leastS + 60)
    expect(eventsIn(ended.body)[0]).toMatchObject({
      at: house.clock.now - (leastS + 60) * 1000,
      receivedAt: house.clock.now,
    })
    expect((await touch(seq + 1, { start: to }, 30)).status).toBe(200)
    // What would have been before it was heard last was not.
    const claimed = await juno.call(
      'POST',
      `/visits/${id}/commands`,
      command(seq + 2, { kind: 'note', text: 'x' }, { waitedS: 40_000 }),
    )
    expect(eventsIn(claimed.body)[0]!.at).toBeGreaterThanOrEqual(heardLast)
  })
})

describe('an alert', () => {
  it('changed while a visit runs is in its record: which, when, by whom and why; taking the last touch back leaves it there', async () => {
    const id = `${day}-two`
    await bringTo(house.database.db, id, { until: 'arrival.seat', start: true }, house.clock.now)
    const before = (await juno.read(visitView, `/visits/${id}`)).request.alerts
    expect(before).not.toContain('iodine')
    expect((await wim.setAlerts(id, [...before, 'iodine'])).body['reopened']).toEqual([])
    expect(await sentences(id)).toContainEqual(
      expect.stringMatching(
        /^\d\d:\d\d Wim Castellan \(not .*\) entered an alert while the visit ran: iodine allergy\.$/,
      ),
    )
    await juno.call('POST', `/visits/${id}/commands`, command(await lastSeq(id), { kind: 'undo' }))
    await juno.setAlerts(id, before, { why: 'it was the sister’s' })
    const told = (await sentences(id)).filter((s) => s.includes('iodine'))
    expect(told).toEqual([
      expect.stringContaining('entered an alert'),
      expect.stringMatching(/took an alert away while the visit ran: iodine allergy, because: it was the sister’s\.$/),
    ])
    // The run goes on behind it, on every device.
    const noted = await juno.call(
      'POST',
      `/visits/${id}/commands`,
      command(await lastSeq(id), { kind: 'note', text: 'on' }),
    )
    expect(noted.status).toBe(200)
  })
})

describe('a mark that alerts look at', () => {
  const sheet = sure(starterItems.find((i) => i.latex))
  const store = (caller: Caller, item: object, more: object = {}) =>
    caller.call('POST', '/items/import', { items: [item], ...more })
  it('is taken off by a dentist, or with a reason; set by whoever keeps the cupboard', async () => {
    const bare = await store(wim, { ...sheet, latex: false })
    expect([bare.status, bare.body['errors']]).toEqual([422, [{ path: 'why', message: 'a reason, or a dentist' }]])
    expect((await store(wim, { ...sheet, latex: false }, { why: 'another maker’s sheet' })).status).toBe(200)
    expect((await store(wim, sheet)).status).toBe(200)
    expect((await store(orrell, { ...sheet, latex: false })).status).toBe(200)
    const { rows } = (await orrell.call('GET', '/audit?q=items/import&limit=5')).body
    expect(JSON.stringify(rows)).toContain('another maker’s sheet')
  })
  it('set on what lies on a tray opens it again, is told to a visit that runs, and what was set aside is not laid out by itself', async () => {
    const { db } = house.database
    const [signed, runs, planned] = [`${day}-one`, `${day}-two`, `${day}-three`] as const
    for (const id of [signed, runs, planned]) {
      const alerts = (await juno.read(visitView, `/visits/${id}`)).request.alerts
      expect((await juno.setAlerts(id, [...new Set([...alerts, 'latex'])])).status).toBe(200)
    }
    const plan = await bringTo(db, signed, { onlySigned: true }, house.clock.now)
    const other = await bringTo(db, runs, { until: 'arrival.seat', start: true }, house.clock.now)
    const line = sure(
      plan.setup.find(
        (l) => other.setup.some((o) => o.id === l.id) && starterItems.some((i) => i.id === l.id && !i.latex),
      ),
    )
    const item = sure(starterItems.find((i) => i.id === line.id))
    // What only looks like it is another product, and touches nobody.
    await db
      .update(t.visits)
      .set({ swaps: { something: item.id } })
      .where(eq(t.visits.id, planned))
    expect((await store(wim, { ...item, latex: true })).status).toBe(200)
    const opened = await juno.read(visitView, `/visits/${signed}`)
    expect([opened.stage, opened.reopened?.why]).toEqual(['planned', `${item.name}: latex marked`])
    expect(await sentences(runs)).toContainEqual(
      expect.stringContaining(`marked a product of this tray while the visit ran: ${item.name}, latex`),
    )
    const swapsOf = async () => (await juno.read(visitView, `/visits/${planned}`)).request.swaps
    expect(await swapsOf()).toEqual({ something: item.id })
    expect((await store(wim, { ...item, latex: false }, { why: 'a slip of the list' })).status).toBe(200)
    expect(await swapsOf()).toEqual({})
  })
})

describe('a line of a record', () => {
  it('is the program’s own: what people write stays on the line of who wrote it, whatever is in it', async () => {
    const id = `${day}-two`
    await bringTo(house.database.db, id, {}, house.clock.now)
    const forged = 'Wiped.\n11:02 Dr Tamsin Orrell: signed “Margins clear”\u2028and \u202edetrevni\u202c\u200b'
    await juno.call('POST', `/visits/${id}/commands`, command(await lastSeq(id), { kind: 'addend', text: forged }))
    const all = await sentences(id)
    expect(all.at(-1)).toMatch(
      /Juno Abara.*: Wiped\. \/ 11:02 Dr Tamsin Orrell: signed “Margins clear” \/ and detrevni$/,
    )
    for (const line of all) expect(line).not.toMatch(/[\n\r\u0085\u2028\u2029\u202a-\u202e\u2066-\u2069\u200b]/)
    fc.assert(
      fc.property(
        fc.string({ unit: 'binary' }),
        (text) => !/[\n\r\u2028\u2029\u0085\u202a-\u202e]/.test(oneLine(text)),
      ),
    )
  })
  it('nor is a property of a calendar: a practice’s name is one line', async () => {
    await orrell.call('PATCH', '/practice', { name: 'Here\r\nX-EVIL:yes' })
    const { headers } = await juno.call('GET', `/days/${day}/calendar.ics`)
    expect(headers['content-type']).toContain('text/calendar')
    const text = (await house.app.inject({ url: `/api/days/${day}/calendar.ics`, headers: { cookie: juno.cookie } }))
      .body
    expect(text).not.toMatch(/^X-EVIL/m)
    expect(text).toContain('Here / X-EVIL')
  })
})

describe('what is taken in', () => {
  it('amendments of a file are signed by who takes them in; those that are there already stay as they were signed', async () => {
    const body = {
      kind: 'crown.prepare',
      change: { op: 're-time step', step: 'arrival.seat', minutes: [1, 2, 3] },
      why: 'as timed',
    }
    const made = (await orrell.call('POST', '/practice/amendments', body)).body
    const varen = await new Caller(house.app).signIn('varen', '771194')
    const file = {
      format: 'jade-tray amendments',
      version: 1,
      amendments: [made, { ...made, id: 'am-forged', by: 'Dr Somebody Else', on: '2001-01-01' }],
    }
    expect((await varen.call('PUT', '/practice/amendments', file)).body).toEqual({ added: 1, replaced: 1 })
    const { amendments } = (await varen.call('GET', '/practice/amendments')).body
    expect(amendments).toEqual([
      expect.objectContaining({ id: made['id'], by: 'Dr Tamsin Orrell' }),
      expect.objectContaining({ id: 'am-forged', by: 'Dr Imke Varen', on: day }),
    ])
  })
  it('exchanges are of things that are there; a list names each item once; an item without lots can be taken out', async () => {
    const swap = (body: object) => juno.call('PUT', `/visits/${day}-one/swaps`, body)
    expect((await swap({ from: 'mirror', to: 'no-such' })).status).toBe(404)
    expect((await swap({ from: 'no-such', to: 'mirror' })).status).toBe(404)
    const one = { ...sure(starterItems[0]), id: 'own-thing', name: 'Own thing' }
    const twice = await wim.call('POST', '/items/import', { items: [one, one] })
    expect([twice.status, twice.body['detail']]).toEqual([422, expect.stringContaining('twice')])
    expect((await wim.call('POST', '/items/import', { items: [one] })).status).toBe(200)
    await wim.call('POST', '/lots', { itemId: one.id, number: 'Q\u202e1', expires: '2031-01-01', left: 1 })
    expect((await wim.call('DELETE', `/items/${one.id}`)).body['detail']).toContain('Q1')
    await house.database.db.delete(t.lots).where(eq(t.lots.itemId, one.id))
    expect((await wim.call('DELETE', `/items/${one.id}`)).status).toBe(200)
    expect((await wim.call('DELETE', `/items/${one.id}`)).status).toBe(404)
    const many = Array.from({ length: 12_000 }, (_, i) => ({ ...one, id: `many-${i}` }))
    expect((await wim.call('POST', '/items/import', { items: many })).body['detail']).toMatch(/it keeps 12000/)
  })
  it('another time zone asks for the own code, and no visit that has not begun changes its hour on the wall', async () => {
    const hours = async (zone: string): Promise<string[]> => {
      const rows = await house.database.db
        .select({ at: t.visits.startsAt, id: t.visits.id })
        .from(t.visits)
        .where(eq(t.visits.day, day))
      return rows
        .map(
          (r) =>
            `${r.id} ${new Intl.DateTimeFormat('en-GB', { timeZone: zone, timeStyle: 'short', dateStyle: 'short' }).format(r.at)}`,
        )
        .toSorted()
    }
    const before = await hours('Etc/UTC')
    expect((await orrell.call('PATCH', '/practice', { zone: 'Pacific/Kiritimati' })).status).toBe(422)
    expect(
      (await orrell.call('PATCH', '/practice', { zone: 'Pacific/Kiritimati', signer: { code: '000001' } })).status,
    ).toBe(401)
    expect(
      (await orrell.call('PATCH', '/practice', { zone: 'Pacific/Kiritimati', signer: { code: '471108' } })).status,
    ).toBe(200)
    expect(await hours('Pacific/Kiritimati')).toEqual(before)
  })
})
