/** Drives a run through commands as the server does: for tests, the demo and measurements. */
import type { Plan } from '../plan/types'
import { decide, openAtClose, type Refusal, type Who } from './decide'
import type { Command, RunEvent } from './events'
import { outlook } from './next'
import { evolve, initialState, stillIn, type RunState } from './state'

export interface Drive {
  plan: Plan
  state: RunState
  events: RunEvent[]
  /** ms since the epoch; moved on by the driver's own hand. */
  now: number
  refusals: Refusal[]
}

export const startDrive = (plan: Plan, now: number): Drive => ({ plan, state: initialState(plan), events: [], now, refusals: [] })

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
    const event: RunEvent = { id: `${commandId}:${seq}`, seq, at: drive.now, by: who.personId, device: 'drive', commandId, what }
    drive.events.push(event)
    drive.state = evolve(drive.state, event)
  }
  return decision.held ?? null
}

/**
 * Runs a visit to its end the way it is meant to go: every step for its likely time, every lag waited for, every hold
 * signed by the dentist, every piece counted out, then closed.
 * @param until stop before this step starts.
 */
export function runThrough(drive: Drive, assistant: Who, dentist: Who, until?: string): Drive {
  const { plan } = drive
  if (drive.state.core.status === 'laid up') give(drive, { kind: 'begin' }, assistant)
  for (let guard = 0; guard < plan.steps.length * 4; guard++) {
    const { next, waiting } = outlook(plan, drive.state.core, drive.now)
    if (until !== undefined && (next?.id === until || waiting?.step.id === until)) return drive
    if (next) {
      give(drive, { kind: 'advance', start: next.id }, assistant)
      drive.now += next.spread.likelyS * 1000
      for (const countId of next.countsOut) {
        const n = stillIn(drive.state.core, countId)
        if (n > 0) give(drive, { kind: 'count', countId, direction: 'out', n }, assistant)
      }
      const late = give(drive, { kind: 'advance', finish: next.id }, assistant)
      if (late?.code === 'window-missed') give(drive, { kind: 'answer', linkId: late.linkId!, answer: 'again', reason: 'window missed' }, assistant)
      if (next.holdId) give(drive, { kind: 'sign', holdId: next.holdId }, dentist)
    } else if (waiting?.refusal.waitS !== undefined) drive.now += Math.ceil(waiting.refusal.waitS) * 1000
    else break
  }
  const open = openAtClose(plan, drive.state.core)
  if (open.steps.length === 0 && open.holds.length === 0) give(drive, { kind: 'close' }, assistant)
  return drive
}
