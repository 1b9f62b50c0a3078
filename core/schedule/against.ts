/** A visit that is over, held against its plan: both scores on one scale, and the steps that went otherwise. */
import { sure } from '../sure'
import type { RunCore } from '../run/state'
import { layOutFrom } from './remaining'
import { layOut, type Scored, type Timeline } from './timeline'

export interface StepAgainst {
  stepId: string
  title: string
  plannedS: number
  realS: number
}
export interface Against {
  planned: Timeline
  real: Timeline
  /** Whichever is longer: both are drawn on it. */
  scaleS: number
  /** Steps longer or shorter by so much that it is worth a word, the greatest difference first. */
  steps: StepAgainst[]
  /** Planned and never done. */
  leftOut: string[]
}

/** Less than this nobody remembers, seconds. */
const worthAWordS = 60

/** @param closedAt ms since the epoch, as the events are stamped */
export function againstPlan(plan: Scored, core: RunCore, closedAt: number): Against {
  const [planned, real] = [layOut(plan), layOutFrom(plan, core, closedAt)]
  const went = new Map(real.bars.map((b) => [b.stepId, b.endS - b.startS]))
  const steps = planned.bars
    .filter((b) => went.has(b.stepId))
    .map((b) => ({
      stepId: b.stepId,
      title: b.title,
      plannedS: b.endS - b.startS,
      realS: sure(went.get(b.stepId)),
    }))
    .filter((s) => Math.abs(s.realS - s.plannedS) >= worthAWordS)
    .toSorted((a, b) => Math.abs(b.realS - b.plannedS) - Math.abs(a.realS - a.plannedS))
  return {
    planned,
    real,
    scaleS: Math.max(planned.totalS, real.totalS),
    steps,
    leftOut: planned.bars.filter((b) => !went.has(b.stepId)).map((b) => b.title),
  }
}
