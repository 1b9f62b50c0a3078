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
  shade, anaesthetic, alginate: alginateMix, sheet, reduction, convergence, cord, 'cord out': cordOut, inspection, provisional,
  'post space': postDepth, ferrule, irrigant, depth, base, light: curing, tint,
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

/** What is measured at a step. */
export const measuresAt = (plan: Plan, step: Step): MeasureKind[] => measureKinds.filter((kind) => measures[kind].at(plan, step))
/** The teeth a step's measures are about: its own, or all of the visit. */
export const teethAt = (plan: Plan, step: Pick<Step, 'tooth'>): Tooth[] => (step.tooth !== undefined && plan.teeth.some((t) => t.tooth === step.tooth) ? [step.tooth] : plan.teeth.map((t) => t.tooth))

/** Judges readings; what is wrong with them, in words, where they cannot be judged. */
export function judge(kind: MeasureKind, given: unknown, at: At): Judged | { wrong: string } {
  const measure: Measure = measures[kind]
  const parsed = measure.readings.safeParse(given)
  if (!parsed.success) return { wrong: parsed.error.issues.map((i) => `${measure.fields?.[String(i.path[0])]?.label ?? (i.path.join('.') || 'readings')}: ${i.message}`).join('; ') }
  return measure.judge(parsed.data as never, at)
}
