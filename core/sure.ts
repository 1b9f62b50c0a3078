/**
 * What has to be there. Where the types cannot see it (a look-up by an id that the plan itself wrote, the last of a list
 * that was just filled) it is checked, not asserted: a fault of this program says so where it happens, and nothing goes
 * on with a hole in it.
 */

function missing(): never {
  throw new Error('something that has to be there is missing')
}
/**
 * A value that is never missing here: so short that it costs nothing in an inner loop. @throws Error where it is, after all
 * @example sure(0) // 0
 */
export const sure = <T>(value: T): NonNullable<T> => value ?? missing()
/**
 * The first of a list that has one. @throws Error on an empty one
 * @example firstOf(['a', 'b']) // 'a'
 */
export const firstOf = <T>(list: ArrayLike<T>): NonNullable<T> => sure(list[0])
/**
 * The last of a list that has one. @throws Error on an empty one
 * @example lastOf(['a', 'b']) // 'b'
 */
export const lastOf = <T>(list: ArrayLike<T>): NonNullable<T> => sure(list[list.length - 1])

/**
 * The keys of a table written out in this program, in its order: one at least, and none that its type does not name.
 * @example keysOf({ mouth: 1, chair: 2 }) // ['mouth', 'chair']
 */
export function keysOf<T extends object>(table: T): [keyof T & string, ...(keyof T & string)[]] {
  // What a table of ours holds is what its type says: no wider object is ever handed in as one.
  const [first, ...rest] = Object.keys(table).filter((key): key is keyof T & string => Object.hasOwn(table, key))
  return [sure(first), ...rest]
}

/**
 * The rows of a table with their keys, in its order; it may be empty, and a key may be left out of it.
 * @example entriesOf({ mouth: 1, chair: 2 }) // [['mouth', 1], ['chair', 2]]
 */
export const entriesOf = <T extends object>(table: T): [keyof T & string, NonNullable<T[keyof T]>][] =>
  Object.keys(table)
    .filter((key): key is keyof T & string => Object.hasOwn(table, key))
    .flatMap((key) => (table[key] === undefined ? [] : [[key, sure(table[key])]]))

/**
 * A table over these keys, each value made from its key.
 * @example tableOf(['mouth', 'chair'], (place) => place.length) // { mouth: 5, chair: 5 }
 */
export function tableOf<K extends string, V>(keys: readonly K[], make: (key: K) => V): Record<K, V> {
  const made: Record<string, V> = {}
  for (const key of keys) made[key] = make(key)
  return made
}

/**
 * The one of these that a text names; nothing where it names none.
 * @example among(['mouth', 'chair'], 'chair') // 'chair'
 */
export const among = <T extends string>(these: readonly T[], text: string | null | undefined): T | undefined =>
  these.find((one) => one === text)

/**
 * The code of an error that has one ('ENOENT'), whatever was thrown.
 * @example codeOf('gone') // undefined
 */
export const codeOf = (error: unknown): string | undefined =>
  error instanceof Error && 'code' in error && typeof error.code === 'string' ? error.code : undefined

/**
 * What an error says, whatever was thrown.
 * @example messageOf('gone') // 'gone'
 */
export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))
