/**
 * Kills and cut links: npm run bench -- kills [SEED]. Two devices write into a running visit and the cupboard while the
 * server or its database is killed, −9, or a link is cut, each at a random moment; after each fault they send again what
 * nobody answered. Then: is everything acknowledged there, once, and nothing twice?
 *
 * In rounds, each on fresh data, in turn on a folder and on a PostgreSQL server; what was counted is kept in .cache, so
 * that a run that was stopped goes on where it was. Exits with 1 where anything was lost or doubled.
 */
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import * as z from 'zod'
import { messageOf, sure } from '../core/sure'
import { random } from '../core/random'
import { bringTo } from '../demo/bring'
import { seedDemo } from '../demo/seed'
import { makeTemplate, templateVariable } from '../demo/template'
import { freePort } from '../e2e/serve'
import { verifyLive } from '../server/backup/verify'
import { rowsOf } from '../server/db/rows'
import { openDatabase, type Db } from '../server/db/open'
import { freshDatabase } from '../server/test/store'
import { Link } from '../server/test/link'
import type { RunEvent } from '../core/run/events'
import { Device } from './kills/device'
import { Program } from './kills/program'
import { postgresPrograms, startPostgres, type OwnPostgres } from './postgres.mjs'

const seed = Number(process.argv[2] ?? 1)
const rounds = Number(process.argv[3] ?? 20)
const killsARound = 16
const cutsARound = 42

const fault = z.enum(['server', 'database', 'database process', 'device cut', 'database cut'])
type Fault = z.infer<typeof fault>
const tally = z.object({
  round: z.number(),
  /** Killed −9: the server, the whole database server, one of its processes; cut: devices from the server, the server from its database. */
  faults: z.record(fault, z.number()),
  acknowledged: z.number(),
  /** Sent, and no answer came back: stored or not, the device could not know. */
  unanswered: z.number(),
  /** Of those, found stored already when sent again. */
  hadArrived: z.number(),
  wrong: z.array(z.string()),
  tookS: z.number(),
})
const kept = `.cache/kills-${seed}.json`
const soFar = existsSync(kept)
  ? tally.parse(JSON.parse(readFileSync(kept, 'utf8')))
  : tally.parse({
      round: 0,
      faults: { server: 0, database: 0, 'database process': 0, 'device cut': 0, 'database cut': 0 },
      acknowledged: 0,
      unanswered: 0,
      hadArrived: 0,
      wrong: [],
      tookS: 0,
    })

/** What every round must show of a store: the devices' words against its rows. */
async function held(db: Db, devices: readonly Device[]): Promise<string[]> {
  const wrong: string[] = []
  const seals = await verifyLive(db)
  wrong.push(...seals.wrong)
  const rows = rowsOf(
    z.object({ number: z.string(), n: z.number() }),
    await db.execute(sql`select number, count(*)::int as n from lots group by number`),
  )
  const lots = new Map(rows.map((r) => [r.number, r.n]))
  let there = 0
  for (const d of devices) {
    for (const number of d.lots.acknowledged)
      if (lots.get(number) !== 1) wrong.push(`lot ${number} is there ${lots.get(number) ?? 0} times`)
    for (const number of d.lots.unanswered) if ((lots.get(number) ?? 0) > 1) wrong.push(`lot ${number} is there twice`)
    there += [...d.lots.acknowledged, ...d.lots.unanswered].filter((number) => lots.has(number)).length
  }
  const [told] = rowsOf(
    z.object({ n: z.number() }),
    await db.execute(sql`select count(*)::int as n from audit where what = 'POST /lots'`),
  )
  if (told?.n !== there) wrong.push(`${there} lots were stored, and the trail tells of ${told?.n}`)
  return wrong
}

/** A store with a running visit in it, the server on it, two devices, and the wires between them. */
interface Ground {
  program: Program
  devices: readonly [Device, Device]
  wire: Link
  link: Link | undefined
  postgres: OwnPostgres | undefined
  open: () => ReturnType<typeof openDatabase>
  close: () => Promise<void>
}

async function ground(postgres: OwnPostgres | undefined): Promise<Ground> {
  const folder = mkdtempSync(join(tmpdir(), 'jade-kills-'))
  const own = postgres && (await freshDatabase(postgres.url))
  const link = own && new Link({ host: '127.0.0.1', port: Number(new URL(own.url).port) })
  if (!own) cpSync(sure(process.env[templateVariable]), folder, { recursive: true })
  const open = () => openDatabase(own?.url ?? folder)
  const visit = `${new Date().toISOString().slice(0, 10)}-two`
  const first = await open()
  if (own) await seedDemo(first.db, Date.now(), 'Etc/UTC')
  await bringTo(first.db, visit, { until: 'anaesthesia.topical' })
  await first.close()

  const cuttable = own && link ? Object.assign(new URL(own.url), { port: String(await link.listen()) }).toString() : ''
  const program = new Program({ JADE_DATA: folder, DATABASE_URL: cuttable }, await freePort())
  await program.start()
  const wire = new Link({ host: '127.0.0.1', port: program.port })
  const url = `http://127.0.0.1:${await wire.listen()}`
  const devices = [new Device('chair', 'juno', url, visit), new Device('desk', 'orrell', url, visit)] as const
  for (const d of devices) await d.signIn()
  const close = async (): Promise<void> => {
    wire.close()
    link?.close()
    await own?.drop()
    rmSync(folder, { recursive: true, force: true })
  }
  return { program, devices, wire, link, postgres, open, close }
}

/** The faults of a round in an order of chance. */
function faultsOf(postgres: boolean, next: () => number): Fault[] {
  const kills = (['server', 'database', 'server', 'database process'] as const).filter(
    (w) => postgres || w === 'server',
  )
  const cuts = postgres ? (['device cut', 'database cut'] as const) : (['device cut'] as const)
  return [
    ...Array.from({ length: killsARound }, (_, i) => sure(kills[i % kills.length])),
    ...Array.from({ length: cutsARound }, (_, i) => sure(cuts[i % cuts.length])),
  ]
    .map((fault) => ({ fault, by: next() }))
    .toSorted((a, b) => a.by - b.by)
    .map(({ fault }) => fault)
}

async function breaks({ program, wire, link, postgres }: Ground, fault: Fault): Promise<void> {
  if (fault === 'device cut') wire.tear()
  else if (fault === 'database cut') link?.tear()
  else if (fault === 'server') await program.end('SIGKILL')
  else if (fault === 'database') postgres?.kill()
  else postgres?.killOne()
}

async function mends({ program, wire, link, postgres }: Ground, fault: Fault): Promise<void> {
  if (fault === 'device cut') wire.mend()
  else if (fault === 'database cut') link?.mend()
  else if (fault === 'server') await program.start()
  else if (fault === 'database' && !postgres?.again()) throw new Error('the database did not come up again')
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/** What is not as it must be: each acknowledged once, all counted from one. */
function doubts(events: readonly RunEvent[], acknowledged: readonly string[], after: Fault): string[] {
  const times = new Map<string, number>()
  for (const e of events) times.set(e.commandId, (times.get(e.commandId) ?? 0) + 1)
  return [
    ...(events.some((e, i) => e.seq !== i + 1) ? [`the events do not count from one after ${after}`] : []),
    ...acknowledged
      .filter((id) => times.get(id) !== 1)
      .map((id) => `${id} is there ${times.get(id) ?? 0} times after ${after}`),
  ]
}

async function round(at: number, postgres: OwnPostgres | undefined): Promise<void> {
  const next = random(seed * 1_000 + at)
  const here = await ground(postgres)
  const { devices, program } = here
  const wrong: string[] = []
  for (const fault of faultsOf(postgres !== undefined, next)) {
    let on = true
    const writing = Promise.all(devices.map((d) => d.write(() => on)))
    // It strikes at a moment of chance, somewhere in the writing.
    await pause(5 + next() * 60)
    await breaks(here, fault)
    await pause(next() * 40)
    on = false
    await writing
    await mends(here, fault)
    soFar.faults[fault]++
    if (program.fell !== undefined) throw new Error(`after ${fault}: ${program.fell}`)
    const stored = new Set((await asked(() => devices[0].events())).map((e) => e.commandId))
    for (const d of devices) {
      const { waited, hadArrived } = await asked(() => d.again(stored))
      soFar.unanswered += Number(waited)
      soFar.hadArrived += Number(hadArrived)
    }
    const acknowledged = devices.flatMap((d) => d.acknowledged)
    wrong.push(...doubts(await asked(() => devices[0].events()), acknowledged, fault))
  }
  await program.end('SIGTERM')
  const after = await here.open()
  wrong.push(...(await held(after.db, devices)))
  await after.close()
  await here.close()
  soFar.acknowledged += devices.reduce((n, d) => n + d.acknowledged.length + d.lots.acknowledged.length, 0)
  soFar.wrong.push(...wrong.map((w) => `round ${at}: ${w}`))
}

/** Asks until there is an answer. @throws what came last, after a minute */
async function asked<T>(ask: () => Promise<T>): Promise<T> {
  const until = Date.now() + 60_000
  for (;;) {
    try {
      return await ask()
    } catch (e) {
      if (Date.now() > until) throw new Error(`no answer for a minute: ${messageOf(e)}`, { cause: e })
      await new Promise((resolve) => setTimeout(resolve, 50))
    }
  }
}

const removeTemplate = await makeTemplate(Date.now())
const programs = postgresPrograms()
const postgres = programs === undefined ? undefined : await startPostgres(programs)
if (!postgres) console.log('NOT RUN: the rounds on a PostgreSQL server; it needs Debian’s postgresql.')
while (soFar.round < rounds) {
  const began = Date.now()
  await round(soFar.round, soFar.round % 2 === 1 ? postgres : undefined)
  soFar.round++
  soFar.tookS += Math.round((Date.now() - began) / 1000)
  mkdirSync('.cache', { recursive: true })
  writeFileSync(kept, JSON.stringify(soFar))
  console.log(`${soFar.round} of ${rounds} rounds: ${JSON.stringify({ ...soFar, wrong: soFar.wrong.length })}`)
}
for (const w of soFar.wrong.slice(0, 20)) console.log(w)
postgres?.stop()
removeTemplate()
process.exit(soFar.wrong.length > 0 ? 1 : 0)
