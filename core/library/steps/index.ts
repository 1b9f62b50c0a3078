/** Every step of the library, by its id; where one id is said otherwise by another work, that work stands behind a colon. */
import { adhesiveSteps } from './adhesive'
import { anaesthesiaSteps } from './anaesthesia'
import { archPrepareSteps } from './arch-prepare'
import { arrivalSteps } from './arrival'
import { asleepSteps } from './asleep'
import { bondingSteps } from './bonding'
import { bridgeCeramicSteps } from './bridge-ceramic'
import { bridgeMetalSteps } from './bridge-metal'
import { bridgeTryInSteps } from './bridge-try-in'
import { canalSteps } from './canal'
import { closingSteps } from './closing'
import { creviceSteps } from './crevice'
import { crownDeliverSteps } from './crown-deliver'
import { crownInterimSteps } from './crown-interim'
import { crownMetalSteps } from './crown-metal'
import { crownRootFilledSteps } from './crown-root-filled'
import { cuttingSteps } from './cutting'
import { deliverySteps } from './delivery'
import { endoCoreCrownSteps } from './endo-core-crown'
import { fillingAmalgamSteps } from './filling-amalgam'
import { fillingBulkSteps } from './filling-bulk'
import { fillingCervicalSteps } from './filling-cervical'
import { fillingCuspsSteps } from './filling-cusps'
import { fillingInjectedSteps } from './filling-injected'
import { fillingSteps } from './filling'
import { goldDeliverSteps } from './gold-deliver'
import { impressionTraySteps } from './impression-tray'
import { impressionSteps } from './impression'
import { inlaySteps } from './inlay'
import { isolationSteps } from './isolation'
import { laminateDeliverSteps } from './laminate-deliver'
import { overgrownSteps } from './overgrown'
import { pieceSteps } from './piece'
import { postCoreSteps } from './post-core'
import { primaryClass3Steps } from './primary-class3'
import { primaryIncisorsSteps } from './primary-incisors'
import { primaryMetalCrownSteps } from './primary-metal-crown'
import { provisionalAgainSteps } from './provisional-again'
import { provisionalFitSteps } from './provisional-fit'
import { provisionalSteps } from './provisional'
import { pulpSteps } from './pulp'
import { recallSteps } from './recall'
import { recordsSteps } from './records'
import { tissueSteps } from './tissue'
import { twoRoundsSteps } from './two-rounds'
import { veneerPrepareSteps } from './veneer-prepare'

export const steps = {
  ...adhesiveSteps,
  ...anaesthesiaSteps,
  ...archPrepareSteps,
  ...arrivalSteps,
  ...asleepSteps,
  ...bondingSteps,
  ...bridgeCeramicSteps,
  ...bridgeMetalSteps,
  ...bridgeTryInSteps,
  ...canalSteps,
  ...closingSteps,
  ...creviceSteps,
  ...crownDeliverSteps,
  ...crownInterimSteps,
  ...crownMetalSteps,
  ...crownRootFilledSteps,
  ...cuttingSteps,
  ...deliverySteps,
  ...endoCoreCrownSteps,
  ...fillingAmalgamSteps,
  ...fillingBulkSteps,
  ...fillingCervicalSteps,
  ...fillingCuspsSteps,
  ...fillingInjectedSteps,
  ...fillingSteps,
  ...goldDeliverSteps,
  ...impressionTraySteps,
  ...impressionSteps,
  ...inlaySteps,
  ...isolationSteps,
  ...laminateDeliverSteps,
  ...overgrownSteps,
  ...pieceSteps,
  ...postCoreSteps,
  ...primaryClass3Steps,
  ...primaryIncisorsSteps,
  ...primaryMetalCrownSteps,
  ...provisionalAgainSteps,
  ...provisionalFitSteps,
  ...provisionalSteps,
  ...pulpSteps,
  ...recallSteps,
  ...recordsSteps,
  ...tissueSteps,
  ...twoRoundsSteps,
  ...veneerPrepareSteps,
} as const
export type StepId = keyof typeof steps
