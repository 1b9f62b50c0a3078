import { describe, expect, it } from 'vitest'
import { assistant, dentist } from '../../demo/test/people'
import { planOf } from '../../demo/test/plans'
import { runThrough, startDrive } from '../run/drive'
import { againstPlan } from './against'

describe('a closed visit against its plan', () => {
  const plan = planOf('J05-crown-first-visit')
  const { state } = runThrough(startDrive(plan, Date.UTC(2026, 10, 24, 9)), assistant, dentist)
  const closedAt = state.core.closedAt!
  it('has every step that was done, at its own time, and nothing that was not', () => {
    const { real, leftOut } = againstPlan(plan, state, closedAt)
    expect(real.bars.map((b) => b.stepId).toSorted()).toEqual(plan.steps.map((s) => s.id).toSorted())
    expect(leftOut).toEqual([])
    const seat = state.core.steps['arrival.seat']!
    if (seat.status !== 'done') throw new Error('not done')
    expect(real.bars.find((b) => b.stepId === 'arrival.seat')!.endS).toBe(
      (seat.finishedAt - state.core.startedAt!) / 1000,
    )
  })
  it('names the steps that took longer, the longest first, and one that was left out, and draws both on the longer scale', () => {
    const [slow, slower, gone] = ['arrival.seat', 'closing.counts', 'closing.rinse']
    const seat = state.core.steps[slow]!
    const count = state.core.steps[slower]!
    if (seat.status !== 'done' || count.status !== 'done') throw new Error('not done')
    const plannedS = againstPlan(plan, state, closedAt).planned.bars.find((b) => b.stepId === slow)!
    const took = plannedS.endS - plannedS.startS + 180
    const core = {
      ...state.core,
      steps: {
        ...state.core.steps,
        [slow]: { ...seat, finishedAt: state.core.startedAt! + took * 1000 },
        [slower]: { ...count, finishedAt: count.startedAt + 3600_000 },
        [gone]: { status: 'skipped' as const, reason: 'not wanted', skippedAt: closedAt, rounds: 1 },
      },
    }
    const found = againstPlan(plan, { ...state, core }, closedAt)
    expect(found.steps.find((s) => s.stepId === slow)).toMatchObject({ realS: took, plannedS: took - 180 })
    expect(found.leftOut).toEqual([plan.steps.find((s) => s.id === gone)!.title])
    // The greatest difference first.
    expect(found.steps.map((s) => s.stepId)).toEqual([slower, slow])
    expect(found.scaleS).toBe(Math.max(found.planned.totalS, found.real.totalS))
  })
})
