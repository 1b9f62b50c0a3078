/** A tooth as it is prepared for its restoration: ledge, walls, top; from the targets of the reduction. */
import { reductionTargets, type Targets } from '../measure/reduction'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { sure } from '../sure'
import { functionalCusps, isAnterior, type Cusps } from '../teeth/arch'
import type { Tooth } from '../teeth/notation'
import type { Restoration } from '../vocabulary'
import { workOf } from './section-frame'
import { edgeAt, topAt, type Point, type Profile } from './tooth-profile'

/** 6° between opposite walls, each side its half [C]. */
const taper = Math.tan((3 * Math.PI) / 180)
/** Where the margin lies to the gum, mm. */
const marginBelowGum = { supragingival: -0.5, equigingival: 0, subgingival: 0.5 } as const
export const most = (r: { mostMm: number }): number => r.mostMm

export interface Prepared {
  outline: Point[]
  marginMm: number
  outerWall: (y: number) => number
  innerWall: (y: number) => number
  topDepth: (x: number) => number
}

/** What a tooth is prepared to: its targets, where the margin lies, which faces are cut, which cusps carry the bite. */
export interface Aim {
  tooth: Tooth
  t: Targets
  margin: keyof typeof marginBelowGum
  faces: Faces
  cusps: Cusps | null
}

/** The preparation from its targets: ledge, walls in their taper or along the surface, the top lowered. */
export function prepare(p: Profile, { tooth, t, margin, faces, cusps }: Aim): Prepared {
  const marginMm = p.gumMm + marginBelowGum[margin]
  const ledge = Math.max(most(t.margin), 0.1)
  const innerLedge = Math.max(most(t.innerMargin ?? t.margin), 0.1)
  const [outerEdge, innerEdge] = [edgeAt(p, marginMm, 'outer'), edgeAt(p, marginMm, 'inner')]
  const rise = (y: number): number => Math.max(0, marginMm - y) * taper
  const outerWall = (y: number): number =>
    faces === 'inner'
      ? edgeAt(p, y, 'outer')
      : faces === 'outer'
        ? edgeAt(p, y, 'outer') + most(t.facial)
        : Math.max(outerEdge + ledge + rise(y), edgeAt(p, y, 'outer') + Math.min(most(t.facial), ledge))
  const innerWall = (y: number): number =>
    faces === 'outer'
      ? edgeAt(p, y, 'inner')
      : faces === 'inner'
        ? edgeAt(p, y, 'inner') - most(t.inner)
        : Math.min(innerEdge - innerLedge - rise(y), edgeAt(p, y, 'inner') - Math.min(most(t.inner), innerLedge))
  const outerIs = cusps?.functional === 'buccal' ? t.functionalCusp : t.otherCusp
  const innerIs = cusps?.functional === 'buccal' ? t.otherCusp : t.functionalCusp
  const topDepth = (x: number): number => {
    if (faces !== 'all round') return 0
    if (isAnterior(tooth)) return t.incisal ? most(t.incisal) : 0
    // From one cusp's depth to the other's over the middle of the fossa.
    const share = Math.max(0, Math.min(1, 0.5 + x / (p.widthMm * 0.3)))
    return most(outerIs) * (1 - share) + most(innerIs) * share
  }
  // An edge is cut off flat; cusps are lowered along their own planes.
  const lowered = (x: number): number => (isAnterior(tooth) ? topDepth(x) : topAt(p, x) + topDepth(x))
  const steps = Array.from({ length: 60 }, (_, i) => marginMm * (1 - i / 60))
  const up = (wall: (y: number) => number): Point[] =>
    steps.filter((y) => y > lowered(wall(y))).map((y): Point => [wall(y), y])
  const [outer, inner] = [up(outerWall), up(innerWall)]
  const [from, to] = [sure(outer.at(-1))[0], sure(inner.at(-1))[0]]
  const top = Array.from({ length: 30 }, (_, i): Point => {
    const x = from + ((to - from) * (i + 0.5)) / 30
    return [x, lowered(x)]
  })
  const below = p.crown.filter(([, y]) => y > marginMm)
  const outline: Point[] = [
    ...below.filter(([x]) => x < 0),
    [outerEdge, marginMm],
    ...outer,
    ...top,
    ...inner.toReversed(),
    [innerEdge, marginMm],
    ...below.filter(([x]) => x > 0),
  ]
  return { outline, marginMm, outerWall, innerWall, topDepth }
}

type Faces = 'all round' | 'outer' | 'inner'
const facesOf = (r: Restoration): Faces =>
  r === 'laminate veneer' ? 'outer' : r === 'resin-bonded retainer' ? 'inner' : 'all round'

/** A feather edge runs out under the gum; a bonded retainer ends in enamel above it, unless the case says otherwise. */
function marginOf(r: Restoration, t: Targets, said: Aim['margin']): Aim['margin'] {
  if (t.margin.form === 'feather edge') return 'subgingival'
  return r === 'resin-bonded retainer' && said === 'equigingival' ? 'supragingival' : said
}

/** The restoration a tooth is prepared for: as its reading of the reduction has it, else as its work says. */
export const restorationOf = (plan: Pick<Plan, 'steps' | 'request'>, tooth: Tooth): Restoration | undefined =>
  plan.steps
    .flatMap((s) => s.asks)
    .flatMap((a) => (a.reading === 'reduction' && a.teeth.includes(tooth) ? [a.restoration] : []))[0] ??
  workOf(plan, tooth).restoration ??
  undefined

/** Where the margin lies when a step has been done, or in the end: a dark tooth’s goes lower, in two rounds or at once. */
function marginAt({ steps }: Pick<Plan, 'steps'>, tooth: Tooth, step: Step | undefined): Aim['margin'] | undefined {
  const said = steps.filter((s) => s.tooth === tooth && s.cut?.margin)
  if (!step) return said.at(-1)?.cut?.margin
  const at = steps.indexOf(step)
  return (said.findLast((s) => steps.indexOf(s) <= at) ?? said[0])?.cut?.margin
}

/** What a tooth of a plan is prepared to, for a restoration; as it is with one step, or in the end. */
export function aimOf(plan: Pick<Plan, 'request' | 'steps'>, tooth: Tooth, restoration: Restoration, step?: Step): Aim {
  const t = reductionTargets(restoration, workOf(plan, tooth).innerSide)
  return {
    tooth,
    t,
    margin: marginOf(restoration, t, marginAt(plan, tooth, step) ?? workOf(plan, tooth).margin),
    faces: facesOf(restoration),
    cusps: functionalCusps(tooth, plan.request.crossbite),
  }
}
