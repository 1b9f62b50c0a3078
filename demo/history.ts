/** Weeks that lie behind the demo day: closed visits with their runs, as invented as the day itself. */
import { firstOf, sure } from '../core/sure'
import { toStore } from '../core/model/upgrade'
import { eq } from 'drizzle-orm'
import { Temporal } from 'temporal-polyfill'
import { compile } from '../core/plan/compile'
import { visitRequest, type VisitRequestInput } from '../core/model/request'
import type { Plan } from '../core/model/plan'
import { learnedFrom } from '../core/practice/learned'
import { stepTimesOf } from '../core/record/step-times'
import type { Practice } from '../core/practice/practice'
import { wallTime } from '../core/clock'
import { composeNote } from '../core/record/note'
import type { Who } from '../core/run/decide'
import { runThrough, startDrive } from '../core/run/drive'
import { random, triangular } from '../core/random'
import { forecast } from '../core/schedule/simulate'
import type { Db } from '../server/db/open'
import * as t from '../server/db/schema'
import { sealed } from '../server/db/seal'

interface Series {
  count: number
  team: { dentist: string; assistants: string[] }
  chairId: string
  kind: NonNullable<VisitRequestInput['kind']>
  teeth: string[]
  facts: Partial<VisitRequestInput>
}
const series: Series[] = [
  {
    count: 9,
    team: { dentist: 'orrell', assistants: ['juno'] },
    chairId: 'chair-1',
    kind: 'crown.prepare',
    teeth: ['16', '26', '36', '46', '37'],
    facts: { restoration: 'monolithic zirconia crown' },
  },
  {
    count: 8,
    team: { dentist: 'lindqvist', assistants: ['petra'] },
    chairId: 'chair-2',
    kind: 'crown.prepare',
    teeth: ['14', '25', '35', '11'],
    facts: { restoration: 'lithium disilicate crown' },
  },
  {
    count: 7,
    team: { dentist: 'varen', assistants: ['bram'] },
    chairId: 'chair-4',
    kind: 'crown.deliver',
    teeth: ['15', '24', '47'],
    facts: { restoration: 'monolithic zirconia crown' },
  },
]
const names = [
  'Ansel Broom',
  'Delia Frost',
  'Ignatius Reed',
  'Petronella Vane',
  'Hugo Lark',
  'Winifred Sole',
  'Cosmo Birch',
  'Thea Marl',
  'Ruben Oake',
  'Linnea Pyke',
  'Jasper Holm',
  'Odile Crane',
]
/** How much longer or shorter than a starting value these people really take. */
const pace: Record<string, number> = { orrell: 1.12, lindqvist: 0.92, varen: 1.04, juno: 0.9, petra: 1.05, bram: 1.1 }
const againWords: Partial<Record<string, string>> = {
  impression: 'a void at the distal margin',
  margins: 'the mesial margin is rough',
  shade: 'shade looks different by the window',
  provisional: 'open contact at the mesial',
  bite: 'high on the lingual cusp',
}

export async function seedHistory(db: Db, practice: Practice, day: string, zone: string): Promise<void> {
  const next = random(2026)
  const who = (id: string, codeShown: boolean): Who => ({
    personId: id,
    roles: sure(practice.people.find((p) => p.id === id)).roles,
    codeShown,
  })
  const forecasts = new Map<string, { likelyS: number; eightInTenS: number }>()
  const times: { key: string; seconds: number; at: number }[] = []
  let made = 0
  for (const [s, of] of series.entries()) {
    for (let i = 0; i < of.count; i++) {
      const on = workday(day, 3 + i * 4 + s)
      const startsAt = wallTime(on, sure(['09:00', '11:00', '13:30'][i % 3]), zone)
      const id = `${on}-past-${s}-${i}`
      const tooth = sure(of.teeth[i % of.teeth.length])
      const request = { kind: of.kind, teeth: [tooth], ...of.facts }
      const plan = compile(visitRequest.parse({ ...request, date: on, team: of.team }), practice)
      const key = `${s} ${tooth}`
      if (!forecasts.has(key)) forecasts.set(key, forecastOf(plan))
      const drive = runThrough(
        startDrive(plan, startsAt + Math.round(next() * 6) * 60_000),
        who(firstOf(of.team.assistants), false),
        who(of.team.dentist, true),
        undefined,
        {
          takes: ({ spread, performer }) =>
            Math.max(
              10,
              triangular(spread.shortS, spread.likelyS, spread.longS, next()) * 0.82 * (pace[performer.personId] ?? 1),
            ),
          again: (step, rounds) =>
            rounds === 0 && next() < 0.07
              ? againWords[plan.holds.find((h) => h.id === step.holdId)?.name ?? '']
              : undefined,
        },
      )
      if (drive.state.core.status !== 'closed') continue
      const patient = sure(names[made % names.length])
      made++
      await db.insert(t.patients).values({ id: `patient-${id}`, name: patient, alerts: [] })
      await db.insert(t.cases).values({ id: `case-${id}`, patientId: `patient-${id}`, request: toStore(request) })
      await db.insert(t.visits).values({
        id,
        caseId: `case-${id}`,
        chairId: of.chairId,
        day: on,
        startsAt,
        team: of.team,
        visitChoices: {},
        swaps: {},
        facts: toStore({ kind: of.kind }),
        forecast: sure(forecasts.get(key)),
      })
      await db.insert(t.plans).values({
        visitId: id,
        plan: toStore(plan),
        signedBy: firstOf(of.team.assistants),
        signedAt: startsAt - 600_000,
        acknowledged: [],
      })
      await db.insert(t.runEvents).values(sealed(drive.events.map((e) => ({ visitId: id, ...e }))))
      await db
        .insert(t.records)
        .values({ visitId: id, note: composeNote(plan, drive.events, { name: patient }, zone), closedAt: drive.now })
      const own = stepTimesOf(plan, drive.state).map((x) => ({ visitId: id, ...x, at: drive.now }))
      await db.insert(t.stepTimes).values(own)
      times.push(...own)
    }
  }
  await db
    .update(t.practices)
    .set({ learned: learnedFrom(times.toSorted((a, b) => b.at - a.at)) })
    .where(eq(t.practices.id, 'practice'))
}

/** Enough draws for a demo's figures. */
const demoDraws = 400
function forecastOf(plan: Plan): { likelyS: number; eightInTenS: number } {
  const { likelyS, eightInTenS } = forecast(plan, demoDraws)
  return { likelyS, eightInTenS }
}

/** The working day (Monday to Friday) so many days before, or the Friday before that. */
function workday(day: string, before: number): string {
  let on = Temporal.PlainDate.from(day).subtract({ days: before })
  while (on.dayOfWeek > 5) on = on.subtract({ days: 1 })
  return on.toString()
}
