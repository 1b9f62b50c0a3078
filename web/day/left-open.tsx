/** Visits that were begun and never closed: said on the day until somebody closes them. */
import { Link } from 'react-router'
import { plainDate } from '../../core/clock'
import type { DayView } from '../../wire/day'
import { Mark } from '../parts/ui'
import { clockTime } from '../parts/words'

export function LeftOpen({ view: { leftOpen, today, zone } }: { view: DayView }) {
  return leftOpen.map(({ visitId, patient, lastAt }) => {
    const on = plainDate(lastAt, zone)
    return (
      <p key={visitId} data-left-open={visitId}>
        <Mark kind="ask">
          {patient}: left open, nothing was done since <span className="num">{clockTime(lastAt, zone)}</span>
          {on === today ? '' : ` on ${on}`}. Its counts, signatures and note wait.{' '}
          <Link className="underline" to={`/visits/${visitId}/close`}>
            Close it
          </Link>
        </Mark>
      </p>
    )
  })
}
