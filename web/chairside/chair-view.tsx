import { AlertStrip } from '../parts/alert-strip'
import { Keyboard, Undo2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { plainDate } from '../../core/clock'
import type { Hold, Plan } from '../../core/model/plan'
import type { Step } from '../../core/model/step'
import type { RunCore } from '../../core/run/state'
import { layOut } from '../../core/schedule/timeline'
import type { Person } from '../../wire/people'
import { useNow } from '../app/live'
import type { VisitAndPlan } from '../app/plan'
import type { Run } from '../app/run'
import { BurStrip } from '../parts/bur-strip'
import { ClockRing } from '../parts/clock-ring'
import { LanesInFront } from '../parts/lanes'
import { Readings } from '../parts/readings'
import { Score } from '../parts/score'
import { Alert, Button, ButtonLink, Mark } from '../parts/ui'
import { clockTime } from '../parts/words'
import { Incoming, Outgoing } from './calls'
import { boxIsOver, ChairBoxes, type ChairBox } from './chair-boxes'
import { SoundPick, useClockSounds } from './clock-sounds'
import { Counts } from './counts'
import { CueLine } from './cues'
import { Holds } from './holds'
import { useChairKeys } from './keys'
import { LedgerLine } from './ledger-line'
import { LightLine } from './light-line'
import { cordsAsking } from '../../core/run/cords'
import { CordsOver } from './cords-over'
import { Matters } from './matters'
import { NowCard } from './now-card'
import { useSeen } from './seen'
import { sightOf, type Sight } from './sight'
import { SwitchPerson } from './switch-person'
import { touchesOf } from './touches'

/** What waited on this device and was then not taken. */
function Refusals({ run }: { run: Run }) {
  if (run.refusals.length === 0) return null
  return (
    <Alert data-refused="" className="p-3 text-xl">
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
    </Alert>
  )
}

function ReadingsLine({
  sight,
  plan,
  core,
  shown,
  onMeasure,
}: {
  sight: Sight
  plan: Plan
  core: RunCore
  shown: boolean
  onMeasure: () => void
}) {
  if (!sight.measured) return null
  return (
    <section aria-label="Readings" className="flex flex-wrap items-center gap-3 rounded-lg bg-sheet p-3">
      <Button big onClick={onMeasure}>
        Take readings <span className="text-base font-normal">m</span>
      </Button>
      {shown && <Readings plan={plan} core={core} stepId={sight.measured.id} />}
    </section>
  )
}

/** The quieter things that can be done at any time. */
function MoreToDo({
  visitId,
  run,
  front,
  open,
  undo,
}: {
  visitId: string
  run: Run
  front: Step | undefined
  open: (box: ChairBox) => void
  undo: () => void
}) {
  const { status } = run.state.core
  return (
    <div className="flex flex-wrap gap-2">
      <Button tone="quiet" onClick={undo} disabled={!run.state.past || run.sending === 'yes'}>
        <Undo2 aria-hidden="true" /> Undo
      </Button>
      <Button tone="quiet" onClick={() => open({ box: 'skip' })} disabled={status !== 'running'}>
        Leave a step out
      </Button>
      <Button tone="quiet" onClick={() => open({ box: 'note' })} disabled={status !== 'running'}>
        Note
      </Button>
      <Button tone="quiet" onClick={() => front && open({ box: 'worked', step: front })} disabled={!front}>
        How is this worked out?
      </Button>
      <Button tone="quiet" onClick={() => open({ box: 'keys' })}>
        <Keyboard aria-hidden="true" /> Keys
      </Button>
      <ButtonLink to={`/visits/${visitId}/wall`} target="_blank" tone="quiet">
        Wall
      </ButtonLink>
      {status !== 'laid up' && (
        <ButtonLink to={`/visits/${visitId}/close`} className="ml-auto">
          Close the visit
        </ButtonLink>
      )}
    </div>
  )
}

/** What was left open asks to be closed; it can as well be gone on with. */
function LeftSince({ at, now, zone }: { at: number | undefined; now: number; zone: string }) {
  if (at === undefined) return null
  const on = plainDate(at, zone)
  return (
    <p className="text-xl" data-left-since="">
      <Mark kind="ask">
        Left open: nothing was done since <span className="num">{clockTime(at, zone)}</span>
        {on === plainDate(now, zone) ? '' : ` on ${on}`}. Close the visit, or go on where it stands.
      </Mark>
    </p>
  )
}

/** A line of the score for each person and one for the mouth, px; fewer and the names lie over each other. */
const scoreHeight = (people: number): number => 44 + 19 * (people + 1)

function ScoreLine({ plan, core, sight }: { plan: Plan; core: RunCore; sight: Sight }) {
  const score = useMemo(() => layOut(plan), [plan])
  return (
    <div className="rounded-lg bg-sheet px-2 py-1">
      <Score
        score={score}
        people={plan.people}
        core={core}
        playheadS={sight.playheadS}
        height={scoreHeight(plan.people.length)}
        label={`Score of the visit; ${sight.done.size} of ${plan.steps.length} steps done`}
      />
    </div>
  )
}

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
  const { core } = run.state
  const now = useNow(250)
  const [focus, setFocus] = useState<string>()
  const [opened, setBox] = useState<ChairBox>()
  const box = opened && !boxIsOver(opened, core) ? opened : undefined
  const sight = sightOf(plan, run.state, person, now, focus)
  const { asked, current } = sight
  const { seen, page } = useSeen(`${core.status} ${current?.id ?? ''}`)
  const answer = (hold: Hold | undefined): void => setBox(hold && { box: 'hold', hold })
  const touches = touchesOf(
    plan,
    run,
    sight,
    { unfocus: () => setFocus(undefined), ask: answer, matter: (matter) => setBox({ box: 'matter', matter }) },
    seen,
  )
  useChairKeys(touches, sight, { free: box === undefined, running: core.status === 'running', open: setBox })
  useClockSounds(sight.clocks, core.status === 'running')
  const dentistView = person.roles.includes('dentist')
  const answersFirst = dentistView && asked.length > 0
  const holds = (
    <Holds plan={plan} core={core} asked={asked} onAnswer={answer} onSign={touches.sign} dentistView={dentistView} />
  )
  return (
    <div
      ref={page}
      className="mx-auto grid max-w-[1500px] gap-3 lg:grid-cols-[minmax(0,1fr)_24rem]"
      data-seq={run.state.seq}
      data-status={core.status}
    >
      <div className="min-w-0 space-y-3">
        <AlertStrip alerts={data.visit.request.alerts} />
        <Matters
          matters={run.state.matters}
          nameOf={(id) => data.practice.people.find((p) => p.id === id)?.name ?? id}
          zone={data.practice.zone}
          onAnswer={(matter) => setBox({ box: 'matter', matter })}
        />
        <CordsOver
          cords={cordsAsking(plan, core, core.cordsKept, now)}
          onOut={touches.cordOut}
          onStays={(cord) => setBox({ box: 'cord', cord })}
        />
        <LeftSince at={sight.leftSince} now={now} zone={data.practice.zone} />
        <ScoreLine plan={plan} core={core} sight={sight} />
        <Refusals run={run} />
        <CueLine called={sight.called} />
        {sight.lanes && <LanesInFront front={sight.lanes} />}
        <Incoming plan={plan} run={run} personId={person.id} onSeen={touches.seen} />
        {answersFirst && holds}
        <NowCard
          plan={plan}
          core={core}
          current={current}
          running={sight.view.running}
          outlook={current ? sight.afterwards : sight.view}
          sending={run.sending}
          waiting={run.waiting}
          onNext={core.status === 'laid up' ? touches.begin : touches.next}
          onFocus={setFocus}
          dentistView={dentistView}
          lastsS={sight.lastsS}
          waitingHold={sight.waitingHold}
          onHold={answer}
        />
        {sight.cutting && (
          <BurStrip passes={plan.burs} {...(current ? { nowStep: current.id } : {})} doneSteps={sight.done} />
        )}
      </div>
      <div className="space-y-3">
        {sight.clocks.length > 0 && (
          <ul aria-label="Clocks" className="space-y-2">
            {sight.clocks.map((c) => (
              <ClockRing key={c.linkId} clock={c} />
            ))}
          </ul>
        )}
        {!answersFirst && holds}
        <ReadingsLine
          plan={plan}
          sight={sight}
          core={core}
          // What the dentist is asked about stands with its evidence already.
          shown={!(dentistView && asked.some((h) => h.stepId === sight.measured?.id))}
          onMeasure={() => sight.measured && setBox({ box: 'measure', step: sight.measured })}
        />
        <LedgerLine
          plan={plan}
          core={core}
          onRead={(step) => setBox({ box: 'measure', step })}
          onMore={touches.injected}
        />
        <LightLine plan={plan} core={core} current={sight.front} />
        <Counts
          plan={plan}
          core={core}
          outNow={sight.out?.countId}
          onCount={touches.count}
          onLost={(count) => setBox({ box: 'lost', count })}
        />
        <MoreToDo visitId={visitId} run={run} front={sight.front} open={setBox} undo={touches.undo} />
        <Outgoing plan={plan} run={run} dentistView={dentistView} onCall={touches.call} />
        <p data-present="" className="text-soft">
          Here: {run.present.map((p) => p.name).join(', ')}
        </p>
        <SoundPick />
        <SwitchPerson people={plan.people} now={person.id} />
      </div>
      <ChairBoxes visitId={visitId} open={box} onClose={() => setBox(undefined)} plan={plan} run={run} sight={sight} />
    </div>
  )
}
