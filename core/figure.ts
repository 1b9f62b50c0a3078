/**
 * Reasons and figures: everything the program decides or computes carries why, and how well that is known.
 */
import * as z from 'zod'

/**
 * How well a statement is known.
 * - `P` published: `source` names it. `C` common practice. `M` from memory of a published table.
 * - `calc` follows from arithmetic or geometry. `estimate` our starting value, meant to be replaced.
 * - `practice` set by this practice, its dentist's card, or the product's own instructions.
 */
export const standing = z.enum(['P', 'C', 'M', 'calc', 'estimate', 'practice'])
export type Standing = z.infer<typeof standing>

/** The words for a standing, as screens and print show them. */
export const standingWords: Record<Standing, string> = {
  P: 'published',
  C: 'common practice',
  M: 'from memory of a published table',
  calc: 'arithmetic',
  estimate: 'starting estimate',
  practice: 'set by this practice',
}

export interface Reason {
  text: string
  standing: Standing
  source?: string
}

/** A computed value a person may ask about: how it came about, in which unit, and how well it is known. */
export interface Figure extends Reason {
  name: string
  value: number
  unit: string
}

/** A figure as it is stored with a run. */
export const figure = z.object({
  name: z.string(),
  value: z.number(),
  unit: z.string(),
  text: z.string(),
  standing,
  source: z.string().optional(),
})

/** Makes a {@link Reason}; `source` only where the standing is published. */
export function reason(text: string, standing: Standing, source?: string): Reason {
  return source === undefined ? { text, standing } : { text, standing, source }
}

/** Rounds to a number of decimals without the trailing noise of binary fractions. */
export function round(value: number, decimals = 1): number {
  const factor = 10 ** decimals
  return Math.round((value + Number.EPSILON) * factor) / factor
}
