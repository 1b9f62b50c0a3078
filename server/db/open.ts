import { cpSync, existsSync } from 'node:fs'
import { join } from 'node:path'
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import { inWords, lookAtFolder, placeOf } from './faults'
import { claimFolder, FolderInUse } from './lock'
import { migrationsKnown, withMigrations } from './migrate'
import * as schema from './schema'

/** Drizzle over either driver; a transaction is of the same type, so stores take one and never reach for another. */
export type Db = PgDatabase<PgQueryResultHKT, typeof schema>

export interface OpenDatabase {
  db: Db
  kind: 'embedded' | 'server'
  close: () => Promise<void>
}

/** Names an empty database that a new folder may begin with: making one takes seconds, which tests and rehearsals spend many times. */
export const emptyDatabaseVariable = 'JADE_EMPTY_DATABASE'

/** Memory the embedded database keeps pages in: a practice's working set fits many times over; its own 128 MB would be most of the program. */
const sharedBuffers = '16MB'
/** What it may count on: no disk of today seeks, so that a few rows of many are looked up rather than read for. */
const randomPageCost = '1.1'

/**
 * Both drivers behind the one type they share; what each adds beside it (`$client`) no store uses.
 */
// oxlint-disable-next-line typescript/no-unsafe-type-assertion
const either = (db: unknown): Db => db as Db

/**
 * Opens the practice's database and brings its tables up to date.
 * @param url a postgres:// address, or a folder for the embedded database (created where needed, claimed for this process).
 * @param upTo so many migrations only, for rows of an earlier version; all where nothing is said
 * @throws FolderInUse where another process has the folder open, CannotOpen with the fault in words.
 */
export async function openDatabase(url = '.data/practice', upTo?: number): Promise<OpenDatabase> {
  try {
    return await open(url, upTo === undefined || upTo >= migrationsKnown() ? undefined : upTo)
  } catch (error) {
    throw error instanceof FolderInUse ? error : inWords(error, placeOf(url))
  }
}

/** Among those of this program; held by whoever brings the tables up to date, so that two servers do not at once. */
const migrationLock = 7_421_003

async function open(url: string, upTo: number | undefined): Promise<OpenDatabase> {
  if (/^postgres(ql)?:\/\//.test(url)) {
    const { Pool } = await import('./pool')
    const { drizzle } = await import('drizzle-orm/node-postgres')
    const { migrate } = await import('drizzle-orm/node-postgres/migrator')
    const pool = new Pool({
      connectionString: url,
      max: 8,
      keepAlive: true,
      connectionTimeoutMillis: 5_000,
      query_timeout: 60_000,
    })
    // A connection that breaks while nobody uses it is no fault of anybody's: the next query opens another.
    pool.on('error', () => undefined)
    // One that breaks between two statements of a transaction neither: the next statement says so. Unheard it would end the server.
    pool.on('connect', (client) => client.on('error', () => undefined))
    const db = drizzle(pool, { schema })
    try {
      const alone = await pool.connect()
      try {
        await alone.query('select pg_advisory_lock($1)', [migrationLock])
        await withMigrations(upTo, (migrationsFolder) => migrate(db, { migrationsFolder }))
      } finally {
        // The lock goes with its connection.
        alone.release(true)
      }
    } catch (error) {
      await pool.end()
      throw error instanceof Error && error.cause !== undefined ? error.cause : error
    }
    return { db: either(db), kind: 'server', close: () => pool.end() }
  }
  lookAtFolder(url)
  const at = join(url, 'database')
  const release = await claimFolder(url)
  try {
    const made = process.env[emptyDatabaseVariable]
    if (made && upTo === undefined && existsSync(made) && !existsSync(at)) cpSync(made, at, { recursive: true })
    const { PGlite } = await import('@electric-sql/pglite')
    const { drizzle } = await import('drizzle-orm/pglite')
    const { migrate } = await import('drizzle-orm/pglite/migrator')
    // relaxedDurability stays off: an acknowledged event has to survive a kill.
    const client = await PGlite.create({
      dataDir: at,
      relaxedDurability: false,
      startParams: [
        ...PGlite.defaultStartParams,
        '-c',
        `shared_buffers=${sharedBuffers}`,
        '-c',
        `random_page_cost=${randomPageCost}`,
      ],
    })
    const db = drizzle(client, { schema })
    await withMigrations(upTo, (migrationsFolder) => migrate(db, { migrationsFolder }))
    return {
      db: either(db),
      kind: 'embedded',
      close: async () => {
        await client.close()
        await release()
      },
    }
  } catch (error) {
    await release()
    throw error
  }
}
