/** The plans of demo/cases and what the tests that read them ask of a plan. */
import { isClock } from '../../core/model/link'
import { readdirSync, readFileSync } from 'node:fs'
import { expect } from 'vitest'
import { compileHeld as compile } from '../../core/plan/compile'
import { visitRequest, type VisitRequest, type VisitRequestInput } from '../../core/model/request'
import type { Plan } from '../../core/model/plan'
import { starterPractice } from '../../core/practice/starter'

export const practice = starterPractice()
/** The reviewed cases, by name. */
export const files = readdirSync('demo/cases')
  .filter((f) => f.endsWith('.json'))
  .map((f) => f.replace('.json', ''))
  .toSorted()
/** What a case asks for, with something of it another way. */
export const requestOf = (name: string, more: Partial<VisitRequestInput> = {}): VisitRequest =>
  visitRequest.parse({ ...JSON.parse(readFileSync(`demo/cases/${name}.json`, 'utf8')), ...more })
const plans = new Map<string, Plan>()
/** The plan of a case; it is made once for all tests of a worker, and none of them changes it. */
export function planOf(name: string): Plan {
  const known = plans.get(name) ?? compile(requestOf(name), practice)
  plans.set(name, known)
  return known
}

export const title = (p: Plan, id: string): string => p.steps.find((s) => s.id === id)?.title ?? `no step ${id}`
/** The ids stand in the plan in this order. */
export function inOrder(p: Plan, ...ids: string[]): void {
  const at = ids.map((id) => p.steps.findIndex((s) => s.id === id))
  expect(
    ids.filter((_, i) => at[i] === -1),
    'missing',
  ).toEqual([])
  expect(at, ids.join(' → ')).toEqual(at.toSorted((a, b) => a - b))
}
export const tie = (p: Plan, from: string, to: string) =>
  p.links.filter(isClock).find((l) => l.from === from && l.to === to)
/** Seconds of the clock within a step. */
export const own = (p: Plan, id: string): number | undefined => tie(p, id, id)?.atLeastS
export const laid = (p: Plan, id: string) => p.setup.find((l) => l.id === id)
export const burs = (p: Plan): string[] =>
  p.burs.flatMap((b) => b.cuts.map((c) => `${c.surface}: ${b.bur?.shape} ${b.bur?.diameterMm}`))
export const figure = (p: Plan, step: string, name: RegExp) =>
  p.steps.find((s) => s.id === step)!.figures.find((f) => name.test(f.name))
export const counts = (p: Plan): string[] =>
  p.counts.map((c) => `${c.id} ${c.planned}${c.stays ? ` (${c.stays} stay)` : ''}`)
