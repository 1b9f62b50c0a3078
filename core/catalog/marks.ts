/** Marks of a product that a patient's alert looks at: what carries one is kept off the trays of patients with that alert. */
import type { Alert } from '../vocabulary'
import type { Item } from './item'

type Marked = Pick<Item, 'latex' | 'allergens'>

/**
 * The marks a product carries, each by the name of the alert that looks at it.
 * @example marksOf({ latex: true, allergens: ['nickel'] }) // ['latex', 'nickel']
 */
export const marksOf = ({ latex, allergens }: Marked): Alert[] => [...(latex ? (['latex'] as const) : []), ...allergens]

/**
 * What has changed between two descriptions of a product.
 * @example markChanges({ latex: true, allergens: [] }, { latex: false, allergens: [] }) // [{ mark: 'latex', on: false }]
 */
export function markChanges(before: Marked, after: Marked): { mark: Alert; on: boolean }[] {
  const [was, is] = [marksOf(before), marksOf(after)]
  return [
    ...is.filter((m) => !was.includes(m)).map((mark) => ({ mark, on: true })),
    ...was.filter((m) => !is.includes(m)).map((mark) => ({ mark, on: false })),
  ]
}
