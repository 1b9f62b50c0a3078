/** The sheet the patient takes home: each thing told by what was really done, the tooth named, in words a child of twelve knows. */
import { kindFacts, type KindId } from '../kinds'
import type { FollowUp, Plan } from '../model/plan'
import { said } from '../model/said'
import type { Step } from '../model/step'
import type { RunCore } from '../run/state'
import { toothName, type Tooth } from '../teeth/notation'
import { capital, listed } from '../words'
import { workingDaysAfter } from '../clock'

/** What comes next, as the patient is told it; a follow-up without a kind of its own is a look. */
const nextWords: Partial<Record<KindId, string>> = {
  'crown.prepare': 'the tooth is made ready for its crown',
  'crown.deliver': 'your new crown or bridge is put in',
  'bridge.try-in': 'the frame of your bridge is tried in',
  'bridge.ceramic.deliver': 'your new bridge is put in',
  'bridge.metal.try-in': 'your bridge is tried in',
  'bridge.metal.deliver': 'your new bridge is put in',
  'laminate.deliver': 'your new fronts are put on the teeth',
  'inlay.deliver': 'your new inlay is put in',
  'gold.deliver': 'your new gold filling is put in',
  'recall.week': 'a short look at gum and teeth',
  'recall.half-year': 'a check of your bridge, twice a year',
}

/** A plain date as it is written in a letter: 2026-12-08 is 8 December 2026. */
const inLetters = (date: string): string =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(`${date}T00:00:00Z`),
  )

/** The teeth a step was done to: its own, or those of its piece of work, which its id is marked with. */
function teethOf(plan: Plan, s: Step): readonly Tooth[] {
  if (s.tooth) return [s.tooth]
  const mark = /@([^@]+)$/.exec(s.id)?.[1]
  const also = mark === undefined ? undefined : plan.request.also.find((w) => mark.startsWith(w.kind))
  return (also ?? plan.request).teeth
}

/** 'Lower left first molar (36)', or 'Teeth 12, 11 and 21' where there are many. */
const named = (plan: Plan, teeth: readonly Tooth[]): string =>
  teeth.length > 2
    ? `Teeth ${listed(teeth.map((t) => said(plan, t)))}`
    : capital(listed(teeth.map((t) => `${toothName(t)} (${said(plan, t)})`)))

/** What is told of teeth, each sentence once, with all the teeth it is told of before it. */
function toldOf(plan: Plan, done: (id: string) => boolean): string[] {
  const told = new Map<string, Set<Tooth>>()
  for (const s of plan.steps) {
    if (!s.tell || !done(s.id)) continue
    const teeth = told.get(s.tell) ?? new Set<Tooth>()
    // Numbness is of lip and cheek, not of a tooth.
    if (!s.numbed) for (const t of teethOf(plan, s)) teeth.add(t)
    told.set(s.tell, teeth)
  }
  const general: string[] = []
  const byTeeth = new Map<string, string[]>()
  for (const [text, teeth] of told) {
    if (teeth.size === 0) general.push(text)
    else {
      const name = named(plan, [...teeth])
      byTeeth.set(name, [...(byTeeth.get(name) ?? []), text])
    }
  }
  return [...general, ...[...byTeeth].map(([name, texts]) => `${name}: ${texts.join(' ')}`)]
}

const next = (plan: Plan, f: FollowUp): string =>
  `Next visit, not before ${inLetters(workingDaysAfter(plan.request.date, f.afterWorkingDays))}: ${f.tell ?? (f.kind && nextWords[f.kind]) ?? 'a short look'}.${f.kind && kindFacts(f.kind).delivers ? ' We call you when the laboratory has sent it.' : ''}`

/** What the patient is told, by what was really done: each step that has something to tell tells it once. Common practice. */
export function patientInstructions(plan: Plan, core: RunCore): string[] {
  const done = (id: string): boolean => core.steps[id]?.status === 'done'
  const lines = toldOf(plan, done)
  const provisional = plan.steps.filter((s) => s.act === 'provisional cemented')
  const without = provisional.filter((s) => !done(s.id))
  if (provisional.length > 0 && without.length === provisional.length)
    lines.push(
      `${named(
        plan,
        without.flatMap((s) => teethOf(plan, s)),
      )}: There is no temporary crown on it. Keep to the other side. Call us if it is sensitive.`,
    )
  const soonest = plan.followUps.toSorted((a, b) => a.afterWorkingDays - b.afterWorkingDays)
  lines.push(...new Set(soonest.map((f) => next(plan, f))))
  lines.push('Call us if you are worried, if it bleeds or swells, or if you think something was lost or swallowed.')
  return lines
}
