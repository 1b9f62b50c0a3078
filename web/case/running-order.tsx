/** The score in words: the same content for those who do not read the drawing, and what decides the length. */
import { useMemo, useState } from 'react'
import type { Plan } from '../../core/model/plan'
import { sectionOf } from '../../core/picture/section'
import { Fold } from '../parts/fold'
import { SectionView } from '../parts/section-view'
import type { Timeline } from '../../core/schedule/timeline'
import { Temporal } from 'temporal-polyfill'
import { minutes } from '../parts/words'

const after = (seconds: number): string => {
  const d = Temporal.Duration.from({ seconds: Math.round(seconds) }).round({ largestUnit: 'hours' })
  return `${d.hours}:${String(d.minutes).padStart(2, '0')}`
}

export function RunningOrder({ score, plan }: { score: Timeline; plan: Plan }) {
  const [seen, setSeen] = useState<string>()
  const name = new Map(plan.people.map((p) => [p.id, p.name]))
  const drawn = useMemo(
    () => new Map(plan.steps.flatMap((s) => (sectionOf(plan, s) ? [[s.id, s] as const] : []))),
    [plan],
  )
  const step = seen === undefined ? undefined : drawn.get(seen)
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
            {drawn.has(b.stepId) ? (
              <button
                type="button"
                className="text-left underline decoration-line underline-offset-4"
                aria-expanded={seen === b.stepId}
                onClick={() => setSeen(seen === b.stepId ? undefined : b.stepId)}
              >
                {b.title}
              </button>
            ) : (
              <span>{b.title}</span>
            )}
            <span className="text-soft">{b.people.map((id) => name.get(id)).join(', ')}</span>
            <span className={b.slackS === 0 ? 'font-bold' : 'text-soft'}>
              {b.slackS === 0
                ? 'decides'
                : b.slackS < 60
                  ? `${Math.round(b.slackS)} s to spare`
                  : `${minutes(b.slackS)} to spare`}
            </span>
            {step?.id === b.stepId && (
              <div className="col-span-full pl-16">
                <SectionView plan={plan} step={step} />
              </div>
            )}
          </li>
        ))}
      </ol>
    </Fold>
  )
}
