/** What the log keeps of an error: its kind, where it was, and of its words none that a person may have typed. */
import type { FastifyRequest, FastifyServerOptions } from 'fastify'
import { codeOf } from '../core/sure'

/**
 * The words of an error for a log, a console or a list of faults. A failed query names its parameters behind its text, and
 * what a program could not read it quotes: names, notes, hashes. Both stay out; PostgreSQL's own detail and hint, which
 * tell whole rows, are never taken in.
 * @example wordsOf(new Error('invalid input for integer: "Ida Fenn"')) // 'invalid input for integer: …'
 */
export function wordsOf(error: unknown): string {
  const [said = ''] = String(error instanceof Error ? error.message : error).split(/\n?\bparams: /)
  // A statement of ours holds no values, only the names of columns and tables.
  // Elsewhere everything from the first quotation mark on goes: what is quoted may itself hold quotation marks.
  return said.startsWith('Failed query: ') ? said : said.replace(/["'“‘`].*$/s, '…')
}

/** Where it was: the places alone, for the first lines of a stack are the message again. */
const placesOf = ({ stack = '' }: Error): string => (stack.match(/^\s+at .*$/gm) ?? []).join('\n')

type Logged = {
  type: string
  message: string
  stack: string
  code?: string
  cause?: Logged
}
export function loggable(error: Error, deep = 0): Logged {
  const code = codeOf(error)
  return {
    type: error.name,
    message: wordsOf(error),
    stack: placesOf(error),
    ...(code === undefined ? {} : { code }),
    ...(error.cause instanceof Error && deep < 5 ? { cause: loggable(error.cause, deep + 1) } : {}),
  }
}

/** Where the log goes; standard output where nothing is said. */
export interface LogTo {
  write: (line: string) => void
}

/**
 * The logger of the server. Whoever logs an error, the framework too, logs it through {@link loggable}: the message that a
 * logger would write again beside it is no other.
 */
export const logger = (to: LogTo | undefined): FastifyServerOptions['logger'] => ({
  level: 'warn',
  // The door, never what was asked of it: a search names people.
  serializers: {
    err: (error: Error) => ({ ...loggable(error) }),
    req: ({ method, routeOptions }: FastifyRequest) => ({ method, url: routeOptions.url }),
  },
  ...(to ? { stream: to } : {}),
  hooks: {
    logMethod([first, ...rest], method) {
      const words = rest.map((x) => (typeof x === 'string' ? wordsOf(x) : x))
      if (first instanceof Error) return method.apply(this, [{ err: first }, wordsOf(first)])
      // oxlint-disable-next-line typescript/no-unsafe-type-assertion
      return method.apply(this, [typeof first === 'string' ? wordsOf(first) : first, ...words] as Parameters<
        typeof method
      >)
    },
  },
})
