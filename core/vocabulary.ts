import { among, keysOf } from './sure'

/** The words of a request: restorations, and alerts with what a person reads aloud for them. */

export const restorations = [
  'full metal crown',
  'metal-ceramic crown',
  'lithium disilicate crown',
  'monolithic zirconia crown',
  'laminate veneer',
  'ceramic onlay',
  'ceramic inlay',
  'resin-bonded retainer',
  'preformed metal crown',
  'preveneered crown',
] as const
export type Restoration = (typeof restorations)[number]

/** What carries a piece: it decides how the piece is cleaned and primed. Zirconia is not etched like glass ceramic. */
export const frameworks = ['lithium disilicate', 'zirconia', 'base metal'] as const
export type Framework = (typeof frameworks)[number]

export const alertWords = {
  latex: 'latex allergy',
  'adrenaline-sensitive': 'heart, blood-pressure or medicine alert: adrenaline with care',
  'mouth breather': 'breathes through the mouth, blocked nose',
  nickel: 'nickel allergy',
  methacrylate: 'methacrylate allergy',
  chlorhexidine: 'chlorhexidine allergy',
  iodine: 'iodine allergy',
  pacemaker: 'pacemaker',
} as const
export type Alert = keyof typeof alertWords
/** An alert as it is read aloud; one this version does not know as it is written. @example alertSaid('latex') // 'latex allergy' */
export function alertSaid(alert: string): string {
  const known = among(keysOf(alertWords), alert)
  return known === undefined ? alert : alertWords[known]
}

/** The count of the pack that guards a sleeping child's throat: a pack nobody remembers is an airway closed on waking. */
export const throatPack = 'throat-pack'
