import { cuttingSteps } from './cutting'
import { open, practice, standby } from '../needs'
import type { Template } from '../template'

const guide = { phase: 'records', fn: 'chairside', place: 'mouth' } as const
const shell = { phase: 'provisional', fn: 'provisional making', place: 'mouth', helped: true } as const

export const archPrepareSteps = {
  'records.reduction-guide': {
    ...guide,
    title: '{Reduction guide} from the wax-up tried in: sits without rocking',
    minutes: [0.5, 1, 2],
    needs: [open('reduction guide'), open('wax-up matrix')],
    told: 'tried the {reduction guide} in',
    mistakes: ['guide on wet teeth: it floats, and everything is cut too deep'],
  },
  'provisional.second-shell': {
    ...shell,
    title: {
      if: 'bridge',
      use: 'Second shell over the gap $pontics: mix into the matrix, seat, lift while rubbery',
      else: 'Second shell over the gap: mix into the matrix, seat, lift while rubbery',
    },
    minutes: [2, 4, 6],
    told: 'made a second shell over the gap for the surgeon',
    leaves: 'resin',
    needs: [open('bis-acryl', 5), open('mixing tip'), open('separator', 0.5)],
    ties: [
      {
        from: '.',
        fromEdge: 'start',
        toEdge: 'finish',
        atLeastS: { amount: 'bis-acryl.rubbery' },
        warnS: { amount: 'bis-acryl.out' },
        title: 'Second shell, rubbery stage',
        because: {
          rows: ['bis-acryl.rubbery', 'bis-acryl.out'],
          text: 'off between $(bis-acryl.rubbery:n) and $(bis-acryl.out) by product and warmth',
        },
      },
    ],
    reason: practice('shows the surgeon where the teeth will be: implants are placed to it'),
  },
  'provisional.second-shell-label': {
    ...shell,
    title: 'Second shell trimmed, bagged and labelled for the surgeon',
    minutes: [1, 2, 3],
    place: 'bench',
    fn: 'chairside',
    helped: false,
    needs: [open('impression bag')],
  },
  'provisional.removable': {
    ...guide,
    title: 'It must come off again: on and off once more, path free',
    minutes: [0.3, 0.5, 1],
    phase: 'provisional',
    needs: [standby('haemostat', 'the bridge holds too well')],
    detail: 'Before any {cement}: one path; embrasures opened with a thin {disc} until the {floss} goes through.',
    reason: practice('a bridge-like provisional that locks in is cut off before the surgery'),
  },
  'cutting.reduction-check:arch': {
    ...cuttingSteps['cutting.reduction-check'],
    title: 'Check the reduction, tooth by tooth, against the guide',
    passes: ['{reduction guide}', '{clearance tabs}', '{probe}'],
    minutes: [2, 4, 8],
  },
} as const satisfies Record<string, Template>
