/** Amendments of kinds of visit: signed, taken in and handed out as a file. */
import { roomOf, type Door } from '../house'
import { tellPractice } from './tell'
import { sure } from '../../core/sure'
import { amendmentView, amendmentsTakenView } from '../../wire/settings'
import { done } from '../../wire/noun'
import { randomUUID } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { id } from '../../core/bounded'
import * as z from 'zod'
import { amendment, amendmentFile, stillAsked } from '../../core/practice/amendment'
import { plainDate } from '../../core/clock'
import * as t from '../db/schema'
import { Problem } from '../problem'
import { signedIn } from './session'

const amendmentsAsFile: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/practice/amendments',
    { schema: { response: { 200: amendmentFile }, summary: 'The practice’s amendments as a file' } },
    async (_request, reply) => {
      const [row] = await db.select({ amendments: t.practices.amendments }).from(t.practices).limit(1)
      return reply
        .header('content-disposition', 'attachment; filename="amendments.json"')
        .send({ format: 'jade-tray amendments', version: 1, amendments: sure(row).amendments })
    },
  )
}

const amend: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/practice/amendments',
    {
      schema: {
        response: { 201: amendmentView },
        summary: 'Amend a kind of visit; signed with the name and the day',
        body: amendment.omit({ id: true, by: true, on: true }),
      },
    },
    async (request, reply) => {
      const person = await signedIn(house, request)
      const asked = stillAsked(request.body.change)
      if (asked !== undefined)
        throw new Problem('invalid', asked, { errors: [{ path: 'change.does', message: asked }] })
      const made = await db.transaction(async (tx) => {
        const [row] = await tx
          .select({ amendments: t.practices.amendments, zone: t.practices.zone })
          .from(t.practices)
          .limit(1)
          .for('update')
        const one = {
          ...request.body,
          id: `am-${randomUUID().slice(0, 8)}`,
          by: person.name,
          on: plainDate(house.now(), sure(row).zone),
        }
        await tx.update(t.practices).set({ amendments: [...sure(row).amendments, one] })
        return one
      })
      tellPractice(house)
      reply.status(201)
      return made
    },
  )
}

const takeAmendments: Door = (app, house) => {
  const { db } = house.database
  app.put(
    '/practice/amendments',
    {
      schema: {
        response: { 200: amendmentsTakenView },
        summary:
          'Take amendments in from a file: new ones are added, known ones replaced, none is lost; whoever takes them in signs them',
        body: amendmentFile,
      },
    },
    async (request) => {
      const person = await signedIn(house, request)
      const total = await db.transaction(async (tx) => {
        const [row] = await tx
          .select({ amendments: t.practices.amendments, zone: t.practices.zone })
          .from(t.practices)
          .limit(1)
          .for('update')
        // Whose name stands in a file anybody may have written: here it is who takes it in, and when. What is there already stays as it was signed.
        const known = new Map(sure(row).amendments.map((a) => [a.id, a]))
        const on = plainDate(house.now(), sure(row).zone)
        const incoming = new Map(
          request.body.amendments.map((a) => [
            a.id,
            isDeepStrictEqual(a, known.get(a.id)) ? a : { ...a, by: person.name, on },
          ]),
        )
        const kept = sure(row).amendments.map((a) => incoming.get(a.id) ?? a)
        const fresh = [...incoming.values()].filter((a) => !kept.some((k) => k.id === a.id))
        await tx.update(t.practices).set({ amendments: [...kept, ...fresh] })
        return { added: fresh.length, replaced: incoming.size - fresh.length }
      })
      tellPractice(house)
      return total
    },
  )
}

const dropAmendment: Door = (app, house) => {
  const { db } = house.database
  app.delete(
    '/practice/amendments/:id',
    {
      schema: {
        response: { 200: done },
        summary: 'Take an amendment back',
        params: z.object({ id: id(80) }),
      },
    },
    async (request) => {
      await db.transaction(async (tx) => {
        const [row] = await tx.select({ amendments: t.practices.amendments }).from(t.practices).limit(1).for('update')
        if (!sure(row).amendments.some((a) => a.id === request.params.id))
          throw new Problem('not-found', 'There is no such amendment.')
        await tx.update(t.practices).set({ amendments: sure(row).amendments.filter((a) => a.id !== request.params.id) })
      })
      tellPractice(house)
      return { ok: true as const }
    },
  )
}

export const amendmentRoutes = roomOf(amendmentsAsFile, amend, takeAmendments, dropAmendment)
