/** What the planner proposes to come next by itself, with working days. */
import type { RuleId } from '../../rules'
import type { Case } from '../case'
import { unitCount } from '../case'
import { overgrownTeeth } from '../generators/overgrown'
import type { FollowUp } from '../../model/plan'
import type { KindId } from '../../kinds'

/** When something comes next, by the register. */
export function after(c: Case, rule: RuleId): Pick<FollowUp, 'afterWorkingDays' | 'because'> {
  const { value, because } = c.rule(rule)
  return { afterWorkingDays: value, because }
}

/** Delivery after the laboratory's working days, as this practice's laboratory takes them. */
export function deliveryAfter(c: Case, kind: KindId, title: string): FollowUp {
  const own = c.practice.laboratoryDays
  return {
    title,
    kind,
    afterWorkingDays: own,
    because: {
      text:
        own === 10
          ? 'the laboratory’s working days; each practice enters its own'
          : `this laboratory takes ${own} working days`,
      standing: own === 10 ? 'estimate' : 'practice',
    },
  }
}

/** A framework is tried in before it is finished where the span is long. */
export function tryInOf(c: Case): FollowUp[] {
  if (c.pontics.length === 0 || unitCount(c) < 4) return []
  return [
    {
      title: 'Try-in of the framework',
      kind: 'bridge.try-in',
      afterWorkingDays: Math.ceil(c.practice.laboratoryDays / 2),
      because: { text: `${unitCount(c)} units: a long span is tried in before the ceramic`, standing: 'C' },
    },
  ]
}

/** A week after tissue surgery the tissue is looked at. */
export function tissueRecall(c: Case): FollowUp[] {
  if (overgrownTeeth(c).length === 0 || c.school('redundantTissue') === 'wait') return []
  return [
    {
      title: 'Look at the tissue',
      kind: 'recall.week',
      ...after(c, 'recall.tissue'),
    },
  ]
}

/** A week after bonding: tissue, floss, bite, colour once the teeth are wet through again. */
export const weekAfter = (c: Case, what: string): FollowUp => ({
  title: `Recall: ${what}`,
  kind: 'recall.week',
  ...after(c, 'recall.bonding'),
})
