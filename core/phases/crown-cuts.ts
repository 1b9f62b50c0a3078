/** The cuts of a crown: grooves, surfaces half at a time, contacts, margin, finish. Standing C. */
import { reason } from '../figure'
import { sure } from '../sure'
import { reductionTargets, writeRange, type Targets } from '../measure/reduction'
import { innerSide, isAnterior } from '../teeth/arch'
import type { Block } from '../library/build'
import type { Case, RestoredCase, Unit } from '../library/case'
import { cutSteps, type CutLine } from './cutting'

const shapeOf = (t: Targets): 'chamfer' | 'shoulder' => (t.margin.form === 'shoulder' ? 'shoulder' : 'chamfer')
const innerWord = (u: Unit): string => (innerSide(u.tooth) === 'palatal' ? 'Palatal' : 'Lingual')

/** Cuts of a posterior crown: guide grooves, deeper on the functional cusp, half at a time, contacts, margin, finish. */
function posteriorCuts(c: Case, u: Unit, t: Targets): CutLine[] {
  const { functional, other } = sure(u.cusps)
  const shape = shapeOf(t)
  const swapped = c.request.crossbite ? ', swapped by the crossbite' : ''
  return [
    {
      act: 'groove-functional',
      title: `Depth grooves, ${functional} cusps ${writeRange(t.functionalCusp)}`,
      form: 'groove',
      depthMm: t.functionalCusp.mostMm,
      surface: `${functional} cusps`,
      share: 1,
      because: reason(`${functional} cusps carry the bite on ${u.said}${swapped}: the larger reduction`, t.standing),
    },
    {
      act: 'groove-other',
      title: `Depth grooves, ${other} cusps ${writeRange(t.otherCusp)}`,
      form: 'groove',
      depthMm: t.otherCusp.mostMm,
      surface: `${other} cusps`,
      share: 1,
    },
    {
      act: 'occlusal',
      title: 'Occlusal reduction, one half, then the other',
      form: 'occlusal',
      depthMm: t.functionalCusp.mostMm,
      surface: 'occlusal',
      share: 3,
      detail: 'The untouched half is the reference.',
      mistakes: ['flat table instead of planes: short in the fossa'],
    },
    {
      act: 'bevel',
      title: `Bevel on the ${functional} cusps, 45°, about 1.5 mm wide`,
      form: 'bevel',
      depthMm: t.functionalCusp.mostMm,
      surface: `${functional} cusps`,
      share: 1,
    },
    {
      act: 'axial-facial',
      title: `Buccal wall ${writeRange(t.facial)}`,
      form: 'axial',
      depthMm: t.margin.mostMm,
      surface: 'buccal',
      share: 3,
      after: shape,
    },
    {
      act: 'axial-inner',
      title: `${innerWord(u)} wall ${writeRange(t.inner)}`,
      form: 'axial',
      depthMm: t.margin.mostMm,
      surface: innerSide(u.tooth),
      share: 2,
      after: shape,
    },
  ]
}

/** Cuts of an anterior crown: incisal, facial in two planes, the concave inner side. */
function anteriorCuts(u: Unit, t: Targets): CutLine[] {
  const inner = innerSide(u.tooth)
  const incisal = t.incisal
  return [
    {
      act: 'groove-facial',
      title: `Labial depth grooves ${writeRange(t.facial)}, two planes`,
      form: 'groove',
      depthMm: t.facial.mostMm,
      surface: 'labial',
      share: 1,
    },
    ...(incisal
      ? [
          {
            act: 'incisal',
            title: `Incisal reduction ${writeRange(incisal)}`,
            form: 'incisal' as const,
            depthMm: incisal.mostMm,
            surface: 'incisal',
            share: 2,
          },
        ]
      : []),
    {
      act: 'axial-facial',
      title: `Labial wall ${writeRange(t.facial)}, two planes`,
      form: 'axial',
      depthMm: t.margin.mostMm,
      surface: 'labial',
      share: 3,
      after: shapeOf(t),
      mistakes: ['one plane only: the incisal third ends up thick'],
    },
    {
      act: 'concavity',
      title: `${innerWord(u)} concavity ${writeRange(t.inner)}`,
      form: 'lingual concavity',
      depthMm: t.inner.mostMm,
      surface: inner,
      share: 2,
    },
    {
      act: 'axial-inner',
      title: `Cingulum wall ${writeRange(t.inner)}`,
      form: 'axial',
      depthMm: t.margin.mostMm,
      surface: inner,
      share: 1,
      after: shapeOf(t),
    },
  ]
}

/** The two contacts, where there is a neighbour: a thin needle first, before any wider bur. */
export function contactCuts(u: Unit): CutLine[] {
  return (['mesial', 'distal'] as const).flatMap((side): CutLine[] => {
    const neighbour = u[side]
    return neighbour.tooth
      ? [
          {
            act: `contact-${side}`,
            title: `Break the ${side} contact toward ${neighbour.said}`,
            form: 'contact',
            depthMm: 1,
            surface: side,
            share: 1.5,
            mistakes: [`neighbour ${neighbour.said} nicked: leave the thin wall of enamel standing to the last`],
          },
        ]
      : []
  })
}

/** Margin and finish, which every crown ends with. */
export function marginCuts(c: RestoredCase, u: Unit, t: Targets): CutLine[] {
  const shape = shapeOf(t)
  return [
    {
      act: 'margin',
      title: `${shape === 'chamfer' ? 'Chamfer' : 'Shoulder'} all round ${writeRange(t.margin)}`,
      form: shape,
      depthMm: t.margin.mostMm,
      surface: 'margin',
      share: 3,
      ...(shape === 'chamfer' ? { mistakes: ['more than half the tip sunk: an unsupported lip of enamel'] } : {}),
    },
    {
      act: 'finish',
      title: 'Finish every line, round every edge',
      form: 'finish',
      depthMm: t.margin.mostMm,
      surface: 'all',
      share: 2,
      after: shape,
      told: `finished the preparation of ${u.label} for a ${c.restoration}, ${shape} ${writeRange(t.margin)}`,
    },
  ]
}

/** Seating groove on the path of insertion, for a metal crown on a back tooth. */
export const seatingGroove: CutLine = {
  act: 'seating-groove',
  title: 'Seating groove 1.0 mm on the path of insertion',
  form: 'seating groove',
  depthMm: 1,
  surface: 'buccal',
  share: 1,
}

/** The cuts of a crown on one tooth, in the order of the day. */
export function crownLines(c: RestoredCase, u: Unit): CutLine[] {
  const t = reductionTargets(c.restoration)
  return [
    ...(u.cusps ? posteriorCuts(c, u, t) : anteriorCuts(u, t)),
    ...contactCuts(u),
    ...marginCuts(c, u, t),
    ...(c.restoration === 'full metal crown' && !isAnterior(u.tooth) ? [seatingGroove] : []),
  ]
}

/** The preparation of crowns. */
export const crownCutting = (c: RestoredCase): Block => cutSteps(c, (u) => crownLines(c, u))
