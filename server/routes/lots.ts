/** Material lots by expiry. Anyone of the chairside team enters what the box says. */
import { roomOf, type Door } from '../house'
import { tellPractice } from './tell'
import { done, made } from '../../wire/noun'
import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { anything, id, line, plainDate as plainDay } from '../../core/bounded'
import * as z from 'zod'
import * as t from '../db/schema'
import { notFound, Problem } from '../problem'
import { fieldsAsSeen } from '../saw'

const entered = z.strictObject({
  itemId: id(),
  number: line(60, 1, 'the lot number as it stands on the box'),
  expires: plainDay,
  left: z.number().positive('how much there is').max(1_000_000),
})

const changed = z
  .strictObject({
    left: z.number().nonnegative().max(1_000_000).optional(),
    opened: z.boolean().optional(),
    /** What stood on the screen of what is changed. */
    saw: z.record(z.string().max(40), anything).optional(),
  })
  .refine((b) => b.left !== undefined || b.opened !== undefined, 'say what has changed')

const addLot: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/lots',
    { schema: { response: { 201: made }, summary: 'Enter a lot as its box says', body: entered } },
    async (request, reply) => {
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
      tellPractice(house)
      reply.status(201)
      return { id }
    },
  )
}

const changeLot: Door = (app, house) => {
  const { db } = house.database
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
      const { saw, ...change } = request.body
      await db.transaction(async (tx) => {
        const [row] = await tx.select().from(t.lots).where(eq(t.lots.id, request.params.lotId)).for('update')
        if (!row) throw notFound('such lot')
        fieldsAsSeen(saw, row, Object.keys(change))
        if (Object.keys(change).length > 0) await tx.update(t.lots).set(change).where(eq(t.lots.id, row.id))
      })
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

const renewed = z.strictObject({
  /** How often the old one had been used, as it was read: a second touch means no second bur. */
  uses: z.number().int().nonnegative().max(1_000_000),
})

const renewBur: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/burs/:burId/renew',
    {
      schema: {
        response: { 200: done },
        summary: 'A new bur of this number is put in: it counts from none; the box holds one less',
        params: z.object({ burId: id() }),
        body: renewed,
      },
    },
    async (request) => {
      await db.transaction(async (tx) => {
        const [row] = await tx
          .select({ body: t.burs.body })
          .from(t.burs)
          .where(eq(t.burs.id, request.params.burId))
          .for('update')
        if (!row) throw notFound(`bur "${request.params.burId}"`)
        if (row.body.uses !== request.body.uses)
          throw new Problem(
            'stale',
            `${row.body.name} has ${row.body.uses} uses by now; nothing was changed. Look again.`,
          )
        await tx
          .update(t.burs)
          .set({ body: { ...row.body, uses: 0, stock: Math.max(1, row.body.stock - 1) } })
          .where(eq(t.burs.id, request.params.burId))
      })
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

export const lotRoutes = roomOf(addLot, changeLot, renewBur)
