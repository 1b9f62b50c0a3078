/**
 * Things as they are recognised: a silhouette of every shape, at the size of the item it stands for. All of them are drawn
 * here from what a thing is and its measures.
 */
import type { ShapeName } from '../../catalog/shape-names'
import { entriesOf, keysOf, tableOf } from '../../sure'
import { hands, spatulas } from './hand'
import { apparatus } from './apparatus'
import { jointed } from './jointed'
import { machines } from './machines'
import { mouth } from './mouth'
import { moved, type Draw, type Part } from './part'
import { small } from './small'
import { turning } from './turning'
import { vessels } from './vessels'

export type { Part, Tone } from './part'

const handsAlone = tableOf(keysOf(hands), (name) => hands[name].draw)
const draws: Readonly<Record<ShapeName, Draw>> = {
  ...handsAlone,
  ...spatulas,
  ...jointed,
  ...vessels,
  ...mouth,
  ...small,
  ...turning,
  ...machines,
  ...apparatus,
}

/** Beyond this a thing is drawn once and stretched: rings and marks every few millimetres would be without number. */
const mostMm = 500

/** The outlines of a thing, from (0, 0) to (width, length), the working end at the top. */
export function thing(shape: ShapeName, lengthMm: number, widthMm: number): Part[] {
  const [l, w] = [Math.min(lengthMm, mostMm), Math.min(widthMm, mostMm)]
  const parts = draws[shape](l, w)
  return l === lengthMm && w === widthMm ? parts : moved(parts, (x, y) => [(x * widthMm) / w, (y * lengthMm) / l])
}

const ends: Partial<Record<ShapeName, number>> = Object.fromEntries(
  entriesOf(hands).map(([name, h]) => [name, h.endMm]),
)

/** How much of its top a thing shows again, enlarged, because that is where it differs from others, mm; 0 for none. */
export const endMm = (shape: ShapeName): number => ends[shape] ?? 0
