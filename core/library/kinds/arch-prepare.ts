import { archLines } from '../cuts/crowns'
import type { Kind } from '../kind'
import { crownRecords, provisionalBite, tissueRecall } from './shared'

/** J20: many lower units with implants to come. */
export const archPrepare: Kind = {
  id: 'arch.prepare',
  // The guides from the wax-up, tried before a bur goes in.
  deciding: ['records.reduction-guide'],
  beforehand: crownRecords,
  work: [
    ['isolation'],
    { cut: archLines, minutes: [6, 10, 18] },
    ['reduction check', { as: 'cutting.reduction-check:arch' }],
    ['isolation off'],
    ['overgrown gum'],
    ['cords'],
    [
      'impression and provisional',
      {
        before: [
          // A second shell over the gap shows the surgeon where teeth will be.
          { if: 'bridge', do: ['provisional.second-shell', 'provisional.second-shell-label'] },
          'provisional.removable',
        ],
      },
    ],
  ],
  bites: [provisionalBite],
  followUps: [
    {
      title: 'Surgeon: implants by the second shell',
      tell: 'the surgeon sets the implants',
      after: 'surgeon.implants',
    },
    { kind: 'crown.deliver', title: 'Delivery of the units', after: 'the laboratory' },
    tissueRecall,
  ],
}
