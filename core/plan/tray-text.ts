/**
 * The tray and the text, held against each other: what a sentence names lies there, what lies there is named at a step, and
 * what was exchanged is called by its own name in every sentence.
 */
import { itsName, spokenName, thingsIn, type Naming } from '../catalog/spoken'
import type { Need } from '../catalog/match'
import { answersOf } from './safe'
import { capital } from '../words'
import type { Reason } from '../figure'
import type { BurPass, Plan, SetupLine, Unlaid } from '../model/plan'
import type { Step } from '../model/step'
import type { Case } from '../phases/case'
import { burWordsIn } from '../catalog/spoken-burs'
import { burInHand } from './burs'

/** What of a step is read: a step as it is drafted, or as it is planned. */
export interface Says {
  title: string
  detail?: string
  passes?: readonly string[]
  cautions?: readonly Reason[]
  mistakes?: readonly string[]
  help?: string
  needs?: readonly Need[]
}

/** The sentences of a step in which things are named. */
const sentencesOf = (s: Says): string[] => [
  s.title,
  ...(s.detail ? [s.detail] : []),
  ...(s.passes ?? []),
  ...(s.cautions ?? []).map((c) => c.text),
  ...(s.mistakes ?? []),
  ...(s.help ? [s.help] : []),
]

/** Every key a need answers to: its own and those above it. */
function keysOf(steps: readonly Says[]): Set<string> {
  const keys = new Set<string>()
  for (const s of steps) for (const { what } of s.needs ?? []) for (const key of keysAbove(what)) keys.add(key)
  return keys
}

/** A need's key and those above it: 'cord.00' is a cord, too. */
function keysAbove(what: string): string[] {
  const keys = [what]
  for (let dot = what.lastIndexOf('.'); dot > 0; dot = what.lastIndexOf('.', dot - 1)) keys.push(what.slice(0, dot))
  return keys
}

/** What steps name that none of them lays out; each once a step. */
export function missingThings<T extends Says>(
  steps: readonly T[],
  burs: ReadonlySet<string> = new Set(),
  elsewhere: (step: T) => readonly string[] = () => [],
): { step: T; words: string }[] {
  const laid = keysOf(steps)
  const missing: { step: T; words: string }[] = []
  for (const step of steps) {
    const words = new Set<string>()
    const read = (text: string): void => {
      // A bur that is handed under its own name is held against the strip.
      if (burs.has(text)) return
      for (const n of thingsIn(text)) if (!n.needs.some((k) => laid.has(k))) words.add(n.words)
    }
    for (const text of sentencesOf(step)) read(text)
    for (const text of elsewhere(step)) read(text)
    for (const w of words) missing.push({ step, words: w })
  }
  return missing
}

/** Burs that a step’s title, detail or pass names and that are not the one it cuts with, or in no strip where it cuts with none. */
function missingBurs(steps: readonly Step[], burs: readonly BurPass[]): Unlaid[] {
  const owned = burs.flatMap((b) => b.bur ?? [])
  return steps.flatMap((s) => {
    const own = owned.filter((b) => b.id === s.burId)
    // Where nothing owned fits, the lack says so.
    if (s.cut && own.length === 0) return []
    const there = s.cut ? own : owned
    return [s.title, s.detail ?? '', ...s.passes]
      .flatMap(burWordsIn)
      .filter((w) => !there.some(w.fits))
      .map((w) => ({ stepId: s.id, words: w.words }))
  })
}

/** What is said of each step beside its own sentences. */
function elsewhereOf(steps: readonly Step[], { holds, counts, links }: Beside): Map<string, string[]> {
  const said = new Map(
    steps.map((s) => [
      s.id,
      [...(s.cues ?? []).map((q) => q.say), ...(s.lanes?.rows.flatMap((row) => row.acts.map((a) => a.say)) ?? [])],
    ]),
  )
  for (const h of holds) said.get(h.stepId)?.push(h.title, h.evidence)
  for (const c of counts) said.get(c.inStep)?.push(c.what)
  for (const l of links) if (l.kind === 'window') said.get(l.to)?.push(l.whenMissed)
  return said
}
type Beside = Pick<Plan, 'holds' | 'counts' | 'links'>

/** What is named and not laid out: things, and burs that are not in the strip in their turn. Empty in a sound plan. */
export function unlaid(steps: readonly Step[], burs: readonly BurPass[], beside: Beside): Unlaid[] {
  const said = elsewhereOf(steps, beside)
  const names = new Set(burs.flatMap(({ order, bur }) => (bur ? [burInHand({ order, bur })] : [])))
  const things = missingThings(steps, names, (s) => said.get(s.id) ?? [])
  return [...things.map(({ step, words }) => ({ stepId: step.id, words })), ...missingBurs(steps, burs)]
}

/** The lines of the setup that some sentence names, by their ids. */
export function namedLines(steps: readonly Step[], setup: readonly SetupLine[]): Set<string> {
  const said = new Set<string>()
  for (const s of steps)
    for (const text of sentencesOf(s)) for (const n of thingsIn(text)) for (const key of n.needs) said.add(key)
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

/** Every sentence of the steps, with the things called what they are called on this tray. */
export interface Called {
  (steps: readonly Step[]): Step[]
  say: (sentence: string) => string
}

/**
 * A word that means one thing among those that would do gives way to the name of what is laid out: after an exchange, or
 * where the one meant is not owned.
 */
export function callThings(steps: readonly Step[], c: Case): Called {
  const answer = answersOf(steps, c)
  const needs = steps.flatMap((s) => s.needs)
  const names = new Map<string, string | null>()
  /** The name to be said instead, where the word does not fit. */
  const instead = (n: Naming, only: string): string | null => {
    const known = names.get(n.words)
    if (known !== undefined) return known
    const need = needs.find((x) => keysAbove(x.what).some((k) => n.needs.includes(k)))
    const item = need && answer(need).item
    const name = !item || item.name.toLowerCase().includes(only) ? null : spokenName(item.name)
    names.set(n.words, name)
    return name
  }
  const say = (sentence: string): string => {
    let said = ''
    let from = 0
    for (const n of thingsIn(sentence)) {
      const name = n.only === undefined ? null : instead(n, n.only)
      if (name === null) continue
      said += sentence.slice(from, n.at) + (/^[A-Z]/.test(n.words) ? capital(name) : name)
      from = n.at + n.words.length
    }
    return from === 0 ? sentence : said + sentence.slice(from)
  }
  const changed = (sentence: string): boolean => say(sentence) !== sentence
  const called = (s: Step): Step =>
    !sentencesOf(s).some(changed) && !changed(s.told ?? '') && !(s.cues ?? []).some((q) => changed(q.say))
      ? s
      : renamed(s)
  const renamed = (s: Step): Step => ({
    ...s,
    title: say(s.title),
    ...(s.detail ? { detail: say(s.detail) } : {}),
    ...(s.told ? { told: say(s.told) } : {}),
    passes: s.passes.map(say),
    cautions: s.cautions.map((x) => ({ ...x, text: say(x.text) })),
    mistakes: s.mistakes.map(say),
    ...(s.cues ? { cues: s.cues.map((q) => ({ ...q, say: say(q.say) })) } : {}),
  })
  return Object.assign((all: readonly Step[]) => all.map(called), { say })
}
