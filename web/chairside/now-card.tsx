import { sightInWords, tipInWords } from '../../core/measure/seats'
import { ChevronsRight } from 'lucide-react'
import type { Hold, Plan } from '../../core/model/plan'
import type { Step } from '../../core/model/step'
import { helperOf } from '../../core/practice/helps'
import type { Outlook } from '../../core/run/next'
import type { RunCore } from '../../core/run/state'
import type { Run } from '../app/run'
import { sheetOf } from '../../core/picture/sheet'
import { usePractice } from '../app/queries'
import { DamDrawing } from '../parts/dam-drawing'
import { SectionView } from '../parts/section-view'
import { Button, Mark } from '../parts/ui'
import { teethSaid } from '../../core/model/said'

const permissionWords = {
  yes: '',
  word: ', on the dentist’s word',
  sight: ', under the dentist’s direct sight',
  no: '',
}

function who(step: Step): string {
  return `${step.performer.name}${permissionWords[step.performer.permission]}`
}

function Pass({ step, first }: { step: Step; first: boolean }) {
  return (
    <li className={`rounded-md border-2 px-3 py-1 ${first ? 'border-ink' : 'border-line'}`}>
      <p className="text-[28px] leading-tight font-semibold">{step.title}</p>
      {step.passes.length > 0 && <p className="text-2xl leading-tight text-soft">pass: {step.passes.join(' · ')}</p>}
      {step.meanwhile && <p className="text-xl leading-tight text-soft">while {step.meanwhile}</p>}
    </li>
  )
}

export interface NowCardProps {
  plan: Plan
  core: RunCore
  current: Step | undefined
  running: Step[]
  /** As it will be once the current step is finished. */
  outlook: Outlook
  sending: Run['sending']
  waiting: number
  onNext: () => void
  onFocus: (stepId: string) => void
  dentistView: boolean
  /** Seconds before the step in front may be finished, where it has a time to last. */
  lastsS: number | undefined
  waitingHold: Hold | undefined
  onHold: (hold: Hold) => void
}

/** The step in front, with what is passed, what to mind and what often goes wrong. */
function Doing({ plan, step }: { plan: Plan; step: Step }) {
  return (
    <>
      <p data-now={step.id} className="text-5xl leading-tight font-bold text-balance">
        {step.title}
      </p>
      <p className="mt-1 text-[28px]">
        {who(step)}
        {step.seats && (
          <span className="text-xl text-soft" data-seats>
            {' '}
            {sightInWords(step.seats)}
          </span>
        )}
      </p>
      {step.help && (
        <p className="text-xl text-soft" data-help>
          {helperOf(plan, step)}: {step.help}
          {step.seats && `; ${tipInWords(step.seats)}`}
        </p>
      )}
      {step.alone && <p className="text-xl text-soft">A second pair of hands would be wanted</p>}
      {step.detail && <p className="mt-1 text-[28px] leading-snug">{step.detail}</p>}
      {step.passes.length > 0 && (
        <p className="mt-1 text-[28px] leading-snug">
          <span className="text-soft">pass: </span>
          {step.passes.join(' · ')}
        </p>
      )}
      {step.with.length > 0 && (
        <p className="mt-1 text-xl leading-snug" data-with>
          <span className="text-soft">with: </span>
          {step.with.join(' · ')}
        </p>
      )}
      <ul className="mt-2 space-y-1 text-xl">
        {step.cautions.map((c) => (
          <li key={c.text}>
            <Mark kind="ask">{c.text}</Mark>
          </li>
        ))}
        {step.mistakes.map((m) => (
          <li key={m}>
            <Mark kind="mind">often wrong: {m}</Mark>
          </li>
        ))}
      </ul>
    </>
  )
}

/** Between two steps: the one that can be started, or what is waited for. */
function Between({ outlook, waitingHold, onHold }: Pick<NowCardProps, 'outlook' | 'waitingHold' | 'onHold'>) {
  const { next, waiting } = outlook
  const says = waitingHold ? 'Waiting for the dentist' : waiting ? 'Waiting' : 'All steps are answered'
  return (
    <>
      {next && <p className="text-xl text-soft">Ready for the next step</p>}
      <p data-now="" className="text-5xl leading-tight font-bold text-balance">
        {next ? next.title : says}
      </p>
      {!next && waiting && (
        <p className="mt-1 text-[28px] leading-snug" data-wait={waiting.refusal.waitS}>
          {waiting.refusal.message}
        </p>
      )}
      {!next && waitingHold && (
        <Button big tone="jade" className="mt-3" onClick={() => onHold(waitingHold)}>
          Answer: {waitingHold.title}
        </Button>
      )}
    </>
  )
}

function ToBegin({ plan }: { plan: Plan }) {
  return (
    <>
      <p className="text-5xl leading-tight font-bold">Ready to begin</p>
      <p className="mt-1 text-[28px]">{plan.title}</p>
      <p className="num mt-1 text-5xl font-bold">{teethSaid(plan)}</p>
    </>
  )
}

/** The one large button, with what it will do. */
function Forward({
  core,
  current,
  outlook,
  sending,
  lastsS,
  onNext,
}: Pick<NowCardProps, 'core' | 'current' | 'outlook' | 'sending' | 'lastsS' | 'onNext'>) {
  const running = current ? (outlook.next ? 'Next' : 'Done') : outlook.next ? 'Start' : 'Next'
  return (
    <Button
      big
      tone="jade"
      className="min-h-28 w-44 flex-col"
      disabled={sending === 'yes' || (core.status === 'running' && !current && !outlook.next && !outlook.waiting)}
      onClick={onNext}
      data-next
      data-lasting={lastsS === undefined ? undefined : Math.ceil(lastsS)}
    >
      <ChevronsRight aria-hidden="true" className="size-9" />
      {core.status === 'laid up' ? 'Begin' : running}
      <span className="text-base font-normal">
        {core.status === 'laid up' ? (
          'b'
        ) : lastsS === undefined ? (
          'space'
        ) : (
          <>
            not before <span className="clock font-bold">{Math.ceil(lastsS)}</span> s
          </>
        )}
      </span>
    </Button>
  )
}

function SideBySide({ running, current, onFocus }: Pick<NowCardProps, 'running' | 'current' | 'onFocus'>) {
  if (running.length < 2) return null
  return (
    <div className="mt-3 flex flex-wrap gap-2" role="group" aria-label="Running side by side">
      {running.map((s) => (
        <Button
          key={s.id}
          tone={s.id === current?.id ? 'jade' : 'plain'}
          aria-pressed={s.id === current?.id}
          onClick={() => onFocus(s.id)}
        >
          {s.title}
        </Button>
      ))}
    </div>
  )
}

function Unsent({ waiting }: { waiting: number }) {
  return (
    <p role="status" className="mt-2 text-xl">
      <Mark kind="stop">
        {waiting === 1
          ? 'the last touch waits to be sent; it is not lost'
          : `${waiting} touches wait to be sent, in order; none is lost`}
      </Mark>
    </p>
  )
}

/** What is being done now, as large as the room needs it, and the next two passes. */
export function NowCard(props: NowCardProps) {
  const { plan, core, current, outlook, sending, waiting } = props
  const practice = usePractice()
  if (core.status === 'closed') {
    return (
      <section aria-label="Now" className="rounded-lg bg-sheet p-5">
        <p className="text-4xl font-bold">Closed</p>
        <p className="text-xl">The record stands.</p>
      </section>
    )
  }
  const sheet = current && sheetOf(current)
  // With nothing running the next step stands in front already.
  const upcoming = [...(outlook.next && current ? [outlook.next] : []), ...outlook.later].slice(0, 2)
  return (
    <section aria-label="Now" className="rounded-lg border-l-8 border-jade bg-sheet p-4">
      <div className="flex items-start justify-between gap-4">
        <div className="min-w-0 flex-1">
          {core.status === 'laid up' ? (
            <ToBegin plan={plan} />
          ) : current ? (
            <Doing plan={plan} step={current} />
          ) : (
            <Between {...props} />
          )}
        </div>
        <div className="flex flex-none flex-col items-end gap-2">
          <Forward {...props} />
          {current && <SectionView plan={plan} step={current} compact />}
          {sheet && (
            <DamDrawing template={sheet} notation={practice.data?.notation ?? 'iso'} width={272} caption={false} />
          )}
        </div>
      </div>
      {sending === 'waiting' && <Unsent waiting={waiting} />}
      <SideBySide {...props} />
      {core.status === 'running' && upcoming.length > 0 && (
        <>
          <p className="mt-1 mb-1 text-xl text-soft">then</p>
          <ol className="grid gap-2 md:grid-cols-2">
            {upcoming.map((s, i) => (
              <Pass key={s.id} step={s} first={i === 0} />
            ))}
          </ol>
        </>
      )}
    </section>
  )
}
