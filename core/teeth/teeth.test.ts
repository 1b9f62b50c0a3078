import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { archPlaces, functionalCusps, neighbours } from './arch'
import { dimensions } from './dimensions'
import { allTeeth, askWhich, isTooth, readTooth, write, toQuadrant, toUniversal, writeBoth, toTooth } from './notation'
import { tooth } from './schema'

const t = toTooth

describe('notation', () => {
  // P: ISO 3950:2016 and the Universal system.
  it.each([
    ['46', '30'],
    ['11', '8'],
    ['21', '9'],
    ['38', '17'],
    ['16', '3'],
    ['18', '1'],
    ['28', '16'],
    ['48', '32'],
    ['36', '19'],
    ['55', 'A'],
    ['51', 'E'],
    ['61', 'F'],
    ['65', 'J'],
    ['75', 'K'],
    ['85', 'T'],
  ])('ISO %s is Universal %s', (iso, universal) => {
    expect(toUniversal(t(iso))).toBe(universal)
  })

  // P: quadrant-and-number notation.
  it.each([
    ['18', 'UR8'],
    ['28', 'UL8'],
    ['37', 'LL7'],
    ['48', 'LR8'],
    ['55', 'URE'],
    ['71', 'LLA'],
  ])('ISO %s is quadrant %s', (iso, quadrant) => {
    expect(toQuadrant(t(iso))).toBe(quadrant)
  })

  it('gives every tooth one name in each notation, and reads each back', () => {
    expect(new Set(allTeeth.map(toUniversal)).size).toBe(52)
    for (const tooth of allTeeth) {
      expect(readTooth(toUniversal(tooth), 'universal')).toMatchObject({ kind: 'ok', tooth })
      expect(readTooth(toQuadrant(tooth), 'iso')).toMatchObject({ kind: 'ok', tooth })
      expect(readTooth(tooth, 'iso')).toMatchObject({ kind: 'ok', tooth })
    }
  })

  // C: "14" is an upper right premolar in ISO and an upper left molar (26) in Universal.
  it('lets the practice’s own notation win and shows the other reading', () => {
    expect(readTooth('14', 'iso')).toEqual({
      kind: 'ok',
      tooth: '14',
      notation: 'iso',
      also: { tooth: '26', notation: 'universal' },
    })
    expect(readTooth('14', 'universal')).toEqual({
      kind: 'ok',
      tooth: '26',
      notation: 'universal',
      also: { tooth: '14', notation: 'iso' },
    })
    expect(readTooth('14', 'quadrant')).toMatchObject({
      kind: 'ask',
      readings: [{ tooth: '14' }, { tooth: '26' }],
    })
    // A slip for 26 or 21 would be a tooth of the other jaw: a bare number of another notation is asked, never taken.
    expect(readTooth('20', 'iso')).toEqual({ kind: 'ask', readings: [{ tooth: '35', notation: 'universal' }] })
    expect(readTooth('46', 'universal')).toEqual({ kind: 'ask', readings: [{ tooth: '46', notation: 'iso' }] })
    expect(askWhich('20', [{ tooth: t('35'), notation: 'universal' }], 'iso')).toBe(
      '20 is no tooth in ISO. Is 35 (LL5) meant, which is 20 in Universal? Then write 35',
    )
    for (const own of ['iso', 'universal', 'quadrant'] as const)
      for (const tooth of allTeeth) {
        const other = (['iso', 'universal'] as const).map((n) => write(tooth, n)).filter((w) => /^\d/.test(w))
        for (const word of other) {
          const read = readTooth(word, own)
          expect(read.kind === 'ok' ? write(read.tooth, own) : word).toBe(word)
        }
      }
    expect(readTooth('k', 'iso')).toMatchObject({ kind: 'ok', tooth: '75' })
    expect(readTooth(' ll 7 ', 'universal')).toMatchObject({ kind: 'ok', tooth: '37' })
    expect(readTooth('39', 'iso')).toMatchObject({ kind: 'error' })
  })

  it('never throws and never invents a tooth, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.constantFrom('iso' as const, 'universal' as const, 'quadrant' as const),
        (text, own) => {
          const reading = readTooth(text, own)
          return reading.kind !== 'ok' || allTeeth.includes(reading.tooth)
        },
      ),
    )
  })

  it('writes a second notation beside the practice’s own', () => {
    expect(writeBoth(t('37'), 'iso')).toBe('37 (LL7)')
    expect(writeBoth(t('37'), 'universal')).toBe('18 (ISO 37)')
  })
})

describe('arch', () => {
  it('knows neighbours across the midline, at the end of the arch and beside a gap', () => {
    expect(neighbours(t('11')).mesial.tooth).toBe('21')
    expect(neighbours(t('37')).distal.tooth).toBe('38')
    expect(neighbours(t('38')).distal).toEqual({ tooth: null, none: 'last in the arch' })
    expect(neighbours(t('37'), [t('38')]).distal).toEqual({ tooth: null, none: 'missing' })
    expect(neighbours(t('85')).distal).toEqual({ tooth: null, none: 'last in the arch' })
  })

  it('is symmetric: a mesial neighbour has this tooth as its own neighbour', () => {
    for (const tooth of allTeeth) {
      for (const { tooth: next } of Object.values(neighbours(tooth))) {
        if (next) expect(Object.values(neighbours(next)).map((n) => n.tooth)).toContain(tooth)
      }
    }
  })

  // C: lower buccal, upper palatal; swapped in crossbite.
  it('swaps functional cusps between jaws and in crossbite', () => {
    expect(functionalCusps(t('37'))).toEqual({ functional: 'buccal', other: 'lingual' })
    expect(functionalCusps(t('16'))).toEqual({ functional: 'palatal', other: 'buccal' })
    expect(functionalCusps(t('37'), true)?.functional).toBe('lingual')
    expect(functionalCusps(t('16'), true)?.functional).toBe('buccal')
    expect(functionalCusps(t('13'))).toBeNull()
  })

  it('places teeth on the arch without overlap, in true widths, mirror-symmetric', () => {
    for (const jaw of ['upper', 'lower'] as const) {
      const places = archPlaces(jaw)
      expect(places).toHaveLength(16)
      for (let i = 1; i < places.length; i++) {
        const [a, b] = [places[i - 1]!, places[i]!]
        const apart = Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)
        const halves = (dimensions(a.tooth).mesiodistalMm + dimensions(b.tooth).mesiodistalMm) / 2
        expect(apart).toBeGreaterThan(halves * 0.9)
        expect(apart).toBeLessThan(halves * 1.02)
      }
      expect(places[0]!.xMm).toBeCloseTo(-places[15]!.xMm, 6)
    }
  })
})

describe('a tooth at the edge', () => {
  it('is a tooth inside: the pattern and the set of teeth say the same of every text of two letters', () => {
    const digits = '0123456789x'.split('')
    const two = digits.flatMap((a) => digits.map((b) => a + b))
    expect(two.filter((x) => tooth.safeParse(x).success)).toEqual(two.filter(isTooth))
    expect(two.filter(isTooth)).toHaveLength(52)
  })
})
