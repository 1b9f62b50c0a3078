/** J02: bonded metal bridge on a lateral gap: preparation, try-in, delivery with its 20 s and 90 s clock. */
import { firstOf } from '../sure'
import { inWords, span } from '../rules'
import { reason } from '../figure'
import type { Choreography } from '../model/lanes'
import { etch, frosted, pumice, spotOnAll } from '../phases/bonding'
import {
  acts,
  open,
  opens,
  practice,
  sequence,
  standby,
  type Block,
  lastingBy,
  atLeast,
  within,
} from '../library/build'
import { labels, type Case } from '../library/case'
import { cutSteps, edgeOf } from '../phases/cutting'
import { shadeOnTooth, tryIn } from '../phases/delivery'
import { finalImpression } from '../phases/impression'
import { rolls, sheetOff, sheetOn } from '../phases/isolation'
import { opposingArch, otherJaw, paintTray, shadePreview } from '../phases/records'
import { cordPlan } from '../phases/cord-plan'
import { overgrownTissue } from '../phases/overgrown'
import { cleanPiece } from '../phases/piece'
import { cords } from '../phases/tissue'
import { innerSide } from '../teeth/arch'
import { parts } from '../teeth/notation'
import { deliveryAfter, tissueRecall, weekAfter, after } from './follow-ups'
import type { VisitKind } from './kind'

const plan = acts({ phase: 'records', fn: 'chairside', place: 'mouth' })
const deliver = acts({ phase: 'delivery', fn: 'bonding', place: 'mouth', helped: true })

export const bridgeMetalPrepare: VisitKind = {
  id: 'bridge.metal.prepare',
  deciding: (c) => [
    plan('records.room', 'Room behind the upper front teeth? Paper and tabs in the bite', [0.5, 1, 3], {
      fn: 'occlusal check',
      bite: 'room',
      needs: [open('articulating paper', 2), open('clearance tabs')],
      hold: {
        name: 'plan',
        title: 'Room for the retainers',
        evidence: 'tab in the bite behind each abutment',
        because: practice('no room, no retainer: the opponent is eased or another bridge is made'),
      },
    }),
    plan('records.opponent', 'Opponent eased where it strikes the retainers', [0.5, 1, 2], {
      fn: 'cutting',
      helped: true,
      cut: { id: 'records.opponent', ...edgeOf(firstOf(c.units), 'top'), surface: 'opponent' },
      needs: opens('high-speed handpiece'),
      reshapes: otherJaw(c),
      reason: practice('before any impression: an arch is not touched after it'),
    }),
  ],
  beforehand: (c) => [shadePreview(c), sequence(paintTray(c), opposingArch(c))],
  work: (c) => {
    const cord = cordPlan(c)
    return sequence(
      overgrownTissue(c),
      rolls(c),
      plan('cutting.outline', `Outline pencilled on ${labels(c)}: where the metal will lie`, [0.5, 1, 2], {
        phase: 'cutting',
        needs: [open('pencil')],
        passes: ['pencil'],
        reason: practice('ends clear of the edge, so that no grey shines through'),
      }),
      cutSteps(
        c,
        (u) => [
          {
            act: 'concavity',
            title: 'Light enamel work inside the outline, 0.5 mm',
            form: 'lingual concavity',
            depthMm: 0.5,
            surface: innerSide(u.tooth),
            share: 3,
            enamel: true,
            mistakes: ['dentine showing: tell the dentist'],
          },
          {
            act: 'draw',
            title: 'Draw from the edge, wrapped into the contact, embrasures left open',
            form: 'draw',
            depthMm: 0.3,
            surface: 'proximal',
            share: 1,
            enamel: true,
            because: practice(
              'both retainers go on over the edge along one path; seating fingers hold it there, no ledge is cut',
            ),
          },
          {
            act: 'finish',
            title: 'Edges of the enamel smooth',
            form: 'finish',
            depthMm: 0.3,
            surface: 'margin',
            share: 1,
            after: 'chamfer',
            enamel: true,
            told: `finished the retainer preparation of ${u.label}, in enamel`,
          },
        ],
        [4, 7, 12],
      ),
      cords(c, cord),
      finalImpression(c, cord),
      plan('records.slip', 'Slip: casting short of the edge, seating fingers over it, open embrasures', [0.5, 1, 2], {
        place: 'desk',
        fn: 'chart note',
        detail: `Models ${c.choices.impression === 'optical scan' ? 'by the scan' : 'set together by hand where the teeth lock, else by the bite record'}.${c.units.some((u) => parts(u.tooth).position === 3) ? ' On the canine the metal does not reach into the guidance.' : ''}`,
        tellsLab: ['casting short of the edge', 'seating fingers over it', 'open embrasures'],
        reason: practice('the fingers find the seat while the bond sets; they are cut off afterwards'),
      }),
    )
  },
  followUps: (c) => [
    {
      ...deliveryAfter(c, 'bridge.metal.try-in', 'Try-in of the metal bridge'),
      ...after(c, 'metal bridge.try-in'),
    },
    ...tissueRecall(c),
  ],
}

export const bridgeMetalTryIn: VisitKind = {
  id: 'bridge.metal.try-in',
  work: (c) =>
    sequence(
      rolls(c),
      tryIn(c, 'metal bridge', {
        hurts: [],
        title: `Try in the metal bridge, ${labels(c)}: seats by its fingers, no rock, bite clear`,
      }),
      shadeOnTooth(c, {
        detail:
          'Value and colour at the ridge; changes are written down now: once the metal is etched the porcelain is not fired again. The healed gum under the pontic is looked at here.',
      }),
      plan(
        'delivery.back-to-lab',
        'Bagged dry, back to be etched; nobody touches the fitting side after',
        [0.5, 1, 2],
        {
          phase: 'delivery',
          place: 'desk',
          needs: opens('impression bag', 'disinfectant spray'),
          reason: practice('fit and shade first, then the metal is etched'),
        },
      ),
    ),
  followUps: (c) => [
    {
      ...deliveryAfter(c, 'bridge.metal.deliver', 'Delivery of the etched bridge'),
      ...after(c, 'metal bridge.delivery'),
    },
  ],
}

const clockSteps = [
  'delivery.clean-piece',
  'delivery.vacuum',
  'delivery.etch',
  'delivery.etch-rinse',
  'delivery.bond-mix',
  'delivery.cement-mix',
  'delivery.seat',
]

/** Tried while nothing is etched, cleaned of the try, dried at the bench: etched enamel then waits for nothing. */
function readyPiece(c: Case): Block {
  const vacuum = c.rule('metal bridge.vacuum')
  return sequence(
    deliver('delivery.seat-try', `Etched bridge tried for full seat on ${labels(c)}, held by its pontic`, [0.5, 1, 2], {
      fn: 'occlusal check',
      passes: ['bridge in gauze'],
      needs: [open('gauze', 2)],
      told: 'tried the etched bridge for full seat',
      hold: {
        name: 'fit',
        title: 'Seats fully',
        evidence: 'every retainer home, seen from behind with the mirror',
        because: practice('looked at before the teeth are etched: afterwards there is no time'),
        again: ['delivery.seat-try'],
      },
      mistakes: ['etched side touched or wet with spit: alcohol, ultrasonic, vacuum again'],
    }),
    cleanPiece(c, 'bridge'),
    deliver('delivery.vacuum', `Etched metal dried with vacuum ${vacuum.value} s, not the air syringe`, [1, 1.2, 1.5], {
      place: 'bench',
      helped: false,
      fn: 'chairside',
      needs: [open('vacuum drying tip')],
      ties: [lastingBy(vacuum, 'Vacuum')],
      mistakes: ['one breath of the patient on it: alcohol, ultrasonic, vacuum again'],
    }),
  )
}

/** Seconds of each act on the 90 s clock; our estimates, the limits are the register's. */
const actS = { metal: 15, teeth: 15, mix: 20, load: 10, seat: 12 } as const

/**
 * The 20 s and 90 s clock, by person. Standing C: bond on the metal first and blown, the cement's mix begins at 20 s while the
 * dentist bonds the teeth, all seated within 90 s of the first mix.
 */
function inLanes(c: Case): Choreography {
  return {
    title: 'Etched metal bridge: bond, cement, seat',
    from: 'delivery.bond-mix',
    acts: [
      { id: 'metal', say: 'Mix the bond, on the metal, blow', takesS: actS.metal, by: 'assistant', fn: 'chairside' },
      {
        id: 'teeth',
        say: 'Bond on the teeth, blow',
        takesS: actS.teeth,
        by: 'dentist',
        fn: 'bonding',
        after: ['metal'],
      },
      {
        id: 'mix',
        say: 'Mix the cement',
        takesS: actS.mix,
        by: 'assistant',
        fn: 'chairside',
        after: ['metal'],
        notBeforeS: c.rule('metal bridge.cement').value,
      },
      {
        id: 'load',
        say: 'Cement on the retainers, hand the bridge',
        takesS: actS.load,
        by: 'assistant',
        fn: 'chairside',
        after: ['mix'],
      },
      {
        id: 'seat',
        say: 'Seat, press on every retainer',
        takesS: actS.seat,
        by: 'dentist',
        fn: 'placing',
        after: ['teeth', 'load'],
      },
    ],
    withinS: c.rule('metal bridge.seated').value,
    because: practice(`all seated within ${span(c.rule('metal bridge.seated').value)} of the first mix`),
    waysOut: 'a third pair of hands for the cement; or the bond on the metal laid on and blown before the clock begins',
  }
}

function clock(c: Case): Block {
  const [seated, last, mix] = [
    c.rule('metal bridge.seated'),
    c.rule('metal bridge.last'),
    c.rule('metal bridge.cement'),
  ]
  return sequence(
    deliver('delivery.bond-mix', 'Bond mixed, on the metal first, blown; then on the teeth', [0.25, 0.3, 0.33], {
      told: 'mixed the bond and blew it thin',
      needs: [open('bond.two-part', 1), open('micro brush', 2), open('dappen dish')],
      passes: ['brush for the teeth', 'air'],
      detail: 'The clock starts with the first mix: one of you for the metal, one for the teeth.',
    }),
    deliver('delivery.cement-mix', 'Cement mixed, on the retainers', [0.3, 0.4, 0.5], {
      place: 'bench',
      helped: false,
      fn: 'chairside',
      needs: [
        open('cement.metal bridge', 1, { words: 'resin cement for etched metal' }),
        open('mixing pad'),
        open('mixing spatula'),
      ],
      ties: [
        {
          from: 'delivery.bond-mix',
          fromEdge: 'start',
          toEdge: 'start',
          ...atLeast(mix),
          title: 'Cement’s mix begins',
          because: inWords(`the cement’s mix begins ${span(mix.value)} after the bond’s`, mix),
        },
      ],
    }),
    deliver('delivery.seat', 'Seat, press on every retainer; seated', [0.2, 0.3, 0.4], {
      shows: { what: 'wing', tooth: firstOf(c.units).tooth },
      told: `seated the etched metal bridge on ${labels(c)}`,
      tell: 'Your bridge is glued to these teeth. Do not bite off hard things with it. Clean under it with the threaded floss we showed you. If one side feels loose, come at once.',
      lanes: inLanes(c),
      cues: [
        {
          from: 'delivery.bond-mix',
          atS: c.rule('metal bridge.bring').value,
          say: 'Bridge to the mouth now',
          because: practice(`all seated within ${span(seated.value)}`),
        },
        {
          from: 'delivery.bond-mix',
          atS: last.value,
          say: `Seated? ${seated.value - last.value === 10 ? 'Ten' : seated.value - last.value} seconds left`,
          because: practice(`all seated within ${span(seated.value)}`),
        },
      ],
      passes: ['loaded bridge, fingers first', 'pressing instrument'],
      needs: opens('burnisher.ball'),
      ties: [
        {
          from: 'delivery.bond-mix',
          fromEdge: 'start',
          toEdge: 'finish',
          ...within(seated, c.rule('metal bridge.warns')),
          title: 'Etched metal to be seated',
          whenMissed: 'it sets off the tooth: bridge off, cleaned, dried, etched again and begun anew',
          again: clockSteps,
        },
      ],
    }),
    deliver('delivery.hold', 'Pressed without moving until it is hard', [3, 4, 6], {
      fn: 'chairside',
      ties: [lastingBy(c.rule('metal bridge.hardens'), 'Cement hardens')],
      mistakes: ['hand changed while it sets: the film tears'],
    }),
  )
}

export const bridgeMetalDeliver: VisitKind = {
  id: 'bridge.metal.deliver',
  work: (c) => {
    const spot = spotOnAll(c, 'delivery', 'delivery')
    return sequence(
      sheetOn(c, { purpose: 'bonding', tied: c.units.map((u) => u.tooth) }),
      readyPiece(c),
      pumice(spot),
      etch(c, spot, 'enamel', { hold: frosted() }),
      clock(c),
      sheetOff(c),
      deliver('delivery.excess', 'Excess off while it breaks, not while it smears', [1, 2, 4], {
        fn: 'excess removal',
        passes: ['scaler', 'knotted threader'],
        needs: [open('scaler'), open('floss threader'), open('floss', 300)],
        told: 'removed the excess cement',
      }),
      deliver(
        'delivery.fingers',
        'Seating fingers cut off; opaque line off with the blade; edges polished',
        [1, 2, 4],
        {
          fn: 'polishing',
          cut: { id: 'delivery.fingers', form: 'split', depthMm: 1, surface: 'seating fingers' },
          needs: [open('high-speed handpiece'), open('scalpel'), open('rubber point')],
          mistakes: ['a line of opaque cement left: it shows white'],
          cautions: [reason('Sharp bits of metal: gauze behind, suction at the bur', 'C')],
          told: 'cut off the seating fingers',
        },
      ),
      deliver('delivery.bite', 'Bite in all movements: bridge clear, guidance on natural teeth', [1, 2, 4], {
        bite: 'bonded bridge',
        fn: 'occlusal check',
        needs: [
          open('articulating paper', 2),
          open('foil'),
          standby('shade guide', 'the patient asks about the colour: wait a week'),
        ],
        hold: {
          name: 'bite',
          title: 'Bite clear',
          evidence: 'paper and foil in every movement',
          because: practice('a bonded bridge is clear in side and forward movements'),
        },
        told: 'checked the bite in all movements',
      }),
    )
  },
  followUps: (c) => [
    weekAfter(c, 'threaded floss, colour after rehydration, tissue'),
    {
      title: 'Half-yearly check of the bonded bridge',
      kind: 'recall.half-year',
      ...after(c, 'recall.bonded bridge'),
    },
  ],
}
