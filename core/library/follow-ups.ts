/** What the planner proposes to come next by itself, with working days. */
import type { Reason } from '../figure'
import type { KindId } from '../kinds'
import type { FollowUp } from '../model/plan'
import type { RuleId } from '../rules'
import type { Case } from './case'
import { madeOnce } from './prepare'
import type { LaidList } from './template'

export interface FollowUpLaid {
  title: string
  kind?: KindId
  /** How the patient is told of it, where its kind does not say. */
  tell?: string
  /** A row of the register, or as long as this practice’s laboratory takes. */
  after: RuleId | 'the laboratory' | 'half the laboratory'
  /** Why then, where the row does not say. */
  because?: Reason
}

function laboratory(own: number): Reason {
  return own === 10
    ? { text: 'the laboratory’s working days; each practice enters its own', standing: 'estimate' }
    : { text: `this laboratory takes ${own} working days`, standing: 'practice' }
}

function timed({ after, because, ...rest }: FollowUpLaid, c: Case): FollowUp {
  const days = c.practice.laboratoryDays
  if (after === 'the laboratory') return { ...rest, afterWorkingDays: days, because: because ?? laboratory(days) }
  if (after === 'half the laboratory')
    return { ...rest, afterWorkingDays: Math.ceil(days / 2), because: because ?? laboratory(days) }
  const rule = c.rule(after)
  return { ...rest, afterWorkingDays: rule.value, because: because ?? rule.because }
}

/** What comes after a work of this case. */
export function followUpsOf(laid: LaidList<FollowUpLaid> | undefined, c: Case): FollowUp[] {
  if (laid === undefined) return []
  // A follow-up is checked where it is written.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  return (madeOnce(laid, { c, own: {} }) as FollowUpLaid[]).map((f) => timed(f, c))
}
