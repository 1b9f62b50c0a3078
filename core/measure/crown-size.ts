/** The size a preformed crown is begun with, from a measured tooth. */
import { round, type Figure } from '../figure'

/** Sizes of a class of preformed crowns, and the one that fits the mean tooth. Common practice: begun in the middle. */
export const crownSizes = { least: 2, middle: 4, most: 7 } as const
/** What a size is wider than the one before, mm. Our estimate: series differ, the box in the hand wins. */
const stepMm = 0.35

/**
 * The size to begin with: the middle one for a tooth as broad as the mean, one up or down for each step. Our estimate; what
 * springs over the neck decides.
 * @param measuredMm between the contacts, or of the tooth on the other side; left out, the mean is taken
 * @example startSize(8.0, 7.7).size // 5
 */
export function startSize(
  measuredMm: number | undefined,
  meanMm: number,
): { size: number; beyond?: 'all are too large' | 'all are too small'; figure: Figure } {
  const off = measuredMm === undefined ? 0 : round((measuredMm - meanMm) / stepMm, 2)
  const size = Math.min(crownSizes.most, Math.max(crownSizes.least, crownSizes.middle + Math.round(off)))
  const wanted = crownSizes.middle + Math.round(off)
  const beyond =
    wanted < crownSizes.least ? 'all are too large' : wanted > crownSizes.most ? 'all are too small' : undefined
  return {
    size,
    ...(beyond ? { beyond } : {}),
    figure: {
      name: 'crown, size to begin with',
      value: size,
      unit: '',
      text:
        measuredMm === undefined
          ? `not measured: the middle size ${crownSizes.middle}, for a mean width of ${meanMm} mm`
          : `${measuredMm} mm measured, mean ${meanMm} mm, about ${stepMm} mm a size: ${crownSizes.middle} ${off < 0 ? '−' : '+'} ${Math.abs(Math.round(off))} = ${wanted}${beyond ? `, the ${size} is the ${beyond === 'all are too large' ? 'smallest' : 'largest'}` : ''}`,
      standing: 'estimate',
    },
  }
}
