/** The tasks of a round: lay out, put in order, keep the time. */
import { sure } from '../../core/sure'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import type { ClockTask, Pressed } from '../../core/drill/clocks'
import type { Piece } from '../../core/drill/round'
import { Button } from '../parts/ui'

/** A shuffled cupboard: touch what belongs laid out open. */
export function TrayTask({ cupboard, onDone }: { cupboard: readonly Piece[]; onDone: (ids: string[]) => void }) {
  const [picked, setPicked] = useState<readonly string[]>([])
  return (
    <div className="space-y-3">
      <ul aria-label="Cupboard" className="grid gap-2 sm:grid-cols-2 lg:grid-cols-4">
        {cupboard.map((p) => {
          const on = picked.includes(p.id)
          return (
            <li key={p.id}>
              <button
                type="button"
                aria-pressed={on}
                data-piece={p.id}
                onClick={() => setPicked(on ? picked.filter((x) => x !== p.id) : [...picked, p.id])}
                className={`flex min-h-16 w-full cursor-pointer items-center gap-2 rounded-md border-2 px-3 py-1 text-left leading-tight ${on ? 'border-jade bg-jade-wash font-bold' : 'border-line bg-sheet'}`}
              >
                <span aria-hidden="true" className="text-xl">
                  {on ? '✓' : '○'}
                </span>{' '}
                {p.name}
              </button>
            </li>
          )
        })}
      </ul>
      <Button big tone="jade" onClick={() => onDone([...picked])}>
        The tray is laid: {picked.length}
      </Button>
    </div>
  )
}

interface Choice {
  /** One of its own, where the same thing stands twice. */
  key: string
  id: string
  name: string
  picture?: ReactNode
}

/** Touch one after the other; a touch on the list takes it and all after it back. */
export function OrderTask({
  choices,
  done,
  onDone,
}: {
  choices: readonly Choice[]
  done: string
  onDone: (ids: string[]) => void
}) {
  const [taken, setTaken] = useState<readonly string[]>([])
  const left = choices.filter((c) => !taken.includes(c.key))
  const look =
    'flex min-h-14 w-full cursor-pointer items-center gap-3 rounded-md border-2 px-3 py-1 text-left leading-tight'
  return (
    <div className="space-y-3">
      <div className="grid gap-4 md:grid-cols-2">
        <ul aria-label="To be put in order" className="space-y-2">
          {left.map((c) => (
            <li key={c.key}>
              <button
                type="button"
                data-choice={c.key}
                onClick={() => setTaken([...taken, c.key])}
                className={`${look} border-line bg-sheet`}
              >
                {c.picture} {c.name}
              </button>
            </li>
          ))}
        </ul>
        <ol aria-label="Your order" className="space-y-2">
          {taken.map((key, i) => (
            <li key={key}>
              <button
                type="button"
                data-taken={key}
                onClick={() => setTaken(taken.slice(0, i))}
                className={`${look} border-jade bg-jade-wash`}
              >
                <span className="num text-xl font-bold">{i + 1}</span> {sure(choices.find((c) => c.key === key)).name}
                <span className="sr-only">, take back from here</span>
              </button>
            </li>
          ))}
        </ol>
      </div>
      <Button
        big
        tone="jade"
        disabled={left.length > 0}
        onClick={() => onDone(taken.map((key) => sure(choices.find((c) => c.key === key)).id))}
      >
        {done}
      </Button>
    </div>
  )
}

/** The exercise's clock runs so many times as fast as the wall's. */
export const clockPace = 5

/** Clocks against time: begin, then each act when its time has come. Space begins; the digits are the acts. */
export function ClockExercise({ task, onDone }: { task: ClockTask; onDone: (pressed: Pressed[]) => void }) {
  const [begunAt, setBegunAt] = useState<number>()
  const [pressed, setPressed] = useState<readonly Pressed[]>([])
  const [now, setNow] = useState(0)
  const frame = useRef(0)
  useEffect(() => {
    if (begunAt === undefined) return
    const tick = (): void => {
      setNow(performance.now())
      frame.current = requestAnimationFrame(tick)
    }
    frame.current = requestAnimationFrame(tick)
    return () => cancelAnimationFrame(frame.current)
  }, [begunAt])
  // Shown in another order than they come, or the list would tell.
  const acts = task.acts.toSorted((a, b) => a.says.localeCompare(b.says))
  const press = (key: string): void => {
    if (begunAt === undefined || pressed.some((p) => p.key === key)) return
    const all = [...pressed, { key, atS: Math.round(((performance.now() - begunAt) / 1000) * clockPace * 10) / 10 }]
    setPressed(all)
    if (all.length === acts.length) onDone(all)
  }
  const begin = (): void => {
    if (begunAt !== undefined) return
    setNow(performance.now())
    setBegunAt(performance.now())
  }
  useHotkeys('space', begin, { preventDefault: true, enabled: begunAt === undefined }, [begunAt])
  useHotkeys(
    '1,2,3,4,5,6,7,8,9',
    (_, { keys }) => {
      const act = acts[Number(keys?.[0]) - 1]
      if (act) press(act.key)
    },
    [begunAt, pressed],
  )
  const elapsed = begunAt === undefined ? 0 : Math.max(0, ((now - begunAt) / 1000) * clockPace)
  return (
    <div className="space-y-3" data-exercise={begunAt === undefined ? 'waiting' : 'running'}>
      <p>
        The clock runs {clockPace} times as fast as the wall’s. Do each act when its time has come; digits do it, too.
      </p>
      {begunAt === undefined ? (
        <Button big tone="jade" onClick={begin}>
          {task.begins} <span className="text-base font-normal">space</span>
        </Button>
      ) : (
        <>
          <p
            className="clock text-7xl font-bold"
            role="timer"
            aria-label="Seconds gone"
            data-elapsed={Math.floor(elapsed)}
          >
            {Math.floor(elapsed / 60)}:{String(Math.floor(elapsed % 60)).padStart(2, '0')}
          </p>
          <ul className="space-y-2" aria-label="Acts">
            {acts.map((a, i) => {
              const at = pressed.find((p) => p.key === a.key)
              return (
                <li key={a.key}>
                  <Button
                    big
                    tone={at ? 'quiet' : 'plain'}
                    disabled={at !== undefined}
                    data-act={a.key}
                    className="w-full !justify-start text-left"
                    onClick={() => press(a.key)}
                  >
                    <span className="num">{i + 1}</span> {a.says}{' '}
                    {at && <span className="num">at {at.atS.toFixed(0)} s</span>}
                  </Button>
                </li>
              )
            })}
          </ul>
          <Button tone="quiet" onClick={() => onDone([...pressed])}>
            Leave the rest undone
          </Button>
        </>
      )}
    </div>
  )
}
