/** Numbing: who feels what, what is given, what is tested. Each title begins with its lines; common practice unless a test names a source. */
import { describe, expect, it } from 'vitest'
import { inAnyCase, planFor, planUnderGum, stepOf } from '../../../demo/test/lines'
import { plannedAnaesthetic } from '../../measure/anaesthetic'
import type { Plan } from '../../model/plan'
import { isPrimary, write, type Tooth } from '../../teeth/notation'

describe('A7 where a needle is used, a further cartridge of each agent stands by as a line of its own', () => {
  inAnyCase((plan) => {
    const doses = plan.steps.flatMap((s) => s.numbed?.doses ?? [])
    for (const { agent } of doses) {
      const lines = plan.setup.filter((l) => l.needs.includes(`cartridge.${agent}`))
      expect(
        lines.some((l) => l.readiness === 'open'),
        agent,
      ).toBe(true)
      expect(
        lines.filter((l) => l.readiness === 'standby').map((l) => [l.quantity, l.when]),
        agent,
      ).toEqual([[1, 'the test is not good and more is given']])
    }
    // Where nothing hurts and a living tooth is cut, one stands by unopened.
    if (doses.length === 0 && !plan.steps.some((s) => s.id === 'anaesthesia.ask'))
      expect(plan.setup.some((l) => l.needs.some((n) => n.startsWith('cartridge.')))).toBe(false)
  })
})

// M, American Academy of Pediatric Dentistry, Use of Local Anesthesia: lidocaine 4.4 mg/kg for children; 36 mg in 1.8 mL.
it('A7 a whole further cartridge that would pass the ceiling is said before it is opened, and only there', () => {
  const said = (mL: number, weightKg: number): string[] =>
    plannedAnaesthetic([{ agent: 'lidocaine with adrenaline', mL }], { weightKg, child: true })
      .cautions.map((c) => c.text)
      .filter((text) => text.startsWith('One whole cartridge'))
  for (const [mL, kg, over] of [
    [1.8, 16, true], // 36 + 36 = 72 of 70.4 mg
    [1.8, 17, false], // of 74.8 mg
    [0.6, 10, true], // 12 + 36 = 48 of 44 mg
    [0.6, 11, false], // of 48.4 mg
  ] as const)
    expect(said(mL, kg).length, `${mL} mL, ${kg} kg`).toBe(over ? 1 : 0)
  // Where the plan alone is over, that is what is said.
  expect(said(3.6, 10)).toEqual([])
})

describe('A8, A9 a living pulp that is worked in', () => {
  const of = (tooth: string, vital: boolean): Plan =>
    planFor({ kind: 'endo.core.crown', teeth: [tooth], vital, choices: {} })
  const injected = (plan: Plan) =>
    plan.steps.flatMap((s) => s.numbed?.doses ?? []).flatMap((d) => d.injections.map((i) => ({ ...i, mL: d.mL })))
  it('A8 about a full cartridge by infiltration where it is alive, the ordinary amount where it is dead', () => {
    const all = (plan: Plan): number => plan.steps.flatMap((s) => s.numbed?.doses ?? []).reduce((n, d) => n + d.mL, 0)
    for (const tooth of ['14', '16', '25', '27']) {
      expect(injected(of(tooth, true)).find((i) => i.technique === 'infiltration')?.mL, tooth).toBeGreaterThanOrEqual(
        1.5,
      )
      for (const i of injected(of(tooth, false))) expect(i.pulp, tooth).toBeUndefined()
      // The same gum, and about a cartridge in place of 0.6 mL.
      expect(all(of(tooth, true)) - all(of(tooth, false)), tooth).toBeCloseTo(1.7 - 0.6)
    }
  })
  it('A9 below from the first premolar back by a block, the lip tested with it; a mental block is the other choice', () => {
    for (const tooth of ['34', '44', '35', '36', '47']) {
      const plan = of(tooth, true)
      expect(
        injected(plan).map((i) => i.technique),
        tooth,
      ).toContain('inferior-alveolar')
      expect(plan.steps.find((s) => s.act === 'numb')?.detail, tooth).toContain('lip to the middle')
      const inject = plan.steps.find((s) => s.numbed)
      expect((inject?.detail ?? '').includes('mental block'), tooth).toBe(['34', '44', '35'].includes(tooth))
    }
    // What only cuts the tooth may stay with infiltration.
    const crown = planFor({ kind: 'crown.prepare', teeth: ['44'], vital: true })
    expect(injected(crown).map((i) => i.technique)).toContain('infiltration')
  })
})

describe('B1, B2, B3 and A12 whatever touches gum has that gum numb and tested, whatever the pulp', () => {
  /** Steps that press on or cut into the gum, each with the tooth whose gum it is. */
  const touched = (plan: Plan): { id: string; teeth: readonly Tooth[] }[] =>
    plan.steps.flatMap((s) => {
      const gum =
        s.act === 'cord in' ||
        s.id.endsWith('.matrix') ||
        (s.id.startsWith('filling.') && s.id.includes('.clamp') && !s.id.includes('clamp-off')) ||
        ((s.cut?.form === 'chamfer' || s.cut?.form === 'shoulder') && plan.request.margin !== 'supragingival')
      if (gum && s.tooth) return [{ id: s.id, teeth: [s.tooth] }]
      return s.act === 'sheet on' ? [{ id: s.id, teeth: s.asks.flatMap((a) => a.teeth ?? []) }] : []
    })
  inAnyCase((plan) => {
    // Asleep, or sealed in without cutting: by other ways, or none.
    if (plan.request.also.length > 0 || /primary|child/.test(plan.kind)) return
    const gum = touched(plan)
    if (gum.length === 0) return
    const numb = plan.holds.filter((h) => h.name === 'numb').map((h) => h.evidence)
    expect(plan.absent.some((a) => a.because.text.startsWith('nothing in this visit hurts'))).toBe(false)
    for (const { id, teeth } of gum)
      for (const t of teeth)
        expect(
          numb.some((e) => e.includes(write(t, plan.notation))),
          `${id} at ${t}: ${numb.join()}`,
        ).toBe(true)
  })
  const of = (more: object): Plan => planFor({ ...more })
  const evidence = (plan: Plan): string => plan.holds.find((h) => h.name === 'numb')?.evidence ?? ''
  it('B1 a dead tooth whose margin lies at the gum is numbed on both sides, above the gum it is not', () => {
    for (const [tooth, sides] of [
      ['21', 'lip and palate'],
      ['42', 'lip and tongue'],
      ['13', 'lip and palate'],
    ] as const) {
      const post = (margin: string): Plan =>
        of({
          kind: 'post.core',
          teeth: [tooth],
          margin,
          vital: false,
          visitChoices: { bondingIsolation: 'rolls and suction' },
        })
      expect(evidence(post('subgingival')), tooth).toContain(`${tooth} ${sides} side`)
      expect(evidence(post('supragingival')), tooth).toBe('')
    }
  })
  it('B2 each clamped tooth is numb and tested on both sides, the second one too', () => {
    for (const [tooth, far] of [
      ['25', '12'],
      ['36', '42'],
      ['14', '22'],
    ] as const) {
      const plan = of({ kind: 'gold.deliver', teeth: [tooth], vital: false })
      expect(stepOf(plan, 'isolation.second-clamp')?.title, tooth).toContain(far)
      expect(evidence(plan), tooth).toMatch(new RegExp(`${far} lip and (palate|tongue) side`))
    }
  })
  it('B3 A12 a banded and wedged tooth is tested on cheek and inner side, an occlusal cavity without a band is not', () => {
    for (const kind of ['filling.bulk', 'filling.amalgam'])
      for (const [tooth, inner] of [
        ['16', 'palate'],
        ['46', 'tongue'],
        ['25', 'palate'],
      ] as const) {
        const filled = (surfaces: string): string =>
          evidence(
            of({
              kind,
              teeth: [tooth],
              ofTooth: { [tooth]: { surfaces } },
              visitChoices: { bondingIsolation: 'rolls and suction' },
            }),
          )
        expect(filled('MO'), `${kind} ${tooth}`).toContain(`${tooth} cheek and ${inner} side`)
        expect(filled('O'), `${kind} ${tooth}`).not.toContain(inner)
      }
  })
})

describe('A10, A55 a living tooth that is cut or opened is tested itself, by cold that lies there', () => {
  inAnyCase((plan) => {
    const numb = plan.holds.find((h) => h.id === 'numb')?.evidence
    const cold = plan.setup.some((l) => l.needs.includes('cold agent'))
    expect(
      plan.steps.some((s) => /[Cc]old (spray )?on a pellet|by cold/.test([s.detail, ...s.passes].join(' '))),
      'cold named',
    ).toBe(cold)
    const [work] = [plan.request]
    if (numb === undefined || work.also.length > 0 || !work.vital) return
    const cut = new Set(
      plan.steps.flatMap((s) =>
        s.cut && s.hurts && s.tooth && !isPrimary(s.tooth) && s.place === 'mouth' ? [s.tooth] : [],
      ),
    )
    // What is cut in enamel only hurts at the gum, and in a canal just filled nothing is alive.
    if (work.inEnamel || plan.kind === 'post.core') return
    for (const tooth of cut) {
      const own = write(tooth, plan.notation)
      expect(
        numb.split(';').some((part) => part.includes('by cold') && part.includes(own)),
        `${own}: ${numb}`,
      ).toBe(true)
    }
  })
})

describe('A11 a living tooth that is cut in enamel only has the kit at hand, unopened', () => {
  it('A11 bonded bridges and veneers in enamel; no kit where nothing is cut', () => {
    for (const more of [
      { kind: 'bridge.ceramic.prepare', teeth: ['31', '33'], pontics: ['32'], margin: 'supragingival', inEnamel: true },
      { kind: 'bridge.metal.prepare', teeth: ['12', '21'], pontics: ['11'], margin: 'supragingival', inEnamel: true },
      { kind: 'veneer.prepare', teeth: ['11', '21'], margin: 'supragingival', inEnamel: true },
    ]) {
      const plan = planUnderGum(more)
      expect(
        plan.steps.some((s) => s.numbed),
        more.kind,
      ).toBe(false)
      for (const need of ['syringe', 'needle.short', 'topical'])
        expect(plan.setup.find((l) => l.needs.includes(need))?.readiness, `${more.kind} ${need}`).toBe('standby')
      expect(plan.setup.find((l) => l.needs.some((n) => n.startsWith('cartridge.')))?.readiness).toBe('standby')
    }
    for (const more of [
      { kind: 'recall.week', teeth: ['11'] },
      { kind: 'bridge.try-in', teeth: ['34', '37'], pontics: ['35', '36'], vital: false },
      { kind: 'veneer.prepare', teeth: ['11'], margin: 'supragingival', inEnamel: true, vital: false },
    ])
      expect(
        planUnderGum(more).steps.some((s) => s.id === 'anaesthesia.ask'),
        more.kind,
      ).toBe(false)
  })
})

describe('B4 makes numb or not a choice where a living prepared tooth lies bare: planned with its test where an agent is named, else the kit stands by', () => {
  const kit = (plan: Plan): boolean =>
    plan.setup.some((l) => l.readiness === 'standby' && l.needs.some((n) => n.startsWith('cartridge.')))
  inAnyCase(
    (plan) => {
      const { vital, anaesthetic, margin } = plan.request
      const ids = plan.steps.map((s) => s.id)
      if (vital && anaesthetic !== 'by technique')
        expect(ids).toEqual(expect.arrayContaining(['anaesthesia.inject', 'anaesthesia.test']))
      else if (vital && !ids.includes('anaesthesia.inject'))
        expect([ids.includes('anaesthesia.ask'), kit(plan)]).toEqual([true, true])
      if (!vital && margin === 'supragingival') expect(ids.filter((id) => id.startsWith('anaesthesia.'))).toEqual([])
    },
    ['crown.interim', 'provisional.again'],
  )
  it.each([
    ['crown.interim', '14'],
    ['crown.interim', '31'],
    ['provisional.again', '25'],
  ])('B4 %s %s', (kind, tooth) => {
    const of = (more: object) => planFor({ kind, teeth: [tooth], margin: 'supragingival', ...more })
    const ids = (more: object) => of(more).steps.map((s) => s.id)
    expect(ids({ vital: true })).toContain('anaesthesia.ask')
    expect(of({ vital: true }).absent.map((a) => a.what)).toContain('anaesthesia')
    expect(ids({ vital: true, anaesthetic: 'articaine with adrenaline' })).toContain('anaesthesia.inject')
    expect(ids({ vital: false })).not.toContain('anaesthesia.ask')
  })
})
