/** Veneers and laminates, read line by line: J06, J16. How: golden.test.ts. */
import { describe, expect, it } from 'vitest'
import { isClock } from '../../model/link'
import { compile } from '../../plan/compile'
import { visitRequest } from '../../model/request'
import { planOf, practice, title, inOrder, tie, own, laid, burs, figure } from '../../../demo/test/plans'

describe('J16, five laminates with the wash in the tray only', () => {
  const p = planOf('J16-preparation-of-five')
  it('no syringe is loaded, handed or timed: the tray is loaded when the last cord is out, and seated before the gum closes', () => {
    expect(p.steps.map((x) => x.id)).not.toEqual(expect.arrayContaining(['impression.inject']))
    expect(laid(p, 'impression-syringe')?.readiness).not.toBe('open')
    expect(JSON.stringify(p.steps.map((x) => x.passes))).not.toContain('loaded syringe')
    inOrder(p, 'tissue.draw-cord.22', 'impression.dry', 'impression.load-tray', 'impression.seat')
    // C: 25 s to load, 10 s to seat; five cords and five margins no longer count against the working time.
    const train = p.steps.find((x) => x.id === 'impression.load-tray')!
    expect(train.reason!.text).toContain('25 s to load the tray with the wash on top + 10 s seating')
    expect(p.links.filter(isClock).filter((l) => l.to === 'impression.seat')).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ title: 'Gum closes in' }),
        expect.objectContaining({ title: 'Working time', from: 'impression.load-tray', fromEdge: 'start' }),
      ]),
    )
    expect(p.clashes.map((x) => x.id)).not.toContain('crevice-window')
  })
  it('the overgrown gum of one tooth first; the dark ones lowered under the gum in a round of cords of their own; the canine wrapped', () => {
    const own = (act: string): string[] => p.steps.filter((x) => x.id.startsWith(act)).map((x) => x.tooth ?? '')
    expect(own('cutting.lower')).toEqual(['12', '11', '21', '22'])
    inOrder(p, 'records.bite', 'records.smile', 'tissue.trim', 'cutting.lower.11')
    expect(title(p, 'tissue.trim')).toMatch(/: 11 \(UR1\)$/)
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
    expect(burs(p).slice(0, 2)).toEqual(['labial: depth cutter 0.5', 'labial: depth cutter 0.5'])
  })
})

describe('J16, laminates for dark teeth', () => {
  it('first visit: smile, shade map, depth cut 0.5 with a pencil line, two rounds of cord with the margin lowered between them, light and heavy body, every margin whole, nothing to wear', () => {
    const p = planOf('J16-laminates-preparation')
    inOrder(
      p,
      'records.smile',
      'records.shade',
      'cutting.depth.12',
      'cutting.facial.12',
      'cutting.margin.12',
      'tissue.single-cord.12-lowering',
      'tissue.draw-cord.12-lowering',
      'cutting.lower.12',
      'cutting.finish.12',
      'cutting.reduction-check',
      'records.stump-shade',
      'tissue.top-cord.12',
      'tissue.draw-cord.12',
      'tissue.draw-cord.22',
      'impression.dry',
      'impression.inject',
      'impression.seat',
      'impression.inspect',
      'tissue.base-out.12',
      'impression.margins-whole',
    )
    expect(title(p, 'cutting.depth.11')).toContain('0.5 mm down the middle; pencil line')
    expect(title(p, 'cutting.margin.11')).toContain('level with the gum')
    expect(title(p, 'cutting.lower.11')).toContain('just under the gum, with the finishing carbide')
    expect(p.burs.find((b) => b.cuts.some((c) => c.stepId === 'cutting.lower.11'))!.bur!.material).toBe('carbide')
    expect(tie(p, 'tissue.single-cord.22-lowering', 'tissue.draw-cord.12-lowering')).toMatchObject({ atLeastS: 300 })
    expect(tie(p, 'tissue.top-cord.22', 'impression.rinse')).toMatchObject({ atLeastS: 300 })
    // Only a dark tooth’s margin goes under the gum: the others keep theirs, and no cord is spent on them.
    const one = compile(visitRequest.parse({ ...p.request, ofTooth: { 11: { dark: true } } }), practice)
    expect(one.steps.filter((s) => s.id.includes('lower')).map((s) => s.tooth)).toEqual(['11', '11', '11'])
    const none = compile(visitRequest.parse({ ...p.request, visitChoices: { cord: 'none' } }), practice)
    expect(none.steps.some((s) => s.cord)).toBe(false)
    // The other school: a guarding cord before the bur, and the margin cut where it stays.
    const guarded = compile(visitRequest.parse({ ...p.request, visitChoices: { cordFirst: 'yes' } }), practice)
    inOrder(guarded, 'tissue.base-cord.12', 'cutting.depth.12', 'cutting.margin.12', 'tissue.top-cord.12')
    expect(title(guarded, 'cutting.margin.11')).toContain('just under the gum')
    expect(guarded.steps.some((s) => s.id.includes('lower'))).toBe(false)
    // Four teeth, four kinds of cut, four burs: each goes over all the teeth before it is changed.
    expect(p.burs).toHaveLength(4)
  })
  it('delivery: water try-in, cement shade, tint at most 0.133 g to 0.40 g, acid 90, silane 60, rinse 60; foil, middle two first, etch 60, cleared, then light: edge, neck, behind; strips stay to the last light; tabs off', () => {
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
      'delivery.11.excess',
      'delivery.11.cure-edge',
      'delivery.11.neck',
      'delivery.11.cure-neck',
      'delivery.11.cure-behind',
      'delivery.11.floss',
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
    expect(title(p, 'delivery.11.excess')).toContain('pressed home again, edge cleared, flossed')
    expect(compile(visitRequest.parse({ ...p.request, tintPercent: 30 }), practice).clashes.map((c) => c.id)).toContain(
      'tint',
    )
  })
})
