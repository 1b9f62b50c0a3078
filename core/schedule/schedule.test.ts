import { describe, expect, it } from 'vitest'
import { demoPractice, demoVisits } from '../../demo/practice'
import { compile } from '../plan/compile'
import { visitRequest } from '../model/request'
import { daySpan, neededTwice, stretchesOf, type PlacedVisit } from './day'
import { runForward, type ForwardOptions } from './forward'
import type { Link } from '../model/link'
import type { Step } from '../model/step'
import { link, step } from './test/plans'
import { layOut, type Timeline } from './timeline'

const lay = (steps: Step[], links: Link[]): Timeline => layOut({ steps, links, people: [] })
const at = (t: Timeline, id: string): [number, number] => {
  const bar = t.bars.find((b) => b.stepId === id)!
  return [bar.startS, bar.endS]
}

describe('the score of one visit, worked by hand', () => {
  it('bench work of one person runs beside the mouth work of another', () => {
    const t = lay([step('a', 'D', 60, 'mouth'), step('b', 'A', 50)], [])
    expect([at(t, 'a'), at(t, 'b'), t.totalS]).toEqual([[0, 60], [0, 50], 60])
  })
  it('the mouth holds one thing at a time, and a helper is busy too', () => {
    const t = lay([step('a', 'D', 60, 'mouth', ['A']), step('b', 'B', 30, 'mouth'), step('c', 'A', 10)], [])
    expect([at(t, 'a'), at(t, 'b'), at(t, 'c')]).toEqual([
      [0, 60],
      [60, 90],
      [60, 70],
    ])
    expect(t.busyS).toEqual({ D: 60, A: 70, B: 30 })
  })
  it('a wait of a minute or more between two pieces of work is a rest; a breath is not, nor the time before the first', () => {
    const t = lay(
      [step('a', 'A', 10), step('b', 'A', 20), step('c', 'A', 20), step('d', 'D', 5)],
      [link('a', 'b', { atLeastS: 30, title: 'x' }), link('b', 'c', { atLeastS: 90, title: 'y' }), link('c', 'd')],
    )
    expect(t.rests).toEqual([{ personId: 'A', startS: 60, endS: 150 }])
  })
  it('a lag holds the later step back from its own edge, finish to finish included', () => {
    const t = lay(
      [step('a', 'A', 10), step('b', 'B', 20), step('c', 'C', 50)],
      [
        link('a', 'b', { atLeastS: 100, title: 'x' }),
        link('a', 'c', { fromEdge: 'start', toEdge: 'finish', atLeastS: 90, title: 'y' }),
      ],
    )
    expect([at(t, 'b'), at(t, 'c')]).toEqual([
      [110, 130],
      [40, 90],
    ])
  })
  it('what starts a window is held back where the window would be overrun', () => {
    // Mixed at once it would wait 300 s for the mouth; the window is 45 s, so mixing waits instead.
    const t = lay(
      [step('mix', 'A', 20), step('busy', 'D', 300, 'mouth'), step('seat', 'A', 10, 'mouth')],
      [link('mix', 'seat', { fromEdge: 'start', toEdge: 'finish', atMostS: 45, title: 'to be seated' })],
    )
    const [mixed] = at(t, 'mix')
    const [, seated] = at(t, 'seat')
    expect(seated - mixed).toBeLessThanOrEqual(45)
    expect(at(t, 'seat')[0]).toBe(300)
    expect(t.brackets).toEqual([expect.objectContaining({ kind: 'window', missed: false })])
  })
  it('a window that cannot hold is marked missed, never hidden', () => {
    const t = lay(
      [step('a', 'A', 10), step('b', 'A', 100, 'mouth')],
      [link('a', 'b', { toEdge: 'finish', atMostS: 60, title: 'too short' })],
    )
    expect(t.brackets[0]).toMatchObject({ missed: true })
  })
  it('the chair is free when the patient leaves, not when the room is turned over', () => {
    const t = lay(
      [step('a', 'A', 60, 'mouth'), step('chart', 'A', 300, 'desk'), step('room', 'B', 600, 'room')],
      [link('a', 'chart'), link('a', 'room')],
    )
    expect([t.chairS, t.totalS]).toEqual([60, 660])
  })
  it('no demo visit overruns a window on its likely times', () => {
    const practice = demoPractice('2026-11-24', 'Etc/UTC')
    for (const v of demoVisits) {
      const plan = compile(
        visitRequest.parse({ kind: 'crown.prepare', date: '2026-11-24', alerts: v.alerts, team: v.team, ...v.request }),
        practice,
      )
      expect(
        layOut(plan)
          .brackets.filter((b) => b.missed)
          .map((b) => `${v.key}: ${b.title}`),
      ).toEqual([])
    }
  })
})

describe('the day', () => {
  const minute = 60_000
  const visit = (id: string, startsAt: number, bars: [string, number, number][]): PlacedVisit => ({
    id,
    chairId: id,
    startsAt: startsAt * minute,
    score: {
      bars: bars.map(([who, startS, endS], i) => ({
        stepId: `${id}${i}`,
        phase: 'cutting',
        title: '',
        people: [who],
        place: 'mouth',
        startS,
        endS,
        hold: false,
        slackS: 0,
      })),
      rests: [],
      brackets: [],
      conflict: [],
      totalS: Math.max(...bars.map((b) => b[2])),
      chairS: 0,
      busyS: {},
    },
  })
  const one = visit('one', 0, [
    ['D', 0, 300],
    ['D', 330, 600],
    ['D', 1200, 1500],
  ])
  const two = visit('two', 8, [
    ['D', 0, 400],
    ['A', 400, 900],
  ])

  const gone = (visits: (PlacedVisit & { begun?: boolean })[], more: ForwardOptions = {}) =>
    runForward(visits, { people: ['D'], dentists: ['D'], ...more })
  it('left to itself, the later chair waits for the dentist and is late from there on', () => {
    // One: D at 0–10 and 20–25; two: D at 8–14:40. Two waits 2 min, is done at 16:40 and collides with nothing more.
    expect(gone([one, two])).toMatchObject({ waitS: 120, idleS: 1500 - 600 - 300 - 400, overtimeS: 0, lunchShortS: 0 })
    // Its second piece, wished at 18, comes at 20 by its own delay; one asks at 20 too and stands first: five minutes more.
    const three = visit('three', 8, [
      ['D', 0, 400],
      ['D', 600, 660],
    ])
    expect(gone([one, three])).toMatchObject({ waitS: 120 + 300, idleS: 1560 - 600 - 300 - 400 - 60 })
    expect(gone([one]).waitS).toBe(0)
  })
  it('a patient waits for the chair, too; what has begun stands, what has not begins no sooner than now', () => {
    const inOneChair = [visit('a', 0, [['D', 0, 1800]]), { ...visit('b', 20, [['E', 0, 600]]), chairId: 'a' }]
    const minutes = (run: ReturnType<typeof gone>): number[][] =>
      run.visits.map((v) => [v.startsAt / minute, v.endsAt / minute, v.waitMs / minute])
    expect(minutes(gone(inOneChair))).toEqual([
      [0, 30, 0],
      [30, 40, 10],
    ])
    expect(minutes(gone(inOneChair, { turnoverMs: 5 * minute }))).toEqual([
      [0, 30, 0],
      [35, 45, 15],
    ])
    expect(minutes(gone(inOneChair, { now: 26 * minute }))).toEqual([
      [26, 56, 26],
      [56, 66, 36],
    ])
    // Both have the dentist, so it is on record; only what is still to come can wait.
    const begun = [
      { ...visit('a', 0, [['D', 0, 1200]]), begun: true },
      {
        ...visit('b', 10, [
          ['D', 0, 300],
          ['D', 660, 900],
        ]),
        begun: true,
      },
    ]
    expect(minutes(gone(begun, { now: 20 * minute }))).toEqual([
      [0, 20, 0],
      [10, 25, 0],
    ])
  })
  it('counts what goes on after closing, and the rest at midday that falls short', () => {
    const late = visit('late', 30, [['D', 0, 1800]])
    expect(gone([late], { hours: { closesAt: 50 * minute } }).overtimeS).toBe(600)
    // At work 30–60 of a midday from 20 to 75: ten minutes before, fifteen after; thirty are wanted.
    expect(
      gone([late], {
        hours: { closesAt: 999 * minute, lunch: { fromAt: 20 * minute, toAt: 75 * minute, restMs: 30 * minute } },
      }).lunchShortS,
    ).toBe(15 * 60)
  })
  it('joins a person’s work where it all but touches, and keeps real gaps', () => {
    expect(stretchesOf('D', [one]).map((s) => [s.startAt / minute, s.endAt / minute])).toEqual([
      [0, 10],
      [20, 25],
    ])
  })
  it('says where somebody is needed in two chairs at once, and for how long', () => {
    expect(neededTwice('D', [one, two])).toEqual([{ startAt: 8 * minute, endAt: 10 * minute, visits: ['one', 'two'] }])
    expect(neededTwice('D', [one, two], 121)).toEqual([])
    expect(neededTwice('A', [one, two])).toEqual([])
  })
  it('is symmetric in the order of the visits', () => {
    expect(neededTwice('D', [two, one]).map((c) => [c.startAt, c.endAt])).toEqual(
      neededTwice('D', [one, two]).map((c) => [c.startAt, c.endAt]),
    )
  })
  it('spans whole hours round its visits, and a working day where there are none', () => {
    const hour = 60 * minute
    expect(daySpan([visit('x', 75, [['D', 0, 3600]])], 0)).toEqual({ startAt: hour, endAt: 3 * hour })
    expect(daySpan([], 8 * hour)).toEqual({ startAt: 8 * hour, endAt: 17 * hour })
  })
})
