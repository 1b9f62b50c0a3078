/** Who is let in, what a refusal says, and the people and codes of a practice. */
import { practice } from '../core/practice/practice'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { eq } from 'drizzle-orm'
import * as t from './db/schema'
import { command, Caller, day, openHouse, type TestHouse } from './test/house'

const visit = `${day}-one`

describe('session', () => {
  let house: TestHouse
  let juno: Caller
  beforeAll(async () => {
    house = await openHouse()
    juno = await new Caller(house.app).signIn('juno', '3816')
  })
  afterAll(() => house?.close())

  it('answers nothing to a stranger, and never a code or its hash', async () => {
    const stranger = new Caller(house.app)
    for (const path of ['/practice', `/days/${day}`, `/visits/${visit}`, `/visits/${visit}/events`, '/live'])
      expect(await stranger.call('GET', path)).toMatchObject({
        status: 401,
        type: expect.stringContaining('application/problem+json'),
      })
    expect(
      JSON.stringify([(await stranger.call('GET', '/people')).body, (await juno.call('GET', '/practice')).body]),
    ).not.toMatch(/codeHash|[0-9a-f]{32}:/)
    expect(
      await stranger.call(
        'POST',
        '/session',
        { personId: 'juno', code: '3816' },
        { origin: 'http://elsewhere.example' },
      ),
    ).toMatchObject({ status: 403 })
  })

  it('slows down guessing and sets a cookie a script cannot read', async () => {
    const guesser = new Caller(house.app)
    for (let i = 0; i < 6; i++)
      expect((await guesser.call('POST', '/session', { personId: 'ada', code: '0000' })).status).toBe(401)
    expect(await guesser.call('POST', '/session', { personId: 'ada', code: '2708' })).toMatchObject({
      status: 429,
      body: { retryAfterS: expect.any(Number) },
    })
    const { headers } = await new Caller(house.app).call('POST', '/session', { personId: 'petra', code: '5064' })
    expect(String(headers['set-cookie'])).toMatch(/HttpOnly.*SameSite=Strict/)
  })

  it('says what was wrong and where, as problem documents, and keeps what it had', async () => {
    const before = (await juno.call('GET', `/visits/${visit}`)).body
    const cases: [Awaited<ReturnType<Caller['call']>>, number, RegExp][] = [
      [await juno.call('GET', '/nowhere'), 404, /nothing at GET/],
      [await juno.call('GET', '/visits/nobody'), 404, /no visit "nobody"/],
      [await juno.call('GET', '/days/someday'), 422, /day/],
      [
        await juno.call('PUT', `/visits/${visit}/request`, { version: 1, request: { teeth: ['99'] } }),
        422,
        /teeth\.0: "99" is not an ISO 3950/,
      ],
      [await juno.call('PUT', `/visits/${visit}/request`, { version: 1, request: { team: {} } }), 422, /request/],
      [
        await juno.call('PUT', `/visits/${visit}/request`, { version: 7, request: { vital: false } }),
        409,
        /Somebody changed this case/,
      ],
      [
        await juno.call('PUT', `/visits/${visit}/request`, { version: 1, request: { note: 'x'.repeat(300_000) } }),
        413,
        /256 kB/,
      ],
      [
        await juno.call('PUT', `/visits/${visit}/tray`, { lineIds: ['golden spoon'], done: true }),
        404,
        /no place "golden spoon"/,
      ],
      [await juno.call('POST', `/visits/${visit}/tray/sign`, { acknowledged: [] }), 409, /cannot be signed yet/],
      [await juno.call('POST', `/visits/${visit}/commands`, command(0, { kind: 'begin' })), 409, /not signed yet/],
      [await juno.call('POST', `/visits/${visit}/commands`, command(0, { kind: 'fly' })), 422, /command/],
    ]
    for (const [answer, status, says] of cases) {
      expect({ status: answer.status, type: answer.type }).toEqual({
        status,
        type: expect.stringContaining('application/problem+json'),
      })
      expect(String(answer.body['detail'])).toMatch(says)
    }
    const raw = await house.app.inject({
      method: 'POST',
      url: '/api/session',
      payload: '{broken',
      headers: { 'content-type': 'application/json' },
    })
    expect([raw.statusCode, raw.headers['content-type']]).toEqual([
      400,
      expect.stringContaining('application/problem+json'),
    ])
    expect((await juno.call('GET', `/visits/${visit}`)).body).toEqual(before)
  })

  it('lets a dentist set the practice, its people and who may do what, and nobody else', async () => {
    const orrell = await new Caller(house.app).signIn('orrell', '471108')
    for (const [method, path, body] of [
      ['PATCH', '/practice', { notation: 'universal' }],
      [
        'PUT',
        '/practice/functions',
        { table: 'cautious', function: 'cord placement', who: 'assistant', permission: 'word' },
      ],
      ['POST', '/people', { name: 'Tobias Fenn', roles: ['assistant'], code: '7788', signer: { code: '471108' } }],
      ['PUT', '/people/orrell', { name: 'X', roles: ['assistant'] }],
    ] as const) {
      expect((await juno.call(method, path, body)).status).toBe(403)
    }
    expect((await orrell.call('PATCH', '/practice', { zone: 'Middle/Earth' })).body['detail']).toMatch(
      /zone: an IANA time zone/,
    )
    expect(
      (await orrell.call('PATCH', '/practice', { chairs: [{ id: 'chair-9', name: 'Nine' }] })).body['detail'],
    ).toMatch(/can be renamed, not taken away/)
    expect((await orrell.call('PATCH', '/practice', { notation: 'universal' })).status).toBe(200)
    await orrell.call('PUT', '/practice/functions', {
      signer: { code: '471108' },
      table: 'cautious',
      function: 'cord placement',
      who: 'assistant',
      permission: 'word',
    })
    const set = await juno.read(practice, '/practice')
    expect(set.notation).toBe('universal')
    expect(set.functions.cautious.find((l) => l.function === 'cord placement')).toMatchObject({
      assistant: 'word',
      setBy: 'Dr Tamsin Orrell',
      setOn: day,
    })
    await orrell.call('PATCH', '/practice', { notation: 'iso' })
    await orrell.call('PUT', '/practice/functions', {
      signer: { code: '471108' },
      table: 'cautious',
      function: 'cord placement',
      who: 'assistant',
      permission: 'no',
    })
  })

  it('a new person signs in with the first code; a new code ends what the old one opened; one dentist always remains', async () => {
    const orrell = await new Caller(house.app).signIn('orrell', '471108')
    const made = await orrell.call('POST', '/people', {
      name: 'Tobias Fenn',
      roles: ['assistant'],
      code: '7788',
      signer: { code: '471108' },
    })
    const id = String(made.body['id'])
    const tobias = await new Caller(house.app).signIn(id, '7788')
    expect((await tobias.call('GET', '/session')).body).toMatchObject({ name: 'Tobias Fenn' })
    await orrell.call('PUT', `/people/${id}`, {
      name: 'Tobias Fenn',
      roles: ['assistant'],
      code: '8899',
      signer: { code: '471108' },
    })
    expect((await tobias.call('GET', '/session')).status).toBe(401)
    expect((await new Caller(house.app).call('POST', '/session', { personId: id, code: '7788' })).status).toBe(401)
    // A dentist with visits planned stays one, or the day could not be planned any more.
    expect(
      (
        await orrell.call('PUT', '/people/lindqvist', {
          name: 'Dr Kofi Lindqvist',
          roles: ['assistant'],
          signer: { code: '471108' },
        })
      ).body['detail'],
    ).toMatch(/Visits are planned with Dr Kofi Lindqvist/)
  })

  it('who leaves is off the sign-in list and signed out, and what they did stays theirs; who returns signs in as before', async () => {
    const orrell = await new Caller(house.app).signIn('orrell', '471108')
    const bram = await new Caller(house.app).signIn('bram', '8193')
    const left = (who: string, is: boolean, code = '471108') =>
      orrell.call('PUT', `/people/${who}/left`, { left: is, signer: { code } })
    const signIns = async () => JSON.stringify((await new Caller(house.app).call('GET', '/people')).body)
    expect((await left('bram', true, '9999')).status).toBe(401)
    expect((await left('lindqvist', true)).body['type']).toBe('/problems/in-use')
    expect((await left('bram', true)).status).toBe(200)
    expect((await bram.call('GET', '/session')).status).toBe(401)
    const again = { personId: 'bram', code: '8193' }
    expect((await new Caller(house.app).call('POST', '/session', again)).status).toBe(401)
    expect(await signIns()).not.toContain('bram')
    const { people } = await orrell.read(practice, '/practice')
    expect(people.find((p) => p.id === 'bram')).toMatchObject({ left: true })
    expect((await left('bram', false)).status).toBe(200)
    expect((await new Caller(house.app).call('POST', '/session', again)).status).toBe(200)
  })

  it('one dentist always remains', async () => {
    const { db } = house.database
    const names: Record<string, string> = {
      orrell: 'Dr Tamsin Orrell',
      lindqvist: 'Dr Kofi Lindqvist',
      varen: 'Dr Imke Varen',
    }
    const orrell = await new Caller(house.app).signIn('orrell', '471108')
    const set = (id: string, roles: string[]) =>
      orrell.call('PUT', `/people/${id}`, { name: names[id], roles, signer: { code: '471108' } })
    // The day's visits are held back for a moment, so that nobody is needed for them.
    const teams = await db.select({ id: t.visits.id, team: t.visits.team }).from(t.visits)
    await db.update(t.visits).set({ team: { dentist: 'nobody', assistants: [] } })
    expect([(await set('lindqvist', ['assistant'])).status, (await set('varen', ['assistant'])).status]).toEqual([
      200, 200,
    ])
    expect((await set('orrell', ['assistant'])).body['detail']).toMatch(/has to remain a dentist/)
    await Promise.all(['lindqvist', 'varen'].map((id) => set(id, ['dentist'])))
    for (const { id, team } of teams) await db.update(t.visits).set({ team }).where(eq(t.visits.id, id))
  })
})
