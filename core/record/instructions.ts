import type { Plan } from '../model/plan'
import type { RunCore } from '../run/state'
import { workingDaysAfter } from '../clock'

/** What the patient is told, by what was really done: each step that has something to tell tells it once. Standing C. */
export function patientInstructions(plan: Plan, core: RunCore): string[] {
  const done = (id: string): boolean => core.steps[id]?.status === 'done'
  const lines = [...new Set(plan.steps.flatMap((s) => (s.tell && done(s.id) ? [s.tell] : [])))]
  const provisional = plan.steps.filter((s) => s.act === 'provisional cemented')
  if (provisional.length > 0 && !provisional.some((s) => done(s.id)))
    lines.push('The tooth has no temporary crown on it. Keep to the other side, and call us if it is sensitive.')
  for (const f of plan.followUps)
    lines.push(
      `Next visit: ${f.title.toLowerCase()}, not before ${workingDaysAfter(plan.request.date, f.afterWorkingDays)}.`,
    )
  lines.push(
    'If you are worried, if it bleeds or swells, or if anything seems to be missing or swallowed, call the practice.',
  )
  return lines
}
