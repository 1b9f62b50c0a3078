import type { Edge } from '../model/link'
import type { Count, Plan } from '../model/plan'
import { throatPack } from '../vocabulary'
import type { Happening, RunEvent } from './events'
import type { Call, Handoff } from './handoffs'
import { mattersAfter, type Matter } from './matters'
import { readingOfKind, type Measured } from '../readings'
import { touchedAt, type Touches } from './touches'
import { toTooth } from '../teeth/notation'

/** Where a step stands; `rounds`: how often it was done over. */
export type StepState =
  | { status: 'todo'; rounds: number }
  | { status: 'running'; startedAt: number; performer: string; rounds: number }
  | { status: 'done'; startedAt: number; performer: string; finishedAt: number; rounds: number }
  | { status: 'skipped'; skippedAt: number; reason: string; rounds: number }
export type HoldState =
  | { status: 'open' }
  | { status: 'signed'; by: string; at: number; /** By a touch, so long after the code, seconds. */ codeAgoS?: number }
  | { status: 'waved'; by: string; at: number; reason: string }
export interface Tally {
  in: number
  out: number
}
/** The run as it stands; everything in it is replaced, never changed, so that an earlier state can be gone back to. */
export interface RunCore {
  status: 'laid up' | 'running' | 'closed'
  startedAt?: number
  closedAt?: number
  steps: Readonly<Record<string, StepState>>
  counts: Readonly<Record<string, Tally>>
  holds: Readonly<Record<string, HoldState>>
  accepted: Readonly<Record<string, { by: string; at: number; reason: string }>>
  /** Cords past their limit that stay in, by the step that placed them. */
  cordsKept: Readonly<Record<string, { by: string; at: number; reason: string }>>
  /** The last readings of each kind, tooth and step. */
  measured: readonly Measured[]
  /** Kinds of fault for which an impression was taken again. */
  faults: readonly string[]
  /** Readings whose step was done over and that count on: what was injected stays injected. */
  spent: readonly Measured[]
}

interface Past {
  commandId: string
  by: string
  what: Happening
  before: RunCore
  previous: Past | null
}

/** Everything a screen needs of a run. Fold events into it with {@link evolve}. */
export interface RunState {
  seq: number
  core: RunCore
  /** What can be undone, newest first. */
  past: Past | null
  /** The last word of each kind between the two sides of the chair. Outside the core: what was said cannot be taken back. */
  calls: Readonly<Partial<Record<Handoff, Call>>>
  /** What came up beside it and is the dentist's to answer; outside the core as well. */
  matters: readonly Matter[]
  /** Outside the core as well: to undo is a touch, too. */
  touches: Touches
}

/**
 * The state before anything has happened.
 * @example initialState(plan).seq // 0
 */
export function initialState(plan: Pick<Plan, 'steps' | 'counts' | 'holds'>): RunState {
  return {
    seq: 0,
    past: null,
    calls: {},
    matters: [],
    touches: {},
    core: {
      status: 'laid up',
      steps: Object.fromEntries(plan.steps.map((s) => [s.id, { status: 'todo', rounds: 0 } satisfies StepState])),
      counts: Object.fromEntries(plan.counts.map((c) => [c.id, { in: 0, out: 0 }])),
      holds: Object.fromEntries(plan.holds.map((h) => [h.id, { status: 'open' } satisfies HoldState])),
      accepted: {},
      cordsKept: {},
      measured: [],
      faults: [],
      spent: [],
    },
  }
}

const untouched: StepState = { status: 'todo', rounds: 0 }
const unasked: HoldState = { status: 'open' }
const nothing: Tally = { in: 0, out: 0 }
/** Where a step stands; one the run does not know has not been touched. */
export const stepState = (core: RunCore, stepId: string): StepState => core.steps[stepId] ?? untouched
export const holdState = (core: RunCore, holdId: string): HoldState => core.holds[holdId] ?? unasked
export const tallyOf = (core: RunCore, countId: string): Tally => core.counts[countId] ?? nothing
/** When a step began or was done, ms; nothing where it has not, or was left out. */
export const edgeOf = (s: StepState, edge: Edge): number | undefined => {
  if (edge === 'start') return s.status === 'running' || s.status === 'done' ? s.startedAt : undefined
  return s.status === 'done' ? s.finishedAt : undefined
}
/** A running step as done; any other stays as it is. */
export const finished = (s: StepState, at: number): StepState =>
  s.status === 'running' ? { ...s, status: 'done', finishedAt: at } : s

function withStep(core: RunCore, id: string, change: (s: StepState) => StepState): RunCore {
  const s = core.steps[id]
  return s ? { ...core, steps: { ...core.steps, [id]: change(s) } } : core
}

const withHold = (core: RunCore, id: string, state: HoldState): RunCore =>
  core.holds[id] ? { ...core, holds: { ...core.holds, [id]: state } } : core

function applied(core: RunCore, event: RunEvent): RunCore {
  const what = event.what
  switch (what.kind) {
    case 'run.started':
      return { ...core, status: 'running', startedAt: event.at }
    case 'run.closed':
      return { ...core, status: 'closed', closedAt: event.at }
    case 'step.started':
      return withStep(core, what.stepId, (s) => ({
        status: 'running',
        startedAt: event.at,
        performer: what.performer,
        rounds: s.rounds,
      }))
    case 'step.finished':
      return withStep(core, what.stepId, (s) => finished(s, event.at))
    case 'step.skipped':
      return withStep(core, what.stepId, (s) => ({
        status: 'skipped',
        skippedAt: event.at,
        reason: what.reason,
        rounds: s.rounds,
      }))
    case 'step.reopened':
      // What is done over is measured anew; the kinds of fault it was done over for are remembered.
      return withStep(
        {
          ...core,
          faults: [...core.faults, ...core.measured.filter((m) => m.stepId === what.stepId).flatMap((m) => m.faults)],
          measured: core.measured.filter((m) => m.stepId !== what.stepId),
          spent: [
            ...core.spent,
            ...core.measured.filter((m) => m.stepId === what.stepId && readingOfKind(m.measure).adds),
          ],
        },
        what.stepId,
        (s) => ({ status: 'todo', rounds: s.rounds + 1 }),
      )
    case 'measured': {
      const { kind: _kind, tooth, figures = [], ...rest } = what
      const same = (m: Measured): boolean => m.stepId === what.stepId && m.measure === what.measure && m.tooth === tooth
      const one: Measured = {
        ...rest,
        figures: figures,
        tooth: toTooth(tooth),
        by: event.by,
        at: event.at,
        round: (core.measured.find(same)?.round ?? 0) + 1,
      }
      return { ...core, measured: [...core.measured.filter((m) => !same(m)), one] }
    }
    case 'count.moved': {
      const count = core.counts[what.countId]
      return count
        ? {
            ...core,
            counts: { ...core.counts, [what.countId]: { ...count, [what.direction]: count[what.direction] + what.n } },
          }
        : core
    }
    case 'hold.signed':
      return withHold(core, what.holdId, {
        status: 'signed',
        by: event.by,
        at: event.at,
        ...(what.codeAgoS === undefined ? {} : { codeAgoS: what.codeAgoS }),
      })
    case 'hold.waved':
      return withHold(core, what.holdId, { status: 'waved', by: event.by, at: event.at, reason: what.reason })
    case 'hold.reopened':
      return withHold(core, what.holdId, { status: 'open' })
    case 'cord.kept':
      return {
        ...core,
        cordsKept: { ...core.cordsKept, [what.stepId]: { by: event.by, at: event.at, reason: what.reason } },
      }
    case 'window.accepted':
      return {
        ...core,
        accepted: { ...core.accepted, [what.linkId]: { by: event.by, at: event.at, reason: what.reason } },
      }
    default:
      return core
  }
}

const told = new Set<Happening['kind']>([
  'alerts.changed',
  'mark.changed',
  'cassette.doubted',
  'cassette.cleared',
  'cassette.changed',
  'matter.answered',
])

type Folded = Pick<RunState, 'core' | 'past' | 'calls'>

function folded({ core, past, calls }: RunState, event: RunEvent): Folded {
  const { what, at, by, commandId } = event
  if (what.kind === 'handoff.called') {
    const call: Call = { by, at, ...(what.minutes === undefined ? {} : { minutes: what.minutes }) }
    return { core, past, calls: { ...calls, [what.handoff]: call } }
  }
  if (what.kind === 'handoff.seen') {
    const call = calls[what.handoff]
    return { core, past, calls: call ? { ...calls, [what.handoff]: { ...call, seenBy: by, seenAt: at } } : calls }
  }
  // Told to the run, not done in it: nothing of it is undone by taking the last touch back.
  if (told.has(what.kind)) return { core, past, calls }
  if (what.kind === 'undone')
    return past?.commandId === what.commandId
      ? { core: past.before, past: past.previous, calls }
      : { core, past, calls }
  const next = applied(core, event)
  if (what.kind === 'run.started' || next.status === 'closed') return { core: next, past: null, calls }
  if (past?.commandId === commandId) return { core: next, past, calls }
  return { core: next, past: { commandId, by, what, before: core, previous: past }, calls }
}

/**
 * Folds one event into the state. Total: an event it does not know, or one about a step the plan does not have, moves the
 * sequence on and changes nothing else. It never throws.
 */
export function evolve(state: RunState, event: RunEvent): RunState {
  const goesOn = state.core.status === 'running' || event.what.kind === 'run.started'
  return {
    ...folded(state, event),
    matters: mattersAfter(state.matters, event),
    seq: event.seq,
    touches: goesOn ? touchedAt(state.touches, event.at) : state.touches,
  }
}

/**
 * Folds a list of events from the beginning.
 * @example replay(plan, []).core.status // 'laid up'
 */
export function replay(plan: Pick<Plan, 'steps' | 'counts' | 'holds'>, events: readonly RunEvent[]): RunState {
  return events.reduce(evolve, initialState(plan))
}

/** Where the pieces of a count stand: none went in, so many are still in, all is square, or more came out than went in. */
export type CountState =
  | { kind: 'not in' }
  | { kind: 'still in'; n: number }
  | { kind: 'square' }
  | { kind: 'too many out'; n: number }

export function countState(count: Pick<Count, 'id' | 'stays'>, core: RunCore): CountState {
  const tally = tallyOf(core, count.id)
  if (tally.in === 0 && tally.out === 0) return { kind: 'not in' }
  const left = tally.in === 0 ? -tally.out : tally.in - tally.out - count.stays
  if (left === 0) return { kind: 'square' }
  return left > 0 ? { kind: 'still in', n: left } : { kind: 'too many out', n: -left }
}
/** How many pieces still have to come out. */
export function owing(count: Pick<Count, 'id' | 'stays'>, core: RunCore): number {
  const is = countState(count, core)
  return is.kind === 'still in' ? is.n : 0
}

/** How many pieces of a count are still in. */
export const stillIn = (core: RunCore, countId: string): number =>
  tallyOf(core, countId).in - tallyOf(core, countId).out

/**
 * Whether the throat pack is in: it stands on every screen of its visit until it is out.
 * @example throatPackIn(state.core) // false
 */
export const throatPackIn = (core: RunCore): boolean => stillIn(core, throatPack) > 0
