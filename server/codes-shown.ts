/**
 * When the owner of a sign-in last gave the own code on its device. It is kept in memory: after a restart the code is asked
 * again, and so it is by each of several servers.
 */

/** Sign-ins remembered at once; the oldest goes first, and is asked for the code again. */
const mostKept = 2_000

export class CodesShown {
  private readonly at = new Map<string, number>()

  /** The owner's own code was right. */
  own(session: string, now: number): void {
    this.at.delete(session)
    this.at.set(session, now)
    if (this.at.size > mostKept)
      for (const [oldest] of this.at) {
        this.at.delete(oldest)
        break
      }
  }
  /** Somebody else gave theirs on this device, or its sign-in is over. */
  gone(session: string): void {
    this.at.delete(session)
  }
  /** Seconds since, where nobody else has touched the device. */
  agoS(session: string, now: number): number | undefined {
    const at = this.at.get(session)
    return at === undefined ? undefined : Math.max(0, (now - at) / 1000)
  }
}
