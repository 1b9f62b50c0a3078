import { archLines } from '../cuts/crowns'
import { lay } from '../lay'
import { only, sequence, type Block } from '../build'
import type { Case } from '../case'
import { cutSteps, reductionCheck } from '../generators/cutting'
import { isolation, isolationOff } from '../generators/isolation'
import { impressionAndProvisional } from '../generators/impression-and-provisional'
import { opposingArch, paintTray, provisionalMould, shadePreview } from '../generators/records'
import { cordPlan } from '../generators/cord-plan'
import { overgrownTissue } from '../generators/overgrown'
import { cords } from '../generators/tissue'
import { deliveryAfter, tissueRecall, after } from './follow-ups'
import { restoring } from './kind'

/** The guides from the wax-up, tried before a bur goes in. */
const guides = (c: Case): Block => lay(c, 'records.reduction-guide')

/** A second shell over the gap shows the surgeon where teeth will be. */
const surgeonsShell = (c: Case): Block =>
  sequence(lay(c, 'provisional.second-shell'), lay(c, 'provisional.second-shell-label'))

/** J20: many lower units with implants to come. */
export const archPrepare = restoring({
  id: 'arch.prepare',
  deciding: (c) => [guides(c)],
  beforehand: (c) => [shadePreview(c), sequence(paintTray(c), provisionalMould(c), opposingArch(c))],
  work: (c) => {
    const cord = cordPlan(c)
    return sequence(
      isolation(c),
      cutSteps(c, archLines, [6, 10, 18]),
      reductionCheck(c, { as: 'cutting.reduction-check:arch' }),
      isolationOff(c),
      overgrownTissue(c),
      cords(c, cord),
      impressionAndProvisional(
        c,
        cord,
        sequence(
          only(c.pontics.length > 0, () => surgeonsShell(c)),
          lay(c, 'provisional.removable'),
        ),
      ),
    )
  },
  followUps: (c) => [
    {
      title: 'Surgeon: implants by the second shell',
      tell: 'the surgeon sets the implants',
      ...after(c, 'surgeon.implants'),
    },
    deliveryAfter(c, 'crown.deliver', 'Delivery of the units'),
    ...tissueRecall(c),
  ],
})
