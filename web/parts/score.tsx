/** The score: time from left to right, a stave for each person, one line for the mouth; holds are double bars. */
import { firstOf, sure } from '../../core/sure'
import { useEffect, useRef, useState } from 'react'
import type { Timeline } from '../../core/schedule/timeline'
import type { RunCore } from '../../core/run/state'

export interface ScoreProps {
  score: Timeline
  people: { id: string; name: string; dentist: boolean }[]
  /** Live: what is done and running is filled, the rest is outlined. */
  core?: RunCore
  /** Seconds from seating at which the playhead stands. */
  playheadS?: number
  height?: number
  /** Windows as brackets and minute marks; left out in the small drawing of the day. */
  full?: boolean
  /** Names before the staves; left to a wrapper where the drawing is wider than its window. */
  names?: boolean
  /** How many times its natural width. */
  zoom?: number
  label: string
}

/** Where the staves lie in a full drawing, px. */
export const staves = { left: 132, top: 26, bottom: 26 }
/** From so wide on a bar says what it is, px; and a letter's width. */
const [sayingPx, letterPx] = [64, 8.6]

/** The width an element really has, so that the drawing's letters keep their size. */
function useWidth(first: number, least: number): [React.RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(first)
  useEffect(() => {
    const element = ref.current
    if (!element) return undefined
    const watch = new ResizeObserver(([entry]) => setWidth(Math.max(least, Math.round(sure(entry).contentRect.width))))
    watch.observe(element)
    return () => watch.disconnect()
  }, [least])
  return [ref, width]
}

const phaseTone = ['opacity-100', 'opacity-75']

export function Score({
  score,
  people,
  core,
  playheadS,
  height = 150,
  full = true,
  names = full,
  zoom = 1,
  label,
}: ScoreProps) {
  const [box, seen] = useWidth(full ? 1200 : 220, full ? 120 : 24)
  const width = seen * zoom
  const left = names ? staves.left : 0
  const usable = width - left - (full ? 8 : 0)
  const total = Math.max(score.totalS, playheadS ?? 0, 60)
  const x = (s: number): number => left + (s / total) * usable
  const rows = people.length + 1
  const top = full ? staves.top : 2
  const rowHeight = (height - top - (full ? staves.bottom : 2)) / rows
  const rowOf = (id: string): number => people.findIndex((p) => p.id === id)
  const phases = [...new Set(score.bars.map((b) => b.phase))]
  const every = zoom >= 8 ? 1 : zoom >= 4 ? 2 : zoom >= 2 ? 5 : 10
  const minutes = Array.from({ length: Math.floor(total / 60 / every) + 1 }, (_, i) => i * every)
  return (
    <div ref={box} className="w-full">
      <svg
        {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block"
      >
        {full &&
          minutes.map((m) => (
            <g key={m}>
              <line x1={x(m * 60)} x2={x(m * 60)} y1={top - 4} y2={height - 22} className="stroke-line" />
              <text
                x={x(m * 60)}
                y={height - 5}
                fontSize={16}
                textAnchor={m === 0 ? 'start' : 'middle'}
                className="fill-soft num"
              >
                {m}
              </text>
            </g>
          ))}
        {names &&
          people.map((p, i) => (
            <text
              key={p.id}
              x={0}
              y={top + (i + 0.5) * rowHeight}
              dominantBaseline="central"
              fontSize={17}
              className="fill-ink"
            >
              {p.name.length > 15 ? p.name.split(' ').at(-1) : p.name}
            </text>
          ))}
        {names && (
          <text
            x={0}
            y={top + (people.length + 0.5) * rowHeight}
            dominantBaseline="central"
            fontSize={17}
            className="fill-soft"
          >
            mouth
          </text>
        )}
        {Array.from({ length: rows }, (_, i) => (
          <line
            key={i}
            x1={left}
            x2={width}
            y1={top + (i + 0.5) * rowHeight}
            y2={top + (i + 0.5) * rowHeight}
            className="stroke-line"
            strokeWidth={full ? 1 : 2}
          />
        ))}
        {full &&
          score.rests.map((rest) => {
            const row = rowOf(rest.personId)
            const centre = (x(rest.startS) + x(rest.endS)) / 2
            // A rest hangs under the stave, as wide as a finger, where there is room for it.
            return row < 0 || x(rest.endS) - x(rest.startS) < 18 ? null : (
              <path
                key={`${rest.personId}${rest.startS}`}
                data-rest=""
                d={`M ${centre - 7} ${top + (row + 0.5) * rowHeight} h 14 v 5 h -14 z`}
                className="fill-soft"
              />
            )
          })}
        {score.bars.map((bar) => {
          const state = core?.steps[bar.stepId]?.status
          const now = state === 'running'
          const faded = core !== undefined && (state === 'done' || state === 'skipped')
          const tone = sure(phaseTone[phases.indexOf(bar.phase) % 2])
          const w = Math.max(2, x(bar.endS) - x(bar.startS) - 1)
          return (
            <g key={bar.stepId} className={faded ? 'opacity-35' : tone}>
              {bar.people.map((id, i) => {
                const row = rowOf(id)
                if (row < 0) return null
                const dentist = sure(people[row]).dentist
                return (
                  <rect
                    key={id}
                    x={x(bar.startS)}
                    y={top + row * rowHeight + rowHeight * (i === 0 ? 0.14 : 0.3)}
                    width={w}
                    height={rowHeight * (i === 0 ? 0.72 : 0.4)}
                    rx={full ? 3 : 1}
                    className={dentist ? 'fill-dentist' : 'fill-helper'}
                    stroke={now ? 'currentColor' : 'none'}
                    strokeWidth={4}
                  />
                )
              })}
              {full && !faded && bar.slackS === 0 && people[rowOf(firstOf(bar.people))] && (
                <rect
                  data-decides=""
                  x={x(bar.startS)}
                  y={top + rowOf(firstOf(bar.people)) * rowHeight + rowHeight * 0.88}
                  width={w}
                  height={rowHeight * 0.1}
                  className="fill-ink"
                />
              )}
              {full && rowHeight >= 24 && w >= sayingPx && rowOf(firstOf(bar.people)) >= 0 && (
                <text
                  x={x(bar.startS) + 4}
                  y={top + (rowOf(firstOf(bar.people)) + 0.5) * rowHeight}
                  dominantBaseline="central"
                  fontSize={16}
                  className="fill-jade-ink"
                  aria-hidden="true"
                >
                  {bar.title.length * letterPx > w - 8
                    ? `${bar.title.slice(0, Math.max(1, Math.floor((w - 16) / letterPx)))}…`
                    : bar.title}
                </text>
              )}
              {bar.place === 'mouth' && (
                <rect
                  x={x(bar.startS)}
                  y={top + people.length * rowHeight + rowHeight * 0.38}
                  width={w}
                  height={rowHeight * 0.24}
                  className="fill-soft"
                />
              )}
              {bar.hold && full && (
                <g className="stroke-ink" strokeWidth={2.5}>
                  <line x1={x(bar.endS) - 1} x2={x(bar.endS) - 1} y1={top - 2} y2={height - 26} />
                  <line x1={x(bar.endS) + 4} x2={x(bar.endS) + 4} y1={top - 2} y2={height - 26} strokeWidth={1} />
                </g>
              )}
            </g>
          )
        })}
        {full &&
          score.brackets
            .filter((b) => b.kind === 'window' && b.endS > b.startS)
            .map((b) => (
              <path
                key={b.from + b.to}
                d={`M ${x(b.startS)} ${top - 6} v -8 H ${Math.max(x(b.endS), x(b.startS) + 6)} v 8`}
                fill="none"
                className={b.missed ? 'stroke-alarm' : 'stroke-brass'}
                strokeWidth={3}
              >
                <title>{b.title}</title>
              </path>
            ))}
        {playheadS !== undefined && (
          <g className="text-alarm">
            <line x1={x(playheadS)} x2={x(playheadS)} y1={2} y2={height - 20} stroke="currentColor" strokeWidth={3} />
            <path d={`M ${x(playheadS) - 8} 0 h 16 l -8 12 z`} fill="currentColor" />
          </g>
        )}
      </svg>
    </div>
  )
}
