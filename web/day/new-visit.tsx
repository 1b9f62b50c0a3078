import { firstOf, messageOf } from '../../core/sure'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Practice } from '../../core/practice/practice'
import type { Restoration } from '../../core/vocabulary'
import {
  readTooth,
  toothName,
  writeBoth,
  type Notation,
  type Tooth,
  type ToothReading,
} from '../../core/teeth/notation'
import { kindFacts, type KindId } from '../../core/kinds'
import { api } from '../app/api'
import type { DayVisit } from '../../wire/day'
import { usePractice, useRefresh } from '../app/queries'
import { KindSelect } from '../parts/kind-select'
import { Button, Loading, Modal, Pick, wideField, Alert } from '../parts/ui'
import { clockTime } from '../parts/words'
import type { Prefill } from './calendar-box'

/** A further visit of a case that is there: its patient, teeth and team are known. */
export interface Follows {
  caseId: string
  patient: string
  kind: KindId
  teeth: readonly Tooth[]
  title: string
  team: { dentist: string; assistants: string[] }
}

/** Teeth typed one after the other, parted by spaces or commas, each in any notation. */
const readTeeth = (text: string, notation: Notation): ToothReading[] =>
  text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map((word) => readTooth(word, notation))
/** The teeth, where each was read; null where one was not. */
function teethOf(readings: readonly ToothReading[]): Tooth[] | null {
  const teeth = readings.flatMap((r) => (r.kind === 'ok' ? [r.tooth] : []))
  return teeth.length === readings.length ? teeth : null
}

function Readings({ readings, notation }: { readings: ToothReading[]; notation: Notation }) {
  return (
    <span className="block min-h-6 text-base" role="status">
      {readings.map((r, i) => (
        <span key={i} className="mr-2">
          {r.kind === 'ok' &&
            `${writeBoth(r.tooth, notation)}, ${toothName(r.tooth)}${r.also ? `; not ${r.also.tooth} (${r.also.notation})` : ''}`}
          {r.kind === 'ambiguous' &&
            `Which? ${r.readings.map((x) => `ISO ${x.tooth}`).join(' or ')}: write it as quadrant and number`}
          {r.kind === 'error' && r.message}
        </span>
      ))}
    </span>
  )
}

/** When a chair is free again after the visits it has, to the next five minutes; nine o'clock where it has none. */
function freeFrom(view: { visits?: DayVisit[]; zone?: string }, chairId: string): string {
  const own = view.visits?.filter((v) => v.chairId === chairId) ?? []
  if (own.length === 0 || !view.zone) return '09:00'
  const fiveMinutes = 300_000
  return clockTime(
    Math.ceil(Math.max(...own.map((v) => v.startsAt + v.score.totalS * 1000)) / fiveMinutes) * fiveMinutes,
    view.zone,
  )
}

/** Puts a visit into the day; everything else about it is decided on its Case screen. */
export function NewVisit({
  view,
  follows,
  prefill,
  onClose,
}: {
  view: { day: string; chairs: Practice['chairs']; notation: Notation; visits?: DayVisit[]; zone?: string }
  follows?: Follows
  prefill?: Prefill
  onClose: () => void
}) {
  const practice = usePractice()
  const refresh = useRefresh()
  const navigate = useNavigate()
  const [patientName, setPatientName] = useState(prefill?.patientName ?? '')
  const [day, setDay] = useState(view.day)
  const [chairId, setChairId] = useState(prefill?.chairId ?? firstOf(view.chairs).id)
  const [time, setTime] = useState(() => prefill?.time ?? freeFrom(view, firstOf(view.chairs).id))
  const [dentist, setDentist] = useState(follows?.team.dentist ?? '')
  const [assistant, setAssistant] = useState(follows?.team.assistants[0] ?? '')
  const [kind, setKind] = useState<KindId>(follows?.kind ?? 'crown.prepare')
  const [teethText, setTeethText] = useState('')
  const [ponticText, setPonticText] = useState('')
  const [restoration, setRestoration] = useState<Restoration | undefined>()
  const [wrong, setWrong] = useState<string | null>(null)
  if (!practice.data) return <Loading what="Looking who works here" />
  const k = kindFacts(kind)
  const dentists = practice.data.people.filter((p) => p.roles.includes('dentist'))
  const assistants = practice.data.people.filter((p) =>
    p.roles.some((r) => r === 'assistant' || r === 'expanded assistant'),
  )
  const readings = readTeeth(teethText, view.notation)
  const teeth = readings.length > 0 ? teethOf(readings) : null
  const ponticReadings = readTeeth(ponticText, view.notation)
  const pontics = teethOf(ponticReadings)
  const ready = follows
    ? true
    : Boolean(teeth && pontics && patientName.trim() && (k.pontics !== 'needed' || pontics.length > 0))
  const add = async (): Promise<void> => {
    setWrong(null)
    const what = follows
      ? { caseId: follows.caseId }
      : {
          patientName,
          teeth,
          ...(pontics && pontics.length > 0 ? { pontics } : {}),
          ...(k.restorations.length > 1 ? { restoration: restoration ?? k.restorations[0] } : {}),
        }
    try {
      const { id } = await api<{ id: string }>('/visits', {
        method: 'POST',
        body: {
          chairId,
          day,
          time,
          kind,
          team: { dentist: dentist || firstOf(dentists).id, assistants: [assistant || firstOf(assistants).id] },
          ...what,
        },
      })
      refresh.day()
      void refresh.client.invalidateQueries({ queryKey: ['visit'] })
      onClose()
      void navigate(`/visits/${id}/case`)
    } catch (error) {
      setWrong(messageOf(error))
    }
  }
  const select = (
    label: string,
    value: string,
    set: (v: string) => void,
    options: readonly { id: string; name: string }[],
  ) => (
    <label>
      {label}
      <select className={wideField} value={value} onChange={(e) => set(e.target.value)}>
        {options.map((o) => (
          <option key={o.id} value={o.id}>
            {o.name}
          </option>
        ))}
      </select>
    </label>
  )
  return (
    <Modal open onClose={onClose} title={follows ? `${follows.title}: ${follows.patient}` : 'Add a visit'} wide>
      <form
        className="grid gap-3 md:grid-cols-2"
        onSubmit={(e) => {
          e.preventDefault()
          void add()
        }}
      >
        {!follows && (
          <label>
            Patient
            <input
              className={wideField}
              value={patientName}
              onChange={(e) => setPatientName(e.target.value)}
              autoFocus
            />
          </label>
        )}
        {!follows && (
          <div>
            <span className="block">Kind of visit</span>
            <div className="mt-1 grid grid-cols-[minmax(0,1fr)]">
              <KindSelect label="Kind of visit" value={kind} onKind={setKind} />
            </div>
          </div>
        )}
        {!follows && <p className="text-soft md:col-span-2">{k.says}</p>}
        <div className="grid grid-cols-2 gap-2">
          <label>
            Day
            <input className={`${wideField} num`} type="date" value={day} onChange={(e) => setDay(e.target.value)} />
          </label>
          <label>
            Starts at
            <input
              className={`${wideField} num`}
              type="time"
              step={300}
              value={time}
              onChange={(e) => setTime(e.target.value)}
            />
          </label>
        </div>
        {select(
          'Chair',
          chairId,
          (id) => {
            setChairId(id)
            setTime(freeFrom(view, id))
          },
          view.chairs,
        )}
        {!follows && (
          <label>
            {k.most === 1 ? 'Tooth' : 'Teeth'}, in any notation
            <input className={`${wideField} num`} value={teethText} onChange={(e) => setTeethText(e.target.value)} />
            <Readings readings={readings} notation={view.notation} />
          </label>
        )}
        {!follows && k.pontics && (
          <label>
            Replaces{k.pontics === 'needed' ? '' : ', if anything'}
            <input className={`${wideField} num`} value={ponticText} onChange={(e) => setPonticText(e.target.value)} />
            <Readings readings={ponticReadings} notation={view.notation} />
          </label>
        )}
        {select('Dentist', dentist || firstOf(dentists).id, setDentist, dentists)}
        {select('Assistant', assistant || firstOf(assistants).id, setAssistant, assistants)}
        {!follows && k.restorations.length > 1 && (
          <div className="md:col-span-2">
            <Pick<Restoration>
              label="Restoration"
              value={restoration && k.restorations.includes(restoration) ? restoration : firstOf(k.restorations)}
              onPick={setRestoration}
              options={k.restorations.map((r) => ({ value: r, label: r }))}
            />
          </div>
        )}
        {wrong && <Alert className="md:col-span-2">{wrong}</Alert>}
        <Button big tone="jade" type="submit" disabled={!ready} className="md:col-span-2">
          Add, and decide what will be done
        </Button>
      </form>
    </Modal>
  )
}
