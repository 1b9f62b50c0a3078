import { open, practice, reason } from '../needs'
import type { Template } from '../template'

const bench = { phase: 'delivery', fn: 'chairside', place: 'bench' } as const

export const pieceSteps = {
  'delivery.clean-piece': {
    ...bench,
    title: 'Clean the $what of the try-in: {alcohol}, {ultrasonic}, dry',
    minutes: [1, 2, 3],
    needs: [open('alcohol'), open('ultrasonic bath')],
    reason: practice('a contaminated piece: alcohol, ultrasonic, dry'),
    cautions: [reason('Hydrofluoric acid only at the laboratory, never in the mouth', 'C')],
    mistakes: [
      'fitting side touched with the finger after cleaning',
      { if: ['$stuff', 'is', 'zirconia'], use: ['cleaned with phosphoric acid: nothing holds on it any more'] },
    ],
  },
  'delivery.prime-piece': {
    ...bench,
    title: {
      if: ['$stuff', 'is', 'glass ceramic'],
      use: '{Silane} on the fitting side $(silane:n) s, dry',
      else: '{Primer} for $stuff on the fitting side, dry',
    },
    minutes: [1, 1.2, 2],
    needs: [
      open({ if: ['$stuff', 'is', 'glass ceramic'], use: 'silane', else: 'primer.metal and zirconia' }, 0.1),
      open('micro brush'),
    ],
    ties: { if: ['$stuff', 'is', 'glass ceramic'], use: [{ lasts: 'silane', title: 'Silane' }] },
    reason: practice('$cleaned'),
  },
} as const satisfies Record<string, Template>
