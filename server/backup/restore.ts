/** Putting a backup back: into an empty folder or database only, whole or not at all. */
import { sql } from 'drizzle-orm'
import { existsSync, readdirSync } from 'node:fs'
import { openDatabase } from '../db/open'
import type { Db } from '../db/open'
import { BadBackup } from './container'
import type { HeadLine } from './lines'
import { numbered } from './tables'
import { verifyBackup, type Verdict } from './verify'
import { migrationsIn } from './write'

import * as t from '../db/schema'

const batchRows = 500

/** Rows of one table put in as they came; columns that a later version added get their defaults. */
async function put(tx: Db, table: string, rows: readonly Record<string, unknown>[]): Promise<void> {
  const columns = sql.join(
    Object.keys(rows[0] ?? {}).map((c) => sql.identifier(c)),
    sql`, `,
  )
  const name = sql.identifier(table)
  await tx.execute(
    sql`insert into ${name} (${columns}) overriding system value select ${columns} from json_populate_recordset(null::${name}, ${JSON.stringify(rows)}::json)`,
  )
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
  const verdict = await verifyBackup(file, passphrase)
  if (verdict.wrong.length > 0)
    throw new BadBackup(`This backup is not as it was written. ${verdict.wrong.join(' ')} Nothing was put back.`)
  const database = await openDatabase(url)
  try {
    if ((await database.db.select({ id: t.practices.id }).from(t.practices).limit(1)).length > 0)
      throw new BadBackup('There is a practice in this database already: nothing is written over.')
    if (verdict.head.migrations > (await migrationsIn(database.db)))
      throw new BadBackup('This backup was made by a later version of the program: put it back with that one.')
    await database.db.transaction(async (tx) => {
      let waiting: { table: string; rows: Record<string, unknown>[] } = { table: '', rows: [] }
      const flush = async (): Promise<void> => {
        if (waiting.rows.length > 0) await put(tx, waiting.table, waiting.rows)
        waiting.rows = []
      }
      await verifyBackup(file, passphrase, {
        row: async (table, row) => {
          if (table !== waiting.table || waiting.rows.length >= batchRows) {
            await flush()
            waiting = { table, rows: [] }
          }
          waiting.rows.push(Object(row))
        },
      })
      await flush()
      for (const name of numbered)
        await tx.execute(
          sql`select setval(pg_get_serial_sequence(${name}, 'id'), coalesce(max(id), 1), max(id) is not null) from ${sql.identifier(name)}`,
        )
    })
    return verdict
  } finally {
    await database.close()
  }
}
