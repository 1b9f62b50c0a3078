import { describe, expect, it } from 'vitest'
import { dayRules } from '../practice/day-rules'
import { runForward } from './forward'
import type { Bar } from './timeline'
import {
  consequenceOf,
  hoursOf,
  lateOf,
  placed,
  problemOfDay,
  runsLate,
  type DayFacts,
  type DayVisitFacts,
} from './today'

const minute = 60_000
const day = '2026-11-25'
const at = (time: string): number => Date.parse(`${day}T${time}:00Z`)
const bar = (who: string, from: number, to: number): Bar => ({
  stepId: `${who}${from}`,
  phase: 'cutting',
  title: '',
  people: [who],
  place: 'mouth',
  startS: from * 60,
  endS: to * 60,
  hold: false,
  slackS: 0,
})
/** A visit of so many minutes with the dentist in it from the first to the last minute given. */
const visit = (
  id: string,
  chairId: string,
  time: string,
  length: number,
  dentist: [number, number],
  over: Partial<DayVisitFacts> = {},
): DayVisitFacts => ({
  id,
  chairId,
  startsAt: at(time),
  plannedS: length * 60,
  mayMoveMin: null,
  stage: 'planned',
  score: {
    bars: [bar('D', ...dentist), bar(`A ${chairId}`, 0, length)],
    rests: [],
    brackets: [],
    conflict: [],
    totalS: length * 60,
    chairS: length * 60,
    busyS: {},
  },
  ...over,
})
const facts = (visits: DayVisitFacts[], now?: string): DayFacts => ({
  day,
  zone: 'Etc/UTC',
  rules: dayRules.parse({}),
  dentists: ['D'],
  visits,
  ...(now ? { now: at(now) } : {}),
})

describe('the day as it stands', () => {
  it('fixes what has begun where it began, lets go of what is over, and holds a patient who cannot come at another time', () => {
    const f = facts(
      [
        visit('over', 'c1', '08:00', 30, [0, 10], { stage: 'closed', beganAt: at('08:00') }),
        visit('begun', 'c1', '09:00', 60, [0, 20], { stage: 'running', beganAt: at('09:12') }),
        visit('held', 'c2', '11:00', 30, [0, 10], { mayMoveMin: 0 }),
        visit('free', 'c2', '12:00', 30, [0, 10]),
      ],
      '09:30',
    )
    expect(placed(f).map((v) => [v.id, v.startsAt, v.fixed, v.mostMs])).toEqual([
      ['begun', at('09:12'), true, undefined],
      ['held', at('11:00'), false, 0],
      ['free', at('12:00'), false, undefined],
    ])
    expect(problemOfDay(f)).toMatchObject({
      now: at('09:30'),
      mostMs: 30 * minute,
      dentists: ['D'],
      hours: { closesAt: at('17:30'), lunch: { fromAt: at('11:30'), toAt: at('14:30'), restMs: 30 * minute } },
    })
    expect(hoursOf({ ...f, zone: 'Europe/Vienna' }).closesAt).toBe(at('16:30'))
  })

  it('says who is late by how much, added up by hand, and leaves alone who is only a little', () => {
    // Began 12 late and lasts 75 of planned 60: out 27 after the plan; the next in that chair is seated 12 later than agreed.
    const running = visit('a', 'c1', '09:00', 75, [0, 20], { stage: 'running', beganAt: at('09:12'), plannedS: 3600 })
    const f = facts(
      [running, visit('next', 'c1', '10:15', 30, [0, 10]), visit('later', 'c1', '11:00', 30, [0, 10])],
      '09:30',
    )
    const problem = problemOfDay(f)
    const late = lateOf(f, runForward(problem.visits, { now: at('09:30'), dentists: ['D'] }))
    expect(late).toEqual([
      { visitId: 'a', startsAt: at('09:12'), endsAt: at('10:27'), startLateMs: 12 * minute, endLateMs: 27 * minute },
      { visitId: 'next', startsAt: at('10:27'), endsAt: at('10:57'), startLateMs: 12 * minute, endLateMs: 12 * minute },
    ])
    expect(runsLate(f, late)).toBe(true)
    // Planned so tight that somebody would wait is another matter: nobody is late yet.
    const tight = facts([visit('x', 'c1', '10:00', 60, [0, 60]), visit('y', 'c2', '10:10', 60, [0, 60])], '09:30')
    const would = lateOf(tight, runForward(problemOfDay(tight).visits, { now: at('09:30'), dentists: ['D'] }))
    expect(would.length).toBeGreaterThan(0)
    expect(runsLate(tight, would)).toBe(false)
  })

  it('says what a visit elsewhere comes to: needed twice, waiting, after closing', () => {
    const f = facts([visit('a', 'c1', '09:00', 60, [0, 30]), visit('b', 'c2', '09:30', 60, [0, 30])])
    expect(consequenceOf(f)).toEqual({ twiceMin: 0, waitMin: 0, overtimeMin: 0, lastEndAt: at('10:30') })
    expect(consequenceOf(f, { visitId: 'b', startsAt: at('09:15'), chairId: 'c2' })).toEqual({
      twiceMin: 15,
      waitMin: 15,
      overtimeMin: 0,
      lastEndAt: at('10:30'),
    })
    expect(consequenceOf(f, { visitId: 'b', startsAt: at('17:00'), chairId: 'c2' })).toMatchObject({
      overtimeMin: 30,
      lastEndAt: at('18:00'),
    })
  })
})
