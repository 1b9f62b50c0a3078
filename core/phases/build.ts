/**
 * How phases say steps: a phase is a function of the case that returns a block. `sequence` runs blocks one after the
 * other, `meanwhile` runs them side by side; `wire` turns the tree into steps with their order links.
 */
import type { Cut } from '../catalog/cut'
import type { Need } from '../catalog/match'
import { reason, type Figure, type Reason } from '../figure'
import type { Choreography } from '../model/lanes'
import type { Edge } from '../model/link'
import type { BiteStage } from './bite-stages'
import type { Absence, HoldName } from '../model/plan'
import type { Act, Ask, CordPiece, Cue, Phase, Place, Shown } from '../model/step'
import type { Ruling } from '../rules'
import type { Numbed } from '../model/step'
import type { Site } from '../measure/numbing'
import type { FunctionName } from '../practice/functions'
import type { Jaw, Tooth } from '../teeth/notation'

/** A time tie from an earlier step to this one; a lag, or a window that says what to do when it is missed. */
export type Tie = {
  /** Id of the step it starts from, or {@link self}. */
  from: string
  fromEdge?: Edge
  toEdge?: Edge
  title: string
  because: Reason
  warnS?: number
  /** A value the practice has set itself. */
  own?: true
} & (
  | { atLeastS: number; atMostS?: never; whenMissed?: never; again?: never }
  | {
      atLeastS?: number
      atMostS: number
      whenMissed: string
      /** Steps done over when the window is missed and not accepted; its two ends where nothing is said. */
      again?: string[]
    }
)

/** Stands for the step's own id in a tie: a clock that runs while the step does. */
export const self = '.'

export interface CountIn {
  id: string
  what: string
  planned: number
  outStep: string
  /** How many of them are meant to stay: a crown that is cemented, stopping under a provisional. */
  stays?: number
  /** What stays comes out when the piece is delivered. */
  untilDelivery?: true
}

/** What a step may leave on the teeth. */
export type Film = 'separator' | 'resin' | 'cement' | 'own'
export const filmWords: Record<Film, string> = {
  separator: 'separator',
  resin: 'unset provisional resin',
  cement: 'provisional cement',
  own: 'what was put on them',
}

/** A step as a phase writes it; people, burs and order come later. */
export interface Draft {
  id: string
  phase: Phase
  title: string
  detail?: string
  /** What the record says was done, after the person's name; left out where the record need not tell it. */
  told?: string
  /** What the patient is told where this was done. */
  tell?: string
  tooth?: Tooth
  /** What it is, where something downstream has to know. */
  act?: Act
  /** What is read at it. */
  asks?: Ask[]
  fn: FunctionName
  place: Place
  /** Short, likely, long, in minutes as the trade speaks of them. */
  minutes: readonly [number, number, number]
  /** Takes a second pair of hands; what they do is said by its function, or here. */
  helped?: boolean
  helps?: string
  /** The arch whose shape is taken away from here: an impression or scan that a laboratory works to. */
  imprints?: Jaw
  /** The arch whose teeth or gum are given another shape. */
  reshapes?: Jaw
  /** What is injected: agent, volume, cartridges, where. */
  numbed?: Numbed
  /** What it hurts, where nothing is done about it: not before all of that is numb. */
  hurts?: readonly Site[]
  passes?: string[]
  needs?: Need[]
  /** The teeth that come through the sheet. */
  holes?: Tooth[]
  cut?: Cut
  cord?: CordPiece
  /** What a picture of it shows, where neither says it. */
  shows?: Shown
  /** What the laboratory is told with it; the delivery holds its piece against that. */
  tellsLab?: string[]
  /** Teeth whose dentine is sealed when it is done: the delivery treats them otherwise. */
  seals?: Tooth[]
  /** The stage at which the bite is checked here. */
  bite?: BiteStage
  /** What it leaves on the teeth; whether it takes off what others left; what of it wants them clean, in words. */
  leaves?: Film
  cleans?: true
  wantsClean?: string
  hold?: {
    name: HoldName
    /** Where one visit has several of the name. */ key?: string
    title: string
    evidence: string
    because: Reason
    mandatory?: boolean
    fromCard?: boolean
    again?: string[]
    restsOn?: string[]
  }
  countsIn?: CountIn[]
  countsOut?: string[]
  cautions?: Reason[]
  mistakes?: string[]
  figures?: Figure[]
  reason?: Reason
  ties?: Tie[]
  /** Called out by the clock; `from` left out is the step itself. */
  lanes?: Choreography
  cues?: (Omit<Cue, 'from' | 'fromEdge' | 'until'> & Partial<Pick<Cue, 'from' | 'fromEdge' | 'until'>>)[]
}

export type Block =
  | { draft: Draft }
  | { sequence: Block[] }
  | { meanwhile: string; blocks: Block[] }
  | { absence: Absence }

export const step = (draft: Draft): Block => ({ draft })
export const sequence = (...blocks: Block[]): Block => ({ sequence: blocks })
/** Side by side, listed in the order given: what fills the wait first, what waits last. */
export const meanwhile = (title: string, ...blocks: Block[]): Block => ({ meanwhile: title, blocks })
/** Nothing to do here, and why: the reason is kept in the plan. */
export const absent = (what: string, because: Reason): Block => ({ absence: { what, because } })
export const nothing: Block = { sequence: [] }
/** The block where something holds, else nothing. */
export const only = (when: boolean, block: () => Block): Block => (when ? block() : nothing)

type Common = Pick<Draft, 'phase' | 'fn' | 'place'> & Partial<Draft>
/** Steps that share a phase, a function and a place: `act(id, title, minutes, what differs)`. */
export const acts =
  (common: Common) =>
  (id: string, title: string, minutes: Draft['minutes'], more: Partial<Draft> = {}): Block =>
    step({ ...common, id, title, minutes, ...more })

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
  steps: { draft: Draft; after: string[]; meanwhile?: string }[]
  absences: Absence[]
}

/** Every draft of a block, in the order written. */
export function draftsOf(block: Block): Draft[] {
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
  const rename = (d: Draft): Draft => ({
    ...d,
    id: name(d.id),
    ...(d.cut ? { cut: { ...d.cut, id: name(d.cut.id) } } : {}),
    ...(d.hold
      ? {
          hold: {
            ...d.hold,
            key: `${d.hold.key ?? ''}${mark}`,
            ...(d.hold.again ? { again: d.hold.again.map(name) } : {}),
            ...(d.hold.restsOn ? { restsOn: d.hold.restsOn.map(name) } : {}),
          },
        }
      : {}),
    ...(d.countsIn ? { countsIn: d.countsIn.map((c) => ({ ...c, id: name(c.id), outStep: name(c.outStep) })) } : {}),
    ...(d.countsOut ? { countsOut: d.countsOut.map(name) } : {}),
    ...(d.lanes?.from ? { lanes: { ...d.lanes, from: name(d.lanes.from) } } : {}),
    ...(d.cues ? { cues: d.cues.map((q) => ({ ...q, ...(q.from ? { from: name(q.from) } : {}) })) } : {}),
    ...(d.ties
      ? {
          ties: d.ties.map((t): Tie =>
            t.atMostS === undefined
              ? { ...t, from: name(t.from) }
              : { ...t, from: name(t.from), ...(t.again ? { again: t.again.map(name) } : {}) },
          ),
        }
      : {}),
  })
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
/** Shorthand for several single pieces laid out open. */
export const opens = (...whats: string[]): Need[] => whats.map((what) => open(what))
/** Shorthand for "have ready, do not open", with what opens it. */
export function standby(what: string, when: string, quantity = 1, more: Partial<Need> = {}): Need {
  return { what, quantity, readiness: 'standby', when, ...more }
}
/** Shorthand for what stays in the drawer until asked for. */
export function drawer(what: string, when: string, quantity = 1): Need {
  return { what, quantity, readiness: 'drawer', when }
}
