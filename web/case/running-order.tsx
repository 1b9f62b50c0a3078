/** The score in words: the same content for those who do not read the drawing, and what decides the length. */
import { Fold } from '../parts/fold'
import type { Timeline } from '../../core/schedule/timeline'
import { Temporal } from 'temporal-polyfill'
import { minutes } from '../parts/words'

const after = (seconds: number): string => {
  const d = Temporal.Duration.from({ seconds: Math.round(seconds) }).round({ largestUnit: 'hours' })
  return `${d.hours}:${String(d.minutes).padStart(2, '0')}`
}

export function RunningOrder({ score, people }: { score: Timeline; people: { id: string; name: string }[] }) {
  const name = new Map(people.map((p) => [p.id, p.name]))
  const bars = score.bars.toSorted((a, b) => a.startS - b.startS)
  return (
    <Fold title="As a list, with what decides the length" className="mt-2">
      <ol className="space-y-0.5">
        {bars.map((b) => (
          <li
            key={b.stepId}
            data-order={b.stepId}
            className={`grid grid-cols-[4rem_minmax(0,1fr)_minmax(0,14rem)_9rem] gap-x-3 border-l-4 pl-2 ${b.slackS === 0 ? 'border-jade' : 'border-line'}`}
          >
            <span className="num">{after(b.startS)}</span>
            <span>{b.title}</span>
            <span className="text-soft">{b.people.map((id) => name.get(id)).join(', ')}</span>
            <span className={b.slackS === 0 ? 'font-bold' : 'text-soft'}>
              {b.slackS === 0
                ? 'decides'
                : b.slackS < 60
                  ? `${Math.round(b.slackS)} s to spare`
                  : `${minutes(b.slackS)} to spare`}
            </span>
          </li>
        ))}
      </ol>
    </Fold>
  )
}
