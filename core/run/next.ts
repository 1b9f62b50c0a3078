import { sure } from '../sure'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { indexPlan } from './plan-index'
import { startRefusal, type Refusal } from './refusals'
import { edgeOf, owing, type RunCore, finished, stepState } from './state'

export interface Outlook {
  running: Step[]
  /** The first step that may start now. */
  next: Step | null
  /** The steps that come after it in the plan's order, still to do. */
  later: Step[]
  /** The first step that is still to do but may not start, and why. */
  waiting: { step: Step; refusal: Refusal } | null
}

/**
 * Steps as they are to be done: first those that an open window waits for, then the others, each in the plan's order. Once
 * a cord is drawn nobody is sent to the bench to trim.
 */
export function inTurn(plan: Plan, core: RunCore, steps: readonly Step[]): Step[] {
  const index = indexPlan(plan)
  const urgent = new Set<string>()
  for (const s of plan.steps)
    for (const { link, through } of index.windowsFrom(s.id)) {
      const begun = edgeOf(stepState(core, link.from), link.fromEdge) !== undefined
      const met = edgeOf(stepState(core, link.to), link.toEdge) !== undefined
      if (begun && !met) for (const t of through) urgent.add(t.id)
    }
  return urgent.size === 0
    ? [...steps]
    : [...steps.filter((s) => urgent.has(s.id)), ...steps.filter((s) => !urgent.has(s.id))]
}

/** What is now, what is next, and what is waited for. `finishing` is looked past as if it were done. */
export function outlook(plan: Plan, core: RunCore, now: number, finishing?: string): Outlook {
  const after: RunCore =
    finishing && core.steps[finishing]
      ? { ...core, steps: { ...core.steps, [finishing]: finished(core.steps[finishing], now) } }
      : core
  const running = plan.steps.filter((s) => stepState(core, s.id).status === 'running')
  const todo = plan.steps.filter((s) => stepState(after, s.id).status === 'todo')
  let next: Step | null = null
  let waiting: Outlook['waiting'] = null
  for (const step of inTurn(plan, after, todo)) {
    const refusal = startRefusal(plan, after, step.id, now)
    if (!refusal) {
      next = step
      break
    }
    // What merely queues behind another step is not worth telling; what waits for time or a signature is.
    if (!waiting && refusal.code !== 'order') waiting = { step, refusal }
  }
  if (!next && !waiting && todo[0])
    waiting = { step: todo[0], refusal: sure(startRefusal(plan, after, todo[0].id, now)) }
  return { running, next, later: todo.filter((s) => s !== next).slice(0, 6), waiting }
}

/**
 * What one touch counts out: what comes out with the step in front, all of it; else what should have come out with a step
 * that is done. What is still meant to be in is never offered.
 */
export function countedOutNext(
  plan: Plan,
  core: RunCore,
  stepId: string | undefined,
): { countId: string; n: number } | undefined {
  const open = plan.counts.map((c) => ({ countId: c.id, outStep: c.outStep, n: owing(c, core) })).filter((c) => c.n > 0)
  const next =
    open.find((c) => c.outStep === stepId) ??
    open.find((c) => ['done', 'skipped'].includes(stepState(core, c.outStep).status))
  return next && { countId: next.countId, n: next.n }
}
