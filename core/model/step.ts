/** A step of a visit: what is done, by whom, with what, and what it means to the rest of the program. */
import type { MarginPart } from '../measure/inspection'
import type { InnerSide } from '../measure/reduction'
import type { Cut } from '../catalog/cut'
import type { Need } from '../catalog/match'
import type { Figure, Reason } from '../figure'
import type { Dose } from '../measure/doses'
import type { Seats } from '../measure/seats'
import type { CordCoverage, CordLayer, CordSize } from '../measure/cord'
import type { FunctionName, Permission } from '../practice/functions'
import type { Jaw, Tooth } from '../teeth/notation'
import type { Restoration } from '../vocabulary'
import type { Lanes } from './lanes'
import type { Edge } from './link'

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
export const allPlaces = ['mouth', 'chair', 'bench', 'desk', 'room'] as const
export type Place = (typeof allPlaces)[number]

/** Three-point duration in seconds. `likelyS` is the mode, the commonest length; the mean of a skewed spread lies beyond it. */
export interface Spread {
  shortS: number
  likelyS: number
  longS: number
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

/** Acts that other rooms look for: what makes it numb, what is wet, what the record and the clashes ask after. */
export type Act =
  | 'numb'
  | 'sheet on'
  | 'sheet off'
  | 'scrub'
  | 'cord in'
  | 'cord drawn'
  | 'base cord out'
  | 'provisional cemented'
  | 'provisional off'
  | 'counts squared'
  | 'going home'

/** Readings that ask for nothing but their own fields. */
type PlainReading =
  | 'shade'
  | 'anaesthetic'
  | 'alginate'
  | 'sheet'
  | 'cord out'
  | 'convergence'
  | 'post space'
  | 'ferrule'
  | 'irrigant'
  | 'base'
  | 'light'
  | 'tint'

/** What is read at a step, of which teeth, and what it is held against. The phase says it; nobody guesses it from an id. */
export type Ask = { teeth: Tooth[] } & (
  | { reading: PlainReading }
  | { reading: 'reduction'; restoration: Restoration; inner?: InnerSide }
  | { reading: 'cord'; layer: CordLayer; along: CordCoverage | 'box'; /** What is laid out for it. */ size?: CordSize }
  | { reading: 'canal'; canal: string; /** As it was recorded before. */ lengthMm?: number }
  /** `bulk`: how many increments are planned; `band`: a band's height is picked by it. */
  | { reading: 'depth'; bulk?: number; band: boolean }
  /** `parts`: those of the margin that exist, where they are not all eight. */
  | { reading: 'inspection'; scan: boolean; parts?: MarginPart[] }
  | { reading: 'provisional'; parts?: MarginPart[] }
)
export type ReadingKind = Ask['reading']

/** What a visit’s injections are planned as. */
export interface Numbed {
  /** One for each agent. */
  doses: Dose[]
  /** Under which age and weight this practice doses as a child. */
  under: { years: number; kg: number }
  /** What is over a ceiling already as it is planned, in words. */
  over?: string
}

/** A piece of cord as it is placed: each knows why it is there. */
export interface CordPiece {
  layer: CordLayer
  size: CordSize
  mm: number
  agent: 'plain' | 'aluminium chloride' | 'ferric sulphate' | 'adrenaline'
  /** 'to guard the gum while it is cut', 'to show the margin' … */
  purpose: string
}

/** What a picture of the step shows on its tooth, where no cut and no cord says it; mm. */
export type Shown =
  /** Deepest first, the last is the cover; `now` is the one put in, -1 before any. */
  | { what: 'layers'; layersMm: number[]; now: number; boxes: ('mesial' | 'distal')[] }
  /** `canalMm` from where the canal opens to its end; `postMm` is the post's thickness. */
  | { what: 'post'; stage: 'space' | 'post' | 'core'; canalMm?: number; sealMm: number; postMm: number }
  | { what: 'jaws'; beyondMm: number }
  | { what: 'wing'; tooth: Tooth }
  /** The edge of a preformed crown under the gum: least and most. */
  | { what: 'shell'; edgeMm: readonly [number, number] }

export interface Performer {
  personId: string
  name: string
  permission: Permission
  because: Reason
}

export interface Step {
  id: string
  phase: Phase
  /** What it is, where something downstream has to know: an id is never read for it. */
  act?: Act
  title: string
  detail?: string
  /** What the record says was done, after the person's name: 'gave a block with …'. */
  told?: string
  /** What the patient is told where this was done. */
  tell?: string
  /** Not before the tissue and tooth are numb. */
  hurts?: boolean
  /** The stage at which the bite is checked here: core/library/generators/bite.ts says for what, when and with what. */
  bite?: string
  numbed?: Numbed
  imprints?: Jaw
  reshapes?: Jaw
  /** Ids of the practice's amendments that made or changed it. */
  amended?: string[]
  tooth?: Tooth
  fn: FunctionName
  performer: Performer
  /** What each person of the visit may do of this step, by the table of functions when the plan was made. */
  allowed: Record<string, Permission>
  /** People who are bound with the performer: suction at cutting, the pass at the impression, the dentist who has to see it. */
  helpers: string[]
  /** What the second pair of hands does, where there is one. */
  help?: string
  /** A second pair of hands is wanted, and nobody is there for it. */
  alone?: true
  place: Place
  spread: Spread
  /** Its length comes from so many of the practice's own runs: their mean, and that of the starting value, seconds. */
  learned?: { n: number; meanS: number; startS: number }
  /** What is handed over, in order. */
  passes: string[]
  /** What it uses first that no sentence of the plan names, by its name as it is laid out. */
  with: string[]
  needs: Need[]
  /** The teeth that come through the sheet. */
  holes?: Tooth[]
  cut?: Cut
  cord?: CordPiece
  burId?: string
  shows?: Shown
  /** What the laboratory is told with it. */
  tellsLab?: string[]
  /** Teeth whose dentine is sealed when it is done. */
  seals?: Tooth[]
  /** Who sits where while it is cut, and where the suction tip lies. */
  seats?: Seats
  holdId?: string
  /** What is read at it. */
  asks: Ask[]
  countsIn: string[]
  countsOut: string[]
  cautions: Reason[]
  mistakes: string[]
  figures: Figure[]
  reason?: Reason
  /** What is called out while it is waited for or done, by the clock. */
  cues?: Cue[]
  /** A choreography that ends with it: who does what from which second. */
  lanes?: Lanes
  /** Said where the step runs beside something that waits. */
  meanwhile?: string
}

/** Whether the patient is in the chair at it. */
export const withPatient = (step: Pick<Step, 'place'>): boolean => step.place !== 'desk' && step.place !== 'room'
