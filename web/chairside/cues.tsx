/** What is called out by the clock: what is to be done now, as large as the room, and how long until the next call. */
import { useEffect, useRef } from 'react'
import type { Called } from '../../core/run/cues'
import { chime } from '../parts/sound'

/** Calls further off than this are not worth a line yet, seconds. */
const aheadS = 90

export function CueLine({ called }: { called: readonly Called[] }) {
  const now = called.find((c) => c.state !== 'coming')
  const next = called.find((c) => c.state === 'coming' && c.inS <= aheadS)
  const before = useRef<string | undefined>(undefined)
  const first = useRef(true)
  useEffect(() => {
    // What was called before this screen opened is shown, not sounded.
    if (!first.current && now?.state === 'now' && now.key !== before.current) chime('hurry')
    first.current = false
    before.current = now?.key
  }, [now?.key, now?.state])
  if (!now && !next) return null
  return (
    <section aria-label="Called out" className="rounded-lg border-4 border-brass bg-brass-wash px-4 py-2">
      {now && (
        <p
          role="status"
          data-called={now.key}
          data-state={now.state}
          className={`font-bold text-brass ${now.state === 'now' ? 'text-5xl' : 'text-3xl'}`}
        >
          ▶ {now.say}
        </p>
      )}
      {next && (
        <p data-coming={next.key} className="text-3xl text-ink">
          in <span className="clock font-bold">{Math.ceil(next.inS)}</span> s: {next.say}
        </p>
      )}
    </section>
  )
}
