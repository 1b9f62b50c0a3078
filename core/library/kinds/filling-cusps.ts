/** J21: cusp by cusp. */
import { cuspLines } from '../cuts/cavities'
import { lay } from '../lay'
import { type Case, type Unit } from '../case'
import { bondTooth, bottleOf } from '../generators/adhesive'
import { cureOf, cureTogether, lightStep } from '../generators/bonding'
import { sequence, type Block } from '../build'
import { cutSteps } from '../generators/cutting'
import { biteUntilEven, polishComposite, readCavity, shapeComposite, spotOf } from '../generators/filling'
import { sheetOff, sheetOn } from '../generators/isolation'
import { shadePreview } from '../generators/records'
import type { VisitKind } from './kind'
import { underSheet, each, id, afterFilling } from './filling-steps'

/** One tooth: bonded, floored with flowable, each cusp by itself, stain, the last light under glycerine. */
function buildUp(c: Case, u: Unit): Block {
  const s = spotOf(u)
  const flow = cureTogether(`thin flowable with the adhesive, ${u.said}`, [
    cureOf(c, `adhesive, ${u.said}`, 'cure.adhesive', bottleOf(c)),
    cureOf(c, `thin flowable, ${u.said}`, 'cure.increment', 'composite.flowable'),
  ])
  const layer = cureOf(c, `cusp, ${u.said}`, 'cure.increment', 'composite.universal', 2)
  const glycerine = cureOf(c, `under glycerine, ${u.said}`, 'cure.increment', 'composite.universal')
  const cusps =
    u.size.mesiodistalMm >= 9 ? ['mesiobuccal', 'distobuccal', 'mesiolingual', 'distolingual'] : ['buccal', 'lingual']
  return sequence(
    readCavity(c, s),
    bondTooth(c, s, 'cavity', { cured: false }),
    lay(c, 'filling.$tooth.flow', { u }),
    lightStep(c, s, id(u, 'flow-cure'), flow, { as: 'light:thin flowable' }),
    ...cusps.flatMap((cusp) => [
      lay(c, 'filling.$tooth.cusp-$cusp', { cusp, u }),
      lightStep(c, s, id(u, `cusp-${cusp}-cure`), layer),
    ]),
    lay(c, 'filling.$tooth.stain', { u, afterFilling }),
    lightStep(c, s, id(u, 'glycerine-cure'), glycerine, { as: 'light:under glycerine' }),
    shapeComposite(c, u),
  )
}

/** J21: cusp by cusp on one surface; thin flowable cured longer; stain; glycerine. */
export const fillingCusps: VisitKind = {
  id: 'filling.cusps',
  sheet: underSheet,
  beforehand: (c) => [shadePreview(c)],
  work: (c) =>
    sequence(
      sheetOn(c, { purpose: 'bonding' }),
      each(c, (u) => lay(c, 'filling.$tooth.clean', { u })),
      cutSteps(c, cuspLines, [3, 5, 10]),
      each(c, (u) => buildUp(c, u)),
      sheetOff(c),
    ),
  afterSheet: (c) => each(c, (u) => sequence(biteUntilEven(c, u, 'filling'), polishComposite(c, u))),
  followUps: () => [],
}
