import { describe, expect, it } from 'vitest'
import { files, planOf } from '../../demo/test/plans'
import { cordLines, cordsLie } from './cords'
import { overlong } from './overlong'
import { setsInSeries } from './series'
import { layOut } from './timeline'
import { compile } from '../plan/compile'
import { visitRequest } from '../model/request'
import { starterPractice } from '../practice/starter'

describe('what lies too long in a plan', () => {
  const plan = planOf('crown-37')
  const score = layOut(plan)

  it('is nothing where the schedule keeps under the limit', () => {
    expect(overlong(plan, score)).toEqual([])
  })
  it('is never a clock inside one step, in any reviewed case: the acid is off when its seconds are over', () => {
    const said = files.flatMap((f) => overlong(planOf(f), layOut(planOf(f))))
    expect(said.filter((s) => /^Etch|: 0 min/.test(s))).toEqual([])
  })
  it('is said with its minutes where it does not', () => {
    const later = score.bars.map((b) =>
      b.stepId === 'tissue.draw-cord.37' ? { ...b, startS: b.startS + 1200, endS: b.endS + 1200 } : b,
    )
    expect(overlong(plan, { bars: later })).toEqual([
      expect.stringMatching(/^Top cord lies longer than 15 min: 37 \d+ min$/),
    ])
  })
})

describe('cords in the crevice', () => {
  const lines = (file: string) => {
    const plan = planOf(file)
    return cordLines(cordsLie(plan, layOut(plan))).map((l) => l.says)
  }
  it('each is told by its size, what is on it, what it is for and its minutes; alike ones together', () => {
    expect(lines('J05-three-unit-bridge')).toEqual([
      expect.stringMatching(
        /^2 pieces of cord 0, base, wet with water, to keep fluid under the margin: [\d–]+ min, 45 at most$/,
      ),
      expect.stringMatching(
        /^2 pieces of cord \d, top, aluminium chloride, to show the margin: [\d–]+ min, 15 at most$/,
      ),
    ])
    // One that guards the gum while it is cut is wet with nothing astringent, and may lie longer.
    expect(lines('J06-veneers-cord-first')[0]).toMatch(
      /^2 pieces of cord 00, base, wet with water, to guard the gum while it is cut: [\d–]+ min, 45 at most$/,
    )
  })
  it('a base cord has a clock of its own until it is out, whatever is taken again meanwhile', () => {
    const plan = planOf('J05-three-unit-bridge')
    const clock = plan.links.filter((l) => l.kind === 'lag' && l.title === 'Base cord lies')
    expect(clock).toEqual([
      expect.objectContaining({ from: 'tissue.base-cord.24', to: 'tissue.base-out.24', warnS: 2700 }),
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
