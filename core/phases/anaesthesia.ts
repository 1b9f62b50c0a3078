import { reason, type Figure } from '../figure'
import { jawOf, parts } from '../teeth/notation'
import { absent, open, standby, sequence, step, nothing, type Block } from './build'
import type { Case } from './case'

/** mg in one cartridge: strength × volume. Arithmetic; shown for the dentist's review, never as permission. */
const cartridges = {
  'articaine with adrenaline': { percent: 4, mL: 1.7 },
  'lidocaine with adrenaline': { percent: 2, mL: 1.8 },
  'mepivacaine plain': { percent: 3, mL: 1.7 },
} as const

/** The amount in one cartridge, mg. 2 % × 1.8 mL = 36 mg; 4 % × 1.7 mL = 68 mg. */
export function cartridgeMg(agent: keyof typeof cartridges): Figure {
  const { percent, mL } = cartridges[agent]
  const value = Math.round(percent * 10 * mL)
  return { name: `${agent}, one cartridge`, value, unit: 'mg', text: `${percent} % is ${percent * 10} mg/mL; × ${mL} mL = ${value} mg. For the dentist’s review`, standing: 'calc' }
}

/** Lower premolars and molars are numbed by block, everything else by infiltration. Standing C. */
export const technique = (c: Case): 'block' | 'infiltration' => (c.units.some((u) => jawOf(u.tooth) === 'lower' && parts(u.tooth).position >= 5) ? 'block' : 'infiltration')

/** Whether anything in this visit hurts: cutting a vital tooth, a cord, a clamp. */
export function needsAnaesthesia(c: Case, cord: boolean): boolean {
  return c.request.vital || cord || c.choices.isolation === 'dam throughout'
}

/** Topical, injection, rinse. The test of numbness is {@link numbTest}, after the wait. */
export function anaesthesia(c: Case, cord: boolean): Block {
  if (!needsAnaesthesia(c, cord)) {
    return absent('anaesthesia', reason('root-filled tooth, no cord and no clamp: nothing in this visit needs it; the dentist may still ask for it', 'C'))
  }
  const agent = c.request.anaesthetic
  const adrenaline = agent.includes('adrenaline')
  const how = technique(c)
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
      detail: c.request.vital ? undefined : 'The pulp is gone; the tissue is not: numb for cord and clamp.',
      fn: 'injection',
      place: 'mouth',
      helped: true,
      minutes: [1, 2, 4],
      passes: ['syringe below the patient’s line of sight', 'gauze'],
      needs: [
        open('syringe'), open(how === 'block' ? 'needle.long' : 'needle.short'), open(`cartridge.${agent}`, 1),
        standby(`cartridge.${agent}`, 'the first does not reach', 1),
        ...(c.has('adrenaline-sensitive') && adrenaline ? [standby('cartridge.mepivacaine plain', 'the dentist asks for one without adrenaline')] : []),
      ],
      countIn: { id: 'needle', what: 'needles', planned: 1, outStep: 'anaesthesia.rinse' },
      cautions: [reason('Needle: one-handed recapping or a safety device, never hand to hand', 'C')],
      figures: [cartridgeMg(agent)],
      ties: [{ from: 'anaesthesia.topical', fromEdge: 'finish', atLeastS: 60, title: 'Topical takes', because: reason('topical 1–2 min before the needle', 'C') }],
    }),
    step({
      id: 'anaesthesia.rinse',
      phase: 'anaesthesia',
      title: 'Rinse; needle to the sharps box',
      fn: 'rinse',
      place: 'mouth',
      minutes: [0.3, 0.5, 1],
      needs: [open('sharps box')],
      countOut: 'needle',
    }),
  )
}

/** The dentist tests, and signs: nothing that hurts comes before it. */
export function numbTest(c: Case, cord: boolean): Block {
  if (!needsAnaesthesia(c, cord)) return nothing
  const block = technique(c) === 'block'
  const lagS = block ? 300 : 180
  return step({
    id: 'anaesthesia.test',
    phase: 'anaesthesia',
    title: 'Test: numb on both sides',
    told: 'tested numbness on the cheek and the tongue side',
    detail: 'Cheek side and tongue side.',
    fn: 'numb test',
    place: 'mouth',
    minutes: [0.3, 0.5, 2],
    hold: { name: 'numb', title: 'Numb, tested', evidence: 'the dentist’s own test, cheek and tongue side', because: reason('no cutting, clamp or cord before the tissue is numb', 'C') },
    ties: [{ from: 'anaesthesia.inject', fromEdge: 'finish', atLeastS: lagS, title: 'Anaesthetic takes', because: reason(`${block ? 'block: 5–10' : 'infiltration: 3'} min from needle to test`, 'M') }],
    mistakes: ['only the cheek side tested: the clamp then hurts and springs off'],
  })
}
