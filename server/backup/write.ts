/**
 * Writing a backup. One moment of the practice: what may change is read in one transaction; what never changes any more
 * (events, records, the trail, trays of begun visits) is read after it in pages, up to where it stood at that moment, while
 * the practice goes on.
 */
import { sql, type SQL } from 'drizzle-orm'
import * as z from 'zod'
import { libraryVersion } from '../../core/plan/compile'
import type { Db } from '../db/open'
import { rowsOf } from '../db/rows'
import { writeLines, type Sink } from './container'
import { formatVersion, Sums, type HeadLine } from './lines'
import { keptTables, numbered, type KeptTable } from './tables'

const pageRows = 500
/** Visits whose settled rows are asked for together. */
const visitsAtOnce = 100

const page = z.object({ row: z.string(), key: z.array(z.string()) })

/** The rows of a table under a condition, as JSON text, in pages by its key. */
async function* pages(q: Db, { name, key }: KeptTable, where: SQL): AsyncGenerator<string[]> {
  const columns = sql.join(
    key.map((k) => sql`x.${sql.identifier(k)}`),
    sql`, `,
  )
  const texts = sql.join(
    key.map((k) => sql`x.${sql.identifier(k)}::text`),
    sql`, `,
  )
  // Whole numbers stay numbers in the comparison; their text is only carried.
  const values = (after: readonly string[]): SQL =>
    sql.join(
      after.map((v, i) =>
        key[i] === 'seq' || (key[i] === 'id' && numbered.includes(name)) ? sql`${Number(v)}::int` : sql`${v}::text`,
      ),
      sql`, `,
    )
  let after: string[] | undefined
  for (;;) {
    const beyond: SQL = after === undefined ? sql`` : sql` and (${columns}) > (${values(after)})`
    const rows = rowsOf(
      page,
      await q.execute(
        sql`select row_to_json(x)::text as row, array[${texts}] as key from ${sql.identifier(name)} x where ${where}${beyond} order by ${columns} limit ${pageRows}`,
      ),
    )
    if (rows.length > 0) yield rows.map((r) => r.row)
    if (rows.length < pageRows) return
    after = rows.at(-1)?.key
  }
}

interface Begun {
  id: string
  last: number
  closed: boolean
}
const begunRow = z.object({ id: z.string(), last: z.number(), closed: z.boolean() })
const textArray = (ids: readonly string[]): SQL =>
  sql`array[${sql.join(
    ids.map((id) => sql`${id}`),
    sql`, `,
  )}]::text[]`

/** Where the practice stood at the moment of the backup, as far as the settled rows go. */
interface Moment {
  begun: Begun[]
  trail: number
}

async function momentOf(tx: Db): Promise<Moment> {
  const begun = rowsOf(
    begunRow,
    await tx.execute(
      sql`select e.visit_id as id, max(e.seq)::int as last, bool_or(r.visit_id is not null) as closed from run_events e left join records r on r.visit_id = e.visit_id group by e.visit_id order by e.visit_id`,
    ),
  )
  const [trail] = rowsOf(
    z.object({ id: z.number() }),
    await tx.execute(sql`select coalesce(max(id), 0)::int as id from audit`),
  )
  return { begun, trail: trail?.id ?? 0 }
}

/** The settled rows of some visits, up to the moment. */
function settledWhere(table: KeptTable, visits: readonly Begun[]): SQL {
  if (table.name !== 'run_events') return sql`x.visit_id = any(${textArray(visits.map((v) => v.id))})`
  return sql`exists (select 1 from unnest(${textArray(visits.map((v) => v.id))}, array[${sql.join(
    visits.map((v) => sql`${v.last}::int`),
    sql`, `,
  )}]) as b(id, last) where b.id = x.visit_id and x.seq <= b.last)`
}

/**
 * Hands the whole practice over as lines.
 * @returns how many rows it was
 */
export async function practiceLines(db: Db, now: number, sink: Sink): Promise<number> {
  const sums = new Sums()
  const put = async (table: string, rows: readonly string[]): Promise<void> => {
    for (const row of rows) {
      sums.add(table, row)
      await sink(`{"t":${JSON.stringify(table)},"r":${row}}`)
    }
  }
  const snapshot = async (tx: Db): Promise<Moment> => {
    const [practice] = rowsOf(z.object({ name: z.string() }), await tx.execute(sql`select name from practices limit 1`))
    const head: HeadLine = {
      jade: 'backup',
      version: formatVersion,
      madeAt: now,
      migrations: await migrationsIn(tx),
      library: libraryVersion,
      practice: practice?.name ?? '',
    }
    await sink(JSON.stringify(head))
    const moment = await momentOf(tx)
    for (const table of keptTables) {
      if (table.settled !== undefined && table.settled !== 'begun') continue
      // Of a visit that has not begun the plan and the marks may still be taken back: they are of the snapshot.
      const open =
        table.settled === 'begun'
          ? sql`not exists (select 1 from run_events e where e.visit_id = x.visit_id)`
          : sql`true`
      for await (const rows of pages(tx, table, open)) await put(table.name, rows)
    }
    return moment
  }
  const moment = await db.transaction(snapshot, { isolationLevel: 'repeatable read', accessMode: 'read only' })
  for (const table of keptTables) {
    if (table.settled === undefined) continue
    if (table.settled === 'trail') {
      for await (const rows of pages(db, table, sql`x.id <= ${moment.trail}`)) await put(table.name, rows)
      continue
    }
    const visits = table.settled === 'closed' ? moment.begun.filter((b) => b.closed) : moment.begun
    for (let at = 0; at < visits.length; at += visitsAtOnce)
      for await (const rows of pages(db, table, settledWhere(table, visits.slice(at, at + visitsAtOnce))))
        await put(table.name, rows)
  }
  await sink(JSON.stringify({ end: sums.end() }))
  return sums.rows
}

/** How many migrations a database has had. */
export async function migrationsIn(q: Db): Promise<number> {
  const [count] = rowsOf(
    z.object({ n: z.number() }),
    await q.execute(sql`select count(*)::int as n from drizzle.__drizzle_migrations`),
  )
  return count?.n ?? 0
}

/** Writes a backup into a file, encrypted where a passphrase is given. @returns how many rows it holds */
export async function writeBackup(db: Db, file: string, now: number, passphrase?: string): Promise<number> {
  let rows = 0
  await writeLines(file, passphrase, async (sink) => {
    rows = await practiceLines(db, now, sink)
  })
  return rows
}
