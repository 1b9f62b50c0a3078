/** J01: bonded ceramic bridge on a front gap, preparation and delivery. */
import { firstOf } from '../sure'
import { bondTooth } from '../phases/adhesive'
import { cureOf, frosted, lightStep, pumice, resinExcess, spotOnAll, spotOn } from '../phases/bonding'
import { acts, open, practice, sequence, standby, type Block, within } from '../library/build'
import { labels, type Case, type Unit } from '../library/case'
import { cutSteps, type CutLine, edgeOf } from '../phases/cutting'
import { shadeOnTooth, tryIn } from '../phases/delivery'
import { cleanPiece, primePiece } from '../phases/piece'
import { finalImpression } from '../phases/impression'
import { rolls, sheetOff, sheetOn } from '../phases/isolation'
import { opposingArch, paintTray, shadePreview } from '../phases/records'
import { cordPlan } from '../phases/cord-plan'
import { cords } from '../phases/tissue'
import { bridgePlace } from '../measure/place'
import { retainerCure } from '../measure/restoring'
import { innerSide } from '../teeth/arch'
import { deliveryAfter, weekAfter, after } from './follow-ups'
import type { VisitKind } from './kind'

const pontics = (c: Case): string => c.pontics.map((u) => u.label).join(', ')
const plan = acts({ phase: 'records', fn: 'chairside', place: 'mouth' })
const deliver = acts({ phase: 'delivery', fn: 'bonding', place: 'mouth', helped: true })
const finishing = acts({ phase: 'finishing', fn: 'polishing', place: 'mouth', helped: true })

function retainerLines(u: Unit): CutLine[] {
  const inner = innerSide(u.tooth)
  return [
    {
      act: 'draw',
      title: 'Draw between the teeth, never past the lip side',
      form: 'draw',
      depthMm: 0.5,
      surface: 'proximal',
      share: 2,
      enamel: true,
      mistakes: ['past the labial line: the joint shows'],
      because: practice('two retainers have to go on along one path'),
    },
    {
      act: 'concavity',
      title: `${inner === 'palatal' ? 'Palatal' : 'Lingual'} made concave, 0.5 mm, all in enamel`,
      form: 'lingual concavity',
      depthMm: 0.5,
      surface: inner,
      share: 3,
      enamel: true,
      mistakes: ['dentine showing: the bond there is weaker, tell the dentist'],
    },
    {
      act: 'ledge',
      title: `Ledge on the ${inner === 'palatal' ? 'palate' : 'tongue'} side and a rest over the edge: it seats in one place only`,
      form: 'ledge',
      depthMm: 0.5,
      surface: inner,
      share: 1,
      enamel: true,
    },
    {
      act: 'finish',
      title: 'Light chamfer, every edge smooth',
      form: 'finish',
      depthMm: 0.3,
      surface: 'margin',
      share: 1,
      after: 'chamfer',
      enamel: true,
      told: `finished the retainer preparation of ${u.label}, 0.5 mm in enamel`,
    },
  ]
}

export const bridgeCeramicPrepare: VisitKind = {
  id: 'bridge.ceramic.prepare',
  deciding: (c) => [
    plan(
      'records.place',
      `Place judged, ${bridgePlace(c.pontics.map((u) => u.tooth)).verdict}: ${pontics(c)} on ${labels(c)}; do the opposite teeth slide over it?`,
      [0.5, 1, 3],
      {
        fn: 'occlusal check',
        bite: 'room',
        needs: [open('articulating paper', 2), open('foil')],
        hold: {
          name: 'plan',
          title: 'Right place for a bonded bridge',
          evidence: 'paper marks in side and forward movement',
          because: bridgePlace(c.pontics.map((u) => u.tooth)).because,
        },
      },
    ),
  ],
  beforehand: (c) => [shadePreview(c), sequence(paintTray(c), opposingArch(c))],
  work: (c) => {
    const cord = cordPlan(c)
    return sequence(
      rolls(c),
      cutSteps(c, retainerLines, [5, 8, 14]),
      plan('cutting.retainer-check', 'Depth and draw looked at: enamel all round, one path', [0.5, 1, 2], {
        phase: 'cutting',
        hold: {
          name: 'reduction',
          title: 'Retainers enough, in enamel',
          evidence: 'no dentine, one path of insertion seen with one eye',
          because: practice('0.5 mm lingual, all in enamel'),
          again: [...c.units.map((u) => `cutting.finish.${u.tooth}`), 'cutting.retainer-check'],
        },
      }),
      cords(c, cord),
      plan('impression.block-out', 'Block out undercuts and open embrasures with wax', [0.5, 1, 2], {
        phase: 'impression',
        needs: [open('block-out wax')],
        reason: practice('a stiff material in an open embrasure does not come out again'),
      }),
      finalImpression(c, cord),
      plan(
        'records.pontic-note',
        `Slip: pontic ${pontics(c)} flat on the tongue side, clear in side and forward bite`,
        [0.3, 0.5, 1],
        {
          place: 'desk',
          fn: 'chart note',
          tellsLab: [`pontic ${pontics(c)} flat on the tongue side, clear in side and forward bite`],
        },
      ),
    )
  },
  followUps: (c) => [deliveryAfter(c, 'bridge.ceramic.deliver', 'Delivery of the bonded bridge')],
}

/** Conditioned, seated, tacked, scraped, flossed, cured 60 s front and back of each retainer. */
function bondRetainers(c: Case): Block {
  const spot = spotOnAll(c, 'delivery', 'delivery')
  const whole = retainerCure(c.units.length, c.rule('cure.retainer').value)
  return sequence(
    cleanPiece(c, 'bridge'),
    primePiece(c),
    deliver(
      'delivery.piece-adhesive',
      'Bond on the piece, air until it no longer moves, under the light-proof lid',
      [0.5, 0.7, 1],
      {
        place: 'bench',
        helped: false,
        needs: [open('bonding resin', 0.1), open('micro brush'), open('light-proof lid')],
        reason: practice('done before the teeth are etched: etched enamel waits for nothing'),
      },
    ),
    deliver('delivery.alcohol', 'Teeth wiped with alcohol, disclosed: nothing stains', [0.5, 1, 2], {
      cleans: true,
      fn: 'polishing',
      needs: [open('alcohol'), open('disclosing solution'), open('cotton pellet', 2)],
      mistakes: ['a film of plaque under the resin: it lets go in weeks'],
    }),
    pumice(spot),
    deliver(
      'delivery.antiseptic',
      c.has('chlorhexidine')
        ? 'Wiped once more with alcohol, dry: chlorhexidine alert'
        : 'Antiseptic cleanser on the teeth, rinse, dry',
      [0.3, 0.5, 1],
      {
        fn: 'chairside',
        needs: [c.has('chlorhexidine') ? open('alcohol') : open('chlorhexidine', 1), open('cotton pellet', 2)],
        passes: ['pellet in tweezers'],
        detail:
          'From here the patient breathes away: gauze in front of the mouth, another beside it to catch what is blown.',
      },
    ),
    bondTooth(c, spot, 'enamel', { cured: false, dualCure: true, hold: frosted() }),
    deliver('delivery.load', 'Resin cement on the retainers', [0.2, 0.4, 0.6], {
      place: 'bench',
      helped: false,
      needs: [open('cement.resin', c.units.length, { words: 'resin cement' }), open('mixing tip')],
    }),
    deliver('delivery.seat', 'Seat along the path, hold', [0.2, 0.4, 0.8], {
      shows: { what: 'wing', tooth: firstOf(c.units).tooth },
      told: 'seated the bonded bridge with resin cement',
      tell: 'Your bridge is glued to these teeth. Do not bite off hard things with it. Clean under it with the threaded floss we showed you. If one side feels loose, come at once.',
      passes: ['bridge in gauze', 'ball burnisher'],
      needs: [open('burnisher.ball'), open('gauze', 2)],
      ties: [
        {
          from: 'delivery.load',
          fromEdge: 'start',
          toEdge: 'finish',
          ...within(c.rule('resin.seat'), c.rule('resin.seat.warns')),
          title: 'Resin cement to seated',
          whenMissed: 'it is setting: clean both and begin again from the etch',
          again: ['delivery.load', 'delivery.seat'],
        },
      ],
    }),
    resinExcess(c, spot),
    ...c.units.flatMap((u) =>
      (['front', 'back'] as const).map((side) => {
        const light = cureOf(c, `retainer ${u.said}, ${side}`, 'cure.retainer')
        return lightStep(spotOn(u, 'delivery', 'delivery'), `delivery.cure-${side}.${u.tooth}`, light, {
          title: `Light ${light.value} s, ${side} of ${u.label}`,
          ...(side === 'front' && u === c.units[0] ? { figures: [light, whole] } : {}),
        })
      }),
    ),
  )
}

export const bridgeCeramicDeliver: VisitKind = {
  id: 'bridge.ceramic.deliver',
  work: (c) =>
    sequence(
      tryIn(
        c,
        'bridge',
        {
          hurts: [],
          title: `Try in the bridge, ${labels(c)}: seats on the ledges, contacts, pontic on the tissue`,
          mistakes: [
            'closed on it to see: ceramic that is not bonded cracks',
            'eased until it grips: it is meant to lie loose, the bond holds it',
          ],
        },
        { bitten: false },
      ),
      shadeOnTooth(c),
      sheetOn(c, { purpose: 'bonding', tied: c.units.map((u) => u.tooth) }),
      bondRetainers(c),
      sheetOff(c),
      finishing(
        'finishing.edges',
        'Retainer edges: bur with water on, carver on the front, then the wheel',
        [2, 3, 6],
        {
          cut: { id: 'finishing.edges', ...edgeOf(firstOf(c.units), 'neck', { stuff: 'carbide' }), surface: 'joint' },
          needs: [open('high-speed handpiece'), open('interproximal carver'), open('ceramic wheel')],
          mistakes: ['carved toward the gum: the film lifts at its edge'],
          told: 'finished the edges of the retainers',
        },
      ),
      finishing('finishing.threader', `Knotted threader through under ${pontics(c)}`, [0.5, 1, 2], {
        fn: 'excess removal',
        needs: [open('floss threader'), open('floss', 300)],
      }),
      finishing(
        'finishing.foil',
        'Bite hard: foil slides out between the four front teeth; bridge clear in side and forward movements',
        [1, 2, 4],
        {
          bite: 'bonded bridge',
          fn: 'occlusal check',
          needs: [open('foil'), open('articulating paper', 2), standby('alcohol', 'the paper smears')],
          told: 'checked the bite with foil: front teeth clear, guidance on natural teeth',
          hold: {
            name: 'bite',
            title: 'Bite clear',
            evidence: 'foil and paper, closed, sideways, forward',
            because: practice('guidance stays on natural teeth'),
          },
        },
      ),
    ),
  followUps: (c) => [
    weekAfter(c, 'floss under the pontic, tissue, bite'),
    {
      title: 'Half-yearly check of the bonded bridge',
      kind: 'recall.half-year',
      ...after(c, 'recall.bonded bridge'),
    },
  ],
}
