/** The day: chairs as stacked scores on one time axis, readiness of each tray, and where a dentist is needed twice. */
import { UnreadParts, UnreadVisits } from '../parts/unread'
import { CalendarDays, CalendarPlus, ChevronLeft, ChevronRight } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { Temporal } from 'temporal-polyfill'
import { alertWords } from '../../core/vocabulary'
import type { DayView, DayVisit } from '../../wire/day'
import { useLive, useNow } from '../app/live'
import { CopyOld } from './copy-old'
import { useDay, useRefresh } from '../app/queries'
import { usePerson } from '../app/person'
import { Button, Failed, Loading, Mark, Panel, Pick, ButtonLink } from '../parts/ui'
import { bothNotations, clockTime, minutes } from '../parts/words'
import type { Prefill } from './calendar-box'
import { Chairs, placeOf } from './chairs'
import { LeftOpen } from './left-open'
import { MissingCassettes } from './missing-cassettes'
import { useStaves } from './people'
import { Times } from './times'

function NextUp({ visit, view }: { visit: DayVisit; view: DayView }) {
  const alerts = visit.alerts.map((a) => alertWords[a])
  return (
    <Panel labelled="Next in the chair" className="flex flex-col gap-1.5">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <p className="text-2xl leading-tight font-bold">
            <span className="font-normal text-soft">{visit.stage === 'running' ? 'In the chair:' : 'Next:'}</span>{' '}
            <span className="num">{clockTime(visit.startsAt, view.zone)}</span> {visit.patient.name}
          </p>
          <p className="text-xl">
            <strong className="num">{bothNotations(visit.request.teeth, view.notation)}</strong> {visit.title}
          </p>
          <p>
            {view.chairs.find((c) => c.id === visit.chairId)?.name} · {visit.people.map((p) => p.name).join(', ')} ·{' '}
            {minutes(visit.score.chairS)} in the chair
          </p>
        </div>
        <ButtonLink to={placeOf(visit)} tone="jade" big>
          {visit.stage === 'planned'
            ? 'See what will be done'
            : visit.stage === 'laid up'
              ? 'To the chair'
              : visit.stage === 'running'
                ? 'Back to the chair'
                : 'See the record'}
        </ButtonLink>
      </div>
      {alerts.map((a) => (
        <p key={a}>
          <Mark kind="stop">{a}</Mark>
        </p>
      ))}
      {visit.stage === 'planned' && (
        <ul className="space-y-1">
          {[...visit.tray.blocked, ...visit.tray.warnings].slice(0, 4).map((w) => (
            <li key={w}>
              <Mark kind="ask">{w}</Mark>
            </li>
          ))}
        </ul>
      )}
    </Panel>
  )
}

/** Its reader is large, and most days nobody asks for it. */
const CalendarBox = lazy(() => import('./calendar-box'))
const NewVisit = lazy(() => import('./new-visit'))

export default function DayScreen() {
  const params = useParams()
  const navigate = useNavigate()
  const now = useNow(15_000)
  const query = useDay(params['day'] ?? 'today')
  const refresh = useRefresh()
  const person = usePerson()
  const [staves, setStaves] = useStaves()
  const [adding, setAdding] = useState<boolean | Prefill>(false)
  const [calendar, setCalendar] = useState(false)
  useLive(undefined, { day: refresh.day, opened: refresh.day })
  if (query.isPending) return <Loading what="Opening the day" />
  if (query.isError) return <Failed error={query.error} again={() => void query.refetch()} />
  const view = query.data
  const leftOpen = new Set(view.leftOpen.map((v) => v.visitId))
  // One's own work first: what runs, then what comes; then anybody's.
  const mine = view.visits.filter((v) => v.people.some((p) => p.id === person.id))
  const next = [mine, view.visits]
    .map((visits) => visits.filter((v) => !leftOpen.has(v.id)))
    .map((visits) => visits.find((v) => v.stage === 'running') ?? visits.find((v) => v.stage !== 'closed'))
    .find((v) => v !== undefined)
  const go = (days: number): void =>
    void navigate(`/days/${Temporal.PlainDate.from(view.day).add({ days }).toString()}`)
  return (
    <div className="mx-auto flex max-w-[1400px] flex-col gap-3">
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="mr-2 text-2xl font-bold">
          {Temporal.PlainDate.from(view.day).toLocaleString('en-GB', {
            weekday: 'long',
            day: 'numeric',
            month: 'long',
          })}
        </h1>
        <Button tone="quiet" aria-label="The day before" onClick={() => go(-1)}>
          <ChevronLeft aria-hidden="true" />
        </Button>
        <Button tone="quiet" aria-label="The day after" onClick={() => go(1)}>
          <ChevronRight aria-hidden="true" />
        </Button>
        <span className="ml-auto flex items-center gap-2 text-soft">
          Staves of
          <Pick
            label="Staves of"
            value={staves}
            onPick={setStaves}
            options={[
              { value: 'dentists', label: 'dentists' },
              { value: 'everybody', label: 'everybody' },
              { value: 'none', label: 'nobody' },
            ]}
          />
        </span>
        <Button tone="quiet" onClick={() => setCalendar(true)}>
          <CalendarDays aria-hidden="true" /> Calendar
        </Button>
        <Button onClick={() => setAdding(true)}>
          <CalendarPlus aria-hidden="true" /> Add a visit
        </Button>
      </div>
      <Chairs view={view} staves={staves} now={now} />
      <UnreadVisits unread={view.unread} what="The rest of the day is shown without it." />
      <UnreadParts />
      <LeftOpen view={view} />
      <CopyOld now={now} />
      {view.visits.length === 0 && (
        <p className="text-xl text-soft">Nothing is planned on this day. Add a visit to begin.</p>
      )}
      <div className="flex flex-wrap gap-3">
        {next && (
          <div className="min-w-96 flex-1">
            <NextUp visit={next} view={view} />
          </div>
        )}
        <Times view={view} now={now} reread={() => query.refetch().then((r) => r.data)} />
        <MissingCassettes view={view} />
      </div>
      {adding !== false && (
        <Suspense>
          <NewVisit view={view} {...(adding === true ? {} : { prefill: adding })} onClose={() => setAdding(false)} />
        </Suspense>
      )}
      {calendar && (
        <Suspense>
          <CalendarBox
            view={view}
            simulated={view.simulated}
            onNew={(p) => {
              setCalendar(false)
              setAdding(p)
            }}
            onClose={() => setCalendar(false)}
          />
        </Suspense>
      )}
    </div>
  )
}
