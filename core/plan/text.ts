/** A plan as a practitioner reads it: the day in lines, then what lies ready, the burs, what was asked and why. */
import { seatsInWords } from '../measure/seats'
import { sure } from '../sure'
import { timesWords } from '../words'
import { ownRuleLines } from '../rules'
import { standingWords, type Reason } from '../figure'
import { amountWords } from './amount-words'
import { isClock, type Clock } from '../model/link'
import { helperOf } from '../practice/helps'
import type { Lanes } from '../model/lanes'
import type { Plan } from '../model/plan'
import type { Step } from '../model/step'
import { writeAll } from '../teeth/notation'

const clock = (s: number): string => (s % 60 === 0 && s >= 120 ? `${s / 60} min` : `${s} s`)

/** 'not before 60 s after injection: topical takes', 'closes 90 s …'. */
function tieWords(l: Clock, title: (id: string) => string): string {
  const after = l.from === l.to ? 'it has begun' : `${l.fromEdge === 'start' ? 'the start of ' : ''}“${title(l.from)}”`
  const end = l.from === l.to || l.toEdge === 'finish' ? 'done' : 'begun'
  const parts = [
    // One that holds nothing back is only watched.
    ...(l.atLeastS === undefined || l.atLeastS === 0 ? [] : [`${end} not before ${clock(l.atLeastS)} after ${after}`]),
    ...(l.warnS === undefined || l.kind === 'window'
      ? []
      : [`warned at ${clock(l.warnS)}${l.atLeastS === 0 ? ` after ${after}` : ''}`]),
    ...(l.kind === 'lag' ? [] : [`${end} within ${clock(l.atMostS)} of ${after}, else: ${l.whenMissed}`]),
  ]
  return `${l.title}: ${parts.join('; ')}`
}

const why = (r: Reason): string => `${r.text} [${r.source ?? standingWords[r.standing]}]`

/** Whether everybody sits, looks and holds as for the cut before. */
function sameSeats(plan: Plan, s: Step): boolean {
  const before = plan.steps.slice(0, plan.steps.indexOf(s)).findLast((x) => x.seats)?.seats
  return before !== undefined && s.seats !== undefined && seatsInWords(before) === seatsInWords(s.seats)
}

/** What one step says, line by line, the first without indent. */
export function stepLines(plan: Plan, s: Step): string[] {
  const title = (id: string): string => plan.steps.find((x) => x.id === id)?.title ?? id
  const who = s.performer.name + (s.performer.permission === 'sight' ? ', in the dentist’s sight' : '')
  const hold = plan.holds.find((h) => h.id === s.holdId)
  const count = (id: string): string => plan.counts.find((c) => c.id === id)?.what ?? id
  return [
    `${s.title} — ${who}, ${s.place}`,
    ...(s.detail ? [s.detail] : []),
    ...(s.help ? [`${helperOf(plan, s)}: ${s.help}`] : []),
    ...(s.seats && !sameSeats(plan, s) ? [`${s.performer.name}: ${seatsInWords(s.seats)}`] : []),
    ...(s.alone ? ['alone: a second pair of hands would be wanted'] : []),
    ...plan.links
      .filter(isClock)
      .filter((l) => l.to === s.id)
      .map((l) => `⏱ ${tieWords(l, title)}`),
    ...(s.passes.length > 0 ? [`passes: ${s.passes.join(' → ')}`] : []),
    ...(s.with.length > 0 ? [`with: ${s.with.join('; ')}`] : []),
    ...(s.countsIn.length > 0
      ? [
          `in: ${s.countsIn
            .map((id) => {
              const c = sure(plan.counts.find((x) => x.id === id))
              return `${c.planned} ${c.what}${c.stays ? `, ${c.stays} to stay` : ''}`
            })
            .join('; ')}`,
        ]
      : []),
    ...(s.countsOut.length > 0 ? [`out: ${s.countsOut.map(count).join('; ')}`] : []),
    ...(hold
      ? [`‖ the dentist signs: ${hold.title}${hold.mandatory ? ' (stays on every card)' : ''} — ${hold.evidence}`]
      : []),
    ...s.cautions.map((c) => `! ${c.text}`),
    ...s.mistakes.map((m) => `common error: ${m}`),
    ...(s.reason ? [`why: ${why(s.reason)}`] : []),
    ...(s.lanes ? laneLines(s.lanes) : []),
    ...(s.cues ?? []).map(
      (q) =>
        `called ${q.atS} s after ${q.from === s.id ? `its ${q.fromEdge}` : `the ${q.fromEdge} of “${title(q.from)}”`}${q.everyS ? `, every ${q.everyS} s, ${q.times} times` : ''}: ${q.say}`,
    ),
    ...s.figures.map((f) => `${f.name} ${f.value} ${f.unit}`.trim() + `: ${f.text} [${standingWords[f.standing]}]`),
  ]
}

/**
 * What a bur is for in one pass, each surface once, with how often where it is more than once.
 * @example surfaceWords([{ surface: 'margin' }, { surface: 'margin' }]) // 'margin, twice'
 */
export function surfaceWords(cuts: readonly { surface: string }[]): string {
  const times = new Map<string, number>()
  for (const { surface } of cuts) times.set(surface, (times.get(surface) ?? 0) + 1)
  return [...times].map(([what, n]) => (n === 1 ? what : `${what}, ${timesWords(n)}`)).join('; ')
}

/** A choreography, person by person, each act with its seconds. */
function laneLines(l: Lanes): string[] {
  const most = l.withinS === undefined ? '' : ` of ${l.withinS} s`
  const again = l.everyS === undefined ? '' : `, every ${l.everyS} s, ${l.times ?? 1} times`
  return [
    `in lanes: ${l.title}, ${l.endS}${most === '' ? ' s' : most}${again}${l.short ? ` ■ ${l.short.why}: ${l.short.waysOut}` : ''}`,
    ...l.rows.map((r) => `  ${r.name}: ${r.acts.map((a) => `${a.fromS}–${a.toS} s ${a.say}`).join(' · ')}`),
  ]
}

/**
 * The whole plan as text. The same plan reads the same, byte for byte.
 * @example readPlan(plan).length > 100 // true
 */
export function readPlan(plan: Plan): string {
  const steps = plan.steps.map((s, i) => {
    const [first, ...rest] = stepLines(plan, s)
    const phase = plan.steps[i - 1]?.phase === s.phase ? [] : [`\n${s.phase.toUpperCase()}`]
    return [...phase, sure(first), ...rest.map((l) => `    ${l}`)].join('\n')
  })
  const lines = (readiness: 'open' | 'standby' | 'drawer'): string[] =>
    plan.setup
      .filter((l) => l.readiness === readiness)
      .map(
        (l) =>
          `  ${[l.name, amountWords(l)].filter(Boolean).join(', ')}${l.shade ? `, ${l.shade}` : ''}${l.counted ? ` (${l.counted})` : ''}${l.when ? ` — when ${l.when}` : ''}${l.exchanged && l.because ? ` ↔ ${l.because.text}` : ''}${l.lack ? ` ■ ${l.lack}` : ''}`,
      )
  const section = (title: string, rows: readonly string[]): string[] => (rows.length > 0 ? ['', title, ...rows] : [])
  return [
    plan.title,
    plan.teeth.map((t) => `${writeAll(t.tooth, plan.notation)}, ${t.name}`).join('; '),
    ...steps,
    ...section('LAID OUT', lines('open')),
    ...section('HAVE READY, DO NOT OPEN', lines('standby')),
    ...section('IN THE DRAWER', lines('drawer')),
    ...section(
      'BURS IN ORDER',
      plan.burs.map((b) => `  ${b.order} ${b.bur?.name ?? `■ ${b.lack}`}: ${surfaceWords(b.cuts)}`),
    ),
    ...section(
      'MIND',
      plan.clashes.map((c) => `  ${{ stop: '■', ask: '◆', mind: '●' }[c.severity]} ${c.what}: ${c.why}; ${c.doThis}`),
    ),
    ...section('NAMED, NOT LAID OUT', [
      ...(plan.unlaid ?? []).map((u) => `  ${u.words} (${u.stepId})`),
      ...plan.unused.map((name) => `  ${name}: laid out, and no step uses it`),
    ]),
    ...section(
      'LEFT OUT',
      plan.absent.map((a) => `  ${a.what}: ${why(a.because)}`),
    ),
    ...section(
      'NEXT',
      plan.followUps.map((f) => `  ${f.title}, ${f.afterWorkingDays} working days: ${why(f.because)}`),
    ),
    ...section(
      'THIS PRACTICE’S OWN',
      ownRuleLines(plan.rules).map((l) => `  ${l}`),
    ),
    ...section(
      'AMENDED',
      plan.amendments.map(
        (a) =>
          `  ${a.applied ? '' : '■ does not fit: '}${a.says} — ${a.by}, ${a.on}: ${a.why}${a.misfit ? ` (${a.misfit})` : ''}`,
      ),
    ),
    '',
  ].join('\n')
}
