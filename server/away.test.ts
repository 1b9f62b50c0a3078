/** The database server goes away and comes back: the server stays up, says so, stores nothing twice and loses nothing. */
import { createServer, connect, type Server, type Socket } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { seedDemo } from '../demo/seed'
import { eventsView } from '../wire/run'
import { buildApp } from './app'
import { openDatabase, type OpenDatabase } from './db/open'
import type { App } from './house'
import { Caller, command, day, eight, freshDatabase } from './test/house'

/** The wire between the server and its database, to be cut. */
class Link {
  private readonly sockets = new Set<Socket>()
  private cut = false
  private server: Server | undefined
  constructor(private readonly to: { host: string; port: number }) {}
  /** @returns the port it is reached at */
  open(): Promise<number> {
    this.server = createServer((near) => {
      if (this.cut) return void near.destroy()
      const far = connect(this.to)
      for (const socket of [near, far]) {
        this.sockets.add(socket)
        socket.on('error', () => undefined)
        socket.on('close', () => {
          near.destroy()
          far.destroy()
          this.sockets.delete(socket)
        })
      }
      near.pipe(far).pipe(near)
    })
    return new Promise((resolve) => {
      this.server?.listen(0, '127.0.0.1', () => {
        const address = this.server?.address()
        resolve(typeof address === 'object' && address ? address.port : 0)
      })
    })
  }
  tear(): void {
    this.cut = true
    for (const socket of this.sockets) socket.destroy()
  }
  mend(): void {
    this.cut = false
  }
  close(): void {
    this.tear()
    this.server?.close()
  }
}

const server = process.env['TEST_DATABASE_URL']
describe.runIf(server)('with its database away', () => {
  let link: Link
  let database: OpenDatabase
  let app: App
  let juno: Caller
  let drop: () => Promise<void>
  beforeAll(async () => {
    const own = await freshDatabase(server ?? '')
    drop = own.drop
    const url = new URL(own.url)
    link = new Link({ host: url.hostname, port: Number(url.port || 5432) })
    url.port = String(await link.open())
    url.hostname = '127.0.0.1'
    database = await openDatabase(url.toString())
    await seedDemo(database.db, eight, 'Etc/UTC')
    app = await buildApp({ database, now: () => eight, checkAnswers: true })
    await app.ready()
    juno = await new Caller(app).signIn('juno', '1234')
  })
  afterAll(async () => {
    await app?.close()
    link?.close()
    await database?.close()
    await drop?.()
  })

  it('every door answers 503 in words while the link is cut, and goes on where it was when it is back', async () => {
    const id = `${day}-two`
    await juno.signTray(id)
    await juno.call('POST', `/visits/${id}/commands`, command(0, { kind: 'begin' }))
    let seq = 1
    const sent: string[] = []
    for (let round = 0; round < 5; round++) {
      const text = `note ${round}`
      const note = command(seq, { kind: 'note', text })
      if (round % 2 === 0) link.tear()
      // In the odd rounds the link breaks while the command is under way: whether it was stored is not known.
      const first = juno.call('POST', `/visits/${id}/commands`, note)
      if (round % 2 === 1) setImmediate(() => link.tear())
      const { status, body } = await first
      expect([200, 503]).toContain(status)
      if (round % 2 === 0) {
        expect([status, body['type']]).toEqual([503, '/problems/away'])
        for (const path of [`/days/${day}`, `/visits/${id}`, '/practice', '/needed'])
          expect((await juno.call('GET', path)).status, path).toBe(503)
        expect((await juno.call('PUT', `/visits/${id}/shift`, { mayMoveMin: 5 })).status).toBe(503)
      }
      link.mend()
      // The same command again, as a device does: stored once, however often it is sent.
      expect((await juno.call('POST', `/visits/${id}/commands`, note)).status).toBe(200)
      sent.push(text)
      seq++
    }
    const { events } = await juno.read(eventsView, `/visits/${id}/events`)
    expect(events.map((e) => e.seq)).toEqual(events.map((_, i) => i + 1))
    expect(events.flatMap((e) => (e.what.kind === 'note.added' ? [e.what.text] : []))).toEqual(sent)
  })
})
