/** Reduction targets by restoration, mm. [C] where the trade states them, else [M: fixed-prosthodontics textbooks]. */
import type { Standing } from '../figure'
import type { Restoration } from '../vocabulary'

export interface Range {
  leastMm: number
  mostMm: number
}
export interface Targets {
  functionalCusp: Range
  otherCusp: Range
  incisal?: Range
  facial: Range
  inner: Range
  margin: Range & { form: 'chamfer' | 'shoulder' | 'rounded shoulder' | 'butt' | 'feather edge' | 'light chamfer' }
  /** Where the inner side ends in another margin than the outer. */
  innerMargin?: Range & { form: 'chamfer' }
  standing: Standing
}

/** What a metal-ceramic crown shows on its inner side. */
export const innerSides = ['metal', 'ceramic'] as const
export type InnerSide = (typeof innerSides)[number]

const range = (leastMm: number, mostMm = leastMm): Range => ({ leastMm, mostMm })

const none = range(0)
const table: Record<Restoration, Targets> = {
  'full metal crown': {
    functionalCusp: range(1.5),
    otherCusp: range(1),
    facial: range(0.8, 1),
    inner: range(0.8, 1),
    margin: { form: 'chamfer', ...range(0.3, 0.5) },
    standing: 'C',
  },
  'metal-ceramic crown': {
    functionalCusp: range(2),
    otherCusp: range(1.5),
    incisal: range(2),
    facial: range(1.2, 1.5),
    inner: range(0.7, 1),
    margin: { form: 'shoulder', ...range(1, 1.2) },
    // Metal alone on the inner side: a margin is never wider than its wall is deep.
    innerMargin: { form: 'chamfer', ...range(0.5) },
    standing: 'M',
  },
  'lithium disilicate crown': {
    functionalCusp: range(1.5, 2),
    otherCusp: range(1.5),
    incisal: range(1.5, 2),
    facial: range(1, 1.5),
    inner: range(1, 1.5),
    // Pressed or bonded ceramic breaks from a sharp inner angle.
    margin: { form: 'rounded shoulder', ...range(1) },
    standing: 'M',
  },
  'monolithic zirconia crown': {
    functionalCusp: range(1, 1.5),
    otherCusp: range(1),
    incisal: range(1.5),
    facial: range(0.8, 1),
    inner: range(0.8, 1),
    margin: { form: 'chamfer', ...range(0.5, 0.8) },
    standing: 'M',
  },
  'laminate veneer': {
    functionalCusp: none,
    otherCusp: none,
    incisal: range(1, 1.5),
    facial: range(0.5),
    inner: none,
    margin: { form: 'chamfer', ...range(0.3, 0.5) },
    standing: 'C',
  },
  'ceramic onlay': {
    functionalCusp: range(2),
    otherCusp: range(1.5),
    facial: none,
    inner: range(1.5),
    margin: { form: 'butt', ...range(1.5) },
    standing: 'M',
  },
  'ceramic inlay': {
    functionalCusp: none,
    otherCusp: none,
    facial: none,
    inner: range(1.5),
    margin: { form: 'butt', ...range(1.5) },
    standing: 'M',
  },
  'resin-bonded retainer': {
    functionalCusp: none,
    otherCusp: none,
    facial: none,
    inner: range(0.5),
    margin: { form: 'light chamfer', ...range(0.3, 0.5) },
    standing: 'C',
  },
  'preformed metal crown': {
    functionalCusp: range(1, 2),
    otherCusp: range(1, 2),
    facial: range(0, 0.5),
    inner: range(0, 0.5),
    margin: { form: 'feather edge', ...none },
    standing: 'C',
  },
  'preveneered crown': {
    functionalCusp: none,
    otherCusp: none,
    incisal: range(1.5, 2),
    facial: range(1, 1.5),
    inner: range(0.5, 1),
    margin: { form: 'feather edge', ...none },
    standing: 'C',
  },
}

/** A metal-ceramic crown with ceramic all round: the inner wall is as deep as the shoulder is wide. Common practice. */
function ceramicAllRound(t: Targets): Targets {
  const { innerMargin: _, ...same } = t
  return { ...same, inner: range(1.2, 1.5) }
}

/**
 * Reduction targets of a restoration. `incisal` is missing where no figure is published for it.
 * @param inner what a metal-ceramic crown shows on its inner side: metal alone where nothing is said
 * @example reductionTargets('metal-ceramic crown', 'ceramic').inner // { leastMm: 1.2, mostMm: 1.5 }
 */
export const reductionTargets = (r: Restoration, inner: InnerSide = 'metal'): Targets =>
  inner === 'ceramic' && table[r].innerMargin ? ceramicAllRound(table[r]) : table[r]

/**
 * '1.0–1.5 mm', or one figure.
 * @example writeRange({ leastMm: 1, mostMm: 1.5 }) // '1.0–1.5 mm'
 */
export function writeRange(r: Range): string {
  return r.leastMm === r.mostMm ? `${r.leastMm.toFixed(1)} mm` : `${r.leastMm.toFixed(1)}–${r.mostMm.toFixed(1)} mm`
}

/** A lower incisor is 5 mm wide: a groove on its lip side goes no deeper, mm. Common practice. */
export const smallToothGrooveMm = 1

/**
 * How deep a groove that gauges is sunk, mm: the lower end of what is taken, for smoothing the wall takes the rest. Never over
 * 1.0 mm on the lip side of a lower incisor. Common practice.
 * @param small a lower incisor, on its lip side
 * @example grooveDepth({ leastMm: 1.2, mostMm: 1.5 }, true) // 1
 */
export const grooveDepth = ({ leastMm }: Range, small = false): number =>
  small ? Math.min(leastMm, smallToothGrooveMm) : leastMm

export const reductionSites = [
  'functional cusp',
  'other cusp',
  'central groove',
  'incisal',
  'facial, cervical third',
  'facial, middle third',
  'facial, occlusal third',
  'inner side',
  'mesial',
  'distal',
] as const
export type ReductionSite = (typeof reductionSites)[number]

/**
 * What a site should have lost, mm; nothing where the restoration asks for none there.
 * @example targetAt('full metal crown', 'functional cusp') // { leastMm: 1.5, mostMm: 1.5 }
 */
export function targetAt(r: Restoration, site: ReductionSite, inner?: InnerSide): Range | undefined {
  const t = reductionTargets(r, inner)
  const own =
    site === 'functional cusp'
      ? t.functionalCusp
      : site === 'other cusp' || site === 'central groove'
        ? t.otherCusp
        : site === 'incisal'
          ? t.incisal
          : site.startsWith('facial')
            ? t.facial
            : t.inner
  return own && own.mostMm > 0 ? own : undefined
}
/** The sites worth a reading: cusps where there are cusps, the edge where there is an edge. */
export const sitesOf = (r: Restoration, cusps: boolean): ReductionSite[] =>
  reductionSites.filter(
    (s) =>
      targetAt(r, s) !== undefined &&
      (cusps ? s !== 'incisal' : !['functional cusp', 'other cusp', 'central groove'].includes(s)),
  )

export interface SiteJudgement {
  site: ReductionSite
  readMm: number
  verdict: 'enough' | 'short' | 'over'
  /** Millimetres missing, or beyond the target. */
  byMm: number
  says: string
}
/** Tabs and gauges are read to a tenth. */
const readsToMm = 0.1

/**
 * Each reading against its target. Short holds the run until the dentist answers; over is told and never called an error.
 * @param readings mm of clearance or depth by site, from index, tabs, guide or the provisional's thickness
 * @example judgeReduction('full metal crown', { 'functional cusp': 1 })[0].verdict // 'short'
 */
export function judgeReduction(
  r: Restoration,
  readings: Partial<Record<ReductionSite, number>>,
  inner?: InnerSide,
): SiteJudgement[] {
  return reductionSites.flatMap((site): SiteJudgement[] => {
    const [readMm, target] = [readings[site], targetAt(r, site, inner)]
    if (readMm === undefined || !target) return []
    const short = Math.round((target.leastMm - readMm) * 10) / 10
    const over = Math.round((readMm - target.mostMm) * 10) / 10
    if (short >= readsToMm)
      return [
        {
          site,
          readMm,
          verdict: 'short',
          byMm: short,
          says: `${site}: short by ${short.toFixed(1)} mm of ${writeRange(target)}`,
        },
      ]
    if (over >= readsToMm)
      return [
        {
          site,
          readMm,
          verdict: 'over',
          byMm: over,
          says: `${site}: ${over.toFixed(1)} mm more than ${writeRange(target)}`,
        },
      ]
    return [
      {
        site,
        readMm,
        verdict: 'enough',
        byMm: 0,
        says: `${site}: enough, ${readMm.toFixed(1)} mm of ${writeRange(target)}`,
      },
    ]
  })
}
