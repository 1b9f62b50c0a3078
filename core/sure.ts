/**
 * What has to be there. Where the types cannot see it (a look-up by an id that the plan itself wrote, the last of a list
 * that was just filled) it is checked, not asserted: a fault of this program says so where it happens, and nothing goes
 * on with a hole in it.
 */

/** A value that is never missing here. @throws Error where it is, after all */
export function sure<T>(value: T): NonNullable<T> {
  if (value === undefined || value === null) throw new Error('something that has to be there is missing')
  return value
}
/** The first of a list that has one. @throws Error on an empty one */
export const firstOf = <T>(list: ArrayLike<T>): NonNullable<T> => sure(list[0])
/** The last of a list that has one. @throws Error on an empty one */
export const lastOf = <T>(list: ArrayLike<T>): NonNullable<T> => sure(list[list.length - 1])
