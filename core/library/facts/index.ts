/** The vocabulary of conditions: what can be asked of a case, by the names the trade has for it. */
import { choiceNames, questions, type ChoiceName } from '../../practice/choices'
import { keysOf, sure, tableOf } from '../../sure'
import { alertWords, type Alert } from '../../vocabulary'
import { caseFacts } from './case'
import { boxesOfWork, cavityFacts } from './cavity'
import type { Fact } from './fact'
import { marginPartFacts } from './margin-parts'
import { reductionFacts } from './reduction'
import { toothFacts } from './tooth'
import { workFacts } from './work'

type SchoolFact = `school.${ChoiceName}`
type AlertFact = `alert.${Alert}`
export type FactId =
  | keyof typeof caseFacts
  | keyof typeof marginPartFacts
  | keyof typeof reductionFacts
  | keyof typeof toothFacts
  | keyof typeof cavityFacts
  | keyof typeof boxesOfWork
  | keyof typeof workFacts
  | SchoolFact
  | AlertFact

const schools = tableOf(choiceNames, (name): Fact => {
  const { title, schools: known } = sure(questions.find((q) => q.name === name))
  return { says: title, from: 'the practice', of: (c) => c.school(name), values: known.map((s) => s.value) }
})
const alerts = tableOf(keysOf(alertWords), (alert): Fact => ({
  says: alertWords[alert],
  from: 'the patient',
  of: (c) => c.has(alert),
}))
const named = (prefix: string, of: Readonly<Record<string, Fact>>): [string, Fact][] =>
  Object.entries(of).map(([name, fact]) => [`${prefix}.${name}`, fact])

const all = new Map<string, Fact>([
  ...Object.entries(caseFacts),
  ...Object.entries(marginPartFacts),
  ...Object.entries(reductionFacts),
  ...Object.entries(toothFacts),
  ...Object.entries(cavityFacts),
  ...Object.entries(boxesOfWork),
  ...Object.entries(workFacts),
  ...named('school', schools),
  ...named('alert', alerts),
])
/** @returns nothing where nobody knows such a fact */
export const factCalled = (name: string): Fact | undefined => all.get(name)
/** Every fact with its name, for whoever lists them. */
export const allFacts = (): ReadonlyMap<string, Fact> => all
