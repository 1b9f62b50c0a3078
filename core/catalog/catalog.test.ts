import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isoNumber, readIsoNumber, tipDiameterMm, usDiameterMm, type Bur } from './bur'
import { chooseBur, type Cut } from './cut'
import { chooseLot, lotState, type Lot } from './item'
import { matchItem, type Need } from './match'
import { searchItems } from './search'
import { silhouette } from './silhouette'
import { starterBurs, starterItems } from './starter'

const cut = (form: Cut['form'], depthMm: number, after?: Cut['after']): Cut => ({
  id: 'x',
  form,
  depthMm,
  surface: 'x',
  ...(after ? { after } : {}),
})
const owned = (id: string): Bur => starterBurs.find((b) => b.id === id)!

describe('bur numbers', () => {
  // P: ISO 6360; the code tables M. The worked number of the standard's build-up.
  it('reads 806 314 198 524 016 as a medium round-end taper diamond of 1.6 mm', () => {
    expect(readIsoNumber('806 314 198 524 016')).toEqual({
      material: 'diamond',
      shank: 'friction grip, standard',
      shape: 'round-end taper',
      grit: 'medium',
      diameterMm: 1.6,
    })
  })
  it('says which group is wrong', () => {
    expect(readIsoNumber('807 314 198 524 016')).toMatchObject({ error: expect.stringContaining('first group 807') })
    expect(readIsoNumber('806 999 198 524 016')).toMatchObject({ error: expect.stringContaining('second group 999') })
    expect(readIsoNumber('806 314 198 524 000')).toMatchObject({ error: expect.stringContaining('fifth group') })
    expect(readIsoNumber('806314198')).toMatchObject({ error: expect.stringContaining('fifteen digits') })
  })
  it('prints what it reads, for every starter bur', () => {
    for (const b of starterBurs)
      expect(readIsoNumber(isoNumber(b))).toMatchObject({
        material: b.material,
        shape: b.shape,
        grit: b.grit,
        diameterMm: b.diameterMm,
      })
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
    expect(chooseBur(cut('lingual concavity', 1), starterBurs).best?.burId).toBe('ftb-023c')
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
    expect(chooseBur(cut('bevel', 1.5), starterBurs, 'ret-018c').best).toMatchObject({
      burId: 'ret-018c',
      because: { text: expect.stringContaining('already in the handpiece') },
    })
  })
})

describe('silhouettes', () => {
  it('stay within the diameter and the head length of the bur', () => {
    for (const b of starterBurs) {
      const profile = silhouette(b)
      expect(Math.max(...profile.map((p) => p.radiusMm))).toBeLessThanOrEqual(b.diameterMm / 2 + 1e-9)
      expect(Math.max(...profile.map((p) => p.radiusMm))).toBeGreaterThan(b.diameterMm / 2 - 0.15)
      expect(Math.max(...profile.map((p) => p.atMm))).toBeCloseTo(
        b.shape === 'round' ? b.diameterMm : b.headLengthMm,
        0,
      )
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
    expect(safe.exchanged).toBe(true)
    // Where the practice reaches for the safe one anyway, nothing was exchanged.
    const ownFirst = starterItems.toSorted((a, b) => Number(a.latex) - Number(b.latex))
    const usual = matchItem(need('gloves'), ownFirst, ['latex'])
    expect([usual.item?.latex, usual.exchanged, usual.because]).toEqual([false, undefined, undefined])
  })
  it('keeps a need nothing answers, and tells apart "nothing owned" from "only latex"', () => {
    expect(matchItem(need('plasma lance'), starterItems, []).lack).toContain('nothing owned')
    const latexOnly = starterItems.filter((i) => i.id !== 'sheet-free')
    expect(matchItem(need('dam sheet'), latexOnly, ['latex']).lack).toContain('latex')
  })
})

describe('lots', () => {
  const lot = (id: string, expires: string, left: number, opened = false): Lot => ({
    id,
    itemId: 'bis-acryl',
    number: id,
    expires,
    left,
    opened,
  })
  it('takes the opened lot first, then by expiry; good through the day it expires', () => {
    expect(
      chooseLot(
        'bis-acryl',
        2,
        [lot('a', '2027-01-01', 50), lot('b', '2026-12-01', 50), lot('c', '2028-01-01', 50, true)],
        '2026-11-24',
      ).number,
    ).toBe('c')
    expect(
      chooseLot('bis-acryl', 2, [lot('a', '2027-01-01', 50), lot('b', '2026-11-24', 50)], '2026-11-24').number,
    ).toBe('b')
  })
  it('stands good through its last day, is named in its last month, and is nothing when it is empty', () => {
    const state = (expires: string, left = 5) => lotState({ expires, left }, '2026-11-24')
    expect([
      state('2026-11-23'),
      state('2026-11-24'),
      state('2026-12-24'),
      state('2026-12-25'),
      state('2029-01-01', 0),
    ]).toEqual(['expired', 'soon', 'soon', 'good', 'empty'])
  })
  it('never lets an expired or short lot in silently', () => {
    expect(chooseLot('bis-acryl', 2, [lot('a', '2026-11-23', 50)], '2026-11-24')).toEqual({
      warning: expect.stringContaining('expired on 2026-11-23'),
    })
    expect(chooseLot('bis-acryl', 2, [lot('a', '2027-01-01', 1)], '2026-11-24')).toMatchObject({
      number: 'a',
      warning: expect.stringContaining('short'),
    })
    expect(chooseLot('bis-acryl', 2, [], '2026-11-24').warning).toContain('no lot')
  })
})

describe('a need and what would do', () => {
  const clamp: Need = {
    what: 'clamp.retentive',
    quantity: 1,
    readiness: 'open',
    words: 'clamp for a part-erupted lower molar',
    orElse: [{ what: 'clamp.molar', loss: 'rides up on a short crown' }],
  }
  it('takes what answers it, lists what would do with what is lost by each, in order', () => {
    const match = matchItem(clamp, starterItems, [])
    expect(match.item!.id).toBe('clamp-retentive')
    expect(match.alternatives.map((a) => [a.itemId, a.loss])).toEqual([
      ['clamp-retentive-small', 'second in the practice’s own order'],
      ['clamp-molar', 'rides up on a short crown'],
      ['clamp-molar-wingless', 'rides up on a short crown'],
    ])
  })
  it('takes what would do where nothing else is owned or in stock, and says what is lost; nothing at all is a lack', () => {
    const without = starterItems.filter((i) => !i.id.startsWith('clamp-retentive'))
    expect(matchItem(clamp, without, [])).toMatchObject({
      item: { id: 'clamp-molar' },
      because: { text: expect.stringContaining('rides up') },
    })
    const out = starterItems.map((i) => (i.id.startsWith('clamp-retentive') ? { ...i, stock: 0 } : i))
    expect(matchItem(clamp, out, []).item!.id).toBe('clamp-molar')
    expect(
      matchItem(
        clamp,
        starterItems.filter((i) => i.family !== 'clamp'),
        [],
      ),
    ).toMatchObject({ lack: expect.stringContaining('clamp for a part-erupted lower molar') })
  })
  it('an antiseptic the patient reacts to is not offered, and the lack says why', () => {
    expect(
      matchItem({ what: 'chlorhexidine', quantity: 1, readiness: 'open' }, starterItems, ['chlorhexidine']),
    ).toMatchObject({ forbidden: true, lack: expect.stringContaining('chlorhexidine alert') })
  })
})

describe('finding an item', () => {
  it('by any words of name, use or family, names first; accents do not matter', () => {
    expect(searchItems(starterItems, 'clamp molar small').found.map((i) => i.id)).toContain('clamp-molar-small')
    expect(searchItems(starterItems, 'mouth mirr').found[0]!.id).toBe('mirror')
    expect(searchItems([{ ...starterItems[0]!, name: 'Röntgenhalter' }], 'rontgen').total).toBe(1)
    expect(searchItems(starterItems, 'unobtainium')).toEqual({ found: [], total: 0 })
    expect(searchItems(starterItems, '', 5)).toMatchObject({ total: starterItems.length, found: { length: 5 } })
  })
  it('every item finds itself by its name', () => {
    fc.assert(
      fc.property(fc.constantFrom(...starterItems), (item) =>
        searchItems(starterItems, item.name, 1000).found.some((i) => i.id === item.id),
      ),
    )
  })
})

describe('the starter catalogue', () => {
  it('is about as large as a practice’s own, without a name twice, every bur numbered by the standard, cassettes only for what comes back', () => {
    const plain = starterItems.filter((i) => i.family !== 'preformed crown')
    expect(plain.length + starterBurs.length).toBeGreaterThan(250)
    expect(new Set(starterItems.map((i) => i.name)).size).toBe(starterItems.length)
    for (const i of starterItems) if (i.cassette) expect([i.id, i.reusable]).toEqual([i.id, true])
    for (const b of starterBurs) if (b.usNumber) expect([b.id, usDiameterMm(b.usNumber)]).toEqual([b.id, b.diameterMm])
  })
  it('cuts of every form have a bur for them', () => {
    const forms = [
      'outline',
      'access',
      'caries',
      'fissure',
      'slice',
      'ledge',
      'draw',
      'retention',
      'enamel bevel',
      'post space',
      'post cut',
      'pit',
      'undercut',
      'split',
      'orifice',
      'facial reduction',
    ] as const
    for (const form of forms)
      expect([
        form,
        chooseBur(cut(form, form === 'post space' ? 1.4 : 0.5), starterBurs).best?.because.text.length,
      ]).toEqual([form, expect.any(Number)])
  })
})
