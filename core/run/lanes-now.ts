/** The choreography in front of the chair: the one that runs, or the one that the next step begins. */
import type { Lanes } from '../model/lanes'
import type { Plan } from '../model/plan'
import { calledBy, markAt } from '../plan/lanes'
import { edgeOf, type RunCore } from './state'

export interface LanesNow {
  stepId: string
  lanes: Lanes
  /** Where the mark stands; nothing while it has not begun, or when its last turn is over. */
  mark: ReturnType<typeof markAt>
  /** Each row's person as they are called, with the act they are at and the one that comes next. */
  rows: { personId: string; called: string; at?: string; comes?: string }[]
}

/**
 * @param next the step that is done or comes next: a choreography that it begins is shown before it begins
 * @param now ms of the server's clock
 */
export function lanesNow(plan: Plan, core: RunCore, next: string | undefined, now: number): LanesNow | null {
  const begunAt = (l: Lanes): number | undefined => {
    const from = core.steps[l.from]
    return from && edgeOf(from, l.fromEdge)
  }
  const open = plan.steps.flatMap((s) => {
    const status = core.steps[s.id]?.status
    return s.lanes && status !== 'done' && status !== 'skipped' ? [{ stepId: s.id, lanes: s.lanes }] : []
  })
  const found =
    open.find((o) => begunAt(o.lanes) !== undefined) ?? open.find((o) => o.lanes.from === next || o.stepId === next)
  if (!found) return null
  const begun = begunAt(found.lanes)
  const mark = begun === undefined ? null : markAt(found.lanes, (now - begun) / 1000)
  return {
    ...found,
    mark,
    rows: found.lanes.rows.map((r) => {
      const at = mark && r.acts.find((a) => a.fromS <= mark.inS && mark.inS < a.toS)
      const then = mark && r.acts.find((a) => a.fromS > mark.inS)
      return {
        personId: r.personId,
        called: calledBy(r.name),
        ...(at ? { at: at.id } : {}),
        ...(then ? { comes: then.id } : {}),
      }
    }),
  }
}
