/**
 * The register of the trade's named times and amounts. Each stands here once; plans, clocks, print and prose are made from
 * it, and a practice overrides a row with who and when. What a product says of itself stays with the item.
 */
import { keysOf } from '../sure'
import * as z from 'zod'
import { id, plainDate, text } from '../bounded'
import { reason, type Reason } from '../figure'
import { amountRules } from './amounts'
import { anaesthesiaRules } from './anaesthesia'
import { bondingRules } from './bonding'
import { cordRules } from './cord'
import { cuttingRules } from './cutting'
import { followUpRules } from './follow-ups'
import { handRules } from './hands'
import { impressionRules } from './impression'
import { amountIn, type RuleRow } from './rule'
import { signingRules } from './signing'

export { amountIn, readAmount, span, type RuleRow } from './rule'

/** The rooms of the register as Settings shows them. */
export const ruleGroups = {
  Numbness: anaesthesiaRules,
  'Cutting and placing': cuttingRules,
  'Cord and tissue': cordRules,
  'Impression and provisional': impressionRules,
  'Acid, adhesive, light, cement': bondingRules,
  Amounts: amountRules,
  'What comes next': followUpRules,
  Hands: handRules,
  Signatures: signingRules,
} as const

export const ruleTable = {
  ...anaesthesiaRules,
  ...cuttingRules,
  ...cordRules,
  ...impressionRules,
  ...bondingRules,
  ...amountRules,
  ...followUpRules,
  ...handRules,
  ...signingRules,
} as const satisfies Record<string, RuleRow>
export type RuleId = keyof typeof ruleTable
export const ruleIds = keysOf(ruleTable)
/** @example ruleRow('cord.dwell').unit // 's' */
export const ruleRow = (rule: RuleId): RuleRow => ruleTable[rule]
export const ruleId = z.enum(ruleIds)

/** A row as a practice has set it. */
export const ownRule = z.strictObject({ value: z.number().min(0).max(100_000), by: text(80), on: plainDate })
export type OwnRule = z.infer<typeof ownRule>
/** Rows the program no longer has are kept as they are stored and read by nobody. */
export const ownRules = z.record(id(60), ownRule)
export type OwnRules = Readonly<Record<string, OwnRule>>

/** A row in force: its value, and why it is so. */
export interface Ruling {
  value: number
  because: Reason
  /** Set by the practice: by whom, when, and what the library says. */
  own?: OwnRule & { usual: number }
}
export type Rules = (rule: RuleId) => Ruling

const rulings = new Map<RuleId, Ruling>()
/** What the library says, made once: plans are compiled by the hundred. */
function usual(rule: RuleId): Ruling {
  const before = rulings.get(rule)
  if (before) return before
  const row = ruleRow(rule)
  const made = { value: row.value, because: reason(row.because(row.value), row.standing, row.source) }
  rulings.set(rule, made)
  return made
}

/**
 * The register with a practice's own rows in place of the library's.
 * @example rulesOf({ 'cord.dwell': { value: 360, by: 'Dr A', on: '2026-11-26' } })('cord.dwell').value // 360
 */
export function rulesOf(own: OwnRules): Rules {
  return (rule) => {
    const set = own[rule]
    if (set === undefined) return usual(rule)
    const row = ruleRow(rule)
    const text = `${row.because(set.value)}; this practice’s own, ${set.by}, ${set.on}`
    return { value: set.value, because: reason(text, 'practice'), own: { ...set, usual: row.value } }
  }
}
/** The library's own values. */
export const standardRules: Rules = rulesOf({})

/** A sentence made of several rows; where one of them is the practice's own, it says so. */
export function inWords(text: string, ...rulings: [Ruling, ...Ruling[]]): Reason {
  const own = rulings.find((r) => r.own !== undefined)?.own
  return own
    ? reason(`${text}; this practice’s own, ${own.by}, ${own.on}`, 'practice')
    : reason(text, rulings[0].because.standing)
}

/** Rows that make sense only in this order: the first is shorter than the second. */
const shorterThan: readonly (readonly [RuleId, RuleId])[] = [
  ['cord.dwell', 'cord.longest'],
  ['cord.dwell', 'cord.longest.plain'],
  ['crevice.warns', 'crevice.open'],
  ['crevice.warns', 'crevice.base'],
]

/**
 * Why a practice cannot have this value beside its others; nothing where it can.
 * @example ruleMisfit({}, 'cord.dwell', 100_000) // 'Cord dwells, at least: from 60 s to 15 min; beyond that it is asked of the dentist visit by visit'
 */
export function ruleMisfit(own: OwnRules, rule: RuleId, value: number): string | undefined {
  const { title, from, to, unit } = ruleRow(rule)
  if (value < from || value > to)
    return `${title}: from ${amountIn(from, unit)} to ${amountIn(to, unit)}; beyond that it is asked of the dentist visit by visit`
  const of = (id: RuleId): number => (id === rule ? value : (own[id]?.value ?? ruleRow(id).value))
  const clash = shorterThan.find(([a, b]) => (a === rule || b === rule) && of(a) >= of(b))
  if (!clash) return undefined
  const [a, b] = clash
  return `${ruleRow(a).title} (${amountIn(of(a), ruleRow(a).unit)}) has to be shorter than ${ruleRow(b).title.toLowerCase()} (${amountIn(of(b), ruleRow(b).unit)})`
}

/** What of a practice's own values does not hold, in words. @example ruleMisfits({}) // [] */
export const ruleMisfits = (own: OwnRules): string[] =>
  ruleIds.flatMap((rule) => {
    const set = own[rule]
    return (set && ruleMisfit(own, rule, set.value)) ?? []
  })

/** A practice's own values as one reads them: what, how much, what is usual, who set it and when. */
export const ownRuleLines = (own: OwnRules): string[] =>
  ruleIds.flatMap((rule) => {
    const set = own[rule]
    if (set === undefined) return []
    const { title, value, unit } = ruleRow(rule)
    return [`${title}: ${amountIn(set.value, unit)} (usually ${amountIn(value, unit)}), set by ${set.by} on ${set.on}`]
  })
