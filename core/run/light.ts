/** Light given in a run, summed by tooth: many short cures are lost count of. */
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import type { RunCore } from './state'
import type { Tooth } from '../teeth/notation'

/** Seconds a step's light is on by the plan; 0 where it is none. */
export const lightS = (step: Step): number =>
  step.fn === 'curing' ? (step.figures.find((f) => f.unit === 's')?.value ?? 0) : 0

export interface LightSum {
  /** The tooth, or undefined where a light is for all of the work. */
  tooth?: Tooth
  givenS: number
  plannedS: number
  cures: number
  curesDone: number
}

/**
 * Of every tooth that is cured at: what was given, what is planned. A cure that was done over counts once, as it stands.
 * @example lightSums(plan, state.core) // []
 */
export function lightSums(plan: Plan, core: RunCore): LightSum[] {
  const sums = new Map<string | undefined, LightSum>()
  for (const step of plan.steps) {
    const seconds = lightS(step)
    if (seconds === 0 || core.steps[step.id]?.status === 'skipped') continue
    const sum = sums.get(step.tooth) ?? {
      ...(step.tooth ? { tooth: step.tooth } : {}),
      givenS: 0,
      plannedS: 0,
      cures: 0,
      curesDone: 0,
    }
    const done = core.steps[step.id]?.status === 'done'
    sums.set(step.tooth, {
      ...sum,
      plannedS: sum.plannedS + seconds,
      cures: sum.cures + 1,
      givenS: sum.givenS + (done ? seconds : 0),
      curesDone: sum.curesDone + (done ? 1 : 0),
    })
  }
  return [...sums.values()]
}
