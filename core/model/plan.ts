/** The Plan: what `compile` answers. Plain JSON, frozen into the visit when its setup is signed. */
import type { ShapeName } from '../catalog/shape-names'
import type { Bur } from '../catalog/bur'
import type { BurChoice } from '../catalog/cut'
import type { Allergen, LotChoice } from '../catalog/item'
import type { Readiness } from '../catalog/match'
import type { Reason, Standing } from '../figure'
import type { KindId } from '../kinds'
import type { Amendment } from '../practice/amendment'
import type { ChoiceName, ResolvedChoices } from '../practice/choices'
import type { OwnRules } from '../rules'
import type { Notation, Tooth } from '../teeth/notation'
import type { Link } from './link'
import type { VisitRequest } from './request'
import type { Phase, Step } from './step'

/** Holds of the trade first, then those that single kinds of visit ask for. */
export const holdNames = [
  'shade',
  'numb',
  'reduction',
  'margins',
  'impression',
  'provisional',
  'cement',
  'bite',
  'counts',
  'home',
  'etched',
  'fit',
  'length',
  'post',
  'separator',
  'plan',
  'throat',
  'clean',
  'coat',
  'dry',
] as const
export type HoldName = (typeof holdNames)[number]

/** The plan stops here until the dentist signs with their own code. */
export interface Hold {
  id: string
  name: HoldName
  stepId: string
  title: string
  evidence: string
  /** No card can take it off. */
  mandatory: boolean
  from: 'plan' | 'card'
  because: Reason
  /** Earlier steps whose readings it rests on as well. */
  restsOn?: string[]
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
  /** How many of them are meant to stay: a crown that is cemented, stopping under a provisional. */
  stays: number
  /** What stays comes out when the piece is delivered, and is counted there. */
  untilDelivery?: true
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
  /** Why so many, where each act or tooth takes its own. */
  counted?: string
  /** In which shades, tooth by tooth. */
  shade?: string
  phase: Phase
  steps: string[]
  /** The needs it answers. */
  needs: string[]
  reusable: boolean
  latex: boolean
  lengthMm: number
  widthMm: number
  /** What it is drawn as; missing in plans frozen before things were drawn. */
  shape?: ShapeName
  because?: Reason
  alternatives: { itemId: string; name: string; loss: string }[]
  lot?: LotChoice
  lack?: string
  /** Another than the practice reaches for first, for the reason said. */
  exchanged?: true
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
  /** `turn`: which hand-over of the visit it is, where the bur is taken up for it. */
  cuts: { stepId: string; surface: string; depthMm: number; because?: Reason; next?: BurChoice; turn?: number }[]
  passedOver: string[]
  lack?: string
}

/** `stop`: settle it before going on. `ask`: the dentist decides. `mind`: keep it in mind at the step. */
export interface Clash {
  id: string
  severity: 'stop' | 'ask' | 'mind'
  /** Who alone goes on over it; without, whoever signs the tray does what is to be done. */
  decides?: 'dentist'
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
  /** How the patient is told of it, where its kind does not say. */
  tell?: string
  /** Working days after this visit. */
  afterWorkingDays: number
  because: Reason
}

/** A thing or a bur that a step names and that is not laid out. */
export interface Unlaid {
  stepId: string
  words: string
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
  /** How its sentences write teeth: the practice's own way when it was made. */
  notation: Notation
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
  asked: {
    /** Of each piece of work, in the order of the request: its own first, then the further ones. */
    facts: string[][]
    choices: ChoiceName[]
  }
  /** What is named and not laid out: empty in a sound plan, missing where nobody looked. */
  unlaid?: Unlaid[]
  /** What is laid out and not used: empty in a sound plan. */
  unused: string[]
  amendments: AmendmentUse[]
  /** The practice's own values that it was made with, out of those it asked for. */
  rules: OwnRules
  /** The curing light's last reading when the plan was made; missing in plans frozen before it was kept. */
  light?: { irradianceMWPerCm2: number; readOn: string }
}
