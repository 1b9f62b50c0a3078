/** How answers are described and sent. */
import { Readable } from 'node:stream'
import type { FastifySerializerCompiler, RouteOptions } from 'fastify'
import * as z from 'zod'
import { problemDocument } from '../wire/problems'

/** An answer that is not what the wire says of it: a fault of this program, found in tests. */
export class AnswerMisfit extends Error {}

/** What is sent has to be as the wire describes it, nothing more and nothing less. @throws AnswerMisfit */
export function checkAnswer(schema: z.ZodType, sent: string, where: string): void {
  const read = schema.safeParse(JSON.parse(sent))
  if (!read.success) throw new AnswerMisfit(`${where}: ${z.prettifyError(read.error)}`)
}

/**
 * Answers are plain JSON. The views describe them and nothing is spent on holding the one against the other but in tests.
 * @param check whether every answer is held against its view
 */
export const answers =
  (check: boolean): FastifySerializerCompiler<z.ZodType> =>
  ({ schema, method, url }) =>
  (data) => {
    const sent = JSON.stringify(data)
    if (check) checkAnswer(schema, sent, `${method} ${url}`)
    return sent
  }

// A file is text or bytes; neither is made into JSON.
const content = z
  .custom<string | Buffer | Readable>(
    (sent) => typeof sent === 'string' || Buffer.isBuffer(sent) || sent instanceof Readable,
  )
  .meta({ type: 'string', format: 'binary' })
/** The answer of a route that sends a file. */
export const file = (type: string, description: string) => ({
  200: { description, content: { [type]: { schema: content } } },
})

/** Any route may answer a problem instead. */
export function problemBeside({ schema }: RouteOptions): void {
  if (!schema || schema.hide === true) return
  schema.response = { ...Object(schema.response), default: problemDocument }
}
