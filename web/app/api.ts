/** The one way to the server. Every failure becomes an {@link ApiProblem} with words a person can act on. */
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
  /** The request may never have arrived: it can be sent again as it is. */
  get offline(): boolean {
    return this.status === 0
  }
}

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
  if (response.status === 204) return undefined as T
  const body: unknown = await response.json().catch(() => null)
  if (response.ok) return body as T
  // A proxy between here and the server may have answered instead of it.
  const problem = (body ?? {}) as Partial<ProblemDocument>
  throw new ApiProblem(
    response.status,
    (problem.type?.split('/').at(-1) ?? 'unknown') as Slug | 'unknown',
    problem.detail ?? `The server answered ${response.status}.`,
    problem,
  )
}

/** A random id; crypto.randomUUID is missing where the page came over plain http from another machine. */
export function newId(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('')
}

/** A name for this device that lasts; storage may be refused, then it lasts as long as the page. */
function deviceName(): string {
  try {
    const kept = localStorage.getItem('jade.device')
    if (kept) return kept
    const made = newId().slice(0, 12)
    localStorage.setItem('jade.device', made)
    return made
  } catch {
    return newId().slice(0, 12)
  }
}
export const device = deviceName()
