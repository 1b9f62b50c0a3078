/**
 * A visit left open: begun, never closed, and nothing touched in it for longer than anything in it lasts. Whoever forgot to
 * close it went home; a clock that runs on says nothing of the visit any more.
 */
import type { RunCore, RunState, StepState } from './state'
import { leftAfterMs } from './touches'

/** When the last touch was, ms, of a visit that goes on and has been left; nothing of any other. */
export function leftSince({ core, touches: { lastAt } }: RunState, now: number): number | undefined {
  return core.status === 'running' && lastAt !== undefined && now - lastAt > leftAfterMs ? lastAt : undefined
}

/** Up to when a run is shown, ms: to where it was first left open, else to its closing, else to now. */
export const shownUntil = (run: RunState, now: number): number =>
  run.touches.leftAt ?? leftSince(run, now) ?? run.core.closedAt ?? now

/** How long a run has gone on, seconds, as far as it is shown; 0 before it begins. */
export const goneS = (run: RunState, now: number): number =>
  run.core.startedAt === undefined ? 0 : (shownUntil(run, now) - run.core.startedAt) / 1000

/** Whether a step's times were told later than this: nobody knows them. */
function writtenUp(step: StepState, leftAt: number): boolean {
  if (step.status === 'running') return step.startedAt > leftAt
  return step.status === 'done' && step.finishedAt > leftAt
}

/** A run as far as somebody was at it: steps that were only written up after it had been left open are not in it. */
export function attended({ core, touches: { leftAt } }: RunState): RunCore {
  if (leftAt === undefined) return core
  const steps = Object.entries(core.steps).filter(([, step]) => !writtenUp(step, leftAt))
  return { ...core, steps: Object.fromEntries(steps) }
}
