/**
 * What the practice's own runs teach about time: for each kind of visit, kind of step and person, a robust mean of the
 * last twenty, from five on. The starting value stays beside it; plans use what was learned only where the practice says so.
 */
import type { Learned } from './practice'
import type { Plan, Spread, Step } from '../plan/types'
import type { RunCore } from '../run/state'

export const mostTaken = 20
export const leastTaken = 5
/** The share cut off at each end before the mean is taken [P: Wilcox, Introduction to Robust Estimation and Hypothesis Testing: 20 % trimmed mean]. */
export const trimmed = 0.2
/** Shorter is a touch made afterwards, not a step; longer was forgotten. */
const [leastS, mostS] = [5, 4 * 3600]

/** A step's kind: its id without the tooth, the piece or the ordinal. */
export const stepKind = (stepId: string): string =>
  stepId
    .split('.')
    .filter((part) => !/^\d/.test(part))
    .join('.')
export const learnKey = (kind: Plan['kind'], stepId: string, personId: string): string =>
  `${kind}|${stepKind(stepId)}|${personId}`

/** Mean of what is left when the trimmed share is cut off at each end; 0 of nothing. */
export function trimmedMean(values: readonly number[]): number {
  const cut = Math.floor(values.length * trimmed)
  const kept = values.toSorted((a, b) => a - b).slice(cut, values.length - cut)
  return kept.length === 0 ? 0 : kept.reduce((sum, v) => sum + v, 0) / kept.length
}

export interface StepTime {
  stepId: string
  key: string
  seconds: number
  /** The likely length the plan had for it. */
  plannedS: number
}

/** The true lengths of a closed run's steps; what was done over counts as it was done last. */
export function stepTimesOf(plan: Plan, core: RunCore): StepTime[] {
  return plan.steps.flatMap((s): StepTime[] => {
    const is = core.steps[s.id]
    if (is?.status !== 'done' || is.startedAt === undefined || is.finishedAt === undefined) return []
    const seconds = (is.finishedAt - is.startedAt) / 1000
    return seconds < leastS || seconds > mostS
      ? []
      : [
          {
            stepId: s.id,
            key: learnKey(plan.kind, s.id, is.performer ?? s.performer.personId),
            seconds,
            plannedS: s.spread.likelyS,
          },
        ]
  })
}

/** Learned durations from times, the newest first. */
export function learnedFrom(times: readonly { key: string; seconds: number }[]): Learned {
  const byKey = new Map<string, number[]>()
  for (const { key, seconds } of times) {
    const own = byKey.get(key) ?? []
    if (own.length < mostTaken) own.push(seconds)
    byKey.set(key, own)
  }
  return Object.fromEntries(
    [...byKey]
      .filter(([, own]) => own.length >= leastTaken)
      .map(([key, own]) => [key, { likelyS: Math.round(trimmedMean(own)), n: own.length }]),
  )
}

/** A spread about a learned length: short and long keep their proportion to it. */
export const scaled = ({ shortS, likelyS, longS }: Spread, toS: number): Spread => ({
  shortS: Math.round((shortS * toS) / likelyS),
  likelyS: toS,
  longS: Math.round((longS * toS) / likelyS),
})

/** A step with the length its performer really takes, and the starting value beside it. */
export function withLearned(step: Step, kind: Plan['kind'], learned: Learned): Step {
  const own = learned[learnKey(kind, step.id, step.performer.personId)]
  return own
    ? { ...step, spread: scaled(step.spread, own.likelyS), learned: { n: own.n, startS: step.spread.likelyS } }
    : step
}
