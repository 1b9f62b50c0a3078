import { cavityLines } from '../cuts/cavities'
import type { Kind } from '../kind'
import { shade, underSheet } from './shared'

/** J08: bulk up to 4 mm, pressed to the neighbour while curing, 2 mm cover. */
export const fillingBulk: Kind = {
  id: 'filling.bulk',
  sheet: underSheet,
  beforehand: [shade],
  work: [
    ['sheet on', { purpose: 'bonding' }],
    { cut: cavityLines, minutes: [6, 10, 20] },
    {
      each: 'tooth',
      do: [
        ['matrix', { kind: 'sectional' }],
        ['bond', { at: 'filling', to: 'cavity' }],
        ['bulk increments'],
        [
          'light',
          {
            at: 'filling',
            act: 'cover-cure',
            name: 'cover layer, $said',
            least: 'cure.increment',
            of: 'composite.universal',
            deepMm: 2,
          },
        ],
        ['matrix off', { order: '{Ring} off, then the {wedge}, then the {band}' }],
        ['contacts flossed'],
        ['composite shaped'],
      ],
    },
    ['sheet off'],
  ],
  // The bite of all is read and eased together, then all are polished.
  afterSheet: [
    { each: 'tooth', do: [['bite', { stage: 'filling', step: 'filling.$tooth.bite' }]] },
    { each: 'tooth', do: [['composite polished']] },
  ],
  bites: ['filling'],
}
