/** The tooth one sees into, against values computed by hand from the mean measures and the targets. */
import { describe, expect, it } from 'vitest'
import { planOf, practice, requestOf } from '../../demo/test/plans'
import type { Plan } from '../model/plan'
import { compile } from '../plan/compile'
import { visitRequest, type VisitRequestInput } from '../model/request'
import { kindIds } from '../kinds'
import { exampleRequest } from '../library/kinds/example'
import { picturesOf } from './pictures'
import { sectionOf } from './section'
import type { Section } from './section-frame'
import { edgeAt, profileOf, topAt } from './tooth-profile'
import { toTooth } from '../teeth/notation'

const planWith = (name: string, more: Partial<VisitRequestInput>): Plan => compile(requestOf(name, more), practice)
const at = (plan: Plan, id: string): Section =>
  sectionOf(
    plan,
    plan.steps.find((s) => s.id === id)!,
  )!
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

describe('the margin of a dark tooth, cut in two rounds of cord', () => {
  const plan = planOf('J16-laminates-preparation')
  const gumMm = profileOf(toTooth('11'), 'side').gumMm
  const marginMm = (id: string): number => Math.max(...at(plan, id).labels.map((l) => l.at[1]))
  it('lies level with the gum until it is lowered, and 0.5 mm under it from then on', () => {
    for (const id of ['cutting.facial.11', 'cutting.margin.11']) expect(marginMm(id), id).toBeCloseTo(gumMm, 9)
    for (const id of ['cutting.lower.11', 'cutting.finish.11', 'tissue.top-cord.11'])
      expect(marginMm(id), id).toBeCloseTo(gumMm + 0.5, 9)
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
    const plan = planWith('J03-full-metal-crown', { crossbite: true })
    const cutting = at(plan, 'cutting.groove-functional.47')
    expect(plan.steps.find((s) => s.id === 'cutting.groove-functional.47')!.title).toContain('lingual cusps 1.5')
    expect(cutting.labels.find((l) => l.lit)).toMatchObject({ text: '1.5 mm', side: 'right' })
  })
  it('a further piece of work has its own margin, and a root-filled tooth no pulp', () => {
    const also = [{ kind: 'veneer.prepare' as const, teeth: ['11'], margin: 'supragingival' as const, vital: false }]
    const plan = planWith('J03-full-metal-crown', { also })
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
      at(planWith('J06-veneers-cord-first', { margin }), 'cutting.facial.11')
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

describe('the pictures of a visit', () => {
  it('show teeth that are cut alike together, whichever way they are written: S is a tooth, too', () => {
    const pictures = (notation: 'iso' | 'universal' | 'quadrant') =>
      picturesOf(
        compile(
          visitRequest.parse({
            kind: 'primary.metal-crown',
            teeth: ['84', '85'],
            date: '2026-11-24',
            team: { dentist: 'dentist', assistants: ['assistant'] },
          }),
          { ...practice, notation },
        ),
      ).map((x) => x.teeth)
    expect(pictures('iso').some((teeth) => teeth.length > 1)).toBe(true)
    expect(pictures('universal')).toEqual(pictures('iso'))
    expect(pictures('quadrant')).toEqual(pictures('iso'))
  })
})

describe('what no cut says', () => {
  const within = (points: readonly (readonly [number, number])[]): [number, number] => [
    Math.min(...points.map(([, y]) => y)),
    Math.max(...points.map(([, y]) => y)),
  ]
  it('a cavity of 6 mm: its floor first, 4 mm thick, then 2 mm of cover; the pulp is kept under the isthmus', () => {
    const plan = planOf('J08-bulk-fill')
    const bulk = at(plan, 'filling.26.bulk-1')
    const now = bulk.parts!.filter((p) => p.is === 'layer now')
    expect(within(now.flatMap((p) => p.points))).toEqual([2, 6])
    const cover = at(plan, 'filling.26.cover').parts!.filter((p) => p.is === 'layer now')
    expect(within(cover.flatMap((p) => p.points))[1]).toBe(2)
    expect(lit(bulk)).toEqual(['1: 4 mm'])
    const roof = within(bulk.pulp)[0]
    for (const [x, y] of now.flatMap((p) => p.points).filter(([px]) => px > 0))
      expect(roof - y, `over the pulp at ${x}`).toBeGreaterThanOrEqual(1.1)
    // Nothing put in before the depth is read.
    expect(at(plan, 'filling.26.depth').parts!.every((p) => p.is === 'room')).toBe(true)
  })
  it('a canal of 15 mm: 5 mm of seal stay, the post has two thirds, 10 mm, and is as thick as its drill', () => {
    const plan = planOf('J11-post-and-core')
    const drilled = at(plan, 'canal.drill')
    const of = (s: Section, is: string) => s.parts!.find((p) => p.is === is)!.points
    const [top, bottom] = within(of(drilled, 'room'))
    expect(bottom - top).toBeCloseTo(10, 6)
    const end = Math.max(...drilled.root.map(([, y]) => y))
    expect(end - top).toBeCloseTo(15, 1)
    expect(end - within(of(drilled, 'seal'))[0]).toBeCloseTo(5, 1)
    // The drill ends where the seal begins.
    expect(Math.max(...drilled.bur!.map(([, y]) => y))).toBeCloseTo(bottom, 6)
    const post = of(at(plan, 'post.inject'), 'post')
    expect(post[1]![0] - post[0]![0]).toBeCloseTo(1.1, 6)
    // The core holds it, over a ferrule of 2 mm.
    const core = at(plan, 'post.core')
    const p = profileOf(toTooth('12'), 'side')
    expect(within(of(core, 'layer now'))[1]).toBeLessThanOrEqual(p.gumMm - 2)
    expect(lit(at(plan, 'core.ferrule'))).toEqual(['ferrule\n1.5–2 mm'])
  })
  it('a cervical clamp: its outer jaw 1 mm beyond the lesion, on the root side of the inner one or level with it', () => {
    const s = at(planOf('J15-cervical'), 'filling.43.clamp')
    const [decay, outer] = [s.parts!.find((p) => p.is === 'decay')!, s.parts!.find((p) => p.is === 'metal')!]
    expect(within(outer.points)[1] - within(decay.points)[1]).toBeCloseTo(1, 6)
  })
  it('a wing fills what was taken from the enamel; a preformed crown ends under the gum', () => {
    const wing = at(planOf('J01-bonded-ceramic-bridge-delivery'), 'delivery.seat')
    const p = profileOf(wing.tooth, 'side')
    const [first] = wing.parts!
    const half = first!.points.length / 2
    for (let i = 0; i < half; i++)
      expect(first!.points[i]![0] - first!.points.at(-1 - i)![0], `at ${first!.points[i]![1]}`).toBeCloseTo(0.5, 1)
    expect(first!.points[0]![0]).toBeCloseTo(edgeAt(p, first!.points[0]![1], 'inner'), 6)
    const shell = at(planOf('J19-preformed-crown'), 'crown.75.fit')
    const lower = profileOf(toTooth('75'), 'side')
    expect(within(shell.parts![0]!.points)[1] - lower.gumMm).toBeCloseTo(0.75, 6)
  })
})
