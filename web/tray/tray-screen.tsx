/** The tray: lay up by touch or scan, exchange, read what has to be read, sign. */
import { useChange } from '../app/change'
import { sure } from '../../core/sure'
import { Printer } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { toast } from 'sonner'
import { amountWords } from '../../core/plan/amount-words'
import { standingWords } from '../../core/figure'
import { checkable, trayReadiness } from '../../core/plan/ready'
import { layTrays } from '../../core/picture/tray'
import { answerScan } from '../../core/plan/scan'
import type { SetupLine } from '../../core/model/plan'
import { readScan } from '../../core/formats/gs1'
import { api } from '../app/api'
import type { Mark as TrayMark, VisitView } from '../../wire/visit'
import { useLive } from '../app/live'
import { useVisitPlan, type VisitAndPlan } from '../app/plan'
import { useRefresh } from '../app/queries'
import { BurStrip } from '../parts/bur-strip'
import { TrayBoard } from '../parts/tray-board'
import { Differences } from './differences'
import { useScan } from './scan'
import { Button, Check, Failed, Loading, Mark, Panel } from '../parts/ui'
import { clockTime } from '../parts/words'

/** What the touched place is, why it is there, from which lot, and what could lie there instead. */
function Detail({
  line,
  swapped,
  onSwap,
  locked,
}: {
  line: SetupLine
  swapped: string | undefined
  onSwap: (from: string, to: string | null) => void
  locked: boolean
}) {
  return (
    <Panel labelled="The place touched last" className="min-w-80 flex-1">
      <p className="text-xl font-bold">
        {line.name} <span className="num font-normal">{amountWords(line)}</span>
      </p>
      {line.lot?.number && (
        <p className="num">
          lot {line.lot.number}, expires {line.lot.expires}
        </p>
      )}
      {(line.lack ?? line.lot?.warning) && <Mark kind="ask">{line.lack ?? line.lot?.warning}</Mark>}
      {line.because && (
        <p>
          {line.because.text} <span className="text-base text-soft">({standingWords[line.because.standing]})</span>
        </p>
      )}
      {line.when && <p>Opened when {line.when}.</p>}
      {!locked && (
        <div className="mt-2 flex flex-wrap gap-2">
          {line.alternatives.map((a) => (
            <Button key={a.itemId} onClick={() => onSwap(swapped ?? line.id, a.itemId === swapped ? null : a.itemId)}>
              Instead: {a.name} <span className="text-base font-normal">({a.loss})</span>
            </Button>
          ))}
        </div>
      )}
    </Panel>
  )
}

function Standby({
  lines,
  checked,
  toggle,
  locked,
}: {
  lines: SetupLine[]
  checked: ReadonlySet<string>
  toggle: (ids: string[], done: boolean) => void
  locked: boolean
}) {
  return (
    <Panel title="Have ready, do not open" className="min-w-80 flex-1">
      <ul className="grid gap-1.5">
        {lines.map((l) => (
          <li key={l.id}>
            <Check
              disabled={locked}
              checked={checked.has(l.id)}
              onChange={(done) => toggle([l.id], done)}
              label={
                <>
                  <strong>{l.name}</strong> <span className="num">{amountWords(l)}</span>{' '}
                  <span className="text-soft">when {l.when}</span>
                  {(l.lack ?? l.lot?.warning) && <span className="block text-brass">◆ {l.lack ?? l.lot?.warning}</span>}
                </>
              }
            />
          </li>
        ))}
      </ul>
    </Panel>
  )
}

function Signing({
  data,
  checked,
  sign,
  signing,
}: {
  data: VisitAndPlan
  checked: ReadonlySet<string>
  sign: (acknowledged: string[]) => void
  signing: boolean
}) {
  const [read, setRead] = useState<ReadonlySet<string>>(new Set())
  const readiness = trayReadiness(data.plan, checked, read)
  return (
    <Panel title="Read, then sign" className="min-w-80 flex-1 space-y-2">
      {readiness.blocked.map((b) => (
        <Mark key={b} kind="stop">
          {b}
        </Mark>
      ))}
      {readiness.toAcknowledge.map((a) => (
        <Check
          key={a.id}
          label={a.text}
          checked={read.has(a.id)}
          onChange={(on) => setRead(new Set(on ? [...read, a.id] : [...read].filter((x) => x !== a.id)))}
        />
      ))}
      {readiness.missing.length > 0 && (
        <p>
          Still to lay out: <span className="num">{readiness.missing.length}</span> (
          {readiness.missing
            .slice(0, 4)
            .map((l) => l.name)
            .join(', ')}
          {readiness.missing.length > 4 ? ' …' : ''})
        </p>
      )}
      <Button big tone="jade" className="w-full" disabled={!readiness.ready || signing} onClick={() => sign([...read])}>
        Sign the tray
      </Button>
    </Panel>
  )
}

export default function TrayScreen() {
  const visitId = sure(useParams()['visitId'])
  const navigate = useNavigate()
  const { data, error, again } = useVisitPlan(visitId)
  const refresh = useRefresh()
  const [boardAt, setBoardAt] = useState(0)
  const [selected, setSelected] = useState<string>()
  const put = (change: (v: VisitView) => Partial<VisitView>): void =>
    void refresh.client.setQueryData<VisitView>(['visit', visitId], (v) => (v ? { ...v, ...change(v) } : v))
  useLive(visitId, {
    tray: (marks) => put(() => ({ marks })),
    visit: () => refresh.visit(visitId),
    opened: () => refresh.visit(visitId),
  })
  const reread = { settled: () => refresh.visit(visitId) }
  // What is marked comes back over the stream; only a refusal has to be read.
  const mark = useChange(
    (body: { lineIds: string[]; done: boolean }) =>
      api<{ marks: TrayMark[] }>(`/visits/${visitId}/tray`, { method: 'PUT', body }).catch((e: unknown) => {
        refresh.visit(visitId)
        throw e
      }),
    [],
    { inTurn: `tray-${visitId}` },
  )
  const swap = useChange(
    (body: { from: string; to: string | null }) => api(`/visits/${visitId}/swaps`, { method: 'PUT', body }),
    [],
    reread,
  )
  const sign = useChange(
    (acknowledged: string[]) => api(`/visits/${visitId}/tray/sign`, { method: 'POST', body: { acknowledged } }),
    [],
    {
      ...reread,
      stored: () => {
        toast.success('Tray signed; the plan is fixed.')
        void navigate(`/visits/${visitId}/chairside`)
      },
    },
  )
  const reopen = useChange(() => api(`/visits/${visitId}/tray/reopen`, { method: 'POST' }), [], reread)

  const boards = useMemo(() => (data ? layTrays(data.plan.setup) : []), [data])
  useScan((code) => {
    if (!data || data.visit.frozen) return
    const scan = readScan(code, Number(data.visit.day.slice(0, 4)))
    const said =
      'error' in scan ? { refused: scan.error } : answerScan(scan, data.plan, data.practice.items, data.visit.day)
    if ('refused' in said) return void toast.error(said.refused)
    if (said.says) toast(said.says)
    const at = boards.findIndex((b) => b.bands.some((x) => x.places.some((p) => p.lineId === said.lineId)))
    if (at >= 0) setBoardAt(at)
    setSelected(said.lineId)
    put((v) => ({
      marks: v.marks.some((m) => m.lineId === said.lineId)
        ? v.marks
        : [...v.marks, { lineId: said.lineId, by: '', at: 0 }],
    }))
    mark.mutate({ lineIds: [said.lineId], done: true })
  })
  if (error && !data) return <Failed error={error} again={again} />
  if (!data) return <Loading what="Opening the tray" />
  const { plan, visit, practice } = data
  const locked = visit.frozen !== null
  const lines = new Map(plan.setup.map((l) => [l.id, l]))
  const checked = new Set(visit.marks.map((m) => m.lineId))
  const toggle = (lineIds: string[], done: boolean): void => {
    // A touch shows at once; the server's answer over the stream is the truth.
    put((v) => ({
      marks: done
        ? [...v.marks, ...lineIds.filter((id) => !checked.has(id)).map((lineId) => ({ lineId, by: '', at: 0 }))]
        : v.marks.filter((m) => !lineIds.includes(m.lineId)),
    }))
    mark.mutate({ lineIds, done })
  }
  const board = sure(boards[Math.min(boardAt, boards.length - 1)])
  const places = checkable(plan)
  // Marks of places that a changed plan no longer has are not counted.
  const laidOut = places.filter((l) => checked.has(l.id)).length
  const detail = selected ? lines.get(selected) : undefined
  const swappedFrom = Object.entries(visit.request.swaps).find(([, to]) => to === selected)?.[0]
  return (
    <div className="mx-auto max-w-[1400px] space-y-3">
      <div className="flex flex-wrap items-center gap-2">
        <div className="contents" role="tablist" aria-label="Trays">
          {boards.map((b, i) => {
            const ids = b.bands.flatMap((x) => x.places.map((p) => p.lineId))
            const done = ids.filter((id) => checked.has(id)).length
            return (
              <button
                key={b.title}
                type="button"
                role="tab"
                aria-selected={i === boardAt}
                onClick={() => setBoardAt(i)}
                className={`min-h-12 cursor-pointer rounded-md border-2 px-3 text-left leading-tight ${i === boardAt ? 'border-jade bg-jade-wash font-bold' : 'border-line bg-sheet'}`}
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
        <span className="ml-auto flex items-center gap-2">
          {plan.steps.some((s) => s.holes !== undefined) && (
            <a
              href={`/api/visits/${visitId}/sheet.pdf`}
              target="_blank"
              rel="noreferrer"
              aria-label="Hole template of the sheet, PDF at true scale"
              className="flex min-h-12 items-center gap-2 rounded-md border-2 border-line px-3 font-semibold"
            >
              <Printer aria-hidden="true" /> Holes
            </a>
          )}
          <span className="num text-xl font-bold" role="status">
            {laidOut}/{places.length}
          </span>
          {(['A4', 'LETTER'] as const).map((paper) => (
            <a
              key={paper}
              href={`/api/visits/${visitId}/setup.pdf?paper=${paper}`}
              target="_blank"
              rel="noreferrer"
              aria-label={`Setup sheet on ${paper === 'A4' ? 'A4' : 'Letter'}, PDF`}
              className="flex min-h-12 items-center gap-2 rounded-md border-2 border-line px-3 font-semibold"
            >
              <Printer aria-hidden="true" /> {paper === 'A4' ? 'A4' : 'Letter'}
            </a>
          ))}
        </span>
      </div>
      {visit.reopened && !locked && <Differences reopened={visit.reopened} plan={plan} practice={practice} />}
      {locked && (
        <div className="flex flex-wrap items-center gap-3 rounded-md border-2 border-jade bg-jade-wash p-3">
          <p>
            ✓ Signed by <strong>{practice.people.find((p) => p.id === sure(visit.frozen).signedBy)?.name}</strong> at{' '}
            <span className="num">{clockTime(sure(visit.frozen).signedAt, practice.zone)}</span>. The plan is fixed.
            {visit.cassettes.length > 0 && (
              <span className="block" data-cassettes="">
                Cassettes:{' '}
                {visit.cassettes.map((c) => `${c.name}${c.load === null ? '' : ` out of load ${c.load}`}`).join(', ')}.
              </span>
            )}
            {visit.cassettes.some((c) => c.pulledBack) && (
              <Mark kind="stop">
                {visit.cassettes
                  .filter((c) => c.pulledBack)
                  .map((c) => c.name)
                  .join(', ')}
                : the load was pulled back; change it before it is used
              </Mark>
            )}
          </p>
          {visit.stage === 'laid up' && (
            <Button tone="quiet" onClick={() => reopen.mutate()}>
              Re-open the tray
            </Button>
          )}
          <Button tone="jade" className="ml-auto" onClick={() => void navigate(`/visits/${visitId}/chairside`)}>
            To the chair
          </Button>
        </div>
      )}
      <div className="overflow-x-auto rounded-lg bg-sheet p-2">
        <TrayBoard
          board={board}
          lines={lines}
          checked={checked}
          selected={selected}
          {...(locked
            ? {}
            : {
                onToggle: (id: string, done: boolean) => {
                  setSelected(id)
                  toggle([id], done)
                },
                onBand: toggle,
              })}
        />
        {board.bands.some((b) => b.phase === 'cutting') && (
          <div className="mt-2">
            <BurStrip passes={plan.burs} />
          </div>
        )}
      </div>
      <div className="flex flex-wrap items-start gap-3">
        {detail && (
          <Detail
            line={detail}
            swapped={swappedFrom}
            onSwap={(from, to) => swap.mutate({ from, to })}
            locked={locked}
          />
        )}
        <Standby
          lines={plan.setup.filter((l) => l.readiness === 'standby')}
          checked={checked}
          toggle={toggle}
          locked={locked}
        />
        {!locked && <Signing data={data} checked={checked} sign={(a) => sign.mutate(a)} signing={sign.isPending} />}
      </div>
    </div>
  )
}
