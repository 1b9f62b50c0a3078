import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cycleMin, cycleTable, instruments, type CassetteType } from '../practice/instruments'
import { savingActs } from './saving'
import { simulateTurnover, type TurnoverProblem } from './turnover'

const minute = 60_000
const at = (time: string): number => Date.parse(`2026-11-25T${time}:00Z`)
const { way } = instruments.parse({})
const one = { id: 's', name: 'S', capacity: 6, cycle: 'pre-vacuum 132' as const }
const visit = (id: string, from: string, to: string, ...types: CassetteType[]) => ({
  id,
  startsAt: at(from),
  endsAt: at(to),
  types,
})
const problem = (over: Partial<TurnoverProblem>): TurnoverProblem => ({
  visits: [],
  cassettes: [],
  sterilisers: [one],
  way,
  layUpMin: 10,
  runsAt: [at('12:30')],
  ...over,
})

describe('cycles', () => {
  it('expose wrapped instruments as published: gravity 121 °C 30 min, 132 °C 15 min, pre-vacuum 132 °C 4 min (CDC MMWR 2003;52(RR-17))', () => {
    expect(Object.values(cycleTable).map((c) => [c.temperatureC, c.exposureMin])).toEqual([
      [121, 30],
      [132, 15],
      [132, 4],
    ])
  })
})

describe('the way of a cassette, added up by hand', () => {
  // Out 09:00–10:00; handed over 10:10, washed 10:40, packed 10:45; run at 12:30 for 35 min, cooled 13:20.
  const lone = problem({
    visits: [visit('a', '09:00', '10:00', 'crown'), visit('b', '13:00', '14:00', 'crown')],
    cassettes: [{ id: 'crown-1', type: 'crown' }],
  })
  it('comes back at 13:20 by the run of 12:30: the visit at 13:00 is dry at 12:50', () => {
    const { packed, loads, dry } = simulateTurnover(lone)
    expect(packed.map((p) => p.at)).toEqual([at('10:45')])
    expect(loads).toEqual([
      {
        steriliserId: 's',
        startAt: at('12:30'),
        endAt: at('13:05'),
        readyAt: at('13:20'),
        cassetteIds: ['crown-1'],
        why: 'planned',
      },
    ])
    expect(dry).toEqual([{ visitId: 'b', type: 'crown', neededAt: at('12:50'), nextReadyAt: at('13:20') }])
  })
  it('an extra run at 10:45 saves it, cheaper than a swap or one more cassette; each of them does', () => {
    const later = {
      ...lone,
      visits: [...lone.visits, visit('c', '14:30', '15:00', 'basic')],
      cassettes: [...lone.cassettes, { id: 'basic-1', type: 'basic' as const }],
    }
    const { single, left } = savingActs(later, () => true)
    expect(left).toEqual([])
    expect(single.map((s) => [s.act, s.left.length])).toEqual([
      [{ kind: 'extra run', at: at('10:45') }, 0],
      [{ kind: 'swap', visitIds: ['b', 'c'] }, 0],
      [{ kind: 'one more cassette', type: 'crown' }, 0],
    ])
  })
  it('a cassette that is ready at the very minute it is wanted is in time', () => {
    expect(simulateTurnover({ ...lone, visits: [lone.visits[0]!, visit('b', '13:30', '14:00', 'crown')] }).dry).toEqual(
      [],
    )
  })
  it('a full steriliser runs at once, and what does not fit waits for the next', () => {
    const three = problem({
      visits: [visit('a', '08:00', '09:00', 'basic', 'crown'), visit('b', '08:00', '09:05', 'dam')],
      cassettes: [
        { id: 'basic-1', type: 'basic' },
        { id: 'crown-1', type: 'crown' },
        { id: 'dam-1', type: 'dam' },
      ],
      sterilisers: [{ ...one, capacity: 2 }],
    })
    expect(simulateTurnover(three).loads.map((l) => [l.startAt, l.cassetteIds, l.why])).toEqual([
      [at('09:45'), ['basic-1', 'crown-1'], 'full'],
      [at('12:30'), ['dam-1'], 'planned'],
    ])
  })
})

const types = ['basic', 'crown', 'dam'] as const
const days = fc
  .record({
    visits: fc.array(
      fc.record({
        from: fc.integer({ min: 0, max: 100 }),
        length: fc.integer({ min: 4, max: 24 }),
        types: fc.subarray([...types], { minLength: 1 }),
      }),
      { minLength: 1, maxLength: 9 },
    ),
    owned: fc.record({
      basic: fc.integer({ min: 1, max: 4 }),
      crown: fc.integer({ min: 0, max: 3 }),
      dam: fc.integer({ min: 0, max: 3 }),
    }),
    capacities: fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 2 }),
    soiled: fc.boolean(),
  })
  .map(({ visits, owned, capacities, soiled }) =>
    problem({
      visits: visits.map((v, i) => ({
        id: `v${i}`,
        startsAt: at('08:00') + v.from * 5 * minute,
        endsAt: at('08:00') + (v.from + v.length) * 5 * minute,
        types: v.types,
      })),
      cassettes: types.flatMap((type) =>
        Array.from({ length: owned[type] }, (_, i) => ({
          id: `${type}-${i}`,
          type,
          ...(soiled && i === 0 ? { soiledAt: at('07:30') } : {}),
        })),
      ),
      sterilisers: capacities.map((capacity, i) => ({ ...one, id: `s${i}`, capacity })),
    }),
  )

describe('any day of cassettes', () => {
  it('keeps every cassette in one place, every steriliser to one load and its capacity, the way to its minutes, and answers the same again', () => {
    fc.assert(
      fc.property(days, (p) => {
        const t = simulateTurnover(p)
        const visits = new Map(p.visits.map((v) => [v.id, v]))
        // Every wish is met once or said to be dry.
        expect(t.uses.length + t.dry.length).toBe(p.visits.reduce((sum, v) => sum + v.types.length, 0))
        const wayMs = (way.handOverMin + way.washMin + way.packMin) * minute
        for (const load of t.loads) {
          expect(load.cassetteIds.length).toBeLessThanOrEqual(
            p.sterilisers.find((s) => s.id === load.steriliserId)!.capacity,
          )
          expect(load.readyAt - load.startAt).toBe((cycleMin(one) + way.coolMin) * minute)
          for (const other of t.loads)
            if (other !== load && other.steriliserId === load.steriliserId)
              expect(other.startAt >= load.endAt || load.startAt >= other.endAt).toBe(true)
        }
        for (const c of p.cassettes) {
          const outs = t.uses
            .filter((u) => u.cassetteId === c.id)
            .map((u) => ({ from: u.neededAt, to: visits.get(u.visitId)!.endsAt }))
          const runs = t.loads.filter((l) => l.cassetteIds.includes(c.id))
          for (const run of runs) {
            // It was soiled and on its way for long enough before, and is not used until it is cool.
            const soiledAt = Math.max(
              c.soiledAt ?? -Infinity,
              ...outs.filter((o) => o.from < run.startAt).map((o) => o.to),
            )
            expect(run.startAt - soiledAt).toBeGreaterThanOrEqual(wayMs)
            for (const o of outs) expect(o.from >= run.readyAt || o.to + wayMs <= run.startAt).toBe(true)
          }
          // Between two uses lies a run.
          for (const [i, o] of outs.entries())
            if (i > 0) expect(runs.some((r) => r.startAt >= outs[i - 1]!.to && r.readyAt <= o.from)).toBe(true)
        }
        expect(simulateTurnover(p)).toEqual(t)
      }),
      { numRuns: 300 },
    )
  })
  it('what is said to save is so when it is simulated, and the cheapest of those comes first', () => {
    fc.assert(
      fc.property(days, (p) => {
        const before = simulateTurnover(p).dry.length
        const { single } = savingActs(p, () => true)
        for (const [i, s] of single.entries()) {
          const visits = p.visits.map((v) => {
            if (s.act.kind !== 'swap' || !s.act.visitIds.includes(v.id)) return v
            const other = p.visits.find((o) => s.act.kind === 'swap' && s.act.visitIds.includes(o.id) && o.id !== v.id)!
            return { ...v, startsAt: other.startsAt, endsAt: other.startsAt + v.endsAt - v.startsAt }
          })
          const cassettes =
            s.act.kind === 'one more cassette' ? [...p.cassettes, { id: 'more', type: s.act.type }] : p.cassettes
          const runsAt = s.act.kind === 'extra run' ? [...p.runsAt, s.act.at] : p.runsAt
          const after = simulateTurnover({ ...p, visits, cassettes, runsAt }).dry.length
          expect(after).toBe(s.left.length)
          expect(after).toBeLessThan(before)
          if (i > 0)
            expect(single[i - 1]!.left.length * 100 + single[i - 1]!.cost).toBeLessThanOrEqual(
              s.left.length * 100 + s.cost,
            )
        }
      }),
      { numRuns: 60 },
    )
  })
})
