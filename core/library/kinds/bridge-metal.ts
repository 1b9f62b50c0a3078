/** J02: bonded metal bridge on a lateral gap: preparation, try-in, delivery with its 20 s and 90 s clock. */
import { metalRetainerLines } from '../cuts/enamel'
import { lay } from '../lay'
import { firstOf } from '../../sure'
import { etch, frosted, pumice, spotOnAll } from '../generators/bonding'
import { sequence, type Block } from '../build'
import { type Case } from '../case'
import { cutSteps } from '../generators/cutting'
import { shadeOnTooth, tryIn } from '../generators/delivery'
import { finalImpression } from '../generators/impression'
import { rolls, sheetOff, sheetOn } from '../generators/isolation'
import { opposingArch, paintTray, shadePreview } from '../generators/records'
import { cordPlan } from '../generators/cord-plan'
import { overgrownTissue } from '../generators/overgrown'
import { cleanPiece } from '../generators/piece'
import { cords } from '../generators/tissue'
import { parts } from '../../teeth/notation'
import { deliveryAfter, tissueRecall, weekAfter, after } from './follow-ups'
import type { VisitKind } from './kind'

export const bridgeMetalPrepare: VisitKind = {
  id: 'bridge.metal.prepare',
  deciding: (c) => [lay(c, 'records.room'), lay(c, 'records.opponent', { u: firstOf(c.units) })],
  beforehand: (c) => [shadePreview(c), sequence(paintTray(c), opposingArch(c))],
  work: (c) => {
    const cord = cordPlan(c)
    return sequence(
      overgrownTissue(c),
      rolls(c),
      lay(c, 'cutting.outline'),
      cutSteps(c, metalRetainerLines, [4, 7, 12]),
      cords(c, cord),
      finalImpression(c, cord),
      lay(c, 'records.slip', { canine: c.units.some((u) => parts(u.tooth).position === 3) }),
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
      tryIn(c, 'metal bridge', { as: 'delivery.try-in:metal bridge' }),
      shadeOnTooth(c, { as: 'delivery.shade:metal bridge' }),
      lay(c, 'delivery.back-to-lab'),
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
  return sequence(lay(c, 'delivery.seat-try'), cleanPiece(c, 'bridge'), lay(c, 'delivery.vacuum'))
}

/** From the first mix to hard: the 90 s clock. */
function clock(c: Case): Block {
  const left = c.rule('metal bridge.seated').value - c.rule('metal bridge.last').value
  return sequence(
    lay(c, 'delivery.bond-mix'),
    lay(c, 'delivery.cement-mix'),
    lay(c, 'delivery.seat:metal bridge', {
      u: firstOf(c.units),
      left,
      clockSteps,
    }),
    lay(c, 'delivery.hold'),
  )
}

export const bridgeMetalDeliver: VisitKind = {
  id: 'bridge.metal.deliver',
  work: (c) => {
    const spot = spotOnAll(c, 'delivery', 'delivery')
    return sequence(
      sheetOn(c, { purpose: 'bonding', tied: c.units.map((u) => u.tooth) }),
      readyPiece(c),
      pumice(c, spot),
      etch(c, spot, 'enamel', { hold: frosted() }),
      clock(c),
      sheetOff(c),
      lay(c, 'delivery.excess:metal bridge'),
      lay(c, 'delivery.fingers'),
      lay(c, 'delivery.bite:metal bridge'),
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
