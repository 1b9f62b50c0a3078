/** The score: time from left to right, a stave for each person, one line for the mouth; holds are double bars. */
import { bandsOf } from '../../core/schedule/bands'
import type { Hold } from '../../core/model/plan'
import { firstOf, sure } from '../../core/sure'
import { useEffect, useRef, useState } from 'react'
import type { Bar, Bracket, Rest as RestOf, Timeline } from '../../core/schedule/timeline'
import type { RunCore, StepState } from '../../core/run/state'
import { letterPx, minutesOf, sayingPx, staves, type Lay } from './score-lay'
import { HoldNames, WindowNames } from './score-names'

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
  /** The phases as named bands over the staves. */
  bands?: boolean
  /** The dentist's holds, by name beneath the staves, and windows with their seconds above them. */
  holds?: readonly Hold[]
  /** Names before the staves; left to a wrapper where the drawing is wider than its window. */
  names?: boolean
  /** How many times its natural width. */
  zoom?: number
  label: string
}

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

function layOf({
  score,
  people,
  playheadS,
  width,
  height,
  full,
  bands,
  names,
  named,
}: Pick<ScoreProps, 'score' | 'people'> & {
  bands: boolean
  named: boolean
  playheadS: number | undefined
  width: number
  height: number
  full: boolean
  names: boolean
}): Lay {
  const left = names ? staves.left : 0
  const top = (full ? staves.top : 2) + (bands ? staves.bands : 0) + (named ? staves.flags.above : 0)
  const bottom = (full ? staves.bottom : 2) + (named ? staves.flags.below : 0)
  const usable = width - left - (full ? 8 : 0)
  const totalS = Math.max(score.totalS, playheadS ?? 0, 60)
  const rows = people.length + 1
  return {
    width,
    height,
    left,
    top,
    rows,
    totalS,
    rowHeight: (height - top - bottom) / rows,
    x: (s) => left + (s / totalS) * usable,
    rowOf: (id) => people.findIndex((p) => p.id === id),
  }
}

function Minutes({ of: { x, totalS, top, height }, zoom }: { of: Lay; zoom: number }) {
  return minutesOf(totalS, x(totalS) - x(0), zoom).map((m) => (
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
  ))
}

/** The course of the visit: its phases, named where there is room for the word. */
function Bands({ of: { x, height }, score }: { of: Lay; score: Timeline }) {
  return bandsOf(score).map((b, i) => {
    const w = x(b.endS) - x(b.startS)
    const most = Math.floor((w - 8) / letterPx)
    return (
      <g key={`${b.phase}${b.startS}`} data-band={b.phase}>
        <rect
          x={x(b.startS)}
          y={0}
          width={Math.max(1, w - 1)}
          height={staves.bands - 4}
          rx={3}
          className={i % 2 === 0 ? 'fill-jade-wash' : 'fill-sunk'}
        />
        <line x1={x(b.startS)} x2={x(b.startS)} y1={0} y2={height - 22} className="stroke-line" strokeDasharray="2 3" />
        {most >= Math.min(4, b.title.length) && (
          <text x={x(b.startS) + 4} y={16} fontSize={16} className="fill-ink">
            {b.title.length > most ? `${b.title.slice(0, Math.max(2, most - 1))}…` : b.title}
          </text>
        )}
        <title>{b.title}</title>
      </g>
    )
  })
}

function Names({ of: { top, rowHeight }, people }: { of: Lay; people: ScoreProps['people'] }) {
  return (
    <>
      {people.map((p, i) => (
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
      <text
        x={0}
        y={top + (people.length + 0.5) * rowHeight}
        dominantBaseline="central"
        fontSize={17}
        className="fill-soft"
      >
        mouth
      </text>
    </>
  )
}

/** A rest hangs under the stave, as wide as a finger, where there is room for it. */
function Rest({ of: { x, top, rowHeight, rowOf }, rest }: { of: Lay; rest: RestOf }) {
  const row = rowOf(rest.personId)
  if (row < 0 || x(rest.endS) - x(rest.startS) < 18) return null
  const centre = (x(rest.startS) + x(rest.endS)) / 2
  return (
    <path data-rest="" d={`M ${centre - 7} ${top + (row + 0.5) * rowHeight} h 14 v 5 h -14 z`} className="fill-soft" />
  )
}

/** One step: on the stave of each who does it, and in the mouth; what decides how long the visit takes is underlined. */
function OneBar({
  of: { x, top, height, rowHeight, rows, rowOf },
  bar,
  people,
  full,
  tone,
  status,
}: {
  of: Lay
  bar: Bar
  people: ScoreProps['people']
  full: boolean
  tone: string
  status: StepState['status'] | undefined
}) {
  const now = status === 'running'
  const faded = status === 'done' || status === 'skipped'
  const w = Math.max(2, x(bar.endS) - x(bar.startS) - 1)
  const first = rowOf(firstOf(bar.people))
  return (
    <g className={faded ? 'opacity-35' : tone}>
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
            stroke={now || (bar.alone && full) ? 'currentColor' : 'none'}
            strokeWidth={now ? 4 : 2}
            {...(bar.alone && full && !now ? { strokeDasharray: '5 4', 'data-alone': '' } : {})}
          />
        )
      })}
      {full && !faded && bar.slackS === 0 && people[first] && (
        <rect
          data-decides=""
          x={x(bar.startS)}
          y={top + first * rowHeight + rowHeight * 0.88}
          width={w}
          height={rowHeight * 0.1}
          className="fill-ink"
        />
      )}
      {full && rowHeight >= 24 && w >= sayingPx && first >= 0 && (
        <text
          x={x(bar.startS) + 4}
          y={top + (first + 0.5) * rowHeight}
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
          y={top + (rows - 1) * rowHeight + rowHeight * 0.38}
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
}

function WindowBracket({ of: { x, top }, bracket: b }: { of: Lay; bracket: Bracket }) {
  if (b.kind !== 'window' || b.endS <= b.startS) return null
  return (
    <path
      d={`M ${x(b.startS)} ${top - 6} v -8 H ${Math.max(x(b.endS), x(b.startS) + 6)} v 8`}
      fill="none"
      className={b.missed ? 'stroke-alarm' : 'stroke-brass'}
      strokeWidth={3}
    >
      <title>{b.title}</title>
    </path>
  )
}

function Playhead({ of: { x, height }, atS }: { of: Lay; atS: number }) {
  return (
    <g className="text-alarm">
      <line x1={x(atS)} x2={x(atS)} y1={2} y2={height - 20} stroke="currentColor" strokeWidth={3} />
      <path d={`M ${x(atS) - 8} 0 h 16 l -8 12 z`} fill="currentColor" />
    </g>
  )
}

export function Score({
  score,
  people,
  core,
  playheadS,
  height = 150,
  full = true,
  bands = false,
  holds,
  names = full,
  zoom = 1,
  label,
}: ScoreProps) {
  const [box, seen] = useWidth(full ? 1200 : 220, full ? 120 : 24)
  const lay = layOf({
    score,
    people,
    playheadS,
    width: seen * zoom,
    height,
    full,
    bands,
    names,
    named: holds !== undefined,
  })
  const { width, left, top, rowHeight, rows } = lay
  const phases = [...new Set(score.bars.map((b) => b.phase))]
  return (
    <div ref={box} className="w-full">
      <svg
        {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block"
      >
        {full && <Minutes of={lay} zoom={zoom} />}
        {bands && <Bands of={lay} score={score} />}
        {names && <Names of={lay} people={people} />}
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
        {full && score.rests.map((rest) => <Rest key={`${rest.personId}${rest.startS}`} of={lay} rest={rest} />)}
        {score.bars.map((bar) => (
          <OneBar
            key={bar.stepId}
            of={lay}
            bar={bar}
            people={people}
            full={full}
            tone={sure(phaseTone[phases.indexOf(bar.phase) % 2])}
            status={core && (core.steps[bar.stepId]?.status ?? 'todo')}
          />
        ))}
        {full && score.brackets.map((b) => <WindowBracket key={b.from + b.to} of={lay} bracket={b} />)}
        {holds && <HoldNames of={lay} score={score} holds={holds} />}
        {holds && <WindowNames of={lay} score={score} />}
        {playheadS !== undefined && <Playhead of={lay} atS={playheadS} />}
      </svg>
    </div>
  )
}
