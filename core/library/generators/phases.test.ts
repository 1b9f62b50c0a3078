import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { reason } from '../../figure'
import { visitRequest, type VisitRequestInput } from '../../model/request'
import { starterPractice } from '../../practice/starter'
import { archFrom } from '../../teeth/arch'
import { allTeeth, isPrimary, parts, toTooth } from '../../teeth/notation'
import { cartridgeMg, ceilingMg, isChild, ledgerShare, plannedAnaesthetic, type Agent } from '../../measure/anaesthetic'
import { dayOf } from '../day'
import { visitKinds } from '../kinds'
import { absent, meanwhile, nothing, sequence, step, wire, type Block, type Draft } from '../build'
import { openCase, type Case } from '../case'
import { pickSpeed } from './impression-material'
import { damTeeth } from './isolation'
import { provisionalCement } from '../cements'
import { cordOutStep, cordPlan, drawnLayer } from './cord-plan'

const practice = starterPractice()
const caseOf = (more: Partial<VisitRequestInput> = {}, p = practice): Case =>
  openCase(
    visitRequest.parse({
      kind: 'crown.prepare',
      date: '2026-11-24',
      teeth: ['37'],
      restoration: 'monolithic zirconia crown',
      team: { dentist: 'dentist', assistants: ['assistant'] },
      ...more,
    }),
    p,
  )
const s = (id: string): Block =>
  step({ id, phase: 'arrival', title: id, fn: 'chairside', place: 'chair', minutes: [1, 1, 1] } satisfies Draft)
const after = (block: Block): Record<string, string[]> =>
  Object.fromEntries(wire(block).steps.map((x) => [x.draft.id, x.after]))

describe('how phases are put together', () => {
  it('a sequence chains', () => {
    expect(after(sequence(s('a'), s('b'), s('c')))).toEqual({ a: [], b: ['a'], c: ['b'] })
  })
  it('meanwhile forks from what came before and joins before what follows', () => {
    expect(after(sequence(s('a'), meanwhile('x', sequence(s('b'), s('c')), s('d')), s('e')))).toEqual({
      a: [],
      b: ['a'],
      c: ['b'],
      d: ['a'],
      e: ['c', 'd'],
    })
  })
  it('what is empty or absent leaves no hole in the chain, and the reason is kept', () => {
    const why = reason('not today', 'C')
    const block = sequence(s('a'), nothing, absent('cord', why), meanwhile('x', nothing, absent('y', why)), s('b'))
    expect(after(block)).toEqual({ a: [], b: ['a'] })
    expect(wire(block).absences).toEqual([
      { what: 'cord', because: why },
      { what: 'y', because: why },
    ])
  })
  it('a branch that is empty does not let the join start early', () => {
    expect(after(sequence(s('a'), meanwhile('x', nothing, s('b')), s('c')))).toEqual({ a: [], b: ['a'], c: ['b'] })
  })
  it('only what fills the wait is labelled with it, not what waits', () => {
    const wired = wire(meanwhile('the cord dwells', s('trim'), s('draw')))
    expect(wired.steps.map((x) => [x.draft.id, x.meanwhile])).toEqual([
      ['trim', 'the cord dwells'],
      ['draw', undefined],
    ])
  })
  it('any nesting lists each step once, after everything it names', () => {
    const tree: fc.Arbitrary<Block> = fc.letrec<{ block: Block }>((tie) => ({
      block: fc.oneof(
        { maxDepth: 4, withCrossShrink: true },
        fc.constant(nothing),
        fc.nat(1e6).map((n) => s(`s${n}`)),
        fc.array(tie('block'), { maxLength: 4 }).map((b) => sequence(...b)),
        fc.array(tie('block'), { minLength: 1, maxLength: 3 }).map((b) => meanwhile('x', ...b)),
      ),
    })).block
    fc.assert(
      fc.property(tree, (block) => {
        const seen = new Set<string>()
        for (const x of wire(block).steps) {
          for (const before of x.after) expect(seen.has(before)).toBe(true)
          seen.add(x.draft.id)
        }
      }),
    )
  })
})

describe('anaesthesia', () => {
  // C: the tissue is numb before any cord, always; a clamp hurts too.
  it('is needed for a vital tooth, a cord or a clamp, and for nothing else', () => {
    const numbed = (more: Partial<VisitRequestInput>): boolean =>
      wire(dayOf([{ kind: visitKinds['crown.prepare'], c: caseOf(more) }])).steps.some(
        (x) => x.draft.id === 'anaesthesia.inject',
      )
    const none = { vital: false, margin: 'supragingival' } as const
    expect(numbed({ ...none, vital: true })).toBe(true)
    expect(numbed({ ...none, margin: 'equigingival' })).toBe(true)
    expect(numbed({ ...none, choices: { isolation: 'dam throughout' } })).toBe(true)
    expect(numbed(none)).toBe(false)
  })
  // Arithmetic: percent × 10 mg/mL × mL.
  it('works out the amount in a cartridge for review', () => {
    expect([
      cartridgeMg('lidocaine with adrenaline').value,
      cartridgeMg('articaine with adrenaline').value,
      cartridgeMg('mepivacaine plain').value,
    ]).toEqual([36, 68, 51])
    expect(cartridgeMg('lidocaine with adrenaline').text).toContain('For the dentist’s review')
  })
  // M: American Academy of Pediatric Dentistry, Use of Local Anesthesia: 20 kg, lidocaine 4.4 mg/kg = 88 mg, 2.4 cartridges of 36 mg; US labels: 7 mg/kg, 500 mg.
  it('works out the ceiling from weight and table, the smaller of the two, and adds mixed agents as fractions', () => {
    const child = ceilingMg('lidocaine with adrenaline', 20, 'children')!
    expect([child.value, child.standing]).toEqual([88, 'M'])
    expect(child.text).toContain('2.4 cartridges of 36 mg')
    expect([
      ceilingMg('lidocaine with adrenaline', 100, 'adults')!.value,
      ceilingMg('lidocaine with adrenaline', 60, 'adults')!.value,
      ceilingMg('bupivacaine with adrenaline', 80, 'children')!.value,
    ]).toEqual([500, 420, 90])
    expect(ceilingMg('mepivacaine plain', 70, 'adults')).toBeUndefined()
    // 1 × 36 of 88 and 1 × 51 of 88: 0.41 + 0.58.
    expect(
      ledgerShare(
        [
          { agent: 'lidocaine with adrenaline', cartridges: 1 },
          { agent: 'mepivacaine plain', cartridges: 1 },
        ],
        20,
        'children',
      )!.value,
    ).toBe(0.99)
    expect(() => ceilingMg('mepivacaine plain', 0, 'children')).toThrow(RangeError)
  })
  it('compares before it rounds; says nearness; and never allows more when multiplied back', () => {
    const stands = (agent: Agent, n: number, kg: number) =>
      ledgerShare([{ agent, cartridges: n }], kg, 'children')?.stands
    // 7 mg/kg × 18 kg = 126 mg: 126.5 mg is over, 126 mg is not, nine tenths are near.
    expect([126.5, 126, 113.4, 113.3].map((mg) => stands('articaine with adrenaline', mg / 68, 18))).toEqual([
      'over',
      'near',
      'near',
      'under',
    ])
    expect(ledgerShare([{ agent: 'articaine with adrenaline', cartridges: 126.5 / 68 }], 18, 'children')!.value).toBe(
      1.01,
    )
    for (let kg = 10; kg <= 60; kg++) {
      const ceiling = ceilingMg('articaine with adrenaline', kg, 'children')!
      const most = Number(/at most ([\d.]+) cartridges/.exec(ceiling.text)![1])
      expect(most * 68).toBeLessThanOrEqual(ceiling.value + 1e-9)
    }
  })
  // By age and weight, never by the teeth worked on.
  it('knows a child by age or weight', () => {
    const under = { years: 18, kg: 50 }
    expect(isChild({ ageYears: 12, weightKg: 60 }, under)).toBe(true)
    expect(isChild({ ageYears: 70, weightKg: 44 }, under)).toBe(true)
    expect(isChild({ ageYears: 30, weightKg: 70 }, under)).toBe(false)
    expect([isChild({}, under), isChild({ weightKg: 70 }, under)]).toEqual([undefined, undefined])
  })
  it('lays out the cartridges its injections take, and says before the needle when that is too much', () => {
    const two = plannedAnaesthetic([{ agent: 'lidocaine with adrenaline', mL: 3.6 }], { child: false, weightKg: 70 })
    expect([two.over, two.cautions]).toEqual([undefined, []])
    expect(two.figures[1]!.text).toContain('out of 2 cartridges')
    // 4.4 mg/kg × 15 kg = 66 mg; 3.6 mL of two per cent are 72 mg.
    const much = plannedAnaesthetic([{ agent: 'lidocaine with adrenaline', mL: 3.6 }], { child: true, weightKg: 15 })
    expect(much.over).toContain('OVER the ceiling')
    expect(much.cautions[0]!.text).toContain('OVER the ceiling of the children’s table: 72 of 66 mg')
  })
})

describe('the sheet', () => {
  it('over any tooth and any gaps: the tooth itself has a hole, gaps have none, one run of the arch, front to the first premolars', () => {
    const permanent = allTeeth.filter((t) => !isPrimary(t))
    fc.assert(
      fc.property(fc.constantFrom(...permanent), fc.subarray(permanent), (tooth, gaps) => {
        const missing = gaps.filter((g) => g !== tooth)
        const holes = damTeeth([tooth], missing)
        expect(holes).toContain(tooth)
        expect(holes.filter((h) => missing.includes(h))).toEqual([])
        const arch = archFrom(tooth)
        expect(holes).toEqual(arch.filter((t) => holes.includes(t)))
        if (parts(tooth).position > 3) return
        // One anchor behind the canine on its own side, the premolar or the next that stands; the other side to its premolar.
        expect(holes.filter((h) => parts(h).position > 4).length).toBeLessThanOrEqual(1)
        const own = arch.slice(0, 8).filter((t) => parts(t).position >= 4 && !missing.includes(t))
        expect(holes.slice(0, 1)).toEqual(own.length > 0 ? own.slice(-1) : holes.slice(0, 1))
      }),
    )
  })
  it('reaches one tooth behind where there is one', () => {
    expect(damTeeth([toTooth('46')], [])).toContain('47')
    expect(damTeeth([toTooth('46')], [toTooth('47')])).not.toContain('48')
    expect(damTeeth([toTooth('24')], [])[0]).toBe('25')
  })
})

describe('cord', () => {
  // C: the margin decides first, then the school.
  const table: [string, Partial<VisitRequestInput>, string[]][] = [
    ['above and dry: none, whatever the school', { margin: 'supragingival', choices: { cord: 'double' } }, []],
    [
      'above and weeping: one thin, whatever the school',
      { margin: 'supragingival', tissue: { weeping: true }, choices: { cord: 'none' } },
      ['single'],
    ],
    ['at the tissue, single', { choices: { cord: 'single' } }, ['single']],
    ['under the tissue, double', { margin: 'subgingival', choices: { cord: 'double' } }, ['base', 'top']],
    ['the dentist wants none', { choices: { cord: 'none' } }, []],
  ]
  it.each(table)('%s', (_words, more, layers) => {
    expect(cordPlan(caseOf(more)).layers).toEqual(layers)
  })
  it('draws the top one or the only one, and takes the base out by itself', () => {
    const c = caseOf({ choices: { cord: 'double' } })
    expect(drawnLayer(cordPlan(c))).toBe('top')
    expect([cordOutStep('top', c.units[0]!), cordOutStep('base', c.units[0]!)]).toEqual([
      'tissue.draw-cord.37',
      'tissue.base-out.37',
    ])
    expect(drawnLayer(cordPlan(caseOf({ choices: { cord: 'none' } })))).toBeUndefined()
  })
  it('refuses adrenaline only against the alert', () => {
    expect(cordPlan(caseOf({ choices: { cordAgent: 'adrenaline' } }))).toMatchObject({ agent: 'adrenaline' })
    expect(cordPlan(caseOf({ choices: { cordAgent: 'adrenaline' }, alerts: ['adrenaline-sensitive'] }))).toMatchObject({
      agent: 'aluminium chloride',
      refusedAgent: { text: expect.stringContaining('refused') },
    })
  })
})

describe('the speed of the impression material', () => {
  // C: fast suits one or two units; from three the slower version, unless the window holds.
  it('is fast for one crown, and slower where the window would not hold', () => {
    expect(pickSpeed(caseOf(), 'silicone')).toMatchObject({ speed: 'fast', fits: true })
    expect(pickSpeed(caseOf({ teeth: ['34', '35', '36', '37'] }), 'silicone')).toMatchObject({ speed: 'regular' })
  })
  it('follows the product’s own working time, not ours', () => {
    const slowHands = {
      ...practice,
      items: practice.items.map((i) => (i.id === 'silicone-light-fast' ? { ...i, workingS: 40 } : i)),
    }
    expect(pickSpeed(caseOf({}, slowHands), 'silicone')).toMatchObject({ speed: 'regular', workingS: 135 })
  })
  it('takes what is owned, and starting values where nothing is', () => {
    const none = { ...practice, items: practice.items.filter((i) => !i.id.startsWith('silicone-light')) }
    expect(pickSpeed(caseOf({}, none), 'silicone')).toMatchObject({
      speed: 'regular',
      workingS: 135,
      inMouthS: 240,
      fits: false,
    })
  })
})

describe('the provisional’s cement', () => {
  it('follows the delivery, with the reason', () => {
    expect(provisionalCement(caseOf({ deliveryCement: 'resin' }))).toMatchObject({
      need: 'provisional cement.non-eugenol',
      because: { text: expect.stringContaining('eugenol would hinder') },
    })
    for (const deliveryCement of ['conventional', 'resin-modified glass ionomer'] as const)
      expect(provisionalCement(caseOf({ deliveryCement })).need).toBe('provisional cement.eugenol')
  })
})
