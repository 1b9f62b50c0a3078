/**
 * The visits of demo/cases, read line by line against the trade. Each J-number's test says in words what its reading in
 * demo/cases/readings has to say, with the standing of each figure (common practice where nothing else is named); the
 * reading itself is then held to the letter, so that no line of a plan changes unseen.
 * After a meant change: `npm run readings`, and read what changed.
 */
import { isClock } from '../model/link'
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { compile } from '../plan/compile'
import { readPlan } from '../plan/text'
import { visitRequest } from '../model/request'
import type { Plan } from '../model/plan'
import { starterPractice } from '../practice/starter'
import { coverage } from '../../scripts/coverage'
import { kindIds, kindTable } from '../kinds'

const practice = starterPractice()
const files = readdirSync('demo/cases')
  .filter((f) => f.endsWith('.json'))
  .map((f) => f.replace('.json', ''))
const plans = new Map<string, Plan>()
function planOf(name: string): Plan {
  const known =
    plans.get(name) ??
    compile(visitRequest.parse(JSON.parse(readFileSync(`demo/cases/${name}.json`, 'utf8'))), practice)
  plans.set(name, known)
  return known
}

const title = (p: Plan, id: string): string => p.steps.find((s) => s.id === id)?.title ?? `no step ${id}`
/** The ids stand in the plan in this order. */
function inOrder(p: Plan, ...ids: string[]): void {
  const at = ids.map((id) => p.steps.findIndex((s) => s.id === id))
  expect(
    ids.filter((_, i) => at[i] === -1),
    'missing',
  ).toEqual([])
  expect(at, ids.join(' → ')).toEqual(at.toSorted((a, b) => a - b))
}
const tie = (p: Plan, from: string, to: string) => p.links.filter(isClock).find((l) => l.from === from && l.to === to)
/** Seconds of the clock within a step. */
const own = (p: Plan, id: string): number | undefined => tie(p, id, id)?.atLeastS
const laid = (p: Plan, id: string) => p.setup.find((l) => l.id === id)
const burs = (p: Plan): string[] =>
  p.burs.flatMap((b) => b.cuts.map((c) => `${c.surface}: ${b.bur?.shape} ${b.bur?.diameterMm}`))
const figure = (p: Plan, step: string, name: RegExp) =>
  p.steps.find((s) => s.id === step)!.figures.find((f) => name.test(f.name))
const counts = (p: Plan): string[] => p.counts.map((c) => `${c.id} ${c.planned}${c.stays ? ` (${c.stays} stay)` : ''}`)

describe('every J-number and every kind has a case', () => {
  it('J01 to J21, and each kind of the table', () => {
    const kinds = new Set(files.map((f) => planOf(f).kind))
    expect(kindIds.filter((k) => !kinds.has(k))).toEqual([])
    const numbers = new Set(Object.values(kindTable).map((k) => k.j))
    for (let n = 1; n <= 21; n++) expect(numbers.has(`J${String(n).padStart(2, '0')}`), `J${n}`).toBe(true)
  })
  it('docs/coverage.md says what they cover, as it is', () => {
    expect(coverage()).toBe(readFileSync('docs/coverage.md', 'utf8'))
  })
  it.each(files)('%s reads as it was reviewed', (name) => {
    expect(readPlan(planOf(name))).toBe(readFileSync(`demo/cases/readings/${name}.txt`, 'utf8'))
  })
})

describe('J01, bonded ceramic bridge', () => {
  it('preparation: place judged first; draw, concave lingual in enamel, ledge; polyether in a custom tray, blocked out; no anaesthesia, nothing hurts', () => {
    const p = planOf('J01-bonded-ceramic-bridge-preparation')
    inOrder(
      p,
      'records.shade',
      'impression.paint-tray',
      'records.place',
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
      'lingual: football 2.3',
      'lingual: football 2.3',
      'lingual: round 1',
      'lingual: round 1',
    ])
    expect(p.choices.impression).toMatchObject({ value: 'polyether, custom tray', from: 'default' })
    expect(title(p, 'records.pontic-note')).toContain('flat on the tongue side')
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
      'delivery.alcohol',
      'delivery.etch',
      'delivery.etch-rinse',
      'delivery.piece-adhesive',
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
    expect([own(p, 'delivery.etch'), own(p, 'delivery.adhesive')]).toEqual([60, 20])
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
  it('preparation: room first, electrosurgery for overgrown tissue, outline in pencil, light enamel work, opponent eased, silicone, tissue recall', () => {
    const p = planOf('J02-bonded-metal-bridge-preparation')
    inOrder(
      p,
      'anaesthesia.test',
      'records.room',
      'tissue.trim',
      'cutting.outline',
      'cutting.concavity.21',
      'cutting.ledge.23',
      'cutting.opponent',
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
      'delivery.pumice',
      'delivery.etch',
      'delivery.vacuum',
      'delivery.bond-mix',
      'delivery.cement-mix',
      'delivery.seat',
      'delivery.hold',
      'isolation.dam-off',
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
      again: ['delivery.vacuum', 'delivery.bond-mix', 'delivery.cement-mix', 'delivery.seat'],
    })
  })
})

describe('J03, full metal crown', () => {
  it('index made, sectioned and checked before cutting; functional cusp 1.5, other 1.0; halves; bevel 45°; alignment grooves; contacts before the torpedo; seating groove last', () => {
    const p = planOf('J03-full-metal-crown')
    inOrder(
      p,
      'records.putty-index',
      'records.section-index',
      'records.check-index',
      'cutting.groove-functional.47',
      'cutting.groove-other.47',
      'cutting.occlusal-first.47',
      'cutting.occlusal-second.47',
      'cutting.bevel.47',
      'cutting.align-facial.47',
      'cutting.align-inner.47',
      'cutting.contact-mesial.47',
      'cutting.margin.47',
      'cutting.finish.47',
      'cutting.seating-groove.47',
      'cutting.reduction-check',
    )
    // C: on a lower molar the buccal cusps carry the bite.
    expect([title(p, 'cutting.groove-functional.47'), title(p, 'cutting.groove-other.47')]).toEqual([
      expect.stringContaining('buccal cusps 1.5 mm'),
      expect.stringContaining('lingual cusps 1.0 mm'),
    ])
    expect(burs(p)).toEqual(expect.arrayContaining(['mesial: needle 0.9', 'margin: torpedo 1.2']))
    expect(p.holds.find((h) => h.id === 'reduction')!.title).toBe('Clearance, chamfer, taper')
    expect(p.absent.map((a) => a.what)).toEqual(expect.arrayContaining(['shade', 'distal contact of 47']))
  })
})

describe('J04, root canal, core and crown in one visit', () => {
  const p = planOf('J04-root-canal-core-crown')
  it('wall before the preliminary impression; occlusal first; sheet and block-out; each canal by locator and files; agitation 15 s a canal; cones to length signed; 2 mm below the orifice', () => {
    inOrder(
      p,
      'records.wall',
      'records.preliminary',
      'cutting.occlusal.46',
      'cutting.caries.46',
      'isolation.dam-on',
      'isolation.seal',
      'cutting.access.46',
      'canal.orifice.46-MB',
      'canal.length.46-MB',
      'canal.shape.46-MB',
      'canal.shape.46-D',
      'canal.agitate.46',
      'canal.cones.46',
      'canal.dry.46',
      'canal.fill.46-MB',
      'canal.cut-back.46',
    )
    expect(title(p, 'isolation.dam-on')).toBe('Dam on, one hole: 46')
    expect(own(p, 'canal.agitate.46')).toBe(3 * 15)
    expect(p.holds.find((h) => h.id === 'length')).toMatchObject({ stepId: 'canal.cones.46' })
    expect(title(p, 'canal.cut-back.46')).toContain('2 mm below the orifice')
    expect(
      p.steps
        .filter((s) => s.needs.some((n) => n.what === 'hypochlorite'))
        .every((s) => s.cautions.some((c) => c.text.startsWith('Hypochlorite'))),
    ).toBe(true)
  })
  it('core: etch 5 s, 4 min set; film; then the walls; one cord and a short piece at the deep spot; scan; provisional out of the bite; back in a week', () => {
    inOrder(
      p,
      'core.band',
      'core.etch',
      'core.place',
      'core.set',
      'core.band-off',
      'isolation.dam-off',
      'core.film',
      'cutting.axial-facial.46',
      'cutting.margin.46',
      'tissue.single-cord.46',
      'tissue.deep-piece',
      'provisional.seat',
      'impression.scan-preparation',
      'provisional.cement',
      'closing.bite',
    )
    expect([own(p, 'core.etch'), own(p, 'core.set')]).toEqual([5, 240])
    expect(counts(p)).toEqual(['needle 1', 'core-band 1', 'cord.single.46 1', 'cord.deep 1'])
    expect(p.choices).toMatchObject({ core: { value: 'glass ionomer' }, impression: { value: 'optical scan' } })
    expect(p.followUps[0]).toMatchObject({ kind: 'crown.deliver', afterWorkingDays: 5 })
  })
  it('hypochlorite without a sheet stops the tray', () => {
    const bare = compile(
      visitRequest.parse({ ...p.request, visitChoices: { bondingIsolation: 'rolls and suction' } }),
      practice,
    )
    expect(bare.clashes[0]).toMatchObject({ id: 'hypochlorite', severity: 'stop' })
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
    expect(tie(p, 'tissue.single-cord.36', 'tissue.draw-cord.36')).toMatchObject({ atLeastS: 300 })
    expect(laid(p, 'dual-arch-tray')).toBeDefined()
  })
  it('three units: two abutments cut act by act, full arch, double cord drawn and washed one by one, the pontic’s bis-acryl counted, room in the mould for it', () => {
    const p = planOf('J05-three-unit-bridge')
    inOrder(
      p,
      'cutting.occlusal.24',
      'cutting.occlusal.26',
      'cutting.bevel.24',
      'tissue.base-cord.24',
      'tissue.top-cord.26',
      'tissue.draw-cord.24',
      'impression.inject.24',
      'tissue.draw-cord.26',
      'impression.inject.26',
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
    expect(new Set(p.burs.map((b) => b.bur?.id)).size).toBe(p.burs.length - 1)
  })
})

describe('J06, veneers with the cord in before cutting', () => {
  it('00 labially and on both proximal sides, about 25 mm on 11, before the bur; it stays until after the impression and is not drawn', () => {
    const p = planOf('J06-veneers-cord-first')
    inOrder(
      p,
      'anaesthesia.test',
      'tissue.base-cord.11',
      'tissue.base-cord.21',
      'cutting.depth.11',
      'cutting.finish.21',
      'impression.dry',
      'impression.seat',
      'impression.inspect',
      'tissue.base-out.11',
    )
    // C: about 25 mm for an upper central incisor, 24–26.
    expect(laid(p, 'cord-00')!.piecesMm).toEqual([25, 25])
    expect(p.steps.some((s) => s.id.startsWith('tissue.draw-cord'))).toBe(false)
    expect(p.absent.map((a) => a.what)).toContain('provisional')
    expect(burs(p).slice(0, 2)).toEqual(['facial: depth cutter 0.5', 'facial: depth cutter 0.5'])
  })
})

describe('J07, amalgam', () => {
  it('the full pass list: bur, slow round, hand instruments, band, liner, base 1 : 1, triturate, condense, carve, band off, sides, roll, floss, sheet off with its pieces, paper till even', () => {
    const p = planOf('J07-amalgam')
    inOrder(
      p,
      'isolation.dam-on',
      'cutting.outline.36',
      'cutting.caries.36',
      'cutting.box-edges.36',
      'filling.36.read',
      'filling.36.matrix',
      'filling.36.liner',
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
      'filling.26.adhesive',
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
    expect(own(p, 'filling.26.adhesive')).toBe(20)
    // M: 16 J/cm² at 1000 mW/cm², half left at 8 mm; 2 mm away that is 20 s.
    expect(own(p, 'filling.26.bulk-1-cure')).toBe(20)
  })
})

describe('J09, injection-moulded', () => {
  it('warmer on ten minutes before; pre-wedge in and out; powder; disc; depth picks the band; etch 20, adhesive 20; beads; wet again; inject; 10 s × 3; dry cup, wet cup', () => {
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
      'filling.45.adhesive',
      'filling.45.beads',
      'filling.45.wet-again',
      'filling.45.inject',
      'filling.45.cure-occlusal',
      'filling.45.cure-buccal',
      'filling.45.cure-lingual',
      'filling.45.matrix-off',
      'filling.45.cut-back',
      'filling.45.polish-dry',
      'filling.45.polish-wet',
    )
    expect(tie(p, 'records.warmer', 'filling.45.inject')).toMatchObject({ atLeastS: 600 })
    expect(
      ['etch', 'adhesive', 'cure-occlusal', 'cure-buccal', 'cure-lingual'].map((a) => own(p, `filling.45.${a}`)),
    ).toEqual([20, 20, 10, 10, 10])
    expect(title(p, 'filling.45.matrix')).toContain(
      '6 mm or higher, pressed 5 s, wedge while pressing, ring rocked home',
    )
    expect(title(p, 'filling.45.beads')).toContain('1 s each while the band is pressed to the neighbour; 1 s again')
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
    )
    expect(burs(p)).toEqual(['pit: teardrop 1', 'floor: inverted cone 0.6'])
    expect(title(p, 'foil.24.powdered')).toContain('two thirds')
    expect(p.steps.find((s) => s.id === 'finishing.one')!.passes).toEqual(['cup', 'suction', 'air'])
    const alert = compile(visitRequest.parse({ ...p.request, alerts: ['chlorhexidine'] }), practice)
    expect(alert.setup.some((l) => l.id === 'chlorhexidine')).toBe(false)
    expect(alert.clashes.map((c) => c.id)).toContain('chlorhexidine')
  })
})

describe('J11, post, core and provisional', () => {
  const p = planOf('J11-post-and-core')
  it('canal 15 mm, 5 mm stay: post space 7.5–10; drills; post tried and signed; silane 60 s; cured from three sides, 2 min, then 2 min on the core', () => {
    inOrder(
      p,
      'records.shade',
      'isolation.dam-on',
      'canal.film',
      'canal.drill',
      'canal.clean',
      'canal.try-post',
      'post.silane',
      'post.etch',
      'post.adhesive',
      'post.wick',
      'post.inject',
      'post.cure-top',
      'post.cut',
      'post.core',
      'post.core-cure-top',
    )
    expect(title(p, 'canal.film')).toContain('7.5–10 mm')
    expect(own(p, 'post.silane')).toBe(60)
    const sum = (stem: string) => ['top', 'cheek', 'inner'].reduce((n, side) => n + own(p, `post.${stem}-${side}`)!, 0)
    expect([sum('cure'), sum('core-cure')]).toEqual([120, 120])
    expect(p.burs.find((b) => b.cuts.some((c) => c.stepId === 'post.cut'))!.bur).toMatchObject({ material: 'diamond' })
  })
  it('canal 12 mm: 6–7 mm, and it says the seal decides; where less than half the canal is left the dentist is asked', () => {
    const short = (lengthMm: number) =>
      compile(
        visitRequest.parse({ ...p.request, ofTooth: { 12: { canals: [{ name: 'single', lengthMm }] } }, sealMm: 5 }),
        practice,
      )
    expect(title(short(12), 'canal.film')).toContain('6–7 mm')
    expect(short(12).steps.find((s) => s.id === 'canal.film')!.reason!.text).toContain('the seal decides')
    expect([short(9), short(12)].map((x) => x.clashes.some((c) => c.id === 'post-room'))).toEqual([true, false])
  })
  it('ferrule 1.5–2 mm; coat: etch 15, rinse 5, cure 10, must shine or again; separator is a hold; non-eugenol', () => {
    inOrder(
      p,
      'cutting.margin.12',
      'core.ferrule',
      'coat.etch',
      'coat.etch-rinse',
      'coat.resin',
      'coat.cure',
      'coat.look',
      'isolation.dam-off',
      'provisional.separate',
      'provisional.build',
      'provisional.cement',
    )
    expect(['coat.etch', 'coat.etch-rinse', 'coat.cure'].map((id) => own(p, id))).toEqual([15, 5, 10])
    expect(p.holds.find((h) => h.id === 'separator')).toMatchObject({ mandatory: true })
    expect(p.setup.some((l) => l.id === 'zoe-cement')).toBe(false)
  })
})

describe('J12, inlays', () => {
  const p = planOf('J12-inlays')
  it('one two-surface and one three-surface: three boxes, six pieces, base and top, under the sheet; pellets in and out; sheet folded away; dual-arch', () => {
    inOrder(
      p,
      'isolation.dam-on',
      'cutting.outline.15',
      'inlay.etch',
      'inlay.seal-glycerine',
      'tissue.base-cord.15-mesial',
      'tissue.top-cord.16-distal',
      'tissue.pellets',
      'isolation.fold',
      'tissue.bite-gauze',
      'tissue.draw-cord.15-mesial',
      'impression.inject.15-mesial',
      'impression.seat',
      'impression.inspect',
      'tissue.base-out.16-distal',
      'isolation.dam-off',
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

describe('J13, interim crown', () => {
  it('putty cut through the middle of each neighbour; tried empty; separator; 45 s seat, lift 60–150 s; trimming in its order; eight parts read; corrections; polish; cement', () => {
    const p = planOf('J13-interim-crown')
    inOrder(
      p,
      'records.putty-index',
      'provisional.cut-index',
      'provisional.try-mould',
      'provisional.separate',
      'provisional.mix',
      'provisional.seat',
      'provisional.lift',
      'provisional.pencil',
      'provisional.gross',
      'provisional.edges',
      'provisional.gauge',
      'provisional.inspect',
      'provisional.corrections',
      'provisional.polish',
      'provisional.try-in',
      'provisional.cement',
      'provisional.excess',
    )
    expect(tie(p, 'provisional.mix', 'provisional.seat')).toMatchObject({ atMostS: 45 })
    expect(tie(p, 'provisional.mix', 'provisional.lift')).toMatchObject({ atLeastS: 60, atMostS: 150 })
    expect(laid(p, 'flowable')).toMatchObject({
      readiness: 'standby',
      when: expect.stringContaining('two neighbouring parts'),
    })
  })
})

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
      'crown.51.cement',
      'crown.51.seat',
      'crown.51.rinse',
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
    expect(p.steps.some((s) => s.id.startsWith('anaesthesia'))).toBe(false)
    expect(p.setup.filter((l) => l.family === 'preformed crown' && l.readiness === 'open').map((l) => l.id)).toEqual([
      'faced-crown-upper-central-4',
      'faced-crown-upper-central-3',
    ])
  })
})

describe('J15, cervical filling', () => {
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
    expect(title(p, 'filling.43.clamp')).toContain('tongue-side jaw first, facial jaw 1 mm beyond the lesion')
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

describe('J16, laminates for dark teeth', () => {
  it('first visit: smile, shade map, depth cut 0.5 with a pencil line, margin just under the tissue, cord again 5 min, light and heavy body, every margin whole, nothing to wear', () => {
    const p = planOf('J16-laminates-preparation')
    inOrder(
      p,
      'records.smile',
      'records.shade',
      'tissue.base-cord.12',
      'cutting.depth.12',
      'cutting.facial.12',
      'cutting.margin.12',
      'cutting.finish.12',
      'cutting.reduction-check',
      'records.stump-shade',
      'tissue.top-cord.12',
      'tissue.draw-cord.12',
      'impression.inject.12',
      'impression.seat',
      'impression.inspect',
      'tissue.base-out.12',
      'impression.margins-whole',
    )
    expect(title(p, 'cutting.depth.11')).toContain('0.5 mm down the middle; pencil line')
    expect(title(p, 'cutting.margin.11')).toContain('just under the tissue')
    expect(tie(p, 'tissue.top-cord.22', 'tissue.draw-cord.12')).toMatchObject({ atLeastS: 300 })
    // Four teeth, four kinds of cut, four burs: each goes over all the teeth before it is changed.
    expect(p.burs).toHaveLength(4)
  })
  it('delivery: water try-in, cement shade, tint at most 0.133 g to 0.40 g, acid 90, silane 60, rinse 60; foil, middle two first, etch 60, edge, neck, behind; tabs off', () => {
    const p = planOf('J16-laminates-delivery')
    inOrder(
      p,
      'delivery.try-in',
      'delivery.cement-shade',
      'tissue.single-cord.12',
      'delivery.pieces-acid',
      'delivery.pieces-silane',
      'delivery.pieces-rinse',
      'delivery.11.foil',
      'delivery.11.etch',
      'delivery.11.seat',
      'delivery.11.cure-edge',
      'delivery.11.excess',
      'delivery.11.floss',
      'delivery.11.neck',
      'delivery.11.cure-neck',
      'delivery.11.cure-behind',
      'delivery.21.foil',
      'delivery.12.foil',
      'delivery.22.foil',
      'finishing.tabs',
      'finishing.wheels',
      'finishing.bite',
      'finishing.cords-out',
    )
    expect(['pieces-acid', 'pieces-silane', 'pieces-rinse', '11.etch'].map((a) => own(p, `delivery.${a}`))).toEqual([
      90, 60, 60, 60,
    ])
    // C: 25 % of the whole mix: a third of the base.
    expect(figure(p, 'delivery.cement-shade', /tint/)!.value).toBe(0.133)
    expect(title(p, 'delivery.11.seat')).toContain('incisal end first')
    expect(title(p, 'delivery.11.excess')).toContain('Brush the excess clean')
    expect(compile(visitRequest.parse({ ...p.request, tintPercent: 30 }), practice).clashes.map((c) => c.id)).toContain(
      'tint',
    )
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

describe('J18, crown on a root-filled upper molar', () => {
  it('magnified; V-shaped planes by sinking the bur; thin bur through each contact before the wider; margin past the build-up; neighbours looked at; mirror in the passes', () => {
    const p = planOf('J18-root-filled-upper-molar')
    inOrder(
      p,
      'records.preliminary',
      'cutting.loupes',
      'cutting.occlusal-v.17',
      'cutting.axial-facial.17',
      'cutting.axial-inner.17',
      'cutting.contact-mesial.17',
      'cutting.axial-mesial.17',
      'cutting.margin.17',
      'cutting.look-beside',
      'cutting.reduction-check',
    )
    expect(title(p, 'cutting.occlusal-v.17')).toContain('shaped like a V')
    expect(title(p, 'cutting.margin.17')).toContain('past the build-up onto sound tooth')
    expect(
      p.steps.filter((s) => s.passes.some((x) => x.startsWith('mirror, washed and dried'))).length,
    ).toBeGreaterThanOrEqual(4)
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
      'provisional.seat',
      'provisional.lift',
      'impression.seat',
      'impression.inspect',
      'provisional.second-shell',
      'provisional.cement',
      'provisional.removable',
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
    expect(title(p, 'anaesthesia.test')).toContain('both sides')
    expect(burs(p)[0]).toBe('fissures: flame 1')
    expect(['etch', 'primer'].map((a) => own(p, `filling.37.${a}`))).toEqual([20, 20])
    expect(own(p, 'filling.37.flow-cure')!).toBeGreaterThan(10)
    expect(p.steps.filter((s) => /cusp-[a-z]+$/.test(s.id))).toHaveLength(4)
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
    expect(p.steps.find((s) => s.id === 'delivery.clean')!.cautions[0]!.text).toContain('Eugenol')
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
