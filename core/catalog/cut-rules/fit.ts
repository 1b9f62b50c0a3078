/** How well a bur fits a cut, and what the rules of every form ask of one. */
import { round, type Reason } from '../../figure'
import type { Bur, BurShape } from '../bur'
import type { Cut } from '../cut-form'

export interface Fit {
  /** Lower is better; distances are in mm so that they compare. */
  distance: number
  because: Reason
}

export const near = (b: Bur, depthMm: number): number => round(Math.abs(b.diameterMm - depthMm), 2)
/** Shape of a bur for the high-speed handpiece; a latch bur answers only the forms that ask for it by its shank. */
export const isShape = (b: Bur, ...shapes: BurShape[]): boolean =>
  b.shank !== '204' && b.shank !== '104' && shapes.includes(b.shape)
export const isFine = (b: Bur): boolean => ['fine', 'extra-fine', 'ultra-fine', '12-flute'].includes(b.grit)
export const isCutting = (b: Bur): boolean => !isFine(b)
/** Crown walls and margins are cut with diamond; a carbide serves where no diamond does. */
export const roughness = (b: Bur): number => (b.material === 'diamond' ? 0 : 1.5)
export const mm = (value: number): string => `${round(value, 2)} mm`

/** What a form of cut wants: asked for in words, said when nothing fits, and how well a bur fits, or null. */
export interface CutRule {
  wanted: (cut: Cut) => string
  fit: (bur: Bur, cut: Cut) => Fit | null
}
