/** Marks that alerts look at: taken off by a dentist or with a reason, and told on the trays they touch. */
import { eq, isNull, sql } from 'drizzle-orm'
import type { Item } from '../../core/catalog/item'
import { markChanges } from '../../core/catalog/marks'
import type { Alert } from '../../core/vocabulary'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import type { House } from '../house'
import { Problem } from '../problem'
import type { SignedIn } from './session'
import { tellOf } from './tell'
import { planIn, touch } from './touched'

interface Change {
  item: Item
  mark: Alert
  on: boolean
}

/** Which marks of products that are there already these would change. */
export const changesOf = (known: ReadonlyMap<string, Item>, items: readonly Item[]): Change[] =>
  items.flatMap((item) => {
    const before = known.get(item.id)
    return before ? markChanges(before, item).map((change) => ({ ...change, item })) : []
  })

/** A mark is set by whoever keeps the cupboard; taken off by a dentist, or with a reason. @throws Problem 422 */
export function mayTakeOff(changes: readonly Change[], person: SignedIn, why: string | undefined): void {
  const off = changes.filter((c) => !c.on)
  if (off.length === 0 || person.roles.includes('dentist') || why !== undefined) return
  const named = off.slice(0, 5).map((c) => `${c.item.name} (${c.mark})`)
  throw new Problem(
    'invalid',
    `A mark that patients’ alerts look at is taken off: ${named.join(', ')}${off.length > 5 ? ` and ${off.length - 5} more` : ''}. A dentist does that, or it carries a reason.`,
    { errors: [{ path: 'why', message: 'a reason, or a dentist' }] },
  )
}

/** Tells every visit that is not over, of a patient with that alert, on whose tray the product lies or to which it was exchanged. */
export async function tellMarks(
  house: House,
  q: Db,
  changes: readonly Change[],
  person: SignedIn,
  why: string | undefined,
): Promise<void> {
  for (const { item, mark, on } of changes) {
    const open = await q
      .select({ visit: t.visits, plan: t.plans.plan })
      .from(t.visits)
      .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
      .innerJoin(t.patients, eq(t.cases.patientId, t.patients.id))
      .leftJoin(t.plans, eq(t.plans.visitId, t.visits.id))
      .leftJoin(t.records, eq(t.records.visitId, t.visits.id))
      .where(sql`${isNull(t.records.visitId)} and ${t.patients.alerts} @> ${JSON.stringify([mark])}::jsonb`)
    const because = why === undefined ? '' : ` (${why})`
    const words = `${item.name}: ${mark} ${on ? 'marked' : 'mark taken off'}${because}`
    const told = { kind: 'mark.changed', item: item.name, mark, on, ...(why === undefined ? {} : { why }) } as const
    for (const { visit, plan } of open) {
      if (plan) {
        const lies = planIn({ visit, plan })?.setup.some((line) => line.id === item.id) ?? true
        if (lies) await touch(house, q, { visit, plan }, person.id, words, told)
      } else if (!on) {
        // What was set aside for this patient is not laid out by itself because a mark has gone: it is exchanged anew, by hand.
        const swaps = Object.fromEntries(Object.entries(visit.swaps).filter(([, to]) => to !== item.id))
        if (Object.keys(swaps).length < Object.keys(visit.swaps).length)
          await q.update(t.visits).set({ swaps }).where(eq(t.visits.id, visit.id))
      }
      tellOf(house, visit.id)
    }
  }
}
