/**
 * What is left of a visit that has begun: what was done stands as it was, what runs ends when it is likely to by now, and
 * the rest is laid out anew from this moment, in the least chair time left. Windows that the past has already broken are
 * marked, not hidden.
 */
import { sure } from '../sure'
import { isClock, leastS } from '../model/link'
import { edgeAt } from '../run/clocks'
import { edgeOf, type RunCore, stepState } from '../run/state'
import { withPatient, type Spread } from '../model/step'
import { solve, type Problem, type Rule } from './solve'
import { barOf, heldBy, timelineOf, type Bar, type Scored, type Timeline } from './timeline'

/** What runs is never said to end at once, seconds. */
const leastLeftS = 30

/**
 * Seconds a step is likely to last on, after so many. Beyond its likely time: the mean of what is left of the falling side
 * of the triangle between likely and long, a third of it. Before, what is missing to the likely time, and of that third
 * as much as has gone by, so that nothing jumps.
 */
export const leftOf = ({ likelyS, longS }: Spread, elapsedS: number): number =>
  Math.max(
    leastLeftS,
    elapsedS >= likelyS ? (longS - elapsedS) / 3 : likelyS - elapsedS + ((elapsedS / likelyS) * (longS - likelyS)) / 3,
  )

/** Seconds since `now` of an edge that has happened. */
const since = (at: number, now: number): number => (at - now) / 1000

function restOf(plan: Scored, core: RunCore, now: number): { problem: Problem; missed: string[] } {
  const status = (id: string): string => core.steps[id]?.status ?? 'done'
  const running = plan.steps.filter((s) => status(s.id) === 'running')
  const todo = plan.steps.filter((s) => status(s.id) === 'todo')
  const left = new Map(
    running.map((s) => [s.id, leftOf(s.spread, -since(edgeOf(stepState(core, s.id), 'start') ?? now, now))]),
  )
  const starts: Record<string, { atLeastS?: number; atMostS?: number }> = Object.fromEntries(
    running.map((s) => [s.id, { atLeastS: 0, atMostS: 0 }]),
  )
  const rules: Rule[] = []
  const missed: string[] = []
  for (const link of plan.links) {
    if (status(link.to) !== 'todo' && status(link.to) !== 'running') continue
    const edge = edgeAt(link, core)
    if (edge === undefined) {
      if (
        link.from !== link.to &&
        (status(link.from) === 'todo' || status(link.from) === 'running') &&
        status(link.to) === 'todo'
      )
        rules.push(link)
      continue
    }
    // The first edge is a fact: what hangs on it is a bound on the second. A finish falls its own length after its start.
    const toS =
      link.toEdge === 'finish'
        ? (left.get(link.to) ?? sure(plan.steps.find((s) => s.id === link.to)).spread.likelyS)
        : 0
    const at = since(edge, now)
    if (status(link.to) === 'running') {
      if (link.toEdge === 'finish' && isClock(link))
        left.set(link.to, Math.max(sure(left.get(link.to)), at + leastS(link)))
      continue
    }
    const bound = (starts[link.to] ??= {})
    bound.atLeastS = Math.max(bound.atLeastS ?? 0, at + leastS(link) - toS)
    if (link.kind !== 'window' || core.accepted[link.id]) continue
    const latest = at + link.atMostS - toS
    if (latest < 0) missed.push(link.id)
    else bound.atMostS = Math.min(bound.atMostS ?? Infinity, latest)
  }
  // Two steps that already run may share a person by their own doing; whoever is bound longest keeps the place.
  const keeper = new Map<string, string>()
  for (const s of running.toSorted((a, b) => sure(left.get(b.id)) - sure(left.get(a.id))))
    for (const h of heldBy(plan, s)) if (!keeper.has(h)) keeper.set(h, s.id)
  const tasks = [
    ...running.map((s) => ({
      id: s.id,
      durationS: sure(left.get(s.id)),
      holds: heldBy(plan, s).filter((h) => keeper.get(h) === s.id),
    })),
    ...todo.map((s) => ({ id: s.id, durationS: s.spread.likelyS, holds: heldBy(plan, s) })),
  ]
  const until = [...running, ...todo].filter(withPatient).map((s) => s.id)
  return { problem: { tasks, rules, until: until.length > 0 ? until : tasks.map((t) => t.id), starts }, missed }
}

/** Solves; rules that cannot hold together lose their windows one conflict at a time, and are handed back. */
function solveLeniently(problem: Problem): {
  startS: Record<string, number>
  slackS: Record<string, number>
  given: string[]
} {
  const given: string[] = []
  let trial = problem
  for (let tries = 0; tries < 8; tries++) {
    const found = solve(trial)
    if (!('conflict' in found)) return { startS: found.startS, slackS: found.slackS, given }
    const broken = new Set(
      found.conflict.filter((id) => trial.rules.some((r) => r.id === id && r.atMostS !== undefined)),
    )
    if (broken.size > 0) {
      given.push(...broken)
      trial = { ...trial, rules: trial.rules.map((r) => (broken.has(r.id) ? withoutWindow(r) : r)) }
    } else {
      // What no rule among the rest explains lies in the bounds that the past has set.
      const running = new Set(
        Object.entries(trial.starts ?? {}).flatMap(([id, b]) => (b.atMostS === 0 && b.atLeastS === 0 ? [id] : [])),
      )
      trial = {
        ...trial,
        starts: Object.fromEntries(
          Object.entries(trial.starts ?? {}).map(([id, b]) => [
            id,
            running.has(id) ? b : { atLeastS: b.atLeastS ?? 0 },
          ]),
        ),
      }
      if (tries > 3) trial = { ...trial, rules: trial.rules.map(withoutWindow) }
    }
  }
  // Order and lags alone always hold: the plan's own order is one way.
  const found = solve({ ...trial, rules: trial.rules.map(withoutWindow) })
  return 'conflict' in found ? { startS: {}, slackS: {}, given } : { startS: found.startS, slackS: found.slackS, given }
}
function withoutWindow(rule: Rule): Rule {
  const lag = { ...rule }
  delete lag.atMostS
  return lag
}

/**
 * The score of a visit that has begun, seconds from its beginning: facts until `now`, a likely course from there on.
 * @param now ms since the epoch, as the events are stamped
 */
export function layOutFrom(plan: Scored, core: RunCore, now: number): Timeline {
  const began = core.startedAt ?? now
  const { problem, missed } = restOf(plan, core, now)
  const { startS, slackS, given } = solveLeniently(problem)
  const nowS = (now - began) / 1000
  const durations = new Map(problem.tasks.map((t) => [t.id, t.durationS]))
  const bars = plan.steps.flatMap((step): Bar[] => {
    const s = core.steps[step.id]
    if (!s || s.status === 'skipped') return []
    const startedS = ((edgeOf(s, 'start') ?? now) - began) / 1000
    if (s.status === 'done') return [barOf(plan, step, startedS, (s.finishedAt - began) / 1000, 0, s.performer)]
    const ends = (from: number): number => nowS + from + sure(durations.get(step.id))
    if (s.status === 'running') return [barOf(plan, step, startedS, ends(0), 0, s.performer)]
    const from = startS[step.id] ?? 0
    return [barOf(plan, step, nowS + from, ends(from), slackS[step.id] ?? 0)]
  })
  return timelineOf(plan, bars, [...missed, ...given])
}
