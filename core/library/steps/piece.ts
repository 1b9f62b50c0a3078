import { open, practice, reason, standby } from '../needs'
import type { Template } from '../template'

const bench = { phase: 'delivery', fn: 'chairside', place: 'bench' } as const

/** Zirconia that was in the mouth and is bonded. */
const phosphates = { all: [['$stuff', 'is', 'zirconia'], '$bonded'] } as const
const unknown = ['$stuff', 'is', 'not known'] as const

export const pieceSteps = {
  'delivery.clean-piece': {
    ...bench,
    title: {
      pick: [
        [phosphates, 'Clean the $what of the try-in: {zirconia cleaner} inside, rinse, {ultrasonic}, dry'],
        [unknown, 'Clean the $what of the try-in, by what it is made of; {ultrasonic}, dry'],
        ['Clean the $what of the try-in: {alcohol}, {ultrasonic}, dry'],
      ],
    },
    minutes: [1, 2, 3],
    needs: [
      {
        if: phosphates,
        use: [
          open('zirconia cleaner'),
          standby('air abrasion', 'the agent is not to hand: fine powder, low pressure, suction box and mask'),
        ],
      },
      { if: unknown, use: [standby('alcohol', 'it is glass ceramic')] },
      { if: { not: { any: [phosphates, unknown] } }, use: [open('alcohol')] },
      open('ultrasonic bath'),
    ],
    reason: practice({
      pick: [
        [
          phosphates,
          'saliva leaves its phosphate on zirconia, and alcohol does not take that off: the primer finds no place',
        ],
        [unknown, 'alcohol for glass ceramic, an alkaline agent or fine air abrasion for zirconia'],
        ['a contaminated piece: alcohol, ultrasonic, dry'],
      ],
    }),
    cautions: {
      if: ['$stuff', 'is', 'glass ceramic'],
      use: [reason('Hydrofluoric acid only at the laboratory, never in the mouth', 'C')],
    },
    mistakes: [
      'fitting side touched with the finger after cleaning',
      { if: ['$stuff', 'is', 'zirconia'], use: ['cleaned with phosphoric acid: nothing holds on it any more'] },
    ],
  },
  'delivery.prime-piece': {
    ...bench,
    title: {
      pick: [
        [['$stuff', 'is', 'glass ceramic'], '{Silane} on the fitting side $(silane:n) s, dry'],
        [unknown, 'The fitting side primed by what it is made of: not before that is known'],
        ['{Primer} with phosphate monomer for $stuff on the fitting side, dry'],
      ],
    },
    minutes: [1, 1.2, 2],
    needs: [
      {
        if: unknown,
        use: [
          standby('silane', 'it is glass ceramic', 0.1),
          standby('primer.metal and zirconia', 'it is zirconia or metal', 0.1),
        ],
        else: [open({ if: ['$stuff', 'is', 'glass ceramic'], use: 'silane', else: 'primer.metal and zirconia' }, 0.1)],
      },
      open('micro brush'),
    ],
    ties: { if: ['$stuff', 'is', 'glass ceramic'], use: [{ lasts: 'silane', title: 'Silane' }] },
    reason: practice('$cleaned'),
  },
} as const satisfies Record<string, Template>
