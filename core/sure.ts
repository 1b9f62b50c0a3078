/**
 * What has to be there. Where the types cannot see it (a look-up by an id that the plan itself wrote, the last of a list
 * that was just filled) it is checked, not asserted: a fault of this program says so where it happens, and nothing goes
 * on with a hole in it.
 */

function missing(): never {
  throw new Error('something that has to be there is missing')
}
/** A value that is never missing here: so short that it costs nothing in an inner loop. @throws Error where it is, after all */
export const sure = <T>(value: T): NonNullable<T> => value ?? missing()
/** The first of a list that has one. @throws Error on an empty one */
export const firstOf = <T>(list: ArrayLike<T>): NonNullable<T> => sure(list[0])
/** The last of a list that has one. @throws Error on an empty one */
export const lastOf = <T>(list: ArrayLike<T>): NonNullable<T> => sure(list[list.length - 1])

/**
 * The keys of a table written out in this program, in its order: one at least, and none that its type does not name.
 * @example keysOf({ mouth: 1, chair: 2 }) // ['mouth', 'chair']
 */
export const keysOf = <T extends object>(table: T) =>
  // What a table of ours holds is what its type says: no wider object is ever handed in as one.
  Object.keys(table) as [keyof T & string, ...(keyof T & string)[]]

/** What an error says, whatever was thrown. */
export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))
