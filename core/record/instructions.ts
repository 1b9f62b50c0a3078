import type { Plan } from '../plan/types'
import type { RunCore } from '../run/state'
import { workingDaysAfter } from './clock-words'

/** What the patient is told, by what was really done: anaesthesia, tissue work, provisional. Standing C. */
export function patientInstructions(plan: Plan, core: RunCore): string[] {
  const done = (id: string | RegExp): boolean => plan.steps.some((s) => (typeof id === 'string' ? s.id === id : id.test(s.id)) && core.steps[s.id]?.status === 'done')
  const lines: string[] = []
  if (done('anaesthesia.inject')) lines.push('Your lip, cheek and tongue are numb for some hours. Do not eat until the feeling is back, and mind hot drinks and biting your lip or cheek.')
  if (done(/^tissue\..*-cord\./)) lines.push('The gum round the tooth was held back with a fine cord. It may be sore for a few days; brush it gently and rinse with lukewarm salt water.')
  if (done('provisional.cement')) {
    lines.push('The tooth wears a temporary crown. Nothing hard or sticky on that side. When you floss, slide the floss out sideways, not up.')
    lines.push('Call us if it comes loose, breaks, or feels too high. Do not leave it out: the teeth move, and the new crown would no longer fit.')
  } else lines.push('The tooth has no temporary crown on it. Keep to the other side, and call us if it is sensitive.')
  for (const f of plan.followUps) lines.push(`Next visit: ${f.title.toLowerCase()}, not before ${workingDaysAfter(plan.request.date, f.afterWorkingDays)}.`)
  lines.push('If you are worried, if it bleeds or swells, or if anything seems to be missing or swallowed, call the practice.')
  return lines
}
