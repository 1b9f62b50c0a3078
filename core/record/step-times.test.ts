/** The true lengths of a run's steps, held against its own events and worked by hand. */
import { describe, expect, it } from 'vitest'
import { plan } from '../../demo/test/crown-run'
import { assistant, dentist } from '../../demo/test/people'
import { learnKey } from '../practice/learned'
import { runThrough, startDrive } from '../run/drive'
import type { StepState } from '../run/state'
import { stepTimesOf } from './step-times'

const nine = Date.UTC(2026, 10, 24, 9)
const { state, events } = runThrough(startDrive(plan, nine), assistant, dentist)

/** When the events say that a step began or ended, ms. */
const at = (kind: 'step.started' | 'step.finished', stepId: string): number =>
  events.findLast(({ what }) => what.kind === kind && what.stepId === stepId)?.at ?? NaN

describe('the lengths of a closed run’s steps', () => {
  it('are from start to end as the events say, of whoever did them, beside what the step was planned with', () => {
    const times = stepTimesOf(plan, state)
    expect(times.length).toBeGreaterThan(20)
    for (const t of times) {
      expect(t.seconds).toBe((at('step.finished', t.stepId) - at('step.started', t.stepId)) / 1000)
      const step = plan.steps.find((s) => s.id === t.stepId)!
      expect(t.key).toBe(learnKey('crown.prepare', step.id, step.performer.personId))
      // Nothing is learned here yet: between the short and the long value, nearer the likely one than either.
      expect(t.plannedS).toBeGreaterThan(step.spread.shortS)
      expect(t.plannedS).toBeLessThan(step.spread.longS)
    }
  })
  it('stand beside the starting value where another was learned', () => {
    const learned = { startS: 111, meanS: 222, n: 7 }
    const steps = plan.steps.map((s) => (s.id === 'arrival.seat' ? { ...s, learned } : s))
    const seat = stepTimesOf({ ...plan, steps }, state).find((t) => t.stepId === 'arrival.seat')
    expect(seat?.plannedS).toBe(111)
  })
  it('are of steps that were done, from 5 s to four hours: a touch afterwards teaches nothing, nor does what was forgotten', () => {
    const of = (step: StepState) => {
      const core = { ...state.core, steps: { ...state.core.steps, 'arrival.seat': step } }
      return stepTimesOf(plan, { ...state, core }).find((t) => t.stepId === 'arrival.seat')?.seconds
    }
    const done = (seconds: number): StepState => ({
      status: 'done',
      startedAt: nine,
      finishedAt: nine + seconds * 1000,
      performer: 'assistant',
      rounds: 0,
    })
    expect([4.9, 5, 14_400, 14_401].map((s) => of(done(s)))).toEqual([undefined, 5, 14_400, undefined])
    expect(of({ status: 'running', startedAt: nine, performer: 'assistant', rounds: 0 })).toBeUndefined()
    expect(of({ status: 'skipped', skippedAt: nine, reason: 'seated already', rounds: 0 })).toBeUndefined()
  })
})
