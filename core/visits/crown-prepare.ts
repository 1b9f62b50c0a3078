import { meanwhile, sequence, type Block } from '../phases/build'
import type { Case } from '../phases/case'
import { crownCutting, reductionCheck } from '../phases/cutting'
import { finalImpression } from '../phases/impression'
import { isolation, isolationOff } from '../phases/isolation'
import { fitProvisional, makeProvisional, trimProvisional } from '../phases/provisional'
import { opposingArch, paintTray, provisionalMould, shadePreview } from '../phases/records'
import { cordPlan } from '../phases/cord-plan'
import { overgrownTissue } from '../phases/overgrown'
import { cords } from '../phases/tissue'
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
  const hasCord = cord.layers.length > 0
  return sequence(
    overgrownTissue(c),
    cords(c, cord),
    makeProvisional(c),
    meanwhile(hasCord ? 'the cord dwells' : 'the tray is made ready', trimProvisional(c), finalImpression(c, cord)),
    fitProvisional(c),
  )
}

/** J05: crown or conventional bridge, first visit, assistant-led. Reads like the day runs. */
export const crownPrepare = restoring({
  id: 'crown.prepare',
  beforehand: crownRecords,
  work: (c) => sequence(isolation(c), crownCutting(c), reductionCheck(c), isolationOff(c), afterCutting(c)),
  followUps: (c) => [
    ...tryInOf(c),
    deliveryAfter(c, 'crown.deliver', `Delivery of the ${c.pontics.length > 0 ? 'bridge' : c.restoration}`),
    ...tissueRecall(c),
  ],
})
