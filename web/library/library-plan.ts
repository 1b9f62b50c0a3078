import { firstOf } from '../../core/sure'
import { compile } from '../../core/plan/compile'
import type { Plan } from '../../core/model/plan'
import type { Practice } from '../../core/practice/practice'
import { exampleRequest } from '../../core/library/kinds/example'
import type { KindId } from '../../core/kinds'

/** The kind compiled for a plain case, as this dentist's card would have it. */
export function planFor(kind: KindId, practice: Practice, dentistId: string): Plan {
  const assistant =
    practice.people.find((p) => p.roles.some((r) => r === 'assistant' || r === 'expanded assistant')) ??
    firstOf(practice.people)
  return compile(exampleRequest(kind, '2026-01-05', { dentist: dentistId, assistants: [assistant.id] }), practice)
}
