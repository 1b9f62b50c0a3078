/** The printed template measured: what a ruler would read off the paper, by another program's reader of the file. */
import fc from 'fast-check'
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { describe, expect, it } from 'vitest'
import { planOf } from '../../demo/test/plans'
import { damTemplate, holeClass, holeSpacing } from '../../core/measure/dam-template'
import { archOrder } from '../../core/teeth/arch'
import { dimensions } from '../../core/teeth/dimensions'
import { toTooth } from '../../core/teeth/notation'
import { damTemplateSheet } from './dam-template'
import { renderPdf } from './render'

const facts = { patient: 'Bartholomew Quist', practice: 'A practice', notation: 'iso' } as const
const mmPerPt = 25.4 / 72

interface Box {
  x: number
  y: number
  w: number
  h: number
}
/** Every path drawn on the first page as its bounding box, millimetres from the page's left upper corner. */
async function pathsOf(bytes: Buffer): Promise<{ boxes: Box[]; text: string; pages: number }> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 }).promise
  const page = await pdf.getPage(1)
  const list = await page.getOperatorList()
  const height = page.view[3]!
  let at = [1, 0, 0, 1, 0, 0]
  const kept: number[][] = []
  const boxes: Box[] = []
  for (const [i, fn] of list.fnArray.entries()) {
    const args: unknown[] = list.argsArray[i]
    if (fn === OPS.save) kept.push(at)
    if (fn === OPS.restore) at = kept.pop()!
    if (fn === OPS.transform) {
      const [a, b, c, d, e, f] = args.map(Number)
      at = [
        at[0]! * a! + at[2]! * b!,
        at[1]! * a! + at[3]! * b!,
        at[0]! * c! + at[2]! * d!,
        at[1]! * c! + at[3]! * d!,
        at[0]! * e! + at[2]! * f! + at[4]!,
        at[1]! * e! + at[3]! * f! + at[5]!,
      ]
    }
    if (fn !== OPS.constructPath) continue
    // A clip without a path of its own has no box.
    if (!args[2]) continue
    const [x1, y1, x2, y2] = [...Object(args[2])].map(Number)
    const point = (x: number, y: number): [number, number] => [
      (at[0]! * x + at[2]! * y + at[4]!) * mmPerPt,
      (height - (at[1]! * x + at[3]! * y + at[5]!)) * mmPerPt,
    ]
    const [p, q] = [point(x1!, y1!), point(x2!, y2!)]
    boxes.push({ x: Math.min(p[0], q[0]), y: Math.min(p[1], q[1]), w: Math.abs(p[0] - q[0]), h: Math.abs(p[1] - q[1]) })
  }
  const text = (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ')
  return { boxes, text, pages: pdf.numPages }
}

describe('the template', () => {
  // C: half the sum of two necks and 2 mm of stretch, or the mean of the crowns. Mean sizes M: Wheeler.
  it('holds every pair of neighbours apart by necks and stretch or crowns, on either side alike', () => {
    for (const jaw of ['upper', 'lower'] as const) {
      for (const dentition of ['permanent', 'primary'] as const) {
        const { holes, sheetMm } = damTemplate(archOrder(jaw, dentition))
        for (const [i, h] of holes.slice(1).entries()) {
          const [a, b] = [dimensions(holes[i]!.tooth), dimensions(h.tooth)]
          const wanted = Math.max(
            (a.cervicalMesiodistalMm + b.cervicalMesiodistalMm) / 2 + 2,
            (a.mesiodistalMm + b.mesiodistalMm) / 2,
          )
          expect(Math.hypot(h.xMm - holes[i]!.xMm, h.yMm - holes[i]!.yMm), `${holes[i]!.tooth}–${h.tooth}`).toBeCloseTo(
            wanted,
            1,
          )
        }
        for (const h of holes) {
          const twin = holes.find((x) => Math.abs(x.xMm + h.xMm - sheetMm) < 0.02)!
          expect(twin.yMm).toBeCloseTo(h.yMm, 1)
          expect(h.xMm > 5 && h.xMm < sheetMm - 5 && h.yMm > 5 && h.yMm < sheetMm - 5).toBe(true)
        }
      }
    }
  })
  // M: five sizes, the lower incisor smallest, the clamp tooth largest.
  it('gives each tooth its size, the largest to the clamp, none to what is missing, and keeps its room', () => {
    const whole = damTemplate(['34', '35', '36', '37'].map(toTooth))
    expect(whole.holes.map((h) => [h.tooth, h.diameterMm])).toEqual([
      ['34', 1.5],
      ['35', 1.5],
      ['36', 1.8],
      ['37', 2.2],
    ])
    const gap = damTemplate(['34', '36', '37'].map(toTooth))
    expect(gap.holes.map(({ tooth, xMm }) => [tooth, xMm])).toEqual(
      whole.holes.filter((h) => h.tooth !== '35').map(({ tooth, xMm }) => [tooth, xMm]),
    )
    expect(['31', '11', '13', '34', '36', '75', '74'].map((t) => holeClass(toTooth(t)))).toEqual([
      'lower incisor',
      'upper incisor',
      'canine or premolar',
      'canine or premolar',
      'molar',
      'molar',
      'canine or premolar',
    ])
    // Lower incisors lie closest together.
    fc.assert(
      fc.property(fc.constantFrom(...archOrder('lower').slice(0, -1)), (t) => {
        const order = archOrder('lower')
        expect(holeSpacing(t, order[order.indexOf(t) + 1]!)).toBeGreaterThanOrEqual(
          holeSpacing(toTooth('41'), toTooth('31')),
        )
      }),
    )
  })
})

describe('on paper', () => {
  it.each([
    ['J08-bulk-fill', 'A4'],
    ['J17-class-three-primary', 'LETTER'],
    ['J01-bonded-ceramic-bridge-delivery', 'A4'],
    ['J12-inlays', 'LETTER'],
  ] as const)('%s on %s: sheet, every hole and the ruler measure what they say', async (file, paper) => {
    const plan = planOf(file)
    const template = damTemplate(plan.steps.find((s) => s.holes)!.holes!)
    const { boxes, text, pages } = await pathsOf(await renderPdf(damTemplateSheet(plan, facts, paper)!))
    expect(pages).toBe(1)
    const sheet = boxes.find((b) => Math.abs(b.w - template.sheetMm) < 0.05 && Math.abs(b.h - template.sheetMm) < 0.05)!
    expect(sheet).toBeDefined()
    const round = boxes.filter((b) => b.w < 3 && Math.abs(b.w - b.h) < 0.02 && b.w > 0.5)
    expect(round).toHaveLength(template.holes.length)
    for (const h of template.holes) {
      const hole = round.find(
        (b) => Math.hypot(b.x + b.w / 2 - sheet.x - h.xMm, b.y + b.h / 2 - sheet.y - h.yMm) < 0.05,
      )
      expect(hole?.w, h.tooth).toBeCloseTo(h.diameterMm, 1)
    }
    expect(boxes.some((b) => Math.abs(b.w - 50) < 0.05 && b.h < 0.5)).toBe(true)
    expect(text).toContain('50 mm: measure it')
  })
  it('is nothing where no sheet is in the plan', () => {
    expect(damTemplateSheet(planOf('recall-week'), facts, 'A4')).toBeUndefined()
  })
})
