import { jawOf } from '../teeth/notation'
import { soreTooth } from '../measure/numbing'
import { sure } from '../sure'
import type { BurShape } from '../catalog/bur'
import type { Cut, CutForm, EdgePart } from '../catalog/cut'
import { reason, type Reason } from '../figure'
import { reductionTargets, writeRange, type Targets } from '../measure/reduction'
import { innerSide, isAnterior, isNarrow } from '../teeth/arch'
import { open, sequence, step, type Block, type Draft } from './build'
import { teethOf, type Case, type RestoredCase, type Unit } from './case'

const cuttingCautions: Reason[] = [
  reason('Eye shields and masks on all three; high-volume suction at the bur; water on', 'C'),
]

/** What a phase writes among its passes where the bur is handed at another place than first. */
export const theBur = 'bur'

/** A cut as the phase writes it: minutes follow from its share of the whole preparation. */
export interface CutLine {
  act: string
  title: string
  /** `by hand`: no bur is asked for. */
  form: CutForm | 'by hand'
  depthMm: number
  surface: string
  /** Share of the preparation's time. */
  share: number
  after?: 'chamfer' | 'shoulder'
  prefer?: BurShape
  stuff?: Cut['stuff']
  part?: EdgePart
  margin?: Cut['margin']
  detail?: string
  because?: Reason
  told?: string
  mistakes?: string[]
  passes?: string[]
  /** Stays in enamel where the whole preparation does: it does not hurt then. */
  enamel?: boolean
  /** Instruments it needs beside the bur. */
  needs?: Draft['needs']
  cautions?: Reason[]
  /** Called out by the clock while it is cut. */
  cues?: Draft['cues']
}

/** Crown cutting 12 · 20 · 40 minutes in all. Standing C or estimate; the practice's own runs replace it. */
export const crownMinutes = [12, 20, 40] as const

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
      because: reason(`${functional} cusps carry the bite on ${u.tooth}${swapped}: the larger reduction`, t.standing),
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
    const neighbour = u[side].tooth
    return neighbour
      ? [
          {
            act: `contact-${side}`,
            title: `Break the ${side} contact toward ${neighbour}`,
            form: 'contact',
            depthMm: 1,
            surface: side,
            share: 1.5,
            mistakes: [`neighbour ${neighbour} nicked: leave the thin wall of enamel standing to the last`],
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

/** Forms that only smooth: a narrow tooth takes a thinner bur for these than for cutting. */
const smoothing: readonly CutForm[] = ['finish', 'edge']

/** Nothing wide on a lower incisor or a primary tooth: 1.6 mm for cutting, 1.2 mm for finishing; the football that hollows its inner side is as wide as that is. Our own, common practice. */
const widestOn = (u: Unit, form: CutForm): { widestMm?: number } =>
  isNarrow(u.tooth) && form !== 'lingual concavity' ? { widestMm: smoothing.includes(form) ? 1.2 : 1.6 } : {}

/** The edge of a filling or of a cemented piece on a tooth, as a cut. */
export const edgeOf = (u: Unit, part: EdgePart, more: Partial<Cut> = {}): Omit<Cut, 'id' | 'surface'> => ({
  form: 'edge',
  depthMm: 0.2,
  part,
  ...widestOn(u, 'edge'),
  ...more,
})

const cutOf = (id: string, u: Unit, { form, ...line }: CutLine & { form: CutForm }): Cut => ({
  id,
  form,
  depthMm: line.depthMm,
  surface: line.surface,
  ...(line.after ? { after: line.after } : {}),
  ...(line.prefer ? { prefer: line.prefer } : {}),
  ...(line.stuff ? { stuff: line.stuff } : {}),
  ...(line.part ? { part: line.part } : {}),
  ...(line.margin ? { margin: line.margin } : {}),
  ...widestOn(u, form),
})

function cutStep(c: Case, u: Unit, line: CutLine, shares: number, whole: readonly [number, number, number]): Draft {
  const id = `cutting.${line.act}.${u.tooth}`
  const part = (m: number): number => (m * line.share) / shares
  return {
    id,
    phase: 'cutting',
    title: c.units.length > 1 ? `${u.tooth}: ${line.title}` : line.title,
    ...(line.detail ? { detail: line.detail } : {}),
    ...(line.told ? { told: line.told } : {}),
    tooth: u.tooth,
    fn: 'cutting',
    place: 'mouth',
    helped: true,
    reshapes: jawOf(u.tooth),
    hurts: c.request.vital && !(line.enamel && c.request.inEnamel) ? soreTooth(u.tooth) : [],
    minutes: [part(whole[0]), part(whole[1]), part(whole[2])],
    ...(line.passes ? { passes: line.passes } : {}),
    ...(line.needs ? { needs: line.needs } : {}),
    ...(line.cautions ? { cautions: line.cautions } : {}),
    ...(line.cues ? { cues: line.cues } : {}),
    ...(line.form === 'by hand' ? {} : { cut: cutOf(id, u, { ...line, form: line.form }) }),
    ...(line.mistakes ? { mistakes: line.mistakes } : {}),
    ...(line.because ? { reason: line.because } : {}),
  }
}

/** One order for the acts of several teeth: each tooth's own order kept, an act only one tooth has behind the act it follows there. */
function actOrder(lists: readonly CutLine[][]): string[] {
  const order: string[] = []
  for (const lines of lists) {
    lines.forEach((line, i) => {
      if (!order.includes(line.act)) order.splice(i === 0 ? 0 : order.indexOf(sure(lines[i - 1]).act) + 1, 0, line.act)
    })
  }
  return order
}

/**
 * The cuts of the teeth as steps. They ask for cuts, not for bur numbers. Several teeth are cut act by act, so that a bur
 * goes over all of them before it is changed. The handpiece and the cautions are said once, at the first cut: a warning
 * that stands on ten steps is read on none.
 * @param whole short, likely and long minutes for one tooth, shared out over its lines.
 */
export function cutSteps(
  c: Case,
  linesOf: (u: Unit) => CutLine[],
  whole: readonly [number, number, number] = crownMinutes,
): Block {
  return sequence(...cutDrafts(c, linesOf, whole).map(({ draft }) => step(draft)))
}

/** The same as drafts by act, for work that goes on between two of them. */
export function cutDrafts(
  c: Case,
  linesOf: (u: Unit) => CutLine[],
  whole: readonly [number, number, number],
): { act: string; draft: Draft }[] {
  const own = c.units.map((u) => {
    const lines = linesOf(u)
    return { u, lines, shares: lines.reduce((sum, l) => sum + l.share, 0) }
  })
  const drafts = actOrder(own.map((o) => o.lines)).flatMap((act) =>
    own.flatMap(({ u, lines, shares }) =>
      lines.filter((l) => l.act === act).map((line) => ({ act, draft: cutStep(c, u, line, shares, whole) })),
    ),
  )
  return drafts.map(({ act, draft }, i) =>
    i === 0
      ? {
          act,
          draft: {
            ...draft,
            cautions: [...cuttingCautions, ...(draft.cautions ?? [])],
            needs: [open('high-speed handpiece'), open('bur block'), open('face shield', 2), ...(draft.needs ?? [])],
          },
        }
      : { act, draft },
  )
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

/** Enough taken, everywhere? The dentist answers before a cord goes in. */
export function reductionCheck(c: RestoredCase, more: Partial<Draft> = {}): Block {
  const t = reductionTargets(c.restoration)
  const targets = c.units.map((u) =>
    u.cusps
      ? `${u.tooth}: ${u.cusps.functional} cusps ${writeRange(t.functionalCusp)}, ${u.cusps.other} cusps ${writeRange(t.otherCusp)}, margin ${writeRange(t.margin)}`
      : `${u.tooth}: incisal ${t.incisal ? writeRange(t.incisal) : 'as the dentist says'}, labial ${writeRange(t.facial)}, margin ${writeRange(t.margin)}`,
  )
  const index = c.choices.provisional === 'bis-acryl in putty index'
  const guide = c.choices.provisional === 'bis-acryl in wax-up matrix'
  const gauge = index
    ? 'sectioned putty index'
    : guide
      ? 'reduction guide from the wax-up'
      : 'clearance tabs, thin to thick'
  return step({
    id: 'cutting.reduction-check',
    phase: 'cutting',
    title: 'Check the reduction',
    told: 'checked the reduction with the dentist',
    asks: [
      { reading: 'reduction', teeth: teethOf(c), restoration: c.restoration },
      // Walls of an inlay open upward and a veneer has none: only a crown resists by them.
      ...(c.kind.family === 'crown' || c.kind.family === 'root'
        ? [{ reading: 'convergence' as const, teeth: teethOf(c) }]
        : []),
    ],
    detail: targets.join('. '),
    fn: 'chairside',
    place: 'mouth',
    helped: true,
    minutes: [1, 2, 4],
    needs: [open('clearance tabs'), ...(guide ? [open('reduction guide')] : [])],
    passes: [gauge, 'probe'],
    hold: {
      name: 'reduction',
      title: 'Reduction enough',
      evidence: index
        ? 'sectioned index and clearance tabs'
        : guide
          ? 'guide from the wax-up and clearance tabs'
          : 'clearance tabs in the bite and on the sides',
      because: reason('what is short now is a thin crown later; before the cord it costs a minute', 'C'),
      again: [...c.units.map((u) => `cutting.finish.${u.tooth}`), 'cutting.reduction-check'],
    },
    figures: c.units.flatMap((u) =>
      u.cusps
        ? [
            {
              name: `${u.tooth}, ${u.cusps.functional} cusps`,
              value: t.functionalCusp.leastMm,
              unit: 'mm',
              text: `at least ${t.functionalCusp.leastMm} mm for a ${c.restoration}`,
              standing: t.standing,
            },
          ]
        : [],
    ),
    mistakes: ['read with the jaw off its bite: the tab feels free where it is not'],
    ...more,
  })
}
