/** The database server goes away and comes back: the server stays up, says so, stores nothing twice and loses nothing. */
import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { eventsView } from '../wire/run'
import { buildApp } from './app'
import { openDatabase, type OpenDatabase } from './db/open'
import type { App } from './house'
import { Caller, command, day, eight } from './test/house'
import { Link } from './test/link'
import { everyHouse, freshDatabase, seededVariable } from './test/store'

describe.runIf(everyHouse)('with its database away', () => {
  let link: Link
  let database: OpenDatabase
  let app: App
  let juno: Caller
  let drop: () => Promise<void>
  beforeAll(async () => {
    const own = await freshDatabase(everyHouse ?? '', process.env[seededVariable])
    drop = own.drop
    const url = new URL(own.url)
    link = new Link({ host: url.hostname, port: Number(url.port || 5432) })
    url.port = String(await link.listen())
    url.hostname = '127.0.0.1'
    database = await openDatabase(url.toString())
    app = await buildApp({ database, now: () => eight, checkAnswers: true })
    await app.ready()
    juno = await new Caller(app).signIn('juno', '3816')
  })
  afterAll(async () => {
    await app?.close()
    link?.close()
    await database?.close()
    await drop?.()
  })

  it('a transaction whose link breaks between two statements fails, and the server lives on', async () => {
    const broken = database.db.transaction(async (tx) => {
      await tx.execute(sql`select 1`)
      // Long enough that the driver has heard of it while nothing is being asked.
      link.tear()
      while (link.ends > 0) await new Promise((resolve) => setImmediate(resolve))
      await tx.execute(sql`select 1`)
    })
    await expect(broken).rejects.toThrow()
    link.mend()
    expect((await juno.call('GET', '/practice')).status).toBe(200)
  })

  /** A connection is there, and idle; those that died meanwhile say so once, and are let go. */
  async function connected(): Promise<void> {
    for (let tries = 0; tries < 20; tries++) {
      const answered = await database.db.execute(sql`select 1`).catch(() => undefined)
      if (answered) return
    }
    throw new Error('no connection any more')
  }
  it('a link that breaks just as a transaction begins costs no connection, however often', async () => {
    // More often than the pool is deep.
    for (let round = 0; round < 10; round++) {
      await connected()
      link.hush()
      const begun = database.db.transaction(async (tx) => void (await tx.execute(sql`select 1`)))
      setImmediate(() => link.tear())
      await expect(begun).rejects.toThrow()
      while (link.ends > 0) await new Promise((resolve) => setImmediate(resolve))
      link.mend()
    }
    expect((await juno.call('GET', '/practice')).status).toBe(200)
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
