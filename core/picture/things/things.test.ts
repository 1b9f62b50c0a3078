/** Every item has a silhouette at its own size; no two different things look the same. Extents read by another reader of paths. */
import { readFileSync } from 'node:fs'
import { thingsSheet } from '../../../scripts/things-sheet'
import { svgPathBbox } from 'svg-path-bbox'
import { describe, expect, it } from 'vitest'
import { shapeOf } from '../../catalog/shapes'
import { shapeNames, type ShapeName } from '../../catalog/shape-names'
import { starterItems } from '../../catalog/starter'
import { wrapped } from '../words'
import { endMm, thing, type Part } from '.'

const shape = (i: (typeof starterItems)[number]): ShapeName =>
  shapeOf({ shape: i.shape, needs: i.serves, family: i.family })
function extents(parts: readonly Part[]): number[] {
  const boxes = parts.map((p) => svgPathBbox(p.d))
  return [0, 1, 2, 3].map((at) => (at < 2 ? Math.min : Math.max)(...boxes.map((b) => b[at]!)))
}

describe('names on a drawing', () => {
  it('are whole, in lines that fit, parted as print does and never before two letters', () => {
    expect(wrapped('Articaine 4 % with adrenaline, 1.7 mL', 56).join('|')).toBe(
      'Articaine|4 % with|adrena-|line, 1.7|mL',
    )
    for (const i of starterItems) {
      const lines = wrapped(i.name, 56)
      expect(lines.join('').replaceAll(/[- ]/g, '')).toBe(i.name.replaceAll(/[- ]/g, ''))
      for (const line of lines) expect(line.length, i.name).toBeLessThanOrEqual(12)
    }
  })
})

describe('silhouettes', () => {
  it('fill the item’s own length and width, within a millimetre', () => {
    const off = starterItems.flatMap((i) => {
      const box = extents(thing(shape(i), i.lengthMm, i.widthMm))
      const away = [box[0]!, box[1]!, box[2]! - i.widthMm, box[3]! - i.lengthMm]
      return away.every((d) => Math.abs(d) <= 1)
        ? []
        : [`${i.id}, ${shape(i)}: ${away.map((d) => d.toFixed(1)).join(' ')}`]
    })
    expect(off).toEqual([])
  })
  it('of any size a practice may enter are drawn in a few lines', () => {
    for (const name of shapeNames)
      for (const [l, w] of [
        [1_000_000, 1_000_000],
        [0.1, 0.1],
        [1_000_000, 0.1],
      ] as const) {
        const parts = thing(name, l, w)
        expect(parts.length, name).toBeLessThan(200)
        expect(JSON.stringify(parts), name).not.toMatch(/NaN|Infinity|e[+-]/)
      }
  })
  it('every shape is one of something owned, and no two shapes have the same outline', () => {
    const used = new Map(starterItems.map((i) => [shape(i), i]))
    const spare: ShapeName[] = ['tub', 'paper']
    expect(shapeNames.filter((s) => !used.has(s) && !spare.includes(s))).toEqual([])
    // At one size, or a difference of size would pass for one of shape.
    const drawn = new Map<string, ShapeName>()
    for (const name of shapeNames) {
      const outline = JSON.stringify(thing(name, 120, 40))
      expect(drawn.get(outline), name).toBeUndefined()
      drawn.set(outline, name)
    }
  })
  it('what differs at its working end only shows that again', () => {
    const hands = starterItems.filter((i) => i.family === 'hand instrument' && endMm(shape(i)) > 0)
    expect(hands.length).toBeGreaterThan(20)
    for (const i of hands) {
      const [, , , low] = extents(thing(shape(i), i.lengthMm, i.widthMm).slice(0, 2))
      expect(low, i.id).toBeLessThanOrEqual(endMm(shape(i)) + 10)
    }
  })
  it('stand on one sheet in docs, as they are', () => {
    expect(thingsSheet()).toBe(readFileSync('docs/things.svg', 'utf8'))
  })
  it('a practice picks a shape for its own things', () => {
    expect(shapeOf({ shape: 'tub', needs: ['alginate'], family: 'impression' })).toBe('tub')
    expect(shapeOf({ needs: ['a thing of its own'], family: 'cement' })).toBe('two tubes')
    expect(shapeOf({ needs: ['composite carver.fissure.fine'], family: 'record' })).toBe('fissure former')
  })
})
