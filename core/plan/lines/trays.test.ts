/** The tray: what lies there, how much, and impression trays. Each title begins with its lines; common practice unless a test names a source. */
import { describe, expect, it } from 'vitest'
import { at, burOf, inAnyCase, lies, planFor, planUnderGum, stepOf } from '../../../demo/test/lines'
import { kindFacts } from '../../kinds'
import { isAnterior } from '../../teeth/arch'

describe('A56 what is kept in reserve of a thing that is laid open is a line of its own, with its number and its when', () => {
  inAnyCase((plan) => {
    for (const l of plan.setup) {
      const asks = plan.steps.flatMap((s) => s.needs.filter((n) => l.needs.includes(n.what) && l.steps.includes(s.id)))
      if (l.reusable || !['piece', 'cartridge'].includes(l.unit)) continue
      const kinds = new Set(asks.map((n) => n.readiness))
      if (!kinds.has('open') || !kinds.has('standby')) continue
      const id = l.id.replace(/\.further$/, '')
      const [open, reserve] = [plan.setup.find((x) => x.id === id), plan.setup.find((x) => x.id === `${id}.further`)]
      expect([open?.readiness, reserve?.readiness], id).toEqual(['open', 'standby'])
      expect(reserve?.when, id).toBeTruthy()
      expect(reserve?.quantity, id).toBeGreaterThan(0)
    }
  })
})

describe('A51 what is counted in at a band is what is laid out for it', () => {
  it('A51 one circumferential band a tooth or one sectional a box, and one wedge a box; a reserve wedge is not counted', () => {
    for (const [kind, tooth, surfaces] of [
      ['filling.amalgam', '26', 'MOD'],
      ['filling.amalgam', '45', 'DO'],
      ['filling.bulk', '36', 'MOD'],
      ['filling.injected', '14', 'MO'],
    ] as const) {
      const plan = planFor({
        kind,
        teeth: [tooth],
        ofTooth: { [tooth]: { surfaces, depthMm: 4 } },
      })
      const at = stepOf(plan, `filling.${tooth}.matrix`)
      const laid = (at?.needs ?? [])
        .filter((n) => n.readiness === 'open' && /^(matrix band|wedge)/.test(n.what))
        .reduce((sum, n) => sum + n.quantity, 0)
      expect(plan.counts.find((x) => x.id === `matrix.${tooth}`)?.planned, `${kind} ${surfaces}`).toBe(laid)
    }
  })
})

describe('A52 the parts of an amount add up to it, and the act is named whole', () => {
  inAnyCase((plan) => {
    for (const l of plan.setup) {
      const parts = [...(l.counted ?? '').matchAll(/(\d+) for “([^”]*)”/g)]
      if (parts.length === 0 || l.counted?.includes(' more ')) continue
      expect(
        parts.reduce((sum, [, n]) => sum + Number(n), 0),
        `${l.name}: ${l.counted}`,
      ).toBe(l.quantity)
      for (const [, , act = ''] of parts) expect(act, l.counted).toMatch(/[a-z]{3}/)
    }
  })
})

describe('A24, A25, A31, C123, C124, B110 and A29 trays and what lies under them', () => {
  inAnyCase((plan) => {
    const scans = plan.steps.some((s) => s.id.startsWith('impression.scan-preparation'))
    const polyether = plan.steps.some((s) => s.needs.some((n) => n.what.startsWith('light body.polyether')))
    // A24 before a scan no wax, no block-out, no tray adhesive.
    if (scans && !polyether && plan.request.also.length === 0) {
      expect(lies(plan, 'block-out wax')).toBe(false)
      expect(plan.setup.some((l) => l.needs.some((n) => n.startsWith('tray adhesive')))).toBe(false)
    }
    // A25 a stiff material: blocked out, in a step of its own, before it is dried.
    if (plan.request.also.length === 0) {
      expect(plan.steps.some((s) => s.id === 'impression.block-out')).toBe(polyether)
      if (polyether) expect(at(plan, 'impression.block-out')).toBeLessThan(at(plan, 'impression.load-tray'))
    }
    // A31 C124 B110 every tray is tried in the mouth before a bur goes in, and before it is painted.
    const tray = stepOf(plan, 'impression.seat')
    if (tray && lies(plan, 'impression syringe') && plan.request.also.length === 0) {
      const tried = at(plan, 'impression.try-tray')
      expect(tried).toBeGreaterThan(0)
      const cut = plan.steps.findIndex((s) => s.cut && s.phase === 'cutting')
      if (cut >= 0) expect(tried).toBeLessThan(cut)
      const painted = at(plan, 'impression.paint-tray')
      if (painted >= 0) expect(tried).toBeLessThan(painted)
    }
  })
  it('C123 A29 silicone in a full tray is painted with its own adhesive and dries; a dual-arch tray is not', () => {
    for (const teeth of [['36'], ['24'], ['16', '17']]) {
      const full = planUnderGum({
        kind: 'crown.prepare',
        teeth,
        visitChoices: { impression: 'addition silicone, full arch' },
      })
      expect(lies(full, 'tray adhesive.silicone'), teeth.join()).toBe(true)
      expect(full.links.some((l) => 'title' in l && l.title === 'Tray adhesive dries')).toBe(true)
      const dual = planUnderGum({
        kind: 'crown.prepare',
        teeth,
        visitChoices: { impression: 'addition silicone, dual-arch' },
      })
      expect(dual.setup.some((l) => l.needs.some((n) => n.startsWith('tray adhesive')))).toBe(false)
      // B110 rehearsed: closed on once.
      expect(stepOf(dual, 'impression.try-tray')?.title).toMatch(/closes fully once, the other side meeting/)
    }
  })
})

describe('A114 and C122 the dual-arch tray is for back teeth of one side', () => {
  it('A114 C122 a front tooth, and teeth on both sides, have a full arch by default; two neighbours behind keep the dual arch', () => {
    for (const [teeth, dual] of [
      [['11'], false],
      [['33'], false],
      [['36', '45'], false],
      [['16', '26'], false],
      [['35', '36'], true],
      [['25'], true],
    ] as const)
      expect(
        planUnderGum({ kind: 'crown.prepare', teeth }).choices.impression.value === 'addition silicone, dual-arch',
        teeth.join(),
      ).toBe(dual)
  })
})

describe('A44, A50, A53, A54, B8, C140 and C145 smaller things that were wrong in many kinds', () => {
  it('A44 excess of a provisional’s cement: scaler, floss, water, with suction at the scaler', () => {
    for (const more of [
      { kind: 'crown.prepare', teeth: ['36'] },
      { kind: 'post.core', teeth: ['21'] },
      { kind: 'crown.metal', teeth: ['16'] },
    ]) {
      const excess = planUnderGum(more).steps.find((s) => s.id === 'provisional.excess')
      expect(excess?.passes, more.kind).toEqual(['scaler', 'knotted floss', 'water'])
      expect(excess?.help ?? excess?.alone, more.kind).toBeTruthy()
    }
  })
  it('A50 where the sheet comes off before the tissue work rolls go in, counted', () => {
    for (const kind of ['crown.prepare', 'crown.metal'])
      for (const tooth of ['36', '16']) {
        const plan = planUnderGum({ kind, teeth: [tooth], visitChoices: { isolation: 'dam throughout' } })
        expect(at(plan, 'isolation.rolls'), kind).toBeGreaterThan(at(plan, 'isolation.dam-off'))
        expect(plan.counts.some((x) => x.id === 'rolls')).toBe(true)
      }
  })
  it('A53 a capsule is passed in an applier that lies there', () => {
    for (const tooth of ['45', '36', '14']) {
      const plan = planUnderGum({ kind: 'endo.core.crown', teeth: [tooth], visitChoices: { core: 'glass ionomer' } })
      expect(lies(plan, 'core.glass ionomer'), tooth).toBe(true)
      expect(lies(plan, 'capsule applier'), tooth).toBe(true)
      expect(
        plan.steps.some((s) => s.passes.includes('capsule in its applier')),
        tooth,
      ).toBe(true)
    }
    expect(lies(planUnderGum({ kind: 'crown.prepare', teeth: ['36'] }), 'capsule applier')).toBe(false)
  })
  it('A54 a putty index that is the mould stays whole and gauges nothing', () => {
    for (const tooth of ['36', '11', '25']) {
      const plan = planUnderGum({
        kind: 'crown.prepare',
        teeth: [tooth],
        visitChoices: { provisional: 'bis-acryl in putty index' },
      })
      const check = stepOf(plan, 'cutting.reduction-check')
      expect(
        [check?.passes.join(), plan.holds.find((h) => h.name === 'reduction')?.evidence].join(),
        tooth,
      ).not.toMatch(/sectioned|index/)
    }
  })
  it('B8 the slow round fits the box: text, tray and reason name the same size', () => {
    for (const [kind, tooth, mm] of [
      ['filling.bulk', '36', 1.8],
      ['filling.bulk', '25', 1.4],
      ['filling.injected', '47', 1.8],
      ['filling.cervical', '13', 1],
      ['primary.class3', '51', 1],
    ] as const) {
      const step = planUnderGum({ kind, teeth: [tooth] }).steps.find((s) => s.cut?.form === 'caries')
      expect(burOf(step?.burId)?.diameterMm, `${kind} ${tooth}`).toBe(mm)
    }
  })
  it('C140 where a compule is laid out a dispenser is', () => {
    for (const [kind, tooth] of [
      ['filling.bulk', '36'],
      ['filling.injected', '45'],
      ['filling.cervical', '13'],
      ['filling.cusps', '16'],
      ['primary.class3', '51'],
      ['post.core', '21'],
    ] as const) {
      const plan = planUnderGum({ kind, teeth: [tooth] })
      expect(
        plan.setup.some((l) => l.readiness === 'open' && l.name.endsWith('compule')),
        kind,
      ).toBe(true)
      expect(lies(plan, 'composite dispenser'), kind).toBe(true)
    }
    expect(lies(planUnderGum({ kind: 'filling.amalgam', teeth: ['36'] }), 'composite dispenser')).toBe(false)
  })
  it('C145 the bite of all fillings is read and eased, then all are polished', () => {
    for (const kind of ['filling.bulk', 'filling.cusps', 'filling.injected'])
      for (const teeth of [
        ['46', '47'],
        ['25', '26'],
      ]) {
        const plan = planUnderGum({ kind, teeth })
        const bites = plan.steps.flatMap((s, i) => (s.id.endsWith('.bite') ? [i] : []))
        const polished = plan.steps.flatMap((s, i) =>
          s.fn === 'polishing' && s.phase === 'finishing' && i > (bites[0] ?? 0) ? [i] : [],
        )
        expect(bites, kind).toHaveLength(2)
        expect(Math.max(...bites)).toBeLessThan(Math.min(...polished))
      }
  })
})

describe('A30 says the wash by what is there: the crevice only where the margin reaches it, occlusal only on back teeth', () => {
  inAnyCase((plan) => {
    for (const s of plan.steps.filter((x) => x.title.startsWith('Wash round') && !x.id.includes('@'))) {
      const family = kindFacts(plan.kind).family
      const front = plan.request.teeth.every((t) => isAnterior(t))
      const is = `${s.id} ${s.detail}`
      if (front || family === 'veneer' || family === 'bonded bridge') expect(is).not.toMatch(/occlusal/i)
      if (plan.request.margin === 'supragingival' || family === 'bonded bridge') expect(is).not.toMatch(/crevice/i)
    }
  })
  it.each([
    ['crown.prepare', '46', 'Crevice first, then line angles and occlusal'],
    ['crown.prepare', '31', 'Crevice first, then line angles, the inner hollow and the edge'],
    ['laminate.prepare', '11', 'Crevice first, then the front, the edge and the contacts'],
  ])('A30 %s %s', (kind, tooth, says) => {
    const wash = planUnderGum({ kind, teeth: [tooth] }).steps.find((s) => s.title.startsWith('Wash round'))
    expect(wash?.detail).toContain(says)
  })
})
