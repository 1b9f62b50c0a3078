/** Words along a line: none across another, whatever comes. */
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { flagsOf } from './flags'

const letter = 8

it('stand beside their place, whole where there is room, the next row where there is none', () => {
  const flags = flagsOf(
    [
      { at: 0, text: 'Teeth and plan' },
      { at: 40, text: 'Numb' },
      { at: 300, text: 'Reduction' },
    ],
    letter,
    2,
    600,
  )
  expect(flags.map((f) => [f.row, f.text])).toEqual([
    [0, 'Teeth and plan'],
    [1, 'Numb'],
    [0, 'Reduction'],
  ])
})

it('never lie across each other and never leave the line', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ at: fc.integer({ min: 0, max: 1000 }), text: fc.string({ minLength: 1, maxLength: 40 }) }), {
        maxLength: 30,
      }),
      fc.integer({ min: 1, max: 3 }),
      (flags, rows) => {
        const placed = flagsOf(flags, letter, rows, 1000)
        for (const f of placed) {
          expect(f.x).toBeGreaterThanOrEqual(0)
          expect(f.x + f.text.length * letter).toBeLessThanOrEqual(1000 + 6)
        }
        for (let row = 0; row < rows; row++) {
          const own = placed.filter((f) => f.row === row)
          for (const [i, f] of own.slice(1).entries())
            expect(f.x).toBeGreaterThanOrEqual(own[i]!.x + own[i]!.text.length * letter)
        }
      },
    ),
  )
})
