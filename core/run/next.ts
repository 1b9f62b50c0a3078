import type { Plan, Step } from '../plan/types'
import { startRefusal, type Refusal } from './decide'
import type { RunCore } from './state'

export interface Outlook {
  running: Step[]
  /** The first step that may start now. */
  next: Step | null
  /** The steps that come after it in the plan's order, still to do. */
  later: Step[]
  /** The first step that is still to do but may not start, and why. */
  waiting: { step: Step; refusal: Refusal } | null
}

/** What is now, what is next, and what is waited for. `finishing` is looked past as if it were done. */
export function outlook(plan: Plan, core: RunCore, now: number, finishing?: string): Outlook {
  const after: RunCore = finishing && core.steps[finishing] ? { ...core, steps: { ...core.steps, [finishing]: { ...core.steps[finishing], status: 'done', finishedAt: now } } } : core
  const running = plan.steps.filter((s) => core.steps[s.id]!.status === 'running')
  const todo = plan.steps.filter((s) => after.steps[s.id]!.status === 'todo')
  let next: Step | null = null
  let waiting: Outlook['waiting'] = null
  for (const step of todo) {
    const refusal = startRefusal(plan, after, step.id, now)
    if (!refusal) {
      next = step
      break
    }
    // What merely queues behind another step is not worth telling; what waits for time or a signature is.
    if (!waiting && refusal.code !== 'order') waiting = { step, refusal }
  }
  if (!next && !waiting && todo[0]) waiting = { step: todo[0], refusal: startRefusal(plan, after, todo[0].id, now)! }
  return { running, next, later: todo.filter((s) => s !== next).slice(0, 6), waiting }
}
