import { cuspLines } from '../cuts/cavities'
import type { Kind } from '../kind'
import { shade, underSheet } from './shared'

/** J21: cusp by cusp on one surface; thin flowable cured longer; stain; glycerine. */
export const fillingCusps: Kind = {
  id: 'filling.cusps',
  sheet: underSheet,
  beforehand: [shade],
  work: [
    ['sheet on', { purpose: 'bonding' }],
    { each: 'tooth', do: ['filling.$tooth.clean'] },
    { cut: cuspLines, minutes: [3, 5, 10] },
    {
      each: 'tooth',
      do: [
        ['cavity read'],
        ['bond', { at: 'filling', to: 'cavity', cured: false }],
        'filling.$tooth.flow',
        ['thin flowable cured'],
        // The floor in layers, then each cusp by itself.
        ['floor first'],
        ['cusp by cusp'],
        'filling.$tooth.stain',
        [
          'light',
          {
            at: 'filling',
            act: 'glycerine-cure',
            name: 'under glycerine, $said',
            least: 'cure.increment',
            of: 'composite.universal',
            as: 'light:under glycerine',
          },
        ],
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
