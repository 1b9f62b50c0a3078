/** J19: preformed metal crowns, conventional or sealed in. */
import { milkMolarLines } from '../cuts/cavities'
import { lay } from '../lay'
import { soreGum } from '../../measure/numbing'
import { firstOf, lastOf } from '../../sure'
import { after } from './follow-ups'
import { reason, type Reason } from '../../figure'
import { absent, nothing, only, practice, sequence, type Block } from '../build'
import { type Case, type Unit } from '../case'
import { pulp } from '../generators/pulp'
import { cutSteps } from '../generators/cutting'
import { rolls, sheetOff, sheetOn } from '../generators/isolation'
import { crownEdge } from '../../teeth/outline'
import { crownSizes, startSize } from '../../measure/crown-size'
import { sealedInAlways, sealedInFits, sealedInSource } from '../../measure/place'
import type { VisitKind } from './kind'
import { each } from './child-steps'

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
    lay(c, 'crown.$tooth.cement', { u }),
    lay(c, 'crown.$tooth.seat', { title: home.title, u, passes: home.passes, loose: loose(c), sealedIn }),
  )
}

/** What is too much goes when the cement has set: after each crown, or once for all. */
const excess = (c: Case, id: string, last: Unit, all: readonly Unit[]): Block =>
  lay(c, 'crown.excess', {
    labels: all.map((u) => u.label).join(', '),
    several: all.length > 1,
    n: all.length,
    longest: 2 * all.length,
    one: all.length === 1,
    lastTooth: last.tooth,
    lastSeat: `crown.${last.tooth}.seat`,
    id,
  })

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
function remade(c: Case, u: Unit, beyond: 'all are too large' | 'all are too small'): Block {
  return lay(c, beyond === 'all are too large' ? 'crown.$tooth.slit' : 'crown.$tooth.band', { u })
}

/** Size tried from where the tooth’s width puts it, else from the middle of the range; too big or too small is mended at the bench. */
function fitCrown(c: Case, u: Unit, sealedIn: boolean): Block {
  const begin = startSize(u.says('widthMm'), u.size.mesiodistalMm)
  const { size } = begin
  const kind = `preformed crown.${crownClass(u)}`
  const words = (n: number): string => `preformed crown size ${n}, ${crownClass(u)} primary molar`
  const edges = (['buccal', 'lingual', 'proximal'] as const)
    .map((side) => `${side} ${crownEdge(u.tooth, side).shape}`)
    .join(', ')
  return sequence(
    lay(c, 'crown.$tooth.size', {
      u,
      sealedIn,
      soreGum: soreGum([u.tooth]),
      figure: begin.figure,
      kind,
      size,
      words: words(size),
      larger: size < crownSizes.most,
      next: size + 1,
      nextWords: words(size + 1),
      smaller: size > crownSizes.least,
      before: size - 1,
      beforeWords: words(size - 1),
      afterNext: size + 2 <= crownSizes.most,
      second: size + 2,
      loose: loose(c),
    }),
    begin.beyond ? remade(c, u, begin.beyond) : nothing,
    lay(c, 'crown.$tooth.contour', { edges, u, edge, because: crownEdge(u.tooth, 'buccal').because }),
    lay(c, 'crown.$tooth.fit', { sealedIn, u, edge, loose: loose(c), beyond: begin.beyond }),
  )
}

/** J19. Conventional, or sealed in without cutting. */
export const primaryMetalCrown: VisitKind = {
  id: 'primary.metal-crown',
  deciding: (c) => {
    // What decides between the two ways is asked, whichever is taken.
    const [lesion, lesionSite, managesFilling] = [c.asks('lesion'), c.asks('lesionSite'), c.asks('managesFilling')]
    return c.school('childMolar') === 'sealed in'
      ? [
          lay(c, 'records.sealed-in', {
            sealedInAlways: sealedInAlways.join('; '),
            sealedInWords: sealedInAlways.join(', '),
            text: sealedInFits(lesionSite, lesion === 'cavitated', managesFilling).because.text,
            sealedInSource,
          }),
        ]
      : []
  },
  work: (c) => {
    const sealedIn = c.school('childMolar') === 'sealed in'
    return sequence(
      sealedIn
        ? absent(
            'cutting',
            practice(
              'sealed in without cutting: the lesion is shut off from the mouth; separators may have gone before',
            ),
          )
        : only(c.school('bondingIsolation') === 'dam', () => sheetOn(c, { purpose: 'cutting' })),
      only(!sealedIn && c.school('bondingIsolation') !== 'dam', () => rolls(c)),
      only(sealedIn, () => lay(c, 'child.separators')),
      only(!sealedIn, () => cutSteps(c, milkMolarLines, [4, 7, 12])),
      only(!sealedIn, () => pulp(c)),
      only(!sealedIn && c.school('bondingIsolation') === 'dam', () =>
        sheetOff(c, { why: 'the crown is tried with the gum free' }),
      ),
      crowns(c, sealedIn),
      lay(c, 'crown.bite', { sealedIn }),
    )
  },
  followUps: (c) =>
    c.school('childMolar') === 'sealed in'
      ? [{ title: 'Has the bite settled?', tell: 'a look whether the bite has settled', ...after(c, 'recall.bite') }]
      : [],
}
