/**
 * A kind of visit as it stands in the library: what is its own, as the day runs. Arrival, anaesthesia and closing are the frame every
 * visit shares; whether the tooth has to be numb follows from the steps of the work itself.
 */
import type { KindId } from '../kinds'
import type { BiteStage } from './bite-stages'
import type { FollowUpLaid } from './follow-ups'
import type { Parts } from './part'
import type { LaidList } from './template'
import type { When } from './when'

export interface Kind {
  readonly id: KindId
  /** What decides whether, and how, the work is done at all: before the needle, not behind it. */
  readonly deciding?: Parts
  /** What fills the wait for the anaesthetic; each list is a branch beside the others. */
  readonly beforehand?: readonly Parts[]
  readonly work: Parts
  /** What is done to the teeth once the sheet is off: of works that share one, when it is off for all of them. */
  readonly afterSheet?: Parts
  /** The sheet is on from the first to the last step of the work. */
  readonly sheet?: When
  /** Done under general anaesthesia: nobody is numbed, the throat is packed. */
  readonly asleep?: true
  /** At which stages the bite is looked at, or said not to be. */
  readonly bites: LaidList<BiteStage>
  readonly followUps?: LaidList<FollowUpLaid>
}
