import type { Plan } from '../model/plan'

/** Whether one step has to be over before another begins, by the plan's own links. */
export function comesBefore(plan: Plan, first: string, then: string): boolean {
  const seen = new Set<string>()
  const walk = (id: string): boolean => {
    if (id === first) return true
    if (seen.has(id)) return false
    seen.add(id)
    return plan.links.some((l) => l.to === id && l.toEdge === 'start' && l.from !== id && walk(l.from))
  }
  return first !== then && walk(then)
}
