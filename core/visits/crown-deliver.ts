import { isAnterior } from '../teeth/arch'
import { acts, only, open, practice, sequence, type Block, within } from '../library/build'
import { labels, type Case } from '../library/case'
import { bondTooth } from '../phases/adhesive'
import { cureOf, lightStep, resinExcess, spotOnAll } from '../phases/bonding'
import {
  bondedBite,
  cementedBite,
  cementPiece,
  finalCement,
  provisionalOff,
  shadeOnTooth,
  tryIn,
} from '../phases/delivery'
import { rolls, sheetOff, sheetOn } from '../phases/isolation'
import { cleanPiece, primePiece } from '../phases/piece'
import type { VisitKind } from './kind'
import { weekAfter } from './follow-ups'

const act = acts({ phase: 'delivery', fn: 'bonding', place: 'mouth', helped: true })
const bonded = (c: Case): boolean => c.request.deliveryCement === 'resin'
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
    only(c.choices.bondingIsolation === 'dam', () => sheetOn(c, { purpose: 'bonding' })),
    primePiece(c),
    bondTooth(c, spot, 'cavity', { cured: false, dualCure: true }),
    act('delivery.load', 'Resin cement into the piece, thin along the edge', [0.3, 0.5, 0.75], {
      place: 'bench',
      helped: false,
      needs: [open('cement.resin', c.units.length, { words: 'resin cement' }), open('mixing tip')],
      reason: finalCement(c).because,
    }),
    act('delivery.seat', 'Seat, hold still', [0.3, 0.5, 1], {
      told: `bonded the ${what(c)} with resin cement`,
      tell: `Your new ${what(c)} is glued in. Floss and brush as usual. Call us if the bite feels high.`,
      passes: ['loaded piece in gauze', 'cotton roll'],
      ties: [
        {
          from: 'delivery.load',
          fromEdge: 'start',
          toEdge: 'finish',
          ...within(c.rule('resin.seat'), c.rule('resin.seat.warns')),
          title: 'Resin cement to seated',
          whenMissed: 'it is setting: clean both and begin again',
          again: ['delivery.load', 'delivery.seat'],
        },
      ],
    }),
    resinExcess(c, spot),
    ...(['facial', 'inner', 'occlusal'] as const).map((side) =>
      lightStep(spot, `delivery.cure-${side}`, light, {
        title: `Light ${light.value} s, ${sideWords(c, side)}`,
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
      act('delivery.cement-choice', `Cement: ${finalCement(c).words}`, [0.2, 0.3, 1], {
        place: 'chair',
        fn: 'chairside',
        helped: false,
        hold: {
          name: 'cement',
          title: 'Cement choice',
          evidence: 'retention seen on the tooth, the slip’s word, what lay on the tooth before',
          because: practice('the preparation as it is today decides, not the plan of last month'),
        },
      }),
      bonded(c) ? bond(c) : cementPiece(c, what(c)),
      only(c.pontics.length > 0, () =>
        act('delivery.under-pontic', 'Threader with a knot through under the pontic', [0.5, 1, 2], {
          fn: 'excess removal',
          needs: [open('floss threader'), open('floss', 300)],
          mistakes: ['cement left under the pontic: it bleeds at the recall'],
        }),
      ),
      bonded(c) ? bondedBite(c) : cementedBite(c),
      act('delivery.film', 'Film, where the margin cannot be seen', [1, 2, 3], {
        fn: 'radiograph',
        needs: [open('film holder')],
        told: 'took a film of the margins',
      }),
    ),
  followUps: (c) => (bonded(c) ? [weekAfter(c, 'tissue and bite')] : []),
}
