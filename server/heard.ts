/**
 * When a device was heard. A touch may say that it waited on its device while the server was away from it; that is believed for
 * the time in which nothing of the device was heard, and for no other. Devices are known by their sign-in; an open screen
 * answers every ten seconds, so that one which is there is never silent for long.
 */

/** A pause as long as this is a silence: longer than an open screen takes to answer, twice. */
const silenceMs = 25_000
/** What waited is sent in one go when the way is free again; after so long whoever speaks of it had the way free. */
const burstMs = 60_000
/** Sign-ins remembered at once; the one heard longest ago goes first. */
const mostKept = 2_000

interface Known {
  last: number
  /** The last silence: from when nothing was heard to when something was. */
  silence: { from: number; to: number }
}

export class Heard {
  private readonly of = new Map<string, Known>()

  /**
   * Something came from this sign-in.
   * @param before when it was used last, as far as is stored; what this server does not remember it has not heard
   */
  now(session: string, now: number, before: number): void {
    const known = this.of.get(session)
    const from = known?.last ?? Math.min(before, now)
    const silence = known && now - from < silenceMs ? known.silence : { from, to: now }
    this.of.delete(session)
    this.of.set(session, { last: Math.max(now, from), silence })
    if (this.of.size > mostKept)
      for (const [oldest] of this.of) {
        this.of.delete(oldest)
        break
      }
  }

  /** So long a touch told now can have waited on the device at most, milliseconds. */
  waitedAtMost(session: string, now: number): number {
    const known = this.of.get(session)
    if (!known || now - known.silence.to > burstMs) return 0
    return now - known.silence.from
  }
}
