/** What a step asks to be cut, never with which bur. */
import type { Bur, BurShape } from './bur'

export type CutForm =
  | 'outline'
  | 'access'
  | 'caries'
  | 'fissure'
  | 'slice'
  | 'ledge'
  | 'draw'
  | 'retention'
  | 'enamel bevel'
  | 'post space'
  | 'post cut'
  | 'pit'
  | 'undercut'
  | 'split'
  | 'orifice'
  | 'facial reduction'
  | 'groove'
  | 'incisal'
  | 'occlusal'
  | 'bevel'
  | 'axial'
  | 'contact'
  | 'lingual concavity'
  | 'chamfer'
  | 'shoulder'
  | 'rounded shoulder'
  | 'finish'
  | 'edge'
  | 'seating groove'

/** The form a margin is left in. */
export type Ledge = Extract<CutForm, 'chamfer' | 'shoulder' | 'rounded shoulder'>

export interface Cut {
  /** Stable id, the step's own. */
  id: string
  form: CutForm
  /** How deep the cut is meant to go, mm. */
  depthMm: number
  surface: string
  /** For a finish: the shape whose line is refined. */
  after?: Ledge
  /** The shape the kind of visit names; another serves where it is not owned. */
  prefer?: BurShape
  /** The stuff the kind of visit names, as far as it is owned. */
  stuff?: Bur['material']
  /** Where the edge of a filling or of a cemented piece lies that is finished. */
  part?: EdgePart
  /** Where the margin lies to the gum when it is done, where that is another place than the case says. */
  margin?: 'supragingival' | 'equigingival' | 'subgingival'
  /** For a finish: the bur that cut the margin, whose twin in fine it is to be. */
  twinOf?: Pick<Bur, 'shape' | 'diameterMm'>
  /** Nothing wider goes there where anything narrower fits, mm: a lower incisor, a primary tooth. */
  widestMm?: number
}

/** Top: fossae and slopes; inner: the concave side of a front tooth; side and neck: beside the neighbour, at the gum. */
export type EdgePart = 'top' | 'inner' | 'side' | 'neck'
