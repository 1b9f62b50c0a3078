/** The words between chair and bench: one touch to say it, one to have seen it; both stand in the record. */
import type { Plan } from '../plan/types'
import type { RunState } from './state'

/** Common practice: what assistants and dentists call to each other over a visit. */
export const handoffs = {
  ready: { from: 'assistant', words: 'Ready for you' },
  provisional: { from: 'assistant', words: 'Provisional done' },
  cord: { from: 'assistant', words: 'The cord has had its time' },
  materials: { from: 'assistant', words: 'Impression materials ready' },
  numb: { from: 'dentist', words: 'Numb now' },
  'make provisional': { from: 'dentist', words: 'Go and make the provisional' },
  leaving: { from: 'dentist', words: 'Leaving the room' },
} as const
export type Handoff = keyof typeof handoffs
export const handoffNames = Object.keys(handoffs) as [Handoff, ...Handoff[]]

export interface Call {
  by: string
  at: number
  /** Back in about so many minutes. */
  minutes?: number
  seenBy?: string
  seenAt?: number
}

export const handoffWords = (h: Handoff, minutes?: number): string =>
  minutes === undefined ? handoffs[h].words : `${handoffs[h].words}, back in about ${minutes} min`

const needs: Partial<Record<Handoff, (plan: Plan) => boolean>> = {
  provisional: (p) => p.steps.some((s) => s.phase === 'provisional'),
  'make provisional': (p) => p.steps.some((s) => s.phase === 'provisional'),
  cord: (p) => p.links.some((l) => l.title !== undefined && l.from.startsWith('tissue.') && l.atLeastS !== undefined),
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

/** What waits for this person in a running visit: words not yet seen, and for the dentist the signatures asked for. */
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
        const step = core.steps[h.stepId]
        if (core.holds[h.id]?.status !== 'open' || !step || step.status === 'todo') return []
        return [
          {
            kind: 'hold',
            words: h.title,
            since: step.startedAt ?? step.finishedAt ?? core.startedAt ?? 0,
            holdId: h.id,
          },
        ]
      })
    : []
  return [...said, ...asked].toSorted((a, b) => a.since - b.since)
}
