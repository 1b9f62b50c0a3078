import { comparePlans } from '../../core/schedule/compare'
import type { Plan } from '../../core/model/plan'
import type { Practice } from '../../core/practice/practice'
import type { VisitView } from '../../wire/visit'
import { inShort } from '../case/change'
import { Mark } from '../parts/ui'
import { clockTime } from '../parts/words'

/** Why a signed tray is open again, and what differs from what lay there: this is to be exchanged before it is signed anew. */
export function Differences({
  reopened,
  plan,
  practice,
}: {
  reopened: NonNullable<VisitView['reopened']>
  plan: Plan
  practice: Practice
}) {
  const c = comparePlans(reopened.plan, plan)
  const rows: [string, string[]][] = [
    ['Take off', c.itemsRemoved],
    ['Put on', c.itemsAdded],
    ['Steps gone', c.stepsRemoved],
    ['Steps new', c.stepsAdded],
    ['To be signed besides', c.holdsAdded],
    ['Now to mind', c.clashesAdded.map((x) => x.what)],
  ]
  const shown = rows.filter(([, list]) => list.length > 0)
  return (
    <section
      aria-label="What changed since it was signed"
      data-reopened
      className="rounded-lg border-2 border-alarm bg-alarm-wash p-3"
    >
      <h2 className="text-xl font-bold text-alarm">
        ■ Open again: {reopened.why}{' '}
        <span className="num font-normal">
          ({clockTime(reopened.at, practice.zone)},{' '}
          {practice.people.find((p) => p.id === reopened.by)?.name ?? reopened.by})
        </span>
      </h2>
      {shown.length === 0 ? (
        <p>Nothing on this tray differs; look at it once more, then sign.</p>
      ) : (
        <dl className="mt-1 grid gap-x-3 gap-y-1 md:grid-cols-[10rem_minmax(0,1fr)]">
          {shown.map(([head, list]) => (
            <div key={head} className="contents">
              <dt className="font-bold">{head}</dt>
              <dd>{list.join(' · ')}</dd>
            </div>
          ))}
        </dl>
      )}
      {shown.length > 0 && inShort(c) !== 'nothing changes' && (
        <p className="mt-1">
          In all: <Mark kind="ask">{inShort(c)}</Mark>
        </p>
      )}
    </section>
  )
}
