/** Whatever becomes of a request, whoever waits for it is told in words, and whether it may be sent again as it is. */
import { describe, expect, it, vi } from 'vitest'
import { api, ApiProblem, newId } from './api'

const answers = (answer: Response | Error): void => {
  vi.stubGlobal('fetch', () => (answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer)))
}
const problemOf = async (answer: Response | Error): Promise<ApiProblem> => {
  answers(answer)
  const e: unknown = await api('/days/today').catch((thrown: unknown) => thrown)
  if (e instanceof ApiProblem) return e
  throw new Error('it was answered')
}

describe('what the server answers', () => {
  it('comes as it is; nothing where there is nothing', async () => {
    answers(Response.json({ day: '2026-11-24' }))
    expect(await api('/days/today')).toEqual({ day: '2026-11-24' })
    answers(new Response(null, { status: 204 }))
    expect(await api('/session', { method: 'DELETE' })).toBeUndefined()
  })
  it('where it refuses is said in its own words, with what it adds', async () => {
    const body = { type: '/problems/not-ready', detail: 'The tray cannot be signed yet.', missing: ['Mouth mirror'] }
    const refused = await problemOf(Response.json(body, { status: 409 }))
    expect(refused).toMatchObject({ status: 409, slug: 'not-ready', message: body.detail, offline: false })
    expect(refused.more.missing).toEqual(['Mouth mirror'])
  })
  it('that never came, or came without a database, may be asked again; that it came from something between, not', async () => {
    expect(await problemOf(new TypeError('Failed to fetch'))).toMatchObject({ slug: 'offline', offline: true })
    const away = Response.json({ type: '/problems/away', detail: 'The database is away.' }, { status: 503 })
    expect((await problemOf(away)).offline).toBe(true)
    const between = await problemOf(new Response('<html>Bad gateway</html>', { status: 502 }))
    expect(between).toMatchObject({ slug: 'unknown', message: 'The server answered 502.', offline: false })
  })
})

it('an id is made without what a browser keeps for safe pages, and never twice', () => {
  vi.stubGlobal('crypto', { getRandomValues: crypto.getRandomValues.bind(crypto) })
  const made = Array.from({ length: 500 }, () => newId())
  expect(new Set(made).size).toBe(500)
  expect(made.every((id) => /^[0-9a-f]{32}$/.test(id))).toBe(true)
})
