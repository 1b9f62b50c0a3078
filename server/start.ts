/** How the server is started: JADE_DATA (folder) or DATABASE_URL, HOST (127.0.0.1 unless told otherwise), PORT. */
import { codeOf, messageOf } from '../core/sure'
import { join } from 'node:path'
import { buildApp, type AppOptions } from './app'
import { copyEachNight, type Copies } from './backup/copies'
import { NoPassphrase, passphraseOf } from './backup/passphrase'
import { CannotOpen } from './db/faults'
import { FolderInUse } from './db/lock'
import { openDatabase, type Db } from './db/open'
import { BadProxy } from './network'
import { seedStarter } from './first-start'
import { loggable, wordsOf } from './log'

const host = process.env['HOST'] ?? '127.0.0.1'
const port = Number(process.env['PORT'] ?? 4870)
/** Addresses of the practice's own proxy, where one speaks TLS before it. */
const proxy = process.env['JADE_PROXY'] ?? ''

/** An invented practice in place of one's own: brought by its own entry, so that a practice's program holds none of it. */
export interface Demo {
  seed: (db: Db, now: number) => Promise<void>
  codes: AppOptions['shownCodes']
}
/** The clock of a demo may run faster, show another hour, and be moved by a test; a practice's is the wall's. */
function clockOf(demo: Demo | undefined): { pace: number; now: () => number; moveClock?: (byMs: number) => void } {
  if (!demo) return { pace: 1, now: Date.now }
  // Rehearsal: JADE_PACE=20 lets twenty minutes of waiting pass in one. Only ever for the demo's invented visits.
  const pace = Math.max(1, Number(process.env['JADE_PACE'] ?? 1) || 1)
  // Another hour than the wall: JADE_CLOCK_FROM is the moment of the wall at which it shows JADE_CLOCK_SHOWS.
  const from = Number(process.env['JADE_CLOCK_FROM'] ?? Date.now())
  const shows = Number(process.env['JADE_CLOCK_SHOWS'] ?? from)
  // A test lets time pass instead of waiting for it: JADE_CLOCK_MOVES opens the door that does so.
  let passedMs = 0
  const now = (): number => Math.round(shows + (Date.now() - from) * pace) + passedMs
  return process.env['JADE_CLOCK_MOVES'] ? { pace, now, moveClock: (byMs) => void (passedMs += byMs) } : { pace, now }
}

// What is kept here is read by nobody else of this machine.
process.umask(0o077)

async function start(demo: Demo | undefined): Promise<void> {
  const { pace, now, moveClock } = clockOf(demo)
  const folder = process.env['JADE_DATA'] || (demo ? '.data/demo' : '.data/practice')
  const url = process.env['DATABASE_URL']
  const passphrase = passphraseOf(process.env['JADE_PASSPHRASE'])
  const database = await openDatabase(url || folder)
  await (demo ? demo.seed(database.db, now()) : seedStarter(database.db))
  const copies: Copies = {
    folder: process.env['JADE_COPIES'] || join(url ? '.data' : folder, 'copies'),
    ...(passphrase === undefined ? {} : { passphrase }),
  }
  const app = await buildApp({
    database,
    webFolder: join(import.meta.dirname, '../dist/web'),
    log: true,
    hosts: process.env['JADE_HOSTS'] ?? '',
    proxy,
    pace,
    now,
    copies,
    ...(demo?.codes ? { shownCodes: demo.codes } : {}),
    ...(moveClock ? { moveClock } : {}),
  })
  await app.listen({ host, port })
  // A demo's invented visits are kept nowhere else.
  const stopCopies = demo ? () => undefined : copyEachNight(database, copies, now)
  const stop = async (): Promise<void> => {
    stopCopies()
    await app.close()
    await database.close()
    process.exit(0)
  }
  process.once('SIGINT', () => void stop())
  process.once('SIGTERM', () => void stop())
  // Started by another process: without it nobody could stop this one in order any more.
  process.once('disconnect', () => void stop())
  if (!proxy && !/^(127\.|localhost$|::1$)/.test(host))
    console.warn(
      'Open to the network without TLS: codes and records travel in clear, and whoever is on the same network can read them. Put it behind a proxy that speaks TLS and say where that is (JADE_PROXY), or on a network of its own (docs/security.md).',
    )
  const address = app.server.address()
  const listening = typeof address === 'object' && address ? address.port : port
  console.log(
    `Jade Tray is at http://${host.includes(':') ? `[${host}]` : host}:${listening}${demo ? `  (demo; the codes are on the sign-in page)${pace > 1 ? `  (rehearsal: time runs ${pace} times as fast)` : ''}` : ''}`,
  )
}

/** What ends the program is said without what was asked of it. */
function failed(error: unknown): never {
  if ([FolderInUse, CannotOpen, NoPassphrase, BadProxy].some((known) => error instanceof known))
    console.error(messageOf(error))
  else if (codeOf(error) === 'EADDRINUSE') console.error(`Port ${port} on ${host} is taken. Set PORT to another.`)
  else console.error(error instanceof Error ? loggable(error) : wordsOf(error))
  process.exit(1)
}
/** Runs until it is told to stop. */
export function run(demo?: Demo): void {
  process.on('uncaughtException', failed)
  start(demo).catch(failed)
}
