/** What a hand or a pedal does at the chair: sent as a command, and what is answered is said. */
import { toast } from 'sonner'
import type { Hold, Plan } from '../../core/model/plan'
import type { Command } from '../../core/run/events'
import type { Step } from '../../core/model/step'
import { teethAt } from '../../core/readings'
import type { Handoff } from '../../core/run/handoffs'
import type { Run } from '../app/run'
import type { ToAnswer } from './matters'
import type { Sight } from './sight'

export interface Touches {
  /** Begins the visit, which cannot be taken back: by its own key or a touch, never by the pedal that was pressed for the tray. */
  begin: () => void
  /** Whatever comes next: finishes the step in front and starts the one after, or says what is waited for. */
  next: () => void
  /** The dentist's own touch; where the code is asked, or it is not signed as it stands, its box says so. */
  sign: (hold: Hold) => void
  undo: () => void
  seen: (handoff: Handoff) => void
  call: (handoff: Handoff, minutes?: number) => void
  count: (countId: string, direction: 'in' | 'out', n: number) => void
  cordOut: (stepId: string) => void
  /** What was injected at a step, with one cartridge more. */
  injected: (step: Step, readings: Record<string, unknown>) => void
}

/**
 * @param turn where a touch shows something instead of sending it: the next step alone, or a signature that is waited for
 * @param seen whether what stands in front has been there long enough to be meant; a touch that cannot mean it does nothing
 */
export function touchesOf(
  plan: Plan,
  run: Run,
  { current, view, afterwards }: Pick<Sight, 'current' | 'view' | 'afterwards'>,
  turn: { unfocus: () => void; ask: (hold: Hold | undefined) => void; matter: (matter: ToAnswer) => void },
  seen: () => boolean,
): Touches {
  const send = (command: Command): void =>
    void run.send(command).then((answer) => {
      const why = answer.ok ? answer.held : answer.refusal
      // What came up is the dentist's: its box says what, and is not in the way of what is done in the mouth meanwhile.
      const matter = run.state.matters.find((m) => m.id === why?.matterId)
      if (matter) turn.matter(matter)
      else if (why?.code === 'cassettes') turn.matter({ begin: why.message })
      else if (!answer.ok) toast.error(answer.message)
      else if (answer.held && answer.held.code !== 'order') toast(answer.held.message)
    })
  const next = (): void => {
    const { status } = run.state.core
    if (run.sending === 'yes' || !seen()) return
    if (status === 'laid up')
      return void toast('The visit is begun by a touch on “Begin”, or with b: not by the pedal.')
    if (status !== 'running') return
    turn.unfocus()
    if (current)
      return send({ kind: 'advance', finish: current.id, ...(afterwards.next ? { start: afterwards.next.id } : {}) })
    if (view.next) return send({ kind: 'advance', start: view.next.id })
    const holdId = view.waiting?.refusal.holdId
    if (holdId) turn.ask(plan.holds.find((h) => h.id === holdId))
    else if (view.waiting) toast(view.waiting.refusal.message)
  }
  return {
    begin: () => {
      if (run.state.core.status === 'laid up' && run.sending !== 'yes' && seen()) send({ kind: 'begin' })
    },
    next,
    sign: (hold) => {
      if (!seen()) return
      void run.send({ kind: 'sign', holdId: hold.id }).then((answer) => {
        if (answer.ok) return
        if (answer.refusal?.code !== 'code') toast.error(answer.message)
        turn.ask(hold)
      })
    },
    undo: () => {
      if (seen()) send({ kind: 'undo' })
    },
    seen: (handoff) => send({ kind: 'seen', handoff }),
    call: (handoff, minutes) => send({ kind: 'call', handoff, ...(minutes === undefined ? {} : { minutes }) }),
    count: (countId, direction, n) => send({ kind: 'count', countId, direction, n }),
    injected: (step, readings) => {
      const [tooth = ''] = teethAt(step, 'anaesthetic')
      send({ kind: 'measure', stepId: step.id, measure: 'anaesthetic', tooth, readings })
    },
    cordOut: (stepId) => send({ kind: 'cord out', stepId }),
  }
}
