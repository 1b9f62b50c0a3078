/** Starts the server: JADE_DATA (folder) or DATABASE_URL, HOST (127.0.0.1 unless told otherwise), PORT. */
import { codeOf, messageOf } from '../core/sure'
import { join } from 'node:path'
import { demoCodes, seedDemo } from '../demo/seed'
import { buildApp } from './app'
import { copyEachNight, type Copies } from './backup/copies'
import { NoPassphrase, passphraseOf } from './backup/passphrase'
import { CannotOpen } from './db/faults'
import { FolderInUse } from './db/lock'
import { openDatabase } from './db/open'
import { BadProxy } from './network'
import { seedStarter } from './first-start'
import { loggable, wordsOf } from './log'

const demo = process.argv.includes('--demo')
const host = process.env['HOST'] ?? '127.0.0.1'
const port = Number(process.env['PORT'] ?? 4870)
// Rehearsal: JADE_PACE=20 lets twenty minutes of waiting pass in one. Only ever for the demo's invented visits.
const pace = demo ? Math.max(1, Number(process.env['JADE_PACE'] ?? 1) || 1) : 1
// The demo may also show another hour than the wall: JADE_CLOCK_FROM is the moment of the wall at which it shows JADE_CLOCK_SHOWS.
const from = demo ? Number(process.env['JADE_CLOCK_FROM'] ?? Date.now()) : 0
const shows = demo ? Number(process.env['JADE_CLOCK_SHOWS'] ?? from) : 0
// A test lets time pass instead of waiting for it: JADE_CLOCK_MOVES opens the door that does so.
let passedMs = 0
const moveClock = demo && process.env['JADE_CLOCK_MOVES'] ? (byMs: number): void => void (passedMs += byMs) : undefined
const now = demo ? (): number => Math.round(shows + (Date.now() - from) * pace) + passedMs : Date.now
/** Addresses of the practice's own proxy, where one speaks TLS before it. */
const proxy = process.env['JADE_PROXY'] ?? ''
const folder = process.env['JADE_DATA'] || (demo ? '.data/demo' : '.data/practice')

// What is kept here is read by nobody else of this machine.
process.umask(0o077)

async function start(): Promise<void> {
  const url = process.env['DATABASE_URL']
  const passphrase = passphraseOf(process.env['JADE_PASSPHRASE'])
  const database = await openDatabase(url || folder)
  await (demo ? seedDemo(database.db, now()) : seedStarter(database.db))
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
    ...(demo ? { shownCodes: demoCodes } : {}),
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
process.on('uncaughtException', failed)
start().catch(failed)
