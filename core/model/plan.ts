/** The Plan: what `compile` answers. Plain JSON, frozen into the visit when its setup is signed. */
import type { Bur } from '../catalog/bur'
import type { BurChoice, Cut } from '../catalog/cut'
import type { Allergen, LotChoice } from '../catalog/item'
import type { Need, Readiness } from '../catalog/match'
import type { Figure, Reason, Standing } from '../figure'
import type { FunctionName, Permission } from '../practice/functions'
import type { Amendment } from '../practice/amendment'
import type { ChoiceName, ResolvedChoices } from '../practice/choices'
import type { Tooth } from '../teeth/notation'
import type { KindId } from '../kinds'
import type { VisitRequest } from './request'

export const phaseNames = {
  arrival: 'Arrival',
  anaesthesia: 'Anaesthesia',
  records: 'Records',
  isolation: 'Isolation',
  cutting: 'Cutting',
  canal: 'Root canal',
  core: 'Post and core',
  restoring: 'Restoring',
  tissue: 'Tissue',
  impression: 'Impression',
  provisional: 'Provisional',
  delivery: 'Delivery',
  finishing: 'Finishing',
  closing: 'Closing',
} as const
export type Phase = keyof typeof phaseNames

/** `chair`: with the patient but not in the mouth. `room` and `desk`: after the patient has left. */
export type Place = 'mouth' | 'chair' | 'bench' | 'desk' | 'room'

/** Three-point duration in seconds. `likelyS` is the mode, the commonest length; the mean of a skewed spread lies beyond it. */
export interface Spread {
  shortS: number
  likelyS: number
  longS: number
}

export type Edge = 'start' | 'finish'

/**
 * A tie from one edge of a step to one edge of a later one. With `atLeastS` it is a lag, with `atMostS` a window;
 * a tie with any time in it runs as a clock once its first edge has happened. Without times it is plain order.
 */
export interface Link {
  id: string
  from: string
  fromEdge: Edge
  to: string
  toEdge: Edge
  atLeastS?: number
  warnS?: number
  atMostS?: number
  title?: string
  because?: Reason
  /** What to do when the window is missed, in words. */
  whenMissed?: string
  /** The steps that are done over when it is missed and not accepted. */
  again?: string[]
}

/**
 * Words called out at a time after an edge of a step: they ask for no touch and refuse nothing. A cue of a step is over when
 * that step has begun (`until: 'start'`) or is done.
 */
export interface Cue {
  from: string
  fromEdge: Edge
  atS: number
  say: string
  until: Edge
  /** Called again and again, so many times in all. */
  everyS?: number
  times?: number
  because: Reason
}

/** Holds of the trade first, then those that single kinds of visit ask for. */
export type HoldName =
  | 'shade'
  | 'numb'
  | 'reduction'
  | 'margins'
  | 'impression'
  | 'provisional'
  | 'cement'
  | 'bite'
  | 'counts'
  | 'home'
  | 'etched'
  | 'fit'
  | 'length'
  | 'post'
  | 'separator'
  | 'plan'
  | 'throat'
  | 'clean'
  | 'coat'

/** The plan stops here until the dentist signs with their own code. */
export interface Hold {
  id: string
  stepId: string
  title: string
  evidence: string
  /** No card can take it off. */
  mandatory: boolean
  from: 'plan' | 'card'
  because: Reason
  /** The steps that are done over when the answer is "not good". */
  again: string[]
}

/** What goes in and must come out. */
export interface Count {
  id: string
  what: string
  tooth?: Tooth
  /** How many the plan puts in. */
  planned: number
  inStep: string
  outStep: string
  /** How many of them are meant to stay. */
  stays?: number
}

export interface Performer {
  personId: string
  name: string
  permission: Permission
  because: Reason
}

export interface Step {
  id: string
  phase: Phase
  title: string
  detail?: string
  /** What the record says was done, after the person's name: 'gave a block with …'. */
  told?: string
  /** What the patient is told where this was done. */
  tell?: string
  /** Not before the tissue and tooth are numb. */
  hurts?: boolean
  /** Ids of the practice's amendments that made or changed it. */
  amended?: string[]
  tooth?: Tooth
  fn: FunctionName
  performer: Performer
  /** What each person of the visit may do of this step, by the table of functions when the plan was made. */
  allowed: Record<string, Permission>
  /** People who are bound with the performer: suction at cutting, the pass at the impression, the dentist who has to see it. */
  helpers: string[]
  place: Place
  spread: Spread
  /** Its length comes from so many of the practice's own runs: their mean, and that of the starting value, seconds. */
  learned?: { n: number; meanS: number; startS: number }
  /** What is handed over, in order. */
  passes: string[]
  needs: Need[]
  /** The teeth that come through the sheet. */
  holes?: Tooth[]
  cut?: Cut
  burId?: string
  holdId?: string
  countsIn: string[]
  countsOut: string[]
  cautions: Reason[]
  mistakes: string[]
  figures: Figure[]
  reason?: Reason
  /** What is called out while it is waited for or done, by the clock. */
  cues?: Cue[]
  /** Said where the step runs beside something that waits. */
  meanwhile?: string
}

export interface SetupLine {
  /** The item's id, or `lack:<need>` where nothing owned answers. */
  id: string
  name: string
  family: string
  readiness: Readiness
  when?: string
  quantity: number
  unit: string
  piecesMm?: number[]
  phase: Phase
  steps: string[]
  reusable: boolean
  latex: boolean
  lengthMm: number
  widthMm: number
  because?: Reason
  alternatives: { itemId: string; name: string; loss: string }[]
  lot?: LotChoice
  lack?: string
  /** Owned, but every one is forbidden by an alert. */
  forbidden?: boolean
  /** Alerts this item would set off. */
  allergens?: Allergen[]
  /** The cassette it comes in. */
  cassette?: string
  /** Equipment of which the practice owns one: it is in one chair at a time. */
  only?: true
}

/** One stay of a bur in the handpiece. */
export interface BurPass {
  order: number
  /** The bur as it was owned when the plan was made; absent where nothing owned fits. */
  bur?: Bur
  cuts: { stepId: string; surface: string; depthMm: number; because?: Reason; next?: BurChoice }[]
  passedOver: string[]
  lack?: string
}

/** `stop`: settle it before going on. `ask`: the dentist decides. `mind`: keep it in mind at the step. */
export interface Clash {
  id: string
  severity: 'stop' | 'ask' | 'mind'
  what: string
  why: string
  doThis: string
  standing: Standing
}

/** What this plan leaves out that another would have, and why. */
export interface Absence {
  what: string
  because: Reason
}

/** What the plan proposes to come next. */
export interface FollowUp {
  title: string
  kind?: KindId
  /** Working days after this visit. */
  afterWorkingDays: number
  because: Reason
}

/** How one of the practice's amendments fared on this plan. */
export interface AmendmentUse {
  id: string
  says: string
  by: string
  on: Amendment['on']
  why: string
  applied: boolean
  /** Why it no longer fits, where it was not applied. */
  misfit?: string
}

export interface Plan {
  library: string
  kind: VisitRequest['kind']
  title: string
  request: VisitRequest
  teeth: { tooth: Tooth; universal: string; quadrant: string; name: string; functional?: string }[]
  choices: ResolvedChoices
  people: { id: string; name: string; dentist: boolean }[]
  steps: Step[]
  links: Link[]
  setup: SetupLine[]
  burs: BurPass[]
  holds: Hold[]
  counts: Count[]
  clashes: Clash[]
  absent: Absence[]
  lacks: string[]
  followUps: FollowUp[]
  /** What was looked at to make it: facts of the request, and questions between schools. */
  asked: { facts: string[]; choices: ChoiceName[] }
  amendments: AmendmentUse[]
  /** The curing light's last reading when the plan was made; missing in plans frozen before it was kept. */
  light?: { irradianceMWPerCm2: number; readOn: string }
}
