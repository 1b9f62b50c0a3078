/** Who changed what, and when. */
import { roomOf, type Door } from '../house'
import { auditView } from '../../wire/settings'
import { desc, lt } from 'drizzle-orm'
import { wholeFrom } from '../../core/bounded'
import * as z from 'zod'
import * as t from '../db/schema'

const showAudit: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/audit',
    {
      schema: {
        response: { 200: auditView },
        summary: 'The trail of changes, newest first, for a dentist',
        querystring: z.object({
          before: wholeFrom(1).optional(),
          limit: wholeFrom(1, 200).default(50),
        }),
      },
    },
    async (request) => {
      const { before, limit } = request.query
      const rows = await db
        .select()
        .from(t.audit)
        .where(before === undefined ? undefined : lt(t.audit.id, before))
        .orderBy(desc(t.audit.id))
        .limit(limit)
      return { rows }
    },
  )
}

export const auditRoutes = roomOf(showAudit)
