/** J09: injection-moulded. */
import { lay } from '../lay'
import { soreGum } from '../../measure/numbing'
import { bandHeight } from '../../measure/restoring'
import { bondTooth, bottleOf } from '../generators/adhesive'
import { cureOf, lightStep, type Spot } from '../generators/bonding'
import { only, sequence, type Block } from '../build'
import { boxesOf, surfacesOf, type Case, type Unit } from '../case'
import {
  biteUntilEven,
  cavity,
  depthOf,
  flossContacts,
  matrixOff,
  matrixOn,
  spotOf,
  volumeOf,
} from '../generators/filling'
import { injectedFor } from '../../measure/volumes'
import { sheetOff, sheetOn } from '../generators/isolation'
import { shadePreview } from '../generators/records'
import type { VisitKind } from './kind'
import { underSheet, each, id, afterFilling, two } from './filling-steps'

/** Three-point cure: 10 s occlusal, buccal, lingual. Standing C. */
function threePoints(c: Case, s: Spot, u: Unit): Block {
  const from = (side: string): Block => {
    const light = cureOf(c, `injected filling ${u.said}, ${side}`, 'cure.injected', 'composite.injectable')
    return lightStep(c, s, id(u, `cure-${side}`), light, { as: 'light:side', side, u })
  }
  return sequence(
    from('occlusal'),
    // The ring shades the sides: it goes before their light, the wedge and the band after it.
    only(boxesOf(surfacesOf(u, two)).length > 0, () => lay(c, 'filling.$tooth.ring-off', { u })),
    from('buccal'),
    from(c.jaw === 'upper' ? 'palatal' : 'lingual'),
  )
}

/** Clean, measured, and the band that the depth asks for. */
function readyToFill(c: Case, u: Unit): Block {
  const boxes = boxesOf(surfacesOf(u, two))
  const beside = boxes.flatMap((b) => (u[b].tooth ? [u[b].said] : []))
  const band = bandHeight(depthOf(u))
  return sequence(
    only(beside.length > 0, () => lay(c, 'filling.$tooth.pre-wedge-out', { u })),
    only(beside.length > 0, () => lay(c, 'filling.$tooth.strip', { u })),
    lay(c, 'filling.$tooth.powder', { u }),
    only(beside.length > 0, () =>
      sequence(
        lay(c, 'filling.$tooth.guard-out', { u }),
        lay(c, 'filling.$tooth.disc-neighbour', { besideWords: beside.join(', '), u }),
      ),
    ),
    only(boxes.length > 0, () => lay(c, 'filling.$tooth.measure', { u, band })),
    matrixOn(c, u, two, {
      kind: 'sectional',
      band: `${band.value} mm or higher, pressed 5 s, wedge while pressing, ring rocked home`,
      figure: band,
    }),
  )
}

/** Bonded, the contact tacked, then flowable and paste, warm, in one go. */
function injected(c: Case, u: Unit): Block {
  const s = spotOf(u)
  const boxes = boxesOf(surfacesOf(u, two))
  const volume = volumeOf(u, two)
  const amounts = injectedFor(volume.value, boxes.length)
  return sequence(
    bondTooth(c, s, 'cavity', { cured: false }),
    only(boxes.length > 0, () => lay(c, 'filling.$tooth.beads', { u, coolMl: amounts.coolMl })),
    lay(c, 'filling.$tooth.wet-again', { boxes, u, bottleOf: bottleOf(c) }),
    lay(c, 'filling.$tooth.inject', {
      u,
      surfacesOf: surfacesOf(u, two),
      afterFilling,
      boxes,
      warmMl: amounts.warmMl,
      compules: amounts.compules,
      volume,
      figure: amounts.figure,
    }),
    threePoints(c, s, u),
  )
}

/** The band out, cut back. */
function finished(c: Case, u: Unit): Block {
  return sequence(
    matrixOff(c, u, two, 'Wedge out; band freed with the explorer, spun out with the haemostat', {
      as: 'filling.$tooth.matrix-off:injected',
    }),
    flossContacts(c, u, two),
    lay(c, 'filling.$tooth.cut-back', { u }),
  )
}

/** Two cups, the assistant's light and air with them. */
function polished(c: Case, u: Unit): Block {
  return sequence(lay(c, 'filling.$tooth.polish-dry', { u }), lay(c, 'filling.$tooth.polish-wet', { u }))
}

/** J09: injection-moulded. The warmer is on ten minutes before; a pre-wedge opens the contact while the cavity is cut. */
export const fillingInjected: VisitKind = {
  id: 'filling.injected',
  sheet: underSheet,
  beforehand: (c) => [lay(c, 'records.warmer'), shadePreview(c)],
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'bonding' }),
      each(c, (u) => {
        const beside = boxesOf(surfacesOf(u, two)).filter((b) => u[b].tooth)
        return only(beside.length > 0, () =>
          lay(c, 'filling.$tooth.pre-wedge', {
            besideWords: beside.join(' and '),
            u,
            soreGum: soreGum([u.tooth]),
            length: beside.length,
          }),
        )
      }),
      cavity(c, two),
      each(c, (u) => sequence(readyToFill(c, u), injected(c, u), finished(c, u))),
      sheetOff(c),
    ),
  afterSheet: (c) => each(c, (u) => sequence(biteUntilEven(c, u, 'filling'), polished(c, u))),
  followUps: () => [],
}
