import type { KindId } from '../kinds'
import type { Step } from '../model/step'
import { learnKey, scaled, trimmedMeanOf } from '../practice/learned'
import type { Learned } from '../practice/practice'

/** A step with the length its performer really takes, and the starting value's mean beside it. */
export function withLearned(step: Step, kind: KindId, learned: Learned): Step {
  const own = learned[learnKey(kind, step.id, step.performer.personId)]
  if (!own) return step
  const startS = Math.round(trimmedMeanOf(step.spread))
  return { ...step, spread: scaled(step.spread, own.meanS), learned: { n: own.n, meanS: own.meanS, startS } }
}
