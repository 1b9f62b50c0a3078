/**
 * How a step stands in the library: the fields of a {@link Draft}, and in the place of any of them a choice by facts, a value
 * of whoever asks (`$name`), or a row of the register. Plain data: what reckons is a generator.
 */
import type { Reason } from '../figure'
import type { RuleId } from '../rules'
import type { Draft } from './draft'
import type { When } from './when'

/** A value of whoever asks for the step, by its name. */
export type Bound = `$${string}`
/** One or the other, by the facts; left out where there is no other. */
export interface Choice<T> {
  readonly if: When
  readonly use?: Laid<T>
  readonly else?: Laid<T>
}
/** The first that holds; the last may be said without a condition. */
export interface Pick<T> {
  readonly pick: readonly (readonly [When, Laid<T>] | readonly [Laid<T>])[]
}
/** The reason of a row of the register, or its amount. */
interface Row {
  readonly row: RuleId | Bound
}
/** A sentence made of several rows; where one of them is the practice's own, it says so. */
interface InWords {
  readonly rows: readonly RuleId[]
  readonly text: string
}
interface Amount {
  readonly amount: RuleId | Bound
}

/** A sentence in parts, some of them by the facts. */
interface Sentence {
  readonly say: readonly (string | Choice<string>)[]
}

export type Laid<T> =
  | Bound
  | Choice<T>
  | Pick<T>
  | Plain<T>
  | (T extends number ? Amount : T extends Reason ? Row | InWords : T extends string ? Sentence : never)
/** A list, each of it by the facts, or several for one place. */
export type LaidList<E> = readonly (Laid<E> | Choice<readonly E[]>)[]
type Plain<T> = T extends string | number | boolean
  ? T
  : T extends readonly (infer E)[]
    ? LaidList<E>
    : T extends object
      ? { readonly [K in keyof T]: Laid<NonNullable<T[K]>> | Exclude<T[K], NonNullable<T[K]>> }
      : T

/** A tie as it is written: its times by their rows, or reckoned. */
interface TieLaid {
  from?: string
  fromEdge?: 'start' | 'finish'
  toEdge?: 'start' | 'finish'
  title?: string
  /** A clock inside the step: no shorter than this row. */
  lasts?: RuleId | Bound
  least?: RuleId | Bound
  closes?: RuleId | Bound
  warns?: RuleId | Bound
  atLeastS?: number
  atMostS?: number
  warnS?: number
  because?: Reason
  whenMissed?: string
  again?: string[]
}
export interface CueLaid {
  say: string
  /** A row: when, and why. */
  at?: RuleId | Bound
  atS?: number
  from?: string
  fromEdge?: 'start' | 'finish'
  because?: Reason
}

type Whole = Omit<Draft, 'id' | 'ties' | 'cues'>
type Needed = 'phase' | 'title' | 'fn' | 'place' | 'minutes'
/** A step of the library. What is left out here comes from whoever asks. */
export type Template = {
  readonly [K in Needed]: Laid<Whole[K]>
} & {
  readonly [K in Exclude<keyof Whole, Needed>]?: Laid<NonNullable<Whole[K]>>
} & {
  readonly ties?: Laid<TieLaid[]>
  readonly cues?: Laid<CueLaid[]>
  /** Where the key does not say it. */
  readonly id?: Bound
}
