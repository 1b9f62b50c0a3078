/** When anything was last touched in a visit that goes on, and whether it once lay untouched for hours. */

/** So long without a touch, ms, nobody is at it any more. From memory: no step or wait of any visit comes near it. */
export const leftAfterMs = 4 * 3_600_000

/** All ms since the epoch, and nothing before the visit begins. */
export interface Touches {
  /** The last touch of any kind: a step, a count, a note, a word to the other side, an undo. */
  lastAt?: number
  /** The first time it was left: from the last touch before to the first after. */
  left?: { from: number; to: number }
}

/** The touches with one more at `at`, which is never before the last. */
export function touchedAt(touches: Touches, at: number): Touches {
  const { lastAt } = touches
  const left = touches.left === undefined && lastAt !== undefined && at - lastAt > leftAfterMs
  return { ...touches, lastAt: at, ...(left ? { left: { from: lastAt, to: at } } : {}) }
}
