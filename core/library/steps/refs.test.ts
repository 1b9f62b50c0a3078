/**
 * A tie to a step that is not there does not compile: every step named in the library, from ties, counts and what is done
 * over, has to be one of it.
 */
import { readdirSync, readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import type { CutId } from '../cuts'
import { open } from '../needs'
import { steps, type StepId } from '.'

type Named = 'from' | 'again' | 'outStep' | 'restsOn'
/** Every text of a value; what a choice asks is none. */
type Texts<T> = T extends string
  ? T
  : T extends readonly (infer E)[]
    ? Texts<E>
    : T extends { readonly use: infer U }
      ? Texts<U> | (T extends { readonly else: infer E } ? Texts<E> : never)
      : never
/** The steps that a tie, a count or a hold names, also behind a choice. */
type Refs<T> = T extends readonly (infer E)[]
  ? Refs<E>
  : T extends { readonly use: infer U }
    ? Refs<U> | (T extends { readonly else: infer E } ? Refs<E> : never)
    : T extends object
      ? { [K in keyof T & Named]: Texts<T[K]> }[keyof T & Named]
      : never
type Within = 'ties' | 'countsIn' | 'hold' | 'cues' | 'lanes'
type RefsOfStep<T> = T extends object ? { [K in keyof T & Within]: Refs<T[K]> }[keyof T & Within] : never
/** The id of a step, without whose saying of it it is. */
type Id<K extends string> = K extends `${infer Before}:${string}` ? Before : K
type Act<K extends string> = Id<K> extends `${string}.${infer A}` ? A : never

/** The places of a bonding: its acts are called after them. */
type Stem = 'delivery' | 'delivery.$tooth' | 'filling.$tooth' | 'inlay' | 'core' | 'post' | 'coat'
type AtSpot<K extends string> = K extends `$stem.${infer A}:${string}`
  ? `${Stem}.${A}`
  : K extends `$stem.${infer A}`
    ? `${Stem}.${A}`
    : never

type Known = Id<StepId> | AtSpot<StepId> | `cutting.${Act<CutId>}.$tooth` | '.' | `$${string}`
/** The steps that are named and nowhere, of these templates; nothing where all are there. */
type Lost<T> = Exclude<RefsOfStep<T>, Known>
type Holds<L> = [L] extends [never] ? true : { lost: L }
true satisfies Holds<Lost<(typeof steps)[StepId]>>
// And one that leads nowhere is seen, behind a choice as well.
// @ts-expect-error no step is called so
true satisfies Holds<
  Lost<{ readonly ties: { readonly if: 'asleep'; readonly use: readonly [{ readonly from: 'closing.rinze' }] } }>
>

// @ts-expect-error nothing is called so: what is asked for is something the starter’s things serve
open('cotton pelet')

it('no two files of the library say the same step', () => {
  const all = readdirSync('core/library/steps')
    .filter((f) => !/^(index|.*\.test)\.ts$/.test(f))
    .flatMap((f) =>
      [...readFileSync(`core/library/steps/${f}`, 'utf8').matchAll(/^ {2}'([^'\n]+)': /gm)].map(([, key]) => key),
    )
  expect(all.filter((k, i) => all.indexOf(k) !== i)).toEqual([])
  expect(Object.keys(steps).filter((k) => k.includes('.') && !all.includes(k))).toEqual([])
})
