/** What waits for this person in other chairs, on whatever screen they are: chair, word, how long; one touch goes there. */
import { Link } from 'react-router'
import { useChimeOnNew } from '../parts/sound'
import { useNow } from './live'
import { useNeeded } from './queries'

const since = (ms: number): string =>
  `${Math.floor(Math.max(0, ms) / 60_000)}:${String(Math.floor(Math.max(0, ms) / 1000) % 60).padStart(2, '0')}`

export function NeededStrip({ here }: { here: string | undefined }) {
  const { data } = useNeeded()
  const now = useNow(1000)
  const wanted = data?.wanted.filter((w) => w.visitId !== here) ?? []
  useChimeOnNew(wanted.map((w) => `${w.visitId}${w.words}${w.since}`).join('\n'))
  if (wanted.length === 0) return null
  return (
    <ul aria-label="Waiting for you" className="flex flex-wrap gap-2 border-b-2 border-brass bg-brass-wash px-4 py-1.5">
      {wanted.map((w) => (
        <li key={`${w.visitId}${w.kind}${w.words}`} data-needed={w.visitId}>
          <Link
            to={`/visits/${w.visitId}/chairside`}
            className="flex min-h-12 items-center gap-2 rounded-md border-2 border-brass bg-sheet px-3 text-lg"
          >
            <strong>{w.chair}</strong>
            <span>
              {w.kind === 'hold' ? '‖ sign: ' : '◆ '}
              {w.words}
            </span>
            <span className="clock text-soft">{since(now - w.since)}</span>
          </Link>
        </li>
      ))}
    </ul>
  )
}
