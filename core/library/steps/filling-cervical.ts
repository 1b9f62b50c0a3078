import { afterFilling } from './shared'
import { open, reason } from '../needs'
import type { Template } from '../template'

const place = { phase: 'restoring', fn: 'placing', place: 'mouth', helped: true } as const
const finishing = { phase: 'finishing', fn: 'polishing', place: 'mouth', helped: true } as const

export const fillingCervicalSteps = {
  'filling.$tooth.increment-$half': {
    ...place,
    title: { if: ['$half', 'is', 'gum'], use: 'Increment toward the gum', else: 'Increment toward the biting edge' },
    minutes: [0.5, 1, 2],
    tooth: '$tooth',
    needs: [
      open('composite.universal', 0.4, { shade: '$(shade laid)' }),
      open('composite dispenser'),
      open('plastic instrument'),
      open('explorer'),
    ],
    passes: ['{composite}, $(shade said), on its instrument', '{explorer}'],
    detail: {
      if: ['$half', 'is', 'gum'],
      use: 'The grooves first; the instrument wetted with {adhesive}.',
      else: 'Half on tooth, half on filling; {explorer} along the edge: no catch.',
    },
    told: { if: ['$half', 'is', 'incisal'], use: 'filled the cervical cavity of $label in two increments' },
    tell: { if: ['$half', 'is', 'incisal'], use: afterFilling },
  },
  'filling.$tooth.flash': {
    ...place,
    title: '{Flame|flame} with light strokes, {curved blade} at the gum edge, $label',
    minutes: [0.7, 1.3, 2.5],
    tooth: '$tooth',
    phase: 'finishing',
    fn: 'finishing',
    cut: {
      id: 'filling.$tooth.flash',
      form: 'edge',
      depthMm: 0.2,
      part: 'neck',
      prefer: 'flame',
      widestMm: '$(edge widest)',
      surface: '$label filling',
    },
    needs: [open('high-speed handpiece'), open('scalpel')],
    detail: 'The gum held away.',
    told: 'finished the cervical filling of $label',
    mistakes: ['cementum scratched by the flame: {blade} at the gum edge'],
  },
  'filling.$tooth.cups': {
    ...place,
    title: '{Cups} in three grades, $label',
    minutes: [0.5, 0.8, 1.5],
    tooth: '$tooth',
    phase: 'finishing',
    fn: 'polishing',
    needs: [open('composite polisher', 3), open('slow handpiece')],
    detail: '{Explorer} once more at the end, and again at the very last.',
    told: 'polished the cervical filling of $label',
  },
  'filling.$tooth.clamp': {
    ...place,
    title: {
      say: [
        '{Cervical clamp} on $label: ',
        { if: ['jaw', 'is', 'upper'], use: 'palate', else: 'tongue' },
        '-side jaw first, ',
        { if: 'front tooth', use: 'lip', else: 'cheek' },
        '-side jaw 1 mm beyond the lesion',
      ],
    },
    minutes: [0.5, 1, 2],
    tooth: '$tooth',
    phase: 'isolation',
    fn: 'dam',
    hurts: '$(gum sore here)',
    shows: { what: 'jaws', beyondMm: 1 },
    passes: ['{double-bow clamp} in forceps, {floss} tied on'],
    needs: [open('clamp.cervical', 1, { is: 'clamp', words: 'double-bow cervical clamp' }), open('floss', 300)],
    mistakes: ['front jaw on the lesion’s edge: it slips and scratches the root'],
    cautions: [reason('The {floss} tether on the {clamp} is the airway guard: always on', 'C')],
  },
  'filling.$tooth.clamp-off': {
    ...place,
    title: '{Cervical clamp} off $label',
    minutes: [0.2, 0.3, 0.5],
    tooth: '$tooth',
    phase: 'isolation',
    fn: 'dam',
    passes: ['{clamp forceps}'],
  },
  'finishing.cords-out:cervical filling': {
    ...finishing,
    title: '{Cord} out, wet, $teeth',
    minutes: [0.3, 0.5, 1],
    fn: 'cord removal',
    countsOut: '$(cords for bonding)',
  },
} as const satisfies Record<string, Template>
