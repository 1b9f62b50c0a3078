/** Holding a backup, or the live data, against the seals and sums they carry. */
import { isDeepStrictEqual } from 'node:util'
import { sql, type SQL } from 'drizzle-orm'
import * as z from 'zod'
import { messageOf, sure } from '../../core/sure'
import type { Db } from '../db/open'
import { eventSeal, noteSeal } from '../db/seal'
import { BadBackup, readLines } from './container'
import { rowsOf } from '../db/rows'
import { inPieces } from '../pieces'
import { endLine, headLine, rowLine, Sums, type EndLine, type HeadLine } from './lines'
import { keptNames } from './tables'

/** What was found. Nothing in `wrong` means that nothing was changed behind the program’s back. */
export interface Verdict {
  rows: number
  /** Events and rows of the trail that carry a seal, and those of before there were any. */
  sealed: number
  unsealed: number
  wrong: string[]
}
/** More than anybody reads; the first tell where to look. */
const mostWrong = 20

const event = z.looseObject({
  visit_id: z.string(),
  seq: z.number(),
  id: z.string(),
  at: z.number(),
  by: z.string(),
  device: z.string(),
  command_id: z.string(),
  received_at: z.number().nullish(),
  via: z.string().nullish(),
  library: z.string().nullish(),
  seal: z.string().nullish(),
  what: z.unknown(),
})
const trail = z.looseObject({
  id: z.number(),
  at: z.number(),
  by: z.string().nullable(),
  what: z.string(),
  target: z.string(),
  asked: z.unknown(),
  seal: z.string().nullish(),
})

/** Follows the chains of seals as rows pass in their order. */
export class Chains {
  readonly verdict: Verdict = { rows: 0, sealed: 0, unsealed: 0, wrong: [] }
  private run: { visitId: string; seq: number; seal: string | null } | undefined
  private lastNote: string | null = null

  private say(what: string): void {
    if (this.verdict.wrong.length < mostWrong) this.verdict.wrong.push(what)
  }
  private hold(where: string, carried: string | null | undefined, before: string | null, own: string): string | null {
    if (carried === null || carried === undefined) {
      this.verdict.unsealed++
      // Rows of before there were seals come first; after one that has its seal, all have.
      if (before !== null) this.say(`${where} has no seal, though the one before it has.`)
      return null
    }
    this.verdict.sealed++
    if (carried !== own) this.say(`${where} does not fit its seal: it, or the one before it, was changed.`)
    return carried
  }
  add(table: string, row: unknown): void {
    this.verdict.rows++
    if (table === 'run_events') this.read(event, row, (e) => this.event(e))
    else if (table === 'audit') this.read(trail, row, (r) => this.note(r))
  }
  private read<T>(as: z.ZodType<T>, row: unknown, take: (of: T) => void): void {
    const known = as.safeParse(row)
    if (known.success) take(known.data)
    else this.say(`Row ${this.verdict.rows} of all cannot be read any more: it was changed.`)
  }
  private event(e: z.infer<typeof event>): void {
    const same = this.run?.visitId === e.visit_id
    const [before, seq] = same && this.run ? [this.run.seal, this.run.seq] : [null, 0]
    const where = `Event ${e.seq} of visit ${e.visit_id}`
    if (e.seq !== seq + 1) this.say(`${where} comes after event ${seq}: one is missing.`)
    const own = eventSeal(before, {
      visitId: e.visit_id,
      seq: e.seq,
      id: e.id,
      at: e.at,
      by: e.by,
      device: e.device,
      commandId: e.command_id,
      receivedAt: e.received_at,
      via: e.via,
      library: e.library,
      what: Object(e.what),
    })
    this.run = { visitId: e.visit_id, seq: e.seq, seal: this.hold(where, e.seal, before, own) }
  }
  private note(r: z.infer<typeof trail>): void {
    this.lastNote = this.hold(`Row ${r.id} of the trail`, r.seal, this.lastNote, noteSeal(this.lastNote, r))
  }
}

export interface Reader {
  head?: (head: HeadLine) => void | Promise<void>
  row?: (table: string, row: unknown, bytes: number) => void | Promise<void>
}
type Read = Verdict & { head: HeadLine }

/** Reads a backup to its end, held against its sums and its seals. @throws BadBackup where it cannot be read at all */
export const verifyBackup = (file: string, passphrase: string | undefined, reader: Reader = {}): Promise<Read> =>
  readThrough(file, passphrase, reader, new Chains())

/** Reads a backup to its end, held against its sums alone: whether it is what was written. @throws BadBackup */
export const readBackup = (file: string, passphrase: string | undefined, reader: Reader = {}): Promise<Read> =>
  readThrough(file, passphrase, reader, undefined)

/** What does not fit between what passed and what the end says of it: every table that there is has to be named there. */
function misfits(end: EndLine['end'], own: EndLine['end'], version: HeadLine['version']): string[] {
  const named = new Set(Object.keys(end.tables))
  const wanted = new Set([...Object.keys(own.tables), ...(version === 1 ? [] : keptNames)])
  return [
    ...[...wanted].filter((name) => !named.has(name)).map((name) => `${name}: nothing is said of it at the end.`),
    ...Object.entries(end.tables)
      .filter(
        ([name, said]) => !isDeepStrictEqual(said, own.tables[name] ?? new Sums([name], version).end().tables[name]),
      )
      .map(([name, { rows }]) => `${name}: ${own.tables[name]?.rows ?? 0} rows that do not fit the sum over ${rows}.`),
  ]
}

async function readThrough(
  file: string,
  passphrase: string | undefined,
  { head: onHead, row: onRow }: Reader,
  chains: Chains | undefined,
): Promise<Read> {
  const turn = inPieces()
  let sums = new Sums()
  const wrong: string[] = []
  let head: HeadLine | undefined
  let ended = false
  for await (const line of readLines(file, passphrase)) {
    await turn()
    if (ended) throw new BadBackup('There is something behind the end of this backup: it is not as it was written.')
    const json = jsonOf(line)
    if (!head) {
      const parsed = headLine.safeParse(json)
      if (!parsed.success) throw new BadBackup('This file is no backup of Jade Tray, or of a later version.')
      head = parsed.data
      sums = new Sums([], head.version)
      await onHead?.(head)
      continue
    }
    const end = line.startsWith('{"end":') ? endLine.safeParse(json) : undefined
    if (end?.success) {
      ended = true
      wrong.push(...misfits(end.data.end, sums.end(), head.version))
      continue
    }
    const known = rowLine.safeParse(json)
    if (!known.success) throw new BadBackup('This backup is damaged: one of its lines is no row.')
    const { t: table, r: row } = known.data
    if (!keptNames.has(table))
      throw new BadBackup(
        'This backup holds rows of a table that none has in this version: it is of a later one, or damaged.',
      )
    sums.add(table, head.version === 1 ? line.slice(`{"t":${JSON.stringify(table)},"r":`.length, -1) : line)
    chains?.add(table, row)
    await onRow?.(table, row, line.length)
  }
  if (!head || !ended) throw new BadBackup('This backup is not whole: its end is missing.')
  const { sealed, unsealed } = chains?.verdict ?? { sealed: 0, unsealed: 0 }
  return { rows: sums.rows, sealed, unsealed, wrong: [...(chains?.verdict.wrong ?? []), ...wrong], head }
}
function jsonOf(line: string): unknown {
  try {
    return JSON.parse(line)
  } catch (error) {
    throw new BadBackup(`This backup is damaged: ${messageOf(error)}.`, { cause: error })
  }
}

const pageRows = 150
const json = z.object({ row: z.string() })

/** Holds the live data against its seals, in pages, and in pieces: whoever else asks is answered between them. */
export async function verifyLive(db: Db): Promise<Verdict> {
  const [chains, turn] = [new Chains(), inPieces()]
  /** Pages of a table, each after the last row of the one before. */
  const pages = async <T>(table: 'run_events' | 'audit', as: z.ZodType<T>, after: (last?: T) => SQL): Promise<void> => {
    for (let last: T | undefined; ;) {
      const rows = rowsOf(json, await db.execute(sql`select row_to_json(x)::text as row from ${after(last)}`))
      for (const { row } of rows) {
        await turn()
        last = as.parse(JSON.parse(row))
        chains.add(table, last)
      }
      if (rows.length < pageRows) return
    }
  }
  await pages(
    'run_events',
    event,
    (last) =>
      sql`run_events x where (visit_id, seq) > (${last?.visit_id ?? ''}::text, ${last?.seq ?? 0}::int) order by visit_id, seq limit ${pageRows}`,
  )
  await pages('audit', trail, (last) => sql`audit x where id > ${last?.id ?? 0}::int order by id limit ${pageRows}`)
  return chains.verdict
}

/**
 * Holds the live data against a backup made of it: every event and row of the trail that was there then has to be there
 * with the seal it had. Finds what recomputing all the seals would hide.
 */
export async function verifyAgainst(db: Db, file: string, passphrase?: string): Promise<Verdict> {
  const live = await verifyLive(db)
  const wanted: { table: 'run_events' | 'audit'; where: string; key: [string, number]; seal: string }[] = []
  const look = async (): Promise<void> => {
    for (const w of wanted.splice(0)) {
      const [found] = rowsOf(
        z.object({ seal: z.string().nullable() }),
        await db.execute(
          w.table === 'audit'
            ? sql`select seal from audit where id = ${w.key[1]}::int`
            : sql`select seal from run_events where visit_id = ${w.key[0]}::text and seq = ${w.key[1]}::int`,
        ),
      )
      if (found?.seal !== w.seal && live.wrong.length < mostWrong)
        live.wrong.push(`${w.where} is not as it was in the backup.`)
    }
  }
  // The end of each chain is enough: a seal holds all that came before it.
  let end: (typeof wanted)[number] | undefined
  const of = await verifyBackup(file, passphrase, {
    row: async (table, row) => {
      if (table !== 'run_events' && table !== 'audit') return
      const [e, note] = [event.safeParse(row).data, trail.safeParse(row).data]
      const r = table === 'audit' ? note : e
      // One that cannot be read is said already.
      if (!r) return
      const key: [string, number] = table === 'audit' ? ['', sure(note).id] : [sure(e).visit_id, sure(e).seq]
      if (end && (end.table !== table || end.key[0] !== key[0])) {
        wanted.push(end)
        end = undefined
        if (wanted.length >= 100) await look()
      }
      const where = table === 'audit' ? `Row ${key[1]} of the trail` : `Event ${key[1]} of visit ${key[0]}`
      if (r.seal) end = { table, where, key, seal: r.seal }
    },
  })
  if (end) wanted.push(end)
  await look()
  return { ...live, wrong: [...of.wrong.map((w) => `In the backup: ${w}`), ...live.wrong] }
}
