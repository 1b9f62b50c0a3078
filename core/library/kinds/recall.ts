/** Recalls after bonding and tissue work, and the half-yearly check of a bonded bridge. */
import type { Kind } from '../kind'
import { halfYear } from './shared'

export const recallWeek: Kind = {
  id: 'recall.week',
  work: ['recall.ask', 'recall.tissue', { if: 'bonded bridge', do: ['recall.floss'] }, 'recall.colour'],
  bites: ['recall'],
}

export const recallHalfYear: Kind = {
  id: 'recall.half-year',
  work: [
    'recall.retainers',
    ['bite', { stage: 'recall of a bonded bridge', step: 'recall.bite' }],
    'recall.edges',
    'recall.polish',
  ],
  bites: ['recall of a bonded bridge'],
  followUps: [halfYear],
}
