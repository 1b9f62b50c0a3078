/** The drill: a person's progress, the next round, and its score. */
import * as z from 'zod'
import type { DrillScore, PartScore } from '../core/drill/score'
import { date, ms, noun } from './noun'
import { kindView } from './plan'

const part = z.enum(['tray', 'burs', 'steps', 'clock'])
const count = z.number().int()

export const progressView = z.strictObject({
  kinds: z.array(z.strictObject({ kind: kindView, asked: count, due: count })),
  rounds: z.array(
    z.strictObject({
      id: count,
      personId: z.string(),
      at: ms,
      kind: kindView,
      right: count,
      of: count,
      seconds: count,
      parts: z.array(z.strictObject({ part, right: count, of: count })),
    }),
  ),
  nextDueAt: ms.nullable(),
  now: ms,
})
export type Progress = z.infer<typeof progressView>

export const nextRoundView = z.strictObject({ kind: kindView, seed: count, date, due: z.array(z.string()) })
export type NextRound = z.infer<typeof nextRoundView>

export const scoreView = z.strictObject({
  score: noun<DrillScore>({
    parts: z.array(
      noun<PartScore>({
        part,
        right: count,
        of: count,
        misses: z.array(z.strictObject({ says: z.string(), because: z.string() })),
      }),
    ),
    right: count,
    of: count,
    cards: z.array(z.strictObject({ key: z.string(), right: z.boolean() })),
  }),
})
export type ScoreView = z.infer<typeof scoreView>
