/** Who and what is needed twice this day, and other times proposed: what moves, why, applied or not, taken back. */
import { useEffect, useRef, useState } from 'react'
import { toast } from 'sonner'
import { neededTwiceInDay, type Twice } from '../../core/schedule/collide'
import type { DayProblem, Proposal } from '../../core/schedule/propose'
import { api, ApiProblem, type DayView, type DayVisit } from '../app/api'
import { useRefresh } from '../app/queries'
import { Button, Mark, Panel, Pick } from '../parts/ui'
import { clockTime } from '../parts/words'

const minute = 60_000
const surname = (v: DayVisit): string => v.patient.name.split(' ').at(-1)!

/** What is wanted twice in words: 'Dr Kofi Lindqvist' or 'Chair 2'. */
function nameOf(c: Twice, view: DayView): string {
  if (c.heldId) return view.visits.flatMap((v) => v.people).find((p) => p.id === c.heldId)?.name ?? c.heldId
  const chairId = view.visits.find((v) => v.id === c.visits[0])?.chairId
  return view.chairs.find((x) => x.id === chairId)?.name ?? 'a chair'
}

export const twiceInView = (view: DayView): Twice[] => neededTwiceInDay(view.visits.filter((v) => v.stage !== 'closed'))

/** Moves visits one after the other; where one cannot be moved the rest stay and the reason is said. */
async function moveAll(view: DayView, moves: readonly { visit: DayVisit; startsAt: number }[]): Promise<void> {
  for (const { visit, startsAt } of moves) await api(`/visits/${visit.id}/time`, { method: 'PUT', body: { chairId: visit.chairId, day: view.day, time: clockTime(startsAt, view.zone) } })
}

function Proposed({ view, proposal, onDone }: { view: DayView; proposal: Proposal; onDone: () => void }) {
  const refresh = useRefresh()
  const [busy, setBusy] = useState(false)
  const moves = proposal.moves.map((m) => ({ ...m, visit: view.visits.find((v) => v.id === m.visitId)! })).filter((m) => m.visit)
  const say = (e: unknown): void => void toast.error(e instanceof ApiProblem ? e.message : 'not stored')
  const put = async (back: boolean): Promise<void> => {
    setBusy(true)
    try {
      await moveAll(view, moves.map((m) => ({ visit: m.visit, startsAt: m.visit.startsAt + (back ? 0 : m.byMs) })))
      if (!back) toast.success(`${moves.length} ${moves.length === 1 ? 'visit' : 'visits'} moved; the patients are to be called.`, { duration: 20_000, action: { label: 'Undo', onClick: () => void put(true) } })
    } catch (e) {
      say(e)
    }
    refresh.day()
    onDone()
  }
  return (
    <div className="space-y-2" data-proposal="">
      {moves.length === 0 ? (
        <Mark kind="ask">Nothing gets better within this shift. Let visits move further, or give one to other people.</Mark>
      ) : (
        <>
          <ul className="space-y-1">
            {moves.map((m) => (
              <li key={m.visitId} data-move={m.visitId}>
                <strong>{surname(m.visit)}</strong> <span className="num">{clockTime(m.visit.startsAt, view.zone)} → {clockTime(m.visit.startsAt + m.byMs, view.zone)}</span>{' '}
                <span className="text-base text-soft">
                  {Math.abs(m.byMs) / minute} min {m.byMs > 0 ? 'later' : 'earlier'}
                </span>
              </li>
            ))}
          </ul>
          <p className="text-base text-soft">
            Needed twice: <span className="num">{Math.round(proposal.twiceBeforeMin)}</span> min now, <span className="num">{Math.round(proposal.twiceAfterMin)}</span> min then. Collisions weigh most, then how many patients are called and by how much they move, then a later end of the day.
          </p>
          <Button tone="jade" className="mr-2" disabled={busy} onClick={() => void put(false)}>
            Move {moves.length === 1 ? 'it' : `these ${moves.length}`}
          </Button>
        </>
      )}
      <Button tone="quiet" disabled={busy} onClick={onDone}>
        Leave as it is
      </Button>
    </div>
  )
}

export function Times({ view }: { view: DayView }) {
  const clashes = twiceInView(view)
  const names = new Map(view.visits.map((v) => [v.id, surname(v)]))
  const [most, setMost] = useState<'15' | '30' | '60'>('30')
  const [found, setFound] = useState<Proposal | 'looking' | null>(null)
  const worker = useRef<Worker>(undefined)
  const stop = (): void => worker.current?.terminate()
  // A proposal is for the times it was made from: where anybody moves a visit meanwhile, it is dropped and asked for anew.
  const times = view.visits.map((v) => `${v.id} ${v.startsAt} ${v.chairId} ${v.stage}`).join()
  const [madeFor, setMadeFor] = useState(times)
  if (madeFor !== times) {
    setMadeFor(times)
    setFound(null)
  }
  useEffect(() => () => worker.current?.terminate(), [])
  const look = (): void => {
    stop()
    setFound('looking')
    const own = new Worker(new URL('./propose.worker.ts', import.meta.url), { type: 'module' })
    own.addEventListener('message', (e: MessageEvent<Proposal>) => {
      setFound((before) => (before === 'looking' ? e.data : before))
      own.terminate()
    })
    worker.current = own
    // What has begun or is over stays; the rest may move. A plan's own last step is the turnover of its room.
    const problem: DayProblem = {
      visits: view.visits.filter((v) => v.stage !== 'closed').map((v) => ({ id: v.id, chairId: v.chairId, startsAt: v.startsAt, score: v.score, fixed: v.stage === 'running' })),
      turnoverMs: 0, mostMs: Number(most) * minute, gridMs: 5 * minute,
    }
    own.postMessage(problem)
  }
  return (
    <Panel title="Needed twice" className="flex-1 space-y-2">
      {clashes.length === 0 ? (
        <Mark kind="good">nobody and no chair is needed twice at once</Mark>
      ) : (
        <ul className="space-y-1">
          {clashes.map((c) => (
            <li key={`${c.heldId ?? 'chair'}${c.startAt}${c.visits.join()}`} data-twice={c.heldId ?? 'chair'}>
              <Mark kind="ask">
                {nameOf(c, view)},{' '}
                <span className="num">
                  {clockTime(c.startAt, view.zone)}–{clockTime(c.endAt, view.zone)}
                </span>
                : {view.visits.filter((v) => c.visits.includes(v.id)).map((v) => names.get(v.id)).join(' and ')}
              </Mark>
            </li>
          ))}
        </ul>
      )}
      {clashes.length > 0 && found === null && (
        <div className="flex flex-wrap items-end gap-2">
          <Pick label="How far a visit may move" value={most} onPick={setMost} options={[{ value: '15', label: '15 min' }, { value: '30', label: '30' }, { value: '60', label: '60' }]} />
          <Button onClick={look}>Propose times</Button>
        </div>
      )}
      {found === 'looking' && (
        <p role="status" className="flex items-center gap-3">
          Looking for times …
          <Button tone="quiet" onClick={() => { stop(); setFound(null) }}>
            Stop
          </Button>
        </p>
      )}
      {found !== null && found !== 'looking' && <Proposed view={view} proposal={found} onDone={() => setFound(null)} />}
    </Panel>
  )
}
