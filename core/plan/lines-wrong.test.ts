/** Lines of the trade that are wrong where they are broken, held over any case of any kind. Common practice unless said. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, parse } from '../../demo/test/any-case'
import { practice } from '../../demo/test/plans'
import { often } from '../../scripts/often'
import { kindIds } from '../kinds'
import type { Plan } from '../model/plan'
import { isPrimary, jawOf, parts, write } from '../teeth/notation'
import { compile } from './compile'

const any = (holds: (plan: Plan) => void) =>
  it.each(kindIds)('%s', (kind) => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => holds(compile(parse({ ...work, ...more }), practice))),
      { numRuns: often(12) },
    )
  })

describe('A10, A55 a living tooth that is cut or opened is tested itself, by cold that lies there', () => {
  any((plan) => {
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

describe('A56 what is kept in reserve of a thing that is laid open is a line of its own, with its number and its when', () => {
  any((plan) => {
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

describe('C121 pellets that stand by for weeping are two a tooth, whatever the layers', () => {
  any((plan) => {
    const corded = new Set(plan.steps.flatMap((s) => (s.act === 'cord in' && s.tooth ? [s.tooth] : [])))
    const pellets = plan.setup.filter(
      (l) => l.when?.startsWith('the tissue weeps') && l.needs.includes('cotton pellet'),
    )
    if (corded.size > 0 && plan.request.also.length === 0)
      expect(pellets.map((l) => l.quantity)).toEqual([2 * corded.size])
  })
})

describe('A5 a cord that lies alone is called base nowhere', () => {
  any((plan) => {
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
  const team = { dentist: 'dentist', assistants: ['assistant'] }
  const of = (more: object): Plan => compile(parse({ date: '2026-11-24', team, ...more }), practice)
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

describe('A51 what is counted in at a band is what is laid out for it', () => {
  it('A51 one circumferential band a tooth or one sectional a box, and one wedge a box; a reserve wedge is not counted', () => {
    for (const [kind, tooth, surfaces] of [
      ['filling.amalgam', '26', 'MOD'],
      ['filling.amalgam', '45', 'DO'],
      ['filling.bulk', '36', 'MOD'],
      ['filling.injected', '14', 'MO'],
    ] as const) {
      const plan = compile(
        parse({
          kind,
          teeth: [tooth],
          ofTooth: { [tooth]: { surfaces, depthMm: 4 } },
          date: '2026-11-24',
          team: { dentist: 'dentist', assistants: ['assistant'] },
        }),
        practice,
      )
      const at = plan.steps.find((s) => s.id === `filling.${tooth}.matrix`)
      const laid = (at?.needs ?? [])
        .filter((n) => n.readiness === 'open' && /^(matrix band|wedge)/.test(n.what))
        .reduce((sum, n) => sum + n.quantity, 0)
      expect(plan.counts.find((x) => x.id === `matrix.${tooth}`)?.planned, `${kind} ${surfaces}`).toBe(laid)
    }
  })
})

describe('A52 the parts of an amount add up to it, and the act is named whole', () => {
  any((plan) => {
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

describe('C135 strips lie out only where a side toward a neighbour is filled', () => {
  it('C135 strips and discs for a box, discs for a front edge, neither for one surface behind', () => {
    for (const [kind, tooth, surfaces, strips, discs] of [
      ['filling.cusps', '46', 'O', false, false],
      ['filling.bulk', '25', 'O', false, false],
      ['filling.injected', '17', 'O', false, false],
      ['filling.bulk', '36', 'MO', true, true],
      ['filling.injected', '14', 'DO', true, true],
    ] as const) {
      const plan = compile(
        parse({
          kind,
          teeth: [tooth],
          ofTooth: { [tooth]: { surfaces, depthMm: 4 } },
          date: '2026-11-24',
          team: { dentist: 'dentist', assistants: ['assistant'] },
        }),
        practice,
      )
      const lies = (id: string): boolean => plan.setup.some((l) => l.needs.includes(id) && l.readiness === 'open')
      expect([lies('finishing strip'), lies('finishing disc')], `${kind} ${surfaces}`).toEqual([strips, discs])
    }
  })
})

/** What follows a margin, with the bur it is cut by. */
const burOf = (id: string | undefined) => practice.burs.find((b) => b.id === id)
const crownKinds = kindIds.filter((k) =>
  /^(crown\.(prepare|metal|root-filled)|arch\.prepare|endo|post\.core|veneer|laminate\.prepare)/.test(k),
)

describe('A18, A19, C131 and C132 burs by the room there is, the finisher the twin of its cutter', () => {
  it.each(crownKinds)('%s', (kind) => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => {
        const plan = compile(parse({ ...work, ...more }), practice)
        for (const s of plan.steps) {
          if (!s.cut || !s.tooth || s.phase !== 'cutting') continue
          const bur = burOf(s.burId)
          const own = plan.steps.filter((x) => x.tooth === s.tooth && x.cut)
          if (!bur) continue
          // A18 a narrow tooth has a margin bur of its own.
          const lowerIncisor = jawOf(s.tooth) === 'lower' && parts(s.tooth).position <= 2
          if (lowerIncisor && ['chamfer', 'shoulder', 'finish'].includes(s.cut.form))
            expect(bur.diameterMm, s.id).toBeLessThanOrEqual(1.4)
          // C131 round ends: nothing over 1.6 mm beside a neighbour, nothing over 1.8 on free walls.
          if (['chamfer', 'axial'].includes(s.cut.form) && s.cut.after !== 'shoulder' && bur.shape !== 'flat-end taper')
            expect(bur.diameterMm, s.id).toBeLessThanOrEqual(1.8)
          // A19 C132 the twin: shape and end of the diamond that cut the margin, never larger.
          const cutter = burOf(own.findLast((x) => ['chamfer', 'shoulder'].includes(x.cut?.form ?? ''))?.burId)
          if (s.cut.form === 'finish' && cutter) {
            expect(bur.shape, s.id).toBe(cutter.shape)
            expect(Math.abs(bur.diameterMm - cutter.diameterMm), s.id).toBeLessThanOrEqual(0.2)
            expect(bur.diameterMm, s.id).toBeLessThanOrEqual(cutter.diameterMm + 0.1)
          }
        }
      }),
      { numRuns: often(12) },
    )
  })
  it('A19 where no twin is owned the nearest is taken, and that is said', () => {
    const without = {
      ...practice,
      burs: practice.burs.filter((b) => !(b.shape === 'torpedo' && ['fine', '12-flute'].includes(b.grit))),
    }
    const plan = compile(
      parse({
        kind: 'crown.metal',
        teeth: ['36'],
        date: '2026-11-24',
        team: { dentist: 'dentist', assistants: ['assistant'] },
      }),
      without,
    )
    const why = plan.burs.flatMap((b) => b.cuts).find((x) => x.stepId.includes('finish'))?.because?.text
    expect(why).toMatch(/no torpedo of .* in fine is owned: the nearest/)
  })
})

describe('B9 and C136 one bur has one number over the whole visit, and is called by it again', () => {
  any((plan) => {
    const ids = plan.burs.flatMap((b) => (b.bur ? [b.bur.id] : []))
    expect(new Set(ids).size).toBe(ids.length)
    expect(plan.burs.map((b) => b.order)).toEqual(plan.burs.map((_, i) => i + 1))
    // Every change of bur is a pass, by that number.
    let held: string | undefined
    for (const s of plan.steps) {
      if (!s.cut) continue
      const pass = plan.burs.find((b) => b.cuts.some((x) => x.stepId === s.id))
      const handed = s.passes.find((p) => p.startsWith('bur '))
      if (pass?.bur && pass.bur.id !== held) expect(handed, s.id).toMatch(new RegExp(`^bur ${pass.order}: `))
      else expect(handed, s.id).toBeUndefined()
      held = pass?.bur?.id ?? `none ${s.id}`
    }
  })
})

describe('C130 a wall where no neighbour stands is cut in a step of its own, and nothing is said of a contact there', () => {
  it('C130 a last molar, a missing neighbour, on crowns of every sort', () => {
    for (const [kind, tooth, missing, side] of [
      ['crown.prepare', '37', ['38'], 'distal'],
      ['crown.metal', '46', ['45'], 'mesial'],
      ['crown.root-filled', '17', ['18'], 'distal'],
      ['crown.prepare', '11', ['21'], 'mesial'],
    ] as const) {
      const plan = compile(
        parse({
          kind,
          teeth: [tooth],
          missing,
          date: '2026-11-24',
          team: { dentist: 'dentist', assistants: ['assistant'] },
        }),
        practice,
      )
      const acts = plan.steps.filter((s) => s.cut && s.tooth === tooth).map((s) => s.id)
      expect(acts, `${kind} ${tooth}`).toContain(`cutting.free-${side}.${tooth}`)
      expect(acts).not.toContain(`cutting.contact-${side}.${tooth}`)
      const other = side === 'distal' ? 'mesial' : 'distal'
      expect(acts).toContain(`cutting.contact-${other}.${tooth}`)
    }
  })
})
