/**
 * A tooth in outline, from its mean measures: seen from the side between cheek and tongue, or from the cheek. Millimetres;
 * y runs from the highest cusp or edge (0) to the end of the root, x from the middle line, the cheek or mesial side negative.
 * Shapes are ours: a smooth line through what the measures fix. The pulp is a zone of caution from means [M], never this
 * patient's.
 */
import { dimensions } from '../teeth/dimensions'
import { isAnterior } from '../teeth/arch'
import { sure } from '../sure'
import type { Tooth } from '../teeth/notation'

export type Point = readonly [x: number, y: number]
export type View = 'side' | 'front'

/** What the outline is made of: the crown from neck over the top to neck, and the root. */
export interface Profile {
  view: View
  /** Height of the crown, and where the gum ends on it: a millimetre above the neck, M. */
  neckMm: number
  gumMm: number
  rootMm: number
  widthMm: number
  crown: Point[]
  root: Point[]
  pulp: Point[]
  /** Where its highest points stand: the cheek-side cusp or the edge, and the inner cusp where there is one. */
  tips: { outer: Point; inner?: Point }
}

const gumAboveNeckMm = 1
/** From the cusp tip to the roof of the chamber, as a share of the crown’s height; M: about 6.3 mm in first molars, near the level of the neck. */
const roofShare = { posterior: 0.82, anterior: 0.5 } as const

/** Points on a smooth line through the given ones (Catmull–Rom), four to a span. */
function smooth(points: readonly Point[]): Point[] {
  const at = (i: number): Point => sure(points[Math.max(0, Math.min(points.length - 1, i))])
  return points
    .slice(0, -1)
    .flatMap((_, i) => {
      const [a, b, c, d] = [at(i - 1), at(i), at(i + 1), at(i + 2)]
      return [0, 0.25, 0.5, 0.75].map((t): Point => {
        const on = (k: 0 | 1): number =>
          0.5 *
          (2 * b[k] +
            (c[k] - a[k]) * t +
            (2 * a[k] - 5 * b[k] + 4 * c[k] - d[k]) * t * t +
            (3 * b[k] - a[k] - 3 * c[k] + d[k]) * t * t * t)
        return [on(0), on(1)]
      })
    })
    .concat([at(points.length - 1)])
}

/** From the side: shares of the greatest width and of the crown’s height. */
const side = {
  posterior: [
    [-1, 0.8],
    [-1, 0.62],
    [-0.88, 0.32],
    [-0.56, 0],
    [-0.27, 0.14],
    [0, 0.22],
    [0.27, 0.15],
    [0.56, 0.03],
    [0.9, 0.32],
    [1, 0.52],
    [0.97, 0.78],
  ],
  anterior: [
    [-1, 0.82],
    [-0.84, 0.5],
    [-0.46, 0.16],
    [-0.24, 0],
    [-0.02, 0],
    [0.14, 0.16],
    [0.3, 0.42],
    [0.6, 0.64],
    [0.94, 0.82],
  ],
} as const
/** From the front. */
const front = {
  posterior: [
    [-0.92, 0.7],
    [-1, 0.34],
    [-0.86, 0.12],
    [-0.5, 0.02],
    [-0.02, 0.12],
    [0.5, 0],
    [0.86, 0.12],
    [1, 0.34],
    [0.92, 0.7],
  ],
  anterior: [
    [-0.88, 0.6],
    [-1, 0.2],
    [-0.94, 0.02],
    [-0.5, 0],
    [0, 0],
    [0.5, 0],
    [0.94, 0.03],
    [1, 0.26],
    [0.88, 0.62],
  ],
} as const

/** A chamber with two horns under the cusps, narrowing into the root. */
function chamber(b: number, c: number, l: number, r: number): Point[] {
  const roof = l * roofShare.posterior
  return smooth([
    [-b * 0.4, roof],
    [0, roof + 0.7],
    [b * 0.4, roof],
    [c * 0.34, l + 1],
    [c * 0.16, l + r * 0.5],
    [0, l + r * 0.97],
    [-c * 0.16, l + r * 0.5],
    [-c * 0.34, l + 1],
    [-b * 0.4, roof],
  ])
}
/** One canal up into the middle of the crown, ending in a point. */
function canalOf(crown: readonly Point[], c: number, l: number, r: number): Point[] {
  const middle = (y: number): number => {
    const [outer, inner] = [crown.filter(([x]) => x <= 0), crown.filter(([x]) => x > 0)]
    const nearest = (of: readonly Point[]): number =>
      sure(of.toSorted((p, q) => Math.abs(p[1] - y) - Math.abs(q[1] - y))[0])[0]
    return (nearest(outer) + nearest(inner)) / 2
  }
  const horn = l * roofShare.anterior
  const [at, waist] = [middle(horn), middle(l * 0.75)]
  return smooth([
    [at, horn],
    [waist + c * 0.16, l * 0.75],
    [c * 0.26, l + 1],
    [c * 0.14, l + r * 0.5],
    [0, l + r * 0.97],
    [-c * 0.14, l + r * 0.5],
    [-c * 0.26, l + 1],
    [waist - c * 0.16, l * 0.75],
    [at, horn],
  ])
}

/** The outline of a tooth, its root as long as the means have it, or as it was read. */
export function profileOf(tooth: Tooth, view: View, rootMm?: number): Profile {
  const d = dimensions(tooth)
  const kind = isAnterior(tooth) ? 'anterior' : 'posterior'
  const [widest, neck] =
    view === 'side' ? [d.labiolingualMm, d.cervicalLabiolingualMm] : [d.mesiodistalMm, d.cervicalMesiodistalMm]
  const [b, c, l, r] = [widest / 2, neck / 2, d.crownLengthMm, rootMm ?? d.rootLengthMm]
  const shares = (view === 'side' ? side : front)[kind]
  const crown = smooth([[-c, l], ...shares.map(([x, y]): Point => [x * b, y * l]), [c, l]])
  const root = smooth([
    [c, l],
    [c * 0.86, l + r * 0.35],
    [c * 0.5, l + r * 0.75],
    [0, l + r],
    [-c * 0.5, l + r * 0.75],
    [-c * 0.86, l + r * 0.35],
    [-c, l],
  ])
  const pulp = kind === 'posterior' ? chamber(b, c, l, r) : canalOf(crown, c, l, r)
  const tips =
    view === 'side' && kind === 'posterior'
      ? { outer: [-0.56 * b, 0] as const, inner: [0.56 * b, 0.03 * l] as const }
      : { outer: [view === 'side' ? -0.13 * b : 0, 0] as const }
  return { view, neckMm: l, gumMm: l - gumAboveNeckMm, rootMm: r, widthMm: widest, crown, root, pulp, tips }
}

/** Where the crown’s outline stands at a height, on the outer (negative) or the inner side. */
export function edgeAt(p: Profile, yMm: number, which: 'outer' | 'inner'): number {
  const half = p.crown.findIndex(([x, y]) => x >= p.tips.outer[0] && y <= p.neckMm * 0.3)
  const points = which === 'outer' ? p.crown.slice(0, half + 1) : p.crown.slice(half).toReversed()
  // Both run upward from the neck; the first span that reaches the height.
  for (let i = 1; i < points.length; i++) {
    const [from, to] = [sure(points[i - 1]), sure(points[i])]
    if (to[1] <= yMm) {
      const t = from[1] === to[1] ? 0 : (from[1] - yMm) / (from[1] - to[1])
      return from[0] + (to[0] - from[0]) * Math.max(0, Math.min(1, t))
    }
  }
  return sure(points.at(-1))[0]
}

/** Height of the crown’s upper surface at a distance from the middle line. */
export function topAt(p: Profile, xMm: number): number {
  let top = p.neckMm
  for (let i = 1; i < p.crown.length; i++) {
    const [a, b] = [sure(p.crown[i - 1]), sure(p.crown[i])]
    if ((a[0] - xMm) * (b[0] - xMm) > 0) continue
    const t = a[0] === b[0] ? 0 : (xMm - a[0]) / (b[0] - a[0])
    top = Math.min(top, a[1] + (b[1] - a[1]) * t)
  }
  return top
}
