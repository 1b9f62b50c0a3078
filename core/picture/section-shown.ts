/** Sections of what no cut and no cord says: layers of a filling, a post in its canal, jaws, a wing, a shell. */
import { writeRange, reductionTargets } from '../measure/reduction'
import { postSpace } from '../measure/restoring'
import type { Plan } from '../model/plan'
import type { Shown, Step } from '../model/step'
import { sure } from '../sure'
import type { Tooth } from '../teeth/notation'
import { aimOf, prepare, restorationOf, type Prepared } from './prepared-tooth'
import { seen, workOf, type Section, type SectionLabel, type SectionPart } from './section-frame'
import { edgeAt, profileOf, topAt, type Point, type Profile } from './tooth-profile'
import { said } from '../model/said'

type Of<W extends Shown['what']> = Shown & { what: W }
type Sees = Pick<Plan, 'steps' | 'request' | 'burs' | 'notation'>

/** Words beside the tooth, level with what they name. */
const beside = (p: Profile, text: string, at: Point, side: SectionLabel['side'], lit = false): SectionLabel => ({
  text,
  at,
  words: [(side === 'left' ? -1 : 1) * (p.widthMm / 2 + 1.4), at[1]],
  side,
  lit,
})

const says = (plan: Sees, p: Profile, tooth: Tooth, labels: readonly SectionLabel[]): string =>
  `${p.view === 'side' ? 'Side' : 'Front'} view of ${said(plan, tooth)}: ${labels.map((l) => `${l.text}${l.lit ? ' (now)' : ''}`).join(', ')}`

/** Columns in which a layer is drawn across the tooth. */
const columns = 48
/** So much tooth is kept over the roof of the pulp beside a box, mm. Our estimate. */
const overRoofMm = 1.2
/** A box takes this share of the width from its side; an isthmus this share on either side of the middle. Our estimates. */
const boxShare = 0.3
const isthmusShare = 0.2

/** A filling from the cheek: each layer from its floor to its top, deepest first, in a cavity with its boxes. */
function layers(plan: Sees, tooth: Tooth, { layersMm, boxes, now }: Of<'layers'>): Section {
  const p = profileOf(tooth, 'front')
  const vital = workOf(plan, tooth).vital
  const depthMm = layersMm.reduce((a, b) => a + b, 0)
  const roofMm = Math.min(...p.pulp.map(([, y]) => y))
  const isthmusMm = boxes.length > 0 ? Math.min(depthMm, roofMm - overRoofMm) : depthMm
  const half = p.widthMm / 2
  // Negative is mesial.
  const [from, to] = [
    boxes.includes('mesial') ? -half : -p.widthMm * isthmusShare,
    boxes.includes('distal') ? half : p.widthMm * isthmusShare,
  ]
  const floorAt = (x: number): number =>
    (boxes.includes('mesial') && x < -half + p.widthMm * boxShare) ||
    (boxes.includes('distal') && x > half - p.widthMm * boxShare)
      ? depthMm
      : isthmusMm
  const xs = Array.from({ length: columns + 1 }, (_, i) => from + ((to - from) * i) / columns)
  /** What lies between two depths, one outline for each stretch of it. */
  const between = (upperMm: number, lowerMm: number): Point[][] => {
    const runs: { top: Point[]; floor: Point[] }[] = []
    let open = false
    for (const x of xs) {
      const inside = (y: number): number =>
        Math.max(edgeAt(p, y, 'outer') + 0.05, Math.min(edgeAt(p, y, 'inner') - 0.05, x))
      const [top, floor] = [Math.max(upperMm, Math.min(topAt(p, x), lowerMm)), Math.min(lowerMm, floorAt(x))]
      if (floor - top < 0.01) open = false
      else {
        if (!open) runs.push({ top: [], floor: [] })
        open = true
        sure(runs.at(-1)).top.push([inside(top), top])
        sure(runs.at(-1)).floor.push([inside(floor), floor])
      }
    }
    return runs.map((r) => [...r.top, ...r.floor.toReversed()])
  }
  const parts: SectionPart[] = []
  const labels: SectionLabel[] = []
  let floorMm = depthMm
  for (const [i, mm] of layersMm.entries()) {
    const topMm = i === layersMm.length - 1 ? 0 : floorMm - mm
    for (const points of between(topMm, floorMm))
      parts.push({ points, is: i === now ? 'layer now' : i < now ? 'layer' : 'room' })
    const name = i === layersMm.length - 1 ? `cover ${mm} mm` : `${i + 1}: ${mm} mm`
    const x = boxes.includes('distal') || boxes.length === 0 ? to * 0.8 : from * 0.8
    labels.push(
      beside(
        p,
        name,
        [x, (Math.max(topMm, i === layersMm.length - 1 ? 0.8 : topMm) + floorMm) / 2],
        x < 0 ? 'left' : 'right',
        i === now,
      ),
    )
    floorMm = topMm
  }
  return { ...seen(p, tooth, half + 5, 3.5, vital), parts, neighbours: [], labels, says: says(plan, p, tooth, labels) }
}

/** What stands over the margin when a post is needed: the ferrule, mm. Common practice: 1.5–2. */
const ferruleMm = [1.5, 2] as const
/** A canal that nobody has measured is drawn with the mean root. A post stands so far into its core, mm. Our estimate. */
const intoCoreMm = 3
/** The seal as it is drawn: a filled canal narrows to its end. Widths in mm; ISO 40 at the end, M. */
const sealWide = [0.9, 0.4] as const

/** The height up to which a post of that radius lies within its core, mm; a third of a millimetre of core over it. Our estimate. */
function coveredFrom(made: Prepared, mouthMm: number, radiusMm: number, axis: (y: number) => number): number {
  const inside = (y: number): boolean =>
    made.innerWall(y) > axis(y) + radiusMm + 0.3 && made.outerWall(y) < axis(y) - radiusMm - 0.3
  const ys = Array.from({ length: 40 }, (_, i) => mouthMm * (1 - i / 40))
  const out = ys.findIndex((y) => !inside(y))
  return out === -1 ? 1 : sure(ys[Math.max(0, out - 1)])
}

/** A root with its seal, the room over it, the post, the core. */
function post(plan: Sees, step: Step, tooth: Tooth, shown: Of<'post'>): Section {
  const mean = profileOf(tooth, 'side')
  const mouthMm = mean.gumMm - ferruleMm[1]
  const canalMm = shown.canalMm ?? mean.neckMm + mean.rootMm - mouthMm
  const p = profileOf(tooth, 'side', Math.max(mean.rootMm * 0.6, canalMm - (mean.neckMm - mouthMm)))
  const endMm = p.neckMm + p.rootMm
  const room = canalMm > shown.sealMm ? postSpace(canalMm, shown.sealMm) : undefined
  const bottomMm = mouthMm + (room?.mostMm ?? 0)
  const r = shown.postMm / 2
  const middle = (edgeAt(p, mouthMm, 'outer') + edgeAt(p, mouthMm, 'inner')) / 2
  /** The canal runs straight from the end of the root to the middle of what stands. */
  const axis = (y: number): number => (middle * (endMm - y)) / (endMm - mouthMm)
  const box = (top: number, low: number, upper: number, lower = upper): Point[] => [
    [axis(top) - upper, top],
    [axis(top) + upper, top],
    [axis(low) + lower, low],
    [axis(low) - lower, low],
  ]
  const restoration = restorationOf(plan, tooth)
  const made = restoration ? prepare(mean, aimOf(plan, tooth, restoration)) : undefined
  // It is cut where the core still covers it.
  const topMm = made ? coveredFrom(made, mouthMm, r, axis) : mouthMm
  const stub: Point[] = [
    ...p.crown.filter(([x, y]) => x < 0 && y > mouthMm),
    [edgeAt(p, mouthMm, 'outer'), mouthMm],
    [edgeAt(p, mouthMm, 'inner'), mouthMm],
    ...p.crown.filter(([x, y]) => x > 0 && y > mouthMm),
  ]
  const built = made?.outline.filter(([, y]) => y <= mouthMm)
  const parts: SectionPart[] = [
    { points: box(endMm - shown.sealMm, endMm - 0.3, sealWide[0] / 2, sealWide[1] / 2), is: 'seal' },
    ...(room ? [{ points: box(mouthMm, bottomMm, r), is: 'room' as const }] : []),
    ...(shown.stage === 'core' && built ? [{ points: built, is: 'layer now' as const }] : []),
    ...(shown.stage !== 'space' && room
      ? [{ points: box(shown.stage === 'core' ? topMm : mouthMm - intoCoreMm, bottomMm, r), is: 'post' as const }]
      : []),
  ]
  const stage = shown.stage
  const labels = [
    ...(room
      ? [
          beside(
            p,
            stage === 'space' ? `space\n${room.leastMm}–${room.mostMm} mm` : `post\n${shown.postMm} mm thick`,
            [axis((mouthMm + bottomMm) / 2) + r, (mouthMm + bottomMm) / 2],
            'right',
            stage !== 'core',
          ),
        ]
      : []),
    beside(p, `seal ${shown.sealMm} mm`, [0, endMm - shown.sealMm / 2], 'right'),
    beside(
      p,
      `ferrule\n${ferruleMm[0]}–${ferruleMm[1]} mm`,
      [edgeAt(p, p.gumMm - 1, 'outer'), p.gumMm - 1],
      'left',
      stage === 'core',
    ),
  ]
  // A drill is drawn where it ends: at the deepest it may.
  const bur = step.cut?.form === 'post space' ? box(mouthMm - 7, bottomMm, step.cut.depthMm / 2) : undefined
  const reach = p.widthMm / 2 + 9
  return {
    // Gum no wider than leaves the words beside it.
    ...seen(p, tooth, p.widthMm / 2 + 1.2, 3.5, false),
    frame: [-reach, -3.5, 2 * reach, endMm + 6],
    left: stub,
    parts,
    neighbours: [],
    ...(bur ? { bur } : {}),
    labels,
    says: says(plan, p, tooth, labels),
  }
}

/** A lesion at the gum as it is drawn, mm over and under the gum’s edge. Our estimate. */
const lesionMm = [1.2, 0.4] as const

/** The two jaws of a cervical clamp: on the inner side at the neck, on the outer so far beyond the lesion. */
function jaws(plan: Sees, tooth: Tooth, { beyondMm }: Of<'jaws'>): Section {
  const p = profileOf(tooth, 'side')
  const lesionEnd = p.gumMm + lesionMm[1]
  const jaw = (y: number, which: 'outer' | 'inner'): Point[] => {
    const [x, out] = [edgeAt(p, y, which), which === 'outer' ? -1 : 1]
    return [
      [x, y],
      [x + out * 1.2, y - 0.5],
      [x + out * 2.8, y - 2.6],
      [x + out * 2.2, y - 3.2],
      [x + out * 0.8, y - 1.1],
      [x, y - 0.4],
    ]
  }
  const steps = Array.from({ length: 9 }, (_, i) => p.gumMm - lesionMm[0] + ((lesionMm[0] + lesionMm[1]) * i) / 8)
  const lesion: Point[] = [
    ...steps.map((y): Point => [edgeAt(p, y, 'outer'), y]),
    ...steps.toReversed().map((y, i): Point => [edgeAt(p, y, 'outer') + Math.sin((Math.PI * i) / 8), y]),
  ]
  const outerY = lesionEnd + beyondMm
  const labels = [
    beside(p, `${beyondMm} mm\nbeyond it`, [edgeAt(p, outerY, 'outer'), outerY], 'left', true),
    beside(p, 'this jaw first', [edgeAt(p, p.neckMm, 'inner'), p.neckMm], 'right'),
  ]
  return {
    ...seen(p, tooth, p.widthMm / 2 + 5, 3.5, workOf(plan, tooth).vital),
    parts: [
      { points: lesion, is: 'decay' },
      { points: jaw(outerY, 'outer'), is: 'metal' },
      { points: jaw(p.neckMm, 'inner'), is: 'metal' },
    ],
    neighbours: [],
    labels,
    says: says(plan, p, tooth, labels),
  }
}

/** A bonded retainer on the inner side: its wing from the ledge up, as thick as the enamel that was taken. */
function wing(plan: Sees, tooth: Tooth): Section {
  const p = profileOf(tooth, 'side')
  const made = prepare(p, aimOf(plan, tooth, 'resin-bonded retainer'))
  const t = reductionTargets('resin-bonded retainer')
  const topMm = p.neckMm * 0.2
  const ys = Array.from({ length: 24 }, (_, i) => topMm + ((made.marginMm - topMm) * i) / 23)
  const points: Point[] = [
    ...ys.map((y): Point => [edgeAt(p, y, 'inner'), y]),
    ...ys.toReversed().map((y): Point => [made.innerWall(y), y]),
  ]
  const mid = (topMm + made.marginMm) / 2
  const labels = [
    beside(p, `wing ${writeRange(t.inner)}`, [edgeAt(p, mid, 'inner'), mid], 'right', true),
    beside(p, `ledge\n${writeRange(t.margin)}`, [edgeAt(p, made.marginMm, 'inner'), made.marginMm], 'right'),
  ]
  return {
    ...seen(p, tooth, p.widthMm / 2 + 5, 3.5, workOf(plan, tooth).vital),
    parts: [{ points, is: 'metal' }],
    neighbours: [],
    labels,
    says: says(plan, p, tooth, labels),
  }
}

/** Thickness of a preformed metal crown's wall, mm; M: about 0.2. */
const shellMm = 0.2

/** A preformed crown over its tooth, its edge under the gum. */
function shell(plan: Sees, tooth: Tooth, { edgeMm }: Of<'shell'>): Section {
  const p = profileOf(tooth, 'side')
  const [least, most] = edgeMm
  const endMm = p.gumMm + (least + most) / 2
  const over = [
    [edgeAt(p, endMm, 'outer'), endMm] as const,
    ...p.crown.filter(([, y]) => y < endMm),
    [edgeAt(p, endMm, 'inner'), endMm] as const,
  ]
  const outer = over.map(([x, y]): Point => {
    // Away from a point in the crown's middle.
    const [dx, dy] = [x, y - p.neckMm * 0.55]
    const far = Math.hypot(dx, dy)
    return [x + (dx / far) * shellMm, y === endMm ? y : y + (dy / far) * shellMm]
  })
  const labels = [
    beside(p, `${least.toFixed(1)}–${most.toFixed(1)} mm\nunder gum`, [edgeAt(p, endMm, 'outer'), endMm], 'left', true),
  ]
  return {
    ...seen(p, tooth, p.widthMm / 2 + 5, 3.5, workOf(plan, tooth).vital),
    parts: [{ points: [...outer, ...over.toReversed()], is: 'metal' }],
    neighbours: [],
    labels,
    says: says(plan, p, tooth, labels),
  }
}

/** @returns the section of a step that says itself what it shows */
export function sectionShown(plan: Sees, step: Step, shown: Shown): Section | null {
  const tooth = step.tooth ?? ('tooth' in shown ? shown.tooth : undefined)
  if (!tooth) return null
  switch (shown.what) {
    case 'layers':
      return layers(plan, tooth, shown)
    case 'post':
      return post(plan, step, tooth, shown)
    case 'jaws':
      return jaws(plan, tooth, shown)
    case 'wing':
      return wing(plan, tooth)
    case 'shell':
      return shell(plan, tooth, shown)
  }
}
