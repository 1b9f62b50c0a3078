/** Loads of the steriliser: started, and their log. */
import { signedIn } from './session'
import { roomOf, type Door } from '../house'
import { tellInstruments } from './tell'
import { sure } from '../../core/sure'
import { loadMadeView, logTakenView, type LogTaken } from '../../wire/instruments'
import { randomUUID } from 'node:crypto'
import { eq, max } from 'drizzle-orm'
import { id, text } from '../../core/bounded'
import * as z from 'zod'
import { readSteriliserLog } from '../../core/formats/steriliser-log'
import { judgementOf } from '../../core/schedule/release'
import type { House } from '../house'
import { loadCassettes, loadOutOfService, type LoadRow } from '../db/instruments'
import type { Db } from '../db/open'
import * as t from '../db/schema'
import { loadPractice } from '../db/store'
import { notFound, Problem } from '../problem'
import { faults, simulatedLog } from '../standins/steriliser'

const loadParams = z.object({ loadId: id(80) })

async function oneLoad(q: Db, id: string): Promise<LoadRow> {
  const [row] = await q.select().from(t.loads).where(eq(t.loads.id, id)).for('update')
  if (!row) throw notFound(`load "${id}"`)
  return row
}

/** The device's log ends the cycle, whatever it says. */
const takeLog = async (house: House, loadId: string, text: string): Promise<LogTaken> => {
  const read = readSteriliserLog(text)
  const answer = await house.database.db.transaction(async (tx) => {
    const load = await oneLoad(tx, loadId)
    if (load.endedAt !== null && load.log) throw new Problem('ended', `Load ${load.number} has its log already.`)
    await tx
      .update(t.loads)
      .set({
        endedAt: load.endedAt ?? house.now(),
        ...('fault' in read ? { logFault: read.fault } : { log: read.readings, logFault: null }),
      })
      .where(eq(t.loads.id, loadId))
    if ('fault' in read) return { fault: read.fault }
    const judged = sure(judgementOf({ cycle: load.cycle, log: read.readings }))
    return { good: judged.good, because: judged.because.text }
  })
  tellInstruments(house)
  return answer
}

const startLoad: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/loads',
    {
      schema: {
        response: { 201: loadMadeView },
        summary: 'Start a load',
        body: z.strictObject({
          steriliserId: id(40),
          cassetteIds: z.array(id(40)).min(1).max(60),
          spore: z.boolean().default(false),
        }),
      },
    },
    async (request, reply) => {
      const person = await signedIn(house, request)
      const { steriliserId, cassetteIds, spore } = request.body
      const made = await db.transaction(async (tx) => {
        const { instruments } = await loadPractice(tx)
        const steriliser = instruments.sterilisers.find((s) => s.id === steriliserId)
        if (!steriliser) throw notFound(`steriliser "${steriliserId}"`)
        if (cassetteIds.length > steriliser.capacity)
          throw new Problem(
            'invalid',
            `${steriliser.name} takes ${steriliser.capacity} cassettes; these are ${cassetteIds.length}.`,
          )
        const { loads, states } = await loadCassettes(tx, instruments)
        if (loads.some((l) => l.steriliserId === steriliserId && l.endedAt === null))
          throw new Problem('running', `${steriliser.name} is running already.`)
        if (!spore && (await loadOutOfService(tx, loads)).includes(steriliserId))
          throw new Problem(
            'out-of-service',
            `${steriliser.name} is out of service: its spore test has grown. Only a load with a spore test runs in it until somebody lets it back.`,
          )
        for (const id of new Set(cassetteIds)) {
          const state = states.find((s) => s.cassette.id === id)
          if (!state) throw notFound(`cassette "${id}"`)
          if (!['soiled', 'pulled back', 'not on record', 'sterile'].includes(state.status))
            throw new Problem('not-here', `${state.cassette.name} is ${state.status}; it cannot be in this load.`)
        }
        const [last] = await tx.select({ number: max(t.loads.number) }).from(t.loads)
        const row = {
          id: randomUUID(),
          number: (last?.number ?? 0) + 1,
          steriliserId,
          cycle: steriliser.cycle,
          cassetteIds: [...new Set(cassetteIds)],
          spore,
          startedAt: house.now(),
          startedBy: person.id,
        }
        await tx.insert(t.loads).values(row)
        return { id: row.id, number: row.number }
      })
      tellInstruments(house)
      reply.status(201)
      return made
    },
  )
}

const takeLogOf: Door = (app, house) => {
  app.post(
    '/loads/:loadId/log',
    {
      bodyLimit: 1024 * 1024,
      schema: {
        response: { 200: logTakenView },
        summary: 'The log a steriliser sends at its end',
        params: loadParams,
        body: z.strictObject({ text: text(900_000, 0) }),
      },
    },
    async (request) => {
      return takeLog(house, request.params.loadId, request.body.text)
    },
  )
}

const simulateLog: Door = (app, house) => {
  const { db } = house.database
  app.post(
    '/standins/steriliser/:loadId',
    {
      schema: {
        response: { 200: logTakenView },
        summary: 'Demo only: the simulated steriliser sends its log, a bad one where asked',
        params: loadParams,
        body: z.strictObject({ fault: z.enum(faults).default('none') }),
      },
    },
    async (request) => {
      if (Object.keys(house.shownCodes).length === 0)
        throw new Problem('not-found', 'There is no simulated steriliser outside the demo.')
      const [load] = await db
        .select({ cycle: t.loads.cycle })
        .from(t.loads)
        .where(eq(t.loads.id, request.params.loadId))
      if (!load) throw notFound(`load "${request.params.loadId}"`)
      return takeLog(house, request.params.loadId, simulatedLog(load.cycle, request.body.fault))
    },
  )
}

export const loadRoutes = roomOf(startLoad, takeLogOf, simulateLog)
