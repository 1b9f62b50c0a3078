/** J12: onlays and inlays, impression and provisional; and their bonded delivery. */
import { inlayLines } from '../cuts/cavities'
import { lay } from '../lay'
import { firstOf } from '../../sure'
import { reason } from '../../figure'
import { reductionTargets, writeRange } from '../../measure/reduction'
import { bondTooth, bottleOf } from '../generators/adhesive'
import { cureOf, lightStep, pumice, resinExcess, type Spot, spotOnAll, spotOn } from '../generators/bonding'
import { absent, only, practice, sequence, type Block } from '../build'
import { boxesOf, surfacesOf, type Case, type Unit } from '../case'
import { cutSteps, reductionCheck } from '../generators/cutting'
import { bondedBite, provisionalOff, shadeOnTooth, tryIn } from '../generators/delivery'
import { cleanPiece, primePiece } from '../generators/piece'
import { flossContacts, surfaceWords } from '../generators/filling'
import { dentineSealed } from '../generators/handed-on'
import { finalImpression } from '../generators/impression'
import { sheetOff, sheetOn } from '../generators/isolation'
import { makeProvisional, trimProvisional } from '../generators/provisional'
import { fitProvisional } from '../generators/provisional-fit'
import { opposingArch, paintTray, provisionalMould, shadePreview } from '../generators/records'
import { boxSites, cordPlan, type CordPlan } from '../generators/cord-plan'
import { cords } from '../generators/tissue'
import { deliveryAfter, weekAfter } from './follow-ups'
import { restoring } from './kind'

/** Surfaces where the case does not say: an inlay of two, an onlay of three. */
const usual = (c: Case): string => (c.restoration === 'ceramic onlay' ? 'MOD' : 'MO')
const spot = (c: Case): Spot => spotOnAll(c, 'inlay', 'restoring')

/** Dentine sealed at once: the bond to fresh dentine; the sticky layer then has to go before silicone and bis-acryl. */
function sealDentine(c: Case): Block {
  if (c.school('dentineSeal') === 'at delivery')
    return absent(
      'dentine seal',
      reason('the dentist’s choice: nothing on the dentine until the piece is bonded', 'practice'),
    )
  const s = spot(c)
  const light = cureOf(c, 'dentine seal, under glycerine', 'cure.adhesive', bottleOf(c))
  return sequence(
    bondTooth(c, s, 'fresh dentine'),
    lightStep(c, s, 'inlay.seal-glycerine', light, { as: 'light:glycerine over the seal' }),
  )
}

/** The patient bites on gauze while the cords dwell; then the pellets are out and the tray is ready. */
function biteOnGauze(c: Case, plan: CordPlan): Block {
  return only(plan.layers.length > 0 && plan.sites.length > 0, () => lay(c, 'tissue.bite-gauze'))
}

/** Stopping holds the boxes until delivery, and is counted out there. */
const softStopping = (c: Case, boxes: number): Block => lay(c, 'provisional.stopping', { boxes })

/** The provisional of an inlay, by the school picked; resin-sealed dentine makes the separator a hold. */
function inlayProvisional(c: Case): Block {
  const sealed = c.school('dentineSeal') === 'at once'
  const school = c.school('inlayProvisional')
  if (school === 'bis-acryl') return sequence(makeProvisional(c, { sealed }), trimProvisional(c), fitProvisional(c))
  const boxes = c.units.reduce((n, u) => n + boxesOf(surfacesOf(u, usual(c))).length, 0)
  const separate = lay(c, 'provisional.separate:inlay', { sealed })
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
    only(boxes > 0 && school === 'painted', () => softStopping(c, boxes)),
    school === 'painted' ? lay(c, 'provisional.paint', { tell }) : lay(c, 'provisional.soft', { tell }),
    lay(c, 'provisional.check', { good }),
  )
}

export const inlayPrepare = restoring({
  id: 'inlay.prepare',
  beforehand: (c) => [
    shadePreview(c),
    sequence(
      paintTray(c),
      c.school('inlayProvisional') === 'bis-acryl' ? provisionalMould(c) : sequence(),
      opposingArch(c),
    ),
  ],
  work: (c) => {
    const school = cordPlan(c, boxSites(c, usual(c)))
    const plan: CordPlan = { ...school, pellet: school.layers.length > 0 && school.layers.at(-1) !== 'base' }
    const dam = c.school('bondingIsolation') === 'dam'
    return sequence(
      sheetOn(c, { purpose: 'bonding' }),
      cutSteps(c, inlayLines, [10, 16, 28], (u) => surfaceWords(u, usual(c))),
      reductionCheck(c, {
        as: 'cutting.reduction-check:inlay',
        writeRange: writeRange(reductionTargets(c.restoration).inner),
        finishes: c.units.map((u) => `cutting.finish.${u.tooth}`),
      }),
      sealDentine(c),
      only(dam, () => lay(c, 'isolation.fold')),
      plan.sites.length > 0 ? cords(c, plan) : absent('cord', practice('no proximal box: nothing under the tissue')),
      // Off and counted before anything is bitten on: a tray closes on no clamp.
      sheetOff(c),
      biteOnGauze(c, plan),
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
  const light = cureOf(c, `inlay ${u.said}, each side`, 'cure.piece', 'cement.resin')
  return sequence(
    dentineSealed(c, u.tooth) ? pumice(c, s, { as: '$stem.pumice:inlay' }) : pumice(c, s),
    bondTooth(c, s, 'cavity', { cured: false, dualCure: true }),
    lay(c, 'delivery.$tooth.load:inlay', { u }),
    lay(c, 'delivery.$tooth.seat:inlay', { u }),
    resinExcess(c, s),
    ...(['occlusal', 'buccal', c.jaw === 'upper' ? 'palatal' : 'lingual'] as const).map((side) =>
      lightStep(c, s, `delivery.${u.tooth}.cure-${side}`, light, {
        as: 'light:side',
        side,
        u,
      }),
    ),
    flossContacts(c, u, usual(c)),
  )
}

export const inlayDeliver = restoring({
  id: 'inlay.deliver',
  sheet: (c) => c.school('bondingIsolation') === 'dam',
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'bonding' }),
      provisionalOff(c, 'flick'),
      tryIn(c, c.restoration, { as: 'delivery.try-in:inlay' }, { bitten: false }),
      shadeOnTooth(c),
      cleanPiece(c, c.units.length === 1 ? pieceName(c) : 'pieces'),
      primePiece(c),
      ...c.units.map((u) => bondOne(c, u)),
      lay(c, 'finishing.edges:inlay', { u: firstOf(c.units) }),
      sheetOff(c),
    ),
  afterSheet: (c) => bondedBite(c),
  followUps: (c) => [weekAfter(c, 'bite and sensitivity')],
})
