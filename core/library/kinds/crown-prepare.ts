import { sequence, type Block } from '../build'
import type { Case } from '../case'
import { crownLines } from '../cuts/crowns'
import { cutSteps, reductionCheck } from '../generators/cutting'
import { impressionAndProvisional } from '../generators/impression-and-provisional'
import { isolation, isolationOff } from '../generators/isolation'
import { opposingArch, paintTray, provisionalMould, shadePreview } from '../generators/records'
import { cordPlan } from '../generators/cord-plan'
import { overgrownTissue } from '../generators/overgrown'
import { cords } from '../generators/tissue'
import { deliveryAfter, tissueRecall, tryInOf } from './follow-ups'
import { restoring } from './kind'

/** Shade, mould and opposing arch: the assistant's work while the anaesthetic takes. */
export const crownRecords = (c: Case): Block[] => [
  shadePreview(c),
  sequence(paintTray(c), provisionalMould(c), opposingArch(c)),
]

/** From the cord to the cemented provisional: the same for every crown, however it was cut. */
export function afterCutting(c: Case): Block {
  const cord = cordPlan(c)
  return sequence(overgrownTissue(c), cords(c, cord), impressionAndProvisional(c, cord))
}

/** J05: crown or conventional bridge, first visit, assistant-led. Reads like the day runs. */
export const crownPrepare = restoring({
  id: 'crown.prepare',
  beforehand: crownRecords,
  work: (c) => sequence(isolation(c), cutSteps(c, crownLines), reductionCheck(c), isolationOff(c), afterCutting(c)),
  followUps: (c) => [
    ...tryInOf(c),
    deliveryAfter(c, 'crown.deliver', `Delivery of the ${c.pontics.length > 0 ? 'bridge' : c.restoration}`),
    ...tissueRecall(c),
  ],
})
