/** Volumes by hand. */
import { describe, expect, it } from 'vitest'
import { amalgamFor, cavityVolume, goldFor, injectedFor } from './volumes'

describe('a cavity as boxes', () => {
  const molar = { mesiodistalMm: 10, labiolingualMm: 9 }
  it('outline and boxes: 3 × 6 × 2 = 36; a box 3.6 × 1.5 × 4 = 21.6', () => {
    expect(cavityVolume({ ...molar, depthMm: 4, boxes: 0 }).value).toBe(36)
    expect(cavityVolume({ ...molar, depthMm: 4, boxes: 1 }).value).toBe(57.6)
    expect(cavityVolume({ ...molar, depthMm: 4, boxes: 2 }).value).toBe(79.2)
    // Shallower than the outline is deep.
    expect(cavityVolume({ ...molar, depthMm: 1, boxes: 0 }).value).toBe(18)
    expect(() => cavityVolume({ ...molar, depthMm: 0, boxes: 0 })).toThrow(RangeError)
  })
  it('amalgam: 57.6 × 1.2 = 69.1 mm³ are two capsules of 65 and six loads of 12', () => {
    expect(amalgamFor(57.6)).toMatchObject({ capsules: 2, loads: 6 })
    expect(amalgamFor(36)).toMatchObject({ capsules: 1, loads: 4 })
  })
  // M: No. 4 foil weighs 4 grains a sheet; 1 grain = 64.8 mg (exact: 64.79891).
  it('gold: of 12 mm³ eight are powdered, 8 / 5.4 is one or two pellets; four are foil, 4 / 0.54 is eight', () => {
    expect(goldFor(12)).toMatchObject({ powdered: 1, foil: 8 })
    expect(goldFor(16)).toMatchObject({ powdered: 2, foil: 10 })
    expect(goldFor(0.5).powdered).toBe(1)
  })
  it('injected: 57.6 mm³: 0.3 of it flowable and a tip = 0.12 mL; the rest 48.4 mm³, one compule; two beads of 4.2 mm³ a box', () => {
    expect(injectedFor(57.6, 1)).toMatchObject({ compules: 1, warmMl: 0.12, coolMl: 0.11 })
    expect(injectedFor(36, 0).coolMl).toBe(0)
  })
})
