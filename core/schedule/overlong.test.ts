import { describe, expect, it } from 'vitest'
import { planOf } from '../../demo/test/plans'
import { overlong } from './overlong'
import { setsInSeries } from './series'
import { layOut } from './timeline'
import { compile } from '../plan/compile'
import { visitRequest } from '../model/request'
import { starterPractice } from '../practice/starter'

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

describe('sets in series', () => {
  const said = (request: object) => {
    const plan = compile(
      visitRequest.parse({
        date: '2026-11-24',
        team: { dentist: 'dentist', assistants: ['assistant'] },
        weightKg: 16,
        ...request,
      }),
      starterPractice(),
    )
    return setsInSeries(plan, layOut(plan))
  }
  it('two crowns of a child waited for one after the other: named, with the minutes that waiting once gains', () => {
    expect(said({ kind: 'primary.metal-crown', teeth: ['74', '75'] })).toEqual([
      {
        linkIds: [expect.stringContaining('74'), expect.stringContaining('75')],
        gainedS: 240,
        says: 'Cement sets 2 times, 4 min each, one after the other: all seated first and waited once, 4 min are gained',
      },
    ])
  })
  it('one crown, and incisors asleep that set together, are not told', () => {
    expect(said({ kind: 'primary.metal-crown', teeth: ['74'] })).toEqual([])
    expect(said({ kind: 'primary.incisors', teeth: ['51', '61'] })).toEqual([])
  })
})
