/** The tray equals the text: over every reviewed case, every school, every bur that may be missing, swaps and amendments. */
import { describe, expect, it } from 'vitest'
import { files, planOf, practice, requestOf } from '../../demo/test/plans'
import { readSaid } from '../library/said'
import { burWordsIn } from '../catalog/spoken-burs'
import { thingsIn } from '../catalog/spoken'
import type { Change } from '../practice/amendment'
import { questions } from '../practice/choices'
import { kindIds } from '../kinds'
import { nightly } from '../../scripts/often'
import { exampleRequest, furtherWork } from '../library/kinds/example'
import { visitRequest, type VisitRequestInput } from '../model/request'
import type { Plan } from '../model/plan'
import { burInHand } from './burs'
import { compileHeld as compile } from './compile'
import { drafted } from '../library/fields'
import { open, type Draft } from '../library/build'
import { namedLines, unlaid, unused } from './tray-text'

const cases = files.map((name) => ({ name, raw: requestOf(name) }))
const of = (more: Partial<VisitRequestInput>) =>
  visitRequest.parse({
    kind: 'filling.bulk',
    teeth: ['26'],
    date: '2026-11-24',
    team: { dentist: 'dentist', assistants: ['assistant'] },
    ...more,
  })
const wrong = (p: Plan) => [...p.unlaid!.map((u) => `${u.stepId} names ${u.words}`), ...p.unused]
const text = (p: Plan): string => p.steps.flatMap((s) => [s.title, s.detail ?? '', ...s.passes]).join('\n')

describe('what is named lies there, and what lies there is used', () => {
  it.each(cases)('$name, under every school of what is asked; by night of what is not, too', ({ name, raw }) => {
    const { asked, choices, ...plain } = planOf(name)
    expect([...plain.unlaid!, ...plain.unused]).toEqual([])
    for (const q of questions.filter(({ name }) => nightly || asked.choices.includes(name)))
      for (const { value } of q.schools) {
        // As it is planned anyway.
        if (value === choices[q.name].value) continue
        const plan = compile({ ...raw, visitChoices: { ...raw.visitChoices, [q.name]: value } }, practice)
        expect(wrong(plan), `${q.name}: ${value}`).toEqual([])
      }
  })
  it('any two kinds in one visit: each with a third of the others; by night with all, in either order', () => {
    for (const [i, a] of kindIds.entries())
      for (const b of kindIds.filter((_, j) => nightly || (j >= i && (i + j) % 3 === 0))) {
        const first = exampleRequest(a, '2026-11-24', { dentist: 'dentist', assistants: ['assistant'] })
        const second = furtherWork(first, b)
        expect(second, `${a} and ${b}`).not.toBeNull()
        expect(wrong(compile(visitRequest.parse({ ...first, also: [second] }), practice))).toEqual([])
      }
  })
  it('whichever bur is missing: another is handed under its own name, or the lack is said', () => {
    for (const { raw, name } of cases)
      for (const gone of new Set(planOf(name).burs.flatMap((b) => b.bur?.id ?? []))) {
        const plan = compile(raw, { ...practice, burs: practice.burs.filter((b) => b.id !== gone) })
        expect(wrong(plan), `${name} without ${gone}`).toEqual([])
      }
  })
  it('a thing or a bur that nobody lays out is found, and a thing that no step uses', () => {
    const plan = compile(of({}), practice)
    const saying = (more: Partial<Draft>) =>
      drafted(
        {
          id: 'arrival.look',
          phase: 'arrival',
          title: 'Look',
          fn: 'chairside',
          place: 'chair',
          minutes: [1, 1, 1],
          ...more,
          // As a practice writes it: nothing is marked.
        },
        readSaid,
      )
    const words = (more: Partial<Draft>) => unlaid([saying(more)], [], []).map((u) => `${u.stepId} ${u.words}`)
    expect(words({})).toEqual([])
    expect(words({ passes: ['haemostat'] })).toEqual(['arrival.look haemostat'])
    expect(words({ passes: ['haemostat'], needs: [open('haemostat')] })).toEqual([])
    const because = { text: 'seen', standing: 'C' } as const
    expect(words({ hold: { name: 'clean', title: 'Clean', evidence: 'by facebow', because } })).toEqual([
      'arrival.look facebow',
    ])
    const [first] = plan.steps
    expect(unlaid([saying({ title: 'Finish with the torpedo' })], [first!], plan.burs)).toEqual([
      { stepId: 'arrival.look', words: 'torpedo' },
    ])
    const nobody = plan.steps.map((s) => ({ ...s, with: [] }))
    expect(unused(nobody, plan.setup, namedLines([], nobody, plan.setup))).toContain('Bib and chain')
  })
  it('every pass names a thing, a bur, or what was made or comes from the unit', () => {
    // What is not laid out: made in this visit, brought for it, or there at every chair.
    const made =
      /\b(air|water|rinse|light|finger|index|mould|provisional|crowns?|bridge|piece|laminate|base|capsule|next size|instrument|marker)\b/
    for (const { name } of cases) {
      const plan = planOf(name)
      const burs = plan.burs.map((b) => burInHand({ order: b.order, bur: b.bur! }))
      for (const s of plan.steps)
        for (const p of s.passes)
          expect(
            burs.includes(p) || thingsIn(p).length > 0 || burWordsIn(p).length > 0 || made.test(p),
            `${name}, ${s.id}: ${p}`,
          ).toBe(true)
    }
  })
  it('a bur is handed when its turn comes, by its one number', () => {
    for (const { name } of cases) {
      const plan = planOf(name)
      for (const pass of plan.burs)
        for (const [i, cut] of pass.cuts.entries()) {
          const handed = plan.steps
            .find((s) => s.id === cut.stepId)!
            .passes.includes(burInHand({ order: pass.order, bur: pass.bur! }))
          expect(handed, cut.stepId).toBe(cut.turn !== undefined)
          if (i === 0) expect(handed).toBe(true)
        }
    }
  })
})

describe('an exchange changes every sentence that names the thing', () => {
  it('a sectional band exchanged for one all round is called so, in title and pass', () => {
    const before = compile(of({}), practice)
    const after = compile(of({ swaps: { 'band-sectional': 'band-straight' } }), practice)
    expect(text(before)).toContain('Sectional band mesial')
    expect(text(after)).not.toMatch(/sectional band/i)
    expect(text(after)).toContain('Circumferential matrix band mesial')
  })
  it('as where the one meant is not owned', () => {
    const without = { ...practice, items: practice.items.filter((i) => i.id !== 'composite-carver') }
    const cusps = of({ kind: 'filling.cusps', teeth: ['37'] })
    expect(text(compile(cusps, practice))).toContain('fissure instrument')
    expect(text(compile(cusps, without))).not.toContain('fissure instrument')
    expect(text(compile(cusps, without))).toContain('discoid and cleoid carver')
  })
})

describe('an amendment is held to it', () => {
  const plan = (change: Change) =>
    compile(of({}), {
      ...practice,
      amendments: [{ id: 'a', kind: 'filling.bulk', change, by: 'Dr Demo', on: '2026-11-01', why: 'as we do it' }],
    })
  const added = (title: string, needs: string[] = []): Change => ({
    op: 'add step',
    after: 'arrival.seat',
    id: 'own.step',
    title,
    fn: 'chairside',
    place: 'chair',
    minutes: [0.5, 1, 2],
    needs: needs.map((what) => ({ what, quantity: 1, readiness: 'open' })),
  })
  it.each<[string, Change, string | undefined]>([
    ['a thing on no tray', added('Bite on the haemostat'), 'names haemostat, and no step lays it out'],
    ['the practice’s own name for one', added('Look at it with the photograph mirror'), 'names photograph mirror'],
    ['the same with its thing', added('Bite on the haemostat', ['haemostat']), undefined],
    ['nothing named', added('Ask how the week was'), undefined],
    [
      'a thing taken away that sentences name',
      { op: 'remove item', step: 'filling.26.matrix', what: 'wedge' },
      'no step lays it out',
    ],
  ])('%s', (_, change, misfit) => {
    const [use] = plan(change).amendments
    expect(use!.applied).toBe(misfit === undefined)
    if (misfit !== undefined) expect(use!.misfit).toContain(misfit)
    expect(wrong(plan(change))).toEqual([])
  })
})
