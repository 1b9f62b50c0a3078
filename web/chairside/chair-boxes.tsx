/** What lies over the chair's screen: one box at a time; a window that was missed comes by itself. */
import type { Hold, Plan } from '../../core/model/plan'
import type { Run } from '../app/run'
import { HoldBox } from '../parts/hold-box'
import { Keys, NoteBox, SkipBox, WindowBox } from './boxes'
import { MeasureBox } from './measure/measure-box'
import type { Sight } from './sight'
import { WorkedBox } from './worked-box'

/** A box by its name, or the signature that is asked for. */
export type ChairBox = 'keys' | 'note' | 'skip' | 'measure' | 'worked' | Hold

export function ChairBoxes({
  box,
  onClose,
  plan,
  run,
  sight: { missed, measured, current, front, view },
}: {
  box: ChairBox | undefined
  onClose: () => void
  plan: Plan
  run: Run
  sight: Sight
}) {
  if (box === undefined)
    return missed && run.state.core.status === 'running' ? (
      <WindowBox key={missed.linkId} clock={missed} plan={plan} run={run} />
    ) : null
  if (typeof box === 'object') return <HoldBox hold={box} plan={plan} run={run} onClose={onClose} />
  switch (box) {
    case 'measure':
      return measured ? <MeasureBox plan={plan} at={measured} run={run} onClose={onClose} /> : null
    case 'worked':
      return front ? <WorkedBox step={front} links={plan.links} onClose={onClose} /> : null
    case 'note':
      return <NoteBox run={run} onClose={onClose} />
    case 'keys':
      return <Keys onClose={onClose} />
    case 'skip': {
      const steps = new Set(
        [current, ...view.running, view.next, ...view.later].filter((s) => s !== undefined && s !== null),
      )
      return <SkipBox run={run} steps={[...steps]} onClose={onClose} />
    }
  }
}
