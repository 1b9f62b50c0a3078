/** Drill: learn a setup and its order by doing it, scored against the plan; what was missed comes back. */
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { groups, kindTable, type KindId } from '../../core/kinds'
import { usePractice } from '../app/queries'
import { usePerson } from '../app/person'
import { Button, Failed, Loading, Mark, Panel } from '../parts/ui'
import { nextRound, partWords, useProgress } from './drill-data'
import type { NextRound, Progress } from '../../wire/drill'
import { RoundView } from './round-view'

const ago = (ms: number): string =>
  ms < 3_600_000
    ? `${Math.max(1, Math.round(ms / 60_000))} min`
    : ms < 86_400_000
      ? `${Math.round(ms / 3_600_000)} h`
      : `${Math.round(ms / 86_400_000)} days`

function Rounds({ progress }: { progress: Progress }) {
  if (progress.rounds.length === 0)
    return (
      <p className="text-soft">
        No round yet. A round takes about five minutes: a tray, its burs, some steps, a clock.
      </p>
    )
  return (
    <ul className="space-y-1">
      {progress.rounds.slice(0, 12).map((r) => (
        <li
          key={r.id}
          data-round={r.kind}
          className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-1"
        >
          <span className="w-28 text-soft">{ago(progress.now - r.at)} ago</span>
          <span className="min-w-0 flex-1">{kindTable[r.kind].title}</span>
          <svg width={120} height={16} role="img" aria-label={`${r.right} of ${r.of} right`}>
            <rect width={120} height={16} className="fill-sunk" />
            <rect width={(120 * r.right) / Math.max(1, r.of)} height={16} className="fill-jade" />
          </svg>
          <strong className="num w-16 text-right">
            {r.right}/{r.of}
          </strong>
          <span className="w-full text-base text-soft md:w-auto">
            {r.parts.map((p) => `${partWords[p.part].toLowerCase()} ${p.right}/${p.of}`).join(' · ')}
          </span>
        </li>
      ))}
    </ul>
  )
}

export default function DrillScreen() {
  const progress = useProgress()
  const practice = usePractice()
  const person = usePerson()
  const client = useQueryClient()
  const [next, setNext] = useState<NextRound>()
  const [error, setError] = useState<unknown>()
  const start = (kind?: KindId): void => {
    setError(undefined)
    nextRound(kind).then(setNext).catch(setError)
  }
  if (error) return <Failed error={error} again={() => start()} />
  if (progress.error) return <Failed error={progress.error} again={() => void progress.refetch()} />
  if (!progress.data || !practice.data) return <Loading what="Opening the drill" />
  const end = (): void => {
    setNext(undefined)
    void client.invalidateQueries({ queryKey: ['drill'] })
  }
  if (next) return <RoundView key={next.seed} next={next} practice={practice.data} onMore={() => start()} onEnd={end} />
  const { kinds, nextDueAt, now } = progress.data
  const due = kinds.reduce((n, k) => n + k.due, 0)
  return (
    <div className="mx-auto grid max-w-[1400px] gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <div className="space-y-3">
        <Panel title={`Drill: ${person.name}`} className="space-y-3">
          <p className="text-xl">
            {due > 0 ? (
              <Mark kind="mind">
                <strong className="num">{due}</strong> to come back today
              </Mark>
            ) : nextDueAt !== null ? (
              `Nothing to come back now; the next in ${ago(nextDueAt - now)}.`
            ) : (
              'Lay up a random case from a shuffled cupboard, order its burs and steps, keep its clocks.'
            )}
          </p>
          <Button big tone="jade" onClick={() => start()} data-start="">
            {due > 0 ? 'A round of what is due' : 'A round'}
          </Button>
          <p className="text-base text-soft">
            Scored against the plan this practice’s own library compiles, with the reason of every miss. Nobody sees
            your rounds but you. It teaches the plan; the dentist decides at the chair.
          </p>
        </Panel>
        <Panel title="Your last rounds">
          <Rounds progress={progress.data} />
        </Panel>
      </div>
      <Panel title="By kind of visit">
        <div className="space-y-2">
          {groups.map((g) => (
            <section key={g} aria-label={g}>
              <h3 className="text-base font-bold text-soft">{g}</h3>
              <ul className="grid gap-1.5 sm:grid-cols-2">
                {kinds
                  .filter((k) => kindTable[k.kind].group === g)
                  .map((k) => (
                    <li key={k.kind}>
                      <button
                        type="button"
                        data-kind={k.kind}
                        onClick={() => start(k.kind)}
                        className="flex min-h-12 w-full cursor-pointer items-center justify-between gap-2 rounded-md border-2 border-line px-3 py-1 text-left leading-tight"
                      >
                        {kindTable[k.kind].title}
                        {k.due > 0 ? (
                          <strong className="num whitespace-nowrap">● {k.due} due</strong>
                        ) : k.asked > 0 ? (
                          <span className="whitespace-nowrap text-soft">✓ {k.asked}</span>
                        ) : null}
                      </button>
                    </li>
                  ))}
              </ul>
            </section>
          ))}
        </div>
      </Panel>
    </div>
  )
}
