import { lay } from '../lay'
import { firstOf } from '../../sure'
import { isPrimary, jawOf, parts, type Tooth } from '../../teeth/notation'
import { reason, round, type Figure } from '../../figure'
import { numbRule } from '../../measure/numb-lasts'
import { cartridgesFor, plannedAnaesthetic } from '../../measure/anaesthetic'
import { ageCautions, agentsFor, type Dose } from '../../measure/doses'
import type { RuleId } from '../../rules'
import {
  injectionsFor,
  injectionWords,
  sideOf,
  techniques,
  testWords,
  volumeRule,
  type Injection,
  type Site,
} from '../../measure/numbing'
import { absent, open, standby, sequence, nothing, type Block, type Drafted } from '../build'
import { childBounds, childOf, type Case } from '../case'

/** How the visit is made painless, decided by what its work does: what hurts where, and what covers it. */
export type Numbing =
  | {
      by: 'needle'
      sites: readonly Site[]
      injections: Injection[]
      /** Living teeth that are cut or opened: they are tested themselves, not only their gum. Milk teeth do not answer to cold reliably. */
      cut: readonly Tooth[]
    }
  | { by: 'nothing' }
  | { by: 'sleep' }

/** What everything that hurts in these steps asks to be numb. */
export function numbingOf(drafts: readonly Drafted[]): Numbing {
  const sites = drafts.flatMap((d) => d.hurts ?? [])
  if (sites.length === 0) return { by: 'nothing' }
  const cut = drafts.flatMap((d) => (d.cut ? (d.hurts ?? []) : [])).filter((s) => s.tissue === 'tooth')
  const teeth = [...new Set(cut.map((s) => s.tooth))].filter((t) => !isPrimary(t))
  return { by: 'needle', sites, injections: injectionsFor(sites), cut: teeth }
}

const isPremolarPulp = ({ tooth, pulp }: Site): boolean =>
  pulp === true && !isPrimary(tooth) && [4, 5].includes(parts(tooth).position)
const isBlock = (i: Injection): boolean => techniques[i.technique].block

/** The agents, with what each is given for and takes. */
export const dosesFor = (c: Case, injections: readonly Injection[]): Dose[] =>
  agentsFor(injections, { choice: c.asks('anaesthetic'), ageYears: c.asks('ageYears') }).map(
    ({ agent, injections: own }) => {
      const mL = round(
        own.reduce((sum, i) => sum + c.rule(volumeRule(i)).value, 0),
        2,
      )
      return { agent, mL, cartridges: cartridgesFor(agent, mL), injections: own }
    },
  )

const bothSides = (injections: readonly Injection[]): boolean =>
  new Set(injections.filter(isBlock).map((i) => sideOf(i.at))).size > 1

function cautionsOf(c: Case, doses: readonly Dose[]) {
  const injections = doses.flatMap((d) => d.injections)
  const child = childOf(c)
  const both = bothSides(injections)
  return [
    reason('{Needle}: one-handed recapping or a safety device, never hand to hand', 'C'),
    ...(child === true ? [reason('Children: dose by weight, read aloud before the {syringe} is passed', 'C')] : []),
    ...(both
      ? [
          reason(
            `Blocks on both sides: tongue and lip are numb all over, and he or she cannot feel a bite${child === false ? '' : '; in a child two visits are kinder'}`,
            'C',
          ),
        ]
      : []),
    ...(doses.some((d) => d.agent === 'articaine with adrenaline' && d.injections.some(isBlock))
      ? [
          reason(
            'A block with a 4 % agent: the dentist’s choice; lasting numbness was reported more often after it',
            'M',
          ),
        ]
      : []),
    ...ageCautions(
      doses.map((d) => d.agent),
      c.asks('ageYears'),
    ),
  ]
}

/** How long each way of giving it is expected to last. */
function lastingOf(c: Case, doses: readonly Dose[]): Figure[] {
  const rules = new Map(
    doses.flatMap((d) => d.injections.map((i) => [numbRule(d.agent, i.technique), d.agent] as const)),
  )
  const way = (rule: RuleId): string => (rule.endsWith('block') ? 'block' : 'infiltration')
  const ways = [...rules.keys()].map(way)
  return [...rules].map(([rule, agent]) => {
    const { value, because } = c.rule(rule)
    const twice = ways.filter((w) => w === way(rule)).length > 1
    return {
      ...because,
      name: `expected numbness, ${way(rule)}${twice ? `, ${agent}` : ''}`,
      value: Math.round(value / 60),
      unit: 'min',
      text: `${because.text}; the test decides`,
    }
  })
}

/** What a living tooth feels where nothing is numbed: a bur in its enamel, or air and water on what lies bare. */
export type Felt = 'enamel' | 'bare'

/** Topical, injections, rinse. The test of numbness is {@link numbTest}, after the wait. */
export function anaesthesia(c: Case, numbing: Numbing, felt?: Felt): Block {
  if (numbing.by === 'sleep')
    return absent(
      'local anaesthesia',
      reason(
        'under general anaesthesia, only where licensed; the dentist may add a little against the pain on waking',
        'C',
      ),
    )
  if (numbing.by === 'nothing') {
    const none = absent('anaesthesia', reason('nothing in this visit hurts; the dentist may still ask for it', 'C'))
    if (!felt) return none
    const chosen = c.asks('anaesthetic')
    // What would be given first: an infiltration at the first tooth.
    const first: Injection = { technique: 'infiltration', at: firstOf(c.units).tooth, covers: [] }
    const [{ agent } = { agent: chosen }] = agentsFor([first], { choice: chosen, ageYears: c.asks('ageYears') })
    return sequence(none, lay(c, 'anaesthesia.ask', { agent: `cartridge.${agent}`, bare: felt === 'bare' }))
  }
  const { injections } = numbing
  const doses = dosesFor(c, injections)
  const several = doses.length > 1
  const words = several
    ? doses.map((d) => `${injectionWords(d.injections, c.say)}, ${d.agent.split(' ', 1).join('')}`).join('; ')
    : injectionWords(injections, c.say)
  const given = several
    ? doses.map((d) => `${injectionWords(d.injections, c.say)}, ${d.agent}`).join('; ')
    : `${words}; ${doses.map((d) => d.agent).join('')}`
  const volumes = injections.map((i) => c.rule(volumeRule(i)))
  const laid = doses.reduce((sum, d) => sum + d.cartridges, 0)
  const planned = plannedAnaesthetic(doses, { weightKg: c.asks('weightKg'), child: childOf(c) })
  const long = injections.some(isBlock)
  const short = injections.some((i) => !isBlock(i) && i.technique !== 'long-buccal')
  const needles = Number(long) + Number(short || !long)
  const more = injections.length - 1
  return sequence(
    lay(c, 'anaesthesia.topical'),
    lay(c, 'anaesthesia.inject', {
      words,
      more,
      given,
      laid,
      lower: injections.some((i) => jawOf(i.at) === 'lower'),
      child: childOf(c) === true,
      volumes: [...new Set(volumes.map((v) => v.because.text))].join('; '),
      shortest: 1 + 0.3 * more,
      likely: 2 + 0.6 * more,
      longest: 4 + more,
      doses,
      childBounds: childBounds(c),
      over: planned.over,
      long,
      short,
      mental: injections.some((i) => i.technique === 'inferior-alveolar' && i.covers.some(isPremolarPulp)),
      cartridges: doses.map((d) => open(`cartridge.${d.agent}`, d.cartridges)),
      moreCartridges: doses.map((d) =>
        standby(`cartridge.${d.agent}`, 'the test is not good and more is given', 1, { piece: 'reserve' }),
      ),
      adrenaline: doses.some((d) => d.agent.includes('adrenaline')),
      needles,
      cautionsOf: cautionsOf(c, doses),
      cautions: planned.cautions,
      figures: planned.figures,
      lastingOf: lastingOf(c, doses),
    }),
    lay(c, 'anaesthesia.rinse'),
  )
}

/** The dentist tests each site, and signs: nothing that hurts comes before it. */
export function numbTest(c: Case, numbing: Numbing): Block {
  if (numbing.by !== 'needle') return nothing
  const { sites, injections, cut } = numbing
  const where = testWords(sites, injections, c.say)
  return lay(c, 'anaesthesia.test', {
    cold: cut.map(c.say).join(', '),
    several: cut.length > 1,
    where,
    takes: injections.some(isBlock) ? 'anaesthetic.block' : 'anaesthetic.infiltration',
  })
}
