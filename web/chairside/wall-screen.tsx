/** The wall: the same run for a third screen, to be read across the room; nothing on it asks for a touch. */
import { sure } from '../../core/sure'
import { useMemo } from 'react'
import { useParams } from 'react-router'
import { alertWords } from '../../core/vocabulary'
import { clocksAt } from '../../core/run/clocks'
import { calledAt } from '../../core/run/cues'
import { lanesNow } from '../../core/run/lanes-now'
import { goneS } from '../../core/run/left-open'
import { outlook } from '../../core/run/next'
import { owing } from '../../core/run/state'
import { layOut } from '../../core/schedule/timeline'
import { useNow } from '../app/live'
import { useVisitPlan, type VisitAndPlan } from '../app/plan'
import { useRefresh } from '../app/queries'
import { useRun } from '../app/run'
import { usePerson } from '../app/person'
import { ClockRing } from '../parts/clock-ring'
import { LanesInFront } from '../parts/lanes'
import { Score } from '../parts/score'
import { SectionView } from '../parts/section-view'
import { Failed, Loading } from '../parts/ui'
import { useClockSounds } from './clock-sounds'
import { CueLine } from './cues'
import { inFront } from './in-front'
import { teethSaid } from '../../core/model/said'

function Wall({ visitId, data }: { visitId: string; data: VisitAndPlan }) {
  const { plan } = data
  const refresh = useRefresh()
  const run = useRun(visitId, plan, usePerson(), () => refresh.visit(visitId))
  const now = useNow(250)
  const score = useMemo(() => layOut(plan), [plan])
  const core = run?.state.core
  const clocks = core ? clocksAt(plan, core, now) : []
  useClockSounds(clocks, core?.status === 'running')
  if (!run || !core) return <Loading what="Opening the run" />
  const view = outlook(plan, core, now)
  const current = view.running.at(-1)
  const then = outlook(plan, core, now, current?.id)
  const lanes = lanesNow(plan, core, current?.id ?? view.next?.id, now)
  const upcoming = current ? [...(then.next ? [then.next] : []), ...then.later].slice(0, 2) : view.later.slice(0, 2)
  const still = plan.counts.map((c) => ({ what: c.what, n: owing(c, core) })).filter((c) => c.n > 0)
  const asked = plan.holds.filter(
    (h) =>
      core.holds[h.id]?.status === 'open' &&
      ['running', 'done', 'skipped'].includes(core.steps[h.stepId]?.status ?? 'todo'),
  )
  const { title, why } = inFront(core, view, asked[0] !== undefined)
  return (
    <div className="mx-auto flex min-h-[calc(100vh-7rem)] max-w-[1700px] flex-col gap-3" data-wall={core.status}>
      {plan.request.alerts.length > 0 && (
        <p className="rounded-md border-4 border-alarm bg-alarm-wash px-4 py-2 text-4xl font-bold text-alarm">
          ■ {plan.request.alerts.map((a) => alertWords[a]).join('; ')}
        </p>
      )}
      <CueLine called={core ? calledAt(plan, core, now) : []} />
      {lanes && <LanesInFront front={lanes} />}
      <div className="grid flex-1 gap-3 lg:grid-cols-[minmax(0,1fr)_28rem]">
        <section aria-label="Now" className="rounded-lg border-l-8 border-jade bg-sheet p-5">
          <p className="num text-4xl font-bold text-soft">{teethSaid(plan)}</p>
          {/* As large as the height of the screen lets it be, for the score below it: nobody scrolls a wall. */}
          <p data-wall-now="" className="mt-2 text-[clamp(2.5rem,7.5vh,4.5rem)] leading-tight font-bold text-balance">
            {title}
          </p>
          {why && <p className="mt-3 text-4xl leading-snug">{why}</p>}
          {current && <p className="mt-2 text-4xl">{current.performer.name}</p>}
          {current && current.passes.length > 0 && (
            <p className="mt-3 text-4xl leading-snug">
              <span className="text-soft">pass: </span>
              {current.passes.join(' · ')}
            </p>
          )}
          {core.status === 'running' && upcoming.length > 0 && (
            <ol className="mt-6 space-y-2 border-t-2 border-line pt-4 text-[clamp(1.5rem,3.75vh,2.25rem)] leading-snug text-soft">
              {upcoming.map((s) => (
                <li key={s.id}>then {s.title}</li>
              ))}
            </ol>
          )}
        </section>
        <div className="space-y-3">
          <ul aria-label="Clocks" className="space-y-2">
            {clocks.map((c) => (
              <ClockRing key={c.linkId} clock={c} />
            ))}
          </ul>
          {asked.map((h) => (
            <p key={h.id} className="rounded-lg border-4 border-double border-ink bg-sheet p-4 text-3xl font-bold">
              ‖ to be signed: {h.title}
            </p>
          ))}
          {still.map((c) => (
            <p
              key={c.what}
              data-wall-count=""
              className="rounded-lg border-4 border-brass bg-brass-wash p-4 text-3xl font-bold text-brass"
            >
              ◆ {c.what}: <span className="num">{c.n}</span> in
            </p>
          ))}
          {current && (
            <div className="rounded-lg bg-sheet p-2 empty:hidden">
              <SectionView plan={plan} step={current} />
            </div>
          )}
        </div>
      </div>
      <div className="rounded-lg bg-sheet px-3 py-2">
        <Score
          score={score}
          people={plan.people}
          core={core}
          playheadS={goneS(run.state, now)}
          height={180}
          bands
          label=""
        />
      </div>
    </div>
  )
}

export default function WallScreen() {
  const visitId = sure(useParams()['visitId'])
  const { data, error, again } = useVisitPlan(visitId)
  if (error && !data) return <Failed error={error} again={again} />
  if (!data) return <Loading what="Opening the wall" />
  if (!data.visit.frozen) return <p className="p-8 text-4xl">The tray of this visit is not signed yet.</p>
  return <Wall visitId={visitId} data={data} />
}
