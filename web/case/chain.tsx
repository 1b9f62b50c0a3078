/** The case as a chain: its visits, what the plan proposes next with its date, further work in this visit. */
import { UnreadVisits } from '../parts/unread'
import { Plus, X } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import { workingDaysAfter } from '../../core/clock'
import type { FollowUp } from '../../core/model/plan'
import { furtherWork } from '../../core/library/kinds/example'
import { kindFacts, kindTable, type KindId } from '../../core/kinds'
import type { VisitAndPlan } from '../app/plan'
import { KindSelect } from '../parts/kind-select'
import { Button, Mark, Panel } from '../parts/ui'
import type { Change } from './change'
import { write } from '../../core/teeth/notation'

const NewVisit = lazy(() => import('../day/new-visit'))
const stageWords = { planned: 'planned', 'laid up': 'laid up', running: 'running', closed: 'done' }

export function Chain({ data }: { data: VisitAndPlan }) {
  const { visit, plan, practice } = data
  const [booking, setBooking] = useState<FollowUp | null>(null)
  const there = new Set(visit.chain.filter((v) => v.startsAt > visit.startsAt).map((v) => v.kind))
  const day = (f: FollowUp): string => workingDaysAfter(visit.day, f.afterWorkingDays)
  return (
    <Panel title="The chain" aside={<span className="text-base text-soft">one case, visit by visit</span>}>
      <UnreadVisits
        unread={visit.unread}
        what="What it left behind in the mouth is not reckoned with here: ask the dentist."
      />
      <ol className="space-y-1">
        {visit.chain.map((v) => (
          <li
            key={v.id}
            className={`flex flex-wrap items-baseline gap-x-2 border-l-4 pl-2 ${v.id === visit.id ? 'border-jade font-bold' : 'border-line'}`}
          >
            <span className="num">{v.day}</span>
            {v.id === visit.id ? (
              kindTable[v.kind].title
            ) : (
              <Link className="underline" to={`/visits/${v.id}/case`}>
                {kindTable[v.kind].title}
              </Link>
            )}
            <span className="text-base font-normal text-soft">{stageWords[v.stage]}</span>
          </li>
        ))}
        {plan.followUps
          .filter((f) => !f.kind || !there.has(f.kind))
          .map((f) => (
            <li
              key={f.title}
              data-follow-up={f.kind ?? f.title}
              className="flex flex-wrap items-center gap-x-2 border-l-4 border-dashed border-line pl-2"
            >
              <span className="num">{day(f)}</span>
              {f.title} <span className="text-base text-soft">({f.because.text})</span>
              {f.kind && (
                <Button tone="quiet" onClick={() => setBooking(f)}>
                  Add to the day
                </Button>
              )}
            </li>
          ))}
      </ol>
      {booking?.kind && (
        <Suspense>
          <NewVisit
            view={{ day: day(booking), chairs: practice.chairs, notation: practice.notation }}
            follows={{
              caseId: visit.caseId,
              patient: visit.patient.name,
              kind: booking.kind,
              teeth: visit.request.teeth,
              title: booking.title,
              team: visit.team,
            }}
            onClose={() => setBooking(null)}
          />
        </Suspense>
      )}
    </Panel>
  )
}

/** The pieces of work of this visit: the first names the visit, others share its frame. */
export function Works({
  data,
  at,
  onAt,
  change,
  locked,
}: {
  data: VisitAndPlan
  at: number
  onAt: (at: number) => void
  change: (c: Change) => void
  locked: boolean
}) {
  const { request } = data.visit
  const all = [request, ...request.also]
  const add = (kind: KindId): void => {
    const made = furtherWork(request, kind)
    if (!made) return
    change({ also: [...request.also, made] })
    onAt(request.also.length + 1)
  }
  return (
    <div className="flex flex-wrap items-center gap-1.5" role="group" aria-label="The work of this visit">
      {locked ? (
        <strong className="text-lg">{kindTable[request.kind].title}</strong>
      ) : (
        <KindSelect
          label="Kind of visit"
          value={request.kind}
          onKind={(kind) =>
            change({
              kind,
              ...(kindFacts(kind).restorations.some((r) => r === request.restoration) ? {} : { restoration: null }),
              framework: null,
              ...(kindFacts(kind).pontics ? {} : { pontics: [] }),
            })
          }
          only={(id) => kindTable[id].dentition === kindTable[request.kind].dentition}
        />
      )}
      {all.length > 1 &&
        all.map((w, i) => (
          <span
            key={`${w.kind}-${i}`}
            className={`flex items-center rounded-md border-2 ${i === at ? 'border-jade bg-jade-wash font-bold' : 'border-line bg-sheet'}`}
          >
            <button
              type="button"
              aria-pressed={i === at}
              className="min-h-12 cursor-pointer px-3"
              onClick={() => onAt(i)}
            >
              {i === 0 ? 'First' : kindTable[w.kind].title}{' '}
              <span className="num">{w.teeth.map((t) => write(t, data.practice.notation)).join(', ')}</span>
            </button>
            {i > 0 && !locked && (
              <button
                type="button"
                aria-label={`Take ${kindTable[w.kind].title} out of this visit`}
                className="flex min-h-12 min-w-12 cursor-pointer items-center justify-center"
                onClick={() => {
                  change({ also: request.also.filter((_, n) => n !== i - 1) })
                  onAt(0)
                }}
              >
                <X aria-hidden="true" />
              </button>
            )}
          </span>
        ))}
      {!locked && request.also.length < 3 && (
        <span className="flex items-center gap-1">
          <Plus aria-hidden="true" />
          <KindSelect label="Further work in this visit" value="" onKind={add} />
        </span>
      )}
      {data.plan.amendments.some((a) => !a.applied) && (
        <Mark kind="ask">
          {data.plan.amendments.filter((a) => !a.applied).length} of the practice’s amendments do not fit here
        </Mark>
      )}
    </div>
  )
}
