/**
 * The tray and the text, held against each other: what a sentence names lies there, what lies there is named at a step, and
 * what was exchanged is called by its own name in every sentence.
 */
import { itsName, spokenName } from '../catalog/spoken'
import type { Need } from '../catalog/match'
import { saidIn } from '../library/fields'
import type { ThingSaid } from '../library/pieces'
import { bursOf, plain, saidOf, thingsOf, type Said } from '../library/said'
import { helpWords } from '../practice/helps'
import type { Answers, UsesThings } from './safe'
import { sure } from '../sure'
import { capital } from '../words'
import type { BurPass, SetupLine, Unlaid } from '../model/plan'
import type { Step } from '../model/step'
import type { Drafted } from '../library/build'
import { burFits } from '../catalog/spoken-burs'

/** Keys are few and come again; a practice's own are bounded. */
const above = new Map<string, readonly string[]>()
const mostAbove = 5000
/** A need's key and those above it: 'cord.00' is a cord, too. */
function keysAbove(what: string): readonly string[] {
  const before = above.get(what)
  if (before) return before
  const keys = [what]
  for (let dot = what.lastIndexOf('.'); dot > 0; dot = what.lastIndexOf('.', dot - 1)) keys.push(what.slice(0, dot))
  if (above.size < mostAbove) above.set(what, keys)
  return keys
}

/** Every key a need answers to: its own and those above it. */
const keysOf = (steps: readonly { needs?: readonly Need[] }[]): Set<string> =>
  new Set(steps.flatMap((s) => (s.needs ?? []).flatMap(({ what }) => keysAbove(what))))

/** What steps name that none of them lays out; each once a step. */
export function missingThings(drafts: readonly Drafted[]): { draft: Drafted; words: string }[] {
  const laid = keysOf(drafts)
  return drafts.flatMap((draft) => {
    const named = saidIn(draft, ['text', 'beside']).flatMap(thingsOf)
    const missing = named.filter((n) => !n.needs.some((k) => laid.has(k))).map((n) => n.words)
    return [...new Set(missing)].map((words) => ({ draft, words }))
  })
}

/** Burs that a step’s title, detail or pass names and that are not the one it cuts with, or in no strip where it cuts with none. */
function missingBurs(drafts: readonly Drafted[], steps: readonly Step[], burs: readonly BurPass[]): Unlaid[] {
  const owned = burs.flatMap((b) => b.bur ?? [])
  return drafts.flatMap(({ id, title, detail = [], passes = [] }, i) => {
    const named = [title, detail, ...passes].flatMap(bursOf)
    const { cut, burId } = named.length > 0 ? sure(steps[i]) : {}
    const own = owned.filter((b) => b.id === burId)
    // Where nothing owned fits, the lack says so.
    if (cut && own.length === 0) return []
    const there = cut ? own : owned
    return named.filter(({ bur }) => !there.some((b) => burFits(bur, b))).map(({ words }) => ({ stepId: id, words }))
  })
}

/** What is named and not laid out: things, and burs that are not in the strip in their turn. Empty in a sound plan. */
export const unlaid = (drafts: readonly Drafted[], steps: readonly Step[], burs: readonly BurPass[]): Unlaid[] => [
  ...missingThings(drafts).map(({ draft, words }) => ({ stepId: draft.id, words })),
  ...missingBurs(drafts, steps, burs),
]

/** The lines of the setup that some step says it uses, by their ids; what its second pair of hands does names them, too. */
export function namedLines(
  drafts: readonly Drafted[],
  steps: readonly Pick<Step, 'help' | 'fn'>[],
  setup: readonly SetupLine[],
): Set<string> {
  const helps = steps.flatMap((s, i) => (s.help === undefined || drafts[i]?.helps ? [] : [saidOf(helpWords(s.fn))]))
  const said = new Set(
    [...drafts.flatMap((d) => saidIn(d, ['text'])), ...helps].flatMap(thingsOf).flatMap((n) => n.needs),
  )
  return new Set(
    setup.filter((l) => l.needs.some((need) => keysAbove(need).some((key) => said.has(key)))).map((l) => l.id),
  )
}

/**
 * Each step with what it uses that no sentence of the plan names, said where it is first used, by its name as it is laid out.
 * @param named as {@link namedLines} tells
 */
export function withThings(steps: readonly Step[], setup: readonly SetupLine[], named: ReadonlySet<string>): Step[] {
  const first = new Map<string, string[]>()
  for (const l of setup) {
    const [at] = l.steps
    if (l.readiness !== 'open' || named.has(l.id) || at === undefined) continue
    first.set(at, [...(first.get(at) ?? []), itsName(l.name)])
  }
  return steps.map((s) => {
    const uses = first.get(s.id)
    return uses ? { ...s, with: uses } : s
  })
}

/**
 * What is laid out and used by no step, neither in its words nor among what it says it uses. Empty in a sound plan.
 * @param named as {@link namedLines} tells
 */
export function unused(steps: readonly Step[], setup: readonly SetupLine[], named: ReadonlySet<string>): string[] {
  const used = new Set(steps.flatMap((s) => s.with))
  return setup
    .filter((l) => (l.readiness === 'open' ? !named.has(l.id) && !used.has(itsName(l.name)) : l.when === undefined))
    .map((l) => l.name)
}

/**
 * How a sentence is said on this tray: a word that means one thing among those that would do gives way to the name of what is
 * laid out, after an exchange or where the one meant is not owned.
 */
export function calling(steps: readonly UsesThings[], answer: Answers): (said: Said) => string {
  const needs = steps.flatMap((s) => s.needs)
  const names = new Map<string, string | null>()
  /** The name to be said instead, where the word does not fit. */
  const instead = ({ words, needs: meant, only }: ThingSaid): string | null => {
    if (only === undefined) return null
    const known = names.get(words)
    if (known !== undefined) return known
    const need = needs.find((x) => keysAbove(x.what).some((k) => meant.includes(k)))
    const item = need && answer(need).item
    const name = !item || item.name.toLowerCase().includes(only) ? null : spokenName(item.name)
    names.set(words, name)
    return name
  }
  const called = (part: Said[number]): string => {
    if (typeof part === 'string') return part
    const name = instead(part)
    return name === null ? part.words : /^[A-Z]/.test(part.words) ? capital(name) : name
  }
  return (said) => (said.length === 1 && typeof said[0] === 'string' ? plain(said) : said.map(called).join(''))
}
