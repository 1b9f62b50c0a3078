/**
 * The guard of the doors: every request of the API is held against the table of doors as soon as its address is known,
 * whatever its method, before its body is read or a handler runs. A route that is not in the table is a fault at the start.
 */
import { doorOf, groups, passes, stageWords } from '../wire/doors'
import type { App, House } from './house'
import { Problem } from './problem'
import { signedIn } from './routes/session'

/** The way of the table that a route stands on; HEAD, which the framework makes of each GET, is its GET. */
const wayOf = (method: string, url: string | undefined): string =>
  `${method === 'HEAD' ? 'GET' : method} ${(url ?? '').replace(/^\/api/, '')}`

/** Puts the guard before every route that is put up in this room after it. @throws Error for a route that the table does not have */
export function guardDoors(api: App, house: House): void {
  api.addHook('onRoute', (route) => {
    for (const method of [route.method].flat()) {
      const way = wayOf(method, route.url)
      const door = doorOf(way)
      if (!door) throw new Error(`${way} is not in the table of doors (wire/doors.ts)`)
      if (route.schema?.hide) continue
      const { who, does, at } = door
      route.schema = { ...route.schema, description: `For ${groups[who].words}: ${does}${stageWords(at)}.` }
    }
  })
  api.addHook('onRequest', async (request) => {
    const door = doorOf(wayOf(request.method, request.routeOptions.url))
    if (!door) throw new Problem('not-found')
    const { who, does } = door
    if (who === 'everybody') return
    const person = await signedIn(house, request)
    if (!passes(who, person.roles))
      throw new Problem(who === 'dentist' ? 'dentist-only' : 'team-only', `For ${groups[who].words}: ${does}.`)
  })
}
