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
import { keptTables, numbered, type KeptTable } from './tables'

/** A row as JSON, as the database writes it, and the text of its key. */
interface Row {
  key: string
  row: string
}
/** The rows of one table, in the order of its key. */
export type RowsOf = (table: KeptTable) => AsyncIterable<readonly Row[]>
export type Source = Pick<OpenDatabase, 'db' | 'kind'>

const page = z.object({ row: z.string(), key: z.array(z.string()) })
const keyText = (key: readonly string[]): string => JSON.stringify(key)

/** The rows of a table under a condition, in pages by its key, each found through the key's own index. */
async function* pages(q: Db, { name, key, page: rowsAtOnce }: KeptTable, where: SQL): AsyncGenerator<Row[]> {
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
        sql`select row_to_json(x)::text as row, array[${texts}] as key from ${sql.identifier(name)} x where ${where}${beyond} order by ${columns} limit ${rowsAtOnce}`,
      ),
    )
    if (rows.length > 0) yield rows.map((r) => ({ row: r.row, key: keyText(r.key) }))
    if (rows.length < rowsAtOnce) return
    after = rows.at(-1)?.key
  }
}

async function whole(q: Db, table: KeptTable, where: SQL): Promise<Map<string, string>> {
  const all = new Map<string, string>()
  for await (const rows of pages(q, table, where)) for (const { key, row } of rows) all.set(key, row)
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
async function notBegun(q: Db): Promise<Set<string>> {
  const rows = rowsOf(
    z.object({ id: z.string() }),
    await q.execute(
      sql`select o.id from (select v.id from visits v left join records r on r.visit_id = v.id where r.visit_id is null) o
        where (select e.seq from run_events e where e.visit_id = o.id limit 1) is null`,
    ),
  )
  return new Set(rows.map((r) => r.id))
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
  /** Rows that were changed or put in since they were laid aside, or that may still change or go. */
  rows: Map<string, string>
  /** Which of those laid aside are still there, where some may have been taken away. */
  there?: Set<string>
}

async function* inGroups(rows: AsyncIterable<Row>, size: number): AsyncGenerator<Row[]> {
  let group: Row[] = []
  for await (const row of rows) {
    group.push(row)
    if (group.length < size) continue
    yield group
    group = []
  }
  if (group.length > 0) yield group
}

async function embedded<T>(db: Db, asidePath: string, read: (rowsOfTable: RowsOf) => Promise<T>): Promise<T> {
  const aside = await Aside.at(asidePath)
  try {
    const start = await transactionNow(db)
    const changing = keptTables.filter((k) => k.how === 'changing')
    for (const table of changing) await aside.take(table.name, pages(db, table, sql`true`))
    const now = new Map<string, AtTheMoment>()
    let waiting = new Set<string>()
    const moment = await db.transaction(async (tx) => {
      const at = await transactionNow(tx)
      for (const table of changing) {
        const rows = await whole(tx, table, sql`not ${before(start)}`)
        const keys = sql.join(
          table.key.map((k) => sql`x.${sql.identifier(k)}::text`),
          sql`, `,
        )
        const there =
          table.name === 'items'
            ? new Set(
                rowsOf(
                  z.object({ key: z.array(z.string()) }),
                  await tx.execute(sql`select array[${keys}] as key from ${sql.identifier(table.name)} x`),
                ).map((r) => keyText(r.key)),
              )
            : undefined
        now.set(table.name, there ? { rows, there } : { rows })
      }
      waiting = await notBegun(tx)
      const ids = sql`(select jsonb_array_elements_text(${JSON.stringify([...waiting])}::jsonb))`
      for (const table of keptTables)
        if (table.how === 'begun' || table.how === 'used')
          now.set(table.name, {
            rows: await whole(tx, table, table.how === 'used' ? sql`x.used_at is null` : sql`x.visit_id in ${ids}`),
          })
      return at
    })
    return await read(async function* (table) {
      const of = now.get(table.name)
      if (table.how === 'changing') {
        const { rows, there } = sure(of)
        const old = aside.of(table.name)
        const unchanged = async function* (): AsyncGenerator<Row> {
          for await (const row of old) if (!rows.has(row.key) && (there?.has(row.key) ?? true)) yield row
        }
        yield* inGroups(unchanged(), table.page)
      }
      if (of && of.rows.size > 0) yield [...of.rows].map(([key, row]) => ({ key, row }))
      if (table.how === 'changing') return
      const settled = table.how === 'used' ? sql`${before(moment)} and x.used_at is not null` : before(moment)
      for await (const rows of pages(db, table, settled))
        yield table.how === 'begun'
          ? rows.filter((r) => !waiting.has(sure(z.array(z.string()).parse(JSON.parse(r.key))[0])))
          : rows
    })
  } finally {
    await aside.close()
  }
}

/**
 * Hands the rows of one moment to whoever reads them, for as long as they read.
 * @param asidePath a file beside the copy, for what is laid aside; nothing is there afterwards
 */
export function ofOneMoment<T>(
  { db, kind }: Source,
  asidePath: string,
  read: (rowsOfTable: RowsOf) => Promise<T>,
): Promise<T> {
  if (kind === 'embedded') return embedded(db, asidePath, read)
  return db.transaction((tx) => read((table) => pages(tx, table, sql`true`)), {
    isolationLevel: 'repeatable read',
    accessMode: 'read only',
  })
}
