/** What was read at a step, as evidence beside the signature. */
import { readingOfKind, spokenOf } from '../../core/readings'
import { blocking } from '../../core/readings/reading'
import type { RunCore } from '../../core/run/state'
import type { MarginPart } from '../../core/measure/inspection'
import { MarginRing } from './margin-ring'
import { Mark } from './ui'
import { Worked } from './worked'
import type { Plan } from '../../core/model/plan'

/** The margin as it was read, for the measures that read it in parts. */
function Picture({ measure, readings }: { measure: string; readings: unknown }) {
  if (measure !== 'inspection' && measure !== 'provisional') return null
  // What is stored was judged: its own schema has parsed it.
  // oxlint-disable-next-line typescript/no-unsafe-type-assertion
  const { parts } = readings as { parts: Partial<Record<MarginPart, string | { fault: string }>> }
  const faults = Object.fromEntries(
    Object.entries(parts).map(([part, f]) => [part, typeof f === 'string' ? f : f.fault]),
  )
  return <MarginRing faults={faults} shapes={{}} size={190} />
}

export function Readings({ plan, core, stepId }: { plan: Pick<Plan, 'notation'>; core: RunCore; stepId: string }) {
  const own = core.measured.filter((m) => m.stepId === stepId)
  if (own.length === 0) return null
  return (
    <ul aria-label="Read" className="space-y-1">
      {own.map((m) => (
        <li key={m.measure + m.tooth} data-measured={m.measure}>
          <Mark
            kind={
              blocking.includes(m.verdict) || m.verdict === 'review' ? 'ask' : m.verdict === 'good' ? 'good' : 'mind'
            }
          >
            <strong className="num">{spokenOf(plan, m, '').trim()}</strong>{' '}
            {readingOfKind(m.measure).name.toLowerCase()}: {m.says.join('; ')}
            {m.round > 1 && ` (read ${m.round} times)`}
          </Mark>
          <Picture measure={m.measure} readings={m.readings} />
          <Worked figures={m.figures} />
        </li>
      ))}
    </ul>
  )
}
