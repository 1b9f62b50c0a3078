/** Readings taken at a step: which there are, and how they are judged as the run stores them. */
import { keysOf } from '../sure'
import type { ReadingKind, Step } from '../model/step'
export type { ReadingKind } from '../model/step'
import type { Tooth } from '../teeth/notation'
import { inspection } from './impression'
import { sheet } from './isolation'
import { curing, depth } from './light'
import type { At, Judged, Reading } from './reading'
import { alginateMix, base, irrigant, tint } from './mixing'
import { anaesthetic } from './numbing'
import { convergence, reduction } from './preparation'
import { provisional } from './provisional'
import { canal, ferrule, postDepth } from './root'
import { shade } from './shade'
import { cord, cordOut } from './tissue'
import type { Plan } from '../model/plan'
import { said } from '../model/said'

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
  canal,
  depth,
  base,
  light: curing,
  tint,
} as const satisfies Record<ReadingKind, Reading>
export const readingKinds = keysOf(readingTable)
/** @example readingOfKind('shade').name // 'Shade' */
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

/**
 * What a reading is of, as it is spoken: what is read once for the visit names no tooth.
 * @example spokenOf(plan, { measure: 'reduction', tooth: toTooth('37') }, 'reduction') // '37 reduction'
 */
export const spokenOf = (plan: Pick<Plan, 'notation'>, m: Pick<Measured, 'measure' | 'tooth'>, words: string): string =>
  readingOfKind(m.measure).once ? words : `${said(plan, m.tooth)} ${words}`

/**
 * What is read at a step.
 * @example readingsAt({ asks: [{ reading: 'shade', teeth: [] }] }) // [ 'shade' ]
 */
export const readingsAt = (step: Pick<Step, 'asks'>): ReadingKind[] => step.asks.map((a) => a.reading)
/**
 * The teeth a reading is taken of at a step; one for the whole visit where it is read once.
 * @example teethAt({ asks: [{ reading: 'shade', teeth: [toTooth('11')] }] }, 'shade') // [ '11' ]
 */
export const teethAt = (step: Pick<Step, 'asks'>, kind: ReadingKind): Tooth[] =>
  step.asks.filter((a) => a.reading === kind).flatMap((a) => (readingOfKind(kind).once ? a.teeth.slice(0, 1) : a.teeth))

/** Where a reading was taken; what it is held against the step says. */
export type Taken = Omit<At, 'ask' | 'step' | 'spent'> & {
  step: Step
  spent?: readonly Pick<Measured, 'measure' | 'readings'>[]
}

/** What a reading of a tooth is judged with; nothing where the step asks for no such thing. */
export function atOf(kind: ReadingKind, { plan, step, tooth, before, round, spent = [] }: Taken): At | undefined {
  const ask = step.asks.find((a) => a.reading === kind && a.teeth.includes(tooth))
  const own = spent.filter((m) => m.measure === kind).map((m) => m.readings)
  return ask && { plan, step, ask, tooth, before, round, spent: own }
}

/**
 * A reading's own judge takes its own readings and its own ask: its schema has parsed the one, `atOf` has found the other.
 * The table of all readings cannot say which belongs to which.
 */
// oxlint-disable-next-line typescript/no-unsafe-type-assertion
const own = (value: unknown): never => value as never
const isObject = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null

/** What the plan knows already of a reading; it stands in the fields until it is changed. */
export function startsOf(kind: ReadingKind, facts: Taken): Record<string, unknown> {
  const at = atOf(kind, facts)
  return (at && readingOfKind(kind).starts?.(own(at))) ?? {}
}

/**
 * Judges readings; what is wrong with them, in words, where they cannot be judged.
 * @param given as it came from a screen or a shell: parsed here.
 */
export function judge(kind: ReadingKind, given: unknown, facts: Taken): Judged | { wrong: string } {
  const measure = readingOfKind(kind)
  const at = atOf(kind, facts)
  if (!at) return { wrong: 'this is not read at that step' }
  const parsed = measure.readings.safeParse(given)
  if (!parsed.success) {
    const name = (path: readonly PropertyKey[]): string =>
      measure.fields?.[String(path[0])]?.label ?? (path.join('.') || 'readings')
    const open = parsed.error.issues.filter(
      (i) => measure.fields && isObject(given) && given[String(i.path[0])] === undefined,
    )
    if (open.length > 0) return { wrong: `still to be read: ${open.map((i) => name(i.path)).join(', ')}` }
    return { wrong: parsed.error.issues.map((i) => `${name(i.path)}: ${i.message}`).join('; ') }
  }
  return measure.judge(own(parsed.data), own(at))
}
