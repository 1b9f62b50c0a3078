/** Whatever a file or a scanner brings, its reader answers: none throws at any text, nor at its own with anything in it changed. */
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { starterItems } from '../catalog/starter'
import { readScan } from './gs1'
import { dayToIcal, readCalendar } from './ical'
import { itemsToCsv, previewItems } from './items-csv'
import { readSteriliserLog, writeSteriliserLog } from './steriliser-log'

const day = '2026-11-24'
const startsAt = Date.parse(`${day}T09:00:00Z`)
const items = starterItems.slice(0, 6)
const readers: [name: string, its: string, read: (text: string) => object][] = [
  ['a scanned code', '(01)09506000134352(17)290930(10)ABC123', (text) => readScan(text, 2026)],
  [
    'a calendar',
    dayToIcal(
      [{ id: 'a', startsAt, endsAt: startsAt + 3_600_000, summary: 'A', chair: 'Chair 1', team: 'B' }],
      'Day',
      startsAt,
    ),
    (text) => readCalendar(text, day, 'Etc/UTC'),
  ],
  ['a list of items', itemsToCsv(items), (text) => previewItems(text, items)],
  [
    'a steriliser’s log',
    writeSteriliserLog([
      { atS: 0, temperatureC: 20, pressureKPa: 0 },
      { atS: 10, temperatureC: 134, pressureKPa: 210 },
    ]),
    readSteriliserLog,
  ],
]

/** What files have in them where they are damaged, or meant to damage. */
const anything = fc.oneof(
  fc.string({ maxLength: 40, unit: 'binary' }),
  fc.constantFrom('\u0000', '"', '\r', '\n', ';', ',', '\ud800', '-1', '1e999', 'NaN', '__proto__', '31', '99', '🦷'),
)

it.each(readers)('%s', (_, its, read) => {
  fc.assert(fc.property(fc.string({ maxLength: 300, unit: 'binary' }), (text) => void read(text)))
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(its.length), fc.nat(20), anything), { minLength: 1, maxLength: 4 }),
      (changes) => {
        const text = changes.reduce((now, [at, cut, put]) => now.slice(0, at) + put + now.slice(at + cut), its)
        expect(read(text)).toBeTypeOf('object')
      },
    ),
    { numRuns: 200 },
  )
})
