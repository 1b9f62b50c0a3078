/** Recalls after bonding and tissue work, and the half-yearly check of a bonded bridge. */
import { lay } from '../lay'
import { after } from './follow-ups'
import { kindFacts } from '../../kinds'
import { checkBite } from '../generators/bite'
import { only, sequence } from '../build'
import { type Case } from '../case'
import type { VisitKind } from './kind'
const bonded = (c: Case): boolean =>
  c.asks('earlier').some((e) => kindFacts(e.kind).family === 'bonded bridge') || c.pontics.length > 0

export const recallWeek: VisitKind = {
  id: 'recall.week',
  work: (c) =>
    sequence(
      lay(c, 'recall.ask'),
      lay(c, 'recall.tissue'),
      only(bonded(c), () => lay(c, 'recall.floss')),
      lay(c, 'recall.colour'),
    ),
  followUps: () => [],
}

export const recallHalfYear: VisitKind = {
  id: 'recall.half-year',
  work: (c) =>
    sequence(
      lay(c, 'recall.retainers'),
      checkBite(c, 'recall of a bonded bridge', 'recall.bite'),
      lay(c, 'recall.edges'),
      lay(c, 'recall.polish'),
    ),
  followUps: (c) => [
    {
      title: 'Half-yearly check of the bonded bridge',
      kind: 'recall.half-year',
      ...after(c, 'recall.bonded bridge'),
    },
  ],
}
