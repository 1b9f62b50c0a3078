/**
 * A visit’s work as data: steps of the library in the order of the day, generators by their names, and which of them by the
 * facts. Nothing is reckoned here.
 */
import { firstOf, lastOf } from '../sure'
import { parts } from '../teeth/notation'
import type { Standing } from '../figure'
import { reason } from '../figure'
import { absent, nothing, sequence, type Block } from './build'
import type { Case, Unit } from './case'
import type { CutId } from './cuts'
import type { CutParts } from './cuts/cut'
import { generators, type GeneratorName } from './generators'
import { cutSteps, type Minutes } from './generators/cutting'
import { goldWork } from './gold-work'
import { lay } from './lay'
import { say } from './markup'
import { plain } from './said'
import { made, prepared, type Prepared } from './prepare'
import type { Own, Scope } from './scope'
import { steps, type StepId } from './steps'
import type { Bound, Choice, Pick } from './template'
import { holds, type When } from './when'

/** What a generator asks for; `never` where it asks for nothing. */
type AskedBy<G extends GeneratorName> =
  Parameters<(typeof generators)[G]> extends readonly [Case, infer Asked, ...unknown[]] ? Asked : never
/** A value a step or a generator is given: as it is, by the facts, or the work that goes there. */
type Given<T> = [NonNullable<T>] extends [Block] ? Parts : T | Bound | Choice<NonNullable<T>> | Pick<NonNullable<T>>
/** A generator by its name, with what it asks for. */
type UseOf<G extends GeneratorName, Asked> = [Asked] extends [never]
  ? readonly [G]
  : object extends Asked
    ? readonly [G] | readonly [G, { readonly [P in keyof Asked]: Given<Asked[P]> }]
    : readonly [G, { readonly [P in keyof Asked]: Given<Asked[P]> }]
type Use = { [G in GeneratorName]: UseOf<G, AskedBy<G>> }[GeneratorName]

/** The middle two first, then outward, in the order they are named: the midline decides the rest. */
const fromTheMiddle = (units: readonly Unit[]): Unit[] =>
  units.toSorted((a, b) => parts(a.tooth).position - parts(b.tooth).position)

/** Which teeth one after the other. */
const rounds = {
  tooth: (c) => c.units,
  'first tooth': (c) => [firstOf(c.units)],
  'last tooth': (c) => [lastOf(c.units)],
  'tooth from the middle': (c) => fromTheMiddle(c.units),
  'tooth for foil': (c) => goldWork(c).foil,
} as const satisfies Record<string, (c: Case) => readonly Unit[]>

export type Part =
  | StepId
  | readonly [StepId, Readonly<Record<string, unknown>>]
  | Use
  /** Cuts, tooth by tooth and act by act; the minutes are those of one tooth, shared out. */
  | { readonly cut: CutParts<CutId>; readonly minutes?: Minutes; readonly with?: Readonly<Record<string, unknown>> }
  | { readonly if: When; readonly do: Parts; readonly else?: Parts }
  | { readonly each: keyof typeof rounds; readonly do: Parts }
  /** Not done here, and why. */
  | { readonly absent: string; readonly because: string; readonly standing?: Standing }
export type Parts = readonly Part[]

function givenAs(name: string, value: unknown): Prepared {
  // The one name under which a generator is given work: its type says so.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  if (name === 'before') return { of: (scope) => blockOf(value as Parts, scope) }
  // The id of a step is meant as it is written.
  return typeof value === 'string' && Object.hasOwn(steps, value) ? { is: value } : prepared(value, 'plain')
}
const isGenerator = (name: string): name is GeneratorName => Object.hasOwn(generators, name)

const ready = new WeakMap<object, readonly (readonly [name: string, value: Prepared])[]>()
/** What a part gives by name, its values made ready once. */
function valuesOf(given: Readonly<Record<string, unknown>>, scope: Scope): Record<string, unknown> {
  let values = ready.get(given)
  if (!values) {
    values = Object.entries(given).map(([name, value]) => [name, givenAs(name, value)])
    ready.set(given, values)
  }
  return Object.fromEntries(values.map(([name, value]) => [name, made(value, scope)]))
}

// What a generator is given its own type says, where the part is written.
// oxlint-disable-next-line typescript/no-unsafe-type-assertion
const called = (name: GeneratorName) => generators[name] as (c: Case, given: object, own: Own) => Block

function partOf(part: Part, scope: Scope): Block {
  const { c, own } = scope
  if (typeof part === 'string') return lay(c, part, own)
  if ('cut' in part)
    return cutSteps(c, part.cut, part.minutes, (u) => valuesOf(part.with ?? {}, { c, own: { ...own, u } }))
  if ('if' in part) return holds(part.if, scope) ? blockOf(part.do, scope) : blockOf(part.else ?? [], scope)
  if ('each' in part) return sequence(...rounds[part.each](c).map((u) => blockOf(part.do, { c, own: { ...own, u } })))
  if ('absent' in part)
    return absent(plain(say(part.absent, scope)), reason(plain(say(part.because, scope)), part.standing ?? 'C'))
  const [name, given] = part
  const values = given ? valuesOf(given, scope) : {}
  return isGenerator(name) ? called(name)(c, values, own) : lay(c, name, { ...own, ...values })
}

/** The work of a case. @throws Error where it names what is not there: a fault of the library */
export const blockOf = (parts: Parts, scope: Scope): Block =>
  parts.length === 0 ? nothing : sequence(...parts.map((part) => partOf(part, scope)))
