/** Copies kept beside the data: made on asking and each night, the oldest taken away when there are more than are kept. */
import { chmodSync, existsSync, lstatSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { desc, isNull } from 'drizzle-orm'
import { Temporal } from 'temporal-polyfill'
import { plainDate, timeOfDay } from '../../core/clock'
import { codeOf, sure } from '../../core/sure'
import type { Db } from '../db/open'
import { faultWords } from '../db/faults'
import * as t from '../db/schema'
import { wordsOf } from '../log'
import { Problem } from '../problem'
import type { Source } from './rows'
import { writeBackup } from './write'

export interface Copies {
  /** Where they lie. */
  folder: string
  /** They are encrypted with it where there is one. */
  passphrase?: string
}

export const copyName = /^practice-(\d{4}-\d\d-\d\d)-(\d{4,6})(?:-(\d+))?\.jade$/

/** Later ones first. Of before December 2026 names end with the minute; of one moment the number counts on. */
const newestFirst = (a: string, b: string): number => {
  const when = (name: string): [string, number] => {
    const [, day = '', time = '', n = '1'] = copyName.exec(name) ?? []
    return [`${day} ${time.padEnd(6, '0')}`, Number(n)]
  }
  const [[momentA, nA], [momentB, nB]] = [when(a), when(b)]
  return momentB.localeCompare(momentA) || nB - nA
}

/** The copies that lie there, newest first: files, and no links to others. */
export function copiesIn(folder: string): { name: string; bytes: number; at: number }[] {
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .filter((name) => copyName.test(name))
    .flatMap((name) => {
      const { size, mtimeMs, isFile } = about(join(folder, name))
      return isFile ? [{ name, bytes: size, at: Math.round(mtimeMs) }] : []
    })
    .toSorted((a, b) => newestFirst(a.name, b.name))
}
function about(path: string): { size: number; mtimeMs: number; isFile: boolean } {
  try {
    const stats = lstatSync(path)
    return { size: stats.size, mtimeMs: stats.mtimeMs, isFile: stats.isFile() }
  } catch {
    // Taken away since the folder was read.
    return { size: 0, mtimeMs: 0, isFile: false }
  }
}

/** Which copies go when so many are kept: the oldest, never the newest. */
export const tooMany = (names: readonly string[], keep: number): string[] =>
  names.toSorted(newestFirst).slice(Math.max(1, keep))

/** What is written is touched all the time: untouched for so long it was left by a program that was killed. */
const leftAfterMs = 60 * 60_000
function tidy(folder: string): void {
  for (const name of readdirSync(folder)) {
    if (!/\.jade\.(part|aside)$/.test(name)) continue
    const { mtimeMs, isFile } = about(join(folder, name))
    if (isFile && Date.now() - mtimeMs > leftAfterMs) rmSync(join(folder, name), { force: true })
  }
}

async function nightlyOf(db: Db): Promise<{ nightly: t.Nightly; zone: string }> {
  const [row] = await db.select({ nightly: t.practices.nightly, zone: t.practices.zone }).from(t.practices).limit(1)
  return sure(row)
}

/** Folders into which this program just writes a copy. */
const making = new Set<string>()

/**
 * Makes a copy now and keeps account of it, also of one that failed. One at a time.
 * @throws Problem 409 where one is being made, 503 with why where it could not be
 */
export async function makeCopy(
  source: Source,
  { folder, passphrase }: Copies,
  now: number,
): Promise<{ name: string; rows: number }> {
  const at = resolve(folder)
  if (making.has(at)) throw new Problem('running', 'A copy is being made already; it is on the list when it is whole.')
  making.add(at)
  try {
    return await make(source, at, passphrase, now)
  } finally {
    making.delete(at)
  }
}

/** More than are ever asked for in one second. */
const mostOfOneMoment = 100

/** Writes a copy under the first name of this moment that nobody has: another server may write into the same folder. */
async function written(
  source: Source,
  folder: string,
  stamp: string,
  passphrase: string | undefined,
  now: number,
): Promise<{ name: string; rows: number }> {
  for (let n = 1; ; n++) {
    const name = n === 1 ? `${stamp}.jade` : `${stamp}-${n}.jade`
    try {
      return { name, rows: await writeBackup(source, join(folder, name), now, passphrase) }
    } catch (error) {
      if (codeOf(error) !== 'EEXIST' || n >= mostOfOneMoment) throw error
    }
  }
}

async function make(
  source: Source,
  folder: string,
  passphrase: string | undefined,
  now: number,
): Promise<{ name: string; rows: number }> {
  const { db } = source
  const { nightly, zone } = await nightlyOf(db)
  const time = Temporal.Instant.fromEpochMilliseconds(now).toZonedDateTimeISO(zone).toPlainTime()
  const stamp = `practice-${plainDate(now, zone)}-${time.toString({ smallestUnit: 'second' }).replaceAll(':', '')}`
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    chmodSync(folder, 0o700)
    tidy(folder)
    const made = await written(source, folder, stamp, passphrase, now)
    const bytes = statSync(join(folder, made.name)).size
    await db.insert(t.backups).values({ at: now, file: made.name, bytes, rows: made.rows })
    const names = copiesIn(folder).map((c) => c.name)
    for (const old of tooMany(names, nightly.keep)) rmSync(join(folder, old), { force: true })
    return made
  } catch (error) {
    const why = faultWords(error, folder) ?? wordsOf(error)
    await db.insert(t.backups).values({ at: now, file: `${stamp}.jade`, fault: why })
    throw new Problem('no-copy', `The copy was not made: ${why}`)
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
export async function nightlyCopy(source: Source, copies: Copies, now: number): Promise<string | undefined> {
  const { nightly, zone } = await nightlyOf(source.db)
  if (!nightly.on || making.has(resolve(copies.folder)) || !isDue(now, await lastCopyAt(source.db), zone))
    return undefined
  return (await makeCopy(source, copies, now)).name
}

const lookEveryMs = 10 * 60_000

/** Looks every ten minutes whether the night’s copy is due. @returns how to stop it */
export function copyEachNight(source: Source, copies: Copies, now: () => number): () => void {
  const look = (): void =>
    void nightlyCopy(source, copies, now()).catch((error: unknown) =>
      console.error(`The copy of this night: ${error instanceof Problem ? error.message : wordsOf(error)}`),
    )
  const timer = setInterval(look, lookEveryMs)
  timer.unref()
  look()
  return () => clearInterval(timer)
}
