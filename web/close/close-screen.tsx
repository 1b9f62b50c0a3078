/** Close: what still stands open, then the record and what the patient is told. */
import { AlertStrip } from '../parts/alert-strip'
import { sure } from '../../core/sure'
import { ClipboardCopy, Printer } from 'lucide-react'
import { useState } from 'react'
import { useParams } from 'react-router'
import { toast } from 'sonner'
import { noteText } from '../../core/record/note'
import type { Count, Hold } from '../../core/model/plan'
import { openAtClose } from '../../core/run/decide'
import { useVisitPlan, type VisitAndPlan } from '../app/plan'
import { useRecord, useRefresh } from '../app/queries'
import { useRun, type Run } from '../app/run'
import { usePerson } from '../app/person'
import { AsItWent } from './as-it-went'
import { Counts } from '../chairside/counts'
import { NoteBox, SkipBox } from '../chairside/boxes'
import { HoldBox } from '../parts/hold-box'
import { Button, Failed, Loading, Mark, Panel, Alert, ButtonLink } from '../parts/ui'
import { LostBox } from '../chairside/lost-box'

function Note({ visitId, seq }: { visitId: string; seq: number }) {
  const record = useRecord(visitId)
  const [at, setAt] = useState(seq)
  if (at !== seq) {
    setAt(seq)
    void record.refetch()
  }
  if (record.isPending) return <Loading what="Composing the note" />
  if (record.isError) return <Failed error={record.error} again={() => void record.refetch()} />
  const { note, closedAt } = record.data
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(noteText(note))
      toast.success('The note is on the clipboard.')
    } catch {
      // Over plain http there is no clipboard: the text is selected instead.
      getSelection()?.selectAllChildren(sure(document.getElementById('note')))
      toast('Marked: copy it with Ctrl C.')
    }
  }
  return (
    <div className="grid gap-3 xl:grid-cols-[minmax(0,1fr)_24rem]">
      <Panel
        labelled="Chart note"
        title="Chart note"
        aside={
          <span className="no-print flex gap-2">
            <Button tone="quiet" onClick={() => void copy()}>
              <ClipboardCopy aria-hidden="true" /> Copy
            </Button>
            <Button tone="quiet" onClick={() => window.print()}>
              <Printer aria-hidden="true" /> Print
            </Button>
          </span>
        }
      >
        <article id="note" className="space-y-3">
          <h3 className="text-xl font-bold">{note.title}</h3>
          {closedAt === null && <Mark kind="mind">as it reads now; it is kept when the visit is closed</Mark>}
          {note.sections.map((s) => (
            <section key={s.title}>
              <h4 className="font-bold">{s.title}</h4>
              <p className="max-w-[75ch]">{s.sentences.join(' ')}</p>
            </section>
          ))}
        </article>
      </Panel>
      <Panel title="Told to the patient" className="self-start">
        <ul className="list-disc space-y-2 pl-5">
          {note.instructions.map((i) => (
            <li key={i}>{i}</li>
          ))}
        </ul>
      </Panel>
    </div>
  )
}

function Standing({ data, run, visitId }: { data: VisitAndPlan; run: Run; visitId: string }) {
  const { plan } = data
  const core = run.state.core
  const [hold, setHold] = useState<Hold>()
  const [skipping, setSkipping] = useState(false)
  const [adding, setAdding] = useState(false)
  const [lost, setLost] = useState<Count>()
  const [refused, setRefused] = useState<string | null>(null)
  const refresh = useRefresh()
  const open = openAtClose(plan, core)
  const close = async (): Promise<void> => {
    const sent = await run.send({ kind: 'close' })
    setRefused(sent.ok ? null : sent.message)
    if (sent.ok) {
      refresh.visit(visitId)
      toast.success('The visit is closed; its record stands.')
    }
  }
  if (core.status === 'closed')
    return (
      <div className="flex flex-wrap items-center gap-3">
        <Mark kind="good">closed: counts agree, holds answered, the record kept</Mark>
        <Button tone="quiet" className="ml-auto" onClick={() => setAdding(true)}>
          Add to the record
        </Button>
        {adding && <NoteBox visitId={visitId} closed run={run} onClose={() => setAdding(false)} />}
      </div>
    )
  const holds = plan.holds.filter((h) => sure(core.holds[h.id]).status === 'open')
  return (
    <div className="grid gap-3 lg:grid-cols-3">
      <Counts
        plan={plan}
        core={core}
        onCount={(countId, direction, n) =>
          void run.send({ kind: 'count', countId, direction, n }).then((s) => setRefused(s.ok ? null : s.message))
        }
        onLost={setLost}
      />
      <Panel title="Unsigned">
        {holds.length === 0 ? <Mark kind="good">every hold is answered</Mark> : null}
        <ul className="space-y-2">
          {holds.map((h) => (
            <li key={h.id}>
              <Button className="w-full !justify-between text-left" data-hold={h.id} onClick={() => setHold(h)}>
                ‖ {h.title} <span className="font-normal">answer</span>
              </Button>
            </li>
          ))}
        </ul>
      </Panel>
      <Panel title="Steps" className="flex flex-col gap-2">
        {open.steps.length === 0 ? (
          <Mark kind="good">every step is done or left out with a reason</Mark>
        ) : (
          <>
            <p>
              <span className="num text-2xl font-bold">{open.steps.length}</span> neither done nor left out:{' '}
              {open.steps
                .slice(0, 3)
                .map((s) => s.title)
                .join('; ')}
              {open.steps.length > 3 ? ' …' : ''}
            </p>
            <div className="flex flex-wrap gap-2">
              <ButtonLink to={`/visits/${visitId}/chairside`}>Back to the chair</ButtonLink>
              <Button tone="quiet" onClick={() => setSkipping(true)}>
                Leave out
              </Button>
            </div>
          </>
        )}
        <Button
          big
          tone="jade"
          className="mt-auto w-full"
          disabled={run.sending !== 'no' || core.status !== 'running'}
          onClick={() => void close()}
        >
          Close the visit
        </Button>
        {refused && <Alert>{refused}</Alert>}
      </Panel>
      {hold && <HoldBox visitId={visitId} hold={hold} plan={plan} run={run} onClose={() => setHold(undefined)} />}
      {lost && <LostBox visitId={visitId} count={lost} plan={plan} run={run} onClose={() => setLost(undefined)} />}
      {skipping && <SkipBox visitId={visitId} run={run} steps={open.steps} onClose={() => setSkipping(false)} />}
    </div>
  )
}

function Body({ data, visitId }: { data: VisitAndPlan; visitId: string }) {
  const person = usePerson()
  const refresh = useRefresh()
  const run = useRun(visitId, data.plan, person, () => refresh.visit(visitId))
  if (!run) return <Loading what="Opening the run" />
  const { core } = run.state
  return (
    <div className="mx-auto max-w-[1400px] space-y-3">
      <div className="no-print space-y-3">
        <AlertStrip alerts={data.visit.request.alerts} />
        <Standing data={data} run={run} visitId={visitId} />
      </div>
      <Note visitId={visitId} seq={run.state.seq} />
      {core.status === 'closed' && core.closedAt !== undefined && (
        <div className="no-print">
          <AsItWent plan={data.plan} run={run.state} closedAt={core.closedAt} />
        </div>
      )}
    </div>
  )
}

export default function CloseScreen() {
  const visitId = sure(useParams()['visitId'])
  const { data, error, again } = useVisitPlan(visitId)
  if (error && !data) return <Failed error={error} again={again} />
  if (!data) return <Loading what="Opening the record" />
  if (!data.visit.frozen)
    return (
      <Panel title="Nothing to close yet" className="mx-auto mt-10 max-w-xl">
        The tray of this visit is not signed.
      </Panel>
    )
  return <Body data={data} visitId={visitId} />
}
