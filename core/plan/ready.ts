import { capital } from '../words'
import { firstOf } from '../sure'
import type { Clash, Plan, SetupLine } from '../model/plan'

/** How far a tray is, and what keeps it from being signed. */
export interface TrayReadiness {
  checked: number
  total: number
  /** Places not checked off yet. */
  missing: SetupLine[]
  /** What a person has to have read before signing: lacks, lots, clashes the dentist decides. */
  toAcknowledge: { id: string; text: string }[]
  /** Of these what only the dentist answers, with their own code: what clashes and may be right all the same. */
  forDentist: { id: string; text: string }[]
  /** What cannot be signed over. */
  blocked: string[]
  ready: boolean
}

/**
 * Lines that are checked off: open and standby; what stays in the drawer is not.
 * @example checkable(plan).every((l) => l.readiness !== 'drawer') // true
 */
export const checkable = (plan: Pick<Plan, 'setup'>): SetupLine[] => plan.setup.filter((l) => l.readiness !== 'drawer')

/** What clashes and what to do, as it is read before a signature. */
const inWords = (c: Clash): string => `${c.what}. ${capital(c.doThis)}.`

/**
 * Judges a tray by its checked places and what was acknowledged.
 * @example trayReadiness(plan, new Set()).ready // false
 */
export function trayReadiness(
  plan: Plan,
  checked: ReadonlySet<string>,
  acknowledged: ReadonlySet<string> = new Set(),
): TrayReadiness {
  const lines = checkable(plan)
  const missing = lines.filter((l) => !checked.has(l.id))
  const warned = lines.flatMap((l) => [
    ...(l.lack ? [{ id: `lack:${l.id}`, text: l.lack }] : []),
    ...(l.lot?.warning ? [{ id: `lot:${l.id}`, text: `${l.name}: ${l.lot.warning}` }] : []),
  ])
  const burs = plan.burs.flatMap((b) =>
    b.lack ? [{ id: `bur:${b.order}`, text: `${firstOf(b.cuts).surface}: ${b.lack}` }] : [],
  )
  const toRead = (cs: readonly Clash[]) => cs.map((c) => ({ id: `clash:${c.id}`, text: inWords(c) }))
  const asked = plan.clashes.filter((c) => c.severity === 'ask')
  const toAcknowledge = [...warned, ...burs, ...toRead(asked)]
  const blocked = plan.clashes.filter((c) => c.severity === 'stop').map(inWords)
  return {
    checked: lines.length - missing.length,
    total: lines.length,
    missing,
    toAcknowledge,
    forDentist: toRead(asked.filter((c) => c.decides === 'dentist')),
    blocked,
    ready: missing.length === 0 && blocked.length === 0 && toAcknowledge.every((a) => acknowledged.has(a.id)),
  }
}
