/** How a cut stands in the library: what is cut, how deep, and its share of the preparation’s time. */
import type { BurShape } from '../../catalog/bur'
import type { Cut, CutForm, EdgePart, Ledge } from '../../catalog/cut'
import type { Reason } from '../../figure'
import type { Draft } from '../draft'
import type { CueLaid, Laid } from '../template'
import type { When } from '../when'

/** What is written among the passes where the bur is handed at another place than first. */
export const theBur = 'bur'

interface Whole {
  title: string
  /** `by hand`: no bur is asked for. */
  form: CutForm | 'by hand'
  depthMm: number
  surface: string
  /** Share of the preparation’s time. */
  share: number
  after?: Ledge
  prefer?: BurShape
  stuff?: NonNullable<Cut['stuff']>
  part?: EdgePart
  margin?: NonNullable<Cut['margin']>
  detail?: string
  because?: Reason
  told?: string
  mistakes?: string[]
  passes?: string[]
  /** Stays in enamel where the whole preparation does: it does not hurt then. */
  enamel?: boolean
  /** Goes into the pulp. */
  pulp?: boolean
  /** Instruments it needs beside the bur. */
  needs?: NonNullable<Draft['needs']>
  cautions?: Reason[]
  /** Called out by the clock while it is cut. */
  cues?: CueLaid[]
}
/** A cut by its key: whose it is, a point, its act; what one work says otherwise of it stands behind a colon. */
export type CutTemplate = { readonly [K in keyof Whole]: Laid<NonNullable<Whole[K]>> }

/** A list of cuts in the order of the day, some of them by the facts of the tooth. */
export type CutParts<Id extends string = string> = readonly (
  | Id
  | { readonly if: When; readonly use: CutParts<Id>; readonly else?: CutParts<Id> }
)[]
