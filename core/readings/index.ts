/** Measures taken at a step of the run: which there are, and how readings are judged as the run stores them. */
import type { Plan, Step } from '../model/plan'
import type { Tooth } from '../teeth/notation'
import { inspection } from './impression'
import { sheet } from './isolation'
import { curing, depth } from './light'
import type { At, Judged, Reading } from './reading'
import { alginateMix, base, irrigant, tint } from './mixing'
import { anaesthetic } from './numbing'
import { convergence, reduction } from './preparation'
import { provisional } from './provisional'
import { ferrule, postDepth } from './root'
import { shade } from './shade'
import { cord, cordOut } from './tissue'

export const readingTable = {
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
} as const satisfies Record<string, Reading>
export type ReadingKind = keyof typeof readingTable
export const readingKinds = Object.keys(readingTable) as [ReadingKind, ...ReadingKind[]]
export const readingOfKind = (kind: ReadingKind): Reading => readingTable[kind]

export interface Measured extends Judged {
  measure: ReadingKind
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
  readingOfKind(m.measure).once ? words : `${m.tooth} ${words}`

/** What is measured at a step. */
export const readingsAt = (plan: Plan, step: Step): ReadingKind[] =>
  readingKinds.filter((kind) => readingTable[kind].at(plan, step))
/** The teeth a measure is taken of at a step: the step's own, the first where it is read once for the visit, or all. */
export function teethAt(plan: Plan, step: Pick<Step, 'tooth'>, kind: ReadingKind): Tooth[] {
  const all = plan.teeth.map((t) => t.tooth)
  if (step.tooth !== undefined && all.includes(step.tooth)) return [step.tooth]
  return readingOfKind(kind).once ? all.slice(0, 1) : all
}

/** Judges readings; what is wrong with them, in words, where they cannot be judged. */
export function judge(kind: ReadingKind, given: unknown, at: At): Judged | { wrong: string } {
  const measure: Reading = readingTable[kind]
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
