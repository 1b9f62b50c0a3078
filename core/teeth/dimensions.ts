/**
 * Mean tooth dimensions in millimetres.
 * Standing M: Wheeler's table of average tooth measurements, from memory. Measured values win wherever a team has them.
 */
import { sure } from '../sure'
import { isPrimary, jawOf, parts, type Tooth } from './notation'

export interface Dimensions {
  crownLengthMm: number
  rootLengthMm: number
  mesiodistalMm: number
  cervicalMesiodistalMm: number
  labiolingualMm: number
  cervicalLabiolingualMm: number
}

type Row = readonly [number, number, number, number, number, number]

/** Rows by position from the midline; columns as in {@link Dimensions}. */
const permanent: Record<'upper' | 'lower', readonly Row[]> = {
  upper: [
    [10.5, 13, 8.5, 7, 7, 6],
    [9, 13, 6.5, 5, 6, 5],
    [10, 17, 7.5, 5.5, 8, 7],
    [8.5, 14, 7, 5, 9, 8],
    [8.5, 14, 7, 5, 9, 8],
    [7.5, 12, 10, 8, 11, 10],
    [7, 11, 9, 7, 11, 10],
    [6.5, 11, 8.5, 6.5, 10, 9.5],
  ],
  lower: [
    [9, 12.5, 5, 3.5, 6, 5.3],
    [9.5, 14, 5.5, 4, 6.5, 5.8],
    [11, 16, 7, 5.5, 7.5, 7],
    [8.5, 14, 7, 5, 7.5, 6.5],
    [8, 14.5, 7, 5, 8, 7],
    [7.5, 14, 11, 9, 10.5, 9],
    [7, 13, 10.5, 8, 10, 9],
    [7, 11, 10, 7.5, 9.5, 9],
  ],
}

const primary: Record<'upper' | 'lower', readonly Row[]> = {
  upper: [
    [6, 10, 6.5, 4.5, 5, 4],
    [5.6, 11.4, 5.1, 3.7, 4, 3.7],
    [6.5, 13.5, 7, 5.1, 7, 5.5],
    [5.1, 10, 7.3, 5.2, 8.5, 6.9],
    [5.7, 11.7, 8.2, 6.4, 10, 8.3],
  ],
  lower: [
    [5, 9, 4.2, 3, 4, 3.5],
    [5.2, 10, 4.1, 3, 4, 3.5],
    [6, 11.5, 5, 3.7, 4.8, 4],
    [6, 9.8, 7.7, 6.5, 7, 5.3],
    [5.5, 11.3, 9.9, 7.2, 8.7, 6.4],
  ],
}

/**
 * Mean dimensions of a tooth, mm. Both halves of a jaw are alike.
 * @example dimensions(toTooth('36')).mesiodistalMm // 11
 */
export function dimensions(t: Tooth): Dimensions {
  const row = sure((isPrimary(t) ? primary : permanent)[jawOf(t)][parts(t).position - 1])
  return {
    crownLengthMm: row[0],
    rootLengthMm: row[1],
    mesiodistalMm: row[2],
    cervicalMesiodistalMm: row[3],
    labiolingualMm: row[4],
    cervicalLabiolingualMm: row[5],
  }
}
