/** How the plan came to its figures and its burs: nobody has to trust a number blindly. */
import type { Plan } from '../../core/model/plan'
import { cordLines, cordsLie } from '../../core/schedule/cords'
import type { Timeline } from '../../core/schedule/timeline'
import { capital } from '../../core/words'
import { Mark, Panel } from '../parts/ui'
import { Why } from '../parts/worked'

export function WorkedOut({ plan, score }: { plan: Plan; score: Timeline }) {
  const cords = cordLines(cordsLie(plan, score))
  const figures = plan.steps.flatMap((s) => s.figures.map((f) => ({ ...f, key: `${s.id} ${f.name}`, tooth: s.tooth })))
  const reasons = plan.steps.flatMap((s) => (s.reason ? [{ id: s.id, title: s.title, reason: s.reason }] : []))
  return (
    <Panel title="How it is worked out" className="space-y-3">
      <dl className="space-y-1.5">
        {figures.map((f) => (
          <div key={f.key} data-worked={f.key} className="grid gap-x-3 md:grid-cols-[15rem_7rem_minmax(0,1fr)]">
            <dt className="font-semibold">{f.name}</dt>
            <dd className="num font-bold">
              {f.value} {f.unit}
            </dd>
            <dd>
              <Why reason={f} />
            </dd>
          </div>
        ))}
      </dl>
      {cords.length > 0 && (
        <div data-cords="">
          <h3 className="font-bold">Cords in the crevice</h3>
          <ul className="space-y-1">
            {cords.map((c) => (
              <li key={c.says}>{c.over ? <Mark kind="mind">{capital(c.says)}</Mark> : capital(c.says)}</li>
            ))}
          </ul>
        </div>
      )}
      <h3 className="font-bold">Why so</h3>
      <ul className="space-y-1">
        {reasons.map((r) => (
          <li key={r.id}>
            <strong>{r.title}:</strong> <Why reason={r.reason} />
          </li>
        ))}
      </ul>
      <h3 className="font-bold">Burs, and the next best</h3>
      <ol className="space-y-1">
        {plan.burs.map((pass) => (
          <li key={pass.order} data-bur={pass.order}>
            <span className="num font-bold">{pass.order}</span> <strong>{pass.bur?.name ?? pass.lack}</strong>
            {pass.cuts.map((cut) => (
              <span key={cut.stepId} className="block pl-5">
                {cut.surface}: {cut.because && <Why reason={cut.because} />}
                {cut.next && <span> Next best: {cut.next.name}.</span>}
              </span>
            ))}
            {pass.passedOver.map((p) => (
              <span key={p} className="block pl-5 text-brass">
                ◆ passed over: {p}
              </span>
            ))}
          </li>
        ))}
      </ol>
    </Panel>
  )
}
