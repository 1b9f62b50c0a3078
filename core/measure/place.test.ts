/** Places, by hand: common practice for the bridge, a published table from memory for the crown. */
import { describe, expect, it } from 'vitest'
import { toTooth } from '../teeth/notation'
import { bridgePlace, sealedInFits } from './place'

describe('the place of a bonded bridge', () => {
  it.each([
    [['41'], 'best'],
    [['31', '41'], 'best'],
    [['43'], 'may do'],
    [['12'], 'may do'],
    [['44'], 'poor'],
    [['41', '44'], 'poor'],
  ])('%j: %s', (teeth, verdict) => {
    expect(bridgePlace(teeth.map(toTooth)).verdict).toBe(verdict)
  })
})

describe('a crown sealed in', () => {
  // M: Innes, Evans, Stirrups, BMC Oral Health 2007;7:18.
  it.each([
    ['between', false, true, true],
    ['between', true, true, true],
    ['pit', false, true, false],
    ['pit', false, false, true],
    ['pit', true, true, false],
    ['pit', true, false, true],
  ] as const)('%s, cavity %s, child manages the simpler way %s: %s', (site, cavitated, manages, fits) => {
    const found = sealedInFits(site, cavitated, manages)
    expect([found.fits, found.because.standing, found.because.source]).toEqual([
      fits,
      'M',
      expect.stringContaining('2007;7:18'),
    ])
  })
})
