/** Writing a backup: one moment of the practice as lines, read back before it is called made. */
import { sql } from 'drizzle-orm'
import * as z from 'zod'
import { libraryVersion } from '../../core/plan/compile'
import type { Db } from '../db/open'
import { rowsOf } from '../db/rows'
import { inPieces } from '../pieces'
import { writeLines, type Sink } from './container'
import { formatVersion, Sums, type HeadLine } from './lines'
import { ofOneMoment, type LinesOf, type Source } from './rows'
import { keptTables } from './tables'

async function headOf(db: Db, now: number): Promise<HeadLine> {
  const [practice] = rowsOf(z.object({ name: z.string() }), await db.execute(sql`select name from practices limit 1`))
  return {
    jade: 'backup',
    version: formatVersion,
    madeAt: now,
    migrations: await migrationsIn(db),
    library: libraryVersion,
    practice: practice?.name ?? '',
  }
}

/** Hands every table over as lines, and their sums at the end. @returns how many rows it was */
async function linesOf(linesOfTable: LinesOf, sink: Sink): Promise<number> {
  const [sums, turn] = [new Sums(keptTables.map((k) => k.name)), inPieces()]
  for (const table of keptTables)
    for await (const { text, rows } of linesOfTable(table)) {
      await turn()
      sums.add(table.name, text, rows)
      await sink(text)
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

/**
 * Writes a backup into a file, encrypted where a passphrase is given. It has its name once it is whole, on the disk, and has
 * been read back to its end; until then, or where anything fails, there is nothing under it.
 * @param file what is not there yet
 * @returns how many rows it holds
 */
export async function writeBackup(source: Source, file: string, now: number, passphrase?: string): Promise<number> {
  let rows = 0
  await writeLines(file, passphrase, async (sink) => {
    await sink(JSON.stringify(await headOf(source.db, now)))
    rows = await ofOneMoment(source, `${file}.aside`, (linesOfTable) => linesOf(linesOfTable, sink))
  })
  return rows
}
