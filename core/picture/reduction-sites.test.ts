/** The picture reductions are read on: every site beside its own surface, none under another, for every tooth. */
import { describe, expect, it } from 'vitest'
import { compile } from '../plan/compile'
import { visitRequest } from '../model/request'
import { starterPractice } from '../practice/starter'
import { sitesOf } from '../measure/reduction'
import { parts, toTooth } from '../teeth/notation'
import { reductionPicture } from './reduction-sites'
import { edgeAt, profileOf } from './tooth-profile'

const plan = compile(
  visitRequest.parse({
    kind: 'crown.prepare',
    date: '2026-11-24',
    teeth: ['37'],
    team: { dentist: 'dentist', assistants: ['assistant'] },
  }),
  starterPractice(),
)
/** A finger's circle on the screen, mm of the picture: 54 px at 25 px. */
const circleMm = 54 / 25

describe('the sites of a reduction', () => {
  const teeth = [1, 2, 3, 4].flatMap((q) => [1, 2, 3, 4, 5, 6, 7].map((n) => toTooth(`${q}${n}`)))
  it('keep a finger’s breadth from each other and stay in the frame', () => {
    for (const tooth of teeth)
      for (const restoration of ['full metal crown', 'metal-ceramic crown', 'laminate veneer'] as const) {
        const picture = reductionPicture(plan, tooth, restoration)
        const sites = sitesOf(restoration, parts(tooth).position >= 4)
        const at = sites.map((s) => picture.places[s]!)
        const [x, y, w, h] = picture.frame
        const { at: middle, depthMm } = picture.above
        expect(middle[1] - depthMm / 2 > y && middle[1] + depthMm / 2 < y + h, `${tooth} from above`).toBe(true)
        for (const [i, a] of at.entries()) {
          expect(a[0] > x && a[0] < x + w && a[1] > y && a[1] < y + h, `${tooth} ${sites[i]}`).toBe(true)
          for (const [k, b] of at.slice(i + 1).entries())
            expect(
              Math.hypot(a[0] - b[0], a[1] - b[1]),
              `${tooth} ${restoration}: ${sites[i]}, ${sites[i + 1 + k]}`,
            ).toBeGreaterThan(circleMm * 0.9)
        }
      }
  })
  it('stand beside the surface they name: palatal cusps bear above, buccal below', () => {
    const p = profileOf(toTooth('47'), 'side')
    const lower = reductionPicture(plan, toTooth('47'), 'full metal crown')
    const [x, y] = lower.places['facial, middle third']!
    expect(edgeAt(p, y, 'outer') - x).toBeCloseTo(1.3, 6)
    expect(lower.places['functional cusp']![0]).toBeLessThan(0)
    const upper = reductionPicture(plan, toTooth('16'), 'full metal crown')
    expect([upper.hangs, upper.places['functional cusp']![0] > 0]).toEqual([true, true])
    // M: Wheeler's mean breadth of a lower second molar, 10.5 mm.
    expect(lower.above.widthMm).toBe(10.5)
  })
})
