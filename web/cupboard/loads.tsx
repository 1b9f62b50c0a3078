/** Loads as they were run: readings, indicator, who let them out, and what a failed one has touched. */
import { among, keysOf } from '../../core/sure'
import { Undo2 } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import * as z from 'zod'
import { cycleTable } from '../../core/practice/instruments'
import type { Practice } from '../../core/practice/practice'
import { plainDate } from '../../core/clock'
import { Form, TextField, useSchemaForm } from '../parts/form'
import { Modal } from '../parts/modal'
import { Button, Mark, Panel, Pick } from '../parts/ui'
import { clockTime } from '../parts/words'
import type { Act } from './instruments-data'
import type { InstrumentsView, LoadView } from '../../wire/instruments'

const faultWords = {
  none: 'as it should',
  'too cold': 'too cold',
  'too short': 'held too short',
  'cut off': 'cut off half way',
  garbled: 'a broken line',
} as const

export function whenWords(at: number, now: number, zone: string): string {
  const [day, today] = [plainDate(at, zone), plainDate(now, zone)]
  return `${day === today ? '' : `${day} `}${clockTime(at, zone)}`
}

function Trace({ load, view, practice, act }: { load: LoadView; view: InstrumentsView; practice: Practice; act: Act }) {
  const { traced } = load
  if (!traced) return null
  const cassette = new Map(view.instruments.cassettes.map((c) => [c.id, c.name]))
  const visit = new Map(view.visits.map((v) => [v.id, v]))
  const visitLink = (id: string) => {
    const v = visit.get(id)
    return (
      <Link key={id} to={`/visits/${id}`} data-touched={id} className="font-bold underline">
        {v ? `${v.patient}, ${whenWords(v.startsAt, view.now, practice.zone)}` : id}
      </Link>
    )
  }
  return (
    <div className="mt-1 space-y-1 rounded-md border-2 border-alarm bg-alarm-wash p-2" data-trace={load.number}>
      <p>
        <strong>Pulled back</strong> {load.failedAt !== null && whenWords(load.failedAt, view.now, practice.zone)}:{' '}
        {load.failedWhy}
      </p>
      {traced.back.length > 0 && (
        <p>Off the shelf, to be run again: {traced.back.map((id) => cassette.get(id) ?? id).join(', ')}</p>
      )}
      {traced.laidUp.map((l) => (
        <p key={l.cassetteId}>
          <Mark kind="stop">change {cassette.get(l.cassetteId) ?? l.cassetteId} before it is used</Mark>{' '}
          {visitLink(l.visitId)}{' '}
          <Button
            aria-label={`${cassette.get(l.cassetteId) ?? l.cassetteId} is changed for another`}
            onClick={() =>
              act.mutate({ path: `/visits/${l.visitId}/cassettes/change`, body: { cassetteId: l.cassetteId } })
            }
          >
            It is changed
          </Button>
        </p>
      ))}
      {traced.visits.length > 0 ? (
        <p>
          Used for: {traced.visits.map((id, i) => [i > 0 ? '; ' : '', visitLink(id)])}. Tell the dentist, who decides
          what the patients are told; local rules say what is reported.
        </p>
      ) : (
        <p>No visit that is over was touched.</p>
      )}
    </div>
  )
}

const why = z.object({ why: z.string().trim().min(3, 'Say why: it stays on record.') })

function Why({ load, act, onClose }: { load: LoadView; act: Act; onClose: () => void }) {
  const form = useSchemaForm(why, { why: '' })
  return (
    <Modal open onClose={onClose} title={`Pull load ${load.number} back`}>
      <Form
        form={form}
        tone="alarm"
        submit="Pull it back"
        onSend={(body) => act.mutateAsync({ path: `/loads/${load.id}/fail`, body }).then(onClose)}
      >
        <p>All its cassettes come off the shelf, and the visits they were used for are named. This stays on record.</p>
        <TextField form={form} name="why" label="Why" autoFocus />
      </Form>
    </Modal>
  )
}

const sporeWords = {
  'no growth': 'No growth: the steriliser did its work. Its loads stay as they are.',
  growth:
    'Growth: the steriliser goes out of service, and every load of it since its last test without growth is pulled back, off the shelf and out of signed trays.',
} as const

/** Two answers that lie far apart: one is picked, what it does is read, then it is kept. */
function SporeTest({
  load,
  steriliser,
  act,
  onRead,
  onClose,
}: {
  load: LoadView
  steriliser: string
  act: Act
  onRead: () => void
  onClose: () => void
}) {
  const [result, setResult] = useState<keyof typeof sporeWords | null>(null)
  return (
    <Modal open onClose={onClose} title={`Spore test of load ${load.number}, ${steriliser}`}>
      <div className="space-y-3">
        <Pick
          label="What the test shows"
          value={result}
          onPick={setResult}
          options={keysOf(sporeWords).map((value) => ({ value, label: value }))}
        />
        {result && <p className="text-lg">{sporeWords[result]}</p>}
        <Button
          big
          tone={result === 'growth' ? 'alarm' : 'jade'}
          className="w-full"
          disabled={result === null || act.isPending}
          onClick={() =>
            void act
              .mutateAsync({ path: `/loads/${load.id}/spore`, body: { result } })
              .then(() => {
                onRead()
                onClose()
              })
              .catch(() => undefined)
          }
        >
          {result === null ? 'Pick what it shows' : `Keep: ${result}`}
        </Button>
      </div>
    </Modal>
  )
}

/** A spore test that waits to be read; read on this screen it can be taken back here, as long as nothing has followed. */
function Spores({ load, steriliser, act }: { load: LoadView; steriliser: string; act: Act }) {
  const [reading, setReading] = useState(false)
  const [readHere, setReadHere] = useState(false)
  return (
    <>
      {load.spore && load.endedAt !== null && load.sporeResult === null && (
        <Button aria-label={`Read the spore test of load ${load.number}`} onClick={() => setReading(true)}>
          Read the spore test
        </Button>
      )}
      {readHere && load.sporeResult !== null && (
        <Button
          tone="quiet"
          aria-label={`Take back how the spore test of load ${load.number} was read`}
          onClick={() =>
            void act
              .mutateAsync({ path: `/loads/${load.id}/spore`, method: 'DELETE' })
              .then(() => setReadHere(false))
              .catch(() => undefined)
          }
        >
          <Undo2 aria-hidden="true" /> Read wrongly: take it back
        </Button>
      )}
      {reading && (
        <SporeTest
          load={load}
          steriliser={steriliser}
          act={act}
          onRead={() => setReadHere(true)}
          onClose={() => setReading(false)}
        />
      )}
    </>
  )
}

function Running({ load, view, act }: { load: LoadView; view: InstrumentsView; act: Act }) {
  const [fault, setFault] = useState<keyof typeof faultWords>('none')
  if (!view.simulated) return <p className="text-soft">waiting for the steriliser’s log</p>
  return (
    <span className="flex flex-wrap items-center gap-2">
      <label className="flex items-center gap-2 text-soft">
        simulated log
        <select
          className="h-12 rounded-md border-2 border-line bg-sheet px-2 text-ink"
          value={fault}
          onChange={(e) => setFault(among(keysOf(faultWords), e.target.value) ?? fault)}
        >
          {Object.entries(faultWords).map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <Button onClick={() => act.mutate({ path: `/standins/steriliser/${load.id}`, body: { fault } })}>It ends</Button>
    </span>
  )
}

function LetOut({ load, act }: { load: LoadView; act: Act }) {
  const [byHand, setByHand] = useState('')
  const bad = load.judgement && !load.judgement.good
  const release = (indicator: 'changed' | 'not changed'): void =>
    act.mutate({
      path: `/loads/${load.id}/release`,
      body: { indicator, ...(byHand.trim().length >= 3 ? { byHand } : {}) },
    })
  return (
    <span className="flex flex-wrap items-center gap-2">
      {!load.judgement && (
        <input
          aria-label={`What the display or strip of load ${load.number} shows`}
          placeholder="display or strip shows …"
          className="h-12 w-56 rounded-md border-2 border-line bg-sheet px-2"
          value={byHand}
          onChange={(e) => setByHand(e.target.value)}
        />
      )}
      {!bad && (
        <Button tone="jade" disabled={!load.judgement && byHand.trim().length < 3} onClick={() => release('changed')}>
          Indicator changed: let out
        </Button>
      )}
      <Button onClick={() => release('not changed')}>Indicator not changed</Button>
    </span>
  )
}

function LoadRow({
  load,
  view,
  practice,
  act,
}: {
  load: LoadView
  view: InstrumentsView
  practice: Practice
  act: Act
}) {
  const [pulling, setPulling] = useState(false)
  const name = (id: string | null): string => practice.people.find((p) => p.id === id)?.name ?? 'somebody'
  const cassette = new Map(view.instruments.cassettes.map((c) => [c.id, c.name]))
  const steriliser = view.instruments.sterilisers.find((s) => s.id === load.steriliserId)?.name ?? load.steriliserId
  const open = load.failedAt === null && load.releasedAt === null
  return (
    <li data-load={load.number} className="py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <strong className="num text-lg">№ {load.number}</strong>
        <span className="num">
          {whenWords(load.startedAt, view.now, practice.zone)}
          {load.endedAt !== null && `–${clockTime(load.endedAt, practice.zone)}`}
        </span>
        <span>
          {steriliser}, {cycleTable[load.cycle].name}
        </span>
        {load.failedAt !== null && <Mark kind="stop">pulled back</Mark>}
        {load.releasedAt !== null && load.failedAt === null && (
          <Mark kind="good">
            let out {clockTime(load.releasedAt, practice.zone)} by {name(load.releasedBy)}
          </Mark>
        )}
        {open && load.endedAt === null && <Mark kind="mind">running</Mark>}
        {open && load.endedAt !== null && <Mark kind="ask">to be let out</Mark>}
        {load.failedAt === null && (
          <Button
            tone="quiet"
            className="ml-auto"
            aria-label={`Pull load ${load.number} back`}
            onClick={() => setPulling(true)}
          >
            Pull back
          </Button>
        )}
      </div>
      <p className="text-base text-soft">
        {load.judgement && `${load.judgement.because.text}. `}
        {load.logFault && `${load.logFault}. `}
        {load.indicator && `Indicator ${load.indicator}. `}
        {load.cassetteIds.map((id) => cassette.get(id) ?? id).join(', ')}
      </p>
      {load.judgement && !load.judgement.good && <Mark kind="stop">not hot enough for long enough: not let out</Mark>}
      <div className="flex flex-wrap items-center gap-2">
        {open && load.endedAt === null && <Running load={load} view={view} act={act} />}
        {open && load.endedAt !== null && <LetOut load={load} act={act} />}
        <Spores load={load} steriliser={steriliser} act={act} />
        {load.sporeResult !== null && (
          <Mark kind={load.sporeResult === 'growth' ? 'stop' : 'good'}>spore test: {load.sporeResult}</Mark>
        )}
      </div>
      {load.failedAt !== null && <Trace load={load} view={view} practice={practice} act={act} />}
      {pulling && <Why load={load} act={act} onClose={() => setPulling(false)} />}
    </li>
  )
}

export function Loads({ view, practice, act }: { view: InstrumentsView; practice: Practice; act: Act }) {
  return (
    <Panel title="Loads">
      {view.loads.length === 0 && (
        <p className="text-soft">No load is on record yet. Start one and its cassettes are followed from there.</p>
      )}
      <ul className="divide-y-2 divide-line">
        {view.loads.map((l) => (
          <LoadRow key={l.id} load={l} view={view} practice={practice} act={act} />
        ))}
      </ul>
    </Panel>
  )
}
