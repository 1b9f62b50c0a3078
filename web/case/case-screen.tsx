/** The case: what will be done, in a few decisions; at the side what follows from them, live. */
import { capital } from '../../core/words'
import { sure } from '../../core/sure'
import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { toast } from 'sonner'
import type { Plan } from '../../core/model/plan'
import type { Alert } from '../../core/vocabulary'
import { personTimes } from '../../core/schedule/delegate'
import { overlong } from '../../core/schedule/overlong'
import { setsInSeries } from '../../core/schedule/series'
import { layOut, type Timeline } from '../../core/schedule/timeline'
import type { VisitView } from '../../wire/visit'
import { api } from '../app/api'
import { sayWhyNot, useChange } from '../app/change'
import { useLive } from '../app/live'
import { useVisitPlan } from '../app/plan'
import { useRefresh } from '../app/queries'
import { LeftOut } from '../parts/left-out'
import { ScoreView } from '../parts/score-view'
import { Failed, Loading, Mark, Panel, ButtonLink } from '../parts/ui'
import { minutes } from '../parts/words'
import { useConsequences, type Consequences } from './consequences'
import { Chain, Works } from './chain'
import { tryRequest, type Change } from './change'
import { Alerts } from './alerts'
import { Facts } from './case-facts'
import { LikelyLength } from './forecast'
import { PeopleTimes } from './people-times'
import { RunningOrder } from './running-order'
import { Schools } from './schools'
import { Teeth } from './teeth'
import { WhoSitsWhere } from './who-sits-where'
import { WorkedOut } from './worked-out'

function Follows({ plan, score, beside }: { plan: Plan; score: Timeline; beside: Consequences }) {
  const dentist = sure(plan.people.find((p) => p.dentist))
  const titleOf = (id: string): string => plan.steps.find((s) => s.id === id)?.title ?? id
  const missed = score.brackets.filter((b) => b.missed)
  return (
    <Panel labelled="What follows" className="space-y-3">
      <dl
        className="grid grid-cols-[3fr_3fr_2fr_2fr] gap-2 text-center"
        aria-label="Minutes in the chair, the dentist’s minutes, items, burs"
      >
        {[
          ['chair', minutes(score.chairS)],
          ['dentist', minutes(score.busyS[dentist.id] ?? 0)],
          ['items', String(plan.setup.length)],
          ['burs', String(new Set(plan.burs.map((b) => b.bur?.id)).size)],
        ].map(([k, v]) => (
          <div key={k} className="rounded-md bg-sunk px-0.5 py-1.5">
            <dt className="text-base text-soft">{k}</dt>
            <dd className="num text-xl leading-tight font-bold whitespace-nowrap" data-figure={k}>
              {v}
            </dd>
          </div>
        ))}
      </dl>
      <LikelyLength found={beside.forecast} />
      <ul className="space-y-1.5" aria-label="Clashes">
        {plan.clashes.map((c) => (
          <li key={c.id} data-clash={c.id}>
            <Mark kind={c.severity}>
              <strong>{c.what}.</strong> {capital(c.doThis)}. <span className="text-base">({c.why})</span>
            </Mark>
          </li>
        ))}
        {plan.lacks.map((l) => (
          <li key={l}>
            <Mark kind="stop">{l}</Mark>
          </li>
        ))}
        {score.conflict.length > 0 && (
          <li data-conflict="">
            <Mark kind="stop">
              <strong>These cannot all be kept.</strong>{' '}
              {plan.links
                .filter((l) => score.conflict.includes(l.id))
                .map((l) => (l.kind === 'order' ? `${titleOf(l.to)} after ${titleOf(l.from)}` : l.title))
                .join('; ')}
              . Another material, another way, or fewer teeth in one round.
            </Mark>
          </li>
        )}
        {overlong(plan, score).map((says) => (
          <li key={says} data-overlong="">
            <Mark kind="mind">{says}</Mark>
          </li>
        ))}
        {beside.waysOut.length > 0 && (
          <li data-ways-out="" className="pl-7">
            Ways out:
            <ul className="list-disc pl-5">
              {beside.waysOut.map((way) => (
                <li key={way}>{capital(way)}</li>
              ))}
            </ul>
          </li>
        )}
        {setsInSeries(plan, score).map((s) => (
          <li key={s.linkIds.join()} data-series="">
            <Mark kind="mind">{s.says}</Mark>
          </li>
        ))}
        {missed.map((b) => (
          <li key={b.from + b.to}>
            <Mark kind="ask">{b.title}: the likely times overrun this window</Mark>
          </li>
        ))}
      </ul>
      <div>
        <h3 className="font-bold">The dentist signs</h3>
        <p>{plan.holds.map((h) => h.title.toLowerCase()).join(' · ')}</p>
      </div>
      <PeopleTimes times={personTimes(plan)} people={plan.people} delegation={beside.delegation} />
      <LeftOut plan={plan} />
      <p className="text-base text-soft">
        Decision support: the treating dentist decides; licensed practice and local rules come first.
      </p>
    </Panel>
  )
}

export default function CaseScreen() {
  const visitId = sure(useParams()['visitId'])
  const { data, error, again } = useVisitPlan(visitId)
  const beside = useConsequences(data)
  const refresh = useRefresh()
  const storing = ['request', visitId]
  // While touches are still on their way to the server, what it says is older than what the screen shows.
  const reread = (unless = 0): void =>
    void (refresh.client.isMutating({ mutationKey: storing }) <= unless && refresh.visit(visitId))
  useLive(visitId, { visit: () => reread(), opened: () => reread() })
  const [at, setAt] = useState(0)
  const plan = data?.plan
  const score = useMemo(() => plan && layOut(plan), [plan])
  const save = useChange(
    ({ change, version }: { change: Change; version: number }) =>
      api<{ version: number }>(`/visits/${visitId}/request`, { method: 'PUT', body: { version, request: change } }),
    [],
    { key: storing, inTurn: visitId, settled: () => reread(1) },
  )
  if (error && !data) return <Failed error={error} again={again} />
  if (!data || !score) return <Loading what="Opening the case" />
  const locked = data.visit.frozen !== null
  const setAlerts = async (alerts: Alert[], why?: string): Promise<void> => {
    try {
      const { reopened } = await api<{ reopened: string[] }>(`/visits/${visitId}/alerts`, {
        method: 'PUT',
        body: { alerts, saw: data.visit.request.alerts, ...(why === undefined ? {} : { why }) },
      })
      toast(
        reopened.includes(visitId)
          ? 'The tray is open again: it was laid up for other alerts. What changed stands on the Tray screen.'
          : why === undefined
            ? 'The patient’s alerts are changed, on every visit.'
            : 'Taken away, with the reason on the trail.',
      )
    } catch (e) {
      sayWhyNot(e)
    }
    refresh.visit(visitId)
  }
  const change = (c: Change): void => {
    const tried = tryRequest(data.visit.request, c)
    if (typeof tried === 'string') return void toast.error(tried)
    // The screen answers at once; the server stores it, or the old state comes back with the reason.
    const before = data.visit
    void refresh.client.cancelQueries({ queryKey: ['visit', visitId] })
    // What was tried is what was parsed: nothing on the screen sees a change before its defaults are in it.
    const shown: VisitView = { ...before, version: before.version + 1, request: tried }
    refresh.client.setQueryData(['visit', visitId], shown)
    save.mutate({ change: c, version: before.version })
  }
  return (
    <div className="mx-auto grid max-w-[1400px] gap-3 lg:grid-cols-[minmax(0,1fr)_21.5rem]">
      <div className="min-w-0 space-y-3">
        {locked && (
          <p className="rounded-md border-2 border-jade bg-jade-wash p-3">
            The tray is signed and this plan is fixed.{' '}
            <Link to={`/visits/${visitId}/tray`} className="font-bold underline">
              Re-open the tray
            </Link>{' '}
            to change it.
          </p>
        )}
        <Works
          data={data}
          at={Math.min(at, data.visit.request.also.length)}
          onAt={setAt}
          change={change}
          locked={locked}
        />
        <div className="grid gap-3 md:grid-cols-[20rem_minmax(0,1fr)]">
          <Teeth data={data} at={Math.min(at, data.visit.request.also.length)} change={change} locked={locked} />
          <div className="space-y-3">
            <Facts data={data} at={Math.min(at, data.visit.request.also.length)} change={change} locked={locked} />
            {data.visit.stage !== 'closed' && (
              <Alerts alerts={data.visit.request.alerts} signed={locked} onAlerts={setAlerts} />
            )}
          </div>
        </div>
        <Schools data={data} consequences={beside.consequences} change={change} locked={locked} />
        <Chain data={data} />
        <Panel
          title="The score"
          aside={
            <span className="text-base text-soft">
              minutes from seating; double bar: the dentist signs; bracket: a window
            </span>
          }
        >
          <ScoreView
            score={score}
            people={data.plan.people}
            holds={data.plan.holds}
            label={`Score: ${data.plan.steps.map((s) => s.title).join(', ')}`}
          />
          <RunningOrder score={score} plan={data.plan} />
        </Panel>
        <WhoSitsWhere plan={data.plan} />
        <WorkedOut plan={data.plan} score={score} />
      </div>
      <div className="space-y-3 self-start lg:sticky lg:top-3">
        {/* Above what follows: that grows and shrinks with each answer, and a button must not move under a hand. */}
        <ButtonLink to={`/visits/${visitId}/tray`} tone="jade" big className="w-full">
          Lay up the tray
        </ButtonLink>
        <Follows plan={data.plan} score={score} beside={beside} />
      </div>
    </div>
  )
}
