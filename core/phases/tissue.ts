import { reason, type Reason } from '../figure'
import { cordLength, cordSize, smallerCord, type CordLayer } from '../measure/cord'
import { absent, open, sequence, standby, step, type Block } from './build'
import type { Case, Unit } from './case'

export interface CordPlan {
  layers: CordLayer[]
  because: Reason
  agent: Case['choices']['cordAgent']
  /** Set where the agent picked was refused. */
  refusedAgent?: Reason
}

/**
 * Which layers, and with which agent. The margin decides first: above the tissue and dry needs no cord, above and weeping
 * one thin cord for the fluid; otherwise the school picked. An adrenaline cord is never offered against the alert.
 */
export function cordPlan(c: Case): CordPlan {
  const adrenaline = c.choices.cordAgent === 'adrenaline' && c.has('adrenaline-sensitive')
  const agent = adrenaline ? 'aluminium chloride' : c.choices.cordAgent
  const refused = adrenaline ? { refusedAgent: reason('adrenaline cord refused: heart, blood-pressure or medicine alert; aluminium chloride instead', 'C') } : {}
  const made = (layers: CordLayer[], because: Reason): CordPlan => ({ layers, because, agent, ...refused })
  if (c.request.margin === 'supragingival') {
    return c.request.tissue.weeping
      ? made(['single'], reason('margin above the tissue but weeping: one thin cord for the fluid', 'C'))
      : made([], reason('margin above the tissue and dry: no cord', 'C'))
  }
  if (c.choices.cord === 'none') return made([], reason('the dentist’s choice: no cord', 'practice'))
  return c.choices.cord === 'double'
    ? made(['base', 'top'], reason('double cord: the base stays below the margin during the impression, the top is drawn', 'C'))
    : made(['single'], reason('single cord: one size that enters without blanching', 'C'))
}

export const cordStepId = (layer: CordLayer, u: Unit): string => `tissue.${layer}-cord.${u.tooth}`
export const cordCountId = (layer: CordLayer, u: Unit): string => `cord.${layer}.${u.tooth}`
/** Where a piece of cord comes out again. */
export const cordOutStep = (layer: CordLayer, u: Unit): string => (layer === 'base' ? `tissue.base-out.${u.tooth}` : `tissue.draw-cord.${u.tooth}`)
/** The layer that is drawn just before the material goes in. */
export const drawnLayer = (plan: CordPlan): CordLayer | undefined => plan.layers.at(-1)

const agentNeed = { 'aluminium chloride': 'agent.aluminium chloride', 'ferric sulphate': 'agent.ferric sulphate', adrenaline: 'agent.adrenaline' } as const

/** Cords in: base, then top, tooth by tooth. */
export function cords(c: Case, plan: CordPlan): Block {
  if (plan.layers.length === 0) return absent('cord', plan.because)
  const tissue = c.request.tissue
  const thin = c.request.margin === 'supragingival'
  return sequence(
    ...plan.layers.flatMap((layer) =>
      c.units.map((u): Block => {
        const { size, because } = thin ? { size: '00' as const, because: plan.because } : cordSize(layer, tissue)
        const measured = c.request.measuredPerimeterMm[u.tooth]
        const length = cordLength(
          measured !== undefined ? { measuredPerimeterMm: measured } : { mesiodistalMm: u.size.cervicalMesiodistalMm, labiolingualMm: u.size.cervicalLabiolingualMm },
          'full crown', layer)
        const cutMm = Math.ceil(length.value)
        const finer = smallerCord(size)
        const word = layer === 'single' ? 'Cord' : layer === 'base' ? 'Base cord' : 'Top cord'
        return step({
          id: cordStepId(layer, u),
          phase: 'tissue',
          title: `${word} ${size}, ${cutMm} mm, ${u.label}`,
          told: `placed ${word.toLowerCase()} size ${size}, ${cutMm} mm, on ${u.label}${plan.agent === 'plain' ? '' : ` with ${plan.agent}`}`,
          detail: 'Begin between the teeth, push back toward what is seated. White tissue: one size smaller.',
          tooth: u.tooth,
          fn: 'cord placement',
          place: 'mouth',
          helped: true,
          minutes: layer === 'top' ? [1, 1.5, 3] : [1, 2, 4],
          passes: ['cord in tweezers', 'packer', 'second instrument holds what is seated'],
          needs: [
            open(`cord.${size}`, cutMm, { piecesMm: [cutMm], because, words: `cord size ${size}` }),
            ...(finer ? [standby(`cord.${finer}`, 'the tissue blanches', cutMm, { piecesMm: [cutMm], words: `cord size ${finer}` })] : []),
            open('cord packer'), open('cord scissors'), open('dappen dish'),
            ...(plan.agent === 'plain' ? [] : [open(agentNeed[plan.agent], 0.5)]),
            standby('cotton pellet', 'the tissue weeps: back-up, counted', 2),
          ],
          countIn: { id: cordCountId(layer, u), what: `${layer} cord, ${u.tooth}`, planned: 1, outStep: cordOutStep(layer, u) },
          figures: [length],
          reason: because,
          cautions: plan.agent === 'aluminium chloride' ? [reason('Aluminium chloride is bitter: suction, and rinse it off before the impression', 'C')] : [],
          mistakes: ['pushed away from the seated part: it lifts out behind you'],
        })
      }),
    ),
  )
}

/** Base cords come out after the impression; every piece is on the count. */
export function baseCordsOut(c: Case, plan: CordPlan): Block {
  if (!plan.layers.includes('base')) return { sequence: [] }
  return sequence(
    ...c.units.map((u) =>
      step({
        id: cordOutStep('base', u),
        phase: 'impression',
        title: `Base cord out, wet, ${u.label}`,
        told: `removed the base cord of ${u.label}`,
        tooth: u.tooth,
        fn: 'cord removal',
        place: 'mouth',
        minutes: [0.3, 0.5, 1],
        countOut: cordCountId('base', u),
        cautions: [reason('Wet it first: a dry cord takes the lining with it', 'C')],
      }),
    ),
  )
}
