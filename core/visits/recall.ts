/** Recalls after bonding and tissue work, and the half-yearly check of a bonded bridge. */
import { after } from './follow-ups'
import { kindFacts } from '../kinds'
import { checkBite } from '../phases/bite'
import { acts, only, open, practice, sequence, standby } from '../library/build'
import { labels, type Case } from '../library/case'
import type { VisitKind } from './kind'

const look = acts({ phase: 'finishing', fn: 'chairside', place: 'mouth' })
const bonded = (c: Case): boolean =>
  c.request.earlier.some((e) => kindFacts(e.kind).family === 'bonded bridge') || c.pontics.length > 0

export const recallWeek: VisitKind = {
  id: 'recall.week',
  work: (c) =>
    sequence(
      look('recall.ask', 'Ask: sore, sensitive, high, loose?', [0.5, 1, 2], { place: 'chair' }),
      look('recall.tissue', `Tissue round ${labels(c)}: colour, bleeding, flash of resin or cement`, [0.5, 1, 3], {
        helped: true,
        needs: [standby('scaler', 'excess is found')],
        told: 'looked at the tissue',
        hold: {
          name: 'clean',
          title: 'Tissue and edges clean',
          evidence: 'probe round every edge',
          because: practice('what was left shows within a week'),
        },
      }),
      only(bonded(c), () =>
        look('recall.floss', 'Patient threads the floss under the pontic, watched', [1, 2, 4], {
          needs: [open('floss threader'), open('floss', 300), open('hand mirror')],
          told: 'watched the patient thread the floss',
        }),
      ),
      look('recall.colour', 'Colour, now that the teeth have taken up water again', [0.3, 0.5, 1], {
        needs: [standby('shade guide', 'the patient doubts it'), open('camera')],
        told: 'looked at the colour after rehydration',
      }),
    ),
  followUps: () => [],
}

export const recallHalfYear: VisitKind = {
  id: 'recall.half-year',
  work: (c) =>
    sequence(
      look('recall.retainers', `Each retainer tested by itself: ${labels(c)}`, [1, 2, 3], {
        helped: true,
        passes: ['explorer', 'probe'],
        needs: [open('explorer')],
        told: 'tested each retainer',
        hold: {
          name: 'clean',
          title: 'Every retainer holds',
          evidence: 'pressed and lifted one by one, bubbles at no edge',
          because: practice('one that has let go decays unseen beneath'),
        },
      }),
      checkBite('recall of a bonded bridge', {
        id: 'recall.bite',
        title: 'Guidance read: what touches sideways and forward',
        minutes: [0.5, 1, 2],
        told: 'read the guidance: natural teeth or bridge',
      }),
      look('recall.edges', 'Edges, tissue under the pontic, decay', [1, 1.5, 3], {
        needs: [open('floss threader'), open('floss', 300)],
        told: 'looked at edges and tissue',
      }),
      look('recall.polish', 'Edges polished where they stain', [0.5, 1, 3], {
        fn: 'polishing',
        needs: [open('rubber point'), open('slow handpiece'), standby('film holder', 'an edge is doubted')],
      }),
    ),
  followUps: (c) => [
    {
      title: 'Half-yearly check of the bonded bridge',
      kind: 'recall.half-year',
      ...after(c, 'recall.bonded bridge'),
    },
  ],
}
