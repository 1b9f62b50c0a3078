/** J01: bonded ceramic bridge on a front gap, preparation and delivery. */
import { ceramicRetainerLines } from '../cuts/enamel'
import { lay } from '../lay'
import { firstOf } from '../../sure'
import { bondTooth } from '../generators/adhesive'
import { cureOf, frosted, lightStep, pumice, resinExcess, spotOnAll, spotOn } from '../generators/bonding'
import { sequence, type Block } from '../build'
import { type Case } from '../case'
import { cutSteps } from '../generators/cutting'
import { shadeOnTooth, tryIn } from '../generators/delivery'
import { cleanPiece, primePiece } from '../generators/piece'
import { finalImpression } from '../generators/impression'
import { rolls, sheetOff, sheetOn } from '../generators/isolation'
import { opposingArch, paintTray, shadePreview } from '../generators/records'
import { cordPlan } from '../generators/cord-plan'
import { cords } from '../generators/tissue'
import { bridgePlace } from '../../measure/place'
import { retainerCure } from '../../measure/restoring'
import { deliveryAfter, weekAfter, after } from './follow-ups'
import type { VisitKind } from './kind'

export const bridgeCeramicPrepare: VisitKind = {
  id: 'bridge.ceramic.prepare',
  deciding: (c) => [
    lay(c, 'records.place', {
      verdict: bridgePlace(c.pontics.map((u) => u.tooth)).verdict,
      because: bridgePlace(c.pontics.map((u) => u.tooth)).because,
    }),
  ],
  beforehand: (c) => [shadePreview(c), sequence(paintTray(c), opposingArch(c))],
  work: (c) => {
    const cord = cordPlan(c)
    return sequence(
      rolls(c),
      cutSteps(c, ceramicRetainerLines, [5, 8, 14]),
      lay(c, 'cutting.retainer-check', { finishes: c.units.map((u) => `cutting.finish.${u.tooth}`) }),
      cords(c, cord),
      lay(c, 'impression.block-out'),
      finalImpression(c, cord),
      lay(c, 'records.pontic-note'),
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
    lay(c, 'delivery.piece-adhesive'),
    lay(c, 'delivery.alcohol'),
    pumice(c, spot),
    lay(c, 'delivery.antiseptic:ceramic bridge'),
    bondTooth(c, spot, 'enamel', { cured: false, dualCure: true, hold: frosted() }),
    lay(c, 'delivery.load:ceramic bridge'),
    lay(c, 'delivery.seat:ceramic bridge', { u: firstOf(c.units) }),
    resinExcess(c, spot),
    ...c.units.flatMap((u) =>
      (['front', 'back'] as const).map((side) => {
        const light = cureOf(c, `retainer ${u.said}, ${side}`, 'cure.retainer')
        return lightStep(c, spotOn(u, 'delivery', 'delivery'), `delivery.cure-${side}.${u.tooth}`, light, {
          as: 'light:ceramic bridge',
          side,
          u,
          first: u === c.units[0],
          light,
          whole,
        })
      }),
    ),
  )
}

export const bridgeCeramicDeliver: VisitKind = {
  id: 'bridge.ceramic.deliver',
  work: (c) =>
    sequence(
      tryIn(c, 'bridge', { as: 'delivery.try-in:ceramic bridge' }, { bitten: false }),
      shadeOnTooth(c),
      sheetOn(c, { purpose: 'bonding', tied: c.units.map((u) => u.tooth) }),
      bondRetainers(c),
      sheetOff(c),
      lay(c, 'finishing.edges', { u: firstOf(c.units) }),
      lay(c, 'finishing.threader'),
      lay(c, 'finishing.foil'),
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
