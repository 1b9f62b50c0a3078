/** A practice calendar that is none: it has the day's visits, one moved, one cancelled, a new one, and what every calendar has besides. */
import { dayToIcal, type CalendarVisit } from '../../core/formats/ical'

const minute = 60_000

/** The feed's text. Of the visits that lie ahead the last but one is a quarter of an hour later, the last is cancelled. */
export function simulatedFeed(visits: readonly CalendarVisit[], day: string, zone: string, now: number): string {
  const ahead = visits.filter((v) => v.startsAt > now)
  const [moved, gone] = [ahead.at(-2), ahead.at(-1)]
  const own = visits.map((v) =>
    v === moved ? { ...v, startsAt: v.startsAt + 15 * minute, endsAt: v.endsAt + 15 * minute } : v,
  )
  const text = dayToIcal(own, 'Appointments', now)
  const plain = day.replaceAll('-', '')
  const cancelled = gone ? text.replace(`UID:${gone.id}@jade-tray\r\n`, (line) => `${line}STATUS:CANCELLED\r\n`) : text
  const further = [
    'BEGIN:VEVENT',
    'UID:ap-2291',
    `DTSTAMP:${plain}T060000Z`,
    `DTSTART;TZID=${zone}:${plain}T163000`,
    `DTEND;TZID=${zone}:${plain}T171500`,
    'SUMMARY:Ferdinand Oss\\, crown upper left',
    'LOCATION:Chair 3',
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:ap-holiday',
    `DTSTAMP:${plain}T060000Z`,
    `DTSTART;VALUE=DATE:${plain}`,
    'SUMMARY:Holiday of the front desk',
    'END:VEVENT',
  ].join('\r\n')
  return cancelled.replace('END:VCALENDAR', `${further}\r\nEND:VCALENDAR`)
}
