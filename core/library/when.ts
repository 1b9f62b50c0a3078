/** Where something holds: facts compared, and nothing more. What has to be reckoned is a fact of its own, or a generator's. */
import { factCalled, type FactId } from './facts'
import type { Scope } from './scope'

/** A fact, or a value of whoever asks, by its name behind a `$`. */
export type Asking = FactId | `$${string}`
export type When =
  | Asking
  | readonly [Asking, 'is' | 'is not', string | number]
  | readonly [Asking, 'one of', readonly string[]]
  | readonly [Asking, 'at least' | 'under', number]
  | { readonly all: readonly When[] }
  | { readonly any: readonly When[] }
  | { readonly not: When }

/**
 * A fact by its name, or a value of whoever asks by its own.
 * @throws Error where neither is there: a fault of the library
 */
export function valueIn({ c, own }: Scope, name: string): unknown {
  if (name in own) {
    const value = own[name]
    return isLate(value) ? value() : value
  }
  const fact = factCalled(name)
  if (!fact) throw new Error(`${name} is asked where it is not known`)
  return fact.of(c, own)
}
/** What is reckoned only where it is asked for. */
const isLate = (value: unknown): value is () => unknown => typeof value === 'function'
const asked = (scope: Scope, asking: Asking): unknown => valueIn(scope, asking.replace(/^\$/, ''))

/** @example holds(['jaw', 'is', 'upper'], scope) */
export function holds(when: When, scope: Scope): boolean {
  if (typeof when === 'string') {
    const value = asked(scope, when)
    return Array.isArray(value) ? value.length > 0 : Boolean(value)
  }
  if ('all' in when) return when.all.every((w) => holds(w, scope))
  if ('any' in when) return when.any.some((w) => holds(w, scope))
  if ('not' in when) return !holds(when.not, scope)
  const [asking, how, than] = when
  const value = asked(scope, asking)
  switch (how) {
    case 'is':
      return value === than
    case 'is not':
      return value !== than
    case 'one of':
      return typeof value === 'string' && than.includes(value)
    case 'at least':
      return typeof value === 'number' && value >= than
    case 'under':
      return typeof value === 'number' && value < than
  }
}
