/** The practice is asked for with every request and seldom changes: it is read anew only where a row of it has changed. */
import { getTableName, sql } from 'drizzle-orm'
import * as z from 'zod'
import { sure } from '../../core/sure'
import { rowsOf } from './rows'
import type { Db } from './open'
import type { PracticeParts } from './practice-parts'
import * as t from './schema'

/** Of which rows a practice is made. */
const made = [t.practices, t.people, t.items, t.burs, t.lots]

/**
 * A row's version is where it lies and the transaction that put it there (PostgreSQL 18, 5.6 System Columns: ctid, xmin); no
 * change, by whomever, leaves both as they were. Of which database is told by its name and the moment its server started.
 */
const version = sql`select md5(concat_ws('/', current_database(), pg_postmaster_start_time(), ${sql.join(
  made.map(
    (table) => sql`(select string_agg(xmin::text || ctid::text, ',') from ${sql.identifier(getTableName(table))})`,
  ),
  sql`, `,
)})) as version`
const versionOf = async (q: Db): Promise<string> =>
  sure(rowsOf(z.object({ version: z.string() }), await q.execute(version))[0]).version

/** The last few, by their version: a test or a rehearsal has several databases open. */
const lately = new Map<string, PracticeParts>()
const most = 4

/** What `read` answers; the same object again as long as the same is stored. */
export async function asLastRead(q: Db, read: () => Promise<PracticeParts>): Promise<PracticeParts> {
  const before = await versionOf(q)
  const parts = lately.get(before) ?? (await read())
  // What changed while it was read is of no one version.
  if (!lately.has(before) && (await versionOf(q)) !== before) return parts
  // What was asked for last is let go last.
  lately.delete(before)
  lately.set(before, parts)
  if (lately.size > most) lately.delete(sure(lately.keys().next().value))
  return parts
}
