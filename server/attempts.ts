import { firstOf } from '../core/sure'
import { Problem } from './problem'

const most = 6
const withinMs = 60_000

/** Slows guessing of personal codes: so many wrong ones in a minute for one person, then a pause. */
export class Attempts {
  private readonly wrong = new Map<string, number[]>()

  /** @throws Problem 429 while the person is paused. */
  check(personId: string, now: number): void {
    const recent = (this.wrong.get(personId) ?? []).filter((at) => now - at < withinMs)
    if (recent.length === 0) this.wrong.delete(personId)
    else this.wrong.set(personId, recent)
    if (recent.length >= most)
      throw new Problem('too-many-attempts', 'Too many wrong codes; wait a minute and try again.', {
        retryAfterS: Math.ceil((withinMs - (now - firstOf(recent))) / 1000),
      })
  }

  failed(personId: string, now: number): void {
    this.wrong.set(personId, [...(this.wrong.get(personId) ?? []), now])
  }

  succeeded(personId: string): void {
    this.wrong.delete(personId)
  }
}
