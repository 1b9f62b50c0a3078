/**
 * The anaesthetic ledger: what a cartridge holds, and the published ceilings. For the dentist's review, never permission.
 * Standing M: US product labels (adults); American Academy of Pediatric Dentistry, Use of Local Anesthesia (children).
 */
import { sure } from '../sure'
import { round, type Figure } from '../figure'

export type Agent =
  | 'articaine with adrenaline'
  | 'lidocaine with adrenaline'
  | 'mepivacaine plain'
  | 'prilocaine plain'
  | 'bupivacaine with adrenaline'
export type CeilingTable = 'adults' | 'children'
/** How a table is spoken of. */
export const tableWords: Record<CeilingTable, string> = {
  adults: 'the adults’ table',
  children: 'the children’s table',
}

const cartridges: Record<Agent, { percent: number; mL: number }> = {
  'articaine with adrenaline': { percent: 4, mL: 1.7 },
  'lidocaine with adrenaline': { percent: 2, mL: 1.8 },
  'mepivacaine plain': { percent: 3, mL: 1.7 },
  'prilocaine plain': { percent: 4, mL: 1.8 },
  'bupivacaine with adrenaline': { percent: 0.5, mL: 1.8 },
}
/** mg per kg, and the absolute figure where the table has one. */
const ceilings: Record<CeilingTable, Partial<Record<Agent, { mgPerKg: number; mostMg?: number }>>> = {
  adults: { 'lidocaine with adrenaline': { mgPerKg: 7, mostMg: 500 }, 'articaine with adrenaline': { mgPerKg: 7 } },
  children: {
    'lidocaine with adrenaline': { mgPerKg: 4.4, mostMg: 300 },
    'mepivacaine plain': { mgPerKg: 4.4, mostMg: 300 },
    'articaine with adrenaline': { mgPerKg: 7, mostMg: 500 },
    'prilocaine plain': { mgPerKg: 6, mostMg: 400 },
    'bupivacaine with adrenaline': { mgPerKg: 1.3, mostMg: 90 },
  },
}

/** The amount in one cartridge, mg. 2 % × 1.8 mL = 36 mg; 4 % × 1.7 mL = 68 mg. */
export function cartridgeMg(agent: Agent): Figure {
  const { percent, mL } = cartridges[agent]
  const value = round(percent * 10 * mL, 1)
  return {
    name: `${agent}, one cartridge`,
    value,
    unit: 'mg',
    text: `${percent} % is ${percent * 10} mg/mL; × ${mL} mL = ${value} mg. For the dentist’s review`,
    standing: 'calc',
  }
}

/**
 * The ceiling of an agent for a weight, mg: the smaller of mg/kg × weight and the absolute figure. The children's table
 * is the careful one; `undefined` where the table does not list the agent.
 * @throws RangeError where the weight is not positive.
 */
export function ceilingMg(agent: Agent, weightKg: number, table: CeilingTable): Figure | undefined {
  if (!(weightKg > 0)) throw new RangeError('a weight above 0 kg')
  const row = ceilings[table][agent]
  if (!row) return undefined
  const byWeight = row.mgPerKg * weightKg
  const value = round(Math.min(byWeight, row.mostMg ?? Infinity), 1)
  const each = cartridgeMg(agent).value
  return {
    name: `${agent}, ceiling in ${tableWords[table]}`,
    value,
    unit: 'mg',
    text: `${row.mgPerKg} mg/kg × ${weightKg} kg = ${round(byWeight, 1)} mg${row.mostMg === undefined ? '' : `, never over ${row.mostMg} mg`}; that is ${round(value / each, 1)} cartridges of ${each} mg. For the dentist’s review, not a permission`,
    standing: 'M',
  }
}

/** Share of their ceilings that mixed agents reach together: they add up as fractions. 1 is the whole. */
export function ledgerShare(
  given: readonly { agent: Agent; cartridges: number }[],
  weightKg: number,
  table: CeilingTable,
): Figure | undefined {
  const parts = given.map(({ agent, cartridges: n }) => ({
    agent,
    mg: n * cartridgeMg(agent).value,
    ceiling: ceilingMg(agent, weightKg, table)?.value,
  }))
  if (parts.some((p) => p.ceiling === undefined)) return undefined
  const value = round(
    parts.reduce((sum, p) => sum + p.mg / sure(p.ceiling), 0),
    2,
  )
  return {
    name: 'share of the ceiling',
    value,
    unit: '',
    text: `${parts.map((p) => `${p.agent} ${round(p.mg, 1)} of ${p.ceiling} mg`).join(' + ')} = ${value} of 1. For the dentist’s review`,
    standing: 'M',
  }
}
