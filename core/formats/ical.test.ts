import fc from 'fast-check'
import nodeIcal, { type VEvent } from 'node-ical'
import { describe, expect, it } from 'vitest'
import { compareCalendar, dayToIcal, readCalendar, type CalendarRead, type CalendarVisit } from './ical'

const day = '2026-11-25'
const at = (time: string): number => Date.parse(`${day}T${time}:00Z`)
const visits: CalendarVisit[] = [
  {
    id: `${day}-one`,
    startsAt: at('09:00'),
    endsAt: at('10:31'),
    summary: 'Pell, Marguerite; 37 (LL7), crown\nfirst visit',
    chair: 'Chair 1',
    team: 'Dr Orrell, Juno',
  },
  {
    id: `${day}-two`,
    startsAt: at('09:10'),
    endsAt: at('10:43'),
    summary: 'Tolland: 11 (UR1) – “ceramic” \\ é漢',
    chair: 'Chair 2',
    team: 'a very long line '.repeat(12).trim(),
  },
]
const calendar = (...lines: string[]): string =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//test//EN', ...lines, 'END:VCALENDAR', ''].join('\r\n')
const event = (...lines: string[]): string[] => [
  'BEGIN:VEVENT',
  'UID:e1',
  'DTSTAMP:20261101T000000Z',
  ...lines,
  'END:VEVENT',
]
const read = (text: string, on = day, zone = 'Etc/UTC'): CalendarRead => {
  const got = readCalendar(text, on, zone)
  if ('error' in got) throw new Error(got.error)
  return got
}

describe('the day as iCalendar', () => {
  it('is read by another program’s parser as it was meant (node-ical), lines folded at 75 octets and ended as RFC 5545 asks', () => {
    const text = dayToIcal(visits, 'Quillwater', at('07:00'))
    for (const line of text.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75)
    const other = Object.values(nodeIcal.sync.parseICS(text)).filter((e): e is VEvent => e?.type === 'VEVENT')
    expect(
      other.map((e) => ({
        id: e.uid.replace('@jade-tray', ''),
        startsAt: e.start.getTime(),
        endsAt: e.end!.getTime(),
        summary: e.summary,
        chair: e.location,
        team: e.description,
      })),
    ).toEqual(visits)
  })
  it('comes back the same, whatever stands in the names', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            name: fc.string({ minLength: 1, maxLength: 200, unit: 'grapheme' }),
            from: fc.integer({ min: 0, max: 200 }),
            length: fc.integer({ min: 5, max: 180 }),
          }),
          { maxLength: 6 },
        ),
        (list) => {
          const own = list.map((x, i) => ({
            id: `v${i}`,
            startsAt: at('07:00') + x.from * 60_000,
            endsAt: at('07:00') + (x.from + x.length) * 60_000,
            summary: x.name.replaceAll(/\p{Cc}|\p{Zl}|\p{Zp}/gu, ' '),
            chair: 'Chair 1',
            team: '',
          }))
          const { events } = read(dayToIcal(own, 'P', at('07:00')))
          expect(new Map(events.map((e) => [e.visitId, [e.startsAt, e.endsAt, e.summary]]))).toEqual(
            new Map(own.map((v) => [v.id, [v.startsAt, v.endsAt, v.summary]])),
          )
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('a calendar from elsewhere', () => {
  it('is read in its zone: by UTC, by a zone’s name, by a zone of its own, by the practice’s wall', () => {
    const starts = (zone: string, ...lines: string[]): number => read(calendar(...lines), day, zone).events[0]!.startsAt
    expect(starts('Europe/Vienna', ...event('DTSTART:20261125T080000Z', 'DTEND:20261125T083000Z'))).toBe(at('08:00'))
    expect(starts('Etc/UTC', ...event('DTSTART;TZID=Europe/Vienna:20261125T090000', 'DURATION:PT30M'))).toBe(
      at('08:00'),
    )
    expect(starts('Europe/Vienna', ...event('DTSTART:20261125T090000', 'DTEND:20261125T093000'))).toBe(at('08:00'))
    // The time zone component of RFC 5545, 3.6.5, for New York from 2007 on, under a name nobody knows.
    const eastern = [
      'BEGIN:VTIMEZONE',
      'TZID:Our East',
      'BEGIN:STANDARD',
      'DTSTART:20071104T020000',
      'RRULE:FREQ=YEARLY;BYMONTH=11;BYDAY=1SU',
      'TZOFFSETFROM:-0400',
      'TZOFFSETTO:-0500',
      'TZNAME:EST',
      'END:STANDARD',
      'BEGIN:DAYLIGHT',
      'DTSTART:20070311T020000',
      'RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=2SU',
      'TZOFFSETFROM:-0500',
      'TZOFFSETTO:-0400',
      'TZNAME:EDT',
      'END:DAYLIGHT',
      'END:VTIMEZONE',
    ]
    expect(
      starts(
        'Etc/UTC',
        ...eastern,
        ...event('DTSTART;TZID=Our East:20261125T090000', 'DTEND;TZID=Our East:20261125T100000'),
      ),
    ).toBe(at('14:00'))
    expect(
      read(
        calendar(...eastern, ...event('DTSTART;TZID=Our East:20260701T090000', 'DTEND;TZID=Our East:20260701T100000')),
        '2026-07-01',
      ).events[0]!.startsAt,
    ).toBe(Date.parse('2026-07-01T13:00:00Z'))
  })
  it('recurs on the day as the other parser says (node-ical), its moved day moved and its excluded day left out', () => {
    const series = (extra: string[] = [], ...more: string[]): string =>
      calendar(
        ...event(
          'SUMMARY:Staff',
          'DTSTART:20261102T120000Z',
          'DTEND:20261102T123000Z',
          'RRULE:FREQ=WEEKLY;BYDAY=MO,WE;COUNT=12',
          ...extra,
        ),
        ...more,
      )
    expect(read(series()).events).toMatchObject([{ summary: 'Staff', startsAt: at('12:00'), endsAt: at('12:30') }])
    const rule = Object.values(nodeIcal.sync.parseICS(series())).find((e) => e?.type === 'VEVENT')!.rrule!
    for (const on of ['2026-11-02', '2026-11-03', '2026-11-04', '2026-11-25', '2026-12-09', '2026-12-14']) {
      const other = rule.between(new Date(`${on}T00:00:00Z`), new Date(`${on}T23:59:59Z`), true).length
      expect(read(series(), on).events.length, on).toBe(other)
    }
    expect(read(series(['EXDATE:20261125T120000Z']))).toMatchObject({
      events: [],
      left: [{ why: 'it is not on this day' }],
    })
    expect(
      read(
        series(
          [],
          ...event(
            'SUMMARY:Staff, later',
            'RECURRENCE-ID:20261125T120000Z',
            'DTSTART:20261125T130000Z',
            'DTEND:20261125T133000Z',
          ),
        ),
      ).events,
    ).toMatchObject([{ summary: 'Staff, later', startsAt: at('13:00') }])
  })
  it('says what is no appointment and why, and what cannot be read, and never throws', () => {
    expect(read(calendar(...event('SUMMARY:Fair', 'DTSTART;VALUE=DATE:20261125'))).left).toEqual([
      { summary: 'Fair', why: 'it takes the whole day' },
    ])
    expect(read(calendar('BEGIN:VEVENT', 'UID:x', 'SUMMARY:No time', 'END:VEVENT')).left).toEqual([
      { summary: 'No time', why: 'it has no beginning' },
    ])
    expect(readCalendar('BEGIN:VCARD\r\nVERSION:3.0\r\nEND:VCARD\r\n', day, 'Etc/UTC')).toMatchObject({
      error: expect.stringContaining('no calendar'),
    })
    fc.assert(
      fc.property(
        fc.string({ maxLength: 60 }),
        (text) => void readCalendar(calendar(...event(`DTSTART:${text}`)), day, 'Etc/UTC'),
      ),
    )
  })
  it('is compared with the day: same, moved, to another chair, cancelled, begun, new', () => {
    const e = (id: string | undefined, startsAt: number, over = {}) => ({
      uid: id ?? 'u',
      ...(id ? { visitId: id } : {}),
      startsAt,
      endsAt: startsAt + 1,
      summary: '',
      location: '',
      cancelled: false,
      ...over,
    })
    const own = ['same', 'moved', 'chair', 'gone', 'begun'].map((id) => ({
      id,
      startsAt: at('09:00'),
      chairId: 'c1',
      begun: id === 'begun',
    }))
    const chairs = [
      { id: 'c1', name: 'Chair 1' },
      { id: 'c2', name: 'Chair 2' },
    ]
    const rows = compareCalendar(
      [
        e('same', at('09:00')),
        e('moved', at('09:20')),
        e('chair', at('09:00'), { location: 'chair 2' }),
        e('gone', at('09:00'), { cancelled: true }),
        e('begun', at('10:00')),
        e(undefined, at('15:00')),
        e(undefined, at('16:00'), { cancelled: true }),
      ],
      own,
      chairs,
    )
    expect(rows).toMatchObject([
      { kind: 'same', visitId: 'same' },
      { kind: 'moved', visitId: 'moved', byMs: 20 * 60_000 },
      { kind: 'moved', visitId: 'chair', byMs: 0, chairId: 'c2' },
      { kind: 'cancelled', visitId: 'gone' },
      { kind: 'begun', visitId: 'begun' },
      { kind: 'new' },
    ])
  })
})
