/** A named time, amount, share or surplus of the trade: one row, with its reason, its standing, and what a practice may set. */
import type { Standing } from '../figure'

export type RuleUnit = 's' | 'mm' | 'mL' | 'g' | 'share' | 'working days'

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
/** An amount with its unit, as it is spoken. */
export const amountIn = (value: number, unit: RuleUnit): string =>
  unit === 's' ? span(value) : unit === 'share' ? `${Math.round(value * 100)} %` : `${value} ${unit}`
