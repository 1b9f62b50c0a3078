/** What a reading is: what is read and how it is judged. One object for each; the run knows no other way. Steps ask for it. */
import * as z from 'zod'
import type { Figure } from '../figure'
import type { Plan } from '../model/plan'
import type { Ask, ReadingKind, Step } from '../model/step'
import type { Tooth } from '../teeth/notation'

/**
 * `short`, `correct` and `again` keep the step's hold from being signed as good; `review` is for the dentist's eye and
 * holds nothing; `over` and `tell` are told.
 */
export const verdicts = ['good', 'over', 'tell', 'review', 'short', 'correct', 'again'] as const
export type Verdict = (typeof verdicts)[number]
export const blocking: readonly Verdict[] = ['short', 'correct', 'again']

export interface Judged {
  verdict: Verdict
  says: string[]
  /** Kinds of fault, for the cause of a second one. */
  faults: string[]
  /** What was computed on the way, each with its formula and standing. */
  figures: Figure[]
}
export const judged = (verdict: Verdict, says: string[], more: Partial<Judged> = {}): Judged => ({
  faults: [],
  figures: [],
  ...more,
  verdict,
  says,
})

/** What a judgement may look at beside the readings: the plan, the step, and what the step's ask holds it against. */
export interface At<K extends ReadingKind = ReadingKind> {
  plan: Plan
  step: Pick<Step, 'id' | 'needs' | 'figures'>
  ask: AskOf<K>
  tooth: Tooth
  /** Kinds of fault for which this visit's impressions were taken again already. */
  before: readonly string[]
  /** How often this was read at this step before. */
  round: number
  /** What was read of it in rounds that were done over, where it adds up. */
  spent: readonly unknown[]
}
export type AskOf<K extends ReadingKind> = Ask & { reading: K }

export interface Reading {
  name: string
  /** Read once for the visit, not for each of its teeth. */
  once?: true
  /** What was read stays true when its step is done over: it adds up. */
  adds?: true
  /** Its step's hold rests on it: nobody signs what was not read. */
  rests?: true
  readings: z.ZodType
  judge: (readings: never, at: never) => Judged | { wrong: string }
  /** Set where the readings are plain fields: screens ask for them without knowing more. */
  fields?: Record<string, Field>
  /** What the plan knows already; it stands in the fields until it is changed. */
  starts?: (at: never) => Record<string, unknown>
}

export type Field =
  | {
      kind: 'number'
      label: string
      unit: string
      least: number
      most: number
      must?: true
      /** Values worth one touch. */ touches?: readonly number[]
    }
  | { kind: 'one of'; label: string; of: readonly string[]; must?: true }
  | { kind: 'yes'; label: string; must?: true }
  | { kind: 'text'; label: string; most: number; must?: true }

export const num = (
  label: string,
  unit: string,
  least: number,
  most: number,
  touches?: readonly number[],
): Field & { kind: 'number' } => ({ kind: 'number', label, unit, least, most, ...(touches ? { touches } : {}) })
export const oneOf = <const O extends readonly string[]>(label: string, of: O) =>
  ({ kind: 'one of', label, of }) as const satisfies Field
export const yes = (label: string) => ({ kind: 'yes', label }) as const satisfies Field
export const text = (label: string, most = 20) => ({ kind: 'text', label, most }) as const satisfies Field
/** The field has to be filled. */
export const must = <F extends Field>(field: F): F & { must: true } => ({ ...field, must: true })

type Of<F extends Field> = F['kind'] extends 'number'
  ? number
  : F['kind'] extends 'yes'
    ? boolean
    : F extends { of: readonly (infer O)[] }
      ? O
      : string
export type Values<F extends Record<string, Field>> = {
  [K in keyof F as F[K] extends { must: true } ? K : never]: Of<F[K]>
} & { [K in keyof F as F[K] extends { must: true } ? never : K]?: Of<F[K]> | undefined }

function schemaOf(field: Field): z.ZodType {
  const base =
    field.kind === 'number'
      ? z.number().min(field.least).max(field.most)
      : field.kind === 'yes'
        ? z.boolean()
        : field.kind === 'text'
          ? z.string().trim().min(1).max(field.most)
          : z.enum(field.of)
  return field.must ? base : base.optional()
}

/**
 * A reading whose readings are plain fields.
 * @param _kind the ask it answers: what the step holds it against is then known to `judge`.
 */
export function readingOf<K extends ReadingKind, const F extends Record<string, Field>>(
  _kind: K,
  m: Omit<Reading, 'readings' | 'judge' | 'fields' | 'starts'> & {
    fields: F
    judge: (given: Values<F>, at: At<K>) => Judged | { wrong: string }
    starts?: (at: At<K>) => Partial<Values<F>>
  },
): Reading {
  const schema = z.strictObject(Object.fromEntries(Object.entries(m.fields).map(([key, f]) => [key, schemaOf(f)])))
  return { ...m, readings: schema }
}
