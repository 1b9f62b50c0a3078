/** A running clock: ring, figure and word; shape and word change with the phase, not only colour. */
import { sure } from '../../core/sure'
import type { RunningClock } from '../../core/run/clocks'

const words: Record<RunningClock['phase'], string> = { wait: 'wait', go: 'may go', warn: 'hurry', missed: 'closed' }

/** A clock that holds nothing back is only watched. */
const wordOf = (c: RunningClock): string => (c.phase === 'go' && c.notBeforeS === 0 ? 'watched' : words[c.phase])

function mmss(seconds: number): string {
  // What is left is rounded up and what is over is rounded down: a second shown has still to pass, or has passed.
  const s = seconds > 0 ? Math.ceil(seconds) : Math.floor(-seconds)
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
}

export function ClockRing({ clock }: { clock: RunningClock }) {
  const goal =
    clock.phase === 'wait' ? sure(clock.notBeforeS) : (clock.closesS ?? clock.warnS ?? sure(clock.notBeforeS))
  const left = goal - clock.elapsedS
  const share = Math.min(1, Math.max(0, clock.elapsedS / goal))
  const r = 34
  const round = 2 * Math.PI * r
  const tone = { wait: 'text-soft', go: 'text-jade', warn: 'text-brass', missed: 'text-alarm' }[clock.phase]
  const box = {
    wait: 'border-line bg-sheet',
    go: 'border-jade bg-sheet',
    warn: 'border-brass bg-brass-wash border-dashed',
    missed: 'border-alarm bg-alarm-wash border-double border-4',
  }[clock.phase]
  return (
    <li
      data-clock={clock.title}
      data-phase={clock.phase}
      className={`flex items-center gap-3 rounded-lg border-2 px-3 py-2 ${box}`}
    >
      <svg width={84} height={84} viewBox="-42 -42 84 84" aria-hidden="true" className={tone}>
        <circle r={r} fill="none" className="stroke-sunk" strokeWidth={9} />
        <circle
          r={r}
          fill="none"
          stroke="currentColor"
          strokeWidth={9}
          strokeDasharray={`${share * round} ${round}`}
          transform="rotate(-90)"
        />
        {clock.phase === 'missed' && <path d="M-14 -14 L14 14 M14 -14 L-14 14" stroke="currentColor" strokeWidth={6} />}
        {clock.phase === 'warn' && <path d="M0 -18 L16 12 H-16 Z" fill="currentColor" />}
        {clock.phase === 'go' && <path d="M-10 -14 L14 0 L-10 14 Z" fill="currentColor" />}
        {clock.phase === 'wait' && <path d="M-9 -13 V13 M9 -13 V13" stroke="currentColor" strokeWidth={7} />}
      </svg>
      <div>
        <p className="clock text-5xl leading-none font-bold">
          {left < 0 ? '+' : ''}
          {mmss(left)}
        </p>
        <p className="text-2xl leading-tight">
          <strong>{wordOf(clock)}</strong> · {clock.title}
        </p>
      </div>
    </li>
  )
}
