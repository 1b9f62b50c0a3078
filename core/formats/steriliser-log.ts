/**
 * A steriliser's own readings as it sends them: a heading, then a line for each reading, seconds from the start, degrees
 * Celsius, gauge kilopascals. What cannot be read is named by its line; nothing is guessed.
 */
import { firstOf, sure } from '../sure'
import Papa from 'papaparse'
import type { LogReading } from '../measure/load'

const heading = ['seconds', 'celsius', 'kilopascal']
/** One reading a second for three hours; more is not a log. */
const mostLines = 11_000

/** @example writeSteriliserLog([{ atS: 0, temperatureC: 20, pressureKPa: 0 }]).split("\n")[1] // '0,20,0' */
export const writeSteriliserLog = (readings: readonly LogReading[]): string =>
  [heading.join(','), ...readings.map((r) => [r.atS, r.temperatureC, r.pressureKPa].join(',')), ''].join('\n')

/** As a person can read it and a database can keep it. */
const shown = (text: string): string => text.slice(0, 60).replaceAll(/[^\x20-\x7e]/g, '·')

/**
 * The readings, or what is wrong with the text and where.
 * @example readSteriliserLog('') // { fault: 'the log is empty' }
 */
export function readSteriliserLog(text: string): { readings: LogReading[] } | { fault: string } {
  const { data } = Papa.parse<string[]>(text.trim(), { delimiter: ',' })
  if (data.length === 0 || firstOf(data).every((c) => c.trim() === '')) return { fault: 'the log is empty' }
  if (data.length > mostLines) return { fault: `the log has ${data.length} lines; no cycle has so many` }
  if (
    firstOf(data)
      .map((c) => c.trim().toLowerCase())
      .join() !== heading.join()
  )
    return { fault: `line 1 should read "${heading.join(',')}", it reads "${shown(firstOf(data).join(','))}"` }
  const readings: LogReading[] = []
  for (const [i, cells] of data.slice(1).entries()) {
    const [atS, temperatureC, pressureKPa] = cells.map((c) => (c.trim() === '' ? Number.NaN : Number(c)))
    const whole =
      cells.length === heading.length &&
      [atS, temperatureC, pressureKPa].every((n) => n !== undefined && Number.isFinite(n))
    if (!whole) return { fault: `line ${i + 2} cannot be read: "${shown(cells.join(','))}"` }
    const before = readings.at(-1)
    if (before && sure(atS) <= before.atS) return { fault: `line ${i + 2}: time goes from ${before.atS} s to ${atS} s` }
    if (sure(temperatureC) < -20 || sure(temperatureC) > 200)
      return { fault: `line ${i + 2}: ${temperatureC} °C is no temperature of a steriliser` }
    readings.push({ atS: sure(atS), temperatureC: sure(temperatureC), pressureKPa: sure(pressureKPa) })
  }
  return readings.length === 0 ? { fault: 'the log has a heading and no readings' } : { readings }
}
