/** What is written under a score can be read, however long it is and however close one looks. */
import { describe, expect, it } from 'vitest'
import { minutesOf } from './score-lay'

describe('the minutes under a score', () => {
  it('stand each ten, and closer the closer one looks', () => {
    expect(minutesOf(45 * 60, 900, 1)).toEqual([0, 10, 20, 30, 40])
    expect(minutesOf(12 * 60, 900, 2)).toEqual([0, 5, 10])
    expect(minutesOf(3 * 60, 900, 8)).toEqual([0, 1, 2, 3])
  })
  it('never lie over each other: of a day or of a year, in much room or in little', () => {
    for (const totalS of [60, 3_600, 5 * 3_600, 26 * 3_600, 365 * 86_400])
      for (const roomPx of [40, 200, 900, 7_000])
        for (const zoom of [1, 2, 4, 8]) {
          const minutes = minutesOf(totalS, roomPx, zoom)
          expect(minutes[0]).toBe(0)
          if (minutes.length < 2) continue
          const apartPx = (minutes[1]! * 60 * roomPx) / totalS
          expect([totalS, roomPx, zoom, apartPx >= 40]).toEqual([totalS, roomPx, zoom, true])
        }
  })
})
