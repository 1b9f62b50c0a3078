/** Who sits where: dentist, patient and assistant from above, and the jaw as each of the two sees it. */
import { zones, type Seats, type Zone } from '../../core/measure/seats'
import { crownFromAbove } from '../../core/picture/crown-outline'
import { arcOf, hourAt, jawOfSeats, middleOf, tipOf, turnFor, type Spot } from '../../core/picture/seating'
import { write, type Notation, type Tooth } from '../../core/teeth/notation'

const ring = 96
const said = ([x, y]: Spot): string => `${x.toFixed(1)} ${y.toFixed(1)}`

/** Part of the ring that is somebody's. */
function Sector({ zone, className }: { zone: Zone; className: string }) {
  const { from, to, long } = arcOf(zone, ring)
  return (
    <path
      d={`M ${said(from)} A ${ring} ${ring} 0 ${long ? 1 : 0} 1 ${said(to)}`}
      fill="none"
      strokeWidth={14}
      className={className}
    />
  )
}

/** A person on a stool: where they sit, by a letter and a word outside the ring. */
function Person({ hour, letter, word, className }: { hour: number; letter: string; word: string; className: string }) {
  const [x, y] = hourAt(hour, ring)
  const [wx, wy] = hourAt(hour, ring + 26)
  return (
    <g>
      <circle cx={x} cy={y} r={17} className={`${className} stroke-ink`} strokeWidth={2} />
      <text
        x={x}
        y={y}
        fontSize={20}
        className="fill-ink"
        fontWeight={800}
        textAnchor="middle"
        dominantBaseline="central"
      >
        {letter}
      </text>
      <text
        x={wx}
        y={wy}
        fontSize={20}
        className="fill-ink"
        textAnchor={Math.abs(wx) < 40 ? 'middle' : wx > 0 ? 'start' : 'end'}
        dominantBaseline="central"
      >
        {word}
      </text>
    </g>
  )
}

function FromAbove({ seats }: { seats: Seats }) {
  const { dentist, assistant, transfer } = zones(seats.hand)
  // Toward the assistant, beside the chest.
  const [tx, ty] = hourAt((middleOf(transfer) + seats.assistant) / 2, ring + 24)
  return (
    <svg viewBox="-236 -128 472 262" className="block h-auto w-full max-w-md" aria-hidden="true">
      {/* Shoulders and chest, head, nose: who lies there, and which way up. */}
      <path
        d="M -66 132 V 70 Q -62 38 -16 34 H 16 Q 62 38 66 70 V 132"
        className="tone-pale stroke-soft"
        strokeWidth={1.5}
      />
      <ellipse rx={25} ry={33} className="tone-pale stroke-ink" strokeWidth={2} />
      <path d="M -5 4 Q 0 -8 5 4" className="fill-none stroke-ink" strokeWidth={2} />
      <ellipse cy={15} rx={9} ry={4} className="fill-jade stroke-ink" strokeWidth={1} />
      <Sector zone={dentist} className="stroke-jade" />
      <Sector zone={assistant} className="stroke-brass" />
      <Sector zone={transfer} className="stroke-soft [stroke-dasharray:5_5]" />
      <text
        x={tx}
        y={ty}
        fontSize={20}
        textAnchor={tx < 0 ? 'end' : 'start'}
        dominantBaseline="central"
        className="fill-soft"
      >
        hand over here
      </text>
      {[12, 3, 6, 9].map((hour) => {
        const [x, y] = hourAt(hour, ring - 30)
        return (
          <text
            key={hour}
            x={x}
            y={y}
            fontSize={20}
            textAnchor="middle"
            dominantBaseline="central"
            className="fill-soft"
          >
            {hour}
          </text>
        )
      })}
      <Person hour={seats.dentist} letter="D" word={`dentist, ${seats.dentist}`} className="fill-jade-wash" />
      <Person hour={seats.assistant} letter="A" word={`assistant, ${seats.assistant}`} className="fill-brass-wash" />
    </svg>
  )
}

/** The jaw as it lies before one who sits at an hour. */
function Seen({ tooth, seats, hour, notation }: { tooth: Tooth; seats: Seats; hour: number; notation: Notation }) {
  const turn = turnFor(hour)
  const tip = tipOf(tooth, seats)
  const own = jawOfSeats(tooth).find((t) => t.tooth === tooth)
  return (
    <svg viewBox="-45 -45 90 90" className="block h-auto w-full" aria-hidden="true">
      <g transform={`rotate(${turn})`}>
        {jawOfSeats(tooth).map((t) => (
          <path
            key={t.tooth}
            d={crownFromAbove(t.place, 1)}
            transform={`translate(${said(t.at)}) rotate(${t.turn})`}
            className={t.tooth === tooth ? 'fill-jade stroke-ink' : 'tone-pale stroke-soft'}
            strokeWidth={t.tooth === tooth ? 0.7 : 0.35}
          />
        ))}
        <path
          d={`M ${said(tip.open)} L ${said(tip.held)}`}
          className="stroke-ink"
          strokeWidth={tip.widthMm}
          strokeLinecap="butt"
        />
        <path
          d={`M ${said(tip.open)} L ${said(tip.held)}`}
          className="stroke-brass-wash"
          strokeWidth={tip.widthMm - 1}
        />
      </g>
      {own && (
        <text
          fontSize={5.2}
          fontWeight={800}
          textAnchor="middle"
          dominantBaseline="central"
          className="fill-jade-ink"
          transform={`rotate(${turn}) translate(${said(own.at)}) rotate(${-turn})`}
        >
          {write(tooth, notation)}
        </text>
      )}
    </svg>
  )
}

/** The places for one aspect of one tooth, drawn and in words. */
export function SeatsView({ tooth, seats, notation }: { tooth: Tooth; seats: Seats; notation: Notation }) {
  const views = [
    ['As it lies before the dentist', seats.dentist],
    ['before the assistant', seats.assistant],
  ] as const
  return (
    <div
      className="grid items-center gap-4 md:grid-cols-[minmax(0,6fr)_minmax(0,3fr)_minmax(0,3fr)]"
      data-seats={tooth}
    >
      <FromAbove seats={seats} />
      {views.map(([words, hour]) => (
        <figure key={words}>
          <Seen tooth={tooth} seats={seats} hour={hour} notation={notation} />
          <figcaption className="text-center text-base text-soft">{words}</figcaption>
        </figure>
      ))}
    </div>
  )
}
