/** Finishers follow the line, over every reviewed case: fine after coarse, narrow where the tooth is, the stuff that was asked for. Common practice (C). */
import { describe, expect, it } from 'vitest'
import { files, planOf, practice } from '../../demo/test/plans'
import { isNarrow } from '../teeth/arch'
import type { Bur } from './bur'
import { chooseBur, type Cut, type EdgePart } from './cut'

const plans = files.map((f) => ({ f, p: planOf(f) }))
const smooth = (b: Bur): boolean => ['fine', 'extra-fine', 'ultra-fine', '12-flute'].includes(b.grit)
/** How fine, coarsest first. */
const order = [
  'super-coarse',
  'coarse',
  'crosscut',
  'medium',
  '6-flute',
  'fine',
  '12-flute',
  'extra-fine',
  'ultra-fine',
]
const burOf = (id: string | undefined): Bur => practice.burs.find((b) => b.id === id)!

describe('the finisher follows the line', () => {
  it.each(plans)(
    '$f: what smooths is fine, nothing wide on a narrow tooth, the last on a tooth is the finest',
    ({ p }) => {
      for (const s of p.steps) {
        if (!s.cut || !s.burId) continue
        const bur = burOf(s.burId)
        if (s.cut.form === 'finish' || s.cut.form === 'edge') expect(smooth(bur), s.id).toBe(true)
        if (s.tooth && isNarrow(s.tooth) && bur.shape.includes('taper')) expect(bur.diameterMm, s.id).toBeLessThan(2)
      }
      // A crown or veneer: no wall or margin is cut coarser again once a tooth is being finished.
      for (const { tooth } of p.teeth) {
        const cuts = p.steps.filter((s) => s.tooth === tooth && s.phase === 'cutting' && s.cut && s.burId)
        const finish = cuts.findIndex((s) => s.cut!.form === 'finish')
        if (finish < 0) continue
        const grit = order.indexOf(burOf(cuts[finish]!.burId).grit)
        for (const before of cuts.slice(0, finish))
          expect(order.indexOf(burOf(before.burId).grit), before.id).toBeLessThanOrEqual(grit)
      }
    },
  )
  it.each<[EdgePart, string[]]>([
    ['neck', ['flame', 'needle', 'torpedo']],
    ['side', ['flame', 'needle']],
    ['inner', ['football', 'flame']],
    ['top', ['football', 'flame', 'round-end taper']],
  ])('%s: by its shape, with any one bur missing', (part, shapes) => {
    const cut: Cut = { id: 'x', form: 'edge', depthMm: 0.2, surface: 'x', part }
    for (const gone of practice.burs) {
      const { best } = chooseBur(
        cut,
        practice.burs.filter((b) => b !== gone),
      )
      expect(shapes).toContain(burOf(best!.burId).shape)
    }
    expect(burOf(chooseBur(cut, practice.burs).best!.burId).shape).toBe(shapes[0])
  })
  it('carbide where carbide is asked for, in the shape of the diamond before it; a diamond where none is owned', () => {
    const cut: Cut = { id: 'x', form: 'finish', depthMm: 0.5, surface: 'x', after: 'chamfer', stuff: 'carbide' }
    expect(burOf(chooseBur(cut, practice.burs).best!.burId)).toMatchObject({ material: 'carbide', grit: '12-flute' })
    const diamonds = practice.burs.filter((b) => b.material === 'diamond')
    expect(burOf(chooseBur(cut, diamonds).best!.burId)).toMatchObject({ material: 'diamond', grit: 'fine' })
  })
  it('coarse where bulk is taken, and wide only where nothing narrower is owned, which is said', () => {
    const bulk: Cut = { id: 'x', form: 'occlusal', depthMm: 1.8, surface: 'x' }
    expect(burOf(chooseBur(bulk, practice.burs).best!.burId).grit).toBe('coarse')
    const narrow: Cut = { id: 'x', form: 'finish', depthMm: 0.5, surface: 'x', after: 'chamfer', widestMm: 1.2 }
    const wide = practice.burs.filter((b) => b.diameterMm > 1.2)
    expect(chooseBur(narrow, wide).best!.because.text).toContain('wider than is wanted here')
  })
})
