/** Looking back: planned against real, forecasts held against what came, what was done over, durations learned. */
import { useChange } from '../app/change'
import { Fold } from '../parts/fold'
import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { leastTaken, mostTaken } from '../../core/practice/learned'
import { kindTable } from '../../core/kinds'
import { api } from '../app/api'
import { usePerson } from '../app/person'
import { UnreadVisits } from '../parts/unread'
import { Table, type Column } from '../parts/table'
import { Check, Failed, Loading, Mark, Panel, Pick } from '../parts/ui'
import { minutes } from '../parts/words'
import type { LookBackView, LookBackVisit } from '../../wire/lookback'
import { AgainstForecast, PlannedReal, Retakes } from './charts'

const visitColumns: readonly Column<LookBackVisit>[] = [
  {
    id: 'visit',
    head: 'Visit',
    by: (v) => `${v.day} ${v.patient}`,
    cell: (v) => (
      <>
        <Link className="underline" to={`/visits/${v.id}/close`}>
          {v.day} {v.patient}
        </Link>{' '}
        <span className="text-soft">{kindTable[v.kind].title}</span>
      </>
    ),
  },
  { id: 'planned', head: 'planned', by: (v) => v.plannedChairS, figures: true, cell: (v) => minutes(v.plannedChairS) },
  {
    id: 'forecast',
    head: '8 in 10',
    by: (v) => v.forecast?.eightInTenS,
    figures: true,
    cell: (v) => (v.forecast ? minutes(v.forecast.eightInTenS) : '–'),
  },
  { id: 'real', head: 'real', by: (v) => v.chairS, figures: true, cell: (v) => minutes(v.chairS) },
]

const inMinutes = (s: number): string => (s < 90 ? `${Math.round(s)} s` : `${(s / 60).toFixed(1)} min`)

type Learned = LookBackView['learned'][number]

const learnedColumns = (nameOf: (id: string) => string): readonly Column<Learned>[] => [
  {
    id: 'step',
    head: 'Step',
    by: (r) => r.stepKind,
    cell: (r) => (
      <>
        {r.stepKind.replaceAll('.', ', ').replaceAll('-', ' ')}{' '}
        <span className="text-soft">{kindTable[r.kind].title}</span>
      </>
    ),
  },
  { id: 'person', head: 'Person', by: (r) => nameOf(r.personId), cell: (r) => nameOf(r.personId) },
  {
    id: 'starting',
    head: 'starting',
    by: (r) => r.startS,
    figures: true,
    cell: (r) => inMinutes(r.startS),
  },
  {
    id: 'learned',
    head: 'learned',
    by: (r) => r.meanS,
    figures: true,
    className: 'font-bold',
    cell: (r) => (
      <>
        <span aria-hidden="true">{r.meanS > r.startS * 1.05 ? '▲ ' : r.meanS < r.startS * 0.95 ? '▼ ' : ''}</span>
        {inMinutes(r.meanS)}
      </>
    ),
  },
  { id: 'runs', head: 'runs', by: (r) => r.n, figures: true, cell: (r) => r.n },
]

function LearnedPart({ view, may }: { view: LookBackView; may: boolean }) {
  const { people } = view
  const columns = useMemo(() => learnedColumns((id) => people.find((p) => p.id === id)?.name ?? id), [people])
  const use = useChange(
    (useLearned: boolean) => api('/practice', { method: 'PATCH', body: { useLearned } }),
    ['practice', 'day', 'visit'],
  )
  const rows = view.learned.toSorted((a, b) => Math.abs(b.meanS - b.startS) - Math.abs(a.meanS - a.startS))
  return (
    <Panel title="Durations learned" className="space-y-2">
      <p className="text-base text-soft">
        The mean of the last {mostTaken} runs of a step by a person, a fifth cut off at each end; from {leastTaken} runs
        on. What a person set by hand for a step stands before it.
      </p>
      <Check
        label="Plans reckon with what was learned"
        checked={view.useLearned}
        disabled={!may || use.isPending}
        onChange={(on) => use.mutate(on)}
      />
      {rows.length === 0 ? (
        <p className="text-soft">Nothing yet: {leastTaken} closed visits with the same step and person are needed.</p>
      ) : (
        <Table
          className="text-base"
          rows={rows}
          columns={columns}
          idOf={(r) => r.key}
          mark={(r) => ({ 'data-learned': r.key })}
          first={12}
        />
      )}
    </Panel>
  )
}

export default function LookBackScreen() {
  const [days, setDays] = useState<'30' | '90' | '365'>('90')
  const query = useQuery({
    queryKey: ['practice', 'lookback', days],
    queryFn: () => api<LookBackView>(`/lookback?days=${days}`),
    staleTime: 10_000,
  })
  const person = usePerson()
  if (query.isPending) return <Loading what="Looking back" />
  if (query.isError) return <Failed error={query.error} again={() => void query.refetch()} />
  const { visits, calibration, people } = query.data
  const nameOf = (id: string): string => people.find((p) => p.id === id)?.name ?? id
  const retakes = visits.flatMap((v) =>
    v.retakes.map((r) => ({ ...r, visit: v, kind: r.title.replace(/, \d\d.*$/, '') })),
  )
  const counts = [...new Set(retakes.map((r) => r.kind))]
    .map((title) => ({ title, n: retakes.filter((r) => r.kind === title).length }))
    .toSorted((a, b) => b.n - a.n)
  const over = visits.length === 0 ? 0 : visits.reduce((sum, v) => sum + v.chairS - v.plannedChairS, 0) / visits.length
  return (
    <div className="mx-auto max-w-[1400px] space-y-3">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="text-2xl font-bold">Look back</h1>
        <Pick
          label="How far back"
          value={days}
          onPick={setDays}
          options={[
            { value: '30', label: '30 days' },
            { value: '90', label: '90' },
            { value: '365', label: 'a year' },
          ]}
        />
        <Link to="/" className="ml-auto flex min-h-12 items-center text-lg text-jade underline">
          Back to the day
        </Link>
      </div>
      <UnreadVisits unread={query.data.unread} what="The rest is looked back on without it." />
      {visits.length === 0 ? (
        <p className="text-xl text-soft">No visit was closed in these days. What is closed is looked back on here.</p>
      ) : (
        <div className="grid items-start gap-3 lg:grid-cols-2">
          <div className="space-y-3">
            <Panel title="Planned and real, minutes in the chair" className="space-y-1">
              <p>
                <strong className="num">{visits.length}</strong> visits; on the average{' '}
                <strong className="num">{Math.abs(Math.round(over / 60))} min</strong>{' '}
                {over >= 0 ? 'longer' : 'shorter'} than planned.
              </p>
              <PlannedReal visits={visits} nameOf={nameOf} />
              <Fold title="The same as a table">
                <Table
                  className="text-base"
                  rows={visits}
                  columns={visitColumns}
                  idOf={(v) => v.id}
                  mark={(v) => ({ 'data-looked': v.id })}
                />
              </Fold>
            </Panel>
            <Panel title="Done over" className="space-y-1">
              {counts.length === 0 ? (
                <Mark kind="good">nothing was done over</Mark>
              ) : (
                <>
                  <Retakes counts={counts} />
                  <ul className="text-base">
                    {retakes.map((r) => (
                      <li key={r.visit.id + r.stepId + r.why}>
                        <span className="num">{r.visit.day}</span> {r.kind}: {r.why}
                      </li>
                    ))}
                  </ul>
                </>
              )}
            </Panel>
          </div>
          <div className="space-y-3">
            <Panel title="Were the forecasts right?" className="space-y-1">
              <p className="text-lg" data-calibration={calibration.n}>
                <strong className="num text-2xl">
                  {calibration.kept} of {calibration.n}
                </strong>{' '}
                ended by their 8-in-10 time{calibration.n > 0 && <>, {Math.round(calibration.share * 100)} %</>}.
              </p>
              <Mark
                kind={calibration.n === 0 ? 'mind' : calibration.from <= 0.8 && calibration.to >= 0.8 ? 'good' : 'ask'}
              >
                {calibration.because.text}
              </Mark>
              <AgainstForecast visits={visits} />
            </Panel>
          </div>
          <div className="lg:col-span-2">
            <LearnedPart view={query.data} may={person.roles.includes('dentist')} />
          </div>
        </div>
      )}
    </div>
  )
}
