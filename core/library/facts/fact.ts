/** One thing that can be asked of a case, by the name the trade has for it. */
import type { Case, Unit } from '../case'
import type { Own } from '../scope'

/** Where it is known from: the request, the tooth, the practice, an earlier visit, or reckoned from these. */
export type Origin = 'the case' | 'the tooth' | 'the patient' | 'the practice' | 'an earlier visit' | 'reckoned'

export interface Fact<T = unknown> {
  /** What it is, in one line. */
  says: string
  from: Origin
  of: (c: Case, own: Own) => T
  /** What it may be, where it is one of several; its unit, where it is an amount. */
  values?: readonly string[]
  unit?: string
}

/** Facts of one tooth: asked where a step is laid out for one. @throws Error where it is asked of none: a fault of the library */
export const ofUnit =
  <T>(of: (u: Unit, c: Case) => T) =>
  (c: Case, own: Own): T => {
    if (!own.u) throw new Error('a fact of a tooth is asked where there is none')
    return of(own.u, c)
  }
