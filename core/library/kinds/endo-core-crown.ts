/** J04: root canal, core and crown in one visit. */
import { afterCoreLines, topFirstLines } from '../cuts/crowns'
import type { Kind } from '../kind'
import type { Parts } from '../part'
import { afterCutting, provisionalBite, shade, tissueRecall, underSheet } from './shared'

const side = {
  at: 'core',
  name: 'core, each side',
  least: 'cure.piece',
  of: 'core.dual-cure',
  as: 'light:one side',
} as const

/** The core, by the school picked: glass ionomer, or dual-cure resin. */
const core: Parts = [
  'core.band',
  {
    if: ['school.core', 'is', 'glass ionomer'],
    do: [['etch', { at: 'core', of: 'before glass ionomer' }], 'core.place', 'core.pellet-out', 'core.set'],
    else: [
      ['bond', { at: 'core', to: 'cavity', dualCure: true }],
      'core.place:dual-cure',
      ['light', { ...side, act: 'cure-occlusal', side: 'occlusal' }],
      ['light', { ...side, act: 'cure-buccal', side: 'buccal' }],
      ['light', { ...side, act: 'cure-$(inner side of the jaw)', side: '$(inner side of the jaw)' }],
      'core.set:dual-cure',
    ],
  },
  'core.band-off',
]

export const endoCoreCrown: Kind = {
  id: 'endo.core.crown',
  // On record before the needle: afterwards a pulp answers nothing.
  deciding: [{ each: 'first tooth', do: ['records.vitality'] }],
  beforehand: [
    shade,
    [
      ['painted tray'],
      // The mould has its wall built anyway; a matrix from the laboratory does not ask for it, sheet and irrigant do.
      {
        if: { all: ['wall missing', ['school.provisional', 'is', 'bis-acryl in wax-up matrix']] },
        do: [{ each: 'first tooth', do: ['records.wall'] }],
      },
      ['provisional mould'],
      ['opposing arch'],
    ],
  ],
  work: [
    { cut: topFirstLines, minutes: [4, 7, 12] },
    { cut: ['canal first.caries'], minutes: [1, 2, 5] },
    ['sheet on', { purpose: 'canal' }],
    {
      each: 'first tooth',
      do: [
        { if: underSheet, do: ['isolation.seal:canal'] },
        ['canal access'],
        ['canals shaped'],
        ['canals filled', { belowOrificeMm: 2 }],
        ...core,
      ],
    },
    ['sheet off', { purpose: 'canal' }],
    { each: 'first tooth', do: ['core.film'] },
    { if: underSheet, do: [['rolls']] },
    { cut: afterCoreLines, minutes: [8, 13, 25] },
    ['reduction check'],
    ...afterCutting,
  ],
  bites: [provisionalBite],
  followUps: [
    { kind: 'crown.deliver', title: 'Crown, milled in-house: delivery', after: 'milled.delivery' },
    tissueRecall,
  ],
}
