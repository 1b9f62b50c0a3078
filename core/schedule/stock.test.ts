import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { item, type Lot } from '../catalog/item'
import { orderCsv, stockForecast, takeOff, without } from './stock'

const paste = item.parse({
  id: 'paste',
  name: 'Paste',
  family: 'impression',
  serves: ['paste'],
  lengthMm: 1,
  widthMm: 1,
  reusable: false,
  unit: 'mL',
  tracked: true,
})
const cap = item.parse({ ...paste, id: 'cap', name: '=Cap', unit: 'piece' })
const lot = (number: string, expires: string, left: number, opened = false, itemId = 'paste'): Lot => ({
  id: number,
  itemId,
  number,
  expires,
  left,
  opened,
})
const need = (date: string, amount: number, visitId = date, itemId = 'paste') => ({ itemId, date, visitId, amount })

describe('lots and coming plans', () => {
  it('takes the opened first, then the earliest to expire, none out of date: added up by hand', () => {
    const lots = [
      lot('C', '2027-05-01', 20),
      lot('B', '2026-12-10', 10),
      lot('A', '2027-01-01', 4, true),
      lot('old', '2026-11-01', 50),
    ]
    expect(takeOff(lots, 'paste', 12, '2026-11-25')).toEqual({
      taken: [
        { lotId: 'A', amount: 4 },
        { lotId: 'B', amount: 8 },
      ],
      missing: 0,
    })
    expect(takeOff(lots, 'paste', 40, '2026-12-20')).toEqual({
      taken: [
        { lotId: 'A', amount: 4 },
        { lotId: 'C', amount: 20 },
      ],
      missing: 16,
    })
  })
  it('says on which day it does not suffice and for whom, what expires unused, and orders a quarter over', () => {
    const lots = [lot('A', '2026-11-26', 30), lot('B', '2027-05-01', 12, true)]
    const [line] = stockForecast(
      [paste],
      lots,
      [need('2026-11-30', 8, 'c'), need('2026-11-25', 10, 'a'), need('2026-11-28', 6, 'b')],
      '2026-11-25',
      '2026-12-01',
    )
    // The 25th: 10 off the opened B. The 28th: A has expired, B gives its last 2 of 6. The 30th: nothing of 8.
    expect(line).toMatchObject({
      left: 42,
      needed: 24,
      short: { date: '2026-11-28', visitId: 'b', by: 12 },
      wasted: [{ number: 'A', expires: '2026-11-26', amount: 30 }],
      opened: [{ number: 'B', left: 12 }],
      order: 18,
    })
  })
  it('never takes what is not there, and loses nothing: lots, whatever they hold, add up', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            left: fc.integer({ min: 0, max: 400 }),
            day: fc.integer({ min: 10, max: 28 }),
            opened: fc.boolean(),
          }),
          { maxLength: 6 },
        ),
        fc.integer({ min: 0, max: 900 }),
        (lots, tenths) => {
          const own = lots.map((l, i) => lot(`L${i}`, `2026-11-${l.day}`, l.left / 10, l.opened))
          const { taken, missing } = takeOff(own, 'paste', tenths / 10, '2026-11-20')
          expect(taken.reduce((sum, x) => sum + x.amount, 0) + missing).toBeCloseTo(tenths / 10, 6)
          const after = without(own, taken)
          for (const [i, l] of own.entries()) {
            expect(after[i]!.left).toBeGreaterThanOrEqual(0)
            if (l.expires < '2026-11-20') expect(after[i]).toEqual(l)
          }
          if (missing > 0) expect(after.filter((l) => l.expires >= '2026-11-20').every((l) => l.left === 0)).toBe(true)
        },
      ),
    )
  })
  it('is written as CSV that a general reader reads back, whole pieces ordered, formulas harmless', () => {
    const lines = stockForecast(
      [paste, cap],
      [lot('A', '2027-01-01', 1, false, 'cap')],
      [need('2026-11-25', 3, 'v', 'cap')],
      '2026-11-25',
      '2026-12-25',
    )
    const { data } = Papa.parse<Record<string, string>>(orderCsv(lines).replace('\uFEFF', ''), {
      header: true,
      skipEmptyLines: true,
    })
    // Two are missing and a quarter of three on top: three whole ones. The paste, which nobody needs, is not ordered.
    expect(data).toEqual([
      { item: 'cap', name: "'=Cap", order: '3', unit: 'piece', left: '1', needed: '3', 'short on': '2026-11-25' },
    ])
  })
})
