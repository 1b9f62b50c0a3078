/** J15: cervical. */
import { neckLines } from '../cuts/cavities'
import { lay } from '../lay'
import { isAnterior } from '../../teeth/arch'
import { jawOf } from '../../teeth/notation'
import { soreGum } from '../../measure/numbing'
import { bondTooth } from '../generators/adhesive'
import { cureOf, lightStep } from '../generators/bonding'
import { sequence, type Block } from '../build'
import { type Case, type Unit } from '../case'
import { cutSteps } from '../generators/cutting'
import { readCavity, spotOf } from '../generators/filling'
import { rolls, sheetOff, sheetOn, clamp } from '../generators/isolation'
import { shadePreview } from '../generators/records'
import { bondingCordCounts, cordsForBonding } from '../generators/tissue'
import type { VisitKind } from './kind'
import { each, id, afterFilling } from './filling-steps'

/** One cavity after it has been cut: etched, filled in two increments, finished. */
function fillCervical(c: Case, u: Unit): Block {
  const s = spotOf(u)
  const layer = cureOf(c, `increment, ${u.said}`, 'cure.increment', 'composite.universal', 1)
  return sequence(
    readCavity(c, s, 'Gum edge in sight, no weeping.'),
    bondTooth(c, s, 'cavity'),
    ...['gum', 'incisal'].flatMap((half) => [
      lay(c, 'filling.$tooth.increment-$half', { half, u, afterFilling }),
      lightStep(c, s, id(u, `increment-${half}-cure`), layer),
    ]),
    lay(c, 'filling.$tooth.flash', { u }),
  )
}

/** J15: cervical. The cervical clamp, or a cord in the sulcus with rolls. */
export const fillingCervical: VisitKind = {
  id: 'filling.cervical',
  beforehand: (c) => [shadePreview(c)],
  work: (c) => {
    const dam = c.school('bondingIsolation') === 'dam'
    return sequence(
      dam
        ? sequence(
            sheetOn(c, { purpose: 'bonding' }),
            each(c, (u) =>
              lay(c, 'filling.$tooth.clamp', {
                u,
                jawOf: jawOf(u.tooth),
                isAnterior: isAnterior(u.tooth),
                soreGum: soreGum([u.tooth]),
                clamp: clamp('cervical', { words: 'double-bow cervical clamp' }),
              }),
            ),
          )
        : sequence(rolls(c), cordsForBonding(c, 'finishing.cords-out')),
      cutSteps(c, neckLines, [4, 6, 12]),
      each(c, (u) => fillCervical(c, u)),
      dam
        ? sequence(
            each(c, (u) => lay(c, 'filling.$tooth.clamp-off', { u })),
            sheetOff(c),
          )
        : lay(c, 'finishing.cords-out:cervical filling', { bondingCordCounts: bondingCordCounts(c) }),
    )
  },
  followUps: () => [],
}
