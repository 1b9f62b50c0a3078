import { classThreeLines } from '../cuts/cavities'
import type { Kind } from '../kind'
import { underSheet } from './shared'

const flow = {
  at: 'filling',
  name: 'flowable, $said, each side',
  least: 'cure.increment',
  of: 'composite.flowable',
  deepMm: 1,
} as const

/** J17: class III on a primary front tooth. One-third rules: axial wall 0.5 mm into dentine; a lock only if wanted, no further than half across and within its middle third. */
export const primaryClass3: Kind = {
  id: 'primary.class3',
  work: [
    'records.shade:child',
    { if: underSheet, do: [['sheet on', { purpose: 'bonding' }]], else: [['rolls']] },
    { each: 'tooth', do: ['filling.$tooth.wedge'] },
    { cut: classThreeLines, minutes: [3, 5, 9] },
    {
      each: 'tooth',
      do: [
        // The gum dry, then the wedge out, the band through, the wedge in again.
        'filling.$tooth.bleeding',
        'filling.$tooth.strip:child',
        ['bond', { at: 'filling', to: 'cavity' }],
        'filling.$tooth.box',
        'filling.$tooth.pull',
        ['light', { ...flow, act: 'cure-front', as: 'light:from the front' }],
        ['light', { ...flow, act: 'cure-back', as: 'light:from behind' }],
        'filling.$tooth.strip-out',
        ['composite shaped', { part: 'side' }],
        ['composite polished'],
        'filling.$tooth.floss:child',
      ],
    },
    { if: underSheet, do: [['sheet off']] },
  ],
  bites: ['filling on a side'],
}
