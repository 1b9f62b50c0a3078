/** Whether a failure says that the database is away for now, and not that something was wrong with what was asked. */
import { codeOf, messageOf } from '../../core/sure'

/** Of the operating system, and of PostgreSQL’s classes 08 (connection), 57P01–03 (shut down, starting) and 53300 (too many connections). */
const awayCodes =
  /^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|EHOSTUNREACH|ENETUNREACH|ENOTFOUND|EAI_AGAIN|08\d\d\d|57P0[123]|53300)$/
const awayWords = /connection terminated|timeout exceeded when trying to connect|query read timeout|not queryable/i

export function isAway(error: unknown): boolean {
  for (let e: unknown = error, deep = 0; e instanceof Error && deep < 5; e = e.cause, deep++)
    if (awayCodes.test(codeOf(e) ?? '') || awayWords.test(messageOf(e))) return true
  return false
}
