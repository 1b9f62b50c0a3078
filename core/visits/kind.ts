import type { Block } from '../phases/build'
import type { Case } from '../phases/case'
import type { Plan } from '../plan/types'

/** A kind of visit: its day as blocks composed from phases, and what it asks to follow. */
export interface VisitKind {
  id: Plan['kind']
  title: string
  day: (c: Case) => Block
  followUps: (c: Case) => Plan['followUps']
}
