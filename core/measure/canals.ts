/** Sizes of files and points, and what the master file asks of the points that dry the canal. */
import { reason, type Reason } from '../figure'

/** Sizes of files by their tip, hundredths of a millimetre. P: ISO 3630-1; by fives from 10 to 60, then by tens. */
export const isoSizes = [6, 8, 10, 15, 20, 25, 30, 35, 40, 45, 50, 55, 60, 70, 80, 90, 100, 110, 120, 130, 140] as const

/** @example isIsoSize(25) // true */
export const isIsoSize = (size: number): boolean => isoSizes.some((s) => s === size)

/**
 * Paper points for a canal: one or two sizes under its master file. Common practice.
 * @example pointsFor(25).sizes // [ 20, 15 ]
 */
export function pointsFor(master: number): { sizes: number[]; because: Reason } {
  const at = isoSizes.findIndex((s) => s === master)
  return {
    sizes: [isoSizes[at - 1], isoSizes[at - 2]].flatMap((s) => (s === undefined ? [] : [s])),
    because: reason('one or two sizes under the master file: they reach the end and do not pass it', 'C'),
  }
}

/** Of the engine-driven files, percent; from where the glide path ends. Common practice: 4 % keeps most of the root. */
const series = { fromSize: 20, taperPercent: 4 } as const
/** The last file that is planned: narrow roots and wide ones. From memory; the file that binds decides. */
const lastSize = { narrow: 25, wide: 40 } as const

/** How wide a canal is as a rule, by its name: the roots of a molar's cheek side and of two-rooted premolars are narrow. */
export const usualLast = (canal: string): 25 | 40 => (/^(M|DB$|B$|P$)/.test(canal) ? lastSize.narrow : lastSize.wide)

/**
 * The files of a canal in order: hand files for the glide path, then the series up to the last that is planned.
 * @example filesFor(25) // [ '20/.04', '25/.04' ]
 */
export const filesFor = (last: number): string[] =>
  isoSizes
    .filter((s) => s >= series.fromSize && s <= last)
    .map((s) => `${s}/.${String(series.taperPercent).padStart(2, '0')}`)
