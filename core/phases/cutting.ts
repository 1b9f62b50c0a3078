import { lay, type Otherwise } from '../library/lay'
import { jawOf } from '../teeth/notation'
import { soreTooth } from '../measure/numbing'
import { sure } from '../sure'
import type { BurShape } from '../catalog/bur'
import type { Cut, CutForm, EdgePart } from '../catalog/cut'
import { reason, type Reason } from '../figure'
import { reductionTargets, writeRange } from '../measure/reduction'
import { isNarrow } from '../teeth/arch'
import { open, sequence, step, type Block, type Draft } from '../library/build'
import { type Case, type RestoredCase, type Unit } from '../library/case'

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

/** Forms that only smooth: a narrow tooth takes a thinner bur for these than for cutting. */
const smoothing: readonly CutForm[] = ['finish', 'edge']

/** Nothing wide on a lower incisor or a primary tooth: 1.6 mm for cutting, 1.2 mm for finishing; the football that hollows its inner side is as wide as that is. Our own, common practice. */
const widestOn = (u: Unit, form: CutForm): { widestMm?: number } =>
  isNarrow(u.tooth) && form !== 'lingual concavity' ? { widestMm: smoothing.includes(form) ? 1.2 : 1.6 } : {}

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
    title: c.units.length > 1 ? `${u.said}: ${line.title}` : line.title,
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

/** Enough taken, everywhere? The dentist answers before a cord goes in. */
export function reductionCheck(c: RestoredCase, more: Otherwise = {}): Block {
  const t = reductionTargets(c.restoration)
  const targets = c.units.map((u) =>
    u.cusps
      ? `${u.said}: ${u.cusps.functional} cusps ${writeRange(t.functionalCusp)}, ${u.cusps.other} cusps ${writeRange(t.otherCusp)}, margin ${writeRange(t.margin)}`
      : `${u.said}: incisal ${t.incisal ? writeRange(t.incisal) : 'as the dentist says'}, labial ${writeRange(t.facial)}, margin ${writeRange(t.margin)}`,
  )
  const index = c.choices.provisional === 'bis-acryl in putty index'
  const guide = c.choices.provisional === 'bis-acryl in wax-up matrix'
  const gauge = index
    ? 'sectioned putty index'
    : guide
      ? 'reduction guide from the wax-up'
      : 'clearance tabs, thin to thick'
  return lay(c, more.as ?? 'cutting.reduction-check', {
    targets: targets.join('. '),
    guide,
    gauge,
    index,
    finishes: c.units.map((u) => `cutting.finish.${u.tooth}`),
    figures: c.units.flatMap((u) =>
      u.cusps
        ? [
            {
              name: `${u.said}, ${u.cusps.functional} cusps`,
              value: t.functionalCusp.leastMm,
              unit: 'mm',
              text: `at least ${t.functionalCusp.leastMm} mm for a ${c.restoration}`,
              standing: t.standing,
            },
          ]
        : [],
    ),
    ...more,
  })
}
