/** Cavities as boxes, and what fills them: amalgam, gold, composite that is injected. A floor for what is laid out; the eye decides. */
import { round, type Figure } from '../figure'

export interface Cavity {
  /** Crown of the tooth, mm. */
  mesiodistalMm: number
  labiolingualMm: number
  depthMm: number
  /** Proximal boxes. */
  boxes: number
}

/** Of the crown: how broad and long an outline usually is, how broad a box, how far it reaches inward. Our estimates. */
const shares = { broad: 1 / 3, long: 0.6, floorMm: 2, boxBroad: 0.4, boxInMm: 1.5 } as const

/**
 * Volume of a cavity, mm³: an outline a third of the crown broad and six tenths long, and its boxes. Our estimate.
 * @throws RangeError where the depth is not positive.
 * @example cavityVolume({ mesiodistalMm: 10, labiolingualMm: 9, depthMm: 4, boxes: 1 }).value // 57.6
 */
export function cavityVolume({ mesiodistalMm, labiolingualMm, depthMm, boxes }: Cavity): Figure {
  if (!(depthMm > 0)) throw new RangeError('a cavity deeper than 0 mm')
  const floorMm = Math.min(depthMm, shares.floorMm)
  const top = labiolingualMm * shares.broad * mesiodistalMm * shares.long * floorMm
  const box = labiolingualMm * shares.boxBroad * shares.boxInMm * depthMm
  const value = round(top + boxes * box, 1)
  return {
    name: 'cavity, about',
    value,
    unit: 'mm³',
    text: `outline ${round(labiolingualMm * shares.broad, 1)} × ${round(mesiodistalMm * shares.long, 1)} × ${floorMm} mm${boxes > 0 ? ` + ${boxes} box${boxes === 1 ? '' : 'es'} of ${round(labiolingualMm * shares.boxBroad, 1)} × ${shares.boxInMm} × ${depthMm} mm` : ''} = ${value} mm³`,
    standing: 'estimate',
  }
}

/** Packed on top and carved away again. Our estimate. */
const overfill = 1.2
/** What a capsule of 400 mg of alloy fills condensed, and what a carrier of the usual size holds, mm³. M. */
export const amalgamMm3 = { capsule: 65, load: 12 } as const

export interface AmalgamLaidOut {
  capsules: number
  loads: number
  figure: Figure
}

/** Capsules to lay out and carrier loads to expect for so much cavity. M for the volumes of capsule and carrier. */
export function amalgamFor(volumeMm3: number): AmalgamLaidOut {
  const needed = round(volumeMm3 * overfill, 1)
  const capsules = Math.ceil(needed / amalgamMm3.capsule)
  const loads = Math.ceil(needed / amalgamMm3.load)
  return {
    capsules,
    loads,
    figure: {
      name: 'amalgam',
      value: capsules,
      unit: capsules === 1 ? 'capsule' : 'capsules',
      text: `${volumeMm3} mm³ and a fifth to carve away = ${needed} mm³: ${capsules} of ${amalgamMm3.capsule} mm³, about ${loads} carrier loads of ${amalgamMm3.load} mm³`,
      standing: 'M',
    },
  }
}

/**
 * A foil pellet of a thirty-second of a sheet: 4 grains to a sheet, a grain 64.8 mg, 8.1 mg; condensed to about 15 mg/mm³ it
 * fills 0.54 mm³. A pellet of powdered gold of the same size holds about ten times as much. M.
 */
const foilPelletMm3 = round((4 * 64.8) / 32 / 15, 2)
export const goldMm3 = { foil: foilPelletMm3, powdered: foilPelletMm3 * 10 } as const
/** Two thirds powdered, by volume. Common practice. */
const powderedShare = 2 / 3

export interface GoldLaidOut {
  powdered: number
  foil: number
  figure: Figure
}

/** Pellets of each kind for so much pit: few powdered, many of foil. */
export function goldFor(volumeMm3: number): GoldLaidOut {
  const powdered = Math.max(1, Math.round((volumeMm3 * powderedShare) / goldMm3.powdered))
  const foil = Math.ceil((volumeMm3 * (1 - powderedShare)) / goldMm3.foil)
  return {
    powdered,
    foil,
    figure: {
      name: 'gold pellets',
      value: powdered + foil,
      unit: 'pellets',
      text: `${volumeMm3} mm³, two thirds of it powdered: ${powdered} powdered of ${round(goldMm3.powdered, 1)} mm³, ${foil} of foil of ${goldMm3.foil} mm³`,
      standing: 'M',
    },
  }
}

/** What a compule of paste gives, mm³ (a quarter of a gram, about 2 mg/mm³). M. */
export const compuleMm3 = 125
/** A bead at a corner of the band, 2 mm across, mm³. By definition of a ball. */
const beadMm3 = round((Math.PI / 6) * 2 ** 3, 1)
/** Of the fill, what is warm flowable under the paste; what stays in a tip. Our estimates. */
const injected = { flowable: 0.3, tipMl: 0.1 } as const

export interface InjectedLaidOut {
  compules: number
  /** Cool for the beads, warm for the fill, mL with what stays in each tip. */
  coolMl: number
  warmMl: number
  figure: Figure
}

/** Room-temperature flowable for the beads, warm flowable and warm paste for the fill. */
export function injectedFor(volumeMm3: number, boxes: number): InjectedLaidOut {
  const coolMl = boxes === 0 ? 0 : round((boxes * 2 * beadMm3) / 1000 + injected.tipMl, 2)
  const warmMl = round((volumeMm3 * injected.flowable) / 1000 + injected.tipMl, 2)
  const compules = Math.ceil((volumeMm3 * (1 - injected.flowable) * overfill) / compuleMm3)
  return {
    compules,
    coolMl,
    warmMl,
    figure: {
      name: 'composite to inject',
      value: compules,
      unit: compules === 1 ? 'compule' : 'compules',
      text: `${volumeMm3} mm³: three tenths warm flowable, ${warmMl} mL with the tip; the rest and a fifth more as paste, ${compules} of ${compuleMm3} mm³${boxes === 0 ? '' : `; beads of 2 mm at room temperature, ${coolMl} mL with the tip`}`,
      standing: 'estimate',
    },
  }
}
