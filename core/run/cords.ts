/**
 * Cords in the crevice while a visit runs: how long each piece has lain, and how it comes out when it has lain too long. Past
 * its limit it asks; the way out is then behind nothing, neither an order nor a signature: the tissue does not wait for either.
 */
import type { Count, Plan } from '../model/plan'
import type { Step } from '../model/step'
import { rulesOf } from '../rules'
import type { Happening } from './events'
import { edgeOf, stepState, stillIn, type RunCore } from './state'

export interface LyingCord {
  step: Step
  count: Count
  sinceMs: number
  liesS: number
  mostS: number
  over: boolean
}

/** How long a piece may lie: by what it is soaked with, as this plan was made. */
const mostOf = (plan: Pick<Plan, 'rules'>, agent: NonNullable<Step['cord']>['agent']): number =>
  rulesOf(plan.rules)(agent === 'plain' ? 'cord.longest.plain' : 'cord.longest').value

/**
 * The pieces that are in now, longest over first.
 * @param now ms since the epoch
 * @example cordsLying(plan, state.core, now) // []
 */
export function cordsLying(plan: Pick<Plan, 'steps' | 'counts' | 'rules'>, core: RunCore, now: number): LyingCord[] {
  return plan.steps
    .flatMap((step): LyingCord[] => {
      const sinceMs = edgeOf(stepState(core, step.id), 'finish')
      if (!step.cord || sinceMs === undefined) return []
      const count = plan.counts.find((c) => c.inStep === step.id)
      if (!count || stillIn(core, count.id) - count.stays <= 0) return []
      const liesS = Math.max(0, (now - sinceMs) / 1000)
      const mostS = mostOf(plan, step.cord.agent)
      return [{ step, count, sinceMs, liesS, mostS, over: liesS > mostS }]
    })
    .toSorted((a, b) => b.liesS - b.mostS - (a.liesS - a.mostS))
}

/** Past its limit, and nobody has said yet why it stays. */
export const cordsAsking = (
  plan: Pick<Plan, 'steps' | 'counts' | 'rules'>,
  core: RunCore,
  kept: RunCore['cordsKept'],
  now: number,
): LyingCord[] => cordsLying(plan, core, now).filter((c) => c.over && (kept[c.step.id]?.at ?? 0) < c.sinceMs)

/** Whether the arch was taken while this piece lay: then it is out for good, else a fresh one has to be placed. */
const taken = (plan: Pick<Plan, 'steps'>, core: RunCore, cord: LyingCord): boolean => {
  const from = plan.steps.indexOf(cord.step)
  return plan.steps.some(
    (s, i) => i > from && s.imprints !== undefined && (edgeOf(stepState(core, s.id), 'finish') ?? 0) > cord.sinceMs,
  )
}

/** What taking it out now makes of the run: counted out, and its step to do again where nothing was taken over it yet. */
export function outNow(plan: Plan, core: RunCore, cord: LyingCord, by: string): Happening[] {
  const out: Happening = {
    kind: 'count.moved',
    countId: cord.count.id,
    direction: 'out',
    n: stillIn(core, cord.count.id) - cord.count.stays,
  }
  const minutes = Math.round(cord.liesS / 60)
  if (!taken(plan, core, cord))
    return [out, { kind: 'step.reopened', stepId: cord.step.id, reason: `lay ${minutes} min, taken out: a fresh one` }]
  const way = plan.steps.find((s) => s.id === cord.count.outStep)
  if (!way || stepState(core, way.id).status !== 'todo') return [out]
  return [{ kind: 'step.started', stepId: way.id, performer: by }, { kind: 'step.finished', stepId: way.id }, out]
}

/** What is done over with these steps: a cord that has lain past its limit is not left in for another round. */
export function withFreshCords(
  plan: Pick<Plan, 'steps' | 'counts' | 'rules'>,
  core: RunCore,
  stepIds: readonly string[],
  now: number,
): string[] {
  const retaken = plan.steps.some((s) => stepIds.includes(s.id) && s.imprints !== undefined)
  if (!retaken) return [...stepIds]
  const stale = cordsLying(plan, core, now).flatMap((c) => (c.over ? [c.step.id] : []))
  const all = new Set([...stale, ...stepIds])
  return plan.steps.flatMap((s) => (all.has(s.id) ? [s.id] : []))
}
