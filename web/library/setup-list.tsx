import { keysOf } from '../../core/sure'
import { amountWords } from '../../core/plan/amount-words'
import { type Plan, type SetupLine } from '../../core/model/plan'
import { phaseNames } from '../../core/model/step'
import { Panel } from '../parts/ui'

const heads = { open: 'Laid out', standby: 'Have ready, do not open', drawer: 'In the drawer' } as const

function Line({ l }: { l: SetupLine }) {
  return (
    <li className="border-b border-line py-1">
      <strong>{l.name}</strong> <span className="num">{amountWords(l)}</span>
      {l.shade && <span>, {l.shade}</span>}
      {l.counted && <span className="text-soft"> ({l.counted})</span>}
      {l.cassette && <span className="text-base text-soft"> · {l.cassette} cassette</span>}
      {l.when && <span className="text-soft"> when {l.when}</span>}
      {l.lack && <span className="block text-alarm">■ {l.lack}</span>}
      {l.alternatives.length > 0 && (
        <span className="block text-base text-soft">
          else: {l.alternatives.map((a) => `${a.name} (${a.loss})`).join(', ')}
        </span>
      )}
    </li>
  )
}

/** The setup by readiness and phase, with what would do instead and what is lost by it. */
export function SetupList({ plan }: { plan: Plan }) {
  return (
    <Panel labelled="Setup" className="space-y-3">
      {keysOf(heads).map((readiness) => {
        const lines = plan.setup.filter((l) => l.readiness === readiness)
        const phases = keysOf(phaseNames).filter((p) => lines.some((l) => l.phase === p))
        return lines.length === 0 ? null : (
          <section key={readiness} aria-label={heads[readiness]}>
            <h2 className="text-lg font-bold text-jade">
              {heads[readiness]}, <span className="num">{lines.length}</span>
            </h2>
            <div className="gap-6 md:columns-2">
              {phases.map((p) => (
                <div key={p} className="mb-2 break-inside-avoid">
                  <h3 className="text-base font-bold text-soft">{phaseNames[p]}</h3>
                  <ul>
                    {lines
                      .filter((l) => l.phase === p)
                      .map((l) => (
                        <Line key={l.id} l={l} />
                      ))}
                  </ul>
                </div>
              ))}
            </div>
          </section>
        )
      })}
    </Panel>
  )
}
