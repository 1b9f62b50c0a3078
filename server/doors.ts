/** Every door is held against the table of doors before anything else is looked at; one that is not on it is a fault at the start. */
import type { FastifyRequest } from 'fastify'
import { doorOf, groups, passes, stageWords } from '../wire/doors'
import type { App, House } from './house'
import { Problem } from './problem'
import { signedIn } from './routes/session'

/** Puts the guard on each route that is put up after it. @throws Error for a route that the table does not have */
export function guardDoors(api: App, house: House): void {
  api.addHook('onRoute', (route) => {
    if (route.schema?.hide) return
    for (const method of [route.method].flat()) {
      if (method === 'HEAD' || method === 'OPTIONS') continue
      const way = `${method} ${route.url.replace(/^\/api/, '')}`
      const door = doorOf(way)
      if (!door) throw new Error(`${way} is not in the table of doors (wire/doors.ts)`)
      const { who, does, at } = door
      route.schema = { ...route.schema, description: `For ${groups[who].words}: ${does}${stageWords(at)}.` }
      if (who === 'everybody') continue
      const guard = async (request: FastifyRequest): Promise<void> => {
        const person = await signedIn(house, request)
        if (!passes(who, person.roles))
          throw new Problem(who === 'dentist' ? 'dentist-only' : 'team-only', `For ${groups[who].words}: ${does}.`)
      }
      route.preValidation = [guard, ...[route.preValidation ?? []].flat()]
    }
  })
}
