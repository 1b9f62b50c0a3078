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
