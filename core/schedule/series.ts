/** Sets in series that could be one: what waits for itself again and again, and what waiting once would save. */
import { firstOf, sure } from '../sure'
import { capital } from '../words'
import type { Lag } from '../model/link'
import { kindOfStep } from '../step-id'
import type { Scored, Timeline } from './timeline'

export interface Series {
  /** The waits, in the order of the visit. */
  linkIds: string[]
  gainedS: number
  /** 'Cement sets 2 times, 4 min each, one after the other: seat all, then wait once, and 4 min are gained' */
  says: string
}

/** A wait shorter than this is not worth another order of steps, seconds. */
const leastS = 120

/**
 * Waits of one kind that begin only after the one before has ended, in this layout. Those that run beside each other, or
 * beside other work for most of their length, cost nothing and are not told.
 */
export function setsInSeries(plan: Scored, timeline: Pick<Timeline, 'bars'>): Series[] {
  const bars = new Map(timeline.bars.map((b) => [b.stepId, b]))
  const waits = plan.links.flatMap((l) => {
    const [from, to] = [bars.get(l.from), bars.get(l.to)]
    if (l.kind !== 'lag' || l.from === l.to || l.atLeastS < leastS || !/\bsets?\b/.test(l.title) || !from || !to)
      return []
    return [{ l, fromS: l.fromEdge === 'start' ? from.startS : from.endS, toS: to.startS }]
  })
  const kinds = new Map<string, { l: Lag; fromS: number; toS: number }[]>()
  for (const w of waits.toSorted((a, b) => a.fromS - b.fromS)) {
    const key = `${kindOfStep(w.l.from)} ${w.l.title}`
    kinds.set(key, [...(kinds.get(key) ?? []), w])
  }
  return [...kinds.values()].flatMap((own) => {
    const inSeries = own.filter((w, i) => i === 0 || w.fromS >= sure(own[i - 1]).toS)
    if (inSeries.length < 2) return []
    const { title, atLeastS } = firstOf(inSeries).l
    const gainedS = inSeries.slice(1).reduce((sum, w) => sum + w.l.atLeastS, 0)
    const minutes = (s: number): string => `${Math.round(s / 60)} min`
    return [
      {
        linkIds: inSeries.map((w) => w.l.id),
        gainedS,
        says: `${capital(title)} ${inSeries.length} times, ${minutes(atLeastS)} each, one after the other: all seated first and waited once, ${minutes(gainedS)} are gained`,
      },
    ]
  })
}
