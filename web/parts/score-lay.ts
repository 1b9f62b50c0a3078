/** Where things lie on the score: room of its staves, widths of its letters. */

/** Where the staves lie in a full drawing, px. */
export const staves = { left: 132, top: 26, bottom: 26, bands: 26, flags: { above: 40, below: 44, row: 20, rows: 2 } }
/** From so wide on a bar says what it is, px; and a letter's width. */
export const [sayingPx, letterPx] = [64, 8.6]

/** Where things lie on the score, px. */
export interface Lay {
  width: number
  height: number
  left: number
  top: number
  rowHeight: number
  /** One for each person, and the mouth. */
  rows: number
  totalS: number
  x: (s: number) => number
  rowOf: (personId: string) => number
}

/** The least room of a minute written under the staves, px. */
const minutePx = 40
const steps = [1, 2, 5, 10, 20, 30, 60, 120, 240, 480]

/** The minutes that are written under the staves: the closer one looks the more of them, and never so many that they touch. */
export function minutesOf(totalS: number, roomPx: number, zoom: number): number[] {
  const wanted = zoom >= 8 ? 1 : zoom >= 4 ? 2 : zoom >= 2 ? 5 : 10
  const all = totalS / 60
  const most = Math.max(1, Math.floor(roomPx / minutePx))
  const every = steps.find((step) => step >= wanted && all / step <= most) ?? Math.ceil(all / most)
  return Array.from({ length: Math.floor(all / every) + 1 }, (_, i) => i * every)
}
