/** A provisional that came off or is loose between two visits: looked at, cleaned, tried in and cemented again. */
import type { Kind } from '../kind'
import { provisionalBite } from './shared'

export const provisionalAgain: Kind = {
  id: 'provisional.again',
  work: [
    // Asked and looked at before anything is cleaned: where the cement stayed is gone once it is.
    'again.ask',
    'again.piece',
    'again.tooth',
    ['rolls'],
    'again.clean',
    'again.inside',
    ['provisional fitted'],
  ],
  bites: [provisionalBite],
}
