import type { Plan } from '../plan/types'
import { crownPrepare } from './crown-prepare'
import type { VisitKind } from './kind'

/** Every kind of visit the program can compile, by id. */
export const visitKinds: Record<Plan['kind'], VisitKind> = { 'crown.prepare': crownPrepare }
