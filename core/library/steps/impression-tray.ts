import { washAndTray } from './lanes'
import { open, practice, reason } from '../needs'
import type { Template } from '../template'

const load = {
  phase: 'impression',
  fn: 'chairside',
  place: 'bench',
  minutes: ['$shortest', '$likely', '$longest'],
  passes: ['{loaded tray}, handle first'],
} as const

export const impressionTraySteps = {
  'impression.try-tray': {
    phase: 'records',
    title: {
      if: '$dual',
      use: '{Dual-arch tray} tried in: free of teeth and gum, and it closes fully once, the other side meeting',
      else: '{Tray} tried in: past the last tooth, free of the teeth that are cut',
    },
    told: { if: '$dual', use: 'tried the {dual-arch tray} in and rehearsed the bite', else: 'tried the {tray} in' },
    fn: 'preliminary impression',
    place: 'mouth',
    minutes: [0.3, 0.5, 1],
    needs: ['$tray'],
    detail: {
      if: '$dual',
      use: 'Bent where it touches; another size where it stays in the way.',
      else: 'Another size where its wall comes near.',
    },
    mistakes: ['tried for the first time when it is loaded: the wall shows through beside the preparation'],
  },
  'impression.block-out': {
    phase: 'impression',
    // Wax holds on no film, and is not wiped over afterwards.
    wantsClean: 'a wash',
    title: 'Block out undercuts, open embrasures and the undersides of old bridges with {block-out wax}',
    fn: 'chairside',
    place: 'mouth',
    minutes: [0.5, 1, 2],
    needs: [open('block-out wax')],
    reason: practice('a stiff material in an open embrasure does not come out again'),
  },
  'impression.$(mark)load-syringe': {
    phase: 'impression',
    title: {
      if: ['$family', 'is', 'hydrocolloid'],
      use: '{Syringe} material from the storage bath, tip wiped',
      else: 'Bleed the cartridge, load the {syringe} from behind',
    },
    fn: 'chairside',
    place: 'bench',
    minutes: [0.25, 0.35, 0.5],
    needs: '$materialNeeds',
    figures: ['$light', '$tray'],
    reason: '$speedReason',
    mistakes: ['filled from the front: air in the barrel, bubbles at the margin'],
    ties: '$adhesiveDry',
  },
  'impression.$(mark)inject': {
    phase: 'impression',
    title: {
      if: ['$n', 'at least', 2],
      use: {
        if: ['$n', 'is', 2],
        use: '{Wash} round both margins in turn, tip in the material',
        else: '{Wash} round all $n margins in turn, tip in the material',
      },
      else: '{Wash} round the margin, tip in the material',
    },
    detail: '$(path of the wash), well past the margins.',
    fn: 'final impression',
    place: 'mouth',
    minutes: ['$shortest', '$likely', '$longest'],
    passes: ['{loaded syringe}'],
    ties: { if: '$first', use: '$crevice' },
  },
  'impression.$(mark)load-tray': {
    ...load,
    title: {
      if: ['$trayStartS', 'is', 0],
      use: 'Load the {tray} as the {syringe} leaves your hand',
      else: 'Load the {tray}, beginning $trayStartS s after the {syringe}',
    },
    needs: '$trayNeeds',
    figures: [
      {
        name: 'tray loading begins',
        value: '$trayStartS',
        unit: 's after injection begins',
        text: '$because',
        standing: 'C',
      },
    ],
    ties: {
      if: ['$trayStartS', 'at least', 1],
      use: [
        {
          from: 'impression.$(mark)inject',
          fromEdge: 'start',
          atLeastS: '$trayStartS',
          title: 'Tray loading begins',
          because: reason('$because', 'C'),
        },
      ],
    },
  },
  'impression.$(mark)load-tray:wash on top': {
    ...load,
    title: 'Load the {tray}, the {wash} on top; the margins stay damp',
    needs: '$needs',
    figures: ['$light', '$tray'],
    reason: practice('the wash goes in the tray only: the material likes water; $speed'),
    ties: '$adhesiveDry',
    mistakes: ['air shut in between {wash} and {tray}: a bubble at the margin'],
  },
  'impression.$(mark)seat': {
    imprints: '$jaw',
    phase: 'impression',
    told: {
      if: '$dual',
      use: 'seated the {dual-arch tray}, addition silicone ($speed set)',
      else: 'seated the $trayWords, $familyWords ($speed set)',
    },
    title: {
      if: '$dual',
      use: 'Seat on the preparation, then close; hold the chin',
      else: {
        if: ['$family', 'is', 'hydrocolloid'],
        use: 'Seat the tempered {tray}; water on; hold still',
        else: 'Seat the {tray}, back first, then the front; hold still',
      },
    },
    detail: {
      if: '$dual',
      use: 'Never both at once.',
      else: 'Mouth and throat looked at first: nothing loose lies there.',
    },
    fn: 'final impression',
    place: 'mouth',
    lanes: { if: { not: '$alone' }, use: washAndTray },
    minutes: [0.1, 0.17, 0.3],
    ties: [
      // Nothing was washed before: the gum waits for the tray.
      { if: { all: ['$alone', '$first'] }, use: '$crevice' },
      {
        from: '$id',
        fromEdge: { if: '$alone', use: 'start', else: 'finish' },
        toEdge: 'finish',
        warnS: '$warnS',
        atMostS: '$workingS',
        title: 'Working time',
        because: reason('$workingS s, from the material’s own instructions', 'practice'),
        whenMissed: 'it is setting: throw it out and begin with a fresh mix',
        again: '$again',
      },
    ],
    reason: { if: '$why', use: practice('$why') },
  },
  'impression.$(mark)remove': {
    phase: 'impression',
    title: {
      if: ['$family', 'is', 'hydrocolloid'],
      use: 'Water off; {tray} out in one snap',
      else: {
        if: ['school.setBy', 'is', 'clock'],
        use: 'The time is up: {tray} out in one move',
        else: 'Has the bead set? {Tray} out in one move',
      },
    },
    told: 'removed the {tray}',
    detail: 'Then mouth and throat looked at again: nothing torn off is left.',
    fn: 'final impression',
    place: 'mouth',
    minutes: [0.2, 0.3, 0.5],
    ties: [
      {
        from: 'impression.$(mark)seat',
        fromEdge: 'finish',
        atLeastS: '$inMouthS',
        title: 'Sets in the mouth',
        because: reason(
          'not before $inMouthS s in the mouth, from the material’s own instructions; longer does no harm',
          'practice',
        ),
      },
    ],
  },
} as const satisfies Record<string, Template>
