/** Whether a steriliser's own readings say that its load was held hot enough for long enough. */
import { lastOf } from '../sure'
import { reason, round, type Reason } from '../figure'
import { cycleSource, cycleTable, type CycleName } from '../practice/instruments'

export interface LogReading {
  /** Seconds from the start of the cycle. */
  atS: number
  temperatureC: number
  /** Gauge pressure. */
  pressureKPa: number
}
export interface LoadJudgement {
  good: boolean
  because: Reason
  /** Longest unbroken stretch at or above the temperature, seconds. */
  heldS: number
  hottestC: number
}

/** A gap between readings longer than this proves nothing about what lay between, seconds. */
const longestGapS = 30

/**
 * Judges the readings of one cycle. A stretch counts only between readings that are both hot enough and close together; a
 * log that ends hot has been cut off. It advises: who releases a load looks at the indicator, too.
 */
export function judgeLoad(cycle: CycleName, readings: readonly LogReading[]): LoadJudgement {
  const { temperatureC, exposureMin } = cycleTable[cycle]
  let [held, open] = [0, 0]
  for (const [i, r] of readings.entries()) {
    const before = readings[i - 1]
    const hot = r.temperatureC >= temperatureC
    const joined =
      before !== undefined && before.temperatureC >= temperatureC && hot && r.atS - before.atS <= longestGapS
    open = joined ? open + r.atS - before.atS : 0
    held = Math.max(held, open)
  }
  const hottestC = readings.reduce((most, r) => Math.max(most, r.temperatureC), -Infinity)
  const wanted = exposureMin * 60
  const say = (good: boolean, text: string): LoadJudgement => ({
    good,
    because: reason(text, 'P', cycleSource),
    heldS: held,
    hottestC,
  })
  if (readings.length < 2) return say(false, 'no readings: nothing shows that it was hot')
  if (lastOf(readings).temperatureC >= temperatureC)
    return say(
      false,
      `the readings break off at ${round(lastOf(readings).temperatureC, 1)} °C, before the end of the cycle`,
    )
  if (hottestC < temperatureC) return say(false, `never hotter than ${round(hottestC, 1)} °C of ${temperatureC}`)
  if (held < wanted) return say(false, `${round(held / 60, 1)} min at ${temperatureC} °C or more, of ${exposureMin}`)
  return say(
    true,
    `${round(held / 60, 1)} min at ${temperatureC} °C or more; ${exposureMin} are wanted for wrapped instruments`,
  )
}
