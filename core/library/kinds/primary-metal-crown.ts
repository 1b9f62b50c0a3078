import { milkMolarLines } from '../cuts/cavities'
import type { Kind } from '../kind'
import { underSheet } from './shared'

const sealedIn = ['school.childMolar', 'is', 'sealed in'] as const

/** J19: preformed metal crowns, conventional, or sealed in without cutting. */
export const primaryMetalCrown: Kind = {
  id: 'primary.metal-crown',
  deciding: [['sealed in or not']],
  work: [
    {
      if: sealedIn,
      do: [
        {
          absent: 'cutting',
          because: 'sealed in without cutting: the lesion is shut off from the mouth; separators may have gone before',
        },
        'child.separators',
      ],
      else: [
        { if: underSheet, do: [['sheet on', { purpose: 'cutting' }]], else: [['rolls']] },
        { cut: milkMolarLines, minutes: [4, 7, 12] },
        ['milk pulps'],
        { if: underSheet, do: [['sheet off', { why: 'the crown is tried with the gum free' }]] },
      ],
    },
    ['preformed crowns'],
    'crown.bite',
  ],
  bites: ['preformed crown'],
  followUps: [
    {
      if: sealedIn,
      use: { title: 'Has the bite settled?', tell: 'a look whether the bite has settled', after: 'recall.bite' },
    },
  ],
}
