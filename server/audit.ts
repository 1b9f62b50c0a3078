/** The trail of changes: written in the transaction of the change it tells, read by dentists, changed by nobody. */
import type { App, House } from './house'
import { note } from './db/audit'
import type { Db } from './db/open'
import { asOne } from './db/unit'
import { signedIn } from './routes/session'

/** Signing in and out, a copy of the practice (told by its own door), what a run stores itself and rounds of drill are kept elsewhere and not told twice. */
const own = (route: string): boolean =>
  route.endsWith('/session') ||
  route.endsWith('/backups') ||
  route.endsWith('/commands') ||
  route.endsWith('/drill/rounds')

const changing = new Set(['POST', 'PUT', 'PATCH', 'DELETE'])
const textsOf = (values: unknown): string[] => Object.values(Object(values)).map(String)
/** What was made by it, where the answer names it. */
const madeOf = (answer: unknown): string[] => {
  const { id } = Object(answer)
  return typeof id === 'string' ? [id] : []
}

/** Puts every change that is put up after it into one transaction with its row of the trail. */
export function auditChanges(app: App, house: House, base: Db): void {
  app.addHook('onRoute', (route) => {
    const way = [route.method].flat()
    if (!route.url.startsWith('/api/') || own(route.url) || !way.every((m) => changing.has(m))) return
    const { handler } = route
    // Where no body is taken, none is told: nobody has looked at what was sent.
    const takesBody = route.schema?.body !== undefined
    const what = `${way.join()} ${route.url.slice('/api'.length)}`
    route.handler = function (request, reply) {
      return asOne(base, async () => {
        const answer: unknown = await handler.call(this, request, reply)
        if (reply.sent) throw new Error(`${what} answered before it was stored: return the answer, send nothing`)
        const person = await signedIn(house, request)
        const target = [...textsOf(request.params), ...madeOf(answer)].join(' ')
        await note(house.database.db, house.now(), person.id, what, target, takesBody ? request.body : null)
        return answer
      })
    }
  })
}
