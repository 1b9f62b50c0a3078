import { open, practice } from '../needs'
import type { Template } from '../template'

const act = { phase: 'cutting', fn: 'chairside', place: 'mouth', helped: true } as const

export const crownRootFilledSteps = {
  'cutting.look-beside': {
    ...act,
    title: {
      if: 'neighbours beside',
      use: 'Neighbours looked at while open: $(neighbours beside)',
      else: 'Neighbours looked at while open',
    },
    minutes: [0.3, 0.5, 1],
    fn: 'look',
    passes: ['{mirror}, washed and dried', '{explorer}'],
    told: 'looked at the neighbouring surfaces while they were open',
  },
  'cutting.loupes': {
    ...act,
    title: 'Magnified view: {loupes} and light on; pass list read through',
    minutes: [0.3, 0.5, 1],
    place: 'chair',
    helped: false,
    needs: [open('loupes')],
    detail: 'Full {suction}, the screen off its tip; the {mirror} washed and dried between looks.',
    reason: practice('many bur changes: the pass list matters most here'),
  },
} as const satisfies Record<string, Template>
