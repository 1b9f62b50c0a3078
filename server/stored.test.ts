/** What earlier versions of the program stored opens today, whole: rows written by the program as it was at commit db9f363. */
import { sure, entriesOf } from '../core/sure'
import { visitView } from '../wire/visit'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import type { PgTable } from 'drizzle-orm/pg-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Plan } from '../core/model/plan'
import { readingsAt } from '../core/readings'
import { replay } from '../core/run/state'
import { setupSheet } from './print/setup-sheet'
import { buildApp } from './app'
import { hashCode } from './codes'
import { openDatabase } from './db/open'
import * as t from './db/schema'
import { Caller, type TestHouse, eventsIn } from './test/house'

type Row = { table: string; row: Record<string, unknown> }
const rows = gunzipSync(readFileSync('server/test/stored/stored-db9f363.jsonl.gz'))
  .toString()
  .trim()
  .split('\n')
  .map((line): Row => JSON.parse(line))
const of = (table: string) => rows.filter((r) => r.table === table).map((r) => r.row)

describe('what was stored at db9f363', () => {
  let house: Pick<TestHouse, 'app'> & { close: () => Promise<void> }
  let juno: Caller
  beforeAll(async () => {
    const database = await openDatabase(mkdtempSync(join(tmpdir(), 'jade-stored-')))
    for (const { table, row } of rows) {
      const into: PgTable = sure(entriesOf(t).find(([name]) => name === table))[1]
      await database.db.insert(into).values(row)
    }
    await database.db.update(t.people).set({ codeHash: await hashCode('8193') })
    const app = await buildApp({ database, now: () => Date.parse('2026-11-25T12:00:00Z') })
    await app.ready()
    house = {
      app,
      close: async () => {
        await app.close()
        await database.close()
      },
    }
    juno = await new Caller(app).signIn('bram', '8193')
  })
  afterAll(() => house.close())

  it('shows every visit with its stage, its request resolved and its signed plan in today’s shape', async () => {
    const visits = of('visits')
    expect(visits.length).toBeGreaterThan(40)
    const signed = new Set(of('plans').map((p) => p['visitId']))
    for (const { id } of visits) {
      const view = await juno.read(visitView, `/visits/${String(id)}`)
      expect(view.request.restoration, String(id)).not.toBeUndefined()
      expect(view.frozen !== null, String(id)).toBe(signed.has(id))
      if (!view.frozen) continue
      const { plan } = view.frozen
      const old: Plan = Object(of('plans').find((p) => p['visitId'] === id)!['plan'])
      // What was signed stays word for word.
      expect(plan.steps.map((s) => [s.id, s.title, s.told])).toEqual(old.steps.map((s) => [s.id, s.title, s.told]))
      for (const l of plan.links) expect(['order', 'lag', 'window']).toContain(l.kind)
      for (const h of plan.holds) expect(h.id.split('.')[0]).toBe(h.name)
      expect(plan.steps.some((s) => s.act === 'counts squared')).toBe(true)
      const lights = plan.steps.filter((s) => s.fn === 'curing')
      expect(lights.every((s) => readingsAt(s).includes('light'))).toBe(true)
      const paper = JSON.stringify(
        setupSheet(plan, { patient: 'X', time: '09:00', chair: '1', practice: 'P', alerts: [] }, 'A4'),
      )
      expect(paper).not.toMatch(/undefined|NaN|null,? "text"/)
    }
  })

  it('shows both days whole, and each run replayed to the state it was left in', async () => {
    for (const day of ['2026-11-24', '2026-11-25']) expect((await juno.call('GET', `/days/${day}`)).status).toBe(200)
    const runs = new Set(of('runEvents').map((e) => String(e['visitId'])))
    expect(runs.size).toBeGreaterThan(10)
    for (const id of runs) {
      const { body } = await juno.call('GET', `/visits/${id}/events`)
      const events = eventsIn(body)
      expect(events.length, id).toBe(of('runEvents').filter((e) => e['visitId'] === id).length)
      const { frozen } = await juno.read(visitView, `/visits/${id}`)
      const { core } = replay(frozen!.plan, events)
      expect(core.status, id).toBe(of('records').some((r) => r['visitId'] === id) ? 'closed' : 'running')
    }
  })

  it('keeps closed records as they were, writes the notes of those that run, and goes on with them', async () => {
    for (const { visitId, note } of of('records')) {
      const { body } = await juno.call('GET', `/visits/${String(visitId)}/record`)
      expect(body['note']).toEqual(note)
    }
    const running = [...new Set(of('runEvents').map((e) => String(e['visitId'])))].filter(
      (id) => !of('records').some((r) => r['visitId'] === id),
    )
    for (const id of running) {
      const { status, body } = await juno.call('GET', `/visits/${id}/record`)
      expect(status, id).toBe(200)
      expect(JSON.stringify(body['note'])).not.toMatch(/undefined|NaN/)
      const seq = of('runEvents').filter((e) => e['visitId'] === id).length
      const said = await juno.call('POST', `/visits/${id}/commands`, {
        commandId: `after-${id}`.slice(0, 40),
        basedOn: seq,
        device: 'test',
        command: { kind: 'note', text: 'Gone on with today’s program.' },
      })
      expect(said.status, id).toBe(200)
    }
  })

  it('reads stock and look-back over the old plans, and a change of an old case is kept in today’s shape', async () => {
    expect((await juno.call('GET', '/stock?days=7')).status).toBe(200)
    expect((await juno.call('GET', '/lookback')).status).toBe(200)
    const id = 'J01-bonded-ceramic-bridge-delivery'
    const before = await juno.read(visitView, `/visits/${id}`)
    const put = await juno.call('PUT', `/visits/${id}/request`, {
      version: before.version,
      request: { framework: 'zirconia' },
    })
    expect(put.status, JSON.stringify(put.body)).toBe(200)
    expect((await juno.call('GET', `/visits/${id}`)).body['request']).toMatchObject({ framework: 'zirconia' })
  })
})
