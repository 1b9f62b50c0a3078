/** Plans and their scores as they were last asked for: a day is drawn often and changes seldom. */
import { sure } from '../core/sure'
import type { Db } from './db/open'
import { loadFrozenPlan, type Signature } from './db/store'
import { reading } from './db/unread'
import { compile } from '../core/plan/compile'
import type { VisitRequest } from '../core/model/request'
import type { Plan } from '../core/model/plan'
import type { Practice } from '../core/practice/practice'

/** More visits than a day has; beyond it the oldest is let go. */
const most = 100

export class Plans {
  private readonly known = new Map<string, { key: string; plan: Plan }>()
  private practice: Practice | undefined

  /** Starts a reading with this practice: where it is another than before, nothing known counts (the same object stands for the same practice). */
  with(practice: Practice): (visitId: string, request: VisitRequest) => Plan {
    if (practice !== this.practice) this.known.clear()
    this.practice = practice
    return (visitId, request) =>
      this.keep(visitId, JSON.stringify(request), () => reading(visitId, 'plan', () => compile(request, practice)))
  }
  /**
   * A signed plan, read only where it is not at hand as it lies in the database; none where the tray was opened again since the
   * signature was read. @throws CannotRead
   */
  async signed(q: Db, { visitId, version }: Signature): Promise<Plan | undefined> {
    const key = `signed ${version}`
    const before = this.known.get(visitId)
    if (before?.key === key) return before.plan
    const frozen = await loadFrozenPlan(q, visitId)
    return frozen ? this.keep(visitId, key, () => frozen.plan) : undefined
  }
  /** The plan kept for this visit under this key, else made and kept. The same object comes back, and with it its score. */
  keep(visitId: string, key: string, make: () => Plan): Plan {
    const before = this.known.get(visitId)
    if (before?.key === key) return before.plan
    const plan = make()
    this.known.delete(visitId)
    this.known.set(visitId, { key, plan })
    if (this.known.size > most) this.known.delete(sure(this.known.keys().next().value))
    return plan
  }
}
