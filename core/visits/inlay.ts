/** J12: onlays and inlays, impression and provisional; and their bonded delivery. */
import { firstOf } from '../sure'
import { reason } from '../figure'
import { reductionTargets, writeRange } from '../measure/reduction'
import { bondTooth, bottleOf } from '../phases/adhesive'
import { cureOf, lightStep, pumice, resinExcess, type Spot, spotOnAll, spotOn } from '../phases/bonding'
import { absent, acts, only, open, practice, sequence, standby, type Block } from '../library/build'
import { boxesOf, surfacesOf, type Case, type Unit, teethOf, type RestoredCase } from '../library/case'
import { cutSteps, reductionCheck, type CutLine, edgeOf } from '../phases/cutting'
import { bondedBite, provisionalOff, shadeOnTooth, tryIn } from '../phases/delivery'
import { cleanPiece, primePiece } from '../phases/piece'
import { cavityLines, flossContacts } from '../phases/filling'
import { dentineSealed } from '../phases/handed-on'
import { finalImpression } from '../phases/impression'
import { sheetOff, sheetOn } from '../phases/isolation'
import { makeProvisional, trimProvisional } from '../phases/provisional'
import { fitProvisional } from '../phases/provisional-fit'
import { opposingArch, paintTray, provisionalMould, shadePreview } from '../phases/records'
import { boxSites, cordPlan, type CordPlan } from '../phases/cord-plan'
import { cords } from '../phases/tissue'
import { deliveryAfter, weekAfter } from './follow-ups'
import { restoring } from './kind'

/** Surfaces where the case does not say: an inlay of two, an onlay of three. */
const usual = (c: Case): string => (c.restoration === 'ceramic onlay' ? 'MOD' : 'MO')
const spot = (c: Case): Spot => spotOnAll(c, 'inlay', 'restoring')
const temp = acts({ phase: 'provisional', fn: 'provisional making', place: 'mouth', helped: true })
const sheet = acts({ phase: 'isolation', fn: 'dam', place: 'mouth', helped: true })

function lines(c: RestoredCase, u: Unit): CutLine[] {
  const t = reductionTargets(c.restoration)
  const onlay = c.restoration === 'ceramic onlay'
  return [
    ...cavityLines(u, usual(c)),
    ...(onlay
      ? [
          {
            act: 'cusps',
            title: `Cusps covered: functional ${writeRange(t.functionalCusp)}, other ${writeRange(t.otherCusp)}`,
            form: 'occlusal' as const,
            depthMm: t.functionalCusp.mostMm,
            surface: 'cusps',
            share: 2,
          },
        ]
      : []),
    {
      act: 'finish',
      title: `Walls divergent, floor flat, isthmus ${writeRange(t.inner)} or more, butt edges`,
      form: 'finish',
      depthMm: t.inner.mostMm,
      surface: 'all',
      share: 2,
      after: 'shoulder',
      told: `finished the preparation of ${u.label} for a ${c.restoration}, ${surfacesOf(u, usual(c))}`,
      mistakes: ['an undercut left: it is blocked out with resin, not cut wider'],
    },
  ]
}

/** Dentine sealed at once: the bond to fresh dentine; the sticky layer then has to go before silicone and bis-acryl. */
function sealDentine(c: Case): Block {
  if (c.choices.dentineSeal === 'at delivery')
    return absent(
      'dentine seal',
      reason('the dentist’s choice: nothing on the dentine until the piece is bonded', 'practice'),
    )
  const s = spot(c)
  const light = cureOf(c, 'dentine seal, under glycerine', 'cure.adhesive', bottleOf(c))
  return sequence(
    bondTooth(c, s, 'fresh dentine'),
    lightStep(s, 'inlay.seal-glycerine', light, {
      title: `Glycerine over it, light again ${light.value} s; rinse, wipe with alcohol`,
      needs: [open('glycerine gel', 0.5), open('alcohol'), open('curing light'), open('light shield')],
      told: 'sealed the dentine with resin',
      seals: teethOf(c),
      reason: practice(
        'the sticky layer of fresh resin stops addition silicone and bis-acryl: cured under glycerine, wiped with alcohol',
      ),
    }),
  )
}

/** The patient bites on gauze while the cords dwell; then the pellets are out and the tray is ready. */
function biteOnGauze(plan: CordPlan): Block {
  return only(plan.layers.length > 0 && plan.sites.length > 0, () =>
    temp('tissue.bite-gauze', 'Bite on gauze while the cords dwell', [0.3, 0.5, 1], {
      phase: 'tissue',
      fn: 'chairside',
      needs: [open('gauze', 2)],
    }),
  )
}

/** Stopping holds the boxes until delivery, and is counted out there. */
const softStopping = (boxes: number): Block =>
  temp('provisional.stopping', `Soft stopping in ${boxes} box${boxes === 1 ? '' : 'es'}`, [0.5, 1, 2], {
    needs: [open('stopping', boxes), open('plastic instrument')],
    countsIn: [
      {
        id: 'stopping',
        what: boxes === 1 ? 'piece of stopping in the box' : 'pieces of stopping in the boxes',
        planned: boxes,
        outStep: 'provisional.check',
        stays: boxes,
        untilDelivery: true,
      },
    ],
    told: 'placed stopping in the boxes',
  })

/** The provisional of an inlay, by the school picked; resin-sealed dentine makes the separator a hold. */
function inlayProvisional(c: Case): Block {
  const sealed = c.choices.dentineSeal === 'at once'
  const school = c.choices.inlayProvisional
  if (school === 'bis-acryl') return sequence(makeProvisional(c, { sealed }), trimProvisional(c), fitProvisional(c))
  const boxes = c.units.reduce((n, u) => n + boxesOf(surfacesOf(u, usual(c))).length, 0)
  const separate = temp(
    'provisional.separate',
    'Separator thin over every sealed surface and the neighbours',
    [0.3, 0.5, 1],
    {
      leaves: 'separator',
      needs: [open('separator', 0.5), open('micro brush', 2)],
      ...(sealed
        ? {
            hold: {
              name: 'separator' as const,
              title: 'Separator on',
              evidence: 'a film on every sealed surface, seen in good light',
              because: practice('without it, resin-sealed preparations bond to the provisional for good'),
              mandatory: true,
            },
          }
        : {}),
    },
  )
  const good = {
    name: 'provisional' as const,
    title: 'Provisional good',
    evidence: 'closed to the margin, bite clear',
    because: practice('what the patient wears for weeks is seen by the dentist'),
    mandatory: true,
    again: [
      'provisional.separate',
      'provisional.stopping',
      'provisional.paint',
      'provisional.soft',
      'provisional.check',
    ],
  }
  const tell =
    'The tooth wears a soft temporary filling. It holds the place only: nothing sticky on it, and do not floss there: it would come out.'
  return sequence(
    separate,
    only(boxes > 0 && school === 'painted', () => softStopping(boxes)),
    school === 'painted'
      ? temp(
          'provisional.paint',
          'Painted, bead by bead: powder and liquid from two wells, brush clean between',
          [2, 4, 7],
          {
            told: 'painted the provisional in powder and liquid',
            tell,
            needs: [
              open('provisional powder', 2),
              open('provisional liquid', 2),
              open('paint brush'),
              open('dappen dish', 2),
            ],
            detail:
              'Liquid, powder, liquid again; while it is soft the patient bites, side to side, and that is its shape.',
            cautions: [reason('Liquid is a sensitiser and smells: suction near, gloves on, wells covered', 'C')],
            mistakes: ['bead too wet: it runs over the margin'],
            reason: practice('quick, not pretty, holds the tooth’s place'),
          },
        )
      : temp('provisional.soft', 'Light-cured soft material pressed in, trimmed to the bite, cured', [1.5, 3, 5], {
          told: 'placed a light-cured soft provisional',
          tell,
          needs: [open('soft provisional', 1), open('plastic instrument'), open('curing light'), open('light shield')],
          reason: practice('comes out in one piece'),
        }),
    temp('provisional.check', 'Closed to the margins, out of the bite; no flossing here', [0.5, 1, 2], {
      bite: 'provisional, out of contact',
      fn: 'provisional trimming',
      asks: [{ reading: 'provisional', teeth: teethOf(c) }],
      needs: [open('articulating paper', 2)],
      countsOut: [],
      hold: good,
    }),
  )
}

export const inlayPrepare = restoring({
  id: 'inlay.prepare',
  beforehand: (c) => [
    shadePreview(c),
    sequence(
      paintTray(c),
      c.choices.inlayProvisional === 'bis-acryl' ? provisionalMould(c) : sequence(),
      opposingArch(c),
    ),
  ],
  work: (c) => {
    const school = cordPlan(c, boxSites(c, usual(c)))
    const plan: CordPlan = { ...school, pellet: school.layers.length > 0 && school.layers.at(-1) !== 'base' }
    const dam = c.choices.bondingIsolation === 'dam'
    return sequence(
      sheetOn(c, { purpose: 'bonding' }),
      cutSteps(c, (u) => lines(c, u), [10, 16, 28]),
      reductionCheck(c, {
        title: 'Check the preparation: draw, isthmus, no undercut',
        passes: ['mirror', 'probe'],
        figures: [],
        needs: [open('periodontal probe')],
        detail: `Draw seen with one eye; isthmus ${writeRange(reductionTargets(c.restoration).inner)} or more; butt edges.`,
        hold: {
          name: 'reduction',
          title: 'Preparation good',
          evidence: 'mirror from above, probe at the isthmus',
          because: practice('an undercut is blocked out before the impression, not after'),
          again: [...c.units.map((u) => `cutting.finish.${u.tooth}`), 'cutting.reduction-check'],
        },
        mistakes: ['looked at with two eyes: an undercut hides'],
      }),
      sealDentine(c),
      only(dam, () =>
        sheet('isolation.fold', 'Septa cut, the tips in sight; sheet folded away, clamp still on', [0.5, 1, 2], {
          passes: ['blunt scissors'],
          needs: [open('blunt scissors')],
          told: 'cut the septa and folded the sheet away',
          reason: practice('the clamp still holds the sheet: the cords go in with the field half dry'),
          mistakes: ['a shred of sheet left in the contact: it shows in the impression'],
        }),
      ),
      plan.sites.length > 0 ? cords(c, plan) : absent('cord', practice('no proximal box: nothing under the tissue')),
      // Off and counted before anything is bitten on: a tray closes on no clamp.
      sheetOff(c),
      biteOnGauze(plan),
      finalImpression(c, plan.sites.length > 0 ? plan : { ...plan, layers: [], pellet: false }),
      inlayProvisional(c),
    )
  },
  followUps: (c) => [deliveryAfter(c, 'inlay.deliver', `Delivery of the ${c.restoration}`)],
})

/** What the piece is called on the bench. */
const pieceName = (c: Case): string => (c.restoration === 'ceramic onlay' ? 'onlay' : 'inlay')

/** One piece bonded: the tooth bonded, seated, excess out while it moves, light from three sides. */
function bondOne(c: Case, u: Unit): Block {
  const s = spotOn(u, `delivery.${u.tooth}`, 'delivery')
  const act = acts({ phase: 'delivery', fn: 'bonding', place: 'mouth', helped: true, tooth: u.tooth })
  const light = cureOf(c, `inlay ${u.said}, each side`, 'cure.piece', 'cement.resin')
  return sequence(
    dentineSealed(c, u.tooth)
      ? pumice(s, {
          title: `Sealed dentine roughened with pumice, rinse: ${s.label}`,
          reason: practice('what was sealed weeks ago takes the new bond only where it is cleaned and roughened'),
        })
      : pumice(s),
    bondTooth(c, s, 'cavity', { cured: false, dualCure: true }),
    act(`delivery.${u.tooth}.load`, 'Resin cement into the cavity and on the piece', [0.3, 0.5, 0.75], {
      place: 'bench',
      helped: false,
      needs: [open('cement.resin', 1, { words: 'resin cement' }), open('mixing tip'), open('placement stick')],
    }),
    act(`delivery.${u.tooth}.seat`, `Seat ${u.label} on its stick, press, hold`, [0.3, 0.5, 1], {
      told: `bonded the ${c.restoration} of ${u.label}`,
      tell: 'Your new inlay is glued in. Floss and brush as usual. Call us if the bite feels high.',
      passes: ['piece on its stick', 'ball burnisher'],
      needs: [open('burnisher.ball')],
      cautions: [reason('Small pieces: gauze behind', 'C')],
    }),
    resinExcess(c, s),
    ...(['occlusal', 'buccal', c.jaw === 'upper' ? 'palatal' : 'lingual'] as const).map((side) =>
      lightStep(s, `delivery.${u.tooth}.cure-${side}`, light, { title: `Light ${light.value} s, ${side}, ${u.label}` }),
    ),
    flossContacts(u, usual(c)),
  )
}

export const inlayDeliver = restoring({
  id: 'inlay.deliver',
  sheet: (c) => c.choices.bondingIsolation === 'dam',
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'bonding' }),
      provisionalOff(c, 'flick'),
      tryIn(
        c,
        c.restoration,
        {
          passes: ['piece on its stick', 'floss', 'contact film', 'explorer'],
          needs: [
            open('floss', 300),
            open('contact film', 2),
            open('placement stick'),
            standby('shade guide', 'the shade is doubted'),
          ],
        },
        { bitten: false },
      ),
      shadeOnTooth(c),
      cleanPiece(c, c.units.length === 1 ? pieceName(c) : 'pieces'),
      primePiece(c),
      ...c.units.map((u) => bondOne(c, u)),
      acts({ phase: 'finishing', fn: 'polishing', place: 'mouth', helped: true })(
        'finishing.edges',
        'Edges under water: bur, polishers, strips',
        [2, 4, 8],
        {
          cut: { id: 'finishing.edges', ...edgeOf(firstOf(c.units), 'top'), surface: 'margins' },
          needs: [open('high-speed handpiece'), open('ceramic polisher', 2), open('finishing strip', 2)],
          told: 'finished the margins',
        },
      ),
      sheetOff(c),
    ),
  afterSheet: (c) => bondedBite(c),
  followUps: (c) => [weekAfter(c, 'bite and sensitivity')],
})
