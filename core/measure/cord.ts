/** Retraction cord: which size, how long, how many pieces. */
import { isAnterior } from '../teeth/arch'
import { jawOf, parts, type Tooth } from '../teeth/notation'
import { standardRules, type Rules } from '../rules'
import { reason, round, type Figure, type Reason } from '../figure'
import { ellipsePerimeter } from './ellipse'

export type CordSize = '000' | '00' | '0' | '1' | '2' | '3'
export const cordSizes: readonly CordSize[] = ['000', '00', '0', '1', '2', '3']
export type CordLayer = 'base' | 'top' | 'single'

export interface CrevicePicture {
  probingDepthMm: number
  biotype: 'thin' | 'thick'
  crevice: 'narrow' | 'normal' | 'wide'
}

/** One size down, for tissue that blanches; `null` below 000. Standing C. */
export const smallerCord = (size: CordSize): CordSize | null => cordSizes[cordSizes.indexOf(size) - 1] ?? null

/** Front teeth have a fine gum and a short crevice: finer cord, and on a lower incisor the finest. Common practice. */
const slender = (tooth: Tooth): 'lower incisor' | 'front tooth' | undefined =>
  !isAnterior(tooth)
    ? undefined
    : jawOf(tooth) === 'lower' && parts(tooth).position <= 2
      ? 'lower incisor'
      : 'front tooth'

function onFrontTooth(
  layer: CordLayer,
  tissue: CrevicePicture,
  which: 'lower incisor' | 'front tooth',
): { size: CordSize; because: Reason } {
  const delicate = tissue.biotype === 'thin' || tissue.probingDepthMm <= 1
  const fine = which === 'lower incisor' || delicate || tissue.crevice === 'narrow'
  const wide = tissue.crevice === 'wide' && !fine
  const size: CordSize =
    layer === 'base'
      ? fine
        ? '000'
        : '00'
      : layer === 'top'
        ? fine
          ? '0'
          : wide
            ? '2'
            : '1'
        : fine
          ? '00'
          : wide
            ? '1'
            : '0'
  const why = delicate ? 'thin gum or a shallow crevice, where it recedes' : `${tissue.crevice} crevice`
  const where = layer === 'single' ? 'cord' : `${layer} cord`
  return { size, because: reason(`${which}, ${why}: ${where} ${size}; white tissue means one size smaller`, 'C') }
}

/**
 * Starting size for a layer. Blanching always means one size smaller than what is held.
 * @param tooth what it goes round: a front tooth takes finer cord
 * @example cordSize('base', { biotype: 'thick', probingDepthMm: 2 }, toTooth('36')).size // '0'
 */
export function cordSize(layer: CordLayer, tissue: CrevicePicture, tooth: Tooth): { size: CordSize; because: Reason } {
  const front = slender(tooth)
  if (front) return onFrontTooth(layer, tissue, front)
  const delicate = tissue.biotype === 'thin' || tissue.probingDepthMm <= 1
  const why =
    tissue.biotype === 'thin' ? 'thin tissue, which recedes' : `probing depth ${round(tissue.probingDepthMm)} mm`
  if (layer === 'base') {
    return delicate
      ? { size: '00', because: reason(`${why}: base cord one size finer, 00`, 'C') }
      : { size: '0', because: reason('base cord 0; it stays in during the impression', 'C') }
  }
  if (layer === 'top' && delicate)
    return { size: '0', because: reason(`${why}: top cord no thicker than 0, or the gum recedes`, 'C') }
  if (layer === 'top') {
    const size = ({ narrow: '1', normal: '2', wide: '3' } as const)[tissue.crevice]
    return { size, because: reason(`${tissue.crevice} crevice: top cord ${size}; it may stand at the crest`, 'C') }
  }
  if (delicate)
    return { size: '00', because: reason(`${why}: begin with 00, the size that enters without blanching`, 'C') }
  const size = ({ narrow: '0', normal: '1', wide: '2' } as const)[tissue.crevice]
  return {
    size,
    because: reason(`${tissue.crevice} crevice: begin with ${size}; white tissue means one size smaller`, 'estimate'),
  }
}

/**
 * The cord before cutting: 00 where the gum has to be held away from the bur, 000 where it only keeps it dry or would be
 * hurt: thin gum, a narrow crevice, a lower incisor. Common practice.
 */
export function guardSize(tissue: CrevicePicture, tooth: Tooth): { size: CordSize; why: string } {
  if (tissue.biotype === 'thin') return { size: '000', why: 'thin gum: it recedes where it is pressed' }
  if (tissue.crevice === 'narrow') return { size: '000', why: 'a narrow crevice: no thicker goes in' }
  if (slender(tooth) === 'lower incisor') return { size: '000', why: 'a lower incisor: its crevice is short' }
  return { size: '00', why: 'it holds the gum away from a margin at or under it' }
}

export type CordCoverage = 'full crown' | 'labial and proximal'

/**
 * Length of one piece of cord, mm: coverage × cervical perimeter + overlap or tails.
 * The perimeter is an ellipse over the two cervical widths (M: Wheeler's means), or a measured one. Standing C.
 * @param called what it is called where that is not its layer: one that lies alone
 * @example cordLength({ measuredPerimeterMm: 30 }, 'full crown', 'single').value // 36
 */
export function cordLength(
  cervix: { mesiodistalMm: number; labiolingualMm: number } | { measuredPerimeterMm: number },
  coverage: CordCoverage,
  layer: CordLayer,
  rules: Rules = standardRules,
  called?: string,
): Figure {
  const measured = 'measuredPerimeterMm' in cervix
  const perimeter = measured
    ? cervix.measuredPerimeterMm
    : ellipsePerimeter(cervix.mesiodistalMm, cervix.labiolingualMm)
  const around = coverage === 'full crown'
  const share = rules(around ? 'cord.share.around' : 'cord.share.front')
  const ends = rules(around ? (layer === 'base' ? 'cord.overlap.base' : 'cord.tail') : 'cord.tails.front')
  const value = round(share.value * perimeter + ends.value, 1)
  const from = measured
    ? `measured perimeter ${round(perimeter, 1)} mm`
    : `perimeter ${round(perimeter, 1)} mm of an ellipse ${cervix.mesiodistalMm} × ${cervix.labiolingualMm} mm`
  const tail = around && layer === 'base' ? 'overlap' : 'tail'
  return {
    name: `${called ?? `${layer} cord`}, length of a piece`,
    value,
    unit: 'mm',
    text: `${share.value} × ${from} + ${ends.value} mm ${tail} = ${value} mm`,
    standing: share.own || ends.own ? 'practice' : 'C',
  }
}

/**
 * Length of one piece for a proximal box, mm: the width of the box and what goes beyond it on each side. Standing C.
 * @throws RangeError where the width is not positive.
 */
export function boxCordLength(boxWidthMm: number, rules: Rules = standardRules): Figure {
  if (!(boxWidthMm > 0)) throw new RangeError('a box has a width above 0 mm')
  const side = rules('cord.box.side')
  const value = round(boxWidthMm + 2 * side.value, 1)
  return {
    name: 'box cord, length of a piece',
    value,
    unit: 'mm',
    text: `box ${boxWidthMm} mm + ${side.value} mm each side = ${value} mm`,
    standing: side.own ? 'practice' : 'C',
  }
}

/** Pieces of cord: teeth or boxes times layers. Standing C. */
export const cordPieces = (sites: number, layers: number): number => sites * layers
