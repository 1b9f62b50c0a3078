import { id } from '../../core/bounded'
import * as z from 'zod'
import type { App, House } from '../house'
import { signedIn } from './session'

/** Every open screen of one person, whatever it looks at. */
export const personTopic = (personId: string): string => `person ${personId}`

const heartbeatMs = 10_000

/**
 * The live socket: what happens in one visit, or to the day. Says hello with the server's clock and boot. A socket and not
 * an event stream, because a browser keeps only six connections to a server and every window would hold one.
 */
export const liveRoutes =
  (house: House) =>
  async (app: App): Promise<void> => {
    app.get(
      '/live',
      {
        websocket: true,
        schema: {
          summary: 'Web socket: messages of a visit or of the day',
          querystring: z.object({ visit: id(80).optional() }),
        },
        preValidation: async (request) => void (await signedIn(house, request)),
      },
      async (socket, request) => {
        const person = await signedIn(house, request)
        house.hub.write(socket, { event: 'hello', data: { now: house.now(), boot: house.boot, pace: house.pace } })
        house.hub.join(request.query.visit ?? 'day', socket)
        house.hub.join(personTopic(person.id), socket)
        const { visit } = request.query
        if (visit) {
          const leave = house.presence.enter(visit, person)
          const tell = (): void =>
            house.hub.send(visit, { event: 'presence', data: { visitId: visit, people: house.presence.of(visit) } })
          tell()
          socket.on('close', () => {
            leave()
            tell()
          })
        }
        const beat = setInterval(() => house.hub.write(socket, { event: 'beat', data: house.now() }), heartbeatMs)
        socket.on('close', () => clearInterval(beat))
        socket.on('error', () => socket.close())
      },
    )
  }
