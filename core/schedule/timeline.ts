/**
 * The score of a visit: when each step falls, for each person. Earliest feasible start in the plan's order, with the
 * likely durations; people and the mouth are never in two places. Optimisation is the scheduler's later work; this is
 * the timeline a plan implies.
 */
import type { Plan, Step } from '../plan/types'

export interface Bar {
  stepId: string
  phase: Step['phase']
  title: string
  /** Performer first, then helpers. */
  people: string[]
  place: Step['place']
  startS: number
  endS: number
  hold: boolean
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
}

/** Shorter waits than this are the breath between two steps, not a rest. */
const leastRestS = 60

function restsOf(bars: readonly Bar[]): Rest[] {
  const until = new Map<string, number>()
  const rests: Rest[] = []
  for (const bar of bars.toSorted((a, b) => a.startS - b.startS)) {
    for (const personId of bar.people) {
      const free = until.get(personId)
      if (free !== undefined && bar.startS - free >= leastRestS) rests.push({ personId, startS: free, endS: bar.startS })
      until.set(personId, Math.max(free ?? 0, bar.endS))
    }
  }
  return rests
}

type Scored = Pick<Plan, 'steps' | 'links' | 'people'>

/**
 * Lays the plan out in time, seconds from seating the patient. Where the earliest start would overrun a window, what
 * starts the window is held back by as much, and the rest laid out again.
 */
export function layOut(plan: Scored): Timeline {
  const notBefore = new Map<string, number>()
  let timeline = layOnce(plan, notBefore)
  for (let tries = 0; tries < 12; tries++) {
    const missed = timeline.brackets.filter((b) => b.missed)
    if (missed.length === 0) break
    for (const b of missed) {
      const bar = timeline.bars.find((x) => x.stepId === b.from)!
      notBefore.set(b.from, bar.startS + (b.endS - b.startS) - b.longestS!)
    }
    timeline = layOnce(plan, notBefore)
  }
  return timeline
}

function layOnce(plan: Scored, notBefore: ReadonlyMap<string, number>): Timeline {
  const at = new Map<string, { start: number; finish: number }>()
  const free = new Map<string, number>()
  const bars: Bar[] = []
  const into = new Map<string, Plan['links']>()
  for (const link of plan.links) into.set(link.to, [...(into.get(link.to) ?? []), link])
  for (const step of plan.steps) {
    const people = [step.performer.personId, ...step.helpers]
    const resources = step.place === 'mouth' ? [...people, 'mouth'] : people
    let start = Math.max(notBefore.get(step.id) ?? 0, ...resources.map((r) => free.get(r) ?? 0))
    for (const link of into.get(step.id) ?? []) {
      const from = at.get(link.from)
      if (!from) continue
      const edge = (link.fromEdge === 'start' ? from.start : from.finish) + (link.atLeastS ?? 0)
      start = Math.max(start, link.toEdge === 'start' ? edge : edge - step.spread.likelyS)
    }
    const finish = start + step.spread.likelyS
    at.set(step.id, { start, finish })
    for (const r of resources) free.set(r, finish)
    bars.push({ stepId: step.id, phase: step.phase, title: step.title, people, place: step.place, startS: start, endS: finish, hold: step.holdId !== undefined })
  }
  const brackets = plan.links.flatMap((link): Bracket[] => {
    const from = at.get(link.from)
    const to = at.get(link.to)
    if (!from || !to || !link.title) return []
    const startS = link.fromEdge === 'start' ? from.start : from.finish
    const endS = link.toEdge === 'start' ? to.start : to.finish
    return [{ title: link.title, from: link.from, to: link.to, startS, endS, kind: link.atMostS === undefined ? 'lag' : 'window', missed: link.atMostS !== undefined && endS - startS > link.atMostS, ...(link.atMostS === undefined ? {} : { longestS: link.atMostS }) }]
  })
  const busyS: Record<string, number> = {}
  for (const bar of bars) for (const p of bar.people) busyS[p] = (busyS[p] ?? 0) + bar.endS - bar.startS
  const withPatient = bars.filter((b) => b.place !== 'desk' && b.place !== 'room')
  return {
    bars,
    rests: restsOf(bars),
    brackets,
    totalS: Math.max(0, ...bars.map((b) => b.endS)),
    chairS: Math.max(0, ...withPatient.map((b) => b.endS)),
    busyS,
  }
}
