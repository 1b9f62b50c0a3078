// Where a run of the tests keeps what it throws away: in memory, where the machine has some to spare, so that it waits for no disk.
import { chmodSync, existsSync, mkdtempSync, rmSync, statfsSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** A run keeps a few hundred megabytes at a time. */
const neededBytes = 4 * 1024 ** 3
const memory = '/dev/shm'

const room = (folder) => {
  const { bavail, bsize } = statfsSync(folder)
  return bavail * bsize
}

/** A folder of this process's own, gone when it ends; every program started from here uses it for its temporary files. */
export function useScratch() {
  const inMemory = existsSync(memory) && room(memory) > neededBytes
  const folder = mkdtempSync(join(inMemory ? memory : tmpdir(), 'jade-tests-'))
  // A database server runs as a user of its own and has to come through.
  chmodSync(folder, 0o711)
  process.env.TMPDIR = folder
  // Whoever needs a database first makes an empty one here; the others begin with that.
  process.env.JADE_EMPTY_DATABASE = join(folder, 'empty-database')
  process.on('exit', () => rmSync(folder, { recursive: true, force: true, maxRetries: 3 }))
}
