/**
 * Two at once are held apart. A change of the practice looks at much (people, alerts, cassettes, loads, lots, other visits) and
 * writes a little; which of it another change may touch meanwhile nobody can tell from the outside. So there is one lock for the
 * whole practice, held to the end of a transaction: changes take it alone, one after the other, whichever server makes them;
 * commands of running visits, which look at nothing but their own visit, take it together. What a change decides on is then what
 * stands until it is stored, on a PostgreSQL server as on the embedded database, which has one connection.
 */
import { sql } from 'drizzle-orm'
import { codeOf } from '../../core/sure'
import type { Db } from './open'

/** Names the lock among those of this program (PostgreSQL, 13.3.5 Advisory Locks); the trail has its own, taken after it. */
const practiceLock = 7_421_002

/** Waits until nothing else of the practice is being changed, and keeps all others out until the transaction ends. */
export const alone = async (tx: Db): Promise<void> =>
  void (await tx.execute(sql`select pg_advisory_xact_lock(${practiceLock})`))

/** Keeps changes out until the transaction ends, but not others that do the same. */
export const together = async (tx: Db): Promise<void> =>
  void (await tx.execute(sql`select pg_advisory_xact_lock_shared(${practiceLock})`))

/** Not to be serialised, a deadlock, and a row that somebody else has just put in (PostgreSQL, appendix A: 40001, 40P01, 23505). */
const metAnother = new Set(['40001', '40P01', '23505'])
const mostTries = 4

/**
 * Does a transaction again where it met another at work; nothing of it was stored then. A row that is there already is met once
 * more by whoever looks again, and refused in their own words.
 * @throws what the last try threw
 */
export async function triedAgain<T>(task: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++)
    try {
      return await task()
    } catch (error) {
      if (tries >= mostTries || !met(error)) throw error
    }
}

function met(error: unknown): boolean {
  for (let e: unknown = error, deep = 0; e instanceof Error && deep < 5; e = e.cause, deep++)
    if (metAnother.has(codeOf(e) ?? '')) return true
  return false
}
