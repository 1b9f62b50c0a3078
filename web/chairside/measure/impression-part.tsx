/** An impression as it is read: the margin in eight parts, and the field on a cut through the tray, each fault where it is found. */
import { entriesOf } from '../../../core/sure'
import {
  fieldFaults,
  partFaults,
  scanFieldFaults,
  scanPartFaults,
  type FieldFault,
  type PartFault,
} from '../../../core/measure/inspection'
import type { Tooth } from '../../../core/teeth/notation'
import type { AskOf } from '../../../core/readings/reading'
import type { Seen } from '../../../core/readings/impression'
import { MarginRing, turned, without } from '../../parts/margin-ring'
import { pressing } from '../../parts/press'

const faultShape: Record<PartFault, string> = {
  short: '◌',
  bubble: '●',
  tear: '⚡',
  drag: '≈',
  thin: '▒',
  hole: '○',
  blurred: '≈',
}

interface Spot {
  x: number
  y: number
  words: [number, number]
  lines: readonly string[]
}
/** Where on the drawing a fault of the field is found, and where its words stand. */
const inTray: Record<(typeof fieldFaults)[number], Spot> = {
  'bubble clear of margin and contact': { x: 0, y: -44, words: [0, -6], lines: ['bubble,', 'clear of', 'margin'] },
  'cord caught, clear of the margin': {
    x: -66,
    y: 46,
    words: [-96, 88],
    lines: ['cord caught,', 'clear of the margin'],
  },
  'tray shows beside a preparation': { x: 138, y: -8, words: [186, -6], lines: ['tray', 'shows'] },
  'wash parted from the heavy body': { x: -84, y: -52, words: [-186, -50], lines: ['wash', 'parted'] },
  'unset or tacky': { x: 0, y: -106, words: [0, -150], lines: ['unset or tacky'] },
  'no bite stops': { x: 138, y: 56, words: [150, 100], lines: ['no bite stops'] },
}
const onScreen: Record<(typeof scanFieldFaults)[number], Spot> = {
  'hole clear of margin and contact': { x: 0, y: -40, words: [0, 0], lines: ['hole,', 'clear of', 'margin'] },
  'contact side of a neighbour missing': { x: -66, y: -10, words: [-122, 26], lines: ['neighbour’s', 'side missing'] },
  'stitched out of step': { x: 118, y: -50, words: [118, -10], lines: ['out of', 'step'] },
  'tissue or cheek in it': { x: 60, y: 62, words: [60, 100], lines: ['tissue or cheek'] },
  'bite does not meet': { x: 0, y: -118, words: [0, -152], lines: ['bite does not meet'] },
}

function Tray() {
  return (
    <>
      <path
        d="M -150 70 V -110 Q -150 -134 -126 -134 H 126 Q 150 -134 150 -110 V 70 H 128 V -100 Q 128 -114 114 -114 H -114 Q -128 -114 -128 -100 V 70 Z"
        className="fill-sunk stroke-ink"
        strokeWidth={2}
      />
      <path
        d="M -128 66 V -100 Q -128 -114 -114 -114 H 114 Q 128 -114 128 -100 V 66 H 84 C 92 10 90 -30 66 -66 Q 46 -88 24 -72 Q 0 -56 -24 -72 Q -46 -88 -66 -66 C -90 -30 -92 10 -84 66 Z"
        className="fill-jade-wash stroke-jade"
        strokeWidth={2}
      />
      <path
        d="M -84 66 C -92 10 -90 -30 -66 -66 Q -46 -88 -24 -72 Q 0 -56 24 -72 Q 46 -88 66 -66 C 90 -30 92 10 84 66 H 68 C 76 14 74 -20 54 -50 Q 42 -64 22 -54 Q 0 -38 -22 -54 Q -42 -64 -54 -50 C -74 -20 -76 14 -68 66 Z"
        className="fill-sheet stroke-jade"
        strokeWidth={2}
        strokeDasharray="4 3"
      />
    </>
  )
}
/** The preparation between its neighbours, as a scan shows them from the side. */
function Scan() {
  return (
    <>
      <path
        d="M -190 62 C -196 0 -190 -50 -160 -84 Q -128 -104 -96 -84 C -66 -50 -66 0 -78 62 Z"
        className="fill-sunk stroke-ink"
        strokeWidth={2}
      />
      <path
        d="M 190 62 C 196 0 190 -50 160 -84 Q 128 -104 96 -84 C 66 -50 66 0 78 62 Z"
        className="fill-sunk stroke-ink"
        strokeWidth={2}
      />
      <path
        d="M -50 62 C -52 20 -48 -30 -38 -58 Q 0 -76 38 -58 C 48 -30 52 20 50 62 Z"
        className="fill-jade-wash stroke-jade"
        strokeWidth={2}
      />
      <path d="M -200 62 H 200" className="stroke-jade" strokeWidth={2} strokeDasharray="6 5" />
    </>
  )
}

function Field({
  scan,
  given,
  onToggle,
}: {
  scan: boolean
  given: readonly FieldFault[]
  onToggle: (f: FieldFault) => void
}) {
  const places: Partial<Record<FieldFault, Spot>> = scan ? onScreen : inTray
  return (
    <svg
      width={430}
      height={300}
      viewBox="-215 -170 430 300"
      role="group"
      aria-label={
        scan ? 'The field, as the scan shows it from the side' : 'The field, on a cut through tray and impression'
      }
    >
      {scan ? <Scan /> : <Tray />}
      {entriesOf(places).map(([f, { x, y, words, lines }]) => {
        const on = given.includes(f)
        return (
          <g
            key={f}
            role="button"
            aria-pressed={on}
            aria-label={f}
            data-field={f}
            className="cursor-pointer outline-none focus-visible:[&_circle]:stroke-ink"
            {...pressing(() => onToggle(f))}
          >
            <circle
              cx={x}
              cy={y}
              r={24}
              strokeWidth={3}
              strokeDasharray={on ? undefined : '5 5'}
              className={on ? 'fill-brass-wash stroke-brass' : 'fill-sheet stroke-soft'}
            />
            <text
              x={x}
              y={y}
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={20}
              fontWeight={700}
              className={on ? 'fill-brass' : 'fill-soft'}
            >
              {on ? '◆' : '○'}
            </text>
            {lines.map((line, i) => (
              <text
                key={line}
                x={words[0]}
                y={words[1] + i * 17}
                textAnchor="middle"
                dominantBaseline="central"
                fontSize={16}
                fontWeight={on ? 700 : 400}
                className={on ? 'fill-brass' : 'fill-ink'}
              >
                {line}
              </text>
            ))}
          </g>
        )
      })}
    </svg>
  )
}

export function ImpressionPart({
  ask: { scan, parts },
  tooth,
  given,
  onGive,
}: {
  ask: AskOf<'inspection'>
  tooth: Tooth
  given: Seen
  onGive: (s: Seen) => void
}) {
  const faults: readonly PartFault[] = scan ? scanPartFaults : partFaults
  const turn = (part: keyof Seen['parts']): void => {
    const next = turned<PartFault>(faults, given.parts[part])
    onGive({ ...given, parts: next === undefined ? without(given.parts, part) : { ...given.parts, [part]: next } })
  }
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap items-center justify-center gap-4">
        <MarginRing faults={given.parts} parts={parts} tooth={tooth} shapes={faultShape} onTurn={turn} size={290} />
        <Field
          scan={scan}
          given={given.field}
          onToggle={(f) =>
            onGive({
              ...given,
              field: given.field.includes(f) ? given.field.filter((x) => x !== f) : [...given.field, f],
            })
          }
        />
      </div>
      <p className="text-base text-soft">
        A touch turns a part: ✓ clear{faults.map((f) => ` · ${faultShape[f]} ${f}`).join('')}.
      </p>
    </div>
  )
}
