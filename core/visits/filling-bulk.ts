/** J08: bulk fill and its cover. */
import { reason } from '../figure'
import { bondTooth } from '../phases/adhesive'
import { cureOf, lightStep } from '../phases/bonding'
import { open, sequence } from '../library/build'
import { surfacesOf } from '../library/case'
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
} from '../phases/filling'
import { sheetOff, sheetOn } from '../phases/isolation'
import { shadePreview } from '../phases/records'
import type { VisitKind } from './kind'
import { place, underSheet, each, id, afterFilling, two } from './filling-steps'

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
          matrixOn(u, two, { kind: 'sectional' }),
          bondTooth(c, s, 'cavity'),
          place(id(u, 'depth'), `Depth by probe: ${depthOf(u)} mm planned`, [0.2, 0.3, 0.5], {
            tooth: u.tooth,
            fn: 'chairside',
            asks: [{ reading: 'depth', teeth: [u.tooth], bulk: increments.bulkMm.length, band: false }],
            passes: ['probe'],
            shows: shows.before,
            needs: [open('periodontal probe')],
            figures: [increments.figure],
            reason: reason(increments.figure.text, 'C'),
            mistakes: ['guessed depth: the floor of a thick increment stays soft'],
          }),
          ...blocks,
          place(id(u, 'cover'), `Cover layer ${increments.coverMm} mm, cusps shaped`, [1, 2, 4], {
            tooth: u.tooth,
            shows: shows.cover,
            told: `filled ${u.label}, ${surfacesOf(u, two)}, in ${increments.bulkMm.length} bulk increment${increments.bulkMm.length === 1 ? '' : 's'} and a cover`,
            tell: afterFilling,
            needs: [open('composite.universal', 1), open('composite carver'), open('composite plugger')],
            passes: ['composite on its instrument', 'shaping instrument'],
            detail: `${increments.coverMm} mm left: read with the probe first. In one layer or two, in its own shade.`,
          }),
          lightStep(s, id(u, 'cover-cure'), cover),
          matrixOff(u, two, 'Ring off, then the wedge, then the band'),
          flossContacts(u, two),
          shapeComposite(u),
        )
      }),
      sheetOff(c),
    ),
  afterSheet: (c) => each(c, (u) => sequence(biteUntilEven(u, 'filling'), polishComposite(u))),
  followUps: () => [],
}
