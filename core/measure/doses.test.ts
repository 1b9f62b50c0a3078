/** Which agent goes with which injection, over any case and pair. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyWork, frame, parse, safeParse } from '../../demo/test/any-case'
import { planOf, practice } from '../../demo/test/plans'
import { often } from '../../scripts/often'
import { kindIds } from '../kinds'
import type { Plan } from '../model/plan'
import { startsOf, teethAt } from '../readings'
import { compile } from '../plan/compile'
import { jawOf } from '../teeth/notation'
import type { Dose } from './doses'
import { sideOf, techniques } from './numbing'

const numbed = (p: Plan) => p.steps.find((s) => s.numbed)
const doses = (p: Plan): readonly Dose[] => numbed(p)?.numbed?.doses ?? []
const crown = { kind: 'crown.prepare', restoration: 'full metal crown' }
const withBlock = (teeth: string[], more: object = {}) =>
  compile(parse({ ...crown, teeth: ['36'], also: [{ ...crown, teeth }], ...more }), practice)

describe('the agent of an injection', () => {
  it('C101 follows the injection: a lower tooth cut under infiltration alone never takes the block’s two per cent', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kindIds).chain((k) => anyWork(k)),
        fc.constantFrom(...kindIds).chain((k) => anyWork(k)),
        frame,
        fc.constantFrom(undefined, 3, 8, 40),
        (one, second, more, ageYears) => {
          const both = safeParse({ ...one, ...more, ageYears, also: [second] })
          const plan = compile(both.success ? both.data : parse({ ...one, ...more, ageYears }), practice)
          const given = doses(plan).flatMap((d) => d.injections.map((i) => ({ ...i, agent: d.agent })))
          for (const i of given) {
            if (techniques[i.technique].block) expect(i.agent).toBe('lidocaine with adrenaline')
            const besides = given.some(
              (b) =>
                ['inferior-alveolar', 'incisive'].includes(b.technique) &&
                jawOf(b.at) === 'lower' &&
                sideOf(b.at) === sideOf(i.at),
            )
            const alone = i.technique === 'infiltration' && jawOf(i.at) === 'lower' && !besides
            if (alone && i.covers.some((s) => s.tissue === 'tooth') && ageYears !== 3)
              expect(i.agent, `${plan.title}: ${numbed(plan)?.title}`).toBe('articaine with adrenaline')
          }
          // Both agents lie on the tray, each with its own cartridges, and the record names each.
          for (const d of doses(plan)) {
            expect(
              plan.setup.some((l) => l.needs.includes(`cartridge.${d.agent}`)),
              d.agent,
            ).toBe(true)
            expect(numbed(plan)?.told).toContain(d.agent)
          }
        },
      ),
      { numRuns: often(60) },
    )
  })
  it('C101 lays both cartridges, says mg of each and adds the shares up; a dead pulp, gum alone and a block beside keep one', () => {
    const plan = withBlock(['44'], { weightKg: 60, ageYears: 40 })
    expect(numbed(plan)?.title).toBe(
      'Injections: block and long buccal, lower left, lidocaine; infiltration at 44, cheek and tongue side, articaine',
    )
    const said = numbed(plan)!.figures.map((f) => `${f.name}: ${f.text}`)
    expect(said.find((t) => t.startsWith('share of the adults'))).toMatch(
      /lidocaine with adrenaline \d+ of 420 mg \+ articaine with adrenaline \d+(\.\d)? of 420 mg = 0\.\d+ of 1/,
    )
    const step = numbed(plan)!
    const taken = { plan, step, tooth: teethAt(step, 'anaesthetic')[0]!, before: [], round: 0 }
    expect(startsOf('anaesthetic', taken)).toMatchObject({ lidocaine: 1, articaine: 1 })
    const agents = (p: Plan) => doses(p).map((d) => d.agent.split(' ', 1)[0])
    expect(
      agents(compile(parse({ ...crown, teeth: ['36'], also: [{ ...crown, teeth: ['44'], vital: false }] }), practice)),
    ).toEqual(['lidocaine'])
    expect(agents(withBlock(['34']))).toEqual(['lidocaine'])
    expect(agents(withBlock(['44'], { anaesthetic: 'mepivacaine plain' }))).toEqual(['mepivacaine'])
    expect(agents(withBlock(['16']))).toEqual(['lidocaine'])
    expect(agents(planOf('J20-many-lower-units'))).toEqual(['lidocaine', 'articaine'])
  })
  it('C102 lays lidocaine for a child under four, whatever is done; articaine only where it is chosen, with what its label says', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kindIds).chain((k) => anyWork(k)),
        frame,
        fc.constantFrom(1, 2, 3),
        (work, more, ageYears) => {
          const plan = compile(parse({ ...work, ...more, ageYears }), practice)
          expect(plan.setup.filter((l) => l.needs.includes('cartridge.articaine with adrenaline'))).toEqual([])
          const chosen = numbed(
            compile(parse({ ...work, ...more, ageYears, anaesthetic: 'articaine with adrenaline' }), practice),
          )
          if (chosen) expect(chosen.cautions.map((x) => x.text).join(' ')).toContain('no dose; the dentist decides')
        },
      ),
      { numRuns: often(40) },
    )
    const four = compile(
      parse({
        kind: 'primary.class3',
        teeth: ['51'],
        ageYears: 4,
        weightKg: 16,
        anaesthetic: 'articaine with adrenaline',
      }),
      practice,
    )
    expect(
      numbed(four)
        ?.cautions.map((x) => x.text)
        .join(' ') ?? '',
    ).not.toContain('no dose')
  })
})
