/** What is asked of the planner: one visit of a case. The one schema of it, for server, web and shell. */
import * as z from 'zod'
import { someChoices } from '../practice/choices'
import { isPrimary } from '../teeth/notation'
import { tooth } from '../teeth/schema'
import { alertWords, restorations, type Alert } from './vocabulary'

export const restoration = z.enum(restorations)
export const alert = z.enum(Object.keys(alertWords) as [Alert, ...Alert[]])

export const tissueState = z.strictObject({
  weeping: z.boolean().default(false),
  probingDepthMm: z.number().min(0).max(12).default(2),
  biotype: z.enum(['thin', 'thick']).default('thick'),
  crevice: z.enum(['narrow', 'normal', 'wide']).default('normal'),
})

export const visitRequest = z
  .strictObject({
    kind: z.enum(['crown.prepare']),
    date: z.iso.date(),
    teeth: z.array(tooth).min(1).max(4),
    restoration,
    vital: z.boolean().default(true),
    crossbite: z.boolean().default(false),
    missing: z.array(tooth).default([]),
    margin: z.enum(['supragingival', 'equigingival', 'subgingival']).default('equigingival'),
    tissue: tissueState.prefault({}),
    deliveryCement: z.enum(['resin', 'resin-modified glass ionomer', 'conventional']).default('resin-modified glass ionomer'),
    anaesthetic: z.enum(['articaine with adrenaline', 'lidocaine with adrenaline', 'mepivacaine plain']).default('articaine with adrenaline'),
    alerts: z.array(alert).default([]),
    team: z.strictObject({ dentist: z.string().min(1), assistants: z.array(z.string().min(1)).min(1) }),
    choices: someChoices.default({}),
    visitChoices: someChoices.default({}),
    /** Cervical perimeters measured on a scan or with a gauge, mm; they replace the mean. */
    measuredPerimeterMm: z.record(z.string(), z.number().min(5).max(60)).default({}),
    /** Items exchanged at the tray: what the plan took → what was laid out instead. */
    swaps: z.record(z.string(), z.string()).default({}),
  })
  .superRefine((request, context) => {
    request.teeth.forEach((t, i) => {
      if (isPrimary(t)) context.addIssue({ code: 'custom', path: ['teeth', i], message: `${t} is a primary tooth; this kind of visit is for permanent teeth` })
      if (request.missing.includes(t)) context.addIssue({ code: 'custom', path: ['missing'], message: `${t} is to be prepared and is also recorded missing` })
      if (request.teeth.indexOf(t) !== i) context.addIssue({ code: 'custom', path: ['teeth', i], message: `${t} stands twice` })
    })
  })
export type VisitRequest = z.infer<typeof visitRequest>
/** The request as it is written before defaults are filled in. */
export type VisitRequestInput = z.input<typeof visitRequest>
