/** What deliveries share: provisional off, cleaned, piece tried and approved, cemented or bonded, clean. */
import { lay, type Otherwise } from '../lay'
import { soreTooth } from '../../measure/numbing'
import { type Reason } from '../../figure'
import { checkBite } from './bite'
import { nothing, only, practice, sequence, type Block } from '../build'
import { type Case, teethOf } from '../case'
import { leftIn, leftWords } from './handed-on'

/** The provisional comes off; what is left of its cement goes with pumice. */
export function provisionalOff(c: Case, how: 'lift' | 'cut' | 'flick' = 'lift'): Block {
  const left = leftIn(c)
  const counts = left.map(({ what, n }, i) => ({
    id: `left-in-${i + 1}`,
    what,
    planned: n,
    outStep: 'delivery.provisional-off',
  }))
  return sequence(
    only(left.length > 0, () => lay(c, 'delivery.left-in', { leftWords: leftWords(left), counts })),
    lay(c, 'delivery.provisional-off', { how, counted: counts.map((x) => x.id), soreTooth: soreTooth(...teethOf(c)) }),
    lay(c, 'delivery.clean', { soreTooth: soreTooth(...teethOf(c)) }),
  )
}

/**
 * Tried in: contacts, seat, margins, then the bite; the dentist signs fit. What is bonded is never bitten on before: no paper is
 * out then, and the bite comes after the last light.
 */
export function tryIn(c: Case, what: string, more: Otherwise = {}, { bitten = true } = {}): Block {
  const contacts = c.units.flatMap((u) =>
    (['mesial', 'distal'] as const).filter((s) => u[s].tooth).map((s) => `${u.said} ${s}`),
  )
  const first = `Contacts first: ${contacts.length > 0 ? contacts.join(', ') : 'none, it has no neighbours'}. Then the inside, then the margin`
  return lay(c, more.as ?? 'delivery.try-in', { what, soreTooth: soreTooth(...teethOf(c)), bitten, first, ...more })
}

/** Bonded ceramic in the bite: after the last light, in every movement; what was eased is polished. */
export const bondedBite = (c: Case): Block => checkBite(c, 'bonded piece', 'delivery.bite:bonded')

/** A cemented piece was set in the bite before: one look that it came down as it was. */
export const cementedBite = (c: Case): Block => lay(c, 'delivery.bite')

/** Shade approved on the tooth, wet, before anything is etched. */
export function shadeOnTooth(c: Case, more: Otherwise = {}): Block {
  if (c.restoration === 'full metal crown') return nothing
  return lay(c, more.as ?? 'delivery.shade', more)
}

export interface FinalCement {
  need: string
  words: string
  because: Reason
}
/** The cement named at preparation. */
export function finalCement(c: Case): FinalCement {
  switch (c.asks('deliveryCement')) {
    case 'resin':
      return { need: 'cement.resin', words: 'resin cement', because: practice('bonded, as planned at the preparation') }
    case 'resin-modified glass ionomer':
      return {
        need: 'cement.resin-modified glass ionomer',
        words: 'resin-modified glass ionomer',
        because: practice('retentive preparation: cemented'),
      }
    case 'conventional':
      return {
        need: 'cement.conventional',
        words: 'conventional cement',
        because: practice('retentive preparation: cemented'),
      }
  }
}

/** Conventional cementing: dry, thin layer, seat, bite on a stick, set, clean. Set 4–5 min or the product's own. */
export function cementPiece(c: Case, what: string): Block {
  const cement = finalCement(c)
  const setS = c.practice.items.find((i) => i.serves.includes(cement.need))?.setS ?? c.rule('cement.sets').value
  return sequence(
    lay(c, 'delivery.dry'),
    lay(c, 'delivery.mix', { cementWords: cement.words, need: cement.need, cementBecause: cement.because }),
    lay(c, 'delivery.seat', { what, cementWords: cement.words }),
    lay(c, 'delivery.excess', { setS }),
  )
}
