/** What has been injected, with the running sum against the ceiling: asked where it happens, one touch for each further cartridge. */
import type { Plan } from '../../core/model/plan'
import type { Step } from '../../core/model/step'
import { teethAt } from '../../core/readings'
import { oneMore } from '../../core/readings/numbing'
import type { RunCore } from '../../core/run/state'
import { Button, Mark } from '../parts/ui'

export function LedgerLine({
  plan,
  core,
  onRead,
  onMore,
}: {
  plan: Plan
  core: RunCore
  onRead: (step: Step) => void
  onMore: (step: Step, readings: Record<string, unknown>) => void
}) {
  const step = plan.steps.find((s) => s.numbed)
  const status = step && core.steps[step.id]?.status
  if (!step || core.status !== 'running' || (status !== 'running' && status !== 'done')) return null
  const [tooth] = teethAt(step, 'anaesthetic')
  const given = core.measured.find((m) => m.stepId === step.id && m.measure === 'anaesthetic')
  const more = typeof given?.readings === 'object' && given.readings !== null ? oneMore({ ...given.readings }) : []
  return (
    <section aria-label="Injected" data-ledger={tooth ?? ''} className="space-y-2 rounded-lg bg-sheet p-3 text-xl">
      {given ? (
        given.says.map((line) => <p key={line}>{/^OVER|^near/.test(line) ? <Mark kind="stop">{line}</Mark> : line}</p>)
      ) : (
        <p>
          <Mark kind="ask">What was injected is not written down yet: the test of numbness waits for it.</Mark>
        </p>
      )}
      <span className="flex flex-wrap gap-2">
        {more.map(({ agent, readings }) => (
          <Button key={agent} big onClick={() => onMore(step, readings)}>
            {more.length > 1 ? `One cartridge more: ${agent}` : 'One cartridge more'}
          </Button>
        ))}
        <Button big={!given} tone={given ? 'quiet' : 'plain'} onClick={() => onRead(step)}>
          {given ? 'Change' : 'What was injected'}
        </Button>
      </span>
    </section>
  )
}
