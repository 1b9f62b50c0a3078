/** Finding an item of the practice's list by a few letters. */
import { firstOf, sure } from '../sure'
import type { Item } from './item'

interface Entry {
  item: Item
  name: string
  all: string
}
const indexes = new WeakMap<readonly Item[], Entry[]>()

/** The letters as they are compared: small, without accents. */
const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')

function entriesOf(items: readonly Item[]): Entry[] {
  let entries = indexes.get(items)
  if (!entries) {
    entries = items.map((item) => ({
      item,
      name: plain(item.name),
      all: plain([item.name, item.family, ...item.serves, ...item.codes, item.id].join(' ')),
    }))
    indexes.set(items, entries)
  }
  return entries
}

/**
 * Items in which every word asked for stands, in name, family, what it serves for, or a code; those whose name begins
 * with the first word come first, then names that hold it, then the rest, each in the practice's own order.
 * @param most how many at most.
 * @example searchItems(practice.items, 'mirror').found[0].name // 'Mouth mirror'
 */
export function searchItems(items: readonly Item[], query: string, most = 60): { found: Item[]; total: number } {
  const words = plain(query).split(/\s+/).filter(Boolean)
  if (words.length === 0) return { found: items.slice(0, most), total: items.length }
  const ranks: Item[][] = [[], [], []]
  for (const entry of entriesOf(items)) {
    if (!words.every((w) => entry.all.includes(w))) continue
    sure(ranks[entry.name.startsWith(firstOf(words)) ? 0 : entry.name.includes(firstOf(words)) ? 1 : 2]).push(
      entry.item,
    )
  }
  const all = ranks.flat()
  return { found: all.slice(0, most), total: all.length }
}
