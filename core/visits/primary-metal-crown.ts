/** J19: preformed metal crowns, conventional or sealed in. */
import { soreGum } from '../measure/numbing'
import { firstOf, lastOf } from '../sure'
import { after } from './follow-ups'
import { reason, type Reason } from '../figure'
import { absent, drawer, nothing, only, open, practice, sequence, standby, type Block, atLeast } from '../library/build'
import { type Case, type Unit } from '../library/case'
import { pulp } from '../phases/pulp'
import { cutSteps, type CutLine } from '../phases/cutting'
import { rolls, sheetOff, sheetOn } from '../phases/isolation'
import { crownEdge } from '../teeth/outline'
import { crownSizes, startSize } from '../measure/crown-size'
import { sealedInAlways, sealedInFits, sealedInSource } from '../measure/place'
import { capital } from '../words'
import type { VisitKind } from './kind'
import { child, each } from './child-steps'

/** Where the edge of the crown ends under the gum, mm. */
const edge = { what: 'shell', edgeMm: [0.5, 1] } as const

const inhaled = reason(
  'A preformed crown can be swallowed or inhaled: gauze screen behind it, child upright enough to cough; a missing one is looked for before anything else',
  'C',
)

const behindPack = reason(
  'Throat pack in; every crown counted, a crown on a length of tape: one behind the pack is in the airway',
  'C',
)
/** Asleep the pack guards the airway, and what lies behind it is counted. */
const loose = (c: Case): Reason => (c.asleep ? behindPack : inhaled)

/** 'lower left second': how preformed crowns are sorted. */
const crownClass = (u: Unit): string =>
  `${'56'.includes(firstOf(u.tooth)) ? 'upper' : 'lower'} ${'58'.includes(firstOf(u.tooth)) ? 'right' : 'left'} ${u.tooth[1] === '4' ? 'first' : 'second'}`

/** Filled, and seated from the tongue's side. */
function seatCrown(c: Case, u: Unit, sealedIn: boolean): Block {
  const id = (act: string): string => `crown.${u.tooth}.${act}`
  const at = { tooth: u.tooth }
  const home = c.asleep
    ? {
        title: `Seat ${u.label} from lingual to buccal, pressed home and held`,
        passes: ['filled crown', 'crown seater'],
      }
    : {
        title: `Seat ${u.label} from lingual to buccal, press; child bites on a roll`,
        passes: ['filled crown', 'cotton roll'],
      }
  return sequence(
    child(id('cement'), 'Glass ionomer to two thirds of the crown, no bubble', [0.4, 0.6, 1], {
      ...at,
      place: 'bench',
      helped: false,
      fn: 'chairside',
      needs: [open('cement.glass ionomer luting', 2), open('mixing pad'), open('mixing spatula')],
    }),
    child(id('seat'), home.title, [0.4, 0.6, 1], {
      ...at,
      told: `cemented the preformed metal crown on ${u.label}`,
      passes: home.passes,
      needs: c.asleep ? [open('crown spoon')] : [open('bite stick'), open('cotton roll', 2)],
      cautions: [loose(c)],
      countsOut: [`crowns.${u.tooth}`],
      tell: sealedIn
        ? 'The tooth wears a silver crown. The bite is high for some days: it settles by itself within a few weeks. Nothing sticky.'
        : 'The tooth wears a silver crown. The gum may be sore for a few days. Nothing sticky; brush along its edge.',
      reason: reason('lingual to buccal: the bulge is on the buccal side', 'M'),
    }),
  )
}

/** What is too much goes when the cement has set: after each crown, or once for all. */
const excess = (c: Case, id: string, last: Unit, all: readonly Unit[]): Block =>
  child(
    id,
    `Excess off, knotted floss through both contacts${all.length > 1 ? ` of ${all.map((u) => u.label).join(', ')}` : ''}`,
    [0.5, all.length, 2 * all.length],
    {
      ...(all.length === 1 ? { tooth: last.tooth } : {}),
      fn: 'excess removal',
      passes: ['scaler', 'knotted floss'],
      needs: [open('scaler'), open('floss', 600)],
      ties: [
        {
          from: `crown.${last.tooth}.seat`,
          fromEdge: 'finish',
          ...atLeast(c.rule('crown cement.sets')),
          title: 'Cement sets',
        },
      ],
      told: 'removed the excess cement',
      mistakes: ['cement left under the edge: the gum stays red'],
      ...(all.length > 1 ? { reason: practice('one set for all of them: asleep, every minute counts') } : {}),
    },
  )

/** Each crown by itself while the child is awake; asleep all are fitted, then seated, then waited for once. */
function crowns(c: Case, sealedIn: boolean): Block {
  if (!c.asleep)
    return each(c, (u) =>
      sequence(fitCrown(c, u, sealedIn), seatCrown(c, u, sealedIn), excess(c, `crown.${u.tooth}.excess`, u, [u])),
    )
  return sequence(
    each(c, (u) => fitCrown(c, u, sealedIn)),
    each(c, (u) => seatCrown(c, u, sealedIn)),
    excess(c, 'crown.excess', lastOf(c.units), c.units),
  )
}

/** A crown of the box made to fit a tooth that none of it fits. Common practice. */
function remade(u: Unit, beyond: 'all are too large' | 'all are too small'): Block {
  const id = (act: string): string => `crown.${u.tooth}.${act}`
  const tools = [open('crown scissors'), open('welder'), open('crown stone'), open('crimping pliers')]
  const bench = { tooth: u.tooth, place: 'bench', helped: false } as const
  return beyond === 'all are too large'
    ? child(id('slit'), 'Too large: slit on the cheek side, overlapped to the mark, spot-welded, smoothed', [3, 5, 9], {
        ...bench,
        needs: tools,
        told: `slit, overlapped and welded the crown of ${u.label}`,
        mistakes: ['welded before it was marked on the tooth: it fits neither way'],
      })
    : child(
        id('band'),
        'Too small: slit on the cheek side, band material set into the gap, spot-welded, smoothed',
        [3, 5, 9],
        {
          ...bench,
          needs: [...tools, open('band material')],
          told: `widened the crown of ${u.label} with welded band`,
          mistakes: ['gap left open at the gum: it leaks there'],
        },
      )
}

/** Size tried from where the tooth’s width puts it, else from the middle of the range; too big or too small is mended at the bench. */
function fitCrown(c: Case, u: Unit, sealedIn: boolean): Block {
  const id = (act: string): string => `crown.${u.tooth}.${act}`
  const at = { tooth: u.tooth }
  const begin = startSize(u.facts.widthMm, u.size.mesiodistalMm)
  const { size } = begin
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
      hurts: sealedIn ? [] : soreGum([u.tooth]),
      figures: [begin.figure],
      needs: [
        open(`${kind}.${size}`, 1, {
          words: words(size),
          because: practice('begun there, then by what springs over the neck'),
        }),
        ...(size < crownSizes.most ? [open(`${kind}.${size + 1}`, 1, { words: words(size + 1) })] : []),
        ...(size > crownSizes.least
          ? [standby(`${kind}.${size - 1}`, `${size} is loose`, 1, { words: words(size - 1) })]
          : []),
        ...(size + 2 <= crownSizes.most ? [drawer(`${kind}.${size + 2}`, `${size + 1} does not go over`)] : []),
        open('crown spoon', 1, { orElse: [{ what: 'plastic instrument', loss: 'slips off the edge' }] }),
      ],
      countsIn: [
        {
          id: `crowns.${u.tooth}`,
          what: `preformed crown${size < crownSizes.most ? 's' : ''} tried, ${u.said}`,
          planned: size < crownSizes.most ? 2 : 1,
          stays: 1,
          outStep: id('seat'),
        },
      ],
      cautions: [loose(c)],
      mistakes: ['the first that goes on is taken: too big, it rocks and leaks'],
    }),
    begin.beyond ? remade(u, begin.beyond) : nothing,
    child(id('contour'), `Contour the neck, crimp the edge: ${edges}`, [1, 1.5, 3], {
      ...at,
      shows: edge,
      place: 'bench',
      helped: false,
      needs: [open('contouring pliers'), open('crimping pliers'), open('crown scissors'), open('crown stone')],
      figures: [
        {
          name: `crown edge, ${u.said}`,
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
        ...(sealedIn ? {} : { shows: edge }),
        passes: ['crown on tape', 'explorer'],
        cautions: [loose(c)],
        needs: begin.beyond
          ? []
          : [
              standby('welder', 'it is too big: slit, overlap, weld; or too small: slit, band added, weld'),
              standby('band material', 'it is too small: slit, band added, weld'),
            ],
        hold: {
          name: 'fit',
          key: u.tooth,
          title: `Crown fits, ${u.said}`,
          evidence: 'no ledge, no tilt, edge closed all round',
          because: practice('ledges, tilt and a poor edge are seen before the cement'),
          again: [id('size'), id('contour'), id('fit')],
        },
      },
    ),
  )
}

const molarLines = (u: Unit): CutLine[] => [
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
            title: `Slice ${side}, 2–5°, no ledge, toward ${u[side].said}`,
            form: 'slice' as const,
            depthMm: 1,
            surface: side,
            share: 1.5,
            mistakes: [`a ledge: the crown hangs on it and does not go down`, `neighbour ${u[side].said} nicked`],
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
              ...(side === 'distal' && u.tooth[1] === '5' ? ['the six-year molar, if it is through, nicked'] : []),
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
]

/** J19. Conventional, or sealed in without cutting. */
export const primaryMetalCrown: VisitKind = {
  id: 'primary.metal-crown',
  deciding: (c) => {
    // What decides between the two ways is asked, whichever is taken.
    const { lesion, lesionSite, managesFilling } = c.request
    return c.choices.childMolar === 'sealed in'
      ? [
          child('records.sealed-in', 'Suitable to be sealed in? Film and tooth looked at', [0.5, 1, 2], {
            phase: 'records',
            fn: 'chairside',
            place: 'chair',
            detail: `${capital(sealedInAlways.join('; '))}.`,
            needs: [open('film holder')],
            hold: {
              name: 'plan',
              title: 'Suitable to be sealed in',
              evidence: sealedInAlways.join(', '),
              because: reason(
                sealedInFits(lesionSite, lesion === 'cavitated', managesFilling).because.text,
                'M',
                sealedInSource,
              ),
            },
          }),
        ]
      : []
  },
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
      only(!sealedIn, () => cutSteps(c, molarLines, [4, 7, 12])),
      only(!sealedIn, () => pulp(c)),
      only(!sealedIn && c.choices.bondingIsolation === 'dam', () =>
        sheetOff(c, { why: 'the crown is tried with the gum free' }),
      ),
      crowns(c, sealedIn),
      child(
        'crown.bite',
        sealedIn
          ? 'Bite is high: said to the parent, settles by itself'
          : c.asleep
            ? 'Bite closed by hand: both sides alike, no tilt'
            : 'Bite: closes as before, no tilt',
        [0.5, 1, 2],
        {
          bite: 'preformed crown',
          fn: 'occlusal check',
          needs: [open('articulating paper', 2)],
          ...(sealedIn ? { reason: practice('a high bite settles in weeks in a child') } : {}),
          told: 'checked the bite',
        },
      ),
    )
  },
  followUps: (c) =>
    c.choices.childMolar === 'sealed in'
      ? [{ title: 'Has the bite settled?', tell: 'a look whether the bite has settled', ...after(c, 'recall.bite') }]
      : [],
}
