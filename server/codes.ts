/** Personal codes: stored as scrypt hashes, compared in constant time. */
import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { Problem } from './problem'

const cost = { N: 2 ** 14, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }

let last: Promise<unknown> = Promise.resolve()
let waiting = 0
/** So many wait at most: about a second and a half of work. */
const mostWaiting = 32

/**
 * One after the other: each takes 16 MB for a moment, and many at once, by whomever they are asked for, would take them all.
 * @throws Problem 503 where too many wait already
 */
async function derive(code: string, salt: Buffer): Promise<Buffer> {
  if (waiting >= mostWaiting)
    throw new Problem('busy', 'Many sign in just now; try again in a moment.', { retryAfterS: 2 })
  waiting += 1
  const turn = last.then(
    () =>
      new Promise<Buffer>((resolve, reject) =>
        scrypt(code.normalize('NFKC'), salt, 32, cost, (error, key) => (error ? reject(error) : resolve(key))),
      ),
  )
  last = turn.catch(() => undefined)
  return turn.finally(() => (waiting -= 1))
}

/** Hash of a code with its salt, as 'salt:hash' in hexadecimal. */
export async function hashCode(code: string): Promise<string> {
  const salt = randomBytes(16)
  return `${salt.toString('hex')}:${(await derive(code, salt)).toString('hex')}`
}

/** As long as a real look at a code takes, for somebody who is not known: how long an answer takes tells nothing. */
export const nobodysHash = `${'0'.repeat(32)}:${'0'.repeat(64)}`

/** Whether a code is the one that was hashed. */
export async function codeMatches(code: string, stored: string): Promise<boolean> {
  const [salt, hash] = stored.split(':')
  if (!salt || !hash) return false
  const key = await derive(code, Buffer.from(salt, 'hex'))
  return timingSafeEqual(key, Buffer.from(hash, 'hex'))
}

/** A new session token; the database keeps only {@link tokenId} of it. */
export const newToken = (): string => randomBytes(24).toString('base64url')
export const tokenId = (token: string): string => createHash('sha256').update(token).digest('hex')
