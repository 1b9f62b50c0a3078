/** The cupboard: material lots by expiry. Anyone of the chairside team enters what the box says. */
import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import type { FastifyRequest } from 'fastify'
import * as z from 'zod'
import { lot } from '../../core/catalog/item'
import type { App, House } from '../app'
import * as t from '../db/schema'
import { notFound, Problem } from '../problem'
import { signedIn } from './session'

const entered = z.strictObject({
  itemId: z.string().max(120),
  number: z.string().trim().min(1, 'the lot number as it stands on the box').max(60),
  expires: lot.shape.expires,
  left: z.number().positive('how much there is').max(1_000_000),
})
const changed = z.strictObject({ left: z.number().nonnegative().max(1_000_000).optional(), opened: z.boolean().optional() })

export const cupboardRoutes = (house: House) => async (app: App): Promise<void> => {
  const { db } = house.database
  const team = async (request: FastifyRequest): Promise<void> => {
    const person = await signedIn(house, request)
    if (person.roles.every((r) => r === 'front desk')) throw new Problem(403, 'team-only', 'The chairside and sterilising team keeps the cupboard.')
  }
  const tell = (): void => house.hub.broadcast({ event: 'practice', data: {} })

  app.post('/lots', { schema: { summary: 'Enter a lot as its box says', body: entered } }, async (request, reply) => {
    await team(request)
    const [item] = await db.select({ body: t.items.body }).from(t.items).where(eq(t.items.id, request.body.itemId))
    if (!item) throw notFound(`item "${request.body.itemId}"`)
    const [known] = (await db.select().from(t.lots).where(eq(t.lots.itemId, request.body.itemId))).filter((l) => l.number === request.body.number)
    if (known) throw new Problem(409, 'known', `Lot ${known.number} of ${item.body.name} is in the cupboard already, expiring ${known.expires}.`)
    const id = `lot-${randomUUID().slice(0, 12)}`
    await db.insert(t.lots).values({ id, ...request.body, opened: false })
    tell()
    return reply.status(201).send({ id })
  })

  app.patch('/lots/:lotId', { schema: { summary: 'Say how much of a lot is left, or that it is opened', params: z.object({ lotId: z.string().max(120) }), body: changed } }, async (request) => {
    await team(request)
    const rows = await db.update(t.lots).set(request.body).where(eq(t.lots.id, request.params.lotId)).returning({ id: t.lots.id })
    if (rows.length === 0) throw notFound('such lot')
    tell()
    return { ok: true }
  })
}
