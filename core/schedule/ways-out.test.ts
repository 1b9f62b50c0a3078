/** A1, A2, B105: the plan keeps its own limits for cords, or says so before the visit, with the ways out that fit. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, parse } from '../../demo/test/any-case'
import { planOf, practice } from '../../demo/test/plans'
import { often } from '../../scripts/often'
import { kindIds } from '../kinds'
import type { Plan } from '../model/plan'
import { said } from '../model/said'
import { compile } from '../plan/compile'
import { toTooth } from '../teeth/notation'
import { cordsLie } from './cords'
import { overlong } from './overlong'
import { layOut } from './timeline'
import { waysOut } from './ways-out'

const team = { dentist: 'dentist', assistants: ['assistant'] }
const of = (more: object): Plan =>
  compile(parse({ date: '2026-11-24', vital: true, margin: 'subgingival', team, ...more }), practice)
const lines = (plan: Plan): string[] => overlong(plan, layOut(plan)).filter((l) => /ord lies longer/.test(l))
const lies = (plan: Plan) => cordsLie(plan, layOut(plan))

describe('A1 every piece of cord that lies past its own limit by the plan’s own schedule is said, tooth by tooth, and no other', () => {
  it.each(kindIds)('%s', (kind) => {
    fc.assert(
      fc.property(anyWork(kind), frame, (work, more) => {
        const plan = compile(parse({ ...work, ...more }), practice)
        const over = lies(plan).filter((p) => p.liesS > p.mostS)
        const text = lines(plan).join('; ')
        expect(text === '').toBe(over.length === 0)
        for (const p of over) expect(text).toContain(p.tooth ? said(plan, toTooth(p.tooth)) : '')
        // A way out is offered only where something is over.
        if (over.length === 0) expect(waysOut(plan, practice)).toEqual([])
      }),
      { numRuns: often(6) },
    )
  })
})

describe('A2 the ways out that fit the case, each with the stay its own schedule gives', () => {
  const soaked = { visitChoices: { cord: 'double', baseCord: 'as the top' } }
  it('A2 two premolars: the base wet and plain; the provisional afterwards only where it gains', () => {
    const plan = of({ kind: 'crown.prepare', teeth: ['24', '25'], ...soaked })
    expect(lines(plan)[0]).toMatch(/^Base cord lies longer than 15 min: 24 \d+ min/)
    const ways = waysOut(plan, practice)
    expect(ways.find((w) => w.startsWith('base cord wet and plain'))).toMatch(/: \d+ of 45 min$/)
    const [stay] = lies(plan).map((p) => p.liesS)
    for (const way of ways.filter((w) => w.startsWith('the provisional after')))
      expect(Number(/: (\d+) of/.exec(way)?.[1]) * 60).toBeLessThan(stay ?? 0)
  })
  it('A2 six veneers with the cord in before cutting: fewer teeth a sitting, at the price of a visit', () => {
    const plan = of({ kind: 'veneer.prepare', teeth: ['13', '12', '11', '21', '22', '23'], margin: 'equigingival' })
    expect(lines(plan).join()).toMatch(/longer than 45 min: 13 \d+ min/)
    expect(waysOut(plan, practice).join('; ')).toMatch(
      /fewer teeth a sitting: 3 and 3: \d+ of 45 min; costs one more visit/,
    )
  })
  it('A2 where another pair of hands is there it is named; where nothing gains nothing is offered', () => {
    const people = [...practice.people, { id: 'ida', name: 'Ida Ruff', roles: ['assistant' as const] }]
    const plan = of({ kind: 'arch.prepare', teeth: ['33', '34', '43', '44', '45'], ...soaked })
    const ways = waysOut(plan, { ...practice, people })
    expect(ways.join('; ')).toMatch(/base cord wet and plain/)
    for (const way of ways) {
      const [, stay, limit] = /: (\d+) of (\d+) min/.exec(way) ?? []
      expect(Number(stay), way).toBeGreaterThan(0)
      if (/min, still too long/.test(way)) expect(Number(stay), way).toBeGreaterThanOrEqual(Number(limit))
    }
    // Another pair of hands is offered where it shortens the stay, and only somebody who is there.
    const laminates = of({ kind: 'laminate.deliver', teeth: ['12', '11', '21', '22'] })
    expect(lines(laminates).length).toBeGreaterThan(0)
    expect(waysOut(laminates, practice).some((w) => w.includes('Ida Ruff'))).toBe(false)
    expect(waysOut(laminates, { ...practice, people }).join('; ')).toMatch(/fewer teeth a sitting/)
  })
})

describe('B105 base cords are plain as they are planned, and so keep within the limit of a plain one', () => {
  it('B105 the reviewed inlays, three other boxes and two crowns keep it; soaked like the top they would not, and it is said', () => {
    for (const plan of [
      planOf('J12-inlays'),
      of({ kind: 'inlay.prepare', teeth: ['26', '27'], ofTooth: { 26: { surfaces: 'MOD' }, 27: { surfaces: 'MO' } } }),
      of({
        kind: 'inlay.prepare',
        teeth: ['34', '35', '36'],
        ofTooth: { 34: { surfaces: 'DO' }, 35: { surfaces: 'MOD' }, 36: { surfaces: 'MO' } },
      }),
      of({ kind: 'crown.prepare', teeth: ['24', '25'], visitChoices: { cord: 'double' } }),
    ]) {
      const base = lies(plan).filter((p) => p.layer === 'base')
      for (const p of base) expect([p.agent, p.liesS <= p.mostS], p.stepId).toEqual(['plain', true])
      expect(lines(plan)).toEqual([])
    }
    const soaked = of({
      kind: 'inlay.prepare',
      teeth: ['15', '16'],
      visitChoices: { cord: 'double', baseCord: 'as the top' },
    })
    expect(lines(soaked).join()).toMatch(/Base cord lies longer than 15 min: 15 (mesial|distal) \d+ min/)
  })
})
