/**
 * What each field of a drafted step is: a sentence, a step, a count. Marking a second work, holding text against tray,
 * exchanging a thing's name and changing a step all go by these marks; a field that is not marked does not compile.
 */
import type { Draft, Drafted } from './draft'
import { keysOf } from '../sure'
import { saidOf, type Said } from './said'

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
  wantsSet: 'plain',
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
type Changes = Partial<Record<Mark, Change>>
const isBranch = (tree: Tree): tree is Readonly<Record<string, Tree>> =>
  typeof tree === 'object' && !Array.isArray(tree)

/** What of a tree some marks touch: nothing else is walked. Made once for each set of marks. */
type Walk = { mark: Mark } | { each: Walk } | { at: readonly (readonly [field: string, Walk])[] }
function walkOf(tree: Tree, marks: ReadonlySet<string>): Walk | undefined {
  if (typeof tree === 'string') return marks.has(tree) ? { mark: tree } : undefined
  if (Array.isArray(tree)) {
    const each = walkOf(own(tree[0]), marks)
    return each && { each }
  }
  if (!isBranch(tree)) return undefined
  const at = Object.entries(tree).flatMap(([field, t]): [string, Walk][] => {
    const walk = walkOf(t, marks)
    return walk ? [[field, walk]] : []
  })
  return at.length > 0 ? { at } : undefined
}
const walks = new Map<string, Map<Tree, Walk | undefined>>()
function walkFor(tree: Tree, marks: readonly Mark[]): Walk | undefined {
  const key = marks.join(' ')
  const known = walks.get(key) ?? new Map<Tree, Walk | undefined>()
  walks.set(key, known)
  if (!known.has(tree)) known.set(tree, walkOf(tree, new Set(marks)))
  return known.get(tree)
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null
function walked(value: unknown, walk: Walk, by: Changes): unknown {
  if ('mark' in walk) return by[walk.mark]?.(own(value)) ?? value
  if ('each' in walk) return Array.isArray(value) ? value.map((v: unknown) => walked(v, walk.each, by)) : value
  if (!isRecord(value)) return value
  const whole = { ...value }
  for (const [field, of] of walk.at) {
    const v = whole[field]
    if (v !== undefined) whole[field] = walked(v, of, by)
  }
  return whole
}
function changed(value: unknown, tree: Tree, by: Changes): unknown {
  const walk = walkFor(tree, keysOf(by))
  return walk && value !== undefined ? walked(value, walk, by) : value
}
/** What stands at the marks, in order; nothing is copied. */
function gathered(value: unknown, walk: Walk, into: unknown[]): void {
  if ('mark' in walk) into.push(value)
  else if ('each' in walk) {
    if (Array.isArray(value)) for (const v of value) gathered(v, walk.each, into)
  } else if (isRecord(value))
    for (const [field, of] of walk.at) if (value[field] !== undefined) gathered(value[field], of, into)
}

// What a field holds its mark says; the walk over marks cannot.
// oxlint-disable-next-line typescript/no-unsafe-type-assertion
const own = (value: unknown): never => value as never

const sayingAll = (say: Change): Changes => ({ text: say, beside: say, told: say })

/** A step as it was written, with the things its sentences name. @param read how they are told: ours are marked */
export const drafted = (draft: Draft, read: (sentence: string) => Said = saidOf): Drafted =>
  own(changed(draft, fields, sayingAll(read)))

/** What a generator gives for a field, or for one of a list, with the things its sentences name. */
export function marked(value: unknown, tree: Tree): unknown {
  const by = sayingAll((text: unknown) => (typeof text === 'string' ? saidOf(text) : text))
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
  const walk = walkFor(fields, marks)
  if (walk) gathered(draft, walk, found)
  return found
}
