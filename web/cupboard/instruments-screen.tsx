/** Cassettes as they stand, sterilisers with what they run, and the loads behind them. */
import { LetBack } from './let-back'
import { capital } from '../../core/words'
import { among } from '../../core/sure'
import { useState } from 'react'
import {
  cassetteTypes,
  cycleMin,
  cycleNames,
  cycleTable,
  sporeReason,
  type CassetteType,
  type Instruments,
  type Steriliser,
} from '../../core/practice/instruments'
import type { Practice } from '../../core/practice/practice'
import { plainDate } from '../../core/clock'
import type { CassetteState, CassetteStatus } from '../../core/schedule/cassettes'
import { useLive } from '../app/live'
import { usePractice, useRefresh } from '../app/queries'
import { Modal } from '../parts/modal'
import { Button, Check, Failed, Loading, Mark, Panel } from '../parts/ui'
import { clockTime } from '../parts/words'
import { CupboardHead } from './head'
import { useAct, useInstruments, type Act } from './instruments-data'
import type { InstrumentsView } from '../../wire/instruments'
import { Loads, whenWords } from './loads'

const looks: Record<CassetteStatus, { shape: string; tone: string }> = {
  sterile: { shape: '✓', tone: 'border-jade' },
  'laid up': { shape: '●', tone: 'border-ink' },
  soiled: { shape: '○', tone: 'border-dashed border-line' },
  'in the steriliser': { shape: '▶', tone: 'border-ink' },
  'to be released': { shape: '◆', tone: 'border-brass bg-brass-wash' },
  'pulled back': { shape: '■', tone: 'border-alarm bg-alarm-wash' },
  'not on record': { shape: '?', tone: 'border-dashed border-line' },
}

function Cassettes({ view, practice, act }: { view: InstrumentsView; practice: Practice; act: Act }) {
  const [type, setType] = useState<CassetteType>('basic')
  const visit = new Map(view.visits.map((v) => [v.id, v.patient]))
  const own = cassetteTypes.filter((t) => view.states.some((s) => s.cassette.type === t))
  const add = (): void => {
    const numbers = view.instruments.cassettes
      .filter((c) => c.type === type)
      .map((c) => Number(/\d+$/.exec(c.id)?.[0] ?? 0))
    const n = Math.max(0, ...numbers) + 1
    act.mutate({
      path: '/instruments',
      method: 'PUT',
      body: {
        ...view.instruments,
        saw: view.instruments,
        cassettes: [...view.instruments.cassettes, { id: `${type}-${n}`, type, name: `${capital(type)} ${n}` }],
      },
    })
  }
  return (
    <Panel
      title="Cassettes"
      aside={
        <span className="flex items-center gap-2">
          <select
            aria-label="Type of the new cassette"
            className="h-12 rounded-md border-2 border-line bg-sheet px-2"
            value={type}
            onChange={(e) => setType(among(cassetteTypes, e.target.value) ?? type)}
          >
            {cassetteTypes.map((t) => (
              <option key={t}>{t}</option>
            ))}
          </select>
          <Button onClick={add}>Add one</Button>
        </span>
      }
    >
      {own.length === 0 && (
        <p className="text-soft">None on record. Add them by type; the day then says whether they suffice.</p>
      )}
      {own.map((t) => {
        const states = view.states.filter((s) => s.cassette.type === t)
        return (
          <div key={t} className="mb-2">
            <h3 className="font-bold">
              {t}{' '}
              <span className="num font-normal text-soft">
                {states.filter((s) => s.status === 'sterile').length} of {states.length} sterile
              </span>
            </h3>
            <ul className="flex flex-wrap gap-1.5">
              {states.map((s) => (
                <li
                  key={s.cassette.id}
                  data-cassette={s.cassette.id}
                  data-status={s.status}
                  className={`min-w-36 rounded-md border-2 px-2 py-1 leading-tight ${looks[s.change ? 'pulled back' : s.status].tone}`}
                >
                  <strong>{s.cassette.name}</strong>{' '}
                  {s.load && <span className="num text-base text-soft">№ {s.load.number}</span>}
                  <span className="block text-base">
                    <span aria-hidden="true">{looks[s.change ? 'pulled back' : s.status].shape}</span>{' '}
                    {s.change ? 'change it: ' : ''}
                    {s.status}
                    {s.since !== undefined && (s.status === 'soiled' || s.status === 'laid up') && (
                      <span className="num"> {whenWords(s.since, view.now, practice.zone)}</span>
                    )}
                  </span>
                  {s.visitId && s.status === 'laid up' && (
                    <span className="block text-base text-soft">{visit.get(s.visitId)}</span>
                  )}
                </li>
              ))}
            </ul>
          </div>
        )
      })}
    </Panel>
  )
}

function StartLoad({
  steriliser,
  view,
  act,
  onClose,
}: {
  steriliser: Steriliser
  view: InstrumentsView
  act: Act
  onClose: () => void
}) {
  const here = view.states
    .filter((s) => ['soiled', 'pulled back', 'not on record'].includes(s.status))
    .toSorted((a, b) => (a.since ?? 0) - (b.since ?? 0))
  const [inIt, setInIt] = useState<string[]>(() => here.slice(0, steriliser.capacity).map((s) => s.cassette.id))
  const due = view.sporeDue[steriliser.id]
  const [spore, setSpore] = useState(due === null || due === undefined || due <= view.now)
  const toggle = (s: CassetteState, on: boolean): void =>
    setInIt(on ? [...inIt, s.cassette.id] : inIt.filter((id) => id !== s.cassette.id))
  return (
    <Modal open onClose={onClose} title={`A load in ${steriliser.name}`}>
      <div className="space-y-3">
        <p>
          {cycleTable[steriliser.cycle].name}, about <span className="num">{cycleMin(steriliser)}</span> min. Washed,
          packed, with an indicator inside each: <span className="num">{inIt.length}</span> of {steriliser.capacity}{' '}
          places.
        </p>
        {here.length === 0 && <Mark kind="mind">nothing is soiled</Mark>}
        <div className="grid grid-cols-2 gap-1.5">
          {here.map((s) => (
            <Check
              key={s.cassette.id}
              label={`${s.cassette.name} (${s.status})`}
              checked={inIt.includes(s.cassette.id)}
              disabled={!inIt.includes(s.cassette.id) && inIt.length >= steriliser.capacity}
              onChange={(on) => toggle(s, on)}
            />
          ))}
        </div>
        <Check label="A spore test runs in it" checked={spore} onChange={setSpore} />
        <Button
          big
          tone="jade"
          className="w-full"
          disabled={inIt.length === 0 || act.isPending}
          onClick={() =>
            act.mutate(
              { path: '/loads', body: { steriliserId: steriliser.id, cassetteIds: inIt, spore } },
              { onSuccess: onClose },
            )
          }
        >
          Start it
        </Button>
      </div>
    </Modal>
  )
}

function AddSteriliser({ instruments, act }: { instruments: Instruments; act: Act }) {
  const n = instruments.sterilisers.length + 1
  const add = (): void =>
    act.mutate({
      path: '/instruments',
      method: 'PUT',
      body: {
        ...instruments,
        saw: instruments,
        sterilisers: [
          ...instruments.sterilisers,
          { id: `steriliser-${n}`, name: `Steriliser ${n}`, capacity: 6, cycle: 'pre-vacuum 132' },
        ],
      },
    })
  return <Button onClick={add}>Add a steriliser</Button>
}

function Sterilisers({ view, practice, act }: { view: InstrumentsView; practice: Practice; act: Act }) {
  const [loading, setLoading] = useState<Steriliser>()
  const { zone } = practice
  const change = (id: string, part: Partial<Steriliser>): void =>
    act.mutate({
      path: '/instruments',
      method: 'PUT',
      body: {
        ...view.instruments,
        saw: view.instruments,
        sterilisers: view.instruments.sterilisers.map((s) => (s.id === id ? { ...s, ...part } : s)),
      },
    })
  return (
    <Panel title="Sterilisers" aside={<AddSteriliser instruments={view.instruments} act={act} />}>
      <ul className="divide-y-2 divide-line">
        {view.instruments.sterilisers.map((s) => {
          const running = view.loads.find((l) => l.steriliserId === s.id && l.endedAt === null)
          const due = view.sporeDue[s.id]
          const overdue = due === null || due === undefined || due <= view.now
          return (
            <li key={s.id} data-steriliser={s.id} className="space-y-1 py-2">
              <div className="flex flex-wrap items-center gap-2">
                <strong className="text-lg">{s.name}</strong>
                {view.outOfService.includes(s.id) && <Mark kind="stop">out of service: its spore test has grown</Mark>}
                {running ? (
                  <Mark kind="mind">
                    load {running.number} runs, until about{' '}
                    <span className="num">{clockTime(running.startedAt + cycleMin(s) * 60_000, zone)}</span>
                  </Mark>
                ) : (
                  <Button className="ml-auto" tone="jade" onClick={() => setLoading(s)}>
                    Start a load
                  </Button>
                )}
              </div>
              {view.outOfService.includes(s.id) && <LetBack steriliser={s} act={act} />}
              <div className="flex flex-wrap items-center gap-2 text-base">
                <select
                  aria-label={`Cycle of ${s.name}`}
                  className="h-12 rounded-md border-2 border-line bg-sheet px-2"
                  value={s.cycle}
                  onChange={(e) => change(s.id, { cycle: among(cycleNames, e.target.value) ?? s.cycle })}
                >
                  {cycleNames.map((c) => (
                    <option key={c} value={c}>
                      {cycleTable[c].name}
                    </option>
                  ))}
                </select>
                <label className="flex items-center gap-2">
                  holds
                  <input
                    aria-label={`Cassettes ${s.name} holds`}
                    className="num h-12 w-16 rounded-md border-2 border-line bg-sheet px-2"
                    inputMode="numeric"
                    key={s.capacity}
                    defaultValue={s.capacity}
                    onBlur={(e) => {
                      const n = Number(e.target.value)
                      if (Number.isInteger(n) && n > 0 && n <= 60 && n !== s.capacity) change(s.id, { capacity: n })
                      else e.target.value = String(s.capacity)
                    }}
                  />
                </label>
                <Mark kind={overdue ? 'ask' : 'good'}>
                  {due === null || due === undefined ? (
                    'no spore test on record'
                  ) : (
                    <>
                      spore test {overdue ? 'was due' : 'due'} {plainDate(due, zone)}
                    </>
                  )}
                </Mark>
              </div>
            </li>
          )
        })}
      </ul>
      <p className="mt-2 text-base text-soft">
        {sporeReason.text} ({sporeReason.source}). The device’s own papers and local rules come before what stands here.
      </p>
      {loading && <StartLoad steriliser={loading} view={view} act={act} onClose={() => setLoading(undefined)} />}
    </Panel>
  )
}

export default function InstrumentsScreen() {
  const query = useInstruments()
  const practice = usePractice()
  const refresh = useRefresh()
  const act = useAct()
  useLive(undefined, { opened: () => void refresh.client.invalidateQueries({ queryKey: ['instruments'] }) })
  if (query.isPending || practice.isPending) return <Loading what="Opening the cupboard" />
  if (query.isError) return <Failed error={query.error} again={() => void query.refetch()} />
  if (practice.isError) return <Failed error={practice.error} again={() => void practice.refetch()} />
  return (
    <div className="mx-auto max-w-[1400px] space-y-3">
      <CupboardHead />
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <div className="space-y-3">
          <Sterilisers view={query.data} practice={practice.data} act={act} />
          <Cassettes view={query.data} practice={practice.data} act={act} />
        </div>
        <Loads view={query.data} practice={practice.data} act={act} />
      </div>
    </div>
  )
}
