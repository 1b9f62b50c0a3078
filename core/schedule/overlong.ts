/** What a plan’s own schedule lets lie too long: nothing forbids it, and it is said. */
import { sure } from '../sure'
import { span } from '../rules'
import type { Plan } from '../model/plan'
import { cordsLie, overLines } from './cords'
import type { Scored, Timeline } from './timeline'

/**
 * Cords that lie longer in this layout than they should, tooth by tooth; and whatever else has a time after which it
 * is called too long, and is longer than that.
 */
export function overlong(
  plan: Scored & Pick<Plan, 'steps' | 'counts' | 'rules' | 'notation'>,
  timeline: Pick<Timeline, 'bars'>,
): string[] {
  const bars = new Map(timeline.bars.map((b) => [b.stepId, b]))
  const at = (stepId: string, edge: 'start' | 'finish'): number => {
    const bar = sure(bars.get(stepId))
    return edge === 'start' ? bar.startS : bar.endS
  }
  const cords = new Set(plan.steps.flatMap((s) => (s.cord ? [s.id] : [])))
  // A clock inside one step is watched while the step runs: its minutes in the schedule are those of the hands.
  const others = plan.links.flatMap((l) => {
    if (
      l.kind !== 'lag' ||
      l.warnS === undefined ||
      l.from === l.to ||
      cords.has(l.from) ||
      !bars.has(l.from) ||
      !bars.has(l.to)
    )
      return []
    const lies = at(l.to, l.toEdge) - at(l.from, l.fromEdge)
    return lies > l.warnS
      ? [
          `${l.title}: ${lies < 120 ? `${Math.round(lies)} s` : `${Math.round(lies / 60)} min`} in this plan, over ${span(l.warnS)}`,
        ]
      : []
  })
  return [...overLines(plan, cordsLie(plan, timeline)), ...new Set(others)]
}
