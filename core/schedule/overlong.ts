/** What a plan’s own schedule lets lie too long: nothing forbids it, and it is said. */
import { sure } from '../sure'
import { span } from '../rules'
import type { Scored, Timeline } from './timeline'

export interface Overlong {
  linkId: string
  /** 'Cord dwells: 19 min in this plan, over 15 min' */
  says: string
}

/** Lags that have a time after which they are called too long, and are longer than that in this layout. */
export function overlong(plan: Scored, timeline: Pick<Timeline, 'bars'>): Overlong[] {
  const bars = new Map(timeline.bars.map((b) => [b.stepId, b]))
  const at = (stepId: string, edge: 'start' | 'finish'): number => {
    const bar = sure(bars.get(stepId))
    return edge === 'start' ? bar.startS : bar.endS
  }
  return plan.links.flatMap((l) => {
    if (l.kind !== 'lag' || l.warnS === undefined || !bars.has(l.from) || !bars.has(l.to)) return []
    const lies = at(l.to, l.toEdge) - at(l.from, l.fromEdge)
    return lies > l.warnS
      ? [{ linkId: l.id, says: `${l.title}: ${Math.round(lies / 60)} min in this plan, over ${span(l.warnS)}` }]
      : []
  })
}
