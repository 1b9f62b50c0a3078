import { cuttingSteps } from './cutting'
import { open, practice } from '../needs'
import type { Template } from '../template'

const act = { phase: 'records', fn: 'preliminary impression', place: 'mouth' } as const

export const crownMetalSteps = {
  'records.reduction-index': {
    ...act,
    title: {
      if: ['school.provisional', 'is', 'bis-acryl in putty index'],
      use: 'A second {putty} index, over tooth and neighbours: this one is cut through',
      else: '{Putty} index for the reduction, over tooth and neighbours',
    },
    minutes: [2, 3, 5],
    told: 'made a {putty} index for the reduction',
    needs: [open('putty', 10)],
    mistakes: ['latex {gloves}: the {putty} stays soft'],
  },
  'records.section-index': {
    ...act,
    title: 'Section that index across the tooth, mid-buccal to mid-lingual',
    minutes: [0.5, 1, 2],
    place: 'bench',
    fn: 'chairside',
    needs: [open('scalpel')],
    told: 'sectioned the index',
  },
  'records.check-index': {
    ...act,
    title: 'Both halves back on the teeth: no light between',
    minutes: [0.3, 0.5, 1],
    fn: 'chairside',
    passes: ['index half', '{mirror}'],
    mistakes: ['an index that rocks {gauges} nothing'],
    reason: practice('before cutting: afterwards there is nothing to check it on'),
  },
  'cutting.reduction-check:metal': {
    ...cuttingSteps['cutting.reduction-check'],
    title: 'Check clearance, chamfer and taper',
    passes: ['both halves of the index', '{clearance tabs}, thin to thick', '{probe}'],
    hold: {
      name: 'reduction',
      title: 'Clearance, chamfer, taper',
      evidence: 'sectioned index, {tabs in the bite}, walls looked at with one eye from above',
      because: practice('total convergence about 6° in a metal crown; what is short is cut now'),
      again: ['$(finishing cuts)', 'cutting.reduction-check'],
    },
    figures: '$(convergence aimed at)',
  },
} as const satisfies Record<string, Template>
