/** What comes back: cassettes by type, sterilisers with what they can do, and the minutes of the way between two uses. */
import { keysOf } from '../sure'
import { id, text, timeOfDay } from '../bounded'
import * as z from 'zod'
import { cassettes as cassetteTypes } from '../catalog/item'
import type { Reason } from '../figure'

export type CassetteType = (typeof cassetteTypes)[number]
export { cassetteTypes }

/**
 * Cycles for wrapped instruments by the kind of steam: exposure at temperature, and minutes of heating up and drying on top.
 * Exposure [P: CDC MMWR 2003;52(RR-17)]. Heating and drying differ by device [M, estimates]; a steriliser may carry its own.
 */
export const cycleTable = {
  'gravity 121': { name: 'gravity, 121 °C', temperatureC: 121, exposureMin: 30, aroundMin: 35 },
  'gravity 132': { name: 'gravity, 132 °C', temperatureC: 132, exposureMin: 15, aroundMin: 35 },
  'pre-vacuum 132': { name: 'pre-vacuum, 132 °C', temperatureC: 132, exposureMin: 4, aroundMin: 31 },
} as const
export type CycleName = keyof typeof cycleTable
export const cycleNames = keysOf(cycleTable)
export const cycleSource = 'CDC MMWR 2003;52(RR-17)'
export const sporeReason: Reason = {
  text: 'a biological indicator at least once a week in each steriliser, and after repair',
  standing: 'P',
  source: cycleSource,
}

const minutes = z.number().min(0).max(600)

export const steriliser = z.strictObject({
  id: id(40),
  name: text(60),
  /** Cassettes of one load. */
  capacity: z.number().int().min(1).max(60),
  cycle: z.enum(['gravity 121', 'gravity 132', 'pre-vacuum 132']),
  /** Minutes from the door's closing to its opening, by the device's own papers; the table's where it is left out. */
  totalMin: z.number().min(3).max(300).optional(),
})
export type Steriliser = z.infer<typeof steriliser>

export const cassette = z.strictObject({
  id: id(40),
  type: z.enum(cassetteTypes),
  name: text(60),
})
export type Cassette = z.infer<typeof cassette>

export const instruments = z.strictObject({
  cassettes: z.array(cassette).max(400).default([]),
  sterilisers: z.array(steriliser).max(12).default([]),
  /** Minutes of each stretch of the way back. Starting values, common practice. */
  way: z
    .strictObject({
      handOverMin: minutes.default(10),
      washMin: minutes.default(30),
      packMin: minutes.default(5),
      coolMin: minutes.default(15),
    })
    .prefault({}),
  /** Times of day at which whatever is packed is run; a full load is run at once. */
  runsAt: z.array(timeOfDay).max(24).default(['12:30', '17:00']),
  /** Minutes before its visit by which a cassette has to be there. */
  layUpMin: minutes.default(10),
  sporeEveryDays: z.number().int().min(1).max(31).default(7),
})
export type Instruments = z.infer<typeof instruments>

/**
 * Minutes a load takes in a steriliser, door to door.
 * @example cycleMin({ cycle: 'pre-vacuum 134', totalMin: 40 }) // 40
 */
export const cycleMin = (s: Pick<Steriliser, 'cycle' | 'totalMin'>): number =>
  s.totalMin ?? cycleTable[s.cycle].exposureMin + cycleTable[s.cycle].aroundMin

/**
 * The types of cassette a plan lays open; what stands by comes back unopened.
 * @example cassettesOf([{ cassette: 'crown', readiness: 'standby' }]) // []
 */
export const cassettesOf = (setup: readonly { cassette?: string; readiness: string }[]): CassetteType[] =>
  cassetteTypes.filter((t) => setup.some((l) => l.cassette === t && l.readiness === 'open'))
