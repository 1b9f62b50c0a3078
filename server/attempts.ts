/**
 * Guessing of personal codes, slowed. A try is taken from its budget before the code is looked at, so that many at once
 * are as many tries; a right code gives it back. Budgets are apart by where a try comes from: nobody outside can use up
 * those of a device the person is known on, or of a signature at the chair (the idea of a device cookie: OWASP, "Slow
 * down online guessing attacks with device cookies").
 */
import { firstOf } from '../core/sure'
import { Problem } from './problem'

interface Budget {
  most: number
  withinMs: number
}
const minuteMs = 60_000
/** For one person from one place: a hand that slips is not stopped, a machine is. */
const ofPerson: readonly Budget[] = [
  { most: 6, withinMs: minuteMs },
  { most: 24, withinMs: 12 * 60 * minuteMs },
]
/** From one address for whomever: what the hashing of codes may cost at most. */
const ofAddress: readonly Budget[] = [{ most: 40, withinMs: minuteMs }]

/** A try that was taken from its budget before anything was looked at. */
export interface Try {
  /** The code was right: a place of a person starts anew, an address gets this one back. */
  right: () => void
  /** Nothing was looked at. */
  back: () => void
}

export class Attempts {
  private readonly tries = new Map<string, number[]>()

  /** @param mostKept budgets kept at once; the one unused longest goes first */
  constructor(private readonly mostKept = 4_096) {}

  /** Takes one try for a person from a place. @throws Problem 429 where the budget is used up */
  forPerson(personId: string, place: string, now: number): Try {
    const key = `${personId}\n${place}`
    this.take(key, ofPerson, now)
    return { right: () => void this.tries.delete(key), back: () => this.giveBack(key, now) }
  }

  /** Takes one try from an address. @throws Problem 429 where the budget is used up */
  fromAddress(address: string, now: number): Try {
    const key = `\n${address}`
    this.take(key, ofAddress, now)
    const back = (): void => this.giveBack(key, now)
    return { right: back, back }
  }

  private giveBack(key: string, taken: number): void {
    const tries = this.tries.get(key)
    const at = tries?.lastIndexOf(taken) ?? -1
    if (at >= 0) tries?.splice(at, 1)
  }

  /** Budgets that are kept. */
  get size(): number {
    return this.tries.size
  }

  /** Lets a person try again from wherever. */
  forget(personId: string): void {
    for (const key of this.tries.keys()) if (key.startsWith(`${personId}\n`)) this.tries.delete(key)
  }

  private take(key: string, budgets: readonly Budget[], now: number): void {
    const longestMs = Math.max(...budgets.map((b) => b.withinMs))
    const before = (this.tries.get(key) ?? []).filter((at) => now - at < longestMs)
    for (const { most, withinMs } of budgets) {
      const recent = before.filter((at) => now - at < withinMs)
      if (recent.length < most) continue
      const retryAfterS = Math.ceil((withinMs - (now - firstOf(recent))) / 1000)
      throw new Problem(
        'too-many-attempts',
        retryAfterS <= 60
          ? 'Too many wrong codes; wait a minute and try again.'
          : 'Too many wrong codes from here; a dentist of the practice lets this person try again, under Settings.',
        { retryAfterS },
      )
    }
    // Put last anew, so that the first is the one unused longest.
    this.tries.delete(key)
    this.tries.set(key, [...before, now])
    if (this.tries.size > this.mostKept)
      for (const [oldest] of this.tries) {
        this.tries.delete(oldest)
        break
      }
  }
}
