/** A choreography: one row for each person, bars to their seconds, and the mark that runs over them. */
import type { Lanes } from '../../core/model/lanes'
import { drawLanes } from '../../core/picture/lanes'
import type { LanesNow } from '../../core/run/lanes-now'

const percent = (share: number): string => `${share * 100}%`

/** What the whole width stands for, in words. */
export const wholeOf = (l: Lanes): string =>
  l.everyS !== undefined
    ? `again every ${l.everyS} s`
    : l.withinS === undefined
      ? `${l.endS} s in all`
      : `all done by ${l.withinS} s`

/** The bars, and above them what each is, with its seconds: a bar of two seconds holds no words. */
export function LaneRows({ lanes, rows, mark }: { lanes: Lanes; rows?: LanesNow['rows']; mark?: number }) {
  const picture = drawLanes(lanes)
  return (
    <div className="space-y-2">
      {picture.rows.map((row, n) => (
        <div key={row.name}>
          <p
            className={`flex items-baseline gap-x-3 leading-tight ${mark === undefined ? 'flex-wrap' : 'overflow-hidden text-lg whitespace-nowrap'}`}
          >
            <strong>{rows?.[n]?.called ?? row.name}</strong>
            {row.bars.map((b, i) =>
              // While it runs there is time to read what is done and what comes, and no more.
              mark !== undefined && rows?.[n]?.at !== b.id && rows?.[n]?.comes !== b.id ? null : (
                <span
                  key={b.id}
                  className={rows?.[n]?.at === b.id ? 'rounded bg-brass-wash px-1 font-bold' : 'text-soft'}
                >
                  <span className="num text-base">
                    {i + 1} · {b.fromS}–{b.toS} s
                  </span>{' '}
                  {b.say}
                </span>
              ),
            )}
          </p>
          <div className="relative mt-0.5 h-6 rounded bg-sunk" aria-hidden="true">
            {row.bars.map((b, i) => (
              <span
                key={b.id}
                className={`num absolute inset-y-0 overflow-hidden rounded border-2 px-1 text-center text-base leading-5 font-bold ${rows?.[n]?.at === b.id ? 'border-brass bg-brass text-sheet' : 'border-jade bg-jade-wash text-ink'}`}
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
        <span className="text-lg text-soft">
          {mark ? '' : 'begins with the step; '}
          {wholeOf(lanes)}
          {mark && lanes.everyS !== undefined ? `: ${mark.turn + 1} of ${lanes.times ?? 1}` : ''}
        </span>
      </p>
      <LaneRows lanes={lanes} rows={front.rows} {...(mark ? { mark: mark.share } : {})} />
    </section>
  )
}
