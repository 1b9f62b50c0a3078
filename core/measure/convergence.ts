/** Convergence and resistance of a preparation, from two widths and a height. */
import { reason, round, type Figure, type Reason } from '../figure'

/** Aims [P: Goodacre, Campagni, Aquilino, J Prosthet Dent 2001;85:363–376]. */
export const convergenceSource = 'Goodacre CJ, Campagni WV, Aquilino SA, J Prosthet Dent 2001;85:363'
export const aims = { leastDeg: 10, mostDeg: 20, molarHeightMm: 4, otherHeightMm: 3, heightToWidth: 0.4 } as const
const degrees = (rad: number): number => (rad * 180) / Math.PI

/** Angle between two opposite walls, degrees: 2·atan((cervical − occlusal) / 2h). */
export function totalConvergence(cervicalMm: number, occlusalMm: number, heightMm: number): Figure {
  const value = round(degrees(2 * Math.atan((cervicalMm - occlusalMm) / (2 * heightMm))), 1)
  return {
    name: 'total convergence',
    value,
    unit: '°',
    text: `2·atan((${cervicalMm} − ${occlusalMm}) / (2 × ${heightMm}))`,
    standing: 'calc',
  }
}

/**
 * The taper of a wall beyond which it no longer resists tipping about the opposite margin, degrees:
 * ½·asin(2H/B) where 2H ≤ B, else 45 [P: Parker, Gunderson, Gardner, Calverley, J Prosthet Dent 1988;59:281; citation from
 * memory, the geometry is the check].
 */
export const limitingTaper = (heightMm: number, baseMm: number): number =>
  2 * heightMm >= baseMm ? 45 : degrees(Math.asin((2 * heightMm) / baseMm) / 2)

export interface ConvergenceJudgement {
  convergence: Figure
  limitDeg: number
  resists: boolean
  /** What a person should know, worst first; empty where all is within the aims. */
  says: Reason[]
}

/** Judges two walls; it advises a groove or a box for the dentist to judge, and never calls for one. */
export function judgeConvergence({
  cervicalMm,
  occlusalMm,
  heightMm,
  molar,
}: {
  cervicalMm: number
  occlusalMm: number
  heightMm: number
  molar: boolean
}): ConvergenceJudgement {
  const convergence = totalConvergence(cervicalMm, occlusalMm, heightMm)
  const limitDeg = limitingTaper(heightMm, cervicalMm)
  const resists = convergence.value / 2 <= limitDeg
  const leastHeight = molar ? aims.molarHeightMm : aims.otherHeightMm
  const published = (text: string): Reason => reason(text, 'P', convergenceSource)
  return {
    convergence,
    limitDeg: round(limitDeg, 1),
    resists,
    says: [
      ...(resists
        ? []
        : [
            reason(
              `a wall of ${round(convergence.value / 2, 1)}° is past ${round(limitDeg, 1)}°, where it stops resisting: a groove or a box is for the dentist to judge`,
              'calc',
            ),
          ]),
      ...(convergence.value < 0 ? [reason('wider at the top than at the margin: an undercut', 'calc')] : []),
      ...(convergence.value > aims.mostDeg
        ? [published(`${convergence.value}° between the walls; 10 to 20° are aimed at`)]
        : []),
      ...(heightMm < leastHeight
        ? [published(`${heightMm} mm high; at least ${leastHeight} mm are aimed at ${molar ? 'on a molar' : 'here'}`)]
        : []),
      ...(heightMm / cervicalMm < aims.heightToWidth
        ? [published(`height to width ${round(heightMm / cervicalMm, 2)}; at least ${aims.heightToWidth} is aimed at`)]
        : []),
    ],
  }
}

export interface Grooves {
  n: number
  because: Reason
}

/**
 * Extra grooves a full crown is given, for the dentist to judge: two, opposite each other on the proximal sides, where a wall
 * no longer resists or the walls stand too far apart, on a tipped tooth, or under a long span. Standing C.
 * @param units of the bridge the tooth carries; 1 for a crown
 */
export function extraGrooves({
  resists,
  convergenceDeg,
  tipped = false,
  units = 1,
}: {
  resists: boolean
  convergenceDeg: number
  tipped?: boolean
  units?: number
}): Grooves | null {
  const why = [
    ...(resists ? [] : ['a wall no longer resists']),
    ...(convergenceDeg > aims.mostDeg ? ['the walls stand too far apart'] : []),
    ...(tipped ? ['the tooth is tipped'] : []),
    ...(units > 3 ? [`${units} units pull on it`] : []),
  ]
  return why.length === 0
    ? null
    : { n: 2, because: reason(`${why.join(', ')}: two grooves, opposite each other on the proximal sides`, 'C') }
}
