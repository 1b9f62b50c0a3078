/** Fillings, posts, bonded pieces: increments, post space, mix limits. Standing C unless said. */
import { round, type Figure, type Reason } from '../figure'

/**
 * What lies under an amalgam, by the depth of the cavity, mm: a base of about 1 mm only where 2 mm of amalgam are left over it
 * (1.5 is the least that does not break), a liner only where the floor is truly deep. Common practice; 5 mm for deep is our own.
 * @param depthMm nothing where nobody has measured: it is decided at the probe
 * @example underAmalgam(4) // { base: true, liner: false, leftMm: 3 }
 */
export function underAmalgam(depthMm: number | undefined): {
  base: boolean
  liner: boolean
  leftMm: number | undefined
} {
  if (depthMm === undefined) return { base: false, liner: false, leftMm: undefined }
  const leftMm = Math.round((depthMm - baseMm) * 10) / 10
  return { base: leftMm >= leastOverBaseMm, liner: depthMm >= deepMm, leftMm }
}
const baseMm = 1
const leastOverBaseMm = 2
const deepMm = 5

/** Most a bulk increment may be thick, and what is left for the cover layer, mm. */
export const bulkMostMm = 4
export const coverMm = 2

export interface Increments {
  /** Thickness of each bulk increment, deepest first, mm; empty where the cover layer is all. */
  bulkMm: number[]
  coverMm: number
  figure: Figure
}

/**
 * Bulk increments of a cavity: the depth less a 2 mm cover, in pieces of at most 4 mm, the deepest first.
 * @throws RangeError where the depth is not positive.
 * @example bulkIncrements(6).bulkMm // [ 4 ]
 */
export function bulkIncrements(depthMm: number): Increments {
  if (!(depthMm > 0)) throw new RangeError('a cavity deeper than 0 mm')
  const left = Math.max(0, round(depthMm - coverMm, 2))
  const n = Math.ceil(left / bulkMostMm)
  const each = n === 0 ? 0 : round(left / n, 1)
  const text =
    n === 0
      ? `${depthMm} mm is no deeper than the ${coverMm} mm cover: one layer`
      : `${depthMm} mm − ${coverMm} mm cover = ${left} mm, at most ${bulkMostMm} mm each: ${n} × ${each} mm`
  return {
    bulkMm: Array.from({ length: n }, () => each),
    coverMm: Math.min(depthMm, coverMm),
    figure: { name: 'bulk increments', value: n, unit: '', text, standing: 'C' },
  }
}

/**
 * Layers over the floor of a cavity that is then built up cusp by cusp: at most 2 mm each, up to about 2 mm under the cusps.
 * Common practice.
 * @example floorLayers(5).layersMm // [ 1.5, 1.5 ]
 */
export function floorLayers(depthMm: number): { layersMm: number[]; figure: Figure } {
  const left = Math.max(0, round(depthMm - cuspsMm, 2))
  const n = Math.ceil(left / layerMostMm)
  const each = n === 0 ? 0 : round(left / n, 1)
  return {
    layersMm: Array.from({ length: n }, () => each),
    figure: {
      name: 'floor layers',
      value: n,
      unit: '',
      text:
        n === 0
          ? `${depthMm} mm is no deeper than the cusps of ${cuspsMm} mm: no floor layer`
          : `${depthMm} mm − ${cuspsMm} mm for the cusps = ${left} mm, at most ${layerMostMm} mm each: ${n} × ${each} mm`,
      standing: 'C',
    },
  }
}
const cuspsMm = 2
const layerMostMm = 2

export interface PostSpace {
  leastMm: number
  mostMm: number
  figure: Figure
  /** Set where the root filling that has to stay allows less than two thirds, or less than half. */
  because?: Reason
}

/** Whether half of a canal can be had for a post over so much seal. Standing C. */
export const halfCanBeHad = (canalMm: number, sealMm: number): boolean => canalMm - sealMm >= canalMm / 2

/**
 * Depth of a post space from the canal's length, mm: half to two thirds of it, with the root filling that has to stay at
 * the end. Where the seal allows less, the seal decides.
 * @throws RangeError where the canal is no longer than the seal.
 * @example postSpace(18, 5).mostMm // 12
 */
export function postSpace(canalMm: number, sealMm: number): PostSpace {
  if (!(canalMm > sealMm))
    throw new RangeError(`a canal of ${canalMm} mm leaves no room for a post over ${sealMm} mm of seal`)
  const bySeal = round(canalMm - sealMm, 1)
  const mostMm = Math.min(round((canalMm * 2) / 3, 1), bySeal)
  const leastMm = Math.min(round(canalMm / 2, 1), mostMm)
  const sealDecides = bySeal < round((canalMm * 2) / 3, 1)
  const figure: Figure = {
    name: 'post space',
    value: mostMm,
    unit: 'mm',
    text: `half to two thirds of ${canalMm} mm is ${round(canalMm / 2, 1)}–${round((canalMm * 2) / 3, 1)} mm; ${canalMm} − ${sealMm} mm of seal leaves ${bySeal} mm: ${leastMm}–${mostMm} mm${sealDecides ? ', the seal decides' : ''}`,
    standing: 'C',
  }
  return {
    leastMm,
    mostMm,
    figure,
    ...(sealDecides
      ? { because: { text: `the seal decides: ${sealMm} mm of root filling stay`, standing: 'C' as const } }
      : {}),
  }
}

/** Share of tint a mix takes at the most, percent by weight. */
export const mostTintPercent = 25

/** Most tint beside a base of cement, g: a quarter of the whole mix by weight, so a third of the base. */
export function mostTintG(baseG: number, mostPercent = mostTintPercent): Figure {
  const value = round((baseG * mostPercent) / (100 - mostPercent), 3)
  return {
    name: 'tint at most',
    value,
    unit: 'g',
    text: `${mostPercent} % of the whole mix: ${baseG} g × ${mostPercent} ÷ ${100 - mostPercent} = ${value} g`,
    standing: 'C',
  }
}

/** Final cure of a bonded bridge, s: 60 s front and back of every retainer. */
export function retainerCure(retainers: number, eachS = 60): Figure {
  const value = retainers * 2 * eachS
  return {
    name: 'final cure',
    value,
    unit: 's',
    text: `${retainers} retainer${retainers === 1 ? '' : 's'} × 2 sides × ${eachS} s = ${value} s`,
    standing: 'C',
  }
}

/** Height of matrix band, mm: the depth from the neighbour's ridge to the floor of the box, and 1 mm to hold by each way. */
export function bandHeight(insideMm: number, outsideMm = 0): Figure {
  const value = round(Math.max(insideMm, outsideMm) + 1, 1)
  return {
    name: 'band, height at least',
    value,
    unit: 'mm',
    text: `deepest reading ${Math.max(insideMm, outsideMm)} mm (inside ${insideMm}${outsideMm > 0 ? `, outside ${outsideMm}` : ''}) + 1 mm over the ridge = ${value} mm`,
    standing: 'estimate',
  }
}
