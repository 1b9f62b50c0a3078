/** What a stranger, an assistant posing as a dentist, and a forged event would try. */
import { firstOf, keysOf, sure } from '../core/sure'
import { bringTo } from '../demo/bring'
import { doors } from '../wire/doors'
import { eventsView } from '../wire/run'
import { personView } from '../wire/people'
import { hashCode } from './codes'
import { auditView } from '../wire/settings'
import * as z from 'zod'
import { eq, sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import * as t from './db/schema'
import { Caller, day, openHouse, type TestHouse } from './test/house'

let house: TestHouse
let juno: Caller
let orrell: Caller
const visit = `${day}-one`
beforeAll(async () => {
  house = await openHouse()
  juno = await new Caller(house.app).signIn('juno', '3816')
  orrell = await new Caller(house.app).signIn('orrell', '471108')
})
afterAll(() => house.close())
let id = 0
const command = (basedOn: number, body: object, more: object = {}) => ({
  commandId: `security-${++id}`,
  basedOn,
  device: 'a-device',
  command: body,
  ...more,
})
const rows = async () => (await orrell.read(auditView, '/audit?limit=200')).rows

const methods = z.enum(['GET', 'POST', 'PUT', 'PATCH', 'DELETE'])

/** A door of the table as it is called. */
function methodAndPath(way: string, visitId = 'nothing-of-this-name') {
  const [method, path] = [firstOf(way.split(' ')), sure(way.split(' ')[1])]
  const url = path.replace(':day', day).replace(':visitId', visitId).replace(/:\w+/g, 'nothing-of-this-name')
  return [methods.parse(method), url] as const
}

describe('a stranger', () => {
  it('from another site is refused before anything else, with a good cookie too', async () => {
    const foreign = await juno.call(
      'POST',
      `/visits/${visit}/tray/sign`,
      { acknowledged: [] },
      { origin: 'https://elsewhere.example' },
    )
    expect([foreign.status, foreign.type]).toEqual([403, expect.stringContaining('problem+json')])
  })
  it('who guesses is slowed, then locked out until a dentist lets the person in; each try is on the trail without the code', async () => {
    const guess = async (): Promise<number> =>
      (await new Caller(house.app).call('POST', '/session', { personId: 'wim', code: '000000' })).status
    for (let i = 0; i < 12; i++) {
      expect(await guess()).toBe(401)
      house.clock.now += 30_000
    }
    const right = await new Caller(house.app).call('POST', '/session', { personId: 'wim', code: '9527' })
    expect([right.status, right.body['detail']]).toEqual([423, expect.stringContaining('a dentist')])
    expect((await juno.call('POST', '/people/wim/unlock')).status).toBe(403)
    expect((await orrell.call('GET', '/people/locked')).body).toEqual({ locked: ['wim'] })
    await orrell.call('POST', '/people/wim/unlock')
    expect((await new Caller(house.app).call('POST', '/session', { personId: 'wim', code: '9527' })).status).toBe(200)
    const trail = await rows()
    expect(trail.filter((r) => r.target === 'wim').map((r) => r.what)).toEqual([
      'signed in',
      'POST /people/:personId/unlock',
      'locked',
      ...Array.from({ length: 11 }, () => 'wrong code'),
    ])
    expect(JSON.stringify(trail)).not.toContain('000000')
  })
  it('cannot lock the practice out of itself: a dentist is let in again by time', async () => {
    for (let i = 0; i < 12; i++) {
      await new Caller(house.app).call('POST', '/session', { personId: 'varen', code: '000000' })
      house.clock.now += 30_000
    }
    const varen = async (): Promise<number> =>
      (await new Caller(house.app).call('POST', '/session', { personId: 'varen', code: '771194' })).status
    expect(await varen()).toBe(423)
    house.clock.now += 16 * 60_000
    expect(await varen()).toBe(200)
  })
  it('four hundred guesses at once are no more than six: nobody is faster than the budget', async () => {
    const stranger = new Caller(house.app)
    const guess = (n: number) => stranger.call('POST', '/session', { personId: 'wim', code: String(100_000 + n) })
    const answers = await Promise.all(Array.from({ length: 400 }, (_, n) => guess(n)))
    const of = (status: number): number => answers.filter((a) => a.status === status).length
    // Few find a place in the queue, and never more than six in a minute; the others cost nothing and learn nothing.
    expect(of(401)).toBeGreaterThan(0)
    expect(of(401)).toBeLessThanOrEqual(6)
    expect(of(401) + of(503) + of(429)).toBe(400)
    house.clock.now += 61_000
    expect((await orrell.call('GET', '/people/locked')).body).toEqual({ locked: [] })
    expect((await new Caller(house.app).call('POST', '/session', { personId: 'wim', code: '9527' })).status).toBe(200)
  })
  it('stops nobody where they are known: not at their own device, not a signature at the chair', async () => {
    const own = await new Caller(house.app).signIn('orrell', '471108')
    const codeOf = async (caller: Caller, personId: string, code: string): Promise<number> =>
      (await caller.call('POST', '/session', { personId, code })).status
    // A stranger locks her out of every device that is new to her.
    for (let i = 0; i < 12; i++) {
      await codeOf(new Caller(house.app), 'orrell', '000000')
      house.clock.now += 30_000
    }
    expect(await codeOf(new Caller(house.app), 'orrell', '471108')).toBe(423)
    expect(await codeOf(own, 'orrell', '471108')).toBe(200)
    const signed = await juno.call('POST', `/visits/${visit}/commands`, {
      ...command(0, { kind: 'sign', holdId: 'shade' }),
      signer: { personId: 'orrell', code: '471108' },
    })
    // The code was taken: what is refused is a signature in a visit that has not begun.
    expect([signed.status, signed.body['type']]).toEqual([409, expect.stringContaining('not-signed')])
    house.clock.now += 16 * 60_000
  })
  it('who guesses a dentist’s code at the chair is stopped there, and it is on the trail with the device', async () => {
    const guess = (code: string) =>
      juno.call('POST', `/visits/${visit}/commands`, {
        ...command(0, { kind: 'sign', holdId: 'shade' }),
        signer: { personId: 'orrell', code },
      })
    const answers = await Promise.all(Array.from({ length: 40 }, (_, n) => guess(String(200_000 + n))))
    expect(answers.filter((a) => a.status === 401)).toHaveLength(6)
    expect((await guess('471108')).status).toBe(429)
    expect((await rows()).filter((r) => r.what === 'refused signature')).toHaveLength(6)
    expect((await rows())[0]).toMatchObject({ by: 'juno', target: 'orrell', asked: { device: expect.any(String) } })
    // She herself signs in meanwhile, from anywhere.
    expect((await new Caller(house.app).call('POST', '/session', { personId: 'orrell', code: '471108' })).status).toBe(
      200,
    )
  })
  it('people who are not here take no memory, and cost the one who asks', async () => {
    const stranger = new Caller(house.app)
    const answers: number[] = []
    for (let i = 0; i < 60; i++)
      answers.push((await stranger.call('POST', '/session', { personId: `nobody-${i}`, code: '123456' })).status)
    expect([answers[0], answers.at(-1)]).toEqual([401, 429])
    house.clock.now += 61_000
  })
})

describe('codes', () => {
  it('of people are changed by a dentist who shows their own; a screen left open changes nobody', async () => {
    const ida = (more: object) =>
      orrell.call('POST', '/people', { name: 'Ida Fenn', roles: ['assistant'], code: '4826', ...more })
    expect((await ida({})).status).toBe(422)
    expect((await ida({ signer: { code: '3816' } })).status).toBe(401)
    expect((await ida({ signer: { code: '471108' } })).status).toBe(201)
  })
  it('that everybody guesses are not taken, and whoever signs has six digits', async () => {
    const as = async (code: string, roles: string[]): Promise<number> =>
      (await orrell.call('POST', '/people', { name: 'Uma Fenn', roles, code, signer: { code: '471108' } })).status
    for (const code of ['0000', '1111', '1234', '9876', '121212', '12a4'])
      expect([code, await as(code, ['assistant'])]).toEqual([code, 422])
    expect([await as('4826', ['dentist']), await as('482615', ['dentist']), await as('4826', ['assistant'])]).toEqual([
      422, 201, 201,
    ])
  })
  it('are changed by everybody for themselves: the old one is asked, other devices are signed out, this one is not', async () => {
    const before = sure((await house.database.db.select().from(t.people).where(eq(t.people.id, 'petra')))[0])
    const [here, there] = [
      await new Caller(house.app).signIn('petra', '5064'),
      await new Caller(house.app).signIn('petra', '5064'),
    ]
    const change = async (code: string, before: string): Promise<number> =>
      (await here.call('PUT', '/session/code', { code, signer: { code: before } })).status
    expect([await change('7352', '9999'), await change('2345', '5064'), await change('7352', '5064')]).toEqual([
      401, 422, 200,
    ])
    expect([(await here.call('GET', '/session')).status, (await there.call('GET', '/session')).status]).toEqual([
      200, 401,
    ])
    expect((await new Caller(house.app).call('POST', '/session', { personId: 'petra', code: '5064' })).status).toBe(401)
    expect((await new Caller(house.app).call('POST', '/session', { personId: 'petra', code: '7352' })).status).toBe(200)
    expect(JSON.stringify(await rows())).not.toContain('7352')
    await house.database.db.update(t.people).set({ codeHash: before.codeHash }).where(eq(t.people.id, 'petra'))
  })
  it('from before they were asked for are changed at the next sign-in, before any other door opens', async () => {
    const { people } = t
    await house.database.db
      .update(people)
      .set({ codeHash: await hashCode('7711') })
      .where(eq(people.id, 'varen'))
    const varen = await new Caller(house.app).signIn('varen', '7711')
    expect((await varen.read(personView, '/session')).changeCode).toMatch(/too short/)
    for (const way of doors.flatMap(([, who, ways]) => (who === 'everybody' ? [] : ways))) {
      const [method, path] = methodAndPath(way)
      if (way === 'PUT /session/code' || way === 'GET /live') continue
      const { status, body } = await varen.call(method, path, method === 'GET' ? undefined : {})
      expect([way, status, body['type']]).toEqual([way, 403, '/problems/change-code'])
    }
    const change = (code: string) => varen.call('PUT', '/session/code', { code, signer: { code: '7711' } })
    expect([(await change('4826')).status, (await change('482611')).status]).toEqual([422, 200])
    expect((await varen.read(personView, '/session')).changeCode).toBeUndefined()
    expect((await varen.call('GET', `/days/${day}`)).status).toBe(200)
  })
})

describe('the table of doors', () => {
  it('holds for every stage: a signed tray, a running visit, a closed record refuse what does not belong to them', async () => {
    const { db } = house.database
    const at = { planned: 'four', 'laid up': 'five', running: 'six', closed: 'seven' } as const
    await bringTo(db, `${day}-five`, { onlySigned: true }, house.clock.now)
    await bringTo(db, `${day}-six`, { until: 'arrival.seat', start: true }, house.clock.now)
    await bringTo(db, `${day}-seven`, {}, house.clock.now)
    const lastOfClosed = (await juno.read(eventsView, `/visits/${day}-seven/events`)).events.length
    // As they would be sent: what they ask for is well formed, so that nothing but the stage refuses them.
    const bodies: Record<string, (visitId: string) => object> = {
      'PUT /visits/:visitId/time': () => ({
        chairId: 'chair-1',
        day,
        time: '23:00',
        saw: { chairId: 'chair-1', startsAt: 0 },
      }),
      'PUT /days/:day/times': (visitId) => ({ moves: [{ visitId, from: 1, to: 2 }] }),
      'PUT /visits/:visitId/request': () => ({ version: 1, request: {} }),
      'PUT /visits/:visitId/tray': () => ({ lineIds: ['mirror'], done: true }),
      'PUT /visits/:visitId/swaps': () => ({ from: 'no-such', to: null }),
      'POST /visits/:visitId/tray/sign': () => ({ acknowledged: [] }),
      'POST /visits/:visitId/tray/reopen': () => ({}),
      'POST /visits/:visitId/cassettes/change': () => ({ cassetteId: 'none' }),
      'POST /visits/:visitId/commands': (visitId) =>
        command(visitId.endsWith('seven') ? lastOfClosed : 10_000, { kind: 'note', text: 'a note' }),
    }
    const shut = { planned: 'not-signed', 'laid up': 'signed', running: 'begun', closed: 'ended' } as const
    const staged = doors.flatMap(([, , ways, stages]) => (stages ? ways.map((way) => ({ way, stages })) : []))
    expect(staged.map((d) => d.way).toSorted()).toEqual(Object.keys(bodies).toSorted())
    // Re-opening comes last: it moves the visit to another stage.
    for (const { way, stages } of staged.toSorted((a) => (a.way.endsWith('reopen') ? 1 : -1)))
      for (const stage of keysOf(at)) {
        const visitId = `${day}-${at[stage]}`
        const [method, url] = methodAndPath(way, visitId)
        const { status, body } = await juno.call(method, url, sure(bodies[way])(visitId))
        // A closed run answers for itself, in words of its own.
        const refused =
          String(body['type']).endsWith(`/${shut[stage]}`) ||
          (stage === 'closed' && /closed/.test(String(body['detail'])))
        expect([way, stage, refused], JSON.stringify(body)).toEqual([way, stage, !stages.includes(stage)])
        if (refused) expect(status).toBe(409)
      }
  })
  it('is in the document: each door says for whom it is', async () => {
    const { paths } = await juno.read(
      z.looseObject({ paths: z.record(z.string(), z.record(z.string(), z.looseObject({ description: z.string() }))) }),
      '/openapi.json',
    )
    const ways = Object.entries(paths).flatMap(([path, of]) =>
      Object.keys(of).map((way) => `${way.toUpperCase()} ${path.replace('/api', '').replaceAll(/\{(\w+)\}/g, ':$1')}`),
    )
    // None is in the table that is not there; a socket, and the document itself, are not in the document.
    const table = doors.flatMap(([, , its]) => its).filter((way) => way !== 'GET /live' && way !== 'GET /openapi.json')
    expect(ways.toSorted()).toEqual(table.toSorted())
    expect(paths['/api/visits/{visitId}/tray/sign']?.['post']?.description).toBe(
      'For the chairside team: laying up, exchanging and signing a tray, while the visit is planned.',
    )
  })
})

describe('an assistant posing as a dentist', () => {
  it('signs nothing: not with her own code, not with somebody else’s name, not by the device', async () => {
    await juno.signTray(visit)
    await juno.call('POST', `/visits/${visit}/commands`, command(0, { kind: 'begin' }))
    const sign = { kind: 'sign', holdId: 'shade' }
    expect((await juno.call('POST', `/visits/${visit}/commands`, command(1, sign))).body).toMatchObject({
      refusal: { code: 'not-allowed' },
    })
    expect(
      (
        await juno.call(
          'POST',
          `/visits/${visit}/commands`,
          command(1, sign, { signer: { personId: 'juno', code: '3816' } }),
        )
      ).body,
    ).toMatchObject({ refusal: { code: 'not-allowed' } })
    expect(
      (
        await juno.call(
          'POST',
          `/visits/${visit}/commands`,
          command(1, sign, { signer: { personId: 'orrell', code: '3816' } }),
        )
      ).status,
    ).toBe(401)
    for (const forged of [
      { by: 'orrell' },
      { who: { personId: 'orrell', codeShown: true } },
      { at: 1 },
      { roles: ['dentist'] },
    ])
      expect((await juno.call('POST', `/visits/${visit}/commands`, command(1, sign, forged))).status).toBe(422)
    expect((await juno.call('PATCH', '/practice', { name: 'Mine' })).status).toBe(403)
    expect((await juno.call('GET', '/audit')).status).toBe(403)
    expect(
      (await juno.call('PUT', '/people/juno', { name: 'Juno', roles: ['dentist'], signer: { code: '3816' } })).status,
    ).toBe(403)
  })
})

describe('a forged event', () => {
  it('finds no way in: no door takes an event, a command writes only what was decided, and what stands cannot be changed', async () => {
    expect((await juno.call('POST', `/visits/${visit}/events`, { kind: 'hold.signed', holdId: 'shade' })).status).toBe(
      404,
    )
    expect(
      (await juno.call('POST', `/visits/${visit}/commands`, command(1, { kind: 'hold.signed', holdId: 'shade' })))
        .status,
    ).toBe(422)
    const { db } = house.database
    await expect(db.update(t.runEvents).set({ by: 'orrell' }).where(eq(t.runEvents.visitId, visit))).rejects.toThrow()
    await expect(db.delete(t.runEvents).where(eq(t.runEvents.visitId, visit))).rejects.toThrow()
    await expect(db.execute(sql`truncate audit`)).rejects.toThrow()
    await expect(db.update(t.audit).set({ by: 'nobody' })).rejects.toThrow()
  })
  it('every change is on the trail with who and what, codes left out, and only what was done', async () => {
    await orrell.call('PATCH', '/practice', { laboratoryDays: 12 })
    await juno.call('PATCH', '/practice', { laboratoryDays: 1 })
    await orrell.call('POST', '/people', {
      name: 'New One',
      roles: ['assistant'],
      code: '385027',
      signer: { code: '471108' },
    })
    const trail = await rows()
    expect(trail[0]).toMatchObject({
      by: 'orrell',
      what: 'POST /people',
      asked: { name: 'New One', code: '(left out)' },
    })
    expect(trail[1]).toMatchObject({ by: 'orrell', what: 'PATCH /practice', asked: { laboratoryDays: 12 } })
    expect(JSON.stringify(trail)).not.toContain('385027')
    expect(trail.some((r) => r.what.includes('tray/sign') && r.by === 'juno' && r.target === visit)).toBe(true)
    expect((await orrell.call('GET', `/audit?before=${trail[0]!.id}&limit=1`)).body).toMatchObject({
      rows: [{ what: 'PATCH /practice' }],
    })
  })
})

describe('a session', () => {
  it('ends by itself: after hours unused, and after its time in any case', async () => {
    const hour = 3_600_000
    const petra = await new Caller(house.app).signIn('petra', '5064')
    for (let i = 0; i < 3; i++) {
      house.clock.now += 3 * hour
      expect((await petra.call('GET', '/session')).status).toBe(200)
    }
    house.clock.now += 3.1 * hour
    expect((await petra.call('GET', '/session')).status).toBe(401)
    const bram = await new Caller(house.app).signIn('bram', '8193')
    house.clock.now += 4.1 * hour
    expect((await bram.call('GET', '/session')).status).toBe(401)
  })
})
