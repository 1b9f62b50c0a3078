/** Cords, pellets and paste: placed, and out again. */
import { firstOf } from '../sure'
import { reason, type Reason } from '../figure'
import { cordSize, smallerCord, type CordCoverage, type CordLayer, type CordSize } from '../measure/cord'
import { soreGum, type Site } from '../measure/numbing'
import { capital } from '../words'
import {
  cordCountId,
  layerWords,
  cordOutStep,
  cordStepId,
  drawnLayer,
  toothSites,
  type CordPlan,
  type CordSite,
} from './cord-plan'
import {
  absent,
  nothing,
  only,
  open,
  practice,
  sequence,
  standby,
  step,
  type Block,
  type Draft,
  atLeast,
  ownOf,
  type Tie,
} from '../library/build'
import { type Case } from '../library/case'

const agentNeed = {
  'aluminium chloride': 'agent.aluminium chloride',
  'ferric sulphate': 'agent.ferric sulphate',
  adrenaline: 'agent.adrenaline',
} as const
const packerNeed = {
  serrated: open('cord packer.serrated', 1, {
    words: 'serrated cord packer',
    orElse: [
      { what: 'cord packer.smooth', loss: 'slides off braided cord' },
      { what: 'periodontal probe', loss: 'thin: needs a light hand' },
    ],
  }),
  smooth: open('cord packer.smooth', 1, {
    words: 'smooth cord packer',
    orElse: [
      { what: 'cord packer.serrated', loss: 'snags knitted cord' },
      { what: 'periodontal probe', loss: 'thin: needs a light hand' },
    ],
  }),
  probe: open('periodontal probe'),
} as const

/** Agent a piece of cord takes up in the dish, mL. A starting estimate of ours. */
const soakedMl = 0.2

/** The gum a cord lies in: all round, or where only the front of the tooth is cut the lip and cheek side. */
const gumAt = (sites: readonly CordSite[]): Site[] =>
  sites.flatMap((s) => soreGum([s.tooth], s.along === 'labial and proximal' ? ['cheek'] : ['cheek', 'inner']))

const gum =
  'The gum was held back with a fine cord. It may be sore for a few days. Brush it softly and rinse with warm salt water.'

/** One piece of cord placed; `more` overrides what is its own. */
export function placeCord(
  c: Case,
  plan: CordPlan,
  layer: CordLayer,
  s: CordSite,
  set: { size: CordSize; because: Reason; purpose?: string },
  more: Partial<Draft> = {},
): Block {
  const { size, because, purpose = layer === 'base' ? 'to keep fluid under the margin' : 'to show the margin' } = set
  const length = s.length(layer)
  const cutMm = Math.ceil(length.value)
  const finer = smallerCord(size)
  const word = layerWords(plan, layer)
  const packer = packerNeed[c.choices.packer]
  const tight = s.along === 'box' ? '' : ' Tight contact: doubled floss carries it in.'
  return step({
    id: cordStepId(layer, s),
    phase: 'tissue',
    title: `${capital(word)} ${size}, ${cutMm} mm, ${s.label}`,
    told: `placed ${word} size ${size}, ${cutMm} mm, on ${s.label}${plan.agent === 'plain' ? '' : ` with ${plan.agent}`}`,
    tell: gum,
    act: 'cord in',
    cord: { layer, size, mm: cutMm, agent: plan.agent, purpose },
    asks: [{ reading: 'cord', teeth: [s.tooth], layer, along: s.along, size }],
    detail: `Begin between the teeth, push back toward what is seated.${tight} White tissue: one size smaller.`,
    tooth: s.tooth,
    fn: 'cord placement',
    place: 'mouth',
    helped: true,
    hurts: gumAt([s]),
    minutes: layer === 'top' ? [1, 1.5, 3] : [1, 2, 4],
    passes: [
      'cord in tweezers',
      c.choices.packer === 'probe' ? 'probe' : 'packer',
      'second instrument holds what is seated',
    ],
    needs: [
      open(`cord.${size}`, cutMm, { piecesMm: [cutMm], because, words: `cord size ${size}` }),
      ...(finer
        ? [standby(`cord.${finer}`, 'the tissue blanches', cutMm, { piecesMm: [cutMm], words: `cord size ${finer}` })]
        : []),
      packer,
      open('cord scissors'),
      ...(s.along === 'box'
        ? []
        : [standby('floss', 'a contact is tight: doubled, it carries the cord in', 300, { piece: 'cord floss' })]),
      open('dappen dish'),
      ...(plan.agent === 'plain' ? [] : [open(agentNeed[plan.agent], soakedMl)]),
      standby('cotton pellet', 'the tissue weeps: back-up, counted', 2),
      // Not for bonding, where no salt may reach the dentine: those cords are placed without a plan of sites.
      ...(plan.agent === 'plain' && plan.sites.length > 0
        ? [standby('agent.aluminium chloride', 'it bleeds: haemostatic, by the dentist’s word', 0.5)]
        : []),
    ],
    countsIn: [
      {
        id: cordCountId(layer, s),
        what: `${layer === 'single' ? 'single cord' : word}, ${s.said}`,
        planned: 1,
        outStep: cordOutStep(layer, s),
      },
    ],
    figures: [length],
    reason: because,
    cautions:
      // Said at the first piece: a warning that stands on ten steps is read on none.
      plan.agent === 'aluminium chloride' && s === plan.sites[0]
        ? [reason('Aluminium chloride is bitter: suction, and rinse it off before the impression', 'C')]
        : [],
    mistakes: ['pushed away from the seated part: it lifts out behind you'],
    ...more,
  })
}

/** Cords in: base, then top, site by site; a second piece where one spot runs deep; pellets and paste by the school. */
export function cords(c: Case, plan: CordPlan): Block {
  const thin = c.request.margin === 'supragingival'
  const size = (layer: CordLayer): { size: CordSize; because: Reason } =>
    thin ? { size: '00', because: plan.because } : cordSize(layer, c.request.tissue)
  return sequence(
    plan.layers.length === 0 && !plan.paste ? absent('cord', plan.because) : nothing,
    ...plan.layers.flatMap((layer) => plan.sites.map((s) => placeCord(c, plan, layer, s, size(layer)))),
    only(plan.deep, () => deepPiece(c, plan)),
    only(plan.pellet, () => pellets(plan)),
    only(plan.paste, () => paste(c, plan)),
  )
}

/** A local deep margin: a second short piece only there. It is drawn with the others. */
function deepPiece(c: Case, plan: CordPlan): Block {
  const { value: mm, because } = c.rule('cord.deep')
  const s = firstOf(plan.sites)
  const layer = drawnLayer(plan) ?? 'base'
  return step({
    id: 'tissue.deep-piece',
    phase: 'tissue',
    title: `Second short piece where the margin runs deep, ${s.label}`,
    told: `placed a second short piece of cord at the deep spot of ${s.label}`,
    tooth: s.tooth,
    fn: 'cord placement',
    place: 'mouth',
    helped: true,
    hurts: gumAt([s]),
    minutes: [0.5, 1, 2],
    needs: [open('cord.1', mm, { piecesMm: [mm], words: 'cord size 1' })],
    countsIn: [{ id: 'cord.deep', what: 'short cord at the deep spot', planned: 1, outStep: cordOutStep(layer, s) }],
    reason: because,
  })
}

const deepOut = (plan: CordPlan, layer: CordLayer, s: CordSite): string[] =>
  plan.deep && s === plan.sites[0] && layer === (drawnLayer(plan) ?? 'base') ? ['cord.deep'] : []

/** Before anything else of the impression: a pellet under the tray is an impression lost. */
export const pelletsOutStep = 'impression.pellets-out'

function pellets(plan: CordPlan): Block {
  return step({
    id: 'tissue.pellets',
    phase: 'tissue',
    title: 'Soaked pellets pressed between the teeth',
    told: 'pressed soaked pellets between the teeth as back-up',
    fn: 'cord placement',
    place: 'mouth',
    hurts: gumAt(plan.sites),
    minutes: [0.5, 1, 2],
    needs: [open('cotton pellet', plan.sites.length * 2)],
    countsIn: [
      {
        id: 'pellets',
        what: 'back-up pellets',
        planned: plan.sites.length * 2,
        outStep: pelletsOutStep,
      },
    ],
    mistakes: ['counted in and forgotten: a pellet left behind, and it is all done again'],
  })
}

function paste(c: Case, plan: CordPlan): Block {
  return step({
    id: 'tissue.paste',
    phase: 'tissue',
    title: 'Astringent paste over the crevice, patient bites on a roll, then rinse it all off',
    told: 'held the tissue with astringent paste and rinsed it off',
    tell: 'The gum was held back with a paste. It may be sore for a day or two.',
    fn: 'cord placement',
    place: 'mouth',
    helped: true,
    hurts: plan.layers.length > 0 ? gumAt(plan.sites) : [],
    minutes: [2, 2.5, 4],
    needs: [open('agent.astringent paste', plan.sites.length * 0.3), open('paste tip'), open('cotton roll', 2)],
    ties: [
      {
        from: '.',
        fromEdge: 'start',
        toEdge: 'finish',
        ...atLeast(c.rule('paste.works')),
        title: 'Paste works',
      },
    ],
    mistakes: ['rinsed short: what is left stops addition silicone at the margin'],
    reason: plan.because,
  })
}

/** What a drawn cord takes with it: its own count, and the deep piece where it comes out with it. */
export function drawnCounts(plan: CordPlan, layer: CordLayer, s: CordSite): string[] {
  return [cordCountId(layer, s), ...deepOut(plan, layer, s)]
}

/** Base cords come out after the impression; every piece is on the count. */
export function baseCordsOut(c: Case, plan: CordPlan, placedPlain: boolean): Block {
  const longest = c.rule(placedPlain ? 'cord.longest.plain' : 'cord.longest')
  // The piece that was placed first lies longest, through every retake: its clock is the one that is watched.
  const lies = (s: CordSite): Tie[] =>
    s === plan.sites[0]
      ? [
          {
            from: cordStepId('base', s),
            fromEdge: 'finish',
            atLeastS: 0,
            warnS: longest.value,
            ...ownOf(longest),
            title: 'Base cord lies',
            because: longest.because,
          },
        ]
      : []
  return only(plan.layers.includes('base'), () =>
    sequence(
      ...plan.sites.map((s) =>
        step({
          id: cordOutStep('base', s),
          phase: 'impression',
          title: `${capital(layerWords(plan, 'base'))} out, wet, ${s.label}`,
          act: 'base cord out',
          asks: [{ reading: 'cord out', teeth: [s.tooth] }],
          told: `removed the ${layerWords(plan, 'base')} of ${s.label}`,
          tooth: s.tooth,
          fn: 'cord removal',
          place: 'mouth',
          minutes: [0.3, 0.5, 1],
          countsOut: [cordCountId('base', s), ...deepOut(plan, 'base', s)],
          ties: lies(s),
          cautions: [reason('Wet it first: a dry cord takes the lining with it', 'C')],
        }),
      ),
    ),
  )
}

/**
 * Cord before cutting: pushes the tissue aside so that the bur does not cut it; labial and both proximal sides, seated so
 * that it cannot be seen, and it stays until after the impression. 00 where displacement is wanted. It only protects, so
 * it is wet and not astringent. Standing C.
 */
export function cordsBeforeCutting(c: Case, plan: CordPlan): Block {
  const size = c.request.tissue.biotype === 'thin' ? '000' : '00'
  return sequence(
    ...plan.sites.map((s) =>
      placeCord(
        c,
        { ...plan, agent: 'plain' },
        'base',
        s,
        {
          size,
          purpose: 'to guard the gum while it is cut',
          because: practice(
            `cord before cutting: ${size} labially and on both proximal sides, out of sight, until after the impression`,
          ),
        },
        {
          detail: `Labial and both proximal sides only; tails in the embrasures. Tight contact: doubled floss carries it in. Seated so that it cannot be seen: the bur then cuts tooth, not tissue. Wet with water or saline; an anaesthetic on it counts with what was injected${c.has('adrenaline-sensitive') ? ', and is one without adrenaline: the alert' : ''}.`,
          mistakes: [
            'left standing proud: the bur winds it up',
            'pushed away from the seated part: it lifts out behind you',
          ],
        },
      ),
    ),
  )
}

/**
 * Cord that only keeps fluid out, for bonding, luting or a cervical filling: 000, no displacement. Standing C.
 * @param outId step at which the pieces come out.
 */
export function cordsForBonding(c: Case, outId: string, coverage: CordCoverage = 'labial and proximal'): Block {
  return sequence(
    ...toothSites(c, coverage).map((s) =>
      placeCord(
        c,
        {
          layers: ['single'],
          sites: [],
          because: practice('fluid only'),
          agent: 'plain',
          pellet: false,
          paste: false,
          deep: false,
        },
        'single',
        s,
        {
          size: '000',
          purpose: 'to keep fluid out',
          because: practice('for bonding: 000 keeps the fluid out and displaces nothing; no salts on the dentine'),
        },
        {
          countsIn: [{ id: cordCountId('single', s), what: `cord for bonding, ${s.said}`, planned: 1, outStep: outId }],
        },
      ),
    ),
  )
}

/** Counts of the cords placed for bonding, to be taken out together. */
export const bondingCordCounts = (c: Case): string[] => c.units.map((u) => cordCountId('single', u))
