import { sure } from '../../core/sure'
import { Minus, Plus } from 'lucide-react'
import type { Count, Plan } from '../../core/model/plan'
import { owing, type RunCore } from '../../core/run/state'
import { Button, Panel } from '../parts/ui'

/** What is in and must come out: one touch counts one out; a second row of buttons mends a miscount. */
export function Counts({
  plan,
  core,
  onCount,
  onLost,
  outNow,
}: {
  plan: Plan
  core: RunCore
  /** What the key counts out now. */ outNow?: string | undefined
  onCount: (countId: string, direction: 'in' | 'out', n: number) => void
  onLost: (count: Count) => void
}) {
  const [shown, untouched] = [
    plan.counts.filter((c) => (core.counts[c.id]?.in ?? 0) > 0),
    plan.counts.filter((c) => (core.counts[c.id]?.in ?? 0) === 0),
  ]
  const live = core.status === 'running'
  return (
    <Panel title="Counts">
      {shown.length === 0 && <p className="text-soft">Nothing is in.</p>}
      <ul className="space-y-2">
        {shown.map((c) => {
          const left = owing(c, core)
          return (
            <li
              key={c.id}
              data-count={c.id}
              data-open={left}
              data-out-now={c.id === outNow ? '' : undefined}
              className={`rounded-md border-2 p-2 ${left === 0 ? 'border-line' : 'border-brass bg-brass-wash'}`}
            >
              <div className="flex flex-wrap items-center justify-between gap-2">
                <span className="text-2xl leading-tight font-semibold">
                  {c.what}
                  <span className="num block text-[28px] font-normal">
                    {sure(core.counts[c.id]).in} in, {sure(core.counts[c.id]).out} out
                    {c.stays ? `, ${c.stays} stays` : ''}
                    {left === 0 ? ' ✓' : ''}
                    {c.id === outNow && <span className="ml-2 text-base text-soft">o</span>}
                  </span>
                </span>
                {live && (
                  <span className="ml-auto flex gap-1.5">
                    <Button
                      tone="quiet"
                      className="min-h-16"
                      aria-label={`${c.what}: one more went in`}
                      onClick={() => onCount(c.id, 'in', 1)}
                    >
                      <Plus aria-hidden="true" />
                    </Button>
                    {left > 0 ? (
                      <>
                        <Button
                          big
                          tone={left > 1 ? 'plain' : 'jade'}
                          className="!px-4"
                          aria-label={`${c.what}: one out`}
                          onClick={() => onCount(c.id, 'out', 1)}
                        >
                          {left > 1 ? '1' : 'out'}
                        </Button>
                        {left > 1 && (
                          <Button
                            big
                            tone="jade"
                            className="!px-4"
                            aria-label={`${c.what}: all ${left} out`}
                            onClick={() => onCount(c.id, 'out', left)}
                          >
                            {left} out
                          </Button>
                        )}
                      </>
                    ) : (
                      <Button
                        tone="quiet"
                        className="min-h-16"
                        aria-label={`${c.what}: not out after all`}
                        onClick={() => onCount(c.id, 'out', -1)}
                      >
                        <Minus aria-hidden="true" />
                      </Button>
                    )}
                  </span>
                )}
              </div>
              {live && left > 0 && (
                <Button
                  tone="quiet"
                  className="mt-1"
                  aria-label={`${c.what}: a piece is missing`}
                  onClick={() => onLost(c)}
                >
                  a piece is missing
                </Button>
              )}
            </li>
          )
        })}
      </ul>
      {untouched.length > 0 && (
        <p className="mt-2 text-base text-soft">to come: {untouched.map((c) => c.what).join(', ')}</p>
      )}
    </Panel>
  )
}
