/** Which school a visit follows, question by question: card < case < visit; the later wins, else the default. */
import { keysOf, tableOf } from '../sure'
import * as z from 'zod'
import type { ChoiceFacts, Said, Standard } from './school-form'
import { table } from './schools'

export type ChoiceName = keyof typeof table
export type Choices = { [N in ChoiceName]: (typeof table)[N]['schools'][number][0] }

export const choiceNames = keysOf(table)
const schemas = tableOf(choiceNames, (name) => z.enum(table[name].schools.map(([value]) => value)))
export const choices = z.strictObject(
  // Each question's values are those of its own schools: a table read by its own keys, which the compiler sees as one heap.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  schemas as unknown as { [N in ChoiceName]: z.ZodType<Choices[N]> },
)
export const someChoices = choices.partial()

export interface School {
  value: string
  label: string
  note: string
}
export interface Question {
  name: ChoiceName
  title: string
  schools: School[]
  standard: (f: ChoiceFacts, said?: Said) => Standard
}

export const questions: readonly Question[] = choiceNames.map((name) => {
  const { title, schools, standard } = table[name]
  return {
    name,
    title,
    schools: schools.map(([value, label, note]) => ({ value, label, note })),
    standard: typeof standard === 'function' ? (f, said = {}) => standard(f, said) : () => standard,
  }
})

export type ChoiceSource = 'default' | 'card' | 'case' | 'visit'
/** What was chosen, at which level; for a default also why it is the default. */
export type ResolvedChoices = { [N in ChoiceName]: { value: Choices[N]; from: ChoiceSource; why?: string } }

/** Resolves every question: default for these facts, then the dentist's card, the case, the visit. */
export function resolveChoices(
  card: Partial<Choices>,
  ofCase: Partial<Choices>,
  visit: Partial<Choices>,
  facts: ChoiceFacts,
): ResolvedChoices {
  const levels: [ChoiceSource, Partial<Choices>][] = [
    ['visit', visit],
    ['case', ofCase],
    ['card', card],
  ]
  const said: Said = { ...card, ...ofCase, ...visit }
  const resolve = (q: Question): { value: string; from: ChoiceSource; why?: string } => {
    for (const [from, level] of levels) {
      const value = level[q.name]
      if (value !== undefined) return { value, from }
    }
    return { ...q.standard(facts, said), from: 'default' }
  }
  // Each answer is one of its own question's schools; where it came from outside, `choices` has parsed it.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  return Object.fromEntries(questions.map((q) => [q.name, resolve(q)])) as ResolvedChoices
}

/** The answers alone. */
export const valuesOf = (resolved: ResolvedChoices): Choices =>
  // As above: each value belongs to its own question.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  tableOf(choiceNames, (name) => resolved[name].value) as Choices
