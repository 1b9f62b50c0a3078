/** Children, read line by line: J14, J17, J19. How: golden.test.ts. */
import { describe, expect, it } from 'vitest'
import { compile } from '../../plan/compile'
import { planOf, practice, title, inOrder, own, laid, figure, counts, burs } from '../../../demo/test/plans'

describe('J14, primary incisors under general anaesthesia', () => {
  it('asleep, throat pack in and out as counts and holds, sizes downward, crimp palatal, pulp, cement, wipe toward the gum; a crown of the two tried stays', () => {
    const p = planOf('J14-incisors-asleep')
    const back = (id: string): string => `${id}@primary.metal-crown`
    inOrder(
      p,
      'asleep.under',
      'asleep.pack-in',
      'asleep.clean',
      // Back teeth first: both fitted, both seated, one set waited for.
      back('cutting.occlusal.74'),
      back('crown.74.fit'),
      back('crown.84.fit'),
      back('crown.74.seat'),
      back('crown.84.seat'),
      back('crown.excess'),
      'cutting.incisal.52',
      'cutting.slices.52',
      'pulp.52',
      'pulp.62',
      'pulp-points.62',
      'pulp-fill.62',
      'pulp-dry.62',
      'crown.52.fit',
      'crown.52.crimp',
      'crown.62.fit',
      'crown.together',
      'crown.52.seat',
      'crown.62.seat',
      'crown.rinse',
      'asleep.pack-out',
      'closing.counts',
    )
    expect(counts(p)).toEqual([
      'throat-pack 1',
      'gauze 16',
      'dam-pieces@primary.metal-crown 9',
      'crowns.74@primary.metal-crown 2 (1 stay)',
      'crowns.84@primary.metal-crown 2 (1 stay)',
      'pulp-pellets.52 4',
      'pulp-points.62 2',
      'pulp-pellets.62 2',
      'crowns.52 2 (1 stay)',
      'crowns.62 2 (1 stay)',
    ])
    // Of one the crown's pulp, of the other all of it, its root filled with what goes away with it.
    expect([title(p, 'pulp.52'), title(p, 'pulp.62')]).toEqual([
      expect.stringContaining('Pulpotomy of 52'),
      expect.stringContaining('Pulpectomy of 62'),
    ])
    expect(title(p, 'pulp-fill.62')).toContain('resorbable paste')
    // Nobody asleep bites on a roll, or coughs.
    const said = JSON.stringify(p.steps.map((x) => [x.title, x.passes, x.cautions]))
    expect(said).not.toMatch(/child bites|upright enough to cough/)
    expect(title(p, back('crown.bite'))).toContain('closed by hand')
    // Cemented together: one set for the back teeth, one for the front, whatever the number of crowns.
    expect(p.links.filter((l) => l.kind === 'lag' && l.title === 'Cement sets')).toHaveLength(2)
    expect(p.steps.some((s) => s.id.startsWith('anaesthesia'))).toBe(false)
    expect(p.setup.filter((l) => l.id.startsWith('faced-crown') && l.readiness === 'open').map((l) => l.id)).toEqual([
      'faced-crown-upper-lateral-4',
      'faced-crown-upper-lateral-3',
    ])
  })
})

describe('J17, class III on a primary front tooth', () => {
  it('shade first; wedge; pear, box 0.5 mm into dentine, no lock; gum dry; wedge out and in again with half a strip, pulled tight until cured from both sides; floss after finishing', () => {
    const p = planOf('J17-class-three-primary')
    inOrder(
      p,
      'records.shade',
      'isolation.dam-on',
      'filling.52.wedge',
      'cutting.outline.52',
      'cutting.bevel.52',
      'filling.52.bleeding',
      'filling.52.strip',
      'filling.52.etch',
      'filling.52.box',
      'filling.52.pull',
      'filling.52.cure-front',
      'filling.52.cure-back',
      'filling.52.strip-out',
      'filling.52.finish',
      'filling.52.floss',
    )
    expect(title(p, 'cutting.outline.52')).toContain('0.5 mm into dentine')
    expect(burs(p)[0]).toMatch(/^proximal: pear/)
    expect(p.steps.some((s) => s.id.startsWith('cutting.lock'))).toBe(false)
    expect(title(p, 'filling.52.strip')).toContain('wedge in again')
    expect(own(p, 'filling.52.etch')).toBe(15)
    expect(counts(p)).toEqual(expect.arrayContaining(['wedge.52 1', 'strip.52 1', 'pellet.52 1']))
  })
  it('a lock only where it is wanted, on either side, half across at most within the middle third; a sectional band instead of the strip', () => {
    const p = planOf('J17-with-lock')
    inOrder(p, 'cutting.outline.62', 'cutting.lock.62', 'cutting.caries.62', 'filling.62.strip')
    expect(title(p, 'cutting.lock.62')).toBe('Lock on the inner side: half across at most, within the middle third')
    expect(title(p, 'filling.62.strip')).toContain('sectional band')
    expect(laid(p, 'band-sectional')?.readiness).toBe('open')
    const front = compile({ ...p.request, visitChoices: { ...p.request.visitChoices, lock: 'front' } }, practice)
    expect(title(front, 'cutting.lock.62')).toContain('Lock from the front')
  })
})

describe('J19, preformed metal crowns', () => {
  it('outside the box: the smallest is slit, overlapped and welded, the largest widened with band, before the edge is shaped', () => {
    const p = planOf('J19-preformed-crowns-outside-the-box')
    inOrder(p, 'crown.84.size', 'crown.84.slit', 'crown.84.contour', 'crown.84.fit', 'crown.85.band', 'crown.85.fit')
    expect(figure(p, 'crown.84.size', /size/)!.text).toContain('= 0, the 2 is the smallest')
    expect(figure(p, 'crown.85.size', /size/)!.text).toContain('= 8, the 7 is the largest')
    // Then the welder and the band are laid out, not only near by.
    expect([laid(p, 'welder')?.readiness, laid(p, 'band-material')?.readiness]).toEqual(['open', 'open'])
  })
  it('conventional on 75: occlusal 1–2, slices 2–5° without a ledge, round off; size, contour (smile), crimp, fit signed, lingual to buccal; one of two stays; 20 kg: 88 mg, 2.4 cartridges (M)', () => {
    const p = planOf('J19-preformed-crown')
    inOrder(
      p,
      'cutting.occlusal.75',
      'cutting.slice-mesial.75',
      'cutting.slice-distal.75',
      'cutting.round.75',
      'isolation.dam-off',
      'crown.75.size',
      'crown.75.contour',
      'crown.75.fit',
      'crown.75.cement',
      'crown.75.seat',
      'crown.75.excess',
      'crown.bite',
    )
    expect(title(p, 'crown.75.contour')).toContain('buccal smile')
    expect(title(p, 'crown.75.seat')).toContain('from lingual to buccal')
    expect(counts(p)).toContain('crowns.75 2 (1 stay)')
    expect(laid(p, 'welder')).toMatchObject({
      readiness: 'standby',
      when: expect.stringContaining('slit, overlap, weld'),
    })
    const ceiling = figure(p, 'anaesthesia.inject', /ceiling/)!
    expect([ceiling.value, ceiling.standing]).toEqual([88, 'M'])
    expect(ceiling.text).toContain('2.4 cartridges of 36 mg')
  })
  it('sealed in on 74: no cutting, no anaesthesia, stretched S, the high bite said to the parent', () => {
    const p = planOf('J19-preformed-crown-sealed-in')
    expect(p.steps.some((s) => s.cut || s.id.startsWith('anaesthesia'))).toBe(false)
    expect(title(p, 'crown.74.contour')).toContain('buccal stretched S')
    expect(p.steps.find((s) => s.id === 'crown.74.seat')!.tell).toContain('settles by itself')
  })
})
