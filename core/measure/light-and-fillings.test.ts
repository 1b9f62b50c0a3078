import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { crownEdge } from '../teeth/outline'
import { toTooth } from '../teeth/notation'
import { hydrocolloidSchool, injectionWindow } from './amounts'
import { cureTime, doseJPerCm2, secondsForDose } from './curing'
import { bandHeight, bulkIncrements, mostTintG, postSpace, retainerCure } from './restoring'

describe('light', () => {
  // By definition: J/cm² = mW/cm² × s ÷ 1000.
  it('16 J/cm² at 1000 mW/cm² takes 16 s, and dose and time are each other’s inverse', () => {
    expect(secondsForDose(16, 1000)).toMatchObject({ value: 16, standing: 'calc' })
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 3000 }), fc.integer({ min: 1, max: 40 }), (irradiance, aim) => {
        const s = secondsForDose(aim, irradiance).value
        expect(doseJPerCm2(irradiance, s)).toBeGreaterThanOrEqual(aim - 1e-6)
        expect(doseJPerCm2(irradiance, s - 1)).toBeLessThan(aim)
      }),
      { numRuns: 2_000 },
    )
    // 27 000 ÷ 2999.9 = 9.0003: nine seconds would be short.
    expect(secondsForDose(27, 2999.9).value).toBe(10)
  })
  // M: about half is left at 8 mm.
  it('8 mm away it takes twice as long', () => {
    expect(secondsForDose(16, 1000, 8)).toMatchObject({ value: 32, standing: 'M' })
  })
  // C: never below the material's own minimum. M: under 600 mW/cm² every cure is lengthened.
  it('is never below the material’s minimum, and longer with a weak light', () => {
    expect(cureTime('cover', 20, 1000, 2).value).toBe(20)
    expect(cureTime('cover', 10, 1000).value).toBe(10)
    expect(cureTime('retainer', 60, 500).value).toBe(75)
    expect(cureTime('increment', 20, 1000, 4)).toMatchObject({ value: 23, standing: 'M' })
    expect(() => secondsForDose(16, 0)).toThrow(RangeError)
  })
})

describe('fillings, posts, bonded pieces', () => {
  // C: 6 mm deep with a 2 mm cover is one bulk increment of 4; 7 mm is two.
  it('bulk increments', () => {
    expect([bulkIncrements(6).bulkMm, bulkIncrements(7).bulkMm, bulkIncrements(2).bulkMm]).toEqual([
      [4],
      [2.5, 2.5],
      [],
    ])
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 12, noNaN: true }), (depth) => {
        const { bulkMm, coverMm } = bulkIncrements(depth)
        for (const mm of bulkMm) expect(mm).toBeLessThanOrEqual(4.05)
        expect(bulkMm.reduce((a, b) => a + b, 0) + coverMm).toBeCloseTo(depth, 0)
      }),
    )
  })
  // C: canal 15 mm with 5 mm of seal: 7.5–10.0; 12 mm: 6.0–7.0 and the seal decides.
  it('post space', () => {
    expect(postSpace(15, 5)).toMatchObject({ leastMm: 7.5, mostMm: 10 })
    expect(postSpace(15, 5).because).toBeUndefined()
    expect(postSpace(12, 5)).toMatchObject({
      leastMm: 6,
      mostMm: 7,
      because: { text: expect.stringContaining('seal decides') },
    })
    expect(() => postSpace(5, 5)).toThrow(RangeError)
  })
  // C: two retainers, 60 s front and back of each: 240 s. 0.40 g of base: tints at most 0.133 g, 25 % of the whole mix.
  it('final cure and tint', () => {
    expect(retainerCure(2).value).toBe(240)
    expect(mostTintG(0.4).value).toBe(0.133)
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 5, noNaN: true }), (base) => {
        const tint = mostTintG(base).value
        expect(tint / (tint + base)).toBeLessThanOrEqual(0.26)
      }),
    )
    expect(bandHeight(5, 6).value).toBe(7)
  })
  // C: one crown, hydrocolloid school: two hydrocolloid, no polyether; a three-unit bridge: one polyether, at least one hydrocolloid.
  it('the hydrocolloid school', () => {
    expect(hydrocolloidSchool(1, 0)).toEqual({ hydrocolloid: 2, polyether: 0 })
    expect(hydrocolloidSchool(2, 1)).toEqual({ hydrocolloid: 1, polyether: 1 })
  })
  // C: five crowns × 20 s do not go into a 75 s window; our estimate for drawing cords between.
  it('the injection window', () => {
    expect(injectionWindow('crown', 5, 75)).toMatchObject({ fits: false, injectionS: 105 })
    expect(injectionWindow('crown', 1, 75)).toMatchObject({ fits: true, spareS: 30 })
    expect(injectionWindow('crown', 2, 75).fits).toBe(true)
    expect(injectionWindow('crown', 2, 75, 2)).toMatchObject({
      fits: false,
      because: expect.stringContaining('26 s to draw 2 cords and dry'),
    })
  })
})

describe('the edge of a preformed crown', () => {
  // C: 75 buccal smile, 74 stretched S; every lingual side a smile, every proximal side a frown.
  it('follows tooth and side', () => {
    const edge = (t: string, side: 'buccal' | 'lingual' | 'proximal') => crownEdge(toTooth(t), side).shape
    expect([edge('75', 'buccal'), edge('74', 'buccal'), edge('54', 'lingual'), edge('65', 'proximal')]).toEqual([
      'smile',
      'stretched S',
      'smile',
      'frown',
    ])
    expect(crownEdge(toTooth('54'), 'buccal').because.standing).toBe('M')
  })
})
