import { open, reason } from '../needs'
import type { Template } from '../template'

/** One cut of one tooth: what it says stands with the cuts. */
const cut = {
  phase: 'cutting',
  title: { if: 'several teeth', use: '$said: $title', else: '$title' },
  detail: '$detail',
  told: '$told',
  tooth: '$tooth',
  fn: 'cutting',
  place: 'mouth',
  helped: true,
  reshapes: '$reshapes',
  hurts: '$hurts',
  minutes: ['$short', '$likely', '$long'],
  passes: '$passes',
  needs: [
    { if: '$first', use: [open('high-speed handpiece')] },
    { if: '$needs', use: '$needs' },
  ],
  cautions: [{ if: '$cautions', use: '$cautions' }],
  cues: '$cues',
  cut: '$cut',
  mistakes: '$mistakes',
  reason: '$because',
} as const

export const cuttingSteps = {
  'cutting.$act.$tooth': cut,
  'cutting.reduction-check': {
    phase: 'cutting',
    title: 'Check the reduction',
    told: 'checked the reduction',
    asks: [
      {
        if: 'ceramic all round',
        use: [{ reading: 'reduction', teeth: '$(tooth codes)', restoration: '$restoration', inner: 'ceramic' }],
        else: [{ reading: 'reduction', teeth: '$(tooth codes)', restoration: '$restoration' }],
      },
      // Walls of an inlay open upward and a veneer has none: only a crown resists by them.
      {
        if: {
          any: [
            ['kind of work', 'is', 'crown'],
            ['kind of work', 'is', 'root'],
          ],
        },
        use: [{ reading: 'convergence', teeth: '$(tooth codes)' }],
      },
    ],
    detail: '$targets',
    fn: 'look',
    place: 'mouth',
    helped: true,
    minutes: [1, 2, 4],
    needs: [open('clearance tabs'), { if: '$guide', use: [open('reduction guide')] }],
    passes: ['$gauge', '{probe}'],
    hold: {
      name: 'reduction',
      title: 'Reduction enough',
      evidence: {
        if: '$guide',
        use: 'guide from the wax-up and {clearance tabs}',
        else: '{clearance tabs} in the bite and on the sides',
      },
      because: reason('what is short now is a thin crown later; before the cord it costs a minute', 'C'),
      again: ['$(finishing cuts)', 'cutting.reduction-check'],
    },
    tellsLab: [
      { if: 'inner ledge', use: ['metal alone on the inner side, chamfer $(reduction.inner margin) there'] },
      { if: 'ceramic all round', use: ['ceramic all round, shoulder $(reduction.margin)'] },
    ],
    figures: '$figures',
    mistakes: ['read with the jaw off its bite: {the tab} feels free where it is not'],
  },
} as const satisfies Record<string, Template>
