/** The cuts of crowns: grooves, surfaces half at a time, contacts, margin, finish. Standing C. */
import { open, practice, reason } from '../needs'
import { theBur, type CutParts, type CutTemplate } from './cut'

export const deeper = {
  form: 'groove',
  depthMm: '$(groove.functional cusp)',
  surface: '$(functional cusps) cusps',
  share: 1,
} as const
/** Said where what is taken is a range. */
const rest = (of: 'functional cusp' | 'other cusp' | 'facial') =>
  ({
    if: `smoothed deeper.${of}`,
    use: `Of $(reduction.${of}): smoothing the wall takes the rest.`,
  }) as const
const contact = (side: 'mesial' | 'distal') =>
  ({
    title: `Break the ${side} contact toward $(${side} neighbour)`,
    form: 'contact',
    depthMm: 1,
    surface: side,
    share: 1.5,
    mistakes: [`neighbour $(${side} neighbour) nicked: leave the thin wall of enamel standing to the last`],
  }) as const
/** A wall toward the next tooth, on one path with the others. */
export const proximalWall = <S extends 'mesial' | 'distal', T extends string>(side: S, title: T) =>
  ({ title, form: 'axial', depthMm: '$(deepest.margin)', surface: side, share: 1.5, after: '$ledge' }) as const
export const margin = {
  title: '$(Ledge) all round $(reduction.margin)',
  form: '$ledge',
  depthMm: '$(deepest.margin)',
  surface: 'margin',
  share: 3,
  mistakes: {
    if: ['ledge', 'is', 'chamfer'],
    use: ['more than half the tip sunk: an unsupported lip of enamel'],
  },
} as const
export const finish = {
  title: {
    if: ['ledge', 'is', 'rounded shoulder'],
    use: 'Finish every line, round every edge and the inner angle',
    else: 'Finish every line, round every edge',
  },
  form: 'finish',
  depthMm: '$(deepest.margin)',
  surface: 'all',
  share: 2,
  after: '$ledge',
  told: {
    if: 'inner ledge',
    use: 'finished the preparation of $label for a $restoration, $ledge $(reduction.margin), chamfer $(reduction.inner margin) on the inner side',
    else: 'finished the preparation of $label for a $restoration, $ledge $(reduction.margin)',
  },
} as const
const groove = {
  'crown.groove-functional': {
    ...deeper,
    title: 'Depth grooves, $(functional cusps) cusps $(groove words.functional cusp)',
    detail: rest('functional cusp'),
    because: {
      text: {
        if: 'crossbite',
        use: '$(functional cusps) cusps carry the bite on $said, swapped by the crossbite: the larger reduction',
        else: '$(functional cusps) cusps carry the bite on $said: the larger reduction',
      },
      standing: '$(reduction.standing)',
    },
  },
  'crown.groove-facial': {
    title: 'Labial depth grooves $(groove words.facial), two planes',
    detail: rest('facial'),
    form: 'groove',
    depthMm: '$(groove.facial)',
    surface: 'labial',
    share: 1,
  },
} as const
const firstOfAll = practice(
  'occlusal reduction first: a shorter way to the canals, and a flat reference for every length',
)
const airway = reason(
  'Airway watch: bits of old work, temporary and wax come loose; gauze screen, suction behind the bur',
  'C',
)
export const crownCuts = {
  ...groove,
  'crown.groove-other': {
    title: 'Depth grooves, $(other cusps) cusps $(groove words.other cusp)',
    detail: rest('other cusp'),
    form: 'groove',
    depthMm: '$(groove.other cusp)',
    surface: '$(other cusps) cusps',
    share: 1,
  },
  'crown.occlusal': {
    title: 'Occlusal reduction, one half, then the other',
    form: 'occlusal',
    depthMm: '$(deepest.functional cusp)',
    surface: 'occlusal',
    share: 3,
    detail: 'The untouched half is the reference.',
    mistakes: ['flat table instead of planes: short in the fossa'],
  },
  'crown.bevel': {
    title: 'Bevel on the $(functional cusps) cusps, 45°, about 1.5 mm wide',
    form: 'bevel',
    depthMm: '$(deepest.functional cusp)',
    surface: '$(functional cusps) cusps',
    share: 1,
  },
  'crown.axial-facial': {
    title: 'Buccal wall $(reduction.facial)',
    form: 'axial',
    depthMm: '$(deepest.margin)',
    surface: 'buccal',
    share: 3,
    after: '$ledge',
  },
  'crown.axial-inner': {
    title: '$(Inner side) wall $(reduction.inner)',
    form: 'axial',
    depthMm: '$(deepest.inner margin)',
    surface: '$(inner side)',
    share: 2,
    after: '$(ledge of the inner wall)',
  },
  'crown.incisal': {
    title: 'Incisal reduction $(reduction.incisal)',
    form: 'incisal',
    // The margin’s own bur gauges the edge, too: one change fewer.
    prefer: { if: ['ledge', 'is', 'rounded shoulder'], use: 'rounded-shoulder taper' },
    depthMm: '$(deepest.incisal)',
    surface: 'incisal',
    share: 2,
  },
  'crown.axial-facial:front': {
    title: 'Labial wall $(reduction.facial), two planes',
    form: 'axial',
    depthMm: '$(deepest.margin)',
    surface: 'labial',
    share: 3,
    after: '$ledge',
    mistakes: ['one plane only: the incisal third ends up thick'],
  },
  'crown.concavity': {
    title: '$(Inner side) concavity $(reduction.inner)',
    form: 'lingual concavity',
    depthMm: '$(deepest.inner)',
    surface: '$(inner side)',
    share: 2,
  },
  'crown.axial-inner:front': {
    title: 'Cingulum wall $(reduction.inner)',
    form: 'axial',
    depthMm: '$(deepest.inner margin)',
    surface: '$(inner side)',
    share: 1,
    after: '$(ledge of the inner wall)',
  },
  'crown.contact-mesial': contact('mesial'),
  'crown.contact-distal': contact('distal'),
  'crown.free-mesial': proximalWall('mesial', 'Mesial wall $(reduction.inner): nothing stands there, same path'),
  'crown.free-distal': proximalWall('distal', 'Distal wall $(reduction.inner): nothing stands there, same path'),
  'crown.margin': margin,
  'crown.margin:outer': {
    title: {
      if: 'back tooth',
      use: '$(Ledge) on the cheek side $(reduction.margin), up to the contacts',
      else: '$(Ledge) on the lip side $(reduction.margin), up to the contacts',
    },
    form: '$ledge',
    depthMm: '$(deepest.margin)',
    surface: 'margin',
    share: 2,
  },
  'crown.margin-inner': {
    title: 'Chamfer on the $(inner side) side $(reduction.inner margin), into the ends of the $ledge',
    form: 'chamfer',
    depthMm: '$(deepest.inner margin)',
    surface: '$(inner side)',
    share: 1,
    because: practice('metal alone shows there: a margin is never wider than its wall is deep'),
  },
  'crown.finish': finish,
  'crown.finish-inner': {
    title: 'Finish the $(inner side) chamfer',
    form: 'finish',
    depthMm: '$(deepest.inner margin)',
    surface: '$(inner side)',
    share: 0.5,
    after: 'chamfer',
  },
  'crown.seating-groove': {
    title: 'Seating groove 1.0 mm on the path of insertion',
    form: 'seating groove',
    depthMm: 1,
    surface: 'buccal',
    share: 1,
  },
  // Many units: bits of old work come loose, and the guide is tried once more.
  'arch.groove-functional': { ...groove['crown.groove-functional'], cautions: [airway] },
  'arch.groove-facial': { ...groove['crown.groove-facial'], cautions: [airway] },
  'arch.finish': {
    ...finish,
    title: 'Guide once more, then every line finished',
    stuff: 'carbide',
    passes: ['{reduction guide}', theBur],
  },
  // The root canal comes between top and walls.
  'canal first.groove-functional': { ...groove['crown.groove-functional'], because: firstOfAll },
  'canal first.groove-facial': { ...groove['crown.groove-facial'], because: firstOfAll },
  'canal first.caries': {
    title: 'All decay out before the canals',
    form: 'caries',
    depthMm: 1.4,
    surface: 'dentine',
    share: 1,
    needs: [open('slow handpiece'), open('spoon excavator')],
    told: 'removed all decay of $label',
  },
  'core.core-top': {
    title: 'Top once more, on the core: the same room in the bite as before',
    form: 'occlusal',
    depthMm: '$(deepest.other cusp)',
    surface: 'occlusal',
    share: 1,
  },
  'canal.access': {
    title: 'Access through the roof of the chamber',
    form: 'access',
    depthMm: 2,
    pulp: true,
    surface: 'occlusal',
    share: 2,
  },
  'canal.walls': {
    title: 'Walls opened; the floor is not touched',
    form: 'orifice',
    depthMm: 2,
    surface: 'chamber',
    share: 1,
    mistakes: ['floor cut: the map of the orifices is gone'],
  },
} as const satisfies Record<string, CutTemplate>
type Id = keyof typeof crownCuts

const topOfBack = ['crown.groove-functional', 'crown.groove-other', 'crown.occlusal', 'crown.bevel'] as const
const topOfFront = ['crown.groove-facial', { if: 'reduction.incisal', use: ['crown.incisal'] }] as const
export const contacts: CutParts<Id> = [
  { if: 'neighbour mesial', use: ['crown.contact-mesial'], else: ['crown.free-mesial'] },
  { if: 'neighbour distal', use: ['crown.contact-distal'], else: ['crown.free-distal'] },
]
const walls: CutParts<Id> = [
  {
    if: 'back tooth',
    use: ['crown.axial-facial', 'crown.axial-inner'],
    else: ['crown.axial-facial:front', 'crown.concavity', 'crown.axial-inner:front'],
  },
  ...contacts,
]
const metalOnBack: CutParts<Id> = [
  {
    if: { all: [['restoration', 'is', 'full metal crown'], { not: 'front tooth' }] },
    use: ['crown.seating-groove'],
  },
]
/** The margin by what the crown shows inside. */
const edge: CutParts<Id> = [
  {
    if: 'inner ledge',
    use: ['crown.margin:outer', 'crown.margin-inner', 'crown.finish-inner'],
    else: ['crown.margin'],
  },
]
/** The cuts of a crown on one tooth, in the order of the day. */
export const crownLines: CutParts<Id> = [
  { if: 'back tooth', use: topOfBack, else: topOfFront },
  ...walls,
  ...edge,
  'crown.finish',
  ...metalOnBack,
]
export const archLines: CutParts<Id> = [
  {
    if: 'back tooth',
    use: ['arch.groove-functional', ...topOfBack.slice(1)],
    else: ['arch.groove-facial', ...topOfFront.slice(1)],
  },
  ...walls,
  ...edge,
  'arch.finish',
  ...metalOnBack,
]
/** The top goes first where canals come between. */
export const topFirstLines: CutParts<Id> = [
  {
    if: 'back tooth',
    use: ['canal first.groove-functional', ...topOfBack.slice(1)],
    else: ['canal first.groove-facial', ...topOfFront.slice(1)],
  },
]
export const afterCoreLines: CutParts<Id> = ['core.core-top', ...walls, ...edge, 'crown.finish', ...metalOnBack]
