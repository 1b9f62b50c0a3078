/** What a question on which practitioners disagree looks like: its schools, its default and why. */
import type { KindId } from '../kinds'
import type { Tooth } from '../teeth/notation'

/** What a default may depend on. */
export interface ChoiceFacts {
  kind: KindId
  teeth: readonly Tooth[]
  pontics: readonly Tooth[]
  missing: readonly Tooth[]
  margin: 'supragingival' | 'equigingival' | 'subgingival'
  tissue: { weeping: boolean }
  inEnamel: boolean
  lesion: 'cavitated' | 'non-cavitated'
  managesFilling: boolean
  vital: boolean
}
export interface Standard {
  value: string
  why: string
}

export interface Asked {
  title: string
  schools: readonly (readonly [value: string, label: string, note: string])[]
  standard: Standard | ((f: ChoiceFacts, said: Said) => Standard)
}
/** What was answered by a card, the case or the visit: a default goes with it. */
export type Said = Readonly<Record<string, string | undefined>>
/** A question as it stands in the table, its schools kept as they are written. */
export const ask = <const V extends readonly (readonly [string, string, string])[]>(
  title: string,
  schools: V,
  standard: Asked['standard'],
) => ({ title, schools, standard })
