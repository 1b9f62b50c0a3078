import { sure } from '../../core/sure'
import type { Hold, Plan } from '../../core/model/plan'
import { owing, type RunCore } from '../../core/run/state'
import { stillToRead } from '../../core/run/unread'
import { Readings } from '../parts/readings'
import { Button, Panel } from '../parts/ui'

/** Holds: those asked now with what they rest on, the others in a line. */
export function Holds({
  plan,
  core,
  asked,
  onAnswer,
  onSign,
  dentistView,
}: {
  plan: Plan
  core: RunCore
  asked: Hold[]
  onAnswer: (hold: Hold) => void
  /** The dentist's own touch. */
  onSign: (hold: Hold) => void
  dentistView: boolean
}) {
  const counts = plan.counts.filter((c) => owing(c, core) > 0)
  const answered = plan.holds.filter((h) => core.holds[h.id]?.status !== 'open')
  const later = plan.holds.filter((h) => core.holds[h.id]?.status === 'open' && !asked.includes(h))
  return (
    <Panel title={dentistView ? 'Waits for you' : 'The dentist signs'}>
      <ul className="space-y-2">
        {asked.map((h) => (
          <li key={h.id}>
            <Button
              big
              tone={dentistView ? 'jade' : 'plain'}
              data-hold={h.id}
              className="w-full !justify-between py-2 text-left"
              onClick={() => (dentistView ? onSign(h) : onAnswer(h))}
            >
              <span>
                ‖ {h.title}
                <span className="block text-xl font-normal">{h.evidence}</span>
              </span>
              <span className="text-lg">sign</span>
            </Button>
            {dentistView && (
              <Button tone="quiet" className="mt-1" data-other-answer={h.id} onClick={() => onAnswer(h)}>
                Not good, or go on unsigned
              </Button>
            )}
            {stillToRead(plan, core, h).length > 0 && (
              <p className="mt-1 text-lg text-brass" data-unread={h.id}>
                ◆ to be read first (m):{' '}
                {stillToRead(plan, core, h)
                  .map((r) => r.words)
                  .join(', ')}
              </p>
            )}
            {dentistView && <Readings plan={plan} core={core} stepId={h.stepId} />}
            {h.id === 'counts' && counts.length > 0 && (
              <p className="text-lg text-brass">still in: {counts.map((c) => c.what).join(', ')}</p>
            )}
          </li>
        ))}
      </ul>
      {asked.length === 0 && <p className="text-soft">Nothing is asked now.</p>}
      <p className="mt-2 text-base">
        {answered
          .map((h) => `✓ ${h.title.toLowerCase()}${sure(core.holds[h.id]).status === 'waved' ? ' (unsigned)' : ''}`)
          .join('  ')}
        {answered.length > 0 && later.length > 0 && ' · '}
        <span className="text-soft">
          {later.length > 0 && `later: ${later.map((h) => h.title.toLowerCase()).join(', ')}`}
        </span>
      </p>
    </Panel>
  )
}
