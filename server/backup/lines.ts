/** A backup as lines of JSON: what it is, one line a row, and at the end what there has to be. */
import { createHash, type Hash } from 'node:crypto'
import * as z from 'zod'

/** The first names at its end only the tables that have rows, with sums over these; the second names all, with sums over whole lines. */
export const formatVersion = 2

export const headLine = z.strictObject({
  jade: z.literal('backup'),
  version: z.union([z.literal(1), z.literal(formatVersion)]),
  madeAt: z.number(),
  /** How many migrations the database had: a program that knows fewer cannot read it. */
  migrations: z.number().int(),
  library: z.string(),
  practice: z.string(),
})
export type HeadLine = z.infer<typeof headLine>

export const rowLine = z.strictObject({ t: z.string(), r: z.record(z.string(), z.unknown()) })

/** SHA-256 in the first version; BLAKE2b (RFC 7693) since, which takes half as long where no processor helps. */
const sum = z.union([
  z.strictObject({ rows: z.number().int(), sha256: z.string() }),
  z.strictObject({ rows: z.number().int(), blake2b: z.string() }),
])
export const endLine = z.strictObject({ end: z.strictObject({ tables: z.record(z.string(), sum) }) })
export type EndLine = z.infer<typeof endLine>

/** Rows are hashed some together: each call of a hash costs as much as many letters. */
const lettersAtOnce = 200_000

interface Sum {
  rows: number
  hash: Hash
  waiting: string
}
const flushed = (of: Sum): Sum => {
  of.hash.update(of.waiting)
  of.waiting = ''
  return of
}

/** Counts and hashes the rows of each table as they pass. */
export class Sums {
  private readonly tables: Map<string, Sum>
  /** @param all tables that are named though no row of theirs passes */
  constructor(
    all: readonly string[] = [],
    private readonly version: HeadLine['version'] = formatVersion,
  ) {
    this.tables = new Map(all.map((name) => [name, this.of()]))
  }
  private of(): Sum {
    return { rows: 0, hash: createHash(this.version === 1 ? 'sha256' : 'blake2b512'), waiting: '' }
  }
  /** @param text what is summed of some rows: their lines */
  add(table: string, text: string, rows = 1): void {
    const own = this.tables.get(table) ?? this.of()
    own.rows += rows
    own.waiting += `${text}\n`
    if (own.waiting.length > lettersAtOnce) flushed(own)
    this.tables.set(table, own)
  }
  end(): EndLine['end'] {
    return {
      tables: Object.fromEntries(
        [...this.tables].map(([name, of]) => {
          const digest = flushed(of).hash.copy().digest('hex')
          return [name, { rows: of.rows, ...(this.version === 1 ? { sha256: digest } : { blake2b: digest }) }]
        }),
      ),
    }
  }
  get rows(): number {
    return [...this.tables.values()].reduce((n, t) => n + t.rows, 0)
  }
}
