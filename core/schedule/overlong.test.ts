import { describe, expect, it } from 'vitest'
import { planOf } from '../../demo/test/plans'
import { overlong } from './overlong'
import { layOut } from './timeline'

describe('what lies too long in a plan', () => {
  const plan = planOf('crown-37')
  const score = layOut(plan)
  const cord = plan.links.find((l) => l.kind === 'lag' && l.title === 'Cord dwells')!

  it('is nothing where the schedule keeps under the limit', () => {
    expect(overlong(plan, score)).toEqual([])
  })
  it('is said with its minutes where it does not', () => {
    const later = score.bars.map((b) =>
      b.stepId === cord.to ? { ...b, startS: b.startS + 1200, endS: b.endS + 1200 } : b,
    )
    expect(overlong(plan, { bars: later })).toEqual([
      { linkId: cord.id, says: expect.stringMatching(/^Cord dwells: \d+ min in this plan, over 15 min$/) },
    ])
  })
})
