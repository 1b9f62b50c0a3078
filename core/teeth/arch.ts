/** The arch: neighbours and contacts, functional cusps, and where each tooth stands for the drawing. */
import { sure } from '../sure'
import { dimensions } from './dimensions'
import { isTooth, jawOf, parts, isPrimary, type Tooth } from './notation'

/**
 * The teeth of one jaw and dentition from the patient's right to left.
 * @example archOrder('upper', 'primary')[0] // '55'
 */
export function archOrder(jaw: 'upper' | 'lower', dentition: 'permanent' | 'primary' = 'permanent'): Tooth[] {
  const [right, left] = jaw === 'upper' ? [1, 2] : [4, 3]
  const shift = dentition === 'primary' ? 4 : 0
  const length = dentition === 'primary' ? 5 : 8
  const positions = Array.from({ length }, (_, i) => i + 1)
  return [
    ...positions.toReversed().map((p) => `${sure(right) + shift}${p}`),
    ...positions.map((p) => `${sure(left) + shift}${p}`),
  ].filter(isTooth)
}

/**
 * The teeth of an arch from the side of one of them across the middle: so what is listed, clamped or injected first is on the
 * side that is worked on, left as right.
 * @example archFrom(toTooth('36'))[0] // '38'
 */
export function archFrom(t: Tooth): Tooth[] {
  const arch = archOrder(jawOf(t), isPrimary(t) ? 'primary' : 'permanent')
  return arch.indexOf(t) < arch.length / 2 ? arch : arch.toReversed()
}

export interface Neighbour {
  tooth: Tooth | null
  /** Why there is none: the end of the arch, or recorded missing. */
  none?: 'last in the arch' | 'missing'
}

/**
 * The mesial and distal neighbours of a tooth. What has no neighbour has no contact to check, no septum to floss and
 * cannot hold a two-sided stop, so the plan asks here and nowhere else.
 * @example neighbours(toTooth('37'), [toTooth('38')]).distal.none // 'missing'
 */
export function neighbours(t: Tooth, missing: readonly Tooth[] = []): { mesial: Neighbour; distal: Neighbour } {
  const arch = archOrder(jawOf(t), isPrimary(t) ? 'primary' : 'permanent')
  const at = arch.indexOf(t)
  const onRight = at < arch.length / 2
  const look = (step: number): Neighbour => {
    const next = arch[at + step]
    if (!next) return { tooth: null, none: 'last in the arch' }
    return missing.includes(next) ? { tooth: null, none: 'missing' } : { tooth: next }
  }
  return { mesial: look(onRight ? 1 : -1), distal: look(onRight ? -1 : 1) }
}

export const isAnterior = (t: Tooth): boolean => parts(t).position <= 3
/** A lower incisor or a primary tooth: too slender for a wide bur. */
export const isNarrow = (t: Tooth): boolean => isPrimary(t) || (jawOf(t) === 'lower' && parts(t).position <= 2)

export interface Cusps {
  functional: 'buccal' | 'palatal' | 'lingual'
  other: 'buccal' | 'palatal' | 'lingual'
}

/**
 * Functional cusps: lower buccal, upper palatal; swapped in crossbite. `null` for incisors and canines, which have none.
 * Standing C.
 */
export function functionalCusps(t: Tooth, crossbite = false): Cusps | null {
  if (isAnterior(t)) return null
  const inner = jawOf(t) === 'upper' ? 'palatal' : 'lingual'
  const functionalIsBuccal = (jawOf(t) === 'lower') !== crossbite
  return functionalIsBuccal ? { functional: 'buccal', other: inner } : { functional: inner, other: 'buccal' }
}

/** The word for the tongue side of a tooth: palatal above, lingual below. */
export const innerSide = (t: Tooth): 'palatal' | 'lingual' => (jawOf(t) === 'upper' ? 'palatal' : 'lingual')

export interface ArchPlace {
  tooth: Tooth
  /** Centre of the tooth in mm; x to the right of the drawing (patient's left), y away from the incisors. */
  xMm: number
  yMm: number
  /** Direction of the arch at the tooth, radians from the x axis. */
  tangent: number
  widthMm: number
  depthMm: number
}

/** Steepness of the drawing's parabola y = k·x²; starting estimates that give a natural arch width. */
const steepness = { upper: 0.052, lower: 0.058 }
export const archSteepness = (jaw: 'upper' | 'lower', dentition: 'permanent' | 'primary'): number =>
  steepness[jaw] * (dentition === 'primary' ? 1.35 : 1)

/**
 * Places the teeth of a jaw on a parabola by their mean mesiodistal widths, mm. Missing teeth keep their room.
 * A drawing aid: true sizes, idealised curve.
 * @example archPlaces('lower').length // 16
 */
export function archPlaces(jaw: 'upper' | 'lower', dentition: 'permanent' | 'primary' = 'permanent'): ArchPlace[] {
  const k = archSteepness(jaw, dentition)
  const order = archOrder(jaw, dentition)
  const half = order.slice(order.length / 2)
  const places: ArchPlace[] = []
  let x = 0
  let walked = 0
  let edge = 0
  const stepMm = 0.02
  for (const t of half) {
    const size = dimensions(t)
    const centre = edge + size.mesiodistalMm / 2
    edge += size.mesiodistalMm
    while (walked < centre) {
      const slope = 2 * k * x
      x += stepMm / Math.hypot(1, slope)
      walked += stepMm
    }
    places.push({
      tooth: t,
      xMm: x,
      yMm: k * x * x,
      tangent: Math.atan(2 * k * x),
      widthMm: size.mesiodistalMm,
      depthMm: size.labiolingualMm,
    })
  }
  const mirror = places.map((place, i): ArchPlace => ({
    ...place,
    tooth: sure(order[half.length - 1 - i]),
    xMm: -place.xMm,
    tangent: -place.tangent,
  }))
  return [...mirror.toReversed(), ...places]
}
