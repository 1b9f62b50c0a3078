/**
 * The rows of one moment of the practice, table by table, in pages, while it goes on.
 *
 * A PostgreSQL server keeps the moment itself: all is read in one transaction, which stops nobody. The embedded database has
 * one connection, so that everybody waits for as long as a transaction lasts; there the moment is short. Before it, what may
 * change is read into a file beside the copy. In it, only what has changed since, and what may still go, is read. After it,
 * what is only ever added is read up to it. Each row carries the number of the transaction that put it there (PostgreSQL, 5.6
 * System Columns: xmin), and transactions come one after the other here: a row is of before a moment where its number is.
 */
import { open, rm } from 'node:fs/promises'
import { sql, type SQL } from 'drizzle-orm'
import * as z from 'zod'
import { sure } from '../../core/sure'
import type { Db, OpenDatabase } from '../db/open'
import { rowsOf } from '../db/rows'
import { linesOf } from './split'
import { keptTables, type KeptTable } from './tables'

/** Lines of a copy, parted by line feeds, and how many rows they are. */
interface Lines {
  text: string
  rows: number
}
/** The lines of one table. */
export type LinesOf = (table: KeptTable) => AsyncIterable<Lines>
export type Source = Pick<OpenDatabase, 'db' | 'kind'>

/** A row as the database writes it, as JSON, and its key as JSON. */
interface Row {
  key: string
  row: string
}
const lineOf = (table: string, row: string): string => `{"t":${JSON.stringify(table)},"r":${row}}`

/** The rows of a table under a condition, page by page by its key, each page found through the key's own index. */
async function* paged<T>(
  { name, key, page }: KeptTable,
  where: SQL,
  take: (page: SQL) => Promise<{ rows: number; last: string | null; of: T }>,
): AsyncGenerator<T> {
  const columns = sql.join(
    key.map((k) => sql`x.${sql.identifier(k)}`),
    sql`, `,
  )
  // Whole numbers stay numbers in the comparison; their text is only carried.
  const values = (after: readonly unknown[]): SQL =>
    sql.join(
      after.map((v) => (typeof v === 'number' ? sql`${v}::int` : sql`${String(v)}::text`)),
      sql`, `,
    )
  for (let after: string | undefined; ;) {
    const beyond = after === undefined ? sql`` : sql` and (${columns}) > (${values(keyOf(after))})`
    const { rows, last, of } = await take(
      sql`select row_to_json(x)::text as row, json_build_array(${columns})::text as key from ${sql.identifier(name)} x where ${where}${beyond} order by ${columns} limit ${page}`,
    )
    if (rows > 0) yield of
    if (rows < page || last === null) return
    after = last
  }
}
const keyOf = (key: string): unknown[] => z.array(z.unknown()).parse(JSON.parse(key))

const rowSchema = z.object({ row: z.string(), key: z.string() })
/** Pages of rows, one by one. */
const rowPages = (q: Db, table: KeptTable, where: SQL): AsyncGenerator<Row[]> =>
  paged(table, where, async (page) => {
    const rows = rowsOf(rowSchema, await q.execute(page))
    return { rows: rows.length, last: rows.at(-1)?.key ?? null, of: rows }
  })

const pageSchema = z.object({ rows: z.number(), text: z.string().nullable(), last: z.string().nullable() })
/** Pages of lines, put together by the database: a row of its own for each would take ten times as long to hand over. */
const linePages = (q: Db, table: KeptTable, where: SQL): AsyncGenerator<Lines> =>
  paged(table, where, async (page) => {
    const [begin, end] = lineOf(table.name, '\n').split('\n')
    const [of] = rowsOf(
      pageSchema,
      await q.execute(
        sql`select count(*)::int as rows, string_agg(${begin}::text || s.row || ${end}::text, E'\n') as text, (array_agg(s.key))[count(*)] as last from (${page}) s`,
      ),
    )
    const { rows, text, last } = sure(of)
    return { rows, last, of: { text: text ?? '', rows } }
  })

async function whole(q: Db, table: KeptTable, where: SQL): Promise<Map<string, string>> {
  const all = new Map<string, string>()
  for await (const rows of rowPages(q, table, where)) for (const { key, row } of rows) all.set(key, row)
  return all
}

/** The number of a transaction: of this one, or of one made for the question. */
async function transactionNow(q: Db): Promise<string> {
  const rows = rowsOf(z.object({ id: z.string() }), await q.execute(sql`select pg_current_xact_id()::text as id`))
  return sure(rows[0]).id
}
/** Numbers of transactions go round, so that only their ages compare. */
const before = (moment: string): SQL => sql`age(x.xmin) > age(${moment}::text::xid8::xid)`

/** Visits that have not begun: those that are not closed are few, and each is looked up. */
async function notBegun(q: Db): Promise<string[]> {
  const rows = rowsOf(
    z.object({ id: z.string() }),
    await q.execute(
      // Those first, and only of them whether anything has happened: asked of every visit it would take a second of everybody.
      sql`with o as materialized (select v.id from visits v left join records r on r.visit_id = v.id where r.visit_id is null)
        select o.id from o where (select e.seq from run_events e where e.visit_id = o.id limit 1) is null`,
    ),
  )
  return rows.map((r) => r.id)
}

/** The rows of changing tables as they were met before the moment, in a file that nobody else sees. */
class Aside {
  private readonly from = new Map<string, { at: number; bytes: number }>()
  private constructor(
    private readonly file: Awaited<ReturnType<typeof open>>,
    private readonly path: string,
    private end = 0,
  ) {}
  static async at(path: string): Promise<Aside> {
    const file = await open(path, 'wx+', 0o600)
    // Where the system allows it, it has no name any more from here on: whatever happens, nothing is left of it.
    await rm(path, { force: true }).catch(() => undefined)
    return new Aside(file, path)
  }
  async take(table: string, rows: AsyncIterable<readonly Row[]>): Promise<void> {
    const at = this.end
    for await (const some of rows) {
      const text = Buffer.from(some.map((r) => `${r.key}\t${r.row}\n`).join(''))
      await this.file.write(text, 0, text.length, this.end)
      this.end += text.length
    }
    this.from.set(table, { at, bytes: this.end - at })
  }
  async *of(table: string): AsyncGenerator<Row> {
    const { at, bytes } = sure(this.from.get(table))
    if (bytes === 0) return
    const input = this.file.createReadStream({ start: at, end: at + bytes - 1, autoClose: false })
    for await (const line of linesOf(input)) {
      const tab = line.indexOf('\t')
      yield { key: line.slice(0, tab), row: line.slice(tab + 1) }
    }
  }
  async close(): Promise<void> {
    await this.file.close()
    await rm(this.path, { force: true })
  }
}

/** What the moment itself says of a table. */
interface AtTheMoment {
  /** By their keys: rows that were changed or put in since they were laid aside, or that may still change or go. */
  rows: Map<string, string>
  /** Which of those laid aside are still there, where some may have been taken away. */
  there?: Set<string>
}

async function embedded<T>(db: Db, asidePath: string, read: (linesOfTable: LinesOf) => Promise<T>): Promise<T> {
  const aside = await Aside.at(asidePath)
  try {
    const start = await transactionNow(db)
    const changing = keptTables.filter((k) => k.how === 'changing')
    for (const table of changing) await aside.take(table.name, rowPages(db, table, sql`true`))
    const now = new Map<string, AtTheMoment>()
    let waiting: string[] = []
    const moment = await db.transaction(async (tx) => {
      const at = await transactionNow(tx)
      for (const table of changing) {
        const rows = await whole(tx, table, sql`not ${before(start)}`)
        now.set(table.name, table.name === 'items' ? { rows, there: await keysNow(tx, table) } : { rows })
      }
      waiting = await notBegun(tx)
      for (const table of keptTables)
        if (table.how === 'begun' || table.how === 'used')
          now.set(table.name, {
            rows: await whole(tx, table, table.how === 'used' ? sql`x.used_at is null` : isOf(waiting)),
          })
      return at
    })
    return await read(async function* (table) {
      const { rows, there } = now.get(table.name) ?? { rows: new Map<string, string>() }
      if (rows.size > 0) yield asLines(table, [...rows.values()])
      if (table.how === 'changing') {
        let some: string[] = []
        for await (const { key, row } of aside.of(table.name)) {
          if (rows.has(key) || !(there?.has(key) ?? true)) continue
          some.push(row)
          if (some.length < table.page) continue
          yield asLines(table, some)
          some = []
        }
        if (some.length > 0) yield asLines(table, some)
        return
      }
      const settled = { added: sql`true`, begun: sql`not (${isOf(waiting)})`, used: sql`x.used_at is not null` }[
        table.how
      ]
      yield* linePages(db, table, sql`${before(moment)} and ${settled}`)
    })
  } finally {
    await aside.close()
  }
}

/** Which keys of a table there are. */
async function keysNow(q: Db, table: KeptTable): Promise<Set<string>> {
  const keys = sql.join(
    table.key.map((k) => sql`x.${sql.identifier(k)}`),
    sql`, `,
  )
  const rows = await q.execute(sql`select json_build_array(${keys})::text as key from ${sql.identifier(table.name)} x`)
  return new Set(rowsOf(z.object({ key: z.string() }), rows).map((r) => r.key))
}
/** Of one of these visits; as an array, so that they are looked up by the table's key, however many rows it has. */
const isOf = (visits: readonly string[]): SQL =>
  sql`x.visit_id = any(string_to_array(${visits.join(apart)}::text, ${apart}::text))`
/** In no id of ours. */
const apart = '\u001f'
const asLines = (table: KeptTable, rows: readonly string[]): Lines => ({
  text: rows.map((row) => lineOf(table.name, row)).join('\n'),
  rows: rows.length,
})

/**
 * Hands the rows of one moment to whoever reads them, for as long as they read.
 * @param asidePath a file beside the copy, for what is laid aside; nothing is there afterwards
 */
export function ofOneMoment<T>(
  { db, kind }: Source,
  asidePath: string,
  read: (linesOfTable: LinesOf) => Promise<T>,
): Promise<T> {
  if (kind === 'embedded') return embedded(db, asidePath, read)
  return db.transaction((tx) => read((table) => linePages(tx, table, sql`true`)), {
    isolationLevel: 'repeatable read',
    accessMode: 'read only',
  })
}
