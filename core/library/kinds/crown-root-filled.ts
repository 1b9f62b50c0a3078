import { rootFilledLines } from '../cuts/other-crowns'
import { lay } from '../lay'
import { reductionTargets } from '../../measure/reduction'
import { sequence, type Block } from '../build'
import type { Case, RestoredCase } from '../case'
import { cutSteps, reductionCheck } from '../generators/cutting'
import { isolation, isolationOff } from '../generators/isolation'
import { afterCutting, crownRecords } from './crown-prepare'
import { deliveryAfter, tissueRecall } from './follow-ups'
import { restoring } from './kind'

/** Root-filled molar: a first look by about 6 minutes for the top, 10 for the contacts. Standing C or estimate. */
const minutes = [14, 22, 40] as const

/** The top is a V as deep as the bur’s own head. */
const headOf = (c: RestoredCase): { head: number; headWords: string } => {
  const head = Math.max(1.5, reductionTargets(c.restoration).functionalCusp.mostMm)
  return { head, headWords: head.toFixed(1) }
}

/** The neighbours are looked at while the sides are open. */
function lookBeside(c: Case): Block {
  const beside = c.units.flatMap((u) => [u.mesial, u.distal]).flatMap((n) => (n.tooth ? [n.said] : []))
  return lay(c, 'cutting.look-beside', { besideWords: beside.join(', '), beside })
}

/** J18: crown on a root-filled upper molar, four-handed, under magnification. */
export const crownRootFilled = restoring({
  id: 'crown.root-filled',
  beforehand: crownRecords,
  work: (c) =>
    sequence(
      lay(c, 'cutting.loupes'),
      isolation(c),
      cutSteps(c, rootFilledLines, minutes, () => headOf(c)),
      lookBeside(c),
      reductionCheck(c),
      isolationOff(c),
      afterCutting(c),
    ),
  followUps: (c) => [deliveryAfter(c, 'crown.deliver', `Delivery of the ${c.restoration}`), ...tissueRecall(c)],
})
