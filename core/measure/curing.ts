/** Light: dose, time, and what a weak lamp or a deep box asks for. */
import { round, type Figure } from '../figure'

/** Aim for a 2 mm increment, J/cm². M. */
export const aimJPerCm2 = 16
/** Under this the plan lengthens every cure and tells the team, mW/cm². M. */
export const weakMWPerCm2 = 600
/** Distance at which about half of the light is left, mm. M. */
const halfAtMm = 8

/** Dose in J/cm²: irradiance in mW/cm² × seconds ÷ 1000. By definition. */
export const doseJPerCm2 = (irradianceMWPerCm2: number, seconds: number): number =>
  (irradianceMWPerCm2 * seconds) / 1000

/** Irradiance that arrives at a distance from the tip, mW/cm². M: about half at 8 mm. */
export const arrivingMWPerCm2 = (irradianceMWPerCm2: number, distanceMm: number): number =>
  irradianceMWPerCm2 * 0.5 ** (distanceMm / halfAtMm)

/**
 * Seconds of light for a dose at a distance from the tip: dose ÷ what arrives there.
 * @throws RangeError where the irradiance is not positive.
 */
export function secondsForDose(aim: number, irradianceMWPerCm2: number, distanceMm = 0): Figure {
  if (!(irradianceMWPerCm2 > 0)) throw new RangeError('an irradiance above 0 mW/cm²')
  const arrives = arrivingMWPerCm2(irradianceMWPerCm2, distanceMm)
  // Rounded only as far as arithmetic itself is inexact: a whole second is never lost to rounding.
  const value = Math.ceil(round((aim * 1000) / arrives, 9))
  return {
    name: 'light',
    value,
    unit: 's',
    text: `${aim} J/cm² ÷ ${Math.round(arrives)} mW/cm²${distanceMm > 0 ? ` (${irradianceMWPerCm2} at the tip, half left at ${halfAtMm} mm, ${distanceMm} mm away)` : ''} = ${value} s`,
    standing: distanceMm > 0 ? 'M' : 'calc',
  }
}

/**
 * How long to cure with this practice's light: never below the material's own minimum; longer where the lamp is weak or
 * the dose of an increment asks for it.
 * @param incrementDeepMm distance from the tip to the floor of an increment; leave out for thin layers.
 */
export function cureTime(name: string, leastS: number, irradianceMWPerCm2: number, incrementDeepMm?: number): Figure {
  const weak =
    irradianceMWPerCm2 < weakMWPerCm2 ? Math.ceil((leastS * weakMWPerCm2) / irradianceMWPerCm2 / 5) * 5 : leastS
  const dose =
    incrementDeepMm === undefined ? undefined : secondsForDose(aimJPerCm2, irradianceMWPerCm2, incrementDeepMm)
  const value = Math.max(weak, dose?.value ?? 0)
  const parts = [
    `at least ${leastS} s`,
    ...(weak > leastS ? [`weak light, ${irradianceMWPerCm2} under ${weakMWPerCm2} mW/cm²: ${weak} s`] : []),
    ...(dose ? [dose.text] : []),
  ]
  return {
    name,
    value,
    unit: 's',
    text: parts.length === 1 ? parts.join('') : `${parts.join('; ')}; the longest of these`,
    standing: value === leastS ? 'C' : 'M',
  }
}
