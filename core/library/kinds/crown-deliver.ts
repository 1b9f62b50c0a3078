import { lay } from '../lay'
import { isAnterior } from '../../teeth/arch'
import { only, sequence, type Block } from '../build'
import { labels, type Case } from '../case'
import { bondTooth } from '../generators/adhesive'
import { cureOf, lightStep, resinExcess, spotOnAll } from '../generators/bonding'
import {
  bondedBite,
  cementedBite,
  cementPiece,
  finalCement,
  provisionalOff,
  shadeOnTooth,
  tryIn,
} from '../generators/delivery'
import { rolls, sheetOff, sheetOn } from '../generators/isolation'
import { cleanPiece, primePiece } from '../generators/piece'
import type { VisitKind } from './kind'
import { weekAfter } from './follow-ups'
const bonded = (c: Case): boolean => c.asks('deliveryCement') === 'resin'
const what = (c: Case): string => (c.pontics.length > 0 ? 'bridge' : 'crown')

/** A side of the crowned teeth by its name: labial in front, buccal behind. */
const sideWords = (c: Case, side: 'facial' | 'inner' | 'occlusal'): string => {
  if (side === 'occlusal') return 'from the top'
  if (side === 'inner') return c.jaw === 'upper' ? 'palatal side' : 'lingual side'
  return c.units.every((u) => isAnterior(u.tooth)) ? 'labial side' : 'buccal side'
}

/** Ceramic bonded with resin: piece and teeth conditioned, seated, tacked or brushed, cured from all sides. */
function bond(c: Case): Block {
  const spot = spotOnAll(c, 'delivery', 'delivery')
  const light = cureOf(c, `resin cement, each side, ${labels(c)}`, 'cure.cement', 'cement.resin')
  return sequence(
    only(c.school('bondingIsolation') === 'dam', () => sheetOn(c, { purpose: 'bonding' })),
    primePiece(c),
    bondTooth(c, spot, 'cavity', { cured: false, dualCure: true }),
    lay(c, 'delivery.load:resin', { because: finalCement(c).because }),
    lay(c, 'delivery.seat:resin', { what: what(c) }),
    resinExcess(c, spot),
    ...(['facial', 'inner', 'occlusal'] as const).map((side) =>
      lightStep(c, spot, `delivery.cure-${side}`, light, {
        as: 'light:one side',
        side: sideWords(c, side),
      }),
    ),
    sheetOff(c),
  )
}

/** Crown or bridge, cemented or bonded: the cement named at the preparation, changed only by the dentist. */
export const crownDeliver: VisitKind = {
  id: 'crown.deliver',
  work: (c) =>
    sequence(
      rolls(c),
      provisionalOff(c),
      tryIn(c, what(c), {}, { bitten: !bonded(c) }),
      shadeOnTooth(c),
      cleanPiece(c, what(c)),
      lay(c, 'delivery.cement-choice', { words: finalCement(c).words }),
      bonded(c) ? bond(c) : cementPiece(c, what(c)),
      only(c.pontics.length > 0, () => lay(c, 'delivery.under-pontic')),
      bonded(c) ? bondedBite(c) : cementedBite(c),
      lay(c, 'delivery.film'),
    ),
  followUps: (c) => (bonded(c) ? [weekAfter(c, 'tissue and bite')] : []),
}
