/** What the server says of itself: its OpenAPI document, its problems, the sheet it prints. */
import { brotliDecompressSync, gunzipSync, gzipSync } from 'node:zlib'
import { personView } from '../wire/people'
import { checkAnswer } from './answers'
import * as z from 'zod'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Caller, day, openHouse, type TestHouse } from './test/house'

const visit = `${day}-one`

describe('documents', () => {
  let house: TestHouse
  let juno: Caller
  beforeAll(async () => {
    house = await openHouse()
    juno = await new Caller(house.app).signIn('juno', '3816')
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

  it('sends what is long packed, by whichever way the browser takes it, and a body that comes packed is refused', async () => {
    const get = (url: string, encoding: string) =>
      house.app.inject({ url, headers: { cookie: juno.cookie, 'accept-encoding': encoding } })
    const plain = await get(`/api/days/${day}`, 'identity')
    for (const [encoding, unpack] of [
      ['gzip', gunzipSync],
      ['br', brotliDecompressSync],
    ] as const) {
      const packed = await get(`/api/days/${day}`, encoding)
      expect(packed.headers['content-encoding']).toBe(encoding)
      expect(packed.rawPayload.length).toBeLessThan(plain.rawPayload.length / 4)
      expect(JSON.parse(unpack(packed.rawPayload).toString())).toEqual(plain.json())
    }
    const sent = await house.app.inject({
      method: 'PUT',
      url: `/api/visits/${visit}/shift`,
      headers: { cookie: juno.cookie, 'content-type': 'application/json', 'content-encoding': 'gzip' },
      payload: gzipSync('{"mayMoveMin":5}'),
    })
    expect(sent.statusCode).toBe(400)
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

  it('takes with every change of what somebody saw what they saw; what needs none of it says why', async () => {
    const body = z.looseObject({ content: z.record(z.string(), z.looseObject({ schema: z.looseObject({}) })) })
    const way = z.looseObject({ requestBody: body.optional() })
    const document = z.looseObject({ paths: z.record(z.string(), z.record(z.string(), way)) })
    const { paths } = await juno.read(document, '/openapi.json')
    const silent = Object.entries(paths).flatMap(([path, ways]) =>
      Object.entries(ways).flatMap(([name, { requestBody }]) => {
        if (name !== 'put' && name !== 'patch') return []
        const written = JSON.stringify(Object.values(requestBody?.content ?? {}).map((c) => c.schema))
        return /"saw":/.test(written) ? [] : [`${name} ${path}`]
      }),
    )
    expect(silent.toSorted()).toEqual([
      // Each move says from where.
      'put /api/days/{day}/times',
      // Yes or no: who comes second wanted what stands there, or sees it turn on every screen.
      'put /api/people/{personId}/left',
      // A file is taken in, and what it replaced is told.
      'put /api/practice/amendments',
      // Nobody sees a code.
      'put /api/session/code',
      // Says the version it is of.
      'put /api/visits/{visitId}/request',
      // A place is laid out or not, and each screen shows it at once.
      'put /api/visits/{visitId}/tray',
    ])
  })

  it('holds each answer against its view here: a field too many, or one missing, is caught', () => {
    const sent = { id: 'juno', name: 'Juno', roles: ['assistant'] }
    const check = (answer: object) => () => checkAnswer(personView, JSON.stringify(answer), 'GET /session')
    expect(check(sent)).not.toThrow()
    expect(check({ ...sent, codeHash: 'x' })).toThrow(/GET \/session.*codeHash/s)
    expect(check({ ...sent, roles: undefined })).toThrow(/roles/)
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
})
