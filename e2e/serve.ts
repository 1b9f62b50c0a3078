/** The built server as a process of its own, on a demo folder and a clock of the test's. */
import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sure } from '../core/sure'
import { demoCodes } from '../demo/practice'
import { templateVariable } from '../demo/template'
import { openDatabase, type Db } from '../server/db/open'

// Server, browser and test speak of the same day wherever they run.
process.env['TZ'] = 'Etc/UTC'

/**
 * A port nobody listens on just now, and below those that a connection going out is given by itself (from 32768 on): none
 * takes it while a server is down.
 */
export async function freePort(): Promise<number> {
  for (;;) {
    const port = 20_000 + Math.floor(Math.random() * 12_000)
    const probe = createServer()
    const free = await new Promise<boolean>((resolve) =>
      probe.once('error', () => resolve(false)).listen(port, '127.0.0.1', () => probe.close(() => resolve(true))),
    )
    if (free) return port
  }
}

export interface Served {
  url: string
  folder: string
  kill: () => Promise<void>
  restart: () => Promise<void>
  /** Does something to the folder while the server is down, and starts it again. */
  whileDown: (prepare: (db: Db, now: number) => Promise<void>) => Promise<void>
  stop: () => Promise<void>
  /** What every clock of it shows now. */
  now: () => number
  /** Lets time pass, on the server's clock and with it on every screen's. */
  pass: (seconds: number) => Promise<void>
}

/**
 * The day every test lives in; the hour each chooses. It is never the wall's: no test depends on when it is run, and what
 * takes the time from the device instead of from the server is found.
 */
export const day = '2026-03-17'
export const shownAt = (time: string): number => Date.parse(`${day}T${time}:00Z`)

/** What every clock of a served program shows: so much at a moment of the wall's, and on from there at a pace. */
interface Clock {
  pace: number
  /** The moment of the wall's, and what is shown then, ms. What a test lets pass is added to what is shown. */
  from: number
  shows: number
}
const shownBy = ({ pace, from, shows }: Clock): number => Math.round(shows + (Date.now() - from) * pace)

function launch(folder: string, port: number, { pace, from, shows }: Clock): Promise<ChildProcess> {
  // It lives for a minute: making the database's code quick would take longer than it saves.
  const child = spawn(process.execPath, ['--liftoff-only', 'dist/demo.js'], {
    env: {
      ...process.env,
      JADE_DATA: folder,
      PORT: String(port),
      DATABASE_URL: '',
      TZ: 'Etc/UTC',
      JADE_PACE: String(pace),
      JADE_CLOCK_FROM: String(from),
      JADE_CLOCK_SHOWS: String(shows),
      JADE_CLOCK_MOVES: '1',
      JADE_HOSTS: 'clinic.test',
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  return new Promise((resolve, reject) => {
    let said = ''
    const hear = (chunk: Buffer): void => {
      said += chunk.toString()
      if (said.includes('Jade Tray is at')) resolve(child)
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)))
  })
}

const ended = (child: ChildProcess): Promise<void> =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise((resolve) => child.once('exit', () => resolve()))

/** One address for all servers of a worker, one after the other: a browser knows what it once fetched from there. */
let ownPort: number | undefined

/** A session of a person's own, as the cookies a browser would keep of it. */
export async function signedIn(url: string, personId: string): Promise<string[]> {
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId, code: demoCodes[personId] }),
  })
  if (!answer.ok) throw new Error(`${personId} does not get in: ${await answer.text()}`)
  return answer.headers.getSetCookie().map((cookie) => sure(cookie.split(';')[0]))
}

/**
 * Starts the built server on a fresh demo folder.
 * `prepare` may bring visits to a moment before the server opens the folder.
 */
export async function serve({
  prepare,
  pace = 1,
  at = '08:30',
}: { prepare?: (db: Db, now: number) => Promise<void>; pace?: number; at?: string } = {}): Promise<Served> {
  const folder = mkdtempSync(join(tmpdir(), 'jade-e2e-'))
  cpSync(process.env[templateVariable]!, folder, { recursive: true })
  const clock: Clock = { pace, from: Date.now(), shows: shownAt(at) }
  const inFolder = async (act: (db: Db, now: number) => Promise<void>): Promise<void> => {
    const database = await openDatabase(folder)
    await act(database.db, shownBy(clock))
    await database.close()
  }
  if (prepare) await inFolder(prepare)
  const port = (ownPort ??= await freePort())
  let child = await launch(folder, port, clock)
  const end = async (signal: NodeJS.Signals): Promise<void> => {
    child.kill(signal)
    await ended(child)
  }
  const url = `http://127.0.0.1:${port}`
  let cookie: string | undefined
  return {
    url,
    folder,
    kill: () => end('SIGKILL'),
    restart: async () => {
      child = await launch(folder, port, clock)
    },
    whileDown: async (act) => {
      await end('SIGTERM')
      await inFolder(act)
      child = await launch(folder, port, clock)
    },
    now: () => shownBy(clock),
    pass: async (seconds) => {
      const byS = Math.ceil(seconds)
      cookie ??= (await signedIn(url, 'wim')).join('; ')
      const answer = await fetch(`${url}/api/standins/clock`, {
        method: 'POST',
        headers: { cookie, 'content-type': 'application/json' },
        body: JSON.stringify({ byS }),
      })
      if (!answer.ok) throw new Error(`time did not pass: ${await answer.text()}`)
      clock.shows += byS * 1000
    },
    stop: async () => {
      await end('SIGTERM')
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
