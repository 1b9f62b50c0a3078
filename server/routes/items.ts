/** The practice’s own items: as a list, one by one, and what the program starts with. */
import { roomOf, type Door } from '../house'
import { tellPractice } from './tell'
import { file } from '../answers'
import { done } from '../../wire/noun'
import { importedView, starterView } from '../../wire/cupboard'
import { eq, sql } from 'drizzle-orm'
import { anything, id, text } from '../../core/bounded'
import * as z from 'zod'
import { item } from '../../core/catalog/item'
import { starterBurs, starterItems } from '../../core/catalog/starter'
import { itemsToCsv } from '../../core/formats/items-csv'
import * as t from '../db/schema'
import { loadPractice } from '../db/store'
import { notFound, Problem } from '../problem'
import { changesOf, mayTakeOff, tellMarks } from './marks'
import { signedIn } from './session'
import { fieldsAsSeen } from '../saw'

const figure = z.number().positive().max(100_000).nullable().optional()

/** `null` takes the practice's own value back. */
const ownValues = z.strictObject({
  workingS: figure,
  inMouthS: figure,
  cureS: figure,
  setS: figure,
  perUnit: figure,
  stock: z.number().nonnegative().max(1_000_000).optional(),
  /** What stood on the screen of what is changed. */
  saw: z.record(z.string().max(40), anything).optional(),
})

const itemsAsCsv: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/items.csv',
    { schema: { response: file('text/csv', 'one item a line'), summary: 'The practice’s own list of items as CSV' } },
    async (_request, reply) => {
      const { items } = await loadPractice(db)
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="items.csv"')
        .send(itemsToCsv(items))
    },
  )
}

/** Products of a practice, and of one list: a dealer's whole catalogue. Most have some hundreds. */
const mostItems = 12_000

const takeItems: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/items/import',
    {
      bodyLimit: 8 * 1024 * 1024,
      schema: {
        response: { 200: importedView },
        summary: 'Store items of a list, new and changed; all of them or none',
        body: z.strictObject({
          items: z.array(item).min(1).max(mostItems),
          /** Why a mark is taken off that alerts look at; asked of whoever is no dentist. */
          why: text(200, 3, 'a reason').optional(),
        }),
      },
    },
    async (request) => {
      const { items, why } = request.body
      const person = await signedIn(house, request)
      const seen = new Set<string>()
      const twice = items.find((one) => seen.size === seen.add(one.id).size)
      if (twice)
        throw new Problem('invalid', `"${twice.id}" stands in this list twice; nothing was stored.`, {
          errors: [{ path: 'items', message: 'an id twice' }],
        })
      const rows = await db.select().from(t.items)
      const known = new Map(rows.map((r) => [r.id, item.safeParse(r.body).data ?? r.body]))
      const fresh = items.filter((i) => !known.has(i.id))
      if (known.size + fresh.length > mostItems)
        throw new Problem(
          'invalid',
          `With these the practice would have ${known.size + fresh.length} items; it keeps ${mostItems}. Take out what is not used.`,
        )
      const changes = changesOf(known, items)
      mayTakeOff(changes, person, why)
      const next = Math.max(0, ...rows.map((r) => r.place)) + 1
      for (let from = 0; from < items.length; from += 500) {
        const values = items.slice(from, from + 500).map((body, i) => ({ id: body.id, place: next + from + i, body }))
        // A known item keeps its place in the practice's own order.
        await db
          .insert(t.items)
          .values(values)
          .onConflictDoUpdate({ target: t.items.id, set: { body: sql`excluded.body` } })
      }
      await tellMarks(house, db, changes, person, why)
      tellPractice(house)
      return { stored: items.length }
    },
  )
}

const dropItem: Door = (app, house) => {
  const { db } = house.database
  app.delete(
    '/items/:itemId',
    {
      schema: {
        response: { 200: done },
        summary: 'Take an item out of the cupboard’s list; one that has lots stays',
        params: z.object({ itemId: id() }),
      },
    },
    async (request) => {
      const { itemId } = request.params
      const lots = await db.select({ number: t.lots.number }).from(t.lots).where(eq(t.lots.itemId, itemId))
      if (lots[0])
        throw new Problem('in-use', `Lots of it are on record, ${lots[0].number} first: it stays on the list.`)
      const rows = await db.delete(t.items).where(eq(t.items.id, itemId)).returning({ id: t.items.id })
      if (rows.length === 0) throw notFound(`item "${itemId}"`)
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

const setItem: Door = (app, house) => {
  const { db } = house.database
  app.patch(
    '/items/:itemId',
    {
      schema: {
        response: { 200: done },
        summary: 'Set an item’s own times and amounts, from its instructions for use or as this practice measures them',
        params: z.object({ itemId: id() }),
        body: ownValues,
      },
    },
    async (request) => {
      await db.transaction(async (tx) => {
        const [row] = await tx
          .select({ body: t.items.body })
          .from(t.items)
          .where(eq(t.items.id, request.params.itemId))
          .for('update')
        if (!row) throw notFound(`item "${request.params.itemId}"`)
        const { saw, ...own } = request.body
        fieldsAsSeen(saw, row.body, Object.keys(own))
        const merged = Object.fromEntries(Object.entries({ ...row.body, ...own }).filter(([, v]) => v !== null))
        await tx
          .update(t.items)
          .set({ body: item.parse(merged) })
          .where(eq(t.items.id, request.params.itemId))
      })
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

const addStarter: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/items/starter',
    {
      schema: {
        response: { 200: starterView },
        summary:
          'Add the generic items and burs this program knows and the practice does not have; nothing that is there is changed',
      },
    },
    async () => {
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
          await tx.insert(t.burs).values(freshBurs.map((body, i) => ({ id: body.id, place: burs.size + i + 1, body })))
        return { items: fresh.length, burs: freshBurs.length }
      })
      tellPractice(house)
      return added
    },
  )
}

export const itemRoutes = roomOf(itemsAsCsv, takeItems, setItem, dropItem, addStarter)
