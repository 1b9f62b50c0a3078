/** The one way to the server. Every failure becomes an {@link ApiProblem} with words a person can act on. */
import { kept } from './kept'
import type { ProblemDocument, ProblemMore, Slug } from '../../wire/problems'

export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly slug: Slug | 'offline' | 'unknown',
    message: string,
    readonly more: ProblemMore = {},
  ) {
    super(message)
    this.name = 'ApiProblem'
  }
  /** The request may never have arrived, or there was nobody to store it: it can be sent again as it is. */
  get offline(): boolean {
    return this.status === 0 || this.slug === 'away'
  }
}

// A slug this page does not know is no other than one it does nothing about.
// oxlint-disable-next-line typescript/no-unsafe-type-assertion
const slugOf = ({ type }: Partial<ProblemDocument>) => (type?.split('/').at(-1) ?? 'unknown') as Slug | 'unknown'

/** @param options.withinMs after which a server that does not answer counts as not heard */
export async function api<T>(
  path: string,
  options: { method?: string; body?: unknown; withinMs?: number } = {},
): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method: options.method ?? 'GET',
      ...(options.withinMs === undefined ? {} : { signal: AbortSignal.timeout(options.withinMs) }),
      ...(options.body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(options.body) }),
    })
  } catch {
    throw new ApiProblem(0, 'offline', 'The server does not answer. Nothing is lost; it is tried again.')
  }
  const body = response.status === 204 ? undefined : await response.json().catch(() => null)
  // What a route answers is held against its view in the server's tests; here it is taken as it comes.
  if (response.ok) return body
  // A proxy between here and the server may have answered instead of it.
  const problem: Partial<ProblemDocument> = body ?? {}
  throw new ApiProblem(
    response.status,
    slugOf(problem),
    problem.detail ?? `The server answered ${response.status}.`,
    problem,
  )
}

/** A random id; crypto.randomUUID is missing where the page came over plain http from another machine. */
export function newId(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('')
}

/** A name for this device that lasts. */
export const device = kept.get('jade.device') ?? newId().slice(0, 12)
kept.set('jade.device', device)
