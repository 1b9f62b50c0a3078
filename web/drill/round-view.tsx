/** One round, task after task, and what it came to with the reason of every miss. */
import { sure } from '../../core/sure'
import { useMemo, useState } from 'react'
import { roundOf } from '../../core/drill/round'
import type { DrillAnswers, DrillScore } from '../../core/drill/score'
import type { Practice } from '../../core/practice/practice'
import { writeBoth } from '../../core/teeth/notation'
import { ApiProblem } from '../app/api'
import { BurDrawing } from '../parts/bur-strip'
import { Button, Mark, Panel, Alert } from '../parts/ui'
import { handIn, partWords } from './drill-data'
import type { NextRound } from '../../wire/drill'
import { ClockExercise, OrderTask, TrayTask } from './tasks'

function Result({ score, onMore, onEnd }: { score: DrillScore; onMore: () => void; onEnd: () => void }) {
  return (
    <div className="space-y-4" data-score={`${score.right}/${score.of}`}>
      <p className="text-4xl font-bold" role="status">
        <span className="num">{score.right}</span> of <span className="num">{score.of}</span> right
      </p>
      {score.parts.map((p) => (
        <section key={p.part} aria-label={partWords[p.part]} data-part-score={p.part}>
          <h2 className="text-2xl font-bold">
            {partWords[p.part]}{' '}
            <span className="num">
              {p.right}/{p.of}
            </span>
          </h2>
          {p.misses.length === 0 && <Mark kind="good">all right</Mark>}
          <ul className="space-y-1">
            {p.misses.map((m) => (
              <li key={m.says} data-miss="">
                <Mark kind="ask">
                  <strong>{m.says}</strong>
                </Mark>{' '}
                <span>because {m.because}</span>
              </li>
            ))}
          </ul>
        </section>
      ))}
      <p className="text-soft">
        What was missed comes back within the hour, what was right after days that grow (FSRS; Ye, Su and Cao, KDD
        2022).
      </p>
      <div className="flex gap-3">
        <Button big tone="jade" onClick={onMore}>
          Another round
        </Button>
        <Button big onClick={onEnd}>
          Enough
        </Button>
      </div>
    </div>
  )
}

export function RoundView({
  next,
  practice,
  onMore,
  onEnd,
}: {
  next: NextRound
  practice: Practice
  onMore: () => void
  onEnd: () => void
}) {
  const round = useMemo(() => roundOf(next.kind, next.seed, practice, next.date, new Set(next.due)), [next, practice])
  const { plan, clock } = round
  const tasks = useMemo(
    () =>
      (['tray', 'burs', 'steps', 'clock'] as const).filter(
        (task) => (task !== 'burs' || round.burs.length > 1) && (task !== 'clock' || clock),
      ),
    [round, clock],
  )
  const [at, setAt] = useState(0)
  const [answers, setAnswers] = useState<DrillAnswers>({ tray: [], burs: [], steps: [], clock: [] })
  const [begunAt] = useState(() => Date.now())
  const [score, setScore] = useState<DrillScore>()
  const [wrong, setWrong] = useState<string>()
  const send = (all: DrillAnswers): void => {
    setWrong(undefined)
    handIn(next, all, Math.round((Date.now() - begunAt) / 1000))
      .then((r) => setScore(r.score))
      .catch((e: unknown) => setWrong(e instanceof ApiProblem ? e.message : 'It could not be handed in.'))
  }
  const done = (part: Partial<DrillAnswers>): void => {
    const all = { ...answers, ...part }
    setAnswers(all)
    setAt(at + 1)
    if (at + 1 === tasks.length) send(all)
  }
  const task = tasks[at]
  const teeth = plan.teeth.map((t) => writeBoth(t.tooth, practice.notation)).join(', ')
  const asks = {
    tray: 'Lay out what is open on the tray. Leave in the cupboard what is not used, and what is only to be had ready.',
    burs: 'Put the burs in the order of use.',
    steps: 'Put these steps of the visit in order.',
    clock: 'Keep the time.',
  } as const
  return (
    <Panel labelled="Round" className="mx-auto max-w-6xl space-y-4">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-2xl font-bold">{plan.title}</h1>
        <p className="num text-2xl font-bold">{teeth}</p>
        {plan.request.restoration && <p className="text-xl">{plan.request.restoration}</p>}
        {task && (
          <p className="ml-auto text-soft">
            task <span className="num">{at + 1}</span> of <span className="num">{tasks.length}</span>
          </p>
        )}
      </div>
      {task && <p className="text-xl">{asks[task]}</p>}
      {task === 'tray' && <TrayTask cupboard={round.cupboard} onDone={(tray) => done({ tray })} />}
      {task === 'burs' && (
        <OrderTask
          key="burs"
          done="This is their order"
          choices={round.burs.map((b) => ({
            key: `${b.id} ${b.place}`,
            id: b.id,
            name: b.name,
            picture: <BurDrawing bur={sure(sure(plan.burs[b.place]).bur)} />,
          }))}
          onDone={(burs) => done({ burs })}
        />
      )}
      {task === 'steps' && (
        <OrderTask
          key="steps"
          done="This is their order"
          choices={round.steps.map((s) => ({ key: s.id, id: s.id, name: s.name }))}
          onDone={(steps) => done({ steps })}
        />
      )}
      {task === 'clock' && clock && <ClockExercise task={clock} onDone={(pressed) => done({ clock: pressed })} />}
      {!task && !score && !wrong && <p role="status">Scoring …</p>}
      {wrong && (
        <Alert className="space-y-2 p-3">
          <p>{wrong} Your answers are still here.</p>
          <Button onClick={() => send(answers)}>Hand in again</Button>
        </Alert>
      )}
      {score && <Result score={score} onMore={onMore} onEnd={onEnd} />}
    </Panel>
  )
}
