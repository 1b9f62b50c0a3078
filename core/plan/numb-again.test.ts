/** Numbness has an end: what is worked past it, or on another side long after, is tested again first; over any case and pair. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, parse, safeParse } from '../../demo/test/any-case'
import { assistant, dentist } from '../../demo/test/people'
import { planOf, practice } from '../../demo/test/plans'
import { often } from '../../scripts/often'
import { kindIds } from '../kinds'
import { sideOf } from '../measure/numbing'
import type { Plan } from '../model/plan'
import { give, runThrough, startDrive } from '../run/drive'
import { layOut } from '../schedule/timeline'
import { jawOf } from '../teeth/notation'
import { compile } from './compile'

const tests = (p: Plan) => p.steps.filter((s) => s.act === 'numb' || s.id.startsWith('anaesthesia.test-again'))

describe('numbness', () => {
  it('any two works: nothing hurts an hour and a half after the needle without a test in the half hour and a bit before', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kindIds).chain((k) => anyWork(k)),
        fc.constantFrom(...kindIds).chain((k) => anyWork(k)),
        frame,
        (one, second, more) => {
          const both = safeParse({ ...one, ...more, also: [second] })
          const plan = compile(both.success ? both.data : parse({ ...one, ...more }), practice)
          const given = plan.steps.find((s) => s.numbed)
          if (!given) return
          const at = new Map(layOut(plan).bars.map((b) => [b.stepId, b]))
          const needleS = at.get(given.id)!.endS
          const tested = tests(plan).map((s) => at.get(s.id)!.endS)
          for (const s of plan.steps.filter((x) => x.hurts)) {
            const { startS } = at.get(s.id)!
            if (startS - needleS < 95 * 60) continue
            const last = Math.max(...tested.filter((t) => t <= startS))
            expect(startS - last, `${plan.title}: ${s.title}`).toBeLessThanOrEqual(40 * 60)
          }
        },
      ),
      { numRuns: often(40) },
    )
  })
  it('a second side an hour after the needle is tested before it is worked on; a practice with another agent or row says when', () => {
    const both = {
      kind: 'crown.prepare',
      teeth: ['46'],
      restoration: 'full metal crown',
      also: [{ kind: 'filling.bulk', teeth: ['26'] }],
    }
    const plan = compile(parse(both), practice)
    const i = plan.steps.findIndex((s) => s.id.startsWith('anaesthesia.test-again'))
    expect(plan.steps[i]?.detail).toContain('26')
    const first = plan.steps.findIndex(
      (s) => s.hurts && s.tooth && jawOf(s.tooth) === 'upper' && sideOf(s.tooth) === 'left',
    )
    expect(i).toBeLessThan(first)
    const set = (value: number) => ({ value, by: 'Dr A', on: '2026-11-01' })
    const own = (rules: object) => tests(compile(parse(both), { ...practice, rules: { ...rules } })).length
    expect(
      own({ 'numb.side': set(7200), 'numb.lidocaine.infiltration': set(14_400), 'numb.lidocaine.block': set(14_400) }),
    ).toBe(1)
    // A plain agent is gone sooner.
    expect(tests(compile(parse({ ...both, anaesthetic: 'mepivacaine plain' }), practice)).length).toBeGreaterThan(2)
  })
  it('is not signed as tested before it is written down what was injected; one cartridge more is one touch', () => {
    const plan = planOf('crown-37')
    const d = runThrough(startDrive(plan, 0), assistant, dentist, 'anaesthesia.test')
    give(d, { kind: 'advance', start: 'anaesthesia.test' }, assistant)
    expect(give(d, { kind: 'sign', holdId: 'numb' }, dentist)).toMatchObject({
      code: 'measured',
      missing: ['anaesthetic ledger'],
    })
    const read = { kind: 'measure', stepId: 'anaesthesia.inject', measure: 'anaesthetic', tooth: '37' } as const
    give(d, { ...read, readings: { lidocaine: 1, mL: 1.5, where: 'block, lower left', weightKg: 70 } }, assistant)
    expect(give(d, { kind: 'sign', holdId: 'numb' }, dentist)).toBeNull()
    expect(d.state.core.measured.find((m) => m.measure === 'anaesthetic')!.says).toContain('1.5 mL, block, lower left')
  })
})
