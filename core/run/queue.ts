/**
 * Touches made while the server is not heard. Each is decided on the device as the server would, shown at once, and sent in
 * order when the server is back; the server decides anew, and what it refuses is handed back with its reason.
 */
import type { Plan } from '../model/plan'
import { decide, type Decision, type Who } from './decide'
import type { Refusal } from './refusals'
import type { Command, RunEvent } from './events'
import { evolve, type RunState } from './state'

export interface Queued {
  commandId: string
  command: Command
  /** The server's clock as the device knew it when it was touched, ms. */
  at: number
}

/** Events of a command not stored yet: numbered on from the state, by this device. */
export function provisional(
  { commandId, at }: Queued,
  decision: Decision,
  state: RunState,
  personId: string,
): RunEvent[] {
  if ('refused' in decision) return []
  return decision.events.map((what, i) => ({
    id: `${commandId}.${i}`,
    seq: state.seq + i + 1,
    at,
    by: personId,
    device: 'here',
    commandId,
    what,
  }))
}

/** The state with everything that waits done; what no longer fits the state is left out and named. */
export function withQueue(
  plan: Plan,
  state: RunState,
  queue: readonly Queued[],
  who: Who,
): { state: RunState; refused: { queued: Queued; refusal: Refusal }[] } {
  const refused: { queued: Queued; refusal: Refusal }[] = []
  let local = state
  for (const queued of queue) {
    const decision = decide(plan, local, queued.command, who, queued.at)
    if ('refused' in decision) refused.push({ queued, refusal: decision.refused })
    else local = provisional(queued, decision, local, who.personId).reduce(evolve, local)
  }
  return { state: local, refused }
}

/** Longest a touch may wait and still be told with its own time, seconds: a working day. */
export const longestWaitS = 12 * 3600

/**
 * When a command is said to have happened: at once, or when it was touched; never before what is stored, be it that the
 * server's clock was set back meanwhile.
 * @example happenedAt(100_000, 30, 0) // 70000
 */
export const happenedAt = (now: number, waitedS: number, lastAt: number): number =>
  Math.max(lastAt, now - Math.min(Math.max(0, waitedS), longestWaitS) * 1000)
