/** The demo's clock, moved on by a test instead of waited for. */
import * as z from 'zod'
import { whole } from '../../core/bounded'
import { done } from '../../wire/noun'
import { roomOf, type Door } from '../house'
import { Problem } from '../problem'

const moveClock: Door = (app, house) => {
  app.post(
    '/standins/clock',
    {
      schema: {
        response: { 200: done },
        summary: 'Demo only, and only where it was started for it: lets time pass',
        body: z.strictObject({ byS: whole(1, 86_400) }),
      },
    },
    async (request) => {
      if (!house.moveClock) throw new Problem('not-found', 'This clock is nobody’s to move.')
      house.moveClock(request.body.byS * 1000)
      house.hub.broadcast({ event: 'clock', data: {} })
      return { ok: true as const }
    },
  )
}

export const clockRoutes = roomOf(moveClock)
