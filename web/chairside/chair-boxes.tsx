/** What lies over the chair's screen: one box at a time; a window that was missed comes by itself. */
import type { Count, Hold, Plan } from '../../core/model/plan'
import type { Step } from '../../core/model/step'
import type { RunCore } from '../../core/run/state'
import type { Run } from '../app/run'
import { HoldBox } from '../parts/hold-box'
import { Keys, NoteBox, SkipBox, WindowBox } from './boxes'
import { MeasureBox } from './measure/measure-box'
import { MatterBox, type ToAnswer } from './matters'
import type { LyingCord } from '../../core/run/cords'
import { CordBox } from './cords-over'
import { LostBox } from './lost-box'
import type { Sight } from './sight'
import { WorkedBox } from './worked-box'

/** A box with the step or signature it was opened for: what comes in front under it changes nothing in it. */
export type ChairBox =
  | { box: 'keys' | 'note' | 'skip' }
  | { box: 'measure' | 'worked'; step: Step }
  | { box: 'hold'; hold: Hold }
  | { box: 'matter'; matter: ToAnswer }
  | { box: 'lost'; count: Count }
  | { box: 'cord'; cord: LyingCord }

/** Nothing is left to answer in it: somebody signed elsewhere, the step was taken back. */
export const boxIsOver = (open: ChairBox, { holds, steps }: Pick<RunCore, 'holds' | 'steps'>): boolean =>
  (open.box === 'hold' && holds[open.hold.id]?.status !== 'open') ||
  (open.box === 'measure' && steps[open.step.id]?.status === 'todo')

export function ChairBoxes({
  visitId,
  open,
  onClose,
  plan,
  run,
  sight: { missed, current, view },
}: {
  visitId: string
  open: ChairBox | undefined
  onClose: () => void
  plan: Plan
  run: Run
  sight: Sight
}) {
  if (open === undefined)
    return missed && run.state.core.status === 'running' ? (
      <WindowBox key={missed.linkId} clock={missed} plan={plan} run={run} />
    ) : null
  switch (open.box) {
    case 'hold':
      return <HoldBox visitId={visitId} hold={open.hold} plan={plan} run={run} onClose={onClose} />
    case 'measure':
      return <MeasureBox visitId={visitId} plan={plan} at={open.step} run={run} onClose={onClose} />
    case 'matter':
      return <MatterBox visitId={visitId} matter={open.matter} plan={plan} run={run} onClose={onClose} />
    case 'lost':
      return <LostBox visitId={visitId} count={open.count} plan={plan} run={run} onClose={onClose} />
    case 'cord':
      return <CordBox visitId={visitId} cord={open.cord} run={run} onClose={onClose} />
    case 'worked':
      return <WorkedBox step={open.step} links={plan.links} onClose={onClose} />
    case 'note':
      return <NoteBox visitId={visitId} run={run} onClose={onClose} />
    case 'keys':
      return <Keys onClose={onClose} />
    case 'skip': {
      const steps = new Set(
        [current, ...view.running, view.next, ...view.later].filter((s) => s !== undefined && s !== null),
      )
      return <SkipBox visitId={visitId} run={run} steps={[...steps]} onClose={onClose} />
    }
  }
}
