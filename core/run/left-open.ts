/**
 * A visit left open: begun, never closed, and nothing touched in it for longer than anything in it lasts. Whoever forgot to
 * close it went home; a clock that runs on says nothing of the visit any more.
 */
import type { RunCore, RunState, StepState } from './state'
import { leftAfterMs } from './touches'

/** From so long on it lay over a night, ms, and its patient was gone. From memory: two working days are never nearer, two ends of one never farther. */
const nightMs = 10 * 3_600_000

/** When the last touch was, ms, of a visit that goes on and has been left; nothing of any other. */
export function leftSince({ core, touches: { lastAt } }: RunState, now: number): number | undefined {
  return core.status === 'running' && lastAt !== undefined && now - lastAt > leftAfterMs ? lastAt : undefined
}

/** Whether a step was only told of after this: when it was done nobody knows. */
function toldAfter(step: StepState, at: number): boolean {
  if (step.status === 'running') return step.startedAt > at
  return step.status === 'done' && step.finishedAt > at
}

/** A run as far as it is known to have gone: what was only told of after it had been left is not in it. */
export function attended({ core, touches: { left } }: RunState): RunCore {
  if (left === undefined) return core
  const steps = Object.entries(core.steps).filter(([, step]) => !toldAfter(step, left.from))
  return { ...core, steps: Object.fromEntries(steps) }
}

/**
 * What is drawn of a run, and up to when, ms: to its closing, to its last touch where it is left, else to now. Of one that lay over a
 * night the day it was begun on; a patient who was sent away and came back on the same day is drawn whole.
 */
export function drawn(run: RunState, now: number): { core: RunCore; until: number } {
  const { core, touches } = run
  const { left } = touches
  return left !== undefined && left.to - left.from > nightMs
    ? { core: attended(run), until: left.from }
    : { core, until: leftSince(run, now) ?? core.closedAt ?? now }
}

/** How long a run has gone on, seconds, as far as it is drawn; 0 before it begins. */
export const goneS = (run: RunState, now: number): number =>
  run.core.startedAt === undefined ? 0 : (drawn(run, now).until - run.core.startedAt) / 1000
