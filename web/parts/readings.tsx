/** What was read at a step, as evidence beside the signature. */
import { measureNames } from '../../core/run/measured'
import type { RunCore } from '../../core/run/state'
import { Mark } from './ui'

export function Readings({ core, stepId }: { core: RunCore; stepId: string }) {
  const own = core.measured.filter((m) => m.stepId === stepId)
  if (own.length === 0) return null
  return (
    <ul aria-label="Read" className="space-y-1">
      {own.map((m) => (
        <li key={m.measure + m.tooth} data-measured={m.measure}>
          <Mark kind={m.verdict === 'short' || m.verdict === 'again' ? 'ask' : m.verdict === 'good' ? 'good' : 'mind'}>
            <strong className="num">{m.tooth}</strong> {measureNames[m.measure].toLowerCase()}: {m.says.join('; ')}
          </Mark>
        </li>
      ))}
    </ul>
  )
}
