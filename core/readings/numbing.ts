/** The anaesthetic ledger: what was handed over against both published tables. For the dentist's review, never permission. */
import * as z from 'zod'
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
import { judged, readingOf, num } from './reading'

const cartridges = (label: string) => num(label, 'cartridges', 0, 15, [1, 2])
const fields = {
  articaine: cartridges('articaine 4 % with adrenaline'),
  lidocaine: cartridges('lidocaine 2 % with adrenaline'),
  mepivacaine: cartridges('mepivacaine 3 % plain'),
  prilocaine: cartridges('prilocaine 4 % plain'),
  bupivacaine: cartridges('bupivacaine 0.5 % with adrenaline'),
  weightKg: num('weight of the patient', 'kg', 5, 200),
} as const
const agents: Record<Exclude<keyof typeof fields, 'weightKg'>, Agent> = {
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

const handed = z.record(z.string(), z.number())
/** Cartridges of each agent over all rounds of the visit: what was given before a further injection is still in the patient. */
const givenOf = (rounds: readonly unknown[]) =>
  named.flatMap(([key, agent]) => {
    const cartridges = rounds.reduce((sum: number, r) => sum + (handed.safeParse(r).data?.[key] ?? 0), 0)
    return cartridges > 0 ? [{ agent, cartridges }] : []
  })

export const anaesthetic = readingOf('anaesthetic', {
  name: 'Anaesthetic ledger',
  once: true,
  adds: true,
  fields,
  starts: ({ plan, spent }) => {
    const planned = plan.steps.find((x) => x.numbed)?.numbed
    const key = named.find(([, agent]) => agent === (planned?.agent ?? plan.request.anaesthetic))?.[0]
    return {
      // A further injection is one cartridge, until somebody says otherwise.
      ...(key ? { [key]: spent.length > 0 ? 1 : (planned?.cartridges ?? 1) } : {}),
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
