/** J16, delivery: tried in with water or glycerine, cement shade chosen, middle two first, cured in turns, finished. */
import { firstOf } from '../sure'
import { edgeOf } from '../phases/cutting'
import { reason } from '../figure'
import { mostTintG } from '../measure/restoring'
import { bondTooth, bottleOf } from '../phases/adhesive'
import { cureOf, lightStep, resinExcess, spotOn } from '../phases/bonding'
import { acts, open, practice, sequence, standby, type Block, lastingBy } from '../library/build'
import { labels, type Case, type Unit, teethOf } from '../library/case'
import { provisionalOff } from '../phases/delivery'
import { rolls } from '../phases/isolation'
import { bondingCordCounts, cordsForBonding } from '../phases/tissue'
import { parts } from '../teeth/notation'
import { weekAfter } from './follow-ups'
import type { VisitKind } from './kind'

const bench = acts({ phase: 'delivery', fn: 'chairside', place: 'bench' })
const mouth = acts({ phase: 'delivery', fn: 'bonding', place: 'mouth', helped: true })

/** The middle two first, then outward, in the order they are named: the midline decides the rest. */
export const seatingOrder = (units: readonly Unit[]): Unit[] =>
  units.toSorted((a, b) => parts(a.tooth).position - parts(b.tooth).position)

function tryInAll(c: Case): Block {
  const tint = mostTintG(0.4)
  return sequence(
    mouth(
      'delivery.try-in',
      `Laminates tried in with water or glycerine, one by one, then together: ${labels(c)}`,
      [3, 5, 10],
      {
        fn: 'occlusal check',
        told: 'tried the laminates in',
        passes: ['laminate on its stick', 'glycerine', 'floss'],
        needs: [open('glycerine gel', 0.5), open('placement stick', 2), open('floss', 300)],
        detail: 'Water or glycerine shows what the untinted cement will. No biting on them.',
        hold: {
          name: 'fit',
          title: 'Fit',
          evidence: 'every margin and contact, alone and together',
          because: practice('what is bonded cannot be sent back'),
          again: ['delivery.try-in'],
        },
        mistakes: ['bitten on while loose: it cracks'],
      },
    ),
    mouth('delivery.cement-shade', 'Cement shade chosen on the teeth, by daylight, patient looking', [1, 3, 6], {
      fn: 'shade preview',
      asks: [{ reading: 'tint', teeth: teethOf(c) }],
      told: 'chose the shade of the cement with the patient',
      needs: [
        open('try-in paste'),
        open('hand mirror'),
        ...(c.units.some((u) => u.facts.dark) || c.request.tintPercent > 0
          ? [open('resin tint')]
          : [standby('resin tint', 'the untinted cement does not match')]),
      ],
      figures: [tint],
      reason: practice('tints at most 25 % of the mix by weight: more and it does not set right'),
      hold: {
        name: 'shade',
        title: 'Shade and cement',
        evidence: 'laminates on wet teeth with the paste, patient content',
        because: practice('after bonding it stays'),
        mandatory: true,
      },
    }),
  )
}

/** The fitting side: acid, silane over it, rinse. Times of one two-bottle method; the product's instructions win. */
function conditionPieces(c: Case): Block {
  return sequence(
    bench(
      'delivery.pieces-clean',
      'Laminates cleaned: alcohol, ultrasonic, dry; laid in order on the labelled block',
      [2, 3, 5],
      {
        needs: [open('alcohol'), open('ultrasonic bath'), open('laminate block')],
        mistakes: ['left and right changed on the block'],
      },
    ),
    bench('delivery.pieces-acid', `Acid on the fitting side ${c.rule('piece.acid').value} s`, [1.5, 1.7, 2.5], {
      needs: [open('etchant', 0.5), open('micro brush')],
      ties: [lastingBy(c.rule('piece.acid'), 'Acid on the laminates')],
      cautions: [reason('Phosphoric or the kit’s own acid; hydrofluoric acid only at the laboratory', 'C')],
    }),
    bench('delivery.pieces-silane', `Silane over it ${c.rule('silane').value} s`, [1, 1.2, 2], {
      needs: [open('silane', 0.3), open('micro brush')],
      ties: [lastingBy(c.rule('silane'), 'Silane')],
    }),
    bench('delivery.pieces-rinse', `Rinse ${c.rule('piece.rinse').value} s, dry: not touched again`, [1, 1.2, 2], {
      fn: 'rinse',
      ties: [lastingBy(c.rule('piece.rinse'), 'Rinse off the laminate')],
    }),
    bench('delivery.pieces-bond', 'Thin bond on the fitting side, under the light-proof lid', [0.5, 1, 2], {
      needs: [open('bonding resin', 0.2), open('light-proof lid')],
      mistakes: ['left under the lamp: it sets on the block'],
    }),
  )
}

/** One laminate from the strip to the last light. Laminate bonding 6 · 9 · 15 minutes each. */
function bondOne(c: Case, u: Unit): Block {
  const spot = spotOn(u, `delivery.${u.tooth}`, 'delivery')
  const on = (act: string): string => `delivery.${u.tooth}.${act}`
  const light = (where: string) =>
    cureOf(
      c,
      `laminate ${u.said}, ${where}`,
      where === 'edge' ? 'cure.laminate edge' : 'cure.piece',
      where === 'edge' ? undefined : 'cement.veneer',
    )
  const cureStep = (where: 'edge' | 'neck' | 'behind'): Block => {
    const figure = light(where)
    return lightStep(spot, on(`cure-${where}`), figure, {
      title: `Light ${figure.value} s: ${where === 'behind' ? 'from behind' : `the ${where}`}, ${u.label}`,
    })
  }
  return sequence(
    mouth(on('foil'), `Foil strip either side of ${u.label}`, [0.3, 0.5, 1], {
      tooth: u.tooth,
      fn: 'chairside',
      passes: ['foil strip', 'foil strip'],
      needs: [open('foil strip', 2)],
      countsIn: [{ id: `foil.${u.tooth}`, what: `foil strips, ${u.said}`, planned: 2, outStep: on('floss') }],
      reason: practice('so that the light does not set the neighbour’s cement, nor the acid reach it'),
    }),
    bondTooth(c, spot, c.request.inEnamel ? 'enamel' : 'cavity', { cured: false }),
    mouth(on('load'), 'Cement into the laminate, tip in the middle, no bubble', [0.3, 0.4, 0.6], {
      tooth: u.tooth,
      place: 'bench',
      helped: false,
      needs: [open('cement.veneer', 0.3), open('placement stick')],
    }),
    mouth(on('seat'), `Seat ${u.label}, incisal end first, roll to the neck; hold`, [0.3, 0.5, 1], {
      tooth: u.tooth,
      told: `bonded the laminate of ${u.label}`,
      tell: 'Your new fronts are glued on. Nothing hard today. Brush and floss as usual. The gum may be sore for some days. The colour settles as the teeth take up water.',
      passes: ['laminate on its stick, right way round', 'gentle finger'],
      mistakes: ['pressed at the edge: it springs and cracks'],
    }),
    // Cleared before any light: what the edge light has set is no longer brushed off.
    c.choices.resinExcess === 'tack and scrape'
      ? resinExcess(c, spot)
      : resinExcess(c, spot, {
          title: `Neck brushed, pressed home again, edge cleared, flossed: ${u.label}`,
          passes: ['brush', 'floss'],
          needs: [open('floss', 300), open('clean-up brush', 2), standby('scalpel', 'a flash has set')],
        }),
    cureStep('edge'),
    mouth(on('neck'), 'Neck cleaned before its light', [0.3, 0.5, 1], {
      tooth: u.tooth,
      fn: 'excess removal',
      needs: [open('scalpel')],
    }),
    cureStep('neck'),
    cureStep('behind'),
    mouth(on('floss'), `Strips out after the last light, floss through both contacts, ${u.label}`, [0.5, 1, 2], {
      tooth: u.tooth,
      fn: 'excess removal',
      needs: [open('floss', 300), open('clean-up brush')],
      countsOut: [`foil.${u.tooth}`],
    }),
  )
}

function finish(c: Case): Block {
  const act = acts({ phase: 'finishing', fn: 'polishing', place: 'mouth', helped: true })
  return sequence(
    act('finishing.neck', 'Neck and contacts smoothed, the gum held away', [1, 2, 4], {
      cut: { id: 'finishing.neck', ...edgeOf(firstOf(c.units), 'neck'), surface: 'neck and contacts' },
      needs: [open('high-speed handpiece'), open('plastic instrument')],
      passes: ['plastic instrument'],
    }),
    act('finishing.tabs', 'Seating tabs ground off, inner side smoothed', [1, 2, 4], {
      cut: { id: 'finishing.tabs', ...edgeOf(firstOf(c.units), 'inner'), surface: 'tabs and inner side' },
      told: 'ground off the seating tabs',
    }),
    act('finishing.wheels', 'Wheels, discs, paste: water, light hand', [3, 5, 10], {
      needs: [open('ceramic wheel', 2), open('finishing disc', 2), open('diamond paste'), open('finishing strip', 2)],
      told: 'finished and polished the laminates',
    }),
    act('finishing.bite', 'Bite: closed, forward, sideways; foil between the front teeth', [1, 2, 4], {
      bite: 'bonded piece',
      fn: 'occlusal check',
      needs: [open('foil'), open('articulating paper', 2)],
      hold: {
        name: 'bite',
        title: 'Bite clear',
        evidence: 'foil and paper, every movement',
        because: practice('front teeth alone must not meet first'),
      },
    }),
    act('finishing.cords-out', `Cord out, wet, ${labels(c)}; look round for flash`, [1, 2, 3], {
      fn: 'cord removal',
      countsOut: bondingCordCounts(c),
      needs: [open('tweezers'), open('scaler')],
    }),
  )
}

export const laminateDeliver: VisitKind = {
  id: 'laminate.deliver',
  work: (c) =>
    sequence(
      rolls(c),
      c.choices.veneerProvisional === 'none'
        ? acts({ phase: 'delivery', fn: 'polishing', place: 'mouth', helped: true })(
            'delivery.clean',
            `Clean ${labels(c)}: pumice and water, strips between`,
            [1, 2, 4],
            {
              needs: [open('pumice'), open('prophy cup'), open('slow handpiece'), open('finishing strip', 2)],
              told: 'cleaned the teeth with pumice',
              hurts: [],
            },
          )
        : provisionalOff(c, 'cut'),
      tryInAll(c),
      cordsForBonding(c, 'finishing.cords-out'),
      conditionPieces(c),
      ...seatingOrder(c.units).map((u) => bondOne(c, u)),
      mouth('delivery.missed-spots', 'Every edge looked at with the explorer; a gap is filled and lit', [0.3, 0.5, 2], {
        needs: [
          open('explorer'),
          standby('etchant', 'there is a gap at an edge', 0.1),
          standby('flowable resin', 'there is a gap at an edge'),
          standby(bottleOf(c), 'there is a gap at an edge', 0.1),
        ],
      }),
      finish(c),
    ),
  followUps: (c) => [weekAfter(c, 'tissue round the laminates')],
}
