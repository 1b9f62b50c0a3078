/** What is called out by the clock of a run: the choreographies. A cue asks for no touch and refuses nothing. */
import type { Plan } from '../model/plan'
import type { Cue, Step } from '../model/step'
import { cuesOf } from '../plan/lanes'
import { edgeOf, type RunCore } from './state'

export interface Called {
  /** Of the step, the cue and its turn: the same call has the same key on every screen. */
  key: string
  stepId: string
  say: string
  because: string
  /** Seconds until it is called; negative once it has been. */
  inS: number
  state: 'coming' | 'now' | 'past'
}

/** A call stands this long, seconds, unless the next one comes first. */
const standsS = 8

function over(cue: Cue, core: RunCore, stepId: string): boolean {
  const status = core.steps[stepId]?.status
  return (
    status === undefined || status === 'done' || status === 'skipped' || (cue.until === 'start' && status === 'running')
  )
}

/** The calls of one cue, in order, with the time of each after its edge, seconds. */
export const turns = (cue: Pick<Cue, 'atS' | 'everyS' | 'times'>): number[] =>
  Array.from({ length: cue.everyS ? (cue.times ?? 1) : 1 }, (_, i) => cue.atS + i * (cue.everyS ?? 0))

/** The calls of a step: those of its choreography, then its own. */
const cuesAt = (step: Step): Cue[] => [...(step.lanes ? cuesOf(step.lanes) : []), ...(step.cues ?? [])]

/**
 * The calls that matter now, soonest first: what is being called, then what comes. Of what has been called and not answered
 * by going on only the last stays.
 */
export function calledAt(plan: Plan, core: RunCore, now: number): Called[] {
  if (core.status !== 'running') return []
  const all = plan.steps.flatMap((step) =>
    cuesAt(step).flatMap((cue, n): Called[] => {
      const from = core.steps[cue.from]
      const at = from && edgeOf(from, cue.fromEdge)
      if (at === undefined || over(cue, core, step.id)) return []
      const elapsedS = (now - at) / 1000
      return turns(cue).map((dueS, turn) => ({
        key: `${step.id} ${n}.${turn}`,
        stepId: step.id,
        say: cue.say,
        because: cue.because.text,
        inS: dueS - elapsedS,
        state: elapsedS < dueS ? 'coming' : 'past',
      }))
    }),
  )
  const ahead = all.filter((c) => c.state === 'coming').toSorted((a, b) => a.inS - b.inS)
  const last = all.filter((c) => c.state === 'past').toSorted((a, b) => b.inS - a.inS)[0]
  return [...(last ? [{ ...last, state: -last.inS <= standsS ? ('now' as const) : ('past' as const) }] : []), ...ahead]
}
