/** What a rule of clashes is handed, and what it answers with. */
import type { Item } from '../../catalog/item'
import type { Standing } from '../../figure'
import type { Clash, SetupLine } from '../../model/plan'
import type { VisitRequest } from '../../model/request'
import type { Step } from '../../model/step'
import type { Case } from '../../library/case'

export interface Facts {
  c: Case
  setup: readonly SetupLine[]
  steps: readonly Step[]
  /** Whether a need is laid out open, by the key steps ask with. */
  uses: (need: string | RegExp) => boolean
  /** Visits of the case before this one that used a need. */
  before: (need: string | RegExp) => VisitRequest['earlier']
  /** The item behind a line, as the practice owns it. */
  itemOf: (line: SetupLine) => Item | undefined
  /** Something is bonded with resin in this visit. */
  bonds: boolean
}

/** One thing that must not meet; null where it does not. */
export type Rule = (facts: Facts) => Clash | null

export const clash = (
  id: string,
  severity: Clash['severity'],
  what: string,
  why: string,
  doThis: string,
  standing: Standing = 'C',
): Clash => ({ id, severity, what, why, doThis, standing })
/** One that may be right all the same, which only the dentist says: answered with the dentist’s own code before the tray is signed. */
export const forDentist = (id: string, what: string, why: string, doThis: string, standing: Standing = 'C'): Clash => ({
  ...clash(id, 'ask', what, why, doThis, standing),
  decides: 'dentist',
})
/** Open or standing by: what a hand reaches for. */
export const within = (setup: readonly SetupLine[]): SetupLine[] => setup.filter((l) => l.readiness !== 'drawer')
export const names = (lines: readonly SetupLine[]): string => lines.map((l) => l.name).join(', ')
export const openLines = (setup: readonly SetupLine[]): SetupLine[] => setup.filter((l) => l.readiness === 'open')
export const dates = (visits: VisitRequest['earlier']): string => visits.map((v) => v.date).join(', ')
