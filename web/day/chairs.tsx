/** Chairs as stacked scores on one time axis; a visit that has not begun is dragged, by hand or by keys, and says at once what comes of it. */
import { firstOf, sure } from '../../core/sure'
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
  type DragMoveEvent,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core'
import { useMemo, useRef, useState } from 'react'
import { Link } from 'react-router'
import { toast } from 'sonner'
import { Temporal } from 'temporal-polyfill'
import { daySpan } from '../../core/schedule/day'
import { consequenceOf, gridMs, twiceAhead, type Consequence } from '../../core/schedule/today'
import { kindTable } from '../../core/kinds'
import { useTimes } from './put-times'
import type { DayView, DayVisit } from '../../wire/day'
import { Score } from '../parts/score'
import { Panel } from '../parts/ui'
import { bothNotations, clockTime } from '../parts/words'
import { factsOf, startOf, surname } from './day-facts'
import { People, type Staves } from './people'

export const placeOf = (v: DayVisit): string =>
  `/visits/${v.id}/${{ planned: 'case', 'laid up': 'chairside', running: 'chairside', closed: 'close' }[v.stage]}`
const stageWords: Record<DayVisit['stage'], string> = {
  planned: 'tray open',
  'laid up': 'tray signed',
  running: 'in the chair',
  closed: 'closed',
}

/** What is done, in as few words as a block holds: a crown by its material, anything else by its kind. */
const shortOf = (visit: DayVisit): string =>
  kindTable[visit.request.kind].byPiece && visit.request.restoration
    ? visit.request.restoration.replace(' crown', '').replace('monolithic ', '')
    : kindTable[visit.request.kind].title

/** With many chairs the rows are lower, so that what comes next stays on the first screen. */
const rowHeight = (view: DayView): number => (view.chairs.length > 3 ? 102 : 124)

function Readiness({ visit, view }: { visit: DayVisit; view: DayView }) {
  const without = view.turnover?.dry.filter((d) => d.visitId === visit.id).map((d) => d.type) ?? []
  if (visit.cassettes.some((c) => c.pulledBack) && visit.stage !== 'closed') return <>■ a cassette was pulled back</>
  if (visit.stage === 'planned' && without.length > 0) return <>◆ no {without.join(', ')} cassette</>
  if (view.leftOpen.some((v) => v.visitId === visit.id)) return <>◆ left open, not closed</>
  if (visit.stage !== 'planned') {
    return (
      <>
        {visit.stage === 'closed' ? '✓ ' : '▶ '}
        {stageWords[visit.stage]}
      </>
    )
  }
  const warned = visit.tray.warnings.length + visit.tray.blocked.length > 0
  return (
    <>
      {warned ? '◆ ' : visit.tray.checked === visit.tray.total ? '✓ ' : '○ '}
      <span className="num">
        {visit.tray.checked}/{visit.tray.total}
      </span>{' '}
      laid out
    </>
  )
}

function VisitBlock({ visit, view, left, width }: { visit: DayVisit; view: DayView; left: number; width: number }) {
  const low = rowHeight(view) < 110
  const movable = visit.beganAt === undefined && visit.stage !== 'closed'
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: visit.id, disabled: !movable })
  const box = useRef<HTMLAnchorElement>(null)
  return (
    <Link
      ref={(element) => {
        box.current = element
        setNodeRef(element)
      }}
      {...(movable ? listeners : {})}
      to={placeOf(visit)}
      draggable={false}
      data-visit={visit.id}
      aria-roledescription={movable ? 'visit; Space picks it up to move it' : undefined}
      aria-label={`${clockTime(startOf(visit), view.zone)} ${visit.patient.name}, ${bothNotations(visit.request.teeth, view.notation)}, ${shortOf(visit)}, ${stageWords[visit.stage]}`}
      className={`absolute top-1 bottom-1 flex flex-col overflow-hidden rounded-md border-2 bg-sheet px-2 py-1 leading-tight hover:border-jade ${movable ? 'touch-none' : ''} ${isDragging ? 'z-20 opacity-90 outline-3 outline-jade' : ''} ${visit.stage === 'running' ? 'border-jade' : visit.stage === 'closed' ? 'border-line text-soft' : 'border-ink'}`}
      style={{
        left: `${left}%`,
        width: `${width}%`,
        ...(transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : {}),
      }}
    >
      <span className="flex items-baseline gap-2 whitespace-nowrap">
        <strong className="clock">{clockTime(startOf(visit), view.zone)}</strong>
        <span className="truncate font-bold">{surname(visit)}</span>
      </span>
      <span className="truncate text-base">
        <span className="num font-bold">{bothNotations(visit.request.teeth, view.notation)}</span> {shortOf(visit)}
      </span>
      <span className={low ? '' : 'mt-1'}>
        <Score full={false} height={low ? 18 : 32} score={visit.score} people={visit.people} label="" />
      </span>
      <span className="truncate text-base">
        <Readiness visit={visit} view={view} />
      </span>
    </Link>
  )
}

interface Held {
  visit: DayVisit
  startsAt: number
  chairId: string
}

function Came({ held, view, before, now }: { held: Held; view: DayView; before: Consequence; now: number }) {
  const after = consequenceOf(factsOf(view, now), {
    visitId: held.visit.id,
    startsAt: held.startsAt,
    chairId: held.chairId,
  })
  const figure = (label: string, was: number, is: number) => (
    <span className="whitespace-nowrap">
      {label} <strong className="num">{Math.round(is)}</strong> min
      {Math.round(is) !== Math.round(was) && (
        <span className="num text-soft">
          {' '}
          ({is > was ? '▲' : '▼'} {Math.abs(Math.round(is) - Math.round(was))})
        </span>
      )}
    </span>
  )
  return (
    <p
      role="status"
      data-consequence=""
      className="absolute top-1 right-3 left-24 z-30 flex flex-wrap gap-x-5 rounded-md border-2 border-jade bg-sheet px-3 py-1 text-lg"
    >
      <strong>
        {surname(held.visit)} <span className="num">{clockTime(held.startsAt, view.zone)}</span>{' '}
        {held.chairId === held.visit.chairId ? '' : view.chairs.find((c) => c.id === held.chairId)?.name}
      </strong>
      {figure('needed twice', before.twiceMin, after.twiceMin)}
      {figure('waiting', before.waitMin, after.waitMin)}
      {figure('after closing', before.overtimeMin, after.overtimeMin)}
      <span>
        last out <strong className="num">{clockTime(after.lastEndAt, view.zone)}</strong>
      </span>
    </p>
  )
}

/** The click that ends a drag is no wish to go anywhere. */
function swallowClick(): void {
  const stop = (e: Event): void => e.preventDefault()
  window.addEventListener('click', stop, { capture: true, once: true })
  setTimeout(() => window.removeEventListener('click', stop, { capture: true }), 0)
}

export function Chairs({ view, staves, now }: { view: DayView; staves: Staves; now: number }) {
  const lanes = useRef<HTMLDivElement>(null)
  const [held, setHeld] = useState<Held | null>(null)
  const span = daySpan(
    view.visits.map((v) => ({ ...v, startsAt: startOf(v) })),
    Temporal.PlainDate.from(view.day).toZonedDateTime({ timeZone: view.zone, plainTime: view.rules.opensAt })
      .epochMilliseconds,
  )
  const length = span.endAt - span.startAt
  const at = (ms: number): number => ((ms - span.startAt) / length) * 100
  const facts = useMemo(() => factsOf(view, now), [view, now])
  const twice = useMemo(() => twiceAhead(facts), [facts])
  const before = useMemo(() => consequenceOf(facts), [facts])
  const chairOf = new Map(view.visits.map((v) => [v.id, v.chairId]))
  const hours = Array.from({ length: Math.round(length / 3_600_000) + 1 }, (_, i) => span.startAt + i * 3_600_000)
  const height = rowHeight(view)
  const stepPx = (): number => ((lanes.current?.clientWidth ?? 1000) * gridMs) / length
  // Arrow keys move by one step of the grid, or to the next chair.
  const byKeys: KeyboardCoordinateGetter = (event, { currentCoordinates: c }) => {
    const by = { ArrowLeft: [-stepPx(), 0], ArrowRight: [stepPx(), 0], ArrowUp: [0, -height], ArrowDown: [0, height] }[
      event.code
    ]
    if (!by) return undefined
    event.preventDefault()
    return { x: c.x + firstOf(by), y: c.y + sure(by[1]) }
  }
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 8 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: byKeys,
      keyboardCodes: { start: ['Space'], cancel: ['Escape'], end: ['Space', 'Enter'] },
    }),
  )
  const where = ({ active, delta }: Pick<DragMoveEvent, 'active' | 'delta'>): Held | null => {
    const visit = view.visits.find((v) => v.id === active.id)
    if (!visit) return null
    const row = view.chairs.findIndex((c) => c.id === visit.chairId) + Math.round(delta.y / height)
    const chair = sure(view.chairs[Math.min(Math.max(row, 0), view.chairs.length - 1)])
    return { visit, startsAt: visit.startsAt + Math.round(delta.x / stepPx()) * gridMs, chairId: chair.id }
  }
  const times = useTimes(view.day)
  const put = (visit: DayVisit, from: number, to: number, chairId: string, backTo?: string): void => {
    // Each move has words and an Undo of its own, though the next one is under way.
    void times.mutateAsync([{ visitId: visit.id, from, to, chairId }]).then(
      () => {
        if (backTo !== undefined)
          toast.success(`${visit.patient.name} is moved to ${clockTime(to, view.zone)}; call the patient.`, {
            duration: 20_000,
            action: { label: 'Undo', onClick: () => put(visit, to, from, backTo) },
          })
      },
      () => undefined,
    )
  }
  const drop = (event: DragMoveEvent): void => {
    swallowClick()
    const to = where(event)
    setHeld(null)
    if (to && (to.startsAt !== to.visit.startsAt || to.chairId !== to.visit.chairId))
      put(to.visit, to.visit.startsAt, to.startsAt, to.chairId, to.visit.chairId)
  }
  return (
    <Panel labelled="Chairs" className="relative">
      <DndContext
        sensors={sensors}
        onDragStart={(e) => setHeld(where({ active: e.active, delta: { x: 0, y: 0 } }))}
        onDragMove={(e) => setHeld(where(e))}
        onDragCancel={() => setHeld(null)}
        onDragEnd={drop}
      >
        {held && <Came held={held} view={view} before={before} now={now} />}
        <div className="relative ml-20 h-7">
          {hours.slice(0, -1).map((h) => (
            <span key={h} className="clock absolute text-base text-soft" style={{ left: `${at(h)}%` }}>
              {clockTime(h, view.zone)}
            </span>
          ))}
        </div>
        {view.chairs.map((chair, row) => (
          <div key={chair.id} className="flex items-stretch border-t-2 border-line">
            <h2 className="w-20 shrink-0 self-center text-lg font-bold">{chair.name}</h2>
            <div
              ref={row === 0 ? lanes : undefined}
              className={`relative flex-1 ${held?.chairId === chair.id ? 'bg-jade-wash' : ''}`}
              style={{ height }}
            >
              {hours.slice(1, -1).map((h) => (
                <span
                  key={h}
                  aria-hidden="true"
                  className="absolute inset-y-0 w-px bg-sunk"
                  style={{ left: `${at(h)}%` }}
                />
              ))}
              {view.day === view.today && now > span.startAt && now < span.endAt && (
                <span
                  aria-hidden="true"
                  className="absolute inset-y-0 z-10 w-0.5 bg-alarm"
                  style={{ left: `${at(now)}%` }}
                />
              )}
              {twice
                .filter((c) => c.visits.some((id) => chairOf.get(id) === chair.id))
                .map((c) => (
                  <span
                    key={`${c.heldId ?? ''}${c.startAt}${c.visits.join()}`}
                    aria-hidden="true"
                    data-twice-mark=""
                    className="absolute top-0 z-10 h-2 rounded-sm border border-sheet bg-brass"
                    style={{ left: `${at(c.startAt)}%`, width: `max(0.5rem, ${at(c.endAt) - at(c.startAt)}%)` }}
                  />
                ))}
              {view.visits
                .filter((v) => v.chairId === chair.id)
                .map((v) => (
                  <VisitBlock
                    key={v.id}
                    visit={v}
                    view={view}
                    left={at(startOf(v))}
                    width={at(startOf(v) + v.score.totalS * 1000) - at(startOf(v))}
                  />
                ))}
            </div>
          </div>
        ))}
      </DndContext>
      <People view={view} staves={staves} now={now} at={at} twice={twice} />
    </Panel>
  )
}
