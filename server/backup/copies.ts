/** Copies kept beside the data: made on asking and each night, the oldest taken away when there are more than are kept. */
import { chmodSync, existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { desc, isNull } from 'drizzle-orm'
import { plainDate, timeOfDay } from '../../core/clock'
import { sure } from '../../core/sure'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { wordsOf } from '../log'
import { writeBackup } from './write'

export interface Copies {
  /** Where they lie. */
  folder: string
  /** They are encrypted with it where there is one. */
  passphrase?: string
}

export const copyName = /^practice-\d{4}-\d\d-\d\d-\d{4,6}(-\d+)?\.jade$/

/** The copies that lie there, newest first. */
export function copiesIn(folder: string): { name: string; bytes: number; at: number }[] {
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .filter((name) => copyName.test(name))
    .map((name) => {
      const { size, mtimeMs } = statSync(join(folder, name))
      return { name, bytes: size, at: Math.round(mtimeMs) }
    })
    .toSorted((a, b) => b.name.localeCompare(a.name))
}

/** Which copies go when so many are kept: the oldest, never the newest. */
export const tooMany = (newestFirst: readonly string[], keep: number): string[] => newestFirst.slice(Math.max(1, keep))

async function nightlyOf(db: Db): Promise<{ nightly: t.Nightly; zone: string }> {
  const [row] = await db.select({ nightly: t.practices.nightly, zone: t.practices.zone }).from(t.practices).limit(1)
  return sure(row)
}

/** Makes a copy now and keeps account of it, also of one that failed. @throws what writing it threw */
export async function makeCopy(
  db: Db,
  { folder, passphrase }: Copies,
  now: number,
): Promise<{ name: string; rows: number }> {
  const { nightly, zone } = await nightlyOf(db)
  const stamp = `practice-${plainDate(now, zone)}-${timeOfDay(now, zone).replace(':', '')}`
  let name = `${stamp}.jade`
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    chmodSync(folder, 0o700)
    const there = new Set(copiesIn(folder).map((c) => c.name))
    for (let n = 2; there.has(name); n++) name = `${stamp}-${n}.jade`
    const rows = await writeBackup(db, join(folder, name), now, passphrase)
    await db.insert(t.backups).values({ at: now, file: name, bytes: statSync(join(folder, name)).size, rows })
    const names = copiesIn(folder).map((c) => c.name)
    for (const old of tooMany(names, nightly.keep)) rmSync(join(folder, old), { force: true })
    return { name, rows }
  } catch (error) {
    await db.insert(t.backups).values({ at: now, file: name, fault: wordsOf(error) })
    throw error
  }
}

/** When the last copy was made that is one, ms. */
export async function lastCopyAt(db: Db): Promise<number | null> {
  const [last] = await db
    .select({ at: t.backups.at })
    .from(t.backups)
    .where(isNull(t.backups.fault))
    .orderBy(desc(t.backups.id))
    .limit(1)
  return last?.at ?? null
}

/** From this hour on, where the practice is, the night’s copy is made. */
const nightHour = '02:00'

/** Whether the night’s copy is still to be made: once a day, from two o’clock on. */
export const isDue = (now: number, last: number | null, zone: string): boolean =>
  timeOfDay(now, zone) >= nightHour && (last === null || plainDate(last, zone) < plainDate(now, zone))

/** Makes the night’s copy where it is due. @returns its name where one was made */
export async function nightlyCopy(db: Db, copies: Copies, now: number): Promise<string | undefined> {
  const { nightly, zone } = await nightlyOf(db)
  if (!nightly.on || !isDue(now, await lastCopyAt(db), zone)) return undefined
  return (await makeCopy(db, copies, now)).name
}

const lookEveryMs = 10 * 60_000

/** Looks every ten minutes whether the night’s copy is due. @returns how to stop it */
export function copyEachNight(db: Db, copies: Copies, now: () => number): () => void {
  const look = (): void =>
    void nightlyCopy(db, copies, now()).catch((error: unknown) =>
      console.error(`The copy of this night could not be made: ${wordsOf(error)}`),
    )
  const timer = setInterval(look, lookEveryMs)
  timer.unref()
  look()
  return () => clearInterval(timer)
}
