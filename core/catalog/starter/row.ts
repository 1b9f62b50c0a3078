import type { Family, Item } from '../item'

/** One line of the starter's lists: id, name, needs it serves, length and width in mm, and what differs from the usual. */
export type Row = [id: string, name: string, serves: string[], lengthMm: number, widthMm: number, more?: Partial<Item>]
export type Rows = Partial<Record<Family, Row[]>>

/** Used once and thrown away. */
export const once = { reusable: false } as const
/** Comes in lots with an expiry. */
export const lotted = { reusable: false, tracked: true } as const
