/** The tray: lay up by touch or scan, exchange, read what has to be read, sign. */
import { AlertStrip } from '../parts/alert-strip'
import { Printer } from 'lucide-react'
import { useMemo, useState, type ReactNode } from 'react'
import { useParams } from 'react-router'
import { layTrays, type TrayBoard as Board } from '../../core/picture/tray'
import { checkable } from '../../core/plan/ready'
import { sure } from '../../core/sure'
import type { VisitView } from '../../wire/visit'
import type { Practice } from '../../core/practice/practice'
import { useVisitPlan } from '../app/plan'
import { BurStrip } from '../parts/bur-strip'
import { TrayBoard } from '../parts/tray-board'
import { Button, ButtonLink, Failed, Loading, Mark, Panel } from '../parts/ui'
import { clockTime } from '../parts/words'
import { Differences } from './differences'
import { useTray } from './marks'
import { Detail, Signing, Standby } from './panels'

const lineIdsOf = (board: Board): string[] => board.bands.flatMap((x) => x.places.map((p) => p.lineId))

/** The trays beside each other, each with how much of it lies there. */
function Tabs({
  boards,
  at,
  checked,
  onPick,
}: {
  boards: readonly Board[]
  at: number
  checked: ReadonlySet<string>
  onPick: (at: number) => void
}) {
  return (
    <div className="contents" role="tablist" aria-label="Trays">
      {boards.map((b, i) => {
        const ids = lineIdsOf(b)
        const done = ids.filter((id) => checked.has(id)).length
        return (
          <button
            key={b.title}
            type="button"
            role="tab"
            aria-selected={i === at}
            onClick={() => onPick(i)}
            className={`min-h-12 cursor-pointer rounded-md border-2 px-3 text-left leading-tight ${i === at ? 'border-jade bg-jade-wash font-bold' : 'border-line bg-sheet'}`}
          >
            {done === ids.length ? '✓ ' : ''}
            {b.bands.map((x) => x.title).join(', ')}{' '}
            <span className="num">
              {done}/{ids.length}
            </span>
          </button>
        )
      })}
    </div>
  )
}

function Paper({ href, says, children }: { href: string; says: string; children: ReactNode }) {
  return (
    <a
      href={href}
      target="_blank"
      rel="noreferrer"
      aria-label={says}
      className="flex min-h-12 items-center gap-2 rounded-md border-2 border-line px-3 font-semibold"
    >
      <Printer aria-hidden="true" /> {children}
    </a>
  )
}

/** Who signed and when, on which cassettes; from here on to the chair, or back while nothing has begun. */
function Signed({ visit, practice, onReopen }: { visit: VisitView; practice: Practice; onReopen: () => void }) {
  const frozen = sure(visit.frozen)
  const nameOf = (id: string) => practice.people.find((p) => p.id === id)?.name ?? id
  const pulledBack = visit.cassettes.filter((c) => c.pulledBack !== null)
  return (
    <div className="flex flex-wrap items-center gap-3 rounded-md border-2 border-jade bg-jade-wash p-3">
      <p>
        ✓ Signed by <strong>{nameOf(frozen.signedBy)}</strong> at{' '}
        <span className="num">{clockTime(frozen.signedAt, practice.zone)}</span>. The plan is fixed.
        {frozen.answeredBy !== null && (
          <span className="block">
            What clashes was answered by <strong>{nameOf(frozen.answeredBy)}</strong>.
          </span>
        )}
        {visit.cassettes.length > 0 && (
          <span className="block" data-cassettes="">
            Cassettes:{' '}
            {visit.cassettes.map((c) => `${c.name}${c.load === null ? '' : ` out of load ${c.load}`}`).join(', ')}.
          </span>
        )}
        {pulledBack.length > 0 && (
          <Mark kind="stop">
            {pulledBack.map((c) => c.name).join(', ')}: the load was pulled back; change it before it is used
          </Mark>
        )}
      </p>
      {visit.stage === 'laid up' && (
        <Button tone="quiet" onClick={onReopen}>
          Re-open the tray
        </Button>
      )}
      <ButtonLink tone="jade" className="ml-auto" to={`/visits/${visit.id}/chairside`}>
        To the chair
      </ButtonLink>
    </div>
  )
}

export default function TrayScreen() {
  const visitId = sure(useParams()['visitId'])
  const { data, error, again } = useVisitPlan(visitId)
  const [boardAt, setBoardAt] = useState(0)
  const [selected, setSelected] = useState<string>()
  const boards = useMemo(() => (data ? layTrays(data.plan.setup) : []), [data])
  const holed = data?.plan.steps.some((s) => s.holes !== undefined) ?? false
  const tray = useTray(visitId, data, (lineId) => {
    const at = boards.findIndex((b) => lineIdsOf(b).includes(lineId))
    if (at >= 0) setBoardAt(at)
    setSelected(lineId)
  })
  if (error && !data) return <Failed error={error} again={again} />
  if (!data) return <Loading what="Opening the tray" />
  const { plan, visit, practice } = data
  const locked = visit.frozen !== null
  const lines = new Map(plan.setup.map((l) => [l.id, l]))
  const checked = new Set(tray.marks.map((m) => m.lineId))
  const board = sure(boards[Math.min(boardAt, boards.length - 1)])
  const places = checkable(plan)
  // Marks of places that a changed plan no longer has are not counted.
  const laidOut = places.filter((l) => checked.has(l.id)).length
  const detail = selected ? lines.get(selected) : undefined
  const swappedFrom = Object.entries(visit.request.swaps).find(([, to]) => to === selected)?.[0]
  const touch = {
    onToggle: (id: string, done: boolean) => {
      setSelected(id)
      tray.toggle([id], done)
    },
    onBand: tray.toggle,
  }
  return (
    <div className="mx-auto max-w-[1400px] space-y-3">
      <AlertStrip alerts={visit.request.alerts} />
      <div className="flex flex-wrap items-center gap-2">
        <Tabs boards={boards} at={boardAt} checked={checked} onPick={setBoardAt} />
        <span className="ml-auto flex items-center gap-2">
          <span className="num text-xl font-bold" role="status">
            {laidOut}/{places.length}
          </span>
          {(
            [
              ['A4', 'A4'],
              ['LETTER', 'Letter'],
            ] as const
          ).map(([paper, name]) => (
            <Paper
              key={paper}
              href={`/api/visits/${visitId}/setup.pdf?paper=${paper}`}
              says={`Setup sheet on ${name}, PDF`}
            >
              {name}
            </Paper>
          ))}
        </span>
      </div>
      {visit.reopened && !locked && <Differences reopened={visit.reopened} plan={plan} practice={practice} />}
      {locked && <Signed visit={visit} practice={practice} onReopen={tray.reopen} />}
      <div className="overflow-x-auto rounded-lg bg-sheet p-2">
        <TrayBoard board={board} lines={lines} checked={checked} selected={selected} {...(locked ? {} : touch)} />
        {board.bands.some((b) => b.phase === 'cutting') && (
          <div className="mt-2">
            <BurStrip passes={plan.burs} />
          </div>
        )}
      </div>
      <div className="flex flex-wrap items-start gap-3">
        {detail && <Detail line={detail} swapped={swappedFrom} onSwap={tray.swap} locked={locked} />}
        <Standby
          lines={plan.setup.filter((l) => l.readiness === 'standby')}
          checked={checked}
          toggle={tray.toggle}
          locked={locked}
        />
        {!locked && <Signing data={data} checked={checked} sign={tray.sign} signing={tray.signing} />}
      </div>
      <Panel title="Besides the setup sheet" className="flex flex-wrap items-center gap-3">
        <Paper href={`/api/visits/${visitId}/pictures.pdf`} says="Course of the visit and pictures of its steps, PDF">
          Course and pictures
        </Paper>
        {holed && (
          <Paper href={`/api/visits/${visitId}/sheet.pdf`} says="Hole template of the sheet, PDF at true scale">
            Hole template
          </Paper>
        )}
      </Panel>
    </div>
  )
}
