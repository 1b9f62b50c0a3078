/** A backup as lines of JSON: what it is, one line a row, and at the end what there has to be. */
import { createHash, type Hash } from 'node:crypto'
import * as z from 'zod'

/** The first names at its end only the tables that have rows; the second names all there are. */
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

export const endLine = z.strictObject({
  end: z.strictObject({
    tables: z.record(z.string(), z.strictObject({ rows: z.number().int(), sha256: z.string() })),
  }),
})
export type EndLine = z.infer<typeof endLine>

/** Counts and hashes the rows of each table as they pass. */
export class Sums {
  private readonly tables: Map<string, { rows: number; hash: Hash }>
  /** @param all tables that are named though no row of theirs passes */
  constructor(all: readonly string[] = []) {
    this.tables = new Map(all.map((name) => [name, { rows: 0, hash: createHash('sha256') }]))
  }
  /** @param row as it stands in the line */
  add(table: string, row: string): void {
    const own = this.tables.get(table) ?? { rows: 0, hash: createHash('sha256') }
    own.rows++
    own.hash.update(row).update('\n')
    this.tables.set(table, own)
  }
  end(): EndLine['end'] {
    return {
      tables: Object.fromEntries(
        [...this.tables].map(([name, { rows, hash }]) => [name, { rows, sha256: hash.copy().digest('hex') }]),
      ),
    }
  }
  get rows(): number {
    return [...this.tables.values()].reduce((n, t) => n + t.rows, 0)
  }
}
