/** Measures taken at a step of the run: which there are, and how readings are judged as the run stores them. */
import type { Plan, Step } from '../plan/types'
import type { Tooth } from '../teeth/notation'
import { inspection } from './measures/impression'
import { sheet } from './measures/isolation'
import { curing, depth } from './measures/light'
import type { At, Judged, Measure } from './measures/measure'
import { alginateMix, base, irrigant, tint } from './measures/mixing'
import { anaesthetic } from './measures/numbing'
import { convergence, reduction } from './measures/preparation'
import { provisional } from './measures/provisional'
import { ferrule, postDepth } from './measures/root'
import { shade } from './measures/shade'
import { cord, cordOut } from './measures/tissue'

export const measures = {
  shade,
  anaesthetic,
  alginate: alginateMix,
  sheet,
  reduction,
  convergence,
  cord,
  'cord out': cordOut,
  inspection,
  provisional,
  'post space': postDepth,
  ferrule,
  irrigant,
  depth,
  base,
  light: curing,
  tint,
} as const satisfies Record<string, Measure>
export type MeasureKind = keyof typeof measures
export const measureKinds = Object.keys(measures) as [MeasureKind, ...MeasureKind[]]
export const measureOfKind = (kind: MeasureKind): Measure => measures[kind]

export interface Measured extends Judged {
  measure: MeasureKind
  tooth: Tooth
  stepId: string
  readings: unknown
  by: string
  at: number
  /** How often it was read at this step since the step began, this time included. */
  round: number
}

/** What a reading is of, as it is spoken: what is read once for the visit names no tooth. */
export const spokenOf = (m: Pick<Measured, 'measure' | 'tooth'>, words: string): string =>
  measureOfKind(m.measure).once ? words : `${m.tooth} ${words}`

/** What is measured at a step. */
export const measuresAt = (plan: Plan, step: Step): MeasureKind[] =>
  measureKinds.filter((kind) => measures[kind].at(plan, step))
/** The teeth a measure is taken of at a step: the step's own, the first where it is read once for the visit, or all. */
export function teethAt(plan: Plan, step: Pick<Step, 'tooth'>, kind: MeasureKind): Tooth[] {
  const all = plan.teeth.map((t) => t.tooth)
  if (step.tooth !== undefined && all.includes(step.tooth)) return [step.tooth]
  return measureOfKind(kind).once ? all.slice(0, 1) : all
}

/** Judges readings; what is wrong with them, in words, where they cannot be judged. */
export function judge(kind: MeasureKind, given: unknown, at: At): Judged | { wrong: string } {
  const measure: Measure = measures[kind]
  const parsed = measure.readings.safeParse(given)
  if (!parsed.success) {
    const name = (path: readonly PropertyKey[]): string =>
      measure.fields?.[String(path[0])]?.label ?? (path.join('.') || 'readings')
    const open = parsed.error.issues.filter(
      (i) => measure.fields && (given as Record<string, unknown>)?.[String(i.path[0])] === undefined,
    )
    if (open.length > 0) return { wrong: `still to be read: ${open.map((i) => name(i.path)).join(', ')}` }
    return { wrong: parsed.error.issues.map((i) => `${name(i.path)}: ${i.message}`).join('; ') }
  }
  return measure.judge(parsed.data as never, at)
}
