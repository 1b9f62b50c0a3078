/**
 * Requests by somebody who wishes the server ill, or by a program gone wrong: every door of the OpenAPI document with ids,
 * queries, bodies and headers that no page of ours sends. Seeded: the same seed sends the same requests.
 */
import { random } from '../../core/random'
import type { App } from '../house'
import type { Method } from './house'

type AnyMethod = Method | 'HEAD' | 'OPTIONS'

type Json = string | number | boolean | null | Json[] | { [key: string]: Json }

const texts = [
  '',
  ' ',
  '0',
  '-1',
  '\u0000',
  '\uD83D',
  'a\uDE00',
  '../../etc/passwd',
  '%00',
  "' or 1=1 --",
  '{{7*7}}',
  '=1+1',
  '<script>x</script>',
  '2026-02-30',
  '0000-01-01',
  '9999-12-31',
  '24:61',
  'constructor',
  '__proto__',
  '𝔍'.repeat(50),
  'x'.repeat(5_000),
  '１２３４',
]
const numbers = [0, -0, -1, 1, 0.1, 1e308, -1e308, 2 ** 31, 2 ** 53, -(2 ** 53), 2_147_483_648, 1e21, 5e-324]

export class Hostile {
  private readonly next: () => number
  constructor(
    seed: number,
    private readonly ids: readonly string[],
  ) {
    this.next = random(seed)
  }
  private below(n: number): number {
    return Math.floor(this.next() * n)
  }
  pick<T>(from: readonly T[]): T {
    const one = from[this.below(from.length)]
    if (one === undefined) throw new Error('nothing to pick from')
    return one
  }
  /** A value of no particular kind. */
  value(deep = 0): Json {
    const kind = this.below(deep > 3 ? 5 : 7)
    if (kind === 0) return this.pick(texts)
    if (kind === 1) return this.pick(this.ids)
    if (kind === 2) return this.pick(numbers)
    if (kind === 3) return this.next() < 0.5
    if (kind === 4) return null
    if (kind === 5) return Array.from({ length: this.below(4) }, () => this.value(deep + 1))
    return Object.fromEntries(
      Array.from({ length: this.below(4) }, () => [
        this.pick([...texts.slice(0, 8), 'id', 'name', 'kind']),
        this.value(deep + 1),
      ]),
    )
  }
  /** A body near what its schema says: each part as it should be, or not at all. */
  near(schema: unknown, deep = 0): Json {
    const s: Record<string, unknown> = Object(schema)
    if (deep > 8 || this.next() < 0.12) return this.value(deep)
    if ('const' in s) return asJson(s['const'])
    if (Array.isArray(s['enum'])) return asJson(this.pick(s['enum']))
    const either = s['anyOf'] ?? s['oneOf']
    if (Array.isArray(either)) return this.near(this.pick(either), deep + 1)
    if (s['type'] === 'object') {
      const required = new Set(Array.isArray(s['required']) ? s['required'] : [])
      const entries = Object.entries(Object(s['properties'])).filter(([key]) => required.has(key) || this.next() < 0.5)
      return Object.fromEntries(entries.map(([key, of]) => [key, this.near(of, deep + 1)]))
    }
    if (s['type'] === 'array') return Array.from({ length: this.below(4) }, () => this.near(s['items'], deep + 1))
    if (s['type'] === 'string') return this.next() < 0.5 ? this.pick(this.ids) : this.pick(texts)
    if (s['type'] === 'number' || s['type'] === 'integer')
      return this.next() < 0.5 ? this.below(50) : this.pick(numbers)
    if (s['type'] === 'boolean') return this.next() < 0.5
    return this.value(deep)
  }
  /** A path with its parts filled in. */
  path(template: string): string {
    return template.replaceAll(/\{(\w+)\}/g, (_all, name: string) => {
      if (this.next() < 0.5) return encodeURIComponent(this.pick(this.ids))
      if (name === 'day' && this.next() < 0.5)
        return this.pick(['2026-11-24', '0000-00-00', '2026-13-01', '+002026-11-24'])
      const text = this.pick(texts).toWellFormed()
      return this.next() < 0.2 ? this.pick(['%', '%E0%A4%A', '%00', '..%2f..']) : encodeURIComponent(text)
    })
  }
  query(names: readonly string[]): string {
    if (this.next() < 0.5) return ''
    const one = (): string =>
      `${this.pick([...names, 'x', 'after', 'days', '__proto__'])}=${encodeURIComponent(String(this.pick<string | number>([...texts, ...numbers])).toWellFormed())}`
    return `?${Array.from({ length: 1 + this.below(3) }, one).join('&')}`
  }
  /** What is sent as a body, and as what. */
  body(schema: unknown): { payload: string; type: string } {
    const odd = this.next()
    if (odd < 0.04)
      return { payload: this.pick(['{', '[', 'null', '{"a":1,}', '\uFEFF{}', '"']), type: 'application/json' }
    if (odd < 0.06) return { payload: `${'['.repeat(5_000)}${']'.repeat(5_000)}`, type: 'application/json' }
    if (odd < 0.08)
      return { payload: 'a=1', type: this.pick(['text/plain', 'application/xml', 'multipart/form-data', 'x/y']) }
    if (odd < 0.09) return { payload: JSON.stringify('x'.repeat(300_000)), type: 'application/json' }
    return { payload: JSON.stringify(this.near(schema)), type: 'application/json' }
  }
}
const asJson = (x: unknown): Json =>
  typeof x === 'string' || typeof x === 'number' || typeof x === 'boolean' ? x : null

interface Operation {
  method: Method
  path: string
  body: unknown
  query: string[]
}
const methods: readonly Method[] = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE']
const anyMethods: readonly AnyMethod[] = [...methods, 'HEAD', 'OPTIONS']
/** What is told to whoever asks. */
const open = new Set(['/api/health', '/api/people', '/api/session'])

/** Every door, as the document describes it. */
export function operationsOf(document: unknown): Operation[] {
  const paths: Record<string, unknown> = Object(Object(document)['paths'])
  return Object.entries(paths).flatMap(([path, of]) =>
    methods.flatMap((method): Operation[] => {
      const one: unknown = Object(of)[method.toLowerCase()]
      if (one === undefined) return []
      const parameters: unknown = Object(one)['parameters']
      const query = (Array.isArray(parameters) ? parameters : []).filter((p) => Object(p)['in'] === 'query')
      return [
        {
          method,
          path,
          body: Object(Object(Object(Object(one)['requestBody'])['content'])['application/json'])['schema'],
          query: query.map((p) => String(Object(p)['name'])),
        },
      ]
    }),
  )
}

/** What came of it. */
export interface Came {
  sent: number
  byStatus: Record<number, number>
  /** Answers that should not be: what was sent, and what came. */
  wrong: string[]
  /** Changes that were answered as done, by their way. */
  done: string[]
}

/**
 * Sends so many requests, in turn as each of these callers.
 * @param cookies of people signed in; an empty one is a stranger
 */
export async function hostile(
  app: App,
  cookies: readonly string[],
  ids: readonly string[],
  n: number,
  seed: number,
): Promise<Came> {
  const by = new Hostile(seed, ids)
  // Whoever signs out, or takes a new code, is not the caller any more; and nobody sleeps here.
  const doors = operationsOf(app.swagger()).filter(
    (o) =>
      !(o.path === '/api/session' && o.method === 'DELETE') && o.path !== '/api/session/code' && o.path !== '/api/live',
  )
  const strangers = new Set(cookies.filter((c) => !/(?:^|; )jade=[\w-]{32}/.test(c)))
  const came: Came = { sent: 0, byStatus: {}, wrong: [], done: [] }
  for (let i = 0; i < n; i++) {
    const door = by.pick(doors)
    const method = by.pick<AnyMethod>([door.method, door.method, door.method, by.pick(anyMethods), by.pick(anyMethods)])
    if (method === 'DELETE' && door.path === '/api/session') continue
    const url = by.path(door.path) + by.query(door.query)
    const sent =
      method === 'GET' || method === 'HEAD' || !by.pick([true, true, true, false]) ? undefined : by.body(door.body)
    const cookie = by.pick(cookies)
    const answer = await app.inject({
      method,
      url,
      headers: {
        cookie,
        ...(sent ? { 'content-type': sent.type } : {}),
        ...by.pick<Record<string, string>>([
          {},
          {},
          {},
          {},
          {},
          {},
          { origin: 'http://elsewhere.example' },
          { host: 'elsewhere.example' },
        ]),
      },
      ...(sent ? { payload: sent.payload } : {}),
    })
    const { statusCode: status } = answer
    came.sent++
    came.byStatus[status] = (came.byStatus[status] ?? 0) + 1
    const type = String(answer.headers['content-type'] ?? '')
    const isProblem = type.includes('application/problem+json')
    const tells = /at \w+ \(|node_modules|select |insert into|scrypt/i.test(status >= 400 ? answer.body : '')
    // Nothing is told to a stranger but that they are one.
    const told = strangers.has(cookie) && status < 400 && !open.has(door.path)
    if ((status >= 500 && status !== 503) || (status >= 400 && !isProblem) || tells || told)
      came.wrong.push(
        `${method} ${url.slice(0, 200)} ${sent?.payload.slice(0, 300) ?? ''} → ${status} ${answer.body.slice(0, 300)}`,
      )
    if (status < 300 && method !== 'GET' && method !== 'HEAD') came.done.push(`${method} ${door.path}`)
  }
  return came
}
