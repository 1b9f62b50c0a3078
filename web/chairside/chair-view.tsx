import { sure } from '../../core/sure'
import { Keyboard, Undo2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { toast } from 'sonner'
import type { Hold } from '../../core/model/plan'
import type { Step } from '../../core/model/step'
import { alertWords } from '../../core/vocabulary'
import { clocksAt } from '../../core/run/clocks'
import { calledAt } from '../../core/run/cues'
import { type Handoff } from '../../core/run/handoffs'
import { offered, wantedOf } from '../../core/run/wanted'
import { readingsAt } from '../../core/readings'
import { countedOutNext, outlook } from '../../core/run/next'
import { layOut } from '../../core/schedule/timeline'
import type { Person } from '../../wire/people'
import { useNow } from '../app/live'
import type { VisitAndPlan } from '../app/plan'
import type { Run } from '../app/run'
import { BurStrip } from '../parts/bur-strip'
import { ClockRing } from '../parts/clock-ring'
import { HoldBox } from '../parts/hold-box'
import { Score } from '../parts/score'
import { Button, Alert, ButtonLink } from '../parts/ui'
import { Incoming, Outgoing } from './calls'
import { SoundPick, useClockSounds } from './clock-sounds'
import { Counts } from './counts'
import { Holds } from './holds'
import { CueLine } from './cues'
import { LightLine } from './light-line'
import { MeasureBox } from './measure/measure-box'
import { NowCard } from './now-card'
import { Readings } from '../parts/readings'
import { SwitchPerson } from './switch-person'
import { Keys, NoteBox, SkipBox, WindowBox } from './boxes'
import { WorkedBox } from './worked-box'

/** Both views of the same run: the assistant's with the step in front, the dentist's with what waits for an answer. */
export function ChairView({
  visitId,
  data,
  run,
  person,
}: {
  visitId: string
  data: VisitAndPlan
  run: Run
  person: Person
}) {
  const { plan } = data
  const core = run.state.core
  const now = useNow(250)
  const score = useMemo(() => layOut(plan), [plan])
  const clocks = clocksAt(plan, core, now)
  const view = outlook(plan, core, now)
  const [focus, setFocus] = useState<string>()
  const [hold, setHold] = useState<Hold>()
  const [box, setBox] = useState<'keys' | 'note' | 'skip' | 'measure' | 'worked'>()
  const dentistView = person.roles.includes('dentist')
  const lateAlerts = data.visit.request.alerts.filter((a) => !plan.request.alerts.includes(a))

  const current: Step | undefined = view.running.find((s) => s.id === focus) ?? view.running.at(-1)
  /** The step the screen is about: done now, next, or waited for. */
  const front: Step | undefined = current ?? view.next ?? view.waiting?.step
  /** The clock of the step itself: it may not be finished before. */
  const own = clocks.find((c) => c.from === current?.id && c.to === current.id && c.phase === 'wait')
  const then = outlook(plan, core, now, current?.id)
  const missed = clocks.find((c) => c.phase === 'missed')
  const asked = plan.holds.filter(
    (h) =>
      core.holds[h.id]?.status === 'open' &&
      ['running', 'done', 'skipped'].includes(core.steps[h.stepId]?.status ?? 'todo'),
  )

  const answer = async (sent: Promise<Awaited<ReturnType<Run['send']>>>): Promise<void> => {
    const result = await sent
    if (!result.ok) toast.error(result.message)
    else if (result.held && result.held.code !== 'order') toast(result.held.message)
  }
  const next = (): void => {
    if (run.sending === 'yes') return
    if (core.status === 'laid up') return void answer(run.send({ kind: 'begin' }))
    if (core.status !== 'running') return
    setFocus(undefined)
    if (current)
      return void answer(
        run.send({ kind: 'advance', finish: current.id, ...(then.next ? { start: then.next.id } : {}) }),
      )
    if (view.next) return void answer(run.send({ kind: 'advance', start: view.next.id }))
    const holdId = view.waiting?.refusal.holdId
    if (holdId) setHold(plan.holds.find((h) => h.id === holdId))
    else if (view.waiting) toast(view.waiting.refusal.message)
  }
  const modal = hold !== undefined || box !== undefined
  // A foot pedal and a presenter are keyboards: space, page-down and the right arrow all mean "next".
  useHotkeys('pagedown, right', next, { enabled: !modal, preventDefault: true }, [next, modal])
  // Somebody who came to a button by tab means that button; after a touch the focus it left behind means nothing.
  useHotkeys(
    'space',
    next,
    {
      enabled: !modal,
      preventDefault: true,
      ignoreEventWhen: (e) => e.target instanceof HTMLElement && e.target.matches(':is(button, a):focus-visible'),
    },
    [next, modal],
  )
  useHotkeys('u', () => void answer(run.send({ kind: 'undo' })), { enabled: !modal })
  useHotkeys('n', () => setBox('note'), { enabled: !modal, preventDefault: true })
  useHotkeys('s', () => setBox('skip'), { enabled: !modal && current !== undefined, preventDefault: true })
  useHotkeys('h', () => setHold(asked[0]), { enabled: !modal, preventDefault: true })
  // What is read at the step in front, or at the one whose signature is asked.
  const measured = [current, ...asked.map((h) => plan.steps.find((s) => s.id === h.stepId))].find(
    (s): s is Step => s !== undefined && readingsAt(s).length > 0,
  )
  useHotkeys('m', () => setBox('measure'), { enabled: !modal && measured !== undefined, preventDefault: true })
  useHotkeys('w', () => setBox('worked'), { enabled: !modal && front !== undefined, preventDefault: true })
  useHotkeys('shift+slash', () => setBox('keys'), { enabled: !modal, preventDefault: true, useKey: false })

  const seen = (handoff: Handoff): void => void answer(run.send({ kind: 'seen', handoff }))
  const said = wantedOf(plan, run.state, person.id).find((w) => w.kind === 'call')
  const call = (handoff: Handoff, minutes?: number): void =>
    void answer(run.send({ kind: 'call', handoff, ...(minutes === undefined ? {} : { minutes }) }))
  const sayable = offered(plan, dentistView ? 'dentist' : 'assistant').filter((h) => h !== 'leaving')
  useHotkeys(
    '1,2,3,4',
    (_, { keys }) => {
      const handoff = sayable[Number(keys?.[0]) - 1]
      if (handoff) call(handoff)
    },
    { enabled: !modal && core.status === 'running' },
  )
  const out = countedOutNext(plan, core, current?.id)
  useHotkeys('o', () => out && void answer(run.send({ kind: 'count', direction: 'out', ...out })), {
    enabled: !modal && out !== undefined,
  })
  useHotkeys('a', () => said && seen(sure(said.handoff)), {
    enabled: !modal && said !== undefined,
    preventDefault: true,
  })
  useClockSounds(clocks, core.status === 'running')
  const called = calledAt(plan, core, now)

  const doneSteps = new Set(plan.steps.filter((s) => core.steps[s.id]?.status === 'done').map((s) => s.id))
  const playheadS = core.startedAt === undefined ? 0 : ((core.closedAt ?? now) - core.startedAt) / 1000
  const holds = <Holds plan={plan} core={core} asked={asked} onAnswer={setHold} dentistView={dentistView} />
  const counts = (
    <Counts
      plan={plan}
      core={core}
      outNow={out?.countId}
      onCount={(countId, direction, n) => void answer(run.send({ kind: 'count', countId, direction, n }))}
    />
  )
  const card = (
    <NowCard
      plan={plan}
      core={core}
      current={current}
      running={view.running}
      outlook={current ? then : view}
      sending={run.sending}
      waiting={run.waiting}
      onNext={next}
      onFocus={setFocus}
      dentistView={dentistView}
      lastsS={own && sure(own.notBeforeS) - own.elapsedS}
      waitingHold={asked.find((h) => h.id === view.waiting?.refusal.holdId)}
      onHold={setHold}
    />
  )
  const cutting = current?.cut !== undefined || then.next?.cut !== undefined || view.next?.cut !== undefined
  return (
    <div
      className="mx-auto grid max-w-[1500px] gap-3 lg:grid-cols-[minmax(0,1fr)_24rem]"
      data-seq={run.state.seq}
      data-status={core.status}
    >
      <div className="min-w-0 space-y-3">
        {lateAlerts.length > 0 && (
          <Alert className="p-3 text-2xl font-bold">
            ■ Alert entered after the tray was signed: {lateAlerts.map((a) => alertWords[a]).join('; ')}. This plan was
            laid up without it; the dentist decides how to go on.
          </Alert>
        )}
        <div className="rounded-lg bg-sheet px-2 py-1">
          <Score
            score={score}
            people={plan.people}
            core={core}
            playheadS={playheadS}
            height={100}
            label={`Score of the visit; ${doneSteps.size} of ${plan.steps.length} steps done`}
          />
        </div>
        {run.refusals.length > 0 && (
          <div
            role="alert"
            data-refused=""
            className="rounded-md border-2 border-alarm bg-alarm-wash p-3 text-xl text-alarm"
          >
            <p className="font-bold">What was touched here while the server was not heard, and was not taken:</p>
            <ul className="list-inside list-disc">
              {run.refusals.map((r) => (
                <li key={r.words + r.why}>
                  {r.words}: {r.why}
                </li>
              ))}
            </ul>
            <Button className="mt-2" onClick={run.forget}>
              I have seen it
            </Button>
          </div>
        )}
        <CueLine called={called} />
        <Incoming plan={plan} run={run} personId={person.id} onSeen={seen} />
        {dentistView && asked.length > 0 && holds}
        {card}
        {cutting && <BurStrip passes={plan.burs} {...(current ? { nowStep: current.id } : {})} doneSteps={doneSteps} />}
      </div>
      <div className="space-y-3">
        {clocks.length > 0 && (
          <ul aria-label="Clocks" className="space-y-2">
            {clocks.map((c) => (
              <ClockRing key={c.linkId} clock={c} />
            ))}
          </ul>
        )}
        {!(dentistView && asked.length > 0) && holds}
        {measured && (
          <section aria-label="Readings" className="flex flex-wrap items-center gap-3 rounded-lg bg-sheet p-3">
            <Button big onClick={() => setBox('measure')}>
              Take readings <span className="text-base font-normal">m</span>
            </Button>
            {/* What the dentist is asked about stands with its evidence already. */}
            {!(dentistView && asked.some((h) => h.stepId === measured.id)) && (
              <Readings core={core} stepId={measured.id} />
            )}
          </section>
        )}
        <LightLine plan={plan} core={core} current={front} />
        {counts}
        <div className="flex flex-wrap gap-2">
          <Button
            tone="quiet"
            onClick={() => void answer(run.send({ kind: 'undo' }))}
            disabled={!run.state.past || run.sending === 'yes'}
          >
            <Undo2 aria-hidden="true" /> Undo
          </Button>
          <Button tone="quiet" onClick={() => setBox('skip')} disabled={core.status !== 'running'}>
            Leave a step out
          </Button>
          <Button tone="quiet" onClick={() => setBox('note')} disabled={core.status !== 'running'}>
            Note
          </Button>
          <Button tone="quiet" onClick={() => setBox('worked')}>
            How is this worked out?
          </Button>
          <Button tone="quiet" onClick={() => setBox('keys')}>
            <Keyboard aria-hidden="true" /> Keys
          </Button>
          <ButtonLink to={`/visits/${visitId}/wall`} target="_blank" tone="quiet">
            Wall
          </ButtonLink>
          {core.status !== 'laid up' && (
            <ButtonLink to={`/visits/${visitId}/close`} className="ml-auto">
              Close the visit
            </ButtonLink>
          )}
        </div>
        <Outgoing plan={plan} run={run} dentistView={dentistView} onCall={call} />
        <p data-present="" className="text-soft">
          Here: {run.present.map((p) => p.name).join(', ')}
        </p>
        <SoundPick />
        <SwitchPerson people={plan.people} now={person.id} />
      </div>
      {missed && core.status === 'running' && !modal && (
        <WindowBox key={missed.linkId} clock={missed} plan={plan} run={run} />
      )}
      {hold && <HoldBox hold={hold} plan={plan} run={run} onClose={() => setHold(undefined)} />}
      {box === 'measure' && measured && (
        <MeasureBox plan={plan} at={measured} run={run} onClose={() => setBox(undefined)} />
      )}
      {box === 'note' && <NoteBox run={run} onClose={() => setBox(undefined)} />}
      {box === 'skip' && (
        <SkipBox
          run={run}
          steps={[
            ...(current ? [current] : []),
            ...view.running.filter((s) => s !== current),
            ...(view.next ? [view.next] : []),
            ...view.later,
          ]}
          onClose={() => setBox(undefined)}
        />
      )}
      {box === 'worked' && front && <WorkedBox step={front} links={plan.links} onClose={() => setBox(undefined)} />}
      {box === 'keys' && <Keys onClose={() => setBox(undefined)} />}
    </div>
  )
}
