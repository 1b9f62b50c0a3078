import { nightly } from '../../scripts/often'
import { describe, expect, it } from 'vitest'
import { files, planOf } from '../../demo/test/plans'
import { delegationOf, personTimes } from './delegate'
import { layOut } from './timeline'

describe('what delegating is worth', () => {
  it('is the dentist’s likely minutes of every step an assistant does in the mouth, counted from the steps alone, less those the dentist helps at', () => {
    // By day every fifth case.
    for (const file of files.filter((_, i) => nightly || i % 5 === 0)) {
      const plan = planOf(file)
      const { chairS } = layOut(plan)
      const dentist = plan.people.find((p) => p.dentist)!.id
      const own = plan.steps.filter(
        (s) => s.place === 'mouth' && s.performer.personId !== dentist && s.allowed[dentist] === 'yes',
      )
      const found = delegationOf(plan)
      if (own.length === 0) {
        expect(found).toBeNull()
        continue
      }
      expect(found!.steps).toBe(own.length)
      expect(found!.dentistS, file).toBeCloseTo(
        own.filter((s) => !s.helpers.includes(dentist)).reduce((sum, s) => sum + s.spread.likelyS, 0),
        6,
      )
      // A step taken back is never said to save what it does not save.
      for (const t of found!.takeBack) {
        const step = plan.steps.find((s) => s.id === t.stepId)!
        const other = {
          ...plan,
          steps: plan.steps.map((s) => (s === step ? { ...s, performer: { ...s.performer, personId: dentist } } : s)),
        }
        expect(chairS - layOut(other).chairS).toBe(t.chairS)
        expect(t.chairS).toBeGreaterThanOrEqual(60)
      }
    }
  })
  it('who works and waits adds up to the time between first and last work, but for breaths under a minute', () => {
    const plan = planOf('crown-37')
    const { bars } = layOut(plan)
    for (const t of personTimes(plan)) {
      const own = bars.filter((b) => b.people.includes(t.personId) && b.endS > b.startS)
      const span = Math.max(...own.map((b) => b.endS)) - Math.min(...own.map((b) => b.startS))
      expect(t.busyS + t.waitS).toBeLessThanOrEqual(span + 1e-6)
      expect(span - t.busyS - t.waitS).toBeLessThan(own.length * 60)
      expect(t.longestWaitS).toBeLessThanOrEqual(t.waitS)
    }
  })
})
