import type { KindId } from '../../kinds'
import type { FollowUp } from '../../model/plan'
import type { Block } from '../build'
import { restored, type Case, type RestoredCase } from '../case'

interface KindOf<C extends Case> {
  id: KindId
  /** What decides whether, and how, the work is done at all: before the needle, not behind it. */
  deciding?: (c: C) => Block[]
  /** What fills the wait for the anaesthetic; each block is a branch beside the others. */
  beforehand?: (c: C) => Block[]
  work: (c: C) => Block
  followUps: (c: C) => FollowUp[]
  /** The sheet is on from the first to the last step of the work. */
  sheet?: (c: Case) => boolean
  /** Done under general anaesthesia: nobody is numbed, the throat is packed. */
  asleep?: boolean
  /** What is done to the teeth once the sheet is off: of works that share one, when it is off for all of them. */
  afterSheet?: (c: C) => Block
}

/**
 * A kind of visit: what is its own. Arrival, anaesthesia and closing are the frame every visit shares; whether the tooth
 * has to be numb follows from the steps of the work itself.
 */
export type VisitKind = KindOf<Case>

/** A kind whose work is a restoration: what it is made of is known in every step of it. */
export function restoring({
  deciding,
  beforehand,
  work,
  afterSheet,
  followUps,
  ...rest
}: KindOf<RestoredCase>): VisitKind {
  return {
    ...rest,
    ...(deciding ? { deciding: (c) => deciding(restored(c)) } : {}),
    ...(beforehand ? { beforehand: (c) => beforehand(restored(c)) } : {}),
    work: (c) => work(restored(c)),
    ...(afterSheet ? { afterSheet: (c) => afterSheet(restored(c)) } : {}),
    followUps: (c) => followUps(restored(c)),
  }
}
