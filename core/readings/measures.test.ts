/** Readings judged as the run judges them; each with the standing of what it is held against. Common practice where no source is named. */
import { stillToRead } from '../run/unread'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { files, planOf } from '../../demo/test/plans'
import { dilution } from '../measure/mixes'
import { judgeProvisional, neighbouring, type ProvisionalReading } from '../measure/provisional'
import { marginParts } from '../measure/inspection'
import type { Plan } from '../model/plan'
import { judge, readingKinds, readingOfKind, readingTable, readingsAt, startsOf, teethAt, type ReadingKind } from '.'
import type { Restoration } from '../vocabulary'
import { toTooth } from '../teeth/notation'
import type { Judged } from './reading'
import { sitesFor } from './preparation'

const crown = planOf('crown-37')
/** Judges at the first step of a plan that asks for the measure. */
function read(
  plan: Plan,
  kind: ReadingKind,
  given: unknown,
  { round = 0, stepId }: { round?: number; stepId?: string } = {},
): Judged {
  const step = plan.steps.find((s) => (stepId === undefined || s.id === stepId) && readingsAt(s).includes(kind))!
  const answer = judge(kind, given, { plan, step, tooth: teethAt(step, kind)[0]!, before: [], round })
  if ('wrong' in answer) throw new Error(answer.wrong)
  return answer
}
const sound: ProvisionalReading = {
  parts: {},
  contacts: { mesial: 'good', distal: 'good' },
  inside: 'clean',
  thicknessMm: { cusp: 1.5, fossa: 1.2 },
  bite: 'even',
  cracked: false,
}
const facts = { contacts: ['mesial', 'distal'] as const, weak: false, round: 0 }
const acts = (read: Partial<ProvisionalReading>, more = {}) =>
  judgeProvisional({ ...sound, ...read }, { ...facts, ...more }).acts.map((a) => a.act)

describe('every measure', () => {
  it('is asked for by some visit, and what the plan knows already is readings it takes', () => {
    const all = [
      'crown-37',
      ...['J02', 'J04', 'J07', 'J08', 'J11', 'J13', 'J16', 'J05'].flatMap((j) => files.filter((f) => f.startsWith(j))),
    ].map(planOf)
    for (const kind of readingKinds) {
      const asked = all.flatMap((plan) =>
        plan.steps.filter((s) => readingsAt(s).includes(kind)).map((step) => ({ plan, step })),
      )
      expect(asked.length, kind).toBeGreaterThan(0)
      for (const { plan, step } of asked) {
        const { fields } = readingOfKind(kind)
        const at = { plan, step, tooth: teethAt(step, kind)[0]!, before: [], round: 0 }
        for (const key of Object.keys(startsOf(kind, at))) expect(Object.keys(fields!), kind).toContain(key)
      }
    }
  })
})

describe('reduction', () => {
  it('of a front tooth is read at its edge and at no cusp, of a milk tooth as well; of a molar the other way round', () => {
    const sites = (tooth: string, restoration: Restoration) =>
      sitesFor({ reading: 'reduction', teeth: [], restoration }, toTooth(tooth))
    for (const [tooth, restoration] of [
      ['11', 'lithium disilicate crown'],
      ['51', 'preveneered crown'],
    ] as const) {
      expect(sites(tooth, restoration)).toContain('incisal')
      expect(sites(tooth, restoration).join()).not.toContain('cusp')
    }
    for (const [tooth, restoration] of [
      ['37', 'lithium disilicate crown'],
      ['75', 'preformed metal crown'],
    ] as const) {
      expect(sites(tooth, restoration)).toContain('functional cusp')
      expect(sites(tooth, restoration)).not.toContain('incisal')
    }
  })
})

describe('cord', () => {
  it('white tissue means one size smaller; under 000 there is none; what sits pink stays', () => {
    expect(read(crown, 'cord', { size: '0', tissue: 'white' })).toMatchObject({
      verdict: 'correct',
      says: [expect.stringContaining('one size smaller, 00')],
    })
    expect(read(crown, 'cord', { size: '000', tissue: 'white' }).says[0]).toMatch(/no smaller cord.*dentist/)
    const pink = read(crown, 'cord', { size: '0', tissue: 'pink', biotype: 'thin', probingDepthMm: 2 })
    expect(pink.verdict).toBe('good')
    expect(pink.says.join(' ')).toMatch(/would begin with 00 .*what sits pink stays/)
  })
  it('a measured perimeter stands in for the mean, and its length is a figure with its formula', () => {
    const { figures } = read(crown, 'cord', { size: '0', tissue: 'pink', perimeterMm: 30 })
    expect(figures[0]).toMatchObject({ value: 32, unit: 'mm', standing: 'C' })
    expect(figures[0]!.text).toContain('measured perimeter 30 mm')
  })
  it('at removal a torn cord is looked for before anything else, a base that shows goes back, weeping tissue is dried first', () => {
    const out = (more: object) => read(crown, 'cord out', { wet: true, whole: true, tissue: 'dry', ...more })
    expect(out({}).verdict).toBe('good')
    expect(out({ whole: false })).toMatchObject({
      verdict: 'again',
      says: [expect.stringContaining('its count stays open')],
    })
    expect(out({ base: 'shows' }).verdict).toBe('correct')
    expect(out({ tissue: 'bleeds' }).says[0]).toContain('the dentist decides')
    expect(out({ wet: false }).verdict).toBe('tell')
  })
})

describe('provisional', () => {
  it('up to two neighbouring parts and 1 mm are relined; more, apart, or cracked is made again', () => {
    expect(acts({})).toEqual([])
    expect(acts({ parts: { mesial: { fault: 'open', byMm: 1 }, mesiobuccal: { fault: 'short', byMm: 0.5 } } })).toEqual(
      ['reline'],
    )
    expect(acts({ parts: { mesial: { fault: 'open', byMm: 1.1 } } })).toEqual(['make again'])
    expect(acts({ parts: { mesial: { fault: 'open' }, distal: { fault: 'open' } } })).toEqual(['make again'])
    expect(
      acts({ parts: { mesial: { fault: 'open' }, mesiobuccal: { fault: 'open' }, buccal: { fault: 'short' } } }),
    ).toEqual(['make again'])
    expect(acts({ cracked: true })).toEqual(['make again'])
  })
  it('over is thinned, a contact gone is added to, a bubble off the margin is filled, a thin spot is told, a weak tooth is taken out of contact', () => {
    expect(
      acts({
        parts: { buccal: { fault: 'over' } },
        contacts: { mesial: 'none', distal: 'tight' },
        inside: 'bubble off the margin',
      }),
    ).toEqual(['fill', 'thin', 'add', 'thin'])
    expect(acts({ thicknessMm: { fossa: 0.7 } })).toEqual(['tell'])
    expect(acts({ thicknessMm: { axial: 0.6 } })).toEqual([])
    expect(acts({}, { weak: true })).toEqual(['ease'])
    // What has no neighbour has no contact to miss.
    expect(acts({ contacts: {} }, { contacts: [] })).toEqual([])
    expect(acts({ contacts: { distal: 'none' } }, { contacts: ['mesial'] })).toEqual([])
  })
  it('parts that touch are one stretch whichever way round they are named', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 7 }), fc.integer({ min: 1, max: 7 }), (from, n) => {
        const stretch = Array.from({ length: n }, (_, i) => marginParts[(from + i) % 8]!)
        expect(neighbouring(stretch.toReversed())).toBe(true)
        // With one taken out of the middle it is two.
        if (n >= 3) expect(neighbouring(stretch.toSpliced(1, 1))).toBe(n === 8)
      }),
    )
  })
  it('keeps the signature back until it is read again as good, counting the rounds', () => {
    expect(read(crown, 'provisional', { ...sound, parts: { buccal: { fault: 'over' } } }).verdict).toBe('correct')
    const third = read(crown, 'provisional', { ...sound, contacts: { mesial: 'none' } }, { round: 2 })
    expect(third.says.join(' ')).toMatch(
      /round 3: a correction takes about 3 min, a new one about 10.*read for the 3rd time/,
    )
    const remake = read(crown, 'provisional', { ...sound, cracked: true })
    expect(remake).toMatchObject({ verdict: 'again', figures: [{ name: 'bis-acryl' }] })
  })
})

describe('sheet and clamp', () => {
  const good = { points: 4, stable: true, tether: true }
  it('four points, stable, and never without its tether', () => {
    const p = planOf(files.find((f) => f.startsWith('J08'))!)
    expect(read(p, 'sheet', good).verdict).toBe('good')
    expect(read(p, 'sheet', { ...good, tether: false }).says[0]).toContain('airway guard')
    for (const worse of [{ points: 2 }, { stable: false }, { leak: 'at a neck' }])
      expect(read(p, 'sheet', { ...good, ...worse }).verdict).toBe('correct')
  })
})

describe('post space and ferrule', () => {
  const p = planOf(files.find((f) => f.startsWith('J11'))!)
  // C: canal 15 mm with 5 mm of seal 7.5–10.0; 12 mm with 5: 6.0–7.0, the seal decides.
  it('follows canal and seal, and tells what was drilled away', () => {
    expect(read(p, 'post space', { canalMm: 15, sealMm: 5 }).says[0]).toBe('post space 7.5–10 mm')
    expect(read(p, 'post space', { canalMm: 12, sealMm: 5 }).says[0]).toContain('the seal decides')
    expect(read(p, 'post space', { canalMm: 15, sealMm: 5, drilledMm: 11.5 }).says[1]).toContain(
      'only 3.5 mm of root filling left of 5',
    )
    // Half of 9 mm over 5 mm of seal is not there: said at the chair as in the plan.
    expect(read(p, 'post space', { canalMm: 9, sealMm: 5 })).toMatchObject({
      verdict: 'tell',
      says: [expect.anything(), expect.stringContaining('half of the canal cannot be had over this seal')],
    })
    expect(() => read(p, 'post space', { canalMm: 8, sealMm: 7.9 })).toThrow()
  })
  it('a point under 1.5 mm keeps the signature back', () => {
    expect(read(p, 'ferrule', { facial: 2, lingual: 1.2 })).toMatchObject({
      verdict: 'short',
      says: ['lingual: 1.2 mm, short by 0.3 of 1.5'],
    })
    expect(read(p, 'ferrule', { facial: 1.5, lingual: 2 }).verdict).toBe('good')
  })
})

describe('light', () => {
  const p = planOf(files.find((f) => f.startsWith('J08'))!)
  // C: 6 mm with a 2 mm cover is one increment of 4, 7 mm two. Definition: 16 J/cm² at 1000 mW/cm² is 16 s; M: half is left at 8 mm.
  it('depth gives increments, each with its light at its own distance, and tells what the plan did not know', () => {
    expect(read(p, 'depth', { depthMm: 6 }).says[0]).toBe('1 increment: 4 mm, none over 4, deepest point first')
    const seven = read(p, 'depth', { depthMm: 7 })
    expect(seven.says[0]).toContain('2 increments: 2.5 + 2.5 mm')
    const planned = p.steps.filter((s) => /bulk-\d$/.test(s.id)).length
    expect(read(p, 'depth', { depthMm: planned === 2 ? 6 : 7 })).toMatchObject({ verdict: 'tell' })
    expect(read(p, 'depth', { depthMm: planned === 2 ? 7 : 6 })).toMatchObject({ verdict: 'good' })
    const lights = seven.figures.filter((f) => f.unit === 's').map((f) => f.value)
    expect(lights[0]).toBeGreaterThan(lights[1]!)
  })
  it('a dose short of 16 J/cm² says how many seconds more; a weak lamp is told', () => {
    const light = (given: object) => read(p, 'light', { irradianceMWPerCm2: 1000, distanceMm: 0, ...given })
    expect(light({ seconds: 10 }).says[0]).toBe('10 s give about 10 of 16 J/cm² at 0 mm: 6 s more for a 2 mm layer')
    expect(light({ seconds: 40, distanceMm: 8 }).says[0]).toBe(
      '40 s give about 20 J/cm² at 8 mm, of 16 for a 2 mm layer',
    )
    // 1000 mW/cm² × 0.5^(3/8) × 20 s: the dose itself, not what whole seconds make of it.
    expect(light({ seconds: 20, distanceMm: 3 }).says[0]).toContain(
      `about ${Math.round(20 * 0.5 ** (3 / 8) * 10) / 10} of 16`,
    )
    expect(light({ irradianceMWPerCm2: 500, seconds: 40 }).says.join(' ')).toContain('weak light, under 600')
  })
})

describe('mixes', () => {
  it('tint at most a quarter of the whole mix: 0.40 g of base takes 0.133 g', () => {
    const p = planOf(files.find((f) => f.startsWith('J16') && f.includes('deliver'))!)
    expect(read(p, 'tint', { baseG: 0.4, tintG: 0.133 }).verdict).toBe('good')
    expect(read(p, 'tint', { baseG: 0.4, tintG: 0.15 })).toMatchObject({
      verdict: 'correct',
      says: [expect.stringContaining('at most 0.133 g')],
    })
  })
  it('a solution made weaker holds what the stock held, and is never made stronger', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 120 }),
        fc.integer({ min: 1, max: 120 }),
        fc.integer({ min: 1, max: 500 }),
        (a, b, volume) => {
          const [stock, wanted] = [Math.max(a, b) / 10, Math.min(a, b) / 10]
          const mix = dilution(stock, wanted, volume)
          expect(mix.stock.value * stock).toBeCloseTo(wanted * volume, 0)
          expect(mix.stock.value + mix.water.value).toBeCloseTo(volume, 2)
        },
      ),
    )
    expect(() => dilution(3, 5, 10)).toThrow(RangeError)
    const p = planOf(files.find((f) => f.startsWith('J04'))!)
    expect(read(p, 'irrigant', { stockPercent: 5, wantedPercent: 2.5, volumeMl: 20 }).says.join(' ')).toMatch(
      /10 mL of 5 % and 10 mL of water.*only with the sheet on/,
    )
    expect(() => read(p, 'irrigant', { stockPercent: 2.5, wantedPercent: 5, volumeMl: 20 })).toThrow(/weaker/)
  })
  // P: ISO 3630-1, sizes of files. C: points one or two sizes under the master.
  it('a line of the canal table: length, master, patency, wash; points under the master; what is short gates the filling', () => {
    const p = planOf(files.find((f) => f.startsWith('J04'))!)
    const line = {
      lengthMm: 20.5,
      masterSize: 25,
      taperPercent: 4,
      patency: 'patent',
      irrigantPercent: 3,
      agitatedS: 20,
    }
    const good = read(p, 'canal', line)
    expect(good.verdict).toBe('good')
    expect(good.says).toEqual([
      expect.stringMatching(/: 20\.5 mm, 25\/\.04, patent, hypochlorite 3 %, agitated 20 s$/),
      'points of size 20 or 15',
    ])
    expect(read(p, 'canal', { ...line, agitatedS: 5 })).toMatchObject({ verdict: 'correct' })
    expect(read(p, 'canal', { ...line, patency: 'not patent', boundSize: 20 })).toMatchObject({ verdict: 'tell' })
    expect(() => read(p, 'canal', { ...line, masterSize: 26 })).toThrow(/no file of size 26/)
    expect(() => read(p, 'canal', { ...line, glideSize: 25 })).toThrow(/larger/)
    // Every canal of it is read before the length is signed, and with it the filling begun.
    const hold = p.holds.find((h) => h.name === 'length')!
    expect(hold.restsOn?.length).toBeGreaterThan(0)
    const unread = stillToRead(p, { measured: [] }, hold)
    expect(unread.map((r) => r.stepId)).toEqual(hold.restsOn)
    expect(unread[0]!.words).toMatch(/^\d\d canal /)
  })
  // M: 17 mL of water to a scoop. C: one scoop to one drop.
  it('powder to liquid', () => {
    const p = planOf('J01-bonded-ceramic-bridge-preparation')
    expect(read(p, 'alginate', { scoops: 2, waterMl: 34 }).verdict).toBe('good')
    expect(read(p, 'alginate', { scoops: 2, waterMl: 51 }).says[0]).toContain('50 % too much water')
    const amalgam = planOf(files.find((f) => f.startsWith('J07'))!)
    expect(read(amalgam, 'base', { scoops: 1, drops: 1 }).verdict).toBe('good')
    expect(read(amalgam, 'base', { scoops: 1, drops: 2 }).says[0]).toContain('wet')
  })
})

// M: US product labels; American Academy of Pediatric Dentistry, Use of Local Anesthesia. 2 % × 1.8 mL = 36 mg, 4 % × 1.7 mL = 68 mg by arithmetic.
describe('anaesthetic ledger', () => {
  const child = planOf(files.find((f) => f.startsWith('J17'))!)
  it('a child of 20 kg: 88 mg of lidocaine is the ceiling, 2.4 cartridges; past it the dentist reviews, and it is never a permission', () => {
    const under = read(child, 'anaesthetic', { lidocaine: 2, weightKg: 20 })
    expect(under.verdict).toBe('tell')
    expect(under.says.join(' ')).toMatch(/72 mg.*82 % of the ceiling.*not a permission/)
    expect(under.figures.find((f) => f.name.includes('children'))).toMatchObject({ value: 88, standing: 'M' })
    const over = read(child, 'anaesthetic', { lidocaine: 2.5, weightKg: 20 })
    expect(over.verdict).toBe('review')
    expect(over.says.join(' ')).toContain('OVER the ceiling of the children’s table')
    expect(read(child, 'anaesthetic', { lidocaine: 1 })).toMatchObject({ verdict: 'review' })
  })
  it('mixed agents add up as fractions, in both tables; an alert is told', () => {
    // 70 kg: lidocaine 7 mg/kg → 490; articaine 7 mg/kg → 490. 6 × 36 / 490 + 4 × 68 / 490 = 0.996.
    expect(read(crown, 'anaesthetic', { lidocaine: 6, articaine: 4, weightKg: 70 }).says.join(' ')).toMatch(
      /adults: 100 % of the ceiling, the agents added up/,
    )
    expect(read(crown, 'anaesthetic', { lidocaine: 7, articaine: 4, weightKg: 70 }).verdict).toBe('review')
    expect(read(crown, 'anaesthetic', { mepivacaine: 2, weightKg: 70 }).says.join(' ')).toContain(
      'adults: one of these is not listed there',
    )
    expect(readingTable.anaesthetic.readings.safeParse({ lidocaine: -1 }).success).toBe(false)
  })
})

describe('shade', () => {
  it('is taken by thirds on a wet tooth by daylight; dry or under the operatory light it is taken again', () => {
    const good = { middle: 'm2', neck: 'm3', edge: 'c1', light: 'daylight', wet: true }
    expect(read(crown, 'shade', good, {}).verdict).toBe('good')
    expect(read(crown, 'shade', { ...good, wet: false }).verdict).toBe('correct')
    expect(read(crown, 'shade', { ...good, light: 'operatory light' }).verdict).toBe('correct')
    expect(readingTable.shade.readings.safeParse({ light: 'daylight', wet: true }).success).toBe(false)
  })
})
