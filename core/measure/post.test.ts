/** By hand. */
import { expect, it } from 'vitest'
import { postFor } from './post'

it('the widest owned that leaves two thirds of the root: 5 × 0.7 / 3 = 1.17, so 1.1 after 0.9', () => {
  expect(postFor(5, [1.4, 0.9, 1.1])).toMatchObject({ drillsMm: [0.9, 1.1], postMm: 1.1 })
  expect(postFor(7, [1.4, 0.9, 1.1]).postMm).toBe(1.4)
  expect(postFor(3, [0.9, 1.1])).toMatchObject({
    drillsMm: [0.9],
    figure: { text: expect.stringContaining('decides') },
  })
  expect(() => postFor(5, [])).toThrow(RangeError)
})
