import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkDigitHolds, readScan, type Scan } from './gs1'

const read = (text: string): Scan => {
  const scan = readScan(text, 2026)
  if ('error' in scan) throw new Error(scan.error)
  return scan
}

describe('what a scanner reads from a box', () => {
  // P: GS1 General Specifications, the example product 09506000134352 with expiry and lot.
  it('reads product, expiry and lot, with brackets or with the marks a scanner sends', () => {
    const expected = { gtin: '09506000134352', expires: '2029-09-30', lot: 'ABC123' }
    for (const text of [
      '(01)09506000134352(17)290930(10)ABC123',
      ']d201095060001343521729093010ABC123',
      '\u001d010950600013435210ABC123\u001d17290930',
      ']C10109506000134352\u001d1729093010ABC123',
    ])
      expect(read(text)).toMatchObject(expected)
  })
  // From memory of the same specification: lengths of the fields this program has no use for.
  it('T24 reads past what a box says besides: count, best before, packed on, variants, internal fields', () => {
    const base = { gtin: '09506000134352', lot: 'ABC123' }
    expect(read(']d201095060001343521729093010ABC123\u001d3750')).toMatchObject({ ...base, expires: '2029-09-30' })
    expect(read(']d20109506000134352132601011529093010ABC123\u001d91PLANT-7\u001d240X-1')).toMatchObject({
      ...base,
      expires: '2029-09-30',
    })
    expect(read('(01)09506000134352(17)290930(15)280101(10)ABC123(37)50(91)A')).toMatchObject({
      ...base,
      expires: '2029-09-30',
    })
  })
  // P: same; day 00 is the last of the month, leap years too.
  it('takes day 00 as the last of the month', () => {
    expect(['280200', '270200', '301200'].map((d) => read(`(17)${d}`).expires)).toEqual([
      '2028-02-29',
      '2027-02-28',
      '2030-12-31',
    ])
  })
  it('says what is wrong: a check digit, a month 13, a day that is not, a field cut short', () => {
    const wrong = (text: string): string => {
      const read = readScan(text, 2026)
      return 'error' in read ? read.error : 'read'
    }
    expect(wrong('(01)09506000134353')).toContain('check digit')
    expect(wrong('(17)291330')).toContain('no such day')
    expect(wrong('(17)290231')).toContain('no such day')
    expect(wrong('17290931')).toContain('no such day')
    expect(wrong(`]C110${'A'.repeat(21)}`)).toContain('21 characters')
    expect(wrong('0109506000134352891')).toContain('(89)')
    expect(wrong('  ')).toContain('nothing')
  })
  it('any one digit changed, or two unlike neighbours exchanged (but by 5), is noticed', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^\d{13}$/), fc.nat(13), fc.integer({ min: 1, max: 9 }), (body, at, by) => {
        const good = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map((d) => `${body}${d}`).find(checkDigitHolds)!
        const changed = good
          .split('')
          .map((d, i) => (i === at ? String((Number(d) + by) % 10) : d))
          .join('')
        expect(checkDigitHolds(changed)).toBe(false)
      }),
    )
  })
  it('the same field twice with two values is asked for again; digits that only begin like a field are a label', () => {
    expect(readScan('(17)290930(17)280930', 2026)).toEqual({
      error: expect.stringContaining('field (17) stands there twice'),
    })
    expect(readScan('(17)290930(17)290930', 2026)).toMatchObject({ expires: '2029-09-30' })
    expect(readScan('1012345678', 2026)).toEqual({ code: '1012345678' })
    expect(readScan(']C11012345678', 2026)).toMatchObject({ lot: '12345678' })
  })
  it('an own label is kept as it is; a bare product number is filled up', () => {
    expect(read('TRAY-mirror')).toEqual({ code: 'TRAY-mirror' })
    expect(read('9506000134352')).toEqual({ code: '9506000134352', gtin: '09506000134352' })
  })
})
