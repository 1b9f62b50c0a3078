/** The day: chairs as stacked scores on one time axis, readiness of each tray, and where a dentist is needed twice. */
import { CalendarPlus, ChevronLeft, ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { Temporal } from 'temporal-polyfill'
import { alertWords } from '../../core/plan/vocabulary'
import { daySpan } from '../../core/schedule/day'
import { kindTable } from '../../core/visits/table'
import type { DayView, DayVisit } from '../app/api'
import { useLive, useNow } from '../app/live'
import { useDay, useRefresh } from '../app/queries'
import { usePerson } from '../app/shell'
import { Score } from '../parts/score'
import { Button, Failed, Loading, Mark, Panel } from '../parts/ui'
import { bothNotations, clockTime, minutes } from '../parts/words'
import { NewVisit } from './new-visit'
import { Times, twiceInView } from './times'

export const placeOf = (v: DayVisit): string => `/visits/${v.id}/${{ planned: 'case', 'laid up': 'chairside', running: 'chairside', closed: 'close' }[v.stage]}`
const stageWords: Record<DayVisit['stage'], string> = { planned: 'tray open', 'laid up': 'tray signed', running: 'in the chair', closed: 'closed' }

/** What is done, in as few words as a block holds: a crown by its material, anything else by its kind. */
const shortOf = (visit: DayVisit): string => (visit.request.kind === 'crown.prepare' && visit.request.restoration ? visit.request.restoration.replace(' crown', '').replace('monolithic ', '') : kindTable[visit.request.kind].title)

/** With many chairs the rows are lower, so that what comes next stays on the first screen. */
const lowRows = (view: DayView): boolean => view.chairs.length > 3

function VisitBlock({ visit, view, left, width }: { visit: DayVisit; view: DayView; left: number; width: number }) {
  const low = lowRows(view)
  const warned = visit.stage === 'planned' && visit.tray.warnings.length + visit.tray.blocked.length > 0
  return (
    <Link
      to={placeOf(visit)}
      data-visit={visit.id}
      aria-label={`${clockTime(visit.startsAt, view.zone)} ${visit.patient.name}, ${bothNotations(visit.request.teeth, view.notation)}, ${shortOf(visit)}, ${stageWords[visit.stage]}`}
      className={`absolute top-1 bottom-1 flex flex-col overflow-hidden rounded-md border-2 bg-sheet px-2 py-1 leading-tight hover:border-jade ${visit.stage === 'running' ? 'border-jade' : visit.stage === 'closed' ? 'border-line opacity-60' : 'border-ink'}`}
      style={{ left: `${left}%`, width: `${width}%` }}
    >
      <span className="flex items-baseline gap-2 whitespace-nowrap">
        <strong className="clock">{clockTime(visit.startsAt, view.zone)}</strong>
        <span className="truncate font-bold">{visit.patient.name.split(' ').at(-1)}</span>
      </span>
      <span className="truncate text-base">
        <span className="num font-bold">{bothNotations(visit.request.teeth, view.notation)}</span> {shortOf(visit)}
      </span>
      <span className={low ? '' : 'mt-1'}>
        <Score full={false} height={low ? 20 : 32} score={visit.score} people={visit.people} label="" />
      </span>
      <span className="truncate text-base">
        {visit.stage === 'planned' ? (
          <>
            {warned ? '◆ ' : visit.tray.checked === visit.tray.total ? '✓ ' : '○ '}
            <span className="num">
              {visit.tray.checked}/{visit.tray.total}
            </span>{' '}
            laid out
          </>
        ) : (
          <>
            {visit.stage === 'closed' ? '✓ ' : '▶ '}
            {stageWords[visit.stage]}
          </>
        )}
      </span>
    </Link>
  )
}

function NextUp({ visit, view }: { visit: DayVisit; view: DayView }) {
  const alerts = visit.alerts.map((a) => alertWords[a])
  return (
    <Panel labelled="Next in the chair" className="flex flex-col gap-1.5">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <p className="text-2xl leading-tight font-bold">
            <span className="font-normal text-soft">{visit.stage === 'running' ? 'In the chair:' : 'Next:'}</span> <span className="num">{clockTime(visit.startsAt, view.zone)}</span> {visit.patient.name}
          </p>
          <p className="text-xl">
            <strong className="num">{bothNotations(visit.request.teeth, view.notation)}</strong> {(visit.request.restoration ?? visit.title)}
          </p>
          <p>
            {view.chairs.find((c) => c.id === visit.chairId)?.name} · {visit.people.map((p) => p.name).join(', ')} · {minutes(visit.score.chairS)} in the chair
          </p>
        </div>
        <Link to={placeOf(visit)} className="flex min-h-16 items-center justify-center rounded-md bg-jade px-5 text-xl font-bold text-jade-ink">
          {visit.stage === 'planned' ? 'See what will be done' : visit.stage === 'laid up' ? 'To the chair' : visit.stage === 'running' ? 'Back to the chair' : 'See the record'}
        </Link>
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

function Chairs({ view }: { view: DayView }) {
  const now = useNow(15_000)
  const span = daySpan(view.visits, Temporal.PlainDate.from(view.day).toZonedDateTime({ timeZone: view.zone, plainTime: '08:00' }).epochMilliseconds)
  const length = span.endAt - span.startAt
  const at = (ms: number): number => ((ms - span.startAt) / length) * 100
  const twice = twiceInView(view)
  const chairOf = new Map(view.visits.map((v) => [v.id, v.chairId]))
  const hours = Array.from({ length: Math.round(length / 3_600_000) + 1 }, (_, i) => span.startAt + i * 3_600_000)
  return (
    <Panel labelled="Chairs" className="relative">
      <div className="relative ml-20 h-7">
        {hours.slice(0, -1).map((h) => (
          <span key={h} className="clock absolute text-base text-soft" style={{ left: `${at(h)}%` }}>
            {clockTime(h, view.zone)}
          </span>
        ))}
      </div>
      {view.chairs.map((chair) => (
        <div key={chair.id} className="flex items-stretch border-t-2 border-line">
          <h2 className="w-20 shrink-0 self-center text-lg font-bold">{chair.name}</h2>
          <div className={`relative flex-1 ${lowRows(view) ? 'h-26' : 'h-31'}`}>
            {hours.slice(1, -1).map((h) => (
              <span key={h} aria-hidden="true" className="absolute inset-y-0 w-px bg-sunk" style={{ left: `${at(h)}%` }} />
            ))}
            {now > span.startAt && now < span.endAt && <span aria-hidden="true" className="absolute inset-y-0 z-10 w-0.5 bg-alarm" style={{ left: `${at(now)}%` }} />}
            {twice.filter((c) => c.visits.some((id) => chairOf.get(id) === chair.id)).map((c) => (
              <span key={`${c.heldId ?? ''}${c.startAt}${c.visits.join()}`} aria-hidden="true" data-twice-mark="" className="absolute top-0 z-10 h-2 rounded-sm border border-sheet bg-brass" style={{ left: `${at(c.startAt)}%`, width: `max(0.5rem, ${at(c.endAt) - at(c.startAt)}%)` }} />
            ))}
            {view.visits.filter((v) => v.chairId === chair.id).map((v) => (
              <VisitBlock key={v.id} visit={v} view={view} left={at(v.startsAt)} width={at(v.startsAt + v.score.totalS * 1000) - at(v.startsAt)} />
            ))}
          </div>
        </div>
      ))}
    </Panel>
  )
}

export default function DayScreen() {
  const params = useParams()
  const navigate = useNavigate()
  const day = params['day'] ?? Temporal.Now.plainDateISO().toString()
  const query = useDay(day)
  const refresh = useRefresh()
  const person = usePerson()
  const [adding, setAdding] = useState(false)
  useLive(undefined, { day: refresh.day, opened: refresh.day })
  if (query.isPending) return <Loading what="Opening the day" />
  if (query.isError) return <Failed error={query.error} again={() => void query.refetch()} />
  const view = query.data
  // One's own work first: what runs, then what comes; then anybody's.
  const mine = view.visits.filter((v) => v.people.some((p) => p.id === person.id))
  const next = [mine, view.visits].map((visits) => visits.find((v) => v.stage === 'running') ?? visits.find((v) => v.stage !== 'closed')).find((v) => v !== undefined)
  const go = (days: number): void => void navigate(`/days/${Temporal.PlainDate.from(day).add({ days }).toString()}`)
  return (
    <div className="mx-auto flex max-w-[1400px] flex-col gap-3">
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="mr-2 text-2xl font-bold">{Temporal.PlainDate.from(day).toLocaleString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })}</h1>
        <Button tone="quiet" aria-label="The day before" onClick={() => go(-1)}>
          <ChevronLeft aria-hidden="true" />
        </Button>
        <Button tone="quiet" aria-label="The day after" onClick={() => go(1)}>
          <ChevronRight aria-hidden="true" />
        </Button>
        <span className="text-soft">{view.practice}</span>
        <Button className="ml-auto" onClick={() => setAdding(true)}>
          <CalendarPlus aria-hidden="true" /> Add a visit
        </Button>
      </div>
      <Chairs view={view} />
      {view.visits.length === 0 && <p className="text-xl text-soft">Nothing is planned on this day. Add a visit to begin.</p>}
      <div className="flex flex-wrap gap-3">
        {next && (
          <div className="min-w-96 flex-[2]">
            <NextUp visit={next} view={view} />
          </div>
        )}
        <Times view={view} />
      </div>
      {adding && <NewVisit view={view} onClose={() => setAdding(false)} />}
    </div>
  )
}
