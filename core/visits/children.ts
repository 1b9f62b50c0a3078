/** Children: J17 class III on a primary front tooth, J19 preformed metal crowns, J14 incisors under general anaesthesia. */
import { firstOf } from '../sure'
import { after } from './follow-ups'
import { reason } from '../figure'
import { adhesive, cureOf, etch, lightStep, type Spot, spotOn } from '../phases/bonding'
import { absent, acts, drawer, only, open, practice, sequence, standby, type Block, atLeast } from '../phases/build'
import { type Case, type Unit } from '../phases/case'
import { cutSteps } from '../phases/cutting'
import { finishComposite } from '../phases/filling'
import { rolls, sheetOff, sheetOn } from '../phases/isolation'
import { crownEdge } from '../teeth/outline'
import type { VisitKind } from './kind'

const child = acts({ phase: 'restoring', fn: 'crown fitting', place: 'mouth', helped: true })
const inhaled = reason(
  'A preformed crown can be swallowed or inhaled: gauze screen behind it, child upright enough to cough; a missing one is looked for before anything else',
  'C',
)
const each = (c: Case, block: (u: Unit) => Block): Block => sequence(...c.units.map(block))
const spot = (u: Unit): Spot => spotOn(u, `filling.${u.tooth}`, 'restoring')

function classThree(c: Case, u: Unit): Block {
  const s = spot(u)
  const id = (act: string): string => `filling.${u.tooth}.${act}`
  const at = { tooth: u.tooth }
  const flow = cureOf(c, `flowable, ${u.tooth}, each side`, 'cure.increment', 'composite.flowable', 1)
  return sequence(
    child(id('strip'), 'Plastic strip cut lengthwise in half, through the contact', [0.5, 1, 2], {
      ...at,
      fn: 'matrix placement',
      passes: ['half strip', 'wedge'],
      needs: [open('plastic strip'), open('cord scissors')],
      countsIn: [{ id: `strip.${u.tooth}`, what: `strip, ${u.tooth}`, planned: 1, outStep: id('strip-out') }],
      reason: practice('half the height: it fits a primary crown'),
    }),
    etch(c, s, 'total'),
    adhesive(c, s),
    child(id('box'), 'Flowable into the box', [0.3, 0.5, 1], {
      ...at,
      fn: 'placing',
      passes: ['flowable'],
      needs: [open('composite.flowable', 0.3)],
    }),
    child(id('pull'), 'Strip pulled tight by finger, held until cured from both sides', [0.2, 0.4, 0.8], {
      ...at,
      fn: 'placing',
      passes: ['light'],
      told: `filled ${u.label}, class III, with flowable`,
      tell: 'The front tooth is filled. Watch the numb lip; soft food today.',
      mistakes: ['let go between the two lights: an overhang at the gum'],
    }),
    lightStep(s, id('cure-front'), flow, { title: `Light ${flow.value} s from the front, strip held` }),
    lightStep(s, id('cure-back'), flow, { title: `Light ${flow.value} s from behind, strip held` }),
    child(id('strip-out'), 'Wedge and strip out; floss', [0.3, 0.5, 1], {
      ...at,
      fn: 'matrix placement',
      needs: [open('floss', 300)],
      countsOut: [`strip.${u.tooth}`, `wedge.${u.tooth}`],
    }),
    finishComposite(s),
  )
}

/** J17. One-third rules: axial wall 0.5 mm into dentine, dovetail no further than half across and within its middle third. */
export const primaryClass3: VisitKind = {
  id: 'primary.class3',
  work: (c) => {
    const dam = c.choices.bondingIsolation === 'dam'
    return sequence(
      dam ? sheetOn(c, { purpose: 'bonding' }) : rolls(c),
      each(c, (u) =>
        child(`filling.${u.tooth}.wedge`, `Wedge at ${u.label}: guards neighbour and gum`, [0.3, 0.5, 1], {
          tooth: u.tooth,
          fn: 'matrix placement',
          hurts: true,
          passes: ['wedge in forceps'],
          needs: [open('wedge')],
          countsIn: [
            { id: `wedge.${u.tooth}`, what: `wedge, ${u.tooth}`, planned: 1, outStep: `filling.${u.tooth}.strip-out` },
          ],
        }),
      ),
      cutSteps(
        c,
        () => [
          {
            act: 'outline',
            title: 'Box: axial wall 0.5 mm into dentine, a third of the crown high',
            form: 'retention',
            depthMm: 0.5,
            surface: 'proximal',
            share: 2,
            mistakes: ['deeper than 0.5 mm: the pulp of a primary tooth is close'],
          },
          {
            act: 'dovetail',
            title: 'Dovetail on the inner side: half across at most, within its middle third',
            form: 'retention',
            depthMm: 0.5,
            surface: 'inner',
            share: 1,
            because: practice('thirds: the rest of a small crown has to hold it'),
          },
          {
            act: 'caries',
            title: 'Soft decay out by hand or slow round',
            form: 'caries',
            depthMm: 1,
            surface: 'dentine',
            share: 1,
            needs: [open('slow handpiece'), open('spoon excavator')],
          },
          {
            act: 'bevel',
            title: 'Bevel 0.5 mm',
            form: 'enamel bevel',
            depthMm: 0.5,
            surface: 'enamel edge',
            share: 1,
            told: 'prepared the class III cavity',
          },
        ],
        [3, 5, 9],
      ),
      each(c, (u) => classThree(c, u)),
      only(dam, () => sheetOff(c)),
    )
  },
  followUps: () => [],
}

/** 'lower left second': how preformed crowns are sorted. */
const crownClass = (u: Unit): string =>
  `${'56'.includes(firstOf(u.tooth)) ? 'upper' : 'lower'} ${'58'.includes(firstOf(u.tooth)) ? 'right' : 'left'} ${u.tooth[1] === '4' ? 'first' : 'second'}`

/** Size tried from the middle of the range; too big or too small is mended at the bench. */
function metalCrown(c: Case, u: Unit, sealedIn: boolean): Block {
  const id = (act: string): string => `crown.${u.tooth}.${act}`
  const at = { tooth: u.tooth }
  const kind = `preformed crown.${crownClass(u)}`
  const words = (n: number): string => `preformed crown size ${n}, ${crownClass(u)} primary molar`
  const edges = (['buccal', 'lingual', 'proximal'] as const)
    .map((side) => `${side} ${crownEdge(u.tooth, side).shape}`)
    .join(', ')
  return sequence(
    child(id('size'), `Size tried on ${u.label}: the smallest that springs over the neck`, [1, 2, 4], {
      ...at,
      told: `tried the size of the preformed crown on ${u.label}`,
      passes: ['crown on tape', 'next size'],
      hurts: !sealedIn,
      needs: [
        open(`${kind}.4`, 1, {
          words: words(4),
          because: practice('begin in the middle of the range, then go by what springs over the neck'),
        }),
        open(`${kind}.5`, 1, { words: words(5) }),
        standby(`${kind}.3`, '4 is loose', 1, { words: words(3) }),
        drawer(`${kind}.6`, '5 does not go over'),
        open('crown spoon', 1, { orElse: [{ what: 'plastic instrument', loss: 'slips off the edge' }] }),
      ],
      countsIn: [
        {
          id: `crowns.${u.tooth}`,
          what: `preformed crowns tried, ${u.tooth}`,
          planned: 2,
          stays: 1,
          outStep: id('seat'),
        },
      ],
      cautions: [inhaled],
      mistakes: ['the first that goes on is taken: too big, it rocks and leaks'],
    }),
    child(id('contour'), `Contour the neck, crimp the edge: ${edges}`, [1, 1.5, 3], {
      ...at,
      place: 'bench',
      helped: false,
      needs: [open('contouring pliers'), open('crimping pliers'), open('crown scissors'), open('crown stone')],
      figures: [
        {
          name: `crown edge, ${u.tooth}`,
          value: 1,
          unit: 'mm',
          text: 'edge 0.5–1.0 mm below the tissue, following the gum',
          standing: 'C',
        },
      ],
      reason: crownEdge(u.tooth, 'buccal').because,
      mistakes: ['poor edge: a ledge collects food'],
    }),
    child(
      id('fit'),
      sealedIn
        ? 'Tried in place, not pressed home: will it go over without cutting?'
        : 'Tried home: snaps, no blanching that stays, level, edge 0.5–1.0 mm below the tissue',
      [0.5, 1, 2],
      {
        ...at,
        passes: ['crown on tape', 'explorer'],
        cautions: [inhaled],
        needs: [
          standby('welder', 'too big: slit, overlap, weld; too small: slit, band added, weld'),
          standby('band material', 'too small: slit, band added, weld'),
        ],
        hold: {
          name: 'fit',
          key: u.tooth,
          title: `Crown fits, ${u.tooth}`,
          evidence: 'no ledge, no tilt, edge closed all round',
          because: practice('ledges, tilt and a poor edge are seen before the cement'),
          again: [id('size'), id('contour'), id('fit')],
        },
      },
    ),
    child(id('cement'), 'Glass ionomer to two thirds of the crown, no bubble', [0.4, 0.6, 1], {
      ...at,
      place: 'bench',
      helped: false,
      fn: 'chairside',
      needs: [open('cement.glass ionomer luting', 2), open('mixing pad'), open('mixing spatula')],
    }),
    child(id('seat'), `Seat ${u.label} from lingual to buccal, press; child bites on a roll`, [0.4, 0.6, 1], {
      ...at,
      told: `cemented the preformed metal crown on ${u.label}`,
      passes: ['filled crown', 'cotton roll'],
      needs: [open('bite stick'), open('cotton roll', 2)],
      cautions: [inhaled],
      countsOut: [`crowns.${u.tooth}`],
      tell: sealedIn
        ? 'The tooth wears a silver crown. The bite is high for some days: it settles by itself within a few weeks. Nothing sticky.'
        : 'The tooth wears a silver crown. The gum may be sore for a few days. Nothing sticky; brush along its edge.',
      reason: reason('lingual to buccal: the bulge is on the buccal side', 'M'),
    }),
    child(id('excess'), 'Excess off, knotted floss through both contacts', [0.5, 1, 2], {
      ...at,
      fn: 'excess removal',
      passes: ['scaler', 'knotted floss'],
      needs: [open('scaler'), open('floss', 600)],
      ties: [
        {
          from: id('seat'),
          fromEdge: 'finish',
          ...atLeast(c.rule('crown cement.sets')),
          title: 'Cement sets',
        },
      ],
      told: 'removed the excess cement',
      mistakes: ['cement left under the edge: the gum stays red'],
    }),
  )
}

/** J19. Conventional, or sealed in without cutting. */
export const primaryMetalCrown: VisitKind = {
  id: 'primary.metal-crown',
  ownBite: true,
  work: (c) => {
    const sealedIn = c.choices.childMolar === 'sealed in'
    return sequence(
      sealedIn
        ? absent(
            'cutting',
            practice(
              'sealed in without cutting: the lesion is shut off from the mouth; separators may have gone before',
            ),
          )
        : only(c.choices.bondingIsolation === 'dam', () => sheetOn(c, { purpose: 'cutting' })),
      only(!sealedIn && c.choices.bondingIsolation !== 'dam', () => rolls(c)),
      only(sealedIn, () =>
        child('child.separators', 'Separators out, if they were in; teeth brushed clean', [0.3, 0.5, 1], {
          fn: 'chairside',
          needs: [
            open('scaler'),
            open('prophy cup'),
            open('slow handpiece'),
            standby('separators', 'the contact is too tight: in for some days, the crown another day', 2),
          ],
          reason: practice('separators may precede'),
        }),
      ),
      only(!sealedIn, () =>
        cutSteps(
          c,
          (u) => [
            {
              act: 'occlusal',
              title: 'Occlusal 1–2 mm, following the cusps',
              form: 'occlusal',
              depthMm: 1.5,
              surface: 'occlusal',
              share: 2,
            },
            ...(['mesial', 'distal'] as const).flatMap((side) =>
              u[side].tooth
                ? [
                    {
                      act: `slice-${side}`,
                      title: `Slice ${side}, 2–5°, no ledge, toward ${u[side].tooth}`,
                      form: 'slice' as const,
                      depthMm: 1,
                      surface: side,
                      share: 1.5,
                      mistakes: [
                        `a ledge: the crown hangs on it and does not go down`,
                        `neighbour ${u[side].tooth} nicked`,
                      ],
                    },
                  ]
                : [
                    {
                      act: `slice-${side}`,
                      title: `Slice ${side}, 2–5°, no ledge`,
                      form: 'slice' as const,
                      depthMm: 1,
                      surface: side,
                      share: 1,
                      mistakes: [
                        'a ledge: the crown hangs on it and does not go down',
                        ...(side === 'distal' && u.tooth[1] === '5'
                          ? ['the six-year molar, if it is through, nicked']
                          : []),
                      ],
                    },
                  ],
            ),
            {
              act: 'caries',
              title: 'Decay out',
              form: 'caries',
              depthMm: 1,
              surface: 'dentine',
              share: 1.5,
              needs: [open('slow handpiece'), open('spoon excavator')],
            },
            {
              act: 'round',
              title: 'Round off every edge; buccal and lingual 0–0.5 only if needed; feather edge',
              form: 'finish',
              depthMm: 0.3,
              surface: 'edges',
              share: 1,
              after: 'chamfer',
              told: `prepared ${u.label} for a preformed metal crown`,
            },
          ],
          [4, 7, 12],
        ),
      ),
      only(!sealedIn && c.request.pulpTreatment, () => pulp(c)),
      only(!sealedIn && c.choices.bondingIsolation === 'dam', () =>
        sheetOff(c, { why: 'the crown is tried with the gum free' }),
      ),
      each(c, (u) => metalCrown(c, u, sealedIn)),
      child(
        'crown.bite',
        sealedIn ? 'Bite is high: said to the parent, settles by itself' : 'Bite: closes as before, no tilt',
        [0.5, 1, 2],
        {
          fn: 'occlusal check',
          needs: [open('articulating paper', 2)],
          ...(sealedIn ? { reason: practice('a high bite settles in weeks in a child') } : {}),
          told: 'checked the bite',
        },
      ),
    )
  },
  followUps: (c) =>
    c.choices.childMolar === 'sealed in' ? [{ title: 'Has the bite settled?', ...after(c, 'recall.bite') }] : [],
}

/** Pulp treatment, where it was decided: medicament, base, dry. */
function pulp(c: Case): Block {
  return each(c, (u) =>
    sequence(
      child(
        `pulp.${u.tooth}`,
        `Pulp treatment of ${u.label}: roof off, bleeding stopped, medicament, base`,
        [4, 7, 12],
        {
          tooth: u.tooth,
          fn: 'root canal',
          hurts: true,
          told: `treated the pulp of ${u.label}`,
          passes: ['round', 'pellet, pressed', 'medicament', 'base'],
          needs: [
            open('cotton pellet', 4),
            open('pulp medicament', 1),
            open('base cement', 1),
            open('slow handpiece'),
            open('spoon excavator'),
          ],
          countsIn: [
            {
              id: `pulp-pellets.${u.tooth}`,
              what: `pulp pellets, ${u.tooth}`,
              planned: 4,
              outStep: `pulp-dry.${u.tooth}`,
            },
          ],
          mistakes: ['bleeding that does not stop: the pulp is ill further down, tell the dentist'],
        },
      ),
      child(`pulp-dry.${u.tooth}`, 'Pellets out, dry', [0.2, 0.3, 0.5], {
        tooth: u.tooth,
        fn: 'chairside',
        countsOut: [`pulp-pellets.${u.tooth}`],
      }),
    ),
  )
}

function incisor(c: Case, u: Unit): Block {
  const id = (act: string): string => `crown.${u.tooth}.${act}`
  const at = { tooth: u.tooth }
  const part = `${c.jaw} ${['central', 'lateral', 'canine'][Number(u.tooth[1]) - 1]}`
  const kind = `preveneered crown.${part}`
  const words = (n: number): string => `preveneered crown size ${n}, ${part}`
  return sequence(
    child(id('fit'), `Fit ${u.label}: sizes downward until it seats without force`, [1, 2, 4], {
      ...at,
      told: `fitted a preveneered crown on ${u.label}`,
      passes: ['crown, larger', 'crown, next smaller'],
      needs: [
        open(`${kind}.4`, 1, { words: words(4) }),
        open(`${kind}.3`, 1, {
          words: words(3),
          because: practice('sizes downward: the largest that seats without force'),
        }),
        standby(`${kind}.2`, '3 does not seat without force', 1, { words: words(2) }),
      ],
      countsIn: [
        {
          id: `crowns.${u.tooth}`,
          what: `preveneered crowns tried, ${u.tooth}`,
          planned: 2,
          stays: 1,
          outStep: id('seat'),
        },
      ],
      cautions: [reason('Throat pack in; every crown counted: one behind the pack is in the airway', 'C')],
      mistakes: ['pressed on: the facing cracks; cut more instead'],
    }),
    child(id('crimp'), 'Crimp the palatal edge only; no scratch on the facing', [0.5, 1, 2], {
      ...at,
      place: 'bench',
      helped: false,
      needs: [open('crimping pliers')],
      mistakes: ['pliers on the facing: it flakes'],
    }),
    child(id('cement'), 'Cement filled without bubbles', [0.3, 0.5, 0.8], {
      ...at,
      place: 'bench',
      helped: false,
      fn: 'chairside',
      needs: [open('cement.glass ionomer luting', 1), open('mixing pad'), open('mixing spatula')],
    }),
    child(id('seat'), `Seat ${u.label}, hold; wipe toward the gum`, [0.5, 0.8, 1.5], {
      ...at,
      told: `cemented the crown on ${u.label}`,
      tell: 'The front teeth wear white crowns. The gum is sore for some days; soft food, brush along the edge, nothing bitten off.',
      passes: ['filled crown', 'wet gauze'],
      needs: [open('gauze', 2)],
      countsOut: [`crowns.${u.tooth}`],
      reason: practice('wiped toward the gum: away from it drags the cement out'),
    }),
    child(id('rinse'), 'Excess off, rinse', [0.3, 0.5, 1], {
      ...at,
      fn: 'excess removal',
      needs: [open('scaler'), open('floss', 300)],
      ties: [
        {
          from: id('seat'),
          fromEdge: 'finish',
          ...atLeast(c.rule('crown cement.sets')),
          title: 'Cement sets',
        },
      ],
    }),
  )
}

/** J14. The throat pack goes round all of the visit's work (see the frame); quick back teeth are further work, done first. */
export const primaryIncisors: VisitKind = {
  id: 'primary.incisors',
  asleep: true,
  ownBite: true,
  work: (c) =>
    sequence(
      cutSteps(
        c,
        () => [
          { act: 'incisal', title: 'Incisal 1.5–2 mm', form: 'incisal', depthMm: 1.75, surface: 'incisal', share: 1 },
          {
            act: 'slices',
            title: 'Slices, then generous all round; all of it below the tissue, feather edge',
            form: 'slice',
            depthMm: 1,
            surface: 'proximal and all round',
            share: 2,
            because: practice('a preveneered crown does not bend: the tooth is made to fit it'),
          },
          {
            act: 'caries',
            title: 'Decay out',
            form: 'caries',
            depthMm: 1,
            surface: 'dentine',
            share: 1,
            needs: [open('slow handpiece'), open('spoon excavator')],
            told: 'prepared the incisors',
          },
        ],
        [2, 4, 7],
      ),
      only(c.request.pulpTreatment, () => pulp(c)),
      each(c, (u) => incisor(c, u)),
      child('crown.look', 'Crowns level, edges closed; bite closed by hand', [0.5, 1, 2], {
        fn: 'occlusal check',
        told: 'checked the crowns',
        needs: [open('articulating paper')],
      }),
    ),
  followUps: (c) => [
    {
      title: 'Look at gum and crowns',
      ...after(c, 'recall.asleep'),
    },
  ],
}
