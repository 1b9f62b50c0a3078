import { nightly } from '../../scripts/often'
import { describe, expect, it } from 'vitest'
import type { PlacedVisit } from './day'
import { defaultDayRules } from '../practice/day-rules'
import { boundOfDay } from './bound'
import { chairsTwice, twiceInDay } from './collide'
import { forwardOf } from './forward'
import { proposeDay, runPoints, type DayProblem } from './propose'
import { random } from '../random'
import type { Bar } from './timeline'

const minute = 60_000
const { weights } = defaultDayRules
type Placed = PlacedVisit & { fixed: boolean }
/** A visit from 0 for so many minutes, with the dentist in it during the stretches given. */
function visit(
  id: string,
  chairId: string,
  startsMin: number,
  lengthMin: number,
  dentist: [number, number][],
  fixed = false,
): Placed {
  const bar = (who: string, from: number, to: number, i: number): Bar => ({
    stepId: `${id}${who}${i}`,
    phase: 'cutting',
    title: '',
    people: [who],
    place: 'mouth',
    startS: from * 60,
    endS: to * 60,
    hold: false,
    slackS: 0,
  })
  const bars = [...dentist.map(([a, b], i) => bar('D', a, b, i)), bar(`helper ${chairId}`, 0, lengthMin, 9)]
  return {
    id,
    chairId,
    startsAt: startsMin * minute,
    fixed,
    score: { bars, rests: [], brackets: [], conflict: [], totalS: lengthMin * 60, chairS: lengthMin * 60, busyS: {} },
  }
}
const day = (visits: Placed[], mostMin = 20): DayProblem => ({
  visits,
  turnoverMs: 10 * minute,
  mostMs: mostMin * minute,
  gridMs: 5 * minute,
  dentists: ['D'],
})

function small(seed: number): DayProblem {
  const next = random(seed)
  const pick = (n: number): number => Math.floor(next() * n)
  return day(
    Array.from({ length: 4 }, (_, i) => {
      const lengthMin = 30 + 5 * pick(8)
      const from = 5 * pick(3)
      return visit(
        `v${i}`,
        `c${pick(3)}`,
        5 * pick(18),
        lengthMin,
        [
          [from, from + 10 + pick(10)],
          [lengthMin - 10, lengthMin],
        ],
        next() < 0.15,
      )
    }),
    // By day ten minutes either way: a tenth of the ways there are.
    nightly ? 20 : 10,
  )
}

/** Every way of moving, tried out: the weights as they are said, added up afresh. */
function exhaustive({ visits, turnoverMs, mostMs, gridMs, dentists = [] }: DayProblem): number {
  let best = Infinity
  const run = forwardOf(visits, { turnoverMs, dentists })
  const { idleS } = run(visits.map((v) => v.startsAt))
  const walk = (at: Placed[], spent: number): void => {
    const v = visits[at.length]
    if (!v) {
      best = Math.min(
        best,
        spent + weights.twice * twiceInDay(at, turnoverMs) + runPoints(run(at.map((x) => x.startsAt)), weights, idleS),
      )
      return
    }
    for (let by = v.fixed ? 0 : -mostMs; by <= (v.fixed ? 0 : mostMs); by += gridMs)
      walk(
        [...at, { ...v, startsAt: v.startsAt + by }],
        spent + (by === 0 ? 0 : weights.call + (weights.shift * Math.abs(by)) / minute),
      )
  }
  walk([], 0)
  return best
}

describe('a day proposed anew', () => {
  it('is on the average within 2 % of trying every way on small days, never 8 % worse, never under what load and path allow, and the same each time', () => {
    const days = nightly ? 12 : 4
    const gaps: number[] = []
    for (let seed = 1; seed <= days; seed++) {
      const problem = small(seed)
      const found = proposeDay(problem)
      const best = exhaustive(problem)
      // Where nobody is needed twice and nobody waits nothing moves, whatever could be gained by calling people.
      if (found.moves.length > 0 || found.twiceBeforeMin > 0)
        gaps.push(best === 0 ? found.points : found.points / best - 1)
      expect(Math.max(...found.after.visits.map((v) => v.endsAt))).toBeGreaterThanOrEqual(boundOfDay(problem))
      expect(found.twiceAfterMin).toBeLessThanOrEqual(found.twiceBeforeMin)
      if (nightly || seed === 1) expect(proposeDay(problem)).toEqual(found)
    }
    expect(gaps.length).toBeGreaterThanOrEqual(days / 2)
    expect(Math.max(...gaps)).toBeLessThanOrEqual(0.08)
    expect(gaps.reduce((sum, g) => sum + g, 0) / gaps.length).toBeLessThanOrEqual(0.02)
  }, 120_000)

  it('mends two clashes by the least that has to move, and leaves the begun where it is', () => {
    const begun = visit('begun', 'c1', 0, 60, [[0, 30]], true)
    const clashing = visit('clashing', 'c2', 10, 60, [[0, 30]])
    const double = visit('double', 'c1', 60, 30, [[20, 30]])
    const found = proposeDay(day([begun, clashing, double]))
    expect(found.twiceBeforeMin).toBeGreaterThan(0)
    expect(found.twiceAfterMin).toBe(0)
    // The dentist is free at 30, and the room of chair 1 is turned over at 70.
    expect(found.moves).toEqual([
      { visitId: 'clashing', byMs: 20 * minute },
      { visitId: 'double', byMs: 10 * minute },
    ])
  })

  it('moves nothing without a collision, keeps to the shift allowed, and says what is left where it does not suffice', () => {
    const calm = [visit('a', 'c1', 0, 30, [[0, 10]]), visit('b', 'c2', 10, 30, [[0, 10]])]
    expect(proposeDay(day(calm))).toMatchObject({ moves: [], twiceBeforeMin: 0, twiceAfterMin: 0, points: 0 })
    const packed = [visit('a', 'c1', 0, 60, [[0, 60]], true), visit('b', 'c2', 0, 60, [[0, 60]])]
    const found = proposeDay(day(packed, 20))
    expect(found.moves).toHaveLength(1)
    expect(Math.abs(found.moves[0]!.byMs)).toBe(20 * minute)
    expect(found.twiceAfterMin).toBe(40)
  })

  it('sees a chair with two visits in it, the turnover included', () => {
    const visits = [visit('a', 'c1', 0, 50, []), visit('b', 'c1', 55, 30, []), visit('c', 'c2', 20, 30, [])]
    expect(chairsTwice(visits, 10 * minute)).toEqual([{ startAt: 55 * minute, endAt: 60 * minute, visits: ['a', 'b'] }])
    expect(chairsTwice(visits, 5 * minute)).toEqual([])
  })
})
