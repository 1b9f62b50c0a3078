/** Compatibility of all that one case uses, this visit and those before it: each rule names the clash, why, and what to do. */
import { firstOf } from '../sure'
import { itemsById } from '../catalog/match'
import type { Clash, SetupLine } from '../model/plan'
import type { Step } from '../model/step'
import type { Case } from '../library/case'
import { itemIdOf } from './setup'
import { alertRules } from './clash/alerts'
import { caseRules } from './clash/case'
import { materialRules } from './clash/materials'
import type { Facts } from './clash/rule'

const rules = [...alertRules, ...materialRules, ...caseRules]

const matches = (list: readonly string[], need: string | RegExp): boolean =>
  typeof need === 'string' ? list.includes(need) : list.some((n) => need.test(n))

/** Every clash among what this visit uses, with what earlier visits left, hardest first. */
export function findClashes(works: readonly Case[], setup: readonly SetupLine[], steps: readonly Step[]): Clash[] {
  const named = new Set<string>()
  for (const s of steps) for (const n of s.needs) if (n.readiness === 'open') named.add(n.what)
  const needs = [...named]
  const uses = (need: string | RegExp): boolean => (typeof need === 'string' ? named.has(need) : matches(needs, need))
  const { practice, request } = firstOf(works)
  const byId = itemsById(practice.items)
  const bonds = uses(/^(adhesive|bond\.|cement\.resin$|cement\.veneer)/)
  const order = { stop: 0, ask: 1, mind: 2 }
  const found = new Map<string, Clash>()
  for (const c of works) {
    const facts: Facts = {
      c,
      setup,
      steps,
      uses,
      bonds,
      before: (need) => c.asks('earlier').filter((e) => e.date <= request.date && matches(e.uses, need)),
      itemOf: (line) => byId.get(itemIdOf(line)),
    }
    for (const rule of rules) {
      const one = rule(facts)
      const before = one && found.get(one.id)
      // Of two pieces of work the one that asks more is heard.
      if (one && (!before || order[one.severity] < order[before.severity])) found.set(one.id, one)
    }
  }
  return [...found.values()].toSorted((a, b) => order[a.severity] - order[b.severity])
}
