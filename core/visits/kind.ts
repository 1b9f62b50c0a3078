import type { Block } from '../phases/build'
import type { Case } from '../phases/case'
import type { FollowUp } from '../model/plan'
import type { KindId } from '../kinds'

/**
 * A kind of visit: what is its own. Arrival, anaesthesia and closing are the frame every visit shares; whether the tooth
 * has to be numb follows from the steps of the work itself.
 */
export interface VisitKind {
  id: KindId
  /** What fills the wait for the anaesthetic; each block is a branch beside the others. */
  beforehand?: (c: Case) => Block[]
  work: (c: Case) => Block
  followUps: (c: Case) => FollowUp[]
  /** The sheet is on from the first to the last step of the work. */
  sheet?: (c: Case) => boolean
  /** Done under general anaesthesia: nobody is numbed, the throat is packed. */
  asleep?: boolean
  /** The work checks the bite itself. */
  ownBite?: boolean
}
