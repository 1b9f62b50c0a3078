import { metalLines } from '../cuts/other-crowns'
import { lay } from '../lay'
import { sure } from '../../sure'
import { sequence, type Block } from '../build'
import type { Case } from '../case'
import { cutSteps, reductionCheck } from '../generators/cutting'
import { isolation, isolationOff } from '../generators/isolation'
import { afterCutting, crownRecords } from './crown-prepare'
import { deliveryAfter, tissueRecall } from './follow-ups'
import { restoring } from './kind'

/** The index that gauges every cut: made, sectioned, and checked back on the uncut teeth. */
function sectionedIndex(c: Case): Block {
  const mould = c.school('provisional') === 'bis-acryl in putty index'
  return sequence(
    // The mould stays whole: the one that is cut through is another.
    lay(c, 'records.reduction-index', { mould }),
    lay(c, 'records.section-index'),
    lay(c, 'records.check-index'),
  )
}

/** J03: full metal crown. */
export const crownMetal = restoring({
  id: 'crown.metal',
  beforehand: (c) => {
    const [shade, records] = crownRecords(c)
    return [sure(shade), sequence(sure(records), sectionedIndex(c))]
  },
  work: (c) =>
    sequence(
      isolation(c),
      cutSteps(c, metalLines),
      reductionCheck(c, {
        as: 'cutting.reduction-check:metal',
        finishes: c.units.map((u) => `cutting.finish.${u.tooth}`),
        convergence: c.units.map((u) => ({
          name: `${u.said}, convergence aimed at`,
          value: 6,
          unit: '°',
          text: 'about 6° in all between opposite walls of a metal crown; 10–20° is the published range for all crowns',
          standing: 'C',
        })),
      }),
      isolationOff(c),
      afterCutting(c),
    ),
  followUps: (c) => [deliveryAfter(c, 'crown.deliver', 'Delivery of the full metal crown'), ...tissueRecall(c)],
})
