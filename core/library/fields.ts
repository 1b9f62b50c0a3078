/**
 * What each field of a drafted step is: a sentence, a step, a count. Marking a second work, holding text against tray,
 * exchanging a thing's name and changing a step all go by these marks; a field that is not marked does not compile.
 */
import type { Draft, Drafted } from './draft'
import { readSaid, type Said } from './said'

/**
 * `text`: a sentence that says what is done with what. `beside`: one that is said of it elsewhere, of a hold, a count, a clock.
 * `told`: one of the record. `step`, `count`: the id of one. `plain`: none of these.
 */
export type Mark = 'text' | 'beside' | 'told' | 'step' | 'count' | 'plain'
export type Tree = Mark | readonly [Tree] | { readonly [field: string]: Tree }
type TreeOf<T> =
  NonNullable<T> extends readonly (infer E)[]
    ? 'plain' | 'step' | readonly [TreeOf<E>]
    : Mark | FieldsOf<NonNullable<T>>
type FieldsOf<T> = { readonly [K in keyof T]?: TreeOf<T[K]> }
type Whole = { readonly [K in keyof Required<Draft>]: TreeOf<Draft[K]> }

export const fields = {
  id: 'step',
  phase: 'plain',
  title: 'text',
  detail: 'text',
  told: 'told',
  tell: 'plain',
  tooth: 'plain',
  act: 'plain',
  asks: 'plain',
  fn: 'plain',
  place: 'plain',
  minutes: 'plain',
  helped: 'plain',
  helps: 'text',
  imprints: 'plain',
  reshapes: 'plain',
  numbed: 'plain',
  hurts: 'plain',
  passes: ['text'],
  needs: 'plain',
  holes: 'plain',
  cut: { id: 'step' },
  cord: 'plain',
  shows: 'plain',
  tellsLab: 'plain',
  seals: 'plain',
  bite: 'plain',
  leaves: 'plain',
  cleans: 'plain',
  wantsClean: 'plain',
  hold: { title: 'beside', evidence: 'beside', again: ['step'], restsOn: ['step'] },
  countsIn: [{ id: 'count', what: 'beside', outStep: 'step' }],
  countsOut: ['count'],
  cautions: [{ text: 'text' }],
  mistakes: ['text'],
  figures: 'plain',
  reason: 'plain',
  ties: [{ from: 'step', again: ['step'], whenMissed: 'beside' }],
  lanes: { from: 'step', acts: [{ say: 'beside' }] },
  cues: [{ say: 'beside', from: 'step' }],
} as const satisfies Whole

type Change = (value: never) => unknown
const isBranch = (tree: Tree): tree is Readonly<Record<string, Tree>> =>
  typeof tree === 'object' && !Array.isArray(tree)
type Changes = Partial<Record<Mark, Change>>

/** Whether anything under a branch is changed; looked up once for each set of marks. */
const touches = (tree: Tree, by: Changes): boolean =>
  typeof tree === 'string'
    ? by[tree] !== undefined
    : Array.isArray(tree)
      ? touches(tree[0], by)
      : Object.values(tree).some((t) => touches(t, by))

const entriesOf = (value: object): [string, unknown][] => Object.entries(value)

function changed(value: unknown, tree: Tree, by: Changes): unknown {
  if (value === undefined) return value
  if (typeof tree === 'string') return by[tree]?.(own(value)) ?? value
  if (Array.isArray(tree)) return Array.isArray(value) ? value.map((v: unknown) => changed(v, tree[0], by)) : value
  if (typeof value !== 'object' || value === null || !isBranch(tree)) return value
  return Object.fromEntries(
    entriesOf(value).map(([field, v]) => {
      const mark = tree[field]
      return [field, mark !== undefined && touches(mark, by) ? changed(v, mark, by) : v]
    }),
  )
}

// What a field holds its mark says; the walk over marks cannot.
// oxlint-disable-next-line typescript/no-unsafe-type-assertion
const own = (value: unknown): never => value as never

const sayingAll = (say: Change): Changes => ({ text: say, beside: say, told: say })

/** A step as it was written, with the things its sentences name. */
export const drafted = (draft: Draft): Drafted => own(changed(draft, fields, sayingAll(readSaid)))

/** What a generator gives for a field, or for one of a list, with the things its sentences name. */
export function marked(value: unknown, tree: Tree): unknown {
  const by = sayingAll((text: unknown) => (typeof text === 'string' ? readSaid(text) : text))
  return Array.isArray(value) && !Array.isArray(tree)
    ? value.map((v: unknown) => changed(v, tree, by))
    : changed(value, tree, by)
}

/** Every id a step makes or refers to, by another name. */
export const renamed = (draft: Drafted, name: (id: string) => string): Drafted =>
  own(changed(draft, fields, { step: name, count: name }))

/** A step with its sentences as they are said: as written, or with a thing called by another name. */
export const spoken = (draft: Drafted, say: (said: Said) => string): Draft =>
  own(changed(draft, fields, sayingAll(say)))

/** The sentences of a step: what is done with what, and where asked for what is said of it elsewhere. */
export function saidIn(draft: Drafted, marks: readonly ('text' | 'beside' | 'told')[]): Said[] {
  const found: Said[] = []
  const note = (said: Said): Said => {
    found.push(said)
    return said
  }
  changed(draft, fields, Object.fromEntries(marks.map((m) => [m, note])))
  return found
}
