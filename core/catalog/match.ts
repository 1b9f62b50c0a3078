/** Matching: a step says what it needs, the practice's own items answer. */
import { sure } from '../sure'
import { reason, type Reason } from '../figure'
import type { Alert } from '../vocabulary'
import type { Item } from './item'

export type Readiness = 'open' | 'standby' | 'drawer'

/** What a step needs, never which: the practice's stock answers. */
export interface Need {
  /** Key into {@link Item.serves}. */
  what: string
  quantity: number
  readiness: Readiness
  /** What opens a standby item, in words. */
  when?: string
  because?: Reason
  /** Lengths of single pieces, mm, for cord. */
  piecesMm?: number[]
  /** Names the very piece where several steps speak of the same one: a tray that is painted, then loaded. */
  piece?: string
  /** What it is, where more has to be known of it than that it lies there: the clamp is drawn and said with the sheet. */
  is?: 'clamp'
  /** The need in a person's words, for when nothing owned fits. */
  words?: string
  /** Other needs that would do, in order, and what is lost by each. */
  orElse?: { what: string; loss: string }[]
}

/** An item that would do, and what is lost by it where it is not what was asked for first. */
interface Able {
  i: Item
  loss?: string
}

export interface Match {
  item?: Item
  because?: Reason
  alternatives: { itemId: string; name: string; loss: string }[]
  lack?: string
  /** What is owned would answer, but an alert forbids every one of them. */
  forbidden?: boolean
}

const shelves = new WeakMap<readonly Item[], Map<string, Item[]>>()

/** The items that serve a need, in the practice's order; a list is gone through once, however long it is. */
function serving(items: readonly Item[], what: string): readonly Item[] {
  let shelf = shelves.get(items)
  if (!shelf) {
    shelf = new Map()
    for (const i of items) for (const s of i.serves) shelf.set(s, [...(shelf.get(s) ?? []), i])
    shelves.set(items, shelf)
  }
  return shelf.get(what) ?? []
}

const named = new WeakMap<readonly Item[], Map<string, Item>>()

/** The practice's items by their ids; made once for a list. */
export function itemsById(items: readonly Item[]): ReadonlyMap<string, Item> {
  let byId = named.get(items)
  if (!byId) {
    byId = new Map(items.map((i) => [i.id, i]))
    named.set(items, byId)
  }
  return byId
}

const words = (need: Need): string => need.words ?? need.what.replaceAll('.', ', ')

const strange = (i: Item, alerts: readonly Alert[]): string | undefined => {
  if (i.latex && alerts.includes('latex')) return 'latex'
  return i.allergens.find((a) => (a === 'chlorhexidine' || a === 'iodine') && alerts.includes(a))
}

/** What is lost by taking this item instead of the best, in words. */
function lossOf(i: Item, best: Item, second: string | undefined): string {
  if (second) return second
  if (i.latex && !best.latex) return 'holds latex'
  if (i.stock < 1) return 'none in stock'
  if (best.workingS !== undefined && i.workingS !== undefined && i.workingS !== best.workingS)
    return `${i.workingS} s working time instead of ${best.workingS} s`
  if (best.reusable && !i.reusable) return 'thrown away after use'
  return 'second in the practice’s own order'
}

/**
 * The item of the practice that answers a need. What an alert forbids (latex, an antiseptic) is not offered; otherwise
 * what answers the need itself comes before what would do, in stock first, in the practice's own order; an exchange made
 * at the tray wins where it is safe. Nothing fits: the match says so, the need is not dropped.
 */
export function matchItem(
  need: Need,
  items: readonly Item[],
  alerts: readonly Alert[],
  swaps: Readonly<Record<string, string>> = {},
): Match {
  const direct = serving(items, need.what).map((i): Able => ({ i }))
  const able = need.orElse
    ? [
        ...direct,
        ...need.orElse.flatMap(({ what, loss }) =>
          serving(items, what)
            .filter((i) => !direct.some((d) => d.i === i))
            .map((i): Able => ({ i, loss })),
        ),
      ]
    : direct
  const safe = able.filter(({ i }) => strange(i, alerts) === undefined)
  const ranked =
    safe.length < 2
      ? safe
      : safe.toSorted(
          (a, b) =>
            Number(a.i.stock < 1) - Number(b.i.stock < 1) ||
            Number(a.loss !== undefined) - Number(b.loss !== undefined),
        )
  const first = ranked[0]
  const exchanged = first ? ranked.find(({ i }) => i.id === swaps[first.i.id]) : undefined
  const best = exchanged ?? first
  if (!best) {
    const forbidding = able.map(({ i }) => strange(i, alerts)).find((x) => x !== undefined)
    return forbidding !== undefined
      ? {
          alternatives: [],
          lack: `${words(need)}: every one owned holds ${forbidding} and the patient has a ${forbidding} alert`,
          forbidden: true,
        }
      : { alternatives: [], lack: `${words(need)}: nothing owned answers this need` }
  }
  const match: Match = {
    item: best.i,
    alternatives: ranked
      .filter((x) => x !== best)
      .map(({ i, loss }) => ({ itemId: i.id, name: i.name, loss: lossOf(i, best.i, loss) })),
  }
  const swapped = able.map(({ i }) => strange(i, alerts)).find((x) => x !== undefined)
  if (exchanged) match.because = reason(`laid out instead of ${sure(first).i.name}`, 'practice')
  else if (best.loss !== undefined)
    match.because = reason(`${words(need)} is not owned or not in stock; instead: ${best.loss}`, 'C')
  else if (swapped) match.because = reason(`${swapped} alert: the ${swapped}-free one is taken`, 'C')
  else if (need.because) match.because = need.because
  return match
}
