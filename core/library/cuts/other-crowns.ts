/** The cuts of crowns that are cut in their own way: full metal, on root-filled teeth, on a post and core. Standing C. */
import { practice, reason } from '../needs'
import { contacts, type crownCuts, deeper, finish, margin, proximalWall } from './crowns'
import { theBur, type CutParts, type CutTemplate } from './cut'

const thin = (side: 'mesial' | 'distal') =>
  ({
    title: `{Thin bur|thin bur} parallel through the ${side} contact toward $(${side} neighbour); the margin is found there`,
    form: 'contact',
    depthMm: 1,
    surface: side,
    share: 1.5,
    passes: [theBur, '{mirror}, washed and dried'],
    mistakes: [`neighbour $(${side} neighbour) nicked: leave the thin wall of enamel standing to the last`],
  }) as const
const contactsOpen = [
  {
    from: 'cutting.occlusal-v.$tooth',
    fromEdge: 'start',
    at: 'look.contacts',
    say: '$(look.contacts): are the contacts open?',
  },
] as const

export const otherCrownCuts = {
  'metal.groove-functional': {
    ...deeper,
    title: 'Guide grooves, $(functional cusps) cusps $(reduction.functional cusp): deeper on the functional cusp',
    because: practice({
      if: 'crossbite',
      use: '$(functional cusps) cusps carry the bite on $said, swapped by the crossbite: 1.5, the others 1.0',
      else: '$(functional cusps) cusps carry the bite on $said: 1.5, the others 1.0',
    }),
  },
  'metal.groove-other': {
    title: 'Guide grooves, $(other cusps) cusps $(reduction.other cusp)',
    form: 'groove',
    depthMm: '$(groove.other cusp)',
    surface: '$(other cusps) cusps',
    share: 1,
  },
  'metal.occlusal-first': {
    title: 'First half of the occlusal surface, in planes',
    form: 'occlusal',
    depthMm: '$(deepest.functional cusp)',
    surface: 'occlusal',
    share: 1.5,
    detail: 'The untouched half is the reference.',
  },
  'metal.occlusal-second': {
    title: 'The other half, to match',
    form: 'occlusal',
    depthMm: '$(deepest.functional cusp)',
    surface: 'occlusal',
    share: 1.5,
    passes: ['half of the index'],
    mistakes: ['flat table instead of planes: short in the fossa'],
  },
  'metal.align-facial': {
    title: 'Alignment grooves, buccal: parallel to the long axis, deep at the top, shallow at the neck',
    form: 'groove',
    depthMm: 1,
    surface: 'buccal',
    share: 1,
    mistakes: ['grooves along the wall instead of the axis: the taper is doubled'],
  },
  'metal.align-inner': {
    title: 'Alignment grooves, $(inner side)',
    form: 'groove',
    depthMm: 1,
    surface: '$(inner side)',
    share: 1,
  },
  'metal.axial-facial': {
    title: {
      if: ['inner side', 'is', 'palatal'],
      use: 'Buccal wall $(reduction.facial), in two planes, half, then the other half',
      else: 'Buccal wall $(reduction.facial), half, then the other half',
    },
    form: 'axial',
    depthMm: '$(deepest.margin)',
    surface: 'buccal',
    share: 2,
    after: 'chamfer',
  },
  'metal.axial-inner': {
    title: '$(Inner side) wall $(reduction.inner), half and half',
    form: 'axial',
    depthMm: '$(deepest.margin)',
    surface: '$(inner side)',
    share: 2,
    after: 'chamfer',
  },
  'metal.margin': {
    title: 'Through the proximal sides with the {torpedo}: chamfer all round $(reduction.margin)',
    form: 'chamfer',
    depthMm: '$(deepest.margin)',
    surface: 'margin',
    share: 3,
    prefer: 'torpedo',
    mistakes: ['more than half the tip sunk: an unsupported lip of enamel'],
  },
  'metal.finish': {
    title: 'Finish every line with the fine bur of the same shape',
    form: 'finish',
    depthMm: '$(deepest.margin)',
    surface: 'all',
    share: 2,
    after: 'chamfer',
    prefer: 'torpedo',
    told: 'finished the preparation of $label for a full metal crown, chamfer $(reduction.margin)',
  },
  'metal.seating-groove': {
    title: 'Seating groove on the buccal side, 1.0 mm deep, on the path of insertion',
    form: 'seating groove',
    depthMm: 1,
    surface: 'buccal',
    share: 1,
  },
  'root-filled.occlusal-v': {
    title: 'Occlusal in planes shaped like a V: sink the bur’s own $(depth of the head as said) mm',
    form: 'occlusal',
    depthMm: '$(depth of the head)',
    surface: 'occlusal',
    share: 4,
    cues: [{ at: 'look.top', say: '$(look.top): first look at the top' }],
    passes: [theBur, '{mirror}, washed and dried'],
    because: practice('sinking the whole head: the diameter is the gauge, 1.5–1.75 mm'),
    mistakes: ['a flat table: short in the middle, high at the cusps'],
  },
  'root-filled.contact-mesial': { ...thin('mesial'), cues: { if: { not: 'neighbour distal' }, use: contactsOpen } },
  'root-filled.axial-mesial': proximalWall('mesial', 'The wider bur mesial, once the thin one is through'),
  'root-filled.contact-distal': { ...thin('distal'), cues: contactsOpen },
  'root-filled.axial-distal': proximalWall('distal', 'The wider bur distal, once the thin one is through'),
  'root-filled.axial-facial': {
    title: 'Buccal wall $(reduction.facial)',
    form: 'axial',
    depthMm: '$(deepest.margin)',
    surface: 'buccal',
    share: 3,
    after: '$ledge',
    passes: [theBur, '{suction} changes side with the operator'],
  },
  'root-filled.axial-inner': {
    title: 'Palatal wall $(reduction.inner); the operator changes sides',
    form: 'axial',
    depthMm: '$(deepest.inner margin)',
    surface: 'palatal',
    share: 3,
    after: '$(ledge of the inner wall)',
    passes: ['{mirror}, washed and dried', theBur],
  },
  'root-filled.margin': {
    ...margin,
    title: {
      if: 'inner ledge',
      use: '$(Ledge) on the cheek side $(reduction.margin), up to the contacts, taken past the build-up onto sound tooth',
      else: '$(Ledge) all round $(reduction.margin), taken past the build-up onto sound tooth',
    },
    detail: {
      if: { all: [{ not: 'pulp alive' }, ['school.dryCuts', 'is', 'brief']] },
      use: 'Water off for seconds at a time, low speed, to see the line; air on it at once.',
    },
    cautions: {
      if: { all: [{ not: 'pulp alive' }, ['school.dryCuts', 'is', 'brief']] },
      use: [
        reason(
          'Dry cutting heats: the tooth does not feel it, the ligament and the bone do; never through amalgam',
          'C',
        ),
      ],
    },
    because: practice('a margin on the build-up leaks: the crown has to hold sound tooth all round'),
  },
  'post.core-facial': {
    title: 'Core and labial wall shaped, two planes',
    form: 'facial reduction',
    depthMm: '$(deepest.margin)',
    surface: 'labial',
    share: 2,
  },
  'post.core-inner': {
    title: '$(Inner side) side concave',
    form: 'lingual concavity',
    depthMm: '$(deepest.inner)',
    surface: '$(inner side)',
    share: 1,
  },
  'post.margin': {
    ...margin,
    title: 'Chamfer all round $(reduction.margin); ferrule 1.5–2 mm of sound tooth above it',
    form: 'chamfer',
    // A round end is sunk by half at most: the ledge comes to its full width in two passes.
    depthMm: '$(margin left to shape)',
    because: practice('1.5–2 mm of tooth held by the crown all round: without it the root splits'),
  },
  'post.finish': {
    ...finish,
    after: 'chamfer',
    told: 'finished the preparation of $label for a $restoration, chamfer $(reduction.margin)',
  },
} as const satisfies Record<string, CutTemplate>
type Id = keyof typeof otherCrownCuts

export const metalLines: CutParts<Id | keyof typeof crownCuts> = [
  'metal.groove-functional',
  'metal.groove-other',
  'metal.occlusal-first',
  'metal.occlusal-second',
  'crown.bevel',
  'metal.align-facial',
  'metal.align-inner',
  'metal.axial-facial',
  'metal.axial-inner',
  ...contacts,
  'metal.margin',
  'metal.finish',
  'metal.seating-groove',
]
export const rootFilledLines: CutParts<Id | keyof typeof crownCuts> = [
  'root-filled.occlusal-v',
  {
    if: 'neighbour mesial',
    use: ['root-filled.contact-mesial', 'root-filled.axial-mesial'],
    else: ['crown.free-mesial'],
  },
  {
    if: 'neighbour distal',
    use: ['root-filled.contact-distal', 'root-filled.axial-distal'],
    else: ['crown.free-distal'],
  },
  'root-filled.axial-facial',
  'root-filled.axial-inner',
  'root-filled.margin',
  { if: 'inner ledge', use: ['crown.margin-inner', 'crown.finish-inner'] },
  'crown.finish',
]
export const postLines: CutParts<Id | keyof typeof crownCuts> = [
  'post.core-facial',
  'post.core-inner',
  'post.margin',
  'post.finish',
]
