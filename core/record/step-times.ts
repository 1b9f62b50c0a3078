/** The true lengths of a closed run's steps: what durations are learned from. */
import type { Plan } from '../model/plan'
import { learnKey, trimmedMeanOf } from '../practice/learned'
import { leftAfterMs } from '../run/left-open'
import { stepState, type RunCore } from '../run/state'

/** Shorter is a touch made afterwards, not a step; longer was forgotten. */
const [leastS, mostS] = [5, leftAfterMs / 1000]

export interface StepTime {
  stepId: string
  key: string
  seconds: number
  /** The mean of the starting value it was planned with, the learned one left aside. */
  plannedS: number
}

/** The true lengths of a closed run's steps; what was done over counts as it was done last. */
export function stepTimesOf(plan: Plan, core: RunCore): StepTime[] {
  return plan.steps.flatMap((s): StepTime[] => {
    const is = stepState(core, s.id)
    if (is.status !== 'done') return []
    const seconds = (is.finishedAt - is.startedAt) / 1000
    return seconds < leastS || seconds > mostS
      ? []
      : [
          {
            stepId: s.id,
            key: learnKey(plan.kind, s.id, is.performer),
            seconds,
            plannedS: s.learned?.startS ?? Math.round(trimmedMeanOf(s.spread)),
          },
        ]
  })
}
