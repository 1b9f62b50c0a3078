/**
 * The score of a visit: when each step falls, for each person, in the least chair time that order, lags and windows
 * allow with the likely durations; people and the mouth are never in two places. Where the rules cannot all hold, the
 * plan's own order is laid out and what is overrun is marked.
 */
import { sure } from '../sure'
import type { Plan } from '../model/plan'
import { isClock, leastS } from '../model/link'
import { withPatient, type Step } from '../model/step'
import { solve, type Problem } from './solve'

export interface Bar {
  stepId: string
  phase: Step['phase']
  title: string
  /** Performer first, then helpers. */
  people: string[]
  /** Items of which the practice owns one, while the step uses them. */
  things?: string[]
  place: Step['place']
  startS: number
  endS: number
  hold: boolean
  /** A second pair of hands is wanted, and nobody is there for it. */
  alone?: true
  /** Seconds it could start later without anyone leaving the chair later; 0 where it decides the length. */
  slackS: number
}
export interface Bracket {
  title: string
  from: string
  to: string
  startS: number
  endS: number
  kind: 'lag' | 'window'
  /** A window the likely durations already overrun. */
  missed: boolean
  /** The most a window may last. */
  longestS?: number
}
/** A stretch in which a person waits between two pieces of work. */
export interface Rest {
  personId: string
  startS: number
  endS: number
}
export interface Timeline {
  bars: Bar[]
  rests: Rest[]
  brackets: Bracket[]
  totalS: number
  /** From seating until the patient leaves. */
  chairS: number
  busyS: Record<string, number>
  /** Ids of the links that cannot all hold, none of them to spare; empty where everything holds. */
  conflict: string[]
}

/** Shorter waits than this are the breath between two steps, not a rest. */
const leastRestS = 60

function restsOf(bars: readonly Bar[]): Rest[] {
  const until = new Map<string, number>()
  const rests: Rest[] = []
  for (const bar of bars.toSorted((a, b) => a.startS - b.startS)) {
    for (const personId of bar.people) {
      const free = until.get(personId)
      if (free !== undefined && bar.startS - free >= leastRestS)
        rests.push({ personId, startS: free, endS: bar.startS })
      until.set(personId, Math.max(free ?? 0, bar.endS))
    }
  }
  return rests
}

export type Scored = Pick<Plan, 'steps' | 'links' | 'people'> & { setup?: Plan['setup'] }

/** Of what a step uses, the things the practice owns one of. */
export const thingsOf = (plan: Scored, stepId: string): string[] =>
  (plan.setup ?? []).flatMap((l) => (l.only && l.readiness === 'open' && l.steps.includes(stepId) ? [l.id] : []))
/** What a step takes for itself while it runs: its people, the mouth, the only one of a thing. */
export const heldBy = (plan: Scored, step: Step): string[] => [
  ...new Set([
    step.performer.personId,
    ...step.helpers,
    ...thingsOf(plan, step.id),
    ...(step.place === 'mouth' ? ['mouth'] : []),
  ]),
]

/** The visit as the scheduler sees it: steps with what they take, links as rules, and the patient's leaving as the end. */
export function problemOf(plan: Scored): Problem {
  return {
    tasks: plan.steps.map((s) => ({ id: s.id, durationS: s.spread.likelyS, holds: heldBy(plan, s) })),
    rules: plan.links,
    until: plan.steps.filter(withPatient).map((s) => s.id),
  }
}

type Start = (stepId: string) => number

const known = new WeakMap<Scored, Timeline>()

/**
 * Lays the plan out in time, seconds from seating the patient; the same plan is laid out once.
 * @example layOut(plan).conflict // []
 */
export function layOut(plan: Scored): Timeline {
  const before = known.get(plan)
  if (before) return before
  const found = solve(problemOf(plan))
  const timeline =
    'conflict' in found
      ? { ...inPlanOrder(plan), conflict: found.conflict }
      : drawn(
          plan,
          (id) => sure(found.startS[id]),
          (id) => sure(found.slackS[id]),
        )
  known.set(plan, timeline)
  return timeline
}

/**
 * Earliest start in the plan's own order. Where that would overrun a window, what starts the window is held back by as
 * much, and the rest laid out again; a window that cannot hold stays overrun.
 */
function inPlanOrder(plan: Scored): Timeline {
  const notBefore = new Map<string, number>()
  let timeline = drawn(plan, earliest(plan, notBefore))
  for (let tries = 0; tries < 12; tries++) {
    const missed = timeline.brackets.filter((b) => b.missed)
    if (missed.length === 0) break
    for (const b of missed) {
      const bar = sure(timeline.bars.find((x) => x.stepId === b.from))
      notBefore.set(b.from, bar.startS + (b.endS - b.startS) - sure(b.longestS))
    }
    timeline = drawn(plan, earliest(plan, notBefore))
  }
  return timeline
}

function earliest(plan: Scored, notBefore: ReadonlyMap<string, number>): Start {
  const at = new Map<string, { start: number; finish: number }>()
  const free = new Map<string, number>()
  const into = new Map<string, Plan['links']>()
  for (const link of plan.links) into.set(link.to, [...(into.get(link.to) ?? []), link])
  for (const step of plan.steps) {
    const resources = heldBy(plan, step)
    let start = Math.max(notBefore.get(step.id) ?? 0, ...resources.map((r) => free.get(r) ?? 0))
    for (const link of into.get(step.id) ?? []) {
      const from = at.get(link.from)
      if (!from) continue
      const edge = (link.fromEdge === 'start' ? from.start : from.finish) + leastS(link)
      start = Math.max(start, link.toEdge === 'start' ? edge : edge - step.spread.likelyS)
    }
    const finish = start + step.spread.likelyS
    at.set(step.id, { start, finish })
    for (const r of resources) free.set(r, finish)
  }
  return (id) => sure(at.get(id)).start
}

/** The starts as bars, waits, brackets and sums. */
const drawn = (plan: Scored, start: Start, slack: Start = () => 0): Timeline =>
  timelineOf(
    plan,
    plan.steps.map((step) => barOf(plan, step, start(step.id), start(step.id) + step.spread.likelyS, slack(step.id))),
  )

/** A step as a bar; `performerId` where somebody else did it than was planned. */
export function barOf(
  plan: Scored,
  step: Step,
  startS: number,
  endS: number,
  slackS: number,
  performerId = step.performer.personId,
): Bar {
  const things = thingsOf(plan, step.id)
  return {
    stepId: step.id,
    phase: step.phase,
    title: step.title,
    people: [...new Set([performerId, ...step.helpers])],
    ...(things.length > 0 ? { things } : {}),
    ...(step.alone ? { alone: true } : {}),
    place: step.place,
    startS,
    endS,
    hold: step.holdId !== undefined,
    slackS,
  }
}

/** Bars with their waits, brackets and sums. */
export function timelineOf(plan: Pick<Scored, 'links'>, bars: Bar[], conflict: string[] = []): Timeline {
  const at = new Map(bars.map((b) => [b.stepId, { start: b.startS, finish: b.endS }]))
  const brackets = plan.links.flatMap((link): Bracket[] => {
    const from = at.get(link.from)
    const to = at.get(link.to)
    if (!from || !to || !isClock(link)) return []
    const startS = link.fromEdge === 'start' ? from.start : from.finish
    const endS = link.toEdge === 'start' ? to.start : to.finish
    return [
      {
        title: link.title,
        from: link.from,
        to: link.to,
        startS,
        endS,
        kind: link.kind,
        missed: link.kind === 'window' && endS - startS > link.atMostS,
        ...(link.kind === 'window' ? { longestS: link.atMostS } : {}),
      },
    ]
  })
  const busyS: Record<string, number> = {}
  for (const bar of bars) for (const p of bar.people) busyS[p] = (busyS[p] ?? 0) + bar.endS - bar.startS
  return {
    bars,
    rests: restsOf(bars),
    brackets,
    totalS: Math.max(0, ...bars.map((b) => b.endS)),
    chairS: Math.max(0, ...bars.filter(withPatient).map((b) => b.endS)),
    busyS,
    conflict,
  }
}
