/** Copies of the practice: made, fetched, set; and the live data held against their seals. */
import { constants, createReadStream, openSync } from 'node:fs'
import { join } from 'node:path'
import { desc } from 'drizzle-orm'
import * as z from 'zod'
import { whole } from '../../core/bounded'
import { copiesView, copyMadeView, lastCopyView, verdictView } from '../../wire/backups'
import { done } from '../../wire/noun'
import { file } from '../answers'
import { copiesIn, copyName, lastCopyAt, makeCopy } from '../backup/copies'
import { verifyLive } from '../backup/verify'
import { note } from '../db/audit'
import * as t from '../db/schema'
import { roomOf, type Door } from '../house'
import { notFound } from '../problem'
import { confirmed, ownSigner, signedIn } from './session'
import { sure } from '../../core/sure'
import { asSeen } from '../saw'

const showCopies: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/backups',
    { schema: { response: { 200: copiesView }, summary: 'The copies of the practice that lie on the server' } },
    async () => {
      const [practice] = await db.select({ nightly: t.practices.nightly }).from(t.practices).limit(1)
      const [last] = await db.select().from(t.backups).orderBy(desc(t.backups.id)).limit(1)
      return {
        nightly: sure(practice).nightly,
        folder: house.copies.folder,
        encrypted: house.copies.passphrase !== undefined,
        copies: copiesIn(house.copies.folder),
        fault: last?.fault ? { at: last.at, why: last.fault } : null,
      }
    },
  )
}

const showLast: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/backups/last',
    { schema: { response: { 200: lastCopyView }, summary: 'When the last copy was made' } },
    async () => {
      const [practice] = await db.select({ nightly: t.practices.nightly }).from(t.practices).limit(1)
      return { nightly: sure(practice).nightly.on, at: await lastCopyAt(db) }
    },
  )
}

const makeOne: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/backups',
    {
      preHandler: confirmed(house),
      schema: {
        response: { 201: copyMadeView },
        summary: 'Make a copy of the practice now, while it goes on',
        body: z.strictObject({ signer: ownSigner }),
      },
    },
    async (request, reply) => {
      const person = await signedIn(house, request)
      const made = await makeCopy(house.database, house.copies, house.now())
      // A copy is read in a transaction of its own, so its row of the trail comes after it.
      await note(db, house.now(), person.id, 'POST /backups', made.name)
      reply.status(201)
      return made
    },
  )
}

const fetchOne: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/backups/:name',
    {
      // It is packed already.
      compress: false,
      schema: {
        response: file('application/octet-stream', 'the copy'),
        summary: 'A copy as a file',
        params: z.object({ name: z.string().max(80).regex(copyName, 'no name of a copy') }),
      },
    },
    async (request, reply) => {
      const { name } = request.params
      if (!copiesIn(house.copies.folder).some((c) => c.name === name)) throw notFound(`copy "${name}"`)
      const person = await signedIn(house, request)
      await note(db, house.now(), person.id, 'GET /backups/:name', name)
      return reply
        .type('application/octet-stream')
        .header('content-disposition', `attachment; filename="${name}"`)
        .send(
          createReadStream('', {
            fd: openSync(join(house.copies.folder, name), constants.O_RDONLY | constants.O_NOFOLLOW),
          }),
        )
    },
  )
}

const nightly = z.strictObject({ on: z.boolean(), keep: whole(1, 365) })

const setNightly: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/backups/nightly',
    {
      schema: {
        response: { 200: done },
        summary: 'Whether a copy is made each night, and how many are kept',
        body: nightly.extend({ saw: nightly.optional() }),
      },
    },
    async (request) => {
      const { saw, ...to } = request.body
      await db.transaction(async (tx) => {
        const [row] = await tx.select({ now: t.practices.nightly }).from(t.practices).limit(1).for('update')
        if (saw) asSeen(saw, sure(row).now, (now) => (now.on ? `each night, ${now.keep} kept` : 'off'))
        await tx.update(t.practices).set({ nightly: to })
      })
      return { ok: true as const }
    },
  )
}

const verify: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/backups/verify',
    {
      schema: {
        response: { 200: verdictView },
        summary: 'The trail and the events of all runs held against their seals',
      },
    },
    async () => verifyLive(db),
  )
}

export const backupRoutes = roomOf(showCopies, showLast, makeOne, fetchOne, setNightly, verify)
