/** Personal codes: stored as scrypt hashes, compared in constant time. */
import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { Problem } from './problem'

const cost = { N: 2 ** 14, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }

/** Who waits for a code to be looked at: somebody the practice knows, or a stranger at an address. */
export type Lane = 'known' | { stranger: string }

interface Waiting {
  lane: Lane
  go: () => void
}
let working = false
/** Those who are known come first, whoever else waits. */
const queues: Record<'known' | 'strangers', Waiting[]> = { known: [], strangers: [] }
/** So many wait at most: about two seconds of work each, and of one stranger's address a fifth of a second. */
const mostWaiting = 32
const mostOfStranger = 4

function next(): void {
  const turn = queues.known.shift() ?? queues.strangers.shift()
  working = turn !== undefined
  turn?.go()
}

/** @throws Problem 503 where too many of the same kind wait already */
function turn(lane: Lane): Promise<void> {
  const queue = lane === 'known' ? queues.known : queues.strangers
  const beside =
    lane === 'known' ? 0 : queue.filter((w) => w.lane !== 'known' && w.lane.stranger === lane.stranger).length
  if (queue.length >= mostWaiting || beside >= mostOfStranger)
    throw new Problem('busy', 'Many sign in just now; try again in a moment.', { retryAfterS: 2 })
  return new Promise((go) => {
    queue.push({ lane, go })
    if (!working) next()
  })
}

/**
 * One after the other: each takes 16 MB for a moment, and many at once, by whomever they are asked for, would take them all.
 * @throws Problem 503 where too many wait already
 */
async function derive(code: string, salt: Buffer, lane: Lane): Promise<Buffer> {
  await turn(lane)
  try {
    return await new Promise<Buffer>((resolve, reject) =>
      scrypt(code.normalize('NFKC'), salt, 32, cost, (error, key) => (error ? reject(error) : resolve(key))),
    )
  } finally {
    next()
  }
}

/** Hash of a code with its salt, as 'salt:hash' in hexadecimal. */
export async function hashCode(code: string): Promise<string> {
  const salt = randomBytes(16)
  return `${salt.toString('hex')}:${(await derive(code, salt, 'known')).toString('hex')}`
}

/** As long as a real look at a code takes, for somebody who is not known: how long an answer takes tells nothing. */
export const nobodysHash = `${'0'.repeat(32)}:${'0'.repeat(64)}`

/** Whether a code is the one that was hashed. */
export async function codeMatches(code: string, stored: string, lane: Lane = 'known'): Promise<boolean> {
  const [salt, hash] = stored.split(':')
  if (!salt || !hash) return false
  const key = await derive(code, Buffer.from(salt, 'hex'), lane)
  return timingSafeEqual(key, Buffer.from(hash, 'hex'))
}

/** A new session token; the database keeps only {@link tokenId} of it. */
export const newToken = (): string => randomBytes(24).toString('base64url')
export const tokenId = (token: string): string => createHash('sha256').update(token).digest('hex')
