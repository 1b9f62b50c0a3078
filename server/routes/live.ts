import * as z from 'zod'
import { id } from '../../core/bounded'
import { sure } from '../../core/sure'
import { isAway } from '../db/away'
import { loadHead } from '../db/store'
import type { App, House } from '../house'
import { dayTopic, personTopic, sessionTopic, visitTopic } from '../live/topics'
import { Problem } from '../problem'
import { sessionOf, signedIn, stillSignedIn } from './session'

const heartbeatMs = 10_000
/** Screens of one sign-in, of one person, and of all; a practice of forty has some hundred, a window two or three. */
const mostOfOne = 100
const mostOfPerson = 200
const mostOfAll = 2_000

/**
 * The live socket: what happens in one visit, or to the day. Says hello with the server's clock and boot. A socket and not
 * an event stream, because a browser keeps only six connections to a server and every window would hold one. It ends with
 * the sign-in it was opened under.
 */
export const liveRoutes =
  (house: House) =>
  async (app: App): Promise<void> => {
    let open = 0
    app.get(
      '/live',
      {
        websocket: true,
        schema: {
          summary: 'Web socket: messages of a visit or of the day',
          querystring: z.object({ visit: id(80).optional() }),
        },
        preValidation: async (request) => {
          const person = await signedIn(house, request)
          const session = sessionTopic(sure(sessionOf(request)))
          if (
            open >= mostOfAll ||
            house.hub.count(session) >= mostOfOne ||
            house.hub.count(personTopic(person.id)) >= mostOfPerson
          )
            throw new Problem('busy', 'Too many screens are open.', { retryAfterS: 10 })
        },
        preHandler: async ({ query }) => {
          if (query.visit !== undefined) await loadHead(house.database.db, query.visit)
        },
      },
      async (socket, request) => {
        const person = await signedIn(house, request)
        const session = sure(sessionOf(request))
        const { visit } = request.query
        open += 1
        socket.on('close', () => (open -= 1))
        house.hub.write(socket, { event: 'hello', data: { now: house.now(), boot: house.boot, pace: house.pace } })
        house.hub.join(visit === undefined ? dayTopic : visitTopic(visit), socket)
        house.hub.join(personTopic(person.id), socket)
        house.hub.join(sessionTopic(session), socket)
        if (visit !== undefined) {
          const leave = house.presence.enter(visit, person)
          const tell = (): void =>
            house.hub.send(visitTopic(visit), {
              event: 'presence',
              data: { visitId: visit, people: house.presence.of(visit) },
            })
          tell()
          socket.on('close', () => {
            leave()
            tell()
          })
        }
        const beat = setInterval(() => {
          socket.ping()
          const told = (away: boolean): void =>
            house.hub.write(socket, { event: 'beat', data: { now: house.now(), away } })
          // A sign-in also ends by time; nobody says so then. Asking is also how a screen learns that the database is away.
          void stillSignedIn(house, session).then(
            (stands) => (stands ? told(false) : house.hub.end(sessionTopic(session))),
            (error: unknown) => told(isAway(error)),
          )
        }, heartbeatMs)
        socket.on('close', () => clearInterval(beat))
        // A browser answers by itself, whatever its page does: whoever is there is heard.
        socket.on('pong', () => house.heard.now(session, house.now(), house.now()))
        socket.on('error', () => socket.close())
      },
    )
  }
