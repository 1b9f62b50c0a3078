/** Matching: a step says what it needs, the practice's own items answer. */
import { reason, type Reason } from '../figure'
import type { Alert } from '../plan/vocabulary'
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
  /** The need in a person's words, for when nothing owned fits. */
  words?: string
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

const words = (need: Need): string => need.words ?? need.what.replaceAll('.', ', ')

/**
 * The item of the practice that answers a need. With a latex alert nothing that holds latex is offered; otherwise items
 * stand in the order the practice lists them, in stock first; an exchange made at the tray wins where it is safe. Nothing fits: the match says so, the need is not dropped.
 */
export function matchItem(need: Need, items: readonly Item[], alerts: readonly Alert[], swaps: Readonly<Record<string, string>> = {}): Match {
  const noLatex = alerts.includes('latex')
  const able = serving(items, need.what)
  const safe = able.filter((i) => !(noLatex && i.latex))
  const ranked = safe.toSorted((a, b) => Number(a.stock < 1) - Number(b.stock < 1))
  const first = ranked[0]
  const exchanged = first ? ranked.find((i) => i.id === swaps[first.id]) : undefined
  const best = exchanged ?? first
  const others = ranked.filter((i) => i !== best)
  const alternatives = others.map((i) => ({ itemId: i.id, name: i.name, loss: i.latex ? 'holds latex' : i.stock < 1 ? 'none in stock' : 'second in the practice’s own order' }))
  if (!best) {
    return able.length > 0
      ? { alternatives, lack: `${words(need)}: every one owned holds latex and the patient has a latex alert`, forbidden: true }
      : { alternatives, lack: `${words(need)}: nothing owned answers this need` }
  }
  const swapped = noLatex && able.some((i) => i.latex)
  const match: Match = { item: best, alternatives }
  if (exchanged) match.because = reason(`laid out instead of ${first!.name}`, 'practice')
  else if (swapped) match.because = reason('latex alert: the latex-free one is taken', 'C')
  else if (need.because) match.because = need.because
  return match
}
