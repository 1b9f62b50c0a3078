/**
 * The server's clock as this device knows it: what every screen shows is the server's time, for a device may be minutes or
 * months wrong. No React in it; what it needs of the world is handed in.
 */

export interface ClockPorts {
  /** The device's own clock, ms since the epoch. */
  wall: () => number
  /** One that nobody sets, ms from anywhere. */
  steady: () => number
  /** What the server's clock shows; nothing where it is not heard. */
  ask: () => Promise<number | undefined>
  /** How far off the device's own clock was last time, ms; a place that may keep nothing. */
  kept: { get: () => number; set: (offsetMs: number) => void }
}

/** How far off the device's own clock is, and how well that is known, ms. */
export interface Measured {
  offsetMs: number
  withinMs: number
}

/** Tries at measuring; the one that came back soonest says it best. */
const tries = 4

export class ServerClock {
  private heard: { server: number; here: number; pace: number }
  private readonly listeners = new Set<(measured?: Measured) => void>()
  /** How often a measuring was begun: only the last one counts. */
  private begun = 0

  constructor(private readonly ports: ClockPorts) {
    const here = ports.wall()
    // Until it is heard: as wrong as it was last time.
    this.heard = { server: here + ports.kept.get(), here, pace: 1 }
  }

  /** What the server's clock shows now, ms since the epoch. */
  readonly now = (): number => Math.round(this.heard.server + (this.ports.wall() - this.heard.here) * this.heard.pace)

  /** @param tell called when the clock has been heard. @returns what ends that */
  subscribe(tell: (measured?: Measured) => void): () => void {
    this.listeners.add(tell)
    return () => void this.listeners.delete(tell)
  }

  /** What the server says of its clock by itself: late by the way it took. @param pace 1 but for rehearsal */
  told(now: number, pace: number): void {
    this.set({ server: now, here: this.ports.wall(), pace })
  }

  /** Measures it: it lies half way between asking and hearing, give or take half of that. */
  async measure(): Promise<void> {
    const own = ++this.begun
    const { pace } = this.heard
    let best = { rtt: Infinity, server: 0, here: 0 }
    for (let i = 0; i < tries; i++) {
      const asked = this.ports.steady()
      const said = await this.ports.ask()
      if (said === undefined) return
      const rtt = this.ports.steady() - asked
      if (rtt < best.rtt) best = { rtt, server: said + (rtt / 2) * pace, here: this.ports.wall() }
    }
    // What was begun before the clock was moved, or by a socket since closed, knows less than what was begun after it.
    if (own !== this.begun) return
    const offsetMs = Math.round(best.server - best.here)
    this.ports.kept.set(offsetMs)
    this.set({ server: best.server, here: best.here, pace }, { offsetMs, withinMs: Math.round(best.rtt / 2) })
  }

  private set(heard: ServerClock['heard'], measured?: Measured): void {
    this.heard = heard
    for (const tell of this.listeners) tell(measured)
  }
}
