/** The migrations of the database, and how far one is brought. */
import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import * as z from 'zod'

const journal = z.looseObject({ entries: z.array(z.looseObject({ tag: z.string() })) })

/** The migrations beside the sources, or beside the built server. */
function all(): string {
  const here = [join(import.meta.dirname, 'migrations'), join(import.meta.dirname, '../server/db/migrations')]
  const found = here.find((folder) => existsSync(join(folder, 'meta')))
  if (!found) throw new Error(`no migrations at ${here.join(' or ')}`)
  return found
}

const entriesIn = (folder: string) =>
  journal.parse(JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')))

/** How many migrations this version of the program has. */
export const migrationsKnown = (): number => entriesIn(all()).entries.length

/**
 * Hands over the folder of the migrations, for as long as they are done.
 * @param upTo so many of them only: rows of an earlier version are put into its own tables, and brought on from there by
 * the migrations that came after it, as they would have been where they lay
 */
export async function withMigrations(
  upTo: number | undefined,
  migrate: (folder: string) => Promise<void>,
): Promise<void> {
  const whole = all()
  const { entries, ...rest } = entriesIn(whole)
  if (upTo === undefined || upTo >= entries.length) return migrate(whole)
  const part = mkdtempSync(join(tmpdir(), 'jade-migrations-'))
  try {
    cpSync(whole, part, { recursive: true })
    writeFileSync(join(part, 'meta/_journal.json'), JSON.stringify({ ...rest, entries: entries.slice(0, upTo) }))
    await migrate(part)
  } finally {
    rmSync(part, { recursive: true, force: true })
  }
}
