/** A visit that is over, held against its plan: both scores on one scale, and the steps that went otherwise. */
import { sure } from '../sure'
import { drawn } from '../run/left-open'
import { stepState, type RunState } from '../run/state'
import { layOutFrom } from './remaining'
import { layOut, type Bar, type Scored, type Timeline } from './timeline'

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
  /** Done by the record, but only told of when the visit had lain over a night: when they were done nobody knows. */
  writtenUp: string[]
}

/** Less than this nobody remembers, seconds. */
const worthAWordS = 60

/** @param closedAt ms since the epoch, as the events are stamped */
export function againstPlan(plan: Scored, run: RunState, closedAt: number): Against {
  const went = drawn(run, closedAt)
  const [planned, real] = [layOut(plan), layOutFrom(plan, went.core, went.until)]
  const lasted = new Map(real.bars.map((b) => [b.stepId, b.endS - b.startS]))
  const steps = planned.bars
    .filter((b) => lasted.has(b.stepId))
    .map((b) => ({
      stepId: b.stepId,
      title: b.title,
      plannedS: b.endS - b.startS,
      realS: sure(lasted.get(b.stepId)),
    }))
    .filter((s) => Math.abs(s.realS - s.plannedS) >= worthAWordS)
    .toSorted((a, b) => Math.abs(b.realS - b.plannedS) - Math.abs(a.realS - a.plannedS))
  const notDrawn = planned.bars.filter((b) => !lasted.has(b.stepId))
  const isDone = (b: Bar): boolean => stepState(run.core, b.stepId).status === 'done'
  return {
    planned,
    real,
    scaleS: Math.max(planned.totalS, real.totalS),
    steps,
    leftOut: notDrawn.filter((b) => !isDone(b)).map((b) => b.title),
    writtenUp: notDrawn.filter(isDone).map((b) => b.title),
  }
}
