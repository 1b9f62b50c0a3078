/**
 * The day as iCalendar (RFC 5545), out and in. What comes in is read whole: zones by name or by their own definition,
 * recurring events on the day asked for, cancelled ones as such; what is no appointment of the day is named with why.
 */
import { messageOf, sure } from '../sure'
import { oneLine } from '../bounded'
import ICAL from 'ical.js'
import { Temporal } from 'temporal-polyfill'
import { plainDate } from '../clock'

// RFC 5545, 3.1: lines of at most 75 octets. The library does not count the blank a folded line begins with.
ICAL.foldLength = 74

/** What makes a calendar's entry known again as a visit. */
const own = '@jade-tray'

export interface CalendarVisit {
  id: string
  startsAt: number
  endsAt: number
  /** Patient, teeth, kind, in that order. */
  summary: string
  chair: string
  team: string
}

/** @param stampedAt ms since the epoch; the same day at the same stamp gives the same text */
export function dayToIcal(visits: readonly CalendarVisit[], name: string, stampedAt: number): string {
  const calendar = new ICAL.Component(['vcalendar', [], []])
  calendar.updatePropertyWithValue('version', '2.0')
  calendar.updatePropertyWithValue('prodid', '-//Jade Tray//Day//EN')
  // The library writes a property that it does not know as it is: a line break in it would begin another one.
  calendar.updatePropertyWithValue('x-wr-calname', oneLine(name))
  const utc = (ms: number): ICAL.Time => ICAL.Time.fromJSDate(new Date(Math.round(ms / 1000) * 1000), true)
  for (const v of visits) {
    const event = new ICAL.Component('vevent')
    event.updatePropertyWithValue('uid', `${v.id}${own}`)
    event.updatePropertyWithValue('dtstamp', utc(stampedAt))
    event.updatePropertyWithValue('dtstart', utc(v.startsAt))
    event.updatePropertyWithValue('dtend', utc(v.endsAt))
    event.updatePropertyWithValue('summary', v.summary)
    event.updatePropertyWithValue('location', v.chair)
    event.updatePropertyWithValue('description', v.team)
    calendar.addSubcomponent(event)
  }
  return `${calendar.toString()}\r\n`
}

export interface CalendarEvent {
  uid: string
  /** The visit it is, where it came from here. */
  visitId?: string
  startsAt: number
  endsAt: number
  summary: string
  location: string
  cancelled: boolean
}
export interface CalendarRead {
  events: CalendarEvent[]
  /** Entries that are no appointments of this day, and why. */
  left: { summary: string; why: string }[]
}

const known = (zone: string): boolean => {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: zone }))
  } catch {
    return false
  }
}

/** Entries of one file: what a practice of four chairs has in a year. */
const mostEntries = 5_000

/** Days of a recurring event looked through at the most. */
const mostOccurrences = 5_000

function read(calendar: ICAL.Component, day: string, zone: string): CalendarRead {
  const zones = new Map(
    calendar
      .getAllSubcomponents('vtimezone')
      .map((z) => [String(z.getFirstPropertyValue('tzid')), new ICAL.Timezone(z)]),
  )
  const out: CalendarRead = { events: [], left: [] }
  const events = calendar
    .getAllSubcomponents('vevent')
    .map((component) => ({ component, event: new ICAL.Event(component) }))
  const series = new Map<string, ICAL.Event>()
  for (const { event } of events)
    if (!event.isRecurrenceException() && !series.has(event.uid)) series.set(event.uid, event)
  // One occurrence moved or cancelled by hand stands in the calendar beside its series.
  for (const { event } of events) if (event.isRecurrenceException()) series.get(event.uid)?.relateException(event)
  for (const { component, event } of events) {
    const summary = event.summary ?? ''
    const leave = (why: string): void => void out.left.push({ summary, why })
    if (event.isRecurrenceException() && series.has(event.uid)) continue
    if (!component.hasProperty('dtstart')) {
      leave('it has no beginning')
      continue
    }
    if (event.startDate.isDate) {
      leave('it takes the whole day')
      continue
    }
    const tzid = sure(component.getFirstProperty('dtstart')).getFirstParameter('tzid')
    const ms = (time: ICAL.Time): number => {
      if (time.zone === ICAL.Timezone.utcTimezone) return time.toJSDate().getTime()
      const defined = tzid ? zones.get(tzid) : undefined
      if (tzid && !known(tzid) && defined)
        return (
          ICAL.Time.fromData(
            {
              year: time.year,
              month: time.month,
              day: time.day,
              hour: time.hour,
              minute: time.minute,
              second: time.second,
            },
            defined,
          ).toUnixTime() * 1000
        )
      // A zone by its name, else the wall where the practice is.
      return Temporal.PlainDateTime.from({
        year: time.year,
        month: time.month,
        day: time.day,
        hour: time.hour,
        minute: time.minute,
        second: time.second,
      }).toZonedDateTime(tzid && known(tzid) ? tzid : zone).epochMilliseconds
    }
    const add = (item: ICAL.Event, start: ICAL.Time, end: ICAL.Time): void => {
      const startsAt = ms(start)
      if (plainDate(startsAt, zone) !== day) return
      const endsAt = Math.max(startsAt, ms(end))
      const status = String(item.component.getFirstPropertyValue('status') ?? '').toUpperCase()
      out.events.push({
        uid: event.uid,
        ...(event.uid?.endsWith(own) ? { visitId: event.uid.slice(0, -own.length) } : {}),
        startsAt,
        endsAt,
        summary: item.summary ?? summary,
        location: item.location ?? '',
        cancelled: status === 'CANCELLED',
      })
    }
    const before = out.events.length
    if (event.isRecurring()) {
      const steps = event.iterator()
      const stop = ICAL.Time.fromDateString(Temporal.PlainDate.from(day).add({ days: 2 }).toString())
      for (
        let n = 0, next = steps.next();
        next && n < mostOccurrences && next.compare(stop) < 0;
        n++, next = steps.next()
      ) {
        const { item, startDate, endDate } = event.getOccurrenceDetails(next)
        add(item, startDate, endDate)
      }
    } else add(event, event.startDate, event.endDate)
    if (out.events.length === before) leave('it is not on this day')
  }
  out.events.sort((a, b) => a.startsAt - b.startsAt || a.summary.localeCompare(b.summary))
  return out
}

/**
 * What a calendar says of a day.
 * @param day plain date in `zone`; times without a zone are the wall's there
 * @returns the events of the day by their start, or what is wrong with the text
 * @example readCalendar('no calendar', '2026-11-26', 'Etc/UTC').error.slice(0, 32) // 'this calendar cannot be read: in'
 */
export function readCalendar(text: string, day: string, zone: string): CalendarRead | { error: string } {
  // Counted before it is taken apart: how long that takes grows faster than the file.
  const entries = text.match(/^BEGIN:VEVENT/gim)?.length ?? 0
  if (entries > mostEntries)
    return {
      error: `this calendar has ${entries} entries; ${mostEntries} are read at once. Hand out a shorter time of it, a month or a year`,
    }
  try {
    const first = new ICAL.Component(ICAL.parse(text))
    if (first.name !== 'vcalendar') return { error: 'this is no calendar: it does not begin with BEGIN:VCALENDAR' }
    return read(first, day, zone)
  } catch (e) {
    return { error: `this calendar cannot be read: ${messageOf(e).slice(0, 160)}` }
  }
}

export type CalendarRow =
  | { kind: 'same'; event: CalendarEvent; visitId: string }
  | { kind: 'moved'; event: CalendarEvent; visitId: string; byMs: number; chairId?: string }
  | { kind: 'cancelled'; event: CalendarEvent; visitId: string }
  | { kind: 'begun'; event: CalendarEvent; visitId: string }
  | { kind: 'new'; event: CalendarEvent; chairId?: string }

/**
 * What a calendar's day would change; visits the calendar does not name stay as they are.
 * @example compareCalendar([], [], []) // []
 */
export function compareCalendar(
  events: readonly CalendarEvent[],
  visits: readonly { id: string; startsAt: number; chairId: string; begun: boolean }[],
  chairs: readonly { id: string; name: string }[],
): CalendarRow[] {
  return events.flatMap((event): CalendarRow[] => {
    const visit = visits.find((v) => v.id === event.visitId)
    const chair = chairs.find((c) => c.name.toLowerCase() === event.location.trim().toLowerCase())
    if (!visit) return event.cancelled ? [] : [{ kind: 'new', event, ...(chair ? { chairId: chair.id } : {}) }]
    const byMs = event.startsAt - visit.startsAt
    const elsewhere = chair !== undefined && chair.id !== visit.chairId
    if (!event.cancelled && byMs === 0 && !elsewhere) return [{ kind: 'same', event, visitId: visit.id }]
    if (visit.begun) return [{ kind: 'begun', event, visitId: visit.id }]
    return event.cancelled
      ? [{ kind: 'cancelled', event, visitId: visit.id }]
      : [{ kind: 'moved', event, visitId: visit.id, byMs, ...(elsewhere ? { chairId: chair.id } : {}) }]
  })
}
