import { compositePlugger, afterFilling } from './shared'
import { open, reason } from '../needs'
import type { Template } from '../template'

const place = { phase: 'restoring', fn: 'placing', place: 'mouth', helped: true } as const

export const fillingBulkSteps = {
  'filling.$tooth.depth': {
    ...place,
    title: 'Depth by {probe}: $(cavity depth) mm planned',
    minutes: [0.2, 0.3, 0.5],
    tooth: '$tooth',
    fn: 'look',
    asks: [{ reading: 'depth', teeth: ['$tooth'], bulk: '$length', band: false }],
    passes: ['{probe}'],
    shows: '$before',
    needs: [open('periodontal probe')],
    figures: ['$figure'],
    reason: reason('$text', 'C'),
    mistakes: ['guessed depth: the floor of a thick increment stays soft'],
  },
  'filling.$tooth.cover': {
    ...place,
    title: 'Cover layer $coverMm mm, cusps shaped',
    minutes: [1, 2, 4],
    tooth: '$tooth',
    shows: '$cover',
    told: {
      if: ['$length', 'is', 1],
      use: 'filled $label, $surfaces, in $length {bulk increment} and a cover',
      else: 'filled $label, $surfaces, in $length {bulk increment}s and a cover',
    },
    tell: afterFilling,
    needs: [
      open('composite.universal', 1, { shade: '$(shade laid)' }),
      open('composite dispenser'),
      open('composite carver'),
      compositePlugger,
    ],
    passes: ['{composite}, $(shade said), on its instrument', '{shaping instrument}'],
    detail: '$coverMm mm left: read with the {probe} first. In one layer or two.',
  },
} as const satisfies Record<string, Template>
