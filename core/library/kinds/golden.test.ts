/**
 * The visits of demo/cases, read line by line against the trade. Each J-number's test says in words what its reading in
 * demo/cases/readings has to say, with the standing of each figure (common practice where nothing else is named); the
 * reading itself is then held to the letter, so that no line of a plan changes unseen.
 * After a meant change: `npm run readings`, and read what changed.
 */
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readPlan } from '../../plan/text'
import { coverage } from '../../../scripts/coverage'
import { tradePage } from '../../../scripts/trade'
import { factsPage } from '../../../scripts/facts'
import { kindIds, kindTable } from '../../kinds'
import { files, planOf } from '../../../demo/test/plans'

describe('every J-number and every kind has a case', () => {
  it('J01 to J21, and each kind of the table', () => {
    const kinds = new Set(files.map((f) => planOf(f).kind))
    expect(kindIds.filter((k) => !kinds.has(k))).toEqual([])
    const numbers = new Set(Object.values(kindTable).map((k) => k.j))
    for (let n = 1; n <= 21; n++) expect(numbers.has(`J${String(n).padStart(2, '0')}`), `J${n}`).toBe(true)
  })
  it('docs/coverage.md says what they cover, as it is', () => {
    expect(coverage()).toBe(readFileSync('docs/coverage.md', 'utf8'))
  })
  it('docs/trade.md says what the plans promise, as the tests have it', () => {
    expect(tradePage()).toBe(readFileSync('docs/trade.md', 'utf8'))
  })
  it('docs/facts.md says what can be asked and what hangs on it, as it is', () => {
    expect(factsPage(files.map(planOf))).toBe(readFileSync('docs/facts.md', 'utf8'))
  })
  it.each(files)('%s reads as it was reviewed', (name) => {
    expect(readPlan(planOf(name))).toBe(readFileSync(`demo/cases/readings/${name}.txt`, 'utf8'))
  })
})
