/** By hand. */
import { expect, it } from 'vitest'
import { startSize } from './crown-size'

it('the middle size for the mean tooth, one for each 0.35 mm more or less, never outside the box', () => {
  expect([undefined, 7.7, 8.0, 7.3, 9.2, 5].map((mm) => startSize(mm, 7.7).size)).toEqual([4, 4, 5, 3, 7, 2])
  expect(startSize(8.0, 7.7).figure.text).toBe('8 mm measured, mean 7.7 mm, about 0.35 mm a size: 4 + 1 = 5')
  expect(startSize(undefined, 7.7).figure.text).toContain('not measured')
  expect([5, 6.8, 7.7, 8.9, 9.2].map((mm) => startSize(mm, 7.7).beyond)).toEqual([
    'all are too large',
    'all are too large',
    undefined,
    undefined,
    'all are too small',
  ])
})
