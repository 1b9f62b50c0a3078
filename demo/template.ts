/** A seeded demo folder made once for all test files of a run; each test copies it, because making one takes seconds. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openDatabase } from '../server/db/open'
import { seedDemo } from './seed'

/** The folder made by {@link makeTemplate}, told to the workers by environment. */
export const templateVariable = 'JADE_TEST_TEMPLATE'

/** @returns what takes the folder away again */
export async function makeTemplate(now: number): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'jade-template-'))
  const made = await openDatabase(folder)
  await seedDemo(made.db, now, 'Etc/UTC')
  await made.close()
  process.env[templateVariable] = folder
  return () => rmSync(folder, { recursive: true, force: true })
}
