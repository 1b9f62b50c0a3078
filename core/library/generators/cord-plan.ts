/** Which cords a case has, and where: round its teeth or in its boxes, in which layers, with which agent. */
import { reason, type Figure, type Reason } from '../../figure'
import { boxCordLength, cordLength, type CordCoverage, type CordLayer } from '../../measure/cord'
import type { Choices } from '../../practice/choices'
import type { Tooth } from '../../teeth/notation'
import { practice } from '../build'
import type { Case } from '../case'
import { cavityBoxes } from '../cavity'

/** A place a piece of cord goes: round a tooth, or into a proximal box. */
export interface CordSite {
  tooth: Tooth
  /** Ends the ids of its steps: the tooth, or tooth and box. */
  key: string
  label: string
  /** Where it is spoken of shortly: the tooth, or tooth and box. */
  said: string
  /** What it lies along: the neck of a tooth, wholly or in front, or a box. */
  along: CordCoverage | 'box'
  length: (layer: CordLayer, called?: string) => Figure
}

export interface CordPlan {
  layers: CordLayer[]
  sites: CordSite[]
  because: Reason
  agent: Choices['cordAgent']
  /** A soaked pellet pressed between the teeth as back-up. */
  pellet: boolean
  /** Astringent paste on top or alone. */
  paste: boolean
  /** The base cord was placed before cutting: it guards the gum and is wet with nothing astringent. */
  guards?: boolean
  /** What its cords are called, where that is not their layer. */
  called?: string
  /** A second short piece where the margin runs deep in one place. */
  deep: boolean
  /** Set where the agent picked was refused. */
  refusedAgent?: Reason
}

/** The teeth of the visit as cord sites. Measured perimeters stand in for the mean. */
export function toothSites(c: Case, coverage: CordCoverage = 'full crown'): CordSite[] {
  return c.units.map((u) => {
    const measured = u.says('perimeterMm')
    const cervix =
      measured !== undefined
        ? { measuredPerimeterMm: measured }
        : { mesiodistalMm: u.size.cervicalMesiodistalMm, labiolingualMm: u.size.cervicalLabiolingualMm }
    return {
      tooth: u.tooth,
      key: u.tooth,
      label: u.label,
      said: u.said,
      along: coverage,
      length: (layer, called) => cordLength(cervix, coverage, layer, c.rule, called),
    }
  })
}

/** The proximal boxes of the visit's preparations as cord sites; a box is as wide as the register has it. */
export function boxSites(c: Case): CordSite[] {
  return c.units.flatMap((u) =>
    cavityBoxes(c, u).map((side): CordSite => ({
      tooth: u.tooth,
      key: `${u.tooth}-${side}`,
      label: `${u.label} ${side}`,
      said: `${u.said} ${side}`,
      along: 'box',
      length: () => boxCordLength(Math.round(u.size.cervicalLabiolingualMm * c.rule('cord.box.share').value), c.rule),
    })),
  )
}

/**
 * Which layers, and with which agent. The margin decides first: above the tissue and dry needs no cord, above and weeping
 * one thin cord for the fluid; otherwise the school picked. An adrenaline cord is never offered against the alert.
 */
export function cordPlan(c: Case, sites: CordSite[] = toothSites(c)): CordPlan {
  const adrenaline = c.school('cordAgent') === 'adrenaline' && c.has('adrenaline-sensitive')
  const agent = adrenaline ? 'aluminium chloride' : c.school('cordAgent')
  const refused = adrenaline
    ? {
        refusedAgent: reason(
          'adrenaline cord refused: heart, blood-pressure or medicine alert; aluminium chloride instead',
          'C',
        ),
      }
    : {}
  const school = c.school('cord')
  const made = (
    layers: CordLayer[],
    because: Reason,
    more: Partial<Pick<CordPlan, 'pellet' | 'paste'>> = {},
  ): CordPlan => ({
    layers,
    sites,
    because,
    agent,
    pellet: false,
    paste: false,
    deep: c.asks('deepSpot') && layers.length > 0,
    ...refused,
    ...more,
  })
  if (c.asks('margin') === 'supragingival') {
    return c.asks('tissue').weeping
      ? made(['single'], practice('margin above the tissue but weeping: one thin cord for the fluid'))
      : made([], practice('margin above the tissue and dry: no cord'))
  }
  switch (school) {
    case 'none':
      return made(
        [],
        c.kind.family === 'bonded bridge' && c.asks('margin') !== 'subgingival'
          ? practice('no cord: the retainers end in enamel above the gum')
          : reason('the dentist’s choice: no cord', 'practice'),
      )
    case 'paste':
      return made([], practice('astringent paste instead of cord'), { paste: true })
    case 'double':
      return made(
        ['base', 'top'],
        practice('double cord: the base stays below the margin during the impression, the top is drawn'),
        { paste: c.asks('tissue').weeping },
      )
    case 'cord and pellet':
      return made(['single'], practice('single cord with a soaked pellet between the teeth as back-up'), {
        pellet: true,
      })
    case 'single':
      return made(['single'], practice('single cord: one size that enters without blanching'))
  }
}

/** Where the cords of a work go: round its teeth, or in the boxes of an inlay, which hold a pellet on a cord that is drawn. */
export type CordsIn = 'round the teeth' | 'boxes'
export function cordsOf(c: Case, at: CordsIn = 'round the teeth'): CordPlan {
  if (at === 'round the teeth') return cordPlan(c)
  const school = cordPlan(c, boxSites(c))
  return school.sites.length > 0
    ? { ...school, pellet: school.layers.length > 0 && school.layers.at(-1) !== 'base' }
    : { ...school, layers: [], pellet: false, paste: false }
}

type Placed = Pick<CordSite, 'tooth'> & Partial<Pick<CordSite, 'key'>>
export const keyOf = (s: Placed): string => s.key ?? s.tooth
export const cordStepId = (layer: CordLayer, s: Placed): string => `tissue.${layer}-cord.${keyOf(s)}`
export const cordCountId = (layer: CordLayer, s: Placed): string => `cord.${layer}.${keyOf(s)}`
/** Where a piece of cord comes out again. */
export const cordOutStep = (layer: CordLayer, s: Placed): string =>
  layer === 'base' ? `tissue.base-out.${keyOf(s)}` : `tissue.draw-cord.${keyOf(s)}`
/** The layer that is drawn just before the material goes in; a base cord stays. */
export const drawnLayer = (plan: Pick<CordPlan, 'layers'>): CordLayer | undefined =>
  plan.layers.filter((l) => l !== 'base').at(-1)

/** Paste alone holds the gum: from its rinse on it closes in, as after a cord. */
export const pasteAlone = (plan: Pick<CordPlan, 'layers' | 'paste'>): boolean => plan.paste && plan.layers.length === 0

/** How a layer is spoken of: one that lies alone is simply the cord. */
export const layerWords = (plan: Pick<CordPlan, 'layers' | 'called'>, layer: CordLayer): string =>
  plan.called ?? (plan.layers.length < 2 ? '{cord}' : layer === 'single' ? '{cord}' : `${layer} {cord}`)
