import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { families, item, type Item } from '../catalog/item'
import { starterItems } from '../catalog/starter'
import { itemColumns, itemsToCsv, previewItems } from './items-csv'

const anyItem: fc.Arbitrary<Item> = fc
  .record({
    id: fc.stringMatching(/^[a-z][a-z0-9-]{0,12}$/),
    name: fc
      .string({ minLength: 1, maxLength: 40 })
      .map((s) => s.trim())
      .filter((s) => s.length > 0 && !s.startsWith("'")),
    family: fc.constantFrom(...families),
    serves: fc.uniqueArray(fc.stringMatching(/^[a-z][a-z .]{0,15}[a-z]$/), { minLength: 1, maxLength: 3 }),
    lengthMm: fc.integer({ min: 1, max: 300 }),
    widthMm: fc.integer({ min: 1, max: 300 }),
    reusable: fc.boolean(),
    counted: fc.constantFrom(undefined, 'patient', 'tooth', 'act'),
    latex: fc.boolean(),
    tracked: fc.boolean(),
    stock: fc.nat(999),
    workingS: fc.option(fc.integer({ min: 1, max: 600 }), { nil: undefined }),
  })
  .map((x) => item.parse(Object.fromEntries(Object.entries(x).filter(([, v]) => v !== undefined))))

describe('the list as CSV', () => {
  it('comes back the same, whatever stands in the names: quotes, commas, line ends, formulas', () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyItem, { selector: (i) => i.id, maxLength: 12 }), (items) => {
        expect(previewItems(itemsToCsv(items), items).count).toEqual({
          new: 0,
          changed: 0,
          same: items.length,
          wrong: 0,
        })
        expect(previewItems(itemsToCsv(items), []).rows.map((r) => r.item)).toEqual(items)
      }),
    )
    expect(previewItems(itemsToCsv(starterItems), starterItems).count.same).toBe(starterItems.length)
  })
  it('has a column for every field of an item', () => {
    expect([...itemColumns].toSorted()).toEqual(Object.keys(item.shape).toSorted())
  })
  it('never hands a spreadsheet a formula', () => {
    const [row] = Papa.parse<string[]>(
      itemsToCsv([{ ...starterItems[0]!, name: '=HYPERLINK("http://x")' }]).slice(1),
    ).data.slice(1)
    expect(row![1]).toBe('\'=HYPERLINK("http://x")')
  })
  it('tells new, changed with what changes, the same, and wrong with what would be right', () => {
    const mirror = starterItems.find((i) => i.id === 'mirror')!
    const csv = [
      'id,name,family,serves,lengthMm,widthMm,reusable,stock',
      'mirror,Mouth mirror,diagnostic,mirror,165,22,yes,4',
      'lamp,Head lamp,diagnostic,magnifier,"120,5",60,yes,1',
      'spoon,Golden spoon,cutlery,spoon,100,20,perhaps,1',
      'lamp,Second lamp,diagnostic,magnifier,120,60,yes,1',
      'tray,Tray,dam,,x,20,yes,1',
    ].join('\n')
    const { rows, count } = previewItems(csv, [mirror])
    expect(count).toEqual({ new: 1, changed: 1, same: 0, wrong: 3 })
    expect(rows.map((r) => [r.line, r.state])).toEqual([
      [2, 'changed'],
      [3, 'new'],
      [4, 'wrong'],
      [5, 'wrong'],
      [6, 'wrong'],
    ])
    expect(rows[0]!.says).toBe('stock 20 → 4')
    expect(rows[1]!.item!.lengthMm).toBe(120.5)
    expect(rows[2]!.says).toMatch(/family: .*diagnostic.*; reusable:/)
    expect(rows[3]!.says).toBe('id: "lamp" stands in line 3 already')
    expect(rows[4]!.says).toMatch(/serves.*lengthMm/)
  })
  it('says which columns are missing, and takes nothing from a file that is none', () => {
    expect(previewItems('id;name\n1;2', [])).toMatchObject({ error: expect.stringContaining('missing:'), rows: [] })
    expect(previewItems('', []).error).toContain('missing: id, name')
  })
})
