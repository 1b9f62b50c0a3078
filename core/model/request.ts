/** What is asked of the planner: one visit of a case. The one schema of it, for server, web and shell. */
import * as z from 'zod'
import { someChoices } from '../practice/choices'
import { isPrimary, jawOf, parts, toothName, type Tooth } from '../teeth/notation'
import { tooth } from '../teeth/schema'
import { kindFacts, kindIds } from '../kinds'
import { alertWords, restorations, type Alert } from '../vocabulary'

export const restoration = z.enum(restorations)
export const alert = z.enum(Object.keys(alertWords) as [Alert, ...Alert[]])
export const kindId = z.enum(kindIds)

export const tissueState = z.strictObject({
  weeping: z.boolean().default(false),
  probingDepthMm: z.number().min(0).max(12).default(2),
  biotype: z.enum(['thin', 'thick']).default('thick'),
  crevice: z.enum(['narrow', 'normal', 'wide']).default('normal'),
  /** Redundant or overgrown tissue that has to go. */
  overgrown: z.boolean().default(false),
})

/** Surfaces of a filling or inlay: mesial, occlusal, distal, buccal, lingual, each at most once. */
export const surfaces = z
  .string()
  .regex(/^(?!.*(.).*\1)[MODBL]{1,5}$/, 'surfaces as MO, MOD, O, B: each letter of M O D B L once')
const canal = z.strictObject({
  name: z.string().trim().min(1).max(12),
  /** Working length, mm, from the reference point. */
  lengthMm: z.number().min(8).max(32),
})
const byTooth = <V extends z.ZodType>(v: V) => z.partialRecord(tooth, v).default({})

/** What is known of the teeth and what will be done to them. */
export const workFacts = {
  teeth: z.array(tooth).min(1).max(10),
  /** Teeth replaced by a bridge. */
  pontics: z.array(tooth).max(6).default([]),
  restoration: restoration.optional(),
  vital: z.boolean().default(true),
  margin: z.enum(['supragingival', 'equigingival', 'subgingival']).default('equigingival'),
  /** A margin that runs deep in one place only. */
  deepSpot: z.boolean().default(false),
  tissue: tissueState.prefault({}),
  deliveryCement: z
    .enum(['resin', 'resin-modified glass ionomer', 'conventional'])
    .default('resin-modified glass ionomer'),
  surfaces: byTooth(surfaces),
  /** Depth of the cavity from the margin, mm. */
  depthMm: byTooth(z.number().min(0.5).max(12)),
  canals: byTooth(z.array(canal).min(1).max(5)),
  /** Length of root filling that has to stay, mm. */
  sealMm: z.number().min(3).max(7).default(5),
  /** A cusp or wall is gone and has to be built up first. */
  missingWall: z.boolean().default(false),
  partErupted: z.boolean().default(false),
  /** Discoloured: the margin goes lower, the cement is chosen on the tooth. */
  dark: z.boolean().default(false),
  /** All of the preparation lies in enamel. */
  inEnamel: z.boolean().default(true),
  /** Share of tint in the resin cement, percent of the mix by weight. */
  tintPercent: z.number().min(0).max(100).default(0),
  lesion: z.enum(['cavitated', 'non-cavitated']).default('cavitated'),
  pulpTreatment: z.boolean().default(false),
}

/** What an earlier visit of the case left behind: its kind, day, and the needs it used. */
export const earlier = z.strictObject({ kind: kindId, date: z.iso.date(), uses: z.array(z.string()) })

type Facts = {
  kind: z.infer<typeof kindId>
  teeth: readonly Tooth[]
  pontics: readonly Tooth[]
  restoration?: string | undefined
}

/** What a kind does not take, field by field. */
function misfits(f: Facts, missing: readonly Tooth[]): { path: (string | number)[]; message: string }[] {
  const k = kindFacts(f.kind)
  const issues: { path: (string | number)[]; message: string }[] = []
  const say = (path: (string | number)[], message: string): void => void issues.push({ path, message })
  if (f.teeth.length > k.most)
    say(['teeth'], `${k.title}: ${k.most === 1 ? 'one tooth' : `at most ${k.most} teeth`} in one visit`)
  f.teeth.forEach((t, i) => {
    const primary = isPrimary(t)
    if (primary !== (k.dentition === 'primary'))
      say(
        ['teeth', i],
        `${t} is a ${primary ? 'primary' : 'permanent'} tooth; this kind of visit is for ${k.dentition} teeth`,
      )
    else if (k.positions && (parts(t).position < k.positions[0] || parts(t).position > k.positions[1]))
      say(['teeth', i], `${t}, ${toothName(t)}: ${k.title} is not for this tooth`)
    else if (k.jaw && jawOf(t) !== k.jaw) say(['teeth', i], `${t}: ${k.title} is for the ${k.jaw} jaw`)
    if (missing.includes(t)) say(['missing'], `${t} is to be prepared and is also recorded missing`)
    if (f.teeth.indexOf(t) !== i) say(['teeth', i], `${t} stands twice`)
  })
  f.pontics.forEach((t, i) => {
    if (f.teeth.includes(t)) say(['pontics', i], `${t} cannot be an abutment and be replaced`)
    else if (!k.pontics) say(['pontics', i], `${k.title} replaces no tooth`)
    else if (f.teeth[0] && jawOf(t) !== jawOf(f.teeth[0]))
      say(['pontics', i], `${t} is not in the jaw of the abutments`)
  })
  const jaws = new Set(f.teeth.map(jawOf))
  if (jaws.size > 1)
    say(['teeth'], 'one piece of work stays in one jaw; add the other jaw as further work of the visit')
  if (k.pontics === 'needed' && f.pontics.length === 0) say(['pontics'], `${k.title}: say which tooth it replaces`)
  if (f.restoration !== undefined && !k.restorations.some((r) => r === f.restoration))
    say(
      ['restoration'],
      k.restorations.length === 0
        ? `${k.title} takes no restoration`
        : `${k.title} is made as: ${k.restorations.join(', ')}`,
    )
  return issues
}

/** A second piece of work in the same visit: its own kind, teeth and facts. */
export const alsoWork = z.strictObject({ kind: kindId, ...workFacts })
export type AlsoWork = z.infer<typeof alsoWork>

export const visitRequest = z
  .strictObject({
    kind: kindId,
    date: z.iso.date(),
    ...workFacts,
    also: z.array(alsoWork).max(3).default([]),
    crossbite: z.boolean().default(false),
    missing: z.array(tooth).default([]),
    anaesthetic: z
      .enum(['articaine with adrenaline', 'lidocaine with adrenaline', 'mepivacaine plain'])
      .default('articaine with adrenaline'),
    weightKg: z.number().min(5).max(200).optional(),
    /** The laboratory's piece is here. */
    pieceOnHand: z.boolean().default(true),
    alerts: z.array(alert).default([]),
    earlier: z.array(earlier).default([]),
    team: z.strictObject({ dentist: z.string().min(1), assistants: z.array(z.string().min(1)).min(1) }),
    choices: someChoices.default({}),
    visitChoices: someChoices.default({}),
    /** Cervical perimeters measured on a scan or with a gauge, mm; they replace the mean. */
    measuredPerimeterMm: z.record(z.string(), z.number().min(5).max(60)).default({}),
    /** Items exchanged at the tray: what the plan took → what was laid out instead. */
    swaps: z.record(z.string(), z.string()).default({}),
  })
  .superRefine((request, context) => {
    for (const issue of misfits(request, request.missing)) context.addIssue({ code: 'custom', ...issue })
    request.also.forEach((work, i) => {
      for (const { path, message } of misfits(work, request.missing))
        context.addIssue({ code: 'custom', path: ['also', i, ...path], message })
    })
  })
export type VisitRequest = z.infer<typeof visitRequest>
/** The request as it is written before defaults are filled in. */
export type VisitRequestInput = z.input<typeof visitRequest>
