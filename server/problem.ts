import type { FastifyReply } from 'fastify'

/** An error a client can act on; sent as application/problem+json (RFC 9457). */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly slug: string,
    message: string,
    readonly more: Record<string, unknown> = {},
  ) {
    super(message)
    this.name = 'Problem'
  }
}

export const notFound = (what: string): Problem => new Problem(404, 'not-found', `There is no ${what}.`)

/** Sends a problem document. */
export function sendProblem(
  reply: FastifyReply,
  status: number,
  slug: string,
  detail: string,
  more: Record<string, unknown> = {},
): FastifyReply {
  return reply
    .status(status)
    .header('content-type', 'application/problem+json')
    .send({ type: `/problems/${slug}`, title: slug.replaceAll('-', ' '), status, detail, ...more })
}
