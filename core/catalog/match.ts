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
  /** Names the very piece where several steps speak of the same one: a tray that is painted, then loaded. 'one a tooth': those of a tooth share it. */
  piece?: string
  /** What it is, where more has to be known of it than that it lies there: the clamp is drawn and said with the sheet. */
  is?: 'clamp'
  /** The need in a person's words, for when nothing owned fits. */
  words?: string
  /** In which shade, for which tooth, in words. */
  shade?: string
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
  /** Another than the practice reaches for first: by hand, by an alert, or because it is the safe one. */
  exchanged?: true
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

/** Why an item is better left in the drawer today, where it is. */
export type Shun = (i: Item) => string | undefined
const nothingShunned: Shun = () => undefined

/** In stock first, then what goes with the day, then what answers the need itself; otherwise in the practice’s own order. */
const ranked = (able: readonly Able[], shun: Shun): readonly Able[] =>
  able.length < 2
    ? able
    : able.toSorted(
        (a, b) =>
          Number(a.i.stock < 1) - Number(b.i.stock < 1) ||
          Number(shun(a.i) !== undefined) - Number(shun(b.i) !== undefined) ||
          Number(a.loss !== undefined) - Number(b.loss !== undefined),
      )

/** What is lost by taking this item instead of the best, in words. */
function lossOf(i: Item, best: Item, second: string | undefined, shun: Shun): string {
  if (second) return second
  const wrong = shun(i)
  if (wrong !== undefined) return wrong
  if (i.latex && !best.latex) return 'holds latex'
  if (i.stock < 1) return 'none in stock'
  if (best.workingS !== undefined && i.workingS !== undefined && i.workingS !== best.workingS)
    return `${i.workingS} s working time instead of ${best.workingS} s`
  if (best.reusable && !i.reusable) return 'thrown away after use'
  return 'second in the practice’s own order'
}

/**
 * The item of the practice that answers a need. What an alert forbids (latex, an antiseptic) is not offered; otherwise
 * what is in stock comes first, then what goes with the day, then what answers the need itself; an exchange made
 * at the tray wins where it is safe. Nothing fits: the match says so, the need is not dropped.
 */
export function matchItem(
  need: Need,
  items: readonly Item[],
  alerts: readonly Alert[],
  swaps: Readonly<Record<string, string>> = {},
  shun: Shun = nothingShunned,
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
  const inOrder = ranked(safe, shun)
  const first = inOrder[0]
  const exchanged = first ? inOrder.find(({ i }) => i.id === swaps[first.i.id]) : undefined
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
    alternatives: inOrder
      .filter((x) => x !== best)
      .map(({ i, loss }) => ({ itemId: i.id, name: i.name, loss: lossOf(i, best.i, loss, shun) })),
  }
  // What the practice would reach for on a day without alerts; only where that is not what lies there was anything exchanged.
  const wanted = sure(ranked(able, nothingShunned)[0]).i
  const forbidden = wanted === best.i ? undefined : strange(wanted, alerts)
  const shunned = wanted === best.i ? undefined : shun(wanted)
  if (exchanged || forbidden !== undefined || shunned !== undefined) match.exchanged = true
  if (exchanged) match.because = reason(`laid out instead of ${sure(first).i.name}`, 'practice')
  else if (forbidden !== undefined)
    match.because = reason(
      `${forbidden} alert: the ${forbidden}-free one is taken${best.loss === undefined ? '' : `; ${best.loss}`}`,
      'C',
    )
  else if (shunned !== undefined) match.because = reason(`laid out instead of ${wanted.name}: ${shunned}`, 'C')
  else if (best.loss !== undefined)
    match.because = reason(`${words(need)} is not owned or not in stock; instead: ${best.loss}`, 'C')
  else if (need.because) match.because = need.because
  return match
}
