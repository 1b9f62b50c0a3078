/** A provisional that came off or is loose between two visits: looked at, cleaned, tried in and cemented again. */
import { lay } from '../lay'
import { sequence, type Block } from '../build'
import { type Case } from '../case'
import { rolls } from '../generators/isolation'
import { fitProvisional, relining } from '../generators/provisional-fit'
import type { VisitKind } from './kind'

/** What is asked and looked at before anything is cleaned: where the cement stayed is gone once it is. */
const lookedAt = (c: Case): Block => sequence(lay(c, 'again.ask'), lay(c, 'again.piece'), lay(c, 'again.tooth'))

export const provisionalAgain: VisitKind = {
  id: 'provisional.again',
  work: (c) =>
    sequence(lookedAt(c), rolls(c), lay(c, 'again.clean'), lay(c, 'again.inside', { relining }), fitProvisional(c)),
  followUps: () => [],
}
