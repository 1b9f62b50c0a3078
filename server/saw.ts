/** Who writes second: a change of what somebody saw says what it saw. Where it is another by now, nothing wins in silence. */
import { isDeepStrictEqual } from 'node:util'
import { Problem } from './problem'

/** Through JSON and back: what is not said is not there. */
const plain = (x: unknown): unknown => (x === undefined ? null : JSON.parse(JSON.stringify(x)))

/**
 * Within the transaction of the change, on the row it has locked.
 * @param words what stands there now, for the person whose change is not stored
 * @throws Problem 409 `stale`
 */
export function asSeen<T>(saw: unknown, now: T, words: (now: T) => string): void {
  if (isDeepStrictEqual(plain(saw), plain(now))) return
  throw new Problem('stale', `Somebody changed this meanwhile: now it is ${words(now)}. Look at it, and say it again.`)
}

/** As {@link asSeen} for the fields that are changed, those of them that it says it saw. */
export function fieldsAsSeen(
  saw: Readonly<Record<string, unknown>> | undefined,
  now: Readonly<Record<string, unknown>>,
  changed: readonly string[],
): void {
  if (!saw) return
  for (const field of changed) if (field in saw) asSeen(saw[field], now[field], (v) => `${field} ${JSON.stringify(v)}`)
}
