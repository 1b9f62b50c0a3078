/** The drill: rounds made from the plans the program itself compiles, scored against them. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { starterPractice } from '../practice/starter'
import { kindIds, type KindId } from '../kinds'
import { clockTasks, judgeClocks } from './clocks'
import { drillRequest, roundOf, stepCard, trayCard } from './round'
import { comesBefore } from './order'
import { inOrder, scoreRound, solutionOf } from './score'
import { answered, knownNow, type Memory } from './spacing'

const practice = starterPractice()
const date = '2026-11-25'
const none = new Set<string>()
const nothing = { tray: [], burs: [], steps: [], clock: [] }
const round = (kind: KindId, seed: number, due = none) => roundOf(kind, seed, practice, date, due)

describe('a round', () => {
  it('of every kind can be solved, and the solution is all right', () => {
    fc.assert(
      fc.property(fc.constantFrom(...kindIds), fc.integer({ min: 0, max: 1e6 }), (kind, seed) => {
        const r = round(kind, seed)
        const score = scoreRound(r, solutionOf(r))
        expect(score.parts.flatMap((p) => p.misses)).toEqual([])
        expect([score.right, score.cards.every((c) => c.right)]).toEqual([score.of, true])
      }),
      { numRuns: 80 },
    )
  })
  it('is the same for the same seed, shuffled, with strangers in the cupboard', () => {
    const [a, b] = [round('crown.prepare', 7), round('crown.prepare', 7)]
    expect(a.cupboard).toEqual(b.cupboard)
    expect(a.cupboard.length).toBeGreaterThan(a.wanted.length + 5)
    expect(round('crown.prepare', 8).cupboard).not.toEqual(a.cupboard)
    expect(
      new Set([1, 2, 3, 4, 5, 6].map((s) => drillRequest('crown.prepare', s, practice, date).teeth[0])).size,
    ).toBeGreaterThan(2)
  })
  it('stays the same whatever is used up elsewhere while it is done', () => {
    const worn = {
      ...practice,
      burs: practice.burs.map((b) => ({ ...b, uses: b.useLimit })),
      lots: [{ id: 'x', itemId: 'bis-acryl', number: 'Q1', expires: '2020-01-01', left: 0, opened: true }],
    }
    expect(roundOf('crown.prepare', 7, worn, date, none)).toEqual(round('crown.prepare', 7))
  })
  it('brings back what is due', () => {
    const plan = round('crown.prepare', 1).plan
    const item = plan.setup.filter((l) => l.readiness === 'open' && !l.lack).at(-1)!
    const step = plan.steps.find((s) => s.id.startsWith('impression.seat'))!
    for (let seed = 0; seed < 20; seed++) {
      const r = round(
        'crown.prepare',
        seed,
        new Set([trayCard('crown.prepare', item.id), stepCard('crown.prepare', step.id)]),
      )
      if (r.plan.setup.some((l) => l.id === item.id && l.readiness === 'open' && !l.lack))
        expect(r.wanted).toContain(item.id)
      if (r.plan.steps.some((s) => s.id === step.id)) expect(r.steps.map((s) => s.id)).toContain(step.id)
    }
  })
})

describe('the score', () => {
  it('of an empty answer is nothing right, with a reason for every miss', () => {
    const r = round('crown.prepare', 3)
    const score = scoreRound(r, nothing)
    expect(score.right).toBe(0)
    for (const miss of score.parts.flatMap((p) => p.misses)) expect(miss.because.length, miss.says).toBeGreaterThan(3)
    expect(score.cards.every((c) => !c.right)).toBe(true)
  })
  it('of an item that is only to be had ready says so; of a stranger that the visit does not use it', () => {
    const r = round('crown.prepare', 3)
    const all = scoreRound(r, { ...solutionOf(r), tray: r.cupboard.map((p) => p.id) }).parts[0]!
    expect(all.misses.map((m) => m.because).join('\n')).toMatch(
      /have it ready, do not open it: [\s\S]*this visit does not use it/,
    )
    expect(all.of).toBe(r.cupboard.length)
    expect(all.right).toBe(r.wanted.length)
  })
  it('of burs counts what stands in order, however far one is out of it', () => {
    expect(inOrder(['b', 'a', 'c', 'd'], ['a', 'b', 'c', 'd']).size).toBe(3)
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 50 }).map(String), { maxLength: 12 }), (list) => {
        expect(inOrder(list, list).size).toBe(list.length)
        expect(inOrder(list.toReversed(), list).size).toBe(Math.min(1, list.length))
      }),
    )
    const r = round('crown.metal', 5)
    const burs = r.plan.burs.flatMap((b) => (b.bur ? [b.bur.id] : []))
    const first = scoreRound(r, { ...solutionOf(r), burs: [...burs.slice(1), burs[0]!] }).parts.find(
      (p) => p.part === 'burs',
    )!
    expect(first.right).toBeLessThan(first.of)
    expect(first.misses[0]!.because.length).toBeGreaterThan(5)
  })
  it('of steps lets go side by side what the plan lets go side by side', () => {
    const r = round('crown.prepare', 11)
    const { plan } = r
    const order = plan.steps.map((s) => s.id)
    // Any order that breaks no link is right: here the latest step that may come first, again and again.
    const left = new Set(r.steps.map((s) => s.id))
    const other: string[] = []
    while (left.size > 0) {
      const next = [...left]
        .toSorted((a, b) => order.indexOf(b) - order.indexOf(a))
        .find((id) => ![...left].some((x) => comesBefore(plan, x, id)))!
      other.push(next)
      left.delete(next)
    }
    const steps = (given: string[]) =>
      scoreRound(r, { ...solutionOf(r), steps: given }).parts.find((p) => p.part === 'steps')!
    expect(steps(other).misses).toEqual([])
    expect(steps(other.toReversed()).misses.length).toBeGreaterThan(0)
  })
})

describe('the clocks', () => {
  // Common practice: the etched metal bridge's cement is mixed at 20 s, all is seated within 90 s.
  it('of the metal bridge: mixed at 20 s, seated by 90 s; early and late are told by how much', () => {
    const task = clockTasks(round('bridge.metal.deliver', 1).plan).find((t) =>
      t.acts.some((a) => a.key === 'delivery.cement-mix.start'),
    )!
    expect(task.acts.map((a) => a.key)).toEqual(['delivery.cement-mix.start', 'delivery.seat.finish'])
    const at = (mix: number, seat: number) =>
      judgeClocks(task, [
        { key: 'delivery.cement-mix.start', atS: mix },
        { key: 'delivery.seat.finish', atS: seat },
      ]).map((a) => a.wrong)
    expect(at(21, 85)).toEqual([undefined, undefined])
    expect(at(12, 95)).toEqual(['8 s too early', '5 s too late'])
    // The choreography itself is an exercise, too: each act at its second.
    const lanes = clockTasks(round('bridge.metal.deliver', 1).plan).find((t) =>
      t.acts.some((a) => a.key === 'delivery.seat.mix'),
    )!
    expect(
      judgeClocks(lanes, [{ key: 'delivery.seat.mix', atS: 40 }]).find((a) => a.act.key === 'delivery.seat.mix')?.wrong,
    ).toBe('10 s too late')
    expect(judgeClocks(task, []).map((a) => a.wrong)).toEqual(['not done', 'not done'])
  })
  it('of the provisional: seated by 45 s, lifted between 60 and 150 s, trimmed from 240 s', () => {
    const task = clockTasks(round('crown.prepare', 1).plan).find((t) =>
      t.acts.some((a) => a.key === 'provisional.lift.start'),
    )!
    const bound = (key: string) => task.acts.find((a) => a.key === key)!.bounds[0]!
    expect(bound('provisional.seat.finish')).toMatchObject({ atMostS: 45 })
    expect(bound('provisional.lift.start')).toMatchObject({ atLeastS: 60, atMostS: 150 })
    expect(bound('provisional.trim.start')).toMatchObject({ atLeastS: 240 })
  })
  it('can be kept, in every kind: nothing is asked for earlier than it is allowed', () => {
    for (const kind of kindIds) {
      for (const task of clockTasks(round(kind, 2).plan)) {
        const pressed: { key: string; atS: number }[] = []
        for (const a of task.acts)
          pressed.push({
            key: a.key,
            atS: Math.max(
              0,
              ...a.bounds.map(
                (b) => (b.from === 'start' ? 0 : pressed.find((p) => p.key === b.from)!.atS) + (b.atLeastS ?? 0),
              ),
            ),
          })
        expect(
          judgeClocks(task, pressed).flatMap((a) => a.wrong ?? []),
          `${kind} ${task.begins}`,
        ).toEqual([])
      }
    }
  })
})

// P: Ye, Su, Cao, KDD 2022, and the forgetting curve of its sixth version: R(t) = (1 + f·t/S)^−w, where R(S) = 0.9.
describe('what comes back', () => {
  const day = 86_400_000
  const at = Date.UTC(2026, 10, 25)
  it('a miss comes back within the hour, what is known at growing distances, and a later miss shortens them', () => {
    expect(answered(undefined, false, at).dueAt - at).toBeLessThan(3_600_000)
    let m: Memory = answered(undefined, true, at)
    const gaps: number[] = []
    for (let i = 0; i < 6; i++) {
      const before = m.dueAt
      m = answered(m, true, before)
      gaps.push(m.dueAt - before)
    }
    expect(gaps).toEqual(gaps.toSorted((a, b) => a - b))
    expect(gaps.at(-1)! / day).toBeGreaterThan(90)
    const slipped = answered(m, false, m.dueAt)
    expect(slipped).toMatchObject({ lapses: 1 })
    expect(slipped.stability).toBeLessThan(m.stability / 3)
  })
  it('nine of ten are still known after as many days as it is stable, by the published curve', () => {
    let m = answered(undefined, true, at)
    for (let i = 0; i < 4; i++) m = answered(m, true, m.dueAt)
    const w = 0.1542
    const f = 0.9 ** (-1 / w) - 1
    for (const days of [1, 5, 20, Math.round(m.stability)])
      expect(knownNow(m, m.lastAt + days * day)).toBeCloseTo((1 + (f * days) / m.stability) ** -w, 4)
    expect(knownNow(m, m.lastAt + m.stability * day)).toBeCloseTo(0.9, 2)
  })
})
