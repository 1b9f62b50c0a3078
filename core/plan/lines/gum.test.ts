/** Cord, paste and gum. Each title begins with its lines; common practice unless a test names a source. */
import { describe, expect, it } from 'vitest'
import { at, inAnyCase, planFor, planUnderGum } from '../../../demo/test/lines'
import type { Plan } from '../../model/plan'
import { isAnterior } from '../../teeth/arch'
import { jawOf, parts } from '../../teeth/notation'

describe('A3 front teeth never get the cord of back teeth', () => {
  inAnyCase((plan) => {
    for (const { cord, tooth, id } of plan.steps) {
      if (!cord || !tooth || !isAnterior(tooth)) continue
      const lowerIncisor = jawOf(tooth) === 'lower' && parts(tooth).position <= 2
      expect(lowerIncisor ? ['000', '00', '0'] : ['000', '00', '0', '1', '2'], id).toContain(cord.size)
      if (cord.layer === 'base') expect(['000', '00'], id).toContain(cord.size)
    }
  })
})

describe('C114 in thin gum or a shallow crevice no layer is thicker than 0, and the reason names recession', () => {
  inAnyCase((plan) => {
    const works = [plan.request, ...plan.request.also]
    if (!works.every((w) => w.tissue.biotype === 'thin' || w.tissue.probingDepthMm <= 1)) return
    for (const s of plan.steps) {
      const cords = s.needs.filter((n) => n.what.startsWith('cord.') && n.piecesMm)
      for (const n of cords) expect(['cord.000', 'cord.00', 'cord.0'], s.id).toContain(n.what)
      const guards =
        s.id.includes('cord.') && s.cord?.purpose === 'to show the margin' && works[0]?.margin !== 'supragingival'
      if (guards) expect(s.reason?.text, s.id).toMatch(/reced/)
    }
  })
})

describe('C121 pellets that stand by for weeping are two a tooth, whatever the layers', () => {
  inAnyCase((plan) => {
    const corded = new Set(plan.steps.flatMap((s) => (s.act === 'cord in' && s.tooth ? [s.tooth] : [])))
    const pellets = plan.setup.filter(
      (l) => l.when?.startsWith('the tissue weeps') && l.needs.includes('cotton pellet'),
    )
    // Where gum was cut others stand by for the bleeding.
    if (corded.size > 0 && plan.request.also.length === 0 && !plan.steps.some((s) => s.id.startsWith('tissue.trim')))
      expect(pellets.map((l) => l.quantity)).toEqual([2 * corded.size])
  })
})

describe('A5 a cord that lies alone is called base nowhere', () => {
  inAnyCase((plan) => {
    if (plan.request.also.length > 0) return
    const layers = new Set(plan.steps.flatMap((s) => (s.cord && s.place === 'mouth' ? [s.cord.layer] : [])))
    if (layers.size !== 1) return
    const said = plan.steps.flatMap((s) => [
      s.title,
      s.detail ?? '',
      s.told ?? '',
      ...s.figures.map((f) => f.name),
      ...s.cautions.map((x) => x.text),
    ])
    const all = [
      ...said,
      ...plan.links.map((l) => ('title' in l ? l.title : '')),
      ...plan.counts.map((x) => x.what),
    ].join('\n')
    expect(all).not.toMatch(/base cord/i)
  })
})

describe('A122, A123, A124, C118 and C119 cords', () => {
  const of = (more: object): Plan => planFor({ ...more })
  const corded = (plan: Plan) => plan.steps.filter((s) => s.act === 'cord in')
  it('A122 before cutting 00 where the gum is held away, 000 in thin gum, a narrow crevice and on lower incisors; the reason says which', () => {
    for (const [teeth, tissue, size, why] of [
      [['11', '12'], {}, '00', 'holds the gum away'],
      [['21'], { biotype: 'thin' }, '000', 'thin gum'],
      [['13', '23'], { crevice: 'narrow' }, '000', 'narrow crevice'],
      [['41', '31'], {}, '000', 'lower incisor'],
    ] as const) {
      const plan = of({
        kind: 'veneer.prepare',
        teeth,
        margin: 'equigingival',
        tissue,
        visitChoices: { cordFirst: 'yes' },
      })
      expect(corded(plan)).toHaveLength(teeth.length)
      for (const s of corded(plan)) {
        expect(s.cord?.size, s.id).toBe(size)
        expect(s.reason?.text, s.id).toContain(why)
        // A124 why it is wet.
        expect(s.detail).toContain('neither drags the lining going in nor takes it along coming out')
      }
    }
  })
  const everyCord = { kind: 'crown.prepare', vital: true, margin: 'subgingival' } as const
  it('A123 comes out wetted again in one smooth pull, never dry', () => {
    for (const tooth of ['36', '11', '24']) {
      const out = of({ ...everyCord, teeth: [tooth], visitChoices: { cord: 'double' } }).steps.filter((s) =>
        ['cord drawn', 'base cord out'].includes(s.act ?? ''),
      )
      expect(out).toHaveLength(2)
      for (const s of out) {
        expect(s.detail, s.id).toMatch(/one smooth pull/)
        expect(s.cautions.map((x) => x.text).join(), s.id).toMatch(/Never dry/)
      }
    }
  })
  it('C118 where the finest is in, white tissue means a pellet or paste, not one size smaller', () => {
    for (const teeth of [['41'], ['32', '31'], ['42']]) {
      const plan = of({ ...everyCord, teeth, visitChoices: { cord: 'double' } })
      for (const s of corded(plan))
        expect(s.detail, s.id).toContain(s.cord?.size === '000' ? 'a dry pellet or paste instead' : 'one size smaller')
    }
  })
  it('C119 the cord is drawn wet only where a cord lies', () => {
    for (const teeth of [['36'], ['11'], ['24', '25']])
      for (const cord of ['single', 'paste']) {
        const said = of({
          ...everyCord,
          teeth,
          visitChoices: { cord, cordAgent: 'aluminium chloride', impression: 'addition silicone, full arch' },
        }).clashes.find((x) => x.id === 'astringent-silicone')?.doThis
        expect(said?.includes('draw the cord wet'), cord).toBe(cord === 'single')
      }
  })
})

describe('C117 and B107 paste', () => {
  it('C117 B107 the clock begins when paste is rinsed off and ends with the wash in the last margin or its scan; the sheet is off before it; what does not fit is said', () => {
    for (const more of [
      { kind: 'crown.prepare', teeth: ['36'] },
      { kind: 'crown.prepare', teeth: ['11'], visitChoices: { impression: 'optical scan' } },
      { kind: 'inlay.prepare', teeth: ['26'], ofTooth: { 26: { surfaces: 'MO' } } },
    ]) {
      const plan = planUnderGum({
        ...more,
        visitChoices: { ...('visitChoices' in more ? more.visitChoices : {}), cord: 'paste' },
      })
      const clock = plan.links.find((l) => l.from === 'tissue.paste' && 'title' in l && l.title === 'Gum closes in')
      expect(clock && 'atMostS' in clock ? clock.atMostS : undefined, more.kind).toBeGreaterThan(0)
      expect(['impression.inject', 'impression.scan-preparation']).toContain(clock?.to)
      const off = at(plan, 'isolation.dam-off')
      if (off >= 0) expect(off).toBeLessThan(at(plan, 'tissue.paste'))
    }
    const many = planUnderGum({
      kind: 'arch.prepare',
      teeth: ['33', '34', '43', '44', '45'],
      visitChoices: { cord: 'paste', impression: 'addition silicone, full arch' },
    })
    expect(many.clashes.find((x) => x.id === 'crevice-window')?.what).toMatch(/after the paste is rinsed off/)
  })
})

describe('A4 gum cut before an impression of the same visit', () => {
  it('A4 a haemostatic and pellets stand by, and the dentist signs that it is dry before anything is taken; else the impression is another day', () => {
    for (const more of [
      { kind: 'crown.prepare', teeth: ['36'], ofTooth: { 36: { overgrown: true } } },
      { kind: 'bridge.metal.prepare', teeth: ['12', '21'], pontics: ['11'], ofTooth: { 12: { overgrown: true } } },
      { kind: 'laminate.prepare', teeth: ['11'], ofTooth: { 11: { overgrown: true } } },
    ]) {
      const plan = planUnderGum(more)
      const dry = plan.holds.find((h) => h.name === 'dry')
      expect(dry?.evidence, more.kind).toContain('another day')
      expect(at(plan, dry?.stepId ?? '')).toBeLessThan(
        plan.steps.findIndex((s) => s.imprints && s.phase === 'impression'),
      )
      expect(plan.setup.some((l) => l.needs.some((n) => n.startsWith('agent.')))).toBe(true)
      const waits = planUnderGum({ ...more, visitChoices: { redundantTissue: 'wait' } })
      expect(
        waits.holds.some((h) => h.name === 'dry'),
        more.kind,
      ).toBe(false)
    }
  })
})
