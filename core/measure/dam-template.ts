/**
 * Where the holes of a sheet lie and how large they are, computed for a visit's teeth. Standing C: holes on the arch, at half
 * the sum of two necks and 2 mm of stretch, or the mean of the two crowns, whichever is larger. Standing M: five sizes.
 */
import { firstOf, sure } from '../sure'
import { reason, round, type Figure, type Reason } from '../figure'
import { archOrder, archSteepness } from '../teeth/arch'
import { dimensions } from '../teeth/dimensions'
import { isPrimary, jawOf, parts, type Tooth } from '../teeth/notation'

export interface Hole {
  tooth: Tooth
  /** Centre from the sheet's left upper corner, as it is looked at in front of the patient, mm. */
  xMm: number
  yMm: number
  diameterMm: number
  clamp: boolean
}
export interface DamTemplate {
  sheetMm: 127 | 152
  jaw: 'upper' | 'lower'
  holes: Hole[]
  figures: Figure[]
  because: Reason[]
}

const stretchMm = 2
/** Diameters, mm. M: five steps. */
const holeMm = {
  'lower incisor': 0.8,
  'upper incisor': 1.2,
  'canine or premolar': 1.5,
  molar: 1.8,
  'clamp tooth': 2.2,
} as const
type HoleClass = keyof typeof holeMm

/** Front teeth lie so far from the edge: 25 mm clears the nose above, 50 mm leaves the sheet over the chin. Standing C. */
const frontFromEdgeMm = { upper: 25, lower: 50 } as const

export function holeClass(t: Tooth): HoleClass {
  const { position } = parts(t)
  if (position <= 2) return jawOf(t) === 'lower' ? 'lower incisor' : 'upper incisor'
  // A first primary molar is no wider than a premolar.
  return position <= 4 || (!isPrimary(t) && position === 5) ? 'canine or premolar' : 'molar'
}

/** Distance between the holes of two teeth that stand side by side, mm, unrounded. */
export function holeSpacing(a: Tooth, b: Tooth): number {
  const [p, q] = [dimensions(a), dimensions(b)]
  return Math.max(
    (p.cervicalMesiodistalMm + q.cervicalMesiodistalMm) / 2 + stretchMm,
    (p.mesiodistalMm + q.mesiodistalMm) / 2,
  )
}

/** The point of y = k·x² that lies so far from another, further out. */
function nextOnArch(k: number, fromX: number, spacing: number): number {
  let [low, high] = [fromX, fromX + spacing]
  for (let i = 0; i < 60; i++) {
    const x = (low + high) / 2
    if (Math.hypot(x - fromX, k * (x * x - fromX * fromX)) < spacing) low = x
    else high = x
  }
  return (low + high) / 2
}

/**
 * The template of a sheet. Teeth that are missing or replaced keep their room and get no hole.
 * @param teeth those that come through the sheet, in one jaw
 * @param clamped the teeth that carry a clamp; the one furthest back where nothing is said
 * @throws RangeError where no tooth is named
 * @example damTemplate([toTooth('36')]).holes.length // 1
 */
export function damTemplate(
  teeth: readonly Tooth[],
  { sheetMm, clamped }: { sheetMm?: 127 | 152; clamped?: readonly Tooth[] } = {},
): DamTemplate {
  const first = teeth[0]
  if (first === undefined) throw new RangeError('a sheet needs a tooth')
  const jaw = jawOf(first)
  const dentition = isPrimary(first) ? 'primary' : 'permanent'
  const size = sheetMm ?? (dentition === 'primary' ? 127 : 152)
  const k = archSteepness(jaw, dentition)
  const order = archOrder(jaw, dentition)
  const half = order.length / 2
  const [right, left] = [order.slice(0, half).toReversed(), order.slice(half)]
  const clamps = clamped ?? [teeth.reduce((a, b) => (parts(b).position > parts(a).position ? b : a))]
  // Both sides of an arch mirror each other; the middle is between the central incisors.
  const out: number[] = []
  left.forEach((t, i) =>
    out.push(
      i === 0 ? holeSpacing(firstOf(right), t) / 2 : nextOnArch(k, sure(out[i - 1]), holeSpacing(sure(left[i - 1]), t)),
    ),
  )
  const place = (side: readonly Tooth[], sign: 1 | -1): Hole[] =>
    side.flatMap((tooth, i): Hole[] => {
      if (!teeth.includes(tooth)) return []
      const back = k * (sure(out[i]) ** 2 - firstOf(out) ** 2)
      const yMm = jaw === 'upper' ? frontFromEdgeMm.upper + back : size - frontFromEdgeMm.lower - back
      const isClamp = clamps.includes(tooth)
      return [
        {
          tooth,
          xMm: round(size / 2 + sign * sure(out[i]), 2),
          yMm: round(yMm, 2),
          diameterMm: holeMm[isClamp ? 'clamp tooth' : holeClass(tooth)],
          clamp: isClamp,
        },
      ]
    })
  const holes = [...place(right, -1).toReversed(), ...place(left, 1)]
  const pairs = holes.slice(1).flatMap((h, i): Figure[] => {
    const [a, b] = [sure(holes[i]).tooth, h.tooth]
    if (order.indexOf(b) - order.indexOf(a) !== 1) return []
    const [p, q] = [dimensions(a), dimensions(b)]
    return [
      {
        name: `${a} to ${b}`,
        value: round(holeSpacing(a, b), 1),
        unit: 'mm',
        text: `necks (${p.cervicalMesiodistalMm} + ${q.cervicalMesiodistalMm}) ÷ 2 + ${stretchMm} stretch, or crowns (${p.mesiodistalMm} + ${q.mesiodistalMm}) ÷ 2, whichever is larger`,
        standing: 'C',
      },
    ]
  })
  return {
    sheetMm: size,
    jaw,
    holes,
    figures: pairs,
    because: [
      reason(
        `front teeth ${frontFromEdgeMm[jaw]} mm from the ${jaw === 'upper' ? 'upper edge, so that the sheet clears the nose' : 'lower edge, so that the sheet covers the mouth'}`,
        'C',
      ),
      reason(`hole sizes ${Object.values(holeMm).join(', ')} mm by tooth, the largest for the clamp`, 'M'),
    ],
  }
}
