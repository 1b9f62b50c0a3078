import { often } from '../../scripts/often'
import { keysOf } from '../sure'
import { leastS } from '../model/link'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { starterPractice } from '../practice/starter'
import { damTeeth } from '../library/generators/isolation'
import { layOut } from '../schedule/timeline'
import { allTeeth, isPrimary, toTooth } from '../teeth/notation'
import { questions } from '../practice/choices'
import { comparePlans } from '../schedule/compare'
import { itemIdOf } from './setup'
import { compile } from './compile'
import { RequestError } from './team'
import { kindTable } from '../kinds'
import { alertWords } from '../vocabulary'
import { visitRequest, type VisitRequestInput } from '../model/request'
import { layTrays } from '../picture/tray'
import type { Plan } from '../model/plan'

const practice = starterPractice()
const base = {
  kind: 'crown.prepare',
  date: '2026-11-24',
  teeth: ['37'],
  restoration: 'monolithic zirconia crown',
  team: { dentist: 'dentist', assistants: ['assistant'] },
} as const
const plan = (more: Partial<VisitRequestInput> = {}, p = practice): Plan =>
  compile(
    visitRequest.parse({ ...base, teeth: [...base.teeth], team: { ...base.team, assistants: ['assistant'] }, ...more }),
    p,
  )
const stepIds = (p: Plan): string[] => p.steps.map((s) => s.id)
const step = (p: Plan, id: string) => p.steps.find((s) => s.id === id)!
const line = (p: Plan, id: string) => p.setup.find((l) => l.id === id)
const clash = (p: Plan, id: string) => p.clashes.find((c) => c.id === id)

/** Any request the schema allows, for the properties. */
const anyRequest = fc.record({
  teeth: fc.constantFrom(...allTeeth.filter((t) => !isPrimary(t))).map((t) => [t as string]),
  restoration: fc.constantFrom(...kindTable['crown.prepare'].restorations),
  vital: fc.boolean(),
  crossbite: fc.boolean(),
  margin: fc.constantFrom('supragingival' as const, 'equigingival' as const, 'subgingival' as const),
  tissue: fc.record({
    weeping: fc.boolean(),
    probingDepthMm: fc.integer({ min: 0, max: 6 }),
    biotype: fc.constantFrom('thin' as const, 'thick' as const),
    crevice: fc.constantFrom('narrow' as const, 'normal' as const, 'wide' as const),
  }),
  deliveryCement: fc.constantFrom('resin' as const, 'conventional' as const),
  alerts: fc.subarray(keysOf(alertWords)),
  visitChoices: fc.record(
    Object.fromEntries(questions.map((q) => [q.name, fc.constantFrom(...q.schools.map((s) => s.value))])),
  ) as fc.Arbitrary<VisitRequestInput['visitChoices']>,
})

describe('a monolithic zirconia crown on 37, first visit', () => {
  const p = plan()
  it('runs in the order of the day', () => {
    const order = [
      'arrival.seat',
      'anaesthesia.inject',
      'records.shade',
      'anaesthesia.test',
      'isolation.rolls',
      'cutting.groove-functional.37',
      'cutting.occlusal.37',
      'cutting.axial-facial.37',
      'cutting.contact-mesial.37',
      'cutting.margin.37',
      'cutting.finish.37',
      'cutting.reduction-check',
      'tissue.single-cord.37',
      'provisional.seat',
      'provisional.trim',
      'impression.load-syringe',
      'tissue.draw-cord.37',
      'impression.inspect',
      'provisional.try-in',
      'provisional.cement',
      'closing.counts',
      'closing.home',
      'closing.turnover',
    ]
    const at = order.map((id) => stepIds(p).indexOf(id))
    expect(at).not.toContain(-1)
    expect(at).toEqual(at.toSorted((a, b) => a - b))
  })
  it('names both notations where a mistake could hurt', () => {
    expect(step(p, 'arrival.seat').title).toContain('37 (LL7)')
    expect(p.teeth[0]).toMatchObject({ tooth: '37', universal: '18', quadrant: 'LL7', name: 'lower left second molar' })
  })
  // C: lower buccal cusps carry the bite; [M] 1.0–1.5 for zirconia.
  it('cuts deeper on the functional cusps and asks for cuts, not bur numbers', () => {
    expect(step(p, 'cutting.groove-functional.37').title).toContain('buccal cusps 1.0 mm')
    expect(step(p, 'cutting.groove-functional.37').detail).toContain('1.0–1.5 mm')
    const burs = p.burs.map((b) => b.bur?.id)
    expect(burs).toEqual(['dc-10', 'ret-016c', 'ndl-009', 'ret-016', 'ret-016f'])
    expect(p.burs.every((b) => b.cuts.every((c) => c.because))).toBe(true)
    expect(p.burs[0]!.cuts[0]!.next?.burId).toBe('fet-010c')
  })
  it('merges the setup: one mirror, floss summed, one piece of cord with its length', () => {
    expect(line(p, 'mirror')).toMatchObject({ quantity: 1, readiness: 'open' })
    expect(line(p, 'floss')!.quantity).toBe(900)
    expect(line(p, 'cord-1')!.piecesMm).toEqual([33])
    expect(line(p, 'cord-0')).toMatchObject({ readiness: 'standby', when: 'the tissue blanches' })
  })
  it('holds where the dentist must answer, and counts what goes in', () => {
    expect(p.holds.map((h) => h.id)).toEqual([
      'shade',
      'numb',
      'reduction',
      'impression',
      'provisional',
      'counts',
      'home',
    ])
    expect(p.holds.filter((h) => h.mandatory).map((h) => h.id)).toEqual([
      'shade',
      'impression',
      'provisional',
      'counts',
    ])
    expect(p.counts.map((c) => c.id)).toEqual(['needle', 'rolls', 'cord.single.37'])
  })
  // C: 5 min for the cord; M: 5–10 min for a block, 60 s until the tray is seated.
  it('ties steps with lags and windows', () => {
    const link = (from: string, to: string) => p.links.find((l) => l.from === from && l.to === to && l.kind !== 'order')
    expect(link('anaesthesia.inject', 'anaesthesia.test')).toMatchObject({ atLeastS: 300 })
    expect(link('tissue.single-cord.37', 'impression.rinse')).toMatchObject({ atLeastS: 300, warnS: 900 })
    expect(link('tissue.draw-cord.37', 'impression.inject')).toMatchObject({ atMostS: 60 })
    expect(link('provisional.mix', 'provisional.lift')).toMatchObject({ atLeastS: 60, atMostS: 150 })
  })
})

describe('changing the case changes the plan as the trade says', () => {
  // C: metal crown on 47: buccal 1.5, lingual 1.0; on 16: palatal 1.5, buccal 1.0.
  it('swaps functional cusps between jaws and in crossbite', () => {
    const metal = (tooth: string, crossbite = false) => {
      const p = plan({ teeth: [tooth], restoration: 'full metal crown', crossbite })
      return [step(p, `cutting.groove-functional.${tooth}`).title, step(p, `cutting.groove-other.${tooth}`).title]
    }
    expect(metal('47')).toEqual(['Depth grooves, buccal cusps 1.5 mm', 'Depth grooves, lingual cusps 1.0 mm'])
    expect(metal('16')).toEqual(['Depth grooves, palatal cusps 1.5 mm', 'Depth grooves, buccal cusps 1.0 mm'])
    expect(metal('47', true)[0]).toContain('lingual cusps 1.5')
  })
  // C: bevel on the functional cusp at 45°. Arithmetic: 2 % of 1.8 mL is 36 mg, 4 % of 1.7 mL is 68 mg.
  it('bevels the functional cusp at 45° and works out a cartridge', () => {
    expect(step(plan({ teeth: ['47'], restoration: 'full metal crown' }), 'cutting.bevel.47').title).toBe(
      'Bevel on the buccal cusps, 45°, about 1.5 mm wide',
    )
    const mg = (anaesthetic: VisitRequestInput['anaesthetic']) =>
      step(plan({ anaesthetic }), 'anaesthesia.inject').figures.map((f) => `${f.value} ${f.unit}`)
    expect([mg('lidocaine with adrenaline'), mg('articaine with adrenaline')]).toEqual([
      ['36 mg', '1.8 mL', '85 min', '60 min'],
      ['68 mg', '1.8 mL', '90 min', '60 min'],
    ])
  })
  it('a full metal crown has no shade to sign, and a seating groove', () => {
    const p = plan({ restoration: 'full metal crown' })
    expect(p.holds.map((h) => h.id)).not.toContain('shade')
    expect(p.absent.map((a) => a.what)).toContain('shade')
    expect(stepIds(p)).toContain('cutting.seating-groove.37')
  })
  it('a supragingival dry margin drops the cord and keeps the reason; weeping brings one thin cord back', () => {
    const dry = plan({ margin: 'supragingival' })
    expect(dry.counts.map((c) => c.id)).toEqual(['needle', 'rolls'])
    expect(dry.absent.find((a) => a.what === 'cord')!.because.text).toContain('above the tissue and dry')
    expect(line(plan({ margin: 'supragingival', tissue: { weeping: true } }), 'cord-00')).toMatchObject({
      readiness: 'open',
    })
  })
  it('double cord: two pieces, the base out after the impression', () => {
    const p = plan({ choices: { cord: 'double' } })
    expect(p.counts.filter((c) => c.id.startsWith('cord'))).toHaveLength(2)
    expect(p.counts.find((c) => c.id === 'cord.base.37')!.outStep).toBe('tissue.base-out.37')
    expect(stepIds(p).indexOf('tissue.base-out.37')).toBeGreaterThan(stepIds(p).indexOf('impression.inspect'))
  })
  it('a resin cement at delivery drops eugenol', () => {
    expect(line(plan(), 'zoe-cement')).toBeDefined()
    const bonded = plan({ deliveryCement: 'resin' })
    expect(line(bonded, 'zoe-cement')).toBeUndefined()
    expect(line(bonded, 'ne-cement')).toBeDefined()
    expect(clash(bonded, 'eugenol-bonding')).toMatchObject({ severity: 'mind' })
  })
  it('a latex alert swaps the sheet and the gloves and nothing with latex is left', () => {
    const dam = { choices: { isolation: 'dam throughout' } } as const
    // Nothing of silicone: the practice’s own order stands, and that is latex first.
    const scan = {
      choices: { isolation: 'dam throughout', impression: 'optical scan', provisional: 'bis-acryl in wax-up matrix' },
    } as const
    expect(
      plan(scan)
        .setup.filter((l) => l.latex)
        .map((l) => l.id),
    ).toEqual(['gloves-latex', 'sheet-latex'])
    const safe = plan({ ...dam, alerts: ['latex'] })
    expect(safe.setup.filter((l) => l.latex)).toEqual([])
    expect([line(safe, 'gloves-nitrile'), line(safe, 'sheet-free')].map((l) => l?.because?.text)).toEqual(
      Array(2).fill('latex alert: the latex-free one is taken'),
    )
    const ownsNone = { ...practice, items: practice.items.filter((i) => i.id !== 'gloves-nitrile') }
    expect(plan({ alerts: ['latex'] }, ownsNone).lacks.join()).toContain('latex')
  })
  it('an adrenaline-sensitive patient never gets an adrenaline cord', () => {
    const p = plan({ alerts: ['adrenaline-sensitive'], choices: { cordAgent: 'adrenaline' } })
    expect(line(p, 'adrenaline-solution')).toBeUndefined()
    expect(line(p, 'aluminium-chloride')).toBeDefined()
    expect(clash(p, 'adrenaline-cord')).toMatchObject({ severity: 'ask' })
    expect(clash(p, 'adrenaline-anaesthetic')).toBeDefined()
    expect(line(p, 'mepivacaine')).toMatchObject({ readiness: 'standby' })
  })
  it('no neighbour behind means no distal contact step, no floss there, and no stop for a dual-arch tray', () => {
    expect(stepIds(plan())).toContain('cutting.contact-distal.37')
    const p = plan({ missing: ['38'] })
    expect(stepIds(p)).not.toContain('cutting.contact-distal.37')
    expect(step(p, 'provisional.try-in').detail).toContain('37 mesial.')
    expect(p.absent.map((a) => a.what)).toContain('distal contact of 37')
    expect(p.choices.impression.value).toBe('addition silicone, full arch')
    expect(clash(p, 'dual-arch')).toBeUndefined()
  })
  it('an astringent on the cord before addition silicone is named; ferric sulphate harder', () => {
    expect(clash(plan(), 'astringent-silicone')).toMatchObject({ severity: 'mind' })
    expect(clash(plan({ choices: { cordAgent: 'ferric sulphate' } }), 'astringent-silicone')).toMatchObject({
      severity: 'ask',
    })
    expect(clash(plan({ choices: { impression: 'optical scan' } }), 'astringent-silicone')).toBeUndefined()
  })
  it('the impression school decides opposing arch, bite and materials', () => {
    expect(stepIds(plan())).not.toContain('records.opposing')
    const polyether = plan({ choices: { impression: 'polyether, custom tray' } })
    expect(stepIds(polyether)).toEqual(
      expect.arrayContaining(['impression.paint-tray', 'records.opposing', 'impression.bite-record']),
    )
    const scan = plan({ choices: { impression: 'optical scan' } })
    expect(stepIds(scan)).toEqual(
      expect.arrayContaining([
        'records.scan-opposing',
        'impression.scan-preparation',
        'impression.scan-bite',
        'impression.send',
      ]),
    )
    expect(scan.setup.some((l) => l.id.startsWith('silicone-light'))).toBe(false)
  })
  it('the functions table decides who does a step: cord by the dentist, or delegated', () => {
    expect(step(plan(), 'tissue.single-cord.37').performer.personId).toBe('dentist')
    expect(step(plan({ choices: { functions: 'expanded' } }), 'tissue.single-cord.37').performer).toMatchObject({
      personId: 'assistant',
      permission: 'sight',
    })
    expect(step(plan({ choices: { functions: 'expanded' } }), 'cutting.margin.37').performer.personId).toBe('dentist')
  })
  it('card, case and visit choose in that order, the later wins; a card may add holds', () => {
    const carded = {
      ...practice,
      cards: [
        {
          dentistId: 'dentist',
          choices: { cord: 'double' as const, isolation: 'dam throughout' as const },
          extraHolds: ['margins' as const],
        },
      ],
    }
    const p = plan({ choices: { cord: 'none' }, visitChoices: { cord: 'single' } }, carded)
    expect(p.choices.cord).toEqual({ value: 'single', from: 'visit' })
    expect(p.choices.isolation).toEqual({ value: 'dam throughout', from: 'card' })
    expect(p.holds.find((h) => h.id === 'margins')).toMatchObject({ from: 'card' })
  })
  it('an anterior tooth gets incisal, two planes and a football instead of cusps', () => {
    const p = plan({ teeth: ['11'], restoration: 'lithium disilicate crown' })
    expect(stepIds(p)).toEqual(expect.arrayContaining(['cutting.incisal.11', 'cutting.concavity.11']))
    expect(p.burs.some((b) => b.bur?.id === 'ftb-023c')).toBe(true)
    expect(step(p, 'cutting.margin.11').title).toContain('Rounded shoulder')
  })
  it('what the practice does not own is said, never dropped', () => {
    const p = plan(
      {},
      {
        ...practice,
        burs: practice.burs.filter((b) => b.shape !== 'needle' && b.shape !== 'flame'),
        items: practice.items.filter((i) => i.id !== 'mirror'),
      },
    )
    expect(line(p, 'lack:mirror')).toMatchObject({ lack: expect.stringContaining('mirror') })
    expect(p.burs.find((b) => b.lack)!.lack).toContain('needle')
    expect(p.lacks.length).toBeGreaterThanOrEqual(2)
  })
  it('compares two plans as a person decides: items, minutes, holds', () => {
    const c = comparePlans(plan(), plan({ choices: { impression: 'optical scan' } }))
    expect(c.itemsAdded).toContain('Intra-oral scanner')
    expect(c.itemsRemoved).toContain('Dual-arch tray, steel frame')
    expect(c.holdsAdded).toContain('Scan good')
  })
  it('refuses people who are not there, with the path', () => {
    expect(() => plan({ team: { dentist: 'nobody', assistants: ['assistant'] } })).toThrow(RequestError)
    expect(visitRequest.safeParse({ ...base, teeth: ['75'] }).error!.issues[0]).toMatchObject({ path: ['teeth', 0] })
  })
})

describe('isolation', () => {
  // C: one tooth behind to the opposite lateral; in front first premolar to first premolar.
  it('decides the holes of the sheet', () => {
    expect(damTeeth([toTooth('36')], [])).toEqual(['37', '36', '35', '34', '33', '32', '31', '41', '42'])
    expect(damTeeth([toTooth('37')], [toTooth('38')])[0]).toBe('37')
    expect(damTeeth([toTooth('11')], [toTooth('22')])).toEqual(['14', '13', '12', '11', '21', '23', '24'])
    // The clamp stands on the side of the work, a gap behind the canine or not.
    expect(damTeeth([toTooth('23')], [])).toEqual(['24', '23', '22', '21', '11', '12', '13', '14'])
    expect(damTeeth([toTooth('23')], [toTooth('24')])).toEqual(['25', '23', '22', '21', '11', '12', '13', '14'])
  })
})

describe('properties over random cases', () => {
  it('every plan is whole: deterministic, every need set up or lacking, every count with an out, every link between steps in order', () => {
    fc.assert(
      fc.property(anyRequest, (more) => {
        const p = plan(more)
        expect(JSON.stringify(plan(more))).toBe(JSON.stringify(p))
        const ids = stepIds(p)
        expect(new Set(ids).size).toBe(ids.length)
        for (const s of p.steps)
          for (const n of s.needs)
            expect(
              p.setup.some(
                (l) =>
                  l.steps.includes(s.id) &&
                  (practice.items
                    .find((i) => i.id === itemIdOf(l))
                    ?.serves.some((x) => x === n.what || n.orElse?.some((o) => o.what === x)) ||
                    l.id === `lack:${n.what}`),
              ),
            ).toBe(true)
        for (const c of p.counts) expect(ids.indexOf(c.outStep)).toBeGreaterThan(ids.indexOf(c.inStep))
        for (const l of p.links) if (l.from !== l.to) expect(ids.indexOf(l.from)).toBeLessThan(ids.indexOf(l.to))
        for (const h of p.holds) expect(h.again.length).toBeGreaterThan(0)
        const mandatory = p.holds.filter((h) => h.mandatory).map((h) => h.id)
        expect(mandatory).toEqual(expect.arrayContaining(['impression', 'provisional', 'counts']))
        if (more.alerts.includes('latex')) expect(p.setup.some((l) => l.latex)).toBe(false)
        if (more.alerts.includes('adrenaline-sensitive')) expect(line(p, 'adrenaline-solution')).toBeUndefined()
        // No cutting of a vital tooth, no cord and no clamp before the numb hold.
        const hurts = p.steps.filter(
          (s) =>
            (s.fn === 'cord placement' && s.countsIn.length > 0) ||
            (s.fn === 'cutting' && more.vital) ||
            s.id === 'isolation.dam-on',
        )
        for (const s of hurts) expect(ids.indexOf(s.id)).toBeGreaterThan(ids.indexOf('anaesthesia.test'))
        if (hurts.length > 0) expect(ids).toContain('anaesthesia.test')
      }),
      { numRuns: often(150) },
    )
  })
  it('the score keeps every order, lag and resource, and the trays overlap nowhere', () => {
    fc.assert(
      fc.property(anyRequest, (more) => {
        const p = plan(more)
        const score = layOut(p)
        const bar = new Map(score.bars.map((b) => [b.stepId, b]))
        for (const l of p.links) {
          const from = bar.get(l.from)!
          const to = bar.get(l.to)!
          const gap = (l.toEdge === 'start' ? to.startS : to.endS) - (l.fromEdge === 'start' ? from.startS : from.endS)
          expect(gap).toBeGreaterThanOrEqual(leastS(l))
        }
        const overlap = (a: (typeof score.bars)[number], b: (typeof score.bars)[number]) =>
          a.startS < b.endS && b.startS < a.endS
        for (const a of score.bars)
          for (const b of score.bars) {
            if (a === b || !overlap(a, b)) continue
            expect(a.place === 'mouth' && b.place === 'mouth').toBe(false)
            expect(a.people.some((x) => b.people.includes(x))).toBe(false)
          }
        for (const board of layTrays(p.setup)) {
          const places = board.bands.flatMap((band) => band.places.map((x) => ({ ...x, xMm: x.xMm + band.xMm })))
          for (const [i, a] of places.entries())
            for (const b of places.slice(i + 1))
              expect(
                a.xMm + a.widthMm > b.xMm &&
                  b.xMm + b.widthMm > a.xMm &&
                  a.yMm + a.heightMm > b.yMm &&
                  b.yMm + b.heightMm > a.yMm,
              ).toBe(false)
        }
        expect(layTrays(p.setup).flatMap((b) => b.bands.flatMap((x) => x.places))).toHaveLength(
          p.setup.filter((l) => l.readiness === 'open').length,
        )
      }),
      { numRuns: often(60) },
    )
  })
})
