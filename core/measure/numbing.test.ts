/** Which injections make a place numb. Common practice, as handbooks of local anaesthesia teach it. */
import { describe, expect, it } from 'vitest'
import { often } from '../../scripts/often'
import { random } from '../random'
import { sure } from '../sure'
import { allTeeth, isPrimary, jawOf, parts, toTooth, type Tooth } from '../teeth/notation'
import {
  distinctSites,
  numbSites,
  numbWords,
  injectionsFor,
  injectionWords,
  sideOf,
  soreGum,
  soreTooth,
  testWords,
  type Site,
} from './numbing'

const teeth = (...codes: string[]) => codes.map(toTooth)
const iso = (t: Tooth): string => t
const said = (sites: readonly Site[]): string => injectionWords(injectionsFor(sites), iso)

describe('injections', () => {
  it.each([
    // Lower back teeth by block; the cheek gum behind the mental nerve needs the long buccal besides.
    ['37', 'block and long buccal, lower left'],
    ['45', 'block, lower right'],
    ['44', 'infiltration at 44, cheek and tongue side'],
    ['31', 'infiltration at 31, lip and tongue side'],
    ['16', 'infiltration at 16, cheek and palate side'],
    ['21', 'infiltration at 21, lip and palate side'],
    ['75', 'block and long buccal, lower left'],
    ['73', 'infiltration at 73, lip and tongue side'],
  ])('a whole crown on %s: %s', (code, words) => {
    const [tooth] = teeth(code)
    expect(said([...soreTooth(sure(tooth)), ...soreGum([sure(tooth)])])).toBe(words)
  })
  it('one block serves its side; both sides are two, and the centrals get their own besides', () => {
    expect(said(soreTooth(...teeth('35', '36', '33')))).toBe('block, lower left')
    expect(said(soreTooth(...teeth('36', '46')))).toBe('block, lower left; block, lower right')
    expect(said(soreTooth(...teeth('36', '31')))).toBe('block, lower left; infiltration at 31')
  })
  it('a nerve is met where many places would be pricked', () => {
    expect(said(soreGum(teeth('12', '11', '21'), ['inner']))).toBe('nasopalatine block, upper front')
    expect(said(soreGum(teeth('14', '15', '16'), ['inner']))).toBe('greater palatine block, upper right')
    expect(said(soreTooth(...teeth('33', '32', '31')))).toBe('incisive block, lower left')
  })
  it('the clamp’s tooth next door is reached with its neighbour on the cheek side, and not on the palate side', () => {
    const sites = [...soreTooth(...teeth('15')), ...soreGum(teeth('16'))]
    expect(said(sites)).toBe('infiltration at 15; infiltration at 16, palate side')
    expect(testWords(sites, injectionsFor(sites), iso)).toBe('15 cheek side; 16 cheek and palate side')
  })
  it('over any sites: each is covered, none is given for nothing, and no side has two blocks', () => {
    const next = random(11)
    for (let i = 0; i < often(300); i++) {
      const sites: Site[] = Array.from({ length: 1 + Math.floor(next() * 12) }, () => ({
        tooth: sure(allTeeth[Math.floor(next() * allTeeth.length)]),
        tissue: sure((['tooth', 'cheek', 'inner'] as const)[Math.floor(next() * 3)]),
      }))
      const injections = injectionsFor(sites)
      const covered = injections.flatMap((x) => x.covers)
      for (const s of distinctSites(sites))
        expect(
          covered.some((x) => x.tooth === s.tooth && x.tissue === s.tissue),
          JSON.stringify(s),
        ).toBe(true)
      for (const x of injections) {
        expect(x.covers.length).toBeGreaterThan(0)
        // Nothing given on one side or in one jaw numbs the other, but for the palate’s front.
        if (x.technique !== 'nasopalatine')
          expect(x.covers.every((s) => jawOf(s.tooth) === jawOf(x.at) && sideOf(s.tooth) === sideOf(x.at))).toBe(true)
        // Thick bone: no lower molar by infiltration.
        if (x.technique === 'infiltration')
          expect(
            x.covers.some((s) => s.tissue === 'tooth' && jawOf(s.tooth) === 'lower' && parts(s.tooth).position > 5),
          ).toBe(false)
      }
      const blocks = injections.filter((x) => x.technique === 'inferior-alveolar').map((x) => sideOf(x.at))
      expect(new Set(blocks).size).toBe(blocks.length)
    }
  })
})

describe('what is numb on the arch', () => {
  const sore = (teeth: string[]) => teeth.flatMap((t) => [...soreTooth(toTooth(t)), ...soreGum([toTooth(t)])])
  const numbOf = (teeth: string[]) => {
    const sites = numbSites(
      injectionsFor(sore(teeth)),
      allTeeth.filter((t) => !isPrimary(t)),
    )
    return (t: string): string => numbWords(toTooth(t), sites)
  }
  // Common practice: the block takes its side to the middle; the cheek gum behind the premolars is the long buccal's.
  it('a lower block: the side to the middle, tongue side with it, the cheek side in front; the other side feels', () => {
    const words = numbOf(['36'])
    expect([words('36'), words('33'), words('37'), words('43'), words('26')]).toEqual([
      'tooth, cheek and tongue side',
      'tooth, lip and tongue side',
      'tooth, tongue side',
      '',
      '',
    ])
  })
  it('an upper tooth by infiltration: itself and what it was given for', () => {
    const words = numbOf(['16'])
    expect([words('16'), words('15')]).toEqual(['tooth, cheek and palate side', ''])
  })
  it('both sides below: both to the middle', () => {
    const words = numbOf(['36', '46'])
    expect([words('31'), words('41')].every((w) => w.startsWith('tooth'))).toBe(true)
  })
})
