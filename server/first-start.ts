import { sure } from '../core/sure'
import { randomInt } from 'node:crypto'
import { starterPractice } from '../core/practice/starter'
import { hashCode } from './codes'
import { alone } from './db/alone'
import type { Db } from './db/open'
import { practices } from './db/schema'
import { savePractice } from './db/store'

const isThere = async (q: Db): Promise<boolean> =>
  (await q.select({ id: practices.id }).from(practices).limit(1)).length > 0

/** Gives an empty database the starter practice, and says the first codes once, on the console only. */
export async function seedStarter(db: Db): Promise<void> {
  if (await isThere(db)) return
  // No lots: those of a real record come off real boxes. Until they are entered the tray says that none is on record.
  const practice = {
    ...starterPractice(),
    lots: [],
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'Etc/UTC',
  }
  const codes = Object.fromEntries(practice.people.map((p) => [p.id, String(randomInt(100_000, 1_000_000))]))
  const hashes = Object.fromEntries(
    await Promise.all(practice.people.map(async (p) => [p.id, await hashCode(sure(codes[p.id]))] as const)),
  )
  // Of two servers that start on one empty database at once, one is the first: the other's codes would open nothing.
  const first = await db.transaction(async (tx) => {
    await alone(tx)
    if (await isThere(tx)) return false
    await savePractice(tx, 'practice', practice, hashes)
    return true
  })
  if (!first) return
  console.log(
    `First start. Codes, shown only now: ${practice.people.map((p) => `${p.name} ${codes[p.id]}`).join(', ')}`,
  )
}
