/** Trying a change of the case without keeping it, and saying what follows from it in one line. */
import type { Consequence } from '../../core/schedule/compare'
import { compile } from '../../core/plan/compile'
import { visitRequest, type AlsoWork, type VisitRequest } from '../../core/model/request'
import type { Plan } from '../../core/model/plan'
import type { Practice } from '../../core/practice/practice'

export type Change = Partial<Omit<VisitRequest, 'date' | 'team' | 'swaps' | 'earlier'>>
/** What differs from one piece of work to the next: the visit's first, or one of its further ones. */
export type Work = VisitRequest | AlsoWork

/** Tries a request; what makes no plan answers why. */
export function tryPlan(request: VisitRequest, change: Change, practice: Practice): Plan | string {
  const parsed = visitRequest.safeParse({ ...request, ...change })
  if (!parsed.success) return parsed.error.issues[0]!.message
  return compile(parsed.data, practice)
}

/** The work at a place: 0 is the visit's own, from 1 on its further ones. */
export const workAt = (request: VisitRequest, at: number): Work =>
  at === 0 ? request : (request.also[at - 1] ?? request)

/** A change of one piece of work as a change of the request. */
export const changeOf = (request: VisitRequest, at: number, change: Partial<AlsoWork>): Change =>
  at === 0 ? change : { also: request.also.map((w, i) => (i === at - 1 ? { ...w, ...change } : w)) }

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
