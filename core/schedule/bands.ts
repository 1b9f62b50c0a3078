/** The course of a visit in a few words: which phase it is in from when to when, and what the dentist signs at its end. */
import { phaseNames, type Phase } from '../model/step'
import type { Timeline } from './timeline'

export interface Band {
  phase: Phase
  title: string
  startS: number
  endS: number
}

/**
 * The phases as bands without a gap: what decides the length of the visit stands in each moment in one of them; what is
 * done beside it does not interrupt it.
 */
export function bandsOf(timeline: Pick<Timeline, 'bars'>): Band[] {
  // Not the length of the drawing: two scores on one scale end each where it ends.
  const endS = Math.max(0, ...timeline.bars.map((b) => b.endS))
  const deciding = timeline.bars
    .filter((b) => b.slackS === 0)
    .toSorted((a, b) => a.startS - b.startS || a.endS - b.endS)
  const bands: Band[] = []
  for (const bar of deciding) {
    const open = bands.at(-1)
    if (open?.phase === bar.phase) continue
    if (open) open.endS = bar.startS
    bands.push({ phase: bar.phase, title: phaseNames[bar.phase], startS: open ? bar.startS : 0, endS })
  }
  return bands.filter((b) => b.endS > b.startS)
}
