/** Strangers who want to stop the practice: by silent connections, by guessing from the same address, by filling what codes wait in. */
import { createServer } from 'node:http'
import { connect, type Socket } from 'node:net'
import { eq } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { WebSocket } from 'ws'
import { codeMatches, newToken, tokenId } from './codes'
import { Connections } from './connections'
import * as t from './db/schema'
import { proxiesOf } from './network'
import { Caller, command, day, openHouse, type TestHouse } from './test/house'
import { everyHouse } from './test/store'

let house: TestHouse
let port: number
beforeAll(async () => {
  house = await openHouse(everyHouse, { proxy: '127.0.0.1', hosts: 'jade.example' })
  await house.app.listen({ host: '127.0.0.1', port: 0 })
  const address = house.app.server.address()
  port = typeof address === 'object' && address ? address.port : 0
})
afterAll(() => house.close())

const opened = (to: number): Promise<Socket> =>
  new Promise((resolve, reject) => {
    const socket = connect(to, '127.0.0.1', () => resolve(socket))
    socket.once('error', reject)
  })
const closed = (socket: Socket): Promise<unknown> => new Promise((resolve) => socket.once('close', resolve))

describe('connections', () => {
  it('of one address that say nothing make room for those that come, and never push out one that somebody signed in asks over', async () => {
    const server = createServer((_request, response) => response.end('here'))
    const connections = new Connections(server, { all: 12, ofAddress: 5, isProxy: (address) => address === 'none' })
    server.on('request', (request) => {
      if (request.url === '/known') connections.known(request.socket)
    })
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    const at = server.address()
    const own = typeof at === 'object' && at ? at.port : 0
    const ask = async (socket: Socket, url: string): Promise<string> => {
      const answer = new Promise<string>((resolve) => socket.once('data', (data) => resolve(data.toString())))
      socket.write(`GET ${url} HTTP/1.1\r\nhost: localhost\r\n\r\n`)
      return answer
    }
    const signedIn = await Promise.all(Array.from({ length: 6 }, () => opened(own)))
    for (const socket of signedIn) expect(await ask(socket, '/known')).toContain('here')
    const silent: Promise<unknown>[] = []
    for (let i = 0; i < 40; i++) silent.push(closed(await opened(own)))
    // Whoever comes now is answered, again and again; five wait in silence, the others were let go.
    for (let i = 0; i < 10; i++) expect(await ask(await opened(own), '/')).toContain('here')
    await Promise.all(silent.slice(0, 35))
    for (const socket of signedIn) expect(await ask(socket, '/')).toContain('here')
    expect(connections.size).toBeLessThanOrEqual(11)
    server.closeAllConnections()
    server.close()
  })
  it('however many somebody opens and renews: every health request is answered', async () => {
    const sockets = new Set<Socket>()
    const attacker = { goesOn: true }
    const hold = async (): Promise<void> => {
      while (attacker.goesOn) {
        const socket = await opened(port).catch(() => undefined)
        if (!socket) continue
        sockets.add(socket)
        socket.on('error', () => undefined)
        if (sockets.size > 300) await Promise.race([...sockets].map(closed))
        for (const one of sockets) if (one.destroyed) sockets.delete(one)
      }
    }
    const attack = hold()
    for (let i = 0; i < 25; i++) expect((await fetch(`http://127.0.0.1:${port}/api/health`)).status).toBe(200)
    attacker.goesOn = false
    for (const socket of sockets) socket.destroy()
    await attack
  })
})

/** As the practice's proxy hands it on. */
const from = (address: string) => ({
  'x-forwarded-for': address,
  'x-forwarded-proto': 'https',
  'x-forwarded-host': 'jade.example',
})
const signIn = async (caller: Caller, personId: string, code: string, address: string): Promise<number> =>
  (await caller.call('POST', '/session', { personId, code }, from(address))).status

describe('behind a proxy of the practice', () => {
  it('each is counted by where they come from, cookies are for TLS alone, and a page that came without it is another site', async () => {
    const answer = await new Caller(house.app).call(
      'POST',
      '/session',
      { personId: 'wim', code: '9527' },
      from('10.1.1.1'),
    )
    expect([answer.headers['set-cookie']].flat().every((c) => String(c).includes('; Secure'))).toBe(true)
    for (let i = 0; i < 45; i++) await signIn(new Caller(house.app), `nobody-${i}`, '123456', '10.1.1.2')
    expect(await signIn(new Caller(house.app), 'nobody', '123456', '10.1.1.2')).toBe(429)
    expect(await signIn(new Caller(house.app), 'wim', '9527', '10.1.1.3')).toBe(200)
    const origin = async (value: string): Promise<number> =>
      (await new Caller(house.app).call('DELETE', '/session', undefined, { ...from('10.1.1.1'), origin: value })).status
    expect([await origin('https://jade.example'), await origin('http://jade.example')]).toEqual([204, 403])
  })
  it('nobody else is believed, and what is no address is refused at the start', async () => {
    const plain = await openHouse(everyHouse, { proxy: '10.9.9.9' })
    const answer = await new Caller(plain.app).call(
      'POST',
      '/session',
      { personId: 'wim', code: '9527' },
      from('10.1.1.1'),
    )
    // By the name the request came under, which is no name of this server's but the proxy's word for it.
    expect([answer.headers['set-cookie']].flat().some((c) => String(c).includes('; Secure'))).toBe(false)
    await plain.close()
    expect(() => proxiesOf('somewhere')).toThrow(/JADE_PROXY is "somewhere"/)
  })
})

describe('guesses from everywhere', () => {
  it('from the same address stop nobody at the device that knows them', async () => {
    const own = await new Caller(house.app).signIn('orrell', '471108')
    for (let i = 0; i < 45; i++) await signIn(new Caller(house.app), `nobody-${i}`, '123456', '10.2.2.2')
    expect(await signIn(new Caller(house.app), 'juno', '3816', '10.2.2.2')).toBe(429)
    expect(await signIn(own, 'orrell', '471108', '10.2.2.2')).toBe(200)
  })
  it('from a hundred and twenty addresses at once keep no signature from being taken, and cost nobody a try', async () => {
    const juno = await new Caller(house.app).signIn('juno', '3816')
    const own = await new Caller(house.app).signIn('varen', '771194')
    await juno.signTray(`${day}-one`)
    await juno.call('POST', `/visits/${day}-one/commands`, command(0, { kind: 'begin' }))
    const strangers = Array.from({ length: 120 }, (_, i) =>
      signIn(new Caller(house.app), 'ada', '000001', `10.3.${i}.1`),
    )
    const signatures = Array.from({ length: 5 }, async () => {
      const { body } = await juno.call('POST', `/visits/${day}-one/commands`, {
        ...command(1, { kind: 'sign', holdId: 'no-such-hold' }),
        signer: { personId: 'orrell', code: '471108' },
      })
      return body['type']
    })
    // The code was taken each time: what is refused is a signature that nobody asks for.
    expect(await Promise.all(signatures)).toEqual(Array.from({ length: 5 }, () => '/problems/refused'))
    expect(await signIn(own, 'varen', '771194', '10.3.1.1')).toBe(200)
    const came = await Promise.all(strangers)
    expect(came.filter((status) => status === 503).length).toBeGreaterThan(0)
    expect(came.every((status) => [401, 423, 429, 503].includes(status))).toBe(true)
    house.clock.now += 20 * 60_000
  })
})

describe('a sign-in', () => {
  it('makes no device known by a word that somebody else has put there', async () => {
    const planted = newToken()
    const victim = new Caller(house.app)
    victim.cookie = `jade-device=${planted}`
    await victim.signIn('petra', '5064')
    const { knownDevices } = t
    const rows = async (word: string) =>
      house.database.db
        .select()
        .from(knownDevices)
        .where(eq(knownDevices.id, tokenId(word)))
    expect(await rows(planted)).toEqual([])
    const own = /jade-device=([\w-]+)/.exec(victim.cookie)?.[1] ?? ''
    expect((await rows(own)).map((r) => r.personId)).toEqual(['petra'])
    // The next to sign in there gives the device another word for both; a second time it stays.
    await victim.signIn('bram', '8193')
    const shared = /jade-device=([\w-]+)/.exec(victim.cookie)?.[1] ?? ''
    expect([shared === own, await rows(own)]).toEqual([false, []])
    expect((await rows(shared)).map((r) => r.personId).toSorted()).toEqual(['bram', 'petra'])
    await victim.signIn('petra', '5064')
    expect(/jade-device=([\w-]+)/.exec(victim.cookie)?.[1]).toBe(shared)
  })
  it('leaves a row on the trail, and what has ended is tidied away; of one person thirty stand', async () => {
    const { db } = house.database
    const of = async (): Promise<number> =>
      (await db.select().from(t.sessions).where(eq(t.sessions.personId, 'wim'))).length
    const callers: Caller[] = []
    for (let i = 0; i < 40; i++) {
      house.clock.now += 1_000
      callers.push(await new Caller(house.app).signIn('wim', '9527'))
    }
    expect(await of()).toBe(30)
    expect((await callers[0]!.call('GET', '/session')).status).toBe(401)
    expect((await callers.at(-1)!.call('GET', '/session')).status).toBe(200)
    const orrell = await new Caller(house.app).signIn('orrell', '471108')
    const { rows } = (await orrell.call('GET', '/audit?q=signed in&by=wim&limit=1')).body
    expect(rows).toEqual([
      expect.objectContaining({
        what: 'signed in',
        by: 'wim',
        asked: { address: '127.0.0.1', device: 'new to this person' },
      }),
    ])
    house.clock.now += 13 * 3_600_000
    await new Caller(house.app).signIn('wim', '9527')
    expect(await of()).toBe(1)
  })
  it('of one person, however often, leaves a place for the screens of others', async () => {
    const open = (cookie: string): Promise<WebSocket | undefined> =>
      new Promise((resolve) => {
        const socket = new WebSocket(`ws://127.0.0.1:${port}/api/live`, { headers: { cookie } })
        socket.once('open', () => resolve(socket))
        socket.once('unexpected-response', () => resolve(undefined))
        socket.once('error', () => resolve(undefined))
      })
    const sockets: WebSocket[] = []
    for (let i = 0; i < 3; i++) {
      const { cookie } = await new Caller(house.app).signIn('juno', '3816')
      for (let n = 0; n < 110; n++) {
        const socket = await open(cookie)
        if (socket) sockets.push(socket)
      }
    }
    expect(sockets).toHaveLength(200)
    const { cookie } = await new Caller(house.app).signIn('orrell', '471108')
    const hers = await open(cookie)
    expect(hers).toBeDefined()
    for (const socket of [...sockets, hers]) socket?.terminate()
  })
})

it('a code is compared with what is stored, whoever asks', async () => {
  const [person] = await house.database.db.select().from(t.people).where(eq(t.people.id, 'wim'))
  expect(await codeMatches('9527', person?.codeHash ?? '', { stranger: '10.0.0.1' })).toBe(true)
})
