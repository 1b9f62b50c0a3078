/** What ties steps together in time. */
import type { Reason } from '../figure'

export type Edge = 'start' | 'finish'

interface Ends {
  id: string
  from: string
  fromEdge: Edge
  to: string
  toEdge: Edge
}
interface Told {
  title: string
  because: Reason
  /** A value the practice has set itself. */
  own?: true
}

/** Plain order: the one after the other, with no clock. */
export interface Order extends Ends {
  kind: 'order'
}
/** Not before so long after its first edge; it may warn where longer does harm, and refuses nothing for being late. */
export interface Lag extends Ends, Told {
  kind: 'lag'
  atLeastS: number
  warnS?: number
  atMostS?: never
  whenMissed?: never
  again?: never
}
/** Not later than so long after its first edge; the rubbery stage has an earliest, too. */
export interface Window extends Ends, Told {
  kind: 'window'
  atMostS: number
  atLeastS?: number
  warnS?: number
  /** What to do when it is missed, in words. */
  whenMissed: string
  /** The steps that are done over when it is missed and not accepted. */
  again: string[]
}
/** A tie from one edge of a step to one edge of a later one; lags and windows run as clocks once their first edge has happened. */
export type Link = Order | Lag | Window
export type Clock = Lag | Window

/** @example plan.links.filter(isClock).every((l) => l.kind !== 'order') // true */
export const isClock = (l: Link): l is Clock => l.kind !== 'order'
export const isWindow = (l: Link): l is Window => l.kind === 'window'
/** Seconds that have to pass on a link; none on plain order. */
export const leastS = (l: Link): number => (l.kind === 'order' ? 0 : (l.atLeastS ?? 0))
