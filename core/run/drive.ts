/** Drives a run through commands as the server does: for tests, the demo and measurements. */
import { sure } from '../sure'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { decide, openAtClose, type Who } from './decide'
import { startRefusal, type Refusal } from './refusals'
import type { Command, RunEvent } from './events'
import { inTurn, outlook } from './next'
import { startsOf, type ReadingKind } from '../readings'
import type { Tooth } from '../teeth/notation'
import { stillToRead } from './unread'
import { evolve, initialState, owing, type RunState } from './state'

export interface Drive {
  plan: Plan
  state: RunState
  events: RunEvent[]
  /** ms since the epoch; moved on by the driver's own hand. */
  now: number
  refusals: Refusal[]
}

export const startDrive = (plan: Plan, now: number): Drive => ({
  plan,
  state: initialState(plan),
  events: [],
  now,
  refusals: [],
})

/** Gives one command; the refusal, if any, is kept and handed back. */
export function give(drive: Drive, command: Command, who: Who): Refusal | null {
  const decision = decide(drive.plan, drive.state, command, who, drive.now)
  if ('refused' in decision) {
    drive.refusals.push(decision.refused)
    return decision.refused
  }
  const commandId = `c${drive.events.length}`
  for (const what of decision.events) {
    const seq = drive.state.seq + 1
    const event: RunEvent = {
      id: `${commandId}:${seq}`,
      seq,
      at: drive.now,
      by: who.personId,
      device: 'drive',
      commandId,
      what,
    }
    drive.events.push(event)
    drive.state = evolve(drive.state, event)
  }
  return decision.held ?? null
}

/** Readings that find nothing wrong, for those a hold rests on. */
const soundReadings: Partial<Record<ReadingKind, object>> = {
  shade: { neck: 'A3', middle: 'A2', edge: 'A1', light: 'daylight', wet: true, agreed: true },
  inspection: { parts: {}, field: [] },
  ferrule: { facial: 2, lingual: 2 },
  canal: { lengthMm: 20, masterSize: 25, taperPercent: 4, patency: 'patent', irrigantPercent: 3, agitatedS: 15 },
}

/** Where a reading is taken for the first time. */
const takenAt = (plan: Plan, stepId: string, tooth: Tooth) => ({
  plan,
  step: sure(plan.steps.find((s) => s.id === stepId)),
  tooth,
  before: [],
  round: 0,
})

/** Commands that read what a hold rests on and was not read yet, and find it good. */
export function soundReadingsOf(plan: Plan, core: RunState['core'], holdId: string): Command[] {
  const hold = sure(plan.holds.find((h) => h.id === holdId))
  return stillToRead(plan, core, hold).map(({ stepId, measure, tooth }) => ({
    kind: 'measure',
    stepId,
    measure,
    tooth,
    readings: {
      ...(measure === 'anaesthetic' ? startsOf(measure, takenAt(plan, stepId, tooth)) : soundReadings[measure]),
    },
  }))
}

/** Finishes a step that has had its time: its pieces counted out, its signature given, a missed window done over. */
function finish(drive: Drive, step: Step, assistant: Who, dentist: Who, again?: Course['again']): void {
  const { plan } = drive
  for (const countId of step.countsOut) {
    const n = owing(sure(plan.counts.find((c) => c.id === countId)), drive.state.core)
    if (n > 0) give(drive, { kind: 'count', countId, direction: 'out', n }, assistant)
  }
  const late = give(drive, { kind: 'advance', finish: step.id }, assistant)
  if (late?.code === 'window-missed')
    give(drive, { kind: 'answer', linkId: sure(late.linkId), answer: 'again', reason: 'window missed' }, assistant)
  else if (step.holdId) {
    for (const read of soundReadingsOf(plan, drive.state.core, step.holdId)) give(drive, read, assistant)
    const why = again?.(step, sure(drive.state.core.steps[step.id]).rounds)
    give(
      drive,
      why === undefined ? { kind: 'sign', holdId: step.holdId } : { kind: 'again', holdId: step.holdId, reason: why },
      dentist,
    )
  }
}

/** How a run goes where it does not go as it is meant to. */
export interface Course {
  /** Seconds a step takes; its likely time where it is left out. */
  takes?: (step: Step) => number
  /** Why a hold is answered "not good", or nothing where it is signed. */
  again?: (step: Step, rounds: number) => string | undefined
}

/**
 * Runs a visit to its end the way it is meant to go: people side by side where the plan lets them, every step for its
 * likely time, every lag waited for, every hold signed by the dentist, every piece counted out, then closed.
 * @param until stop when this step is next and nothing else runs.
 */
export function runThrough(
  drive: Drive,
  assistant: Who,
  dentist: Who,
  until?: string,
  { takes = (s) => s.spread.likelyS, again }: Course = {},
): Drive {
  const { plan } = drive
  if (drive.state.core.status === 'laid up') give(drive, { kind: 'begin' }, assistant)
  const busy: { step: Step; endsAt: number }[] = []
  const people = (s: Step): string[] => [s.performer.personId, ...s.helpers]
  for (let guard = 0; guard < plan.steps.length * 6; guard++) {
    const held = new Set(busy.flatMap((b) => people(b.step)))
    const free = inTurn(
      plan,
      drive.state.core,
      plan.steps.filter(
        (s) => sure(drive.state.core.steps[s.id]).status === 'todo' && people(s).every((p) => !held.has(p)),
      ),
    )
    const refusals = free.map((s) => startRefusal(plan, drive.state.core, s.id, drive.now))
    const first = free.find((_, i) => refusals[i] === null)
    const stops = first !== undefined && first.id === until
    if (first && !stops) {
      give(drive, { kind: 'advance', start: first.id }, assistant)
      busy.push({ step: first, endsAt: drive.now + Math.round(takes(first) * 1000) })
      continue
    }
    const done = busy.toSorted((a, b) => a.endsAt - b.endsAt)[0]
    // A wait that is over before anything else ends is woken for.
    const waitS = Math.min(...refusals.map((r) => r?.waitS ?? Infinity))
    if (done && !first && drive.now + Math.ceil(waitS) * 1000 < done.endsAt) {
      drive.now += Math.ceil(waitS) * 1000
      continue
    }
    if (done) {
      drive.now = Math.max(drive.now, done.endsAt)
      busy.splice(busy.indexOf(done), 1)
      finish(drive, done.step, assistant, dentist, again)
      continue
    }
    if (stops) return drive
    const { waiting } = outlook(plan, drive.state.core, drive.now)
    if (waiting !== null && waiting.step.id === until) return drive
    if (waiting?.refusal.waitS === undefined) break
    drive.now += Math.ceil(waiting.refusal.waitS) * 1000
  }
  const open = openAtClose(plan, drive.state.core)
  if (open.steps.length === 0 && open.holds.length === 0) give(drive, { kind: 'close' }, assistant)
  return drive
}
