/** Every door with every method, from the list of what the server really answers to: as a stranger, and in each role. */
import { METHODS } from 'node:http'
import { connect } from 'node:net'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { eq } from 'drizzle-orm'
import { roles } from '../core/practice/functions'
import { sure } from '../core/sure'
import { doorOf, passes } from '../wire/doors'
import { hashCode } from './codes'
import * as t from './db/schema'
import { Caller, day, openHouse, type TestHouse } from './test/house'
import { routesOf } from './test/routes'

let house: TestHouse
beforeAll(async () => {
  house = await openHouse()
})
afterAll(() => house.close())

/** An address of a route, with something in it that is there. */
const urlOf = (path: string): string => path.replace(':day', day).replace(/:\w+/g, `${day}-one`)
/** Methods that a server may be asked by; CONNECT is for tunnels and reaches no handler of ours. */
const methods = METHODS.filter((m) => m !== 'CONNECT')
const ask = (method: string, url: string, cookie = '') =>
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  house.app.inject({ method: method as 'GET', url, headers: { cookie } })

it('tells a stranger nothing but health, the names and the sign-in, by whatever method, at whatever address', async () => {
  const open = new Set(['/api/health', '/api/people', '/api/session'])
  const routes = routesOf(house.app).filter((r) => r.path.startsWith('/api/'))
  expect(routes.length).toBeGreaterThan(50)
  let refused = 0
  for (const { path, methods: own } of routes)
    for (const method of methods) {
      if (open.has(path) && own.includes(method)) continue
      const { statusCode, body, headers } = await ask(method, urlOf(path))
      // Where this method is none of its own, a door beside it may be meant: /backups/nightly is a name of a copy to GET.
      const wanted = own.includes(method) || statusCode === 401 ? 401 : 404
      expect([method, path, statusCode]).toEqual([method, path, wanted])
      expect(headers['content-type'], `${method} ${path}`).toContain('problem+json')
      // Not even how long the answer would have been: it is the refusal's own length.
      if (wanted === 401 && method !== 'HEAD')
        expect(JSON.parse(body)).toMatchObject({ type: '/problems/not-signed-in' })
      if (wanted === 401) expect(Number(headers['content-length'])).toBeLessThan(200)
      if (wanted === 401) refused++
    }
  expect(refused).toBeGreaterThan(100)
  // Addresses written otherwise lead to the same doors.
  for (const url of ['/api/../api/practice', '/%61pi/practice', '/api/practice/', '//api/practice', '/API/practice'])
    for (const method of ['GET', 'HEAD'])
      expect((await ask(method, url)).body, `${method} ${url}`).not.toContain('amendments')
  expect((await ask('GET', '/api/session', 'jade=made-up')).statusCode).toBe(401)
})

it('holds for every role at every door and method: who may not is refused before anything else is looked at', async () => {
  const { db } = house.database
  const before = await db.select().from(t.people)
  // One code that serves in every role.
  await db.update(t.people).set({ codeHash: await hashCode('735214') })
  for (const [i, role] of roles.entries()) {
    const id = sure(before[i]).id
    await db
      .update(t.people)
      .set({ roles: [role] })
      .where(eq(t.people.id, id))
    const { cookie } = await new Caller(house.app).signIn(id, '735214')
    for (const { path, methods: own } of routesOf(house.app))
      for (const method of own) {
        if (!path.startsWith('/api/') || path === '/api/live' || (path === '/api/session' && method === 'DELETE'))
          continue
        // What is asked for is not there and not well formed: whoever passes changes nothing.
        const url = path.replace(':day', day).replace(/:\w+/g, 'nothing-of-this-name')
        const { statusCode, body } = await house.app.inject({
          // oxlint-disable-next-line typescript/no-unsafe-type-assertion
          method: method as 'GET',
          url,
          headers: { cookie },
          ...(method === 'GET' || method === 'HEAD' ? {} : { payload: { no: 'such' } }),
        })
        const way = `${method === 'HEAD' ? 'GET' : method} ${path.slice('/api'.length)}`
        const refused = statusCode === 403 && (method === 'HEAD' || /dentist-only|team-only/.test(body))
        expect([way, role, refused]).toEqual([way, role, !passes(sure(doorOf(way)).who, [role])])
        expect(statusCode, `${way} ${role}`).not.toBe(500)
      }
  }
  for (const { id, roles: own, codeHash } of before)
    await db.update(t.people).set({ roles: own, codeHash }).where(eq(t.people.id, id))
})

it('reads no body of a stranger’s: refused by the head of the request alone, wherever it goes', async () => {
  await house.app.listen({ host: '127.0.0.1', port: 0 })
  const address = house.app.server.address()
  const port = typeof address === 'object' && address ? address.port : 0
  const answered = (method: string, path: string): Promise<string> =>
    new Promise((resolve, reject) => {
      let text = ''
      const socket = connect(port, '127.0.0.1', () =>
        socket.write(
          `${method} ${path} HTTP/1.1\r\nhost: localhost\r\ncontent-type: application/json\r\ncontent-length: 8000000\r\n\r\n{"half":`,
        ),
      )
      socket.on('data', (data) => {
        text += data.toString()
        socket.destroy()
      })
      socket.on('close', () => resolve(text.slice(0, 12)))
      socket.on('error', reject)
    })
  for (const { path, methods: own } of routesOf(house.app))
    for (const method of own)
      if (path.startsWith('/api/') && method !== 'GET' && method !== 'HEAD' && path !== '/api/session')
        expect([path, await answered(method, urlOf(path))]).toEqual([path, 'HTTP/1.1 401'])
  expect(await answered('POST', '/api/no/such/door')).toBe('HTTP/1.1 404')
})
