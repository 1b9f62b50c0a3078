/** How long each cord lay, by what happened: from the end of its placing until it was counted out. */
import type { Plan } from '../model/plan'
import { rulesOf } from '../rules'
import type { RunEvent } from '../run/events'
import { capital, ended } from '../words'

interface Lay {
  what: string
  from: number
  to?: number
  mostS: number
  kept?: string
}

/** One sentence for each piece, in the order they were placed. */
export function cordSentences(
  plan: Pick<Plan, 'steps' | 'counts' | 'rules'>,
  events: readonly RunEvent[],
  undone: ReadonlySet<string>,
): string[] {
  const rule = rulesOf(plan.rules)
  const lays: (Lay & { stepId: string; countId: string })[] = []
  for (const { what, at, commandId } of events) {
    if (undone.has(commandId)) continue
    if (what.kind === 'step.finished') {
      const step = plan.steps.find((s) => s.id === what.stepId)
      const count = plan.counts.find((c) => c.inStep === what.stepId)
      if (!step?.cord || !count) continue
      const mostS = rule(step.cord.agent === 'plain' ? 'cord.longest.plain' : 'cord.longest').value
      lays.push({ stepId: step.id, countId: count.id, what: count.what, from: at, mostS })
    }
    if (what.kind === 'cord.kept') {
      const lay = lays.findLast((l) => l.stepId === what.stepId)
      if (lay) lay.kept = what.reason
    }
    if (what.kind === 'count.moved' && what.direction === 'out' && what.n > 0) {
      const lay = lays.find((l) => l.countId === what.countId && l.to === undefined)
      if (lay) lay.to = at
    }
  }
  return lays.map(({ what, from, to, mostS, kept }) => {
    if (to === undefined) return ended(`${capital(what)}: not counted out`)
    const minutes = Math.round((to - from) / 60_000)
    const over = (to - from) / 1000 > mostS ? `, longer than the ${Math.round(mostS / 60)} min it should` : ''
    return ended(
      `${capital(what)}: lay ${minutes} min${over}${kept === undefined ? '' : `; it stayed because: ${kept}`}`,
    )
  })
}
