import { bite } from './bite'
import { open, practice, standby } from '../needs'
import type { Template } from '../template'

const look = { phase: 'finishing', fn: 'chairside', place: 'mouth' } as const
/** What decides whether it stays as it is. */
const judged = { ...look, fn: 'look', helped: true } as const

export const recallSteps = {
  'recall.ask': { ...look, title: 'Ask: sore, sensitive, high, loose?', minutes: [0.5, 1, 2], place: 'chair' },
  'recall.tissue': {
    ...judged,
    title: 'Tissue round $teeth: colour, bleeding, flash of resin or cement',
    minutes: [0.5, 1, 3],
    needs: [standby('scaler', 'excess is found')],
    told: 'looked at the tissue',
    hold: {
      name: 'clean',
      title: 'Tissue and edges clean',
      evidence: '{probe} round every edge',
      because: practice('what was left shows within a week'),
    },
  },
  'recall.floss': {
    ...look,
    title: 'Patient threads the {floss} under the pontic, watched',
    minutes: [1, 2, 4],
    needs: [open('floss threader'), open('floss', 300), open('hand mirror')],
    told: 'watched the patient thread the {floss}',
  },
  'recall.colour': {
    ...look,
    title: 'Colour, now that the teeth have taken up water again',
    minutes: [0.3, 0.5, 1],
    needs: [standby('shade guide', 'the patient doubts it'), open('camera')],
    told: 'looked at the colour after rehydration',
  },
  'recall.retainers': {
    ...judged,
    title: 'Each retainer tested by itself: $teeth',
    minutes: [1, 2, 3],
    passes: ['{explorer}', '{probe}'],
    needs: [open('explorer')],
    told: 'tested each retainer',
    hold: {
      name: 'clean',
      title: 'Every retainer holds',
      evidence: 'pressed and lifted one by one, bubbles at no edge',
      because: practice('one that has let go decays unseen beneath'),
    },
  },
  'recall.edges': {
    ...judged,
    title: 'Edges, tissue under the pontic, decay',
    minutes: [1, 1.5, 3],
    needs: [open('floss threader'), open('floss', 300)],
    told: 'looked at edges and tissue',
  },
  'recall.polish': {
    ...look,
    title: 'Edges polished where they stain',
    minutes: [0.5, 1, 3],
    fn: 'polishing',
    needs: [open('rubber point'), open('slow handpiece'), standby('film holder', 'an edge is doubted')],
  },
  'recall.bite': {
    ...bite,
    title: 'Guidance read: what touches sideways and forward',
    minutes: [0.5, 1, 2],
    told: 'read the guidance: natural teeth or bridge',
  },
} as const satisfies Record<string, Template>
