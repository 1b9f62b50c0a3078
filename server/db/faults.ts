/** Why the data could not be opened, in one sentence and what to do; nothing is touched where that is so. */
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { codeOf } from '../../core/sure'
import { wordsOf } from '../log'

export class CannotOpen extends Error {
  constructor(message: string, cause?: unknown) {
    super(message, { cause })
    this.name = 'CannotOpen'
  }
}

/** What a failed call to the operating system, or to a database server, means for whoever starts the program. */
const words: Readonly<Record<string, (place: string) => string>> = {
  EROFS: (p) =>
    `The data folder ${p} lies on a disk that can only be read. Put it where it can be written (JADE_DATA).`,
  EACCES: (p) =>
    `This program may not write to the data folder ${p}. Give it to the user that starts it, or name another (JADE_DATA).`,
  EPERM: (p) =>
    `This program may not write to the data folder ${p}. Give it to the user that starts it, or name another (JADE_DATA).`,
  ENOSPC: (p) => `The disk under ${p} is full. Make room, then start again; nothing was changed.`,
  ENOTDIR: (p) => `${p} cannot be a folder: part of its path is a file. Name a folder (JADE_DATA).`,
  EEXIST: (p) => `${p} cannot be a folder: a file of that name is there. Name a folder (JADE_DATA).`,
  ECONNREFUSED: (p) => `No database answers at ${p}. Start it, or mend DATABASE_URL.`,
  ENOTFOUND: (p) => `There is no machine at ${p}. Mend DATABASE_URL.`,
  '28P01': (p) => `The database at ${p} refuses this name and password. Mend DATABASE_URL.`,
  '3D000': (p) => `The database named in DATABASE_URL is not there at ${p}. Create it first.`,
}

/** The words for a fault of the system at a place, where there are any; a folder of copies is one, too. */
export function faultWords(error: unknown, place: string): string | undefined {
  for (let e: unknown = error, deep = 0; e instanceof Error && deep < 5; e = e.cause, deep++) {
    const said = words[codeOf(e) ?? '']?.(place)
    if (said !== undefined) return said.replace('data folder', 'folder').replace('JADE_DATA', 'JADE_COPIES')
  }
  return undefined
}

/** Where a backup is put back until all of it is there, and what says so inside. */
export const restoringIn = (folder: string): string => `${folder.replace(/[/\\]+$/, '')}.part`
export const restoringMark = 'restoring'

/** The fault in words; one nobody foresaw keeps its own. */
export function inWords(error: unknown, place: string): Error {
  if (error instanceof CannotOpen) return error
  const code = codeOf(error)
  const said = code === undefined ? undefined : words[code]?.(place)
  return said === undefined
    ? new CannotOpen(
        `The data at ${place} could not be opened: ${wordsOf(error)}. It may be damaged; keep a copy of it as it is, and restore a backup into an empty folder.`,
        error,
      )
    : new CannotOpen(said, error)
}

/** An address of a database without who and with what password. */
export const placeOf = (url: string): string => url.replace(/^(postgres(?:ql)?:\/\/)[^@/]*@/, '$1')

/**
 * A folder that can be opened, or made: not a file, and its database whole or not there at all. A part of one is never
 * taken for a first start.
 * @throws CannotOpen
 */
export function lookAtFolder(folder: string): void {
  if (existsSync(folder) && !statSync(folder).isDirectory())
    throw new CannotOpen(`${folder} is a file, not a folder. Name a folder (JADE_DATA).`)
  const database = join(folder, 'database')
  if (!existsSync(database) && existsSync(join(restoringIn(folder), restoringMark)))
    throw new CannotOpen(
      `A backup was being put back into ${folder}, and did not come to its end. Do it again, or take ${restoringIn(folder)} away; nothing was touched.`,
    )
  if (!existsSync(database)) return
  if (!statSync(database).isDirectory())
    throw new CannotOpen(`${database} is a file, not the folder of a database. Name another folder (JADE_DATA).`)
  const there = new Set(readdirSync(database))
  const missing = ['PG_VERSION', 'base', 'global', 'pg_wal'].filter((part) => !there.has(part))
  if (there.size > 0 && missing.length > 0)
    throw new CannotOpen(
      `The database in ${folder} is not whole: ${missing.join(', ')} missing. It looks like part of a copy; nothing was touched. Copy it again with the program stopped, or name another folder (JADE_DATA).`,
    )
}
