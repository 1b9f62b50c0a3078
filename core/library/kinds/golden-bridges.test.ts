/** Bridges, read line by line: J01, J02, J05, J20, and what comes between and after. How: golden.test.ts. */
import { describe, expect, it } from 'vitest'
import { planOf, title, inOrder, tie, own, laid, burs, figure, counts } from '../../../demo/test/plans'

describe('J01, bonded ceramic bridge', () => {
  it('preparation: place judged before the needle; draw, concave lingual in enamel, ledge; polyether in a custom tray, blocked out; no anaesthesia, nothing hurts', () => {
    const p = planOf('J01-bonded-ceramic-bridge-preparation')
    inOrder(
      p,
      'records.place',
      'records.shade',
      'impression.paint-tray',
      'cutting.draw.31',
      'cutting.draw.42',
      'cutting.concavity.31',
      'cutting.ledge.31',
      'cutting.finish.31',
      'cutting.retainer-check',
      'impression.block-out',
      'impression.load-syringe',
      'impression.inspect',
      'impression.bite-record',
      'records.pontic-note',
    )
    expect(burs(p).slice(0, 6)).toEqual([
      'proximal: flat-end taper 1',
      'proximal: flat-end taper 1',
      'lingual: football 1.2',
      'lingual: football 1.2',
      'lingual: round 1',
      'lingual: round 1',
    ])
    expect(p.choices.impression).toMatchObject({ value: 'polyether, custom tray', from: 'default' })
    expect(title(p, 'records.pontic-note')).toContain('flat on the tongue side')
    // In enamel above the gum: nothing is packed, and nothing hurts.
    expect(p.steps.some((s) => s.cord !== undefined || s.hurts)).toBe(false)
    expect(p.absent.find((a) => a.what === 'cord')!.because.text).toContain('in enamel above the gum')
    expect(p.followUps[0]).toMatchObject({ kind: 'bridge.ceramic.deliver' })
  })
  it('delivery: alcohol, disclosed, etch 60 s signed as frosted, cement, tack, 60 s front and back of each retainer = 240 s, knotted threader, foil', () => {
    const p = planOf('J01-bonded-ceramic-bridge-delivery')
    inOrder(
      p,
      'delivery.try-in',
      'delivery.shade',
      'isolation.dam-on',
      'isolation.tie.31',
      'isolation.tie.42',
      'delivery.clean-piece',
      'delivery.prime-piece',
      'delivery.piece-adhesive',
      'delivery.alcohol',
      'delivery.antiseptic',
      'delivery.etch',
      'delivery.etch-rinse',
      'delivery.adhesive',
      'delivery.seat',
      'delivery.excess',
      'delivery.cure-front.31',
      'delivery.cure-back.42',
      'isolation.dam-off',
      'finishing.edges',
      'finishing.threader',
      'finishing.foil',
    )
    // On enamel alone the bond is enough; what is done to the piece is done before the teeth are etched.
    expect([own(p, 'delivery.etch'), own(p, 'delivery.prime-piece')]).toEqual([60, 60])
    expect(p.steps.some((s) => s.id === 'delivery.primer')).toBe(false)
    const cures = p.steps.filter((s) => s.id.startsWith('delivery.cure-')).map((s) => own(p, s.id)!)
    expect(cures).toEqual([60, 60, 60, 60])
    expect(figure(p, 'delivery.cure-front.31', /final cure/)!.value).toBe(cures.reduce((a, b) => a + b, 0))
    expect(title(p, 'delivery.excess')).toContain('Tack about 1 s, then scrape')
    expect(p.holds.map((h) => h.id)).toEqual(['numb', 'fit', 'shade', 'etched', 'bite', 'counts', 'home'])
    // The gap tooth gets no hole: seven holes, six pieces between them.
    expect(counts(p)).toEqual(['needle 1', 'dam-pieces 6'])
    expect(p.followUps.map((f) => f.kind)).toEqual(['recall.week', 'recall.half-year'])
  })
})

describe('J02, bonded metal bridge', () => {
  it('preparation: room first and the opponent eased, before needle and impressions; electrosurgery for overgrown tissue, outline in pencil, light enamel work, silicone, tissue recall', () => {
    const p = planOf('J02-bonded-metal-bridge-preparation')
    inOrder(
      p,
      'records.room',
      'records.opponent',
      'anaesthesia.topical',
      'records.opposing',
      'anaesthesia.test',
      'tissue.trim',
      'cutting.outline',
      'cutting.concavity.21',
      'cutting.draw.23',
      'impression.load-syringe',
      'impression.inspect',
    )
    expect(title(p, 'tissue.trim')).toContain('electrosurgery')
    expect(['electrosurgery-unit', 'plastic-mirror', 'suction-tip-plastic'].every((id) => laid(p, id))).toBe(true)
    expect(p.followUps.map((f) => [f.kind, f.afterWorkingDays])).toEqual([
      ['bridge.metal.try-in', 5],
      ['recall.week', 5],
    ])
  })
  it('try-in: fit and shade before the metal is etched, then back', () => {
    inOrder(
      planOf('J02-bonded-metal-bridge-try-in'),
      'arrival.piece',
      'delivery.try-in',
      'delivery.shade',
      'delivery.back-to-lab',
    )
  })
  it('delivery: every abutment tied, etch 60 s till dull, 60 s of vacuum, cement’s mix not before 20 s, seated within 90 s of the first mix', () => {
    const p = planOf('J02-bonded-metal-bridge-delivery')
    inOrder(
      p,
      'isolation.dam-on',
      'isolation.tie.21',
      'isolation.tie.23',
      'delivery.seat-try',
      'delivery.clean-piece',
      'delivery.vacuum',
      'delivery.pumice',
      'delivery.etch',
      'delivery.bond-mix',
      'delivery.cement-mix',
      'delivery.seat',
      'delivery.hold',
      'isolation.dam-off',
      'delivery.excess',
      'delivery.fingers',
      'delivery.bite',
    )
    expect([own(p, 'delivery.etch'), own(p, 'delivery.vacuum')]).toEqual([60, 60])
    expect(tie(p, 'delivery.bond-mix', 'delivery.cement-mix')).toMatchObject({
      fromEdge: 'start',
      toEdge: 'start',
      atLeastS: 20,
    })
    expect(tie(p, 'delivery.bond-mix', 'delivery.seat')).toMatchObject({
      fromEdge: 'start',
      toEdge: 'finish',
      atMostS: 90,
      again: [
        'delivery.clean-piece',
        'delivery.vacuum',
        'delivery.etch',
        'delivery.etch-rinse',
        'delivery.bond-mix',
        'delivery.cement-mix',
        'delivery.seat',
      ],
    })
  })
})

describe('J05, crown first visit, and a bridge with a pontic', () => {
  it('the provisional is made while the cord dwells; dual-arch tray; scaler, knotted floss, instructions', () => {
    const p = planOf('J05-crown-first-visit')
    inOrder(
      p,
      'records.preliminary',
      'cutting.finish.36',
      'tissue.single-cord.36',
      'provisional.mix',
      'provisional.trim',
      'tissue.draw-cord.36',
      'impression.inject',
      'impression.seat',
      'impression.inspect',
      'provisional.try-in',
      'provisional.cement',
      'provisional.excess',
      'closing.instructions',
      'closing.chart',
    )
    expect(tie(p, 'tissue.single-cord.36', 'impression.rinse')).toMatchObject({ atLeastS: 300 })
    expect(laid(p, 'dual-arch-tray')).toBeDefined()
  })
  it('three units: two abutments cut act by act, full arch, double cord drawn in one train, dried once, washed in one go, the pontic’s bis-acryl counted, room in the mould for it', () => {
    const p = planOf('J05-three-unit-bridge')
    inOrder(
      p,
      'cutting.occlusal.24',
      'cutting.occlusal.26',
      'cutting.bevel.24',
      'tissue.base-cord.24',
      'tissue.top-cord.26',
      'impression.rinse',
      'impression.load-syringe',
      'tissue.draw-cord.24',
      'tissue.draw-cord.26',
      'impression.dry',
      'impression.inject',
      'impression.seat',
      'impression.inspect',
      'tissue.base-out.24',
      'impression.bite-record',
    )
    expect(p.title).toContain('3-unit bridge')
    expect(laid(p, 'full-tray-upper')).toBeDefined()
    // M: crown of 25 is 7 × 9 × 8.5 mm × 0.65, whole: 0.35 mL × 1.4 = 0.49, so the floor of 1.0 mL; 3 units and 1.2 in the tip, 26 a little over its floor.
    expect(laid(p, 'bis-acryl')!.quantity).toBeGreaterThanOrEqual(4.2)
    expect(p.steps.find((s) => s.id === 'provisional.separate')!.detail).toContain('25 (UL5)')
    expect(new Set(p.burs.map((b) => b.bur?.id)).size).toBe(p.burs.length)
  })
})

describe('J20, many lower units', () => {
  it('guide from the wax-up, airway watch, carbide finish, laser on overgrown tissue, paste, slow large silicone, matrix provisional that comes off, second shell for the surgeon', () => {
    const p = planOf('J20-many-lower-units')
    inOrder(
      p,
      'records.reduction-guide',
      'records.try-matrix',
      'cutting.groove-functional.34',
      'cutting.finish.34',
      'cutting.reduction-check',
      'tissue.trim',
      'tissue.paste',
      'impression.seat',
      'impression.inspect',
      'provisional.seat',
      'provisional.lift',
      'provisional.second-shell',
      'provisional.removable',
      'provisional.cement',
    )
    expect(
      p.steps
        .find((s) => s.cut)!
        .cautions.map((c) => c.text)
        .join(),
    ).toContain('Airway watch')
    expect(laid(p, 'silicone-light')).toMatchObject({ readiness: 'open' })
    expect(laid(p, 'silicone-light-fast')).toBeUndefined()
    expect(['laser', 'laser-goggles', 'astringent-paste', 'full-tray-lower'].every((id) => laid(p, id))).toBe(true)
    expect(title(p, 'provisional.removable')).toContain('must come off again')
  })
})

describe('between and after', () => {
  it('a bonded delivery after a eugenol provisional: named with its date, cleaned, the cement chosen by the dentist', () => {
    const p = planOf('crown-delivery-bonded')
    inOrder(
      p,
      'arrival.piece',
      'delivery.provisional-off',
      'delivery.clean',
      'delivery.try-in',
      'delivery.shade',
      'delivery.cement-choice',
      'delivery.etch',
      'delivery.seat',
      'delivery.excess',
      'delivery.cure-facial',
    )
    expect(p.clashes.find((c) => c.id === 'eugenol-earlier')).toMatchObject({
      severity: 'ask',
      what: expect.stringContaining('2026-11-09'),
    })
    expect(p.steps.find((s) => s.id === 'delivery.clean')!.cautions[0]!.text).toContain('eugenol')
  })
  it('inlays are never bitten on before they are bonded, and go in one by one under the sheet', () => {
    const p = planOf('inlay-delivery')
    inOrder(
      p,
      'isolation.dam-on',
      'delivery.try-in',
      'delivery.15.etch',
      'delivery.15.seat',
      'delivery.15.cure-occlusal',
      'delivery.16.seat',
      'finishing.edges',
      'isolation.dam-off',
    )
    expect(p.steps.find((s) => s.id === 'delivery.try-in')!.detail).toContain('Never bitten on')
  })
  it('a long span is tried in and its provisional goes back; recalls look at tissue and threaded floss', () => {
    inOrder(
      planOf('bridge-try-in'),
      'delivery.try-in',
      'delivery.pontic',
      'delivery.room',
      'delivery.shade-again',
      'provisional.cement',
    )
    inOrder(planOf('recall-week'), 'recall.tissue', 'recall.floss', 'recall.colour')
    inOrder(planOf('recall-half-year'), 'recall.retainers', 'recall.edges', 'recall.polish')
  })
  it('two fillings under one sheet', () => {
    inOrder(
      planOf('two-fillings-one-sheet'),
      'isolation.dam-on',
      'filling.36.cover',
      'filling.37.condense@filling.amalgam',
      'isolation.dam-off@filling.amalgam',
      'filling.37.bite@filling.amalgam',
    )
  })
})
