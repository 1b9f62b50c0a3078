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
        // A liner where it is deep, a base mixed at the bench.
        'filling.$tooth.liner',
        'filling.$tooth.base-mix',
        'filling.$tooth.base',
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
