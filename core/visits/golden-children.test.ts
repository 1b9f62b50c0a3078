/** Children, read line by line: J14, J17, J19. How: golden.test.ts. */
import { describe, expect, it } from 'vitest'
import { planOf, title, inOrder, own, laid, figure, counts } from '../../demo/test/plans'

describe('J14, primary incisors under general anaesthesia', () => {
  it('asleep, throat pack in and out as counts and holds, sizes downward, crimp palatal, pulp, cement, wipe toward the gum; a crown of the two tried stays', () => {
    const p = planOf('J14-incisors-asleep')
    inOrder(
      p,
      'asleep.under',
      'asleep.pack-in',
      'asleep.clean',
      'cutting.incisal.51',
      'cutting.slices.51',
      'pulp.51',
      'crown.51.fit',
      'crown.51.crimp',
      'crown.61.fit',
      'crown.together',
      'crown.51.seat',
      'crown.61.seat',
      'crown.rinse',
      'asleep.pack-out',
      'closing.counts',
    )
    expect(counts(p)).toEqual([
      'throat-pack 1',
      'pulp-pellets.51 4',
      'pulp-pellets.61 4',
      'crowns.51 2 (1 stay)',
      'crowns.61 2 (1 stay)',
    ])
    // Cemented together: one set, whatever the number of crowns.
    expect(p.links.filter((l) => l.kind === 'lag' && l.title === 'Cement sets')).toHaveLength(1)
    expect(p.steps.some((s) => s.id.startsWith('anaesthesia'))).toBe(false)
    expect(p.setup.filter((l) => l.family === 'preformed crown' && l.readiness === 'open').map((l) => l.id)).toEqual([
      'faced-crown-upper-central-4',
      'faced-crown-upper-central-3',
    ])
  })
})

describe('J17, class III on a primary front tooth', () => {
  it('wedge; box 0.5 mm into dentine; dovetail half across within the middle third; half strip pulled tight until cured from both sides; floss', () => {
    const p = planOf('J17-class-three-primary')
    inOrder(
      p,
      'filling.52.wedge',
      'cutting.outline.52',
      'cutting.dovetail.52',
      'cutting.bevel.52',
      'filling.52.strip',
      'filling.52.etch',
      'filling.52.box',
      'filling.52.pull',
      'filling.52.cure-front',
      'filling.52.cure-back',
      'filling.52.strip-out',
    )
    expect(title(p, 'cutting.outline.52')).toContain('0.5 mm into dentine')
    expect(title(p, 'cutting.dovetail.52')).toContain('half across at most, within its middle third')
    expect(own(p, 'filling.52.etch')).toBe(15)
    expect(counts(p)).toEqual(expect.arrayContaining(['wedge.52 1', 'strip.52 1']))
  })
})

describe('J19, preformed metal crowns', () => {
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
