/** What every room of the server is handed. */
import type { IncomingMessage, Server, ServerResponse } from 'node:http'
import type { FastifyBaseLogger, FastifyInstance } from 'fastify'
import type { ZodTypeProvider } from 'fastify-type-provider-zod'
import type { Connections } from './connections'
import type { Copies } from './backup/copies'
import type { Attempts } from './attempts'
import type { OpenDatabase } from './db/open'
import type { CodesShown } from './codes-shown'
import type { Heard } from './heard'
import type { Hub } from './live/hub'
import type { Presence } from './live/presence'
import type { Plans } from './plans'
import type { Runs } from './runs'

/** What the routes share. */
export interface House {
  database: OpenDatabase
  hub: Hub
  runs: Runs
  attempts: Attempts
  copies: Copies
  plans: Plans
  presence: Presence
  connections: Connections
  heard: Heard
  codesShown: CodesShown
  now: () => number
  /** New with each start, so that a screen can tell a restart from a hiccup. */
  boot: string
  pace: number
  shownCodes: Record<string, string>
  /** Lets time pass; only in a demo that was started for a test. */
  moveClock?: (byMs: number) => void
}

export type App = FastifyInstance<Server, IncomingMessage, ServerResponse, FastifyBaseLogger, ZodTypeProvider>

/** One door of the API: a route, put up in the house. */
export type Door = (app: App, house: House) => void
/** Doors that belong together, as a plugin. */
export const roomOf =
  (...doors: readonly Door[]) =>
  (house: House) =>
  async (app: App): Promise<void> => {
    for (const door of doors) door(app, house)
  }
