/** Preformed crowns of milk teeth: the size tried from where the width puts it, the edge shaped, filled, seated, cleaned. */
import { lay } from '../lay'
import { soreGum } from '../../measure/numbing'
import { firstOf, lastOf } from '../../sure'
import { reason, type Reason } from '../../figure'
import { nothing, only, sequence, type Block } from '../build'
import { type Case, type Unit } from '../case'
import { crownEdge } from '../../teeth/outline'
import { crownSizes, startSize } from '../../measure/crown-size'
import { sealedInAlways, sealedInFits, sealedInSource } from '../../measure/place'

const each = (c: Case, block: (u: Unit) => Block): Block => sequence(...c.units.map(block))

/** Where the edge of the crown ends under the gum, mm. */
const edge = { what: 'shell', edgeMm: [0.5, 1] } as const

const inhaled = reason(
  'A preformed crown can be swallowed or inhaled: {gauze} screen behind it, child upright enough to cough; a missing one is looked for before anything else',
  'C',
)

const behindPack = reason(
  'Throat pack in; every crown counted, a crown on a length of tape: one behind the {pack|throat pack} is in the airway',
  'C',
)
/** Asleep the pack guards the airway, and what lies behind it is counted. */
const loose = (c: Case): Reason => (c.asleep ? behindPack : inhaled)

/** 'lower left second': how preformed crowns are sorted. */
const crownClass = (u: Unit): string =>
  `${'56'.includes(firstOf(u.tooth)) ? 'upper' : 'lower'} ${'58'.includes(firstOf(u.tooth)) ? 'right' : 'left'} ${u.tooth[1] === '4' ? 'first' : 'second'}`

/** Filled, and seated from the tongue's side. */
function seatCrown(c: Case, u: Unit): Block {
  const home = c.asleep
    ? {
        title: `Seat ${u.label} from lingual to buccal, pressed home and held`,
        passes: ['filled crown', '{crown seater}'],
      }
    : {
        title: `Seat ${u.label} from lingual to buccal, press; child bites on a {roll}`,
        passes: ['filled crown', '{cotton roll}'],
      }
  return sequence(
    lay(c, 'crown.$tooth.cement', { u }),
    lay(c, 'crown.$tooth.seat', { title: home.title, u, passes: home.passes, loose: loose(c) }),
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
export function preformedCrowns(c: Case): Block {
  if (!c.asleep)
    return each(c, (u) => sequence(fitCrown(c, u), seatCrown(c, u), excess(c, `crown.${u.tooth}.excess`, u, [u])))
  return sequence(
    each(c, (u) => fitCrown(c, u)),
    each(c, (u) => seatCrown(c, u)),
    excess(c, 'crown.excess', lastOf(c.units), c.units),
  )
}

/** A crown of the box made to fit a tooth that none of it fits. Common practice. */
function remade(c: Case, u: Unit, beyond: 'all are too large' | 'all are too small'): Block {
  return lay(c, beyond === 'all are too large' ? 'crown.$tooth.slit' : 'crown.$tooth.band', { u })
}

/** Size tried from where the tooth’s width puts it, else from the middle of the range; too big or too small is mended at the bench. */
function fitCrown(c: Case, u: Unit): Block {
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
    lay(c, 'crown.$tooth.fit', { u, edge, loose: loose(c), beyond: begin.beyond }),
  )
}

/** One crown of a front tooth tried downward through its sizes. */
export function fitFrontCrown(c: Case, u: Unit): Block {
  const part = `${c.jaw} ${['central', 'lateral', 'canine'][Number(u.tooth[1]) - 1]}`
  const words = (n: number): string => `preveneered crown size ${n}, ${part}`
  return lay(c, 'crown.$tooth.fit:front', {
    u,
    kind: `preveneered crown.${part}`,
    largestWords: words(4),
    middleWords: words(3),
    smallestWords: words(2),
  })
}

/** Before a crown is sealed in it is asked whether it may be. */
export function sealedInOrNot(c: Case): Block {
  // What decides between the two ways is asked, whichever is taken.
  const [lesion, lesionSite, managesFilling] = [c.asks('lesion'), c.asks('lesionSite'), c.asks('managesFilling')]
  return only(c.school('childMolar') === 'sealed in', () =>
    lay(c, 'records.sealed-in', {
      sealedInAlways: sealedInAlways.join('; '),
      sealedInWords: sealedInAlways.join(', '),
      text: sealedInFits(lesionSite, lesion === 'cavitated', managesFilling).because.text,
      sealedInSource,
    }),
  )
}
