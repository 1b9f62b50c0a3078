/** Visits that would find no cassette, at what time, and what saves them; each act has been simulated. */
import type { SavingAct } from '../../core/schedule/saving'
import { Link } from 'react-router'
import type { DayView } from '../../wire/day'
import { Mark, Panel } from '../parts/ui'
import { clockTime } from '../parts/words'
import { surname } from './day-facts'

/** The same act taken twice is said once. */
function counted(acts: readonly SavingAct[]): Map<string, { act: SavingAct; n: number }> {
  const known = new Map<string, { act: SavingAct; n: number }>()
  for (const act of acts) {
    const key = JSON.stringify(act)
    known.set(key, { act, n: (known.get(key)?.n ?? 0) + 1 })
  }
  return known
}

export function MissingCassettes({ view }: { view: DayView }) {
  const { turnover } = view
  const back = view.visits.flatMap((v) => v.cassettes.filter((c) => c.pulledBack).map((c) => ({ v, c })))
  if (back.length === 0 && (!turnover || turnover.dry.length === 0)) return null
  const visit = new Map(view.visits.map((v) => [v.id, v]))
  const time = (at: number) => <span className="num">{clockTime(at, view.zone)}</span>
  const name = (id: string): string => {
    const v = visit.get(id)
    return v ? `${surname(v)} ${clockTime(v.startsAt, view.zone)}` : id
  }
  const words = (act: SavingAct) => {
    if (act.kind === 'extra run') return <>a run at {time(act.at)} with what is packed by then</>
    if (act.kind === 'swap')
      return (
        <>
          {name(act.visitIds[0])} and {name(act.visitIds[1])} exchange their times, if both patients can
        </>
      )
    return <>one more {act.type} cassette, borrowed or bought</>
  }
  return (
    <Panel title="Cassettes" className="min-w-96 flex-1 space-y-2">
      {back.map(({ v, c }) => (
        <p key={v.id + c.type} data-pulled={v.id}>
          <Mark kind="stop">
            {surname(v)}: {c.name} is out of a load that was pulled back; change it before it is used
          </Mark>
        </p>
      ))}
      <ul className="space-y-1">
        {turnover?.dry.map((d) => (
          <li key={d.visitId + d.type} data-dry={d.visitId}>
            <Mark kind="ask">
              <strong>{name(d.visitId)}</strong> finds no {d.type} cassette at {time(d.neededAt)};{' '}
              {d.nextReadyAt === undefined ? 'none comes back that day' : <>the next is ready {time(d.nextReadyAt)}</>}
            </Mark>
          </li>
        ))}
      </ul>
      {turnover && turnover.single.length > 0 && (
        <>
          <p className="font-semibold">What helps, the cheapest first:</p>
          <ul className="list-inside list-disc">
            {turnover.single.slice(0, 3).map((s) => (
              <li key={JSON.stringify(s.act)} data-saving={s.act.kind}>
                {words(s.act)}
                {s.left.length > 0 && <span className="text-soft">; {s.left.length} still without</span>}
              </li>
            ))}
          </ul>
        </>
      )}
      {turnover && turnover.together.length > 1 && (
        <p>
          All together:{' '}
          {[...counted(turnover.together)].map(([key, { act, n }], i) => (
            <span key={key}>
              {i > 0 && '; '}
              {n > 1 && `${n} times: `}
              {words(act)}
            </span>
          ))}
          {turnover.left.length > 0 && `. ${turnover.left.length} still without.`}
        </p>
      )}
      <Link to="/cupboard/instruments" className="flex min-h-12 items-center text-jade underline">
        To the cassettes and loads
      </Link>
    </Panel>
  )
}
