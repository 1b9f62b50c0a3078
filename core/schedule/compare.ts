import { sure } from '../sure'
import { layOut } from './timeline'
import type { Plan } from '../model/plan'

export interface Consequence {
  itemsAdded: string[]
  itemsRemoved: string[]
  stepsAdded: string[]
  stepsRemoved: string[]
  holdsAdded: string[]
  holdsRemoved: string[]
  clashesAdded: { what: string; severity: 'stop' | 'ask' | 'mind' }[]
  clashesRemoved: string[]
  /** Difference of the likely chair time and of the dentist's share of it, minutes, after less before. */
  chairMinutes: number
  dentistMinutes: number
}

const missingFrom = (there: readonly string[], here: readonly string[]): string[] => {
  const set = new Set(there)
  return [...new Set(here)].filter((x) => !set.has(x))
}

/**
 * What changes between two plans, in the words a person decides by: the consequence of a choice before it is taken.
 * @example comparePlans(plan, plan).chairMinutes // 0
 */
export function comparePlans(before: Plan, after: Plan): Consequence {
  const [a, b] = [layOut(before), layOut(after)]
  const items = (p: Plan): string[] => p.setup.filter((l) => l.readiness === 'open').map((l) => l.name)
  const steps = (p: Plan): string[] => p.steps.map((s) => s.title)
  const holds = (p: Plan): string[] => p.holds.map((h) => h.title)
  const clashes = (p: Plan): string[] => p.clashes.map((x) => x.what)
  const dentist = (p: Plan, busy: Record<string, number>): number => busy[sure(p.people.find((x) => x.dentist)).id] ?? 0
  return {
    itemsAdded: missingFrom(items(before), items(after)),
    itemsRemoved: missingFrom(items(after), items(before)),
    stepsAdded: missingFrom(steps(before), steps(after)),
    stepsRemoved: missingFrom(steps(after), steps(before)),
    holdsAdded: missingFrom(holds(before), holds(after)),
    holdsRemoved: missingFrom(holds(after), holds(before)),
    clashesAdded: after.clashes
      .filter((x) => !clashes(before).includes(x.what))
      .map(({ what, severity }) => ({ what, severity })),
    clashesRemoved: missingFrom(clashes(after), clashes(before)),
    chairMinutes: Math.round((b.chairS - a.chairS) / 60),
    dentistMinutes: Math.round((dentist(after, b.busyS) - dentist(before, a.busyS)) / 60),
  }
}
