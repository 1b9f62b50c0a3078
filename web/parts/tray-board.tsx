/** One tray, to scale: things at their own size in the order of use, bands by phase, each place checkable. */
import { sure } from '../../core/sure'
import { amountWords } from '../../core/plan/amount-words'
import { thing } from '../../core/picture/things'
import type { Drawing, TrayBand, TrayBoard as Board, TrayPlace } from '../../core/picture/tray'
import { letterMm, pxPerMm } from '../../core/picture/words'
import type { SetupLine } from '../../core/model/plan'
import { pressing } from './press'
import { Outlines } from './thing'

export interface TrayBoardProps {
  selected?: string | undefined
  board: Board
  lines: ReadonlyMap<string, SetupLine>
  checked: ReadonlySet<string>
  onToggle?: (lineId: string, done: boolean) => void
  onBand?: (lineIds: string[], done: boolean) => void
}

/** In the corner of a place: exchanged, laid out, or something to read. */
function Marks({ line, done, x, y }: { line: SetupLine; done: boolean; x: number; y: number }) {
  const wrong = line.lack ?? line.lot?.warning
  const marks = [line.exchanged && '↔', done ? '✓' : wrong && '◆'].filter(Boolean)
  if (marks.length === 0) return null
  return (
    <text
      x={x}
      y={y}
      fontSize={letterMm * 1.2}
      fontWeight={800}
      textAnchor="end"
      className={done ? 'fill-jade' : wrong ? 'fill-brass' : 'fill-ink'}
    >
      {marks.join(' ')}
    </text>
  )
}

/** The silhouette in its place, and its working end enlarged beside it. */
function Silhouette({ drawing, placeId }: { drawing: Drawing; placeId: string }) {
  const { shape, lengthMm, widthMm, scale, end, xMm, yMm } = drawing
  const parts = thing(shape, lengthMm, widthMm)
  return (
    <>
      <g transform={`translate(${xMm} ${yMm}) scale(${scale})`}>
        <Outlines parts={parts} strokeMm={0.6 / scale} />
      </g>
      {end && (
        <g transform={`translate(${end.xMm} ${end.yMm})`}>
          <clipPath id={`end-${placeId}`}>
            <rect x={-1} y={-1} width={widthMm + 2} height={end.ofMm} />
          </clipPath>
          <g transform={`scale(${end.scale})`} clipPath={`url(#end-${placeId})`}>
            <Outlines parts={parts} strokeMm={0.6 / end.scale} />
          </g>
        </g>
      )}
    </>
  )
}

function Place({
  place,
  line,
  done,
  selected,
  onToggle,
}: {
  place: TrayPlace
  line: SetupLine
  done: boolean
  selected: boolean
  onToggle: TrayBoardProps['onToggle']
}) {
  const wrong = line.lack ?? line.lot?.warning
  const amount = amountWords(line)
  return (
    <g
      data-line={place.lineId}
      transform={`translate(${place.xMm} ${place.yMm})`}
      role="checkbox"
      aria-checked={done}
      aria-label={`${line.name}${amount ? `, ${amount}` : ''}${line.exchanged ? ', exchanged' : ''}${wrong ? `, ${wrong}` : ''}`}
      className={onToggle ? 'cursor-pointer' : ''}
      {...pressing(onToggle && (() => onToggle(place.lineId, !done)))}
    >
      <rect
        width={place.widthMm}
        height={place.heightMm}
        rx={3}
        className={
          done
            ? 'fill-jade-wash stroke-jade'
            : wrong
              ? 'fill-brass-wash stroke-brass'
              : selected
                ? 'fill-sheet stroke-ink'
                : 'fill-sheet stroke-line'
        }
        strokeWidth={selected ? 2.4 : done ? 1.6 : 0.8}
        strokeDasharray={wrong && !done ? '4 2' : undefined}
      />
      <Silhouette drawing={place.drawing} placeId={place.lineId.replaceAll(/[^\w-]/g, '_')} />
      {[...place.name, ...place.notes].map((w, n) => (
        <text
          key={n}
          x={place.widthMm / 2}
          y={place.wordsYMm + letterMm * (n + 0.85)}
          fontSize={letterMm}
          textAnchor="middle"
          className={n < place.name.length ? 'fill-ink' : 'fill-ink num'}
          fontWeight={n < place.name.length ? 600 : 400}
        >
          {w}
        </text>
      ))}
      <Marks line={line} done={done} x={place.widthMm - 3} y={letterMm + 1} />
    </g>
  )
}

function Heading({
  band,
  all,
  head,
  onBand,
}: {
  band: TrayBand
  all: boolean
  head: number
  onBand: TrayBoardProps['onBand']
}) {
  return (
    <g
      role="checkbox"
      aria-checked={all}
      aria-label={`${band.title}: everything laid out`}
      className={onBand ? 'cursor-pointer' : ''}
      {...pressing(
        onBand &&
          (() =>
            onBand(
              band.places.map((p) => p.lineId),
              !all,
            )),
      )}
    >
      <rect x={0} y={-2} width={band.widthMm} height={head} fill="transparent" />
      <text x={6} y={letterMm * 1.2} fontSize={letterMm * 1.1} fontWeight={700} className="fill-ink">
        {all ? '✓ ' : '○ '}
        {band.title}
      </text>
    </g>
  )
}

export function TrayBoard({ board, lines, checked, selected, onToggle, onBand }: TrayBoardProps) {
  const head = 20
  return (
    <svg
      role="group"
      aria-label={`${board.title}: ${board.bands.map((b) => b.title).join(', ')}`}
      viewBox={`-2 -2 ${board.widthMm + 4} ${board.heightMm + head + 4}`}
      width={(board.widthMm + 4) * pxPerMm}
      className="block h-auto max-w-full"
    >
      <rect
        x={-1}
        y={head}
        width={board.widthMm + 2}
        height={board.heightMm}
        rx={8}
        className="fill-sunk stroke-soft"
        strokeWidth={1.2}
      />
      {board.bands.map((band, i) => (
        <g key={band.phase} transform={`translate(${band.xMm} 0)`}>
          {i > 0 && (
            <line x1={0} x2={0} y1={head} y2={head + board.heightMm} className="stroke-soft" strokeDasharray="3 3" />
          )}
          <Heading band={band} all={band.places.every((p) => checked.has(p.lineId))} head={head} onBand={onBand} />
          <g transform={`translate(0 ${head})`}>
            {band.places.map((p) => (
              <Place
                key={p.lineId}
                place={p}
                line={sure(lines.get(p.lineId))}
                done={checked.has(p.lineId)}
                selected={selected === p.lineId}
                onToggle={onToggle}
              />
            ))}
          </g>
        </g>
      ))}
    </svg>
  )
}
