/** J08: bulk fill and its cover. */
import { lay } from '../lay'
import { bondTooth } from '../generators/adhesive'
import { cureOf, lightStep } from '../generators/bonding'
import { sequence } from '../build'
import { surfacesOf } from '../case'
import {
  bulk,
  cavity,
  depthOf,
  flossContacts,
  matrixOff,
  matrixOn,
  polishComposite,
  shapeComposite,
  biteUntilEven,
  spotOf,
} from '../generators/filling'
import { sheetOff, sheetOn } from '../generators/isolation'
import { shadePreview } from '../generators/records'
import type { VisitKind } from './kind'
import { underSheet, each, id, afterFilling, two } from './filling-steps'

/** J08: bulk up to 4 mm, pressed to the neighbour while curing, 2 mm cover. */
export const fillingBulk: VisitKind = {
  id: 'filling.bulk',
  sheet: underSheet,
  beforehand: (c) => [shadePreview(c)],
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'bonding' }),
      cavity(c, two),
      each(c, (u) => {
        const s = spotOf(u)
        const { increments, blocks, shows } = bulk(c, u, two)
        const cover = cureOf(c, `cover layer, ${u.said}`, 'cure.increment', 'composite.universal', 2)
        return sequence(
          matrixOn(c, u, two, { kind: 'sectional' }),
          bondTooth(c, s, 'cavity'),
          lay(c, 'filling.$tooth.depth', {
            depthOf: depthOf(u),
            u,
            length: increments.bulkMm.length,
            before: shows.before,
            figure: increments.figure,
            text: increments.figure.text,
          }),
          ...blocks,
          lay(c, 'filling.$tooth.cover', {
            coverMm: increments.coverMm,
            u,
            cover: shows.cover,
            surfacesOf: surfacesOf(u, two),
            length: increments.bulkMm.length,
            afterFilling,
          }),
          lightStep(c, s, id(u, 'cover-cure'), cover),
          matrixOff(c, u, two, 'Ring off, then the wedge, then the band'),
          flossContacts(c, u, two),
          shapeComposite(c, u),
        )
      }),
      sheetOff(c),
    ),
  afterSheet: (c) => each(c, (u) => sequence(biteUntilEven(c, u, 'filling'), polishComposite(c, u))),
  followUps: () => [],
}
