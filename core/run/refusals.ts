/** Why something cannot happen now, with what is missing. */
import { leastS, type Edge, type Link, type Window } from '../model/link'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { clockPhase, edgeAt } from './clocks'
import { indexPlan, type PlanIndex } from './plan-index'
import { holdState, stepState, type RunCore } from './state'

export type RefusalCode =
  | 'not-running'
  | 'closed'
  | 'unknown'
  | 'not-now'
  | 'order'
  | 'lag'
  | 'window-missed'
  | 'hold'
  | 'not-allowed'
  | 'mouth-busy'
  | 'count-open'
  | 'code'
  | 'nothing-to-undo'
  | 'unfinished'
  | 'measured'
  | 'matter'
  | 'cassettes'
export interface Refusal {
  code: RefusalCode
  message: string
  /** What is missing, one line each. */
  missing: string[]
  stepId?: string
  linkId?: string
  holdId?: string
  /** What waits for the dentist's answer. */
  matterId?: string
  /** Seconds until a lag has passed. */
  waitS?: number
}

export const refuse = (code: RefusalCode, message: string, more: Partial<Refusal> = {}): Refusal => ({
  code,
  message,
  missing: [],
  ...more,
})
const clock = (seconds: number): string => {
  const s = Math.ceil(seconds)
  return s < 60 ? `${s} s` : `${Math.floor(s / 60)} min ${String(s % 60).padStart(2, '0')} s`
}

/** What a step waits for once earlier steps were left out: a skipped step opens no way round. */
function throughSkipped(links: readonly Link[], core: RunCore, index: PlanIndex): Link[] {
  const all = [...links]
  const seen = new Set<string>()
  for (const l of all) {
    if (stepState(core, l.from).status !== 'skipped' || seen.has(l.from)) continue
    seen.add(l.from)
    all.push(...index.into(l.from).filter((up) => up.toEdge === 'start' && up.kind === 'order'))
  }
  return all
}

const stillToCome = (l: Link, core: RunCore): boolean => {
  const from = stepState(core, l.from)
  if (from.status === 'skipped') return false
  return l.fromEdge === 'start' ? from.status === 'todo' : from.status !== 'done'
}

/** The order a step stands in: what it comes after is done. */
function orderRefuses(index: PlanIndex, core: RunCore, step: Step, links: readonly Link[]): Refusal | null {
  const undone = links.filter((l) => stillToCome(l, core))
  if (undone.length === 0) return null
  const missing = [...new Set(undone.map((l) => index.title(l.from)))]
  return refuse('order', `“${step.title}” comes after: ${missing.join('; ')}`, { missing, stepId: step.id })
}

/** Signatures of the steps it comes after. A clock within the step does not wait for the step's own. */
function holdRefuses(index: PlanIndex, core: RunCore, step: Step, links: readonly Link[]): Refusal | null {
  for (const l of links) {
    const hold = l.from === step.id ? undefined : index.holdOfStep.get(l.from)
    if (!hold || holdState(core, hold.id).status !== 'open') continue
    return refuse('hold', `“${step.title}” waits for the dentist’s signature: ${hold.title}`, {
      missing: [`signature: ${hold.title}`],
      stepId: step.id,
      holdId: hold.id,
    })
  }
  return null
}

/** The clocks that end at it: too early, or a window that has closed and was not accepted. */
function clockRefuses(core: RunCore, step: Step, links: readonly Link[], now: number): Refusal | null {
  for (const l of links) {
    const at = edgeAt(l, core)
    if (at === undefined || l.kind === 'order') continue
    const elapsedS = (now - at) / 1000
    const phase = clockPhase(l, elapsedS)
    if (phase === 'wait') {
      const waitS = leastS(l) - elapsedS
      return refuse('lag', `“${step.title}” is ${clock(waitS)} too early: ${l.because.text}`, {
        missing: [`${clock(waitS)} more: ${l.title}`],
        stepId: step.id,
        linkId: l.id,
        waitS,
      })
    }
    if (phase === 'missed' && l.kind === 'window' && !core.accepted[l.id]) {
      return refuse('window-missed', `${l.title} closed ${clock(elapsedS - l.atMostS)} ago: ${l.whenMissed}`, {
        missing: ['do it over, or the dentist accepts with a reason'],
        stepId: step.id,
        linkId: l.id,
      })
    }
  }
  return null
}

/** What keeps an edge of a step from happening now: order, holds of earlier steps, lags, missed windows. */
function linksRefuse(plan: Plan, core: RunCore, step: Step, edge: Edge, now: number): Refusal | null {
  const index = indexPlan(plan)
  const own = index.into(step.id).filter((l) => l.toEdge === edge)
  const links = edge === 'start' ? throughSkipped(own, core, index) : own
  return (
    orderRefuses(index, core, step, links) ??
    holdRefuses(index, core, step, links) ??
    clockRefuses(core, step, links, now)
  )
}

/** Why a step inside a window keeps the window from being begun: it waits for something else, or has a clock of its own. */
function insideRefuses(
  index: PlanIndex,
  core: RunCore,
  step: Step,
  { link, through }: { link: Window; through: readonly Step[] },
  now: number,
): Refusal | null {
  // One after the other, as if nobody helped: the careful estimate.
  const handsS = through.reduce((sum, s) => sum + s.spread.likelyS, 0)
  for (const lag of through.flatMap((inside) => index.into(inside.id))) {
    if (lag.from === step.id) continue
    const earlier = stepState(core, lag.from).status
    if (!through.some((s) => s.id === lag.from) && (earlier === 'todo' || earlier === 'running')) {
      const title = index.title(lag.from)
      return refuse('order', `“${step.title}” comes after: ${title}`, { missing: [title], stepId: step.id })
    }
    const at = lag.kind === 'order' ? undefined : edgeAt(lag, core)
    if (at === undefined || lag.kind === 'order') continue
    const waitS = leastS(lag) - (now - at) / 1000 - Math.max(0, link.atMostS - handsS)
    if (waitS > 0)
      return refuse(
        'lag',
        `“${step.title}” is ${clock(waitS)} too early: ${lag.title.toLowerCase()} still runs, and ${link.title.toLowerCase()} is only ${clock(link.atMostS)}`,
        { missing: [`${clock(waitS)} more: ${lag.title}`], stepId: step.id, linkId: lag.id, waitS },
      )
  }
  return null
}

/**
 * A step that starts a window is too early while something inside the window still has to wait, or waits for a step that
 * is not done: a syringe loaded before the cord has dwelt would set in the hand.
 */
function windowRefuses(plan: Plan, core: RunCore, step: Step, now: number): Refusal | null {
  const index = indexPlan(plan)
  for (const window of index.windowsFrom(step.id)) {
    const no = insideRefuses(index, core, step, window, now)
    if (no) return no
  }
  return null
}

/** Who may do it, by the practice's table as it stood when the plan was made. */
function permissionRefuses(plan: Plan, step: Step, who: string): Refusal | null {
  const permission = step.allowed[who]
  if (permission === undefined)
    return refuse('not-allowed', 'that person is not of this visit’s team', {
      stepId: step.id,
      missing: ['a person of the team'],
    })
  if (permission !== 'no') return null
  const able = plan.people.filter((p) => step.allowed[p.id] !== 'no').map((p) => p.name)
  const name = plan.people.find((p) => p.id === who)?.name ?? who
  return refuse(
    'not-allowed',
    `${step.fn}: the practice’s table does not give it to ${name}. It is for ${able.join(' or ')}`,
    { stepId: step.id, missing: [`${able.join(' or ')} to do it`] },
  )
}

/** Two things are not done in one mouth at once. */
function mouthRefuses(plan: Plan, core: RunCore, step: Step): Refusal | null {
  if (step.place !== 'mouth') return null
  const other = plan.steps.find(
    (s) => s.place === 'mouth' && s.id !== step.id && stepState(core, s.id).status === 'running',
  )
  if (!other) return null
  return refuse('mouth-busy', `“${other.title}” is still in the mouth`, {
    stepId: step.id,
    missing: [`finish “${other.title}” first`],
  })
}

/** Why a step cannot start now, or `null`. */
export function startRefusal(
  plan: Plan,
  core: RunCore,
  stepId: string,
  now: number,
  performer?: string,
): Refusal | null {
  const step = indexPlan(plan).step.get(stepId)
  if (!step) return refuse('unknown', `no step "${stepId}" in this plan`)
  const { status } = stepState(core, stepId)
  if (status !== 'todo')
    return refuse('not-now', `“${step.title}” is ${status === 'running' ? 'running already' : status}`, { stepId })
  return (
    permissionRefuses(plan, step, performer ?? step.performer.personId) ??
    linksRefuse(plan, core, step, 'start', now) ??
    windowRefuses(plan, core, step, now) ??
    mouthRefuses(plan, core, step)
  )
}

/** Why a step cannot be finished now, or `null`. */
export function finishRefusal(plan: Plan, core: RunCore, stepId: string, now: number): Refusal | null {
  const step = indexPlan(plan).step.get(stepId)
  if (!step) return refuse('unknown', `no step "${stepId}" in this plan`)
  if (stepState(core, stepId).status !== 'running')
    return refuse('not-now', `“${step.title}” is not running`, { stepId })
  return linksRefuse(plan, core, step, 'finish', now)
}
