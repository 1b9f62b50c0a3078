/** Who changed what, and when: read in pages, searched, taken away as a table. */
import { Readable } from 'node:stream'
import Papa from 'papaparse'
import { and, desc, eq, gte, ilike, lt, or, sql, type SQL } from 'drizzle-orm'
import * as z from 'zod'
import { id, plainDate, text, wholeFrom } from '../../core/bounded'
import { wallTime } from '../../core/clock'
import { auditView } from '../../wire/settings'
import { file } from '../answers'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { zoneOf } from '../db/store'
import { roomOf, type Door } from '../house'

const asked = z.object({
  /** In what was done, to whom or what, and what was asked for. */
  q: text(80).optional(),
  by: id(80).optional(),
  from: plainDate.optional(),
  /** With this day. */
  to: plainDate.optional(),
  before: wholeFrom(1).optional(),
  limit: wholeFrom(1, 200).default(50),
})
type Asked = z.infer<typeof asked>

const dayMs = 86_400_000
/** As it is typed: signs that stand for others in a pattern stand for themselves. */
const anywhere = (q: string): string => `%${q.replaceAll(/[\\%_]/g, (c) => `\\${c}`)}%`

/** Rows of the trail that a search looks through at once: all of it would hold everybody else up. */
const windowRows = 5_000

/** The newest rows that are asked for, looked through in windows from the newest on. */
async function rowsOf(db: Db, asked: Asked) {
  const [newest] = await db.select({ id: t.audit.id }).from(t.audit).orderBy(desc(t.audit.id)).limit(1)
  const found: Awaited<ReturnType<typeof within>> = []
  let before = Math.min(asked.before ?? Number.MAX_SAFE_INTEGER, (newest?.id ?? 0) + 1)
  while (before > 1 && found.length < asked.limit) {
    found.push(...(await within(db, { ...asked, before, limit: asked.limit - found.length }, before - windowRows)))
    before -= windowRows
  }
  return found
}

const within = async (db: Db, { q, by, from, to, before, limit }: Asked, after: number) => {
  const zone = await zoneOf(db)
  const midnight = (on: string): number => wallTime(on, '00:00', zone)
  const wanted: (SQL | undefined)[] = [
    before === undefined ? undefined : lt(t.audit.id, before),
    gte(t.audit.id, after),
    by === undefined ? undefined : eq(t.audit.by, by),
    from === undefined ? undefined : gte(t.audit.at, midnight(from)),
    // An hour more or less at a change of clocks: the day after begins within it.
    to === undefined ? undefined : lt(t.audit.at, midnight(to) + dayMs),
    q === undefined
      ? undefined
      : or(
          ilike(t.audit.what, anywhere(q)),
          ilike(t.audit.target, anywhere(q)),
          ilike(sql`${t.audit.asked}::text`, anywhere(q)),
        ),
  ]
  return db
    .select({
      id: t.audit.id,
      at: t.audit.at,
      by: t.audit.by,
      what: t.audit.what,
      target: t.audit.target,
      asked: t.audit.asked,
    })
    .from(t.audit)
    .where(and(...wanted))
    .orderBy(desc(t.audit.id))
    .limit(limit)
}

const showAudit: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/audit',
    {
      schema: {
        response: { 200: auditView },
        summary: 'The trail of changes, newest first, for a dentist; searched by words, person and days',
        querystring: asked,
      },
    },
    async (request) => ({ rows: await rowsOf(db, request.query) }),
  )
}

/** Rows of one file: a practice's changes of years. */
const mostInFile = 100_000
const rowsAtOnce = 500

/** The file as it is read, page by page. */
async function* csvOf(db: Db, asked: Omit<Asked, 'limit' | 'before'>): AsyncGenerator<string> {
  let [left, before]: [number, number | undefined] = [mostInFile, undefined]
  for (let first = true; left > 0; first = false) {
    const rows: Awaited<ReturnType<typeof rowsOf>> = await rowsOf(db, {
      ...asked,
      before,
      limit: Math.min(left, rowsAtOnce),
    })
    if (rows.length === 0 && !first) return
    const lines = rows.map((r) => [
      r.id,
      new Date(r.at).toISOString(),
      r.by ?? '',
      r.what,
      r.target,
      r.asked === null ? '' : JSON.stringify(r.asked),
    ])
    // A cell that a spreadsheet would reckon with is text.
    const text = Papa.unparse(
      { fields: ['id', 'at', 'by', 'what', 'target', 'asked'], data: lines },
      { escapeFormulae: true, header: first },
    )
    yield first ? text : `\r\n${text}`
    left -= rows.length
    before = rows.at(-1)?.id
    if (rows.length < rowsAtOnce) return
  }
}

const auditAsCsv: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/audit.csv',
    {
      schema: {
        response: file('text/csv', 'one change a line, newest first'),
        summary: 'The trail of changes as CSV, searched the same way',
        querystring: asked.omit({ before: true, limit: true }),
      },
    },
    async (request, reply) =>
      reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="changes.csv"')
        .send(Readable.from(csvOf(db, request.query))),
  )
}

export const auditRoutes = roomOf(showAudit, auditAsCsv)
