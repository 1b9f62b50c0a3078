import { onSpot } from './shared'
import { open, practice } from '../needs'
import type { Template } from '../template'

export const adhesiveSteps = {
  '$stem.$act': {
    ...onSpot,
    wantsClean: 'a bond',
    fn: 'bonding',
    title: '$LWords: $how, $label',
    told: { if: '$spoken', use: 'bonded $label with $spoken' },
    minutes: { if: '$rub', use: '$minutesOf', else: [0.2, 0.3, 0.5] },
    passes: [{ if: ['$to', 'is', 'canal'], use: '{point} with {adhesive}', else: '{brush|micro brush} with $lWords' }],
    needs: [
      open('$need', 0.1),
      { if: ['$to', 'is', 'canal'], use: [open('paper point', 2)], else: [open('micro brush')] },
      open('dappen dish'),
    ],
    ties: { if: '$rub', use: [{ lasts: '$rub', title: '$LWords rubbed in' }] },
  },
  '$stem.wick': {
    ...onSpot,
    fn: 'bonding',
    title: 'Excess wicked out with {dry points}, quick touches',
    minutes: [0.3, 0.5, 1],
    passes: ['{dry point}', '{dry point}'],
    needs: [open('paper point', 3)],
    mistakes: ['a pool left at the bottom: the {post} stands proud'],
  },
  '$stem.$(act)-air': {
    ...onSpot,
    fn: 'bonding',
    title: '$air',
    minutes: [0.1, 0.2, 0.4],
    passes: ['air'],
    reason: practice({
      if: '$rub',
      use: 'carrier left behind weakens it',
      else: 'a thick pool shows as a line on the film',
    }),
    mistakes: ['air line with oil or water in it: test it on a {mirror}'],
  },
} as const satisfies Record<string, Template>
