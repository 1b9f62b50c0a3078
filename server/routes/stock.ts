/** What the coming plans will use, and what to order. */
import { roomOf, type Door } from '../house'
import { file } from '../answers'
import { stockView } from '../../wire/cupboard'
import { Temporal } from 'temporal-polyfill'
import { wholeFrom } from '../../core/bounded'
import { inArray } from 'drizzle-orm'
import * as z from 'zod'
import { plainDate } from '../../core/clock'
import { needsOf, orderCsv, stockForecast, type StockLine } from '../../core/schedule/stock'
import type { House } from '../house'
import * as t from '../db/schema'
import type { Unread } from '../../wire/unread'
import { eachRead } from '../db/unread'
import { loadDays, loadFrozenPlans, loadPractice, withEarlier } from '../db/store'

const ahead = z.object({ days: wholeFrom(1, 90).default(14) })

/** What the plans of the coming days take off the lots. Of a signed tray what was signed, of the rest as it is planned. */
const forecast = async (
  house: House,
  days: number,
): Promise<{ from: string; to: string; lines: StockLine[]; visits: number; unread: Unread[] }> => {
  const practice = await loadPractice(house.database.db)
  const from = plainDate(house.now(), practice.zone)
  const to = Temporal.PlainDate.from(from)
    .add({ days: days - 1 })
    .toString()
  const planOf = house.plans.with(practice)
  const stored = await loadDays(house.database.db, from, to)
  const files = await withEarlier(house.database.db, stored.files, practice)
  const asked = files.map((f) => f.visit.id)
  const closed = new Set(
    (
      await house.database.db
        .select({ visitId: t.records.visitId })
        .from(t.records)
        .where(inArray(t.records.visitId, asked))
    ).map((r) => r.visitId),
  )
  const coming = files.filter((f) => !closed.has(f.visit.id))
  // Only the coming visits' plans: a practice has ten years of others.
  const frozen = await loadFrozenPlans(
    house.database.db,
    coming.map((f) => f.visit.id),
  )
  const { read, unread } = await eachRead(coming, (f) => ({
    id: f.visit.id,
    day: f.visit.day,
    setup: (frozen.get(f.visit.id)?.() ?? planOf(f.visit.id, f.request)).setup,
  }))
  return {
    from,
    to,
    visits: read.length,
    lines: stockForecast(practice.items, practice.lots, needsOf(read), from, to),
    unread: [...stored.unread, ...unread],
  }
}

const showStock: Door = (app, house) => {
  app.get(
    '/stock',
    {
      schema: {
        response: { 200: stockView },
        summary: 'What runs out: the coming plans against the lots',
        querystring: ahead,
      },
    },
    async (request) => {
      return forecast(house, request.query.days)
    },
  )
}

const orderAsCsv: Door = (app, house) => {
  app.get(
    '/stock/order.csv',
    {
      schema: {
        response: file('text/csv', 'one item a line'),
        summary: 'The proposed order as CSV',
        querystring: ahead,
      },
    },
    async (request, reply) => {
      const { lines, from } = await forecast(house, request.query.days)
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', `attachment; filename="order-${from}.csv"`)
        .send(orderCsv(lines))
    },
  )
}

export const stockRoutes = roomOf(showStock, orderAsCsv)
