/** The cuts of cavities: for fillings, inlays and foil, in permanent and milk teeth. Standing C. */
import { open, practice, standby } from '../needs'
import type { CutParts, CutTemplate } from './cut'

const decay = { form: 'caries', surface: 'dentine', needs: [open('slow handpiece'), open('spoon excavator')] } as const
const bevel = {
  title: 'Bevel 0.5 mm, except on the gum side',
  form: 'enamel bevel',
  depthMm: 0.5,
  surface: 'enamel edge',
  share: 1,
  because: practice('there is no enamel to bevel at the gum'),
} as const
const toward = (side: 'mesial' | 'distal') =>
  ({
    title: `Slice ${side}, 2–5°, no ledge, toward $(${side} neighbour)`,
    form: 'slice',
    depthMm: 1,
    surface: side,
    share: 1.5,
    mistakes: ['a ledge: the crown hangs on it and does not go down', `neighbour $(${side} neighbour) nicked`],
  }) as const
const free = (side: 'mesial' | 'distal') =>
  ({
    title: `Slice ${side}, 2–5°, no ledge`,
    form: 'slice',
    depthMm: 1,
    surface: side,
    share: 1,
  }) as const
const hangs = 'a ledge: the crown hangs on it and does not go down'

export const cavityCuts = {
  'cavity.outline': {
    title: 'Outline $surfaces: old filling out, floor flat',
    form: 'outline',
    depthMm: 1.5,
    surface: 'occlusal',
    share: 4,
  },
  'cavity.caries': {
    ...decay,
    title: 'Soft decay out, slow',
    depthMm: '$(slow round)',
    share: 3,
    passes: ['{spoon excavator}'],
    detail:
      'The largest round that enters, from the walls toward the floor. Go by how hard and dry the dentine is, not by its colour.',
    mistakes: ['the floor dug first: the pulp is open before the walls are clean'],
    told: 'removed the decay of $label, $surfaces',
  },
  'cavity.box-edges': {
    title: {
      if: 'both boxes',
      use: '$(Box words) boxes: edges by hand, gum edge too',
      else: '$(Box words) box: edges by hand, gum edge too',
    },
    form: 'by hand',
    depthMm: 0.3,
    surface: '$(box words)',
    share: 2,
    passes: ['{chisel}', '{hatchet}', '{gingival margin trimmer}'],
    needs: [
      open('enamel chisel'),
      open('enamel hatchet'),
      open('gingival margin trimmer'),
      standby('metal strip', 'the neighbour stands close'),
    ],
    mistakes: {
      if: 'boxes with a neighbour',
      use: ['neighbour $(neighbours at the boxes) scored by the bur: pre-wedge or a {guard strip} between'],
    },
  },
  'inlay.cusps': {
    title: 'Cusps covered: functional $(reduction.functional cusp), other $(reduction.other cusp)',
    form: 'occlusal',
    depthMm: '$(deepest.functional cusp)',
    surface: 'cusps',
    share: 2,
  },
  'inlay.finish': {
    title: 'Walls divergent, floor flat, isthmus $(reduction.inner) or more, butt edges',
    form: 'finish',
    depthMm: '$(deepest.inner)',
    surface: 'all',
    share: 2,
    after: 'shoulder',
    told: 'finished the preparation of $label for a $restoration, $surfaces',
    mistakes: ['an undercut left: it is blocked out with resin, not cut wider'],
  },
  'neck.roughen': {
    title: 'Shiny dentine roughened, unsupported enamel at the gum edge off',
    form: 'enamel bevel',
    depthMm: 0.2,
    surface: 'cervical',
    share: 1,
    because: practice('worn, not decayed: nothing soft to take out; sclerotic dentine bonds better roughened'),
  },
  'neck.bevel': bevel,
  'neck.bevel:worn': { ...bevel, told: 'prepared the worn neck of $label' },
  'neck.outline': {
    title: 'Crescent outline, walls divergent, depth even',
    form: 'outline',
    depthMm: 1,
    surface: 'cervical',
    share: 3,
    mistakes: ['deeper in the middle: the floor follows the pulp, keep it even'],
  },
  'neck.caries': { ...decay, title: 'Soft decay out, {slow round}', depthMm: '$(slow round)', share: 2 },
  'neck.grooves': {
    title: 'Grooves just inside the junction with the {¼ round}: half its diameter, 0.25 mm',
    form: 'retention',
    depthMm: 0.25,
    surface: 'line angles',
    share: 1,
    told: 'prepared the cervical cavity of $label',
  },
  'cusps.fissure': {
    title: '{Fine flame|fine flame} in the fissures, no further than the stain',
    form: 'fissure',
    depthMm: 1,
    surface: 'fissures',
    share: 2,
  },
  'cusps.caries': {
    ...decay,
    title: 'Soft decay out, {slow round}',
    depthMm: '$(slow round)',
    share: 2,
    told: 'opened the fissures of $label and removed the decay',
  },
  'foil.pit': { title: 'Pit opened', form: 'pit', depthMm: 1.5, surface: 'pit', share: 2 },
  'foil.undercut': {
    title: 'Small {inverted cone}: flat floor, opposed undercuts',
    form: 'undercut',
    depthMm: 0.6,
    surface: 'floor',
    share: 2,
    told: 'prepared the pit of $label for foil',
  },
  'class three.outline': {
    title: 'From the front: box a third of the crown high, axial wall 0.5 mm into dentine',
    form: 'outline',
    prefer: 'pear',
    depthMm: 0.5,
    surface: 'proximal',
    share: 2,
    detail: 'The contact opened toward the gum and the inner side; toward the edge it may stay.',
    mistakes: ['deeper than 0.5 mm: the pulp of a primary tooth is close'],
  },
  'class three.lock': {
    title: {
      if: ['school.lock', 'is', 'front'],
      use: 'Lock from the front: half across at most, within the middle third',
      else: 'Lock on the inner side: half across at most, within the middle third',
    },
    form: 'retention',
    depthMm: 0.5,
    surface: { if: ['school.lock', 'is', 'front'], use: 'labial', else: 'inner' },
    share: 1,
    because: practice('thirds: the rest of a small crown has to hold it'),
  },
  'class three.caries': {
    ...decay,
    title: 'Soft decay out by hand or {slow round}',
    depthMm: '$(slow round)',
    share: 1,
  },
  'class three.bevel': {
    title: 'Bevel 0.5 mm',
    form: 'enamel bevel',
    depthMm: 0.5,
    surface: 'enamel edge',
    share: 1,
    told: 'prepared the class III cavity',
  },
  'milk incisor.incisal': {
    title: 'Incisal 1.5–2 mm',
    form: 'incisal',
    depthMm: 1.75,
    surface: 'incisal',
    share: 1,
  },
  'milk incisor.slices': {
    title: 'Slices, then generously all round, to a feather edge below the gum',
    form: 'slice',
    depthMm: 1,
    surface: 'proximal and all round',
    share: 2,
    because: practice('a preveneered crown does not bend: the tooth is made to fit it'),
    mistakes: ['too little off the $(inner side) side: the crown binds, and the bite stands open'],
  },
  'milk incisor.caries': {
    ...decay,
    title: 'Decay out',
    depthMm: '$(slow round)',
    share: 1,
    told: 'prepared the incisors',
  },
  'milk molar.occlusal': {
    title: 'Occlusal 1–2 mm, following the cusps',
    form: 'occlusal',
    depthMm: 1.5,
    surface: 'occlusal',
    share: 2,
  },
  'milk molar.slice-mesial': toward('mesial'),
  'milk molar.slice-mesial:free': { ...free('mesial'), mistakes: [hangs] },
  'milk molar.slice-distal': toward('distal'),
  'milk molar.slice-distal:free': {
    ...free('distal'),
    mistakes: [hangs, { if: 'second milk molar', use: ['the six-year molar, if it is through, nicked'] }],
  },
  'milk molar.caries': { ...decay, title: 'Decay out', depthMm: '$(slow round)', share: 1.5 },
  'milk molar.round': {
    title: 'Round off every edge; buccal and lingual 0–0.5 only if needed; feather edge',
    form: 'finish',
    depthMm: 0.3,
    surface: 'edges',
    share: 1,
    after: 'chamfer',
    told: 'prepared $label for a preformed metal crown',
  },
} as const satisfies Record<string, CutTemplate>
type Id = keyof typeof cavityCuts

export const cavityLines: CutParts<Id> = ['cavity.outline', 'cavity.caries', { if: 'boxes', use: ['cavity.box-edges'] }]
export const inlayLines: CutParts<Id> = [
  ...cavityLines,
  { if: ['restoration', 'is', 'ceramic onlay'], use: ['inlay.cusps'] },
  'inlay.finish',
]
export const neckLines: CutParts<Id> = [
  {
    if: 'worn',
    use: ['neck.roughen', 'neck.bevel:worn'],
    else: ['neck.outline', 'neck.caries', 'neck.bevel', 'neck.grooves'],
  },
]
export const cuspLines: CutParts<Id> = ['cusps.fissure', 'cusps.caries']
export const pitLines: CutParts<Id> = ['foil.pit', 'foil.undercut']
export const classThreeLines: CutParts<Id> = [
  'class three.outline',
  { if: ['school.lock', 'is not', 'none'], use: ['class three.lock'] },
  'class three.caries',
  'class three.bevel',
]
export const milkIncisorLines: CutParts<Id> = ['milk incisor.incisal', 'milk incisor.slices', 'milk incisor.caries']
export const milkMolarLines: CutParts<Id> = [
  'milk molar.occlusal',
  { if: 'neighbour mesial', use: ['milk molar.slice-mesial'], else: ['milk molar.slice-mesial:free'] },
  { if: 'neighbour distal', use: ['milk molar.slice-distal'], else: ['milk molar.slice-distal:free'] },
  'milk molar.caries',
  'milk molar.round',
]
