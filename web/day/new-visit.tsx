import { useState } from 'react'
import { useNavigate } from 'react-router'
import { restorations, type Restoration } from '../../core/plan/vocabulary'
import { readTooth, toothName, writeBoth, type Tooth } from '../../core/teeth/notation'
import { api, type DayView } from '../app/api'
import { usePractice, useRefresh } from '../app/queries'
import { Button, Loading, Modal, Pick } from '../parts/ui'

const field = 'mt-1 h-12 w-full rounded-md border-2 border-ink bg-sheet px-3'

/** Puts a crown visit into the day; everything else about it is decided on its Case screen. */
export function NewVisit({ view, onClose }: { view: DayView; onClose: () => void }) {
  const practice = usePractice()
  const refresh = useRefresh()
  const navigate = useNavigate()
  const [patientName, setPatientName] = useState('')
  const [time, setTime] = useState('09:00')
  const [chairId, setChairId] = useState(view.chairs[0]!.id)
  const [dentist, setDentist] = useState('')
  const [assistant, setAssistant] = useState('')
  const [toothText, setToothText] = useState('')
  const [restoration, setRestoration] = useState<Restoration>('monolithic zirconia crown')
  const [wrong, setWrong] = useState<string | null>(null)
  if (!practice.data) return <Loading what="Looking who works here" />
  const dentists = practice.data.people.filter((p) => p.roles.includes('dentist'))
  const assistants = practice.data.people.filter((p) => p.roles.some((r) => r === 'assistant' || r === 'expanded assistant'))
  const reading = toothText.trim() ? readTooth(toothText, view.notation) : null
  const tooth: Tooth | null = reading?.kind === 'ok' ? reading.tooth : null
  const add = async (): Promise<void> => {
    setWrong(null)
    try {
      const { id } = await api<{ id: string }>('/visits', { method: 'POST', body: { patientName, chairId, day: view.day, time, team: { dentist: dentist || dentists[0]!.id, assistants: [assistant || assistants[0]!.id] }, teeth: [tooth], restoration, alerts: [] } })
      refresh.day()
      void navigate(`/visits/${id}/case`)
    } catch (error) {
      setWrong((error as Error).message)
    }
  }
  return (
    <Modal open onClose={onClose} title="Add a visit: crown, first visit" wide>
      <form
        className="grid gap-3 md:grid-cols-2"
        onSubmit={(e) => {
          e.preventDefault()
          void add()
        }}
      >
        <label>
          Patient
          <input className={field} value={patientName} onChange={(e) => setPatientName(e.target.value)} autoFocus />
        </label>
        <label>
          Starts at
          <input className={`${field} num`} type="time" step={300} value={time} onChange={(e) => setTime(e.target.value)} />
        </label>
        <label>
          Tooth, in any notation
          <input className={`${field} num`} value={toothText} onChange={(e) => setToothText(e.target.value)} />
          <span className="block min-h-6 text-base" role="status">
            {reading?.kind === 'ok' && `${writeBoth(reading.tooth, view.notation)}, ${toothName(reading.tooth)}${reading.also ? `; not ${reading.also.tooth} (${reading.also.notation})` : ''}`}
            {reading?.kind === 'ambiguous' && `Which? ${reading.readings.map((r) => `ISO ${r.tooth}`).join(' or ')}: write it as quadrant and number`}
            {reading?.kind === 'error' && reading.message}
          </span>
        </label>
        <label>
          Chair
          <select className={field} value={chairId} onChange={(e) => setChairId(e.target.value)}>
            {view.chairs.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          Dentist
          <select className={field} value={dentist} onChange={(e) => setDentist(e.target.value)}>
            {dentists.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          Assistant
          <select className={field} value={assistant} onChange={(e) => setAssistant(e.target.value)}>
            {assistants.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
        <div className="md:col-span-2">
          <Pick label="Restoration" value={restoration} onPick={setRestoration} options={restorations.map((r) => ({ value: r, label: r }))} />
        </div>
        {wrong && (
          <p role="alert" className="rounded-md border-2 border-alarm bg-alarm-wash p-2 text-alarm md:col-span-2">
            {wrong}
          </p>
        )}
        <Button big tone="jade" type="submit" disabled={!tooth || !patientName.trim()} className="md:col-span-2">
          Add, and decide what will be done
        </Button>
      </form>
    </Modal>
  )
}
