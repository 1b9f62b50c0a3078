import { lay } from '../library/lay'
import { reason } from '../figure'
import { only, sequence, type Block } from '../library/build'
import type { Case } from '../library/case'
import { crownLines } from '../phases/crown-cuts'
import { cutSteps, reductionCheck, theBur } from '../phases/cutting'
import { isolation, isolationOff } from '../phases/isolation'
import { impressionAndProvisional } from '../phases/impression-and-provisional'
import { opposingArch, paintTray, provisionalMould, shadePreview } from '../phases/records'
import { cordPlan } from '../phases/cord-plan'
import { overgrownTissue } from '../phases/overgrown'
import { cords } from '../phases/tissue'
import { deliveryAfter, tissueRecall, after } from './follow-ups'
import { restoring } from './kind'

const airway = reason(
  'Airway watch: bits of old work, temporary and wax come loose; gauze screen, suction behind the bur',
  'C',
)

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
      cutSteps(
        c,
        (u) =>
          crownLines(c, u).map((line, i) =>
            i === 0
              ? { ...line, cautions: [airway] }
              : line.act === 'finish'
                ? {
                    ...line,
                    title: 'Guide once more, then every line finished',
                    stuff: 'carbide' as const,
                    passes: ['reduction guide', theBur],
                  }
                : line,
          ),
        [6, 10, 18],
      ),
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
