/** Looking back: planned against real, forecasts against what came, what was done over, and what durations were learned. */
import { lastOf } from '../../core/sure'
import { lookBackView } from '../../wire/lookback'
import { desc, eq } from 'drizzle-orm'
import { wholeFrom } from '../../core/bounded'
import * as z from 'zod'
import { mostTaken, readLearnKey } from '../../core/practice/learned'
import { calibrationOf, lookBackOf, type LookBack } from '../../core/record/look-back'
import type { App, House } from '../house'
import * as t from '../db/schema'
import { eachRead, reading } from '../db/unread'
import { loadEvents, loadFrozenPlan, loadPractice } from '../db/store'

/** More visits than a season has. */
const mostVisits = 300
/** Step times looked at for the table of what was learned. */
const mostTimes = 20_000

export const lookBackRoutes =
  (house: House) =>
  async (app: App): Promise<void> => {
    const { db } = house.database
    // A closed run never changes: each is looked back on once.
    const known = new Map<string, LookBack>()
    const lookBack = async (visitId: string): Promise<LookBack | null> => {
      const before = known.get(visitId)
      if (before) return before
      const frozen = await loadFrozenPlan(db, visitId)
      const events = frozen ? await loadEvents(db, visitId) : []
      const made = frozen && reading(visitId, 'run', () => lookBackOf(frozen.plan, events))
      if (made) known.set(visitId, made)
      return made ?? null
    }

    app.get(
      '/lookback',
      {
        schema: {
          response: { 200: lookBackView },
          summary: 'Closed visits looked back on, newest first, with calibration and learned durations',
          querystring: z.object({ days: wholeFrom(1, 3660).default(90) }),
        },
      },
      async (request) => {
        const practice = await loadPractice(db)
        const since = house.now() - request.query.days * 86_400_000
        const rows = await db
          .select({
            visit: t.visits,
            patient: t.patients,
            closedAt: t.records.closedAt,
          })
          .from(t.records)
          .innerJoin(t.visits, eq(t.records.visitId, t.visits.id))
          .innerJoin(t.cases, eq(t.visits.caseId, t.cases.id))
          .innerJoin(t.patients, eq(t.cases.patientId, t.patients.id))
          .orderBy(desc(t.records.closedAt))
          .limit(mostVisits)
        const { read, unread } = await eachRead(
          rows.filter((r) => r.closedAt >= since),
          async ({ visit: { id, day, forecast }, patient }) => {
            const back = await lookBack(id)
            return back ? [{ id, day, patient: patient.name, ...back, ...(forecast ? { forecast } : {}) }] : []
          },
        )
        const visits = read.flat()
        const times = await db
          .select({
            key: t.stepTimes.key,
            stepId: t.stepTimes.stepId,
            seconds: t.stepTimes.seconds,
            plannedS: t.stepTimes.plannedS,
          })
          .from(t.stepTimes)
          .orderBy(desc(t.stepTimes.at))
          .limit(mostTimes)
        const byKey = new Map<string, typeof times>()
        for (const x of times) {
          const own = byKey.get(x.key) ?? []
          if (own.length < mostTaken) own.push(x)
          byKey.set(x.key, own)
        }
        const learned = [...byKey].flatMap(([key, own]) => {
          const is = practice.learned[key]
          const of = readLearnKey(key)
          return is && of
            ? [
                {
                  key,
                  ...of,
                  startS: lastOf(own).plannedS,
                  meanS: is.meanS,
                  n: is.n,
                },
              ]
            : []
        })
        return {
          visits,
          unread,
          calibration: calibrationOf(
            visits.map((v) => ({ chairS: v.chairS, ...(v.forecast ? { eightInTenS: v.forecast.eightInTenS } : {}) })),
          ),
          learned,
          useLearned: practice.useLearned,
          people: practice.people.map(({ id, name }) => ({ id, name })),
          zone: practice.zone,
        }
      },
    )
  }
