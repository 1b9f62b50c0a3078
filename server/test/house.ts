/** A server on a fresh demo folder for tests. */
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import * as z from 'zod'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoCodes } from '../../demo/seed'
import { templateVariable } from '../../demo/template'
import { buildApp, type AppOptions } from '../app'
import type { App } from '../house'
import { practice } from '../../core/practice/practice'
import { runEvent, type RunEvent } from '../../core/run/events'
import { visitView } from '../../wire/visit'
import { openDatabase, type OpenDatabase } from '../db/open'
import { day, eight } from './day'
import { everyHouse, freshDatabase, seededVariable } from './store'

export { day, eight }

export async function demoFolder(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'jade-server-'))
  cpSync(process.env[templateVariable]!, folder, { recursive: true })
  return folder
}

export interface TestHouse {
  app: App
  database: OpenDatabase
  folder: string
  clock: { now: number }
  close: () => Promise<void>
}

export async function openHouse(
  url: string | undefined = everyHouse,
  more: Partial<AppOptions> = {},
): Promise<TestHouse> {
  const folder = url ? '' : await demoFolder()
  const own = url ? await freshDatabase(url, process.env[seededVariable]) : undefined
  const database = await openDatabase(own?.url ?? folder)
  const clock = { now: eight }
  const copies = { folder: folder ? join(folder, 'copies') : mkdtempSync(join(tmpdir(), 'jade-copies-')) }
  const app = await buildApp({ database, now: () => clock.now, checkAnswers: true, copies, ...more })
  await app.ready()
  const house: TestHouse = {
    app,
    database,
    folder,
    clock,
    close: async () => {
      await house.app.close()
      await database.close()
      await own?.drop()
      if (folder) rmSync(folder, { recursive: true, force: true })
    },
  }
  return house
}

/** The events in an answer, or in the problem that came instead of it. */
export const eventsIn = (body: Record<string, unknown>): RunEvent[] => z.array(runEvent).parse(body['events'])

/** Speaks to the app as one signed-in device. */
export type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'

export class Caller {
  cookie = ''
  constructor(private readonly app: App) {}

  async call(method: Method, url: string, payload?: object, headers: Record<string, string> = {}) {
    const response = await this.app.inject({
      method,
      url: `/api${url}`,
      ...(payload === undefined ? {} : { payload }),
      headers: { ...(this.cookie ? { cookie: this.cookie } : {}), ...headers },
    })
    const set = response.headers['set-cookie']
    const isJson = String(response.headers['content-type'] ?? '').includes('json')
    const body: Record<string, unknown> = isJson && response.body ? response.json() : {}
    // A jar: each cookie by its name, the last one set.
    for (const one of [set ?? []].flat()) {
      const [pair = ''] = one.split(';')
      const others = this.cookie.split('; ').filter((c) => c !== '' && c.split('=')[0] !== pair.split('=')[0])
      this.cookie = [...others, pair].join('; ')
    }
    return {
      status: response.statusCode,
      type: String(response.headers['content-type'] ?? ''),
      body,
      headers: response.headers,
    }
  }

  /** What a route answers, read by its view. @throws ZodError where it is something else */
  async read<T>(view: z.ZodType<T>, url: string): Promise<T> {
    return view.parse((await this.call('GET', url)).body)
  }

  async signIn(personId: string, code: string): Promise<this> {
    await this.call('POST', '/session', { personId, code })
    return this
  }

  /** Lays out everything, as the Tray screen does. @returns what it is then signed with */
  async layTray(visitId: string): Promise<object> {
    const { request, toLay } = await this.read(visitView, `/visits/${visitId}`)
    const own = await this.read(practice, '/practice')
    const { compile } = await import('../../core/plan/compile')
    const { checkable, trayReadiness } = await import('../../core/plan/ready')
    const plan = compile(request, own)
    await this.call('PUT', `/visits/${visitId}/tray`, { lineIds: checkable(plan).map((l) => l.id), done: true })
    const { toAcknowledge, forDentist } = trayReadiness(plan, new Set())
    return {
      acknowledged: toAcknowledge.map((a) => a.id),
      cassettes: toLay.map((own) => own[0]!.id),
      ...(forDentist.length > 0 ? { signer: { personId: 'orrell', code: demoCodes['orrell'] } } : {}),
    }
  }

  /** Sets the patient's alerts, having seen those that stand. */
  async setAlerts(visitId: string, alerts: readonly string[], more: object = {}) {
    const { request } = await this.read(visitView, `/visits/${visitId}`)
    return this.call('PUT', `/visits/${visitId}/alerts`, { alerts, saw: request.alerts, ...more })
  }

  async signTray(visitId: string): Promise<void> {
    const first = await this.call('POST', `/visits/${visitId}/tray/sign`, { acknowledged: [] })
    const signed = await this.call('POST', `/visits/${visitId}/tray/sign`, await this.layTray(visitId))
    if (first.status !== 409 || signed.status !== 200)
      throw new Error(`tray not signed: ${JSON.stringify(signed.body)}`)
  }
}

let sent = 0
/** What a device sends: a command of its own id, based on the events it has seen. */
export const command = (basedOn: number, body: object, more: object = {}) => ({
  commandId: `test-command-${++sent}`,
  basedOn,
  device: 'test',
  command: body,
  ...more,
})
