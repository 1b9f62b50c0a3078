/** The cavity of a tooth as the case has it: surfaces, boxes, depth, volume. */
import type { Figure } from '../figure'
import { cavityVolume } from '../measure/volumes'
import { firstOf } from '../sure'
import type { Case, Unit } from './case'

/** The surfaces of a tooth's filling or inlay; where the case does not say two, and three for an onlay. Common practice. */
export const surfacesOf = (c: Pick<Case, 'restoration'>, u: Unit): string =>
  u.says('surfaces') ?? (c.restoration === 'ceramic onlay' ? 'MOD' : 'MO')
/** The proximal boxes among surfaces: mesial before distal. */
export const boxesOf = (surfaces: string): ('mesial' | 'distal')[] =>
  (['mesial', 'distal'] as const).filter((s) => surfaces.includes(firstOf(s).toUpperCase()))
export const cavityBoxes = (c: Case, u: Unit): ('mesial' | 'distal')[] => boxesOf(surfacesOf(c, u))
/** The neighbours that stand at its boxes, as the practice writes them. */
export const besideBoxes = (c: Case, u: Unit): string[] =>
  cavityBoxes(c, u).flatMap((b) => (u[b].tooth ? [u[b].said] : []))
/** Depth of the cavity, mm; 4 where nobody has measured yet. */
export const depthOf = (u: Unit): number => u.says('depthMm') ?? 4

/** The cavity of a tooth as it is planned, in mm³. */
export const volumeOf = (c: Case, u: Unit): Figure =>
  cavityVolume({
    mesiodistalMm: u.size.mesiodistalMm,
    labiolingualMm: u.size.labiolingualMm,
    depthMm: depthOf(u),
    boxes: cavityBoxes(c, u).length,
  })
