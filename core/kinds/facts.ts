/** The kinds of visit as a table: what each is called, whom it is for, what it may be asked for. No rules of the day here. */
import type { Framework, Restoration } from '../vocabulary'

export const groups = [
  'Crowns and bridges',
  'Bonded bridges',
  'Veneers',
  'Onlays and inlays',
  'Direct fillings',
  'Roots and cores',
  'Children',
  'Between and after',
] as const
export type Group = (typeof groups)[number]

/** What a kind is, for whoever has to know more than its name. */
export type Family = 'crown' | 'bonded bridge' | 'veneer' | 'inlay' | 'filling' | 'root' | 'child' | 'recall'

export interface KindFacts {
  /** Number in the coverage table; '–' for kinds that only complete a chain. */
  j: string
  title: string
  group: Group
  family: Family
  /** Its file in core/library/kinds. */
  file: string
  /** What it is, in one sentence. */
  says: string
  dentition: 'permanent' | 'primary'
  /** Most teeth in one visit. */
  most: number
  /** Restorations offered; the first is meant where none is said. */
  restorations: readonly Restoration[]
  /** What may carry the piece, where it matters; the first is meant where none is said. */
  frameworks?: readonly Framework[]
  /** The tooth is cut for a piece that is delivered another day. */
  prepares?: true
  /** The tooth is built up: a core, which a crown may follow on the same day. */
  builds?: true
  /** A post goes into the canal. */
  post?: true
  /** The piece is scanned, designed and milled in the house. */
  inHouse?: true
  /** Its margin lies where it stays damp, by the tongue. */
  dampMargin?: true
  /** So many units that the gum is opened and taken at once, the provisional after it. */
  impressionAtOnce?: true
  /** The bite has to be seen over the whole arch. */
  wholeArch?: true
  /** What fails where the joint gets damp, in words: it wants the sheet. */
  wantsSheet?: string
  /** Called by what is made, where words are few. */
  byPiece?: true
  /** The piece is bonded with resin. */
  bonds?: true
  /** Positions from the midline it is for, where not every tooth will do. */
  positions?: readonly [first: number, last: number]
  jaw?: 'upper' | 'lower'
  /** Replaces teeth: a request may name pontics; `needed` where it has to. */
  pontics?: 'may' | 'needed'
  /** With a pontic it is one bridge, and its title says of how many units. */
  spans?: true
  /** A tooth that was prepared before lies bare: a living one feels air, water and cement. */
  bares?: true
  /** A box beside a neighbour takes a sectional band, a wedge and a ring. */
  rings?: true
  /** Acid goes over enamel and dentine alike, where nobody says otherwise. */
  etchesAll?: true
  /** A laboratory piece has to be on hand. */
  delivers?: string
  /** Something goes to the laboratory. */
  lab?: boolean
}

export const kind = (k: KindFacts): KindFacts => k

/** What a crown may be made of; the first is meant where none is said. */
export const crowns = [
  'monolithic zirconia crown',
  'lithium disilicate crown',
  'metal-ceramic crown',
  'full metal crown',
] as const
