/** What the day needs twice and what runs late; other times proposed: what moves, why, applied or not, taken back. */
import { useChange } from '../app/change'
import { useTimes } from './put-times'
import { sure } from '../../core/sure'
import { useEffect, useMemo, useRef, useState } from 'react'
import { toast } from 'sonner'
import type { Twice } from '../../core/schedule/collide'
import { runForward } from '../../core/schedule/forward'
import type { Proposal } from '../../core/schedule/propose'
import { lateOf, problemOfDay, runsLate, twiceAhead, type Late } from '../../core/schedule/today'
import { api } from '../app/api'
import type { DayView } from '../../wire/day'
import { usePractice } from '../app/queries'
import { Button, Mark, Panel, Pick } from '../parts/ui'
import { clockTime, minutes } from '../parts/words'
import { factsOf, surname } from './day-facts'
import type { Told } from './propose.worker'

const minute = 60_000

/** What is wanted twice in words: a person, a thing there is one of, or a chair. */
function useNameOf(view: DayView): (c: Twice) => string {
  const practice = usePractice()
  return (c) => {
    if (c.heldId)
      return (
        view.visits.flatMap((v) => v.people).find((p) => p.id === c.heldId)?.name ??
        practice.data?.items.find((i) => i.id === c.heldId)?.name ??
        c.heldId
      )
    const chairId = view.visits.find((v) => v.id === c.visits[0])?.chairId
    return view.chairs.find((x) => x.id === chairId)?.name ?? 'a chair'
  }
}

function Proposed({
  view,
  proposal,
  again,
  onDone,
}: {
  view: DayView
  proposal: Proposal
  again: () => void
  onDone: () => void
}) {
  const moves = proposal.moves
    .map((m) => ({ ...m, visit: sure(view.visits.find((v) => v.id === m.visitId)) }))
    .filter((m) => m.visit)
  // All of them or none: a visit that began meanwhile leaves every time as it was.
  const times = useTimes(view.day)
  const put = (back: boolean): void => {
    const changed = moves.map(({ visitId, byMs, visit }) => ({
      visitId,
      from: visit.startsAt + (back ? byMs : 0),
      to: visit.startsAt + (back ? 0 : byMs),
    }))
    times.mutate(changed, {
      onSuccess: () => {
        if (!back)
          toast.success(
            `${moves.length} ${moves.length === 1 ? 'visit' : 'visits'} moved; the patients are to be called.`,
            { duration: 20_000, action: { label: 'Undo', onClick: () => put(true) } },
          )
      },
      // Taken back later, whatever is being looked at by then goes on.
      onSettled: () => {
        if (!back) onDone()
      },
    })
  }
  const stays = useChange(
    (visitId: string) => api(`/visits/${visitId}/shift`, { method: 'PUT', body: { mayMoveMin: 0 } }),
    [],
    {
      // Who cannot move is held, and the search begins anew from the day as it then is.
      settled: again,
    },
  )
  const busy = times.isPending || stays.isPending
  const { before, after } = proposal
  const figures = [
    ['needed twice', proposal.twiceBeforeMin, proposal.twiceAfterMin],
    ['patients waiting', before.waitS / 60, after.waitS / 60],
    ['dentists idle', before.idleS / 60, after.idleS / 60],
    ['after closing', before.overtimeS / 60, after.overtimeS / 60],
    ['midday rest short', before.lunchShortS / 60, after.lunchShortS / 60],
  ] as const
  return (
    <div className="space-y-2" data-proposal="">
      {moves.length === 0 ? (
        <div>
          {proposal.twiceBeforeMin < 1 && proposal.before.waitS < minute / 1000 ? (
            <Mark kind="good">What lies ahead still fits: nobody has to come at another time.</Mark>
          ) : (
            <Mark kind="ask">
              Nothing gets better within this shift. Let visits move further, or give one to other people.
            </Mark>
          )}
        </div>
      ) : (
        <>
          <ul className="space-y-1">
            {moves.map((m) => (
              <li key={m.visitId} data-move={m.visitId} className="flex flex-wrap items-center gap-x-2">
                <strong>{surname(m.visit)}</strong>
                <span className="num">
                  {clockTime(m.visit.startsAt, view.zone)} → {clockTime(m.visit.startsAt + m.byMs, view.zone)}
                </span>
                <span className="text-base text-soft">
                  {Math.abs(m.byMs) / minute} min {m.byMs > 0 ? 'later' : 'earlier'}
                </span>
                <Button
                  tone="quiet"
                  className="ml-auto"
                  disabled={busy}
                  aria-label={`${surname(m.visit)} cannot move`}
                  onClick={() => stays.mutate(m.visitId)}
                >
                  cannot
                </Button>
              </li>
            ))}
          </ul>
          <table className="text-base">
            <thead>
              <tr className="text-left text-soft">
                <th scope="col" className="pr-4 font-normal">
                  minutes
                </th>
                <th scope="col" className="pr-4 font-normal">
                  now
                </th>
                <th scope="col" className="font-normal">
                  then
                </th>
              </tr>
            </thead>
            <tbody>
              {figures
                .filter(([, was, is]) => Math.round(was) > 0 || Math.round(is) > 0)
                .map(([what, was, is]) => (
                  <tr key={what}>
                    <th scope="row" className="pr-4 text-left font-normal">
                      {what}
                    </th>
                    <td className="num pr-4">{Math.round(was)}</td>
                    <td className="num font-bold">{Math.round(is)}</td>
                  </tr>
                ))}
            </tbody>
          </table>
          <Button tone="jade" className="mr-2" disabled={busy} onClick={() => put(false)}>
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

/** Who is to be told, and what to say. */
function LateList({ late, view }: { late: readonly Late[]; view: DayView }) {
  const own = new Map(view.visits.map((v) => [v.id, v]))
  return (
    <ul className="space-y-1">
      {late.map((l) => {
        const v = sure(own.get(l.visitId))
        const begun = v.beganAt !== undefined
        return (
          <li key={l.visitId} data-late={l.visitId}>
            <Mark kind="ask">
              <strong>{v.patient.name}</strong>{' '}
              {begun ? (
                <>
                  out about <span className="num">{clockTime(l.endsAt, view.zone)}</span>, {minutes(l.endLateMs / 1000)}{' '}
                  later than planned: tell who fetches them
                </>
              ) : (
                <>
                  <span className="num">{clockTime(v.startsAt, view.zone)}</span>: seated about{' '}
                  <span className="num">{clockTime(l.startsAt, view.zone)}</span>
                  {l.startLateMs >= minute ? `, ${minutes(l.startLateMs / 1000)} late` : ''}, out about{' '}
                  <span className="num">{clockTime(l.endsAt, view.zone)}</span>: call before they set out
                </>
              )}
            </Mark>
          </li>
        )
      })}
    </ul>
  )
}

/** What a proposal is made from. */
const timesOf = (view: DayView): string =>
  view.visits.map((v) => `${v.id} ${v.startsAt} ${v.chairId} ${v.stage} ${v.mayMoveMin}`).join()

const shifts = ['15', '30', '60'] as const

/** @param reread the day as the server has it by now; nothing where it is not heard */
export function Times({
  view,
  now,
  reread,
}: {
  view: DayView
  now: number
  reread: () => Promise<DayView | undefined>
}) {
  const facts = useMemo(() => factsOf(view, now), [view, now])
  const clashes = useMemo(() => twiceAhead(facts), [facts])
  const late = useMemo(() => {
    if (facts.now === undefined) return []
    const problem = problemOfDay(facts)
    const found = lateOf(facts, runForward(problem.visits, { now: facts.now, dentists: facts.dentists }))
    return runsLate(facts, found) ? found : []
  }, [facts])
  const nameOf = useNameOf(view)
  const names = new Map(view.visits.map((v) => [v.id, surname(v)]))
  const own = String(view.rules.mostMin)
  const [most, setMost] = useState<string>(own)
  const [found, setFound] = useState<{ of: string; what: Proposal | number } | null>(null)
  const worker = useRef<Worker>(undefined)
  const stop = (): void => worker.current?.terminate()
  useEffect(() => () => worker.current?.terminate(), [])
  const look = (of: DayView = view): void => {
    stop()
    const key = timesOf(of)
    setFound({ of: key, what: 0 })
    const next = new Worker(new URL('./propose.worker.ts', import.meta.url), { type: 'module' })
    next.addEventListener('message', ({ data }: MessageEvent<Told>) => {
      setFound((before) =>
        before?.of === key ? { of: key, what: 'proposal' in data ? data.proposal : data.share } : before,
      )
      if ('proposal' in data) next.terminate()
    })
    worker.current = next
    next.postMessage(problemOfDay(factsOf(of, now), Number(most)))
  }
  // A proposal is for the times it was made from: where anybody moves a visit or begins one meanwhile, it is not shown.
  const shown = found?.of === timesOf(view) ? found.what : null
  const past = view.day < view.today
  const trouble = clashes.length + late.length > 0
  return (
    <Panel title={late.length > 0 ? 'Running late' : 'Needed twice'} className="min-w-96 flex-1 space-y-2">
      {late.length > 0 && <LateList late={late} view={view} />}
      {clashes.length > 0 && (
        <ul className="space-y-1">
          {clashes.map((c) => (
            <li key={`${c.heldId ?? 'chair'}${c.startAt}${c.visits.join()}`} data-twice={c.heldId ?? 'chair'}>
              <Mark kind="ask">
                {nameOf(c)},{' '}
                <span className="num">
                  {clockTime(c.startAt, view.zone)}–{clockTime(c.endAt, view.zone)}
                </span>
                :{' '}
                {view.visits
                  .filter((v) => c.visits.includes(v.id))
                  .map((v) => names.get(v.id))
                  .join(' and ')}
              </Mark>
            </li>
          ))}
        </ul>
      )}
      {clashes.length === 0 && <Mark kind="good">nobody and no chair is needed twice at once</Mark>}
      {trouble && !past && shown === null && (
        <div className="flex flex-wrap items-end gap-2">
          <Pick
            label="How far a visit may move"
            value={most}
            onPick={setMost}
            options={[...new Set([...shifts, own])]
              .toSorted((a, b) => Number(a) - Number(b))
              .map((value) => ({ value, label: `${value} min` }))}
          />
          <Button onClick={() => look()}>{late.length > 0 ? 'Propose from now' : 'Propose times'}</Button>
        </div>
      )}
      {typeof shown === 'number' && (
        <p className="flex items-center gap-3">
          <span role="status">Looking for times …</span>
          <progress className="h-3 w-32 accent-jade" value={shown} aria-label="How far the search is" />
          <Button
            tone="quiet"
            onClick={() => {
              stop()
              setFound(null)
            }}
          >
            Stop
          </Button>
        </p>
      )}
      {shown !== null && typeof shown !== 'number' && (
        <Proposed view={view} proposal={shown} onDone={() => setFound(null)} again={() => void reread().then(look)} />
      )}
    </Panel>
  )
}
