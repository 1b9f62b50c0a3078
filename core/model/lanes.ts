/** Short choreographies: what several hands do within seconds of each other, by person. */
import type { Reason } from '../figure'
import type { FunctionName } from '../practice/functions'
import type { Edge } from './link'

/** One pair of hands for a while; `T` is how it is said: a sentence, or one with its things marked. */
export interface LaneAct<T = string> {
  id: string
  /** Said to whoever does it: short, an order. */
  say: T
  takesS: number
  by: 'dentist' | 'assistant' | 'either'
  /** What it is: the table of functions says which assistant may do it. */
  fn: FunctionName
  /** Acts that are over before it begins. */
  after?: readonly string[]
  /** An act that begins with it, by other hands. */
  with?: string
  /** Not before so many seconds after the choreography began. */
  notBeforeS?: number
}

/** As a phase writes it: acts in the order they are called. */
export interface Choreography<T = string> {
  title: string
  /** The step whose edge starts it; left out, the one it stands on. */
  from?: string
  fromEdge?: Edge
  acts: readonly LaneAct<T>[]
  /** Everything is done within so many seconds of its beginning. */
  withinS?: number
  /** Done again and again, so many times in all. */
  everyS?: number
  times?: number
  because: Reason
  /** What helps where the hands do not suffice. */
  waysOut: string
}

export interface LaneRow {
  personId: string
  name: string
  acts: { id: string; say: string; fromS: number; toS: number }[]
}

/** As the people of the visit do it. */
export interface Lanes {
  title: string
  from: string
  fromEdge: Edge
  rows: LaneRow[]
  endS: number
  withinS?: number
  everyS?: number
  times?: number
  because: Reason
  /** Why it cannot be done by these people, in words, and the ways out. */
  short?: { why: string; waysOut: string }
}
