/** A day as a calendar, and a calendar from elsewhere. */
import { roomOf, type Door } from '../house'
import { file } from '../answers'
import { plainDate as plainDay } from '../../core/bounded'
import * as z from 'zod'
import { dayToIcal, type CalendarVisit } from '../../core/formats/ical'
import { layOut } from '../../core/schedule/timeline'
import type { Practice } from '../../core/practice/practice'
import type { House } from '../house'
import { eachRead } from '../db/unread'
import { loadDay, loadFrozenPlans, loadPractice, withEarlier } from '../db/store'
import { Problem } from '../problem'
import { simulatedFeed } from '../standins/appointments'
import { teethSaid } from '../../core/model/said'

const dayParams = z.object({ day: plainDay })

/** The day's visits as a calendar shows them. */
const calendarOf = async (house: House, day: string): Promise<{ visits: CalendarVisit[]; practice: Practice }> => {
  const practice = await loadPractice(house.database.db)
  const { files } = await loadDay(house.database.db, day)
  const planOf = house.plans.with(practice)
  const frozen = await loadFrozenPlans(
    house.database.db,
    files.map((f) => f.visit.id),
  )
  const { read: visits } = await eachRead(
    await withEarlier(house.database.db, files, practice),
    ({ visit, patient, request }) => {
      const plan = frozen.get(visit.id)?.() ?? planOf(visit.id, request)
      return {
        id: visit.id,
        startsAt: visit.startsAt,
        endsAt: visit.startsAt + layOut(plan).totalS * 1000,
        summary: `${patient.name}; ${teethSaid(plan)}; ${plan.title}`,
        chair: practice.chairs.find((c) => c.id === visit.chairId)?.name ?? visit.chairId,
        team: plan.people.map((p) => p.name).join(', '),
      }
    },
  )
  return { practice, visits }
}

const calendarFile: Door = (app, house) => {
  app.get(
    '/days/:day/calendar.ics',
    {
      schema: {
        response: file('text/calendar', 'the day'),
        summary: 'The day as iCalendar',
        params: dayParams,
      },
    },
    async (request, reply) => {
      const { day } = request.params
      const { visits, practice } = await calendarOf(house, day)
      return reply
        .type('text/calendar; charset=utf-8')
        .header('content-disposition', `attachment; filename="day-${day}.ics"`)
        .send(dayToIcal(visits, practice.name, house.now()))
    },
  )
}

const simulateCalendar: Door = (app, house) => {
  app.get(
    '/standins/appointments/:day',
    {
      schema: {
        response: file('text/calendar', 'the simulated calendar'),
        summary: 'Demo only: what the simulated practice calendar says of a day',
        params: dayParams,
      },
    },
    async (request, reply) => {
      if (Object.keys(house.shownCodes).length === 0)
        throw new Problem('not-found', 'There is no simulated practice calendar outside the demo.')
      const { visits, practice } = await calendarOf(house, request.params.day)
      return reply
        .type('text/calendar; charset=utf-8')
        .send(simulatedFeed(visits, request.params.day, practice.zone, house.now()))
    },
  )
}

export const calendarRoutes = roomOf(calendarFile, simulateCalendar)
