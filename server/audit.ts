/** The trail of changes: written before a change is answered, read by dentists, changed by nobody. */
import type { FastifyRequest } from 'fastify'
import type { App, House } from './house'
import { note } from './db/audit'
import { signedIn } from './routes/session'

/** Signing in and out, what a run stores itself and rounds of drill are kept elsewhere and not told twice. */
const own = (route: string): boolean =>
  route.endsWith('/session') || route.endsWith('/commands') || route.endsWith('/drill/rounds')

const paramsOf = (params: unknown): string[] => Object.values(Object(params)).map(String)

/** Adds a row for every change that was done, before it is answered. */
export function auditChanges(app: App, house: House): void {
  app.addHook('onSend', async (request: FastifyRequest, reply) => {
    const route = request.routeOptions.url ?? ''
    if (
      request.method === 'GET' ||
      request.method === 'HEAD' ||
      reply.statusCode >= 400 ||
      !route.startsWith('/api/') ||
      own(route)
    )
      return
    const person = await signedIn(house, request).catch(() => null)
    const target = paramsOf(request.params).join(' ')
    await note(
      house.database.db,
      house.now(),
      person?.id ?? null,
      `${request.method} ${route.slice('/api'.length)}`,
      target,
      request.body,
    )
  })
}
