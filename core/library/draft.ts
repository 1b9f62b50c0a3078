/** A step as it is written before people, burs and order come to it. */
import type { Cut } from '../catalog/cut'
import type { Need } from '../catalog/match'
import type { Figure, Reason } from '../figure'
import type { Choreography } from '../model/lanes'
import type { Edge } from '../model/link'
import type { HoldName } from '../model/plan'
import type { Act, Ask, CordPiece, Cue, Numbed, Phase, Place, Shown } from '../model/step'
import type { Site } from '../measure/numbing'
import type { BiteStage } from './bite-stages'
import type { FunctionName } from '../practice/functions'
import type { Jaw, Tooth } from '../teeth/notation'
import type { Said } from './said'

/** A time tie from an earlier step to this one; a lag, or a window that says what to do when it is missed. */
export type Tie<T = string> = {
  /** Id of the step it starts from, or {@link self}. */
  from: string
  fromEdge?: Edge
  toEdge?: Edge
  title: string
  because: Reason
  warnS?: number
  /** A value the practice has set itself. */
  own?: true
} & (
  | { atLeastS: number; atMostS?: never; whenMissed?: never; again?: never }
  | {
      atLeastS?: number
      atMostS: number
      whenMissed: T
      /** Steps done over when the window is missed and not accepted; its two ends where nothing is said. */
      again?: string[]
    }
)

/** Stands for the step's own id in a tie: a clock that runs while the step does. */
export const self = '.'

export interface CountIn<T = string> {
  id: string
  what: T
  planned: number
  /** As many as lie on the tray, of this need: whatever asks for them. */
  asLaid?: string
  outStep: string
  /** How many of them are meant to stay: a crown that is cemented, stopping under a provisional. */
  stays?: number
  /** What stays comes out when the piece is delivered. */
  untilDelivery?: true
}

/** What a step may leave on the teeth. */
export type Film = 'separator' | 'resin' | 'cement' | 'sticky' | 'own'
export const filmWords: Record<Film, string> = {
  separator: 'separator',
  resin: 'unset provisional resin',
  cement: 'provisional cement',
  sticky: 'the sticky layer of fresh resin',
  own: 'what was put on them',
}

/**
 * A step as a phase writes it; people, burs and order come later. `T` is how its sentences are said: as they are written, or
 * with the things they name known ({@link Said}). Each field is marked in core/library/fields.ts.
 */
export interface Draft<T = string> {
  id: string
  phase: Phase
  title: T
  detail?: T
  /** What the record says was done, after the person's name; left out where the record need not tell it. */
  told?: T
  /** What the patient is told where this was done. */
  tell?: string
  tooth?: Tooth
  /** What it is, where something downstream has to know. */
  act?: Act
  /** What is read at it. */
  asks?: Ask[]
  fn: FunctionName
  place: Place
  /** Short, likely, long, in minutes as the trade speaks of them. */
  minutes: readonly [number, number, number]
  /** Takes a second pair of hands; what they do is said by its function, or here. */
  helped?: boolean
  helps?: T
  /** The arch whose shape is taken away from here: an impression or scan that a laboratory works to. */
  imprints?: Jaw
  /** The arch whose teeth or gum are given another shape. */
  reshapes?: Jaw
  /** What is injected: agent, volume, cartridges, where. */
  numbed?: Numbed
  /** What it hurts, where nothing is done about it: not before all of that is numb. */
  hurts?: readonly Site[]
  passes?: T[]
  needs?: Need[]
  /** The teeth that come through the sheet. */
  holes?: Tooth[]
  cut?: Cut
  cord?: CordPiece
  /** What a picture of it shows, where neither says it. */
  shows?: Shown
  /** What the laboratory is told with it; the delivery holds its piece against that. */
  tellsLab?: string[]
  /** Teeth whose dentine is sealed when it is done: the delivery treats them otherwise. */
  seals?: Tooth[]
  /** The stage at which the bite is checked here. */
  bite?: BiteStage
  /** What it leaves on the teeth; whether it takes off what others left; what of it wants them clean, in words. */
  leaves?: Film
  cleans?: true
  wantsClean?: string
  /** What of it does not set on the sticky layer of fresh resin, in words: silicone, bis-acryl. */
  wantsSet?: string
  hold?: {
    name: HoldName
    /** Where one visit has several of the name. */ key?: string
    title: T
    evidence: T
    because: Reason
    mandatory?: boolean
    fromCard?: boolean
    again?: string[]
    restsOn?: string[]
  }
  countsIn?: CountIn<T>[]
  countsOut?: string[]
  cautions?: (Omit<Reason, 'text'> & { text: T })[]
  mistakes?: T[]
  figures?: Figure[]
  reason?: Reason
  ties?: Tie<T>[]
  /** Called out by the clock; `from` left out is the step itself. */
  lanes?: Choreography<T>
  cues?: (Omit<Cue, 'from' | 'fromEdge' | 'until' | 'say'> &
    Partial<Pick<Cue, 'from' | 'fromEdge' | 'until'>> & { say: T })[]
}
/** A step with the things its sentences name. */
export type Drafted = Draft<Said>
