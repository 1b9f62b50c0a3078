import { exposure, resinSeated } from './shared'
import { deliverySteps } from './delivery'
import { open, practice, standby } from '../needs'
import type { Template } from '../template'

const act = { phase: 'delivery', fn: 'bonding', place: 'mouth', helped: true } as const

export const crownDeliverSteps = {
  'delivery.load:resin': {
    ...act,
    title: '{Resin cement} into the piece, thin along the edge',
    minutes: [0.3, 0.5, 0.75],
    fn: 'chairside',
    place: 'bench',
    helped: false,
    needs: [open('cement.resin', '$(number of teeth)', { words: 'resin cement' }), open('mixing tip')],
    reason: practice('bonded, as planned at the preparation'),
  },
  'delivery.seat:resin': {
    ...act,
    title: 'Seat, hold still',
    minutes: [0.3, 0.5, 1],
    told: 'bonded the $(bridge or crown) with {resin cement}',
    tell: 'Your new $(bridge or crown) is glued in. Floss and brush as usual. Call us if the bite feels high.',
    passes: ['loaded piece in {gauze}', '{cotton roll}'],
    ties: [{ ...resinSeated, whenMissed: 'it is setting: clean both and begin again' }],
  },
  'delivery.cement-choice': {
    ...act,
    title: '{Cement}: $(final cement)',
    minutes: [0.2, 0.3, 1],
    place: 'chair',
    fn: 'chairside',
    helped: false,
    hold: {
      name: 'cement',
      title: '{Cement} choice',
      evidence: 'retention seen on the tooth, the slip’s word, what lay on the tooth before',
      because: practice('the preparation as it is today decides, not the plan of last month'),
    },
  },
  'delivery.under-pontic': {
    ...act,
    title: '{Threader} with a knot through under the pontic',
    minutes: [0.5, 1, 2],
    fn: 'excess removal',
    needs: [open('floss threader'), open('floss', 300)],
    mistakes: ['{cement} left under the pontic: it bleeds at the recall'],
  },
  'delivery.film': {
    ...act,
    title: 'Film of the margin, the piece seated: it cannot be looked at all round',
    minutes: [1, 2, 3],
    fn: 'radiograph',
    needs: [
      open('film holder'),
      standby('film holder', 'cement is suspected where it cannot be seen: a second film, after the cement'),
    ],
    told: 'took a film of the margins',
    cautions: [exposure],
    hold: {
      ...deliverySteps['delivery.try-in'].hold,
      evidence: 'contacts, margin parts in sight, seat, and the film of the rest',
      again: ['delivery.try-in', 'delivery.film'],
    },
    reason: practice('before any cement: what a film shows after it cannot be put right'),
  },
  'delivery.try-in:crown': {
    ...deliverySteps['delivery.try-in'],
    // Signed with the film, where there is one.
    hold: { if: { not: 'margin hidden' }, use: deliverySteps['delivery.try-in'].hold },
  },
} as const satisfies Record<string, Template>
