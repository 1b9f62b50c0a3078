/** The cord beside an impression: how long it dwells, how it is drawn, how long the crevice stays open, what a retake does over. */
import { lastOf } from '../sure'
import { inWords, span } from '../rules'
import { reason } from '../figure'
import type { CordLayer } from '../measure/cord'
import {
  meanwhile,
  nothing,
  only,
  ownOf,
  sequence,
  step,
  within,
  type Block,
  type Draft,
  type Tie,
} from '../library/build'
import type { Case } from '../library/case'
import { layerWords, cordOutStep, cordStepId, drawnLayer, type CordPlan, type CordSite } from './cord-plan'
import { drawnCounts, pelletsOutStep } from './tissue'

/** The cord's minutes: not drawn before, and called when it has lain long enough to hurt. */
export function dwell(c: Case, from: string, plain = false): Tie {
  const [least, longest] = [c.rule('cord.dwell'), c.rule(plain ? 'cord.longest.plain' : 'cord.longest')]
  return {
    from,
    fromEdge: 'finish',
    atLeastS: least.value,
    warnS: Math.max(longest.value, least.value),
    ...ownOf(least, longest),
    title: 'Cord dwells',
    because: inWords(
      `at least ${span(least.value)} after the last piece; over ${span(longest.value)} the tissue suffers`,
      least,
      longest,
    ),
  }
}

/** Whether this impression’s material likes a damp field. */
const damp = (c: Case): boolean =>
  c.choices.impression === 'reversible hydrocolloid' || c.choices.impression === 'polyether, custom tray'

/** What the field is made ready for. */
const trainWords = (c: Case): string => (c.choices.impression === 'optical scan' ? 'a scan' : 'a wash')

/** Dried once, and every margin looked at: after the last cord has left, and never again before the material. */
export function dryOnce(c: Case, plan: CordPlan): Block {
  const drawn = drawnLayer(plan) !== undefined
  const base = plan.layers.includes('base')
  const { value } = c.rule('dry.once')
  return step({
    id: 'impression.dry',
    wantsClean: trainWords(c),
    phase: 'impression',
    title: `${drawn ? 'Dry' : 'Rinse, dry'} once, thoroughly${damp(c) ? ', and leave it just damp' : ''}; look at every margin`,
    ...(base ? { detail: 'The base cord stays where it is: does it still lie below every margin?' } : {}),
    fn: 'chairside',
    place: 'mouth',
    minutes: drawn ? [(value * 0.7) / 60, value / 60, (value * 1.6) / 60] : [0.3, 0.5, 1],
    helped: true,
    ...(base && !drawn ? { ties: [dwell(c, cordStepId('base', lastOf(plan.sites)), true)] } : {}),
  })
}

/**
 * One cord drawn wet, in one smooth pull.
 * @param next what waits in the other hand
 */
export function drawCord(
  plan: CordPlan,
  layer: CordLayer,
  s: CordSite,
  next: readonly string[],
  more: Partial<Draft> = {},
): Block {
  const word = layerWords(plan, layer)
  return step({
    id: cordOutStep(layer, s),
    phase: 'impression',
    title: `Draw the ${word}, ${s.label}`,
    act: 'cord drawn',
    asks: [{ reading: 'cord out', teeth: [s.tooth] }],
    told: `drew the ${word} of ${s.label}, wet`,
    detail: 'Wet, in one smooth pull.',
    tooth: s.tooth,
    fn: 'cord removal',
    place: 'mouth',
    helped: true,
    minutes: [0.08, 0.13, 0.4],
    passes: ['tweezers', ...next],
    countsOut: drawnCounts(plan, layer, s),
    cautions: [reason('Never dry: a dry cord takes the lining with it and it bleeds', 'C')],
    ...more,
  })
}

/**
 * The field made ready, one thing after the other and none of them twice: pellets out and counted, the agent rinsed off, the
 * syringe loaded, every cord drawn wet, dried once. Standing C.
 * @param syringe loaded before the first cord leaves; nothing for a scan
 */
export function fieldReady(c: Case, plan: CordPlan, syringe: Block | undefined): Block {
  const layer = drawnLayer(plan)
  const dwells = layer ? [dwell(c, cordStepId(layer, lastOf(plan.sites)))] : []
  const pelletsOut = only(plan.pellet, () =>
    step({
      id: pelletsOutStep,
      phase: 'impression',
      title: 'Pellets out from between the teeth, counted',
      wantsClean: trainWords(c),
      told: 'took the back-up pellets out',
      fn: 'cord removal',
      place: 'mouth',
      minutes: [0.2, 0.3, 0.6],
      passes: ['tweezers'],
      countsOut: ['pellets'],
      ties: dwells,
    }),
  )
  if (!layer)
    return sequence(
      pelletsOut,
      syringe ? meanwhile('the syringe is loaded', dryOnce(c, plan), syringe) : dryOnce(c, plan),
    )
  return sequence(
    pelletsOut,
    step({
      id: 'impression.rinse',
      phase: 'impression',
      wantsClean: trainWords(c),
      title: plan.agent === 'plain' ? 'Rinse; the cords stay wet' : 'Rinse the agent off; the cords stay wet',
      fn: 'chairside',
      place: 'mouth',
      minutes: [0.15, 0.25, 0.5],
      passes: ['water and suction'],
      ties: plan.pellet ? [] : dwells,
    }),
    syringe ?? nothing,
    ...plan.sites.map((s) => drawCord(plan, layer, s, syringe ? ['loaded syringe, ready in the other hand'] : [])),
    dryOnce(c, plan),
  )
}

/**
 * From the last cord’s leaving until wash lies in every crevice, or the scan begins: washing takes longer than drawing, so
 * the margin that is washed last is the hardest to hold.
 */
export function crevice(c: Case, plan: CordPlan, to: 'start' | 'finish', again: string[]): Tie[] {
  const layer = drawnLayer(plan)
  if (!layer) return []
  const rule = c.rule(plan.layers.includes('base') ? 'crevice.base' : 'crevice.open')
  const warns = c.rule('crevice.warns')
  return [
    {
      from: cordOutStep(layer, lastOf(plan.sites)),
      fromEdge: 'finish',
      toEdge: to,
      ...within(rule, warns),
      title: 'Gum closes in',
      because: to === 'start' ? inWords('the gum starts closing in as soon as the cord leaves', rule) : rule.because,
      whenMissed: `pack again and wait ${span(c.rule('cord.dwell').value)}`,
      again,
    },
  ]
}

export const roundSteps = (mark: string): string[] =>
  ['load-syringe', 'inject', 'load-tray', 'seat', 'remove'].map((act) => `impression.${mark}${act}`)

/** What a retake does over: the drawn cord goes in again, and everything from the rinse to the reading. */
export function retakeSteps(plan: CordPlan): string[] {
  const layer = drawnLayer(plan)
  const cord = layer ? plan.sites.flatMap((s) => [cordStepId(layer, s), cordOutStep(layer, s)]) : []
  return [
    ...cord,
    ...(layer ? ['impression.rinse'] : []),
    'impression.dry',
    ...roundSteps(''),
    'impression.scan-preparation',
    'impression.scan-bite',
    'impression.scan-holes',
    'impression.inspect',
  ]
}
