/** The case: what will be done, in a few decisions; at the side what follows from them, live. */
import { useMutation } from '@tanstack/react-query'
import { useDeferredValue, useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { toast } from 'sonner'
import { comparePlans, type Consequence } from '../../core/plan/compare'
import { compile } from '../../core/plan/compile'
import { alertWords, restorations, type Alert } from '../../core/plan/vocabulary'
import { visitRequest, type VisitRequest } from '../../core/plan/request'
import type { Plan } from '../../core/plan/types'
import { questions, type ChoiceName } from '../../core/practice/choices'
import type { Practice } from '../../core/practice/practice'
import { layOut } from '../../core/schedule/timeline'
import { neighbours } from '../../core/teeth/arch'
import { readTooth, toothName, writeBoth, type Notation, type Tooth } from '../../core/teeth/notation'
import { api, ApiProblem } from '../app/api'
import { useLive } from '../app/live'
import { useVisitPlan, type VisitAndPlan } from '../app/plan'
import { useRefresh } from '../app/queries'
import { Arch } from '../parts/arch'
import { Score } from '../parts/score'
import { WorkedOut } from './worked-out'
import { Check, Failed, Loading, Mark, Panel, Pick } from '../parts/ui'
import { minutes } from '../parts/words'

type Change = Partial<Omit<VisitRequest, 'kind' | 'date' | 'team' | 'swaps'>>

/** Tries a request without keeping it; what makes no plan answers why. */
function tryPlan(request: VisitRequest, change: Change, practice: Practice): Plan | string {
  const parsed = visitRequest.safeParse({ ...request, ...change })
  if (!parsed.success) return parsed.error.issues[0]!.message
  return compile(parsed.data, practice)
}

const some = (n: number, word: string): string => `${n} ${word}${Math.abs(n) === 1 ? '' : 's'}`
const signed = (n: number): string => (n > 0 ? `+${n}` : `−${Math.abs(n)}`)

/** '+2 items, −3 min, 1 hold more': the consequence of a choice in one line. */
export function inShort(c: Consequence): string {
  const items = c.itemsAdded.length - c.itemsRemoved.length
  const holds = c.holdsAdded.length - c.holdsRemoved.length
  const parts = [
    ...(c.chairMinutes !== 0 ? [`${signed(c.chairMinutes)} min`] : []),
    ...(c.dentistMinutes !== 0 ? [`dentist ${signed(c.dentistMinutes)} min`] : []),
    ...(c.itemsAdded.length + c.itemsRemoved.length > 0 ? [items === 0 ? `${some(c.itemsAdded.length, 'item')} exchanged` : `${signed(items)} item${Math.abs(items) === 1 ? '' : 's'}`] : []),
    ...(holds !== 0 ? [`${signed(holds)} hold${Math.abs(holds) === 1 ? '' : 's'}`] : []),
    ...c.clashesAdded.filter((x) => x.severity !== 'mind').map((x) => `◆ ${x.what}`),
  ]
  return parts.length > 0 ? parts.join(', ') : 'nothing changes'
}

/** A tooth typed in any notation; where two readings are possible it says which was taken, or asks. */
function ToothField({ notation, onTooth }: { notation: Notation; onTooth: (tooth: Tooth) => void }) {
  const [text, setText] = useState('')
  const take = (): void => {
    if (!text.trim()) return
    const reading = readTooth(text, notation)
    if (reading.kind === 'error') return void toast.error(reading.message)
    if (reading.kind === 'ambiguous') return void toast(`Which tooth? ISO ${reading.readings.map((r) => r.tooth).join(' or ISO ')}: write quadrant and number`)
    if (reading.also) toast(`Read as ${writeBoth(reading.tooth, notation)}; in the ${reading.also.notation} notation it would be ISO ${reading.also.tooth}`)
    onTooth(reading.tooth)
    setText('')
  }
  return <input aria-label="Tooth, in any notation" placeholder="tooth" value={text} onChange={(e) => setText(e.target.value)} onKeyDown={(e) => e.key === 'Enter' && take()} onBlur={take} className="num h-12 w-20 rounded-md border-2 border-line bg-sheet px-2" />
}

function Teeth({ data, change }: { data: VisitAndPlan; change: (c: Change) => void }) {
  const { request } = data.visit
  const [marking, setMarking] = useState<'prepare' | 'missing'>('prepare')
  const locked = data.visit.frozen !== null
  const beside = request.teeth.flatMap((t) => Object.values(neighbours(t, request.missing)).flatMap((n) => (n.tooth && !request.teeth.includes(n.tooth) ? [n.tooth] : [])))
  const pick = (tooth: Tooth): void => {
    if (marking === 'missing') {
      if (request.teeth.includes(tooth)) return void toast(`${tooth} is to be prepared; it cannot be missing`)
      change({ missing: request.missing.includes(tooth) ? request.missing.filter((t) => t !== tooth) : [...request.missing, tooth] })
    } else if (request.missing.includes(tooth)) toast(`${tooth} is recorded missing`)
    else change({ teeth: [tooth] })
  }
  return (
    <Panel labelled="Tooth" className="flex flex-col">
      <div className="flex items-start justify-between gap-3">
        <div>
          <p className="num text-3xl leading-none font-bold">{request.teeth.map((t) => writeBoth(t, data.practice.notation)).join(', ')}</p>
          <p>{request.teeth.map(toothName).join(', ')}</p>
        </div>
      </div>
      {!locked && (
        <div className="mt-1.5 flex items-center gap-1.5">
          <ToothField notation={data.practice.notation} onTooth={pick} />
          <Pick label="A touch on a tooth" value={marking} onPick={setMarking} options={[{ value: 'prepare', label: 'Prepare' }, { value: 'missing', label: 'Missing' }]} />
        </div>
      )}
      <div className="mx-auto w-full max-w-[26rem]">
        <Arch label="Both arches: pick the tooth" notation={data.practice.notation} teeth={request.teeth} missing={request.missing} neighbours={beside} {...(locked ? {} : { onTooth: pick })} />
      </div>
    </Panel>
  )
}

function Facts({ data, change, locked }: { data: VisitAndPlan; change: (c: Change) => void; locked: boolean }) {
  const r = data.visit.request
  return (
    <Panel labelled="What will be done" className="space-y-2.5">
      <Pick disabled={locked} label="Restoration" value={r.restoration} onPick={(restoration) => change({ restoration })} options={restorations.map((value) => ({ value, label: value.replace(' crown', '') }))} />
      <div className="flex flex-wrap gap-2.5">
        <Pick disabled={locked} label="Pulp" value={r.vital ? 'vital' : 'root-filled'} onPick={(v) => change({ vital: v === 'vital' })} options={[{ value: 'vital', label: 'Vital' }, { value: 'root-filled', label: 'Root-filled' }]} />
        <Pick disabled={locked} label="Margin" value={r.margin} onPick={(margin) => change({ margin })} options={[{ value: 'supragingival', label: 'Margin above' }, { value: 'equigingival', label: 'at' }, { value: 'subgingival', label: 'under the tissue' }]} />
      </div>
      <div className="flex flex-wrap gap-2.5">
        <Pick disabled={locked} label="Tissue" value={r.tissue.biotype} onPick={(biotype) => change({ tissue: { ...r.tissue, biotype } })} options={[{ value: 'thick', label: 'Thick tissue' }, { value: 'thin', label: 'thin' }]} />
        <Pick disabled={locked} label="Crevice" value={r.tissue.crevice} onPick={(crevice) => change({ tissue: { ...r.tissue, crevice } })} options={[{ value: 'narrow', label: 'Narrow' }, { value: 'normal', label: 'normal' }, { value: 'wide', label: 'wide crevice' }]} />
      </div>
      <div className="flex flex-wrap gap-2.5">
        <Check disabled={locked} label="Weeping" checked={r.tissue.weeping} onChange={(weeping) => change({ tissue: { ...r.tissue, weeping } })} />
        <Check disabled={locked} label="Crossbite" checked={r.crossbite} onChange={(crossbite) => change({ crossbite })} />
        <Pick disabled={locked} label="Cement at delivery" value={r.deliveryCement} onPick={(deliveryCement) => change({ deliveryCement })} options={[{ value: 'resin', label: 'Delivered with resin' }, { value: 'resin-modified glass ionomer', label: 'glass ionomer' }, { value: 'conventional', label: 'conventional' }]} />
      </div>
      <fieldset>
        <legend className="font-bold">Alerts</legend>
        <div className="flex flex-wrap gap-1.5">
          {(Object.keys(alertWords) as Alert[]).map((a) => (
            <Check key={a} disabled={locked} label={a} checked={r.alerts.includes(a)} onChange={(on) => change({ alerts: on ? [...r.alerts, a] : r.alerts.filter((x) => x !== a) })} />
          ))}
        </div>
      </fieldset>
    </Panel>
  )
}

function Schools({ data, change, locked }: { data: VisitAndPlan; change: (c: Change) => void; locked: boolean }) {
  const { request } = data.visit
  // The choice itself is painted first; what the other schools would change follows a moment later.
  const settled = useDeferredValue(data)
  const consequences = useMemo(() => {
    const lines = new Map<string, string>()
    if (locked) return lines
    const { plan, practice, visit } = settled
    for (const q of questions) {
      for (const s of q.schools) {
        if (s.value === plan.choices[q.name].value) continue
        const other = tryPlan(visit.request, { visitChoices: { ...visit.request.visitChoices, [q.name]: s.value } }, practice)
        lines.set(`${q.name}:${s.value}`, typeof other === 'string' ? other : inShort(comparePlans(plan, other)))
      }
    }
    return lines
  }, [settled, locked])
  const source = { default: 'the usual', card: 'dentist’s card', case: 'this case', visit: 'this visit' }
  return (
    <Panel title="The way it is done" aside={<span className="text-base text-soft">card, then case, then visit decides</span>} className="space-y-3">
      {questions.map((q) => {
        const chosen = data.plan.choices[q.name]
        return (
          <div key={q.name} data-question={q.name}>
            <p className="mb-1 flex items-baseline gap-2">
              <strong>{q.title}</strong>
              <span className="text-base text-soft">from {source[chosen.from]}</span>
              {chosen.from === 'visit' && !locked && (
                <button type="button" className="min-h-8 cursor-pointer text-base font-semibold text-jade underline" onClick={() => { const { [q.name]: _, ...rest } = request.visitChoices; change({ visitChoices: rest }) }}>
                  as before
                </button>
              )}
            </p>
            <Pick<string>
              even
              disabled={locked}
              label={q.title}
              value={chosen.value}
              onPick={(value) => change({ visitChoices: { ...request.visitChoices, [q.name as ChoiceName]: value } as VisitRequest['visitChoices'] })}
              options={q.schools.map((s) => ({ value: s.value, label: s.label, note: s.value === chosen.value ? s.note : (consequences.get(`${q.name}:${s.value}`) ?? s.note) }))}
            />
          </div>
        )
      })}
    </Panel>
  )
}

function Follows({ data }: { data: VisitAndPlan }) {
  const { plan } = data
  const score = useMemo(() => layOut(plan), [plan])
  const dentist = plan.people.find((p) => p.dentist)!
  const missed = score.brackets.filter((b) => b.missed)
  return (
    <Panel labelled="What follows" className="space-y-3">
      <dl className="grid grid-cols-4 gap-2 text-center" aria-label="Minutes in the chair, the dentist’s minutes, items, burs">
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
      <ul className="space-y-1.5" aria-label="Clashes">
        {plan.clashes.map((c) => (
          <li key={c.id} data-clash={c.id}>
            <Mark kind={c.severity}>
              <strong>{c.what}.</strong> {c.doThis[0]!.toUpperCase()}
              {c.doThis.slice(1)}. <span className="text-base opacity-80">({c.why})</span>
            </Mark>
          </li>
        ))}
        {plan.lacks.map((l) => (
          <li key={l}>
            <Mark kind="stop">{l}</Mark>
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
      {plan.absent.length > 0 && (
        <div>
          <h3 className="font-bold">Left out, and why</h3>
          <ul>
            {plan.absent.map((a) => (
              <li key={a.what}>
                {a.what}: {a.because.text}
              </li>
            ))}
          </ul>
        </div>
      )}
      <p className="text-base text-soft">Decision support: the treating dentist decides; licensed practice and local rules come first.</p>
    </Panel>
  )
}

export default function CaseScreen() {
  const visitId = useParams()['visitId']!
  const { data, error, again } = useVisitPlan(visitId)
  const refresh = useRefresh()
  useLive(visitId, { visit: () => refresh.visit(visitId), opened: () => refresh.visit(visitId) })
  const save = useMutation({
    // One after the other, so that two quick touches arrive in order.
    scope: { id: visitId },
    mutationFn: ({ change, version }: { change: Change; version: number }) => api<{ version: number }>(`/visits/${visitId}/request`, { method: 'PUT', body: { version, request: change } }),
    onError: (e) => {
      refresh.visit(visitId)
      toast.error(e instanceof ApiProblem ? e.message : 'not stored')
    },
  })
  if (error && !data) return <Failed error={error} again={again} />
  if (!data) return <Loading what="Opening the case" />
  const locked = data.visit.frozen !== null
  const change = (c: Change): void => {
    const tried = tryPlan(data.visit.request, c, data.practice)
    if (typeof tried === 'string') return void toast.error(tried)
    // The screen answers at once; the server stores it, or the old state comes back with the reason.
    const before = data.visit
    refresh.client.setQueryData(['visit', visitId], { ...before, version: before.version + 1, request: { ...before.request, ...c } })
    save.mutate({ change: c, version: before.version })
  }
  return (
    <div className="mx-auto grid max-w-[1400px] gap-3 lg:grid-cols-[minmax(0,1fr)_21.5rem]">
      <div className="min-w-0 space-y-3">
        {locked && (
          <p className="rounded-md border-2 border-jade bg-jade-wash p-3">
            The tray is signed and this plan is fixed. <Link to={`/visits/${visitId}/tray`} className="font-bold underline">Re-open the tray</Link> to change it.
          </p>
        )}
        <div className="grid gap-3 md:grid-cols-[20rem_minmax(0,1fr)]">
          <Teeth data={data} change={change} />
          <Facts data={data} change={change} locked={locked} />
        </div>
        <Schools data={data} change={change} locked={locked} />
        <Panel title="The score" aside={<span className="text-base text-soft">minutes from seating; double bar: the dentist signs; bracket: a window</span>}>
          <Score score={layOut(data.plan)} people={data.plan.people} label={`Score: ${data.plan.steps.map((s) => s.title).join(', ')}`} />
        </Panel>
        <WorkedOut plan={data.plan} />
      </div>
      <div className="space-y-3 self-start lg:sticky lg:top-3">
        <Follows data={data} />
        <Link to={`/visits/${visitId}/tray`} className="flex min-h-16 items-center justify-center rounded-md bg-jade text-2xl font-bold text-jade-ink">
          Lay up the tray
        </Link>
      </div>
    </div>
  )
}
