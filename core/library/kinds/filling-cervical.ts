import { neckLines } from '../cuts/cavities'
import type { Kind } from '../kind'
import type { Parts } from '../part'
import { shade, underSheet } from './shared'

/** One half of the cavity and its light. */
const half = (which: 'gum' | 'incisal'): Parts => [
  ['filling.$tooth.increment-$half', { half: which }],
  [
    'light',
    {
      at: 'filling',
      act: `increment-${which}-cure`,
      name: 'increment, $said',
      least: 'cure.increment',
      of: 'composite.universal',
      deepMm: 1,
    },
  ],
]

/** J15: cervical. The cervical clamp, or a cord in the sulcus with rolls. */
export const fillingCervical: Kind = {
  id: 'filling.cervical',
  beforehand: [shade],
  work: [
    {
      if: underSheet,
      do: [['sheet on', { purpose: 'bonding' }], { each: 'tooth', do: ['filling.$tooth.clamp'] }],
      else: [['rolls'], ['cords for bonding', { outStep: 'finishing.cords-out' }]],
    },
    { cut: neckLines, minutes: [4, 6, 12] },
    {
      each: 'tooth',
      do: [
        ['cavity read', { detail: 'Gum edge in sight, no weeping.' }],
        ['bond', { at: 'filling', to: 'cavity' }],
        ...half('gum'),
        ...half('incisal'),
        'filling.$tooth.flash',
        'filling.$tooth.cups',
      ],
    },
    {
      if: underSheet,
      do: [{ each: 'tooth', do: ['filling.$tooth.clamp-off'] }, ['sheet off']],
      else: ['finishing.cords-out:cervical filling'],
    },
  ],
  bites: ['filling on a side'],
}
