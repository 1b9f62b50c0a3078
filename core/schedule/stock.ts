/** What the coming plans take off the lots: first shortage, what expires unused, what to order. */
import Papa from 'papaparse'
import type { Item, Lot } from '../catalog/item'
import { round } from '../figure'
import type { SetupLine } from '../model/plan'

/**
 * What is surely used up: laid open, and no instrument. What stands by comes back.
 * @example usedUp(plan.setup).every((l) => !l.reusable) // true
 */
export const usedUp = (setup: readonly SetupLine[]): SetupLine[] =>
  setup.filter((l) => !l.reusable && l.readiness === 'open' && !l.lack)

export interface StockNeed {
  itemId: string
  /** Plain date. */
  date: string
  visitId: string
  /** In the item's unit. */
  amount: number
}
export const needsOf = (visits: readonly { id: string; day: string; setup: readonly SetupLine[] }[]): StockNeed[] =>
  visits.flatMap((v) => usedUp(v.setup).map((l) => ({ itemId: l.id, date: v.day, visitId: v.id, amount: l.quantity })))

const tiny = 1e-9

/**
 * Takes an amount off lots: what is opened first, then by expiry, none that has expired by the date. Where they do not
 * suffice, what is missing is said.
 */
export function takeOff(
  lots: readonly Lot[],
  itemId: string,
  amount: number,
  date: string,
): { taken: { lotId: string; amount: number }[]; missing: number } {
  const taken: { lotId: string; amount: number }[] = []
  let missing = amount
  for (const lot of lots
    .filter((l) => l.itemId === itemId && l.left > tiny && l.expires >= date)
    .toSorted(
      (a, b) => Number(b.opened) - Number(a.opened) || a.expires.localeCompare(b.expires) || a.id.localeCompare(b.id),
    )) {
    if (missing <= tiny) break
    const part = Math.min(lot.left, missing)
    taken.push({ lotId: lot.id, amount: part })
    missing -= part
  }
  return { taken, missing: missing <= tiny ? 0 : missing }
}

/** The lots with what was taken gone and what was broken into opened. */
export const without = (lots: readonly Lot[], taken: readonly { lotId: string; amount: number }[]): Lot[] =>
  lots.map((l) => {
    const part = taken.find((t) => t.lotId === l.id)
    return part ? { ...l, left: Math.max(0, round(l.left - part.amount, 3)), opened: true } : l
  })

export interface StockLine {
  itemId: string
  name: string
  unit: Item['unit']
  /** In date today, over all lots. */
  left: number
  /** What the coming plans take. */
  needed: number
  /** The first day on which it does not suffice, the visit that finds it short, and by how much in all. */
  short?: { date: string; visitId: string; by: number }
  /** Lots that will have expired with something in them. */
  wasted: { number: string; expires: string; amount: number }[]
  opened: { number: string; left: number }[]
  order: number
}

/** A quarter more than the plans take: what is mixed again, dropped or left in the tip. A starting estimate, ours. */
export const reserve = 1.25

/**
 * Runs the coming visits over the lots, day by day.
 * @param needs of visits from `from` to `to`, plain dates, in any order
 */
export function stockForecast(
  items: readonly Item[],
  lots: readonly Lot[],
  needs: readonly StockNeed[],
  from: string,
  to: string,
): StockLine[] {
  return items
    .filter((i) => i.tracked)
    .map((item): StockLine => {
      const own = needs
        .filter((n) => n.itemId === item.id && n.date >= from && n.date <= to)
        .toSorted((a, b) => a.date.localeCompare(b.date) || a.visitId.localeCompare(b.visitId))
      let state = lots.filter((l) => l.itemId === item.id)
      const left = state.filter((l) => l.expires >= from).reduce((sum, l) => sum + l.left, 0)
      let short: StockLine['short']
      for (const n of own) {
        const { taken, missing } = takeOff(state, item.id, n.amount, n.date)
        state = without(state, taken)
        if (missing > 0)
          short = short ? { ...short, by: short.by + missing } : { date: n.date, visitId: n.visitId, by: missing }
      }
      const needed = own.reduce((sum, n) => sum + n.amount, 0)
      const usable = state.filter((l) => l.expires > to).reduce((sum, l) => sum + l.left, 0)
      // Enough for the plans with the reserve, beyond what they leave.
      const wanted = Math.max(0, (short?.by ?? 0) + needed * (reserve - 1) - usable)
      const whole = item.unit === 'piece' || item.unit === 'pair' || item.unit === 'cartridge'
      return {
        itemId: item.id,
        name: item.name,
        unit: item.unit,
        left: round(left, 1),
        needed: round(needed, 1),
        ...(short ? { short: { ...short, by: round(short.by, 1) } } : {}),
        wasted: state
          .filter((l) => l.left > tiny && l.expires >= from && l.expires <= to)
          .map((l) => ({ number: l.number, expires: l.expires, amount: round(l.left, 1) })),
        opened: lots
          .filter((l) => l.itemId === item.id && l.opened && l.left > tiny)
          .map((l) => ({ number: l.number, left: round(l.left, 1) })),
        order: needed === 0 ? 0 : whole ? Math.ceil(wanted - tiny) : round(Math.ceil(wanted * 10 - tiny) / 10, 1),
      }
    })
}

/** The order as CSV for a spreadsheet; only what is to be ordered. */
export function orderCsv(lines: readonly StockLine[]): string {
  const data = lines
    .filter((l) => l.order > 0)
    .map((l) => ({
      item: l.itemId,
      name: l.name,
      order: l.order,
      unit: l.unit,
      left: l.left,
      needed: l.needed,
      'short on': l.short?.date ?? '',
    }))
  return `\uFEFF${Papa.unparse({ fields: ['item', 'name', 'order', 'unit', 'left', 'needed', 'short on'], data }, { escapeFormulae: true })}\r\n`
}
