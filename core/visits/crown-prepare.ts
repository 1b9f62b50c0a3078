import { anaesthesia, numbTest } from '../phases/anaesthesia'
import { arrival } from '../phases/arrival'
import { meanwhile, sequence, type Block } from '../phases/build'
import type { Case } from '../phases/case'
import { closing } from '../phases/closing'
import { crownCutting, reductionCheck } from '../phases/cutting'
import { finalImpression } from '../phases/impression'
import { isolation, isolationOff } from '../phases/isolation'
import { fitProvisional, makeProvisional, trimProvisional } from '../phases/provisional'
import { opposingArch, paintTray, provisionalMould, shadePreview } from '../phases/records'
import { cordPlan, cords } from '../phases/tissue'
import type { VisitKind } from './kind'

/** J05: crown, first visit, assistant-led. Reads like the day runs. */
export const crownPrepare: VisitKind = {
  id: 'crown.prepare',
  title: 'Crown, first visit',
  day(c: Case): Block {
    const cord = cordPlan(c)
    const hasCord = cord.layers.length > 0
    return sequence(
      arrival(c),
      anaesthesia(c, hasCord),
      meanwhile('the anaesthetic takes', shadePreview(c), sequence(paintTray(c), provisionalMould(c), opposingArch(c)), numbTest(c, hasCord)),
      isolation(c),
      crownCutting(c),
      reductionCheck(c),
      isolationOff(c),
      cords(c, cord),
      makeProvisional(c),
      meanwhile(hasCord ? 'the cord dwells' : 'the tray is made ready', trimProvisional(), finalImpression(c, cord)),
      fitProvisional(c),
      closing(),
    )
  },
  followUps: (c) => [
    {
      title: `Delivery of the ${c.request.restoration}`,
      afterWorkingDays: 10,
      because: { text: 'the laboratory’s working days; each practice enters its own', standing: 'estimate' },
    },
  ],
}
