import type { FastifyReply } from 'fastify'
import { problems, type ProblemMore, type Slug } from '../wire/problems'

/** An error a client can act on; sent as application/problem+json (RFC 9457). Its status is the slug's, its words too where none are given. */
export class Problem extends Error {
  readonly status: number
  constructor(
    readonly slug: Slug,
    message: string = problems[slug].words,
    readonly more: ProblemMore = {},
  ) {
    super(message)
    this.name = 'Problem'
    this.status = problems[slug].status
  }
}

export const notFound = (what: string): Problem => new Problem('not-found', `There is no ${what}.`)

/** Sends a problem document. @param status another than the slug's own, where the framework has set one */
export function sendProblem(
  reply: FastifyReply,
  slug: Slug,
  detail: string,
  more: ProblemMore = {},
  status: number = problems[slug].status,
): FastifyReply {
  return reply
    .status(status)
    .header('content-type', 'application/problem+json')
    .send({ type: `/problems/${slug}`, title: slug.replaceAll('-', ' '), status, detail, ...more })
}
