/**
 * The tooth one sees into: what the step in front is about, on the tooth's outline with the targets of its restoration, the
 * bur at the depth it sinks, the cord in the crevice. To scale, from the plan alone; it shows what is wanted, not what is.
 */
import type { Bur } from '../catalog/bur'
import type { Cut } from '../catalog/cut'
import { silhouette } from '../catalog/silhouette'
import { reductionTargets, writeRange, type Targets } from '../measure/reduction'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { sure } from '../sure'
import { functionalCusps, innerSide, isAnterior, neighbours, type Cusps } from '../teeth/arch'
import { dimensions } from '../teeth/dimensions'
import { jawOf, type Tooth } from '../teeth/notation'
import type { Restoration } from '../vocabulary'
import { edgeAt, profileOf, topAt, type Point, type Profile, type View } from './tooth-profile'

export interface SectionLabel {
  text: string
  /** On the tooth, and where the words stand. */
  at: Point
  words: Point
  side: 'left' | 'right'
  /** The site the step is about. */
  lit: boolean
}
export interface Section {
  tooth: Tooth
  view: View
  /** An upper tooth hangs: it is drawn with its root up. */
  hangs: boolean
  /** What is seen, mm: left, top, width, height in the tooth's own frame. */
  frame: readonly [number, number, number, number]
  crown: Point[]
  root: Point[]
  pulp: Point[]
  /** What is left when the preparation is done. */
  left?: Point[]
  gum: Point[][]
  neighbours: Point[][]
  bur?: Point[]
  cord?: { at: Point; radiusMm: number }
  labels: SectionLabel[]
  /** In words, for whoever does not see it. */
  says: string
}

/** 6° between opposite walls, each side its half [C]. */
const taper = Math.tan((3 * Math.PI) / 180)
/** Where the margin lies to the gum, mm. */
const marginBelowGum = { supragingival: -0.5, equigingival: 0, subgingival: 0.5 } as const
/** Thickness of a braided cord in the crevice, mm. Starting estimates of ours. */
const cordMm: Readonly<Record<string, number>> = { '000': 0.5, '00': 0.7, '0': 0.9, '1': 1.1, '2': 1.3, '3': 1.5 }

const most = (r: { mostMm: number }): number => r.mostMm

interface Prepared {
  outline: Point[]
  marginMm: number
  outerWall: (y: number) => number
  innerWall: (y: number) => number
  topDepth: (x: number) => number
}

/** What a tooth is prepared to: its targets, where the margin lies, which faces are cut, which cusps carry the bite. */
interface Aim {
  tooth: Tooth
  t: Targets
  margin: keyof typeof marginBelowGum
  faces: Faces
  cusps: Cusps | null
}

/** The preparation from its targets: ledge, walls in their taper or along the surface, the top lowered. */
function prepare(p: Profile, { tooth, t, margin, faces, cusps }: Aim): Prepared {
  const marginMm = p.gumMm + marginBelowGum[margin]
  const ledge = Math.max(most(t.margin), 0.1)
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
        : Math.min(innerEdge - ledge - rise(y), edgeAt(p, y, 'inner') - Math.min(most(t.inner), ledge))
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

/** The bur where it works: along a wall with its tip on the margin, or lying over the cusp it lowers. */
function burAt(bur: Bur, cut: Cut, p: Profile, made: Prepared, tooth: Tooth): Point[] | undefined {
  const outline = silhouette(bur)
  const upright = (x: number, y: number): Point[] => [
    ...outline.map((s): Point => [x + s.radiusMm, y - s.atMm]),
    ...outline.toReversed().map((s): Point => [x - s.radiusMm, y - s.atMm]),
  ]
  const lying = (x: number, y: number, to: 1 | -1): Point[] => [
    ...outline.map((s): Point => [x + to * s.atMm, y + s.radiusMm]),
    ...outline.toReversed().map((s): Point => [x + to * s.atMm, y - s.radiusMm]),
  ]
  const r = Math.max(...outline.map((s) => s.radiusMm))
  const inner = cut.surface === innerSide(tooth)
  if (['axial', 'chamfer', 'shoulder', 'finish', 'facial reduction'].includes(cut.form)) {
    const y = made.marginMm
    return inner ? upright(made.innerWall(y) + r, y) : upright(made.outerWall(y) - r, y)
  }
  if (cut.form === 'lingual concavity') return upright(made.innerWall(p.neckMm * 0.5) + r, p.neckMm * 0.5 + r)
  if (['groove', 'occlusal', 'incisal', 'bevel'].includes(cut.form)) {
    const isInner = cut.surface.startsWith(innerSide(tooth))
    const over = isInner ? (p.tips.inner ?? p.tips.outer) : p.tips.outer
    // It comes from the side of its cusp, its tip toward the middle.
    return lying(over[0] + (isInner ? -2 : 2), over[1] + cut.depthMm - r, isInner ? 1 : -1)
  }
  return undefined
}

const isLit = (cut: Cut | undefined, ...surfaces: string[]): boolean =>
  cut !== undefined && surfaces.some((s) => cut.surface === s || cut.surface.startsWith(s))

/** Target and site, with where the words stand beside the tooth. */
function labelsOf(p: Profile, { tooth, t, faces, cusps }: Aim, made: Prepared, cut: Cut | undefined): SectionLabel[] {
  const inner = innerSide(tooth)
  const right = p.widthMm / 2 + 1.4
  const label = (text: string, at: Point, side: 'left' | 'right', lit: boolean): SectionLabel => ({
    text,
    at,
    words: [side === 'left' ? -right : right, at[1]],
    side,
    lit,
  })
  const outerName = isAnterior(tooth) ? 'labial' : 'buccal'
  const all = cut?.surface === 'all'
  const mid = (p.neckMm + made.marginMm) / 2 - p.neckMm * 0.42
  const out: SectionLabel[] = []
  if (faces === 'all round' && cusps && p.tips.inner) {
    const at = (tip: Point): Point => [tip[0], tip[1] + made.topDepth(tip[0]) / 2]
    const [o, i] = cusps.functional === 'buccal' ? [t.functionalCusp, t.otherCusp] : [t.otherCusp, t.functionalCusp]
    out.push(label(writeRange(o), at(p.tips.outer), 'left', all || isLit(cut, `${outerName} cusps`, 'occlusal')))
    out.push(label(writeRange(i), at(p.tips.inner), 'right', all || isLit(cut, `${inner} cusps`, 'occlusal')))
  }
  if (faces === 'all round' && !cusps && t.incisal)
    out.push(
      label(writeRange(t.incisal), [p.tips.outer[0], most(t.incisal) / 2], 'right', all || isLit(cut, 'incisal')),
    )
  const wall = (r: Targets['facial'], x: number, side: 'left' | 'right', name: string): SectionLabel =>
    label(writeRange(r), [x, mid], side, all || cut?.surface === name)
  if (faces !== 'inner')
    out.push(wall(t.facial, (edgeAt(p, mid, 'outer') + made.outerWall(mid)) / 2, 'left', outerName))
  if (faces !== 'outer' && most(t.inner) > 0)
    out.push(wall(t.inner, (edgeAt(p, mid, 'inner') + made.innerWall(mid)) / 2, 'right', inner))
  out.push(
    label(
      most(t.margin) === 0 ? t.margin.form : `${t.margin.form}\n${writeRange(t.margin)}`,
      [edgeAt(p, made.marginMm, faces === 'inner' ? 'inner' : 'outer'), made.marginMm],
      faces === 'inner' ? 'right' : 'left',
      all || isLit(cut, 'margin'),
    ),
  )
  return out
}

type Faces = 'all round' | 'outer' | 'inner'
const facesOf = (r: Restoration): Faces =>
  r === 'laminate veneer' ? 'outer' : r === 'resin-bonded retainer' ? 'inner' : 'all round'

/** A feather edge runs out under the gum; a bonded retainer ends in enamel above it, unless the case says otherwise. */
function marginOf(r: Restoration, t: Targets, said: Aim['margin']): Aim['margin'] {
  if (t.margin.form === 'feather edge') return 'subgingival'
  return r === 'resin-bonded retainer' && said === 'equigingival' ? 'supragingival' : said
}

/** Gum on either side, up to its edge on the tooth; it is drawn behind the tooth. */
function gumOf(p: Profile, reach: number): Point[][] {
  const low = p.neckMm + 5
  return (['outer', 'inner'] as const).map((which): Point[] => {
    const sign = which === 'outer' ? -1 : 1
    const x = edgeAt(p, p.gumMm, which)
    return [
      [0, p.gumMm + 1],
      [x, p.gumMm],
      [x + sign * 0.5, p.gumMm + 0.1],
      [x + sign * 1.1, p.gumMm + 0.7],
      [x + sign * 2, p.gumMm + 1.3],
      [sign * reach, p.gumMm + 1.9],
      [sign * reach, low],
      [0, low],
    ]
  })
}

/** The work of a visit that a tooth belongs to; a tooth beside it is seen as the first. */
const workOf = ({ request }: Pick<Plan, 'request'>, tooth: Tooth) =>
  request.also.find((w) => w.teeth.includes(tooth)) ?? request

/** The restoration a tooth is prepared for: as its reading of the reduction has it, else as its work says. */
const restorationOf = (plan: Pick<Plan, 'steps' | 'request'>, tooth: Tooth): Restoration | undefined =>
  plan.steps
    .flatMap((s) => s.asks)
    .flatMap((a) => (a.reading === 'reduction' && a.teeth.includes(tooth) ? [a.restoration] : []))[0] ??
  workOf(plan, tooth).restoration ??
  undefined

const moved = (points: readonly Point[], by: number): Point[] => points.map(([x, y]) => [x + by, y])

/** What every section shows of its tooth, so far to either side and above it, mm. */
const seen = (
  p: Profile,
  tooth: Tooth,
  reach: number,
  above: number,
  vital: boolean,
): Pick<Section, 'tooth' | 'view' | 'hangs' | 'frame' | 'crown' | 'root' | 'pulp' | 'gum'> => ({
  tooth,
  view: p.view,
  hangs: jawOf(tooth) === 'upper',
  frame: [-reach, -above, 2 * reach, p.neckMm + above + 4],
  crown: p.crown,
  root: p.root,
  // A root filled holds none.
  pulp: vital ? p.pulp : [],
  gum: gumOf(p, reach),
})

/** A contact from the front: both neighbours, the thin bur between. */
function contact(plan: Pick<Plan, 'burs' | 'request'>, step: Step, cut: Cut, tooth: Tooth): Section {
  const p = profileOf(tooth, 'front')
  const { request } = plan
  const gaps = [request, ...request.also].flatMap((w) => w.pontics)
  const at = neighbours(tooth, [...request.missing, ...gaps])
  const beside = (['mesial', 'distal'] as const).flatMap((side) => {
    const next = at[side].tooth
    if (!next) return []
    const by = (dimensions(tooth).mesiodistalMm + dimensions(next).mesiodistalMm) / 2
    return [moved(profileOf(next, 'front').crown, side === 'mesial' ? -by : by)]
  })
  const sign = cut.surface === 'mesial' ? -1 : 1
  const bur = plan.burs.find((b) => b.cuts.some((c) => c.stepId === step.id))?.bur
  const x = sign * (p.widthMm / 2 - 0.5)
  const tip = p.gumMm
  const shape = bur && silhouette(bur)
  return {
    ...seen(p, tooth, p.widthMm / 2 + 4, 4, workOf(plan, tooth).vital),
    neighbours: beside,
    ...(shape
      ? {
          bur: [
            ...shape.map((s): Point => [x + s.radiusMm, tip - s.atMm]),
            ...shape.toReversed().map((s): Point => [x - s.radiusMm, tip - s.atMm]),
          ],
        }
      : {}),
    labels: [],
    says: `Front view of ${tooth}: the thin bur inside the ${cut.surface} contact, a wall of enamel left toward the neighbour`,
  }
}

/**
 * What a step looks like on its tooth; nothing where there is nothing to see into.
 * @example sectionOf(plan, plan.steps[0]) // null
 */
export function sectionOf(plan: Pick<Plan, 'steps' | 'burs' | 'request'>, step: Step): Section | null {
  const { cut, cord } = step
  const looked = step.asks.find((a) => a.reading === 'reduction')
  // A check of one tooth shows all it is held against; of several each would need its own.
  const tooth = step.tooth ?? (looked?.teeth.length === 1 ? looked.teeth[0] : undefined)
  if (!tooth || (!cut && !cord && !looked)) return null
  if (cut?.form === 'contact') return contact(plan, step, cut, tooth)
  const restoration = restorationOf(plan, tooth)
  if (!restoration || (cut && step.phase !== 'cutting')) return null
  const t = reductionTargets(restoration)
  if (t.margin.form === 'butt') return null
  const p = profileOf(tooth, 'side')
  const work = workOf(plan, tooth)
  const aim: Aim = {
    tooth,
    t,
    margin: marginOf(restoration, t, work.margin),
    faces: facesOf(restoration),
    cusps: functionalCusps(tooth, plan.request.crossbite),
  }
  const made = prepare(p, aim)
  const bur = cut && plan.burs.find((b) => b.cuts.some((c) => c.stepId === step.id))?.bur
  const burOutline = bur && burAt(bur, cut, p, made, tooth)
  const labels = labelsOf(p, aim, made, cut)
  const thick = cord && (cordMm[cord.size] ?? 1)
  const says = cord
    ? `Side view of ${tooth}: cord ${cord.size} in the crevice, below the margin`
    : `Side view of ${tooth}: targets ${labels.map((l) => l.text.replace('\n', ' ')).join(', ')}${
        labels.some((l) => l.lit)
          ? `; now ${labels
              .filter((l) => l.lit)
              .map((l) => l.text)
              .join(', ')}`
          : ''
      }`
  return {
    ...seen(p, tooth, p.widthMm / 2 + 5, 3.5, work.vital),
    left: made.outline,
    neighbours: [],
    ...(burOutline ? { bur: burOutline } : {}),
    ...(thick
      ? {
          cord: {
            at: [
              edgeAt(p, made.marginMm, 'outer') - thick / 2 + 0.1,
              Math.max(p.gumMm, made.marginMm) + thick / 2 + 0.2,
            ],
            radiusMm: thick / 2,
          },
        }
      : {}),
    labels: cord ? labels.filter((l) => l.text.startsWith(t.margin.form)) : labels,
    says,
  }
}
