/** Whether a bonded bridge is made in this visit or was in an earlier one. */
import { kindFacts } from '../kinds'
import type { Case } from './case'

export const bonded = (c: Case): boolean =>
  c.asks('earlier').some((e) => kindFacts(e.kind).family === 'bonded bridge') || c.pontics.length > 0
