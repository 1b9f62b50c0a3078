/** Variants and combinations of the kinds, read line by line: what each has to say that the plain case has not. How: golden.test.ts. */
import { describe, expect, it } from 'vitest'
import { sheetOf } from '../../picture/sheet'
import { planOf, title, inOrder, laid, counts, burs } from '../../../demo/test/plans'

const titles = (name: string): string =>
  planOf(name)
    .steps.map((s) => s.title)
    .join('\n')

describe('bonded bridges', () => {
  it('J01 behind the canine: advised against, not refused; the place is judged poor before anything is cut', () => {
    const p = planOf('J01-poor-place-behind')
    // C: the chewing load tears it off.
    expect(p.clashes).toContainEqual(expect.objectContaining({ id: 'bridge-place', severity: 'ask' }))
    expect(p.steps.find((s) => s.holdId === 'plan')!.title).toMatch(/^Place judged, poor: 44/)
  })
  it('J02 lower lateral gap between incisor and canine: draw over the edge, no ledge, seating fingers asked for and cut off; the canine stays out of the guidance', () => {
    const p = planOf('J02-lower-lateral-gap')
    expect(titles('J02-lower-lateral-gap')).not.toMatch(/[Ll]edge/)
    const slip = p.steps.find((s) => s.title.startsWith('Slip:'))!
    expect([slip.title, slip.detail]).toEqual([
      expect.stringContaining('seating fingers over it, open embrasures'),
      expect.stringContaining('On the canine the metal does not reach into the guidance'),
    ])
    const delivery = planOf('J02-lower-lateral-delivery')
    expect(delivery.steps.some((x) => x.title.startsWith('Seating fingers cut off'))).toBe(true)
  })
})

describe('crowns', () => {
  it('J03 metal on an upper molar: palatal cusps carry the bite, the cheek wall goes in two planes', () => {
    const p = planOf('J03-upper-molar-in-two-planes')
    expect(title(p, 'cutting.groove-functional.16')).toContain('palatal cusps 1.5 mm')
    expect(p.steps.find((s) => s.title.startsWith('Buccal wall'))!.title).toContain('in two planes')
  })
  it('J05 hydrocolloid second: one polyether, then one hydrocolloid poured at once; the base cord leaves after both are read', () => {
    const p = planOf('J05-hydrocolloid-second')
    inOrder(
      p,
      'impression.seat',
      'impression.inspect',
      'impression.2.seat',
      'impression.2.inspect',
      'tissue.base-out.25',
    )
    expect(title(p, 'impression.2.pour')).toContain('pour at once')
    expect(p.setup.filter((l) => l.readiness === 'open').flatMap((l) => l.needs)).toContain('cooling hoses')
  })
  it('J05 and J13, a provisional beside it: rolls and preliminary impression serve both', () => {
    const p = planOf('provisional-beside-a-crown')
    expect(p.steps.filter((s) => s.title.startsWith('Rolls and cheek retractor in'))).toHaveLength(1)
    expect(p.steps.filter((s) => s.title.startsWith('Preliminary impression'))).toHaveLength(1)
    expect(p.absent.map((a) => a.what)).toContain('a second preliminary impression')
  })
})

describe('veneers', () => {
  it('J06 cord first on 12 and 22: the margin is where the case says, in the text as in the cut', () => {
    expect(titles('J06-veneers-margin-level')).toContain('12: Chamfer 0.3–0.5 mm, level with the gum')
    expect(titles('J06-veneers-margin-under')).toContain('22: Chamfer 0.3–0.5 mm, just under the gum')
    for (const name of ['J06-veneers-margin-level', 'J06-veneers-margin-under']) {
      const p = planOf(name)
      inOrder(p, 'tissue.base-cord.12', 'cutting.depth.12', 'impression.seat', 'tissue.base-out.12')
      expect(counts(p)).toEqual(expect.arrayContaining(['cord.base.12 1', 'cord.base.22 1']))
    }
  })
  it('J16 three laminates of which one is dark: only that one is lowered, in a round of cord of its own', () => {
    const p = planOf('J16-preparation-of-three')
    inOrder(p, 'records.bite', 'cutting.margin.11', 'cutting.lower.11', 'tissue.base-cord.12')
    expect(p.steps.filter((s) => s.id.startsWith('cutting.lower.'))).toHaveLength(1)
  })
})

describe('fillings', () => {
  it('J08 8 mm deep: two increments of 3 mm and a cover of 2 mm, the first pressed to the neighbour', () => {
    const p = planOf('J08-two-increments')
    // C: at most 4 mm an increment; 8 − 2 = 6, in two.
    expect([title(p, 'filling.46.bulk-1'), title(p, 'filling.46.bulk-2'), title(p, 'filling.46.cover')]).toEqual([
      expect.stringContaining('1 of 2: 3 mm'),
      expect.stringContaining('2 of 2: 3 mm'),
      expect.stringContaining('2 mm'),
    ])
    expect(title(p, 'filling.46.bulk-1-cure')).toContain('Press to the neighbour')
    expect(title(p, 'filling.46.bulk-2-cure')).not.toContain('Press')
  })
  it('J15 worn, by cord: nothing soft to take out, no clamp; the cord is counted and comes out wet', () => {
    const p = planOf('J15-worn-by-cord')
    expect(titles('J15-worn-by-cord')).not.toMatch(/[Dd]ecay|[Cc]lamp/)
    expect(counts(p)).toEqual(expect.arrayContaining(['rolls 3', 'cord.single.34 1']))
    expect(burs(p).length).toBeGreaterThan(0)
  })
  it('J08 on two sides: both blocks, each clamp’s gum numb too, one sheet held at both ends, each bite once the sheet is off', () => {
    const p = planOf('two-fillings-on-two-sides')
    const on = p.steps.filter((s) => s.act === 'sheet on')
    expect(on).toHaveLength(1)
    expect(on[0]!.detail).toMatch(/^Clamps on 48 and 37/)
    expect(sheetOf(on[0]!)!.holes.flatMap((h) => (h.clamp ? [h.tooth] : []))).toEqual(['48', '37'])
    expect(laid(p, 'clamp-molar')?.quantity ?? p.setup.find((l) => l.name.startsWith('Clamp, molar'))!.quantity).toBe(2)
    expect(p.steps.find((s) => s.numbed)!.title).toBe(
      'Injections: block and long buccal, lower right; block and long buccal, lower left',
    )
    inOrder(p, 'filling.36.cover', 'filling.46.cover', 'isolation.dam-off', 'filling.36.bite', 'filling.46.bite')
  })
})
