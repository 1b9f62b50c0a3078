/** A named time, amount, share or surplus of the trade: one row, with its reason, its standing, and what a practice may set. */
import type { Standing } from '../figure'

export type RuleUnit = 's' | 'mm' | 'mL' | 'g' | 'kg' | 'years' | 'share' | 'working days'

export interface RuleRow {
  /** As Settings and the record name it. */
  title: string
  value: number
  unit: RuleUnit
  /** The reason, said with the value in force: prose is made from the row and never repeats it. */
  because: (value: number) => string
  standing: Standing
  source?: string
  /** What a practice may set it to. */
  from: number
  to: number
}
export const rows = <const R extends Record<string, RuleRow>>(table: R): R => table

/**
 * Seconds as they are spoken: whole minutes from two on, seconds else.
 * @example span(300) // '5 min'
 * @example span(90) // '90 s'
 */
export const span = (s: number): string => (s % 60 === 0 && s >= 120 ? `${s / 60} min` : `${s} s`)
/**
 * An amount with its unit, as it is spoken.
 * @example amountIn(0.5, 'share') // '50 %'
 */
export const amountIn = (value: number, unit: RuleUnit): string =>
  unit === 's' ? span(value) : unit === 'share' ? `${Math.round(value * 100)} %` : `${value} ${unit}`

/**
 * An amount as a person writes it: seconds as '90', '90 s', '6 min' or '1:30', a share as '62 %', anything else with or
 * without its unit. `null` where it cannot be read.
 * @example readAmount('6 min', 's') // 360
 */
export function readAmount(text: string, unit: RuleUnit): number | null {
  const written = text.trim().toLowerCase().replace(',', '.')
  const clock = /^(\d+):([0-5]\d)$/.exec(written)
  if (unit === 's' && clock) return Number(clock[1]) * 60 + Number(clock[2])
  const [, digits, word = ''] = /^(\d+(?:\.\d+)?)\s*(\D*)$/.exec(written) ?? []
  if (digits === undefined) return null
  const n = Number(digits)
  const of = word.trim()
  if (unit === 's') return of === '' || of === 's' ? n : of === 'min' ? n * 60 : null
  if (unit === 'share') return of === '%' || (of === '' && n > 3) ? n / 100 : of === '' ? n : null
  return of === '' || of === unit.toLowerCase() || (unit === 'working days' && of === 'days') ? n : null
}
