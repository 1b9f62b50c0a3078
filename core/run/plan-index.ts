/** Look-ups of a plan, built once for each plan object. */
import { isWindow, type Link, type Window } from '../model/link'
import type { Hold, Plan } from '../model/plan'
import type { Step } from '../model/step'

export interface PlanIndex {
  step: ReadonlyMap<string, Step>
  /** The title of a step; its id where the plan does not have it. */
  title: (stepId: string) => string
  into: (stepId: string) => readonly Link[]
  link: ReadonlyMap<string, Link>
  hold: ReadonlyMap<string, Hold>
  holdOfStep: ReadonlyMap<string, Hold>
  /** For each step that starts a window: the window and the steps it has to last through. */
  windowsFrom: (stepId: string) => readonly { link: Window; through: Step[] }[]
}
const indexes = new WeakMap<Plan, PlanIndex>()
const none: readonly never[] = []

/** The steps after `from` that come before or are `to`, by order links. */
function between(plan: Plan, into: ReadonlyMap<string, readonly Link[]>, from: string, to: string): Step[] {
  const back = new Set<string>()
  const walk = (id: string): boolean => {
    if (id === from) return true
    let leads = false
    for (const l of into.get(id) ?? none) if (l.kind === 'order' && walk(l.from)) leads = true
    if (leads) back.add(id)
    return leads
  }
  walk(to)
  return plan.steps.filter((s) => back.has(s.id))
}

const grouped = <K, V>(rows: readonly (readonly [K, V])[]): Map<K, V[]> => {
  const map = new Map<K, V[]>()
  for (const [key, value] of rows) map.set(key, [...(map.get(key) ?? []), value])
  return map
}

export function indexPlan(plan: Plan): PlanIndex {
  const known = indexes.get(plan)
  if (known) return known
  const step = new Map(plan.steps.map((s) => [s.id, s]))
  const into = grouped(plan.links.map((l) => [l.to, l] as const))
  const windows = grouped(
    plan.links
      .filter(isWindow)
      .map((link) => [link.from, { link, through: between(plan, into, link.from, link.to) }] as const),
  )
  const index: PlanIndex = {
    step,
    title: (id) => step.get(id)?.title ?? id,
    into: (id) => into.get(id) ?? none,
    link: new Map(plan.links.map((l) => [l.id, l])),
    hold: new Map(plan.holds.map((h) => [h.id, h])),
    holdOfStep: new Map(plan.holds.map((h) => [h.stepId, h])),
    windowsFrom: (id) => windows.get(id) ?? none,
  }
  indexes.set(plan, index)
  return index
}
