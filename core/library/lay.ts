/** The steps of the library, laid out for a case. */
import type { RuleId } from '../rules'
import { lastingBy, atLeast, within, type Block } from './build'
import type { Case } from './case'
import type { Drafted } from './draft'
import { fields } from './fields'
import { made, prepared } from './prepare'
import type { Own, Scope } from './scope'
import { steps, type StepId } from './steps'

// What a template becomes its fields’ marks say.
// oxlint-disable-next-line typescript/no-unsafe-type-assertion, typescript/no-unnecessary-type-parameters
const own = <T>(value: unknown): T => value as T

type Written = Record<string, unknown> & {
  lasts?: RuleId
  least?: RuleId
  closes?: RuleId
  warns?: RuleId
  at?: RuleId
}
/** Ties and cues whose times are rows of the register. */
function timed(written: Written, c: Case): unknown {
  const { lasts, least, closes, warns, at, ...rest } = written
  if (lasts) return { ...lastingBy(c.rule(lasts), own(rest['title'])), ...rest }
  if (at) return { ...rest, atS: c.rule(at).value, because: c.rule(at).because }
  if (closes)
    return {
      ...within(c.rule(closes), warns && c.rule(warns)),
      ...(least ? { atLeastS: c.rule(least).value } : {}),
      ...rest,
    }
  return least ? { ...atLeast(c.rule(least)), ...rest } : rest
}

const ready = new Map<StepId, (scope: Scope) => Record<string, unknown>>()
function readied(id: StepId): (scope: Scope) => Record<string, unknown> {
  const before = ready.get(id)
  if (before) return before
  const part = prepared({ id: id.split(':', 1)[0], ...steps[id] }, fields)
  const of = (scope: Scope): Record<string, unknown> => own(made(part, scope))
  ready.set(id, of)
  return of
}

function laidOut(id: StepId, scope: Scope): Record<string, unknown> {
  try {
    return readied(id)(scope)
  } catch (error) {
    throw new Error(`step ${id} cannot be laid out`, { cause: error })
  }
}

/** What one kind says otherwise of a step: another template, with what that one asks for. */
export type Otherwise = Own & { as?: StepId }

/**
 * A step of the library for a case.
 * @param values what the generator knows besides: `$name` in the template.
 */
export function lay(c: Case, id: StepId, values: Own = {}): Block {
  const draft = laidOut(id, { c, own: values })
  const { ties, cues } = own<{ ties?: Written[]; cues?: Written[] }>(draft)
  return {
    draft: own<Drafted>({
      ...draft,
      ...(ties ? { ties: ties.map((t) => timed(t, c)) } : {}),
      ...(cues ? { cues: cues.map((t) => timed(t, c)) } : {}),
    }),
  }
}
