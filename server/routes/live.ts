import * as z from 'zod'
import type { App, House } from '../app'
import { signedIn } from './session'

const heartbeatMs = 10_000

/** The event stream: what happens in one visit, or to the day. Says hello with the server's clock and boot. */
export const liveRoutes = (house: House) => async (app: App): Promise<void> => {
  app.get('/live', { schema: { summary: 'Server-sent events of a visit or of the day', querystring: z.object({ visit: z.string().max(80).optional() }) } }, async (request, reply) => {
    await signedIn(house, request)
    reply.hijack()
    const stream = reply.raw
    stream.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform', connection: 'keep-alive', 'x-accel-buffering': 'no' })
    stream.write(`retry: 1000\nevent: hello\ndata: ${JSON.stringify({ now: house.now(), boot: house.boot, pace: house.pace })}\n\n`)
    house.hub.join([request.query.visit ?? 'day'], stream)
    const beat = setInterval(() => stream.write(`event: beat\ndata: ${house.now()}\n\n`), heartbeatMs)
    stream.on('close', () => clearInterval(beat))
  })
}
