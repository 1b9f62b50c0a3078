/** The true lengths of a closed run's steps: what durations are learned from. */
import type { Plan } from '../model/plan'
import { learnKey, trimmedMeanOf } from '../practice/learned'
import { attended } from '../run/left-open'
import { stepState, type RunState } from '../run/state'
import { leftAfterMs } from '../run/touches'

/** Shorter is a touch made afterwards, not a step; longer was forgotten. */
const [leastS, mostS] = [5, leftAfterMs / 1000]

export interface StepTime {
  stepId: string
  key: string
  seconds: number
  /** The mean of the starting value it was planned with, the learned one left aside. */
  plannedS: number
}

/**
 * The true lengths of a closed run's steps; what was done over counts as it was done last, and of a visit that was left
 * only what was done before it was.
 */
export function stepTimesOf(plan: Plan, run: RunState): StepTime[] {
  const core = attended(run)
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
