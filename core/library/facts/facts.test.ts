import { expect, it } from 'vitest'
import { usedBy } from '../../../scripts/facts'
import { allFacts } from '.'

it('every fact is named by a step, a cut or a kind', () => {
  const used = usedBy()
  // Schools and alerts are questions of their own: the generators ask them, too.
  const own = [...allFacts().keys()].filter((name) => !/^(school|alert)\./.test(name))
  expect(own.filter((name) => !used.has(name))).toEqual([])
})
