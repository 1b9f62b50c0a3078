/** Rows of the audit trail. */
import type { Db } from './open'
import * as t from './schema'

const secret = /^(code|signer|cookie|password)$/i
const mostBytes = 4_000

/** What was asked for, without codes, and not longer than a row should be. */
export function withoutSecrets(body: unknown): unknown {
  if (body === null || body === undefined) return null
  const text = JSON.stringify(body, (key, value: unknown) => (secret.test(key) ? '(left out)' : value))
  return text.length > mostBytes ? { shortened: text.slice(0, mostBytes) } : JSON.parse(text)
}

export const note = (q: Db, at: number, by: string | null, what: string, target: string, asked: unknown = null) =>
  q.insert(t.audit).values({ at, by, what, target, asked: withoutSecrets(asked) })
