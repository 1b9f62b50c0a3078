/** The tooth one sees into, against values computed by hand from the mean measures and the targets. */
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { compile } from '../plan/compile'
import { visitRequest, type VisitRequestInput } from '../model/request'
import { starterPractice } from '../practice/starter'
import { kindIds } from '../kinds'
import { exampleRequest } from '../visits/example'
import { sectionOf, type Section } from './section'
import { edgeAt, profileOf, topAt } from './tooth-profile'
import { toTooth } from '../teeth/notation'

const practice = starterPractice()
const planOf = (file: string, more: Partial<VisitRequestInput> = {}) =>
  compile(visitRequest.parse({ ...JSON.parse(readFileSync(`demo/cases/${file}.json`, 'utf8')), ...more }), practice)
const at = (plan: ReturnType<typeof planOf>, id: string): Section =>
  sectionOf(plan, plan.steps.find((s) => s.id === id)!)!
const lit = (s: Section): string[] => s.labels.filter((l) => l.lit).map((l) => l.text)

describe('the outline of a tooth', () => {
  // M: Wheeler's means for a lower second molar: crown 7, root 13, 10 across and 9 at the neck.
  const p = profileOf(toTooth('47'), 'side')
  it('is as high and as wide as its mean measures', () => {
    expect([p.neckMm, p.rootMm, p.widthMm]).toEqual([7, 13, 10])
    expect([edgeAt(p, 7, 'outer'), edgeAt(p, 7, 'inner')]).toEqual([-4.5, 4.5])
    const xs = p.crown.map(([x]) => x)
    expect(Math.min(...xs)).toBeCloseTo(-5, 0)
    expect(Math.max(...xs)).toBeCloseTo(5, 0)
    expect(topAt(p, p.tips.outer[0])).toBeCloseTo(0, 1)
    expect(Math.max(...p.root.map(([, y]) => y))).toBeCloseTo(20, 1)
  })
  it('holds its pulp in the middle of crown and root', () => {
    for (const tooth of ['47', '16', '11', '33', '75', '51'] as const) {
      const o = profileOf(toTooth(tooth), 'side')
      for (const [x, y] of o.pulp.filter((q) => q[1] < o.neckMm)) {
        expect(x - edgeAt(o, y, 'outer'), `${tooth} at ${y}`).toBeGreaterThan(0.8)
        expect(edgeAt(o, y, 'inner') - x, `${tooth} at ${y}`).toBeGreaterThan(0.8)
      }
    }
  })
})

describe('a full metal crown on 47', () => {
  const plan = planOf('J03-full-metal-crown')
  const cutting = at(plan, 'cutting.groove-functional.47')
  const p = profileOf(toTooth('47'), 'side')
  const left = cutting.left!
  it('takes 1.5 mm off the buccal cusp and 1.0 off the lingual', () => {
    const near = (x: number): number => left.toSorted((a, b) => Math.abs(a[0] - x) - Math.abs(b[0] - x))[0]![1]
    expect(near(p.tips.outer[0])).toBeCloseTo(1.5, 0)
    expect(near(p.tips.inner![0]) - p.tips.inner![1]).toBeCloseTo(1, 0)
  })
  it('has a ledge of 0.5 mm level with the gum, and walls that meet at 6°', () => {
    const wall = left.filter(([x, y]) => x < 0 && y < p.gumMm && y > 3.5)
    const ledge = left.filter(([x, y]) => x < 0 && y === p.gumMm).map(([x]) => x)
    expect(ledge[1]! - ledge[0]!).toBeCloseTo(0.5, 2)
    const [low, high] = [wall[0]!, wall.at(-1)!]
    const degrees = (Math.atan((high[0] - low[0]) / (low[1] - high[1])) * 180) / Math.PI
    expect(2 * degrees).toBeCloseTo(6, 1)
  })
  it('lays the depth cutter over the cusp, its lower edge at the depth', () => {
    expect(Math.max(...cutting.bur!.map(([, y]) => y))).toBeCloseTo(1.5, 2)
    expect(lit(cutting)).toEqual(['1.5 mm'])
  })
  it('stands the torpedo on the margin, against the wall', () => {
    const margin = at(plan, 'cutting.margin.47')
    expect(Math.max(...margin.bur!.map(([, y]) => y))).toBeCloseTo(p.gumMm, 2)
    expect(Math.max(...margin.bur!.map(([x]) => x))).toBeCloseTo(edgeAt(p, p.gumMm, 'outer') + 0.5, 2)
    expect(lit(margin)).toEqual(['chamfer\n0.3–0.5 mm'])
  })
  it('puts the cord below the margin, beside the root', () => {
    const { cord } = at(plan, 'tissue.single-cord.47')
    expect(cord!.radiusMm).toBe(0.55)
    expect(cord!.at[1] - cord!.radiusMm).toBeGreaterThan(p.gumMm)
  })
  it('shows a contact from the front, with the neighbour and the thin bur', () => {
    const contact = at(plan, 'cutting.contact-mesial.47')
    expect([contact.view, contact.neighbours.length, contact.hangs]).toEqual(['front', 1, false])
  })
})

describe('what the case says is drawn', () => {
  it('a crossbite swaps the cusps, as it does in the titles', () => {
    const plan = planOf('J03-full-metal-crown', { crossbite: true })
    const cutting = at(plan, 'cutting.groove-functional.47')
    expect(plan.steps.find((s) => s.id === 'cutting.groove-functional.47')!.title).toContain('lingual cusps 1.5')
    expect(cutting.labels.find((l) => l.lit)).toMatchObject({ text: '1.5 mm', side: 'right' })
  })
  it('a further piece of work has its own margin, and a root-filled tooth no pulp', () => {
    const also = [{ kind: 'veneer.prepare' as const, teeth: ['11'], margin: 'supragingival' as const, vital: false }]
    const plan = planOf('J03-full-metal-crown', { also })
    const veneer = plan.steps.find((s) => s.id.startsWith('cutting.facial.11'))!
    const p = profileOf(toTooth('11'), 'side')
    expect(Math.max(...at(plan, veneer.id).bur!.map(([, y]) => y))).toBe(p.gumMm - 0.5)
    expect([at(plan, veneer.id).pulp.length, at(plan, 'cutting.margin.47').pulp.length > 0]).toEqual([0, true])
  })
  it('a bonded retainer ends above the gum, and a pontic is no neighbour', () => {
    const retainer = at(planOf('J02-bonded-metal-bridge-preparation'), 'cutting.concavity.21')
    const p = profileOf(toTooth('21'), 'side')
    expect(retainer.labels.find((l) => l.text.startsWith('light chamfer'))!.at[1]).toBe(p.gumMm - 0.5)
    expect(at(planOf('J05-three-unit-bridge'), 'cutting.contact-mesial.24').neighbours).toHaveLength(1)
  })
})

describe('other pieces', () => {
  it('a veneer is cut in front only, its margin where the case says; an upper tooth hangs', () => {
    const of = (margin: 'supragingival' | 'subgingival') =>
      at(planOf('J06-veneers-cord-first', { margin }), 'cutting.facial.11')
    const p = profileOf(toTooth('11'), 'side')
    const lowest = (s: Section): number => Math.max(...s.bur!.map(([, y]) => y))
    expect([lowest(of('supragingival')), lowest(of('subgingival'))]).toEqual([p.gumMm - 0.5, p.gumMm + 0.5])
    expect(of('subgingival').hangs).toBe(true)
    for (const [x, y] of of('subgingival').left!.filter((q) => q[0] > 1))
      expect(x, `inner side at ${y}`).toBeCloseTo(edgeAt(p, y, 'inner'), 0)
  })
  it('every step of every kind is drawn soundly, or not at all', () => {
    let n = 0
    for (const kind of kindIds) {
      const plan = compile(
        exampleRequest(kind, '2026-11-24', { dentist: 'dentist', assistants: ['assistant'] }),
        practice,
      )
      for (const step of plan.steps) {
        const s = sectionOf(plan, step)
        if (!s) continue
        n += 1
        const figures = JSON.stringify(s).match(/null|NaN/)
        expect(figures, `${kind} ${step.id}`).toBeNull()
        expect(s.says).toContain(s.tooth)
      }
    }
    expect(n).toBeGreaterThan(80)
  })
})
