/** Amounts of impression and provisional material, and the working window. Starting values: the product's own win. */
import { withArticle } from '../words'
import { round, type Figure } from '../figure'
import { standardRules, type Rules } from '../rules'
import type { Dimensions } from '../teeth/dimensions'

/** What the syringe goes round. */
export type Washed = 'crown' | 'veneer' | 'box'

/**
 * Light body for the syringe, mL: per unit, plus purge and what stays in the tip.
 * @param ownMl what this practice uses a unit, where it has measured it.
 */
export function lightBody(kind: Washed, units: number, ownMl?: number, rules: Rules = standardRules): Figure {
  const each = ownMl ?? rules(`light body.${kind}`).value
  const [purgeMl, tipLossMl] = [rules('purge').value, rules('tip.loss').value]
  const value = round(units * each + purgeMl + tipLossMl, 1)
  return {
    name: 'light body',
    value,
    unit: 'mL',
    text: `${units} × ${each} mL a ${kind} + ${purgeMl} purge + ${tipLossMl} left in the tip = ${value} mL`,
    standing: ownMl === undefined ? 'estimate' : 'practice',
  }
}

/** Which impressions the hydrocolloid school takes: two for a single crown; for more, or a bridge, one polyether and one hydrocolloid. Standing C. */
export function hydrocolloidSchool(units: number, pontics: number): { hydrocolloid: number; polyether: number } {
  return units === 1 && pontics === 0 ? { hydrocolloid: 2, polyether: 0 } : { hydrocolloid: 1, polyether: 1 }
}

/** Tray material, mL, by tray. */
export function trayMaterial(
  tray: 'dual-arch quadrant' | 'full arch' | 'sectional',
  rules: Rules = standardRules,
): Figure {
  const tipLossMl = rules('tip.loss').value
  const bulk = { 'dual-arch quadrant': 14, 'full arch': 35, sectional: 17.5 }[tray]
  const value = round(bulk + tipLossMl, 1)
  return {
    name: 'tray material',
    value,
    unit: 'mL',
    text: `${bulk} mL for a ${tray} tray + ${tipLossMl} left in the tip = ${value} mL`,
    standing: 'estimate',
  }
}

/** Alginate for one jaw: grams of powder and millilitres of water. M: 7 g and 17 mL a scoop, 2 scoops lower, 3 upper. */
export function alginate(jaw: 'upper' | 'lower'): { powder: Figure; water: Figure } {
  const scoops = jaw === 'upper' ? 3 : 2
  return {
    powder: {
      name: 'alginate powder',
      value: scoops * 7,
      unit: 'g',
      text: `${scoops} scoops × 7 g for ${withArticle(`${jaw} tray`)}`,
      standing: 'M',
    },
    water: { name: 'water', value: scoops * 17, unit: 'mL', text: `${scoops} scoops × 17 mL`, standing: 'M' },
  }
}

/**
 * Bis-acryl for crowns, mL: crown volume less the prepared tooth, with its surplus, never under the least a unit takes, plus
 * the tip. Volume of a crown ≈ mesiodistal × labiolingual × length × the share of that box it fills. Standing C.
 */
export function bisAcryl(
  units: { size: Dimensions; axialMm: number; occlusalMm: number }[],
  ownMl?: number,
  rules: Rules = standardRules,
): Figure {
  const tipLossMl = rules('tip.loss').value
  const boxFill = rules('bis-acryl.fill').value
  const surplus = rules('bis-acryl.surplus')
  const floorMl = rules('bis-acryl.least').value
  if (ownMl !== undefined) {
    const value = round(units.length * ownMl + tipLossMl, 1)
    return {
      name: 'bis-acryl',
      value,
      unit: 'mL',
      text: `${units.length} × ${ownMl} mL a unit, this practice’s own figure, + ${tipLossMl} left in the tip = ${value} mL`,
      standing: 'practice',
    }
  }
  const each = units.map(({ size, axialMm, occlusalMm }) => {
    const crown = size.mesiodistalMm * size.labiolingualMm * size.crownLengthMm * boxFill
    const prepared =
      Math.max(0, size.mesiodistalMm - 2 * axialMm) *
      Math.max(0, size.labiolingualMm - 2 * axialMm) *
      Math.max(0, size.crownLengthMm - occlusalMm) *
      boxFill
    return Math.max(floorMl, ((crown - prepared) / 1000) * surplus.value)
  })
  const sum = each.reduce((a, b) => a + b, 0)
  const value = round(sum + tipLossMl, 1)
  return {
    name: 'bis-acryl',
    value,
    unit: 'mL',
    text: `${each.map((v) => `${round(v, 2)} mL`).join(' + ')} (crown less prepared tooth, ${Math.round((surplus.value - 1) * 100)} % surplus, not under ${floorMl} mL a unit) + ${tipLossMl} left in the tip = ${value} mL`,
    standing: 'C',
  }
}

export interface InjectionWindow {
  injectionS: number
  /** Seconds after injection begins at which the assistant starts loading the tray. */
  trayStartS: number
  fits: boolean
  /** Seconds to spare, negative where short. */
  spareS: number
  because: string
}

/**
 * Whether injecting and seating fit the working time of the material chosen, with 10 s in hand. Standing C; the working
 * time is the product's.
 * @param drawn cords drawn one after the other, and dried once, between loading the syringe and the wash.
 */
export function injectionWindow(
  kind: Washed,
  units: number,
  workingS: number,
  drawn = 0,
  rules: Rules = standardRules,
): InjectionWindow {
  const eachS = rules(`inject.${kind}`).value
  const restS = rules('inject.rest').value
  const [trayLoadS, handoverS] = [rules('tray.load').value, rules('tray.handover').value]
  const [seatingS, inHandS] = [rules('tray.seating').value, rules('inject.hand').value]
  const injectionS = units * eachS + restS
  const drawingS = drawn === 0 ? 0 : drawn * rules('cord.draw').value + rules('dry.once').value
  const spareS = workingS - inHandS - (injectionS + drawingS + seatingS)
  return {
    injectionS,
    trayStartS: Math.max(0, injectionS - trayLoadS - handoverS),
    fits: spareS >= 0,
    spareS,
    because: `${units} × ${eachS} s + ${restS} s to wet the rest${drawingS > 0 ? ` + ${drawingS} s to draw ${drawn === 1 ? 'the cord' : `${drawn} cords`} and dry` : ''} + ${seatingS} s seating, against ${workingS} s working time with ${inHandS} s in hand: ${spareS >= 0 ? `${spareS} s to spare` : `${-spareS} s too long`}`,
  }
}

/** The same where the wash goes in the tray alone: no syringe goes round, the tray is loaded and seated. */
export function trayWindow(workingS: number, rules: Rules = standardRules): InjectionWindow {
  const [loadS, seatingS, inHandS] = [rules('tray.load').value, rules('tray.seating').value, rules('inject.hand').value]
  const spareS = workingS - inHandS - loadS - seatingS
  return {
    injectionS: 0,
    trayStartS: 0,
    fits: spareS >= 0,
    spareS,
    because: `${loadS} s to load the tray with the wash on top + ${seatingS} s seating, against ${workingS} s working time with ${inHandS} s in hand: ${spareS >= 0 ? `${spareS} s to spare` : `${-spareS} s too long`}`,
  }
}
