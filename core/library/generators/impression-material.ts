/** Which impressions a case takes: families, trays and speeds, and what each is called. */
import { lastOf } from '../../sure'
import { hydrocolloidSchool, injectionWindow, trayWindow, type InjectionWindow } from '../../measure/amounts'
import { open } from '../build'
import type { Case } from '../case'
import { cavityBoxes } from '../cavity'

/** The families of impression material a case may use, and the needs that name them. */
export type Family = 'silicone' | 'polyether' | 'hydrocolloid'
export interface Material {
  speed: 'fast' | 'regular'
  workingS: number
  inMouthS: number
  because: string
  fits: boolean
}

/** When the practice has not yet entered its product's times. Starting values, never facts of the trade. */
const startingTimes = { fast: { workingS: 75, inMouthS: 150 }, regular: { workingS: 135, inMouthS: 240 } } as const

/** What the syringe goes round: crowns and veneers by tooth, inlays and onlays by box. */
export function injectionSites(c: Case): { kind: 'crown' | 'veneer' | 'box'; n: number } {
  if (c.restoration === 'laminate veneer') return { kind: 'veneer', n: c.units.length }
  if (c.restoration === 'ceramic inlay' || c.restoration === 'ceramic onlay')
    return {
      kind: 'box',
      n: Math.max(
        1,
        c.units.reduce((sum, u) => sum + cavityBoxes(c, u).length, 0),
      ),
    }
  return { kind: 'crown', n: c.units.length }
}

/** The wash goes in the tray alone: a school, and only with polyether, which likes water; hydrocolloid is always put round the margin. */
export const inTrayOnly = (c: Case, family: Family): boolean => c.school('wash') === 'tray' && family === 'polyether'

/** What has to fit the working time of an impression: syringe and tray, or the tray alone. */
export function windowOf(c: Case, family: Family, workingS: number, drawn: number): InjectionWindow {
  if (inTrayOnly(c, family)) return trayWindow(workingS, c.rule)
  const { kind, n } = injectionSites(c)
  return injectionWindow(kind, n, workingS, drawn, c.rule)
}

/**
 * The quickest material of the family whose working time holds the injection and the seating with 10 s in hand; the
 * slower one otherwise. Standing C for the rule, practice for the times.
 * @param drawn cords drawn between the washes.
 */
export function pickSpeed(c: Case, family: Family, drawn = 0): Material {
  const speeds = family === 'silicone' ? (['fast', 'regular'] as const) : (['regular'] as const)
  const made = speeds.map((speed): Material => {
    const item = c.practice.items.find((i) => i.serves.includes(`light body.${family}.${speed}`))
    const workingS = item?.workingS ?? startingTimes[speed].workingS
    const inMouthS = item?.inMouthS ?? startingTimes[speed].inMouthS
    const window = windowOf(c, family, workingS, drawn)
    return { speed, workingS, inMouthS, because: window.because, fits: window.fits && Boolean(item) }
  })
  return made.find((m) => m.fits) ?? lastOf(made)
}

/** One impression to be taken: which tray, which family, and the mark on its steps. */
export interface Round {
  family: Family
  tray: 'dual-arch' | 'full' | 'custom' | 'water-cooled'
  /** '' for the first, '2.' for the second. */
  mark: string
  why?: string
}

/** The impressions of the school picked, in order; a scan is none. */
export function roundsOf(c: Case): Round[] {
  const school = c.school('impression')
  if (school === 'optical scan') return []
  if (school === 'reversible hydrocolloid') {
    const { hydrocolloid, polyether } = hydrocolloidSchool(c.units.length, c.pontics.length)
    const rounds: Omit<Round, 'mark'>[] = [
      ...Array.from({ length: polyether }, () => ({
        family: 'polyether' as const,
        tray: 'custom' as const,
        why: 'two or more preparations or a bridge: one polyether in a custom tray',
      })),
      ...Array.from({ length: hydrocolloid }, () => ({
        family: 'hydrocolloid' as const,
        tray: 'water-cooled' as const,
        why: polyether > 0 ? 'and one hydrocolloid beside it' : 'a single crown: two hydrocolloid impressions',
      })),
    ]
    return rounds.map((r, i) => ({ ...r, mark: i === 0 ? '' : `${i + 1}.` }))
  }
  const first: Round =
    school === 'polyether, custom tray'
      ? { family: 'polyether', tray: 'custom', mark: '' }
      : { family: 'silicone', tray: school === 'addition silicone, dual-arch' ? 'dual-arch' : 'full', mark: '' }
  return c.school('howMany') === 'parachute'
    ? [first, { ...first, mark: '2.', why: 'a second as parachute: there is no coming back for a fault' }]
    : [first]
}

export const trayWords: Record<Round['tray'], string> = {
  'dual-arch': 'dual-arch tray',
  full: 'full-arch tray',
  custom: 'custom tray',
  'water-cooled': 'water-cooled tray',
}
export const familyWords: Record<Family, string> = {
  silicone: 'addition silicone',
  polyether: 'polyether',
  hydrocolloid: 'reversible hydrocolloid',
}

/** A tray that nothing else holds the material in is painted: custom ones, and a full arch of silicone. A dual-arch tray’s mesh holds. */
export const isPainted = ({ tray, family }: Pick<Round, 'tray' | 'family'>): boolean =>
  tray === 'custom' || (tray === 'full' && family === 'silicone')

/** The tray that is painted and then loaded is one. */
export const customTray = (mark = ''): string => `custom tray ${mark}`

/** Needs of a tray, with what would do instead and what is lost. */
export function trayNeed(c: Case, { tray, mark }: Pick<Round, 'tray' | 'mark'>): ReturnType<typeof open> {
  switch (tray) {
    case 'dual-arch':
      return open('dual-arch tray', 1, { piece: `dual-arch tray ${mark}` })
    case 'custom':
      return open(`custom tray.${c.jaw}`, 1, {
        piece: customTray(mark),
        words: `custom tray, ${c.jaw}`,
        orElse: [{ what: `full tray.${c.jaw}`, loss: 'uneven thickness: more shrinkage, more material' }],
      })
    case 'full':
      return open(`full tray.${c.jaw}`, 1, {
        piece: `full tray ${mark}`,
        words: `full tray, ${c.jaw}`,
        orElse: [{ what: `custom tray.${c.jaw}`, loss: 'made for this patient only, needs its adhesive' }],
      })
    case 'water-cooled':
      return open(`water-cooled tray.${c.jaw}`, 1, { words: `water-cooled tray, ${c.jaw}` })
  }
}
