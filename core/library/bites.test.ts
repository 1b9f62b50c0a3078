/** The bite in its place, over every kind, restoration and school: the table is what the plans do. Common practice (C). */
import { describe, expect, it } from 'vitest'
import { kindFacts, kindIds, type KindId } from '../kinds'
import { entriesOf, sure } from '../sure'
import { compile } from '../plan/compile'
import type { Plan } from '../model/plan'
import { visitRequest, type VisitRequestInput } from '../model/request'
import { questions } from '../practice/choices'
import { starterPractice } from '../practice/starter'
import { exampleRequest } from './kinds/example'
import { bitesOf } from './bites'
import { biteStages } from './bite-stages'
import { openCase } from './case'

const practice = starterPractice()
const team = { dentist: 'dentist', assistants: ['assistant'] }
const request = (kind: KindId, more: Partial<VisitRequestInput> = {}) =>
  visitRequest.parse({ ...exampleRequest(kind, '2026-11-24', team), ...more })
const at = (p: Plan, what: (s: Plan['steps'][number]) => boolean) => p.steps.findIndex(what)
const row = (stage: string) => sure(entriesOf(biteStages).find(([name]) => name === stage))[1]

/** Every way a kind’s bite may go: its restorations, its cements, both provisionals, what an inlay or foil is. */
function ways(kind: KindId) {
  const restorations = kindFacts(kind).restorations
  const mores: Partial<VisitRequestInput>[] = [
    {},
    ...restorations.map((restoration) => ({ restoration })),
    { deliveryCement: 'resin' },
    ...questions
      .filter((q) => ['provisionalBite', 'veneerProvisional', 'bondingIsolation', 'provisionalWhen'].includes(q.name))
      .flatMap((q) => q.schools.map((s) => ({ visitChoices: { [q.name]: s.value } }))),
  ]
  return mores.flatMap((more) => {
    const made = visitRequest.safeParse({ ...exampleRequest(kind, '2026-11-24', team), ...more })
    return made.success ? [made.data] : []
  })
}

describe.each(kindIds)('%s', (kind) => {
  it('checks the bite at the stages of the table, with paper where it is out, and nowhere else', () => {
    for (const asked of ways(kind)) {
      const p = compile(asked, practice)
      const stages = bitesOf(openCase(asked, practice))
      const checked = [...new Set(p.steps.flatMap((s) => s.bite ?? []))]
      expect(checked.toSorted()).toEqual(stages.filter((s) => row(s).checks !== '').toSorted())
      for (const s of p.steps) {
        const paper = s.needs.some((n) => n.what === 'articulating paper')
        expect(paper, `${s.id} has paper`).toBe(s.bite !== undefined && row(s.bite).paper)
      }
      // Where none is out it is said why.
      expect(p.absent.some((a) => a.what === 'bite paper')).toBe(stages.every((s) => !row(s).paper))
    }
  })
})

describe('in its order', () => {
  it.each([
    'filling.bulk',
    'filling.injected',
    'filling.cusps',
    'filling.amalgam',
    'gold.deliver',
    'inlay.deliver',
  ] as const)('%s: the sheet is off, then the bite, then the polish', (kind) => {
    const p = compile(request(kind), practice)
    const bite = at(p, (s) => s.bite !== undefined && s.bite !== 'tried in')
    expect(at(p, (s) => s.act === 'sheet off')).toBeLessThan(bite)
    const gloss = p.steps.findLastIndex((s) => /polish|smooth-again$/.test(s.id) && s.phase === 'finishing')
    // Gold is glossed with dry powder, which wants the sheet.
    if (kind === 'gold.deliver') expect(at(p, (s) => s.id === 'finishing.one')).toBeLessThan(bite)
    if (kind !== 'filling.amalgam' && kind !== 'inlay.deliver') expect(bite).toBeLessThan(gloss)
  })
  it('amalgam is not polished today', () => {
    expect(compile(request('filling.amalgam'), practice).steps.filter((s) => /polish/i.test(s.title))).toEqual([])
  })
  it.each(['crown.prepare', 'crown.interim', 'endo.core.crown', 'post.core'] as const)(
    '%s: the provisional’s bite is right before it is cemented, and is not looked for after',
    (kind) => {
      const p = compile(request(kind), practice)
      const cemented = at(p, (s) => s.act === 'provisional cemented')
      expect(at(p, (s) => s.bite !== undefined)).toBeLessThan(cemented)
      expect(p.steps.slice(cemented).some((s) => s.bite !== undefined)).toBe(false)
    },
  )
  it('a bonded piece is never bitten on before the last light; a cemented one is set before the cement', () => {
    const bonded = compile(request('crown.deliver', { deliveryCement: 'resin' }), practice)
    expect(at(bonded, (s) => s.bite !== undefined)).toBeGreaterThan(
      bonded.steps.findLastIndex((s) => s.fn === 'curing'),
    )
    const cemented = compile(request('crown.deliver', { deliveryCement: 'conventional' }), practice)
    expect(at(cemented, (s) => s.bite === 'tried in')).toBeLessThan(at(cemented, (s) => s.id === 'delivery.mix'))
  })
  it('the school puts the provisional out of contact, in its sentence', () => {
    const said = (provisionalBite: 'light contact' | 'out of contact') =>
      compile(request('crown.prepare', { visitChoices: { provisionalBite } }), practice).steps.find((s) => s.bite)!
        .detail
    expect(said('light contact')).toContain('light, even contact, free in side movements')
    expect(said('out of contact')).toContain('out of contact in every movement')
  })
  it('two fillings under one sheet are bitten on when it is off for both', () => {
    const two = compile(
      request('filling.bulk', {
        teeth: ['36'],
        also: [{ kind: 'filling.amalgam', teeth: ['37'] }],
      }),
      practice,
    )
    const off = at(two, (s) => s.act === 'sheet off')
    const bitten = two.steps.flatMap((s, i) => (s.bite ? [i] : []))
    expect(bitten).toHaveLength(2)
    for (const i of bitten) expect(i).toBeGreaterThan(off)
  })
})
