import { cavityLines } from '../cuts/cavities'
import type { Kind } from '../kind'
import { underSheet } from './shared'

/** J07: amalgam from the capsule, full pass list under the sheet; close without clenching, paper, carve, again till even. */
export const fillingAmalgam: Kind = {
  id: 'filling.amalgam',
  sheet: underSheet,
  work: [
    ['sheet on', { purpose: 'cutting' }],
    { cut: cavityLines, minutes: [6, 10, 20] },
    {
      each: 'tooth',
      do: [
        ['cavity read'],
        ['matrix', { kind: 'circumferential' }],
        // A base where enough amalgam is left over it, a liner where the floor is truly deep; both mixed at the bench.
        {
          if: 'base wanted',
          do: [
            { if: 'liner wanted', do: ['filling.$tooth.liner-mix', 'filling.$tooth.liner'] },
            'filling.$tooth.base-mix',
            'filling.$tooth.base',
          ],
          else: [
            {
              if: 'depth measured',
              do: [
                {
                  absent: 'base and liner in $said',
                  because:
                    '$(cavity depth) mm less a base of 1 would leave $(amalgam over a base) mm of amalgam: under 2 it breaks',
                },
              ],
              else: [
                {
                  absent: 'base and liner in $said',
                  because: 'nobody has measured how deep it is: decided at the probe, the cement stands by',
                },
              ],
            },
          ],
        },
        'filling.$tooth.triturate',
        'filling.$tooth.condense',
        'filling.$tooth.carve',
        ['matrix off', { order: 'Retainer, {wedge}, then the {band} out sideways' }],
        { if: 'boxes', do: ['filling.$tooth.sides'] },
        'filling.$tooth.wet-roll',
        ['contacts flossed'],
      ],
    },
    ['sheet off'],
  ],
  afterSheet: [
    { each: 'tooth', do: [['bite', { stage: 'amalgam', step: 'filling.$tooth.bite:amalgam' }]] },
    'finishing.roll',
  ],
  bites: ['amalgam'],
}
