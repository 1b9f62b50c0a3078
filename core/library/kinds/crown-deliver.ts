import type { Kind } from '../kind'
import { shadeOnTooth, underSheet, weekAfter } from './shared'

const light = {
  at: 'delivery',
  name: 'resin cement, each side, $teeth',
  least: 'cure.cement',
  of: 'cement.resin',
} as const

/** Crown or bridge, cemented or bonded: the cement named at the preparation, changed only by the dentist. */
export const crownDeliver: Kind = {
  id: 'crown.deliver',
  work: [
    ['rolls'],
    ['provisional off'],
    [
      'try-in',
      {
        as: 'delivery.try-in:crown',
        what: '$(bridge or crown)',
        bitten: { if: 'bonded at delivery', use: false, else: true },
      },
    ],
    { if: 'margin hidden', do: ['delivery.film'] },
    ...shadeOnTooth,
    ['piece cleaned', { what: '$(bridge or crown)' }],
    'delivery.cement-choice',
    {
      if: 'bonded at delivery',
      do: [
        // Ceramic bonded with resin: piece and teeth conditioned, seated, tacked or brushed, cured from all sides.
        { if: underSheet, do: [['sheet on', { purpose: 'bonding' }]] },
        ['piece primed'],
        ['bond', { at: 'delivery', to: 'cavity', cured: false, dualCure: true }],
        'delivery.load:resin',
        'delivery.seat:resin',
        ['resin excess', { at: 'delivery' }],
        ['light', { ...light, act: 'cure-facial', as: 'light:one side', side: '$(outer side of the work) side' }],
        ['light', { ...light, act: 'cure-inner', as: 'light:one side', side: '$(inner side of the jaw) side' }],
        ['light', { ...light, act: 'cure-occlusal', as: 'light:one side', side: 'from the top' }],
        ['sheet off'],
      ],
      else: [['piece cemented', { what: '$(bridge or crown)' }]],
    },
    { if: 'bridge', do: ['delivery.under-pontic'] },
    {
      if: 'bonded at delivery',
      do: [['bite', { stage: 'bonded piece', step: 'delivery.bite:bonded' }]],
      // A cemented piece was set in the bite before: one look that it came down as it was.
      else: ['delivery.bite'],
    },
  ],
  bites: [{ if: 'bonded at delivery', use: 'bonded piece', else: 'tried in' }],
  followUps: [{ if: 'bonded at delivery', use: weekAfter('tissue and bite') }],
}
