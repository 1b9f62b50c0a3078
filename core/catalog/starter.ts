/**
 * Generic items and burs a practice starts from: trade terms only, sizes for the tray drawing, product times as starting
 * values. Every practice replaces them from its own cupboard and its own instructions for use. Standing: estimate.
 */
import { families, item, type Item } from './item'
import { instruments } from './starter/instruments'
import { materials } from './starter/materials'
import type { Rows } from './starter/row'

export { starterBurs } from './starter/burs'

const rows: Readonly<Record<'instruments' | 'materials', Rows>> = { instruments, materials }

/** The starter items, parsed through the schema, family by family. */
export const starterItems: Item[] = families.flatMap((family) =>
  [...(rows.instruments[family] ?? []), ...(rows.materials[family] ?? [])].map(
    ([id, name, serves, lengthMm, widthMm, more]) =>
      item.parse({ id, name, family, serves, lengthMm, widthMm, reusable: true, ...more }),
  ),
)
