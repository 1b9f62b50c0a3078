/** The cord beside an impression: how long it dwells, how it is drawn, how long the crevice stays open, what a retake does over. */
import { lay, type Otherwise } from '../lay'
import { lastOf } from '../../sure'
import { inWords, span } from '../../rules'
import { injectionWindow } from '../../measure/amounts'
import type { CordLayer } from '../../measure/cord'
import { injectionSites } from './impression-material'
import { meanwhile, nothing, only, ownOf, sequence, within, type Block, type Tie } from '../build'
import type { Case } from '../case'
import {
  layerWords,
  cordOutStep,
  cordStepId,
  drawnLayer,
  keyOf,
  pasteAlone,
  type CordPlan,
  type CordSite,
} from './cord-plan'
import { drawnCounts } from './tissue'

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
  c.school('impression') === 'reversible hydrocolloid' || c.school('impression') === 'polyether, custom tray'

/** What the field is made ready for. */
const trainWords = (c: Case): string => (c.school('impression') === 'optical scan' ? 'a scan' : 'a wash')

/** Dried once, and every margin looked at: after the last cord has left, and never again before the material. */
export function dryOnce(c: Case, plan: CordPlan): Block {
  const drawn = drawnLayer(plan) !== undefined || pasteAlone(plan)
  const base = plan.layers.includes('base')
  const { value } = c.rule('dry.once')
  return lay(c, 'impression.dry', {
    trainWords: trainWords(c),
    drawn,
    damp: damp(c),
    bleeds: c.gumCut || (c.asks('tissue').weeping && c.asks('margin') !== 'supragingival'),
    trimmed: c.gumCut,
    base,
    baseWord: layerWords(plan, 'base'),
    shortest: (value * 0.7) / 60,
    likely: value / 60,
    longest: (value * 1.6) / 60,
    dwell: () => dwell(c, cordStepId('base', lastOf(plan.sites)), true),
  })
}

/**
 * One cord drawn wet, in one smooth pull.
 * @param next what waits in the other hand
 */
export function drawCord(
  c: Case,
  plan: CordPlan,
  layer: CordLayer,
  s: CordSite,
  next: readonly string[],
  more: Otherwise = {},
): Block {
  const word = layerWords(plan, layer)
  return lay(c, more.as ?? 'tissue.draw-cord.$site', {
    ...s,
    cordOutStep: cordOutStep(layer, s),
    word,
    next,
    drawnCounts: drawnCounts(plan, layer, s),
    site: keyOf(s),
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
  const pelletsOut = only(plan.pellet, () => lay(c, 'impression.pellets-out', { trainWords: trainWords(c), dwells }))
  if (!layer)
    return sequence(
      pelletsOut,
      syringe ? meanwhile('the syringe is loaded', dryOnce(c, plan), syringe) : dryOnce(c, plan),
    )
  return sequence(
    pelletsOut,
    lay(c, 'impression.rinse', {
      trainWords: trainWords(c),
      agent: plan.agent,
      cordsWord: plan.sites.length * plan.layers.length > 1 ? '{cords} stay' : '{cord} stays',
      pellet: plan.pellet,
      dwells,
    }),
    syringe ?? nothing,
    ...plan.sites.map((s) => drawCord(c, plan, layer, s, syringe ? ['loaded {syringe}, ready in the other hand'] : [])),
    dryOnce(c, plan),
  )
}

/** A syringe is loaded in so many seconds, likely. Our estimate, as its step says. */
const loadS = 21
/** From the rinse of the paste until the last margin is washed: dried, loaded, washed, s. */
export function pasteTakesS(c: Case): number {
  const { kind, n } = injectionSites(c)
  return c.rule('dry.once').value + loadS + injectionWindow(kind, n, 0, 0, c.rule).injectionS
}

/**
 * From the last cord’s leaving until wash lies in every crevice, or the scan begins: washing takes longer than drawing, so
 * the margin that is washed last is the hardest to hold.
 */
export function crevice(c: Case, plan: CordPlan, to: 'start' | 'finish', again: string[]): Tie[] {
  const layer = drawnLayer(plan)
  // Paste holds the gum as a cord does: from its rinse on it closes in.
  const from = layer ? cordOutStep(layer, lastOf(plan.sites)) : pasteAlone(plan) ? 'tissue.paste' : undefined
  if (from === undefined) return []
  const rule = c.rule(plan.layers.includes('base') ? 'crevice.base' : 'crevice.open')
  const warns = c.rule('crevice.warns')
  // More margins than paste holds open for: asked about before the visit, and called out at the chair.
  if (!layer && c.school('impression') !== 'optical scan' && pasteTakesS(c) > rule.value)
    return [
      {
        from,
        fromEdge: 'finish',
        toEdge: to,
        atLeastS: 0,
        warnS: rule.value,
        title: 'Gum closes in',
        because: rule.because,
      },
    ]
  return [
    {
      from,
      fromEdge: 'finish',
      toEdge: to,
      ...within(rule, warns),
      title: 'Gum closes in',
      because:
        to === 'start'
          ? inWords(`the gum starts closing in as soon as the ${layer ? 'cord leaves' : 'paste is rinsed off'}`, rule)
          : rule.because,
      whenMissed: layer
        ? `pack again and wait ${span(c.rule('cord.dwell').value)}`
        : 'paste once more, rinse, and at once',
      again,
    },
  ]
}

export const roundSteps = (mark: string): string[] =>
  ['load-syringe', 'inject', 'load-tray', 'seat', 'remove'].map((act) => `impression.${mark}${act}`)

/** What a retake does over: the drawn cord goes in again, and everything from the rinse to the reading. */
export function retakeSteps(plan: CordPlan): string[] {
  const layer = drawnLayer(plan)
  const cord = layer
    ? plan.sites.flatMap((s) => [cordStepId(layer, s), cordOutStep(layer, s)])
    : pasteAlone(plan)
      ? ['tissue.paste']
      : []
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
