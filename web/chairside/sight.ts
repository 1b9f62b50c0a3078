/** What the chair shows at a moment, all of it read from the plan and the run: no screen in it, no clock of its own. */
import type { Hold, Plan } from '../../core/model/plan'
import type { Step } from '../../core/model/step'
import { readingsAt } from '../../core/readings'
import { clocksAt, type RunningClock } from '../../core/run/clocks'
import { calledAt, type Called } from '../../core/run/cues'
import type { Handoff } from '../../core/run/handoffs'
import { lanesNow, type LanesNow } from '../../core/run/lanes-now'
import { goneS, leftSince } from '../../core/run/left-open'
import { countedOutNext, outlook, type Outlook } from '../../core/run/next'
import type { RunState } from '../../core/run/state'
import { offered, wantedOf, type Wanted } from '../../core/run/wanted'
import { stillToRead } from '../../core/run/unread'
import { sure } from '../../core/sure'
import type { Person } from '../../wire/people'

export interface Sight {
  /** What can be done now, and what once the step in front is finished. */
  view: Outlook
  afterwards: Outlook
  /** The step being done that the screen is about; none between two. */
  current: Step | undefined
  /** The step the screen is about: done now, next, or waited for. */
  front: Step | undefined
  clocks: RunningClock[]
  missed: RunningClock | undefined
  /** How long the step in front still has to last by its own clock, seconds. */
  lastsS: number | undefined
  /** Signatures that are asked for: their step is begun, done or left out. */
  asked: Hold[]
  /** Of these the one that what comes next waits for. */
  waitingHold: Hold | undefined
  /** The step whose readings are taken: the one in front, or one whose signature is asked. */
  measured: Step | undefined
  /** A call to whoever looks, and what they may call in their turn. */
  said: Wanted | undefined
  sayable: Handoff[]
  /** What comes off the count next. */
  out: { countId: string; n: number } | undefined
  called: Called[]
  /** The choreography that runs, or that what comes next begins. */
  lanes: LanesNow | null
  done: Set<string>
  /** Seconds since the visit began; of one that was left open to the last touch before. */
  playheadS: number
  /** When it was last touched, ms, where the visit is left open. */
  leftSince: number | undefined
  /** The bur strip is wanted: something is cut now or next. */
  cutting: boolean
}

/**
 * @param at ms of the server's clock
 * @param focus the step that was picked where more than one runs
 */
export function sightOf(plan: Plan, state: RunState, person: Person, at: number, focus?: string): Sight {
  const { core } = state
  const clocks = clocksAt(plan, core, at)
  const view = outlook(plan, core, at)
  const current = view.running.find((s) => s.id === focus) ?? view.running.at(-1)
  const afterwards = outlook(plan, core, at, current?.id)
  const own = clocks.find((c) => c.from === current?.id && c.to === current.id && c.phase === 'wait')
  const asked = plan.holds.filter(
    (h) =>
      core.holds[h.id]?.status === 'open' &&
      ['running', 'done', 'skipped'].includes(core.steps[h.stepId]?.status ?? 'todo'),
  )
  return {
    view,
    afterwards,
    current,
    front: current ?? view.next ?? view.waiting?.step,
    clocks,
    missed: clocks.find((c) => c.phase === 'missed'),
    lastsS: own && sure(own.notBeforeS) - own.elapsedS,
    asked,
    waitingHold: asked.find((h) => h.id === view.waiting?.refusal.holdId),
    measured: [
      // What a signature still lacks comes first, of whatever step it is.
      ...asked.flatMap((h) => stillToRead(plan, core, h).map((r) => plan.steps.find((s) => s.id === r.stepId))),
      current,
      ...asked.map((h) => plan.steps.find((s) => s.id === h.stepId)),
    ].find((s): s is Step => s !== undefined && readingsAt(s).length > 0),
    said: wantedOf(plan, state, person.id).find((w) => w.kind === 'call'),
    sayable: offered(plan, person.roles.includes('dentist') ? 'dentist' : 'assistant').filter((h) => h !== 'leaving'),
    out: countedOutNext(plan, core, current?.id),
    called: calledAt(plan, core, at),
    lanes: lanesNow(plan, core, current?.id ?? view.next?.id, at),
    done: new Set(plan.steps.filter((s) => core.steps[s.id]?.status === 'done').map((s) => s.id)),
    playheadS: goneS(state, at),
    leftSince: leftSince(state, at),
    cutting: current?.cut !== undefined || afterwards.next?.cut !== undefined || view.next?.cut !== undefined,
  }
}
