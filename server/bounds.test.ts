/** Everything that comes in from outside is bounded: read off the document of the routes, so that a new route cannot forget it. */
import * as z from 'zod'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { speakable } from '../core/bounded'
import { Caller, day, openHouse, type TestHouse } from './test/house'

let house: TestHouse
let juno: Caller
beforeAll(async () => {
  house = await openHouse()
  juno = await new Caller(house.app).signIn('juno', '3816')
}, 60_000)
afterAll(() => house.close())

interface Shape {
  type?: string
  [key: string]: unknown
}
const isShape = (x: unknown): x is Shape => typeof x === 'object' && x !== null
const parts = (s: Shape): [string, Shape][] =>
  Object.entries(s).flatMap(([key, value]): [string, Shape][] =>
    Array.isArray(value)
      ? value.flatMap((v, i): [string, Shape][] => (isShape(v) ? [[`${key}.${i}`, v]] : []))
      : isShape(value)
        ? [[key, value]]
        : [],
  )
/** A text of a known form cannot be of any length, or hold any letter. */
const closed = (s: Shape): boolean =>
  (s['enum'] ?? s['const'] ?? s['format']) !== undefined ||
  (typeof s['pattern'] === 'string' && s['pattern'] !== speakable.source)
/** A number larger than anything this program counts is no bound. */
const most = 1e13
function unbounded(s: Shape, at: string): string[] {
  const own =
    s.type === 'string'
      ? !closed(s) && (s['pattern'] === undefined || s['maxLength'] === undefined)
      : s.type === 'number' || s.type === 'integer'
        ? (s['const'] ?? s['enum']) === undefined &&
          !(
            Number(s['maximum'] ?? s['exclusiveMaximum']) < most &&
            Number(s['minimum'] ?? s['exclusiveMinimum']) > -most
          )
        : s.type === 'array' && s['maxItems'] === undefined
  return [...(own ? [at] : []), ...parts(s).flatMap(([key, inner]) => unbounded(inner, `${at} ${key}`))]
}

describe('what comes in', () => {
  it('is bounded, every text, number and list of every route', async () => {
    const shape = z.custom<Shape>(isShape)
    const route = z.looseObject({
      parameters: z.array(z.looseObject({ name: z.string(), schema: shape })).optional(),
      requestBody: z.looseObject({ content: z.record(z.string(), z.looseObject({ schema: shape })) }).optional(),
    })
    const document = z.looseObject({ paths: z.record(z.string(), z.record(z.string(), route)) })
    const paths = Object.entries((await juno.read(document, '/openapi.json')).paths)
    const found = paths.flatMap(([path, ways]) =>
      Object.entries(ways).flatMap(([way, { parameters = [], requestBody }]) => [
        ...parameters.flatMap((p) => unbounded(p.schema, `${way} ${path} ${p.name}`)),
        ...Object.values(requestBody?.content ?? {}).flatMap((c) => unbounded(c.schema, `${way} ${path}`)),
      ]),
    )
    expect(found).toEqual([])
  })

  it('is refused with the field where it cannot be stored, and never ends in a fault of the server', async () => {
    const bad = ['\u0000', 'a\u0000b', '\ud800', 'x'.repeat(5_000)]
    for (const text of bad) {
      const asked = [
        await juno.call('POST', '/session', { personId: text, code: text }),
        await juno.call('POST', '/lots', { itemId: text, number: text, expires: day, left: 1 }),
        await juno.call('PUT', `/visits/five/request`, { version: 1, request: { choices: { [text]: text } } }),
        await juno.call('GET', `/visits/${encodeURIComponent(text.replace('\ud800', '\u0001'))}`),
        await juno.call('POST', `/visits/five/commands`, {
          commandId: 'command-1',
          basedOn: 0,
          device: 'test',
          command: { kind: 'measure', stepId: 'x', measure: 'tint', tooth: '', readings: { a: { b: [text] }, c: 'x' } },
        }),
      ]
      expect(asked.map((a) => a.status)).not.toContain(500)
      for (const a of asked.slice(0, 4)) expect([400, 404, 413, 414, 422]).toContain(a.status)
    }
    for (const date of ['0001-01-01', '9999-12-31', '2026-02-30'])
      expect((await juno.call('GET', `/days/${date}`)).status).toBe(422)
    expect((await juno.call('GET', '/visits/five/events?after=99999999999')).status).toBe(422)
  })
})
