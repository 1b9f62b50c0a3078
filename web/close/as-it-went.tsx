import { useMemo } from 'react'
import { againstPlan } from '../../core/schedule/against'
import type { Plan } from '../../core/model/plan'
import type { RunState } from '../../core/run/state'
import { Panel } from '../parts/ui'
import { Score } from '../parts/score'
import { minutes } from '../parts/words'

/** So many steps are named; the rest stands in the record. */
const named = 6

/** A closed visit as it was planned and as it went, on one scale of time. */
export function AsItWent({ plan, run, closedAt }: { plan: Plan; run: RunState; closedAt: number }) {
  const { planned, real, scaleS, steps, leftOut, writtenUp } = useMemo(
    () => againstPlan(plan, run, closedAt),
    [plan, run, closedAt],
  )
  const drawn = [
    ['As planned', planned],
    ['As it went', real],
  ] as const
  return (
    <Panel
      title="Planned, and as it went"
      labelled="Planned, and as it went"
      aside={
        <span className="num text-lg">
          {minutes(planned.chairS)} planned, <strong>{minutes(real.chairS)}</strong> in the chair
        </span>
      }
      className="space-y-2"
    >
      {drawn.map(([words, score]) => (
        <figure key={words}>
          <figcaption className="font-semibold">{words}</figcaption>
          <Score
            score={{ ...score, totalS: scaleS }}
            people={plan.people}
            height={190}
            bands
            label={`${words}, ${minutes(score.chairS)}: ${score.bars.map((b) => b.title).join(', ')}`}
          />
        </figure>
      ))}
      {steps.length > 0 && (
        <ul aria-label="Steps that went otherwise" className="grid gap-x-6 md:grid-cols-2">
          {steps.slice(0, named).map((s) => (
            <li key={s.stepId}>
              {s.realS > s.plannedS ? 'longer' : 'shorter'}: {s.title},{' '}
              <span className="num font-semibold">{minutes(s.realS)}</span> for{' '}
              <span className="num">{minutes(s.plannedS)}</span>
            </li>
          ))}
        </ul>
      )}
      {leftOut.length > 0 && <p className="text-soft">Left out: {leftOut.join('; ')}.</p>}
      {writtenUp.length > 0 && (
        <p className="text-soft">
          Told of when the visit had lain over a night, so not drawn, and no times are learned from them:{' '}
          {writtenUp.join('; ')}.
        </p>
      )}
    </Panel>
  )
}
