/** One tray, to scale: items at their own size in the order of use, bands by phase, each place checkable. */
import { sure } from '../../core/sure'
import { amountWords } from '../../core/plan/amount-words'
import type { TrayBoard as Board } from '../../core/picture/tray'
import type { SetupLine } from '../../core/model/plan'

/** A plain drawing by family, of our own: a hint of the thing, not its picture. */
function Glyph({ family, w, h }: { family: string; w: number; h: number }) {
  const long = h > 100
  const stroke = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.6, strokeLinecap: 'round' as const }
  switch (family) {
    case 'diagnostic':
    case 'hand instrument':
      return long ? (
        <path
          d={`M ${w / 2} 12 V ${h - 12} M ${w / 2 - 3} ${h * 0.35} h 6 M ${w / 2 - 3} ${h * 0.65} h 6 M ${w / 2} 12 q 6 -4 7 -8`}
          {...stroke}
        />
      ) : (
        <path
          d={`M ${w * 0.25} ${h * 0.25} L ${w * 0.75} ${h * 0.75} M ${w * 0.75} ${h * 0.25} L ${w * 0.25} ${h * 0.75}`}
          {...stroke}
        />
      )
    case 'handpiece':
      return (
        <path
          d={`M ${w / 2 - 5} ${h - 8} V ${h * 0.35} q 0 -10 10 -14 M ${w / 2 + 5} ${h - 8} V ${h * 0.4}`}
          {...stroke}
        />
      )
    case 'cord':
    case 'dam':
      return (
        <path d={`M ${w / 2} ${h / 2} m -9 0 a 9 9 0 1 0 18 0 a 9 9 0 1 0 -18 0 m 4 0 a 5 5 0 1 0 10 0`} {...stroke} />
      )
    case 'impression':
    case 'provisional':
    case 'cement':
      return <path d={`M ${w / 2 - 6} ${h * 0.25} h 12 v ${h * 0.5} h -12 z M ${w / 2} ${h * 0.25} v -8`} {...stroke} />
    case 'anaesthesia':
      return <path d={`M ${w / 2} 10 V ${h - 10} M ${w / 2 - 5} ${h * 0.4} h 10 v ${h * 0.35} h -10 z`} {...stroke} />
    case 'matrix':
    case 'clamp':
      return (
        <path
          d={`M ${w / 2 - 12} ${h * 0.62} q 0 ${-16} 12 ${-16} q 12 0 12 16 M ${w / 2 - 12} ${h * 0.62} l -4 5 M ${w / 2 + 12} ${h * 0.62} l 4 5`}
          {...stroke}
        />
      )
    case 'endodontic':
      return (
        <path
          d={`M ${w / 2 - 4} ${h * 0.3} h 8 v 10 h -8 z M ${w / 2} ${h * 0.3 + 10} L ${w / 2} ${h * 0.78} M ${w / 2 - 4} ${h * 0.3 + 16} h 8`}
          {...stroke}
        />
      )
    case 'preformed crown':
      return <path d={`M ${w / 2 - 11} ${h * 0.45} q 11 -12 22 0 l -3 16 q -8 -5 -16 0 z`} {...stroke} />
    case 'bonding':
    case 'restorative':
    case 'agent':
      return (
        <path
          d={`M ${w / 2 - 7} ${h * 0.42} h 14 v ${h * 0.3} h -14 z M ${w / 2 - 3} ${h * 0.42} v -7 h 6 v 7`}
          {...stroke}
        />
      )
    case 'gold':
      return <path d={`M ${w / 2 - 10} ${h * 0.6} l 10 -9 l 10 9 l -10 9 z`} {...stroke} />
    case 'equipment':
      return (
        <path
          d={`M ${w * 0.3} ${h * 0.45} h ${w * 0.4} v ${h * 0.25} h ${-w * 0.4} z M ${w * 0.38} ${h * 0.52} h ${w * 0.14}`}
          {...stroke}
        />
      )
    case 'finishing':
      return (
        <path
          d={`M ${w / 2} ${h * 0.3} V ${h * 0.55} M ${w / 2 - 9} ${h * 0.62} a 9 6 0 1 0 18 0 a 9 6 0 1 0 -18 0`}
          {...stroke}
        />
      )
    case 'protection':
      return (
        <path
          d={`M ${w * 0.3} ${h * 0.55} q ${w * 0.2} ${-h * 0.12} ${w * 0.4} 0 v ${h * 0.14} q ${-w * 0.2} ${h * 0.12} ${-w * 0.4} 0 z`}
          {...stroke}
        />
      )
    default:
      return long ? (
        <path
          d={`M ${w * 0.55} ${h - 10} V ${h * 0.2} q 0 -8 6 -10 M ${w * 0.7} ${h - 10} V ${h * 0.22}`}
          {...stroke}
        />
      ) : (
        <path d={`M ${w * 0.62} ${h * 0.62} h ${w * 0.2} v ${h * 0.16} h ${-w * 0.2} z`} {...stroke} />
      )
  }
}

/** Screen pixels for a millimetre: one scale for every tray, so that things compare. */
const pxPerMm = 1.76
/** 16 px in the drawing's millimetres: nothing is written smaller. */
const letterMm = 16 / pxPerMm

/** Where a word too long for its line is parted: before a consonant and its vowel, as print does, never leaving two letters. */
function partAt(word: string, most: number): number {
  for (let at = Math.min(most - 1, word.length - 3); at >= 3; at--)
    if (/^[^aeiouy][aeiouy]/.test(word.slice(at))) return at
  return most - 1
}

/** Wraps a name into lines of so many letters; a word longer than a line is parted. */
function wrap(text: string, most: number): string[] {
  const lines: string[] = []
  // A hyphen is a place to part, a space is one that falls away.
  for (const word of text.split(/ |(?<=-)/)) {
    const last = lines.at(-1)
    const joined = last?.endsWith('-') ? `${last}${word}` : `${last} ${word}`
    if (last !== undefined && joined.length <= most) lines[lines.length - 1] = joined
    else if (word.length <= most) lines.push(word)
    else lines.push(`${word.slice(0, partAt(word, most))}-`.replace('--', '-'), word.slice(partAt(word, most)))
  }
  return lines
}

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
      {board.bands.map((band, i) => {
        const ids = band.places.map((p) => p.lineId)
        const all = ids.every((id) => checked.has(id))
        return (
          <g key={band.phase} transform={`translate(${band.xMm} 0)`}>
            {i > 0 && (
              <line x1={0} x2={0} y1={head} y2={head + board.heightMm} className="stroke-soft" strokeDasharray="3 3" />
            )}
            <g
              role="checkbox"
              aria-checked={all}
              aria-label={`${band.title}: everything laid out`}
              tabIndex={onBand ? 0 : undefined}
              className={onBand ? 'cursor-pointer' : ''}
              onClick={() => onBand?.(ids, !all)}
              onKeyDown={(e) => {
                if (e.key !== ' ' && e.key !== 'Enter') return
                e.preventDefault()
                onBand?.(ids, !all)
              }}
            >
              <rect x={0} y={-2} width={band.widthMm} height={head} fill="transparent" />
              <text x={6} y={12} fontSize={letterMm * 1.1} fontWeight={700} className="fill-ink">
                {all ? '✓ ' : '○ '}
                {band.title}
              </text>
            </g>
            {band.places.map((p) => {
              const line = sure(lines.get(p.lineId))
              const done = checked.has(p.lineId)
              const wrong = line.lack ?? line.lot?.warning
              const amount = amountWords(line)
              // Long narrow things are written along their length.
              const along = p.widthMm < 48 && p.heightMm > 75
              const [room, deep] = along ? [p.heightMm, p.widthMm] : [p.widthMm, p.heightMm]
              const most = Math.max(4, Math.floor((room - 6) / (letterMm * 0.49)))
              const words = wrap(amount && along ? `${line.name}, ${amount}` : line.name, most).slice(
                0,
                Math.max(1, Math.floor((deep - 3) / letterMm)),
              )
              return (
                <g
                  key={p.lineId}
                  data-line={p.lineId}
                  transform={`translate(${p.xMm} ${head + p.yMm})`}
                  role="checkbox"
                  aria-checked={done}
                  aria-label={`${line.name}${amount ? `, ${amount}` : ''}${line.exchanged ? ', exchanged' : ''}${wrong ? `, ${wrong}` : ''}`}
                  tabIndex={onToggle ? 0 : undefined}
                  className={onToggle ? 'cursor-pointer' : ''}
                  onClick={() => onToggle?.(p.lineId, !done)}
                  onKeyDown={(e) => {
                    if (e.key !== ' ' && e.key !== 'Enter') return
                    e.preventDefault()
                    onToggle?.(p.lineId, !done)
                  }}
                >
                  <rect
                    width={p.widthMm}
                    height={p.heightMm}
                    rx={3}
                    className={
                      done
                        ? 'fill-jade-wash stroke-jade'
                        : wrong
                          ? 'fill-brass-wash stroke-brass'
                          : 'fill-sheet stroke-soft'
                    }
                    strokeWidth={selected === p.lineId ? 3 : done ? 1.6 : 1}
                    strokeDasharray={wrong && !done ? '4 2' : undefined}
                  />
                  {/* The drawing is a hint: it gives way where it would stand behind the words. */}
                  {(along || p.heightMm > letterMm * (words.length + 1) * 1.8) && (
                    <g className={done ? 'text-jade opacity-30' : 'text-soft opacity-25'}>
                      <Glyph family={line.family} w={p.widthMm} h={p.heightMm} />
                    </g>
                  )}
                  <g transform={along ? `translate(0 ${p.heightMm}) rotate(-90)` : undefined}>
                    {words.map((w, n) => (
                      <text
                        key={n}
                        x={4}
                        y={letterMm * (n + 1)}
                        fontSize={letterMm}
                        className="fill-ink"
                        fontWeight={600}
                      >
                        {w}
                      </text>
                    ))}
                  </g>
                  {amount && !along && p.heightMm > letterMm * (words.length + 1) + 4 && (
                    <text x={4} y={p.heightMm - 4} fontSize={letterMm} className="fill-ink num">
                      {amount}
                    </text>
                  )}
                  <Marks line={line} done={done} x={p.widthMm - 3} y={along ? letterMm + 3 : p.heightMm - 4} />
                </g>
              )
            })}
          </g>
        )
      })}
    </svg>
  )
}
