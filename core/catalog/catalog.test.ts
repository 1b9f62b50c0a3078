import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isoNumber, readIsoNumber, tipDiameterMm, usDiameterMm, type Bur } from './bur'
import { chooseBur, type Cut } from './cut'
import { chooseLot, lotState, type Lot } from './item'
import { matchItem, type Need } from './match'
import { silhouette } from './silhouette'
import { starterBurs, starterItems } from './starter'

const cut = (form: Cut['form'], depthMm: number, after?: Cut['after']): Cut => ({ id: 'x', form, depthMm, surface: 'x', ...(after ? { after } : {}) })
const owned = (id: string): Bur => starterBurs.find((b) => b.id === id)!

describe('bur numbers', () => {
  // P: ISO 6360; the code tables M. The worked number of the standard's build-up.
  it('reads 806 314 198 524 016 as a medium round-end taper diamond of 1.6 mm', () => {
    expect(readIsoNumber('806 314 198 524 016')).toEqual({ material: 'diamond', shank: 'friction grip, standard', shape: 'round-end taper', grit: 'medium', diameterMm: 1.6 })
  })
  it('says which group is wrong', () => {
    expect(readIsoNumber('807 314 198 524 016')).toMatchObject({ error: expect.stringContaining('first group 807') })
    expect(readIsoNumber('806 999 198 524 016')).toMatchObject({ error: expect.stringContaining('second group 999') })
    expect(readIsoNumber('806 314 198 524 000')).toMatchObject({ error: expect.stringContaining('fifth group') })
    expect(readIsoNumber('806314198')).toMatchObject({ error: expect.stringContaining('fifteen digits') })
  })
  it('prints what it reads, for every starter bur', () => {
    for (const b of starterBurs) expect(readIsoNumber(isoNumber(b))).toMatchObject({ material: b.material, shape: b.shape, grit: b.grit, diameterMm: b.diameterMm })
  })
  // M: ISO 2157 and ANSI/ADA 23. C: the quarter round half sunk is 0.25 mm.
  it('knows US sizes, long heads included', () => {
    expect(usDiameterMm('1/4')! / 2).toBe(0.25)
    expect(usDiameterMm('¼')).toBe(0.5)
    expect(usDiameterMm('557L')).toBe(1)
    expect(usDiameterMm('9999')).toBeUndefined()
  })
})

describe('choosing a bur', () => {
  // Geometry: chamfer of depth d wants a tip of at least 2d, or an unsupported lip is left.
  it('never picks a chamfer tip under twice the depth', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 12 }), fc.subarray(starterBurs), (tenths, burs) => {
        const depth = tenths / 10
        const answer = chooseBur(cut('chamfer', depth), burs)
        if (!answer.best) return answer.lack !== undefined
        const b = owned(answer.best.burId)
        return (b.shape === 'torpedo' ? b.diameterMm : tipDiameterMm(b)) >= 2 * depth
      }),
    )
    expect(chooseBur(cut('chamfer', 0.5), [owned('ret-016')]).best?.because.text).toContain('1.04 mm')
  })
  it('passes contacts with the thinnest needle, concaves with the football, gauges grooves within 0.2 mm', () => {
    expect(chooseBur(cut('contact', 1), starterBurs).best?.burId).toBe('ndl-009')
    expect(chooseBur(cut('lingual concavity', 1), starterBurs).best?.burId).toBe('ftb-023')
    expect(chooseBur(cut('groove', 1.5), starterBurs).best?.burId).toBe('dc-15')
    expect(chooseBur(cut('groove', 3.1), starterBurs)).toMatchObject({ lack: expect.stringContaining('3.1 mm') })
  })
  it('names the next best and says why a spent or sterilising bur is passed over', () => {
    const spent = starterBurs.map((b) => (b.id === 'dc-15' ? { ...b, uses: b.useLimit } : b))
    const answer = chooseBur(cut('groove', 1.5), spent)
    expect(answer.best?.burId).toBe('ret-016')
    expect(chooseBur(cut('groove', 1.5), starterBurs).next?.burId).toBe('ret-016')
    expect(answer.passedOver).toEqual([expect.stringContaining('limit of 10 uses')])
  })
  it('keeps the bur in the handpiece where it serves about as well', () => {
    expect(chooseBur(cut('bevel', 1.5), starterBurs, 'ret-018c').best).toMatchObject({ burId: 'ret-018c', because: { text: expect.stringContaining('already in the handpiece') } })
  })
})

describe('silhouettes', () => {
  it('stay within the diameter and the head length of the bur', () => {
    for (const b of starterBurs) {
      const profile = silhouette(b)
      expect(Math.max(...profile.map((p) => p.radiusMm))).toBeLessThanOrEqual(b.diameterMm / 2 + 1e-9)
      expect(Math.max(...profile.map((p) => p.radiusMm))).toBeGreaterThan(b.diameterMm / 2 - 0.15)
      expect(Math.max(...profile.map((p) => p.atMm))).toBeCloseTo(b.shape === 'round' ? b.diameterMm : b.headLengthMm, 0)
    }
  })
})

describe('matching', () => {
  const need = (what: string): Need => ({ what, quantity: 1, readiness: 'open' })
  it('swaps latex for latex-free under the alert and says so', () => {
    expect(matchItem(need('gloves'), starterItems, []).item?.id).toBe('gloves-latex')
    const safe = matchItem(need('gloves'), starterItems, ['latex'])
    expect(safe.item?.latex).toBe(false)
    expect(safe.because?.text).toContain('latex alert')
  })
  it('keeps a need nothing answers, and tells apart "nothing owned" from "only latex"', () => {
    expect(matchItem(need('plasma lance'), starterItems, []).lack).toContain('nothing owned')
    const latexOnly = starterItems.filter((i) => i.id !== 'sheet-free')
    expect(matchItem(need('dam sheet'), latexOnly, ['latex']).lack).toContain('latex')
  })
})

describe('lots', () => {
  const lot = (id: string, expires: string, left: number, opened = false): Lot => ({ id, itemId: 'bis-acryl', number: id, expires, left, opened })
  it('takes the opened lot first, then by expiry; good through the day it expires', () => {
    expect(chooseLot('bis-acryl', 2, [lot('a', '2027-01-01', 50), lot('b', '2026-12-01', 50), lot('c', '2028-01-01', 50, true)], '2026-11-24').number).toBe('c')
    expect(chooseLot('bis-acryl', 2, [lot('a', '2027-01-01', 50), lot('b', '2026-11-24', 50)], '2026-11-24').number).toBe('b')
  })
  it('stands good through its last day, is named in its last month, and is nothing when it is empty', () => {
    const state = (expires: string, left = 5) => lotState({ expires, left }, '2026-11-24')
    expect([state('2026-11-23'), state('2026-11-24'), state('2026-12-24'), state('2026-12-25'), state('2029-01-01', 0)]).toEqual(['expired', 'soon', 'soon', 'good', 'empty'])
  })
  it('never lets an expired or short lot in silently', () => {
    expect(chooseLot('bis-acryl', 2, [lot('a', '2026-11-23', 50)], '2026-11-24')).toEqual({ warning: expect.stringContaining('expired on 2026-11-23') })
    expect(chooseLot('bis-acryl', 2, [lot('a', '2027-01-01', 1)], '2026-11-24')).toMatchObject({ number: 'a', warning: expect.stringContaining('short') })
    expect(chooseLot('bis-acryl', 2, [], '2026-11-24').warning).toContain('no lot')
  })
})
