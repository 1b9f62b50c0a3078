/** Light summed by tooth while something is being cured: many short cures are lost count of. */
import type { Plan } from '../../core/model/plan'
import type { Step } from '../../core/model/step'
import { lightSums } from '../../core/run/light'
import type { RunCore } from '../../core/run/state'
import { said } from '../../core/model/said'

export function LightLine({ plan, core, current }: { plan: Plan; core: RunCore; current: Step | undefined }) {
  const sum = lightSums(plan, core).find((s) => s.tooth === current?.tooth)
  if (!sum || sum.cures < 2 || (sum.givenS === 0 && current?.fn !== 'curing')) return null
  return (
    <p data-light={sum.tooth ?? 'all'} className="rounded-lg bg-sheet p-3 text-xl">
      Light{sum.tooth ? ` on ${said(plan, sum.tooth)}` : ''}: <strong className="num">{sum.givenS}</strong> of{' '}
      <span className="num">{sum.plannedS}</span> s given, cure{' '}
      <span className="num">{Math.min(sum.curesDone + (current?.fn === 'curing' ? 1 : 0), sum.cures)}</span> of{' '}
      <span className="num">{sum.cures}</span>
    </p>
  )
}
