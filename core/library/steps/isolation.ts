import { open, reason, standby } from '../needs'
import type { Template } from '../template'

export const isolationSteps = {
  'isolation.dam-on': {
    act: 'sheet on',
    asks: [{ reading: 'sheet', teeth: '$clamped' }],
    phase: 'isolation',
    told: {
      say: [
        'placed the dam with $n hole',
        { if: { not: '$one' }, use: 's' },
        ', {clamp}',
        { if: '$second', use: 's' },
        ' on $clampedSaid',
      ],
    },
    title: { if: '$one', use: 'Dam on, one hole: $anchor', else: 'Dam on, $n holes: $fromTo' },
    detail: {
      say: [
        '{Clamp}',
        { if: '$second', use: 's' },
        ' on $clampedSaid: four points under the height of contour, stable before the {sheet} goes over. $detail. ',
        {
          if: '$one',
          use: 'Tuck the edges with air and an {explorer}.',
          else: 'Front-most contact flossed first; {floss} between {sheet} and tooth at every septum; air and an {explorer} tuck the edges.',
        },
        { if: 'alert.mouth breather', use: ' A breathing corner is cut, by the dentist’s word.' },
      ],
    },
    fn: 'dam',
    holes: ['$holes'],
    place: 'mouth',
    helped: true,
    hurts: '$soreGum',
    minutes: [2, 4, 8],
    cues: [{ atS: { amount: 'sheet.on' }, say: '$(sheet.on): is the {sheet} on?', because: { row: 'sheet.on' } }],
    passes: ['$passes'],
    needs: [
      open('dam sheet'),
      open('dam frame'),
      open('dam punch'),
      open('clamp forceps'),
      '$clampNeeds',
      open('floss', 900),
      open('dam lubricant', 0.5),
      { if: ['school.damOrder', 'is', 'sheet on the wings'], use: [open('plastic instrument')] },
      standby('block-out resin', 'the sheet leaks'),
      {
        if: { not: { all: [['$anchorPosition', 'at least', 6], 'part-erupted'] } },
        use: [standby('clamp.retentive', 'the clamp rocks or springs', 1, { is: 'clamp' })],
      },
    ],
    countsIn: {
      if: { not: '$one' },
      use: [{ id: 'dam-pieces', what: 'pieces of dam between the holes', planned: '$pieces', outStep: '$offStep' }],
    },
    cautions: [
      reason('The {floss} tether on the {clamp} is the airway guard: always on', 'C'),
      reason('Only {water-soluble lubricant} on the {sheet}', 'C'),
      {
        if: ['$purpose', 'is', 'canal'],
        use: [reason('{Hypochlorite} only with the {sheet} on and tight; eyes and clothes covered', 'C')],
      },
      {
        if: { all: [['$purpose', 'is', 'cutting'], 'permanent teeth', ['margin', 'is', 'subgingival']] },
        use: [reason('A margin under the tissue: the {sheet} may hide it; the dentist may want it off sooner', 'C')],
      },
    ],
    mistakes: [
      { if: { not: 'asleep' }, use: ['only one side numb: the {clamp} hurts and springs off'] },
      'jaws touching in two points: the {clamp} rocks',
      { if: { not: '$one' }, use: ['holes too close: the {sheet} pulls out of the neck and leaks'] },
    ],
  },
  'isolation.tie.$t': {
    phase: 'isolation',
    title: 'Tie $said: {floss} under the {sheet}’s edge, knot on the cheek side',
    tooth: '$t',
    fn: 'dam',
    place: 'mouth',
    minutes: [0.5, 1, 2],
    passes: ['{floss}', '{plastic instrument} to press it down'],
    needs: [open('floss', 300), open('plastic instrument')],
    reason: reason('every abutment of a bonded bridge is tied, so that the whole crown stands free', 'C'),
    mistakes: ['tie left off: the {sheet} creeps up and the {cement} runs under it'],
  },
  'isolation.dam-off': {
    act: 'sheet off',
    phase: 'isolation',
    title: {
      if: '$one',
      use: 'Dam off, {clamp} first',
      else: 'Dam off: cut the septa, lay the {sheet} out, count the pieces',
    },
    told: { if: '$one', use: 'removed the dam', else: 'removed the dam and laid the {sheet} out' },
    detail: {
      if: '$one',
      use: 'Then rinse.',
      else: 'Septa pulled toward the cheek and cut over a finger; {clamp} and {frame} off; every piece between the holes found; then rinse.',
    },
    fn: 'dam',
    place: 'mouth',
    minutes: { if: '$one', use: [0.3, 0.5, 1], else: [1, 1.5, 3] },
    passes: { if: '$one', use: ['{clamp forceps}'], else: ['{blunt scissors}', '{clamp forceps}'] },
    needs: { if: { not: '$one' }, use: [open('blunt scissors')] },
    countsOut: { if: { not: '$one' }, use: ['dam-pieces'] },
    cautions: {
      if: { not: '$one' },
      use: [reason('A missing piece is looked for between the teeth and in the sulcus before going on', 'C')],
    },
    reason: { if: '$why', use: reason('$why', 'C') },
  },
  'isolation.rolls': {
    phase: 'isolation',
    title: '{Rolls} and {cheek retractor} in; {suction} and {mirror} ready',
    told: 'placed {rolls} and the {cheek retractor}',
    fn: 'chairside',
    place: 'mouth',
    minutes: [0.3, 0.5, 1],
    needs: [open('cotton roll', 6), open('cheek retractor')],
    // One beside the cheek above, two with the tongue below: those that are changed go one for one.
    countsIn: [
      {
        id: 'rolls',
        what: '{cotton rolls}',
        planned: { if: ['jaw', 'is', 'upper'], use: 2, else: 3 },
        outStep: 'closing.rinse',
      },
    ],
    cautions: [
      reason(
        'No sheet: {high-volume suction} stays at the tooth, the throat is guarded with {gauze} when anything small is loose',
        'C',
      ),
    ],
    mistakes: { if: 'primary teeth', use: ['a dry {roll} pulled off the cheek: wet it first'] },
  },
  'isolation.retractor': {
    phase: 'isolation',
    title: '{Suction} retractor in, bite block side checked',
    told: 'placed the {suction} retractor',
    fn: 'chairside',
    place: 'mouth',
    minutes: [0.5, 1, 2],
    needs: [open('suction retractor')],
    cautions: [
      reason('It holds tongue and cheek; the throat is guarded with {gauze} when anything small is loose', 'C'),
    ],
  },
} as const satisfies Record<string, Template>
