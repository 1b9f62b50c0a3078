/** Mixes: powder to liquid, and a stock solution made weaker. Arithmetic over figures that say where they come from. */
import { reason, round, type Figure, type Reason } from '../figure'

/**
 * A stock solution made weaker: stock volume = wanted strength × wanted volume ÷ stock strength; water makes up the rest.
 * @throws RangeError where nothing, or something stronger than the stock, is wanted.
 */
export function dilution(
  stockPercent: number,
  wantedPercent: number,
  volumeMl: number,
): { stock: Figure; water: Figure } {
  if (!(stockPercent > 0) || !(wantedPercent > 0) || !(volumeMl > 0))
    throw new RangeError('strengths and a volume above 0')
  if (wantedPercent > stockPercent)
    throw new RangeError(`${wantedPercent} % cannot be made from ${stockPercent} %: water only makes it weaker`)
  const stockMl = round((wantedPercent * volumeMl) / stockPercent, 2)
  return {
    stock: {
      name: 'stock solution',
      value: stockMl,
      unit: 'mL',
      text: `${wantedPercent} % × ${volumeMl} mL ÷ ${stockPercent} % = ${stockMl} mL`,
      standing: 'calc',
    },
    water: {
      name: 'water',
      value: round(volumeMl - stockMl, 2),
      unit: 'mL',
      text: `${volumeMl} − ${stockMl} mL`,
      standing: 'calc',
    },
  }
}

/** Water of an alginate mix beyond this share of what the scoops ask for changes the set, percent. Our estimate. */
const waterSlackPercent = 10
/** mL of water a scoop. M. */
export const alginateWaterMl = 17
export const alginatePowderG = 7

/** Whether the water fits the scoops: 17 mL to each of 7 g [M]; the product's own scoop and cup win. */
export function judgeAlginate(scoops: number, waterMl: number): { water: Figure; says: Reason } {
  const value = round(scoops * alginateWaterMl, 1)
  const off = round(((waterMl - value) / value) * 100, 0)
  const words =
    Math.abs(off) <= waterSlackPercent
      ? `${waterMl} mL to ${scoops} scoops: as it should be`
      : off > 0
        ? `${off} % too much water: it runs, and tears on the way out`
        : `${-off} % too little water: stiff, and it sets before it is seated`
  return {
    water: {
      name: 'water',
      value,
      unit: 'mL',
      text: `${scoops} scoops of ${alginatePowderG} g × ${alginateWaterMl} mL = ${value} mL`,
      standing: 'M',
    },
    says: reason(words, 'M'),
  }
}

/** Base cement: one scoop of powder to one drop of liquid. Standing C. */
export function judgeBase(scoops: number, drops: number): Reason {
  const words =
    scoops === drops
      ? `${scoops} : ${drops}, as it should be`
      : scoops > drops
        ? `${scoops} scoops to ${drops} drops: dry, it crumbles and does not stick; a drop more to each scoop`
        : `${scoops} scoops to ${drops} drops: wet, it is weak and sours the floor; a scoop more to each drop`
  return reason(words, 'C')
}
/** Share of tint in a mix, percent by weight. */
export const tintPercent = (baseG: number, tintG: number): number => round((tintG * 100) / (baseG + tintG), 1)
