import type { VisitRequest } from '../model/request'
import type { Plan } from '../model/plan'

/** What of a visit still matters to the next: cements and their eugenol, salts, resins, sealers. */
const lasting = /eugenol|^agent\.|^adhesive|^bond\.|resin|cement|sealer|liner|^composite/

/** The trace a visit leaves for the other visits of its case: the needs it lays out that a later bond or set may meet. */
export function traceOf(plan: Plan): VisitRequest['earlier'][number] {
  const uses = new Set(
    plan.steps.flatMap((s) => s.needs.filter((n) => n.readiness === 'open' && lasting.test(n.what)).map((n) => n.what)),
  )
  return { kind: plan.kind, date: plan.request.date, uses: [...uses].toSorted() }
}
