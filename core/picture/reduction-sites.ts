/** Where the reduction of a tooth is read: its cut from cheek to tongue and, for the sides that touch neighbours, its top. */
import type { ReductionSite } from '../measure/reduction'
import type { Plan } from '../model/plan'
import { dimensions } from '../teeth/dimensions'
import { jawOf, type Tooth } from '../teeth/notation'
import type { Restoration } from '../vocabulary'
import { aimOf, prepare } from './prepared-tooth'
import { edgeAt, profileOf, topAt, type Point } from './tooth-profile'

export interface ReductionPicture {
  hangs: boolean
  /** Left, top, width, height, mm, in the tooth's own frame. */
  frame: readonly [number, number, number, number]
  crown: Point[]
  /** What is left when the targets are reached; nothing where an inlay is cut into the tooth. */
  left?: Point[]
  /** The tooth from above: its middle, its width along the arch and its depth, mm. */
  above: { at: Point; widthMm: number; depthMm: number }
  places: Partial<Record<ReductionSite, Point>>
}

/** A site stands so far off the surface, mm, that a finger covers neither. */
const offMm = 1.3

/**
 * The picture of a tooth whose reduction is read, every site beside its surface.
 * @example Object.keys(reductionPicture(plan, toTooth('47'), 'full metal crown').places).length // 10
 */
export function reductionPicture(
  plan: Pick<Plan, 'request' | 'steps'>,
  tooth: Tooth,
  restoration: Restoration,
): ReductionPicture {
  const p = profileOf(tooth, 'side')
  const aim = aimOf(plan, tooth, restoration)
  const d = dimensions(tooth)
  const third = (share: number): Point => {
    const y = p.gumMm * share
    return [edgeAt(p, y, 'outer') - offMm, y]
  }
  const innerY = p.gumMm * 0.55
  const half = p.widthMm / 2 + offMm
  const aboveAt: Point = [half + 4 + d.mesiodistalMm / 2, p.gumMm / 2]
  const over = ([x, y]: Point): Point => [x, y - offMm]
  const [outer, inner] = [over(p.tips.outer), over(p.tips.inner ?? p.tips.outer)]
  const [top, low] = [
    Math.min(-offMm - 1.4, aboveAt[1] - d.labiolingualMm / 2 - 0.3),
    Math.max(p.gumMm + 1.6, aboveAt[1] + d.labiolingualMm / 2 + 0.3),
  ]
  const outerBears = aim.cusps?.functional === 'buccal'
  return {
    hangs: jawOf(tooth) === 'upper',
    frame: [-half - 1.2, top, 2 * half + 8.4 + d.mesiodistalMm, low - top],
    crown: p.crown,
    ...(aim.t.margin.form === 'butt' ? {} : { left: prepare(p, aim).outline }),
    above: { at: aboveAt, widthMm: d.mesiodistalMm, depthMm: d.labiolingualMm },
    places: {
      'functional cusp': outerBears ? outer : inner,
      'other cusp': outerBears ? inner : outer,
      // Within the fossa: between the cusps there is no room beside the surface.
      'central groove': [0, topAt(p, 0) + offMm],
      incisal: outer,
      'facial, occlusal third': third(0.2),
      'facial, middle third': third(0.55),
      'facial, cervical third': third(0.92),
      'inner side': [edgeAt(p, innerY, 'inner') + offMm, innerY],
      mesial: [aboveAt[0] - d.mesiodistalMm / 2, aboveAt[1]],
      distal: [aboveAt[0] + d.mesiodistalMm / 2, aboveAt[1]],
    },
  }
}
