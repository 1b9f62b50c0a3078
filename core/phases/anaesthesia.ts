import { jawOf } from '../teeth/notation'
import { reason, round, type Figure } from '../figure'
import { numbRule } from '../measure/numb-lasts'
import { capital } from '../words'
import { cartridgesFor, plannedAnaesthetic } from '../measure/anaesthetic'
import { ageCautions, agentsFor, type Dose } from '../measure/doses'
import type { RuleId } from '../rules'
import {
  injectionsFor,
  injectionWords,
  sideOf,
  techniques,
  testWords,
  type Injection,
  type Site,
} from '../measure/numbing'
import { absent, open, standby, sequence, step, nothing, type Block, type Drafted, atLeast } from '../library/build'
import { childBounds, childOf, teethOf, type Case } from '../library/case'

/** How the visit is made painless, decided by what its work does: what hurts where, and what covers it. */
export type Numbing =
  | { by: 'needle'; sites: readonly Site[]; injections: Injection[] }
  | { by: 'nothing' }
  | { by: 'sleep' }

/** What everything that hurts in these steps asks to be numb. */
export function numbingOf(drafts: readonly Drafted[]): Numbing {
  const sites = drafts.flatMap((d) => d.hurts ?? [])
  return sites.length === 0 ? { by: 'nothing' } : { by: 'needle', sites, injections: injectionsFor(sites) }
}

const isBlock = (i: Injection): boolean => techniques[i.technique].block

/** The agents, with what each is given for and takes. */
export const dosesFor = (c: Case, injections: readonly Injection[]): Dose[] =>
  agentsFor(injections, { choice: c.request.anaesthetic, ageYears: c.request.ageYears }).map(
    ({ agent, injections: own }) => {
      const mL = round(
        own.reduce((sum, i) => sum + c.rule(`volume.${i.technique}`).value, 0),
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
    reason('Needle: one-handed recapping or a safety device, never hand to hand', 'C'),
    ...(child === true ? [reason('Children: dose by weight, read aloud before the syringe is passed', 'C')] : []),
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
      c.request.ageYears,
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

/** Topical, injections, rinse. The test of numbness is {@link numbTest}, after the wait. */
export function anaesthesia(c: Case, numbing: Numbing): Block {
  if (numbing.by === 'sleep')
    return absent(
      'local anaesthesia',
      reason(
        'under general anaesthesia, only where licensed; the dentist may add a little against the pain on waking',
        'C',
      ),
    )
  if (numbing.by === 'nothing')
    return absent('anaesthesia', reason('nothing in this visit hurts; the dentist may still ask for it', 'C'))
  const { injections } = numbing
  const doses = dosesFor(c, injections)
  const several = doses.length > 1
  const words = several
    ? doses.map((d) => `${injectionWords(d.injections, c.say)}, ${d.agent.split(' ', 1).join('')}`).join('; ')
    : injectionWords(injections, c.say)
  const given = several
    ? doses.map((d) => `${injectionWords(d.injections, c.say)}, ${d.agent}`).join('; ')
    : `${words}; ${doses.map((d) => d.agent).join('')}`
  const volumes = injections.map((i) => c.rule(`volume.${i.technique}`))
  const laid = doses.reduce((sum, d) => sum + d.cartridges, 0)
  const planned = plannedAnaesthetic(doses, { weightKg: c.request.weightKg, child: childOf(c) })
  const long = injections.some(isBlock)
  const short = injections.some((i) => !isBlock(i) && i.technique !== 'long-buccal')
  const needles = Number(long) + Number(short || !long)
  const more = injections.length - 1
  return sequence(
    step({
      id: 'anaesthesia.topical',
      phase: 'anaesthesia',
      title: 'Dry the tissue, topical on',
      told: 'applied topical anaesthetic',
      fn: 'topical',
      place: 'mouth',
      minutes: [0.5, 1, 1.5],
      needs: [open('topical', 0.5), open('cotton tip', 2)],
    }),
    step({
      id: 'anaesthesia.inject',
      phase: 'anaesthesia',
      title: `${more > 0 ? 'Injections' : 'Injection'}: ${words}`,
      told: `gave local anaesthetic: ${given}, ${laid} ${laid === 1 ? 'cartridge' : 'cartridges'} laid out`,
      tell: `Your ${injections.some((i) => jawOf(i.at) === 'lower') ? 'lip, cheek and tongue' : 'lip and cheek'} are numb for some hours. Do not eat until the feeling is back. Mind hot drinks, and do not bite your lip.${childOf(c) === true ? ' Watch that the child does not chew the numb lip.' : ''}`,
      detail: `${capital([...new Set(volumes.map((v) => v.because.text))].join('; '))}.${c.request.vital ? '' : ' The pulp is gone, the gum is not: it is numbed for what is done to it.'}`,
      fn: 'injection',
      asks: [{ reading: 'anaesthetic', teeth: teethOf(c) }],
      place: 'mouth',
      helped: true,
      minutes: [1 + 0.3 * more, 2 + 0.6 * more, 4 + more],
      passes: ['syringe below the patient’s line of sight', 'gauze'],
      numbed: {
        doses,
        under: childBounds(c),
        ...(planned.over === undefined ? {} : { over: planned.over }),
      },
      needs: [
        open('syringe'),
        ...(long ? [open('needle.long')] : []),
        ...(short || !long ? [open('needle.short')] : []),
        ...doses.map((d) => open(`cartridge.${d.agent}`, d.cartridges)),
        ...doses.map((d) => standby(`cartridge.${d.agent}`, 'the test is not good and more is given', 1)),
        ...(c.has('adrenaline-sensitive') && doses.some((d) => d.agent.includes('adrenaline'))
          ? [standby('cartridge.mepivacaine plain', 'the dentist asks for one without adrenaline')]
          : []),
      ],
      countsIn: [
        { id: 'needle', what: needles === 1 ? 'needle' : 'needles', planned: needles, outStep: 'anaesthesia.rinse' },
      ],
      cautions: [...cautionsOf(c, doses), ...planned.cautions],
      figures: [...planned.figures, ...lastingOf(c, doses)],
      ties: [
        {
          from: 'anaesthesia.topical',
          fromEdge: 'finish',
          ...atLeast(c.rule('topical.takes')),
          title: 'Topical takes',
        },
      ],
    }),
    step({
      id: 'anaesthesia.rinse',
      phase: 'anaesthesia',
      title: 'Rinse; needle to the sharps box',
      fn: 'rinse',
      place: 'mouth',
      minutes: [0.3, 0.5, 1],
      needs: [open('sharps box')],
      countsOut: ['needle'],
    }),
  )
}

/** The dentist tests each site, and signs: nothing that hurts comes before it. */
export function numbTest(c: Case, numbing: Numbing): Block {
  if (numbing.by !== 'needle') return nothing
  const { sites, injections } = numbing
  const where = testWords(sites, injections, c.say)
  return step({
    id: 'anaesthesia.test',
    phase: 'anaesthesia',
    title: 'Test: numb where it will hurt',
    act: 'numb',
    told: `tested numbness: ${where}`,
    detail: `By explorer: ${where}.`,
    fn: 'numb test',
    place: 'mouth',
    minutes: [0.3, 0.5, 2],
    passes: ['mirror', 'explorer'],
    needs: [open('mirror'), open('explorer')],
    hold: {
      name: 'numb',
      title: 'Numb, tested',
      evidence: `the dentist’s own test: ${where}`,
      because: reason('no cutting, clamp or cord before the tissue is numb', 'C'),
      // What was given is written down before it is tested: agent, amount, where.
      restsOn: ['anaesthesia.inject'],
      // Not good: more is given, with its own needle and cartridge, and only then tested again.
      again: ['anaesthesia.inject', 'anaesthesia.rinse', 'anaesthesia.test'],
    },
    ties: [
      {
        from: 'anaesthesia.inject',
        fromEdge: 'finish',
        ...atLeast(c.rule(injections.some(isBlock) ? 'anaesthetic.block' : 'anaesthetic.infiltration')),
        title: 'Anaesthetic takes',
      },
    ],
    mistakes: ['only one side of the gum tested: the other side hurts later'],
  })
}
