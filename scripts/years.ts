/**
 * A practice of years: npm run bench -- years [VISITS [FOLDER]]. Fills a folder with so many closed visits, each with its plan,
 * its events with their seals, its record and its times; then does what takes long, and holds how long others wait for an answer
 * meanwhile. The folder is kept where one is named, and used again.
 */
import { existsSync, mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import * as z from 'zod'
import { sure } from '../core/sure'
import type { RunEvent } from '../core/run/events'
import { demoCodes, seedDemo } from '../demo/seed'
import { buildApp } from '../server/app'
import { restoreBackup } from '../server/backup/restore'
import { verifyBackup } from '../server/backup/verify'
import { writeBackup } from '../server/backup/write'
import { openDatabase, type Db } from '../server/db/open'
import { rowsOf } from '../server/db/rows'
import { sealed } from '../server/db/seal'
import { loadEvents } from '../server/db/store'
import { day, eight } from '../server/test/day'
import { Caller } from '../server/test/house'
import { median, note } from './bench-measure'

const many = Number(process.argv[2] ?? 10_000)
const kept = process.argv[3]
const folder = kept ?? mkdtempSync(join(tmpdir(), 'jade-years-'))
const full = existsSync(join(folder, 'database'))
const database = await openDatabase(folder)
const { db } = database
if (!full) await seedDemo(db, eight, 'Etc/UTC')

/** Copies of one closed visit, some a day. */
async function addYears(q: Db): Promise<void> {
  const [old] = rowsOf(
    z.object({ id: z.string() }),
    await q.execute(
      sql`select r.visit_id as id from records r join visits v on v.id = r.visit_id where v.day < ${day} order by v.day limit 1`,
    ),
  )
  const id = sure(old).id
  const events: RunEvent[] = await loadEvents(q, id)
  const library = 'years'
  const [there] = rowsOf(
    z.object({ n: z.number() }),
    await q.execute(sql`select count(*)::int as n from visits where id like 'v-%'`),
  )
  for (let from = sure(there).n + 1; from <= many; from += 100) {
    const to = Math.min(many, from + 99)
    const g = sql.raw(`generate_series(${from}, ${to}) g`)
    await q.transaction(async (tx) => {
      await tx.execute(sql`insert into patients select 'p-' || g, 'A Patient', '[]'::jsonb from ${g}`)
      await tx.execute(
        sql`insert into cases (id, patient_id, request, version, library) select 'c-' || g, 'p-' || g, c.request, 1, c.library from ${g}, visits v join cases c on c.id = v.case_id where v.id = ${id}`,
      )
      for (const [table, changed] of [
        [
          'visits',
          {
            id: `'v-' || g`,
            case_id: `'c-' || g`,
            day: `(v.day - g / 12)`,
            starts_at: `v.starts_at - (g / 12) * 86400000::bigint`,
          },
        ],
        ['plans', { visit_id: `'v-' || g` }],
        ['records', { visit_id: `'v-' || g`, closed_at: `v.closed_at - (g / 12) * 86400000::bigint` }],
        ['step_times', { visit_id: `'v-' || g`, at: `v.at - (g / 12) * 86400000::bigint` }],
        ['tray_marks', { visit_id: `'v-' || g` }],
      ] as const) {
        const columns = rowsOf(
          z.object({ name: z.string() }),
          await tx.execute(
            sql`select column_name as name from information_schema.columns where table_name = ${table} and table_schema = 'public'`,
          ),
        ).map((c) => c.name)
        const values = columns.map((c) => Object.entries(changed).find(([name]) => name === c)?.[1] ?? `v."${c}"`)
        const key = table === 'visits' ? 'id' : 'visit_id'
        await tx.execute(
          sql.raw(
            `insert into ${table} (${columns.map((c) => `"${c}"`).join(', ')}) select ${values.join(', ')} from generate_series(${from}, ${to}) g, ${table} v where v.${key} = '${id}'`,
          ),
        )
      }
      for (let n = from; n <= to; n++) {
        const rows = sealed(events.map((e) => ({ ...e, visitId: `v-${n}`, library }))).map((e) => ({
          visit_id: e.visitId,
          seq: e.seq,
          id: e.id,
          at: e.at,
          by: e.by,
          device: e.device,
          command_id: e.commandId,
          received_at: e.receivedAt ?? null,
          library,
          seal: e.seal,
          what: e.what,
        }))
        await tx.execute(
          sql`insert into run_events select * from json_populate_recordset(null::run_events, ${JSON.stringify(rows)}::json)`,
        )
      }
    })
    if ((from - 1) % 1_000 === 0) console.log(`${from - 1} visits`)
  }
  await q.execute(sql`analyze`)
}

const began = Date.now()
await addYears(db)
console.log(`${many} visits are in, ${((Date.now() - began) / 1000).toFixed(0)} s`)

const copies = { folder: join(folder, 'copies') }
const app = await buildApp({ database, now: () => eight, copies })
await app.ready()
const orrell = await new Caller(app).signIn('orrell', demoCodes['orrell'] ?? '')

/** Does something long, and says how long it took, how long others waited for an answer meanwhile, and the memory at its peak. */
async function beside(what: string, task: () => Promise<unknown>, aimS?: number): Promise<void> {
  const waits: Record<string, number[]> = { '/health': [], '/days/today': [], '/visits/v-7': [] }
  const asker = { goesOn: true }
  let peak = 0
  const asking = (async () => {
    while (asker.goesOn) {
      for (const [path, own] of Object.entries(waits)) {
        const at = performance.now()
        const { status } = await orrell.call('GET', path)
        if (status !== 200) throw new Error(`${path}: ${status}`)
        own.push(performance.now() - at)
      }
      peak = Math.max(peak, process.memoryUsage().rss / 1e6)
      await new Promise((resolve) => setTimeout(resolve, 400))
    }
  })()
  note('  memory before', process.memoryUsage().rss / 1e6, 'MB')
  const at = performance.now()
  await task()
  note(what, (performance.now() - at) / 1000, 's', aimS)
  asker.goesOn = false
  await asking
  for (const [path, own] of Object.entries(waits)) note(`  meanwhile ${path}, median`, median(own), 'ms')
  for (const [path, own] of Object.entries(waits))
    note(`  meanwhile ${path}, longest of ${own.length}`, Math.max(...own), 'ms', 200)
  note('  memory at its peak', peak, 'MB')
}

const got = async (path: string): Promise<void> => {
  const { status } = await orrell.call('GET', path)
  if (status !== 200) throw new Error(`${path}: ${status}`)
}
// What is asked for the first time is compiled; that is not what others wait for.
for (const path of ['/days/today', '/visits/v-7']) await got(path)
const file = join(folder, 'years.jade')
rmSync(file, { force: true })
await beside(
  `a copy of ${many} visits, read back`,
  () => writeBackup(database, file, eight),
  many >= 30_000 ? 360 : 120,
)
note('  the copy', statSync(file).size / 1e6, 'MB')
await beside('looking back, cold', () => got('/lookback?days=3660'))
await beside('the trail as a table', () => got('/audit.csv'))
await beside('the trail searched for what is not there', () => got('/audit?q=nothing-of-this-name'))
await beside('the live data held against its seals', () => got('/backups/verify'))
await beside('the copy held against its sums and seals', () => verifyBackup(file, undefined))
const into = join(folder, 'restored')
rmSync(into, { recursive: true, force: true })
if (many <= 10_000) await beside('the copy put back into an empty folder', () => restoreBackup(file, into))
await app.close()
await database.close()
rmSync(into, { recursive: true, force: true })
if (kept === undefined) rmSync(folder, { recursive: true, force: true })
