/** The anaesthetic ledger: what was handed over against both published tables. For the dentist's review, never permission. */
import * as z from 'zod'
import { round } from '../figure'
import { sure, entriesOf } from '../sure'
import {
  cartridgeMg,
  ceilingMg,
  isChild,
  ledgerShare,
  tablesFor,
  tableWords,
  type Agent,
  type CeilingTable,
} from '../measure/anaesthetic'
import { ruleRow } from '../rules'
import { kindFacts } from '../kinds'
import { injectionWords } from '../measure/numbing'
import { said } from '../model/said'
import { judged, readingOf, num, text } from './reading'

const cartridges = (label: string) => num(label, 'cartridges', 0, 15, [1, 2])
const fields = {
  articaine: cartridges('articaine 4 % with adrenaline'),
  lidocaine: cartridges('lidocaine 2 % with adrenaline'),
  mepivacaine: cartridges('mepivacaine 3 % plain'),
  prilocaine: cartridges('prilocaine 4 % plain'),
  bupivacaine: cartridges('bupivacaine 0.5 % with adrenaline'),
  mL: num('given in all', 'mL', 0.1, 30),
  where: text('where', 200),
  weightKg: num('weight of the patient', 'kg', 5, 200),
} as const
type AgentKey = Exclude<keyof typeof fields, 'weightKg' | 'mL' | 'where'>
const agents: Record<AgentKey, Agent> = {
  articaine: 'articaine with adrenaline',
  lidocaine: 'lidocaine with adrenaline',
  mepivacaine: 'mepivacaine plain',
  prilocaine: 'prilocaine plain',
  bupivacaine: 'bupivacaine with adrenaline',
}
const named = entriesOf(agents)
/** The register’s own bounds, where a plan from before says none. */
const standardUnder = { years: ruleRow('child.years').value, kg: ruleRow('child.kg').value }
const review = 'for the dentist’s review, not a permission'

const handed = z.record(z.string(), z.unknown())
/** Cartridges of each agent over all rounds of the visit: what was given before a further injection is still in the patient. */
const givenOf = (rounds: readonly unknown[]) =>
  named.flatMap(([key, agent]) => {
    const cartridges = rounds.reduce((sum: number, r) => {
      const n = handed.safeParse(r).data?.[key]
      return sum + (typeof n === 'number' ? n : 0)
    }, 0)
    return cartridges > 0 ? [{ agent, cartridges }] : []
  })

/** Whether a key of what was handed over names an agent. */
const isAgent = (key: string): key is AgentKey => Object.hasOwn(agents, key)
/**
 * What was handed over with one cartridge more of an agent that was given: a touch each at the chair.
 * @example oneMore({ articaine: 1 }) // [{ agent: 'articaine', readings: { articaine: 2 } }]
 */
export const oneMore = (readings: Record<string, unknown>): { agent: string; readings: Record<string, unknown> }[] =>
  Object.entries(readings).flatMap(([key, n]) =>
    isAgent(key) && typeof n === 'number' && n > 0 ? [{ agent: key, readings: { ...readings, [key]: n + 1 } }] : [],
  )

export const anaesthetic = readingOf('anaesthetic', {
  name: 'Anaesthetic ledger',
  once: true,
  adds: true,
  // The test of numbness rests on it: what is in the patient is written down where it is given.
  rests: true,
  fields,
  starts: ({ plan, spent }) => {
    const doses = plan.steps.find((x) => x.numbed)?.numbed?.doses ?? []
    const keyOf = (agent: string) => named.find(([, a]) => a === agent)?.[0]
    const first = keyOf(doses[0]?.agent ?? plan.request.anaesthetic)
    const planned = doses.flatMap((d) => {
      const key = keyOf(d.agent)
      return key ? [[key, d.cartridges] as const] : []
    })
    // A further injection is one cartridge, until somebody says otherwise.
    const cartridgesNow = spent.length > 0 || planned.length === 0 ? (first ? [[first, 1] as const] : []) : planned
    const injections = doses.flatMap((d) => d.injections)
    return {
      ...Object.fromEntries(cartridgesNow),
      ...(injections.length > 0 && spent.length === 0
        ? {
            mL: round(
              doses.reduce((sum, d) => sum + d.mL, 0),
              2,
            ),
            where: injectionWords(injections, (t) => said(plan, t)).slice(0, 200),
          }
        : {}),
      ...(plan.request.weightKg === undefined ? {} : { weightKg: plan.request.weightKg }),
    }
  },
  judge: (values, { plan, spent }) => {
    if (givenOf([values]).length === 0) return { wrong: 'say what was handed over' }
    const given = givenOf([...spent, values])
    // By age and weight, whatever teeth are worked on; nobody’s ledger is called good while neither is known.
    const { weightKg = plan.request.weightKg } = values
    const under = plan.steps.find((x) => x.numbed)?.numbed?.under ?? standardUnder
    const known = isChild({ ...plan.request, weightKg }, under)
    const child = known ?? kindFacts(plan.kind).dentition === 'primary'
    const amounts = given.map((g) => ({
      ...cartridgeMg(g.agent),
      name: `${g.agent}, ${g.cartridges} × ${cartridgeMg(g.agent).value} mg`,
      value: Math.round(g.cartridges * cartridgeMg(g.agent).value * 10) / 10,
    }))
    const says = [
      `${amounts.map((a) => `${a.name} = ${a.value} mg`).join('; ')}${spent.length > 0 ? ', with what was given before' : ''}`,
    ]
    const told = [values.mL === undefined ? '' : `${values.mL} mL`, values.where ?? ''].filter(Boolean).join(', ')
    if (told !== '') says.push(told)
    const sensitive =
      plan.request.alerts.includes('adrenaline-sensitive') && given.some((g) => g.agent.includes('adrenaline'))
        ? ['heart, blood-pressure or medicine alert: adrenaline with care']
        : []
    if (values.weightKg === undefined)
      return judged(
        child ? 'review' : 'tell',
        [...says, ...sensitive, `no weight entered: the ceilings ask for it; ${review}`],
        { figures: amounts },
      )
    const tables: CeilingTable[] = child ? ['children', 'adults'] : ['adults', 'children']
    // Where nobody knows which, both count.
    const counts = new Set(known === undefined ? tables : tablesFor(known))
    const shares = tables.map((table) => ({
      table,
      share: ledgerShare(given, sure(values.weightKg), table),
      ceilings: given.flatMap((g) => ceilingMg(g.agent, sure(values.weightKg), table) ?? []),
    }))
    for (const { table, share } of shares) {
      const words = table === 'adults' ? 'label maxima for adults' : 'the careful table for children'
      says.push(
        share === undefined
          ? `${words}: one of these is not listed there`
          : `${words}: ${Math.round(share.value * 100)} % of the ceiling${given.length > 1 ? ', the agents added up as fractions' : ''}`,
      )
    }
    const over = shares.filter((s) => s.share?.stands === 'over' && (counts.has(s.table) || s.table === 'adults'))
    const near = shares.filter((s) => s.share?.stands === 'near' && counts.has(s.table))
    return judged(
      over.length > 0 ? 'review' : 'tell',
      [
        ...says,
        ...over.map(
          (o) => `OVER the ceiling of ${tableWords[o.table]}: the dentist reviews before anything more is given`,
        ),
        ...near.map((o) => `near the ceiling of ${tableWords[o.table]}: said before any more is drawn up`),
        ...(known === undefined ? ['neither a grown person nor a child by what is known: enter the age'] : []),
        ...sensitive,
        review,
      ],
      {
        figures: [
          ...amounts,
          ...shares.flatMap((s) => [
            ...s.ceilings,
            ...(s.share ? [{ ...s.share, name: `share of ${tableWords[s.table]}` }] : []),
          ]),
        ],
      },
    )
  },
})
