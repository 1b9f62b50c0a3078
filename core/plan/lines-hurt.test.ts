/** Lines of the trade that can hurt where they are broken, each held over any case of any kind. Common practice unless said. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, parse } from '../../demo/test/any-case'
import { files, planOf, practice } from '../../demo/test/plans'
import { often } from '../../scripts/often'
import { kindIds } from '../kinds'
import { plannedAnaesthetic } from '../measure/anaesthetic'
import { reductionTargets } from '../measure/reduction'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { presetTable } from '../practice/functions'
import { isAnterior } from '../teeth/arch'
import { jawOf, parts, toTooth, write, type Tooth } from '../teeth/notation'
import { isClock } from '../model/link'
import { layOut } from '../schedule/timeline'
import { compile } from './compile'
import { turns } from './shielded'

const any = (holds: (plan: Plan) => void) =>
  it.each(kindIds)('%s', (kind) => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => holds(compile(parse({ ...work, ...more }), practice))),
      { numRuns: often(12) },
    )
  })

describe('A7 where a needle is used, a further cartridge of each agent stands by as a line of its own', () => {
  any((plan) => {
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

describe('A42, C106 nobody of the team holds head, film or sensor while a film is exposed', () => {
  any((plan) => {
    for (const s of plan.steps) {
      expect(s.help ?? '', s.id).not.toMatch(/(?<!nobody )holds? (the )?(head|film|sensor)/)
      if (s.fn !== 'radiograph' || s.id.startsWith('records.vitality')) continue
      if (s.help !== undefined) expect(s.help, s.id).toContain('behind the shield')
      expect(s.cautions.map((x) => x.text).join(' '), s.id).toMatch(
        /holder.*the patient’s own finger.*behind the shield/,
      )
    }
  })
})

describe('A3 front teeth never get the cord of back teeth', () => {
  any((plan) => {
    for (const { cord, tooth, id } of plan.steps) {
      if (!cord || !tooth || !isAnterior(tooth)) continue
      const lowerIncisor = jawOf(tooth) === 'lower' && parts(tooth).position <= 2
      expect(lowerIncisor ? ['000', '00', '0'] : ['000', '00', '0', '1', '2'], id).toContain(cord.size)
      if (cord.layer === 'base') expect(['000', '00'], id).toContain(cord.size)
    }
  })
})

describe('A8, A9 a living pulp that is worked in', () => {
  const of = (tooth: string, vital: boolean): Plan =>
    compile(
      parse({ kind: 'endo.core.crown', teeth: [tooth], vital, choices: {}, date: '2026-11-24', team: frameTeam }),
      practice,
    )
  const frameTeam = { dentist: 'dentist', assistants: ['assistant'] }
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
    const crown = compile(
      parse({ kind: 'crown.prepare', teeth: ['44'], vital: true, date: '2026-11-24', team: frameTeam }),
      practice,
    )
    expect(injected(crown).map((i) => i.technique)).toContain('infiltration')
  })
})

describe('A16 a groove is sunk by the lower end of what is taken, never more than 0.2 mm past it; smoothing takes the rest', () => {
  any((plan) => {
    const restoration = plan.request.restoration
    if (!restoration) return
    const t = reductionTargets(restoration)
    for (const s of plan.steps) {
      if (s.cut?.form !== 'groove' || !s.id.includes('.groove-')) continue
      const bur = practice.burs.find((b) => b.id === s.burId)
      const least = s.id.includes('facial')
        ? t.facial.leastMm
        : s.id.includes('functional')
          ? t.functionalCusp.leastMm
          : t.otherCusp.leastMm
      expect(s.cut.depthMm, s.id).toBeLessThanOrEqual(least)
      if (bur) expect(bur.diameterMm, s.id).toBeLessThanOrEqual(least + 0.2)
    }
  })
})

describe('A17 on the lip side of a lower incisor no groove is deeper than 1.0 mm, and the small tooth is asked about', () => {
  const made = [
    'metal-ceramic crown',
    'lithium disilicate crown',
    'monolithic zirconia crown',
    'laminate veneer',
  ] as const
  it.each(made)('A17 %s on 41, 32, 12 and 22', (restoration) => {
    for (const tooth of ['41', '32', '12', '22']) {
      const plan = compile(
        parse({
          kind: restoration === 'laminate veneer' ? 'veneer.prepare' : 'crown.prepare',
          teeth: [tooth],
          restoration,
          vital: true,
          date: '2026-11-24',
          team: { dentist: 'dentist', assistants: ['assistant'] },
        }),
        practice,
      )
      const lip = plan.steps.filter((s) => s.cut?.form === 'groove' && s.cut.surface === 'labial')
      const least = reductionTargets(restoration).facial.leastMm
      const lower = jawOf(toTooth(tooth)) === 'lower'
      expect(lip.length, tooth).toBeGreaterThan(0)
      for (const { cut, burId } of lip) {
        expect(cut?.depthMm, tooth).toBe(lower ? Math.min(least, 1) : least)
        expect(practice.burs.find((b) => b.id === burId)?.diameterMm, tooth).toBeLessThanOrEqual(
          lower ? 1 : least + 0.2,
        )
      }
      const asked = plan.clashes.find((x) => x.id === 'small-tooth')
      expect(asked?.decides, tooth).toBe(lower && restoration !== 'laminate veneer' ? 'dentist' : undefined)
      if (lower && restoration === 'metal-ceramic crown') expect(asked?.why).toContain('wants 1.2 mm')
    }
  })
})

describe('A15, B126 what guards the eyes lies out and is said at the first bur, wheel or cup, whatever its phase, at the bench too', () => {
  const guards = (s: Step): boolean =>
    s.needs.some((n) => n.what === 'face shield') && s.cautions.some((x) => /shield/i.test(x.text))
  any((plan) => {
    for (const bench of [false, true]) {
      const [first, ...later] = plan.steps.filter((s) => turns(s) && (s.place === 'bench') === bench)
      if (first) expect(guards(first), first.id).toBe(true)
      for (const s of later)
        expect(
          s.needs.some((n) => n.what === 'face shield'),
          s.id,
        ).toBe(false)
    }
    const bur = plan.steps.find((s) => s.cut)
    expect(plan.setup.some((l) => l.needs.includes('bur block'))).toBe(bur !== undefined)
    if (bur) expect(bur.needs.map((n) => n.what)).toContain('bur block')
  })
  it('A15 B126 the opponent eased before the retainers, a delivery, a recall, an interim crown', () => {
    const seen = (name: string): string[] =>
      planOf(name)
        .steps.filter(guards)
        .map((s) => s.id)
    for (const name of files.filter((f) => /^(J02|J13|J16|crown-deliver|recall)/.test(f))) {
      const first = planOf(name).steps.find((s) => turns(s))
      if (first) expect(seen(name), name).toContain(first.id)
    }
  })
})

describe('A35, A36, A37 and A41 what a bonded piece is made of', () => {
  const team = { dentist: 'dentist', assistants: ['assistant'] }
  const bridge = (kind: string, pontic: string, framework?: string): Plan =>
    compile(
      parse({
        kind,
        teeth: pontic === '32' ? ['33', '31'] : ['42'],
        pontics: [pontic],
        ...(framework ? { framework } : {}),
        date: '2026-11-24',
        team,
      }),
      practice,
    )
  it('A35 a framework nobody has named is never guessed: it stops the delivery, is asked at the preparation, then stands in title, slip, box and hold', () => {
    for (const pontic of ['32', '41']) {
      const unsaid = bridge('bridge.ceramic.deliver', pontic)
      expect(unsaid.clashes.find((x) => x.id === 'made-of-what')).toMatchObject({ severity: 'stop' })
      expect(bridge('bridge.ceramic.prepare', pontic).clashes.find((x) => x.id === 'made-of-what')).toMatchObject({
        severity: 'ask',
        decides: 'dentist',
      })
      const primers = (plan: Plan): string[] =>
        plan.setup.filter((l) => /silane|primer.metal/.test(l.needs.join())).map((l) => `${l.id} ${l.readiness}`)
      expect(primers(unsaid)).toEqual(['silane standby', 'metal-primer standby'])
      for (const framework of ['zirconia', 'lithium disilicate']) {
        const [prepared, delivered] = [
          bridge('bridge.ceramic.prepare', pontic, framework),
          bridge('bridge.ceramic.deliver', pontic, framework),
        ]
        for (const plan of [prepared, delivered]) {
          expect(plan.title).toContain(framework)
          expect(plan.clashes.some((x) => x.id === 'made-of-what')).toBe(false)
          expect(plan.asked.facts.flat()).toContain('framework')
        }
        expect(prepared.steps.find((s) => s.id === 'records.pontic-note')?.title).toContain(framework)
        expect(delivered.steps.find((s) => s.id === 'arrival.piece')?.detail).toContain(framework)
        expect(delivered.holds.find((h) => h.name === 'fit')?.evidence).toContain(framework)
        expect(primers(delivered)).toEqual([framework === 'zirconia' ? 'metal-primer open' : 'silane open'])
      }
    }
    // One stuff only: nothing is asked.
    expect(planOf('J02-bonded-metal-bridge-delivery').clashes.some((x) => x.id === 'made-of-what')).toBe(false)
  })
  any((plan) => {
    const cleaned = plan.steps.find((s) => s.id.startsWith('delivery.clean-piece'))
    const works = [plan.request, ...plan.request.also]
    if (cleaned && works.length === 1) {
      const { restoration, framework, deliveryCement, kind } = plan.request
      const zirconia = restoration === 'monolithic zirconia crown' || framework === 'zirconia'
      const bonded = kind !== 'crown.deliver' || deliveryCement === 'resin'
      // A36 alcohol does not take the phosphate of saliva off.
      if (zirconia && bonded) {
        expect(cleaned.title).toContain('zirconia cleaner')
        expect(cleaned.needs.map((n) => n.what)).toEqual(['zirconia cleaner', 'air abrasion', 'ultrasonic bath'])
      }
    }
    // A37 a film of silicone on a fitting side that is bonded is not a matter of course.
    const bonded =
      plan.steps.some((s) => s.id.startsWith('delivery.seat') && s.needs.length > 0) &&
      plan.setup.some((l) => l.needs.some((n) => /^cement\.(resin$|veneer)/.test(n)) && l.readiness === 'open')
    if (bonded && works.length === 1)
      expect(plan.setup.filter((l) => l.needs.includes('fit checker') && l.readiness === 'open')).toEqual([])
    // A41 hydrofluoric acid is spoken of only where there is glass to etch.
    const glass = works.some(
      (w) =>
        w.framework === 'lithium disilicate' ||
        ['lithium disilicate crown', 'laminate veneer', 'ceramic inlay', 'ceramic onlay'].includes(w.restoration ?? ''),
    )
    if (!glass) expect(plan.steps.some((s) => s.cautions.some((x) => x.text.includes('ydrofluoric')))).toBe(false)
  })
})

describe('A120, A121 veneers where dentine shows, and where it does not', () => {
  const team = { dentist: 'dentist', assistants: ['assistant'] }
  const veneers = (kind: string, teeth: string[], more: object): Plan =>
    compile(parse({ kind, teeth, date: '2026-11-24', team, ...more }), practice)
  it('A120 says wholly in enamel only where it is; dentine without a shell is asked about, by its own reason', () => {
    for (const kind of ['veneer.prepare', 'laminate.prepare'])
      for (const teeth of [['12', '11'], ['22'], ['42', '41', '31']])
        for (const inEnamel of [true, false])
          for (const veneerProvisional of ['none', 'locked-on shell']) {
            const plan = veneers(kind, teeth, { inEnamel, visitChoices: { veneerProvisional } })
            const why = plan.absent.filter((a) => a.what === 'provisional').map((a) => a.because.text)
            const words = JSON.stringify([plan.steps, plan.absent])
            expect(words.includes('holly in enamel')).toBe(inEnamel)
            const open = !inEnamel && veneerProvisional === 'none'
            expect(why).toHaveLength(veneerProvisional === 'none' ? 1 : 0)
            if (open) expect(why[0]).toContain('dentine shows')
            expect(plan.clashes.find((x) => x.id === 'open-dentine')?.decides).toBe(open ? 'dentist' : undefined)
          }
  })
  it('A121 checks the edge of those teeth only whose edge is covered, in enamel or not', () => {
    for (const inEnamel of [true, false]) {
      const plan = veneers('veneer.prepare', ['12', '11', '21'], { inEnamel, ofTooth: { 11: { coveredEdge: true } } })
      const detail = plan.steps.find((s) => s.id === 'cutting.reduction-check')?.detail ?? ''
      expect(detail).toMatch(/edge 1\.0–1\.5 mm of 11[,.]/)
      expect(
        veneers('veneer.prepare', ['12', '21'], { inEnamel }).steps.find((s) => s.id === 'cutting.reduction-check')
          ?.detail,
      ).not.toContain('edge')
    }
    const all = veneers('laminate.prepare', ['41', '31'], {
      ofTooth: { 41: { coveredEdge: true }, 31: { coveredEdge: true } },
    })
    expect(all.steps.find((s) => s.id === 'cutting.reduction-check')?.detail).toContain('of 41, 31')
  })
})

describe('A127, A128 what lies under an amalgam', () => {
  const amalgam = (tooth: string, surfaces: string, depthMm?: number): Plan =>
    compile(
      parse({
        kind: 'filling.amalgam',
        teeth: [tooth],
        ofTooth: { [tooth]: { surfaces, ...(depthMm === undefined ? {} : { depthMm }) } },
        date: '2026-11-24',
        team: { dentist: 'dentist', assistants: ['assistant'] },
      }),
      practice,
    )
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
  any((plan) => {
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
  const team = { dentist: 'dentist', assistants: ['assistant'] }
  const of = (more: object): Plan => compile(parse({ date: '2026-11-24', team, ...more }), practice)
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
      expect(plan.steps.find((s) => s.id === 'isolation.second-clamp')?.title, tooth).toContain(far)
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

describe('C114 in thin gum or a shallow crevice no layer is thicker than 0, and the reason names recession', () => {
  any((plan) => {
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

describe('B5, C108 what cuts is never polishing: bur and blade are the dentist’s in every preset, cups and discs are a step of their own', () => {
  const tables = (['cautious', 'expanded'] as const).map((preset) => presetTable(preset, 'Dr Demo', '2026-11-01'))
  it('B5 C108 no preset gives a bur or a blade to an assistant; a practice may', () => {
    for (const table of tables)
      expect(table.find((l) => l.function === 'finishing')).toMatchObject({ assistant: 'no', expanded: 'no' })
  })
  any((plan) => {
    for (const s of plan.steps) {
      const cuts = s.cut !== undefined || /\b(bur|blade)\b/.test([s.title, ...s.passes].join(' '))
      if (s.fn === 'polishing') expect(cuts, s.id).toBe(false)
      if (s.cut && s.place === 'mouth' && s.phase === 'finishing') expect(s.fn, s.id).toBe('finishing')
      // A title that holds both is two steps.
      if (s.fn === 'finishing') expect(s.title, s.id).not.toMatch(/\b(cups?|discs?|polishers?|wheels?|paste)\b/i)
    }
  })
  it('B5 the dentist shapes and the expanded assistant polishes, whatever is filled or bonded', () => {
    const expanded = { dentist: 'dentist', assistants: ['expanded'] }
    const people = [...practice.people, { id: 'expanded', name: 'Another', roles: ['expanded assistant' as const] }]
    for (const [kind, teeth] of [
      ['filling.bulk', ['26']],
      ['filling.injected', ['45']],
      ['filling.cervical', ['34']],
      ['inlay.deliver', ['16']],
      ['laminate.deliver', ['11', '21']],
    ] as const) {
      const plan = compile(
        parse({ kind, teeth, date: '2026-11-24', team: expanded, visitChoices: { functions: 'expanded' } }),
        { ...practice, people },
      )
      for (const s of plan.steps) {
        if (s.fn === 'finishing') expect(s.performer.personId, `${kind} ${s.id}`).toBe('dentist')
        // Where hands work second by second, the lanes give them out.
        if (s.fn === 'polishing' && !s.lanes) expect(s.performer.personId, `${kind} ${s.id}`).toBe('expanded')
      }
    }
  })
})

describe('B55, B56 gold under the sheet', () => {
  const gold = (more: object): Plan =>
    compile(
      parse({
        kind: 'gold.deliver',
        date: '2026-11-24',
        team: { dentist: 'dentist', assistants: ['assistant'] },
        ...more,
      }),
      practice,
    )
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

describe('B140, B141 and B142 children asleep', () => {
  const asleep = (more: object): Plan =>
    compile(
      parse({
        kind: 'primary.incisors',
        date: '2026-11-24',
        weightKg: 14,
        ageYears: 3,
        team: { dentist: 'dentist', assistants: ['assistant'] },
        ...more,
      }),
      practice,
    )
  const cases = [
    { teeth: ['52', '51'] },
    { teeth: ['62'], alerts: ['latex'] },
    { teeth: ['61', '62'], also: [{ kind: 'primary.metal-crown', teeth: ['74', '75'] }] },
  ]
  it('B140 the anaesthetist is told, the child woken, turned on its side and handed over before the room is free; home is from recovery, in its own time', () => {
    for (const more of cases) {
      const plan = asleep(more)
      const at = (id: string): number => plan.steps.findIndex((s) => s.id === id)
      const order = ['asleep.pack-out', 'closing.counts', 'asleep.tell', 'asleep.wake', 'asleep.recovery'].map(at)
      expect(order.every((i) => i > 0)).toBe(true)
      expect(order).toEqual(order.toSorted((a, b) => a - b))
      for (const id of ['closing.turnover', 'closing.home', 'closing.instructions'])
        expect(
          plan.links.some((l) => l.from === 'asleep.recovery' && l.to === id) || at(id) > at('asleep.recovery'),
          id,
        ).toBe(true)
      // Nobody is in the chair any more.
      expect(plan.steps.find((s) => s.id === 'closing.home')?.place).toBe('desk')
      const watched = plan.links.filter(isClock).find((l) => l.to === 'closing.home' && l.from === 'asleep.recovery')
      expect(watched?.atLeastS).toBe(1800)
      const timeline = layOut(plan)
      const end = (id: string): number => timeline.bars.find((s) => s.stepId === id)!.endS
      expect(end('closing.home')).toBeGreaterThan(end('asleep.recovery') + 1800)
      expect(end('closing.turnover')).toBeLessThan(end('closing.home'))
    }
    const awake = compile(
      parse({
        kind: 'primary.metal-crown',
        teeth: ['84'],
        date: '2026-11-24',
        team: { dentist: 'dentist', assistants: ['assistant'] },
      }),
      practice,
    )
    expect(awake.steps.some((s) => s.id.startsWith('asleep.'))).toBe(false)
  })
  it('B141 gauze is counted in as it is laid out and out before waking; awake without a pack it is not', () => {
    for (const more of cases) {
      const plan = asleep(more)
      const gauze = plan.counts.find((x) => x.id === 'gauze')
      expect(gauze?.planned).toBe(plan.setup.find((l) => l.id === 'gauze')?.quantity)
      expect(gauze?.planned).toBeGreaterThan(0)
      const at = (id: string | undefined): number => plan.steps.findIndex((s) => s.id === id)
      expect(at(gauze?.outStep)).toBeLessThan(at('asleep.wake'))
    }
    for (const name of files.filter((f) => !f.startsWith('J14')))
      expect(
        planOf(name).counts.some((x) => x.id === 'gauze'),
        name,
      ).toBe(false)
  })
  it('B142 the pack is the dentist’s or the anaesthetist’s in every preset, with a tail and a thread that shows, said aloud', () => {
    for (const functions of ['cautious', 'expanded']) {
      const plan = asleep({ teeth: ['51', '61'], visitChoices: { functions } })
      for (const id of ['asleep.pack-in', 'asleep.pack-out']) {
        const step = plan.steps.find((s) => s.id === id)
        expect(step?.performer.personId, id).toBe('dentist')
        expect(step?.title, id).toMatch(/the dentist or the anaesthetist: said aloud/)
      }
      expect(plan.steps.find((s) => s.id === 'asleep.pack-in')?.detail).toMatch(
        /tail, and a thread that shows on X-ray/,
      )
    }
  })
})

describe('C235, C238, C239 and C242 a cavity built up cusp by cusp', () => {
  const cusps = (tooth: string, depthMm?: number): Plan =>
    compile(
      parse({
        kind: 'filling.cusps',
        teeth: [tooth],
        ofTooth: { [tooth]: { surfaces: 'O', ...(depthMm === undefined ? {} : { depthMm }) } },
        date: '2026-11-24',
        team: { dentist: 'dentist', assistants: ['assistant'] },
      }),
      practice,
    )
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

describe('B80 and B81 posts and cores', () => {
  const team = { dentist: 'dentist', assistants: ['assistant'] }
  const post = (tooth: string, more: object = {}): Plan =>
    compile(parse({ kind: 'post.core', teeth: [tooth], date: '2026-11-24', team, ...more }), practice)
  it('B80 at the margin nothing wider than 1.4 mm on a lower incisor, 1.6 on an upper lateral, and the small football there', () => {
    for (const [tooth, most] of [
      ['42', 1.4],
      ['31', 1.4],
      ['12', 1.6],
      ['22', 1.6],
    ] as const)
      for (const restoration of ['metal-ceramic crown', 'monolithic zirconia crown', 'lithium disilicate crown']) {
        const plan = post(tooth, { restoration })
        const mm = (s: Step): number => practice.burs.find((b) => b.id === s.burId)?.diameterMm ?? 99
        for (const s of plan.steps) {
          if (!s.cut || s.place !== 'mouth') continue
          if (['chamfer', 'shoulder', 'finish', 'facial reduction', 'axial'].includes(s.cut.form))
            expect(mm(s), `${tooth} ${restoration} ${s.id}`).toBeLessThanOrEqual(most)
          if (s.cut.form === 'lingual concavity') expect(mm(s), s.id).toBeLessThanOrEqual(1.2)
        }
      }
  })
  it('B81 work in a canal without the sheet is warned of, for the dentist; under the sheet it is not', () => {
    for (const tooth of ['42', '21', '13']) {
      for (const bondingIsolation of ['rolls and suction', 'suction retractor'])
        expect(
          post(tooth, { visitChoices: { bondingIsolation } }).clashes.find((x) => x.id === 'canal-without-sheet')
            ?.decides,
        ).toBe('dentist')
      expect(post(tooth).clashes.some((x) => x.id === 'canal-without-sheet')).toBe(false)
    }
  })
})
