/** Putting a backup back: into an empty folder or database only, whole or not at all. */
import { sql } from 'drizzle-orm'
import { existsSync, mkdirSync, readdirSync, renameSync, rmdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { restoringIn, restoringMark } from '../db/faults'
import { migrationsKnown } from '../db/migrate'
import { openDatabase } from '../db/open'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { wordsOf } from '../log'
import { BadBackup } from './container'
import type { HeadLine } from './lines'
import { numbered } from './tables'
import { readBackup, verifyBackup, type Verdict } from './verify'

/** Rows that are put in together, and at most so many letters of them. */
const batchRows = 500
const batchLetters = 1_000_000

/** Rows of one table put in as they came. */
async function put(tx: Db, table: string, rows: readonly Record<string, unknown>[]): Promise<void> {
  const columns = sql.join(
    Object.keys(rows[0] ?? {}).map((c) => sql.identifier(c)),
    sql`, `,
  )
  const name = sql.identifier(table)
  try {
    await tx.execute(
      sql`insert into ${name} (${columns}) overriding system value select ${columns} from json_populate_recordset(null::${name}, ${JSON.stringify(rows)}::json)`,
    )
  } catch (error) {
    // The statement would name whole rows.
    throw new BadBackup(
      `A row of ${table} does not go in: ${wordsOf(error instanceof Error ? (error.cause ?? error) : error)}. Nothing was put back.`,
      { cause: error },
    )
  }
}

/** All rows of a file, in one transaction, into tables of the version it was made with. */
async function putAll(db: Db, file: string, passphrase: string | undefined): Promise<void> {
  await db.transaction(async (tx) => {
    let waiting: { table: string; rows: Record<string, unknown>[]; letters: number } = {
      table: '',
      rows: [],
      letters: 0,
    }
    const flush = async (): Promise<void> => {
      if (waiting.rows.length > 0) await put(tx, waiting.table, waiting.rows)
      waiting = { table: '', rows: [], letters: 0 }
    }
    const read = await readBackup(file, passphrase, {
      row: async (table, row, letters) => {
        const full = waiting.rows.length >= batchRows || waiting.letters + letters > batchLetters
        if (table !== waiting.table || full) await flush()
        waiting.table = table
        waiting.letters += letters
        waiting.rows.push(Object(row))
      },
    })
    // It was looked at before; that it is still the same file is looked at here.
    if (read.wrong.length > 0) throw new BadBackup(`This backup is not as it was. ${read.wrong.join(' ')}`)
    await flush()
    for (const name of numbered)
      await tx.execute(
        sql`select setval(pg_get_serial_sequence(${name}, 'id'), coalesce(max(id), 1), max(id) is not null) from ${sql.identifier(name)}`,
      )
  })
}

/** Into tables as they were when it was made; then those are brought on to today's, as they would have been where they lay. */
async function fill(
  url: string,
  file: string,
  passphrase: string | undefined,
  { migrations }: HeadLine,
): Promise<void> {
  const database = await openDatabase(url, migrations)
  try {
    if ((await database.db.select({ id: t.practices.id }).from(t.practices).limit(1)).length > 0)
      throw new BadBackup('There is a practice in this database already: nothing is written over.')
    await putAll(database.db, file, passphrase)
  } finally {
    await database.close()
  }
  if (migrations < migrationsKnown()) await (await openDatabase(url)).close()
}

/** Into a folder beside, which gets the name when all is in it: a restore that fails or is killed leaves none of that name. */
async function intoFolder(folder: string, filled: (part: string) => Promise<void>): Promise<void> {
  if (existsSync(folder) && readdirSync(folder).length > 0)
    throw new BadBackup(`${folder} is not empty. A backup is put into an empty folder only: nothing is written over.`)
  const part = restoringIn(folder)
  if (existsSync(part)) {
    if (!existsSync(join(part, restoringMark)))
      throw new BadBackup(`${part} is in the way, and is none of a restore. Take it away first.`)
    // What an earlier one left that was killed.
    rmSync(part, { recursive: true })
  }
  mkdirSync(part, { recursive: true, mode: 0o700 })
  writeFileSync(join(part, restoringMark), '', { mode: 0o600 })
  try {
    await filled(part)
    if (existsSync(folder)) rmdirSync(folder)
    rmSync(join(part, restoringMark))
    renameSync(part, folder)
  } catch (error) {
    rmSync(part, { recursive: true, force: true })
    throw error
  }
}

/**
 * @param url a folder that is empty or not there, or the address of a database without a practice
 * @throws BadBackup where the file is damaged or the place is not empty; then nothing is there
 */
export async function restoreBackup(
  file: string,
  url: string,
  passphrase?: string,
): Promise<Verdict & { head: HeadLine }> {
  const isFolder = !/^postgres(ql)?:\/\//.test(url)
  if (isFolder && existsSync(url) && readdirSync(url).length > 0)
    throw new BadBackup(`${url} is not empty. A backup is put into an empty folder only: nothing is written over.`)
  // Read to its end first: a damaged file makes no folder.
  const verdict = await verifyBackup(file, passphrase, {
    head: ({ migrations }) => {
      if (migrations > migrationsKnown())
        throw new BadBackup('This backup was made by a later version of the program: put it back with that one.')
    },
  })
  if (verdict.wrong.length > 0)
    throw new BadBackup(`This backup is not as it was written. ${verdict.wrong.join(' ')} Nothing was put back.`)
  if (isFolder) await intoFolder(url, (part) => fill(part, file, passphrase, verdict.head))
  else await fill(url, file, passphrase, verdict.head)
  return verdict
}
