import { describe, expect, it } from 'vitest'
import { files, planOf } from '../../demo/test/plans'
import { link, step } from './test/plans'
import { forecast } from './simulate'
import { layOut, type Scored } from './timeline'

const run = (plan: Scored, seed = 1) => forecast(plan, 20_000, seed)

describe('the forecast', () => {
  // P: the triangular distribution (Kotz and van Dorp, Beyond Beta, 2004): F(x) = 1 − (b − x)² / ((b − a)(b − c)) above the mode c.
  it('of one step is the triangular distribution itself', () => {
    const f = run({ steps: [step('cut', 'D', [720, 1200, 2400])], links: [], people: [] })
    const quantile = (p: number): number => 2400 - Math.sqrt((1 - p) * (2400 - 720) * (2400 - 1200))
    expect(f.likelyS / quantile(0.5)).toBeCloseTo(1, 2)
    expect(f.eightInTenS / quantile(0.8)).toBeCloseTo(1, 2)
  })
  it('of many steps in a row is the sum of their means, give and take what the central limit says', () => {
    const steps = Array.from({ length: 40 }, (_, i) => step(`s${i}`, 'A', [30, 60, 150]))
    const f = run({ steps, links: steps.slice(1).map((s, i) => link(`s${i}`, s.id)), people: [] })
    const mean = (40 * (30 + 60 + 150)) / 3
    const deviation = Math.sqrt((40 * (30 ** 2 + 60 ** 2 + 150 ** 2 - 30 * 60 - 30 * 150 - 60 * 150)) / 18)
    expect(f.likelyS / mean).toBeCloseTo(1, 2)
    // 0.8416 is the 80th percentile of the normal distribution.
    expect(Math.abs(f.eightInTenS - (mean + 0.8416 * deviation))).toBeLessThan(deviation * 0.1)
  })
  it('says how often a window closes too early: with one step inside, exactly how often that step takes longer', () => {
    const f = run({
      steps: [step('mix', 'A', [20, 30, 80])],
      links: [link('mix', 'mix', { fromEdge: 'start', toEdge: 'finish', atMostS: 50, title: 'working time' })],
      people: [],
    })
    expect(f.missed[0]!.share).toBeCloseTo((80 - 50) ** 2 / ((80 - 20) * (80 - 30)), 2)
  })
  it('opens no window before the word is given: loading begins so long before the mouth is free as loading takes', () => {
    const steps = [
      step('load', 'A', [15, 20, 120]),
      step('cord', 'D', [120, 300, 700], 'mouth'),
      step('seat', 'D', [8, 10, 15], 'mouth'),
    ]
    const window = link('load', 'seat', { fromEdge: 'start', toEdge: 'start', atMostS: 90, title: 'loaded to seated' })
    const f = run({ steps, links: [link('load', 'seat'), link('cord', 'seat'), { ...window, id: 'w' }], people: [] })
    // Begun 20 s before the cord is done, however long that takes: the window closes only where loading itself overruns 90 s.
    expect(f.missed.find((m) => m.linkId === 'w')!.share).toBeCloseTo((120 - 90) ** 2 / ((120 - 15) * (120 - 20)), 2)
  })
  it('is the same for the same seed, and no likely length undercuts the shortest possible', () => {
    for (const f of files) {
      const plan = planOf(f)
      const one = forecast(plan, 400, 3)
      expect(forecast(plan, 400, 3)).toEqual(one)
      expect(one.eightInTenS).toBeGreaterThanOrEqual(one.likelyS)
      const shortest = {
        ...plan,
        steps: plan.steps.map((s) => ({
          ...s,
          spread: { shortS: s.spread.shortS, likelyS: s.spread.shortS, longS: s.spread.shortS },
        })),
      }
      expect(one.likelyS, f).toBeGreaterThan(layOut(shortest).chairS - 1)
      expect(layOut(plan).conflict, f).toEqual([])
    }
  })
})
