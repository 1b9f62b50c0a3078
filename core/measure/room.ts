/**
 * How wide a bur a tooth has room for, and how deep a margin that lets it be cut: by neck, neighbour and wall. Common practice; the
 * figures for lower incisors and upper laterals are our own.
 */
import { isNarrow } from '../teeth/arch'
import { isPrimary, jawOf, parts, type Tooth } from '../teeth/notation'
import type { CutForm, Ledge } from '../catalog/cut-form'
import type { Range } from './reduction'

const lowerIncisor = (t: Tooth): boolean => isNarrow(t) && !isPrimary(t)
const upperLateral = (t: Tooth): boolean => !isPrimary(t) && jawOf(t) === 'upper' && parts(t).position === 2

/** What leaves or follows a margin. */
const atMargin: readonly CutForm[] = ['chamfer', 'shoulder', 'rounded shoulder', 'axial', 'finish', 'facial reduction']

/**
 * The widest head for a cut, mm; nothing where there is room enough.
 * @param neighbour one stands beside it
 * @example widestBur(toTooth('41'), 'chamfer', { neighbour: true, after: 'chamfer' }) // 1.4
 */
export function widestBur(
  tooth: Tooth,
  form: CutForm,
  { neighbour, after }: { neighbour: boolean; after?: Ledge | undefined },
): number | undefined {
  if (form === 'lingual concavity') return lowerIncisor(tooth) || upperLateral(tooth) ? 1.2 : undefined
  if (isPrimary(tooth)) return form === 'finish' || form === 'edge' ? 1.2 : 1.6
  if (form === 'edge') return lowerIncisor(tooth) ? 1.2 : undefined
  const rounded = after === 'rounded shoulder' || form === 'rounded shoulder'
  // A pressed piece on a tooth of five millimetres: nothing of the inner angle may come near the pulp.
  if (lowerIncisor(tooth)) return atMargin.includes(form) ? (rounded ? 1.2 : 1.4) : 1.6
  if (!atMargin.includes(form)) return undefined
  if (upperLateral(tooth)) return 1.6
  if (after === 'shoulder' || form === 'shoulder' || rounded) return undefined
  return neighbour ? 1.6 : 1.8
}

/**
 * How deep a margin is cut, mm: a chamfer by its lower figure where a neighbour stands or the tooth is narrow, for a round end is
 * sunk by half at most; a free one by its upper figure. A shoulder is as wide as is asked, on a lower incisor by its lower figure.
 * @example marginDepth({ leastMm: 0.5, mostMm: 0.8 }, toTooth('16'), { neighbour: true, form: 'chamfer' }) // 0.5
 */
export function marginDepth(
  range: Range,
  tooth: Tooth,
  { neighbour, form }: { neighbour: boolean; form: string },
): number {
  if (form !== 'chamfer') return lowerIncisor(tooth) ? range.leastMm : range.mostMm
  const slim = lowerIncisor(tooth) || upperLateral(tooth) || neighbour
  // What is as shallow as that anyway has room.
  return slim ? Math.max(range.leastMm, Math.min(range.mostMm, shallowMm)) : range.mostMm
}
/** A torpedo of 1.2 mm cuts so deep by half of its end, with a tenth to spare. */
const shallowMm = 0.5

/**
 * The slow round for soft decay, mm: as large as enters the box, for a small one digs. Common practice.
 * @example slowRound(toTooth('36')) // 1.8
 */
export function slowRound(tooth: Tooth): number {
  const at = parts(tooth).position
  if (isPrimary(tooth)) return at >= 4 ? 1.4 : 1
  return at >= 6 ? 1.8 : at >= 4 ? 1.4 : 1
}
