/** The tooth one sees into, beside the words of the step. */
import { sectionOf } from '../../core/picture/section'
import { drawnLabels, type Section, type SectionLabel, type SectionPart } from '../../core/picture/section-frame'
import type { Point } from '../../core/picture/tooth-profile'
import type { Plan } from '../../core/model/plan'
import type { Step } from '../../core/model/step'

const px = 17
/** In the narrowest box it stands in, the wall's, still 16 px. */
const letterMm = 1.2

function Shape({
  points,
  className,
  dashed = false,
}: {
  points: readonly Point[]
  className: string
  dashed?: boolean
}) {
  return (
    <polygon
      points={points.map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ')}
      className={className}
      strokeWidth={0.09}
      strokeDasharray={dashed ? '0.35 0.25' : undefined}
      strokeLinejoin="round"
    />
  )
}

/** Words stand upright though the tooth hangs. */
function Label({ label }: { label: SectionLabel }) {
  const out = label.side === 'left' ? -1 : 1
  return (
    <g>
      <line
        x1={label.at[0]}
        y1={label.at[1]}
        x2={label.words[0] - out * 0.2}
        y2={label.words[1]}
        className="stroke-ink"
        strokeWidth={label.lit ? 0.16 : 0.07}
      />
      <circle cx={label.at[0]} cy={label.at[1]} r={label.lit ? 0.28 : 0.12} className="fill-ink" />
      <text
        x={label.words[0]}
        y={label.words[1] + letterMm * 0.35}
        fontSize={letterMm * (label.lit ? 1.25 : 1)}
        fontWeight={label.lit ? 800 : 400}
        textAnchor={label.side === 'left' ? 'end' : 'start'}
        className={label.lit ? 'fill-ink' : 'fill-soft'}
      >
        {label.text.split('\n').map((line, i) => (
          <tspan key={line} x={label.words[0]} dy={i === 0 ? 0 : letterMm * (label.lit ? 1.4 : 1.15)}>
            {line}
          </tspan>
        ))}
      </text>
    </g>
  )
}

const partLook: Readonly<Record<SectionPart['is'], string>> = {
  seal: 'tone-wood stroke-ink',
  room: 'fill-sheet stroke-ink',
  post: 'tone-glass stroke-ink',
  layer: 'fill-jade-wash stroke-jade',
  'layer now': 'tone-jade stroke-ink',
  metal: 'tone-steel stroke-ink',
  decay: 'tone-dark stroke-ink',
}

function Drawn({ of, compact }: { of: Section; compact: boolean }) {
  const [left, upper, width, tall] = of.frame
  const [top, height] = compact ? [upper + 1.3, tall - 3.6] : [upper, tall]
  // Room for the words on either side; beside a step's own words only the picture stands.
  const room = compact ? -2.6 : of.labels.length > 0 ? 7.4 : 0
  const turned = of.hangs ? 'scale(1 -1)' : undefined
  return (
    <svg
      role="img"
      aria-label={of.says}
      data-section={of.tooth}
      viewBox={`${left - room} ${of.hangs ? -top - height : top} ${width + 2 * room} ${height}`}
      width={(width + 2 * room) * px}
      className="block h-auto max-w-full"
    >
      <g transform={turned}>
        {of.gum.map((g, i) => (
          <Shape key={i} points={g} className="tone-gum stroke-soft" />
        ))}
        {of.neighbours.map((n, i) => (
          <Shape key={i} points={n} className="tone-pale stroke-soft" />
        ))}
        <Shape points={of.root} className="tone-pale stroke-soft" />
        <Shape
          points={of.crown}
          className={of.left ? 'tone-glass stroke-soft' : 'tone-pale stroke-ink'}
          dashed={of.left !== undefined}
        />
        {of.left && <Shape points={of.left} className="tone-pale stroke-ink" />}
        {of.pulp.length > 0 && <Shape points={of.pulp} className="tone-pulp stroke-alarm" dashed />}
        {of.parts?.map((part, i) => (
          <Shape key={i} points={part.points} className={partLook[part.is]} dashed={part.is === 'room'} />
        ))}
        {of.cord && (
          <circle
            cx={of.cord.at[0]}
            cy={of.cord.at[1]}
            r={of.cord.radiusMm}
            className="tone-dark stroke-ink"
            strokeWidth={0.1}
          />
        )}
        {of.bur && <Shape points={of.bur} className="tone-steel stroke-ink" />}
      </g>
      {!compact && drawnLabels(of, letterMm).map((l) => <Label key={`${l.text}${l.side}${l.at[1]}`} label={l} />)}
    </svg>
  )
}

/**
 * Nothing where the step is not about a tooth one can see into.
 * @param compact beside the step's own words, which say its figures already
 */
export function SectionView({ plan, step, compact = false }: { plan: Plan; step: Step; compact?: boolean }) {
  const section = sectionOf(plan, step)
  if (!section) return null
  return (
    <figure className={compact ? 'w-56' : 'max-w-lg'}>
      <Drawn of={section} compact={compact} />
      <figcaption className="text-base leading-tight text-soft">
        {compact
          ? `mean tooth${section.pulp.length > 0 ? ', pulp from means' : ''}`
          : `A mean tooth, to scale.${section.pulp.length > 0 ? ' Dashed red: the pulp by means from memory, not this patient’s.' : ''}`}
      </figcaption>
    </figure>
  )
}
