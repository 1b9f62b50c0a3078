/** What no arrangement of a day can beat: for each dentist and each chair, the work there is, from when it can begin. */
import { firstOf, lastOf, sure } from '../sure'
import { stretchesOf } from './day'
import type { DayProblem } from './propose'

/**
 * ms since the epoch before which the day's last visit cannot end, by two arguments: a person's work in all the visits
 * cannot overlap (resource load, with the shortest way to the first of it and from the last), and no visit ends before its
 * own length has passed from the earliest it may start (critical path).
 */
export function boundOfDay({
  visits,
  mostMs,
  turnoverMs,
}: Pick<DayProblem, 'visits' | 'mostMs' | 'turnoverMs'>): number {
  const earliest = visits.map((v) => v.startsAt - (v.fixed ? 0 : (v.mostMs ?? mostMs)))
  const path = visits.map((v, i) => sure(earliest[i]) + v.score.totalS * 1000)
  const people = [...new Set(visits.flatMap((v) => v.score.bars.flatMap((b) => b.people)))]
  const loads = people.map((id) => {
    const own = visits.flatMap((v, i) => {
      const works = stretchesOf(id, [v])
      if (works.length === 0) return []
      return [
        {
          head: sure(earliest[i]) + firstOf(works).startAt - v.startsAt,
          busy: works.reduce((sum, w) => sum + w.endAt - w.startAt, 0),
          tail: v.startsAt + v.score.totalS * 1000 - lastOf(works).endAt,
        },
      ]
    })
    return (
      Math.min(...own.map((o) => o.head)) +
      own.reduce((sum, o) => sum + o.busy, 0) +
      Math.min(...own.map((o) => o.tail))
    )
  })
  const chairs = [...new Set(visits.map((v) => v.chairId))].map((chair) => {
    const own = visits.flatMap((v, i) =>
      v.chairId === chair ? [{ from: sure(earliest[i]), lengthMs: v.score.totalS * 1000 }] : [],
    )
    return (
      Math.min(...own.map((o) => o.from)) + own.reduce((sum, o) => sum + o.lengthMs, 0) + turnoverMs * (own.length - 1)
    )
  })
  return Math.max(...path, ...loads, ...chairs)
}
