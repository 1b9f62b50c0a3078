import { describe, expect, it } from 'vitest'
import { random, triangular } from '../random'
import { learnedFrom, leastTaken, mostTaken, scaled, trimmedMean, trimmedMeanOf } from './learned'

const skewed = { shortS: 60, likelyS: 120, longS: 480 }
const meanOf = (s: typeof skewed): number => (s.shortS + s.likelyS + s.longS) / 3

describe('learned durations', () => {
  it('trim a fifth at each end [P: Wilcox], and begin with five runs', () => {
    expect(trimmedMean([1, 2, 3, 4, 100])).toBe(3)
    const runs = (n: number) => Array.from({ length: n }, () => ({ key: 'k', seconds: 90 }))
    expect(learnedFrom(runs(leastTaken - 1))).toEqual({})
    expect(learnedFrom(runs(leastTaken))).toEqual({ k: { meanS: 90, n: leastTaken } })
    expect(learnedFrom(runs(50))['k']?.n).toBe(mostTaken)
  })

  it('give back the spread they were drawn from: twenty runs of a skewed step make its forecast neither longer nor shorter', () => {
    const next = random(7)
    const ratios = Array.from({ length: 400 }, () => {
      const runs = Array.from({ length: mostTaken }, () => ({
        key: 'k',
        seconds: triangular(skewed.shortS, skewed.likelyS, skewed.longS, next()),
      }))
      return meanOf(scaled(skewed, learnedFrom(runs)['k']?.meanS ?? 0)) / meanOf(skewed)
    })
    // The old way took the mean for the mode, which made the spread's mean 1.7 times too long here.
    expect(ratios.reduce((sum, r) => sum + r, 0) / ratios.length).toBeCloseTo(1, 1.7)
  })

  it('keep a step that always takes the same as it is', () => {
    const same = { shortS: 90, likelyS: 90, longS: 90 }
    expect(trimmedMeanOf(same)).toBe(90)
    expect(scaled(same, 45)).toEqual({ shortS: 45, likelyS: 45, longS: 45 })
  })
})
