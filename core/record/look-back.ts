/** What came of what was planned: minutes, forecasts, and what was done over, from the runs themselves. */
import { lastOf, sure } from '../sure'
import { reason, type Reason } from '../figure'
import type { Plan } from '../model/plan'
import type { RunEvent } from '../run/events'
import { attended } from '../run/left-open'
import { replay, edgeOf, stepState } from '../run/state'
import { withPatient } from '../model/step'
import { layOut } from '../schedule/timeline'

export interface Retake {
  stepId: string
  title: string
  why: string
}
export interface LookBack {
  kind: Plan['kind']
  title: string
  dentistId: string
  startedAt: number
  /** Seconds in the chair: as planned, and from seating until the last work with the patient was done. */
  plannedChairS: number
  chairS: number
  retakes: Retake[]
}

/** One closed run, looked back on. */
export function lookBackOf(plan: Plan, events: readonly RunEvent[]): LookBack | null {
  const core = attended(replay(plan, events))
  if (core.startedAt === undefined || core.closedAt === undefined) return null
  const ends = plan.steps.filter(withPatient).flatMap((s) => edgeOf(stepState(core, s.id), 'finish') ?? [])
  const titles = new Map(plan.steps.map((s) => [s.id, s.title]))
  const undone = new Set(events.flatMap((e) => (e.what.kind === 'undone' ? [e.what.commandId] : [])))
  // One answer re-opens all that it looked at: it is one retake, of the step whose hold said so, else of the last.
  const again = new Map<string, { stepId: string; why: string }[]>()
  for (const { commandId, what } of events)
    if (what.kind === 'step.reopened' && !undone.has(commandId))
      again.set(commandId, [...(again.get(commandId) ?? []), { stepId: what.stepId, why: what.reason }])
  const holding = new Set(plan.holds.map((h) => h.stepId))
  const retakes = [...again.values()].map((steps): Retake => {
    const { stepId, why } = steps.find((s) => holding.has(s.stepId)) ?? lastOf(steps)
    return { stepId, title: titles.get(stepId) ?? stepId, why }
  })
  return {
    kind: plan.kind,
    title: plan.title,
    dentistId: sure(plan.people.find((p) => p.dentist)).id,
    startedAt: core.startedAt,
    plannedChairS: layOut(plan).chairS,
    chairS: ends.length === 0 ? 0 : (Math.max(...ends) - core.startedAt) / 1000,
    retakes,
  }
}

export interface Calibration {
  n: number
  kept: number
  share: number
  /** 95 % interval of the share (Wilson 1927). */
  from: number
  to: number
  because: Reason
}

const z95 = 1.959_964
/** Wilson's interval for a share. */
export function wilson(kept: number, n: number): { from: number; to: number } {
  if (n === 0) return { from: 0, to: 1 }
  const p = kept / n
  const middle = p + z95 ** 2 / (2 * n)
  const half = z95 * Math.sqrt((p * (1 - p)) / n + z95 ** 2 / (4 * n ** 2))
  const below = 1 + z95 ** 2 / n
  return { from: Math.max(0, (middle - half) / below), to: Math.min(1, (middle + half) / below) }
}

/** Of the visits forecast to end by their 8-in-10 time, how many did. Well calibrated are the forecasts where 80 % lies inside the interval. */
export function calibrationOf(visits: readonly { chairS: number; eightInTenS?: number }[]): Calibration {
  const forecast = visits.filter((v) => v.eightInTenS !== undefined)
  const kept = forecast.filter((v) => v.chairS <= sure(v.eightInTenS)).length
  const n = forecast.length
  const { from, to } = wilson(kept, n)
  const percent = (x: number): string => `${Math.round(x * 100)} %`
  const text =
    n === 0
      ? 'no closed visit has a forecast yet'
      : from <= 0.8 && to >= 0.8
        ? `8 in 10 lies within what chance allows (${percent(from)} to ${percent(to)})`
        : to < 0.8
          ? `fewer than forecast: visits take longer than the durations say (${percent(from)} to ${percent(to)})`
          : `more than forecast: the durations are too long (${percent(from)} to ${percent(to)})`
  return {
    n,
    kept,
    share: n === 0 ? 0 : kept / n,
    from,
    to,
    because: reason(text, 'P', 'Wilson EB, J Am Stat Assoc 1927;22:209'),
  }
}
