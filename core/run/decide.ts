/** decide: what a person asks becomes events, or a refusal that says what is missing. Pure; the time is handed in. */
import type { Link, Plan, Step } from '../model/plan'
import type { Role } from '../practice/functions'
import { clockPhase, edgeAt } from './clocks'
import type { Command, Happening } from './events'
import { handoffs } from './handoffs'
import { judge, readingsAt, spokenOf, teethAt } from '../readings'
import { blocking } from '../readings/reading'
import { owing, type RunCore, type RunState } from './state'

/** Who asks. `codeShown` is set by the server when the person's own code was given with this very request. */
export interface Who {
  personId: string
  roles: readonly Role[]
  codeShown: boolean
}

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
export interface Refusal {
  code: RefusalCode
  message: string
  /** What is missing, one line each. */
  missing: string[]
  stepId?: string
  linkId?: string
  holdId?: string
  /** Seconds until a lag has passed. */
  waitS?: number
}
/** `held` is set when an `advance` could finish but not start: it says what the next step waits for. */
export type Decision = { events: Happening[]; held?: Refusal } | { refused: Refusal }

interface PlanIndex {
  step: Map<string, Step>
  into: Map<string, Link[]>
  link: Map<string, Link>
  hold: Map<string, Plan['holds'][number]>
  holdsOfStep: Map<string, string>
  /** For each step that starts a window: the window and the steps it has to last through. */
  windowsFrom: Map<string, { link: Link; through: Step[] }[]>
}
const indexes = new WeakMap<Plan, PlanIndex>()

/** The steps after `from` that come before or are `to`, by order links. */
function between(plan: Plan, index: PlanIndex, from: string, to: string): Step[] {
  const back = new Set<string>()
  const walk = (id: string): boolean => {
    if (id === from) return true
    let leads = false
    for (const l of index.into.get(id) ?? []) if (l.title === undefined && walk(l.from)) leads = true
    if (leads) back.add(id)
    return leads
  }
  walk(to)
  return plan.steps.filter((s) => back.has(s.id))
}

/** Look-ups of a plan, built once for each plan object. */
export function indexPlan(plan: Plan): PlanIndex {
  let index = indexes.get(plan)
  if (!index) {
    index = {
      step: new Map(plan.steps.map((s) => [s.id, s])),
      into: new Map(),
      link: new Map(plan.links.map((l) => [l.id, l])),
      hold: new Map(plan.holds.map((h) => [h.id, h])),
      holdsOfStep: new Map(plan.holds.map((h) => [h.stepId, h.id])),
      windowsFrom: new Map(),
    }
    for (const link of plan.links) index.into.set(link.to, [...(index.into.get(link.to) ?? []), link])
    for (const link of plan.links) {
      if (link.atMostS === undefined) continue
      const through = between(plan, index, link.from, link.to)
      index.windowsFrom.set(link.from, [...(index.windowsFrom.get(link.from) ?? []), { link, through }])
    }
    indexes.set(plan, index)
  }
  return index
}

const refuse = (code: RefusalCode, message: string, more: Partial<Refusal> = {}): Refusal => ({
  code,
  message,
  missing: [],
  ...more,
})
const clock = (seconds: number): string => {
  const s = Math.ceil(seconds)
  return s < 60 ? `${s} s` : `${Math.floor(s / 60)} min ${String(s % 60).padStart(2, '0')} s`
}

function throughSkipped(links: readonly Link[], core: RunCore, index: PlanIndex): Link[] {
  const all = [...links]
  const seen = new Set<string>()
  for (const l of all) {
    if (core.steps[l.from]?.status !== 'skipped' || seen.has(l.from)) continue
    seen.add(l.from)
    all.push(...(index.into.get(l.from) ?? []).filter((up) => up.toEdge === 'start' && up.title === undefined))
  }
  return all
}

/** What keeps an edge of a step from happening now: order, holds of earlier steps, lags, missed windows. */
function linksRefuse(plan: Plan, core: RunCore, step: Step, edge: 'start' | 'finish', now: number): Refusal | null {
  const index = indexPlan(plan)
  const own = (index.into.get(step.id) ?? []).filter((l) => l.toEdge === edge)
  // A skipped step opens no way round: what it waited for, this step waits for.
  const links = edge === 'start' ? throughSkipped(own, core, index) : own
  const undone = links.filter((l) => {
    const from = core.steps[l.from]!
    if (from.status === 'skipped') return false
    return l.fromEdge === 'start' ? from.status === 'todo' : from.status !== 'done'
  })
  if (undone.length > 0) {
    const missing = [...new Set(undone.map((l) => index.step.get(l.from)!.title))]
    return refuse('order', `“${step.title}” comes after: ${missing.join('; ')}`, { missing, stepId: step.id })
  }
  for (const l of links) {
    // A clock within the step does not wait for the step's own signature.
    const holdId = l.from === step.id ? undefined : index.holdsOfStep.get(l.from)
    if (holdId && core.holds[holdId]?.status === 'open') {
      const title = index.hold.get(holdId)!.title
      return refuse('hold', `“${step.title}” waits for the dentist’s signature: ${title}`, {
        missing: [`signature: ${title}`],
        stepId: step.id,
        holdId,
      })
    }
  }
  for (const l of links) {
    const at = edgeAt(l, core)
    if (at === undefined) continue
    const elapsedS = (now - at) / 1000
    const phase = clockPhase(l, elapsedS)
    if (phase === 'wait') {
      const waitS = l.atLeastS! - elapsedS
      return refuse('lag', `“${step.title}” is ${clock(waitS)} too early: ${l.because?.text ?? l.title ?? ''}`, {
        missing: [`${clock(waitS)} more: ${l.title ?? 'waiting time'}`],
        stepId: step.id,
        linkId: l.id,
        waitS,
      })
    }
    if (phase === 'missed' && !core.accepted[l.id]) {
      return refuse(
        'window-missed',
        `${l.title} closed ${clock(elapsedS - l.atMostS!)} ago: ${l.whenMissed ?? 'the dentist decides'}`,
        { missing: ['do it over, or the dentist accepts with a reason'], stepId: step.id, linkId: l.id },
      )
    }
  }
  return null
}

/**
 * A step that starts a window is too early while something inside the window still has to wait, or waits for a step that
 * is not done: a syringe loaded before the cord has dwelt would set in the hand.
 */
function windowRefuses(plan: Plan, core: RunCore, step: Step, now: number): Refusal | null {
  const index = indexPlan(plan)
  for (const { link, through } of index.windowsFrom.get(step.id) ?? []) {
    // One after the other, as if nobody helped: the careful estimate.
    const handsS = through.reduce((sum, s) => sum + s.spread.likelyS, 0)
    for (const inside of through) {
      for (const lag of index.into.get(inside.id) ?? []) {
        const earlier = core.steps[lag.from]!.status
        if (
          lag.from !== step.id &&
          !through.some((s) => s.id === lag.from) &&
          (earlier === 'todo' || earlier === 'running')
        ) {
          const title = index.step.get(lag.from)!.title
          return refuse('order', `“${step.title}” comes after: ${title}`, { missing: [title], stepId: step.id })
        }
        const at = lag.atLeastS === undefined || lag.from === step.id ? undefined : edgeAt(lag, core)
        if (at === undefined) continue
        const waitS = lag.atLeastS! - (now - at) / 1000 - Math.max(0, link.atMostS! - handsS)
        if (waitS > 0)
          return refuse(
            'lag',
            `“${step.title}” is ${clock(waitS)} too early: ${(lag.title ?? '').toLowerCase()} still runs, and ${(link.title ?? '').toLowerCase()} is only ${clock(link.atMostS!)}`,
            {
              missing: [`${clock(waitS)} more: ${lag.title ?? 'waiting time'}`],
              stepId: step.id,
              linkId: lag.id,
              waitS,
            },
          )
      }
    }
  }
  return null
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
  const state = core.steps[stepId]!
  if (state.status !== 'todo')
    return refuse('not-now', `“${step.title}” is ${state.status === 'running' ? 'running already' : state.status}`, {
      stepId,
    })
  const who = performer ?? step.performer.personId
  const permission = step.allowed[who]
  if (permission === undefined)
    return refuse('not-allowed', `that person is not of this visit’s team`, {
      stepId,
      missing: ['a person of the team'],
    })
  if (permission === 'no') {
    const able = plan.people.filter((p) => step.allowed[p.id] !== 'no').map((p) => p.name)
    const name = plan.people.find((p) => p.id === who)!.name
    return refuse(
      'not-allowed',
      `${step.fn}: the practice’s table does not give it to ${name}. It is for ${able.join(' or ')}`,
      { stepId, missing: [`${able.join(' or ')} to do it`] },
    )
  }
  const links = linksRefuse(plan, core, step, 'start', now)
  if (links) return links
  const window = windowRefuses(plan, core, step, now)
  if (window) return window
  if (step.place === 'mouth') {
    const other = plan.steps.find(
      (s) => s.place === 'mouth' && s.id !== stepId && core.steps[s.id]!.status === 'running',
    )
    if (other)
      return refuse('mouth-busy', `“${other.title}” is still in the mouth`, {
        stepId,
        missing: [`finish “${other.title}” first`],
      })
  }
  return null
}

function finishRefusal(plan: Plan, core: RunCore, stepId: string, now: number): Refusal | null {
  const step = indexPlan(plan).step.get(stepId)
  if (!step) return refuse('unknown', `no step "${stepId}" in this plan`)
  const state = core.steps[stepId]!
  if (state.status !== 'running') return refuse('not-now', `“${step.title}” is not running`, { stepId })
  return linksRefuse(plan, core, step, 'finish', now)
}

/** Finishing puts in what the plan says goes in; what comes out is always a person's own count. */
function finishEvents(plan: Plan, stepId: string): Happening[] {
  const step = indexPlan(plan).step.get(stepId)!
  const ins = plan.counts
    .filter((c) => step.countsIn.includes(c.id))
    .map((c): Happening => ({ kind: 'count.moved', countId: c.id, direction: 'in', n: c.planned }))
  return [{ kind: 'step.finished', stepId }, ...ins]
}

function reopen(plan: Plan, core: RunCore, stepIds: readonly string[], reason: string): Happening[] {
  const index = indexPlan(plan)
  return stepIds.flatMap((stepId): Happening[] => {
    const events: Happening[] = []
    if (core.steps[stepId] && core.steps[stepId].status !== 'todo')
      events.push({ kind: 'step.reopened', stepId, reason })
    const holdId = index.holdsOfStep.get(stepId)
    if (holdId && core.holds[holdId]?.status !== 'open') events.push({ kind: 'hold.reopened', holdId, reason })
    return events
  })
}

const isDentist = (who: Who): boolean => who.roles.includes('dentist')
const mayRecord = (who: Who): boolean =>
  who.roles.some((r) => r === 'assistant' || r === 'expanded assistant' || r === 'dentist')

function dentistsCode(who: Who, what: string): Refusal | null {
  if (!isDentist(who)) return refuse('not-allowed', `${what} is the dentist’s`, { missing: ['the dentist’s own code'] })
  return who.codeShown
    ? null
    : refuse('code', `${what} asks for the dentist’s own code`, { missing: ['the dentist’s own code'] })
}

/** Everything that keeps a run from closing, one line each. Steps at the desk or in the room may follow later. */
export function openAtClose(plan: Plan, core: RunCore): { counts: string[]; holds: string[]; steps: Step[] } {
  return {
    counts: plan.counts
      .filter((c) => owing(c, core) !== 0)
      .map((c) => {
        const left = owing(c, core)
        const meant = c.stays ? ` (${c.stays} meant to stay)` : ''
        return left > 0 ? `${c.what}: ${left} still in${meant}` : `${c.what}: ${-left} more out than in${meant}`
      }),
    holds: plan.holds.filter((h) => core.holds[h.id]!.status === 'open').map((h) => h.title),
    steps: plan.steps.filter(
      (s) => ['todo', 'running'].includes(core.steps[s.id]!.status) && s.place !== 'desk' && s.place !== 'room',
    ),
  }
}

function decideAdvance(
  plan: Plan,
  core: RunCore,
  c: Extract<Command, { kind: 'advance' }>,
  who: Who,
  now: number,
): Decision {
  const events: Happening[] = []
  let after = core
  if (c.finish !== undefined) {
    const no = finishRefusal(plan, core, c.finish, now)
    if (no) return { refused: no }
    events.push(...finishEvents(plan, c.finish))
    after = {
      ...core,
      steps: { ...core.steps, [c.finish]: { ...core.steps[c.finish]!, status: 'done', finishedAt: now } },
    }
  }
  if (c.start === undefined)
    return events.length > 0 ? { events } : { refused: refuse('unknown', 'nothing to finish or to start') }
  const step = indexPlan(plan).step.get(c.start)
  const performer = c.performer ?? step?.performer.personId
  const no = startRefusal(plan, after, c.start, now, performer)
  if (no) return events.length > 0 ? { events, held: no } : { refused: no }
  // An assistant may record that the dentist does a step; nobody may name a performer the table forbids.
  if (!mayRecord(who)) return { refused: refuse('not-allowed', 'only the chairside team runs a visit') }
  return { events: [...events, { kind: 'step.started', stepId: c.start, performer: performer! }] }
}

function decideUndo(state: RunState, who: Who): Decision {
  const top = state.past
  if (!top) return { refused: refuse('nothing-to-undo', 'there is nothing to take back') }
  if (top.by !== who.personId && !isDentist(who))
    return { refused: refuse('not-allowed', 'the last act was somebody else’s: they or the dentist take it back') }
  const signature =
    top.what.kind === 'hold.signed' || top.what.kind === 'hold.waved' || top.what.kind === 'window.accepted'
  if (signature && !isDentist(who))
    return { refused: refuse('not-allowed', 'a signature is taken back by the dentist') }
  return { events: [{ kind: 'undone', commandId: top.commandId }] }
}

/**
 * Decides a command against a run.
 * @param now ms since the epoch, by the server's clock.
 */
export function decide(plan: Plan, state: RunState, c: Command, who: Who, now: number): Decision {
  const core = state.core
  const index = indexPlan(plan)
  if (!mayRecord(who))
    return {
      refused: refuse('not-allowed', 'only the chairside team runs a visit', {
        missing: ['an assistant’s or dentist’s sign-in'],
      }),
    }
  if (core.status === 'closed') return { refused: refuse('closed', 'this visit is closed; its record stands') }
  if (c.kind === 'begin')
    return core.status === 'laid up'
      ? { events: [{ kind: 'run.started' }] }
      : { refused: refuse('not-now', 'the visit has begun already') }
  if (core.status !== 'running') return { refused: refuse('not-running', 'the visit has not begun') }
  switch (c.kind) {
    case 'advance':
      return decideAdvance(plan, core, c, who, now)
    case 'skip': {
      const unknown = c.stepIds.find((id) => !core.steps[id])
      if (unknown) return { refused: refuse('unknown', `no step "${unknown}" in this plan`) }
      const open = c.stepIds.filter((id) => ['todo', 'running'].includes(core.steps[id]!.status))
      if (open.length === 0) return { refused: refuse('not-now', 'these steps are done already') }
      return { events: open.map((stepId) => ({ kind: 'step.skipped', stepId, reason: c.reason })) }
    }
    case 'count': {
      const count = core.counts[c.countId]
      const planned = plan.counts.find((p) => p.id === c.countId)
      if (!count || !planned)
        return { refused: refuse('unknown', `nothing called "${c.countId}" is counted in this visit`) }
      const after = count[c.direction] + c.n
      if (c.n === 0) return { refused: refuse('not-now', 'count at least one') }
      if (after < 0) return { refused: refuse('not-now', `${planned.what}: the count cannot fall below nothing`) }
      if (c.direction === 'out' && after > count.in)
        return {
          refused: refuse(
            'not-now',
            `${planned.what}: ${count.in} went in, ${after} cannot come out. If more went in, count it in first`,
          ),
        }
      if (c.direction === 'in' && after < count.out)
        return { refused: refuse('not-now', `${planned.what}: ${count.out} came out, so no fewer went in`) }
      return { events: [{ kind: 'count.moved', countId: c.countId, direction: c.direction, n: c.n }] }
    }
    case 'sign':
    case 'wave': {
      const hold = index.hold.get(c.holdId)
      if (!hold) return { refused: refuse('unknown', `no hold "${c.holdId}" in this plan`) }
      if (core.holds[hold.id]!.status !== 'open')
        return { refused: refuse('not-now', `${hold.title} is answered already`) }
      const no = dentistsCode(who, `${c.kind === 'sign' ? 'The signature' : 'The word to go on'} on “${hold.title}”`)
      if (no) return { refused: no }
      if (hold.id === 'counts') {
        const open = openAtClose(plan, core).counts
        if (open.length > 0)
          return {
            refused: refuse('count-open', `the counts do not square: ${open.join('; ')}`, {
              missing: open,
              holdId: hold.id,
            }),
          }
      }
      // What was read as short or faulty is done over, or the dentist goes on unsigned with a reason: it is not signed as good.
      const bad = core.measured.filter((m) => m.stepId === hold.stepId && blocking.includes(m.verdict))
      if (c.kind === 'sign' && bad.length > 0) {
        const missing = bad.flatMap((m) => m.says.map((says) => spokenOf(m, says)))
        return {
          refused: refuse(
            'measured',
            `“${hold.title}” is not signed as it was read: ${missing.join('; ')}. Do it over, or go on unsigned with a reason`,
            { missing, holdId: hold.id },
          ),
        }
      }
      if (c.kind === 'wave') return { events: [{ kind: 'hold.waved', holdId: hold.id, reason: c.reason }] }
      if (core.steps[hold.stepId]!.status === 'todo')
        return {
          refused: refuse(
            'order',
            `there is nothing to sign yet: “${index.step.get(hold.stepId)!.title}” has not begun`,
            { missing: [index.step.get(hold.stepId)!.title], holdId: hold.id },
          ),
        }
      return { events: [{ kind: 'hold.signed', holdId: hold.id }] }
    }
    case 'again': {
      const hold = index.hold.get(c.holdId)
      if (!hold) return { refused: refuse('unknown', `no hold "${c.holdId}" in this plan`) }
      if (core.holds[hold.id]!.status !== 'open' || core.steps[hold.stepId]!.status === 'todo')
        return { refused: refuse('not-now', `${hold.title} is not being asked`) }
      return { events: reopen(plan, core, hold.again, c.reason) }
    }
    case 'answer': {
      const link = index.link.get(c.linkId)
      const at = link ? edgeAt(link, core) : undefined
      if (!link || at === undefined) return { refused: refuse('unknown', 'no such clock is running') }
      if (clockPhase(link, (now - at) / 1000) !== 'missed')
        return { refused: refuse('not-now', `${link.title}: still open`) }
      if (c.answer === 'again') return { events: reopen(plan, core, link.again ?? [link.from, link.to], c.reason) }
      const no = dentistsCode(who, `Going on after “${link.title}” has closed`)
      return no ? { refused: no } : { events: [{ kind: 'window.accepted', linkId: link.id, reason: c.reason }] }
    }
    case 'measure': {
      const step = index.step.get(c.stepId)
      if (!step || !readingsAt(plan, step).includes(c.measure))
        return { refused: refuse('unknown', 'this is not measured at that step') }
      const tooth = teethAt(plan, step, c.measure).find((t) => t === c.tooth)
      if (!tooth) return { refused: refuse('unknown', `no tooth "${c.tooth}" at this step`) }
      if (core.steps[step.id]!.status === 'todo')
        return { refused: refuse('order', `“${step.title}” has not begun`, { stepId: step.id }) }
      const round =
        core.measured.find((m) => m.stepId === step.id && m.measure === c.measure && m.tooth === tooth)?.round ?? 0
      const judged = judge(c.measure, c.readings, { plan, step, tooth, before: core.faults, round })
      if ('wrong' in judged) return { refused: refuse('unknown', judged.wrong) }
      return {
        events: [{ kind: 'measured', stepId: step.id, measure: c.measure, tooth, readings: c.readings, ...judged }],
      }
    }
    case 'call': {
      const { from } = handoffs[c.handoff]
      if ((from === 'dentist') !== isDentist(who))
        return { refused: refuse('not-allowed', `“${handoffs[c.handoff].words}” is the ${from}’s to say`) }
      const before = state.calls[c.handoff]
      if (before && before.seenAt === undefined)
        return { refused: refuse('not-now', `“${handoffs[c.handoff].words}” is said already and not seen yet`) }
      return {
        events: [
          {
            kind: 'handoff.called',
            handoff: c.handoff,
            ...(c.handoff === 'leaving' && c.minutes !== undefined ? { minutes: c.minutes } : {}),
          },
        ],
      }
    }
    case 'seen': {
      const call = state.calls[c.handoff]
      if (!call || call.seenAt !== undefined) return { refused: refuse('not-now', 'there is nothing to have seen') }
      if ((handoffs[c.handoff].from === 'assistant') !== isDentist(who))
        return { refused: refuse('not-allowed', 'it is said to the other side of the chair') }
      return { events: [{ kind: 'handoff.seen', handoff: c.handoff }] }
    }
    case 'note':
      return { events: [{ kind: 'note.added', text: c.text }] }
    case 'undo':
      return decideUndo(state, who)
    case 'close': {
      const open = openAtClose(plan, core)
      if (open.counts.length > 0)
        return {
          refused: refuse('count-open', `not closed, a count is open: ${open.counts.join('; ')}`, {
            missing: open.counts,
          }),
        }
      if (open.holds.length > 0)
        return {
          refused: refuse('hold', `not closed, unsigned: ${open.holds.join('; ')}`, {
            missing: open.holds.map((h) => `signature: ${h}`),
          }),
        }
      if (open.steps.length > 0)
        return {
          refused: refuse('unfinished', `not closed, ${open.steps.length} steps are neither done nor skipped`, {
            missing: open.steps.map((s) => s.title),
          }),
        }
      return { events: [{ kind: 'run.closed' }] }
    }
  }
}
