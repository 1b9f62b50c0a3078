/** Cords, pellets and paste: placed, and out again. */
import { lay, type Otherwise } from '../lay'
import { firstOf } from '../../sure'
import { type Reason } from '../../figure'
import { cordSize, guardSize, smallerCord, type CordCoverage, type CordLayer, type CordSize } from '../../measure/cord'
import { soreGum, type Site } from '../../measure/numbing'
import {
  cordCountId,
  layerWords,
  cordOutStep,
  cordStepId,
  drawnLayer,
  keyOf,
  pasteAlone,
  toothSites,
  type CordPlan,
  type CordSite,
} from './cord-plan'
import { roundsOf } from './impression-material'
import { absent, nothing, only, open, practice, sequence, type Block, ownOf, type Tie } from '../build'
import { type Case } from '../case'

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

/** Whether the base carries nothing: it guards the gum, or the school leaves the agent to the top cord. */
const basePlain = (c: Case, plan: Pick<CordPlan, 'layers' | 'guards' | 'agent'>): boolean =>
  plan.guards === true || plan.agent === 'plain' || (plan.layers.length > 1 && c.school('baseCord') === 'plain')

/** One piece of cord placed; `more` overrides what is its own. */
export function placeCord(
  c: Case,
  plan: CordPlan,
  layer: CordLayer,
  s: CordSite,
  set: { size: CordSize; because: Reason; purpose?: string },
  more: Otherwise = {},
): Block {
  const { size, because, purpose = layer === 'base' ? 'to keep fluid under the margin' : 'to show the margin' } = set
  const agent = layer === 'base' && basePlain(c, plan) ? 'plain' : plan.agent
  const length = s.length(layer, plan.layers.length < 2 && layer === 'base' ? 'cord' : undefined)
  const cutMm = Math.ceil(length.value)
  const finer = smallerCord(size)
  const word = layerWords(plan, layer)
  const packer = packerNeed[c.school('packer')]
  const tight = s.along === 'box' ? '' : ' Tight contact: doubled {floss} carries it in.'
  return lay(c, more.as ?? 'tissue.$layer-cord.$site', {
    ...s,
    cordStepId: cordStepId(layer, s),
    word,
    size,
    cutMm,
    agent,
    gum,
    layer,
    purpose,
    tight,
    gumAt: gumAt([s]),
    because,
    finer,
    packer,
    agentNeed: agent === 'plain' ? undefined : agentNeed[agent],
    soakedMl,
    sites: plan.sites,
    cordCountId: cordCountId(layer, s),
    cordOutStep: cordOutStep(layer, s),
    length,
    first: s === plan.sites[0],
    site: keyOf(s),
    ...more,
  })
}

/** A stiff material locks where it flows under: blocked out while the cords dwell, before paste, and never before a scan. */
export const blockOut = (c: Case): Block =>
  only(
    roundsOf(c).some((r) => r.family === 'polyether'),
    () => lay(c, 'impression.block-out'),
  )

/** Cords in: base, then top, site by site; a second piece where one spot runs deep; pellets and paste by the school. */
export function cords(c: Case, plan: CordPlan): Block {
  const thin = c.asks('margin') === 'supragingival'
  const size = (layer: CordLayer, s: CordSite): { size: CordSize; because: Reason } =>
    thin ? { size: '00', because: plan.because } : cordSize(layer, c.asks('tissue'), s.tooth)
  return sequence(
    only(pasteAlone(plan), () => blockOut(c)),
    plan.layers.length === 0 && !plan.paste ? absent('cord', plan.because) : nothing,
    ...plan.layers.flatMap((layer) => plan.sites.map((s) => placeCord(c, plan, layer, s, size(layer, s)))),
    only(plan.deep, () => deepPiece(c, plan)),
    only(plan.pellet, () => pellets(c, plan)),
    only(plan.paste, () => paste(c, plan)),
  )
}

/** A local deep margin: a second short piece only there. It is drawn with the others. */
function deepPiece(c: Case, plan: CordPlan): Block {
  const { value: mm, because } = c.rule('cord.deep')
  const s = firstOf(plan.sites)
  const layer = drawnLayer(plan) ?? 'base'
  const { size } = cordSize('single', c.asks('tissue'), s.tooth)
  return lay(c, 'tissue.deep-piece', { ...s, size, gumAt: gumAt([s]), mm, cordOutStep: cordOutStep(layer, s), because })
}

const deepOut = (plan: CordPlan, layer: CordLayer, s: CordSite): string[] =>
  plan.deep && s === plan.sites[0] && layer === (drawnLayer(plan) ?? 'base') ? ['cord.deep'] : []

function pellets(c: Case, plan: CordPlan): Block {
  return lay(c, 'tissue.pellets', { gumAt: gumAt(plan.sites), pellets: plan.sites.length * 2 })
}

function paste(c: Case, plan: CordPlan): Block {
  return lay(c, 'tissue.paste', {
    layers: plan.layers,
    gumAt: gumAt(plan.sites),
    mL: plan.sites.length * 0.3,
    planBecause: plan.because,
  })
}

/** What a drawn cord takes with it: its own count, and the deep piece where it comes out with it. */
export function drawnCounts(plan: CordPlan, layer: CordLayer, s: CordSite): string[] {
  return [cordCountId(layer, s), ...deepOut(plan, layer, s)]
}

/** Base cords come out after the impression; every piece is on the count. */
export function baseCordsOut(c: Case, plan: CordPlan): Block {
  const longest = c.rule(basePlain(c, plan) ? 'cord.longest.plain' : 'cord.longest')
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
            title: plan.layers.length < 2 ? 'Cord lies' : 'Base cord lies',
            because: longest.because,
          },
        ]
      : []
  return only(plan.layers.includes('base'), () =>
    sequence(
      ...plan.sites.map((s) =>
        lay(c, 'tissue.base-out.$site', {
          ...s,
          cordOutStep: cordOutStep('base', s),
          layerWords: layerWords(plan, 'base'),
          cordCountId: cordCountId('base', s),
          deepOut: deepOut(plan, 'base', s),
          lies: lies(s),
          site: keyOf(s),
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
  return sequence(
    ...plan.sites.map((s) => {
      const { size, why } = guardSize(c.asks('tissue'), s.tooth)
      return placeCord(
        c,
        { ...plan, agent: 'plain' },
        'base',
        s,
        {
          size,
          purpose: 'to guard the gum while it is cut',
          because: practice(
            `cord before cutting: ${size} labially and on both proximal sides, out of sight, until after the impression; ${why}`,
          ),
        },
        { as: 'tissue.$layer-cord.$site:before cutting' },
      )
    }),
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
        { as: 'tissue.$layer-cord.$site:bonding', outId },
      ),
    ),
  )
}
