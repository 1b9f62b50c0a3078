/** The pool of connections to a PostgreSQL server, which gets each of them back whatever breaks. */
import pg from 'pg'

/**
 * Drizzle asks a connection for `begin` before it takes care to give it back: where the link breaks, or nothing is answered, in
 * just that moment, the connection is never returned, and after as many such moments as the pool is deep every door says that the
 * database is away, for ever. So the first question of a borrowed connection is watched: if it fails, the connection is thrown
 * away at once, and being returned a second time is no fault.
 */
export class Pool extends pg.Pool {
  override connect(): Promise<pg.PoolClient>
  override connect(
    answer: (
      error: Error | undefined,
      client: pg.PoolClient | undefined,
      done: (release?: Error | boolean) => void,
    ) => void,
  ): void
  override connect(
    answer?: (
      error: Error | undefined,
      client: pg.PoolClient | undefined,
      done: (release?: Error | boolean) => void,
    ) => void,
  ): Promise<pg.PoolClient> | void {
    // Its own `query` borrows by this form, and gives back by itself.
    if (answer) return super.connect(answer)
    return super.connect().then(watched)
  }
}

function watched(client: pg.PoolClient): pg.PoolClient {
  const giveBack = client.release.bind(client)
  let given = false
  client.release = (broken) => {
    if (given) return
    given = true
    giveBack(broken)
  }
  const ask: (...asked: unknown[]) => unknown = client.query.bind(client)
  const first = (...asked: unknown[]): unknown => {
    Reflect.deleteProperty(client, 'query')
    const answer = ask(...asked)
    if (answer instanceof Promise) answer.catch(() => client.release(true))
    return answer
  }
  Object.defineProperty(client, 'query', { value: first, configurable: true, writable: true })
  return client
}
