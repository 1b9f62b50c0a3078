/**
 * How phases say steps: a phase is a function of the case that returns a block. `sequence` runs blocks one after the
 * other, `meanwhile` runs them side by side; `wire` turns the tree into steps with their order links.
 */
import type { Need } from '../catalog/match'
import { reason, type Reason } from '../figure'
import { self, type Draft, type Drafted, type Tie } from './draft'
import { drafted, renamed } from './fields'
import type { Absence } from '../model/plan'
import type { Ruling } from '../rules'

export { filmWords, self, type Draft, type Drafted, type Film, type Tie } from './draft'

export type Block =
  | { draft: Drafted }
  | { sequence: Block[] }
  | { meanwhile: string; blocks: Block[] }
  | { absence: Absence }

export const step = (draft: Draft): Block => ({ draft: drafted(draft) })
export const sequence = (...blocks: Block[]): Block => ({ sequence: blocks })
/** Side by side, listed in the order given: what fills the wait first, what waits last. */
export const meanwhile = (title: string, ...blocks: Block[]): Block => ({ meanwhile: title, blocks })
/** Nothing to do here, and why: the reason is kept in the plan. */
export const absent = (what: string, because: Reason): Block => ({ absence: { what, because } })
export const nothing: Block = { sequence: [] }
/** The block where something holds, else nothing. */
export const only = (when: boolean, block: () => Block): Block => (when ? block() : nothing)

/** A clock inside a step: it may not be finished before `atLeastS`, and may warn after `warnS`. */
export function lasting(atLeastS: number, title: string, because: Reason, warnS?: number): Tie {
  return {
    from: self,
    fromEdge: 'start',
    toEdge: 'finish',
    atLeastS,
    title,
    because,
    ...(warnS === undefined ? {} : { warnS }),
  }
}
/** The mark of a value the practice has set itself. */
export const ownOf = (...rulings: Ruling[]): { own?: true } => (rulings.some((r) => r.own) ? { own: true } : {})
/** A clock inside a step, by a row of the register. */
export const lastingBy = (ruling: Ruling, title: string): Tie => ({
  ...lasting(ruling.value, title, ruling.because),
  ...ownOf(ruling),
})
/** A lag that a row of the register names; spread into a tie. */
export const atLeast = (ruling: Ruling) => ({ atLeastS: ruling.value, because: ruling.because, ...ownOf(ruling) })
/** A window that rows of the register name: when it is called, when it has closed. */
export const within = (closes: Ruling, warns?: Ruling) => ({
  atMostS: closes.value,
  // A practice may close it earlier than the library warns.
  ...(warns ? { warnS: Math.min(warns.value, closes.value) } : {}),
  because: closes.because,
  ...ownOf(closes, ...(warns ? [warns] : [])),
})

/** Common practice, the commonest standing: shorthand for a reason. */
export const practice = (text: string): Reason => reason(text, 'C')

export interface Wired {
  steps: { draft: Drafted; after: string[]; meanwhile?: string }[]
  absences: Absence[]
}

/** Every draft of a block, in the order written. */
export function draftsOf(block: Block): Drafted[] {
  if ('draft' in block) return [block.draft]
  if ('sequence' in block) return block.sequence.flatMap(draftsOf)
  return 'blocks' in block ? block.blocks.flatMap(draftsOf) : []
}

/**
 * The blocks with a mark on every id they make, for a second piece of work in the same visit: steps, counts and holds of
 * two works never share an id, and each work's ties stay its own.
 */
export function marked(blocks: readonly Block[], mark: string): Block[] {
  const drafts = blocks.flatMap(draftsOf)
  const own = new Set(drafts.flatMap((d) => [d.id, ...(d.countsIn ?? []).map((c) => c.id)]))
  const name = (id: string): string => (own.has(id) ? `${id}${mark}` : id)
  const rename = (d: Drafted): Drafted => {
    const named = renamed(d, name)
    return named.hold ? { ...named, hold: { ...named.hold, key: `${named.hold.key ?? ''}${mark}` } } : named
  }
  const walk = (b: Block): Block => {
    if ('draft' in b) return { draft: rename(b.draft) }
    if ('sequence' in b) return { sequence: b.sequence.map(walk) }
    return 'blocks' in b ? { meanwhile: b.meanwhile, blocks: b.blocks.map(walk) } : b
  }
  return blocks.map(walk)
}

/** Flattens a block into steps in order, each with the steps it comes after. */
export function wire(block: Block): Wired {
  const wired: Wired = { steps: [], absences: [] }
  const walk = (b: Block, after: string[], beside?: string): string[] => {
    if ('absence' in b) {
      wired.absences.push(b.absence)
      return after
    }
    if ('draft' in b) {
      wired.steps.push({ draft: b.draft, after, ...(beside ? { meanwhile: beside } : {}) })
      return [b.draft.id]
    }
    if ('sequence' in b) return b.sequence.reduce((front, next) => walk(next, front, beside), after)
    // The last branch is the one that waits; the label belongs to what fills the wait.
    const ends = b.blocks.map((branch, i) => walk(branch, after, i < b.blocks.length - 1 ? b.meanwhile : beside))
    const fresh = ends.filter((end) => end !== after).flat()
    return fresh.length > 0 ? [...new Set(fresh)] : after
  }
  walk(block, [])
  return wired
}

/** Shorthand for a need laid out open. */
export function open(what: string, quantity = 1, more: Partial<Need> = {}): Need {
  return { what, quantity, readiness: 'open', ...more }
}
/** Shorthand for "have ready, do not open", with what opens it. */
export function standby(what: string, when: string, quantity = 1, more: Partial<Need> = {}): Need {
  return { what, quantity, readiness: 'standby', when, ...more }
}
