import { practice, reason, standby } from '../needs'
import type { Template } from '../template'

export const creviceSteps = {
  'impression.dry': {
    wantsClean: '$trainWords',
    phase: 'impression',
    title: {
      say: [
        { if: '$drawn', use: 'Dry', else: 'Rinse, dry' },
        ' once, thoroughly',
        { if: '$damp', use: ', and leave it just damp' },
        '; look at every margin',
      ],
    },
    detail: { if: '$base', use: 'The $baseWord stays where it is: does it still lie below every margin?' },
    fn: 'look',
    helps: 'dries, {suction} close, holds lip and cheek',
    place: 'mouth',
    minutes: { if: '$drawn', use: ['$shortest', '$likely', '$longest'], else: [0.3, 0.5, 1] },
    helped: true,
    ties: { if: { all: ['$base', { not: '$drawn' }] }, use: ['$dwell'] },
    needs: [
      {
        if: '$bleeds',
        use: [standby('agent.aluminium chloride', 'it still bleeds: pressed on with a pellet', 0.5)],
      },
      {
        if: '$trimmed',
        use: [standby('cotton pellet', 'it still bleeds: pressed on, counted out again', 2)],
      },
    ],
    hold: {
      if: '$bleeds',
      use: {
        name: 'dry',
        title: 'Bleeding stopped, field dry',
        evidence: 'every margin looked at, dry, by the dentist; if not, the impression is another day',
        because: practice({
          if: '$trimmed',
          use: 'gum that was cut this hour bleeds into the impression',
          else: 'gum that weeps wets the margin',
        }),
      },
    },
  },
  'tissue.draw-cord.$site': {
    phase: 'impression',
    title: 'Draw the $word, $label',
    act: 'cord drawn',
    asks: [{ reading: 'cord out', teeth: ['$tooth'] }],
    told: 'drew the $word of $label, wet',
    detail: 'Wet, in one smooth pull.',
    tooth: '$tooth',
    fn: 'cord removal',
    place: 'mouth',
    helped: true,
    minutes: [0.08, 0.13, 0.4],
    passes: ['{tweezers}', '$next'],
    countsOut: '$drawnCounts',
    cautions: [reason('Never dry: a dry {cord} takes the lining with it and it bleeds', 'C')],
  },
  'impression.pellets-out': {
    phase: 'impression',
    title: '{Pellets} out from between the teeth, counted',
    wantsClean: '$trainWords',
    told: 'took the back-up {pellets} out',
    fn: 'cord removal',
    place: 'mouth',
    minutes: [0.2, 0.3, 0.6],
    passes: ['{tweezers}'],
    countsOut: ['pellets'],
    ties: '$dwells',
  },
  'impression.rinse': {
    phase: 'impression',
    wantsClean: '$trainWords',
    title: {
      if: ['$agent', 'is', 'plain'],
      use: 'Rinse; the $cordsWord wet',
      else: 'Rinse the $agent off; the $cordsWord wet',
    },
    fn: 'chairside',
    place: 'mouth',
    minutes: [0.15, 0.25, 0.5],
    passes: ['water and {suction}'],
    ties: { if: { not: '$pellet' }, use: '$dwells' },
  },
} as const satisfies Record<string, Template>
