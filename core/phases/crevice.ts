/** The cord beside an impression: how long it dwells, how it is drawn, how long the crevice stays open, what a retake does over. */
import { lastOf } from '../sure'
import { inWords, span } from '../rules'
import { reason } from '../figure'
import type { CordLayer } from '../measure/cord'
import { ownOf, step, within, type Block, type Tie } from './build'
import type { Case } from './case'
import { cordOutStep, cordStepId, drawnCounts, drawnLayer, type CordPlan, type CordSite } from './tissue'

/** The cord's minutes: not drawn before, and called when it has lain long enough to hurt. */
function dwell(c: Case, from: string): Tie {
  const [least, longest] = [c.rule('cord.dwell'), c.rule('cord.longest')]
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

/** The teeth looked at and dried where no cord is drawn. */
export function dryTeeth(c: Case, plan: CordPlan): Block {
  const base = plan.layers.includes('base')
  return step({
    id: 'impression.dry',
    phase: 'impression',
    title: base ? 'Rinse, dry, look at every margin; the cord stays where it is' : 'Rinse, dry, look at every margin',
    fn: 'chairside',
    place: 'mouth',
    minutes: [0.3, 0.5, 1],
    helped: true,
    ...(base ? { ties: [dwell(c, cordStepId('base', lastOf(plan.sites)))] } : {}),
  })
}

/** One cord drawn just before the material, wet, in one smooth pull. */
export function drawCord(c: Case, plan: CordPlan, layer: CordLayer, s: CordSite): Block {
  const wet = c.choices.impression === 'reversible hydrocolloid' || c.choices.impression === 'polyether, custom tray'
  return step({
    id: cordOutStep(layer, s),
    phase: 'impression',
    title: `Draw the ${layer === 'top' ? 'top cord' : 'cord'}, ${s.label}`,
    act: 'cord drawn',
    asks: [{ reading: 'cord out', teeth: [s.tooth] }],
    told: `drew the ${layer === 'top' ? 'top cord' : 'cord'} of ${s.label}, wet`,
    detail: `Rinse the agent off first; wet, one smooth pull; then ${wet ? 'leave it damp' : 'dry'}.${layer === 'top' ? ' Does the base still lie below the margin?' : ''}`,
    tooth: s.tooth,
    fn: 'cord removal',
    place: 'mouth',
    helped: true,
    minutes: [0.08, 0.13, 0.4],
    passes: ['loaded syringe in the other hand', 'tweezers', 'air'],
    countsOut: drawnCounts(plan, layer, s),
    cautions: [reason('Never dry: a dry cord takes the lining with it and it bleeds', 'C')],
    ties: [dwell(c, cordStepId(layer, lastOf(plan.sites)))],
  })
}

/** From the cord's leaving until the wash lies, or the tray, or the scan begins. */
export function crevice(c: Case, from: string, to: 'start' | 'finish', again: string[]): Tie {
  const [open, warns] = [c.rule('crevice.open'), c.rule('crevice.warns')]
  return {
    from,
    fromEdge: 'finish',
    toEdge: to,
    ...within(open, warns),
    title: 'Crevice closes',
    because: to === 'start' ? inWords('the crevice starts closing as soon as the cord leaves', open) : open.because,
    whenMissed: `pack again and wait ${span(c.rule('cord.dwell').value)}`,
    again,
  }
}

export const roundSteps = (mark: string, sites: readonly CordSite[] = []): string[] =>
  ['load-syringe', 'inject', ...sites.map((s) => `inject.${s.key}`), 'load-tray', 'seat', 'remove'].map(
    (act) => `impression.${mark}${act}`,
  )

/** What a retake does over: the drawn cord goes in again, and everything from the syringe to the reading. */
export function retakeSteps(plan: CordPlan): string[] {
  const layer = drawnLayer(plan)
  const cord = layer ? plan.sites.flatMap((s) => [cordStepId(layer, s), cordOutStep(layer, s)]) : ['impression.dry']
  return [
    ...cord,
    ...roundSteps('', plan.sites),
    'impression.scan-preparation',
    'impression.scan-bite',
    'impression.inspect',
  ]
}
