/** A seeded demo folder made once for all test files of a run; each test copies it, because making one takes seconds. */
import { existsSync, mkdtempSync, renameSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { emptyDatabaseVariable, openDatabase } from '../server/db/open'
import { seedDemo } from './seed'

/** The folder made by {@link makeTemplate}, told to the workers by environment. */
export const templateVariable = 'JADE_TEST_TEMPLATE'

/**
 * Makes the database every new folder of this run begins with, unless it is there.
 * @returns what takes it away again, where nobody before named a place for it
 */
async function makeEmptyDatabase(): Promise<() => void> {
  const named = process.env[emptyDatabaseVariable]
  if (named && existsSync(named)) return () => undefined
  const folder = mkdtempSync(join(tmpdir(), 'jade-empty-'))
  await (await openDatabase(folder)).close()
  if (named) {
    renameSync(join(folder, 'database'), named)
    rmSync(folder, { recursive: true })
    return () => undefined
  }
  process.env[emptyDatabaseVariable] = join(folder, 'database')
  return () => rmSync(folder, { recursive: true, force: true })
}

/** @returns what takes the folder away again */
export async function makeTemplate(now: number): Promise<() => void> {
  const removeEmpty = await makeEmptyDatabase()
  const folder = mkdtempSync(join(tmpdir(), 'jade-template-'))
  const made = await openDatabase(folder)
  await seedDemo(made.db, now, 'Etc/UTC')
  await made.close()
  process.env[templateVariable] = folder
  return () => {
    rmSync(folder, { recursive: true, force: true })
    removeEmpty()
  }
}
