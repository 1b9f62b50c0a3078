/** The data folder: one process at a time, and nothing acknowledged is lost when that one is killed. */
import { practice } from '../core/practice/practice'
import { eventsView } from '../wire/run'
import { dayView } from '../wire/day'
import { visitView } from '../wire/visit'
import { spawn, type ChildProcess } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import type { RunEvent } from '../core/run/events'
import { often } from '../scripts/often'
import { FolderInUse } from './db/lock'
import { openDatabase } from './db/open'
import { loadDay, loadPractice } from './db/store'
import { day, demoFolder, eight } from './test/house'

let id = 0
const command = (basedOn: number, body: object) => ({
  commandId: `test-command-${++id}`,
  basedOn,
  device: 'test',
  command: body,
})

describe('the data folder', () => {
  it('opens again with everything in it, and migrating twice changes nothing', async () => {
    const folder = await demoFolder()
    const first = await openDatabase(folder)
    const [own, visits] = [await loadPractice(first.db), await loadDay(first.db, day)]
    await first.close()
    const second = await openDatabase(folder)
    expect(await loadPractice(second.db)).toEqual(own)
    expect(await loadDay(second.db, day)).toEqual(visits)
    expect(visits.files).toHaveLength(10)
    await second.close()
    rmSync(folder, { recursive: true, force: true })
  })

  const main = join(import.meta.dirname, '../.cache/demo.js')
  const launch = (folder: string): Promise<{ child: ChildProcess; url: string }> => {
    const child = spawn(process.execPath, ['--liftoff-only', main], {
      env: {
        ...process.env,
        JADE_DATA: folder,
        PORT: '0',
        DATABASE_URL: '',
        TZ: 'Etc/UTC',
        JADE_CLOCK_FROM: String(Date.now()),
        JADE_CLOCK_SHOWS: String(eight),
      },
    })
    return new Promise((resolve, reject) => {
      let said = ''
      child.stdout.on('data', (chunk: Buffer) => {
        said += chunk.toString()
        const found = /http:\/\/\S+/.exec(said)
        if (found) resolve({ child, url: found[0] })
      })
      child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()))
      child.once('exit', () => reject(new Error(said)))
    })
  }
  const dead = (child: ChildProcess): Promise<void> => new Promise((resolve) => child.once('exit', () => resolve()))

  it('is refused at once to a second process, with words; a kill leaves nothing that blocks the next start', async () => {
    const folder = await demoFolder()
    const { child } = await launch(folder)
    const started = Date.now()
    await expect(openDatabase(folder)).rejects.toThrow(FolderInUse)
    expect(Date.now() - started).toBeLessThan(2_000)
    await expect(launch(folder)).rejects.toThrow(/in use by another Jade Tray \(process \d+/)
    child.kill('SIGKILL')
    await dead(child)
    const again = await openDatabase(folder)
    await again.close()
    rmSync(folder, { recursive: true, force: true })
  })

  it('keeps every acknowledged event through kill -9 in the middle of a run, over and over', async () => {
    const folder = await demoFolder()
    let acknowledged = 0
    let underway: ReturnType<typeof command> | undefined
    for (let round = 0; round < Math.max(2, often(4)); round++) {
      const { child, url } = await launch(folder)
      const api = async (method: string, path: string, body?: unknown, cookie = '') =>
        fetch(`${url}/api${path}`, {
          method,
          headers: { cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
          ...(body === undefined ? {} : { body: JSON.stringify(body) }),
        })
      const session = await api('POST', '/session', { personId: 'juno', code: '3816' })
      const cookie = session.headers.get('set-cookie')!.split(';')[0]!
      const visitId = dayView.parse(await (await api('GET', '/days/today', undefined, cookie)).json()).visits[0]!.id
      if (round === 0) {
        const { compile } = await import('../core/plan/compile')
        const { checkable, trayReadiness } = await import('../core/plan/ready')
        const { request, toLay } = visitView.parse(
          await (await api('GET', `/visits/${visitId}`, undefined, cookie)).json(),
        )
        const plan = compile(request, practice.parse(await (await api('GET', '/practice', undefined, cookie)).json()))
        await api('PUT', `/visits/${visitId}/tray`, { lineIds: checkable(plan).map((l) => l.id), done: true }, cookie)
        expect(
          (
            await api(
              'POST',
              `/visits/${visitId}/tray/sign`,
              {
                acknowledged: trayReadiness(plan, new Set()).toAcknowledge.map((a) => a.id),
                cassettes: toLay.map((own) => own[0]!.id),
              },
              cookie,
            )
          ).status,
        ).toBe(200)
        expect((await api('POST', `/visits/${visitId}/commands`, command(0, { kind: 'begin' }), cookie)).status).toBe(
          200,
        )
        acknowledged = 1
      }
      const kept = async (): Promise<RunEvent[]> =>
        eventsView.parse(await (await api('GET', `/visits/${visitId}/events`, undefined, cookie)).json()).events
      const events = await kept()
      // What was acknowledged before the kill is there; at most the one on its way may have arrived as well.
      expect(events.length).toBeGreaterThanOrEqual(acknowledged)
      expect(events.length).toBeLessThanOrEqual(acknowledged + 1)
      expect(events.map((e) => e.seq)).toEqual(events.map((_, i) => i + 1))
      acknowledged = events.length
      if (underway) {
        // The command that was on its way is sent again under its id: it is there once, whether or not it had arrived.
        const again = await api('POST', `/visits/${visitId}/commands`, { ...underway, basedOn: acknowledged }, cookie)
        expect(again.status).toBe(200)
        const after = await kept()
        const { commandId } = underway
        expect(after.filter((e) => e.commandId === commandId)).toHaveLength(1)
        acknowledged = after.length
      }
      // Write as fast as it answers, and kill it in the middle.
      const gone = dead(child)
      const killAfter = 7 + round * 9
      for (let n = 0; ; n++) {
        underway = command(acknowledged, { kind: 'note', text: `round ${round}, note ${n}` })
        const sent = api('POST', `/visits/${visitId}/commands`, underway, cookie)
        if (n === killAfter) child.kill('SIGKILL')
        const answer = await sent.catch(() => null)
        if (!answer?.ok) break
        await answer.text()
        acknowledged += 1
      }
      await gone
      expect(acknowledged).toBeGreaterThan(5)
    }
    rmSync(folder, { recursive: true, force: true })
  }, 120_000)
})
