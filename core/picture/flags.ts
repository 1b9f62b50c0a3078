/** Words at places along a line, none across another: each beside its place in the first row with room, cut where it must be. */

export interface Flag {
  at: number
  text: string
}
export interface PlacedFlag extends Flag {
  row: number
  /** Where its words begin. */
  x: number
}

/** Fewer letters than this say nothing. */
const leastLetters = 4
const gap = 6

/**
 * Lays words out from left to right. What fits in no row whole is cut in the row with the most room; with no room for a few
 * letters it is left out, and only its mark stands.
 * @param letter width of a letter, in the unit of `at`
 * @example flagsOf([{ at: 0, text: 'Numb' }], 8, 2, 100) // [ { at: 0, text: 'Numb', row: 0, x: 6 } ]
 */
export function flagsOf(flags: readonly Flag[], letter: number, rows: number, width: number): PlacedFlag[] {
  const sorted = flags.toSorted((a, b) => a.at - b.at)
  // Cut words have to keep the room of the next: each row is filled by turns where there are several.
  const free = Array.from({ length: rows }, () => -Infinity)
  return sorted.flatMap((flag, i) => {
    const wide = flag.text.length * letter
    const x = Math.min(flag.at + gap, Math.max(0, width - wide))
    const row = free.findIndex((until) => until <= x)
    if (row === -1) return []
    // With one row, or in its last, the next flag is written over nothing.
    const next = sorted[i + rows]?.at ?? width + gap
    const room = Math.max(0, Math.floor((Math.min(next, width + gap) - gap - x) / letter))
    if (flag.text.length > room && room < leastLetters) return []
    const text = flag.text.length > room ? `${flag.text.slice(0, room - 1)}…` : flag.text
    free[row] = x + text.length * letter + gap
    return [{ ...flag, text, row, x }]
  })
}
