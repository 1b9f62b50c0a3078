import type { Family, Item } from '../item'

/** One line of the starter's lists: id, name, needs it serves, length and width in mm, and what differs from the usual. */
export type Row = readonly [
  id: string,
  name: string,
  serves: readonly string[],
  lengthMm: number,
  widthMm: number,
  more?: { readonly [K in keyof Item]?: Item[K] | (Item[K] extends (infer E)[] | undefined ? readonly E[] : never) },
]
export type Rows = Partial<Record<Family, readonly Row[]>>

/** Used once and thrown away. */
export const once = { reusable: false } as const
/** Comes in lots with an expiry. */
export const lotted = { reusable: false, tracked: true } as const
