/** A steriliser that is none: it sends the log of a cycle as a device would, also of a bad cycle or a broken line. For demo and tests. */
import { writeSteriliserLog } from '../../core/formats/steriliser-log'
import type { LogReading } from '../../core/measure/load'
import { cycleTable, type CycleName } from '../../core/practice/instruments'

export const faults = ['none', 'too cold', 'too short', 'cut off', 'garbled'] as const
export type Fault = (typeof faults)[number]

const everyS = 10
const roomC = 22
const openC = 78
/** Saturated steam: 121 °C at about 104 kPa gauge, 132 °C at about 186; linear between is near enough for a stand-in. */
const gaugeKPa = (celsius: number): number => Math.max(0, 104 + ((celsius - 121) * (186 - 104)) / 11)

export function simulatedReadings(cycle: CycleName, fault: Fault = 'none'): LogReading[] {
  const { temperatureC, exposureMin, aroundMin } = cycleTable[cycle]
  const peak = temperatureC + (fault === 'too cold' ? -2.4 : 1.2)
  const heatS = aroundMin * 60 * 0.35
  const holdS = exposureMin * 60 * (fault === 'too short' ? 0.5 : 1) + 40
  const dryS = aroundMin * 60 * 0.65
  const out: LogReading[] = []
  for (let at = 0; at <= heatS + holdS + dryS; at += everyS) {
    const ripple = 0.3 * Math.sin(at / 37)
    const c =
      at < heatS
        ? roomC + (peak - roomC) * (at / heatS)
        : at <= heatS + holdS
          ? peak + ripple
          : peak - (peak - openC) * ((at - heatS - holdS) / dryS)
    // The pre-vacuum cycle draws the air out in pulses before it heats.
    const pulse = cycle.startsWith('pre-vacuum') && at < heatS * 0.6 ? -80 * Math.abs(Math.sin(at / 90)) : 0
    out.push({ atS: at, temperatureC: Math.round(c * 10) / 10, pressureKPa: Math.round(c > 100 ? gaugeKPa(c) : pulse) })
    if (fault === 'cut off' && at > heatS + holdS / 2) break
  }
  return out
}

/** The text the device would send. */
export function simulatedLog(cycle: CycleName, fault: Fault = 'none'): string {
  const text = writeSteriliserLog(simulatedReadings(cycle, fault))
  return fault === 'garbled'
    ? text.replace(/\n(\d+),(\d+)/g, (line, at: string) => (Number(at) === 600 ? '\n6�0,#!' : line))
    : text
}
