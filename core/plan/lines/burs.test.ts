/** Burs by the room there is, depth, margins, posts. Each title begins with its lines; common practice unless a test names a source. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame } from '../../../demo/test/any-case'
import { burOf, inAnyCase, planFor, planUnderGum } from '../../../demo/test/lines'
import { practice } from '../../../demo/test/plans'
import { often } from '../../../scripts/often'
import { kindIds } from '../../kinds'
import { reductionTargets } from '../../measure/reduction'
import type { Plan } from '../../model/plan'
import type { Step } from '../../model/step'
import { jawOf, parts, toTooth } from '../../teeth/notation'

describe('A16 a groove is sunk by the lower end of what is taken, never more than 0.2 mm past it; smoothing takes the rest', () => {
  inAnyCase((plan) => {
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
      const plan = planFor({
        kind: restoration === 'laminate veneer' ? 'veneer.prepare' : 'crown.prepare',
        teeth: [tooth],
        restoration,
        vital: true,
      })
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

describe('B80 and B81 posts and cores', () => {
  const post = (tooth: string, more: object = {}): Plan => planFor({ kind: 'post.core', teeth: [tooth], ...more })
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

const crownKinds = kindIds.filter((k) =>
  /^(crown\.(prepare|metal|root-filled)|arch\.prepare|endo|post\.core|veneer|laminate\.prepare)/.test(k),
)

describe('A18, A19, C131 and C132 burs by the room there is, the finisher the twin of its cutter', () => {
  it.each(crownKinds)('%s', (kind) => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => {
        const plan = planFor({ ...work, ...more })
        for (const s of plan.steps) {
          if (!s.cut || !s.tooth || s.phase !== 'cutting') continue
          const bur = burOf(s.burId)
          const own = plan.steps.filter((x) => x.tooth === s.tooth && x.cut)
          if (!bur) continue
          // A18 a narrow tooth has a margin bur of its own.
          const lowerIncisor = jawOf(s.tooth) === 'lower' && parts(s.tooth).position <= 2
          if (lowerIncisor && ['chamfer', 'shoulder', 'rounded shoulder', 'finish'].includes(s.cut.form))
            expect(bur.diameterMm, s.id).toBeLessThanOrEqual(1.4)
          // C131 round ends: nothing over 1.6 mm beside a neighbour, nothing over 1.8 on free walls.
          if (['chamfer', 'axial'].includes(s.cut.form) && s.cut.after !== 'shoulder' && bur.shape !== 'flat-end taper')
            expect(bur.diameterMm, s.id).toBeLessThanOrEqual(1.8)
          // A19 C132 the twin: shape and end of the diamond that cut the margin, never larger.
          const cutter = burOf(own.findLast((x) => x.cut?.form === s.cut?.after)?.burId)
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
    const plan = planFor(
      {
        kind: 'crown.metal',
        teeth: ['36'],
      },
      without,
    )
    const why = plan.burs.flatMap((b) => b.cuts).find((x) => x.stepId.includes('finish'))?.because?.text
    expect(why).toMatch(/no torpedo of .* in fine is owned: the nearest/)
  })
})

describe('B9 and C136 one bur has one number over the whole visit, and is called by it again', () => {
  inAnyCase((plan) => {
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
      const plan = planFor({
        kind,
        teeth: [tooth],
        missing,
      })
      const acts = plan.steps.filter((s) => s.cut && s.tooth === tooth).map((s) => s.id)
      expect(acts, `${kind} ${tooth}`).toContain(`cutting.free-${side}.${tooth}`)
      expect(acts).not.toContain(`cutting.contact-${side}.${tooth}`)
      const other = side === 'distal' ? 'mesial' : 'distal'
      expect(acts).toContain(`cutting.contact-${other}.${tooth}`)
    }
  })
})

describe('C133 never cuts a margin wider than its wall is deep: metal alone inside ends in a chamfer, ceramic all round has the deeper wall', () => {
  const cutsOf = (teeth: string[], innerSide?: 'ceramic', kind = 'crown.prepare') =>
    planUnderGum({ kind, teeth, restoration: 'metal-ceramic crown', ...(innerSide ? { innerSide } : {}) })
  const cut = (plan: Plan, act: string) => plan.steps.find((s) => s.id.startsWith(`cutting.${act}.`))?.cut
  it.each([
    ['crown.prepare', '16'],
    ['crown.prepare', '11'],
    ['arch.prepare', '35'],
    ['crown.root-filled', '26'],
    ['crown.prepare', '31'],
  ])('C133 %s %s', (kind, tooth) => {
    const metal = cutsOf([tooth], undefined, kind)
    expect(cut(metal, 'margin-inner')).toMatchObject({ form: 'chamfer', depthMm: 0.5 })
    expect(cut(metal, 'axial-inner')).toMatchObject({ depthMm: 0.5, after: 'chamfer' })
    expect(cut(metal, 'margin')).toMatchObject({ form: 'shoulder' })
    const all = cutsOf([tooth], 'ceramic', kind)
    expect(cut(all, 'margin')).toMatchObject({ form: 'shoulder' })
    expect(cut(all, 'margin-inner')).toBeUndefined()
    expect(all.steps.find((s) => s.id.includes('axial-inner'))?.title).toContain('1.2–1.5')
    expect(all.steps.flatMap((s) => s.tellsLab ?? []).join()).toContain('ceramic all round')
    expect(metal.steps.flatMap((s) => s.tellsLab ?? []).join()).toContain('metal alone')
  })
  inAnyCase((plan) => {
    for (const s of plan.steps) {
      const [, from = '0'] = /wall (\d\.\d)/.exec(s.title) ?? []
      if (s.cut?.form === 'axial' && s.id.startsWith('cutting.axial-inner'))
        expect(s.cut.depthMm, s.id).toBeLessThanOrEqual(Math.max(Number(from), 0.5) + 0.31)
    }
  })
})

describe('C134 gives pressed and bonded ceramic an end with round corners; on a lower incisor no head over 1.2 mm', () => {
  inAnyCase((plan) => {
    for (const pass of plan.burs)
      for (const c of pass.cuts) {
        const step = plan.steps.find((s) => s.id === c.stepId)!
        if (![step.cut?.form, step.cut?.after].includes('rounded shoulder')) continue
        expect(pass.bur?.shape, step.id).toBe('rounded-shoulder taper')
        if (/^[34][12]$/.test(step.tooth ?? '')) expect(pass.bur!.diameterMm, step.id).toBeLessThanOrEqual(1.2)
      }
  })
  it.each([
    ['crown.prepare', '46'],
    ['crown.prepare', '41'],
    ['crown.prepare', '12'],
    ['arch.prepare', '34'],
  ])('C134 %s %s', (kind, tooth) => {
    const plan = planUnderGum({ kind, teeth: [tooth], restoration: 'lithium disilicate crown' })
    expect(plan.steps.some((s) => s.title.startsWith('Rounded shoulder'))).toBe(true)
    expect(plan.steps.find((s) => s.id === 'cutting.reduction-check')?.detail ?? '').toContain('inner angle round')
    const sharp = planFor(
      { ...plan.request },
      { ...practice, burs: practice.burs.filter((b) => b.shape !== 'rounded-shoulder taper') },
    )
    expect(
      sharp.burs
        .flatMap((b) => b.cuts)
        .map((c) => c.because?.text ?? '')
        .join(),
    ).toContain('no end with round corners is owned')
  })
})
