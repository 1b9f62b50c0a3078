/** What the tests of the trade’s lines share: any case of any kind, a case at hand, and where a thing stands in its plan. */
import fc from 'fast-check'
import { it } from 'vitest'
import { kindIds } from '../../core/kinds'
import type { Plan } from '../../core/model/plan'
import { compile } from '../../core/plan/compile'
import { often } from '../../scripts/often'
import { anyWork, frame, parse } from './any-case'
import { practice } from './plans'

/** Holds over any case of each of these kinds. */
export const inAnyCase = (holds: (plan: Plan) => void, kinds = kindIds) =>
  it.each(kinds)('%s', (kind) => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => holds(compile(parse({ ...work, ...more }), practice))),
      { numRuns: often(12) },
    )
  })

/** The plan of a case, by the starter practice. */
export const planFor = (more: object, own = practice): Plan => compile(parse(more), own)
/** The same for a living tooth whose margin lies under the gum, where nothing else is said. */
export const planUnderGum = (more: object): Plan => planFor({ vital: true, margin: 'subgingival', ...more })

export const at = (plan: Plan, id: string): number => plan.steps.findIndex((s) => s.id === id)
export const stepOf = (plan: Plan, id: string) => plan.steps.find((s) => s.id === id)
/** Whether something that serves a need is laid out open. */
export const lies = (plan: Plan, need: string): boolean =>
  plan.setup.some((l) => l.needs.includes(need) && l.readiness === 'open')
export const burOf = (id: string | undefined) => practice.burs.find((b) => b.id === id)
