/** A plan and what was asked for, as they travel: core says what is in them. */
import * as z from 'zod'
import { kindIds } from '../core/kinds'
import type { Plan } from '../core/model/plan'
import type { VisitRequest } from '../core/model/request'
import { isTooth, type Tooth } from '../core/teeth/notation'
import { date, noun, sketch } from './noun'

export const kindView = z.enum(kindIds)
/** Two figures of ISO 3950. */
export const toothView = z
  .custom<Tooth>((text) => typeof text === 'string' && isTooth(text))
  .meta({ type: 'string', pattern: '^[1-8][1-8]$' })

export const requestView = sketch<VisitRequest>('what will be done: the resolved request', {
  kind: kindView,
  teeth: z.array(toothView),
  date,
})
export const teethView = z.array(
  noun<Plan['teeth'][number]>({
    tooth: toothView,
    universal: z.string(),
    quadrant: z.string(),
    name: z.string(),
    functional: z.string().optional(),
  }),
)
export const peopleView = z.array(
  noun<Plan['people'][number]>({ id: z.string(), name: z.string(), dentist: z.boolean() }),
)
const said = { id: z.string() }
export const planView = sketch<Plan>('a plan: what compile answers, frozen once the tray is signed', {
  library: z.string(),
  kind: kindView,
  title: z.string(),
  request: requestView,
  teeth: teethView,
  people: peopleView,
  lacks: z.array(z.string()),
  steps: z.array(sketch<Plan['steps'][number]>('a step', said)),
  links: z.array(sketch<Plan['links'][number]>('a tie', said)),
  setup: z.array(sketch<Plan['setup'][number]>('a line of the setup', said)),
  holds: z.array(sketch<Plan['holds'][number]>('a hold', said)),
  counts: z.array(sketch<Plan['counts'][number]>('a count', said)),
  clashes: z.array(sketch<Plan['clashes'][number]>('a clash', said)),
})
