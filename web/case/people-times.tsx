/** Who works and waits how long, and what delegating is worth. */
import type { Delegation, PersonTime } from '../../core/schedule/delegate'
import { timesWords } from '../../core/words'
import { minutes } from '../parts/words'

export function PeopleTimes({
  times,
  people,
  delegation,
}: {
  times: readonly PersonTime[]
  people: { id: string; name: string }[]
  delegation: Delegation | null
}) {
  const name = new Map(people.map((p) => [p.id, p.name]))
  return (
    <div data-people-times="">
      <h3 className="font-bold">Who works and waits</h3>
      <ul>
        {times.map((t) => (
          <li key={t.personId}>
            {name.get(t.personId)}: <span className="num">{minutes(t.busyS)}</span>
            {t.waits > 0 && (
              <span className="text-soft">
                , waits {timesWords(t.waits)}, <span className="num">{minutes(t.waitS)}</span>
                {t.waits > 1 && (
                  <>
                    {' '}
                    in all, the longest <span className="num">{minutes(t.longestWaitS)}</span>
                  </>
                )}
              </span>
            )}
          </li>
        ))}
      </ul>
      {delegation && (
        <p className="mt-1 text-base" data-delegation="">
          Delegated in the mouth: <span className="num">{delegation.steps}</span> steps. They free the dentist for{' '}
          <strong className="num">{minutes(delegation.dentistS)}</strong>
          {Math.abs(delegation.chairS) >= 30 && (
            <>
              ; the patient sits {minutes(Math.abs(delegation.chairS))} {delegation.chairS > 0 ? 'shorter' : 'longer'}{' '}
              for it
            </>
          )}
          .
          {delegation.takeBack[0] && (
            <>
              {' '}
              Done by the dentist, “{delegation.takeBack[0].title}” lets the patient go{' '}
              {minutes(delegation.takeBack[0].chairS)} sooner, for {minutes(delegation.takeBack[0].dentistS)} of the
              dentist’s.
            </>
          )}
        </p>
      )}
    </div>
  )
}
