/** Trying a change of the case without keeping it, and saying what follows from it in one line. */
import { firstOf } from '../../core/sure'
import type { Consequence } from '../../core/schedule/compare'
import { compile } from '../../core/plan/compile'
import {
  factsOf,
  visitRequest,
  type AlsoWork,
  type ToothFacts,
  type VisitRequest,
  type VisitRequestInput,
} from '../../core/model/request'
import type { Plan } from '../../core/model/plan'
import type { Practice } from '../../core/practice/practice'
import type { Tooth } from '../../core/teeth/notation'

export type Change = Partial<Omit<VisitRequestInput, 'date' | 'team' | 'swaps' | 'earlier'>>
/** What differs from one piece of work to the next: the visit's first, or one of its further ones. */
export type Work = VisitRequest | AlsoWork

/** The request with the change in it; one that contradicts itself answers why. */
export function tryRequest(request: VisitRequest, change: Change): VisitRequest | string {
  const parsed = visitRequest.safeParse({ ...request, ...change })
  return parsed.success ? parsed.data : firstOf(parsed.error.issues).message
}

/** The plan of a request with the change in it; what makes no plan answers why. */
export function tryPlan(request: VisitRequest, change: Change, practice: Practice): Plan | string {
  const tried = tryRequest(request, change)
  return typeof tried === 'string' ? tried : compile(tried, practice)
}

/** The work at a place: 0 is the visit's own, from 1 on its further ones. */
export const workAt = (request: VisitRequest, at: number): Work =>
  at === 0 ? request : (request.also[at - 1] ?? request)

/** A change of one piece of work as a change of the request. */
export function changeOf(request: VisitRequest, at: number, change: Partial<AlsoWork>): Change {
  // What was said of a tooth goes with it when it is no longer worked on.
  const { teeth } = change
  const work = workAt(request, at)
  const whole = teeth
    ? {
        ...change,
        ofTooth: Object.fromEntries(Object.entries(work.ofTooth).filter(([t]) => teeth.some((x) => x === t))),
      }
    : change
  return at === 0 ? whole : { also: request.also.map((w, i) => (i === at - 1 ? { ...w, ...whole } : w)) }
}

/** What is said of one tooth, changed; a fact set to nothing is no longer said. */
export function toothChange(
  work: Work,
  tooth: Tooth,
  facts: Partial<Record<keyof ToothFacts, unknown>>,
): Partial<AlsoWork> {
  const kept = Object.entries({ ...factsOf(work, tooth), ...facts }).filter(([, v]) => v !== undefined && v !== false)
  const { [tooth]: _, ...others } = work.ofTooth
  return { ofTooth: kept.length > 0 ? { ...others, [tooth]: Object.fromEntries(kept) } : others }
}

const some = (n: number, word: string): string => `${n} ${word}${Math.abs(n) === 1 ? '' : 's'}`
const signed = (n: number): string => (n > 0 ? `+${n}` : `−${Math.abs(n)}`)

/** '+2 items, −3 min, 1 hold more': the consequence of a choice in one line. */
export function inShort(c: Consequence): string {
  const items = c.itemsAdded.length - c.itemsRemoved.length
  const holds = c.holdsAdded.length - c.holdsRemoved.length
  const parts = [
    ...(c.chairMinutes !== 0 ? [`${signed(c.chairMinutes)} min`] : []),
    ...(c.dentistMinutes !== 0 ? [`dentist ${signed(c.dentistMinutes)} min`] : []),
    ...(c.itemsAdded.length + c.itemsRemoved.length > 0
      ? [
          items === 0
            ? `${some(c.itemsAdded.length, 'item')} exchanged`
            : `${signed(items)} item${Math.abs(items) === 1 ? '' : 's'}`,
        ]
      : []),
    ...(holds !== 0 ? [`${signed(holds)} hold${Math.abs(holds) === 1 ? '' : 's'}`] : []),
    ...c.clashesAdded.filter((x) => x.severity !== 'mind').map((x) => `◆ ${x.what}`),
  ]
  return parts.length > 0 ? parts.join(', ') : 'nothing changes'
}
