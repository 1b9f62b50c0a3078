/** The cuts of what is bonded to enamel: veneers, and the retainers of bonded bridges. Standing C. */
import { open, practice } from '../needs'
import type { CutParts, CutTemplate } from './cut'

const where = [
  [['margin', 'is', 'supragingival'], 'margin 0.5 mm above the gum'],
  [{ not: 'margin goes under the gum' }, 'margin level with the gum'],
  ['dark', 'a dark tooth: the margin goes just under the gum'],
  ['margin just under the gum'],
] as const
const marginNow = {
  pick: [
    [['margin', 'is', 'supragingival'], 'supragingival'],
    ['margin goes under the gum', 'subgingival'],
    ['equigingival'],
  ],
} as const

export const enamelCuts = {
  'veneer.depth': {
    title: 'Depth cut $(reduction.facial) down the middle; {pencil} line over it',
    form: 'groove',
    depthMm: '$(groove.facial)',
    surface: 'labial',
    share: 1.5,
    enamel: true,
    needs: [open('pencil')],
    because: practice('the pencil line vanishes when the depth is reached'),
    mistakes: ['one depth for three planes: the middle is thin, the edge thick'],
  },
  'veneer.facial': {
    title: 'Labial $(reduction.facial), in the planes of the tooth',
    form: 'facial reduction',
    depthMm: '$(deepest.margin)',
    surface: 'labial',
    share: 3,
    enamel: true,
  },
  'veneer.incisal': {
    title: 'Incisal edge $(reduction.incisal), covered',
    form: 'incisal',
    depthMm: '$(deepest.incisal)',
    surface: 'incisal',
    share: 1.5,
  },
  'veneer.margin': {
    title: {
      pick: [
        [['margin', 'is', 'supragingival'], 'Chamfer $(reduction.margin), 0.5 mm above the gum, into the contacts'],
        [
          { all: ['margin goes under the gum', { not: '$twice' }] },
          'Chamfer $(reduction.margin), just under the gum, into the contacts',
        ],
        ['Chamfer $(reduction.margin), level with the gum, into the contacts'],
      ],
    },
    form: 'chamfer',
    depthMm: '$(deepest.margin)',
    surface: 'margin',
    margin: { if: { all: ['margin goes under the gum', '$twice'] }, use: 'equigingival', else: marginNow },
    share: 2,
    enamel: true,
    because: practice({
      if: { all: ['margin goes under the gum', '$twice'] },
      use: 'level first: it is lowered once the cord has held the gum away',
      else: { pick: where },
    }),
    mistakes: ['contact broken through: into it, not past it, unless the shape has to change'],
  },
  'veneer.lower': {
    title: 'Margin lowered just under the gum, with the finishing {carbide}',
    form: 'finish',
    stuff: 'carbide',
    depthMm: '$(deepest.margin)',
    surface: 'margin',
    margin: marginNow,
    share: 1,
    after: 'chamfer',
    enamel: true,
    because: practice({ pick: where }),
    mistakes: ['lowered with the coarse bur: the gum bleeds into the impression'],
  },
  'veneer.finish': {
    title: 'Everything smoothed; no sharp edge',
    form: 'finish',
    stuff: 'carbide',
    depthMm: '$(deepest.margin)',
    surface: 'all',
    share: 1.5,
    after: 'chamfer',
    enamel: true,
    told: 'finished the veneer preparation of $label, $(reduction.facial) facial',
  },
  'ceramic retainer.draw': {
    title: 'Draw between the teeth, never past the lip side',
    form: 'draw',
    depthMm: 0.5,
    surface: 'proximal',
    share: 2,
    enamel: true,
    mistakes: ['past the labial line: the joint shows'],
    because: practice('two retainers have to go on along one path'),
  },
  'ceramic retainer.concavity': {
    title: {
      if: 'all in enamel',
      use: '$(Inner side) made concave, 0.5 mm, all in enamel',
      else: '$(Inner side) made concave, 0.5 mm, no deeper where dentine shows',
    },
    form: 'lingual concavity',
    depthMm: 0.5,
    surface: '$(inner side)',
    share: 3,
    enamel: true,
    mistakes: ['dentine showing: the bond there is weaker, tell the dentist'],
  },
  'ceramic retainer.ledge': {
    title: {
      if: ['inner side', 'is', 'palatal'],
      use: 'Ledge on the palate side and a rest over the edge: it seats in one place only',
      else: 'Ledge on the tongue side and a rest over the edge: it seats in one place only',
    },
    form: 'ledge',
    depthMm: 0.5,
    surface: '$(inner side)',
    share: 1,
    enamel: true,
  },
  'ceramic retainer.finish': {
    title: 'Light chamfer, every edge smooth',
    form: 'finish',
    depthMm: 0.3,
    surface: 'margin',
    share: 1,
    after: 'chamfer',
    enamel: true,
    told: {
      if: 'all in enamel',
      use: 'finished the retainer preparation of $label, 0.5 mm in enamel',
      else: 'finished the retainer preparation of $label, 0.5 mm; dentine shows',
    },
  },
  'metal retainer.concavity': {
    title: 'Light enamel work inside the outline, 0.5 mm',
    form: 'lingual concavity',
    depthMm: 0.5,
    surface: '$(inner side)',
    share: 3,
    enamel: true,
    mistakes: ['dentine showing: tell the dentist'],
  },
  'metal retainer.draw': {
    title: 'Draw from the edge, wrapped into the contact, embrasures left open',
    form: 'draw',
    depthMm: 0.3,
    surface: 'proximal',
    share: 1,
    enamel: true,
    because: practice(
      'both retainers go on over the edge along one path; seating fingers hold it there, no ledge is cut',
    ),
  },
  'metal retainer.finish': {
    title: 'Edges of the enamel smooth',
    form: 'finish',
    depthMm: 0.3,
    surface: 'margin',
    share: 1,
    after: 'chamfer',
    enamel: true,
    told: {
      if: 'all in enamel',
      use: 'finished the retainer preparation of $label, in enamel',
      else: 'finished the retainer preparation of $label; dentine shows',
    },
  },
} as const satisfies Record<string, CutTemplate>
type Id = keyof typeof enamelCuts

/** `$twice`: the margin is cut level with the gum, and lowered once a cord has held that away. */
export const veneerLines: CutParts<Id> = [
  'veneer.depth',
  'veneer.facial',
  { if: { all: ['edge covered', 'reduction.incisal'] }, use: ['veneer.incisal'] },
  'veneer.margin',
  { if: { all: ['$twice', 'margin goes under the gum'] }, use: ['veneer.lower'] },
  'veneer.finish',
]
export const ceramicRetainerLines: CutParts<Id> = [
  'ceramic retainer.draw',
  'ceramic retainer.concavity',
  'ceramic retainer.ledge',
  'ceramic retainer.finish',
]
export const metalRetainerLines: CutParts<Id> = [
  'metal retainer.concavity',
  'metal retainer.draw',
  'metal retainer.finish',
]
