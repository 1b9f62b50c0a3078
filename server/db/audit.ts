/** Rows of the audit trail. */
import { desc, sql } from 'drizzle-orm'
import type { Db } from './open'
import * as t from './schema'
import { noteSeal } from './seal'

const secret = /^(code|cookie|password|passphrase)$/i
const mostBytes = 4_000
/** One row of the trail is written after the other, whichever server writes it. */
const trailLock = 7_421_001

/** Text a database keeps as it is: no NUL, no half of a surrogate pair. */
const safe = (text: string): string => text.toWellFormed().replaceAll('\0', '\uFFFD')
/** Deeper than anything that is taken, and than a database would keep. */
const mostDeep = 40
function safely(value: unknown, deep = 0): unknown {
  if (deep > mostDeep) return '(too deep)'
  if (typeof value === 'string') return safe(value)
  if (Array.isArray(value)) return value.map((v) => safely(v, deep + 1))
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).map(([key, v]) => [safe(key), secret.test(key) ? '(left out)' : safely(v, deep + 1)]),
  )
}

/** What was asked for, without codes, not longer than a row should be, and in text that any database keeps. */
export function withoutSecrets(body: unknown): unknown {
  if (body === null || body === undefined) return null
  const kept = safely(body)
  const text = JSON.stringify(kept)
  return text.length > mostBytes ? { shortened: safe(text.slice(0, mostBytes)) } : kept
}

/** Adds a row, sealed to the one before it, in the transaction of what it tells where there is one. */
export const note = (q: Db, at: number, by: string | null, what: string, target: string, asked: unknown = null) =>
  q.transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${trailLock})`)
    const [last] = await tx.select({ seal: t.audit.seal }).from(t.audit).orderBy(desc(t.audit.id)).limit(1)
    const row = { at, by, what, target: safe(target), asked: withoutSecrets(asked) }
    await tx.insert(t.audit).values({ ...row, seal: noteSeal(last?.seal ?? null, row) })
  })
