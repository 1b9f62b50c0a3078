import { crownLines } from '../cuts/crowns'
import type { Kind } from '../kind'
import { afterCutting, crownRecords, frameworkTryIn, provisionalBite, tissueRecall } from './shared'

/** J05: crown or conventional bridge, first visit, assistant-led. Reads like the day runs. */
export const crownPrepare: Kind = {
  id: 'crown.prepare',
  beforehand: crownRecords,
  work: [['isolation'], { cut: crownLines }, ['reduction check'], ['isolation off'], ...afterCutting],
  bites: [provisionalBite],
  followUps: [
    frameworkTryIn,
    {
      kind: 'crown.deliver',
      title: { if: 'bridge', use: 'Delivery of the bridge', else: 'Delivery of the $restoration' },
      after: 'the laboratory',
    },
    tissueRecall,
  ],
}
