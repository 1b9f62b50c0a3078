/** Words to the other side of the chair: one touch to say one, one to have seen it. */
import { sure } from '../../core/sure'
import type { Plan } from '../../core/model/plan'
import { handoffWords, type Handoff } from '../../core/run/handoffs'
import { offered, wantedOf } from '../../core/run/wanted'
import { useNow } from '../app/live'
import type { Run } from '../app/run'
import { useChimeOnNew } from '../parts/sound'
import { Button, Panel } from '../parts/ui'

const ago = (ms: number): string => `${Math.floor(ms / 60_000)}:${String(Math.floor(ms / 1000) % 60).padStart(2, '0')}`

/** What the other side has said and nobody here has marked as seen; large, above everything else. */
export function Incoming({
  plan,
  run,
  personId,
  onSeen,
}: {
  plan: Plan
  run: Run
  personId: string
  onSeen: (h: Handoff) => void
}) {
  const now = useNow(1000)
  const calls = wantedOf(plan, run.state, personId).filter((w) => w.kind === 'call')
  useChimeOnNew(calls.map((c) => `${sure(c.handoff)}${c.since}`).join('\n'))
  if (calls.length === 0) return null
  return (
    <ul aria-label="Said to you" className="space-y-2">
      {calls.map((c) => (
        <li
          key={c.handoff}
          data-incoming={c.handoff}
          className="flex items-center gap-4 rounded-lg border-4 border-brass bg-brass-wash p-3"
        >
          <span aria-hidden="true" className="text-4xl text-brass">
            ◆
          </span>
          <p className="flex-1 text-4xl leading-tight font-bold">
            <span role="alert">{c.words}</span>
            <span className="clock ml-4 text-2xl font-normal text-soft">{ago(Math.max(0, now - c.since))} ago</span>
          </p>
          <Button big tone="jade" onClick={() => onSeen(sure(c.handoff))}>
            Seen <span className="text-base font-normal">a</span>
          </Button>
        </li>
      ))}
    </ul>
  )
}

/** What this side may say, and what became of what it said. */
export function Outgoing({
  plan,
  run,
  dentistView,
  onCall,
}: {
  plan: Plan
  run: Run
  dentistView: boolean
  onCall: (h: Handoff, minutes?: number) => void
}) {
  const now = useNow(1000)
  const name = (id: string | undefined): string => plan.people.find((p) => p.id === id)?.name ?? 'somebody'
  if (run.state.core.status !== 'running') return null
  return (
    <Panel title={dentistView ? 'Tell the assistant' : 'Tell the dentist'}>
      <ul className="grid grid-cols-2 gap-1.5">
        {offered(plan, dentistView ? 'dentist' : 'assistant').map((h, i) => {
          const call = run.state.calls[h]
          const waits = call && call.seenAt === undefined
          return (
            <li
              key={h}
              className={h === 'leaving' ? 'col-span-2' : ''}
              data-call={h}
              data-state={waits ? 'said' : call ? 'seen' : 'open'}
            >
              {h === 'leaving' ? (
                <span className="flex flex-wrap items-center gap-1.5">
                  <span className="w-full">{handoffWords(h)}, back in</span>
                  {[5, 10, 20].map((minutes) => (
                    <Button
                      key={minutes}
                      className="min-h-16 flex-1"
                      disabled={waits === true}
                      aria-label={`Leaving the room, back in ${minutes} minutes`}
                      onClick={() => onCall(h, minutes)}
                    >
                      {minutes} min
                    </Button>
                  ))}
                </span>
              ) : (
                <Button
                  className="min-h-16 w-full !justify-between text-left leading-tight"
                  disabled={waits === true}
                  onClick={() => onCall(h)}
                >
                  {handoffWords(h)} <span className="text-base font-normal">{i + 1}</span>
                </Button>
              )}
              {call && (
                <p role="status" className="text-base">
                  {waits ? (
                    <>○ said {ago(Math.max(0, now - call.at))} ago, not seen yet</>
                  ) : (
                    <>✓ seen by {name(call.seenBy)}</>
                  )}
                </p>
              )}
            </li>
          )
        })}
      </ul>
    </Panel>
  )
}
