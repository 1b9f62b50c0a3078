/** The arch: both jaws from the teeth's mean sizes on a parabola; the tooth picker and the picture of neighbours. */
import { archPlaces, type ArchPlace } from '../../core/teeth/arch'
import { crownFromAbove } from '../../core/picture/crown-outline'
import { gumBars } from '../../core/picture/numb'
import { numbWords, type Site } from '../../core/measure/numbing'
import { isPrimary, toothName, write, type Notation, type Tooth } from '../../core/teeth/notation'
import { pressing } from './press'

const pad = 14

/** What is numb of a tooth: a bar on the cheek side, one on the inner side, a dashed ring for the tooth itself. */
function Numb({
  place,
  jaw,
  scale,
  turn,
  is,
}: {
  place: ArchPlace
  jaw: 'upper' | 'lower'
  scale: number
  turn: number
  is: (tissue: Site['tissue']) => boolean
}) {
  const { halfWidth, outer, inner } = gumBars(place, jaw, scale)
  const bar = (y: number) => <path d={`M ${-halfWidth} ${y} H ${halfWidth}`} className="stroke-brass" strokeWidth={7} />
  return (
    <g transform={`rotate(${turn})`} aria-hidden="true" data-numb="">
      {is('cheek') && bar(outer)}
      {is('inner') && bar(inner)}
      {is('tooth') && (
        <path
          d={crownFromAbove(place, scale * 0.86)}
          fill="none"
          className="stroke-brass"
          strokeWidth={3}
          strokeDasharray="5 4"
        />
      )}
    </g>
  )
}

export interface ArchProps {
  notation: Notation
  teeth: readonly Tooth[]
  missing: readonly Tooth[]
  /** Teeth a bridge replaces. */
  pontics?: readonly Tooth[]
  dentition?: 'permanent' | 'primary'
  neighbours?: readonly Tooth[]
  /** What is made numb. */
  numb?: readonly Site[]
  onTooth?: (tooth: Tooth) => void
  label: string
}

export function Arch({
  notation,
  teeth,
  missing,
  pontics = [],
  dentition = 'permanent',
  neighbours = [],
  numb = [],
  onTooth,
  label,
}: ArchProps) {
  const upper = archPlaces('upper', dentition)
  const lower = archPlaces('lower', dentition)
  // Both dentitions fill about the same room, so that a milk tooth can be hit as well.
  const scale = dentition === 'primary' ? 8.2 : 5.4
  const depth = Math.max(...[...upper, ...lower].map((p) => p.yMm)) * scale
  const half = Math.max(...[...upper, ...lower].map((p) => p.xMm)) * scale + 6 * scale
  const height = 2 * (depth + 10 * scale) + pad
  const middle = height / 2
  // Upper teeth open downward in the drawing, lower ones upward, as the team looks at the patient.
  const at = (p: ArchPlace, jaw: 'upper' | 'lower'): { x: number; y: number; turn: number } => ({
    x: p.xMm * scale,
    y:
      jaw === 'upper'
        ? middle - pad / 2 - (depth - p.yMm * scale) - 5.5 * scale
        : middle + pad / 2 + (depth - p.yMm * scale) + 5.5 * scale,
    turn: ((jaw === 'upper' ? p.tangent : -p.tangent) * 180) / Math.PI,
  })
  const draw = (p: ArchPlace, jaw: 'upper' | 'lower') => {
    const { x, y, turn } = at(p, jaw)
    const chosen = teeth.includes(p.tooth)
    const gone = missing.includes(p.tooth)
    const beside = neighbours.includes(p.tooth)
    const pontic = pontics.includes(p.tooth)
    const feels = numbWords(p.tooth, numb)
    const isNumb = (tissue: Site['tissue']): boolean => numb.some((s) => s.tooth === p.tooth && s.tissue === tissue)
    const state = chosen
      ? 'to be prepared'
      : pontic
        ? 'replaced by a pontic'
        : gone
          ? 'missing'
          : beside
            ? 'neighbour'
            : 'present'
    return (
      <g
        key={p.tooth}
        data-tooth={p.tooth}
        transform={`translate(${x} ${y})`}
        role={onTooth ? 'button' : 'img'}
        aria-pressed={onTooth ? chosen || gone || pontic : undefined}
        aria-label={`${write(p.tooth, notation)}, ${toothName(p.tooth)}${isPrimary(p.tooth) ? ', primary' : ''}, ${state}${feels === '' ? '' : `, numb: ${feels}`}`}
        className={onTooth ? 'cursor-pointer outline-offset-4' : ''}
        {...pressing(onTooth && (() => onTooth(p.tooth)))}
      >
        <path
          d={crownFromAbove(p, scale)}
          transform={`rotate(${turn})`}
          className={
            chosen
              ? 'fill-jade stroke-ink'
              : pontic
                ? 'fill-brass-wash stroke-brass'
                : gone
                  ? 'fill-none stroke-soft'
                  : beside
                    ? 'fill-jade-wash stroke-jade'
                    : 'fill-sheet stroke-soft'
          }
          strokeWidth={chosen || beside || pontic ? 3 : 1.6}
          strokeDasharray={gone ? '4 4' : undefined}
        />
        <Numb place={p} jaw={jaw} scale={scale} turn={turn} is={isNumb} />
        {gone && <path d="M-7 -7 L7 7 M7 -7 L-7 7" className="stroke-soft" strokeWidth={2} />}
        {!gone && (
          <text
            textAnchor="middle"
            dominantBaseline="central"
            fontSize={20}
            fontWeight={chosen ? 800 : 500}
            className={chosen ? 'fill-jade-ink' : 'fill-ink'}
          >
            {write(p.tooth, notation).replace(/^[UL][LR]/, '')}
          </text>
        )}
      </g>
    )
  }
  return (
    <svg role="group" aria-label={label} viewBox={`${-half} 0 ${2 * half} ${height}`} className="block h-full w-full">
      <text x={-half + 4} y={middle + 6} fontSize={20} className="fill-soft">
        right
      </text>
      <text x={half - 4} y={middle + 6} fontSize={20} textAnchor="end" className="fill-soft">
        left
      </text>
      {upper.map((p) => draw(p, 'upper'))}
      {lower.map((p) => draw(p, 'lower'))}
    </svg>
  )
}
