/** What is asked of the planner: one visit of a case. The one schema of it, for server, web and shell. */
import { keysOf } from '../sure'
import * as z from 'zod'
import { id, plainDate, text } from '../bounded'
import { innerSides } from '../measure/reduction'
import { kindFacts, kindIds, type KindId } from '../kinds'
import { someChoices } from '../practice/choices'
import type { Tooth } from '../teeth/notation'
import { tooth } from '../teeth/schema'
import { alertWords, frameworks, restorations, type Framework, type Restoration } from '../vocabulary'
import { misfits } from './misfits'

export const restoration = z.enum(restorations)
export const alert = z.enum(keysOf(alertWords))
export const kindId = z.enum(kindIds)

export const tissueState = z.strictObject({
  weeping: z.boolean().default(false),
  probingDepthMm: z.number().min(0).max(12).default(2),
  biotype: z.enum(['thin', 'thick']).default('thick'),
  crevice: z.enum(['narrow', 'normal', 'wide']).default('normal'),
})

/** Surfaces of a filling or inlay: mesial, occlusal, distal, buccal, lingual, each at most once. */
export const surfaces = z
  .string()
  .regex(/^(?!.*(.).*\1)[MODBL]{1,5}$/, 'surfaces as MO, MOD, O, B: each letter of M O D B L once')
const canal = z.strictObject({
  name: text(12),
  /** Working length, mm, from the reference point. */
  lengthMm: z.number().min(8).max(32),
})

/** What is known of one tooth, and what is made on it. What is not said stays out, and the plan names what it took instead. */
export const toothFacts = z.strictObject({
  surfaces: surfaces.optional(),
  /** Depth of the cavity from the margin, mm. */
  depthMm: z.number().min(0.5).max(12).optional(),
  canals: z.array(canal).min(1).max(5).optional(),
  /** Cervical perimeter measured on a scan or with a gauge, mm; it replaces the mean. */
  perimeterMm: z.number().min(5).max(60).optional(),
  /** Where a kind makes one or the other: gold inlay or gold foil. */
  made: z.enum(['inlay', 'foil']).optional(),
  /** What is done about its pulp, where it is not the same for all: a part taken, or all of it. */
  pulp: z.enum(['none', 'pulpotomy', 'pulpectomy']).optional(),
  /** Width between the contacts, or of its fellow on the other side, mm: picks the size of a preformed crown. */
  widthMm: z.number().min(3).max(14).optional(),
  /** Worn away, not decayed: nothing soft to take out. */
  worn: z.boolean().optional(),
  /** The biting edge is covered by the piece. */
  coveredEdge: z.boolean().optional(),
  /** Redundant or overgrown gum that has to go. */
  overgrown: z.boolean().optional(),
  /** Discoloured: the margin goes lower, the cement is chosen on the tooth. */
  dark: z.boolean().optional(),
  shade: text(12).optional(),
})
export type ToothFacts = z.infer<typeof toothFacts>

/** What is known of the teeth and what will be done to them. */
export const workFacts = {
  teeth: z.array(tooth).min(1).max(10),
  /** Teeth replaced by a bridge. */
  pontics: z.array(tooth).max(6).default([]),
  /** Left out, or `null`: the kind's first, where it has any. */
  restoration: restoration.nullish(),
  vital: z.boolean().default(true),
  margin: z.enum(['supragingival', 'equigingival', 'subgingival']).default('equigingival'),
  /** A margin that runs deep in one place only. */
  deepSpot: z.boolean().default(false),
  tissue: tissueState.prefault({}),
  deliveryCement: z
    .enum(['resin', 'resin-modified glass ionomer', 'conventional'])
    .default('resin-modified glass ionomer'),
  /** Tooth by tooth. */
  ofTooth: z
    .partialRecord(tooth, toothFacts, {
      error: (issue) =>
        issue.code === 'invalid_key'
          ? `"${String(issue['path']?.at(-1) ?? '')}" is not an ISO 3950 tooth code`
          : undefined,
    })
    .default({}),
  /** What carries the piece, where it decides how the piece is cleaned and primed. */
  framework: z.enum(frameworks).nullish(),
  /** Length of root filling that has to stay, mm. */
  sealMm: z.number().min(3).max(7).default(5),
  /** A cusp or wall is gone and has to be built up first. */
  missingWall: z.boolean().default(false),
  partErupted: z.boolean().default(false),
  /** All of the preparation lies in enamel. */
  inEnamel: z.boolean().default(true),
  /** What a metal-ceramic crown shows on its inner side: metal alone, or ceramic all round. */
  innerSide: z.enum(innerSides).default('metal'),
  /** Share of tint in the resin cement, percent of the mix by weight. */
  tintPercent: z.number().min(0).max(100).default(0),
  lesion: z.enum(['cavitated', 'non-cavitated']).default('cavitated'),
  lesionSite: z.enum(['pit', 'between']).default('pit'),
  /** The child can take the simpler way: a sealant, or partial removal and a filling. */
  managesFilling: z.boolean().default(true),
  pulpTreatment: z.boolean().default(false),
}

/**
 * What an earlier visit of the case left behind: its kind, day, and the needs it used; where it has to do with a piece of the
 * laboratory also what that was asked for, the shade that was read, the teeth whose dentine was sealed (none, where none was),
 * and what was left in under the provisional.
 */
export const earlier = z.strictObject({
  kind: kindId,
  date: plainDate,
  uses: z.array(id()).max(400),
  asked: z.array(z.string().max(300)).max(20).optional(),
  shade: z.string().max(4000).optional(),
  sealed: z.array(tooth).max(32).optional(),
  left: z
    .array(z.strictObject({ what: z.string().max(200), n: z.number().int().min(1).max(99) }))
    .max(20)
    .optional(),
})

/** A second piece of work in the same visit: its own kind, teeth and facts. */
export const alsoWork = z.strictObject({ kind: kindId, ...workFacts })

/** `by technique`: two per cent for a block, articaine for the rest. */
export const anaesthetics = [
  'by technique',
  'articaine with adrenaline',
  'lidocaine with adrenaline',
  'mepivacaine plain',
] as const

const shape = z.strictObject({
  kind: kindId,
  date: plainDate,
  ...workFacts,
  also: z.array(alsoWork).max(3).default([]),
  crossbite: z.boolean().default(false),
  missing: z.array(tooth).max(52).default([]),
  anaesthetic: z.enum(anaesthetics).default('by technique'),
  weightKg: z.number().min(5).max(200).optional(),
  ageYears: z.number().int().min(0).max(120).optional(),
  /** The laboratory's piece is here. */
  pieceOnHand: z.boolean().default(true),
  alerts: z.array(alert).max(20).default([]),
  earlier: z.array(earlier).max(100).default([]),
  team: z.strictObject({ dentist: id(), assistants: z.array(id()).min(1).max(8) }),
  choices: someChoices.default({}),
  visitChoices: someChoices.default({}),
  /** Items exchanged at the tray: what the plan took → what was laid out instead. */
  swaps: z.record(id(), id()).default({}),
})

/** A request from outside: refused where it contradicts itself, and resolved. */
export const visitRequest = shape
  .superRefine((request, context) => {
    for (const issue of misfits(request)) context.addIssue({ code: 'custom', ...issue })
  })
  .transform(resolvedWhole)
/** A request as it was stored: it was checked when it was written, so that a rule made since never keeps it from being read. */
export const storedRequest = shape.transform(resolvedWhole)

function resolvedWhole({ also, ...request }: z.output<typeof shape>) {
  return { ...resolved(request), also: also.map(resolved) }
}

interface Asked {
  kind: KindId
  pontics: Tooth[]
  restoration?: Restoration | null | undefined
  framework?: Framework | null | undefined
}
/**
 * What the kind asks for is known: its only restoration, its first where nothing is said, `null` where none makes sense. What
 * a framework is made of is never guessed: `null` until somebody says it, where it may be one of several. A
 * later visit of a case carries the case's own restoration and gap; what its kind does not take, it does not see.
 */
function resolved<W extends Asked>(
  work: W,
): Omit<W, 'restoration' | 'framework'> & { restoration: Restoration | null; framework: Framework | null } {
  const k = kindFacts(work.kind)
  const taken = <T>(said: T | null | undefined, of: readonly (T | null)[] = []): T | null =>
    said !== null && said !== undefined && of.includes(said) ? said : (of[0] ?? null)
  return {
    ...work,
    pontics: k.pontics ? work.pontics : [],
    restoration: taken(work.restoration, k.restorations),
    framework: taken(work.framework, k.frameworks?.length === 1 ? k.frameworks : [null, ...(k.frameworks ?? [])]),
  }
}

/** A request as everything downstream sees it: checked, and with no question left open. */
export type VisitRequest = z.output<typeof visitRequest>
/** The request as it is written before defaults are filled in. */
export type VisitRequestInput = z.input<typeof visitRequest>
/** A further piece of work of the same visit. */
export type AlsoWork = VisitRequest['also'][number]

const unsaid: ToothFacts = {}
/**
 * What is said of one tooth.
 * @example factsOf(request, toTooth('36')) // {}
 */
export const factsOf = (work: Pick<AlsoWork, 'ofTooth'>, of: Tooth): ToothFacts => work.ofTooth[of] ?? unsaid
