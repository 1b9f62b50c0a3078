/** What deliveries share: provisional off, cleaned, piece tried and approved, cemented or bonded, clean. */
import { finalCement } from '../cements'
import { lay, type Otherwise } from '../lay'
import { soreTooth } from '../../measure/numbing'
import { only, sequence, type Block } from '../build'
import { type Case, teethOf } from '../case'
import { leftIn, leftWords } from '../handed-on'

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
