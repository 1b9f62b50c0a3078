/** What scripts/postgres.mjs gives to scripts in TypeScript. */
export interface OwnPostgres {
  url: string
  stop: () => void
  /** Kills the whole server, −9. */
  kill: () => void
  /** Kills one of its processes that serves a client, −9. */
  killOne: () => void
  /** Starts it again where it was. @returns whether it came up */
  again: () => boolean
}
export function postgresPrograms(): string | undefined
export function startPostgres(bin: string): Promise<OwnPostgres | undefined>
