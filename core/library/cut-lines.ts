/** The cuts of a tooth, from their templates: what is cut, in the order of the day. */
import type { BurShape } from '../catalog/bur'
import type { Cut, CutForm, EdgePart, Ledge } from '../catalog/cut'
import type { Reason } from '../figure'
import type { Case, Unit } from './case'
import { cuts, type CutId } from './cuts'
import type { CutParts } from './cuts/cut'
import type { Drafted } from './draft'
import { fields, type Tree } from './fields'
import { made, prepared } from './prepare'
import type { Said } from './said'
import type { Own, Scope } from './scope'
import { holds } from './when'

/** A cut as it is said of one tooth. */
export interface CutLine {
  act: string
  title: Said
  form: CutForm | 'by hand'
  depthMm: number
  surface: string
  share: number
  after?: Ledge
  prefer?: BurShape
  stuff?: Cut['stuff']
  part?: EdgePart
  margin?: Cut['margin']
  detail?: Said
  because?: Reason
  told?: Said
  mistakes?: Said[]
  passes?: Said[]
  enamel?: boolean
  pulp?: boolean
  needs?: Drafted['needs']
  cautions?: Drafted['cautions']
  cues?: Drafted['cues']
}

/** Its sentences are marked as a step’s are. */
const marks: Tree = {
  title: fields.title,
  detail: fields.detail,
  told: fields.told,
  mistakes: fields.mistakes,
  passes: fields.passes,
  cautions: fields.cautions,
  cues: fields.cues,
}
const ready = new Map<CutId, (scope: Scope) => CutLine>()
function readied(id: CutId): (scope: Scope) => CutLine {
  const before = ready.get(id)
  if (before) return before
  const [key = id] = id.split(':', 1)
  const part = prepared({ act: key.slice(key.indexOf('.') + 1), ...cuts[id] }, marks)
  // A template is checked where it is written.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  const of = (scope: Scope): CutLine => made(part, scope) as CutLine
  ready.set(id, of)
  return of
}

/** The cuts of one tooth. */
export function cutLines(c: Case, u: Unit, parts: CutParts<CutId>, own: Own = {}): CutLine[] {
  const scope: Scope = { c, own: { ...own, u } }
  return parts.flatMap((part) =>
    typeof part === 'string'
      ? [readied(part)(scope)]
      : cutLines(c, u, holds(part.if, scope) ? part.use : (part.else ?? []), own),
  )
}
