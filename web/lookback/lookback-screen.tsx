/** Looking back: planned against real, forecasts held against what came, what was done over, durations learned. */
import { useChange } from '../app/change'
import { Fold } from '../parts/fold'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { leastTaken, mostTaken } from '../../core/practice/learned'
import { kindTable } from '../../core/kinds'
import { api } from '../app/api'
import { usePerson } from '../app/shell'
import { Check, Failed, Loading, Mark, Panel, Pick } from '../parts/ui'
import { minutes } from '../parts/words'
import type { LookBackView, LookBackVisit } from '../../wire/lookback'
import { AgainstForecast, PlannedReal, Retakes } from './charts'

function VisitTable({ visits }: { visits: readonly LookBackVisit[] }) {
  return (
    <Fold title="The same as a table">
      <table className="w-full border-collapse text-base">
        <thead>
          <tr className="border-b-2 border-ink text-left">
            <th scope="col">Visit</th>
            <th scope="col" className="text-right">
              planned
            </th>
            <th scope="col" className="text-right">
              8 in 10
            </th>
            <th scope="col" className="text-right">
              real
            </th>
          </tr>
        </thead>
        <tbody>
          {visits.map((v) => (
            <tr key={v.id} data-looked={v.id} className="border-b border-line">
              <th scope="row" className="text-left font-normal">
                <Link className="underline" to={`/visits/${v.id}/close`}>
                  {v.day} {v.patient}
                </Link>{' '}
                <span className="text-soft">{kindTable[v.kind].title}</span>
              </th>
              <td className="num text-right">{minutes(v.plannedChairS)}</td>
              <td className="num text-right">{v.forecast ? minutes(v.forecast.eightInTenS) : '–'}</td>
              <td className="num text-right">{minutes(v.chairS)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Fold>
  )
}

const inMinutes = (s: number): string => (s < 90 ? `${Math.round(s)} s` : `${(s / 60).toFixed(1)} min`)

function LearnedPart({ view, may }: { view: LookBackView; may: boolean }) {
  const nameOf = (id: string): string => view.people.find((p) => p.id === id)?.name ?? id
  const [all, setAll] = useState(false)
  const use = useChange(
    (useLearned: boolean) => api('/practice', { method: 'PATCH', body: { useLearned } }),
    ['practice', 'day', 'visit'],
  )
  const rows = view.learned.toSorted((a, b) => Math.abs(b.meanS - b.startS) - Math.abs(a.meanS - a.startS))
  const shown = all ? rows : rows.slice(0, 12)
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
        <table className="w-full border-collapse text-base">
          <thead>
            <tr className="border-b-2 border-ink text-left">
              <th scope="col">Step</th>
              <th scope="col">Person</th>
              <th scope="col" className="text-right">
                starting
              </th>
              <th scope="col" className="text-right">
                learned
              </th>
              <th scope="col" className="text-right">
                runs
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((r) => (
              <tr key={r.key} data-learned={r.key} className="border-b border-line">
                <th scope="row" className="text-left font-normal">
                  {r.stepKind.replaceAll('.', ', ').replaceAll('-', ' ')}{' '}
                  <span className="text-soft">{kindTable[r.kind].title}</span>
                </th>
                <td>{nameOf(r.personId)}</td>
                <td className="num text-right whitespace-nowrap">{inMinutes(r.startS)}</td>
                <td className="num text-right font-bold whitespace-nowrap">
                  <span aria-hidden="true">
                    {r.meanS > r.startS * 1.05 ? '▲ ' : r.meanS < r.startS * 0.95 ? '▼ ' : ''}
                  </span>
                  {inMinutes(r.meanS)}
                </td>
                <td className="num text-right">{r.n}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {rows.length > shown.length && (
        <button type="button" className="min-h-12 cursor-pointer text-jade underline" onClick={() => setAll(true)}>
          All {rows.length}
        </button>
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
              <VisitTable visits={visits} />
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
