/**
 * The anaesthetic ledger: what a cartridge holds, and the published ceilings. For the dentist's review, never permission.
 * Standing M: US product labels (adults); American Academy of Pediatric Dentistry, Use of Local Anesthesia (children).
 */
import { sure } from '../sure'
import { reason, round, type Figure, type Reason } from '../figure'

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

/** Under either bound; nothing where neither age nor weight is known, or the weight alone does not tell. */
export function isChild(
  of: { ageYears?: number | undefined; weightKg?: number | undefined },
  under: { years: number; kg: number },
): boolean | undefined {
  if (of.ageYears !== undefined && of.ageYears < under.years) return true
  if (of.weightKg !== undefined && of.weightKg < under.kg) return true
  return of.ageYears === undefined ? undefined : false
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

/** Rounded down: what is said to be allowed at most, multiplied back, is never over. */
const downTo = (x: number, digits: number): number => Math.floor(x * 10 ** digits + 1e-9) / 10 ** digits

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
    text: `${row.mgPerKg} mg/kg × ${weightKg} kg = ${round(byWeight, 1)} mg${row.mostMg === undefined ? '' : `, never over ${row.mostMg} mg`}; that is at most ${downTo(value / each, 1)} cartridges of ${each} mg. For the dentist’s review, not a permission`,
    standing: 'M',
  }
}

/** From this share of a ceiling on its nearness is said. */
const nearShare = 0.9
/** How a share stands to the whole: compared before it is rounded. */
export type Nearness = 'under' | 'near' | 'over'
const nearnessOf = (share: number): Nearness =>
  share > 1 + 1e-9 ? 'over' : share >= nearShare - 1e-9 ? 'near' : 'under'

export interface Share extends Figure {
  stands: Nearness
}

/** Share of their ceilings that amounts of agents reach together: they add up as fractions. 1 is the whole. */
function shareOf(
  parts: readonly { agent: Agent; mg: number }[],
  weightKg: number,
  table: CeilingTable,
): Share | undefined {
  const each = parts.map((p) => ({ ...p, ceiling: ceilingMg(p.agent, weightKg, table)?.value }))
  if (each.some((p) => p.ceiling === undefined)) return undefined
  const share = each.reduce((sum, p) => sum + p.mg / sure(p.ceiling), 0)
  const stands = nearnessOf(share)
  // Never rounded to the whole from above it.
  const value = stands === 'over' ? Math.max(1.01, round(share, 2)) : round(share, 2)
  return {
    name: 'share of the ceiling',
    value,
    unit: '',
    text: `${each.map((p) => `${p.agent} ${round(p.mg, 1)} of ${p.ceiling} mg`).join(' + ')} = ${value} of 1. For the dentist’s review`,
    standing: 'M',
    stands,
  }
}

/** {@link shareOf} cartridges that were handed over. */
export const ledgerShare = (
  given: readonly { agent: Agent; cartridges: number }[],
  weightKg: number,
  table: CeilingTable,
): Share | undefined =>
  shareOf(
    given.map((g) => ({ agent: g.agent, mg: g.cartridges * cartridgeMg(g.agent).value })),
    weightKg,
    table,
  )

/** The tables that count: a child’s own, an adult’s label, both where nobody knows which. */
export const tablesFor = (child: boolean | undefined): CeilingTable[] =>
  child === undefined ? ['children', 'adults'] : child ? ['children'] : ['adults']

/** Whole cartridges for a volume. @example cartridgesFor('lidocaine with adrenaline', 1.8) // 1 */
export const cartridgesFor = (agent: Agent, mL: number): number =>
  Math.max(1, Math.ceil(mL / cartridges[agent].mL - 1e-9))

/**
 * What the injections of a visit amount to before it begins, and their share of the ceilings where there is a weight.
 * @param doses one for each agent, mL of all its injections together
 * @example plannedAnaesthetic([{ agent: 'lidocaine with adrenaline', mL: 1.8 }], { child: false, weightKg: 70 }).over // undefined
 */
export function plannedAnaesthetic(
  doses: readonly { agent: Agent; mL: number }[],
  { weightKg, child }: { weightKg: number | undefined; child: boolean | undefined },
): { figures: Figure[]; cautions: Reason[]; over: string | undefined } {
  const several = doses.length > 1
  const parts = doses.map(({ agent, mL }) => ({ agent, mg: mL * cartridges[agent].percent * 10 }))
  const volumes = doses.map(({ agent, mL }, i): Figure => {
    const needed = cartridgesFor(agent, mL)
    return {
      name: several ? `anaesthetic planned, ${agent}` : 'anaesthetic planned',
      value: round(mL, 1),
      unit: 'mL',
      text: `${round(mL, 1)} mL in all = ${round(sure(parts[i]).mg, 1)} mg, out of ${needed} ${needed === 1 ? 'cartridge' : 'cartridges'} of ${cartridges[agent].mL} mL. For the dentist’s review`,
      standing: 'M',
    }
  })
  const tables = weightKg === undefined ? [] : tablesFor(child)
  const shares = tables.flatMap((table) => {
    const share = shareOf(parts, sure(weightKg), table)
    return share
      ? [{ table, share, ceilings: parts.flatMap((p) => ceilingMg(p.agent, sure(weightKg), table) ?? []) }]
      : []
  })
  const said = shares
    .filter((s) => s.share.stands !== 'under')
    .map(({ share, table, ceilings }) => ({
      stands: share.stands,
      text: `${share.stands === 'over' ? 'OVER' : 'Near'} the ceiling of ${tableWords[table]}: ${parts.map((p, i) => `${several ? `${p.agent} ` : ''}${round(p.mg, 1)} of ${sure(ceilings[i]).value} mg`).join(' + ')}${several ? `, together ${share.value} of 1,` : ''} planned; the dentist reviews it before the needle`,
    }))
  const over = said.find((s) => s.stands === 'over')?.text
  // The cartridge that stands by for a test that is not good: whether it would be too much is known before it is opened.
  const further = doses.flatMap(({ agent }, more) =>
    tables.flatMap((table) => {
      const whole = parts.map((p, i) => (i === more ? { ...p, mg: p.mg + cartridgeMg(agent).value } : p))
      return shareOf(whole, sure(weightKg), table)?.stands === 'over'
        ? [
            `One whole cartridge of ${agent} more would pass the ceiling of ${tableWords[table]}: how much of it may be given the dentist says before it is opened`,
          ]
        : []
    }),
  )
  return {
    figures: [
      ...doses.flatMap((d, i) => [cartridgeMg(d.agent), sure(volumes[i])]),
      ...shares.flatMap((s) => [
        ...s.ceilings,
        ...(several ? [{ ...s.share, name: `share of ${tableWords[s.table]}, the agents added up` }] : []),
      ]),
    ],
    over,
    cautions: [...said.map((s) => s.text), ...(over === undefined ? further : [])].map((text) => reason(text, 'M')),
  }
}
