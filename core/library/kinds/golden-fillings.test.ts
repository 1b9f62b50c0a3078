/** Fillings and inlays, read line by line: J07 to J10, J12, J15, J21. How: golden.test.ts. */
import { starterPractice } from '../../practice/starter'
import { toTooth } from '../../teeth/notation'
import { describe, expect, it } from 'vitest'
import { compile } from '../../plan/compile'
import { visitRequest } from '../../model/request'
import { planOf, practice, title, inOrder, tie, own, laid, burs, figure, counts } from '../../../demo/test/plans'

describe('J07, amalgam', () => {
  it('the full pass list: bur, slow round, hand instruments, band, base 1 : 1, triturate, condense, carve, band off, sides, roll, floss, sheet off with its pieces, paper till even', () => {
    const p = planOf('J07-amalgam')
    inOrder(
      p,
      'isolation.dam-on',
      'cutting.outline.36',
      'cutting.caries.36',
      'cutting.box-edges.36',
      'filling.36.read',
      'filling.36.matrix',
      'filling.36.base-mix',
      'filling.36.base',
      'filling.36.triturate',
      'filling.36.condense',
      'filling.36.carve',
      'filling.36.matrix-off',
      'filling.36.sides',
      'filling.36.wet-roll',
      'filling.36.floss',
      'isolation.dam-off',
      'filling.36.bite',
      'finishing.roll',
      'closing.instructions',
    )
    expect(p.steps.find((s) => s.id === 'cutting.box-edges.36')!.passes).toEqual([
      'chisel',
      'hatchet',
      'gingival margin trimmer',
    ])
    expect(p.steps.find((s) => s.id === 'filling.36.condense')!.passes).toEqual([
      'carrier',
      'small condenser',
      'carrier',
      'large condenser',
    ])
    expect(figure(p, 'filling.36.base', /base/)!.text).toContain('one scoop of powder to one drop')
    expect(title(p, 'filling.36.bite')).toContain('without clenching')
    expect(counts(p)).toEqual(['needle 1', 'dam-pieces 8', 'matrix.36 2'])
  })
})

describe('J08, bulk-fill', () => {
  it('6 mm deep: one bulk increment of 4 and a 2 mm cover; pressed to the neighbour while curing; self-etch 20 s; floss; two polishers', () => {
    const p = planOf('J08-bulk-fill')
    inOrder(
      p,
      'cutting.caries.26',
      'filling.26.matrix',
      'filling.26.etch',
      'filling.26.primer',
      'filling.26.primer-air',
      'filling.26.adhesive',
      'filling.26.adhesive-cure',
      'filling.26.depth',
      'filling.26.bulk-1',
      'filling.26.bulk-1-cure',
      'filling.26.cover',
      'filling.26.cover-cure',
      'filling.26.matrix-off',
      'filling.26.floss',
      'filling.26.finish',
      'filling.26.finish-polish',
    )
    expect(p.steps.filter((s) => /bulk-\d+$/.test(s.id))).toHaveLength(1)
    expect(title(p, 'filling.26.bulk-1')).toContain('4 mm')
    expect(title(p, 'filling.26.bulk-1-cure')).toContain('Press to the neighbour')
    expect(own(p, 'filling.26.primer')).toBe(20)
    // M: 16 J/cm² at 1000 mW/cm², half left at 8 mm; 2 mm away that is 20 s.
    expect(own(p, 'filling.26.bulk-1-cure')).toBe(20)
  })
})

describe('J09, injection-moulded', () => {
  it('warmer on ten minutes before; pre-wedge in and out; powder; disc; depth picks the band; etch 20, primer 20, bond; beads; wet again; inject; 10 s × 3; dry cup, wet cup', () => {
    const p = planOf('J09-injected')
    inOrder(
      p,
      'records.warmer',
      'filling.45.pre-wedge',
      'cutting.outline.45',
      'filling.45.pre-wedge-out',
      'filling.45.powder',
      'filling.45.disc-neighbour',
      'filling.45.measure',
      'filling.45.matrix',
      'filling.45.etch',
      'filling.45.primer',
      'filling.45.adhesive',
      'filling.45.beads',
      'filling.45.wet-again',
      'filling.45.inject',
      'filling.45.cure-occlusal',
      // It shades the sides: off before their light.
      'filling.45.ring-off',
      'filling.45.cure-buccal',
      'filling.45.cure-lingual',
      'filling.45.matrix-off',
      'filling.45.cut-back',
      'filling.45.polish-dry',
      'filling.45.polish-wet',
    )
    expect(tie(p, 'records.warmer', 'filling.45.inject')).toMatchObject({ atLeastS: 600 })
    expect(
      ['etch', 'primer', 'cure-occlusal', 'cure-buccal', 'cure-lingual'].map((a) => own(p, `filling.45.${a}`)),
    ).toEqual([20, 20, 10, 10, 10])
    expect(title(p, 'filling.45.matrix')).toContain(
      '6 mm or higher, pressed 5 s, wedge while pressing, ring rocked home',
    )
    expect(title(p, 'filling.45.beads')).toContain('1 s each while the band is pressed to the neighbour; 1 s again')
    expect(title(p, 'filling.45.matrix-off')).toContain('spun out with the haemostat')
    // The guard strip is counted out before the neighbour is disced.
    expect(p.counts.find((c) => c.id === 'guard.45')).toMatchObject({ outStep: 'filling.45.guard-out' })
    inOrder(p, 'filling.45.guard-out', 'filling.45.disc-neighbour')
  })
})

describe('J10, gold inlay and foil', () => {
  it('sheet, second clamp and seal; inlay tried with unfinished margins and cemented; pit by teardrop and inverted cone; powdered gold to two thirds, cohesive for the rest, mallet in step; finished in the same sitting', () => {
    const p = planOf('J10-gold-inlay-and-foil')
    inOrder(
      p,
      'isolation.dam-on',
      'isolation.second-clamp',
      'isolation.seal',
      'isolation.scrub',
      'delivery.try-in',
      'delivery.seat',
      'cutting.pit.24',
      'cutting.undercut.24',
      'foil.24.light',
      'foil.24.powdered',
      'foil.24.cohesive',
      'foil.24.burnish',
      'finishing.discs',
      'finishing.pumice',
      'finishing.fifteen',
      'finishing.one',
      'isolation.dam-off',
      'filling.24.bite',
      'finishing.smooth-again',
    )
    expect(burs(p)).toEqual(['pit: teardrop 1', 'floor: inverted cone 0.6'])
    expect(title(p, 'foil.24.powdered')).toContain('two thirds')
    expect(p.steps.find((s) => s.id === 'finishing.one')!.passes).toEqual(['cup', 'suction', 'air'])
    const alert = compile(visitRequest.parse({ ...p.request, alerts: ['chlorhexidine'] }), practice)
    expect(alert.setup.some((l) => l.id === 'chlorhexidine')).toBe(false)
    expect(alert.clashes.map((c) => c.id)).toContain('chlorhexidine')
  })
})

describe('J12, inlays', () => {
  const p = planOf('J12-inlays')
  it('one two-surface and one three-surface: three boxes, six pieces, base and top, under the sheet; pellets in and out; sheet folded away; dual-arch', () => {
    inOrder(
      p,
      'isolation.dam-on',
      'cutting.outline.15',
      'inlay.primer',
      'inlay.adhesive',
      'inlay.seal-glycerine',
      'isolation.fold',
      'tissue.base-cord.15-mesial',
      'tissue.top-cord.16-distal',
      'tissue.pellets',
      'isolation.dam-off',
      'tissue.bite-gauze',
      'impression.pellets-out',
      'impression.rinse',
      'tissue.draw-cord.15-mesial',
      'tissue.draw-cord.16-distal',
      'impression.dry',
      'impression.inject',
      'impression.seat',
      'impression.inspect',
      'tissue.base-out.16-distal',
      'provisional.separate',
      'provisional.stopping',
      'provisional.paint',
      'provisional.check',
    )
    const pieces = p.counts.filter((c) => /^cord\.(base|top)/.test(c.id))
    expect([pieces.filter((c) => c.id.includes('base')).length, pieces.length]).toEqual([3, 6])
    expect(p.counts.find((c) => c.id === 'pellets')).toMatchObject({ planned: 6 })
    // Three pieces of stopping go in and are meant to stay.
    expect(p.counts.find((c) => c.id === 'stopping')).toMatchObject({ planned: 3, stays: 3 })
    expect(laid(p, 'dual-arch-tray')).toBeDefined()
  })
  it('resin-sealed dentine makes the separator a hold; painted provisional; no flossing, said to the patient', () => {
    expect(p.holds.find((h) => h.id === 'separator')).toMatchObject({ mandatory: true })
    expect(p.steps.find((s) => s.id === 'provisional.paint')!.tell).toContain('do not floss there')
    expect(p.clashes.map((c) => c.id)).toContain('sticky-layer')
  })
})

describe('J15, cervical filling', () => {
  it('worn, not decayed: nothing soft to take out, no outline cut; roughened and bevelled', () => {
    const p = planOf('J15-cervical')
    const worn = compile({ ...p.request, ofTooth: { [toTooth('43')]: { worn: true } } }, starterPractice())
    const cuts = (of: typeof p): string[] =>
      of.steps.flatMap((s) => (s.id.startsWith('cutting.') && s.cut ? [s.id] : []))
    expect(cuts(p)).toEqual(['cutting.outline.43', 'cutting.caries.43', 'cutting.bevel.43', 'cutting.grooves.43'])
    expect(cuts(worn)).toEqual(['cutting.roughen.43', 'cutting.bevel.43'])
  })
  it('cervical clamp, tongue side first, facial jaw 1 mm beyond; crescent; bevel except the gum side; ¼-round grooves 0.25 mm; etch 15, rinse 10, cure 10, increments 20', () => {
    const p = planOf('J15-cervical')
    inOrder(
      p,
      'isolation.dam-on',
      'filling.43.clamp',
      'cutting.outline.43',
      'cutting.bevel.43',
      'cutting.grooves.43',
      'filling.43.etch',
      'filling.43.adhesive',
      'filling.43.adhesive-cure',
      'filling.43.increment-gum',
      'filling.43.increment-incisal',
      'filling.43.flash',
      'filling.43.clamp-off',
      'isolation.dam-off',
    )
    expect(title(p, 'filling.43.clamp')).toContain('tongue-side jaw first, lip-side jaw 1 mm beyond the lesion')
    expect(burs(p)).toEqual(expect.arrayContaining(['cervical: rounded taper 1.2', 'line angles: round 0.5']))
    expect(['etch', 'etch-rinse', 'adhesive-cure', 'increment-gum-cure'].map((a) => own(p, `filling.43.${a}`))).toEqual(
      [15, 10, 10, 20],
    )
  })
  it('with rolls: a 000 cord keeps the fluid out and is counted', () => {
    const rolls = compile(
      visitRequest.parse({
        ...planOf('J15-cervical').request,
        visitChoices: { bondingIsolation: 'rolls and suction' },
      }),
      practice,
    )
    inOrder(rolls, 'isolation.rolls', 'tissue.single-cord.43', 'cutting.outline.43', 'finishing.cords-out')
    expect(laid(rolls, 'cord-000')).toBeDefined()
    expect(counts(rolls)).toContain('cord.single.43 1')
  })
})

describe('J21, cusp by cusp', () => {
  it('numb on both sides; powder; fine flame; selective etch 20; primer 20; thin flowable cured longer than the adhesive alone; four cusps one at a time; stain; cured under glycerine', () => {
    const p = planOf('J21-cusp-by-cusp')
    inOrder(
      p,
      'anaesthesia.test',
      'isolation.dam-on',
      'filling.37.clean',
      'cutting.fissure.37',
      'cutting.caries.37',
      'filling.37.etch',
      'filling.37.primer',
      'filling.37.adhesive',
      'filling.37.flow',
      'filling.37.flow-cure',
      'filling.37.cusp-mesiobuccal',
      'filling.37.cusp-distolingual',
      'filling.37.stain',
      'filling.37.glycerine-cure',
    )
    expect(p.steps.find((s) => s.id === 'anaesthesia.test')!.detail).toContain(
      'lip to the middle, lower left; 38 cheek and tongue side',
    )
    expect(burs(p)[0]).toBe('fissures: flame 1')
    expect(['etch', 'primer'].map((a) => own(p, `filling.37.${a}`))).toEqual([20, 20])
    // Adhesive 10 s and flowable 20 s by one light: both are being cured.
    expect(own(p, 'filling.37.flow-cure')).toBe(30)
    expect(p.steps.filter((s) => /cusp-[a-z]+$/.test(s.id))).toHaveLength(4)
  })
})
