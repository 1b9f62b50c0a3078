import { reason } from '../figure'
import { cartridgeMg, ceilingMg } from '../measure/anaesthetic'
import { jawOf, parts } from '../teeth/notation'
import { absent, open, standby, sequence, step, nothing, type Block, atLeast } from './build'
import { teethOf, type Case } from './case'

/** How the visit is made painless, decided by what its work does. */
export type Numbing = { by: 'needle'; because: string } | { by: 'nothing' } | { by: 'sleep' }

/**
 * Lower molars and second premolars are numbed by block, everything else by infiltration; among primary teeth the lower
 * molars. Standing C.
 */
export const technique = (c: Case): 'block' | 'infiltration' => {
  const from = c.kind.dentition === 'primary' ? 4 : 5
  return c.units.some((u) => jawOf(u.tooth) === 'lower' && parts(u.tooth).position >= from) ? 'block' : 'infiltration'
}

/** Topical, injection, rinse. The test of numbness is {@link numbTest}, after the wait. */
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
  const agent = c.request.anaesthetic
  const how = technique(c)
  const child = c.kind.dentition === 'primary'
  const { weightKg } = c.request
  const ceiling =
    weightKg === undefined ? undefined : ceilingMg(agent, weightKg, child || weightKg < 40 ? 'children' : 'adults')
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
      title: how === 'block' ? 'Injection: block' : 'Injection: infiltration',
      told: `gave ${how === 'block' ? 'a block' : 'an infiltration'} with ${agent}, one cartridge laid out`,
      tell: `Your lip, cheek and tongue are numb for some hours. Do not eat until the feeling is back, and mind hot drinks and biting your lip or cheek.${child ? ' Watch that the child does not chew the numb lip.' : ''}`,
      ...(c.request.vital ? {} : { detail: 'The pulp is gone; the tissue is not: numb for cord and clamp.' }),
      fn: 'injection',
      asks: [{ reading: 'anaesthetic', teeth: teethOf(c) }],
      place: 'mouth',
      helped: true,
      minutes: [1, 2, 4],
      passes: ['syringe below the patient’s line of sight', 'gauze'],
      needs: [
        open('syringe'),
        open(how === 'block' ? 'needle.long' : 'needle.short'),
        open(`cartridge.${agent}`, 1),
        standby(`cartridge.${agent}`, 'the first does not reach', 1),
        ...(c.has('adrenaline-sensitive') && agent.includes('adrenaline')
          ? [standby('cartridge.mepivacaine plain', 'the dentist asks for one without adrenaline')]
          : []),
      ],
      countsIn: [{ id: 'needle', what: 'needles', planned: 1, outStep: 'anaesthesia.rinse' }],
      cautions: [
        reason('Needle: one-handed recapping or a safety device, never hand to hand', 'C'),
        ...(child ? [reason('Children: dose by weight, read aloud before the syringe is passed', 'C')] : []),
      ],
      figures: [cartridgeMg(agent), ...(ceiling ? [ceiling] : [])],
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

/** The dentist tests, and signs: nothing that hurts comes before it. */
export function numbTest(c: Case, numbing: Numbing): Block {
  if (numbing.by !== 'needle') return nothing
  const block = technique(c) === 'block'
  return step({
    id: 'anaesthesia.test',
    phase: 'anaesthesia',
    title: 'Test: numb on both sides',
    act: 'numb',
    told: 'tested numbness on the cheek and the tongue side',
    detail: 'Cheek side and tongue side.',
    fn: 'numb test',
    place: 'mouth',
    minutes: [0.3, 0.5, 2],
    hold: {
      name: 'numb',
      title: 'Numb, tested',
      evidence: 'the dentist’s own test, cheek and tongue side',
      because: reason('no cutting, clamp or cord before the tissue is numb', 'C'),
    },
    ties: [
      {
        from: 'anaesthesia.inject',
        fromEdge: 'finish',
        ...atLeast(c.rule(block ? 'anaesthetic.block' : 'anaesthetic.infiltration')),
        title: 'Anaesthetic takes',
      },
    ],
    mistakes: ['only the cheek side tested: the clamp then hurts and springs off'],
  })
}
