/** The clocks of a plan as an exercise: which act when, taken from its own windows, lags and calls. */
import { sure } from '../sure'
import { isClock, isWindow, type Edge } from '../model/link'
import type { Lanes } from '../model/lanes'
import type { Plan } from '../model/plan'
import { kindOfStep } from '../step-id'
import { comesBefore } from './order'

export interface Bound {
  /** Key of the act it counts from; 'start' is the press that sets the clock going. */
  from: string
  atLeastS?: number
  atMostS?: number
  because: string
}
export interface ClockAct {
  key: string
  stepId: string
  /** What of it comes back: without the tooth. */
  learns: string
  says: string
  bounds: Bound[]
}
export interface ClockTask {
  /** What sets the clock going. */
  begins: string
  acts: ClockAct[]
}

/** A call is answered well from a few seconds before it until it has been standing for a while. Our estimate. */
const callSlackS = { before: 3, after: 10 } as const
/** What takes longer than this is no exercise: nobody learns by waiting. */
const longestS = 300

const edgeKey = (stepId: string, edge: Edge): string => `${stepId}.${edge}`
const begin = 'start'

/** Seconds after the beginning at which an act may happen at the earliest. */
function earliest(acts: readonly ClockAct[], key: string): number {
  if (key === begin) return 0
  const act = sure(acts.find((a) => a.key === key))
  return Math.max(0, ...act.bounds.map((b) => earliest(acts, b.from) + (b.atLeastS ?? 0)))
}

/** In an order in which each stands after what it counts from. */
function byBounds(acts: readonly ClockAct[]): ClockAct[] {
  const [left, out]: [ClockAct[], ClockAct[]] = [[...acts], []]
  while (left.length > 0) {
    const at = left.findIndex((a) => a.bounds.every((b) => b.from === begin || out.some((o) => o.key === b.from)))
    out.push(...left.splice(Math.max(0, at), 1))
  }
  return out
}

function taskFrom(plan: Plan, stepId: string, edge: Edge): ClockTask {
  const title = (id: string): string => sure(plan.steps.find((s) => s.id === id)).title
  const acts: ClockAct[] = []
  const reached = [{ node: edgeKey(stepId, edge), key: begin }]
  const add = (to: string, toEdge: Edge, bound: Bound): void => {
    const key = edgeKey(to, toEdge)
    if (key === edgeKey(stepId, edge)) return
    const known = acts.find((a) => a.key === key)
    if (known) return void known.bounds.push(bound)
    acts.push({
      key,
      stepId: to,
      learns: `${kindOfStep(to)}.${toEdge}`,
      says: toEdge === 'start' ? `begin: ${title(to)}` : `done: ${title(to)}`,
      bounds: [bound],
    })
    if (earliest(acts, key) > longestS) acts.pop()
    else reached.push({ node: key, key })
  }
  for (const { node, key } of reached) {
    for (const l of plan.links) {
      if (!isClock(l) || l.from === l.to || edgeKey(l.from, l.fromEdge) !== node) continue
      add(l.to, l.toEdge, {
        from: key,
        ...(l.atLeastS === undefined ? {} : { atLeastS: l.atLeastS }),
        ...(l.atMostS === undefined ? {} : { atMostS: l.atMostS }),
        because: l.because.text,
      })
    }
    for (const s of plan.steps) {
      for (const cue of s.cues ?? []) {
        if (cue.until !== 'start' || edgeKey(cue.from, cue.fromEdge) !== node) continue
        add(s.id, 'start', {
          from: key,
          atLeastS: Math.max(0, cue.atS - callSlackS.before),
          atMostS: cue.atS + callSlackS.after,
          because: cue.because.text,
        })
      }
    }
  }
  const place = (a: ClockAct): number => plan.steps.findIndex((s) => s.id === a.stepId)
  const inTurn = acts.toSorted((a, b) => earliest(acts, a.key) - earliest(acts, b.key) || place(a) - place(b))
  // What the plan has one after the other is done one after the other, whatever the clocks allow.
  for (const b of inTurn)
    for (const a of inTurn)
      if (!b.bounds.some((x) => x.from === a.key) && comesBefore(plan, a.stepId, b.stepId))
        b.bounds.push({ from: a.key, because: `after: ${title(a.stepId)}` })
  return { begins: `${edge === 'start' ? 'begun' : 'done'}: ${title(stepId)}`, acts: byBounds(inTurn) }
}

/** A choreography as an exercise: each act at its second, whoever it falls to. */
function laneTask(plan: Plan, stepId: string, lanes: Lanes): ClockTask {
  const title = sure(plan.steps.find((s) => s.id === lanes.from)).title
  const acts = lanes.rows
    .flatMap((row) => row.acts)
    .toSorted((a, b) => a.fromS - b.fromS)
    .map((a): ClockAct => ({
      key: `${stepId}.${a.id}`,
      stepId,
      learns: `${kindOfStep(stepId)}.${a.id}`,
      says: a.say,
      bounds: [
        {
          from: begin,
          atLeastS: Math.max(0, a.fromS - callSlackS.before),
          atMostS: a.fromS + callSlackS.after,
          because: lanes.because.text,
        },
      ],
    }))
  return { begins: `${lanes.fromEdge === 'start' ? 'begun' : 'done'}: ${title}`, acts }
}

/** The exercises of a plan: its choreographies, and one for each beginning that a window hangs on; windows first, most acts first. */
export function clockTasks(plan: Plan): ClockTask[] {
  const lanes = plan.steps.flatMap((s) => (s.lanes && s.lanes.endS <= longestS ? [laneTask(plan, s.id, s.lanes)] : []))
  const begins = new Map(
    plan.links.filter((l) => isWindow(l) && l.from !== l.to).map((l) => [edgeKey(l.from, l.fromEdge), l]),
  )
  const windows = [...begins.values()].map((l) => taskFrom(plan, l.from, l.fromEdge))
  return [...lanes, ...windows].filter((t) => t.acts.length > 0).toSorted((a, b) => b.acts.length - a.acts.length)
}

export interface Pressed {
  key: string
  /** Seconds after the beginning, in the exercise's own time. */
  atS: number
}

/** What was wrong with each act, in words; nothing where it was in time. */
export function judgeClocks(task: ClockTask, pressed: readonly Pressed[]): { act: ClockAct; wrong?: string }[] {
  const at = (key: string): number | undefined => (key === begin ? 0 : pressed.find((p) => p.key === key)?.atS)
  return task.acts.map((act) => {
    const own = at(act.key)
    if (own === undefined) return { act, wrong: 'not done' }
    for (const b of act.bounds) {
      const from = at(b.from)
      if (from === undefined || from > own) return { act, wrong: 'before what it counts from' }
      const elapsed = own - from
      if (b.atLeastS !== undefined && elapsed < b.atLeastS)
        return { act, wrong: `${Math.ceil(b.atLeastS - elapsed)} s too early` }
      if (b.atMostS !== undefined && elapsed > b.atMostS)
        return { act, wrong: `${Math.ceil(elapsed - b.atMostS)} s too late` }
    }
    return { act }
  })
}
