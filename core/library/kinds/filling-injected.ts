import { cavityLines } from '../cuts/cavities'
import type { Kind } from '../kind'
import { shade, underSheet } from './shared'

/** Three-point cure: 10 s occlusal, buccal, lingual. Standing C. */
const from = { at: 'filling', least: 'cure.injected', of: 'composite.injectable', as: 'light:side' } as const

/** J09: injection-moulded. The warmer is on ten minutes before; a pre-wedge opens the contact while the cavity is cut. */
export const fillingInjected: Kind = {
  id: 'filling.injected',
  sheet: underSheet,
  beforehand: [['records.warmer'], shade],
  work: [
    ['sheet on', { purpose: 'bonding' }],
    { each: 'tooth', do: [{ if: 'boxes with a neighbour', do: ['filling.$tooth.pre-wedge'] }] },
    { cut: cavityLines, minutes: [6, 10, 20] },
    {
      each: 'tooth',
      do: [
        // Clean, measured, and the band that the depth asks for.
        { if: 'boxes with a neighbour', do: ['filling.$tooth.pre-wedge-out', 'filling.$tooth.strip'] },
        'filling.$tooth.powder',
        { if: 'boxes with a neighbour', do: ['filling.$tooth.guard-out', 'filling.$tooth.disc-neighbour'] },
        { if: 'boxes', do: ['filling.$tooth.measure'] },
        [
          'matrix',
          {
            kind: 'sectional',
            band: '$(band least) mm or higher, pressed 5 s, {wedge} while pressing, {ring} rocked home',
            figure: '$(band height)',
          },
        ],
        // Bonded, the contact tacked, then flowable and paste, warm, in one go.
        ['bond', { at: 'filling', to: 'cavity', cured: false }],
        { if: 'boxes with a neighbour', do: ['filling.$tooth.beads'] },
        'filling.$tooth.wet-again',
        'filling.$tooth.inject',
        ['light', { ...from, act: 'cure-occlusal', name: 'injected filling $said, occlusal', side: 'occlusal' }],
        // The ring shades the sides: it goes before their light, the wedge and the band after it.
        { if: 'boxes with a neighbour', do: ['filling.$tooth.ring-off'] },
        ['light', { ...from, act: 'cure-buccal', name: 'injected filling $said, buccal', side: 'buccal' }],
        [
          'light',
          {
            ...from,
            act: 'cure-$(inner side of the jaw)',
            name: 'injected filling $said, $(inner side of the jaw)',
            side: '$(inner side of the jaw)',
          },
        ],
        [
          'matrix off',
          {
            order: '{Wedge} out; {band} freed with the {explorer}, spun out with the {haemostat}',
            as: 'filling.$tooth.matrix-off:injected',
          },
        ],
        ['contacts flossed'],
        'filling.$tooth.cut-back',
        { if: { any: ['boxes', 'front tooth'] }, do: ['filling.$tooth.cut-back-discs'] },
      ],
    },
    ['sheet off'],
  ],
  afterSheet: [
    {
      each: 'tooth',
      do: [['bite', { stage: 'filling', step: 'filling.$tooth.bite' }]],
    },
    {
      each: 'tooth',
      do: [
        // Two cups, the assistant's light and air with them.
        'filling.$tooth.polish-dry',
        'filling.$tooth.polish-wet',
      ],
    },
  ],
  bites: ['filling'],
}
