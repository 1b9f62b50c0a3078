/** What waits for somebody: words not yet seen, and signatures asked for. */
import type { Plan } from '../model/plan'
import { handoffNames, handoffs, handoffWords, type Handoff } from './handoffs'
import { stepState, type RunState, holdState, edgeOf } from './state'

const needs: Partial<Record<Handoff, (plan: Plan) => boolean>> = {
  provisional: (p) => p.steps.some((s) => s.phase === 'provisional'),
  'make provisional': (p) => p.steps.some((s) => s.phase === 'provisional'),
  cord: (p) => {
    const cords = new Set(p.steps.filter((s) => s.act === 'cord in').map((s) => s.id))
    return p.links.some((l) => l.kind === 'lag' && cords.has(l.from))
  },
  materials: (p) => p.steps.some((s) => s.phase === 'impression'),
  numb: (p) => p.steps.some((s) => s.phase === 'anaesthesia'),
}

/** What one side may say in this visit. */
export const offered = (plan: Plan, from: 'assistant' | 'dentist'): Handoff[] =>
  handoffNames.filter((h) => handoffs[h].from === from && (needs[h]?.(plan) ?? true))

export interface Wanted {
  kind: 'call' | 'hold'
  words: string
  /** When it was said, or when the step under the hold began to wait. */
  since: number
  handoff?: Handoff
  holdId?: string
}

/**
 * What waits for this person in a running visit: words not yet seen, and for the dentist the signatures asked for.
 * @example wantedOf(plan, state, 'dentist') // []
 */
export function wantedOf(plan: Plan, { core, calls }: Pick<RunState, 'core' | 'calls'>, personId: string): Wanted[] {
  const me = plan.people.find((p) => p.id === personId)
  if (!me || core.status !== 'running') return []
  const said = handoffNames.flatMap((h): Wanted[] => {
    const call = calls[h]
    return call &&
      call.seenAt === undefined &&
      (handoffs[h].from === 'assistant') === me.dentist &&
      call.by !== personId
      ? [{ kind: 'call', words: handoffWords(h, call.minutes), since: call.at, handoff: h }]
      : []
  })
  const asked = me.dentist
    ? plan.holds.flatMap((h): Wanted[] => {
        const step = stepState(core, h.stepId)
        if (holdState(core, h.id).status !== 'open' || step.status === 'todo') return []
        return [
          {
            kind: 'hold',
            words: h.title,
            since: edgeOf(step, 'start') ?? core.startedAt ?? 0,
            holdId: h.id,
          },
        ]
      })
    : []
  return [...said, ...asked].toSorted((a, b) => a.since - b.since)
}
