import { Temporal } from 'temporal-polyfill'

/**
 * '09:41' in the practice's zone, from ms since the epoch.
 * @example timeOfDay(now, 'Europe/Vienna') // '10:00'
 */
export function timeOfDay(ms: number, zone: string): string {
  const t = Temporal.Instant.fromEpochMilliseconds(Math.round(ms)).toZonedDateTimeISO(zone)
  return `${String(t.hour).padStart(2, '0')}:${String(t.minute).padStart(2, '0')}`
}

/**
 * The plain date, 'YYYY-MM-DD', in the practice's zone.
 * @example plainDate(now, 'Etc/UTC') // '2026-11-26'
 */
export function plainDate(ms: number, zone: string): string {
  return Temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO(zone).toPlainDate().toString()
}

/**
 * Ms since the epoch of a wall time on a date in a zone; 'compatible' where a clock change makes it twice or never.
 * @example wallTime('2026-11-26', '10:00', 'Europe/Vienna') === now // true
 */
export function wallTime(date: string, time: string, zone: string): number {
  return Temporal.PlainDate.from(date).toZonedDateTime({ timeZone: zone, plainTime: Temporal.PlainTime.from(time) })
    .epochMilliseconds
}

/**
 * Whether a wall time is one on this date: where the clocks go forward an hour of it is not.
 * @example isWallTime('2026-03-29', '02:30', 'Europe/Vienna') // false
 */
export const isWallTime = (date: string, time: string, zone: string): boolean =>
  timeOfDay(wallTime(date, time, zone), zone) === time

/**
 * '3 min 05 s', or '45 s'.
 * @example spanWords(185) // '3 min 05 s'
 */
export function spanWords(seconds: number): string {
  const s = Math.max(0, Math.round(seconds))
  return s < 60 ? `${s} s` : `${Math.floor(s / 60)} min ${String(s % 60).padStart(2, '0')} s`
}

/**
 * The working day so many days (Monday to Friday) after a plain date. Local holidays are the practice's to mind.
 * @example workingDaysAfter('2026-11-26', 2) // '2026-11-30'
 */
export function workingDaysAfter(date: string, days: number): string {
  let day = Temporal.PlainDate.from(date)
  for (let left = days; left > 0;) {
    day = day.add({ days: 1 })
    if (day.dayOfWeek <= 5) left -= 1
  }
  return day.toString()
}
