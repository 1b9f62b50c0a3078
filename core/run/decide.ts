/** decide: what a person asks becomes events, or a refusal that says what is missing. Pure; the time is handed in. */
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { judge, readingsAt, spokenOf, teethAt } from '../readings'
import { blocking } from '../readings/reading'
import { stillToRead } from './unread'
import {
  dentistsCode,
  isDentist,
  mayRecord,
  no,
  nothingBeside,
  type Asked,
  type Beside,
  type Decision,
  type Handlers,
  type Of,
  type Who,
} from './asked'
import { clockPhase, edgeAt } from './clocks'
import { withFreshCords } from './cords'
import { cordOut, keepCord } from './decide-cords'
import { begin, matterRefuses, settle } from './decide-matters'
import { throatPack } from '../vocabulary'
import type { Command, Happening } from './events'
import { handoffs } from './handoffs'
import { indexPlan } from './plan-index'
import { finishRefusal, refuse, startRefusal, type Refusal } from './refusals'
import { countState, finished, holdState, stepState, tallyOf, type RunCore, type RunState } from './state'

export type { Beside, Decision, Who } from './asked'

/**
 * Everything that keeps a run from closing, one line each. Steps at the desk or in the room may follow later.
 * @example openAtClose(plan, state.core).steps.length === plan.steps.length // false
 */
export function openAtClose(plan: Plan, core: RunCore): { counts: string[]; holds: string[]; steps: Step[] } {
  return {
    counts: plan.counts.flatMap((c) => {
      const is = countState(c, core)
      if (is.kind === 'too many out') return [`${c.what}: ${is.n} more out than in`]
      const meant = c.stays > 0 ? ` (${c.stays} meant to stay)` : ''
      return is.kind === 'still in' ? [`${c.what}: ${is.n} still in${meant}`] : []
    }),
    holds: plan.holds.filter((h) => holdState(core, h.id).status === 'open').map((h) => h.title),
    steps: plan.steps.filter(
      (s) => ['todo', 'running'].includes(stepState(core, s.id).status) && s.place !== 'desk' && s.place !== 'room',
    ),
  }
}

/** Finishing puts in what the plan says goes in; what comes out is always a person's own count. */
function finishEvents(plan: Plan, stepId: string): Happening[] {
  const ins = plan.counts
    .filter((c) => c.inStep === stepId)
    .map((c): Happening => ({ kind: 'count.moved', countId: c.id, direction: 'in', n: c.planned }))
  return [{ kind: 'step.finished', stepId }, ...ins]
}

/** Steps taken up again, and the signatures on them with it. */
function reopen(plan: Plan, core: RunCore, stepIds: readonly string[], reason: string): Happening[] {
  const index = indexPlan(plan)
  return stepIds.flatMap((stepId): Happening[] => {
    const events: Happening[] = []
    if (stepState(core, stepId).status !== 'todo') events.push({ kind: 'step.reopened', stepId, reason })
    const hold = index.holdOfStep.get(stepId)
    if (hold && holdState(core, hold.id).status !== 'open')
      events.push({ kind: 'hold.reopened', holdId: hold.id, reason })
    return events
  })
}

function advance(c: Of<'advance'>, asked: Asked): Decision {
  const { plan, core, who, now } = asked
  const events: Happening[] = []
  let after = core
  if (c.finish !== undefined) {
    const refused = finishRefusal(plan, core, c.finish, now)
    if (refused) return { refused }
    events.push(...finishEvents(plan, c.finish))
    after = { ...core, steps: { ...core.steps, [c.finish]: finished(stepState(core, c.finish), now) } }
  }
  if (c.start === undefined) return events.length > 0 ? { events } : no('unknown', 'nothing to finish or to start')
  const performer = c.performer ?? indexPlan(plan).step.get(c.start)?.performer.personId
  const refused =
    startRefusal(plan, after, c.start, now, performer) ?? matterRefuses(c.start, { ...asked, core: after })
  if (refused || performer === undefined) {
    const held = refused ?? refuse('unknown', `no step "${c.start}" in this plan`)
    return events.length > 0 ? { events, held } : { refused: held }
  }
  // An assistant may record that the dentist does a step; nobody may name a performer the table forbids.
  if (!mayRecord(who)) return no('not-allowed', 'only the chairside team runs a visit')
  return { events: [...events, { kind: 'step.started', stepId: c.start, performer }] }
}

function skip(c: Of<'skip'>, { core }: Asked): Decision {
  const unknown = c.stepIds.find((id) => !core.steps[id])
  if (unknown !== undefined) return no('unknown', `no step "${unknown}" in this plan`)
  const open = c.stepIds.filter((id) => ['todo', 'running'].includes(stepState(core, id).status))
  if (open.length === 0) return no('not-now', 'these steps are done already')
  return { events: open.map((stepId) => ({ kind: 'step.skipped', stepId, reason: c.reason })) }
}

function count(c: Of<'count'>, { plan, core, who }: Asked): Decision {
  const planned = plan.counts.find((p) => p.id === c.countId)
  if (!planned) return no('unknown', `nothing called "${c.countId}" is counted in this visit`)
  if (c.n === 0) return no('not-now', 'count at least one')
  const tally = tallyOf(core, c.countId)
  const after = tally[c.direction] + c.n
  if (after < 0) return no('not-now', `${planned.what}: the count cannot fall below nothing`)
  if (c.direction === 'out' && after > tally.in)
    return no(
      'not-now',
      `${planned.what}: ${tally.in} went in, ${after} cannot come out. If more went in, count it in first`,
    )
  if (c.direction === 'in' && after < tally.out)
    return no('not-now', `${planned.what}: ${tally.out} came out, so no fewer went in`)
  // A piece that is taken off a count is one nobody looks for any more.
  if (c.direction === 'in' && c.n < 0) {
    if (c.reason === undefined) return no('not-now', `${planned.what}: say why fewer went in than was counted`)
    if (planned.id === throatPack && (c.looked === undefined || c.film === undefined))
      return no('not-now', `${planned.what}: say where it was looked for, and what a film shows`, {
        missing: ['where it was looked for', 'a film, and what it shows'],
      })
    const refused = dentistsCode(who, `Taking off the count of ${planned.what}`)
    if (refused) return { refused }
  }
  const { reason, looked, film } = c
  const why = { ...(reason ? { reason } : {}), ...(looked ? { looked } : {}), ...(film ? { film } : {}) }
  return { events: [{ kind: 'count.moved', countId: c.countId, direction: c.direction, n: c.n, ...why }] }
}

/** The hold a signature or a word to go on is for, or why neither can be given. */
function askedHold(
  c: Of<'sign'> | Of<'wave'>,
  { plan, core, who }: Asked,
): { hold: Plan['holds'][number] } | { refused: Refusal } {
  const hold = indexPlan(plan).hold.get(c.holdId)
  if (!hold) return { refused: refuse('unknown', `no hold "${c.holdId}" in this plan`) }
  if (holdState(core, hold.id).status !== 'open')
    return { refused: refuse('not-now', `${hold.title} is answered already`) }
  const act = c.kind === 'sign' ? 'The signature' : 'The word to go on'
  const refused = dentistsCode(who, `${act} on “${hold.title}”`)
  if (refused) return { refused }
  const open = hold.name === 'counts' ? openAtClose(plan, core).counts : []
  if (open.length > 0)
    return {
      refused: refuse('count-open', `the counts do not agree: ${open.join('; ')}`, { missing: open, holdId: hold.id }),
    }
  return { hold }
}

function wave(c: Of<'wave'>, asked: Asked): Decision {
  const found = askedHold(c, asked)
  if ('refused' in found) return found
  return { events: [{ kind: 'hold.waved', holdId: found.hold.id, reason: c.reason }] }
}

function sign(c: Of<'sign'>, asked: Asked): Decision {
  const found = askedHold(c, asked)
  if ('refused' in found) return found
  const { hold } = found
  const { plan, core } = asked
  // What was read as short or faulty is done over, or the dentist goes on unsigned with a reason: it is not signed as good.
  const rests = [hold.stepId, ...(hold.restsOn ?? [])]
  const bad = core.measured.filter((m) => rests.includes(m.stepId) && blocking.includes(m.verdict))
  if (bad.length > 0) {
    const missing = bad.flatMap((m) => m.says.map((says) => spokenOf(plan, m, says)))
    return no(
      'measured',
      `“${hold.title}” is not signed as it was read: ${missing.join('; ')}. Do it over, or go on unsigned with a reason`,
      { missing, holdId: hold.id },
    )
  }
  if (stepState(core, hold.stepId).status === 'todo') {
    const title = indexPlan(plan).title(hold.stepId)
    return no('order', `there is nothing to sign yet: “${title}” has not begun`, { missing: [title], holdId: hold.id })
  }
  const unread = stillToRead(plan, core, hold).map((r) => r.words)
  if (unread.length > 0)
    return no(
      'measured',
      `“${hold.title}” is not signed before it is read: ${unread.join(', ')}. Take the readings, or go on unsigned with a reason`,
      { missing: unread, holdId: hold.id },
    )
  const { codeAgoS } = asked.who
  const way = codeAgoS === undefined ? {} : { codeAgoS: Math.round(codeAgoS) }
  return { events: [{ kind: 'hold.signed', holdId: hold.id, ...way }] }
}

function again(c: Of<'again'>, { plan, core, now }: Asked): Decision {
  const hold = indexPlan(plan).hold.get(c.holdId)
  if (!hold) return no('unknown', `no hold "${c.holdId}" in this plan`)
  if (holdState(core, hold.id).status !== 'open' || stepState(core, hold.stepId).status === 'todo')
    return no('not-now', `${hold.title} is not being asked`)
  return { events: reopen(plan, core, withFreshCords(plan, core, hold.again, now), c.reason) }
}

function answer(c: Of<'answer'>, { plan, core, who, now }: Asked): Decision {
  const link = indexPlan(plan).link.get(c.linkId)
  const at = link ? edgeAt(link, core) : undefined
  if (link?.kind !== 'window' || at === undefined) return no('unknown', 'no such clock is running')
  if (clockPhase(link, (now - at) / 1000) !== 'missed') return no('not-now', `${link.title}: still open`)
  if (c.answer === 'again') return { events: reopen(plan, core, withFreshCords(plan, core, link.again, now), c.reason) }
  const refused = dentistsCode(who, `Going on after “${link.title}” has closed`)
  return refused ? { refused } : { events: [{ kind: 'window.accepted', linkId: link.id, reason: c.reason }] }
}

function measure(c: Of<'measure'>, { plan, core }: Asked): Decision {
  const step = indexPlan(plan).step.get(c.stepId)
  if (!step || !readingsAt(step).includes(c.measure)) return no('unknown', 'this is not measured at that step')
  const tooth = teethAt(step, c.measure).find((t) => t === c.tooth)
  if (!tooth) return no('unknown', `no tooth "${c.tooth}" at this step`)
  if (stepState(core, step.id).status === 'todo')
    return no('order', `“${step.title}” has not begun`, { stepId: step.id })
  const before = core.measured.find((m) => m.stepId === step.id && m.measure === c.measure && m.tooth === tooth)
  const at = { plan, step, tooth, before: core.faults, round: before?.round ?? 0, spent: core.spent }
  const judged = judge(c.measure, c.readings, at)
  if ('wrong' in judged) return no('unknown', judged.wrong)
  return {
    events: [{ kind: 'measured', stepId: step.id, measure: c.measure, tooth, readings: c.readings, ...judged }],
  }
}

function call(c: Of<'call'>, { state, who }: Asked): Decision {
  const { from, words } = handoffs[c.handoff]
  if ((from === 'dentist') !== isDentist(who)) return no('not-allowed', `“${words}” is the ${from}’s to say`)
  const before = state.calls[c.handoff]
  if (before && before.seenAt === undefined) return no('not-now', `“${words}” is said already and not seen yet`)
  const minutes = c.handoff === 'leaving' && c.minutes !== undefined ? { minutes: c.minutes } : {}
  return { events: [{ kind: 'handoff.called', handoff: c.handoff, ...minutes }] }
}

function seen(c: Of<'seen'>, { state, who }: Asked): Decision {
  const said = state.calls[c.handoff]
  if (!said || said.seenAt !== undefined) return no('not-now', 'there is nothing to have seen')
  if ((handoffs[c.handoff].from === 'assistant') !== isDentist(who))
    return no('not-allowed', 'it is said to the other side of the chair')
  return { events: [{ kind: 'handoff.seen', handoff: c.handoff }] }
}

function undo(_: Of<'undo'>, { state, who }: Asked): Decision {
  const top = state.past
  if (!top) return no('nothing-to-undo', 'there is nothing to take back')
  if (top.by !== who.personId && !isDentist(who))
    return no('not-allowed', 'the last act was somebody else’s: they or the dentist take it back')
  const signature = ['hold.signed', 'hold.waved', 'window.accepted'].includes(top.what.kind)
  if (signature && !isDentist(who)) return no('not-allowed', 'a signature is taken back by the dentist')
  return { events: [{ kind: 'undone', commandId: top.commandId }] }
}

function close(_: Of<'close'>, { plan, core }: Asked): Decision {
  const open = openAtClose(plan, core)
  if (open.counts.length > 0)
    return no('count-open', `not closed, a count is open: ${open.counts.join('; ')}`, { missing: open.counts })
  if (open.holds.length > 0)
    return no('hold', `not closed, unsigned: ${open.holds.join('; ')}`, {
      missing: open.holds.map((h) => `signature: ${h}`),
    })
  if (open.steps.length > 0)
    return no('unfinished', `not closed, ${open.steps.length} steps are neither done nor skipped`, {
      missing: open.steps.map((s) => s.title),
    })
  return { events: [{ kind: 'run.closed' }] }
}

const handlers: Handlers = {
  begin,
  advance,
  skip,
  count,
  sign,
  wave,
  again,
  answer,
  measure,
  'cord out': cordOut,
  'keep cord': keepCord,
  call,
  seen,
  settle,
  addend: (c, { core }) => addend(c, core),
  note: (c) => ({ events: [{ kind: 'note.added', text: c.text }] }),
  undo,
  close,
}

/** What was forgotten or found out later is added with its own time and name; what stands in the record stays as it was. */
const addend = (c: Of<'addend'>, core: Asked['core']): Decision =>
  core.status === 'closed'
    ? { events: [{ kind: 'addendum.made', text: c.text }] }
    : no('not-now', 'the record is open: write a note')

const handle = <K extends Command['kind']>(kind: K, c: Of<K>, asked: Asked): Decision => handlers[kind](c, asked)

/**
 * Decides a command against a run.
 * @param now ms since the epoch, by the server's clock.
 * @param beside what beginning stands on; a screen that does not know it is told by the server.
 * @example decide(plan, state, { kind: 'begin' }, who, now) // { events: [{ kind: 'run.started' }] }
 */
export function decide(
  plan: Plan,
  state: RunState,
  c: Command,
  who: Who,
  now: number,
  beside: Beside = nothingBeside,
): Decision {
  const { core } = state
  if (!mayRecord(who))
    return no('not-allowed', 'only the chairside team runs a visit', {
      missing: ['an assistant’s or dentist’s sign-in'],
    })
  if (core.status === 'closed' && c.kind !== 'addend') return no('closed', 'this visit is closed; its record stands')
  if (c.kind !== 'begin' && c.kind !== 'addend' && core.status !== 'running')
    return no('not-running', 'the visit has not begun')
  return handle(c.kind, c, { plan, state, core, who, now, beside })
}
