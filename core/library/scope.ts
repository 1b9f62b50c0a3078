/** Where a template is laid out: the case, the tooth it is about, and what whoever asks for it knows besides. */
import type { Case, Unit } from './case'

/** Values by their names; in a sentence they stand as `$name`. */
export type Own = Readonly<Record<string, unknown>> & { readonly u?: Unit }

export interface Scope {
  c: Case
  own: Own
}
