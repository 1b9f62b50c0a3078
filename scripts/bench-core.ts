/** What planning, running and scheduling cost before anything is shown. */
import { firstOf, sure } from '../core/sure'
import { readdirSync, readFileSync } from 'node:fs'
import { compile } from '../core/plan/compile'
import { searchItems } from '../core/catalog/search'
import { visitRequest } from '../core/model/request'
import type { Practice } from '../core/practice/practice'
import { starterPractice } from '../core/practice/starter'
import { decide } from '../core/run/decide'
import { give, runThrough, startDrive } from '../core/run/drive'
import { replay } from '../core/run/state'
import { boundOfDay } from '../core/schedule/bound'
import { runForward } from '../core/schedule/forward'
import { proposeDay, type DayProblem } from '../core/schedule/propose'
import { random } from '../core/random'
import { forecast } from '../core/schedule/simulate'
import { layOut } from '../core/schedule/timeline'
import { median, note, timed } from './bench-measure'

export function core(): void {
  const practice = starterPractice()
  const request = visitRequest.parse({
    kind: 'crown.prepare',
    date: '2026-11-24',
    teeth: ['37'],
    restoration: 'monolithic zirconia crown',
    missing: ['38'],
    choices: { cord: 'double', impression: 'polyether, custom tray' },
    team: { dentist: 'dentist', assistants: ['assistant'] },
  })
  note(
    'compile the crown visit',
    timed(200, () => compile(request, practice)),
    'ms',
    5,
  )
  const kinds = readdirSync('demo/cases')
    .filter((f) => f.endsWith('.json'))
    .map((f) => {
      const own = visitRequest.parse(JSON.parse(readFileSync(`demo/cases/${f}`, 'utf8')))
      return { name: f.replace('.json', ''), ms: timed(40, () => compile(own, practice)) }
    })
    .toSorted((a, b) => b.ms - a.ms)
  note(`compile any kind, slowest of ${kinds.length}: ${firstOf(kinds).name}`, firstOf(kinds).ms, 'ms', 10)
  note('compile any kind, median', median(kinds.map((k) => k.ms)), 'ms', 10)
  const span = {
    date: '2026-11-24',
    teeth: ['24', '26'],
    pontics: ['25'],
    restoration: 'metal-ceramic crown',
    team: { dentist: 'dentist', assistants: ['assistant'] },
  }
  const chain = (['crown.prepare', 'bridge.try-in', 'crown.deliver', 'recall.week'] as const).map((kind) =>
    visitRequest.parse({ ...span, kind, ...(kind === 'recall.week' ? { restoration: undefined } : {}) }),
  )
  note(
    'compile a three-unit bridge chain, four visits',
    timed(60, () => chain.map((r) => compile(r, practice))),
    'ms',
    25,
  )
  const many = Array.from({ length: 10_000 }, (_, i) => ({
    ...sure(practice.items[i % practice.items.length]),
    id: `item-${i}`,
    name: `${sure(practice.items[i % practice.items.length]).name} ${i}`,
  }))
  searchItems(many, 'warm')
  note(
    'search a catalogue of 10,000 items',
    timed(60, () => searchItems(many, 'molar clamp 12')),
    'ms',
    50,
  )
  const plan = compile(request, practice)
  // A plan keeps its score: each time another object, so that it is laid out anew.
  note(
    'score of the visit, least chair time',
    timed(100, () => layOut({ ...plan })),
  )
  note(
    `forecast, 10,000 runs of a visit of ${plan.steps.length} steps`,
    timed(5, () => forecast(plan)),
    'ms',
    1000,
  )
  const assistant = { personId: 'assistant', roles: ['assistant' as const], codeShown: false }
  const drive = runThrough(
    startDrive(plan, Date.UTC(2026, 10, 24, 9)),
    assistant,
    { personId: 'dentist', roles: ['dentist'], codeShown: true },
    'closing.home',
  )
  while (drive.events.length < 2_000) give(drive, { kind: 'note', text: `note ${drive.events.length}` }, assistant)
  days(practice)
  note(
    'replay a run of 2,000 events',
    timed(60, () => replay(plan, drive.events)),
    'ms',
    20,
  )
  note(
    'decide one command at the end of it',
    timed(300, () => decide(plan, drive.state, { kind: 'advance', start: 'closing.home' }, assistant, drive.now)),
  )
}

/** Days of the demo's own cases by seed: so many chairs with four visits each, a dentist for every two chairs, wished times as they fall. */
function dayOf(practice: Practice, chairs: number, visits: number, seed: number): DayProblem {
  const next = random(seed)
  const files = readdirSync('demo/cases').filter((f) => f.endsWith('.json'))
  const free = Array.from({ length: chairs }, () => 8 * 60)
  return {
    turnoverMs: 0,
    mostMs: 30 * 60_000,
    gridMs: 5 * 60_000,
    dentists: Array.from({ length: Math.ceil(chairs / 2) }, (_, i) => `dentist ${i}`),
    visits: Array.from({ length: visits }, (_, i) => {
      const chair = i % chairs
      const score = layOut(
        compile(
          visitRequest.parse(
            JSON.parse(readFileSync(`demo/cases/${sure(files[Math.floor(next() * files.length)])}`, 'utf8')),
          ),
          practice,
        ),
      )
      const names: Record<string, string> = {
        dentist: `dentist ${Math.floor(chair / 2)}`,
        assistant: `assistant ${chair}`,
      }
      const startMin = sure(free[chair]) + 5 * Math.floor(next() * 5)
      free[chair] = startMin + Math.ceil(score.totalS / 300) * 5
      return {
        id: `v${i}`,
        chairId: `c${chair}`,
        startsAt: startMin * 60_000,
        fixed: false,
        score: {
          ...score,
          bars: score.bars.map((b) => ({ ...b, people: b.people.map((p) => names[p] ?? `${p} ${chair}`) })),
        },
      }
    }),
  }
}

function days(practice: Practice): void {
  const ratio = { wait: [0, 0], idle: [0, 0] }
  const took: number[] = []
  const over: number[] = []
  for (let seed = 1; seed <= 8; seed++) {
    const day = dayOf(practice, 4, 16, seed)
    const started = performance.now()
    const { moves } = proposeDay(day)
    took.push(performance.now() - started)
    const after = day.visits.map((v) => ({
      ...v,
      startsAt: v.startsAt + (moves.find((m) => m.visitId === v.id)?.byMs ?? 0),
    }))
    for (const [k, visits] of [day.visits, after].entries()) {
      const run = runForward(visits, { people: sure(day.dentists), dentists: sure(day.dentists) })
      ratio.wait[k]! += run.waitS
      ratio.idle[k]! += run.idleS
      if (k === 1) over.push((Math.max(...run.visits.map((v) => v.endsAt)) - boundOfDay(day)) / 60_000)
    }
  }
  note('propose a day, 4 chairs and 16 visits, median of 8 seeds', median(took), 'ms', 2000)
  note('patients’ waiting, proposed against wished times', sure(ratio.wait[1]) / firstOf(ratio.wait), '', 0.5)
  note('dentists’ idle time, proposed against wished times', sure(ratio.idle[1]) / firstOf(ratio.idle), '', 1)
  note('the last visit’s end, beyond what load and path allow', median(over), 'min')
  for (const [chairs, visits] of [
    [8, 32],
    [12, 60],
  ] as const)
    note(
      `propose a day, ${chairs} chairs and ${visits} visits`,
      timed(1, () => proposeDay(dayOf(practice, chairs, visits, 1))),
    )
}
