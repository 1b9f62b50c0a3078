import { open, reason } from '../needs'
import type { Template } from '../template'

export const overgrownSteps = {
  'tissue.trim': {
    reshapes: '$jaw',
    phase: 'tissue',
    title: 'Overgrown tissue off with $tool: $all',
    told: 'removed overgrown tissue with $tool at $all',
    tell: 'Some overgrown gum was taken away. It is sore and heals within about a week. Keep it clean.',
    fn: 'cutting',
    place: 'mouth',
    helped: true,
    hurts: '$soreGum',
    minutes: [2, 4, 8],
    passes: ['{plastic mirror}', '{high-volume suction} at the tip'],
    needs: {
      if: '$laser',
      use: [open('soft-tissue laser'), open('laser tip'), open('laser goggles', 3), open('plastic mirror')],
      else: [
        open('electrosurgery unit'),
        open('electrosurgery tip'),
        open('plastic mirror'),
        open('plastic suction tip'),
      ],
    },
    cautions: [
      {
        if: '$laser',
        use: [reason('{Laser} {goggles} on all three before the foot is on the pedal; the door shut', 'C')],
        else: [reason('Never with a pacemaker; no metal in the field; the plate under the patient', 'C')],
      },
      reason('Plume: {high-volume suction} and {masks}', 'C'),
    ],
    reason: reason('redundant tissue only; about a week’s healing before the next tissue-critical visit', 'C'),
  },
} as const satisfies Record<string, Template>
