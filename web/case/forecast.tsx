/** How long the visit takes on other days than the likely one, and which windows it would overrun how often. */
import type { Forecast } from '../../core/schedule/simulate'
import { Mark } from '../parts/ui'
import { minutes } from '../parts/words'

/** From this share on a window is worth a word before the visit. */
const worthSaying = 0.1
/** From this on the dentist should decide on another way. */
const worthAsking = 0.3

export function LikelyLength({ found }: { found: Forecast | null }) {
  if (!found)
    return (
      <p className="text-base text-soft" role="status">
        Running the visit through …
      </p>
    )
  const tight = found.missed.filter((m) => m.share >= worthSaying).toSorted((a, b) => b.share - a.share)
  return (
    <div data-forecast="" className="space-y-1.5">
      <p>
        8 visits in 10 are done within <strong className="num">{minutes(found.eightInTenS)}</strong>, half within{' '}
        <span className="num">{minutes(found.likelyS)}</span>
        <span className="text-base text-soft">
          {' '}
          ({found.draws.toLocaleString('en')} runs, durations drawn from short, likely and long)
        </span>
      </p>
      {tight.slice(0, 3).map((m) => (
        <Mark key={m.linkId} kind={m.share >= worthAsking ? 'ask' : 'mind'}>
          {m.title}: overrun in <span className="num">{Math.round(m.share * 100)}</span> of 100 runs
        </Mark>
      ))}
    </div>
  )
}
