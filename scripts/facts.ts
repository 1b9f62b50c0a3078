/** docs/facts.md: the vocabulary of the library, made from the data itself. */
import type { Plan } from '../core/model/plan'
import { cuts } from '../core/library/cuts'
import { veneerLines } from '../core/library/cuts/enamel'
import { allFacts } from '../core/library/facts'
import { decides } from '../core/library/facts/decides'
import { visitKinds } from '../core/library/kinds'
import { steps } from '../core/library/steps'
import { kindFacts, type KindId } from '../core/kinds'
import { entriesOf, keysOf } from '../core/sure'

const named = (value: unknown, into: Set<string>): void => {
  if (typeof value === 'string') {
    for (const [, word, words] of value.matchAll(/\$(?:([A-Za-z]\w*)|\(([\w. -]+?)(?::n)?\))/g)) {
      const name = word ?? words ?? ''
      into.add(name.charAt(0).toLowerCase() + name.slice(1))
    }
  } else if (Array.isArray(value)) for (const v of value) named(v, into)
  else if (typeof value === 'object' && value !== null)
    for (const [key, v] of Object.entries(value)) {
      if (key === 'if') conditions(v, into)
      else if (key === 'pick' && Array.isArray(v))
        for (const way of v) {
          if (!Array.isArray(way)) continue
          if (way.length > 1) conditions(way[0], into)
          named(way.at(-1), into)
        }
      else named(v, into)
    }
}
/** The facts a condition names: bare words, and the first of a comparison. */
function conditions(when: unknown, into: Set<string>): void {
  if (typeof when === 'string') into.add(when.replace(/^\$/, ''))
  else if (Array.isArray(when)) conditions(when[0], into)
  else if (typeof when === 'object' && when !== null)
    for (const v of Object.values(when))
      for (const w of Array.isArray(v) && !('not' in when) ? v : [v]) conditions(w, into)
}

/** Which steps, cuts and kinds name each fact. */
export function usedBy(): Map<string, string[]> {
  const used = new Map<string, string[]>()
  const veneers: [string, unknown] = ['veneers cut', veneerLines]
  const all: [string, unknown][] = [...entriesOf(steps), ...entriesOf(cuts), ...entriesOf(visitKinds), veneers]
  for (const [id, template] of all) {
    const names = new Set<string>()
    named(template, names)
    for (const name of names) used.set(name, [...(used.get(name) ?? []), id])
  }
  return used
}
/** Which kinds ask for what, in the reviewed cases. */
function askedBy(plans: readonly Plan[]): Map<string, Set<KindId>> {
  const asked = new Map<string, Set<KindId>>()
  for (const plan of plans) {
    const kinds = [plan.request.kind, ...plan.request.also.map((w) => w.kind)]
    kinds.forEach((kind, i) => {
      for (const fact of plan.asked.facts[i] ?? []) asked.set(fact, (asked.get(fact) ?? new Set()).add(kind))
    })
  }
  return asked
}
const most = 6
const few = (all: readonly string[]): string =>
  all.length > most ? `${all.slice(0, most).join(', ')} and ${all.length - most} more` : all.join(', ')

/** The page as it has to stand in docs. */
export function factsPage(plans: readonly Plan[]): string {
  const used = usedBy()
  const asked = askedBy(plans)
  const code = (id: string): string => `\`${id}\``
  const lines = [
    '# Facts',
    '',
    'Made by `npm run readings` from the library itself and held by `core/library/kinds/golden.test.ts`: what may be asked of a case and',
    'what hangs on it; then every name a condition or a sentence of the library may use.',
    '',
    '## What is asked, and what it decides',
    '',
    '| asked | decides | by, in the reviewed cases |',
    '| --- | --- | --- |',
    ...keysOf(decides).map(
      (fact) =>
        `| ${decides[fact].title} (${code(fact)}) | ${decides[fact].decides} | ${few([...(asked.get(fact) ?? [])].map((k) => kindFacts(k).title).toSorted())} |`,
    ),
    '',
    '## Facts by name',
    '',
    '| fact | what it is | known from | may be | steps, cuts and kinds that name it |',
    '| --- | --- | --- | --- | --- |',
    ...[...allFacts()].map(
      ([name, { says, from, values, unit }]) =>
        `| ${code(name)} | ${says} | ${from} | ${values ? values.join(', ') : (unit ?? '')} | ${few((used.get(name) ?? []).map(code))} |`,
    ),
    '',
  ]
  return lines.join('\n')
}
