/** Fillings: what lies under them, bands, layers, gold. Each title begins with its lines; common practice unless a test names a source. */
import { describe, expect, it } from 'vitest'
import { inAnyCase, lies, planFor, planUnderGum, stepOf } from '../../../demo/test/lines'
import type { Plan } from '../../model/plan'
import { neighbours } from '../../teeth/arch'
import { isPrimary, parts, type Tooth } from '../../teeth/notation'

describe('A127, A128 what lies under an amalgam', () => {
  const amalgam = (tooth: string, surfaces: string, depthMm?: number): Plan =>
    planFor({
      kind: 'filling.amalgam',
      teeth: [tooth],
      ofTooth: { [tooth]: { surfaces, ...(depthMm === undefined ? {} : { depthMm }) } },
    })
  const acts = (plan: Plan): string[] =>
    plan.steps.filter((s) => /\.(liner|base)/.test(s.id)).map((s) => s.id.split('.').slice(2).join('.'))
  it('A127 lays no base where under 2 mm of amalgam would be left, says why, and says the sum where it does', () => {
    for (const [tooth, surfaces, depthMm] of [
      ['47', 'O', 2],
      ['15', 'DO', 2.5],
      ['36', 'DO', 4],
      ['26', 'MOD', 3],
      ['17', 'MO', 4.5],
    ] as const) {
      const plan = amalgam(tooth, surfaces, depthMm)
      const base = depthMm - 1 >= 2
      expect(acts(plan), tooth).toEqual(base ? ['base-mix', 'base'] : [])
      expect(plan.setup.some((l) => l.needs.some((n) => ['base cement', 'liner'].includes(n)))).toBe(base)
      const figure = plan.steps.flatMap((s) => s.figures).find((f) => f.name === 'amalgam over the base')
      if (base) expect(figure?.value).toBeGreaterThanOrEqual(1.5)
      else expect(plan.absent.map((a) => a.because.text).join()).toContain(`${depthMm} mm less a base of 1`)
    }
    // Nobody has measured: decided at the probe, and the cement stands by.
    const unknown = amalgam('45', 'DO')
    expect(acts(unknown)).toEqual([])
    expect(unknown.setup.find((l) => l.needs.includes('base cement'))).toMatchObject({ readiness: 'standby' })
  })
  it('A128 mixes the liner of a truly deep floor on the pad, then the base, both before placing', () => {
    for (const tooth of ['37', '16', '24'])
      for (const depthMm of [5, 6]) {
        const plan = amalgam(tooth, 'MO', depthMm)
        expect(acts(plan)).toEqual(['liner-mix', 'liner', 'base-mix', 'base'])
        const at = (id: string): number => plan.steps.findIndex((s) => s.id === `filling.${tooth}.${id}`)
        expect(at('base')).toBeLessThan(at('condense'))
        expect(plan.setup.find((l) => l.needs.includes('liner'))?.quantity).toBe(1)
        expect(JSON.stringify(plan.steps)).not.toContain('ugenol')
      }
    expect(acts(amalgam('37', 'MO', 4.5))).toEqual(['base-mix', 'base'])
  })
})

describe('B55, B56 gold under the sheet', () => {
  const gold = (more: object): Plan =>
    planFor({
      kind: 'gold.deliver',
      ...more,
    })
  const cases = [
    { teeth: ['36'], ofTooth: { 36: { surfaces: 'B', made: 'foil' } }, bitten: false },
    { teeth: ['44'], ofTooth: { 44: { surfaces: 'O', made: 'foil' } }, bitten: true },
    { teeth: ['16'], ofTooth: { 16: { surfaces: 'MO', made: 'inlay' } }, bitten: true },
    { teeth: ['14', '15'], ofTooth: { 14: { surfaces: 'O' }, 15: { surfaces: 'DO' } }, bitten: true },
  ] as const
  it('B55 is polished with dry powder under the sheet and nowhere else; bitten on only where it meets an opponent; what was eased is smoothed again', () => {
    for (const { bitten, ...work } of cases) {
      const plan = gold(work)
      const at = (id: RegExp): number => plan.steps.findIndex((s) => id.test(s.id))
      const off = at(/^isolation\.dam-off/)
      for (const dry of [/discs$/, /pumice$/, /fifteen$/, /finishing\.one$/]) {
        expect(at(dry)).toBeGreaterThan(0)
        expect(at(dry)).toBeLessThan(off)
      }
      expect(at(/\.bite/) > off, work.teeth.join()).toBe(bitten)
      expect(at(/smooth-again/) > at(/\.bite/), work.teeth.join()).toBe(bitten)
      const rolls = gold({ ...work, visitChoices: { bondingIsolation: 'rolls and suction' } })
      expect(rolls.steps.some((s) => /fifteen|finishing\.one/.test(s.id))).toBe(false)
      expect(rolls.steps.find((s) => s.id === 'finishing.wet-paste')?.title).toContain(
        'no dry powder without the sheet',
      )
    }
  })
  it('B56 where alcohol was the wipe it has gone dry and is away before the lamp is lit, else nothing is said of it', () => {
    for (const { bitten: _, ...work } of cases.slice(0, 2))
      for (const alerts of [[], ['chlorhexidine']]) {
        const lit = gold({ ...work, alerts }).steps.find((s) => s.id.endsWith('.light'))
        const wet = alerts.length > 0
        expect((lit?.detail ?? '').includes('gone dry')).toBe(wet)
        expect(lit?.cautions.some((x) => /still wet burns/.test(x.text))).toBe(wet)
      }
  })
})

describe('C235, C238, C239 and C242 a cavity built up cusp by cusp', () => {
  const cusps = (tooth: string, depthMm?: number): Plan =>
    planFor({
      kind: 'filling.cusps',
      teeth: [tooth],
      ofTooth: { [tooth]: { surfaces: 'O', ...(depthMm === undefined ? {} : { depthMm }) } },
    })
  it('C235 the floor first, in layers of at most 2 mm, each lit, up to about 2 mm under the cusps; a depth nobody knows is asked', () => {
    for (const [tooth, depthMm, layers] of [
      ['46', 1.5, 0],
      ['36', 2, 0],
      ['25', 3.5, 1],
      ['17', 4.5, 2],
      ['37', 6.5, 3],
    ] as const) {
      const plan = cusps(tooth, depthMm)
      const floor = plan.steps.filter((s) => /\.floor-\d$/.test(s.id))
      expect(floor, `${tooth} ${depthMm}`).toHaveLength(layers)
      expect(plan.steps.filter((s) => /\.floor-\d-cure$/.test(s.id))).toHaveLength(layers)
      for (const s of floor) expect(Number(/: ([\d.]+) mm/.exec(s.title)?.[1]), s.title).toBeLessThanOrEqual(2)
      expect(plan.clashes.some((x) => x.id === 'depth-not-known')).toBe(false)
    }
    expect(cusps('46').clashes.some((x) => x.id === 'depth-not-known')).toBe(true)
  })
  it('C238 C239 C242 each cusp by a drop, a brush and a probe laid flat, the coated plugger, flowable off the enamel edge; palatal above', () => {
    for (const [tooth, inner] of [
      ['16', 'palatal'],
      ['46', 'lingual'],
      ['24', 'palatal'],
    ] as const) {
      const plan = cusps(tooth, 4)
      const own = plan.steps.filter((s) => /\.cusp-\w+$/.test(s.id))
      expect(own.length).toBeGreaterThan(1)
      expect(
        own.some((s) => s.title.toLowerCase().includes(inner)),
        tooth,
      ).toBe(true)
      for (const s of own) expect(s.passes.join(), s.id).toMatch(/a drop.*micro brush.*flat along the slope/)
      expect(plan.setup.find((l) => l.needs.includes('composite plugger'))?.id).toBe('composite-plugger')
      expect(plan.steps.find((s) => s.id.endsWith('.flow'))?.title).toContain('the enamel edge stays free')
    }
  })
})

describe('C135 strips lie out only where a side toward a neighbour is filled', () => {
  it('C135 strips and discs for a box, discs for a front edge, neither for one surface behind', () => {
    for (const [kind, tooth, surfaces, strips, discs] of [
      ['filling.cusps', '46', 'O', false, false],
      ['filling.bulk', '25', 'O', false, false],
      ['filling.injected', '17', 'O', false, false],
      ['filling.bulk', '36', 'MO', true, true],
      ['filling.injected', '14', 'DO', true, true],
    ] as const) {
      const plan = planFor({
        kind,
        teeth: [tooth],
        ofTooth: { [tooth]: { surfaces, depthMm: 4 } },
      })
      const lies = (id: string): boolean => plan.setup.some((l) => l.needs.includes(id) && l.readiness === 'open')
      expect([lies('finishing strip'), lies('finishing disc')], `${kind} ${surfaces}`).toEqual([strips, discs])
    }
  })
})

it('A136 a box and a ridge are spoken of only where there is a box', () => {
  for (const [tooth, surfaces] of [
    ['36', 'O'],
    ['15', 'DO'],
    ['47', 'B'],
    ['26', 'MOD'],
  ] as const) {
    const plan = planUnderGum({
      kind: 'filling.amalgam',
      teeth: [tooth],
      ofTooth: { [tooth]: { surfaces, depthMm: 4 } },
    })
    const said = plan.steps.filter((s) => /\.(condense|carve)$/.test(s.id)).map((s) => s.title)
    expect(/box|ridge/.test(said.join()), `${tooth} ${surfaces}`).toBe(/[MD]/.test(surfaces))
  }
})

it('B10 toward a missing tooth or behind the last no ring, no pressing, no floss and no neighbour that is scored; the other side keeps them', () => {
  for (const kind of ['filling.bulk', 'filling.injected'])
    for (const [tooth, surfaces, missing, rings] of [
      ['45', 'MO', ['44'], 0],
      ['27', 'DO', ['28'], 0],
      ['17', 'MOD', ['18'], 1],
      ['36', 'MOD', [], 2],
    ] as const) {
      const plan = planUnderGum({ kind, teeth: [tooth], missing, ofTooth: { [tooth]: { surfaces, depthMm: 5 } } })
      const words = JSON.stringify(plan.steps.map((s) => [s.title, s.detail, s.mistakes, s.passes]))
      const named = `${kind} ${tooth} ${surfaces}`
      expect(plan.setup.find((l) => l.needs.includes('separation ring'))?.quantity ?? 0, named).toBe(rings)
      expect(/[Pp]ress(ed)? to the neighbour/.test(words), named).toBe(rings > 0)
      expect(/scored by the bur/.test(words), named).toBe(rings > 0)
      expect(
        plan.steps.some((s) => s.id.endsWith('.floss')),
        named,
      ).toBe(rings > 0)
      expect(lies(plan, 'matrix band.circumferential'), named).toBe(rings === 0)
      const matrix = plan.steps.find((s) => s.id.endsWith('.matrix'))
      expect(/shaped free/.test(`${matrix?.title} ${matrix?.detail}`), named).toBe(missing.length > 0)
    }
})

describe('B12 keeps the clamp off both teeth a ring spans: one further back where there is one, else a clamp without wings and the ring tried over it first', () => {
  const ringed = (plan: Plan): { tooth: Tooth; behind: Tooth }[] =>
    plan.request.teeth.flatMap((t) => {
      const surfaces = plan.request.ofTooth[t]?.surfaces ?? ''
      const behind = neighbours(t, plan.request.missing).distal.tooth
      return surfaces.includes('D') && behind ? [{ tooth: t, behind }] : []
    })
  const dam = (plan: Plan) => stepOf(plan, 'isolation.dam-on')
  const clampsOn = (plan: Plan): Tooth[] => dam(plan)?.asks.flatMap((a) => (a.reading === 'sheet' ? a.teeth : [])) ?? []
  inAnyCase(
    (plan) => {
      if (!dam(plan)) return
      for (const { tooth, behind } of ringed(plan)) {
        expect(clampsOn(plan)).not.toContain(tooth)
        if (!clampsOn(plan).includes(behind)) continue
        expect(neighbours(behind, plan.request.missing).distal.tooth).toBeNull()
        expect(dam(plan)!.detail).toContain('tried over the')
        if (!isPrimary(behind) && parts(behind).position >= 4)
          expect(
            dam(plan)!
              .needs.map((n) => n.what)
              .join(),
          ).toContain('wingless')
      }
    },
    ['filling.bulk', 'filling.injected'],
  )
  it.each(['filling.bulk', 'filling.injected'])(
    'B12 %s: distal of 45 clamps 47, distal of 46 with 48 gone 47 without wings, mesial of 45 clamps 46',
    (kind) => {
      const of = (tooth: string, surfaces: string, missing: string[] = []) =>
        planFor({
          kind,
          teeth: [tooth],
          ofTooth: { [tooth]: { surfaces, depthMm: 4 } },
          missing,
          visitChoices: { bondingIsolation: 'dam' },
        })
      expect(clampsOn(of('45', 'DO'))).toEqual(['47'])
      expect(clampsOn(of('45', 'MO'))).toEqual(['46'])
      expect(clampsOn(of('46', 'DO', ['48']))).toEqual(['47'])
      expect(dam(of('46', 'DO', ['48']))!.detail).toMatch(/ring tried over the .*47/)
      expect(dam(of('46', 'DO', ['48']))!.needs.map((n) => n.what)).toContain('clamp.molar.wingless')
      // The ring of a second work under the same sheet counts as well.
      const two = planFor({
        kind: 'filling.amalgam',
        teeth: ['44'],
        ofTooth: { '44': { surfaces: 'O', depthMm: 3 } },
        also: [{ kind, teeth: ['45'], ofTooth: { '45': { surfaces: 'DO', depthMm: 4 } } }],
        visitChoices: { bondingIsolation: 'dam' },
      })
      expect(clampsOn(two)).toEqual(['47'])
    },
  )
})

describe('B13 lays and passes the tooth-coloured filling in the shade that is known, tooth by tooth; where none is, as signed', () => {
  inAnyCase(
    (plan) => {
      const shaded = plan.steps.filter((s) => s.needs.some((n) => n.shade !== undefined))
      expect(shaded.length).toBeGreaterThan(0)
      for (const s of shaded) expect(s.passes.join(), s.id).toContain('shade')
      for (const l of plan.setup) if (l.needs.includes('composite.bulk')) expect(l.shade).toBeUndefined()
    },
    ['filling.bulk', 'filling.injected', 'filling.cervical', 'filling.cusps', 'primary.class3'],
  )
  it.each([
    ['filling.bulk', '36'],
    ['filling.injected', '25'],
    ['filling.cervical', '43'],
    ['filling.cusps', '46'],
    ['primary.class3', '52'],
  ])('B13 %s %s', (kind, tooth) => {
    const of = (shade?: string) =>
      planFor({ kind, teeth: [tooth], ofTooth: { [tooth]: shade ? { shade } : {} }, ageYears: 6, weightKg: 20 })
    const laid = (plan: Plan) => plan.setup.flatMap((l) => l.shade ?? [])
    expect(laid(of('A2'))).toEqual([`${tooth}: A2`])
    expect(
      of('A2')
        .steps.flatMap((s) => s.passes)
        .join(),
    ).toContain('shade A2')
    expect(laid(of())).toEqual([`${tooth}: shade as signed`])
  })
})
