/** The day as a calendar: out as a file, in from one, each change looked at before it is taken. */
import { firstOf } from '../../core/sure'
import { Download, Upload } from 'lucide-react'
import { useEffect, useState } from 'react'
import { toast } from 'sonner'
import { compareCalendar, type CalendarRead, type CalendarRow, type readCalendar } from '../../core/formats/ical'
import { useTimes } from './put-times'
import type { DayView } from '../../wire/day'
import { Modal } from '../parts/modal'
import { Button, Check, Mark } from '../parts/ui'
import { clockTime } from '../parts/words'

export interface Prefill {
  patientName: string
  time: string
  chairId?: string
}

function Rows({
  rows,
  read,
  view,
  onNew,
  onDone,
}: {
  rows: CalendarRow[]
  read: CalendarRead
  view: DayView
  onNew: (p: Prefill) => void
  onDone: () => void
}) {
  const times = useTimes(view.day)
  const moved = rows.filter((r) => r.kind === 'moved')
  const [taken, setTaken] = useState<string[]>(() => moved.map((r) => r.visitId))
  const time = (ms: number): string => clockTime(ms, view.zone)
  const chair = (id?: string): string => (id ? `, ${view.chairs.find((c) => c.id === id)?.name ?? id}` : '')
  const name = (id: string): string => view.visits.find((v) => v.id === id)?.patient.name ?? id
  const put = (): void => {
    const moves = moved
      .filter((r) => taken.includes(r.visitId))
      .map((r) => ({
        visitId: r.visitId,
        from: r.event.startsAt - r.byMs,
        to: r.event.startsAt,
        ...(r.chairId ? { chairId: r.chairId } : {}),
      }))
    times.mutate(moves, {
      onSuccess: () => {
        toast.success(`${moves.length} ${moves.length === 1 ? 'time' : 'times'} taken from the calendar.`)
        onDone()
      },
    })
  }
  const same = rows.filter((r) => r.kind === 'same').length
  return (
    <div className="space-y-2" data-calendar="">
      <p>
        <span className="num">{rows.length}</span> appointments on this day; <span className="num">{same}</span> as they
        stand here.
      </p>
      <ul className="space-y-1">
        {rows.map((r) => (
          <li key={`${r.event.uid}${r.event.startsAt}`} data-row={r.kind}>
            {r.kind === 'moved' && (
              <Check
                label={
                  <>
                    {name(r.visitId)}:{' '}
                    <span className="num">
                      {time(r.event.startsAt - r.byMs)} → {time(r.event.startsAt)}
                    </span>
                    {chair(r.chairId)}
                  </>
                }
                checked={taken.includes(r.visitId)}
                onChange={(on) => setTaken(on ? [...taken, r.visitId] : taken.filter((id) => id !== r.visitId))}
              />
            )}
            {r.kind === 'cancelled' && (
              <Mark kind="ask">
                {name(r.visitId)} is cancelled in the calendar; here the visit stays until somebody moves it to another
                day
              </Mark>
            )}
            {r.kind === 'begun' && (
              <Mark kind="mind">{name(r.visitId)} is changed in the calendar and has begun here; it stays</Mark>
            )}
            {r.kind === 'new' && (
              <span className="flex flex-wrap items-center gap-2">
                <Mark kind="mind">
                  <span className="num">{time(r.event.startsAt)}</span> {r.event.summary}{' '}
                  {r.event.location && `· ${r.event.location}`}
                </Mark>
                <Button
                  onClick={() =>
                    onNew({
                      patientName: firstOf(r.event.summary.split(/[,;]/)).trim(),
                      time: time(r.event.startsAt),
                      ...(r.chairId ? { chairId: r.chairId } : {}),
                    })
                  }
                >
                  Add as a visit
                </Button>
              </span>
            )}
          </li>
        ))}
      </ul>
      {read.left.length > 0 && (
        <p className="text-base text-soft">
          Left out:{' '}
          {read.left
            .slice(0, mostNamed)
            .map((l) => `${l.summary || 'an entry'} (${l.why})`)
            .join('; ')}
          {read.left.length > mostNamed ? `; and ${read.left.length - mostNamed} more` : ''}.
        </p>
      )}
      {moved.length > 0 && (
        <Button big tone="jade" className="w-full" disabled={taken.length === 0} onClick={put}>
          Take {taken.length === 1 ? 'this time' : `these ${taken.length} times`}
        </Button>
      )}
    </div>
  )
}

/** Entries left out that are named; nobody reads thousands. */
const mostNamed = 12

export default function CalendarBox({
  view,
  simulated,
  onNew,
  onClose,
}: {
  view: DayView
  simulated: boolean
  onNew: (p: Prefill) => void
  onClose: () => void
}) {
  const [text, setText] = useState<string>()
  const [wrong, setWrong] = useState<string>()
  const [read, setRead] = useState<ReturnType<typeof readCalendar>>()
  const { day, zone } = view
  useEffect(() => {
    if (text === undefined) return
    const worker = new Worker(new URL('../workers/calendar.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('message', (e: MessageEvent<ReturnType<typeof readCalendar>>) => setRead(e.data))
    worker.postMessage({ text, day, zone })
    return () => worker.terminate()
  }, [text, day, zone])
  const feed = async (): Promise<void> => {
    const response = await fetch(`/api/standins/appointments/${view.day}`).catch(() => null)
    if (response?.ok) setText(await response.text())
    else setWrong('The practice calendar does not answer; nothing was changed.')
  }
  return (
    <Modal open onClose={onClose} title="Calendar" wide>
      <div className="space-y-3">
        <div className="flex flex-wrap gap-2">
          <a
            href={`/api/days/${view.day}/calendar.ics`}
            download
            className="flex min-h-12 items-center gap-2 rounded-md border-2 border-ink bg-sheet px-4 font-semibold"
          >
            <Download aria-hidden="true" /> This day as iCalendar
          </a>
          <label className="flex min-h-12 cursor-pointer items-center gap-2 rounded-md border-2 border-ink bg-sheet px-4 font-semibold focus-within:outline-3 focus-within:outline-jade">
            <Upload aria-hidden="true" /> Read a calendar file
            <input
              type="file"
              accept=".ics,text/calendar"
              className="sr-only"
              onChange={(e) =>
                void e.target.files?.[0]
                  ?.text()
                  .then(setText)
                  .finally(() => (e.target.value = ''))
              }
            />
          </label>
          {simulated && <Button onClick={() => void feed()}>Ask the practice calendar (simulated)</Button>}
        </div>
        <p className="text-base text-soft">The file holds patients’ names: keep it where the charts are kept.</p>
        {wrong && <Mark kind="stop">{wrong}</Mark>}
        {text !== undefined && !read && <p role="status">Reading the calendar …</p>}
        {read && 'error' in read && <Mark kind="stop">{read.error}</Mark>}
        {read && !('error' in read) && (
          <Rows
            key={text}
            read={read}
            rows={compareCalendar(
              read.events,
              view.visits.map((v) => ({
                id: v.id,
                startsAt: v.startsAt,
                chairId: v.chairId,
                begun: v.beganAt !== undefined,
              })),
              view.chairs,
            )}
            view={view}
            onNew={onNew}
            onDone={onClose}
          />
        )}
      </div>
    </Modal>
  )
}
