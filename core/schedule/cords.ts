/** Cords in the crevice: which piece lies where, with what, for what, and for how many minutes of this plan. */
import { sure } from '../sure'
import { capital } from '../words'
import { said } from '../model/said'
import { toTooth } from '../teeth/notation'
import { rulesOf } from '../rules'
import type { Plan } from '../model/plan'
import type { CordPiece } from '../model/step'
import type { Timeline } from './timeline'

export interface CordLies extends CordPiece {
  stepId: string
  tooth?: string
  /** From its placing until it is drawn, in this layout. */
  liesS: number
  mostS: number
}

/** Every piece of cord with the time it lies, from the end of its placing to the step at which it comes out. */
export function cordsLie(plan: Pick<Plan, 'steps' | 'counts' | 'rules'>, timeline: Pick<Timeline, 'bars'>): CordLies[] {
  const bars = new Map(timeline.bars.map((b) => [b.stepId, b]))
  const rule = rulesOf(plan.rules)
  return plan.steps.flatMap((s): CordLies[] => {
    if (!s.cord) return []
    const count = plan.counts.find((c) => c.inStep === s.id)
    const [from, to] = [bars.get(s.id), count && bars.get(count.outStep)]
    if (!from || !to) return []
    return [
      {
        stepId: s.id,
        ...(s.tooth ? { tooth: s.tooth } : {}),
        ...s.cord,
        liesS: Math.max(0, to.startS - from.endS),
        mostS: rule(s.cord.agent === 'plain' ? 'cord.longest.plain' : 'cord.longest').value,
      },
    ]
  })
}

/** Where a piece lies, as the practice writes it: its tooth, or tooth and box. */
const placeOf = (plan: Pick<Plan, 'notation'>, { tooth, stepId }: CordLies): string => {
  const box = /-(mesial|distal)\b/.exec(stepId)?.[1]
  return `${tooth ? said(plan, toTooth(tooth)) : ''}${box ? ` ${box}` : ''}`
}

/**
 * Pieces that lie longer than they may, layer by layer and tooth by tooth: 'Base cord lies longer than 15 min: 25 24 min'.
 */
export function overLines(plan: Pick<Plan, 'notation'>, pieces: readonly CordLies[]): string[] {
  const lines = new Map<string, string[]>()
  const layers = new Set(pieces.map((p) => p.layer))
  for (const p of pieces) {
    if (p.liesS <= p.mostS) continue
    const what = layers.size < 2 || p.layer === 'single' ? 'Cord' : `${capital(p.layer)} cord`
    const key = `${what} lies longer than ${Math.round(p.mostS / 60)} min`
    lines.set(key, [...(lines.get(key) ?? []), `${placeOf(plan, p)} ${Math.round(p.liesS / 60)} min`])
  }
  return [...lines].map(([what, where]) => `${what}: ${where.join(', ')}`)
}

/** Pieces that are alike but for their tooth, told as one, in the order they are placed. */
export function cordLines(pieces: readonly CordLies[]): { says: string; over: boolean }[] {
  const alike = new Map<string, CordLies[]>()
  for (const p of pieces) {
    const key = `${p.layer} ${p.size} ${p.agent} ${p.purpose}`
    alike.set(key, [...(alike.get(key) ?? []), p])
  }
  const minutes = (s: number): number => Math.round(s / 60)
  return [...alike.values()].map((own) => {
    const one = sure(own[0])
    const times = own.map((p) => p.liesS)
    const [least, most] = [minutes(Math.min(...times)), minutes(Math.max(...times))]
    return {
      says: `${own.length > 1 ? `${own.length} pieces of ` : ''}cord ${one.size}${one.layer === 'single' ? '' : `, ${one.layer}`}, ${one.agent === 'plain' ? 'wet with water' : one.agent}, ${one.purpose}: ${least === most ? least : `${least}–${most}`} min, ${minutes(one.mostS)} at most`,
      over: Math.max(...times) > one.mostS,
    }
  })
}
