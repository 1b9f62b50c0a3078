/** What the score says in words beside its bars: the holds beneath the staves, the windows above them. */
import { flagsOf } from '../../core/picture/flags'
import { span } from '../../core/rules/rule'
import type { Hold } from '../../core/model/plan'
import type { Timeline } from '../../core/schedule/timeline'
import { sure } from '../../core/sure'
import { letterPx, staves, type Lay } from './score-lay'

/** What each hold is called, from its double bar down. */
export function HoldNames({
  of: { x, width, height },
  score,
  holds,
}: {
  of: Lay
  score: Timeline
  holds: readonly Hold[]
}) {
  const ends = new Map(score.bars.map((b) => [b.stepId, b.endS]))
  const flags = holds.flatMap((h) => {
    const endS = ends.get(h.stepId)
    return endS === undefined ? [] : [{ at: x(endS) + 4, text: h.title }]
  })
  const { row, rows, below } = staves.flags
  return flagsOf(flags, letterPx, rows, width).map((f) => (
    <g key={f.at} data-hold-name="">
      <line
        x1={f.at}
        x2={f.at}
        y1={height - staves.bottom - below}
        y2={height - staves.bottom - below + 14 + f.row * row}
        className="stroke-ink"
      />
      <text x={f.x} y={height - staves.bottom - below + 17 + f.row * row} fontSize={16} className="fill-ink">
        {f.text}
      </text>
    </g>
  ))
}

/** What each window is, and how long it may last; over its bracket. */
export function WindowNames({ of: { x, width, top }, score }: { of: Lay; score: Timeline }) {
  const windows = score.brackets.filter((b) => b.kind === 'window' && b.endS > b.startS && b.longestS !== undefined)
  const flags = windows.map((b) => ({ at: x(b.startS) - 6, text: `${span(sure(b.longestS))} ${b.title}` }))
  return flagsOf(flags, letterPx, staves.flags.rows, width).map((f) => (
    <text
      key={`${f.at}${f.text}`}
      x={f.x}
      y={top - 19 - (staves.flags.rows - 1 - f.row) * staves.flags.row}
      fontSize={16}
      className="fill-soft"
      data-window-name=""
    >
      {f.text}
    </text>
  ))
}
