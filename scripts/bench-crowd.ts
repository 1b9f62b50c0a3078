/** Sixty runs at once, two hundred devices on them. */
import { firstOf, sure } from '../core/sure'
import { toStore } from '../core/model/upgrade'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { eq, max } from 'drizzle-orm'
import { WebSocket } from 'ws'
import type { RunEvent } from '../core/run/events'
import { replay } from '../core/run/state'
import { bringTo } from '../demo/bring'
import { seedDemo } from '../demo/seed'
import { visitView } from '../wire/visit'
import { commandView, eventsView, type EventsView } from '../wire/run'
import { openDatabase } from '../server/db/open'
import * as t from '../server/db/schema'
import { median, note, p95 } from './bench-measure'
import { callsTo, server, type Call } from './bench-live'

const crowdRuns = 60
const crowdDevices = 200
/** Runs of today in a folder, the first as long as no visit is. @returns their ids */
async function manyRuns(folder: string): Promise<string[]> {
  const today = new Date().toISOString().slice(0, 10)
  const database = await openDatabase(folder)
  await seedDemo(database.db, Date.now(), 'Etc/UTC')
  const ids = Array.from({ length: crowdRuns }, (_, i) => `${today}-crowd-${i}`)
  for (const id of ids) {
    await database.db.insert(t.patients).values({ id: `patient-${id}`, name: id, alerts: [] })
    await database.db.insert(t.cases).values({
      id: `case-${id}`,
      patientId: `patient-${id}`,
      request: toStore({ kind: 'crown.prepare', teeth: ['37'], restoration: 'monolithic zirconia crown' }),
    })
    await database.db.insert(t.visits).values({
      id,
      caseId: `case-${id}`,
      chairId: 'chair-1',
      day: today,
      startsAt: Date.now(),
      team: { dentist: 'orrell', assistants: ['juno'] },
      visitChoices: {},
      swaps: {},
      facts: toStore({ kind: 'crown.prepare' }),
    })
    await bringTo(database.db, id, { until: 'cutting.margin.37' })
  }
  // One run as long as no visit is.
  const long = firstOf(ids)
  const last = sure(
    firstOf(
      await database.db
        .select({ seq: max(t.runEvents.seq) })
        .from(t.runEvents)
        .where(eq(t.runEvents.visitId, long)),
    ).seq,
  )
  for (let from = last + 1; from <= 5_000; from += 500)
    await database.db.insert(t.runEvents).values(
      Array.from({ length: Math.min(500, 5_001 - from) }, (_, i) => ({
        visitId: long,
        seq: from + i,
        id: `x${from + i}`,
        at: Date.now(),
        by: 'juno',
        device: 'bench',
        commandId: `x${from + i}`,
        what: { kind: 'note.added' as const, text: 'note' },
      })),
    )
  await database.close()
  return ids
}

/** A practice far larger than one: sixty runs at once, two hundred devices on them. */
export async function crowd(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'jade-crowd-'))
  const ids = await manyRuns(folder)
  const live = await server(folder)
  const call = callsTo(live.url)
  const cookies = await Promise.all(
    [
      ['juno', '3816'],
      ['orrell', '471108'],
      ['petra', '5064'],
    ].map(async ([personId, code]) =>
      firstOf(sure((await call('POST', '/session', '', { personId, code })).headers.get('set-cookie')).split(';')),
    ),
  )
  const heard = new Map<string, { left: number; done: () => void }>()
  const sockets = await Promise.all(
    Array.from({ length: crowdDevices }, async (_, i) => {
      const socket = new WebSocket(`${live.url.replace('http', 'ws')}/api/live?visit=${ids[i % crowdRuns]}`, {
        headers: { cookie: sure(cookies[i % 3]) },
      })
      socket.on('message', (text: Buffer) => {
        const message: { event: string; data: { events: RunEvent[] } } = JSON.parse(text.toString())
        if (message.event !== 'run') return
        const wait = heard.get(firstOf(message.data.events).commandId)
        if (wait && --wait.left === 0) wait.done()
      })
      await new Promise((resolve) => socket.once('message', resolve))
      return socket
    }),
  )
  const seqOf = new Map<string, number>()
  for (const id of ids)
    seqOf.set(
      id,
      eventsView.parse(await (await call('GET', `/visits/${id}/events?after=0`, firstOf(cookies))).json()).events
        .length,
    )
  const times: number[] = []
  for (let n = 0; n < 300; n++) {
    const k = n % crowdRuns
    const id = sure(ids[k])
    const commandId = `crowd-${n}-of-the-bench`
    const all = new Promise<void>((done) =>
      heard.set(commandId, {
        left: Array.from({ length: crowdDevices }).filter((_, i) => i % crowdRuns === k).length,
        done,
      }),
    )
    const started = performance.now()
    const answer = commandView.parse(
      await (
        await call('POST', `/visits/${id}/commands`, firstOf(cookies), {
          commandId,
          basedOn: sure(seqOf.get(id)),
          device: 'bench',
          command: { kind: 'note', text: `note ${n}` },
        })
      ).json(),
    )
    seqOf.set(id, answer.seq)
    await all
    times.push(performance.now() - started)
  }
  note(
    `event to the others’ screens, ${crowdDevices} devices on ${crowdRuns} runs, 95th percentile`,
    p95(times),
    'ms',
    150,
  )
  note(
    `server memory with ${crowdDevices} devices on ${crowdRuns} runs`,
    Number(sure(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${live.pid}/status`, 'utf8')))[1]) / 1000,
    'MB',
    300,
  )
  await longRun(call, firstOf(ids), firstOf(cookies))
  for (const s of sockets) s.close()
  live.stop()
  rmSync(folder, { recursive: true, force: true })
}

async function longRun(call: Call, id: string, cookie: string): Promise<void> {
  const { frozen } = visitView.parse(await (await call('GET', `/visits/${id}`, cookie)).json())
  const opens: number[] = []
  for (let i = 0; i < 7; i++) {
    const started = performance.now()
    const { events }: EventsView = await (await call('GET', `/visits/${id}/events?after=0`, cookie)).json()
    replay(sure(frozen).plan, events)
    opens.push(performance.now() - started)
  }
  note('a run of 5,000 events, fetched and folded', median(opens), 'ms', 300)
}
