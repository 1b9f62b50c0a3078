import { creviceSteps } from './crevice'
import { tissueSteps } from './tissue'
import type { Template } from '../template'

export const twoRoundsSteps = {
  'tissue.$layer-cord.$site:two rounds': {
    ...tissueSteps['tissue.$layer-cord.$site'],
    countsIn: [{ id: '$cordCountId', what: '{cord} to lower the margin, $said', planned: 1, outStep: '$cordOutStep' }],
  },
  'tissue.draw-cord.$site:two rounds': {
    ...creviceSteps['tissue.draw-cord.$site'],
    phase: 'tissue',
    ties: { if: ['$i', 'is', 0], use: ['$dwell'] },
  },
} as const satisfies Record<string, Template>
