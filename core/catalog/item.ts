/** What a practice owns besides burs: instruments, materials, consumables; and the lots they come in. */
import { id, line, plainDate, text } from '../bounded'
import * as z from 'zod'
import { families } from './family'
import { shapeNames } from './shape-names'

export { families, type Family } from './family'

/** Alerts an item may set off, besides latex, which has a column of its own. */
export const allergens = ['nickel', 'methacrylate', 'chlorhexidine', 'iodine'] as const
export type Allergen = (typeof allergens)[number]
/** Sets an instrument comes in; what is in no cassette is put out singly. */
export const cassettes = ['basic', 'crown', 'restorative', 'dam', 'endodontic', 'bonding', 'child', 'gold'] as const

export const item = z.strictObject({
  id: id(),
  name: line(200),
  family: z.enum(families),
  /** The needs it answers: 'mirror', 'cord.0', 'light body.fast' … */
  serves: z.array(id()).min(1).max(60),
  /** What it is drawn as, where that does not follow from what it serves. */
  shape: z.enum(shapeNames).optional(),
  /** Footprint on the tray, mm. */
  lengthMm: z.number().positive().max(1_000_000),
  widthMm: z.number().positive().max(1_000_000),
  reusable: z.boolean(),
  /** Laid out once for a patient or a tooth, or anew for each act, where the practice counts it otherwise than usual. */
  counted: z.enum(['patient', 'tooth', 'act']).optional(),
  latex: z.boolean().default(false),
  allergens: z.array(z.enum(allergens)).max(allergens.length).default([]),
  cassette: z.enum(cassettes).optional(),
  unit: z.enum(['piece', 'mL', 'mm', 'cartridge', 'pair', 'g']).default('piece'),
  /** Product times in seconds, from the practice's own instructions for use; ours are starting values. */
  workingS: z.number().positive().max(1_000_000).optional(),
  inMouthS: z.number().positive().max(1_000_000).optional(),
  /** Least seconds of light, and seconds to set, by the product's own instructions. */
  cureS: z.number().positive().max(1_000_000).optional(),
  setS: z.number().positive().max(1_000_000).optional(),
  /** Amount for one unit, in the item's unit, where the practice has measured its own. */
  perUnit: z.number().positive().max(1_000_000).optional(),
  /** Product numbers on its boxes (14 digits) and the practice's own labels, for the scanner. */
  codes: z.array(id()).max(60).default([]),
  /** Lots are tracked for what goes off. */
  tracked: z.boolean().default(false),
  /** Pieces owned or in the cupboard; a need above it is reported. */
  stock: z.number().min(0).max(1_000_000).default(20),
})
export type Item = z.infer<typeof item>

export const lot = z.strictObject({
  id: id(),
  itemId: id(),
  number: text(60),
  expires: plainDate,
  /** What is left, in the item's unit. */
  left: z.number().min(0).max(1_000_000),
  opened: z.boolean().default(false),
})
export type Lot = z.infer<typeof lot>

export interface LotChoice {
  lotId?: string
  number?: string
  expires?: string
  /** Said on the tray where the lots do not simply serve. */
  warning?: string
}

/** Days before its expiry from which a lot is named as running out of time. A starting value. */
export const soonDays = 30

export type LotState = 'empty' | 'expired' | 'soon' | 'good'

/**
 * How a lot stands on a plain date: it is good through the day it expires.
 * @example lotState({ left: 2, expires: '2026-11-01' }, '2026-11-26') // 'expired'
 */
export function lotState(lot: Pick<Lot, 'expires' | 'left'>, date: string): LotState {
  if (lot.left <= 0) return 'empty'
  if (lot.expires < date) return 'expired'
  const days = (Date.parse(lot.expires) - Date.parse(date)) / 86_400_000
  return days <= soonDays ? 'soon' : 'good'
}

/**
 * The lot to take: the opened one first, then by expiry, among those not expired that hold enough.
 * An expired or short lot never enters a setup silently.
 * @param date plain date of the visit; a lot is good through the day it expires.
 */
export function chooseLot(itemId: string, quantity: number, lots: readonly Lot[], date: string): LotChoice {
  const own = lots.filter((l) => l.itemId === itemId && l.left > 0)
  const good = own
    .filter((l) => l.expires >= date)
    .toSorted(
      (a, b) => Number(b.opened) - Number(a.opened) || a.expires.localeCompare(b.expires) || a.id.localeCompare(b.id),
    )
  const expired = own.filter((l) => l.expires < date).map((l) => `lot ${l.number} expired on ${l.expires}`)
  const says = (text: string): string => [text, ...expired].filter(Boolean).join('; ')
  const enough = good.find((l) => l.left >= quantity)
  const pick = enough ?? good[0]
  if (!pick) return { warning: says(own.length > 0 ? 'no lot in date' : 'no lot on record') }
  const choice: LotChoice = { lotId: pick.id, number: pick.number, expires: pick.expires }
  if (!enough) {
    const total = good.reduce((sum, l) => sum + l.left, 0)
    choice.warning = says(
      total >= quantity
        ? `lot ${pick.number} holds only ${pick.left}: have a second lot ready`
        : `short: ${total} left of ${quantity} needed`,
    )
  } else if (expired.length > 0) choice.warning = `${expired.join('; ')}: take it off the shelf`
  return choice
}
