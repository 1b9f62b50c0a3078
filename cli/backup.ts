/**
 * Copies of a practice from a shell.
 *   jade backup FILE [--data FOLDER | --database URL] [--plain]         of data at rest
 *   jade backup FILE --server URL --person ID                           through the server that has the data open
 *   jade restore FILE --data FOLDER | --database URL                    into an empty place only
 *   jade verify FILE                                                    a copy, held against its sums and seals
 *   jade verify [FILE] --data FOLDER | --database URL | --server URL …  the live data; with FILE also against that copy
 * The passphrase is read from JADE_PASSPHRASE, the code of a dentist from JADE_CODE; typed where they are not set.
 */
import { createWriteStream, existsSync } from 'node:fs'
import { rename, rm } from 'node:fs/promises'
import { createInterface } from 'node:readline/promises'
import { pipeline } from 'node:stream/promises'
import { parseArgs } from 'node:util'
import * as z from 'zod'
import { sure } from '../core/sure'
import { copyMadeView, verdictView } from '../wire/backups'
import { BadBackup, fromWeb, readLines } from '../server/backup/container'
import { passphraseOf } from '../server/backup/passphrase'
import { restoreBackup } from '../server/backup/restore'
import { verifyAgainst, verifyBackup, verifyLive, type Verdict } from '../server/backup/verify'
import { writeBackup } from '../server/backup/write'
import { lookAtFolder } from '../server/db/faults'
import { openDatabase, type OpenDatabase } from '../server/db/open'
import { Misuse } from './misuse'

export const backupUsage = [
  '       jade backup FILE [--data FOLDER | --database URL | --server URL --person ID] [--plain]',
  '       jade restore FILE --data FOLDER | --database URL',
  '       jade verify [FILE] [--data FOLDER | --database URL | --server URL --person ID]',
]

const options = {
  data: { type: 'string' },
  database: { type: 'string' },
  server: { type: 'string' },
  person: { type: 'string' },
  plain: { type: 'boolean', default: false },
} as const

const passphraseVariable = 'JADE_PASSPHRASE'

/** Typed without being shown. */
async function typed(what: string, variable: string): Promise<string> {
  const set = process.env[variable]
  if (set !== undefined && variable === passphraseVariable) return sure(passphraseOf(set))
  if (set) return set
  if (!process.stdin.isTTY) throw new Misuse([`Set ${variable}: nobody is here to type the ${what}.`])
  const ask = createInterface({ input: process.stdin, output: process.stderr })
  process.stderr.write(`${what}: `)
  // What is typed is not written back.
  Object.assign(ask, { _writeToOutput: () => undefined })
  try {
    const said = await ask.question('')
    if (variable === passphraseVariable) passphraseOf(said)
    return said
  } finally {
    process.stderr.write('\n')
    ask.close()
  }
}

/** Opens data at rest; never makes any. */
async function atRest(where: { data?: string | undefined; database?: string | undefined }): Promise<OpenDatabase> {
  const folder = where.data ?? '.data/practice'
  if (where.database === undefined) {
    if (!existsSync(`${folder}/database`)) throw new Misuse([`There is no practice in ${folder}.`])
    lookAtFolder(folder)
  }
  return openDatabase(where.database ?? folder)
}

const problem = z.object({ detail: z.string() })

/** Speaks to a server that runs, signed in as a dentist. */
async function signedInAt(server: string, person: string | undefined) {
  if (person === undefined) throw new Misuse(['--person: say who you are, by the id in the address of Settings'])
  const code = await typed('code', 'JADE_CODE')
  const ask = async (method: string, path: string, body?: object, cookie = ''): Promise<Response> => {
    const response = await fetch(new URL(`/api${path}`, server), {
      method,
      headers: { ...(body ? { 'content-type': 'application/json' } : {}), cookie },
      ...(body ? { body: JSON.stringify(body) } : {}),
    })
    if (response.ok) return response
    const said = problem.safeParse(await response.json().catch(() => null))
    throw new BadBackup(said.success ? said.data.detail : `The server answered ${response.status}.`)
  }
  const session = await ask('POST', '/session', { personId: person, code })
  const cookie = session.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ')
  return {
    ask: (method: string, path: string, body?: object) => ask(method, path, body, cookie),
    code,
    leave: () => ask('DELETE', '/session', undefined, cookie).catch(() => undefined),
  }
}

async function backup(args: string[]): Promise<string> {
  const { values, positionals } = parseArgs({ args, allowPositionals: true, options })
  const [file] = positionals
  if (file === undefined || positionals.length > 1) throw new Misuse(['usage:', ...backupUsage])
  if (existsSync(file)) throw new Misuse([`${file} is there already: nothing is written over.`])
  if (values.server !== undefined) {
    const server = await signedInAt(values.server, values.person)
    try {
      const made = copyMadeView.parse(
        await (await server.ask('POST', '/backups', { signer: { code: server.code } })).json(),
      )
      const { body } = await server.ask('GET', `/backups/${made.name}`)
      if (!body) throw new BadBackup('The server sent nothing.')
      try {
        await pipeline(fromWeb(body), createWriteStream(`${file}.part`, { mode: 0o600 }))
        await rename(`${file}.part`, file)
      } catch (error) {
        await rm(`${file}.part`, { force: true })
        throw error
      }
      return `${made.rows} rows in ${file}.`
    } finally {
      await server.leave()
    }
  }
  const passphrase = values.plain ? undefined : await typed('passphrase', passphraseVariable)
  const database = await atRest(values)
  try {
    return `${await writeBackup(database, file, Date.now(), passphrase)} rows in ${file}.`
  } finally {
    await database.close()
  }
}

async function restore(args: string[]): Promise<string> {
  const { values, positionals } = parseArgs({ args, allowPositionals: true, options })
  const [file] = positionals
  const into = values.database ?? values.data
  if (file === undefined || into === undefined) throw new Misuse(['usage:', ...backupUsage])
  const { rows, head } = await restoreBackup(file, into, await passphraseFor(file))
  return `${rows} rows of ${head.practice}, as it stood ${new Date(head.madeAt).toISOString()}, are in ${into.replace(/\/\/[^@/]*@/, '//')}. Everybody signs in anew.`
}

/** Asked for only where the file is encrypted. */
async function passphraseFor(file: string): Promise<string | undefined> {
  try {
    for await (const _ of readLines(file, undefined)) break
    return undefined
  } catch (error) {
    if (!(error instanceof BadBackup) || !error.message.includes('encrypted')) throw error
    return typed('passphrase', passphraseVariable)
  }
}

/** A verdict in words. @throws BadBackup where something is wrong, so that a script notices */
function told(what: string, { rows, sealed, unsealed, wrong }: Verdict): string {
  const counts = `${rows} rows; ${sealed} with a seal${unsealed > 0 ? `, ${unsealed} of before there were seals` : ''}`
  if (wrong.length > 0) throw new BadBackup([`${what} is not as it was written (${counts}):`, ...wrong].join('\n'))
  return `${what} is as it was written: ${counts}.`
}

async function verify(args: string[]): Promise<string> {
  const { values, positionals } = parseArgs({ args, allowPositionals: true, options })
  const [file] = positionals
  if (values.server !== undefined) {
    const server = await signedInAt(values.server, values.person)
    try {
      return told('The live data', verdictView.parse(await (await server.ask('GET', '/backups/verify')).json()))
    } finally {
      await server.leave()
    }
  }
  if (file !== undefined && values.data === undefined && values.database === undefined)
    return told(file, await verifyBackup(file, await passphraseFor(file)))
  const database = await atRest(values)
  try {
    return file === undefined
      ? told('The live data', await verifyLive(database.db))
      : told(`The live data, held against ${file},`, await verifyAgainst(database.db, file, await passphraseFor(file)))
  } finally {
    await database.close()
  }
}

export const backupVerbs: Readonly<Record<string, (args: string[]) => Promise<string>>> = { backup, restore, verify }
