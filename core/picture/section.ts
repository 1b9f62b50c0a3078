/**
 * The tooth one sees into: what the step in front is about, on the tooth's outline with the targets of its restoration, the
 * bur at the depth it sinks, the cord in the crevice. To scale, from the plan alone; it shows what is wanted, not what is.
 */
import type { Bur } from '../catalog/bur'
import type { Cut } from '../catalog/cut'
import { silhouette } from '../catalog/silhouette'
import { writeRange, type Targets } from '../measure/reduction'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { innerSide, isAnterior, neighbours } from '../teeth/arch'
import { dimensions } from '../teeth/dimensions'
import type { Tooth } from '../teeth/notation'
import { aimOf, most, prepare, restorationOf, type Aim, type Prepared } from './prepared-tooth'
import { seen, workOf, type Section, type SectionLabel } from './section-frame'
import { sectionShown } from './section-shown'
import { edgeAt, profileOf, type Point, type Profile } from './tooth-profile'
import { said } from '../model/said'

/** Thickness of a braided cord in the crevice, mm. Starting estimates of ours. */
const cordMm: Readonly<Record<string, number>> = { '000': 0.5, '00': 0.7, '0': 0.9, '1': 1.1, '2': 1.3, '3': 1.5 }

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
  if (['axial', 'chamfer', 'shoulder', 'rounded shoulder', 'finish', 'facial reduction'].includes(cut.form)) {
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

/** Cuts into the tooth, not of its outside: the picture of a preparation says nothing about them. */
const inside: ReadonlySet<Cut['form']> = new Set([
  'access',
  'caries',
  'orifice',
  'outline',
  'fissure',
  'pit',
  'retention',
  'undercut',
  'post cut',
])

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

const moved = (points: readonly Point[], by: number): Point[] => points.map(([x, y]) => [x + by, y])

/** A contact from the front: both neighbours, the thin bur between. */
function contact(plan: Pick<Plan, 'burs' | 'request' | 'notation'>, step: Step, cut: Cut, tooth: Tooth): Section {
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
    says: `Front view of ${said(plan, tooth)}: the thin bur inside the ${cut.surface} contact, a wall of enamel left toward the neighbour`,
  }
}

/**
 * What a step looks like on its tooth; nothing where there is nothing to see into.
 * @example sectionOf(plan, plan.steps[0]) // null
 */
export function sectionOf(plan: Pick<Plan, 'steps' | 'burs' | 'request' | 'notation'>, step: Step): Section | null {
  if (step.shows) return sectionShown(plan, step, step.shows)
  const { cut, cord } = step
  const looked = step.asks.find((a) => a.reading === 'reduction')
  // A check of one tooth shows all it is held against; of several each would need its own.
  const tooth = step.tooth ?? (looked?.teeth.length === 1 ? looked.teeth[0] : undefined)
  if (!tooth || (!cut && !cord && !looked)) return null
  if (cut?.form === 'contact') return contact(plan, step, cut, tooth)
  const restoration = restorationOf(plan, tooth)
  if (!restoration || (cut && (step.phase !== 'cutting' || inside.has(cut.form)))) return null
  const aim = aimOf(plan, tooth, restoration, step)
  const { t } = aim
  if (t.margin.form === 'butt') return null
  const p = profileOf(tooth, 'side')
  const { vital } = workOf(plan, tooth)
  const made = prepare(p, aim)
  const bur = cut && plan.burs.find((b) => b.cuts.some((c) => c.stepId === step.id))?.bur
  const burOutline = bur && burAt(bur, cut, p, made, tooth)
  const labels = labelsOf(p, aim, made, cut)
  const thick = cord && (cordMm[cord.size] ?? 1)
  const says = cord
    ? `Side view of ${said(plan, tooth)}: cord ${cord.size} in the crevice, below the margin`
    : `Side view of ${said(plan, tooth)}: targets ${labels.map((l) => l.text.replace('\n', ' ')).join(', ')}${
        labels.some((l) => l.lit)
          ? `; now ${labels
              .filter((l) => l.lit)
              .map((l) => l.text)
              .join(', ')}`
          : ''
      }`
  return {
    ...seen(p, tooth, p.widthMm / 2 + 5, 3.5, vital),
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
