/** What a request may not say, by field; what is right in its place stands in the message. */
import { describe, expect, it } from 'vitest'
import { visitRequest } from './request'
import { itemUpToDate, requestUpToDate, toStore } from './upgrade'

const written = (more: object) => ({ date: '2026-11-24', team: { dentist: 'd', assistants: ['a'] }, ...more })
/** The fields a request is refused for, with the words. */
const refused = (more: object): string[] => {
  const read = visitRequest.safeParse(written(more))
  return read.success ? [] : read.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`)
}
const crown = { kind: 'crown.prepare', teeth: ['35'] }
const bonded = { kind: 'bridge.ceramic.prepare', teeth: ['31', '42'], pontics: ['41'] }

describe('a parsed request', () => {
  it('is resolved: its kind’s only restoration, the first of several, none where none makes sense; a framework never guessed', () => {
    const read = (more: object) => visitRequest.parse(written(more))
    expect(read({ kind: 'crown.metal', teeth: ['16'] }).restoration).toBe('full metal crown')
    expect(read({ kind: 'veneer.prepare', teeth: ['11'] }).restoration).toBe('laminate veneer')
    expect(read(crown).restoration).toBe('monolithic zirconia crown')
    expect(read({ kind: 'filling.bulk', teeth: ['36'] }).restoration).toBeNull()
    expect(read({ ...crown, also: [{ kind: 'inlay.prepare', teeth: ['36'] }] }).also[0]).toMatchObject({
      restoration: 'ceramic inlay',
    })
    // What it may be one of is not guessed.
    expect(read(bonded).framework).toBeNull()
    expect(read({ ...bonded, framework: 'zirconia' }).framework).toBe('zirconia')
    expect(read({ kind: 'bridge.metal.prepare', teeth: ['21', '23'], pontics: ['22'] }).framework).toBe('base metal')
  })
  it('reads the same when it is read again', () => {
    const once = visitRequest.parse(written({ ...bonded, ofTooth: { 31: { dark: true } } }))
    expect(visitRequest.parse(once)).toEqual(once)
  })
})

describe('a request that contradicts itself is refused with the field and what would be right', () => {
  it.each<[string, object, RegExp]>([
    [
      'depth of a tooth not worked on',
      { ...crown, ofTooth: { 36: { depthMm: 3 } } },
      /^ofTooth\.36\.depthMm: The lower left first molar \(ISO 36\) is not worked on: the lower left second premolar \(ISO 35\) is/,
    ],
    ['surfaces of one', { ...crown, ofTooth: { 36: { surfaces: 'MO' } } }, /^ofTooth\.36\.surfaces/],
    ['perimeter of one', { ...crown, ofTooth: { 36: { perimeterMm: 30 } } }, /^ofTooth\.36\.perimeterMm/],
    ['canal of one', { ...crown, ofTooth: { 36: { canals: [{ name: 'D', lengthMm: 20 }] } } }, /^ofTooth\.36\.canals/],
    ['depth of no tooth', { ...crown, ofTooth: { 99: { depthMm: 3 } } }, /ISO 3950/],
    [
      'two canals of one name',
      {
        ...crown,
        ofTooth: {
          35: {
            canals: [
              { name: 'B', lengthMm: 20 },
              { name: 'b', lengthMm: 21 },
            ],
          },
        },
      },
      /^ofTooth\.35\.canals\.1\.name: two canals of the lower left second premolar \(ISO 35\) are called B/,
    ],
    [
      'a pontic outside its retainers',
      { ...bonded, pontics: ['43'] },
      /^pontics\.0: The lower right canine \(ISO 43\) does not lie between the abutments .*ISO 31.*ISO 42/,
    ],
    [
      'a pontic in the other jaw',
      { ...bonded, pontics: ['11'] },
      /^pontics\.0: The upper right central incisor \(ISO 11\) is not in the jaw/,
    ],
    [
      'a pontic named twice',
      { ...bonded, pontics: ['41', '41'] },
      /^pontics\.1: The lower right central incisor \(ISO 41\) stands twice/,
    ],
    [
      'a primary pontic',
      { ...bonded, pontics: ['81'] },
      /^pontics\.0: The lower right primary central incisor \(ISO 81\) is a primary tooth/,
    ],
    ['a pontic two away from a lone crown', { ...crown, pontics: ['37'] }, /nor beside one of them/],
    [
      'a tooth twice in further work',
      { ...crown, also: [{ kind: 'filling.bulk', teeth: ['36', '36'] }] },
      /^also\.0\.teeth\.1: The lower left first molar \(ISO 36\) stands twice/,
    ],
    [
      'two works that cannot be on one tooth',
      { ...crown, also: [{ kind: 'crown.deliver', teeth: ['35'] }] },
      /^also\.0\.teeth\.0: Crown, first visit and Crown or bridge, delivery cannot both be done on .*ISO 35/,
    ],
    [
      'T22 a tooth replaced by further work that the first works on',
      { kind: 'filling.cervical', teeth: ['41'], also: [bonded] },
      /^also\.0\.pontics\.0: The lower right central incisor \(ISO 41\) is worked on/,
    ],
    [
      'work on a tooth that is replaced',
      { ...bonded, also: [{ kind: 'filling.cervical', teeth: ['41'] }] },
      /^also\.0\.teeth\.0: The lower right central incisor \(ISO 41\) is replaced/,
    ],
    ['a framework nobody asks for', { ...crown, framework: 'zirconia' }, /^framework: .* asks for no framework/],
    [
      'a restoration of another kind',
      { kind: 'filling.bulk', teeth: ['36'], restoration: 'ceramic inlay' },
      /^restoration: .* takes no restoration/,
    ],
    [
      'a name no database takes',
      { ...crown, team: { dentist: 'a\u0000b', assistants: ['a'] } },
      /^team\.dentist: holds a character that cannot be stored/,
    ],
  ])('%s', (_, more, words) => {
    expect(refused(more).join('\n')).toMatch(words)
  })
  it('and what only looks like it is taken: a cantilever, a core under a crown, two fillings on other surfaces, a recall', () => {
    expect(refused({ ...crown, teeth: ['34', '35'], pontics: ['36'] })).toEqual([])
    expect(refused({ kind: 'bridge.ceramic.prepare', teeth: ['31'], pontics: ['41'] })).toEqual([])
    expect(refused({ kind: 'post.core', teeth: ['11'], also: [{ kind: 'crown.prepare', teeth: ['11'] }] })).toEqual([])
    const mo = { kind: 'filling.bulk', teeth: ['36'], ofTooth: { 36: { surfaces: 'MO' } } }
    expect(refused({ ...mo, also: [{ ...mo, ofTooth: { 36: { surfaces: 'D' } } }] })).toEqual([])
    expect(refused({ ...mo, also: [mo] })).toHaveLength(1)
    expect(refused({ kind: 'recall.week', teeth: ['36'], also: [mo] })).toEqual([])
  })
})

describe('what was written before 2026.11.3', () => {
  it('is read with its facts on their teeth, and without what was said of teeth that are not worked on', () => {
    const old = {
      kind: 'veneer.prepare',
      teeth: ['11', '21'],
      surfaces: { 11: 'B', 36: 'MO' },
      canals: { 21: [{ name: 'single', lengthMm: 20 }] },
      measuredPerimeterMm: { 11: 25, nonsense: 20 },
      dark: true,
      inEnamel: false,
      tissue: { overgrown: true, biotype: 'thin' },
      also: [{ kind: 'filling.bulk', teeth: ['36'], depthMm: { 36: 5 } }],
    }
    expect(requestUpToDate(toStore(old))).toEqual({
      kind: 'veneer.prepare',
      teeth: ['11', '21'],
      inEnamel: false,
      tissue: { biotype: 'thin' },
      ofTooth: {
        11: { surfaces: 'B', perimeterMm: 25, dark: true, overgrown: true, coveredEdge: true },
        21: { canals: [{ name: 'single', lengthMm: 20 }], dark: true, overgrown: true, coveredEdge: true },
      },
      also: [{ kind: 'filling.bulk', teeth: ['36'], ofTooth: { 36: { depthMm: 5 } } }],
    })
  })
  it('an item serves what its needs are called today', () => {
    const today = (serves: unknown) => Object(itemUpToDate({ id: 'x', serves }))['serves']
    expect(today(['adhesive', 'primer.self-etch'])).toEqual(['primer.self-etch', 'bond.self-etch'])
    expect(today(['adhesive.total etch'])).toEqual(['adhesive.universal'])
    expect(today(['silane'])).toEqual(['silane'])
    expect(today('silane')).toBe('silane')
  })
})
