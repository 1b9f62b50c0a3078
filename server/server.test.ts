/** The server's own manners: sign-in, problems, cases, trays, settings, lists and runs. */
import { demoCodes } from '../demo/seed'
import { amendmentFile } from '../core/practice/amendment'
import { practice } from '../core/practice/practice'
import { eventsView } from '../wire/run'
import { dayView } from '../wire/day'
import { visitView } from '../wire/visit'
import { personView } from '../wire/people'
import { checkAnswer } from './answers'
import * as z from 'zod'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { eq } from 'drizzle-orm'
import * as t from './db/schema'
import { Caller, day, openHouse, type TestHouse, eventsIn } from './test/house'

const visit = `${day}-one`
let id = 0
const command = (basedOn: number, body: object, more: object = {}) => ({
  commandId: `test-command-${++id}`,
  basedOn,
  device: 'test',
  command: body,
  ...more,
})

/** The same behaviour on the embedded database and, where DATABASE_URL names one for tests, on a PostgreSQL server. */
const kinds: [string, string | undefined][] = [
  ['embedded', undefined],
  ...(process.env['TEST_DATABASE_URL']
    ? [['PostgreSQL server', process.env['TEST_DATABASE_URL']] as [string, string]]
    : []),
]

describe.each(kinds)('the server on %s', (_kind, url) => {
  let house: TestHouse
  let juno: Caller
  beforeAll(async () => {
    house = await openHouse(url)
    juno = await new Caller(house.app).signIn('juno', '1234')
  })
  afterAll(() => house?.close())

  it('serves an OpenAPI document that names every route', async () => {
    const { body } = await juno.call('GET', '/openapi.json')
    expect(Object.keys(Object(body['paths']))).toEqual(
      expect.arrayContaining([
        '/api/session',
        '/api/days/{day}',
        '/api/visits/{visitId}/commands',
        '/api/visits/{visitId}/tray/sign',
        '/api/visits/{visitId}/record',
      ]),
    )
  })

  it('describes every answer of every route, and the problems it may send instead', async () => {
    const answer = z.looseObject({
      content: z.record(z.string(), z.looseObject({ schema: z.looseObject({}).optional() })).optional(),
    })
    const way = z.looseObject({ responses: z.record(z.string(), answer) })
    const document = z.looseObject({ paths: z.record(z.string(), z.record(z.string(), way)) })
    const { paths } = await juno.read(document, '/openapi.json')
    const undescribed = Object.entries(paths).flatMap(([path, ways]) =>
      Object.entries(ways).flatMap(([way, { responses }]) => {
        const good = Object.entries(responses).find(([status]) => status.startsWith('2'))
        const says = good && Object.values(good[1].content ?? {}).some((c) => Object.keys(c.schema ?? {}).length > 0)
        const problem = Object.keys(responses['default']?.content ?? {}).length > 0
        return says && problem ? [] : [`${way} ${path}`]
      }),
    )
    expect(undescribed).toEqual([])
    expect(Object.keys(paths).length).toBeGreaterThan(40)
  })

  it('holds each answer against its view here: a field too many, or one missing, is caught', () => {
    const sent = { id: 'juno', name: 'Juno', roles: ['assistant'] }
    const check = (answer: object) => () => checkAnswer(personView, JSON.stringify(answer), 'GET /session')
    expect(check(sent)).not.toThrow()
    expect(check({ ...sent, codeHash: 'x' })).toThrow(/GET \/session.*codeHash/s)
    expect(check({ ...sent, roles: undefined })).toThrow(/roles/)
  })

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
        { personId: 'juno', code: '1234' },
        { origin: 'http://elsewhere.example' },
      ),
    ).toMatchObject({ status: 403 })
  })

  it('slows down guessing and sets a cookie a script cannot read', async () => {
    const guesser = new Caller(house.app)
    for (let i = 0; i < 6; i++)
      expect((await guesser.call('POST', '/session', { personId: 'ada', code: '0000' })).status).toBe(401)
    expect(await guesser.call('POST', '/session', { personId: 'ada', code: '6789' })).toMatchObject({
      status: 429,
      body: { retryAfterS: expect.any(Number) },
    })
    const { headers } = await new Caller(house.app).call('POST', '/session', { personId: 'petra', code: '2345' })
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

  it('changes a case, keeps what was not named, and freezes the plan when the tray is signed', async () => {
    const other = `${day}-two`
    expect(
      (await juno.call('PUT', `/visits/${other}/request`, { version: 1, request: { vital: false } })).body,
    ).toEqual({ version: 2 })
    const { request } = await juno.read(visitView, `/visits/${other}`)
    expect(request).toMatchObject({
      vital: false,
      alerts: ['latex'],
      tissue: { biotype: 'thin' },
      deliveryCement: 'resin',
    })
    await juno.signTray(other)
    expect((await juno.call('PUT', `/visits/${other}/request`, { version: 2, request: { vital: true } })).status).toBe(
      409,
    )
    expect((await juno.call('POST', `/visits/${other}/tray/sign`, { acknowledged: [] })).body['detail']).toMatch(
      /The tray is signed/,
    )
    expect((await juno.call('POST', `/visits/${other}/tray/reopen`)).status).toBe(200)
    expect((await juno.call('PUT', `/visits/${other}/request`, { version: 2, request: { vital: true } })).status).toBe(
      200,
    )
  })

  it('an exchange at the tray stays, and a clash it settles goes', async () => {
    const other = `${day}-three`
    const clashes = async () =>
      JSON.stringify((await juno.read(dayView, `/days/${day}`)).visits.find((v) => v.id === other)!.tray)
    expect(await clashes()).toContain('Dam sheet, latex')
    await juno.call('PUT', `/visits/${other}/swaps`, { from: 'sheet-latex', to: 'sheet-free' })
    expect(await clashes()).not.toContain('Dam sheet, latex')
  })

  it('puts a new visit into the day, or says which field is wrong', async () => {
    const body = {
      patientName: 'Odile Marsh',
      chairId: 'chair-3',
      day,
      time: '16:00',
      team: { dentist: 'orrell', assistants: ['juno'] },
      teeth: ['25'],
      restoration: 'full metal crown',
      alerts: [],
    }
    expect((await juno.call('POST', '/visits', { ...body, teeth: ['75'] })).body['detail']).toMatch(
      /teeth\.0: 75 is a primary tooth/,
    )
    expect((await juno.call('POST', '/visits', { ...body, time: '25:00' })).status).toBe(422)
    const made = await juno.call('POST', '/visits', body)
    expect(made.status).toBe(201)
    expect((await juno.call('GET', `/visits/${String(made.body['id'])}`)).body).toMatchObject({
      stage: 'planned',
      patient: { name: 'Odile Marsh' },
    })
  })

  it('lets a dentist set the practice, its people and who may do what, and nobody else', async () => {
    const orrell = await new Caller(house.app).signIn('orrell', '4711')
    for (const [method, path, body] of [
      ['PATCH', '/practice', { notation: 'universal' }],
      [
        'PUT',
        '/practice/functions',
        { table: 'cautious', function: 'cord placement', who: 'assistant', permission: 'word' },
      ],
      ['POST', '/people', { name: 'Tobias Fenn', roles: ['assistant'], code: '7788', signer: { code: '4711' } }],
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
      table: 'cautious',
      function: 'cord placement',
      who: 'assistant',
      permission: 'no',
    })
  })

  it('a new person signs in with the first code; a new code ends what the old one opened; one dentist always remains', async () => {
    const orrell = await new Caller(house.app).signIn('orrell', '4711')
    const made = await orrell.call('POST', '/people', {
      name: 'Tobias Fenn',
      roles: ['assistant'],
      code: '7788',
      signer: { code: '4711' },
    })
    const id = String(made.body['id'])
    const tobias = await new Caller(house.app).signIn(id, '7788')
    expect((await tobias.call('GET', '/session')).body).toMatchObject({ name: 'Tobias Fenn' })
    await orrell.call('PUT', `/people/${id}`, {
      name: 'Tobias Fenn',
      roles: ['assistant'],
      code: '8899',
      signer: { code: '4711' },
    })
    expect((await tobias.call('GET', '/session')).status).toBe(401)
    expect((await new Caller(house.app).call('POST', '/session', { personId: id, code: '7788' })).status).toBe(401)
    // A dentist with visits planned stays one, or the day could not be planned any more.
    expect(
      (
        await orrell.call('PUT', '/people/lindqvist', {
          name: 'Dr Kofi Lindqvist',
          roles: ['assistant'],
          signer: { code: '4711' },
        })
      ).body['detail'],
    ).toMatch(/Visits are planned with Dr Kofi Lindqvist/)
  })

  it('one dentist always remains', async () => {
    const { db } = house.database
    const names: Record<string, string> = {
      orrell: 'Dr Tamsin Orrell',
      lindqvist: 'Dr Kofi Lindqvist',
      varen: 'Dr Imke Varen',
    }
    const orrell = await new Caller(house.app).signIn('orrell', '4711')
    const set = (id: string, roles: string[]) =>
      orrell.call('PUT', `/people/${id}`, { name: names[id], roles, signer: { code: '4711' } })
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

  it('takes a lot into the cupboard as its box says, and the next plan takes from it', async () => {
    const body = { itemId: 'bis-acryl', number: 'B-77', expires: '2027-06-30', left: 50 }
    expect((await new Caller(house.app).call('POST', '/lots', body)).status).toBe(401)
    expect(
      (await (await new Caller(house.app).signIn('petra', '2345')).call('POST', '/lots', { ...body, expires: 'soon' }))
        .body['detail'],
    ).toMatch(/expires/)
    expect((await juno.call('POST', '/lots', { ...body, itemId: 'ambrosia' })).status).toBe(404)
    const made = await juno.call('POST', '/lots', body)
    expect(made.status).toBe(201)
    expect((await juno.call('POST', '/lots', body)).body['detail']).toMatch(/is in the cupboard already/)
    const warned = async () =>
      JSON.stringify((await juno.read(dayView, `/days/${day}`)).visits.find((v) => v.id === `${day}-six`)!.tray)
    expect(await warned()).not.toContain('short: 1.6 left')
    expect((await juno.call('PATCH', `/lots/${String(made.body['id'])}`, { left: 0 })).status).toBe(200)
    expect(await warned()).toContain('short: 1.6 left')
    expect((await juno.call('PATCH', '/lots/none', { left: 1 })).status).toBe(404)
  })

  it('brings a list of items in, all or none, in its own order, and hands it out again', async () => {
    const before = await juno.read(practice, '/practice')
    const mirror = before.items.find((i) => i.id === 'mirror')!
    const lamp = { ...mirror, id: 'lamp', name: 'Head lamp', serves: ['magnifier'] }
    expect((await juno.call('POST', '/items/import', { items: [lamp, { ...mirror, family: 'cutlery' }] })).status).toBe(
      422,
    )
    expect((await juno.read(practice, '/practice')).items).toHaveLength(before.items.length)
    expect((await juno.call('POST', '/items/import', { items: [{ ...mirror, stock: 4 }, lamp] })).body).toEqual({
      stored: 2,
    })
    const after = await juno.read(practice, '/practice')
    expect(after.items.map((i) => i.id)).toEqual([...before.items.map((i) => i.id), 'lamp'])
    expect(after.items.find((i) => i.id === 'mirror')!.stock).toBe(4)
    const csv = await house.app.inject({ method: 'GET', url: '/api/items.csv', headers: { cookie: juno.cookie } })
    expect(csv.headers['content-disposition']).toContain('items.csv')
    expect(csv.body).toContain('lamp,Head lamp,diagnostic,magnifier')
  })

  it('plans any kind, with further work, and keeps the case as a chain: a follow-up knows its teeth and what lay on them', async () => {
    const team = { dentist: 'varen', assistants: ['bram'] }
    const made = await juno.call('POST', '/visits', {
      patientName: 'Lysander Poe',
      kind: 'crown.prepare',
      chairId: 'chair-3',
      day,
      time: '17:00',
      team,
      teeth: ['24', '26'],
      pontics: ['25'],
      restoration: 'metal-ceramic crown',
    })
    const id = String(made.body['id'])
    const first = await juno.read(visitView, `/visits/${id}`)
    expect(first.request.pontics).toEqual(['25'])
    const also = [{ kind: 'filling.amalgam', teeth: ['27'] }]
    expect(
      (await juno.call('PUT', `/visits/${id}/request`, { version: first.version, request: { also } })).status,
    ).toBe(200)
    expect(
      (
        await juno.call('PUT', `/visits/${id}/request`, {
          version: first.version + 1,
          request: { also: [{ kind: 'filling.amalgam', teeth: ['11'] }] },
        })
      ).body['detail'],
    ).toMatch(/also\.0\.teeth\.0: 11/)
    const next = await juno.call('POST', '/visits', {
      caseId: first.caseId,
      kind: 'crown.deliver',
      chairId: 'chair-3',
      day: '2026-12-08',
      time: '10:00',
      team,
    })
    expect(next.status).toBe(201)
    const second = await juno.read(visitView, `/visits/${String(next.body['id'])}`)
    expect(second.request).toMatchObject({ kind: 'crown.deliver', teeth: ['24', '26'], also: [] })
    // What the first visit laid out is known to the second: eugenol before bonding is found over the case.
    expect(second.request.earlier).toEqual([
      expect.objectContaining({ kind: 'crown.prepare', uses: expect.arrayContaining(['provisional cement.eugenol']) }),
    ])
    expect(second.chain.map((v) => v.kind)).toEqual(['crown.prepare', 'crown.deliver'])
    expect(
      (
        await juno.call('POST', '/visits', {
          caseId: 'nobody',
          kind: 'crown.deliver',
          chairId: 'chair-3',
          day,
          time: '10:00',
          team,
        })
      ).status,
    ).toBe(404)
  })

  it('an alert entered after signing re-opens the tray with the plan that stood; a visit that has begun keeps its plan', async () => {
    const bram = await new Caller(house.app).signIn('bram', '4567')
    const own = `${day}-ten`
    await bram.signTray(own)
    const before = await bram.read(visitView, `/visits/${own}`)
    expect((await bram.call('PUT', `/visits/${own}/alerts`, { alerts: ['latex'] })).body).toMatchObject({
      alerts: ['latex'],
      reopened: [own],
    })
    const open = await bram.read(visitView, `/visits/${own}`)
    expect(open).toMatchObject({
      frozen: null,
      stage: 'planned',
      request: { alerts: ['latex'] },
      reopened: { why: 'alert entered: latex' },
    })
    expect(open.reopened!.plan.setup).toEqual(before.frozen!.plan.setup)
    await bram.signTray(own)
    expect((await bram.call('GET', `/visits/${own}`)).body).toMatchObject({ reopened: null, stage: 'laid up' })
    expect((await bram.call('PUT', `/visits/${own}/alerts`, { alerts: ['latex'] })).body).toMatchObject({
      reopened: [],
    })
    expect((await bram.call('POST', `/visits/${own}/commands`, command(0, { kind: 'begin' }))).status).toBe(200)
    // Taken away with a reason, or by a dentist; never by the desk.
    // Her code was guessed at a moment ago, from here.
    house.clock.now += 61_000
    const ada = await new Caller(house.app).signIn('ada', demoCodes['ada']!)
    const away = (who: Caller, why?: string) =>
      who.call('PUT', `/visits/${own}/alerts`, { alerts: [], ...(why ? { why } : {}) })
    expect((await away(bram)).status).toBe(422)
    expect((await away(ada, 'she says so')).status).toBe(403)
    expect((await away(bram, 'tested: no allergy')).body).toMatchObject({ alerts: [], reopened: [] })
    expect((await ada.call('PUT', `/visits/${own}/alerts`, { alerts: ['latex'] })).status).toBe(200)
    const orrell = await new Caller(house.app).signIn('orrell', '4711')
    expect((await away(orrell)).body).toMatchObject({ alerts: [] })
    expect((await bram.call('GET', `/visits/${own}`)).body).toMatchObject({ stage: 'running' })
  })

  it('amendments: the dentist’s, signed and dated, in the next plan, out as a file and in again; none is lost', async () => {
    const varen = await new Caller(house.app).signIn('varen', '7711')
    const photo = {
      kind: 'primary.metal-crown',
      why: 'for the parents',
      change: {
        op: 'add step',
        after: 'crown.75.seat',
        id: 'own.photo',
        title: 'Picture of the crown',
        fn: 'chairside',
        place: 'chair',
        minutes: [0.5, 1, 2],
        needs: [{ what: 'camera', quantity: 1, readiness: 'open' }],
      },
    }
    expect((await juno.call('POST', '/practice/amendments', photo)).status).toBe(403)
    expect(
      (await varen.call('POST', '/practice/amendments', { ...photo, change: { ...photo.change, minutes: [2, 1, 3] } }))
        .body['detail'],
    ).toMatch(/each no shorter/)
    const made = await varen.call('POST', '/practice/amendments', photo)
    expect(made.body).toMatchObject({ by: 'Dr Imke Varen', on: day })
    const file = await juno.read(amendmentFile, '/practice/amendments')
    expect(file.amendments).toHaveLength(1)
    const plans = await juno.read(dayView, `/days/${day}`)
    expect(plans.visits.find((v) => v.id === `${day}-seven`)!.score.bars.map((b) => b.stepId)).toContain('own.photo')
    expect(
      (
        await varen.call('PUT', '/practice/amendments', {
          ...file,
          amendments: [...file.amendments, { ...file.amendments[0], id: 'from-elsewhere' }],
        })
      ).body,
    ).toEqual({ added: 1, replaced: 1 })
    expect((await varen.call('PUT', '/practice/amendments', { ...file, format: 'something else' })).status).toBe(422)
    expect((await varen.call('DELETE', '/practice/amendments/from-elsewhere')).status).toBe(200)
    expect((await varen.call('DELETE', `/practice/amendments/${file.amendments[0]!.id}`)).status).toBe(200)
  })

  it('a dentist sets their own card and nobody else’s', async () => {
    const varen = await new Caller(house.app).signIn('varen', '7711')
    expect(
      (await varen.call('PUT', '/practice/cards', { dentistId: 'orrell', choices: {}, extraHolds: [] })).status,
    ).toBe(403)
    expect(
      (await varen.call('PUT', '/practice/cards', { dentistId: 'varen', choices: { cord: 'string' }, extraHolds: [] }))
        .status,
    ).toBe(422)
    expect(
      (
        await varen.call('PUT', '/practice/cards', {
          dentistId: 'varen',
          choices: { damOrder: 'sheet first' },
          extraHolds: ['bite'],
        })
      ).status,
    ).toBe(200)
    expect((await varen.read(practice, '/practice')).cards.find((c) => c.dentistId === 'varen')!.choices).toEqual({
      damOrder: 'sheet first',
    })
  })

  it('hands out the setup sheet as PDF on the paper asked for', async () => {
    const sheet = await house.app.inject({
      method: 'GET',
      url: `/api/visits/${visit}/setup.pdf?paper=LETTER`,
      headers: { cookie: juno.cookie },
    })
    expect([sheet.statusCode, sheet.headers['content-type'], sheet.rawPayload.subarray(0, 5).toString()]).toEqual([
      200,
      'application/pdf',
      '%PDF-',
    ])
    expect((await juno.call('GET', `/visits/${visit}/setup.pdf?paper=napkin`)).status).toBe(422)
  })

  it('runs: refuses, answers a retry with the same events, tells a stale screen what it missed', async () => {
    await juno.signTray(visit)
    const begin = command(0, { kind: 'begin' })
    const first = await juno.call('POST', `/visits/${visit}/commands`, begin)
    expect(first.body).toMatchObject({ seq: 1 })
    expect((await juno.call('POST', `/visits/${visit}/commands`, begin)).body).toEqual(first.body)
    const stale = await juno.call('POST', `/visits/${visit}/commands`, command(0, { kind: 'note', text: 'late' }))
    expect(stale).toMatchObject({ status: 409, body: { title: 'stale', seq: 1 } })
    expect(eventsIn(stale.body).map((e) => e.seq)).toEqual([1])
    const refused = await juno.call(
      'POST',
      `/visits/${visit}/commands`,
      command(1, { kind: 'advance', start: 'cutting.margin.37' }),
    )
    expect(refused).toMatchObject({ status: 409, body: { title: 'refused', refusal: { code: 'order' } } })
    expect(
      (await juno.call('POST', `/visits/${visit}/commands`, command(1, { kind: 'advance', start: 'arrival.seat' })))
        .body,
    ).toMatchObject({ seq: 2 })
    expect((await juno.read(eventsView, `/visits/${visit}/events`)).events.map((e) => e.what.kind)).toEqual([
      'run.started',
      'step.started',
    ])
    expect((await juno.call('POST', `/visits/${visit}/tray/reopen`)).body['detail']).toMatch(/has begun/)
    expect((await juno.call('GET', `/visits/${visit}`)).body).toMatchObject({ stage: 'running' })
  })

  it('takes a signature only with that dentist’s own code, whoever is signed in', async () => {
    const sign = (signer?: object) =>
      juno.call(
        'POST',
        `/visits/${visit}/commands`,
        command(2, { kind: 'wave', holdId: 'home', reason: 'for the test' }, signer ? { signer } : {}),
      )
    expect((await sign()).body).toMatchObject({ refusal: { code: 'not-allowed' } })
    expect((await sign({ personId: 'orrell', code: '0000' })).status).toBe(401)
    expect((await sign({ personId: 'juno', code: '1234' })).body).toMatchObject({ refusal: { code: 'not-allowed' } })
    expect((await sign({ personId: 'orrell', code: '4711' })).body).toMatchObject({ seq: 3 })
    // A forged envelope field is not taken for a fact.
    expect(
      (
        await juno.call('POST', `/visits/${visit}/commands`, {
          ...command(3, { kind: 'note', text: 'x' }),
          by: 'orrell',
        })
      ).status,
    ).toBe(422)
  })

  it('handles commands of two devices at once without a gap or a double', async () => {
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        juno.call('POST', `/visits/${visit}/commands`, command(3, { kind: 'note', text: `note ${i}` })),
      ),
    )
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1)
    expect(answers.filter((a) => a.status === 409)).toHaveLength(11)
    const { events } = await juno.read(eventsView, `/visits/${visit}/events`)
    expect(events.map((e) => e.seq)).toEqual([1, 2, 3, 4])
  })
})
