/**
 * How phases say steps: a phase is a function of the case that returns a block. `sequence` runs blocks one after the
 * other, `meanwhile` runs them side by side; `wire` turns the tree into steps with their order links.
 */
import type { Cut } from '../catalog/cut'
import type { Need } from '../catalog/match'
import type { Figure, Reason } from '../figure'
import type { Absence, Edge, HoldName, Phase, Place } from '../plan/types'
import type { FunctionName } from '../practice/functions'
import type { Tooth } from '../teeth/notation'

/** A time tie from an earlier step to this one; the fields of `Link` without the ids. */
export interface Tie {
  from: string
  fromEdge?: Edge
  toEdge?: Edge
  atLeastS?: number
  warnS?: number
  atMostS?: number
  title: string
  because: Reason
  whenMissed?: string
  /** Steps done over when the window is missed and not accepted. */
  again?: string[]
}

/** A step as a phase writes it; people, burs and order come later. */
export interface Draft {
  id: string
  phase: Phase
  title: string
  detail?: string
  /** What the record says was done, after the person's name; left out where the record need not tell it. */
  told?: string
  tooth?: Tooth
  fn: FunctionName
  place: Place
  /** Short, likely, long, in minutes as the trade speaks of them. */
  minutes: readonly [number, number, number]
  /** Takes a second pair of hands. */
  helped?: boolean
  passes?: string[]
  needs?: Need[]
  cut?: Cut
  hold?: { name: HoldName; title: string; evidence: string; because: Reason; mandatory?: boolean; fromCard?: boolean; again?: string[] }
  countIn?: { id: string; what: string; planned: number; outStep: string }
  countOut?: string
  cautions?: Reason[]
  mistakes?: string[]
  figures?: Figure[]
  reason?: Reason
  ties?: Tie[]
}

export type Block = { draft: Draft } | { sequence: Block[] } | { meanwhile: string; blocks: Block[] } | { absence: Absence }

export const step = (draft: Draft): Block => ({ draft })
export const sequence = (...blocks: Block[]): Block => ({ sequence: blocks })
/** Side by side, listed in the order given: what fills the wait first, what waits last. */
export const meanwhile = (title: string, ...blocks: Block[]): Block => ({ meanwhile: title, blocks })
/** Nothing to do here, and why: the reason is kept in the plan. */
export const absent = (what: string, because: Reason): Block => ({ absence: { what, because } })
export const nothing: Block = { sequence: [] }

export interface Wired {
  steps: { draft: Draft; after: string[]; meanwhile?: string }[]
  absences: Absence[]
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
