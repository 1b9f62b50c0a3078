/** Cuts as steps, tooth by tooth and act by act; and whether enough was taken. */
import { sure } from '../../sure'
import type { Cut, CutForm } from '../../catalog/cut'
import { reductionTargets, writeRange } from '../../measure/reduction'
import { soreGum, sorePulp, soreTooth, type Site } from '../../measure/numbing'
import { innerSideOf } from '../facts/reduction'
import { besides } from '../facts/tooth'
import { widestBur } from '../../measure/room'
import { jawOf } from '../../teeth/notation'
import { sequence, type Block } from '../build'
import type { Case, RestoredCase, Unit } from '../case'
import { cutLines, type CutLine } from '../cut-lines'
import type { CutId } from '../cuts'
import type { CutParts } from '../cuts/cut'
import { lay, type Otherwise } from '../lay'
import type { Own } from '../scope'

/** Short, likely and long minutes for one tooth, shared out over its cuts. */
export type Minutes = readonly [number, number, number]
/** Crown cutting 12 · 20 · 40 minutes in all. Standing C or estimate; the practice's own runs replace it. */
export const crownMinutes = [12, 20, 40] as const

/** Nothing wider than the tooth has room for. */
function widestOn(u: Unit, form: CutForm, after: CutLine['after']): { widestMm?: number } {
  const widestMm = widestBur(u.tooth, form, { neighbour: besides(u), after })
  return widestMm === undefined ? {} : { widestMm }
}

const cutOf = (u: Unit, { form, act, depthMm, surface, ...line }: CutLine): Cut | undefined =>
  form === 'by hand'
    ? undefined
    : {
        id: `cutting.${act}.${u.tooth}`,
        form,
        depthMm,
        surface,
        ...(line.after ? { after: line.after } : {}),
        ...(line.prefer ? { prefer: line.prefer } : {}),
        ...(line.stuff ? { stuff: line.stuff } : {}),
        ...(line.part ? { part: line.part } : {}),
        ...(line.margin ? { margin: line.margin } : {}),
        ...widestOn(u, form, line.after),
      }

/** What a cut need not say. */
const unsaid: Record<'detail' | 'told' | 'passes' | 'needs' | 'cautions' | 'cues' | 'mistakes' | 'because', undefined> =
  {
    detail: undefined,
    told: undefined,
    passes: undefined,
    needs: undefined,
    cautions: undefined,
    cues: undefined,
    mistakes: undefined,
    because: undefined,
  }

const ledges: readonly CutLine['form'][] = ['chamfer', 'shoulder', 'rounded shoulder']

/** A margin at or under the gum is cut in the gum, whatever the pulp: a veneer's runs along the lip side only. */
function gumAt(c: Case, u: Unit, { form }: CutLine): Site[] {
  if (!ledges.includes(form)) return []
  if (!c.restoration || c.asks('margin') === 'supragingival') return []
  return soreGum([u.tooth], c.kind.family === 'veneer' ? ['cheek'] : ['cheek', 'inner'])
}

/** A cut of a tooth as a step. @param known `first` of all: the handpiece and the cautions are said there, once; `painless` where nothing is alive. */
function cutStep(c: Case, u: Unit, line: CutLine, [short, likely, long]: Minutes, known: Own): Block {
  return lay(c, 'cutting.$act.$tooth', {
    ...unsaid,
    ...line,
    ...known,
    u,
    short,
    likely,
    long,
    reshapes: jawOf(u.tooth),
    hurts: [
      ...(known['painless'] !== true && c.asks('vital') && !(line.enamel && c.asks('inEnamel'))
        ? (line.pulp ? sorePulp : soreTooth)(u.tooth)
        : []),
      ...gumAt(c, u, line),
    ],
    cut: cutOf(u, line),
  })
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
 * @param own what the cuts of a tooth ask for besides
 */
export const cutSteps = (
  c: Case,
  parts: CutParts<CutId>,
  whole: Minutes = crownMinutes,
  own: (u: Unit) => Own = () => ({}),
): Block => sequence(...cutsByAct(c, parts, whole, own).map(({ block }) => block))

/** The same by act, for work that goes on between two of them. */
export function cutsByAct(
  c: Case,
  parts: CutParts<CutId>,
  whole: Minutes,
  own: (u: Unit) => Own = () => ({}),
): { act: string; block: Block }[] {
  const teeth = c.units.map((u) => {
    const known = own(u)
    const lines = cutLines(c, u, parts, known)
    return { u, known, lines, shares: lines.reduce((sum, l) => sum + l.share, 0) }
  })
  const cuts = actOrder(teeth.map((t) => t.lines)).flatMap((act) =>
    teeth.flatMap(({ u, known, lines, shares }) =>
      lines.filter((l) => l.act === act).map((line) => ({ u, known, line, shares })),
    ),
  )
  const minutes = ({ share, shares }: { share: number; shares: number }): Minutes => [
    (whole[0] * share) / shares,
    (whole[1] * share) / shares,
    (whole[2] * share) / shares,
  ]
  return cuts.map(({ u, known, line, shares }, i) => ({
    act: line.act,
    block: cutStep(c, u, line, minutes({ share: line.share, shares }), { ...known, first: i === 0 }),
  }))
}

/** Enough taken, everywhere? The dentist answers before a cord goes in. */
export function reductionCheck(c: RestoredCase, more: Otherwise = {}): Block {
  const t = reductionTargets(c.restoration, innerSideOf(c))
  const margins = [
    `margin ${writeRange(t.margin)}`,
    ...(t.innerMargin ? [`inside ${writeRange(t.innerMargin)}`] : []),
    ...(t.margin.form === 'rounded shoulder' ? ['inner angle round'] : []),
  ].join(', ')
  const targets = c.units.map((u) =>
    u.cusps
      ? `${u.said}: ${u.cusps.functional} cusps ${writeRange(t.functionalCusp)}, ${u.cusps.other} cusps ${writeRange(t.otherCusp)}, ${margins}`
      : `${u.said}: incisal ${t.incisal ? writeRange(t.incisal) : 'as the dentist says'}, labial ${writeRange(t.facial)}, ${margins}`,
  )
  const guide = c.school('provisional') === 'bis-acryl in wax-up matrix'
  // A putty index that is the mould stays whole: it gauges nothing.
  const gauge = guide ? '{reduction guide} from the wax-up' : '{clearance tab}s, thin to thick'
  return lay(c, more.as ?? 'cutting.reduction-check', {
    targets: targets.join('. '),
    guide,
    gauge,
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
