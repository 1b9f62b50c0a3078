/** Whether a load may be let out, from its readings and its indicator. It advises the person who lets it out; a bad reading is never let out here. */
import { judgeLoad, type LoadJudgement, type LogReading } from '../measure/load'
import type { CycleName } from '../practice/instruments'

export interface LoadToRelease {
  number: number
  cycle: CycleName
  log: readonly LogReading[] | null
  logFault: string | null
  endedAt: number | null
  releasedAt: number | null
  failedAt: number | null
}
export type Indicator = 'changed' | 'not changed'
export type RefusedBecause = 'running' | 'done' | 'not-good' | 'no-readings'
export type Release =
  | { kind: 'released'; logFault: string | null }
  | { kind: 'pulled back'; why: string }
  | { kind: 'refused'; slug: RefusedBecause; message: string }

export const judgementOf = (load: Pick<LoadToRelease, 'cycle' | 'log'>): LoadJudgement | null =>
  load.log ? judgeLoad(load.cycle, load.log) : null

/** @param byHand what the device's own display or strip shows, where no readings came */
export function decideRelease(load: LoadToRelease, indicator: Indicator, byHand?: string): Release {
  const refused = (slug: RefusedBecause, message: string): Release => ({ kind: 'refused', slug, message })
  if (load.endedAt === null) return refused('running', `Load ${load.number} is still running.`)
  if (load.releasedAt !== null || load.failedAt !== null)
    return refused('done', `Load ${load.number} is ${load.failedAt === null ? 'released' : 'pulled back'} already.`)
  if (indicator === 'not changed') return { kind: 'pulled back', why: 'the chemical indicator has not changed' }
  const judged = judgementOf(load)
  if (judged)
    return judged.good
      ? { kind: 'released', logFault: load.logFault }
      : refused(
          'not-good',
          `Load ${load.number} is not let out: ${judged.because.text}. It is packed anew and run again.`,
        )
  const fault = load.logFault ?? 'no log came'
  return byHand === undefined
    ? refused(
        'no-readings',
        `Load ${load.number} has no readings (${fault}): say what the device’s own display or strip shows, or run it again.`,
      )
    : { kind: 'released', logFault: `${fault}; read by hand: ${byHand}` }
}
