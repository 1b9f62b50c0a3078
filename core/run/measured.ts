/** Measures taken at a step of the run: what is asked for, how readings are judged, and what is stored with the run. */
import * as z from 'zod'
import { judgeConvergence } from '../measure/convergence'
import { fieldFaults, judgeInspection, marginParts, partFaults } from '../measure/inspection'
import { judgeReduction, reductionSites, sitesOf } from '../measure/reduction'
import type { Plan, Step } from '../plan/types'
import type { Tooth } from '../teeth/notation'

export const measureKinds = ['reduction', 'convergence', 'inspection'] as const
export type MeasureKind = (typeof measureKinds)[number]
export const measureNames: Record<MeasureKind, string> = { reduction: 'Reduction', convergence: 'Convergence', inspection: 'Margin parts' }

const mm = z.number().min(0).max(15)
/** The readings of each kind. */
export const readings = {
  reduction: z.partialRecord(z.enum(reductionSites), mm.max(6)).refine((r) => Object.keys(r).length > 0, 'at least one reading'),
  convergence: z.strictObject({ cervicalMm: mm.min(1), occlusalMm: mm.min(0.5), heightMm: mm.min(0.5) }),
  inspection: z.strictObject({ parts: z.partialRecord(z.enum(marginParts), z.enum(partFaults)), field: z.array(z.enum(fieldFaults)).max(fieldFaults.length) }),
} as const
export type Readings<K extends MeasureKind = MeasureKind> = z.infer<(typeof readings)[K]>

/** `short` and `again` keep the hold of the step from being signed. */
export type Verdict = 'good' | 'over' | 'tell' | 'short' | 'again'
export interface Judged {
  verdict: Verdict
  says: string[]
  /** Kinds of fault, for the cause of a second one. */
  faults: string[]
}
export interface Measured extends Judged {
  measure: MeasureKind
  tooth: Tooth
  stepId: string
  readings: unknown
  by: string
  at: number
}

const crownWork = (plan: Plan): boolean => plan.request.restoration !== undefined && plan.kind !== 'laminate.prepare'
const hasCusps = (tooth: Tooth): boolean => Number(tooth[1]) >= 4 || Number(tooth[0]) >= 5
const isMolar = (tooth: Tooth): boolean => (Number(tooth[0]) >= 5 ? Number(tooth[1]) >= 4 : Number(tooth[1]) >= 6)

/** What is measured at a step. */
export function measuresAt(plan: Plan, step: Pick<Step, 'id'>): MeasureKind[] {
  if (step.id.startsWith('cutting.reduction-check')) return plan.request.restoration === undefined ? [] : crownWork(plan) ? ['reduction', 'convergence'] : ['reduction']
  return /^impression\.(?:[\w-]+\.)?inspect$/.test(step.id) ? ['inspection'] : []
}
/** The sites a tooth's reduction is read at. */
export const sitesFor = (plan: Plan, tooth: Tooth) => (plan.request.restoration ? sitesOf(plan.request.restoration, hasCusps(tooth)) : [])

/**
 * Judges readings as the run stores them.
 * @param before kinds of fault for which impressions of this visit were taken again already
 * @returns what is wrong with the readings, in words, where they cannot be judged
 */
export function judge(plan: Plan, kind: MeasureKind, tooth: Tooth, given: unknown, before: readonly string[]): Judged | { wrong: string } {
  const parsed = readings[kind].safeParse(given)
  if (!parsed.success) return { wrong: parsed.error.issues.map((i) => `${i.path.join('.') || 'readings'}: ${i.message}`).join('; ') }
  if (kind === 'reduction') {
    const sites = judgeReduction(plan.request.restoration!, parsed.data as Readings<'reduction'>)
    return { verdict: sites.some((s) => s.verdict === 'short') ? 'short' : sites.some((s) => s.verdict === 'over') ? 'over' : 'good', says: sites.map((s) => s.says), faults: [] }
  }
  if (kind === 'convergence') {
    const j = judgeConvergence({ ...(parsed.data as Readings<'convergence'>), molar: isMolar(tooth) })
    return { verdict: j.says.length > 0 ? 'tell' : 'good', says: [`${j.convergence.value}° between the walls; a wall resists up to ${j.limitDeg}°`, ...j.says.map((s) => s.text)], faults: [] }
  }
  const j = judgeInspection(parsed.data as Readings<'inspection'>, before)
  return { verdict: j.verdict === 'accept' ? 'good' : j.verdict, says: [...j.says, ...j.causes], faults: j.faults }
}
