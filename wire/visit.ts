/** A visit as its screens see it. */
import * as z from 'zod'
import type { ChartNote } from '../core/record/note'
import { date, ms, noun } from './noun'
import { unreadView } from './unread'
import { kindView, planView, requestView } from './plan'

export const stageView = z.enum(['planned', 'laid up', 'running', 'closed'])
export type Stage = z.infer<typeof stageView>

/** Of every visit, on whichever screen. */
export const headFields = {
  id: z.string(),
  chairId: z.string(),
  day: date,
  startsAt: ms,
  patient: z.strictObject({ id: z.string(), name: z.string() }),
  request: requestView,
  stage: stageView,
}

/** A place of the tray, checked off. */
export const markView = z.strictObject({ lineId: z.string(), by: z.string(), at: ms })
export type Mark = z.infer<typeof markView>
export const marksView = z.strictObject({ marks: z.array(markView) })

export const visitView = z.strictObject({
  ...headFields,
  version: z.number().int(),
  caseId: z.string(),
  team: z.strictObject({ dentist: z.string(), assistants: z.array(z.string()) }),
  /** The plan that stood signed when an alert re-opened the tray. */
  reopened: z.strictObject({ plan: planView, at: ms, by: z.string(), why: z.string() }).nullable(),
  /** Every visit of the case, by its start. */
  chain: z.array(z.strictObject({ id: z.string(), day: date, startsAt: ms, kind: kindView, stage: stageView })),
  /** Visits of the case that cannot be read: what they left behind is not reckoned with. */
  unread: z.array(unreadView),
  throatPackIn: z.boolean(),
  /** What came up beside it and waits for the dentist, in words: on every screen of the visit. */
  matters: z.array(z.string()),
  /** What is laid up for it, out of which load. */
  cassettes: z.array(
    z.strictObject({
      id: z.string(),
      name: z.string(),
      load: z.number().int().nullable(),
      confirmedBy: z.string().nullable(),
      /** Why its load was pulled back, where it was. */
      pulledBack: z.string().nullable(),
    }),
  ),
  /** Of each kind of cassette the plan lays open those that are sterile, the one for longest first; none once it is signed. */
  toLay: z.array(z.array(z.strictObject({ id: z.string(), name: z.string(), load: z.number().int().nullable() }))),
  frozen: z
    .strictObject({
      plan: planView,
      signedBy: z.string(),
      signedAt: ms,
      /** The dentist who answered what a clash left to them. */
      answeredBy: z.string().nullable(),
    })
    .nullable(),
  marks: z.array(markView),
})
export type VisitView = z.infer<typeof visitView>

export const versionView = z.strictObject({ version: z.number().int() })
export const alertsView = z.strictObject({
  alerts: z.array(z.string()),
  /** Visits whose signed tray was taken back by it. */
  reopened: z.array(z.string()),
})
export const swapsView = z.strictObject({ swaps: z.record(z.string(), z.string()) })
export const signedView = z.strictObject({ signedBy: z.string(), signedAt: ms })

/** The chart note: as kept at closing, or as it reads now. */
export const recordView = z.strictObject({
  note: noun<ChartNote>({
    title: z.string(),
    library: z.string(),
    sections: z.array(z.strictObject({ title: z.string(), sentences: z.array(z.string()) })),
    instructions: z.array(z.string()),
  }),
  closedAt: ms.nullable(),
})
export type RecordView = z.infer<typeof recordView>
