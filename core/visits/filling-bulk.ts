/** J08: bulk fill and its cover. */
import { reason } from '../figure'
import { adhesive, adhesiveAfter, cureOf, etch, lightStep, type Spot } from '../phases/bonding'
import { nothing, open, sequence, type Block } from '../phases/build'
import { boxesOf, surfacesOf, type Case } from '../phases/case'
import { bulk, cavity, depthOf, finishComposite, flossContacts, matrixOff, matrixOn, spotOf } from '../phases/filling'
import { sheetOff, sheetOn } from '../phases/isolation'
import { shadePreview } from '../phases/records'
import type { VisitKind } from './kind'
import { place, underSheet, each, id, afterFilling, two } from './filling-steps'

/** The adhesive of a posterior filling by the school picked. */
function bondCavity(c: Case, s: Spot): Block {
  const school = c.choices.etch
  const rub = `rub in ${c.rule('adhesive.rub').value} s, ${s.label}`
  return sequence(
    school === 'none' ? nothing : etch(c, s, school),
    adhesive(c, s, {
      what: adhesiveAfter(school),
      title: `${school === 'total' ? 'Adhesive on moist dentine' : 'Self-etch adhesive'}: ${rub}`,
    }),
  )
}

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
        const { increments, blocks } = bulk(c, u, { pressed: boxesOf(surfacesOf(u, two)).length > 0 })
        const cover = cureOf(c, `cover layer, ${u.tooth}`, 'cure.increment', 'composite.universal', 2)
        return sequence(
          matrixOn(u, two, { kind: 'sectional' }),
          bondCavity(c, s),
          place(id(u, 'depth'), `Depth by probe: ${depthOf(u)} mm planned`, [0.2, 0.3, 0.5], {
            tooth: u.tooth,
            fn: 'chairside',
            asks: [{ reading: 'depth', teeth: [u.tooth], bulk: increments.bulkMm.length, band: false }],
            passes: ['probe'],
            needs: [open('periodontal probe')],
            figures: [increments.figure],
            reason: reason(increments.figure.text, 'C'),
            mistakes: ['guessed depth: the floor of a thick increment stays soft'],
          }),
          ...blocks,
          place(id(u, 'cover'), `Cover layer ${increments.coverMm} mm, cusps shaped`, [1, 2, 4], {
            tooth: u.tooth,
            told: `filled ${u.label}, ${surfacesOf(u, two)}, in ${increments.bulkMm.length} bulk increment${increments.bulkMm.length === 1 ? '' : 's'} and a cover`,
            tell: afterFilling,
            needs: [open('composite.universal', 1), open('composite carver'), open('composite plugger')],
            passes: ['composite on its instrument', 'shaping instrument'],
          }),
          lightStep(s, id(u, 'cover-cure'), cover),
          matrixOff(u, two, 'Ring, wedge, band, in that order'),
          flossContacts(u, two),
          finishComposite(s),
        )
      }),
      sheetOff(c),
    ),
  followUps: () => [],
}
