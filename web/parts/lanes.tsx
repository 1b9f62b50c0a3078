/** A choreography: one row for each person, bars to their seconds, and the mark that runs over them. */
import type { Lanes } from '../../core/model/lanes'
import { drawLanes } from '../../core/picture/lanes'
import type { LanesNow } from '../../core/run/lanes-now'

const percent = (share: number): string => `${share * 100}%`

/** The bars, and beneath them what each is, with its seconds: a bar of two seconds holds no words. */
export function LaneRows({
  lanes,
  rows,
  mark,
  turn,
}: {
  lanes: Lanes
  rows?: LanesNow['rows']
  mark?: number
  turn?: number
}) {
  const picture = drawLanes(lanes)
  return (
    <div className="space-y-2">
      {picture.rows.map((row, n) => (
        <div key={row.name}>
          <p className="flex flex-wrap items-baseline gap-x-3 leading-tight">
            <strong>{rows?.[n]?.called ?? row.name}</strong>
            {row.bars.map((b, i) => (
              <span
                key={b.id}
                className={rows?.[n]?.at === b.id ? 'rounded bg-brass-wash px-1 font-bold' : 'text-soft'}
              >
                <span className="num text-base">
                  {i + 1} · {b.fromS}–{b.toS} s
                </span>{' '}
                {b.say}
              </span>
            ))}
          </p>
          <div className="relative mt-0.5 h-7 rounded bg-sunk" aria-hidden="true">
            {row.bars.map((b, i) => (
              <span
                key={b.id}
                className={`num absolute inset-y-0 overflow-hidden rounded border-2 px-1 text-center text-base leading-6 font-bold ${rows?.[n]?.at === b.id ? 'border-brass bg-brass text-sheet' : 'border-jade bg-jade-wash text-ink'}`}
                style={{ left: percent(b.x), width: percent(b.width) }}
              >
                {i + 1}
              </span>
            ))}
            {mark !== undefined && (
              <span className="absolute -inset-y-1 w-1 bg-alarm" style={{ left: percent(mark) }} data-mark={mark} />
            )}
          </div>
        </div>
      ))}
      <p className="flex justify-between text-base text-soft">
        <span className="num">0 s</span>
        <span>
          {lanes.everyS !== undefined && `again every ${lanes.everyS} s`}
          {lanes.everyS !== undefined && turn !== undefined && `: ${turn + 1} of ${lanes.times ?? 1}`}
        </span>
        <span className="num">
          {picture.spanS} s{lanes.withinS === undefined ? '' : ': all done'}
        </span>
      </p>
    </div>
  )
}

/** In front of the chair: before it begins, who will do what; once it runs, where it stands. */
export function LanesInFront({ front }: { front: LanesNow }) {
  const { lanes, mark } = front
  return (
    <section
      aria-label="Who does what"
      data-lanes={front.stepId}
      className="rounded-lg border-2 border-brass bg-sheet px-4 py-2 text-xl"
    >
      <p className="mb-1 flex items-baseline justify-between gap-3">
        <strong className="text-2xl">{lanes.title}</strong>
        <span className="text-soft">{mark ? '' : 'begins with the step'}</span>
      </p>
      <LaneRows lanes={lanes} rows={front.rows} {...(mark ? { mark: mark.share, turn: mark.turn } : {})} />
    </section>
  )
}
