/** The cupboard: material lots by expiry. Anyone of the chairside team enters what the box says. */
import { file } from '../answers'
import { done, made } from '../../wire/noun'
import { importedView, starterView, stockView } from '../../wire/cupboard'
import { randomUUID } from 'node:crypto'
import { eq, max, sql } from 'drizzle-orm'
import type { FastifyRequest } from 'fastify'
import { Temporal } from 'temporal-polyfill'
import { id, plainDate as plainDay, text, wholeFrom } from '../../core/bounded'
import * as z from 'zod'
import { item } from '../../core/catalog/item'
import { starterBurs, starterItems } from '../../core/catalog/starter'
import { itemsToCsv } from '../../core/formats/items-csv'
import { plainDate } from '../../core/clock'
import { needsOf, orderCsv, stockForecast, type StockLine } from '../../core/schedule/stock'
import type { App, House } from '../house'
import * as t from '../db/schema'
import { loadDays, loadFrozenPlans, loadPractice, withEarlier } from '../db/store'
import { notFound, Problem } from '../problem'
import { signedIn } from './session'

const entered = z.strictObject({
  itemId: id(),
  number: text(60, 1, 'the lot number as it stands on the box'),
  expires: plainDay,
  left: z.number().positive('how much there is').max(1_000_000),
})
const figure = z.number().positive().max(100_000).nullable().optional()
/** `null` takes the practice's own value back. */
const ownValues = z.strictObject({
  workingS: figure,
  inMouthS: figure,
  cureS: figure,
  setS: figure,
  perUnit: figure,
  stock: z.number().nonnegative().max(1_000_000).optional(),
})
const changed = z.strictObject({
  left: z.number().nonnegative().max(1_000_000).optional(),
  opened: z.boolean().optional(),
})

export const cupboardRoutes =
  (house: House) =>
  async (app: App): Promise<void> => {
    const { db } = house.database
    const team = async (request: FastifyRequest): Promise<void> => {
      const person = await signedIn(house, request)
      if (person.roles.every((r) => r === 'front desk'))
        throw new Problem('team-only', 'The chairside and sterilising team keeps the cupboard.')
    }
    const tell = (): void => house.hub.broadcast({ event: 'practice', data: {} })

    app.get(
      '/items.csv',
      { schema: { response: file('text/csv', 'one item a line'), summary: 'The practice’s own list of items as CSV' } },
      async (request, reply) => {
        await signedIn(house, request)
        const { items } = await loadPractice(db)
        return reply
          .type('text/csv; charset=utf-8')
          .header('content-disposition', 'attachment; filename="items.csv"')
          .send(itemsToCsv(items))
      },
    )

    app.post(
      '/items/import',
      {
        bodyLimit: 8 * 1024 * 1024,
        schema: {
          response: { 200: importedView },
          summary: 'Store items of a list, new and changed; all of them or none',
          body: z.strictObject({ items: z.array(item).min(1).max(20_000) }),
        },
      },
      async (request) => {
        await team(request)
        const { items } = request.body
        await db.transaction(async (tx) => {
          const [last] = await tx.select({ place: max(t.items.place) }).from(t.items)
          const next = (last?.place ?? 0) + 1
          for (let from = 0; from < items.length; from += 500) {
            const values = items
              .slice(from, from + 500)
              .map((body, i) => ({ id: body.id, place: next + from + i, body }))
            // A known item keeps its place in the practice's own order.
            await tx
              .insert(t.items)
              .values(values)
              .onConflictDoUpdate({ target: t.items.id, set: { body: sql`excluded.body` } })
          }
        })
        tell()
        return { stored: items.length }
      },
    )

    app.patch(
      '/items/:itemId',
      {
        schema: {
          response: { 200: done },
          summary:
            'Set an item’s own times and amounts, from its instructions for use or as this practice measures them',
          params: z.object({ itemId: id() }),
          body: ownValues,
        },
      },
      async (request) => {
        await team(request)
        await db.transaction(async (tx) => {
          const [row] = await tx
            .select({ body: t.items.body })
            .from(t.items)
            .where(eq(t.items.id, request.params.itemId))
            .for('update')
          if (!row) throw notFound(`item "${request.params.itemId}"`)
          const merged = Object.fromEntries(
            Object.entries({ ...row.body, ...request.body }).filter(([, v]) => v !== null),
          )
          await tx
            .update(t.items)
            .set({ body: item.parse(merged) })
            .where(eq(t.items.id, request.params.itemId))
        })
        tell()
        return { ok: true as const }
      },
    )

    app.post(
      '/items/starter',
      {
        schema: {
          response: { 200: starterView },
          summary:
            'Add the generic items and burs this program knows and the practice does not have; nothing that is there is changed',
        },
      },
      async (request) => {
        await team(request)
        const added = await db.transaction(async (tx) => {
          const [known, burs] = [
            new Set((await tx.select({ id: t.items.id }).from(t.items)).map((r) => r.id)),
            new Set((await tx.select({ id: t.burs.id }).from(t.burs)).map((r) => r.id)),
          ]
          const [fresh, freshBurs] = [
            starterItems.filter((i) => !known.has(i.id)),
            starterBurs.filter((b) => !burs.has(b.id)),
          ]
          if (fresh.length > 0)
            await tx.insert(t.items).values(fresh.map((body, i) => ({ id: body.id, place: known.size + i + 1, body })))
          if (freshBurs.length > 0)
            await tx
              .insert(t.burs)
              .values(freshBurs.map((body, i) => ({ id: body.id, place: burs.size + i + 1, body })))
          return { items: fresh.length, burs: freshBurs.length }
        })
        tell()
        return added
      },
    )

    app.post(
      '/lots',
      { schema: { response: { 201: made }, summary: 'Enter a lot as its box says', body: entered } },
      async (request, reply) => {
        await team(request)
        const [found] = await db.select({ body: t.items.body }).from(t.items).where(eq(t.items.id, request.body.itemId))
        if (!found) throw notFound(`item "${request.body.itemId}"`)
        const [known] = (await db.select().from(t.lots).where(eq(t.lots.itemId, request.body.itemId))).filter(
          (l) => l.number === request.body.number,
        )
        if (known)
          throw new Problem(
            'known',
            `Lot ${known.number} of ${found.body.name} is in the cupboard already, expiring ${known.expires}.`,
          )
        const id = `lot-${randomUUID().slice(0, 12)}`
        await db.insert(t.lots).values({ id, ...request.body, opened: false })
        tell()
        return reply.status(201).send({ id })
      },
    )

    app.patch(
      '/lots/:lotId',
      {
        schema: {
          response: { 200: done },
          summary: 'Say how much of a lot is left, or that it is opened',
          params: z.object({ lotId: id() }),
          body: changed,
        },
      },
      async (request) => {
        await team(request)
        const rows = await db
          .update(t.lots)
          .set(request.body)
          .where(eq(t.lots.id, request.params.lotId))
          .returning({ id: t.lots.id })
        if (rows.length === 0) throw notFound('such lot')
        tell()
        return { ok: true as const }
      },
    )

    const ahead = z.object({ days: wholeFrom(1, 90).default(14) })
    /** What the plans of the coming days take off the lots. Of a signed tray what was signed, of the rest as it is planned. */
    const forecast = async (
      days: number,
    ): Promise<{ from: string; to: string; lines: StockLine[]; visits: number }> => {
      const practice = await loadPractice(db)
      const from = plainDate(house.now(), practice.zone)
      const to = Temporal.PlainDate.from(from)
        .add({ days: days - 1 })
        .toString()
      const planOf = house.plans.with(practice)
      const files = await withEarlier(db, await loadDays(db, from, to), practice)
      const closed = new Set((await db.select({ visitId: t.records.visitId }).from(t.records)).map((r) => r.visitId))
      const coming = files.filter((f) => !closed.has(f.visit.id))
      // Only the coming visits' plans: a practice has ten years of others.
      const frozen = await loadFrozenPlans(
        db,
        coming.map((f) => f.visit.id),
      )
      const needs = needsOf(
        coming.map((f) => ({
          id: f.visit.id,
          day: f.visit.day,
          setup: (frozen.get(f.visit.id) ?? planOf(f.visit.id, f.request)).setup,
        })),
      )
      return { from, to, visits: coming.length, lines: stockForecast(practice.items, practice.lots, needs, from, to) }
    }
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
        await signedIn(house, request)
        return forecast(request.query.days)
      },
    )
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
        await signedIn(house, request)
        const { lines, from } = await forecast(request.query.days)
        return reply
          .type('text/csv; charset=utf-8')
          .header('content-disposition', `attachment; filename="order-${from}.csv"`)
          .send(orderCsv(lines))
      },
    )

    app.post(
      '/burs/:burId/renew',
      {
        schema: {
          response: { 200: done },
          summary: 'A new bur of this number is put in: it counts from none; the box holds one less',
          params: z.object({ burId: id() }),
        },
      },
      async (request) => {
        await team(request)
        await db.transaction(async (tx) => {
          const [row] = await tx
            .select({ body: t.burs.body })
            .from(t.burs)
            .where(eq(t.burs.id, request.params.burId))
            .for('update')
          if (!row) throw notFound(`bur "${request.params.burId}"`)
          await tx
            .update(t.burs)
            .set({ body: { ...row.body, uses: 0, stock: Math.max(1, row.body.stock - 1) } })
            .where(eq(t.burs.id, request.params.burId))
        })
        tell()
        return { ok: true as const }
      },
    )
  }
