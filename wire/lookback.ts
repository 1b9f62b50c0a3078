/** Looking back: what came of what was planned, and what was learned of it. */
import { unreadView } from './unread'
import * as z from 'zod'
import { standing, type Reason } from '../core/figure'
import type { Calibration } from '../core/record/look-back'
import { date, ms, noun, seconds } from './noun'
import { kindView } from './plan'

const share = z.number().min(0).max(1)

const lookBackVisit = z.strictObject({
  id: z.string(),
  day: date,
  patient: z.string(),
  kind: kindView,
  title: z.string(),
  dentistId: z.string(),
  startedAt: ms,
  plannedChairS: seconds,
  chairS: seconds,
  retakes: z.array(z.strictObject({ stepId: z.string(), title: z.string(), why: z.string() })),
  forecast: z.strictObject({ likelyS: seconds, eightInTenS: seconds }).optional(),
})
export type LookBackVisit = z.infer<typeof lookBackVisit>

const learnedRow = z.strictObject({
  key: z.string(),
  kind: kindView,
  stepKind: z.string(),
  personId: z.string(),
  startS: seconds,
  meanS: seconds,
  n: z.number().int(),
})

export const lookBackView = z.strictObject({
  visits: z.array(lookBackVisit),
  unread: z.array(unreadView),
  calibration: noun<Calibration>({
    n: z.number().int(),
    kept: z.number().int(),
    share,
    from: share,
    to: share,
    because: noun<Reason>({ text: z.string(), standing, source: z.string().optional() }),
  }),
  learned: z.array(learnedRow),
  useLearned: z.boolean(),
  people: z.array(z.strictObject({ id: z.string(), name: z.string() })),
  zone: z.string(),
})
export type LookBackView = z.infer<typeof lookBackView>
